package org.umberdial.core.tube;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
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
    private static final int LONGEST_CELL = 200;
    private static final Pattern NAME = Pattern.compile("[A-Z0-9][A-Z0-9/+]{0,19}");
    private static final Pattern PINS =
            Pattern.compile("((?:\\d{1,2}|cap\\d?)=\\S(?:.*?\\S)?)(?:\\s+(?:\\d{1,2}|cap\\d?)=\\S(?:.*?\\S)?)*");
    private static final Pattern THOUSANDS = Pattern.compile("[+-]?\\d{1,3},\\d{3}");
    private static final Set<String> SECTIONS =
            Set.of("heater", "triode", "pentode", "beam", "tetrode", "heptode", "hexode", "rectifier", "triode_osc");
    /** What each kind of section must say before its currents can be expected. */
    private static final Map<String, List<String>> NEEDED = Map.of(
            "triode", List.of("Va", "Vg1", "Ia_mA"),
            "pentode", List.of("Va", "Vg2", "Vg1", "Ia_mA", "Ig2_mA"),
            "beam", List.of("Va", "Vg2", "Vg1", "Ia_mA", "Ig2_mA"),
            "tetrode", List.of("Va", "Vg2", "Vg1", "Ia_mA", "Ig2_mA"),
            "heptode", List.of("Va", "Vg2", "Vg1", "Ia_mA", "Ig2_mA"),
            "hexode", List.of("Va", "Vg2", "Vg1", "Ia_mA", "Ig2_mA"),
            "rectifier", List.of("rect_drop_V", "rect_drop_at_mA"));
    /** mu is gm times rp; figures further apart than this do not belong to one tube. */
    private static final double SAME_TUBE = 0.10;
    /** As near as the law of a shipped type comes to each point it was fitted to. */
    private static final double MET = 0.10;

    /** A column of numbers: what it is in words, and from where to where it is believed. */
    private record Range(String what, String unit, double least, double most) {}

    private static final Map<String, Range> NUMBERS = numbers();

    /** The columns of the file, in its order. */
    public static final List<String> COLUMNS = Stream.of(
                    Stream.of("type", "class", "section"),
                    NUMBERS.keySet().stream(),
                    Stream.of("base", "pinout", "warm_up", "equivalents", "confidence", "note"))
            .flatMap(columns -> columns)
            .toList();

    private static Map<String, Range> numbers() {
        Map<String, Range> ranges = new LinkedHashMap<>();
        ranges.put("Va", new Range("Plate volts", "V", 1, 5000));
        ranges.put("Vg2", new Range("Screen volts", "V", 1, 5000));
        ranges.put("Vg1", new Range("Grid volts", "V", -500, 100));
        ranges.put("Vg3", new Range("Volts of the third grid", "V", -500, 100));
        ranges.put("Ia_mA", new Range("Plate current", "mA", 0.001, 5000));
        ranges.put("Ig2_mA", new Range("Screen current", "mA", 0.001, 2000));
        ranges.put("Ig1_mA", new Range("Grid current", "mA", 0.001, 200));
        ranges.put("gm_mA_V", new Range("Transconductance", "mA/V", 0.001, 200));
        ranges.put("rp_kohm", new Range("Plate resistance", "kΩ", 0.01, 50_000));
        ranges.put("mu", new Range("Amplification factor", "", 0.5, 10_000));
        ranges.put("heater_V", new Range("Heater volts", "V", 0.5, 150));
        ranges.put("heater_A", new Range("Heater current", "A", 0.005, 20));
        ranges.put("Pa_max_W", new Range("Most plate watts", "W", 0.01, 2000));
        ranges.put("Va_max", new Range("Most plate volts", "V", 10, 10_000));
        ranges.put("rect_Idc_max_mA", new Range("Most direct current", "mA", 0.1, 5000));
        ranges.put("rect_Vac_rms_max", new Range("Most AC volts a plate", "V", 10, 5000));
        ranges.put("rect_drop_V", new Range("Drop", "V", 0.5, 200));
        ranges.put("rect_drop_at_mA", new Range("Current of the drop", "mA", 0.1, 5000));
        ranges.put("rect_C_max_uF", new Range("Largest first capacitor", "µF", 0.1, 10_000));
        ranges.put("rect_Rs_min_ohm", new Range("Least source resistance", "Ω", 0, 10_000));
        ranges.put("seconds", new Range("Warm-up", "s", 0.5, 120));
        ranges.put("tap_fraction", new Range("Share up to the heater tap", "", 0.01, 0.99));
        return ranges;
    }

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
            throw refused(InvalidEntry.Code.SYNTAX, "A type is letters and digits, at most 20, such as 6V6 or EL84.")
                    .at("type");
        }
        if (typed.isEmpty() || typed.size() > MOST_POINTS) {
            throw refused(InvalidEntry.Code.OUT_OF_RANGE, "A type has one to " + MOST_POINTS + " rows.")
                    .at("section");
        }
        List<Map<String, String>> rows = new ArrayList<>();
        Map<String, Integer> points = new HashMap<>();
        for (int i = 0; i < typed.size(); i++) {
            Map<String, String> row = row(plain, typed.get(i), i + 1);
            row.put("point", String.valueOf(points.merge(row.get("section"), 1, Integer::sum)));
            rows.add(Map.copyOf(row));
        }
        OwnTube tube = new OwnTube(plain, List.copyOf(rows));
        return tube.weighed();
    }

    private static Map<String, String> row(String name, Map<String, String> typed, int number) {
        Map<String, String> row = new HashMap<>();
        for (String column : COLUMNS) {
            String cell = typed.getOrDefault(column, "").strip();
            if (cell.length() > LONGEST_CELL || cell.chars().anyMatch(c -> c < ' ')) {
                throw refused(
                                InvalidEntry.Code.OUT_OF_RANGE,
                                "This is longer than " + LONGEST_CELL + " signs, or has line breaks in it.")
                        .at(number + "/" + column);
            }
            if (!cell.isEmpty()) {
                row.put(column, NUMBERS.containsKey(column) ? number(cell, column, number) : cell);
            }
        }
        row.put("type", name);
        String section = row.getOrDefault("section", "heater").toLowerCase(Locale.ROOT);
        if (!SECTIONS.contains(section)) {
            throw refused(
                            InvalidEntry.Code.UNKNOWN,
                            "“" + section + "” is no section; one is "
                                    + SECTIONS.stream().sorted().collect(Collectors.joining(", ")) + ".")
                    .at(number + "/section");
        }
        row.put("section", section);
        row.computeIfPresent("class", (column, word) -> use(word, number).name().toLowerCase(Locale.ROOT));
        row.computeIfPresent(
                "confidence", (column, word) -> Confidence.of(word).name().toLowerCase(Locale.ROOT));
        String pins = row.getOrDefault("pinout", "");
        if (!pins.isEmpty() && !PINS.matcher(pins).matches()) {
            throw refused(InvalidEntry.Code.SYNTAX, "Pins are written as 1=g 2=k 3=h 4=h 5=p; a top cap is cap=g.")
                    .at(number + "/pinout");
        }
        for (String column : NEEDED.getOrDefault(section, List.of())) {
            if (!row.containsKey(column)) {
                throw refused(
                                InvalidEntry.Code.EMPTY,
                                NUMBERS.get(column).what + " is missing; a point of a " + section + " needs "
                                        + NEEDED.get(section).stream()
                                                .map(needed ->
                                                        NUMBERS.get(needed).what.toLowerCase(Locale.ROOT))
                                                .collect(Collectors.joining(", "))
                                        + ". Leave the point out if they are not known.")
                        .at(number + "/" + column);
            }
        }
        if (section.equals("triode")
                && !row.containsKey("mu")
                && row.containsKey("gm_mA_V")
                && row.containsKey("rp_kohm")) {
            row.put("mu", shown(Double.parseDouble(row.get("gm_mA_V")) * Double.parseDouble(row.get("rp_kohm"))));
        }
        return row;
    }

    private static TubeUse use(String word, int number) {
        return Stream.of(TubeUse.values())
                .filter(use -> use.name().equalsIgnoreCase(word))
                .findFirst()
                .orElseThrow(() -> refused(
                                InvalidEntry.Code.UNKNOWN,
                                "“" + word + "” is no class of tubes; one is "
                                        + Stream.of(TubeUse.values())
                                                .map(use -> use.name().toLowerCase(Locale.ROOT))
                                                .collect(Collectors.joining(", "))
                                        + ".")
                        .at(number + "/class"));
    }

    private static String number(String cell, String column, int row) {
        Range range = NUMBERS.get(column);
        String plain = cell.replace('\u2212', '-').replace('\u2013', '-');
        if (THOUSANDS.matcher(plain).matches()) {
            throw refused(
                            InvalidEntry.Code.AMBIGUOUS,
                            "“" + cell + "” may mean " + plain.replace(",", "") + " or " + plain.replace(',', '.')
                                    + "; write it without the comma.")
                    .at(row + "/" + column);
        }
        double value;
        try {
            value = Double.parseDouble(plain.indexOf('.') < 0 ? plain.replace(',', '.') : plain);
        } catch (NumberFormatException notOne) {
            throw refused(
                            InvalidEntry.Code.NOT_A_NUMBER,
                            "“" + cell + "” is not a number; write " + range.what.toLowerCase(Locale.ROOT)
                                    + " plainly, in " + (range.unit.isEmpty() ? "figures" : range.unit) + ".")
                    .at(row + "/" + column);
        }
        if (!(value >= range.least && value <= range.most)) {
            throw refused(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            range.what + " is between " + shown(range.least) + " and " + shown(range.most)
                                    + (range.unit.isEmpty() ? "" : " " + range.unit) + ".")
                    .at(row + "/" + column);
        }
        return shown(value);
    }

    private static String shown(double value) {
        return java.math.BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }

    private static InvalidEntry refused(InvalidEntry.Code code, String message) {
        return new InvalidEntry(code, message);
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
                shown(new java.math.BigDecimal(v * factor)
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

    /** The same with low confidence where {@link #doubts} has something to say. */
    private OwnTube weighed() {
        List<Optional<String>> doubts = doubts();
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
        List<String> says = new ArrayList<>();
        TubeType type = type();
        if (type.heaterVolts().isEmpty() || type.heaterAmperes().isEmpty()) {
            says.add("Its heater is not known: a string of heaters cannot be added up with it.");
        }
        if (type.pinout().isEmpty()) {
            says.add("Its pins are not known: the drawing leaves them off.");
        }
        if (!type.hasLaw()) {
            says.add("Pins and heater only: its stage is drawn, and its currents are not expected.");
        }
        doubts().forEach(doubt -> doubt.ifPresent(says::add));
        return says;
    }

    /** For each row what is wrong with its figures. */
    private List<Optional<String>> doubts() {
        TubeModel law = TubeFit.fit(type());
        List<TubePoint> points = type().points();
        List<Optional<String>> doubts = new ArrayList<>();
        for (int i = 0; i < rows.size(); i++) {
            TubePoint point = points.get(i);
            doubts.add(ownDoubt(point).or(() -> miss(point, law)));
        }
        return doubts;
    }

    private static String named(TubePoint point) {
        return "Point " + point.number() + " of the " + point.kind();
    }

    private static Optional<String> ownDoubt(TubePoint point) {
        boolean slopes =
                point.transconductanceSiemens().isPresent() && point.plateOhms().isPresent();
        if (slopes && point.amplification().isPresent() && !point.kind().equals("heptode")) {
            double product = point.transconductanceSiemens().getAsDouble()
                    * point.plateOhms().getAsDouble();
            double mu = point.amplification().getAsDouble();
            if (Math.abs(product / mu - 1) > SAME_TUBE) {
                return Optional.of(named(point) + ": transconductance times plate resistance is " + Math.round(product)
                        + ", not " + shown(mu) + "; one of the three is a slip.");
            }
        }
        if (point.kind().equals("triode") && !slopes && point.amplification().isEmpty()) {
            return Optional.of(
                    named(point)
                            + ": without amplification factor, or transconductance and plate resistance, its slope is a guess.");
        }
        return point.gridVolts().orElse(0) > 0 && point.gridAmperes().isEmpty()
                ? Optional.of(
                        named(point) + ": its grid is positive; nearly every type's is negative against the cathode.")
                : Optional.empty();
    }

    /** A point that the law of all points does not meet. */
    private static Optional<String> miss(TubePoint point, TubeModel law) {
        double[] out = new double[10];
        double grid = point.gridVolts().orElse(0);
        double screen = point.screenVolts().orElse(0);
        double plate = point.plateVolts().orElse(0);
        switch (point.kind()) {
            case "triode" -> law.triode().ifPresent(l -> l.plate(grid, plate, out));
            case "pentode", "beam" -> law.pentode().ifPresent(l -> l.currents(grid, screen, plate, out));
            case "heptode" ->
                law.heptode().ifPresent(l -> l.currents(grid, point.grid3Volts().orElse(0), screen, plate, 1, out));
            default -> {
                return Optional.empty();
            }
        }
        double given = point.plateAmperes().orElse(Double.NaN);
        return Math.abs(out[0] / given - 1) <= MET
                ? Optional.empty()
                : Optional.of(String.format(
                        Locale.ROOT,
                        "%s: %.3g mA is given, and the law nearest to all its figures draws %.3g mA; one of them may be a "
                                + "slip, compare them with the sheet.",
                        named(point),
                        given * 1e3,
                        out[0] * 1e3));
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
     * @throws InvalidEntry as {@link #of}
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
                .map(type -> of(type.getKey(), type.getValue()))
                .toList();
    }
}
