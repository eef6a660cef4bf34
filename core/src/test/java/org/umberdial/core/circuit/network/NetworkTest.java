package org.umberdial.core.circuit.network;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.circuit.deck.DeckRefused;
import org.umberdial.core.tube.TubeModels;

class NetworkTest {
    private static Network network(String cards, String mode) {
        return Network.of(DeckReader.read("t\n" + cards), TubeModels.shipped(), mode);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "V1 a 0 5~V2 a 0 3 | 3 | V2: closes a loop of voltage sources with V1",
                "V1 a a 5~R1 a 0 1k | 2 | V1: both ends are on one node",
                "R1 a 0 1k~XV1 a g 0 NOSUCH_T | 3 | XV1: the type NOSUCH is not in the tube data",
                "XV1 a s g x 0 EL84_X | 2 | XV1: the tube data has no heptode section for EL84",
                "XV1H a b 12AV6_H~XV1 a g 0 12AV6_T~XV1HH b 0 12AV6_H | 4 | XV1HH: V1 has two heaters",
                "XT1 a b c XFMR VP=230 RP=1 | 2 | XT1: a transformer has two nodes for each",
                "XT1 a b c d XFMR VP=230 RP=1 | 2 | XT1: winding 1 needs its no-load volts",
                "XLP1 a b LAMP V=6.3 | 2 | XLP1: a lamp is written",
                "XD1 a b SELENIUM N=0.5 | 2 | XD1: a selenium stack is written",
                "XV1H a t b 12AV6_H | 2 | XV1H: 12AV6 has no tap on its heater",
                "L1 a 0 5~L2 b 0 5~K1 L1 L2 0.9 | 4 | K1: couples windings of 0.1 H or more",
                "C1 a 0 1u ; leak=bad | 2 | C1: leak=bad is no number",
                "V1 a 0 SIN(0 100 50)~V2 b 0 SIN(0 100 60) | 3 | V2: runs at 60.0 Hz",
            })
    void aCardThatCannotBeTaken_isRefusedWithItsLine(String cards, int line, String start) {
        DeckRefused refused =
                assertThrows(DeckRefused.class, () -> network(cards.strip().replace('~', '\n') + "\n", ""));
        assertEquals(line, refused.faults().get(0).line());
        assertTrue(refused.faults().get(0).text().startsWith(start), refused.getMessage());
    }

    @Test
    void everyFault_isToldAtOnce() {
        DeckRefused refused =
                assertThrows(DeckRefused.class, () -> network("XV1 a g 0 NOSUCH_T\nXV2 a g 0 NEITHER_T\n", ""));
        assertEquals(2, refused.faults().size());
    }

    @Test
    void contacts_standAsTheModeHasThem() {
        String cards = "*MODES FM AM\nR1 a b 0.05 ; kind=switch closed=FM\nR2 a c 0.05 ; kind=switch "
                + "closed=AM,PHONO\nR3 b 0 1k\nR4 c 0 1k\n";
        assertEquals(
                Double.POSITIVE_INFINITY, network(cards, "").branches().get(1).ohms());
        assertEquals(0.05, network(cards, "am").branches().get(1).ohms());
        assertTrue(assertThrows(DeckRefused.class, () -> network(cards, "TAPE"))
                .getMessage()
                .contains("FM, AM"));
    }

    @Test
    void onlyJunctionsThatTheLineReaches_areDriven() {
        Network network = network(
                "VLINE a 0 SIN(0 169.7 60)\nR1 a p 47\nXV1 p b 35W4\nC1 b 0 40u\nR9 b f 10k\nC9 f 0 40u\nR2 f q 220k\nXV2 q g 0 "
                        + "12AV6_T\nC2 q g 10n\nR3 g 0 470k\nXV2D g 0 12AV6_D\n",
                "");
        assertEquals(
                List.of(true, false),
                network.junctions().stream().map(Junction::acDriven).toList());
        Network doubler = network(
                "VLINE a 0 SIN(0 169.7 60)\nR1 a i 15\nC1 i m 50u\nXV1A m b 25Z6_D\nXV1B 0 m 25Z6_D\nC2 b 0 "
                        + "50u\nR2 b 0 5k\n",
                "");
        assertTrue(doubler.junctions().stream().allMatch(Junction::acDriven));
    }

    @Test
    void capacitors_areFollowed_whereARectifierWouldMissThem() {
        Network network = network(
                "VLINE a 0 SIN(0 169.7 60)\nC1 a x 0.1u\nD1 x 0 SIL\nD2 n x SIL\nC2 n 0 0.2u\nR1 n 0 1meg\n"
                        + "C3 a 0 0.05u\nR2 n m 1meg\nC4 m 0 0.02u\nR3 m 0 10meg\n.model SIL D(IS=1e-9 N=1.8)\n",
                "");
        assertEquals(
                List.of(true, true, false, false),
                network.stores().stream().map(Store::inCycle).toList());
    }

    @Test
    void otherSourceAcrossTheLine_isRefused() {
        DeckRefused refused = assertThrows(
                DeckRefused.class, () -> network("VLINE a 0 SIN(0 169.7 60)\nVB a 0 110\nR1 a 0 1k\n", ""));
        assertTrue(
                refused.faults().get(0).text().contains("loop"),
                refused.faults().toString());
    }

    @Test
    void changes_leaveTheNetworkAndTheOtherValuesAlone() {
        Network network = network("V1 a 0 10\nR1 a b 1k\nC1 b 0 1u\nXV1 b g 0 ECC83_T\nR2 g 0 1meg\n", "");
        Values nominal = Values.nominal(network);
        Values changed =
                nominal.with("R1", 2000).leaking("C1", 5e5).emitting("XV1", 0.5).opened("R2");
        assertEquals(1e-3, nominal.siemens()[0]);
        assertEquals(5e-4, changed.siemens()[0]);
        assertEquals(2e-6, changed.siemens()[1], 1e-12);
        assertEquals(0.5, changed.amplifierHealth()[0]);
        assertEquals(0, changed.siemens()[2]);
        assertThrows(IllegalArgumentException.class, () -> nominal.with("R9", 1));
        assertThrows(IllegalArgumentException.class, () -> nominal.with("R1", -1));
        assertThrows(IllegalArgumentException.class, () -> nominal.emitting("R1", 0.5));
    }
}
