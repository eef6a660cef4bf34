package org.umberdial.core.circuit.work;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.value.InvalidEntry;

class WarmUpTest {
    private static WarmUp.Course run(Network network, String lamps, double seconds, String... points) {
        LineSchedule schedule = new LineSchedule(
                LineSchedule.straight(network.line().orElseThrow().volts()).ramp(),
                lamps.isEmpty() ? List.of() : LineSchedule.lamps(lamps));
        WarmUp.Course course = WarmUp.run(Values.nominal(network), schedule, List.of(points), seconds);
        assertTrue(course.failure().isEmpty(), () -> course.failure().toString());
        return course;
    }

    private static WarmUp.Sample last(WarmUp.Course course) {
        return course.samples().get(course.samples().size() - 1);
    }

    private static double peak(WarmUp.Course course) {
        return course.samples().stream()
                .mapToDouble(sample -> sample.points()[0])
                .max()
                .orElseThrow();
    }

    @Test
    void everyDemoSet_endsWhereItIsAtWork() {
        for (String name : Decks.DEMO) {
            Network network = Decks.network(Decks.demo(name), "");
            OperatingPoint rest = Decks.solve(Values.nominal(network));
            String supply = rest.supplyNode().orElseThrow();
            WarmUp.Sample end = last(run(network, "", 240, supply));
            assertEquals(rest.volts(supply).orElseThrow(), end.points()[0], 0.003 * end.points()[0], name);
            assertEquals(rest.lineAmperes().orElseThrow(), end.lineAmperes(), 0.01 * end.lineAmperes(), name);
        }
    }

    @Test
    void samples_comeEveryQuarterOfASecond() {
        List<WarmUp.Sample> samples = run(Decks.network(Decks.demo("table-set"), ""), "", 3, "filter_1")
                .samples();
        assertEquals(13, samples.size());
        assertEquals(0, samples.get(0).points()[0]);
        assertEquals(0.25, samples.get(1).seconds());
    }

    @Test
    void coldHeaters_drawMoreThanHotOnes() {
        List<WarmUp.Sample> samples = run(Decks.network(Decks.demo("field-coil"), ""), "", 60, "bplus")
                .samples();
        double most = samples.stream()
                .max(Comparator.comparingDouble(WarmUp.Sample::lineAmperes))
                .orElseThrow()
                .seconds();
        assertTrue(most < 5, "the inrush comes first, not at " + most + " s");
    }

    @Test
    void silicon_overshootsBeforeTheTubesWarm_aTubeRectifierDoesNot() {
        String set = "VLINE a 0 SIN(0 325.27 50)\nXT1 a 0 hv 0 h 0 XFMR VP=230 RP=20 V1=240 R1=150 V2=6.6 "
                + "R2=0.1\n%s\nC1 b 0 47u ; kind=electrolytic\nXV2 p b g k EL84_P\nR1 b p 200\nR2 k 0 "
                + "150\nR3 g 0 470k\nXV2H h 0 EL84_H\n";
        WarmUp.Course tube = run(Decks.network(set.formatted("XV1 hv b EZ81_D\nXV1H h 0 EZ81_H")), "", 90, "b");
        WarmUp.Course silicon =
                run(Decks.network(set.formatted("D1 hv b SIL\n.model SIL D(IS=2n N=1.8 RS=0.05)")), "", 90, "b");
        assertTrue(peak(tube) < 1.02 * last(tube).points()[0]);
        assertTrue(
                peak(silicon) > 1.12 * last(silicon).points()[0],
                peak(silicon) + " against " + last(silicon).points()[0]);
        assertTrue(silicon.samples().get(4).points()[0] > 250
                && tube.samples().get(4).points()[0] < 60);
    }

    @Test
    void aLampInSeries_takesTheFault_andBypassGivesTheLine() {
        Network network = Decks.network(Decks.demo("field-coil"), "");
        WarmUp.Course healthy = run(network, "60W:40,60W+60W:40,bypass:60", 140, "bplus");
        WarmUp.Sample starved = healthy.samples().get(150);
        assertTrue(starved.setVolts() < 95 && starved.setVolts() > 40, "the lamp keeps some: " + starved.setVolts());
        assertTrue(starved.lampWatts() > 5 && starved.lampWatts() < 60);
        assertEquals(117, last(healthy).setVolts(), 0.1);
        assertEquals(0, last(healthy).lampWatts());
        Values shorted = Values.nominal(network).shorted("XT1");
        WarmUp.Course fault = WarmUp.run(
                shorted,
                new LineSchedule(LineSchedule.straight(117).ramp(), LineSchedule.lamps("60W:20")),
                List.of("bplus"),
                20);
        assertEquals(60, last(fault).lampWatts(), 3, "a shorted transformer lights the lamp fully");
    }

    @Test
    void aShortedReservoir_behindAStarvedTubeRectifier_looksMildOnGlowAlone() {
        Network network = Decks.network(Decks.demo("table-set"), "");
        LineSchedule lamp = new LineSchedule(LineSchedule.straight(117).ramp(), LineSchedule.lamps("60W:60"));
        WarmUp.Course sound = WarmUp.run(Values.nominal(network), lamp, List.of("filter_1"), 60);
        WarmUp.Course fault = WarmUp.run(Values.nominal(network).shorted("C1"), lamp, List.of("filter_1"), 60);
        assertTrue(
                last(fault).lampWatts() < 40,
                "far from full glow: " + last(fault).lampWatts());
        assertTrue(last(fault).points()[0] < 5 && last(sound).points()[0] > 50, "B+ tells");
    }

    @Test
    void aLeakyElectrolytic_reforms_orRunsAway() {
        String set = "VLINE a 0 SIN(0 325.27 50)\nR1 a p 100\nXD1 p b SELENIUM N=12\nC1 b 0 47u ; "
                + "kind=electrolytic leak=%s\nR2 b 0 10k\n";
        WarmUp.Course reforming = run(Decks.network(set.formatted("300k")), "", 240, "b");
        WarmUp.Course running = run(Decks.network(set.formatted("18k")), "", 240, "b");
        assertTrue(last(reforming).points()[0] > reforming.samples().get(40).points()[0]);
        assertTrue(last(running).points()[0] < running.samples().get(40).points()[0] - 20);
    }

    @Test
    void aSchedule_isReadAndRampsInStraightLines() {
        LineSchedule schedule = new LineSchedule(LineSchedule.ramp("40:20,117:40"), List.of());
        assertEquals(20, schedule.volts(10));
        assertEquals(78.5, schedule.volts(40));
        assertEquals(117, schedule.volts(99));
        assertEquals(60, schedule.seconds());
        assertEquals(
                List.of(60.0, 60.0),
                new LineSchedule(List.of(), LineSchedule.lamps("100W:5,60W+60W:5,bypass:1")).lampsAt(7));
        for (String wrong : List.of("60W", "x:3", "60W:-1", "-5W:3")) {
            assertTrue(assertThrows(InvalidEntry.class, () -> LineSchedule.lamps(wrong))
                    .getMessage()
                    .contains(wrong));
        }
        assertThrows(InvalidEntry.class, () -> LineSchedule.ramp("117"));
    }

    /** Supplies of every kind, switched on cold, end where they work, and on the way stay within what can be there. */
    @Test
    void everyDeck_warmsUpToWhereItWorks() {
        for (String name : Decks.small()) {
            Network network = Decks.network(Decks.small(name), "");
            if (network.line().isEmpty()) {
                continue;
            }
            List<String> points = network.names().subList(0, network.namedNodes());
            WarmUp.Course course = WarmUp.run(
                    Values.nominal(network),
                    LineSchedule.straight(network.line().orElseThrow().volts()),
                    points,
                    60);
            assertEquals(Optional.empty(), course.failure(), name);
            double[] last = course.samples().get(course.samples().size() - 1).points();
            OperatingPoint rest = Decks.solve(Values.nominal(network));
            for (int i = 0; i < last.length; i++) {
                double right = rest.volts(points.get(i)).orElse(last[i]);
                assertEquals(right, last[i], 0.5 + 0.02 * Math.abs(right), name + " " + points.get(i));
            }
        }
    }

    private static WarmUp.Sample on(WarmUp set, int steps) {
        for (int i = 0; i < steps; i++) {
            assertEquals(Optional.empty(), set.advance());
        }
        return set.latest();
    }

    @Test
    void aRun_goesOnWithAnotherLineOrAFault_andFromAMomentThatWasKept() {
        Network network = Decks.network(Decks.demo("table-set"), "");
        WarmUp set = new WarmUp(Values.nominal(network), List.of("filter_1"));
        set.line(117);
        WarmUp.Sample warm = on(set, 240);
        WarmUp.Moment moment = set.mark();
        set.change(Values.nominal(network).shorted("C1"));
        assertTrue(on(set, 4).points()[0] < 10, "a capacitor shorts in mid-run");
        set.back(moment);
        set.change(Values.nominal(network));
        WarmUp.Sample again = on(set, 8);
        assertEquals(warm.points()[0], again.points()[0], 0.01 * warm.points()[0]);
        assertEquals(62, again.seconds());
        set.line(90);
        assertTrue(on(set, 60).points()[0] < 0.85 * warm.points()[0], "the line is turned down");
    }

    /** The line comes to the plates; the run must see that on its way, as the set at rest does. */
    @Test
    void aShortedRectifier_endsWhereItIsAtRest() {
        Network network = Decks.network(Decks.small("silicon-for-tube.cir"), "");
        Values shorted = Values.nominal(network).shorted("D1");
        List<String> nodes = network.names().subList(0, network.namedNodes());
        LineSchedule on = LineSchedule.straight(network.line().orElseThrow().volts());
        WarmUp.Course course = WarmUp.run(shorted, on, nodes, 90);
        assertEquals(Optional.empty(), course.failure());
        OperatingPoint rest = Decks.solve(shorted);
        for (int i = 0; i < nodes.size(); i++) {
            double right = rest.volts(nodes.get(i)).orElse(0);
            assertEquals(right, last(course).points()[i], 0.02 * Math.abs(right) + 0.5, nodes.get(i));
        }
    }

    @Test
    void aRegulator_strikesOnTheWayUp() {
        Network network = Decks.network(Decks.small("regulator.cir"), "");
        WarmUp.Course course = run(network, "", 5, "r");
        assertEquals(150.6, last(course).points()[0], 0.5);
    }

    @Test
    void aGridThatNothingTies_isSaidBesideTheCourse() {
        Network network = Decks.network(
                "VLINE a 0 SIN(0 169 60)\nR1 a p 33\nXV1 p b 35W4\nC1 b 0 40u\nR2 b q 270k\nXV2 q g 0 12AV6_T\nC2 g x 10n\nR3 x 0 1k");
        assertTrue(run(network, "", 1, "b").notes().get(0).text().startsWith("XV2: nothing ties its grid."));
    }
}
