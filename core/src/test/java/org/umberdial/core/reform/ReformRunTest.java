package org.umberdial.core.reform;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.policy.School;
import org.umberdial.core.reform.ReformRun.State;
import org.umberdial.core.value.InvalidEntry;

/** Capacitors that come back, that do not, and that get hot. */
class ReformRunTest {
    private static final ReformSetup SETUP = new ReformSetup(22e-6, 300, 300, 33e3, 47);

    /** @param amperes its leak by minutes, at its full volts from the beginning */
    private static ReformRun run(double minutes, DoubleUnaryOperator amperes) {
        List<ReformSample> samples = new ArrayList<>();
        for (double m = 0; m <= minutes; m++) {
            samples.add(new ReformSample(60 * m, 298, 47 * amperes.applyAsDouble(m)));
        }
        return ReformRun.of(SETUP, samples, HousePolicy.standard());
    }

    /** FORMULAS: 68 mV over 47 Ω are 1.45 mA; a dead short of 320 V through 10 kΩ is 10.2 W. */
    @Test
    void theFormulasHold() {
        ReformRun run = ReformRun.of(SETUP, List.of(new ReformSample(10, 120, 0.068)), HousePolicy.standard());
        assertEquals(1.45e-3, run.leakAmperes().orElseThrow(), 0.01e-3);
        assertEquals(10.2, new ReformSetup(22e-6, 320, 320, 10e3 - 47, 47).shortWatts(), 0.05);
        assertTrue(ReformSetup.usual(47e-6, 350).shortWatts() <= 3.5);
    }

    @Test
    void aLeakThatFalls_isPredicted_andEndsGood() {
        double asNew = 0.03 * 22e-6 * 298 + 20e-6;
        DoubleUnaryOperator falls = m -> 0.9e-3 * Math.exp(-m / 12);
        double wanted = 12 * Math.log(0.9e-3 / asNew);
        ReformRun half = run(8, falls);
        assertEquals(State.GOING_ON, half.state(), half.says());
        assertEquals(wanted - 8, half.minutesLeft().orElseThrow(), 0.05 * wanted);
        assertEquals(State.GOOD, run(Math.ceil(wanted), falls).state());
    }

    @Test
    void whatFallsNoFurther_isUsableOrDoesNotComeBack() {
        assertEquals(State.USABLE, run(15, m -> 0.6e-3).state());
        List<ReformSample> stuck = new ArrayList<>();
        for (int m = 0; m <= 45; m++) {
            stuck.add(new ReformSample(60 * m, 160, 47 * 1.2e-3));
        }
        ReformRun run = ReformRun.of(SETUP, stuck, HousePolicy.standard());
        assertEquals(State.NO_PROGRESS, run.state(), run.says());
        HousePolicy patient =
                HousePolicy.standard().with(HousePolicy.standard().schools().with(School.GO_ON_WHILE_IT_FALLS));
        assertEquals(State.NO_PROGRESS, ReformRun.of(SETUP, stuck, patient).state());
        List<ReformSample> slow = stuck.stream()
                .map(s -> new ReformSample(s.seconds(), s.volts(), s.shuntVolts() * (1 - s.seconds() / 1e5)))
                .toList();
        assertEquals(
                State.NO_PROGRESS,
                ReformRun.of(SETUP, slow, HousePolicy.standard()).state());
        assertEquals(State.GOING_ON, ReformRun.of(SETUP, slow, patient).state());
        assertEquals(
                State.GOING_ON,
                ReformRun.of(SETUP, stuck.subList(0, 30), HousePolicy.standard())
                        .state());
    }

    @Test
    void heat_isSaidAtOnce_butNotTheInrush() {
        assertEquals(State.TOO_HOT, run(2, m -> 1.5e-3).state());
        assertEquals(
                State.GOING_ON,
                ReformRun.of(SETUP, List.of(new ReformSample(5, 250, 0.3)), HousePolicy.standard())
                        .state());
    }

    @Test
    void whatCannotBe_isRefused() {
        assertThrows(InvalidEntry.class, () -> new ReformSetup(22e-6, 300, 300, 33, 47));
        assertThrows(InvalidEntry.class, () -> new ReformSetup(22e-6, 300, 3000, 33e3, 47));
        assertThrows(InvalidEntry.class, () -> new ReformSetup(Double.NaN, 300, 300, 33e3, 47));
    }
}
