package org.umberdial.core.tube;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.umberdial.core.value.InvalidEntry;

/** The columns of the open table of tubes, and how a row that somebody typed is read into them. */
final class TubeColumns {
    private static final int LONGEST_CELL = 200;
    private static final Pattern PINS =
            Pattern.compile("((?:\\d{1,2}|cap\\d?)=\\S(?:.*?\\S)?)(?:\\s+(?:\\d{1,2}|cap\\d?)=\\S(?:.*?\\S)?)*");
    private static final Pattern THOUSANDS = Pattern.compile("[+-]?\\d{1,3},\\d{3}");
    /** Kinds of sections as the shipped table has them; {@code heater} stands for one of which no point is known. */
    private static final Set<String> SECTIONS = Set.of(
            "heater",
            "triode",
            "pentode",
            "beam",
            "tetrode",
            "heptode",
            "hexode",
            "rectifier",
            "triode_osc",
            "osc_plate",
            "selfosc_mixer",
            "pentode_mixer",
            "triode1",
            "triode2",
            "triode_conn",
            "dynamic_coupled");
    /** What each kind of section must say before its currents can be expected. */
    private static final Map<String, List<String>> NEEDED = Map.of(
            "triode", List.of("Va", "Vg1", "Ia_mA"),
            "pentode", List.of("Va", "Vg2", "Vg1", "Ia_mA"),
            "beam", List.of("Va", "Vg2", "Vg1", "Ia_mA"),
            "tetrode", List.of("Va", "Vg2", "Vg1", "Ia_mA"),
            "heptode", List.of("Va", "Vg2", "Vg1", "Ia_mA"),
            "hexode", List.of("Va", "Vg2", "Vg1", "Ia_mA"));
    /** A column of numbers: what it is in words, and from where to where it is believed. */
    private record Range(String what, String unit, double least, double most) {}

    private static final Map<String, Range> NUMBERS = numbers();

    /** The columns of the file, in its order. */
    static final List<String> ALL = Stream.of(
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

    private TubeColumns() {}

    /**
     * A row with its numbers as plain decimals.
     *
     * @param typed cells by column; columns of no meaning are left out
     * @param number of the row in its type, from 1, for the fault's field
     * @throws InvalidEntry at {@code number/column}
     */
    static Map<String, String> row(String name, Map<String, String> typed, int number) {
        Map<String, String> row = new HashMap<>();
        for (String column : ALL) {
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
        if (section.equals("triode")
                && !row.containsKey("mu")
                && row.containsKey("gm_mA_V")
                && row.containsKey("rp_kohm")) {
            row.put("mu", shown(Double.parseDouble(row.get("gm_mA_V")) * Double.parseDouble(row.get("rp_kohm"))));
        }
        return row;
    }

    /**
     * A section's currents are expected from its points: one of them has to say all that the law is laid through;
     * others may say less, such as where a remote cut-off ends.
     *
     * @throws InvalidEntry at the first row of a section of which none is complete
     */
    static void requireComplete(List<Map<String, String>> rows) {
        for (int i = 0; i < rows.size(); i++) {
            String section = rows.get(i).get("section");
            List<String> needed = NEEDED.getOrDefault(section, List.of());
            if (rows.stream()
                    .noneMatch(row ->
                            row.get("section").equals(section) && row.keySet().containsAll(needed))) {
                String column = needed.stream()
                        .filter(one -> !hasColumn(rows, section, one))
                        .findFirst()
                        .orElse(needed.get(0));
                throw refused(
                                InvalidEntry.Code.EMPTY,
                                NUMBERS.get(column).what + " is missing; a point of a " + section + " needs "
                                        + needed.stream()
                                                .map(one ->
                                                        NUMBERS.get(one).what.toLowerCase(Locale.ROOT))
                                                .collect(Collectors.joining(", "))
                                        + ". Leave the point out if they are not known.")
                        .at(i + 1 + "/" + column);
            }
        }
    }

    private static boolean hasColumn(List<Map<String, String>> rows, String section, String column) {
        return rows.stream().anyMatch(row -> row.get("section").equals(section) && row.containsKey(column));
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

    static String shown(double value) {
        return java.math.BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }

    private static InvalidEntry refused(InvalidEntry.Code code, String message) {
        return new InvalidEntry(code, message);
    }
}
