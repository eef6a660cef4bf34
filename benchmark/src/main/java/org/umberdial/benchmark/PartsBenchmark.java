package org.umberdial.benchmark;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
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
import org.umberdial.core.area.Bench;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.LogEntry;
import org.umberdial.core.evidence.Placing;
import org.umberdial.core.instrument.Kit;
import org.umberdial.core.parts.PartRow;
import org.umberdial.core.parts.PartsEntry;
import org.umberdial.core.parts.PartsLedger;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.recap.RecapPlan;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.set.SupplyLabel;
import org.umberdial.core.stands.Areas;
import org.umberdial.core.value.DecimalSign;

/** The ledger of a set's parts and the plan of what goes in, after a further reading, the circuit as it was. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 3, time = 2)
@Fork(1)
public class PartsBenchmark {
    @Param({"fm-superhet", "table-set"})
    private String set;

    private BenchSet bench;
    private EvidenceLog log;

    @Setup
    public void load() throws IOException {
        bench = DemoSet.of(set);
        PartsEntry entry = new PartsEntry(bench, conditions(), DecimalSign.POINT, Optional.empty());
        List<LogEntry> entries = new ArrayList<>();
        for (Part part : bench.parts()) {
            if (part.card().letter() == 'C') {
                entries.add(new LogEntry(
                        "e" + entries.size(),
                        entry.read(part.reference() + " leak 5M @20", "", Placing.LIFTED),
                        Instant.EPOCH.plusSeconds(entries.size()),
                        Optional.empty(),
                        false));
            }
        }
        log = new EvidenceLog(entries);
    }

    private Bench conditions() {
        return new Bench(
                230,
                Optional.empty(),
                0,
                bench.modes().isEmpty() ? "" : bench.modes().get(0));
    }

    private SetFile file() {
        return Areas.open(new SetFile.Contents(
                bench,
                Set.of(),
                SupplyLabel.UNKNOWN,
                HousePolicy.standard(),
                conditions(),
                log,
                0,
                new Kit(List.of())));
    }

    @Benchmark
    public List<PartRow> ledger() {
        return PartsLedger.rows(file());
    }

    @Benchmark
    public RecapPlan ledgerAndPlan() {
        return RecapPlan.of(file());
    }
}
