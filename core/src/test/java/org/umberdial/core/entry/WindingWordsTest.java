package org.umberdial.core.entry;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.value.InvalidEntry;

class WindingWordsTest {
    private static Card card(String line) {
        return DeckReader.read("one\n" + line + "\n").cards().get(0);
    }

    private static final Card POWER =
            card("XT2 line 0 hv_a 0 0 hv_b heaters 0 XFMR VP=117 RP=8 V1=300 R1=120 V2=300 R2=127"
                    + " V3=6.6 R3=0.1 LM=4 ; kind=transformer desc=power_transformer");
    private static final Card OUTPUT = card("XT1 bplus v5_plate speaker 0 XFMR VP=100 RP=350 V1=2.53 R1=0.4 LM=10"
            + " ; kind=transformer desc=output_transformer");

    @Test
    void voltsAndOhms_goToTheirWindings_andWhatIsNotSaidStays() {
        assertEquals("117 2x300 6.6", WindingWords.said(POWER));
        Card volts = WindingWords.revalued(POWER, "117V, 2 x 280 6,3");
        assertEquals("117 2x280 6.3", WindingWords.said(volts));
        assertEquals(127, volts.parameters().get("R2"));
        Card ohms = WindingWords.revalued(volts, "12R 90R 96R 0.2 ohm");
        assertEquals(0.2, ohms.parameters().get("R3"));
        assertEquals(280, ohms.parameters().get("V1"));
    }

    @ParameterizedTest
    @CsvSource({"5k:3.2, 39.5", "5000:3.2, 39.5", "7k / 4 ohms, 41.8", "39:1, 39", "25:1, 25"})
    void anOutputTransformer_isToldByImpedancesOrTurns(String typed, double turns) {
        Card said = WindingWords.revalued(OUTPUT, typed);
        assertEquals(turns, said.parameters().get("VP") / said.parameters().get("V1"), 0.05);
    }

    @ParameterizedTest
    @ValueSource(strings = {"117", "117 300 6.3", "many", "117 2x0 6.3", "5k:3.2"})
    void whatIsNotSaidOfEachWinding_isRefusedWithHowToWriteIt(String typed) {
        InvalidEntry refused = assertThrows(InvalidEntry.class, () -> WindingWords.revalued(POWER, typed));
        assertTrue(refused.getMessage().endsWith("."), refused.getMessage());
    }
}
