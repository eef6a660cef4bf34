package org.umberdial.core.circuit.cold;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Map;
import org.junit.jupiter.api.Test;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.tube.TubeModels;

class ColdOhmsTest {
    private static ColdOhms cold(String cards) {
        return new ColdOhms(Values.nominal(Network.of(DeckReader.read("t\n" + cards), TubeModels.shipped(), "")));
    }

    @Test
    void whatLiesInParallel_isSeenAsOne() {
        ColdOhms ohms =
                cold("R1 a 0 10k\nR2 a b 4.7k\nR3 b 0 22k\nC1 b 0 1u ; leak=100k\nC2 a c 10n\nR4 c d 1k\nR5 d c 1k\n");
        double leg = 4700 + 1 / (1 / 22e3 + 1 / 100e3);
        assertEquals(1 / (1 / 10e3 + 1 / leg), ohms.between("a", "0"), 1e-6);
        assertEquals(500, ohms.between("c", "d"), 1e-9);
        assertEquals(Double.POSITIVE_INFINITY, ohms.between("a", "c"));
        assertEquals(ohms.between("a", "b"), ohms.between("b", "a"), 1e-9);
    }

    @Test
    void filamentsAreCold_tubesAndRectifiersOpen_theLineUnplugged() {
        Map<String, Double> chart =
                cold("VLINE a 0 SIN(0 169.7 60)\nXV1H a b 12AV6_H\nR1 b 0 100\nXLP1 a 0 LAMP V=6.3 A=0.15\nD1 "
                                + "b c X\nXD1 b d SELENIUM N=5\nXV1 e g 0 12AV6_T\nR2 e c 1k\n")
                        .chart("0");
        assertEquals(1 / (13 / 42.0 + 1 / (84 / 7.0 + 100)), chart.get("a"), 1e-6);
        assertEquals(Double.POSITIVE_INFINITY, chart.get("c"));
        assertEquals(Double.POSITIVE_INFINITY, chart.get("d"));
        assertEquals(Double.POSITIVE_INFINITY, chart.get("g"));
    }

    @Test
    void windingsAreTheirWire_andHighOhmsKeepTheirDigits() {
        ColdOhms ohms = cold("XT1 p q s t XFMR VP=230 RP=14 V1=6.3 R1=0.1\nR1 q 0 22meg\nR2 s 0 1\n");
        assertEquals(22e6 + 14, ohms.between("p", "0"), 1);
        assertEquals(1.1, ohms.between("t", "0"), 1e-9);
    }

    @Test
    void anUnknownNode_isNamed() {
        assertTrue(assertThrows(
                        IllegalArgumentException.class,
                        () -> cold("R1 a 0 1k\n").chart("x"))
                .getMessage()
                .contains("x"));
    }
}
