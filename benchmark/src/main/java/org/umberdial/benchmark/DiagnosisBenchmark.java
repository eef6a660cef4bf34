package org.umberdial.benchmark;

import java.io.IOException;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.umberdial.core.area.Bench;
import org.umberdial.core.diagnosis.Atlas;
import org.umberdial.core.diagnosis.BenchReadings;
import org.umberdial.core.diagnosis.Diagnosis;
import org.umberdial.core.diagnosis.Ranking;
import org.umberdial.core.diagnosis.Spot;
import org.umberdial.core.expect.HealthySet;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.volts.PartChange;
import org.umberdial.core.volts.WhatIf;

/** Every fault of the largest demo set against its readings: one alone, two at once, and nothing read yet. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 3, time = 2)
@Fork(1)
public class DiagnosisBenchmark {
    private static final Meter METER = Meter.parse("10M");
    /** Without its mode every band switch is open, and the set is a supply with an output stage. */
    private static final String MODE = "FM";

    private BenchSet set;
    private Atlas atlas;
    private final Map<String, Double> one = new HashMap<>();
    private final Map<String, Double> two = new HashMap<>();

    @Setup
    public void load() throws IOException {
        set = DemoSet.of("fm-superhet");
        HealthySet healthy = HealthySet.of(set, MODE).orElseThrow();
        atlas = Atlas.of(
                        healthy.network(),
                        set.parts(),
                        OptionalDouble.empty(),
                        METER,
                        BenchReadings.points(set),
                        EnumSet.allOf(Spot.Kind.class),
                        () -> false)
                .orElseThrow();
        one.putAll(shown(healthy, List.of(new PartChange("R12", PartChange.Kind.VALUE, 120e3))));
        two.putAll(shown(
                healthy,
                List.of(
                        new PartChange("R12", PartChange.Kind.VALUE, 120e3),
                        new PartChange("C5", PartChange.Kind.LEAK, 2e6))));
    }

    /** What a meter shows of the set with changes, healthy in all else. */
    private Map<String, Double> shown(HealthySet healthy, List<PartChange> changes) {
        Map<String, Double> volts = new HashMap<>();
        WhatIf.ask(set, new Bench(healthy.nominalLine(), Optional.of(METER), 0, MODE), changes)
                .steps()
                .forEach(step ->
                        step.changed().ifPresent(v -> volts.put(step.point().node(), v)));
        return volts;
    }

    @Benchmark
    public Diagnosis oneOff() {
        return Ranking.of(atlas, one, mode -> 1);
    }

    @Benchmark
    public Diagnosis twoOff() {
        return Ranking.of(atlas, two, mode -> 1);
    }

    @Benchmark
    public Diagnosis nothingRead() {
        return Ranking.of(atlas, Map.of(), mode -> 1);
    }
}
