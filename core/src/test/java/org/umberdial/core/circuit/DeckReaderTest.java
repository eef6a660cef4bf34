package org.umberdial.core.circuit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberdial.core.Sets;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.circuit.deck.DeckRefused;
import org.umberdial.core.circuit.deck.DeckWriter;

class DeckReaderTest {
    @Test
    void cardsKeysAndStructuredComments_areRead() {
        Deck deck = DeckReader.read("""
                own example
                VLINE line 0 SIN(0 169.7 60)
                r1 LINE v2_plate 47 ; kind=wirewound tol=10 watt=2 desc="surge part"
                C1 bplus 0 40u
                + ; volt=150
                .param rl=270k
                R2 bplus v1_plate {rl}
                XT1 line 0 s 0 XFMR VP=230 RP=14 V1=6.3
                R3 a b 0.05 ; kind=switch closed=FM,PHONO
                .tran 1m 1
                .control
                run
                .endc
                *PINS V1 12AV6 1=v1_grid 7=v1_plate
                *TP bplus v1_plate
                .end
                anything behind the end
                """);
        assertEquals(120, deck.cards().get(0).value().orElseThrow(), 0.01);
        assertEquals("surge part", deck.cards().get(1).key("desc").orElseThrow());
        assertEquals(List.of("line", "v2_plate"), deck.cards().get(1).nodes());
        assertEquals("150", deck.cards().get(2).key("volt").orElseThrow());
        assertEquals(270e3, deck.cards().get(3).value().orElseThrow());
        assertEquals(230, deck.cards().get(4).parameters().get("VP"));
        assertEquals(List.of("FM", "PHONO"), deck.modes());
        assertEquals(List.of("bplus", "v1_plate"), deck.testPoints());
        assertEquals(3, deck.notes().size(), deck.notes().toString());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "R1 a b 4k7|4.7k|schematic",
                "R1 a b 2M2|2.2meg|schematic",
                "R1 a b 1M|milliohms|megohms",
                "R1 a b 0|0 ohms|join",
                "R1 a b -5|negative|above 0",
                "R1 a|needs two nodes|value",
                "Z1 a b c|no part line|R, C, L",
                "Q1 a b c|collector|OC71",
                "R1 a b wat|no number|4.7k",
                "XV1 a b|nodes|type",
                ".noise x a|.noise|known",
                "K1 L1 L2 1.5|coupling|1",
                "V1 a b SIN(0)|SIN|peak",
                "C1 a b 0|value 0|out",
                ".model q NJF|diodes and transistors|PNP"
            })
    void badLines_areSentencesWithTheirNumber(String line, String one, String other) {
        DeckRefused refused = assertThrows(DeckRefused.class, () -> DeckReader.read("title\n* note\n" + line + "\n"));
        assertEquals(3, refused.faults().get(0).line());
        assertTrue(refused.getMessage().contains(one) && refused.getMessage().contains(other), refused.getMessage());
    }

    @Test
    void everyFaultIsListed() {
        assertEquals(
                3,
                assertThrows(DeckRefused.class, () -> DeckReader.read("t\nR1 a b 4k7\nR1 a b 5\nR2 a b\n"))
                        .faults()
                        .size());
    }

    @Test
    void binaryJunkAndHugeFiles_areRefusedQuickly() {
        byte[] junk = new byte[200_000];
        new Random(5).nextBytes(junk);
        assertTimeoutPreemptively(Duration.ofSeconds(20), () -> {
            assertThrows(
                    DeckRefused.class,
                    () -> DeckReader.read(new String(junk, java.nio.charset.StandardCharsets.UTF_8)));
            assertThrows(DeckRefused.class, () -> DeckReader.read("t\n" + "R a b 1\n".repeat(30_000)));
            assertThrows(DeckRefused.class, () -> DeckReader.read(""));
        });
    }

    @Test
    void writtenDeck_readsBackTheSame() {
        Deck deck = DeckReader.read(Sets.resource("table-set.cir"));
        Deck again = DeckReader.read(DeckWriter.write(deck));
        assertEquals(
                deck.cards().stream().map(DeckWriter::line).toList(),
                again.cards().stream().map(DeckWriter::line).toList());
        assertEquals(deck.sockets(), again.sockets());
        assertEquals(deck.testPoints(), again.testPoints());
        assertEquals(DeckWriter.write(deck), DeckWriter.write(again));
    }

    @Test
    void randomValues_surviveTheRoundTripExactly() {
        Random random = new Random(11);
        for (int i = 0; i < 500; i++) {
            double value = Double.parseDouble(
                    String.format(java.util.Locale.ROOT, "%.4g", Math.pow(10, random.nextDouble() * 20 - 12)));
            Card card = DeckReader.read("t\nR1 a b " + value + "\n").cards().get(0);
            assertEquals(
                    value,
                    DeckReader.read("t\n" + DeckWriter.line(card) + "\n")
                            .cards()
                            .get(0)
                            .value()
                            .orElseThrow(),
                    DeckWriter.line(card));
        }
    }

    @Test
    void includedFiles_stand_whereTheyAreNamed_andKeepTheLineOfTheirName() {
        Deck deck = DeckReader.read(
                "t\nR1 a 0 1k\n.include more.inc\nR3 c 0 1k\n",
                name -> name.equals("more.inc")
                        ? java.util.Optional.of("R2 b 0 2k ; kind=carbon\n")
                        : java.util.Optional.empty());
        assertEquals(
                List.of("R1", "R2", "R3"),
                deck.cards().stream().map(Card::reference).toList());
        assertEquals(3, deck.cards().get(1).line());
        assertTrue(assertThrows(DeckRefused.class, () -> DeckReader.read("t\n.include gone.inc\n"))
                .getMessage()
                .startsWith("Line 2"));
    }

    @Test
    void aCardBehindStarEquals_isTaken_andItsEquivalentLeft() {
        Deck deck =
                DeckReader.read("t\n*= XV1 p g 0 12AV6_T ; desc=\"driver\"\nXV1 p g 0 w MODEL ; of=XV1\nBx p 0 I=1 ; "
                        + "of=XV1\n.subckt MODEL p g k w\nBp p k I=v(g,k)\n.ends\n*= R1 a b 0.05 ; "
                        + "kind=switch closed=AM\nR1 a b 1e12\nR2 a 0 1k\n");
        assertEquals(
                List.of("XV1", "R1", "R2"),
                deck.cards().stream().map(Card::reference).toList());
        assertEquals("driver", deck.cards().get(0).key("desc").orElseThrow());
        assertEquals(0.05, deck.cards().get(1).value().orElseThrow());
        assertTrue(deck.notes().get(0).contains(".subckt"));
    }
}
