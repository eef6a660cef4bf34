package org.umberdial.benchmark;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
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
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.evidence.ReadingLog;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.CircuitImport;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.SheetValue;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.value.CsvLine;
import org.umberdial.core.volts.VoltsJudge;
import org.umberdial.core.volts.VoltsReport;

/** How long it takes to judge a whole set: everything the Volts screen shows after a reading. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class VoltsBenchmark {
    private BenchSet set;
    private ReadingLog log;
    private Bench bench;
    private String deckText;

    @Setup
    public void load() throws IOException {
        deckText = resource("table-set.cir");
        Deck deck = DeckReader.read(deckText);
        List<SheetValue> sheet = rows("table-set-sheet.csv").stream()
                .map(c -> new SheetValue(
                        c.get(0),
                        "0",
                        ReadingKind.DC,
                        Double.parseDouble(c.get(3)),
                        Double.parseDouble(c.get(5)),
                        Optional.of(Meter.parse(c.get(6))),
                        ""))
                .toList();
        List<Reading> readings = new ArrayList<>();
        for (List<String> c : rows("table-set-readings.csv")) {
            readings.add(new Reading(
                    "r" + readings.size(),
                    c.get(0),
                    "0",
                    ReadingKind.DC,
                    Double.parseDouble(c.get(3)),
                    Double.parseDouble(c.get(5)),
                    Optional.of(Meter.parse(c.get(6))),
                    "",
                    OptionalDouble.empty(),
                    Instant.parse(c.get(9)),
                    "",
                    Optional.empty(),
                    false));
        }
        set = new BenchSet(
                ConstructionClass.SERIES_STRING,
                CircuitImport.parts(deck),
                deck.sockets(),
                CircuitImport.testPoints(deck, TubeData.shipped()),
                sheet,
                List.of());
        log = new ReadingLog(readings);
        bench = new Bench(121.4, Optional.of(Meter.parse("10M")), 0.01, "");
    }

    @Benchmark
    public VoltsReport judgeFaultySet() {
        return VoltsJudge.judge(set, log, HousePolicy.standard(), bench);
    }

    @Benchmark
    public Deck readDeck() {
        return DeckReader.read(deckText);
    }

    private static List<List<String>> rows(String name) throws IOException {
        return resource(name).lines().skip(1).map(CsvLine::split).toList();
    }

    private static String resource(String name) throws IOException {
        try (InputStream in = BenchSet.class.getResourceAsStream("/org/umberdial/core/demo/" + name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }
}
