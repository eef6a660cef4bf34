package org.umberdial.server.exchange;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.core.area.Bench;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.circuit.deck.DeckWriter;
import org.umberdial.core.entry.EntryGrammar;
import org.umberdial.core.entry.PartLine;
import org.umberdial.core.entry.PartShorthand;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.SheetValue;
import org.umberdial.core.set.TestPoint;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;
import org.umberdial.core.value.ValueReader;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.evidence.ReadingService;
import org.umberdial.server.exchange.internal.CsvFiles;
import org.umberdial.server.security.Caller;
import org.umberdial.server.sets.ChartService;
import org.umberdial.server.sets.CircuitService;
import org.umberdial.server.sets.SetService;
import org.umberdial.server.sets.StoredSet;
import org.umberdial.server.shop.Shop;
import org.umberdial.server.shop.ShopService;

/** Readings, sheets and circuits from and to open files. */
@Service
public class ExchangeService {
    private final SetService sets;
    private final ChartService charts;
    private final CircuitService circuits;
    private final ReadingService readings;
    private final EvidenceService evidence;
    private final ShopService shops;

    public ExchangeService(
            SetService sets,
            ChartService charts,
            CircuitService circuits,
            ReadingService readings,
            EvidenceService evidence,
            ShopService shops) {
        this.evidence = evidence;
        this.sets = sets;
        this.charts = charts;
        this.circuits = circuits;
        this.readings = readings;
        this.shops = shops;
    }

    /**
     * Takes readings from a CSV file. Good rows go in, bad ones are listed. A row's id follows from its content and how
     * often the same content stood before it in the file, so the same file twice adds nothing and two equal rows are
     * two readings.
     */
    @Transactional
    public ReadingFile importReadings(Caller caller, String setId, byte[] bytes, String fileName) {
        StoredSet set = sets.set(caller.shopId(), setId);
        Cells cells = cells(caller, set);
        Bench bench = readings.bench(caller.shopId(), set);
        CsvFiles.Rows file = CsvFiles.readings(bytes);
        Map<String, Integer> seen = new HashMap<>();
        List<ReadingFile.BadLine> refused = new ArrayList<>();
        int added = 0;
        int known = 0;
        for (CsvFiles.Line line : file.lines()) {
            int copy = seen.merge(line.key(), 1, Integer::sum);
            String id = UUID.nameUUIDFromBytes(
                            (setId + "\n" + line.key() + "\n" + copy).getBytes(StandardCharsets.UTF_8))
                    .toString();
            try {
                Reading reading = reading(id, line, cells, bench);
                if (readings.keep(
                        caller, setId, reading, "file " + shortened(fileName), shortened(line.cell("note")))) {
                    added++;
                } else {
                    known++;
                }
            } catch (InvalidEntry bad) {
                refused.add(new ReadingFile.BadLine((int) line.number(), bad.getMessage()));
            }
        }
        return new ReadingFile(added, known, refused, file.notes());
    }

    /**
     * Takes sheet values from a CSV file; one for the same point, reference, kind and mode replaces the earlier. To a
     * set without a circuit the sheet brings its points along.
     */
    @Transactional
    public ReadingFile importSheet(Caller caller, String setId, byte[] bytes) {
        CsvFiles.Rows file = CsvFiles.sheet(bytes);
        StoredSet set = sets.set(caller.shopId(), setId);
        if (set.set().parts().isEmpty()) {
            set = withPointsOf(file, caller.shopId(), set);
        }
        Cells cells = cells(caller, set);
        List<ReadingFile.BadLine> refused = new ArrayList<>();
        int added = 0;
        int known = 0;
        for (CsvFiles.Line line : file.lines()) {
            try {
                ReadingKind kind = cells.kind(line);
                double lineVolts = line.cell("line_v").isEmpty() ? ownLine(set, cells) : cells.volts(line, "line_v");
                SheetValue value = new SheetValue(
                        cells.point(line.cell("point")),
                        cells.reference(line),
                        kind,
                        cells.value(line, kind),
                        new Bench(lineVolts, Optional.empty(), 0, "").lineVolts(),
                        cells.meter(line),
                        cells.mode(line));
                if (set.set().sheet().contains(value)) {
                    known++;
                } else {
                    charts.putSheet(caller.shopId(), setId, List.of(value));
                    added++;
                }
            } catch (InvalidEntry bad) {
                refused.add(new ReadingFile.BadLine((int) line.number(), bad.getMessage()));
            }
        }
        return new ReadingFile(added, known, refused, file.notes());
    }

    private StoredSet withPointsOf(CsvFiles.Rows file, String shopId, StoredSet set) {
        List<TestPoint> points = new ArrayList<>(set.set().testPoints());
        for (CsvFiles.Line line : file.lines()) {
            TestPoint point = TestPoint.named(line.cell("point"), "");
            boolean known = points.stream()
                    .anyMatch(p -> p.node().equals(point.node()) || p.name().equalsIgnoreCase(point.name()));
            if (!known && !point.node().isEmpty() && !point.node().equals("0")) {
                points.add(point);
            }
        }
        return charts.replaceTestPoints(shopId, set.id(), points);
    }

    /** The line voltage a sheet without one was taken at: the set's own, as its selector, label or circuit has it. */
    private static double ownLine(StoredSet set, Cells cells) {
        return set.arrival()
                .supply()
                .expectedLine()
                .orElseGet(() -> set.set().cards().stream()
                        .filter(card -> card.kind().equals("line"))
                        .findFirst()
                        .flatMap(card -> card.value())
                        .orElse(cells.shop.policy().lineVolts()));
    }

    /** Takes parts from a CSV file, each row as a line of parts shorthand; one that is there already is changed. */
    @Transactional
    public ReadingFile importParts(Caller caller, String setId, byte[] bytes) {
        CsvFiles.Rows file = CsvFiles.parts(bytes);
        StoredSet set = sets.set(caller.shopId(), setId);
        DecimalSign sign = shops.shop(caller.shopId()).policy().decimalSign();
        Set<String> seen = new HashSet<>();
        List<ReadingFile.BadLine> refused = new ArrayList<>();
        int added = 0;
        int known = 0;
        for (CsvFiles.Line line : file.lines()) {
            try {
                if (!seen.add(line.cell("reference").toUpperCase(Locale.ROOT))) {
                    throw new InvalidEntry(
                            InvalidEntry.Code.DUPLICATE,
                            line.cell("reference")
                                    + " stands twice in this file; each part has a reference of its own.");
                }
                PartLine part = new PartShorthand(set.set(), sign).read(shorthand(line));
                set = circuits.putParts(caller.shopId(), setId, part, Map.of());
                added += part.known().isEmpty() ? 1 : 0;
                known += part.known().isEmpty() ? 0 : 1;
            } catch (InvalidEntry bad) {
                refused.add(new ReadingFile.BadLine((int) line.number(), bad.getMessage()));
            }
        }
        List<String> notes = new ArrayList<>(file.notes());
        if (known > 0) {
            notes.add(
                    known + (known == 1 ? " part was" : " parts were") + " there already and took the file's values.");
        }
        return new ReadingFile(added, known, refused, notes);
    }

    private static String shorthand(CsvFiles.Line line) {
        StringBuilder text =
                new StringBuilder(line.cell("reference")).append(' ').append(line.cell("value"));
        if (!line.cell("from").isEmpty() || !line.cell("to").isEmpty()) {
            put(text, line.cell("volts"), "V");
            put(text, line.cell("watts"), "W");
            put(text, line.cell("tolerance").replace("%", ""), "%");
            put(text, line.cell("kind").replace(' ', '_'), "");
            text.append(' ').append(line.cell("from")).append('-').append(line.cell("to"));
        }
        for (String key : List.of("date", "can", "mark")) {
            if (!line.cell(key).isEmpty()) {
                text.append(' ')
                        .append(key)
                        .append("=\"")
                        .append(line.cell(key).replace("\"", ""))
                        .append('"');
            }
        }
        return line.cell("description").isEmpty()
                ? text.toString()
                : text.append(" \"")
                        .append(line.cell("description").replace("\"", ""))
                        .append('"')
                        .toString();
    }

    private static void put(StringBuilder text, String cell, String unit) {
        if (!cell.isEmpty()) {
            text.append(' ').append(cell).append(unit);
        }
    }

    public String exportParts(String shopId, String setId) {
        return CsvFiles.writeParts(sets.set(shopId, setId).set());
    }

    /**
     * Takes the circuit from a SPICE deck. Part lines that cannot be read are told; the set is incomplete until they
     * are mended.
     */
    @Transactional
    public ReadingFile importCircuit(Caller caller, String setId, byte[] bytes) {
        DeckReader.Partial read = DeckReader.readWhatIsThere(new String(bytes, StandardCharsets.UTF_8));
        circuits.replaceCircuit(caller.shopId(), setId, read);
        List<ReadingFile.BadLine> refused = read.faults().stream()
                .map(fault -> new ReadingFile.BadLine(fault.line(), fault.text()))
                .toList();
        return new ReadingFile(
                read.deck().cards().size(), 0, refused, read.deck().notes());
    }

    public String exportReadings(String shopId, String setId) {
        StoredSet set = sets.set(shopId, setId);
        return CsvFiles.writeReadings(evidence.kept(shopId, setId), set.set());
    }

    public String exportSheet(String shopId, String setId) {
        return CsvFiles.writeSheet(sets.set(shopId, setId).set().sheet());
    }

    public String exportCircuit(String shopId, String setId) {
        return DeckWriter.write(sets.set(shopId, setId).deck());
    }

    private Cells cells(Caller caller, StoredSet set) {
        Shop shop = shops.shop(caller.shopId());
        return new Cells(
                set,
                shop,
                new EntryGrammar(set.set(), shop.policy().decimalSign()),
                new ValueReader(shop.policy().decimalSign()));
    }

    private static Reading reading(String id, CsvFiles.Line line, Cells cells, Bench bench) {
        ReadingKind kind = cells.kind(line);
        double lineVolts = line.cell("line_v").isEmpty()
                ? bench.lineVolts()
                : new Bench(cells.volts(line, "line_v"), Optional.empty(), 0, "").lineVolts();
        Optional<Meter> meter = line.cell("meter").isEmpty() ? bench.meter() : cells.meter(line);
        OptionalDouble minutes =
                line.cell("minutes").isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(cells.minutes(line));
        String mode = line.cell("mode").isEmpty() ? bench.mode() : cells.mode(line);
        String subject = kind == ReadingKind.OHMS
                        && cells.set.set().part(line.cell("point")).isPresent()
                ? line.cell("point").toUpperCase(Locale.ROOT)
                : cells.point(line.cell("point"));
        return new Reading(
                id,
                subject,
                cells.reference(line),
                kind,
                cells.value(line, kind),
                lineVolts,
                meter,
                mode,
                minutes,
                cells.time(line),
                "",
                Optional.empty(),
                false);
    }

    private static String shortened(String text) {
        return text.length() > 110 ? text.substring(0, 110) : text;
    }

    /** Reads the cells of a row in the terms of one set and its shop. */
    private record Cells(StoredSet set, Shop shop, EntryGrammar grammar, ValueReader values) {
        String point(String name) {
            if (name.isEmpty()) {
                throw new InvalidEntry(
                        InvalidEntry.Code.EMPTY, "The point is missing; write its name or node, such as V4 plate.");
            }
            return grammar.point(name).node();
        }

        String reference(CsvFiles.Line line) {
            String name = line.cell("reference").toLowerCase(Locale.ROOT);
            return name.isEmpty()
                            || name.equals("0")
                            || name.equals("chassis")
                                    && set.set().pointAt("chassis").isEmpty()
                            || name.equals("minus rail")
                    ? "0"
                    : point(line.cell("reference"));
        }

        ReadingKind kind(CsvFiles.Line line) {
            String kind = line.cell("kind");
            return kind.isEmpty()
                    ? ReadingKind.DC
                    : ReadingKind.named(kind)
                            .orElseThrow(() -> new InvalidEntry(
                                    InvalidEntry.Code.UNKNOWN,
                                    "“" + kind + "” is no kind of reading; write DC, AC or ohms."));
        }

        double value(CsvFiles.Line line, ReadingKind kind) {
            String text =
                    line.cell("value") + (line.cell("value").matches(".*[0-9.,]$") ? " " + line.cell("unit") : "");
            double value = values.read(text.strip(), kind.unit()).value();
            if (kind != ReadingKind.DC && value < 0) {
                throw new InvalidEntry(
                        InvalidEntry.Code.OUT_OF_RANGE,
                        "“" + text.strip() + "” has a sign; AC and ohms readings have none.");
            }
            return value;
        }

        double volts(CsvFiles.Line line, String column) {
            return values.read(line.cell(column), Unit.VOLT).value();
        }

        double minutes(CsvFiles.Line line) {
            double minutes = values.number(line.cell("minutes"));
            if (!(minutes >= 0 && minutes < 100_000)) {
                throw new InvalidEntry(
                        InvalidEntry.Code.OUT_OF_RANGE,
                        "“" + line.cell("minutes") + "” minutes since switch-on cannot be; give 0 or more.");
            }
            return minutes;
        }

        Optional<Meter> meter(CsvFiles.Line line) {
            return line.cell("meter").isEmpty() ? Optional.empty() : Optional.of(Meter.parse(line.cell("meter")));
        }

        String mode(CsvFiles.Line line) {
            String mode = line.cell("mode");
            if (mode.isEmpty()) {
                return "";
            }
            return set.set().modes().stream()
                    .filter(mode::equalsIgnoreCase)
                    .findFirst()
                    .orElseThrow(() -> new InvalidEntry(
                            InvalidEntry.Code.UNKNOWN,
                            "“" + mode + "” is no mode of this set; it has "
                                    + (set.set().modes().isEmpty()
                                            ? "none"
                                            : String.join(", ", set.set().modes())) + "."));
        }

        Instant time(CsvFiles.Line line) {
            String text = line.cell("taken_at");
            if (text.isEmpty()) {
                return Instant.now();
            }
            try {
                return text.matches(".*(Z|[+-][0-9]{2}:?[0-9]{2})$")
                        ? OffsetDateTime.parse(text.replace(' ', 'T')).toInstant()
                        : local(text, shop.timeZone());
            } catch (DateTimeParseException e) {
                throw new InvalidEntry(
                        InvalidEntry.Code.SYNTAX,
                        "“" + text + "” is no time; write 2026-11-21T18:04 in the shop's time, or with Z for UTC.");
            }
        }

        private static Instant local(String text, ZoneId zone) {
            String full = text.length() == 10 ? text + "T00:00" : text.replace(' ', 'T');
            return LocalDateTime.parse(full).atZone(zone).toInstant();
        }
    }
}
