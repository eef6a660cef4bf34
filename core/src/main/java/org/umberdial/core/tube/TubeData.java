package org.umberdial.core.tube;

import java.io.InputStreamReader;
import java.io.Reader;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.value.InvalidEntry;

/** Published tube data: what ships with the application, and what a shop has added to it. */
public final class TubeData {
    private static final double ORDINARY_WARM_UP_SECONDS = 14;
    private static final TubeData SHIPPED = load();

    private final Map<String, TubeType> types;

    private TubeData(Map<String, TubeType> types) {
        this.types = types;
    }

    public static TubeData shipped() {
        return SHIPPED;
    }

    /**
     * This data and a shop's own rows, in the columns of {@code tube-points.csv}; a type named there replaces the
     * shipped one.
     *
     * @throws InvalidEntry when a row has no type or section, or a cell that should be a number is not one
     */
    public TubeData with(String csv) {
        Map<String, TubeType> merged = new LinkedHashMap<>(types);
        merged.putAll(read(new StringReader(csv), Map.of()));
        return new TubeData(merged);
    }

    public Collection<TubeType> types() {
        return types.values();
    }

    /** @param type with or without a section suffix */
    public Optional<TubeType> type(String type) {
        return Optional.ofNullable(types.get(bare(type).toUpperCase(Locale.ROOT)));
    }

    public boolean knows(String type) {
        return type(type).isPresent();
    }

    /** Types that only rectify. */
    public boolean isRectifier(String type) {
        return type(type).filter(TubeType::isRectifier).isPresent();
    }

    /**
     * The section a card of this type means: by its suffix, else by how many nodes it has. Three nodes are a triode,
     * but the two plates and the cathode of a rectifier.
     */
    public Optional<Section> section(String type, int nodes) {
        boolean heater = suffix(type).equals("H");
        return nodes == 3 && !heater && isRectifier(type)
                ? Optional.of(Section.FULL_WAVE)
                : Section.of(suffix(type), nodes);
    }

    /** Every operating point of a section of a type, the main one first. */
    public List<TubePoint> points(String type, Section section) {
        return type(type).map(TubeType::points).orElse(List.of()).stream()
                .filter(point -> belongs(point.kind(), section))
                .toList();
    }

    /** The type's main published point of a section. */
    public Optional<TubePoint> mainPoint(String type, Section section) {
        return points(type, section).stream().findFirst();
    }

    /** A type without the suffix that names a section: {@code 12AV6_T} is a {@code 12AV6}. */
    public static String bare(String type) {
        int underscore = type.lastIndexOf('_');
        return underscore > 0 ? type.substring(0, underscore) : type;
    }

    /** The suffix that names a section, empty when there is none. */
    public static String suffix(String type) {
        int underscore = type.lastIndexOf('_');
        return underscore > 0 ? type.substring(underscore + 1) : "";
    }

    private static boolean belongs(String kind, Section section) {
        return switch (section) {
            case TRIODE -> kind.equals("triode");
            case PENTODE -> kind.equals("pentode") || kind.equals("beam");
            case HEPTODE -> kind.equals("heptode");
            case DIODE, FULL_WAVE -> kind.equals("rectifier");
            case HEATER, TAPPED_HEATER -> true;
        };
    }

    private static TubeData load() {
        Map<String, Map<String, String>> classes = new HashMap<>();
        for (Map<String, String> row : rows(resource("tube-types.csv"))) {
            classes.put(row.get("type"), row);
        }
        Map<String, TubeType> types = new LinkedHashMap<>(read(resource("tube-points.csv"), classes));
        types.putAll(read(resource("tube-points-more.csv"), classes));
        return new TubeData(types);
    }

    private static Reader resource(String name) {
        return new InputStreamReader(TubeData.class.getResourceAsStream(name), StandardCharsets.UTF_8);
    }

    private static Map<String, TubeType> read(Reader source, Map<String, Map<String, String>> classes) {
        Map<String, List<Map<String, String>>> byType = new LinkedHashMap<>();
        for (Map<String, String> row : rows(source)) {
            byType.computeIfAbsent(row.get("type").toUpperCase(Locale.ROOT), type -> new ArrayList<>())
                    .add(row);
        }
        Map<String, TubeType> types = new LinkedHashMap<>();
        byType.forEach((name, rows) -> types.put(name, type(name, rows, classes.getOrDefault(name, Map.of()))));
        return types;
    }

    private static List<Map<String, String>> rows(Reader source) {
        List<Map<String, String>> rows = TubeTable.rows(source);
        for (int i = 0; i < rows.size(); i++) {
            if (rows.get(i).getOrDefault("type", "").isEmpty()) {
                throw new InvalidEntry(
                        InvalidEntry.Code.EMPTY,
                        "tube data, row " + (i + 2) + ": the column \"type\" is empty; give the type number.");
            }
        }
        return rows;
    }

    private static TubeType type(String name, List<Map<String, String>> rows, Map<String, String> classes) {
        Map<String, String> first = rows.get(0);
        String seconds = classes.getOrDefault("seconds", "");
        String sisters = classes.getOrDefault("sisters", "");
        return new TubeType(
                name,
                cell(first, "heater_V", 1),
                cell(first, "heater_A", 1),
                first.getOrDefault("base", ""),
                first.getOrDefault("pinout", ""),
                limits(first),
                classes.getOrDefault("warm_up", "indirect"),
                seconds.isEmpty() ? ORDINARY_WARM_UP_SECONDS : Double.parseDouble(seconds),
                cell(classes, "tap_fraction", 1),
                sisters.isEmpty() ? List.of() : List.of(sisters.split(" ")),
                rows.stream().map(TubeData::point).toList());
    }

    private static TubeLimits limits(Map<String, String> row) {
        return new TubeLimits(
                cell(row, "Pa_max_W", 1),
                cell(row, "Va_max", 1),
                cell(row, "rect_Idc_max_mA", 1e-3),
                cell(row, "rect_Vac_rms_max", 1),
                cell(row, "rect_drop_V", 1),
                cell(row, "rect_drop_at_mA", 1e-3),
                cell(row, "rect_C_max_uF", 1e-6),
                cell(row, "rect_Rs_min_ohm", 1));
    }

    private static TubePoint point(Map<String, String> row) {
        return new TubePoint(
                row.get("type").toUpperCase(Locale.ROOT),
                row.getOrDefault("section", "").toLowerCase(Locale.ROOT),
                (int) cell(row, "point", 1).orElse(1),
                cell(row, "Va", 1),
                cell(row, "Vg2", 1),
                cell(row, "Vg1", 1),
                cell(row, "Vg3", 1),
                cell(row, "Ia_mA", 1e-3),
                cell(row, "Ig2_mA", 1e-3),
                cell(row, "Ig1_mA", 1e-3),
                cell(row, "gm_mA_V", 1e-3),
                cell(row, "rp_kohm", 1e3),
                cell(row, "mu", 1));
    }

    private static OptionalDouble cell(Map<String, String> row, String column, double factor) {
        String text = row.getOrDefault(column, "");
        try {
            return text.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(Double.parseDouble(text) * factor);
        } catch (NumberFormatException e) {
            throw new InvalidEntry(
                    InvalidEntry.Code.NOT_A_NUMBER,
                    "tube data, type " + row.get("type") + ": \"" + text + "\" in column " + column
                            + " is not a number; write it plainly, such as 1.2.");
        }
    }
}
