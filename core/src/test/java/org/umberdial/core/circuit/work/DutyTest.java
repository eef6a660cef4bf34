package org.umberdial.core.circuit.work;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.tube.TubeModels;

/** What a cycle asks of rectifiers and capacitors, against what a pencil gives. */
class DutyTest {
    private static final String DIODE = ".model D1N D(IS=7e-9 N=1.8 RS=0.035)\n";

    private static Duty duty(String cards) {
        AtWork work = new AtWork(
                Network.of(DeckReader.read("* supply\n" + cards + DIODE + ".end"), TubeModels.shipped(), ""));
        return Duty.of(work, Values.nominal(work.network())).orElseThrow();
    }

    /** A half-wave rectifier into a resistor alone: mean Vp/(πR), RMS Vp/(2R), peak Vp/R, and Vp backwards. */
    @Test
    void halfWaveIntoAResistor() {
        Duty.Flow flow = duty("V1 a 0 SIN(0 100 50)\nD1 a k D1N\nR1 k 0 1000\nC1 k 0 1p\n")
                .rectifier("D1")
                .orElseThrow();
        double peak = (100 - 0.75) / 1000;
        assertEquals(peak, flow.peak(), 0.01 * peak);
        assertEquals(peak / Math.PI, flow.mean(), 0.02 * peak / Math.PI);
        assertEquals(peak / 2, flow.rms(), 0.02 * peak / 2);
        assertEquals(100, flow.reverse(), 1);
    }

    /**
     * With a capacitor the mean is the load's, the reverse comes near twice the peak, and the ripple current exceeds
     * the load.
     */
    @Test
    void halfWaveIntoACapacitor() {
        Duty duty = duty("V1 a 0 SIN(0 100 50)\nR9 a s 10\nD1 s k D1N\nC1 k 0 100u ; kind=electrolytic\nR1 k 0 1000\n");
        Duty.Flow flow = duty.rectifier("D1").orElseThrow();
        double load = flow.mean();
        assertTrue(load > 0.080 && load < 0.097, "about 90 V over 1 kΩ: " + load);
        assertTrue(flow.reverse() > 180 && flow.reverse() < 200, "near twice the peak: " + flow.reverse());
        double ripple = duty.rippleAmperes("C1").orElseThrow();
        // What the rectifier brings is the load's mean and the capacitor's alternating current.
        assertEquals(flow.rms() * flow.rms(), load * load + ripple * ripple, 0.05 * flow.rms() * flow.rms());
        assertTrue(flow.peak() > 4 * load && ripple > load);
    }

    @Test
    void aSetOnBatteries_hasNone() {
        AtWork work =
                new AtWork(Network.of(DeckReader.read("* b\nV1 a 0 90\nR1 a 0 1000\n.end"), TubeModels.shipped(), ""));
        assertTrue(Duty.of(work, Values.nominal(work.network())).isEmpty());
    }
}
