package org.umberdial.core.role;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.draft.Answers;
import org.umberdial.core.draft.Drafter;
import org.umberdial.core.draft.LineUp;
import org.umberdial.core.set.StartingCircuit;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubeModels;

class PartRolesTest {
    private static final Map<String, NetworkRole> NAMED = new LinkedHashMap<>();

    static {
        NAMED.put("plate load", NetworkRole.PLATE_LOAD);
        NAMED.put("screen dropper", NetworkRole.SCREEN_DROPPER);
        NAMED.put("screen bypass", NetworkRole.SCREEN_BYPASS);
        NAMED.put("cathode bias", NetworkRole.CATHODE_BIAS_RESISTOR);
        NAMED.put("cathode bypass", NetworkRole.CATHODE_BYPASS);
        NAMED.put("grid leak, contact bias", NetworkRole.CONTACT_BIAS_GRID_LEAK);
        NAMED.put("grid leak", NetworkRole.GRID_LEAK);
        NAMED.put("grid stopper", NetworkRole.GRID_STOPPER);
        NAMED.put("coupling", NetworkRole.COUPLING_CAPACITOR);
        NAMED.put("reservoir", NetworkRole.RESERVOIR_CAPACITOR);
        NAMED.put("plate tone", NetworkRole.TONE_CORRECTION_CAPACITOR);
        NAMED.put("volume, ", NetworkRole.VOLUME_CONTROL);
        NAMED.put("oscillator grid leak", NetworkRole.OSCILLATOR_GRID_LEAK);
        NAMED.put("surge", NetworkRole.SURGE_RESISTOR);
        NAMED.put("heater dropper", NetworkRole.HEATER_DROPPER);
        NAMED.put("line switch", NetworkRole.LINE_SWITCH);
        NAMED.put("filter choke", NetworkRole.FILTER_CHOKE);
        NAMED.put("voice coil", NetworkRole.SPEAKER_VOICE_COIL);
        NAMED.put("power transformer", NetworkRole.POWER_TRANSFORMER);
        NAMED.put("output transformer", NetworkRole.OUTPUT_TRANSFORMER_PRIMARY);
        NAMED.put("plate RF bypass", NetworkRole.PLATE_RF_BYPASS);
    }

    private static List<Deck> circuits() throws Exception {
        List<Deck> all = new ArrayList<>();
        StartingCircuit.all().forEach(start -> all.add(start.deck()));
        for (String line : Files.readAllLines(Path.of("src/test/resources/line-ups.csv"))) {
            if (!line.startsWith("tubes,")) {
                all.add(new Drafter(TubeModels.shipped())
                        .draft(LineUp.read(line.split(",")[0], TubeData.shipped()), Answers.NONE)
                        .deck());
            }
        }
        return all;
    }

    /** What the circuits themselves call their parts is what the network says, but for one in twenty. */
    @Test
    void rolesAreFound_inEveryCircuitThatNamesThem() throws Exception {
        int named = 0;
        List<String> missed = new ArrayList<>();
        for (Deck deck : circuits()) {
            PartRoles roles = new PartRoles(deck.cards(), TubeData.shipped());
            for (Card card : deck.cards()) {
                String said = card.key("desc").orElse("");
                Optional<NetworkRole> wanted = NAMED.entrySet().stream()
                        .filter(entry -> said.startsWith(entry.getKey()))
                        .map(Map.Entry::getValue)
                        .findFirst();
                if (wanted.isPresent()) {
                    named++;
                    if (!roles.role(card.reference()).equals(wanted)) {
                        missed.add(deck.title() + " " + card.reference() + " " + said + ": "
                                + roles.role(card.reference()));
                    }
                }
            }
        }
        assertTrue(named > 500, named + " named");
        assertTrue(missed.size() <= named / 20, missed.size() + " of " + named + ": " + missed);
    }

    @Test
    void aPartNobodyNamed_isNamedWithItsTube_andMayBeCorrected() {
        PartRoles roles = new PartRoles(
                DeckReader.read("* one stage\nV1 b 0 250\nXV3 p g k 6J5_T\nR1 b p 100k\nR2 g 0 470k\nR3 k 0 1.5k\n"
                                + "C1 k 0 25u ; kind=electrolytic\nC2 k 0 10n ; job=if_filter_capacitor\n.end\n")
                        .cards(),
                TubeData.shipped());
        assertEquals("plate load of V3", roles.phrase("R1").orElseThrow());
        assertEquals("grid leak of V3", roles.phrase("R2").orElseThrow());
        assertEquals("cathode bias of V3", roles.phrase("R3").orElseThrow());
        assertEquals("cathode bypass of V3", roles.phrase("C1").orElseThrow());
        assertEquals("IF filter", roles.phrase("C2").orElseThrow());
    }
}
