package org.umberdial.core;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.evidence.ReadingLog;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.CircuitImport;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.SheetValue;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.value.CsvLine;

/** Builds sets, sheets and logs for tests from short text. */
public final class Sets {
    private Sets() {}

    public static String resource(String name) {
        try (InputStream in = Sets.class.getResourceAsStream("demo/" + name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** @param sheet lines of {@code node,volts} */
    public static BenchSet set(String deckText, double line, String meter, String... sheet) {
        Deck deck = DeckReader.read(deckText);
        List<SheetValue> values = new ArrayList<>();
        for (String row : sheet) {
            String[] cells = row.split(",");
            values.add(new SheetValue(
                    cells[0],
                    "0",
                    ReadingKind.DC,
                    Double.parseDouble(cells[1]),
                    line,
                    Optional.of(Meter.parse(meter)),
                    ""));
        }
        return new BenchSet(
                ConstructionClass.SERIES_STRING,
                CircuitImport.parts(deck),
                deck.sockets(),
                CircuitImport.testPoints(deck, TubeData.shipped()),
                values,
                deck.modes());
    }

    public static BenchSet demo(String name) {
        Deck deck = DeckReader.read(resource(name + ".cir"));
        List<SheetValue> values = resource(name + "-sheet.csv")
                .lines()
                .skip(1)
                .map(CsvLine::split)
                .map(c -> new SheetValue(
                        c.get(0),
                        "0",
                        ReadingKind.valueOf(c.get(2)),
                        Double.parseDouble(c.get(3)),
                        Double.parseDouble(c.get(5)),
                        Optional.of(Meter.parse(c.get(6))),
                        c.get(7)))
                .toList();
        return new BenchSet(
                ConstructionClass.SERIES_STRING,
                CircuitImport.parts(deck),
                deck.sockets(),
                CircuitImport.testPoints(deck, TubeData.shipped()),
                values,
                deck.modes());
    }

    /** @param rows lines of {@code subject,value} */
    public static ReadingLog log(double line, String meter, String... rows) {
        List<Reading> readings = new ArrayList<>();
        for (String row : rows) {
            String[] cells = row.split(",");
            readings.add(reading(
                    cells[0],
                    Double.parseDouble(cells[1]),
                    line,
                    meter,
                    cells.length > 2 ? cells[2] : "",
                    readings.size()));
        }
        return new ReadingLog(readings);
    }

    public static Reading reading(String subject, double value, double line, String meter, String lifted, int second) {
        ReadingKind kind = subject.startsWith("R") ? ReadingKind.OHMS : ReadingKind.DC;
        return reading(kind, subject, value, line, meter, lifted, second);
    }

    public static Reading ohms(String node, double ohms, int second) {
        return reading(ReadingKind.OHMS, node, ohms, 117, "10M", "", second);
    }

    public static Reading ripple(String node, double volts, double line, int second) {
        return reading(ReadingKind.AC, node, volts, line, "10M", "", second);
    }

    /** On DC, in one of the set's modes. */
    public static Reading in(String mode, String node, double volts, double line, int second) {
        return reading(ReadingKind.DC, node, volts, line, "10M", mode, "", second);
    }

    private static Reading reading(
            ReadingKind kind, String subject, double value, double line, String meter, String lifted, int second) {
        return reading(kind, subject, value, line, meter, "", lifted, second);
    }

    private static Reading reading(
            ReadingKind kind,
            String subject,
            double value,
            double line,
            String meter,
            String mode,
            String lifted,
            int second) {
        return new Reading(
                "r" + second,
                subject,
                "0",
                kind,
                value,
                line,
                Optional.of(Meter.parse(meter)),
                mode,
                OptionalDouble.empty(),
                Instant.ofEpochSecond(1_000_000 + second),
                lifted,
                Optional.empty(),
                false);
    }
}
