package org.umberdial.server.exchange.internal;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.umberdial.core.catalogue.OwnItem;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.evidence.ReadingLog;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.set.SheetValue;
import org.umberdial.core.tube.OwnTube;
import org.umberdial.core.value.SpreadsheetCell;
import org.umberdial.server.evidence.KeptEntry;

/** The shapes of our CSV files. */
public final class CsvFiles {
    private static final List<String> READING_COLUMNS = List.of(
            "point", "reference", "kind", "value", "unit", "line_v", "meter", "mode", "minutes", "taken_at", "note");
    private static final List<String> SHEET_COLUMNS =
            List.of("point", "reference", "kind", "value", "unit", "line_v", "meter", "mode");
    private static final List<String> PART_COLUMNS = List.of(
            "reference",
            "value",
            "volts",
            "watts",
            "tolerance",
            "kind",
            "from",
            "to",
            "date",
            "can",
            "mark",
            "description");
    private static final List<String> NEEDED = List.of("point", "value");
    private static final List<String> NEEDED_OF_PARTS = List.of("reference", "value");

    /** One data row; {@code key} is the same for rows of the same content. */
    public record Line(long number, String key, DelimitedText.Row row) {
        public String cell(String column) {
            return row.cell(column);
        }
    }

    /** @param cells by the open table's columns */
    public record TubeLine(long number, Map<String, String> cells) {}

    public record TubeRows(List<TubeLine> lines, List<String> notes) {}

    public record Rows(List<Line> lines, List<String> notes) {}

    private CsvFiles() {}

    /** Rows of tube types, by the open table's own column names whatever case the file has them in. */
    public static TubeRows tubes(byte[] bytes) {
        Map<String, String> columns =
                OwnTube.COLUMNS.stream().collect(Collectors.toMap(c -> c.toLowerCase(Locale.ROOT), c -> c));
        List<String> known = OwnTube.COLUMNS.stream()
                .map(c -> c.toLowerCase(Locale.ROOT))
                .collect(Collectors.toCollection(ArrayList::new));
        known.addAll(List.of("point", "use"));
        DelimitedText text = new DelimitedText(bytes, known, List.of("type"));
        return new TubeRows(
                text.rows().stream()
                        .map(row -> new TubeLine(
                                row.line(),
                                row.cells().entrySet().stream()
                                        .filter(cell -> columns.containsKey(cell.getKey()))
                                        .collect(Collectors.toMap(
                                                cell -> columns.get(cell.getKey()), Map.Entry::getValue))))
                        .toList(),
                text.notes());
    }

    public static Rows readings(byte[] bytes) {
        return rows(bytes, READING_COLUMNS, NEEDED);
    }

    public static Rows sheet(byte[] bytes) {
        return rows(bytes, SHEET_COLUMNS, NEEDED);
    }

    public static Rows parts(byte[] bytes) {
        return rows(bytes, PART_COLUMNS, NEEDED_OF_PARTS);
    }

    /** A shop's own catalogue. */
    public static Rows catalogue(byte[] bytes) {
        List<String> columns = new ArrayList<>(OwnItem.COLUMNS);
        columns.add("price");
        return rows(bytes, columns.stream().map(c -> c.toLowerCase(Locale.ROOT)).toList(), List.of("part", "kind"));
    }

    /** Prices of items by the name they are ordered under; what a shopping list has beside is passed over. */
    public static Rows prices(byte[] bytes) {
        return rows(
                bytes,
                List.of("item", "price", "quantity", "needed", "on_hand", "ordered", "spares", "for"),
                List.of("item", "price"));
    }

    /** Resistors, capacitors and windings, and each tube's socket with its type; the deck carries the rest. */
    public static String writeParts(BenchSet set) {
        List<List<String>> rows = new ArrayList<>();
        for (Part part : set.parts()) {
            if (part.unit().isPresent()
                    && "RCL".indexOf(part.card().letter()) >= 0
                    && part.nodes().size() == 2) {
                String value = part.workingValue()
                                .map(v -> plain(part.card().letter() == 'C' ? v * 1e12 : v))
                                .orElse("")
                        + (part.card().letter() == 'C' ? " pF" : "");
                rows.add(List.of(
                        part.reference(),
                        value,
                        key(part, "volt"),
                        key(part, "watt"),
                        key(part, "tol"),
                        part.card().key("kind").orElse(""),
                        part.nodes().get(0),
                        part.nodes().get(1),
                        key(part, "date"),
                        key(part, "can"),
                        key(part, "mark"),
                        part.description()));
            }
        }
        set.sockets()
                .forEach(socket -> rows.add(List.of(
                        socket.socket(),
                        socket.type(),
                        "",
                        "",
                        "",
                        "tube",
                        "",
                        "",
                        set.part("X" + socket.socket())
                                .map(part -> key(part, "date"))
                                .orElse(""),
                        "",
                        "",
                        "")));
        return write(PART_COLUMNS, rows);
    }

    private static String key(Part part, String name) {
        return part.card().key(name).orElse("");
    }

    private static Rows rows(byte[] bytes, List<String> columns, List<String> needed) {
        DelimitedText text = new DelimitedText(bytes, columns, needed);
        return new Rows(
                text.rows().stream()
                        .map(row -> new Line(
                                row.line(), columns.stream().map(row::cell).collect(Collectors.joining("\u001f")), row))
                        .toList(),
                text.notes());
    }

    /** Readings that stand, with points by node so that the file reads back into any copy of the set. */
    /** Readings that stand and were taken with nothing lifted; the bundle's log has the others too. */
    public static String writeReadings(List<KeptEntry> kept, BenchSet set) {
        Map<String, String> notes =
                kept.stream().collect(Collectors.toMap(k -> k.entry().id(), KeptEntry::note, (a, b) -> b));
        ReadingLog readings =
                new EvidenceLog(kept.stream().map(KeptEntry::entry).toList()).readings();
        return write(
                READING_COLUMNS,
                readings.standing().stream()
                        .filter(Reading::undisturbed)
                        .map(r -> List.of(
                                r.subject(),
                                r.reference(),
                                r.kind().name(),
                                plain(r.value()),
                                r.kind().unit().symbol(),
                                plain(r.lineVolts()),
                                r.meter().map(Meter::notation).orElse(""),
                                r.mode(),
                                r.minutesOn().isPresent()
                                        ? plain(Math.round(r.minutesOn().getAsDouble() * 10) / 10.0)
                                        : "",
                                r.takenAt().toString(),
                                notes.getOrDefault(r.id(), "")))
                        .toList());
    }

    public static String writeSheet(List<SheetValue> sheet) {
        return write(
                SHEET_COLUMNS,
                sheet.stream()
                        .map(v -> List.of(
                                v.node(),
                                v.reference(),
                                v.kind().name(),
                                plain(v.value()),
                                v.kind().unit().symbol(),
                                plain(v.lineVolts()),
                                v.meter().map(Meter::notation).orElse(""),
                                v.mode()))
                        .toList());
    }

    public static String write(List<String> columns, List<List<String>> rows) {
        StringBuilder out = new StringBuilder();
        try (CSVPrinter printer = new CSVPrinter(out, CSVFormat.RFC4180)) {
            printer.printRecord(columns);
            for (List<String> row : rows) {
                printer.printRecord(row.stream().map(SpreadsheetCell::written).toList());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    private static String plain(double value) {
        return BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }
}
