package org.umberdial.core.power;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.policy.School;

/**
 * A plan of two steps drawn by hand: 60 V at half an ampere's half, then 100 V; everything within a tenth is healthy.
 */
class RunWatchTest {
    private static final int SECONDS = 60;
    private static final List<Watched> WATCHED = List.of(
            Watched.atLine(Watched.Kind.SET_VOLTS, "set", "Set volts"),
            Watched.atLine(Watched.Kind.LINE_AMPERES, "amps", "Line current"),
            new Watched("rail:b", Watched.Kind.RAIL, "B+", "b", "0", 120),
            new Watched("drop:R1", Watched.Kind.DROP, "Over R1", "b", "c", 0),
            Watched.atLine(Watched.Kind.LAMP, "lamp", "Lamp"),
            Watched.atLine(Watched.Kind.CHASSIS, "chassis", "Chassis to earth"));

    private static Course course(double factor, double... rail) {
        List<double[]> rows = new ArrayList<>();
        double[][] levels = {{70, 117}, {0.25, 0.4}, {60, 100}, {10, 20}, {0.2, 0}};
        for (int row = 0; row < levels.length; row++) {
            double[] figures = new double[SECONDS + 1];
            for (int t = 0; t <= SECONDS; t++) {
                double level = t <= 30 ? levels[row][0] : levels[row][1];
                figures[t] = level * (row == 2 && rail.length > 0 ? rail[0] : factor);
            }
            rows.add(figures);
        }
        return new Course(rows);
    }

    private static PowerPlan plan(long usual) {
        return new PowerPlan(
                School.LAMP_LIMITER,
                117,
                List.of(new PowerStep(117, List.of(60.0), 30, ""), new PowerStep(117, List.of(), 30, "")),
                WATCHED,
                course(0.9),
                course(1),
                course(1.1),
                List.of(
                        new Hypothesis("C1", "C1 is shorted", 1, true, course(1, 0)),
                        new Hypothesis("C2", "C2 leaks", 1, false, course(1, 0.6))),
                500,
                0.4,
                0.63,
                true,
                AsItIs.WHOLE,
                new Fall(List.of(falling(2)), List.of(falling(3)), List.of(falling(4))),
                usual,
                List.of());
    }

    /** From 250 V, with a time constant. */
    private static double[] falling(double seconds) {
        return IntStream.rangeClosed(0, (int) (Fall.SECONDS / Fall.STEP_SECONDS))
                .mapToDouble(i -> 250 * Math.exp(-i * Fall.STEP_SECONDS / seconds))
                .toArray();
    }

    private static RunWatch watch(boolean isolated) {
        RunWatch watch = new RunWatch(plan(0), HousePolicy.standard(), part -> 1, isolated);
        watch.step(0, 0);
        return watch;
    }

    private static RunSample read(double at, boolean byHand, Object... figures) {
        double[] row = new double[WATCHED.size()];
        Arrays.fill(row, Double.NaN);
        for (int i = 0; i < figures.length; i += 2) {
            for (int w = 0; w < row.length; w++) {
                if (WATCHED.get(w).id().equals(figures[i])) {
                    row[w] = ((Number) figures[i + 1]).doubleValue();
                }
            }
        }
        return new RunSample(at, row, byHand);
    }

    private static List<Alarm.Kind> kinds(List<Alarm> alarms) {
        return alarms.stream().map(Alarm::kind).toList();
    }

    @Test
    void noBPlusThoughCurrentFlows_namesTheShort() {
        List<Alarm> alarms = watch(true).take(read(12, true, "amps", 0.25, "rail:b", 0.2));
        assertEquals(List.of(Alarm.Kind.NO_SUPPLY), kinds(alarms));
        assertEquals("C1", alarms.get(0).suspects().get(0).part());
        assertTrue(
                alarms.get(0).says().contains("though 250 mA flows"),
                alarms.get(0).says());
    }

    /** A short pulls the rail down; a rail above a healthy set's is none, whatever else there is to choose from. */
    @Test
    void aFaultIsNotNamedForWhatItWouldHaveMovedTheOtherWay() {
        List<Alarm> alarms = watch(true).take(read(12, true, "rail:b", 90));
        assertEquals(1, alarms.size());
        assertEquals(List.of(), alarms.get(0).suspects());
    }

    @Test
    void whenNothingFlows_thatIsSaidOnce_andAsksForSwitchesBeforeDead() {
        RunWatch watch = watch(true);
        List<Alarm> alarms = watch.take(read(12, true, "amps", 0.001, "rail:b", 0));
        alarms.addAll(watch.take(read(14, true, "rail:b", 0)));
        assertEquals(List.of(Alarm.Kind.NO_CURRENT), kinds(alarms));
        assertTrue(alarms.get(0).says().contains("hidden switches"));
    }

    @Test
    void overItsRatingARailIsAnAlarmAtOnce_evenWithinTheInrush() {
        assertEquals(List.of(Alarm.Kind.OVER_RATING), kinds(watch(true).take(read(0.5, false, "rail:b", 130))));
    }

    @Test
    void oneReadingOfAnInstrumentIsAJump_threeSecondsOfThemAreNot() {
        RunWatch watch = watch(true);
        assertEquals(List.of(), watch.take(read(10, false, "set", 80)));
        assertEquals(List.of(), watch.take(read(10.2, false, "set", 70)));
        List<Alarm> later = new ArrayList<>();
        for (double t = 11; t < 15; t += 0.2) {
            later.addAll(watch.take(read(t, false, "set", 80)));
        }
        assertEquals(List.of(Alarm.Kind.UNLIKE), kinds(later), "and only once a step");
    }

    @Test
    void tooMuchCurrentAndABrightLampAreGrave() {
        List<Alarm> alarms = watch(true).take(read(12, true, "amps", 0.5, "lamp", 0.8));
        assertEquals(List.of(Alarm.Kind.CURRENT, Alarm.Kind.LAMP), kinds(alarms));
        assertTrue(alarms.stream().allMatch(a -> a.kind().grave()));
    }

    /** A rail that was well goes down with the set's volts steady: by what has changed, not by what was well before. */
    @Test
    void aRailThatSinksIsNamedByWhatChanged_andAGrowingDropMeansMoreLoad() {
        RunWatch watch = watch(true);
        List<Alarm> alarms = new ArrayList<>();
        for (double t = 2; t < 29; t += 0.2) {
            double sunk = t < 18 ? 0 : (t - 18) * 0.7;
            alarms.addAll(watch.take(read(
                    t, false, "set", 70, "amps", 0.25, "rail:b", 60 - sunk, "drop:R1", 10 + sunk / 8, "lamp", 0.2)));
        }
        assertEquals(Alarm.Kind.SINKING, alarms.get(0).kind());
        assertEquals("C2", alarms.get(0).suspects().get(0).part(), "a short would have taken it all");
        assertTrue(
                alarms.get(0).says().contains("something draws more"),
                alarms.get(0).says());
    }

    @Test
    void aLineThatFallsIsNoSinkingRail() {
        RunWatch watch = watch(true);
        List<Alarm> alarms = new ArrayList<>();
        for (double t = 2; t < 29; t += 0.2) {
            double factor = t < 18 ? 1 : 1 - (t - 18) * 0.008;
            alarms.addAll(watch.take(read(t, false, "set", 70 * factor, "amps", 0.25, "rail:b", 60 * factor)));
        }
        assertEquals(List.of(), alarms);
    }

    /** By hand the line may have fallen as well: what nobody has read accuses nothing. */
    @Test
    void aRailThatWasReadLowerSinksOnlyWhenTheSetsVoltsWereReadToo() {
        RunWatch watch = watch(true);
        watch.take(read(14, true, "set", 70));
        watch.take(read(15, true, "rail:b", 64));
        assertEquals(List.of(), watch.take(read(20, true, "rail:b", 60)));
        assertEquals(List.of(), watch.take(read(21, true, "set", 70)));
        assertEquals(List.of(Alarm.Kind.SINKING), kinds(watch.take(read(22, true, "rail:b", 60))));
    }

    @Test
    void chassisVoltsMeanNothingBehindAnIsolationTransformer() {
        assertEquals(List.of(), watch(true).take(read(10, true, "chassis", 90)));
        List<Alarm> alarms = watch(false).take(read(10, true, "chassis", 90));
        assertEquals(List.of(Alarm.Kind.CHASSIS), kinds(alarms));
        assertEquals(List.of(), alarms.get(0).suspects());
    }

    @Test
    void usualValuesNameNoPart_andItSaysSo() {
        RunWatch watch = new RunWatch(plan(3), HousePolicy.standard(), part -> 1, true);
        watch.step(0, 0);
        Alarm alarm = watch.take(read(12, true, "amps", 0.25, "rail:b", 0)).get(0);
        assertEquals(List.of(), alarm.suspects());
        assertTrue(alarm.unnamed().contains("3 values"), alarm.unnamed());
    }

    @Test
    void aPartThatIsProvenStandsBehindOneThatIsNot() {
        RunWatch watch = new RunWatch(plan(0), HousePolicy.standard(), part -> part.equals("C1") ? 0.001 : 1, true);
        watch.step(0, 0);
        Alarm alarm = watch.take(read(12, true, "amps", 0.25, "rail:b", 18)).get(0);
        assertEquals("C2", alarm.suspects().get(0).part());
    }

    @Test
    void oneGoesOnWhenTheTimeIsUp_everythingIsInItsBand_andTheRailWasReadInThisStep() {
        RunWatch watch = watch(true);
        assertEquals("20 s to go in this step.", watch.state(10).holds());
        assertEquals("Read Set volts in this step first.", watch.state(31).holds());
        watch.take(read(20, true, "set", 70, "rail:b", 60));
        assertTrue(watch.state(31).mayAdvance());
        watch.take(read(32, true, "rail:b", 40));
        assertEquals("B+ is outside its band.", watch.state(33).holds());
        watch.step(1, 40);
        assertEquals(30, watch.place(35), "a step that lasts longer stays at its end");
        assertFalse(watch.state(75).mayAdvance(), "nothing was read in the second step");
    }

    /** 14 V over 500 Ω where a healthy set has 10 V: 8 mA more than its stages take. */
    @Test
    void whatTheStagesDoNotTakeIsUnexplained() {
        RunWatch watch = watch(true);
        watch.take(read(20, true, "rail:b", 60, "drop:R1", 14));
        assertEquals(0.008, watch.state(21).unexplained().orElseThrow(), 1e-9);
        watch.take(read(22, true, "drop:R1", 10.5));
        assertTrue(watch.state(22).unexplained().isEmpty(), "within what tolerances explain");
    }

    @Test
    void aLostReadingIsSaidOnce_andAgainAfterItCameBack() {
        RunWatch watch = watch(true);
        assertTrue(watch.lost("rail:b", 5, "gone").isPresent());
        assertTrue(watch.lost("rail:b", 6, "gone").isEmpty());
        watch.found("rail:b");
        assertTrue(watch.lost("rail:b", 7, "gone").isPresent());
    }

    private static List<FallWatch.Fallen> fall(double... secondsAndVolts) {
        RunWatch watch = watch(true);
        watch.step(1, 30);
        watch.take(read(60, true, "rail:b", 250));
        watch.off(61);
        for (int i = 0; i < secondsAndVolts.length; i += 2) {
            watch.take(read(61 + secondsAndVolts[i], true, "rail:b", secondsAndVolts[i + 1]));
        }
        return watch.fallen();
    }

    /** The plug may be pulled long after the run was stopped: a point is compared with itself. */
    @Test
    void howItFallsIsComparedFromItsFirstLowerReading() {
        assertEquals(FallWatch.Goes.UNTOLD, fall(3, 249, 6, 150).get(0).goes());
        assertEquals(
                FallWatch.Goes.AS_HEALTHY, fall(30, 249, 33, 150, 36, 55).get(0).goes());
        FallWatch.Fallen slow = fall(3, 249, 6, 200, 16, 190).get(0);
        assertEquals(FallWatch.Goes.SLOWER, slow.goes());
        assertTrue(slow.says().contains("It keeps its charge longer"), slow.says());
        assertEquals(FallWatch.Goes.FASTER, fall(1, 249, 1.2, 3).get(0).goes());
        assertEquals(FallWatch.Goes.FASTER, fall(3, 249, 6, 200, 7, 4).get(0).goes());
    }

    @Test
    void aSetThatWasNotWarmIsNotCompared() {
        RunWatch watch = watch(true);
        watch.take(read(12, true, "rail:b", 100));
        watch.off(13);
        watch.take(read(20, true, "rail:b", 3));
        assertEquals(FallWatch.Goes.NOT_WARM, watch.fallen().get(0).goes());
    }
}
