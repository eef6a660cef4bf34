package org.umberdial.core.circuit.work;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;

class RippleTest {
    private static Ripple ripple(Values values) {
        return Ripple.of(new AtWork(values.network()), values).orElseThrow();
    }

    @Test
    void fullWave_humsAtTwiceTheLine_halfWaveAtTheLine() {
        Network full = Decks.network(Decks.demo("fm-superhet"), "");
        Network half = Decks.network(Decks.demo("table-set"), "");
        assertEquals(100, ripple(Values.nominal(full)).hertz("b1"), 1e-9);
        assertEquals(60, ripple(Values.nominal(half)).hertz("filter_1"), 1e-9);
        assertEquals(50, ripple(Values.nominal(full).opened("XV6")).hertz("heater_winding"), 1e-9);
    }

    @Test
    void theReservoirsSawtooth_isCurrentTimesPeriodOverCapacitance() {
        Network network = Decks.network(
                "VLINE a 0 SIN(0 325.27 50)\nR1 a p 20\nD1 p b S\n.model S D(IS=2n N=1.8)\nC1 b 0 100u\nR2 b 0 20k\n");
        OperatingPoint point = Decks.solve(Values.nominal(network));
        double expected = point.volts("b").orElseThrow() / 20e3 * 0.02 / 100e-6;
        assertEquals(expected, ripple(Values.nominal(network)).peakToPeak("b"), 0.12 * expected);
    }

    @Test
    void theLossOfOneCapacitor_shows() {
        for (String[] each : new String[][] {
            {"table-set", "C2", "filter_2"},
            {"field-coil", "C2", "bplus"},
            {"record-player", "C2", "b1"},
            {"fm-superhet", "C2", "b2"}
        }) {
            Network network = Decks.network(Decks.demo(each[0]), "");
            double sound = ripple(Values.nominal(network)).peakToPeak(each[2]);
            assertTrue(ripple(Values.nominal(network).with(each[1], 0.5e-6)).peakToPeak(each[2]) > 5 * sound, each[0]);
        }
    }

    @Test
    void aTransformersRatio_andACapacitorsReactance_areInTheAlternatingVolts() {
        Network network = Decks.network(
                "VLINE a 0 SIN(0 325.27 50)\nXT1 a 0 s 0 XFMR VP=230 RP=1 V1=23 R1=0.01 LM=50\nR1 s m 1k\nC1 "
                        + "m 0 3.183u\n");
        Ripple ripple = ripple(Values.nominal(network));
        assertEquals(23, ripple.rms("s"), 0.05);
        assertEquals(23 / Math.sqrt(2), ripple.rms("m"), 0.05);
    }
}
