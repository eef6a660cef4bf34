package org.umberdial.benchmark;

import java.io.IOException;
import java.util.HashMap;
import java.util.Map;
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
import org.umberdial.core.diagnosis.Atlas;
import org.umberdial.core.diagnosis.BenchReadings;
import org.umberdial.core.diagnosis.Diagnosis;
import org.umberdial.core.diagnosis.Ranking;
import org.umberdial.core.expect.HealthySet;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.set.BenchSet;

/** Every fault of the largest demo set against its readings: one alone, two at once, and nothing read yet. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 3, time = 2)
@Fork(1)
public class DiagnosisBenchmark {
    private Atlas atlas;
    private final Map<String, Double> one = new HashMap<>();
    private final Map<String, Double> two = new HashMap<>();

    @Setup
    public void load() throws IOException {
        BenchSet set = DemoSet.of("fm-superhet");
        HealthySet healthy = HealthySet.of(set, "").orElseThrow();
        Meter meter = Meter.parse("10M");
        atlas = Atlas.of(healthy.network(), set.parts(), OptionalDouble.empty(), meter, BenchReadings.points(set))
                .orElseThrow();
        for (String node : atlas.points()) {
            healthy.shown(node, healthy.nominalLine(), meter).ifPresent(volts -> {
                one.put(node, node.equals("v3_plate") ? volts * 0.6 : volts);
                two.put(node, node.equals("v3_plate") ? volts * 0.6 : node.equals("v1a_plate") ? volts * 0.7 : volts);
            });
        }
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
