package org.umberdial.core.arrival;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.SupplyLabel;

class SupplyJudgeTest {
    @Test
    void aLineOverItsTapIsMeasuredAgainstTheHeaters() {
        SupplyFinding over = first(label(List.of(110.0, 127.0, 220.0), 50), 235, 50);
        assertEquals("line-over-tap", over.rule());
        assertEquals(Severity.DOUBT, over.severity());
        assertTrue(
                over.text().contains("6.8 % over") && over.text().contains("inside the heaters' limit of +10 %"),
                over.text());
        assertTrue(over.text().contains("heat in tubes and resistors by 14.1 %"), over.text());
        assertEquals(Severity.STOP, first(label(List.of(220.0), 50), 245, 50).severity());
        assertEquals(
                "line-fits", first(label(List.of(220.0, 240.0), 50), 240, 50).rule());
    }

    @Test
    void theNextTapUpIsTheFirstRemedy() {
        List<String> remedies = first(label(List.of(220.0, 270.0), 50), 231, 50).remedies();
        assertEquals("The next tap, 270 V: then the set runs 14.4 % under.", remedies.get(0));
        assertTrue(remedies.get(1).startsWith("A bucking winding of about 11 V and 4 VA"), remedies.toString());
        assertTrue(remedies.get(2).startsWith("A dropper in the line: about 48.4 Ω, 5 W"), remedies.toString());
    }

    @Test
    void anotherVoltageSystemNeedsATransformerOfASizeThatIsSold() {
        SupplyFinding down = first(label(List.of(110.0), 60), 230, 50);
        assertEquals("needs-step-down", down.rule());
        assertEquals(Severity.STOP, down.severity());
        assertTrue(
                down.remedies().get(0).contains("at least 75 VA"),
                down.remedies().toString());
        assertTrue(
                down.remedies().get(0).contains("two separate windings isolate the set"),
                down.remedies().toString());
        assertEquals("needs-step-up", first(label(List.of(230.0), 50), 120, 60).rule());
    }

    @Test
    void aSixtyHertzMotorTurnsSlowOnFifty() {
        SupplyLabel motor = new SupplyLabel(
                List.of(230.0),
                OptionalDouble.empty(),
                List.of(60.0),
                OptionalDouble.empty(),
                SupplyLabel.Current.AC,
                true);
        List<SupplyFinding> found = SupplyJudge.judge(motor, ConstructionClass.RECORD_PLAYER, policy(230, 50));
        SupplyFinding slow = found.stream()
                .filter(f -> f.rule().equals("motor-speed"))
                .findFirst()
                .orElseThrow();
        assertTrue(slow.text().contains("16.7 % slow") && slow.remedies().get(0).contains("× 1.2"), slow.toString());
        SupplyFinding flux = found.stream()
                .filter(f -> f.rule().equals("core-flux"))
                .findFirst()
                .orElseThrow();
        assertTrue(flux.text().contains("20 % more flux"), flux.text());
        SupplyLabel both = new SupplyLabel(
                List.of(230.0),
                OptionalDouble.empty(),
                List.of(50.0, 60.0),
                OptionalDouble.empty(),
                SupplyLabel.Current.AC,
                true);
        assertEquals(
                1,
                SupplyJudge.judge(both, ConstructionClass.RECORD_PLAYER, policy(230, 50))
                        .size());
    }

    @Test
    void theSelectorItselfIsJudged() {
        SupplyLabel onLow = new SupplyLabel(
                List.of(110.0, 230.0),
                OptionalDouble.of(110),
                List.of(),
                OptionalDouble.empty(),
                SupplyLabel.Current.AC,
                false);
        SupplyFinding wrong = SupplyJudge.judge(onLow, ConstructionClass.MAINS_TRANSFORMER, policy(230, 50))
                .get(0);
        assertEquals("selector-wrong", wrong.rule());
        assertTrue(wrong.text().contains("209 %"), wrong.text());
    }

    @Test
    void whatTheLabelForbidsAndWhatItDoesNotSay() {
        SupplyLabel dc = new SupplyLabel(
                List.of(230.0),
                OptionalDouble.empty(),
                List.of(),
                OptionalDouble.empty(),
                SupplyLabel.Current.DC,
                false);
        assertEquals(
                "dc-only",
                SupplyJudge.judge(dc, ConstructionClass.MAINS_TRANSFORMER, policy(230, 50))
                        .get(0)
                        .rule());
        assertEquals(
                "label-missing",
                SupplyJudge.judge(SupplyLabel.UNKNOWN, ConstructionClass.SERIES_STRING, policy(230, 50))
                        .get(0)
                        .rule());
        assertEquals(
                "battery-fed",
                SupplyJudge.judge(SupplyLabel.UNKNOWN, ConstructionClass.VIBRATOR, policy(230, 50))
                        .get(0)
                        .rule());
    }

    private static SupplyFinding first(SupplyLabel label, double volts, double hertz) {
        return SupplyJudge.judge(label, ConstructionClass.MAINS_TRANSFORMER, policy(volts, hertz))
                .get(0);
    }

    /** 200-250 is one range: what lies between fits, though neither end is near. */
    @Test
    void aRange_fitsWhatLiesInIt() {
        SupplyLabel range = new SupplyLabel(
                List.of(200.0, 250.0),
                OptionalDouble.empty(),
                List.of(50.0),
                OptionalDouble.of(50),
                SupplyLabel.Current.AC,
                true);
        assertEquals("line-fits", first(range, 225, 50).rule());
        assertFalse(first(range, 275, 50).rule().equals("line-fits"));
    }

    private static SupplyLabel label(List<Double> taps, double hertz) {
        return new SupplyLabel(
                taps, OptionalDouble.empty(), List.of(hertz), OptionalDouble.of(50), SupplyLabel.Current.AC, false);
    }

    static HousePolicy policy(double volts, double hertz) {
        HousePolicy p = HousePolicy.standard();
        return new HousePolicy(
                p.words(),
                new HousePolicy.Line(volts, hertz),
                p.volts(),
                p.cold(),
                p.parts(),
                p.finish(),
                p.schools(),
                p.worth());
    }
}
