package org.umberdial.core.power;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class LiftingTest {
    private static final AsItIs WITHOUT = new AsItIs(List.of("C4"), List.of());
    /** Thirty-five seconds into the second step. */
    private static final Alarm SINKS = new Alarm(
            Alarm.Kind.SINKING,
            65,
            "rail:b",
            "B+ has sunk",
            List.of(new Alarm.Suspected("C4", "C4 leaks into a grid", 0.8)),
            "");

    private static final Lifting.Outcome WITH =
            new Lifting.Outcome(AsItIs.WHOLE, List.of(0.0, 30.0), List.of(), List.of(SINKS));

    private static Optional<String> says(AsItIs asItIs, double read, Alarm... alarms) {
        return Lifting.says(
                new Lifting.Outcome(
                        asItIs,
                        List.of(0.0, 40.0),
                        List.of(Map.of("rail:b", 39.0), Map.of("rail:b", read)),
                        List.of(alarms)),
                List.of(new Lifting.Outcome(AsItIs.WHOLE, List.of(0.0), List.of(), List.of()), WITH));
    }

    @Test
    void whatComesWithAPart_andNotWithoutIt_isThatPart() {
        String words = says(WITHOUT, 80).orElseThrow();
        assertTrue(words.endsWith("does not come without it: C4 is it, or what it feeds."), words);
    }

    @Test
    void whatWasNotReadSoLate_orGoesWrongAgain_clearsAndAccusesNothing() {
        assertTrue(says(WITHOUT, 70).orElseThrow().endsWith("says nothing of C4 yet."));
        assertTrue(says(WITHOUT, 80, SINKS).orElseThrow().endsWith("C4 is not it, or not alone."));
        Alarm other = new Alarm(Alarm.Kind.CURRENT, 50, "amps", "", List.of(), "");
        assertTrue(says(WITHOUT, 80, other).orElseThrow().startsWith("Without C4 it goes wrong in another way"));
    }

    @Test
    void twoAtOnce_orSomethingElseNotAsDrawn_saysNothing() {
        assertEquals(Optional.empty(), says(new AsItIs(List.of("C4", "C5"), List.of()), 80));
        assertEquals(Optional.empty(), says(new AsItIs(List.of("C4"), List.of("V3 is out")), 80));
        assertEquals(Optional.empty(), says(new AsItIs(List.of("R9"), List.of()), 80), "nobody named it");
        assertEquals(Optional.empty(), says(AsItIs.WHOLE, 80));
    }
}
