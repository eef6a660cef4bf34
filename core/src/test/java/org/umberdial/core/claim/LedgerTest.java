package org.umberdial.core.claim;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberdial.core.claim.Observation.Word;

class LedgerTest {
    /** Each observation as {@code WORD:STRENGTH}, a second apart, of one aspect of C4. */
    @ParameterizedTest
    @CsvSource({
        // The latest that can bear as much wins.
        "NO_LEAK, SOUND:LIFTED FAILED:LIFTED, FAILED, false",
        "NO_LEAK, FAILED:IN_CIRCUIT SOUND:LIFTED, SOUND, false",
        // A weaker one that says otherwise is shown beside it and overrules nothing.
        "NO_LEAK, SOUND:LIFTED FAILED:SEEN, SOUND, true",
        "NO_LEAK, FAILED:LIFTED SOUND:IN_CIRCUIT, FAILED, true",
        "NO_LEAK, FAILED:LIFTED SOUND:TOLD, FAILED, true",
        // Nothing beside a part makes its ohms more; much beside it makes them less.
        "VALUE, SOUND:LIFTED FAILED:IN_CIRCUIT, FAILED, false",
        "NO_SHORT, SOUND:LIFTED FAILED:IN_CIRCUIT, SOUND, true",
        // What is only suspected from voltages takes nothing back.
        "VALUE, SOUND:LIFTED DOUBTED:INFERRED, SOUND, false",
        "VALUE, FAILED:LIFTED DOUBTED:IN_CIRCUIT, FAILED, false",
        "VALUE, SOUND:IN_CIRCUIT DOUBTED:LIFTED, DOUBTED, false",
    })
    void theLatestSufficientEvidenceWins(Aspect aspect, String observed, Word holds, boolean conflict) {
        List<Observation> all = new ArrayList<>();
        for (String one : observed.split(" ")) {
            String[] said = one.split(":");
            all.add(observation("C4", aspect, said[0], said[1], all.size()));
        }
        Ledger.Standing standing =
                Ledger.of(all, List.of()).of(new Claim("c4", aspect)).orElseThrow();
        assertEquals(holds, standing.holds().word());
        assertEquals(conflict, standing.conflict());
        assertEquals(conflict, standing.says().contains("Settle which holds."));
        assertEquals(holds == Word.SOUND && !conflict, standing.sound());
    }

    @Test
    void aReplacedPartsOldFiguresNoLongerSpeak_andWhatFailsAfterwardsDoes() {
        Observation before = observation("C4", Aspect.NO_LEAK, "FAILED", "LIFTED", 1);
        Observation after = observation("C4", Aspect.NO_LEAK, "FAILED", "IN_CIRCUIT", 9);
        List<Ledger.Replaced> replaced = List.of(new Ledger.Replaced("c4", "22 n film", true, at(5)));
        assertEquals(Optional.empty(), Ledger.of(List.of(before), replaced).of(before.claim()));
        assertTrue(Ledger.of(List.of(before, after), replaced).failed(before.claim()));
        assertEquals(1, Ledger.of(List.of(), replaced).provisional().size());
    }

    @Test
    void aDoubtOfAWholePath_accusesNoneOfItsParts() {
        Observation sound = observation("R3", Aspect.VALUE, "SOUND", "IN_CIRCUIT", 1);
        Observation path = new Observation(
                sound.claim(), Word.DOUBTED, Strength.LIFTED, true, at(2), "chain", "open somewhere", "", List.of());
        assertTrue(Ledger.of(List.of(sound, path), List.of()).sound(sound.claim()));
    }

    @Test
    void aWindingServes_onlyWhenItIsWholeAndItsTurnsAreFree() {
        Observation whole = observation("XT2", Aspect.PRIMARY_CONTINUITY, "SOUND", "ISOLATED", 1);
        Observation turns = observation("XT2", Aspect.NO_HEAVY_SHORTED_TURNS, "SOUND", "ISOLATED", 2);
        assertEquals(Optional.empty(), Ledger.of(List.of(whole), List.of()).serves("XT2"));
        assertEquals(
                Optional.of(true), Ledger.of(List.of(whole, turns), List.of()).serves("XT2"));
        Ledger bad = Ledger.of(
                List.of(whole, observation("XT2", Aspect.NO_HEAVY_SHORTED_TURNS, "FAILED", "ISOLATED", 3)), List.of());
        assertEquals(Optional.of(false), bad.serves("XT2"));
        assertFalse(bad.sound(turns.claim()));
    }

    private static Observation observation(String subject, Aspect aspect, String word, String strength, int second) {
        return new Observation(
                new Claim(subject, aspect),
                Word.valueOf(word),
                Strength.valueOf(strength),
                false,
                at(second),
                "a test",
                "it reads so",
                "",
                List.of("e" + second));
    }

    private static Instant at(int second) {
        return Instant.ofEpochSecond(1_000_000 + second);
    }
}
