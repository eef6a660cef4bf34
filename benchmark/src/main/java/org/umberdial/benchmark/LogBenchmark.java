package org.umberdial.benchmark;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
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
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.LogEntry;
import org.umberdial.core.evidence.Metered;
import org.umberdial.core.instrument.Kit;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.CircuitImport;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.SupplyLabel;
import org.umberdial.core.set.TestPoint;
import org.umberdial.core.stands.Areas;
import org.umberdial.core.stands.Stands;
import org.umberdial.core.volts.VoltsArea;

/**
 * A set with a long log: everything its front page and its Volts screen show, from the log's entries ({@code opened}),
 * and after one more reading when the log before it is held ({@code nextReading}).
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 3, time = 2)
@Fork(1)
public class LogBenchmark {
    @Param({"100", "20000"})
    private int entries;

    private BenchSet set;
    private List<LogEntry> kept;
    private EvidenceLog log;
    private LogEntry next;

    @Setup
    public void load() throws IOException {
        try (InputStream in = ConstructionClass.class.getResourceAsStream("/org/umberdial/core/demo/fm-superhet.cir")) {
            Deck deck = DeckReader.read(new String(in.readAllBytes(), StandardCharsets.UTF_8));
            List<TestPoint> points = deck.sockets().stream()
                    .flatMap(socket -> socket.pins().values().stream())
                    .distinct()
                    .filter(node -> !node.equals("0"))
                    .limit(20)
                    .map(node -> new TestPoint(node, node, node, "", "", ""))
                    .toList();
            set = new BenchSet(
                    ConstructionClass.MAINS_TRANSFORMER,
                    CircuitImport.parts(deck),
                    deck.sockets(),
                    points,
                    List.of(),
                    deck.modes(),
                    deck.models(),
                    List.of());
        }
        kept = new ArrayList<>();
        for (int i = 0; i < entries; i++) {
            kept.add(entry(i));
        }
        log = new EvidenceLog(kept);
        log.readings();
        next = entry(entries);
    }

    private LogEntry entry(int i) {
        Metered read = new Metered(
                set.testPoints().get(i % set.testPoints().size()).node(),
                "0",
                ReadingKind.DC,
                100 + i % 17,
                230,
                "10M",
                "",
                5.0,
                "");
        return new LogEntry("r" + i, read, Instant.EPOCH.plusSeconds(60L * i), "bench", Optional.empty(), false);
    }

    @Benchmark
    public Object opened() {
        return all(new EvidenceLog(kept));
    }

    @Benchmark
    public Object nextReading() {
        return all(log.and(List.of(next)));
    }

    private Object all(EvidenceLog of) {
        SetFile file = Areas.open(new SetFile.Contents(
                set,
                Set.of(),
                SupplyLabel.UNKNOWN,
                HousePolicy.standard(),
                new Bench(230, Optional.of(Meter.parse("10M")), 0.01, ""),
                of,
                0,
                new Kit(List.of())));
        return List.of(VoltsArea.report(file), Stands.of(file));
    }
}
