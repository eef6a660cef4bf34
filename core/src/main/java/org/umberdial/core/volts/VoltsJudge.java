package org.umberdial.core.volts;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import org.umberdial.core.area.Bench;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.claim.Observation;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.diagnosis.Advice;
import org.umberdial.core.diagnosis.AtlasSource;
import org.umberdial.core.diagnosis.Background;
import org.umberdial.core.diagnosis.Diagnosis;
import org.umberdial.core.diagnosis.SetRanking;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.evidence.ReadingLog;
import org.umberdial.core.expect.DcPaths;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.SheetValue;
import org.umberdial.core.set.TestPoint;
import org.umberdial.core.tube.Electrode;
import org.umberdial.core.value.Ohms;

/** Judges a set's stage voltages. A pure function of the set, its readings, the house policy and the bench. */
public final class VoltsJudge {
    private static final Duration ONE_RUN = Duration.ofHours(2);
    private static final double WARMING_MINUTES = 8;
    private static final double MORE_THAN_NOT = 0.5;

    private final BenchSet set;
    private final ReadingLog log;
    private final HousePolicy policy;
    private final Bench bench;
    private final StageModel model;
    private final StaircasePlan plan;
    private final Map<String, Probed> probed = new LinkedHashMap<>();
    private final Map<String, Verdict> verdicts = new HashMap<>();
    private final Map<String, Set<String>> explainedBy = new HashMap<>();
    private final Phrases phrases;
    private final Background background;
    private final AtlasSource atlases;
    private final Sureness sureness;

    private VoltsJudge(
            BenchSet set, ReadingLog log, HousePolicy policy, Bench bench, Background background, AtlasSource atlases) {
        this.background = background;
        this.atlases = atlases;
        this.set = set;
        this.log = log;
        this.policy = policy;
        this.bench = bench;
        this.model = new StageModel(set, bench.mode());
        this.sureness = new Sureness(set, model, policy);
        this.plan = new StaircasePlan(model);
        this.phrases = new Phrases(set, model, policy);
        for (TestPoint point : set.testPoints()) {
            log.last(point.node(), ReadingKind.DC, bench.mode(), Instant.MIN, Reading::undisturbed)
                    .ifPresent(reading ->
                            probed.put(point.node(), new Probed(model, point, reading, policy, bench.accuracy())));
        }
    }

    /**
     * Judges.
     *
     * @param background what is known of it beside its readings
     * @param atlases what weighs the suspects of a set whose circuit is whole; where there is none, rules about single
     *     points name them
     */
    public static VoltsReport judge(
            BenchSet set, ReadingLog log, HousePolicy policy, Bench bench, Background background, AtlasSource atlases) {
        return new VoltsJudge(set, log, policy, bench, background, atlases).report();
    }

    /** By the rules alone, when nothing else is known. */
    public static VoltsReport judge(BenchSet set, ReadingLog log, HousePolicy policy, Bench bench) {
        return judge(
                set,
                log,
                policy,
                bench,
                new Background(Ledger.of(List.of(), List.of()), List.of(), List.of()),
                AtlasSource.NONE);
    }

    private VoltsReport report() {
        probed.values().forEach(p -> verdicts.put(p.point.node(), alone(p)));
        lookUpstream();
        lookDownstream();
        boolean off = probed.keySet().stream().anyMatch(this::isOff);
        AtlasSource.Answer answer = off ? atlases.of(set, bench) : new AtlasSource.None();
        List<LiftTest> lifts = LiftTest.of(
                set,
                model,
                log,
                probed.values().stream().filter(p -> isOff(p.point.node())).toList(),
                policy);
        List<Observation> lifted = observations(set, lifts);
        Optional<Ranked> ranked = answer instanceof AtlasSource.Ready ready
                ? Optional.of(ranked(ready, background.known().and(lifted), lifts))
                : Optional.empty();
        List<Finding> findings = findings(answer, ranked);
        List<PointVerdict> points = set.testPoints().stream()
                .map(point -> AcPoint.judge(set, point, log, policy, bench).orElseGet(() -> verdict(point)))
                .toList();
        return new VoltsReport(
                points,
                Branch.of(model, this::read, policy),
                StageCurrent.of(model, this::read),
                Cure.of(
                        probed.values().stream()
                                .filter(p -> verdicts.get(p.point.node()) == Verdict.GOOD)
                                .toList(),
                        log,
                        background.known().replacements()),
                findings,
                ranked.map(Ranked::comesTo).orElse(""),
                answer instanceof AtlasSource.Underway,
                ranked.filter(Ranked::waits).isPresent(),
                lifts,
                plan.staircase(bench.lineVolts()),
                NextRules.acts(set, points, findings, watched(), ranked.flatMap(Ranked::next)));
    }

    /** What lifted leads say to the ledger. */
    static List<Observation> observations(BenchSet set, List<LiftTest> lifts) {
        return lifts.stream()
                .filter(LiftTest::settles)
                .map(lift -> lift.observation(set.nameOf(lift.node())))
                .toList();
    }

    /** What the faults of the circuit say of all points together. */
    private record Ranked(Diagnosis diagnosis, RankedSuspects suspects, String comesTo, boolean waits) {
        Optional<Diagnosis.Probe> next() {
            return diagnosis.next();
        }
    }

    private Ranked ranked(AtlasSource.Ready ready, Ledger ledger, List<LiftTest> lifts) {
        SetRanking ranking = SetRanking.of(set, log, bench, background.knowing(ledger), ready, atlases);
        Diagnosis diagnosis = ranking.diagnosis();
        return new Ranked(
                diagnosis,
                new RankedSuspects(set, diagnosis, ledger, lifts),
                new Advice(set).verdict(diagnosis, ranking.readings().all().size()),
                ranking.waits());
    }

    /** The verdict of a reading by itself. */
    private Verdict alone(Probed p) {
        Verdict verdict = p.byFigures();
        boolean judged = verdict == Verdict.GOOD || verdict == Verdict.DOUBT || verdict == Verdict.BAD;
        if (judged && !sureness.sure(p.point.node())) {
            return verdict == Verdict.GOOD ? Verdict.NO_EXPECTATION : Verdict.UNUSUAL;
        }
        return verdict != Verdict.GOOD && judged && withinUnknownLoading(p) ? Verdict.NO_EXPECTATION : verdict;
    }

    /** Whether a reading fits once the sheet's meter, which nobody knows, is taken as a poor one. */
    private boolean withinUnknownLoading(Probed p) {
        return model.unknownLoading(p.point.node(), p.reading.lineVolts(), p.reading.meter())
                .filter(range -> p.reading.value() >= range[0] - p.band() && p.reading.value() <= range[1] + p.band())
                .isPresent();
    }

    /** A point that is off only as far as what feeds and drives it is off is no fault of its own. */
    private void lookUpstream() {
        for (Probed p : probed.values()) {
            if (isOff(p.point.node()) && !p.grid) {
                explain(p, upstream(p.point.node()));
            }
        }
    }

    /** A rail pulled down by a fault below it follows that fault. */
    private void lookDownstream() {
        Set<String> origins = new TreeSet<>();
        probed.keySet().stream().filter(this::isOff).forEach(origins::add);
        for (String node : List.copyOf(origins)) {
            Set<String> below = new TreeSet<>();
            origins.stream()
                    .filter(other -> !other.equals(node) && plan.feeds(node, other))
                    .forEach(below::add);
            Probed p = probed.get(node);
            if (!below.isEmpty() && !p.grid) {
                below.addAll(upstream(node));
                explain(p, below);
            }
        }
    }

    private void explain(Probed p, Set<String> given) {
        given.removeIf(node ->
                !probed.containsKey(node) || probed.get(node).healthyOpen.isEmpty());
        if (given.isEmpty() || p.healthyOpen.isEmpty()) {
            return;
        }
        double scale = supplyScale(p.point.node());
        double off = p.openDeviation(scale) - deviations(given, scale).at(p.point.node());
        double implied = p.openDeviation() - off;
        if (Math.abs(off) <= p.band() && Math.abs(implied) > Math.abs(p.openDeviation()) / 2) {
            verdicts.put(p.point.node(), Verdict.FOLLOWS);
            explainedBy.put(p.point.node(), blamed(p, given, scale));
        }
    }

    /** Of the given points, those that are off themselves and bring at least a fifth of what is seen here. */
    private Set<String> blamed(Probed p, Set<String> given, double scale) {
        Deviations deviations = deviations(given, scale);
        Set<String> blamed = new TreeSet<>();
        for (String node : given) {
            boolean off = Math.abs(probed.get(node).openDeviation())
                    > probed.get(node).band() / 2;
            boolean scales = scale != 1
                    && plan.feederOf(p.point.node()).filter(node::equals).isPresent();
            boolean matters = Math.abs(deviations.share(p.point.node(), node)) > Math.abs(p.openDeviation()) / 5;
            if (off && (scales || matters)) {
                blamed.add(node);
            }
        }
        return blamed.isEmpty() ? given : blamed;
    }

    /** How the rail feeding a node stands, as a part of what it should be; 1 when it was not read. */
    private double supplyScale(String node) {
        return plan.feederOf(node)
                .map(probed::get)
                .filter(feeder -> feeder.healthyOpen.isPresent() && Math.abs(feeder.healthyOpen.getAsDouble()) > 5)
                .map(feeder -> Math.max(0, feeder.openVolts / feeder.healthyOpen.getAsDouble()))
                .orElse(1.0);
    }

    private Deviations deviations(Set<String> nodes, double supplyScale) {
        Map<String, Double> given = new HashMap<>();
        nodes.forEach(node -> given.put(node, probed.get(node).openDeviation(supplyScale)));
        return new Deviations(model, given);
    }

    /** Points that feed or drive a node: its feeder, the other electrodes of its tube, and every grid that was read. */
    private Set<String> upstream(String node) {
        Set<String> upstream = new TreeSet<>();
        plan.feederOf(node).ifPresent(upstream::add);
        for (Probed p : probed.values()) {
            if (p.grid) {
                upstream.add(p.point.node());
            }
        }
        for (DcPaths.Stage stage : model.paths().stages) {
            Optional<Electrode> here = stage.electrodeAt(node);
            if (here.filter(Electrode::isGrid).isPresent() && probed.get(node).selfBiased) {
                // An oscillation is as strong as what accelerates it.
                stage.nodes().forEach((electrode, other) -> {
                    if (electrode == Electrode.SCREEN
                            || electrode == Electrode.PLATE && !stage.nodes().containsKey(Electrode.SCREEN)) {
                        upstream.add(other);
                    }
                });
            }
            if (here.isPresent()
                    && here.get().carriesStageCurrent()
                    && stage.part().nodes().stream().noneMatch(other -> plan.feeds(node, other))) {
                stage.nodes().forEach((electrode, other) -> {
                    if (drives(electrode, here.get())) {
                        upstream.add(other);
                    }
                });
            }
        }
        upstream.remove(node);
        upstream.remove("0");
        return upstream;
    }

    /**
     * What governs an electrode's current: grids govern all, the screen governs plate and cathode, the cathode shows
     * it.
     */
    private static boolean drives(Electrode driver, Electrode driven) {
        return driver.isGrid()
                || driver == Electrode.SCREEN && driven != Electrode.SCREEN
                || driver == Electrode.CATHODE && driven == Electrode.PLATE
                || driver == Electrode.PLATE && driven == Electrode.CATHODE;
    }

    private boolean isOff(String node) {
        Verdict verdict = verdicts.get(node);
        return verdict == Verdict.BAD || verdict == Verdict.DOUBT;
    }

    private List<Finding> findings(AtlasSource.Answer answer, Optional<Ranked> ranked) {
        List<Finding> findings = new ArrayList<>();
        for (Probed p : probed.values()) {
            if (!isOff(p.point.node())) {
                continue;
            }
            if (!(answer instanceof AtlasSource.None)) {
                findings.add(finding(p, ranked.map(r -> r.suspects.at(p)).orElse(List.of())));
            } else {
                Set<String> given = upstream(p.point.node());
                given.removeIf(node -> !probed.containsKey(node)
                        || probed.get(node).healthyOpen.isEmpty());
                double scale = supplyScale(p.point.node());
                findings.add(new Suspicions(model, log, policy, probed, phrases, background.known())
                        .about(p, deviations(given, scale), scale, verdicts.get(p.point.node())));
            }
        }
        findings.sort(java.util.Comparator.comparing((Finding finding) -> !finding.urgent())
                .thenComparing(finding -> verdicts.get(finding.node()) != Verdict.BAD));
        return List.copyOf(findings);
    }

    private Finding finding(Probed p, List<Suspect> suspects) {
        Verdict verdict = verdicts.get(p.point.node());
        Optional<Suspect> first = suspects.stream()
                .filter(suspect -> suspect.standing() != Suspect.Standing.CLEARED)
                .findFirst();
        // A grid that stands above its bias runs its tube hot, whichever part lifts it there.
        boolean runsHot = p.grid && p.healthyShown.isPresent() && p.shownDeviation() > p.band()
                || p.grid && p.healthyShown.isEmpty();
        boolean burns = first.filter(suspect -> suspect.failure().equals("shorted") && suspect.odds() >= MORE_THAN_NOT)
                .isPresent();
        return new Finding(
                p.point.node(),
                phrases.name(p.point.node()) + ": " + phrases.reason(p, verdict, Set.of()),
                suspects,
                verdict == Verdict.BAD && (runsHot || burns));
    }

    private PointVerdict verdict(TestPoint point) {
        Ohms source = model.sourceResistance(point.node(), "0");
        OptionalDouble open = model.healthyVolts(point.node(), bench.lineVolts());
        OptionalDouble expected = model.healthyShown(point.node(), bench.lineVolts(), bench.meter());
        double band = Probed.band(expected.orElse(0), Probed.isQuietGrid(model, point.node()), policy, bench.accuracy())
                + (Probed.isSelfBiased(model, point.node()) ? policy.doubtMargin() * Math.abs(expected.orElse(0)) : 0);
        Optional<Probed> p = Optional.ofNullable(probed.get(point.node()));
        Verdict verdict = verdicts.getOrDefault(point.node(), Verdict.UNREAD);
        String reason = p.map(read ->
                        phrases.reason(read, verdict, explainedBy.getOrDefault(point.node(), Set.of())) + drift(read))
                .orElse("");
        Optional<SheetValue> sheet = set.sheet().stream()
                .filter(value -> value.kind() == ReadingKind.DC
                        && value.node().equals(point.node())
                        && (value.mode().isEmpty()
                                || bench.mode().isEmpty()
                                || value.mode().equalsIgnoreCase(bench.mode())))
                .findFirst();
        return new PointVerdict(
                point,
                expected,
                band,
                open,
                source.value(),
                p.map(read -> read.reading),
                verdict,
                reason,
                arithmetic(point, phrases.arithmetic(point, sheet, open, source, expected, bench, p)));
    }

    private List<String> arithmetic(TestPoint point, List<String> steps) {
        Optional<double[]> range = model.unknownLoading(point.node(), bench.lineVolts(), bench.meter());
        if (range.isEmpty() || range.get()[1] - range.get()[0] < 0.02 * Math.abs(range.get()[1])) {
            return steps;
        }
        List<String> all = new ArrayList<>(steps);
        all.add("The sheet does not name its meter: loading unknown, so anything from " + Phrases.volts(range.get()[0])
                + " to " + Phrases.volts(range.get()[1]) + " may be healthy here");
        return List.copyOf(all);
    }

    /** A fall over warm minutes means that something leaks more as it heats. */
    private String drift(Probed p) {
        if (p.reading.minutesOn().isEmpty() || p.grid) {
            return "";
        }
        Optional<Reading> earlier = log.of(p.point.node(), ReadingKind.DC, bench.mode())
                .filter(r -> r.undisturbed()
                        && r.minutesOn().isPresent()
                        && r.takenAt().isBefore(p.reading.takenAt())
                        && Math.abs(r.lineVolts() / p.reading.lineVolts() - 1) < 0.02)
                .findFirst();
        if (earlier.isEmpty()) {
            return "";
        }
        Reading first = earlier.get();
        double change = p.reading.value() / first.value() - 1;
        boolean warm = p.reading.minutesOn().getAsDouble() - first.minutesOn().getAsDouble() >= 5;
        return warm && Math.abs(change) > policy.driftFraction() ? phrases.drift(first, p.reading) : "";
    }

    /** Whether some point was read twice in one run with the time between that it takes to warm through. */
    private boolean watched() {
        return probed.values().stream()
                .filter(p -> !p.grid)
                .anyMatch(p -> p.reading.minutesOn().isPresent()
                        && log.last(
                                        p.point.node(),
                                        ReadingKind.DC,
                                        bench.mode(),
                                        p.reading.takenAt().minus(ONE_RUN),
                                        r -> r.undisturbed()
                                                && r.minutesOn().isPresent()
                                                && p.reading.minutesOn().getAsDouble()
                                                                - r.minutesOn().getAsDouble()
                                                        >= WARMING_MINUTES)
                                .isPresent());
    }

    private OptionalDouble read(String node) {
        return node.equals("0")
                ? OptionalDouble.of(0)
                : probed.containsKey(node) ? OptionalDouble.of(probed.get(node).openVolts) : OptionalDouble.empty();
    }
}
