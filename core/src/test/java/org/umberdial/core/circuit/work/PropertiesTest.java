package org.umberdial.core.circuit.work;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;

/** What must hold of any answer, whatever the circuit. */
class PropertiesTest {
    private static final String LINEAR = """
            VLINE line 0 SIN(0 %s 60)
            XT1 line 0 s 0 XFMR VP=117 RP=10 V1=30 R1=2 LM=15 RC=20k
            R1 s a %s
            C1 a 0 %s
            R2 a 0 %s
            VB b 0 %s
            R3 b a %s
            """;

    private static Ripple ripple(double scale, double line, double battery) {
        Network network =
                Decks.network(LINEAR.formatted(line, 220 * scale, 4.7e-6 / scale, 1000 * scale, battery, 3300 * scale));
        return Ripple.of(new AtWork(network), Values.nominal(network)).orElseThrow();
    }

    private static double volts(double scale, double line, double battery) {
        return Decks.solve(LINEAR.formatted(line, 220 * scale, 4.7e-6 / scale, 1000 * scale, battery, 3300 * scale))
                .volts("a")
                .getAsDouble();
    }

    @Test
    void aDoubledSource_doublesEverythingLinear() {
        assertEquals(2 * volts(1, 165, 9), volts(1, 165, 18), 1e-6);
        assertEquals(2 * ripple(1, 165, 9).peakToPeak("a"), ripple(1, 330, 9).peakToPeak("a"), 1e-3);
    }

    /** The transformer's own ohms do not scale along, so the load is kept light. */
    @Test
    void scaledImpedances_leaveTheVolts() {
        assertEquals(volts(1, 165, 9), volts(10, 165, 9), 0.02);
        assertEquals(ripple(10, 165, 9).peakToPeak("a"), ripple(100, 165, 9).peakToPeak("a"), 0.05);
    }

    @Test
    void noSource_noVolts() {
        for (String name : Decks.small()) {
            Network network = Decks.network(Decks.small(name), "");
            Values off = Values.nominal(network).atLine(1e-6);
            for (var source : network.sources()) {
                off = source.isLine() ? off : off.with(source.part(), 1e-6);
            }
            OperatingPoint point = Decks.solve(off);
            boolean fed = !network.injections().isEmpty();
            for (String node : network.names().subList(0, network.namedNodes())) {
                // A hot cathode drives a grid a little below itself; that is all.
                assertEquals(0, fed ? 0 : point.volts(node).orElse(0), 1.5, name + " " + node);
            }
        }
    }

    @Test
    void equalHalves_mayBeSwapped() {
        String half = "VLINE line 0 SIN(0 325 50)\nXT1 line 0 a 0 0 c XFMR VP=230 RP=18 V1=260 R1=140 V2=260 R2=140\n"
                + "XV1 %s b EZ80\nC1 b 0 32u\nR1 b 0 5k";
        assertEquals(
                Decks.solve(half.formatted("a c")).volts("b").getAsDouble(),
                Decks.solve(half.formatted("c a")).volts("b").getAsDouble(),
                1e-3);
    }

    @Test
    void aPartInTwoHalves_isThePart() {
        Network whole = Decks.network("VB b 0 250\nR1 b p 100k\nXV1 p g k 12AX7_T\nR2 g 0 1meg\nR3 k 0 1.5k");
        Network halves = Decks.network(
                "VB b 0 250\nR1 b m 50k\nR9 m p 50k\nXV1 p g k 12AX7_T\nR2 g 0 1meg\nR3 k 0 3k\nR8 k 0 3k");
        for (String node : List.of("p", "g", "k")) {
            assertEquals(
                    Decks.solve(Values.nominal(whole)).volts(node).getAsDouble(),
                    Decks.solve(Values.nominal(halves)).volts(node).getAsDouble(),
                    1e-5);
        }
    }
}
