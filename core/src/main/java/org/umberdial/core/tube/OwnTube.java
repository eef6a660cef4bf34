package org.umberdial.core.tube;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.SpreadsheetCell;

/**
 * A tube type as a shop itself knows it, in the columns of the open table {@code tube-points.csv}: one row for each
 * published point, or one of the section {@code heater} where only pins and heater are known.
 *
 * @param name upper case, without blanks
 * @param rows cells by column, numbers as plain decimals in the column's unit; at least one row
 */
public record OwnTube(String name, List<Map<String, String>> rows) {
    private static final int MOST_POINTS = 12;
    private static final Pattern NAME = Pattern.compile("[A-Z0-9][A-Z0-9/+]{0,19}");
    /** The columns of the file, in its order. */
    public static final List<String> COLUMNS = TubeColumns.ALL;

    /**
     * A type from its rows as somebody typed them: a decimal comma is read, and a figure that cannot be of the same
     * tube as the others makes its row one of low confidence.
     *
     * @param typed cells by column; columns of no meaning are left out
     * @throws InvalidEntry at the column whose cell cannot be taken; for a point, its number and the column as
     *     {@code 2/Va}
     */
    public static OwnTube of(String name, List<Map<String, String>> typed) {
        String plain = TubeNames.plain(name);
        if (!NAME.matcher(plain).matches()) {
            throw new InvalidEntry(
                            InvalidEntry.Code.SYNTAX, "A type is letters and digits, at most 20, such as 6V6 or EL84.")
                    .at("type");
        }
        if (typed.isEmpty() || typed.size() > MOST_POINTS) {
            throw new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, "A type has one to " + MOST_POINTS + " rows.")
                    .at("section");
        }
        List<Map<String, String>> rows = new ArrayList<>();
        Map<String, Integer> points = new HashMap<>();
        for (int i = 0; i < typed.size(); i++) {
            Map<String, String> row = TubeColumns.row(plain, typed.get(i), i + 1);
            row.put("point", String.valueOf(points.merge(row.get("section"), 1, Integer::sum)));
            rows.add(Map.copyOf(row));
        }
        TubeColumns.requireComplete(rows);
        return new OwnTube(plain, List.copyOf(rows)).weighed();
    }

    /** A listed type in the same rows, to start a shop's own from. */
    public static OwnTube from(TubeType type) {
        List<Map<String, String>> rows = new ArrayList<>();
        for (TubePoint point : type.points()) {
            Map<String, String> row = new HashMap<>();
            row.put("section", point.kind());
            row.put("point", String.valueOf(point.number()));
            put(row, "Va", point.plateVolts(), 1);
            put(row, "Vg2", point.screenVolts(), 1);
            put(row, "Vg1", point.gridVolts(), 1);
            put(row, "Vg3", point.grid3Volts(), 1);
            put(row, "Ia_mA", point.plateAmperes(), 1e3);
            put(row, "Ig2_mA", point.screenAmperes(), 1e3);
            put(row, "Ig1_mA", point.gridAmperes(), 1e3);
            put(row, "gm_mA_V", point.transconductanceSiemens(), 1e3);
            put(row, "rp_kohm", point.plateOhms(), 1e-3);
            put(row, "mu", point.amplification(), 1);
            put(row, "Pa_max_W", point.mostPlateWatts(), 1);
            put(row, "Va_max", point.mostPlateVolts(), 1);
            row.put("confidence", point.confidence().name().toLowerCase(Locale.ROOT));
            rows.add(row);
        }
        if (rows.isEmpty()) {
            rows.add(new HashMap<>(Map.of("section", "heater")));
        }
        Map<String, String> first = rows.get(0);
        TubeLimits limits = type.limits();
        put(first, "rect_Idc_max_mA", limits.rectifierAmperes(), 1e3);
        put(first, "rect_Vac_rms_max", limits.rectifierVolts(), 1);
        put(first, "rect_drop_V", limits.dropVolts(), 1);
        put(first, "rect_drop_at_mA", limits.dropAmperes(), 1e3);
        put(first, "rect_C_max_uF", limits.reservoirFarads(), 1e6);
        put(first, "rect_Rs_min_ohm", limits.seriesOhms(), 1);
        put(first, "heater_V", type.heaterVolts(), 1);
        put(first, "heater_A", type.heaterAmperes(), 1);
        put(first, "tap_fraction", type.heaterTap(), 1);
        put(first, "seconds", OptionalDouble.of(type.warmUpSeconds()), 1);
        first.put("class", type.use().name().toLowerCase(Locale.ROOT));
        first.put("base", type.base());
        first.put("pinout", type.pinout());
        first.put("warm_up", type.warmUp());
        first.put("equivalents", String.join("|", type.sisters()));
        first.put("note", type.note());
        return new OwnTube(TubeNames.plain(type.name()), rows);
    }

    private static void put(Map<String, String> row, String column, OptionalDouble value, double factor) {
        value.ifPresent(v -> row.put(
                column,
                TubeColumns.shown(new java.math.BigDecimal(v * factor)
                        .round(new java.math.MathContext(6))
                        .doubleValue())));
    }

    /** The same, trusted no further than to expect something: a type that came from elsewhere. */
    public OwnTube unsure() {
        return new OwnTube(
                name,
                rows.stream()
                        .map(row -> {
                            Map<String, String> unsure = new HashMap<>(row);
                            unsure.put("confidence", "low");
                            return Map.copyOf(unsure);
                        })
                        .toList());
    }

    /** The type as the rest of the tube data has it. */
    public TubeType type() {
        return TubeData.type(name, rows, rows.get(0));
    }

    /** The same with low confidence where its figures do not fit together. */
    private OwnTube weighed() {
        List<Optional<String>> doubts = PointDoubts.of(type());
        List<Map<String, String>> rows = new ArrayList<>();
        for (int i = 0; i < this.rows.size(); i++) {
            Map<String, String> row = new HashMap<>(this.rows.get(i));
            if (doubts.get(i).isPresent()) {
                row.put("confidence", "low");
            }
            rows.add(Map.copyOf(row));
        }
        return new OwnTube(name, List.copyOf(rows));
    }

    /**
     * What is not known of it or does not fit together, in sentences; such a point helps to expect and accuses nobody.
     */
    public List<String> says() {
        TubeType type = type();
        List<String> says = new ArrayList<>(type.lacks());
        says.addAll(doubts());
        return says;
    }

    /** What of its figures does not fit together, in sentences. */
    public List<String> doubts() {
        return PointDoubts.of(type()).stream().flatMap(Optional::stream).toList();
    }

    /** The rows as an open file with a header line. */
    public static String csv(List<OwnTube> tubes) {
        return Stream.concat(
                        Stream.of(String.join(",", COLUMNS)),
                        tubes.stream()
                                .flatMap(tube -> tube.rows.stream())
                                .map(row -> COLUMNS.stream()
                                        .map(column -> cell(row.getOrDefault(column, "")))
                                        .collect(Collectors.joining(","))))
                .collect(Collectors.joining("\n", "", "\n"));
    }

    private static String cell(String text) {
        String safe = SpreadsheetCell.written(text);
        return safe.indexOf(',') >= 0 || safe.indexOf('"') >= 0 ? '"' + safe.replace("\"", "\"\"") + '"' : safe;
    }

    /**
     * The types of such a file, in its order.
     *
     * @throws InvalidEntry as {@link #of}, with the type and the place in it in the sentence
     */
    public static List<OwnTube> read(String csv) {
        return of(TubeTable.rows(new java.io.StringReader(csv)));
    }

    /** Types from rows of any order; rows of one type belong together. */
    public static List<OwnTube> of(List<Map<String, String>> rows) {
        Map<String, List<Map<String, String>>> byType = new LinkedHashMap<>();
        rows.forEach(
                row -> byType.computeIfAbsent(TubeNames.plain(row.getOrDefault("type", "")), type -> new ArrayList<>())
                        .add(row));
        return byType.entrySet().stream()
                .map(type -> named(type.getKey(), type.getValue()))
                .toList();
    }

    private static OwnTube named(String name, List<Map<String, String>> rows) {
        try {
            return of(name, rows);
        } catch (InvalidEntry refused) {
            throw new InvalidEntry(
                    refused.code(), "tube data, " + name + ", at " + refused.field() + ": " + refused.getMessage());
        }
    }
}
