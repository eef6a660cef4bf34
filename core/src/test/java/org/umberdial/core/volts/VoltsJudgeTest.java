package org.umberdial.core.volts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.umberdial.core.Files;
import org.umberdial.core.Sets;
import org.umberdial.core.area.Bench;
import org.umberdial.core.area.Plug;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.work.AtWork;
import org.umberdial.core.circuit.work.MeterReadings;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.evidence.ReadingLog;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.tube.TubeModels;
import org.umberdial.core.value.CsvLine;

class VoltsJudgeTest {
    private static final HousePolicy POLICY = HousePolicy.standard();

    private static VoltsReport judge(BenchSet set, ReadingLog log, double line) {
        return Files.report(set, log, new Bench(line, Optional.of(Meter.parse("10M")), 0, ""));
    }

    private static Map<String, Verdict> verdicts(VoltsReport report) {
        return report.points().stream().collect(Collectors.toMap(p -> p.point().node(), PointVerdict::verdict));
    }

    private static Suspect first(VoltsReport report, String node) {
        return report.findings().stream()
                .filter(f -> f.node().equals(node))
                .findFirst()
                .orElseThrow(() -> new AssertionError("no finding at " + node + ": " + report.findings()))
                .suspects()
                .get(0);
    }

    private static ReadingLog demoReadings() {
        return Sets.log(
                121.4,
                "10M",
                Sets.resource("table-set-readings.csv")
                        .lines()
                        .skip(1)
                        .map(CsvLine::split)
                        .map(c -> c.get(0) + "," + c.get(3))
                        .toArray(String[]::new));
    }

    @Test
    void demoSet_bothFaultsAreFoundAndNothingElse() {
        VoltsReport report = judge(Sets.demo("table-set"), demoReadings(), 121.4);
        assertEquals(
                List.of("v4_grid", "screens"),
                report.findings().stream().map(Finding::node).toList(),
                report.toString());
        Suspect coupling = first(report, "v4_grid");
        assertEquals("C4", coupling.part());
        assertEquals("leaky", coupling.failure());
        assertEquals(2.7e6, coupling.severity().orElseThrow(), 0.5e6);
        Suspect dropper = first(report, "screens");
        assertEquals("R11", dropper.part());
        assertEquals("drifted high", dropper.failure());
        assertEquals(7.5e3, dropper.severity().orElseThrow(), 2e3);
        assertEquals(Verdict.FOLLOWS, verdicts(report).get("v4_cathode"));
        assertTrue(
                report.next().orElseThrow().title().contains("C4"),
                report.next().toString());
        assertFalse(report.next().orElseThrow().plug() == Plug.IN);
    }

    @Test
    void heaterWindingWithoutASheet_standsAtAc_andNothingIsExpectedOfIt() {
        BenchSet set = Sets.set(Sets.resource("fm-superhet.cir"), 220, "20k/V");
        VoltsReport report = judge(set, new ReadingLog(List.of()), 220);
        PointVerdict heaters = report.points().stream()
                .filter(p -> p.point().node().equals("heater_winding"))
                .findFirst()
                .orElseThrow();
        assertEquals(ReadingKind.AC, set.usualKind("heater_winding"));
        assertTrue(heaters.expected().isEmpty() && heaters.verdict() == Verdict.UNREAD, heaters.toString());
        // A directly heated rectifier's filament is where the set takes its B+ from.
        assertEquals(
                ReadingKind.DC,
                Sets.set(Sets.resource("field-coil.cir"), 117, "1k/V").usualKind("fil_a"));
    }

    @Test
    void healthyReadings_areGoodOnAnyLineAndMeter() {
        BenchSet set = Sets.demo("table-set");
        for (double line : new double[] {105, 117, 125}) {
            for (String meter : new String[] {"10M", "20k/V", "1k/V@250"}) {
                Bench bench = new Bench(line, Optional.of(Meter.parse(meter)), 0, "");
                String[] shown = VoltsJudge.judge(set, new ReadingLog(List.of()), POLICY, bench).points().stream()
                        .map(p -> p.point().node() + "," + p.expected().orElseThrow())
                        .toArray(String[]::new);
                VoltsReport report = VoltsJudge.judge(set, Sets.log(line, meter, shown), POLICY, bench);
                assertEquals(
                        java.util.Set.of(Verdict.GOOD),
                        java.util.Set.copyOf(verdicts(report).values()),
                        line + " " + meter);
                assertTrue(report.findings().isEmpty());
            }
        }
    }

    @Test
    void plateBehindMegohms_isCorrectedForTheMeter() {
        String deck = "one stage\nVB b 0 250\nR1 b plate 270k\nXV1 plate grid 0 12AV6_T\nR2 grid 0 10meg\n" + UNSOLVED
                + "*TP plate\n";
        BenchSet set = Sets.set(deck, 117, "100000M", "plate,80.0", "b,250");
        Map<String, Double> expected = Map.of("10M", 79.6, "20k/V@250", 79.2, "1k/V@250", 66.5);
        expected.forEach((meter, volts) -> {
            PointVerdict plate = VoltsJudge.judge(
                            set,
                            new ReadingLog(List.of()),
                            POLICY,
                            new Bench(117, Optional.of(Meter.parse(meter)), 0, ""))
                    .points()
                    .get(0);
            assertEquals(volts, plate.expected().orElseThrow(), 0.05, meter);
            assertEquals(50.75e3, plate.sourceOhms(), 20);
        });
    }

    @Test
    void liftedCapacitor_provesOrClearsTheSuspicion() {
        BenchSet set = Sets.demo("table-set");
        Suspect proven = first(judge(set, Sets.log(121.4, "10M", "v4_grid,6.9", "v4_grid,0.05,C4"), 121.4), "v4_grid");
        assertEquals("C4", proven.part());
        assertEquals(Suspect.Standing.PROVEN, proven.standing());
        Suspect gas = first(judge(set, Sets.log(121.4, "10M", "v4_grid,6.9", "v4_grid,6.5,C4"), 121.4), "v4_grid");
        assertEquals("V4", gas.part());
        assertEquals("gassy", gas.failure());
    }

    @Test
    void testOlderThanTheReading_provesNothing() {
        Suspect again = first(
                judge(
                        Sets.demo("table-set"),
                        Sets.log(121.4, "10M", "v4_grid,6.9", "v4_grid,0.05,C4", "v4_grid,6.5"),
                        121.4),
                "v4_grid");
        assertEquals(Suspect.Standing.OPEN, again.standing());
    }

    @Test
    void ohmsAboveTolerance_proveDrift() {
        Suspect dropper = first(
                judge(Sets.demo("table-set"), Sets.log(121.4, "10M", "filter_2,99", "screens,58", "R11,7300"), 121.4),
                "screens");
        assertEquals(Suspect.Standing.PROVEN, dropper.standing());
    }

    @Test
    void everythingLow_isTheSupplyAndNotEachPoint() {
        BenchSet set = Sets.demo("table-set");
        String[] low = VoltsJudge.judge(
                        set, new ReadingLog(List.of()), POLICY, new Bench(117, Optional.of(Meter.parse("10M")), 0, ""))
                .points()
                .stream()
                .map(p -> p.point().node() + "," + p.expected().orElseThrow() * 0.75)
                .toArray(String[]::new);
        VoltsReport report = judge(set, Sets.log(117, "10M", low), 117);
        assertEquals(
                List.of("filter_1"),
                report.findings().stream()
                        .map(Finding::node)
                        .filter(node -> !node.equals("v1_grid"))
                        .toList(),
                report.findings().stream().map(Finding::text).toList().toString());
        assertEquals("XV5", first(report, "filter_1").part());
    }

    /** Windings that the engine does not take, so that the sheet and its slopes have to do. */
    private static final String UNSOLVED = "L8 x 0 5\nL9 y 0 5\nK1 L8 L9 0.9\n";

    /** Readings of a set with a fault, as a meter shows them. */
    private static ReadingLog faulty(String deck, java.util.function.UnaryOperator<Values> fault) {
        Network network = Network.of(DeckReader.read(deck), TubeModels.shipped(), "");
        AtWork work = new AtWork(network);
        MeterReadings readings = new MeterReadings(
                work, work.solve(fault.apply(Values.nominal(network))).settled().orElseThrow());
        return Sets.log(
                230,
                "10M",
                DeckReader.read(deck).testPoints().stream()
                        .map(node ->
                                node + "," + readings.reads(node, volts -> 10e6).orElseThrow())
                        .toArray(String[]::new));
    }

    private static final String SUPPLY =
            "VLINE line 0 SIN(0 325 50)\nXT1 line 0 hv1 ct ct hv2 XFMR VP=230 RP=14 V1=250 R1=140 V2=250 "
                    + "R2=148\nR99 ct 0 0.1\nXV9 hv1 hv2 b1 EZ80\nC91 b1 0 50u ; kind=electrolytic\n";

    @Test
    void otherNetwork_tapedDecouplingChainWithLeakyBypass() {
        String deck = "t\n" + SUPPLY
                + "R1 b1 b2 1k ; kind=wirewound tol=5\nC2 b2 0 50u ; kind=electrolytic\nR3 b2 b3 10k ; "
                + "kind=carbon tol=10\nC3 b3 0 8u ; kind=electrolytic\nR4 b3 plate 100k ; kind=carbon "
                + "tol=10\nXV1 plate grid k ECC83_T\nR5 k 0 1.5k ; kind=carbon tol=10\nR6 grid 0 1meg "
                + "; kind=carbon\nR7 b2 0 6.8k ; kind=wirewound tol=5\n*TP b1 b2 b3 plate k grid\n";
        BenchSet set = Sets.set(deck, 230, "10M", "b1,280", "b2,244", "b3,236", "plate,160", "k,1.14", "grid,0");
        VoltsReport report = judge(set, faulty(deck, values -> values.leaking("C3", 15e3)), 230);
        assertEquals(
                List.of("b3"),
                report.findings().stream().map(Finding::node).toList(),
                report.findings().toString());
        List<String> suspects = report.findings().get(0).suspects().stream()
                .map(s -> s.part() + " " + s.failure())
                .toList();
        assertTrue(suspects.containsAll(List.of("C3 leaky", "R3 drifted high")), suspects.toString());
    }

    @Test
    void otherNetwork_gridStopperStillLeadsToTheCouplingCapacitor() {
        String deck = "t\n" + SUPPLY
                + "R1 b1 driver 220k ; kind=carbon\nXV1 driver g1 0 ECC83_T\nR2 g1 0 10meg\nC4 driver node4 "
                + "22n ; kind=paper\nR3 node4 0 680k ; kind=carbon\nR4 node4 grid 10k ; "
                + "kind=carbon\nXV2 plate b1 grid k EL84_P\nL1 b1 plate 5 ; rser=300\nR5 k 0 150 ; "
                + "kind=carbon tol=10\n*TP b1 driver grid k plate\n";
        BenchSet set = Sets.set(deck, 230, "10M", "b1,260", "driver,120", "grid,0", "k,7.3", "plate,248");
        VoltsReport report = judge(set, faulty(deck, values -> values.leaking("C4", 24e6)), 230);
        Suspect suspect = first(report, "grid");
        assertEquals("C4", suspect.part());
        assertEquals(24e6, suspect.severity().orElseThrow(), 4e6);
        assertEquals(
                List.of("grid"),
                report.findings().stream().map(Finding::node).toList(),
                report.findings().toString());
    }

    @Test
    void otherNetwork_openCathodeResistorIsNamed() {
        String deck = "t\n" + SUPPLY
                + "XV2 plate b1 grid k EL84_P\nL1 b1 plate 5 ; rser=300\nR5 k 0 150 ; kind=carbon tol=10\nC5 "
                + "k 0 50u ; kind=electrolytic volt=25\nR6 grid 0 470k ; kind=carbon\n*TP b1 grid k plate\n";
        BenchSet set = Sets.set(deck, 230, "10M", "b1,260", "grid,0", "k,7.3", "plate,246");
        VoltsReport report = judge(set, Sets.log(230, "10M", "b1,275", "grid,0", "k,24", "plate,274"), 230);
        Suspect suspect = first(report, "k");
        assertEquals("R5", suspect.part());
        assertTrue(List.of("open", "drifted high").contains(suspect.failure()), suspect.toString());
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void orderOfReadings_doesNotMatter(long seed) {
        List<String> rows = new java.util.ArrayList<>(Sets.resource("table-set-readings.csv")
                .lines()
                .skip(1)
                .map(CsvLine::split)
                .map(c -> c.get(0) + "," + c.get(3))
                .toList());
        java.util.Collections.shuffle(rows, new java.util.Random(seed));
        VoltsReport shuffled =
                judge(Sets.demo("table-set"), Sets.log(121.4, "10M", rows.toArray(String[]::new)), 121.4);
        assertEquals(
                verdicts(judge(Sets.demo("table-set"), demoReadings(), 121.4)), verdicts(shuffled), "seed " + seed);
    }

    @Test
    void readResistors_getCurrentAndWatts() {
        Branch filter = judge(Sets.demo("table-set"), demoReadings(), 121.4).branches().stream()
                .filter(b -> b.part().equals("R2"))
                .findFirst()
                .orElseThrow();
        assertEquals((112.4 - 94.1) / 1200, filter.amperes(), 1e-4);
        assertEquals((112.4 - 94.1) * (112.4 - 94.1) / 1200, filter.watts(), 2e-3);
        assertEquals("filter_1", filter.from());
        Branch cathode = judge(Sets.demo("table-set"), demoReadings(), 121.4).branches().stream()
                .filter(b -> b.part().equals("R3"))
                .findFirst()
                .orElseThrow();
        assertTrue(cathode.strained(), "0.53 W in a 1 W part is under the house's margin of two");
    }

    @Test
    void emptySet_asksForTheCircuit() {
        VoltsReport report = judge(Sets.set("empty\n", 117, "10M"), new ReadingLog(List.of()), 117);
        assertEquals("volts:no-points", report.next().orElseThrow().id());
    }
}
