package org.umberdial.benchmark;

import java.io.IOException;
import java.time.Instant;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.umberdial.core.cold.ColdBench;
import org.umberdial.core.cold.ColdPlan;
import org.umberdial.core.cold.ColdScene;
import org.umberdial.core.cold.ColdTests;
import org.umberdial.core.cold.ColdVerdict;
import org.umberdial.core.cold.TestRow;
import org.umberdial.core.evidence.Benched;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.LogEntry;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.procedure.BenchForm;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.SupplyLabel;

/**
 * The cold bench from nothing, as a request asks for it: the plan with two tests made, the form of every resistor, a
 * chain.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 3, time = 2)
@Fork(1)
public class ColdBenchmark {
    @Param({"fm-superhet", "table-set", "record-player"})
    private String set;

    private BenchSet bench;
    private EvidenceLog journal;

    @Setup
    public void load() throws IOException {
        bench = DemoSet.of(set);
        journal = new EvidenceLog(List.of(
                new LogEntry(
                        "1",
                        new Benched(
                                "discharge",
                                "",
                                Map.of("v.C1", "1", "v.C2", "1", "v.C3", "0", "v.C11", "0"),
                                "",
                                "",
                                true),
                        Instant.EPOCH,
                        Optional.empty(),
                        false),
                new LogEntry(
                        "2",
                        new Benched(
                                "plug-on",
                                "",
                                Map.of("plug", "117", "set.0", "yes", "set.1", "yes", "set.2", "yes", "set.3", "yes"),
                                "",
                                "",
                                true),
                        Instant.EPOCH,
                        Optional.empty(),
                        false)));
    }

    private ColdScene scene() {
        return new ColdScene(
                bench,
                SupplyLabel.UNKNOWN,
                HousePolicy.standard(),
                bench.modes().isEmpty() ? "" : bench.modes().get(0));
    }

    @Benchmark
    public ColdPlan plan() {
        ColdScene scene = scene();
        return ColdPlan.of(scene, ColdBench.of(scene, journal), EnumSet.allOf(Equipment.class));
    }

    @Benchmark
    public BenchForm resistors() {
        return ColdTests.form(scene(), TestRow.of("resistors").orElseThrow(), new Figures(Map.of()));
    }

    @Benchmark
    public ColdVerdict chain() {
        return ColdTests.judge(
                scene(),
                TestRow.of("plug-on").orElseThrow(),
                new Figures(Map.of("plug", "open", "set.0", "yes", "set.1", "yes", "set.2", "yes", "set.3", "yes")));
    }
}
