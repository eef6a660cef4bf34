package org.umberdial.core.tube;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.umberdial.core.value.CsvLine;

/** The published tube data that ships with the application. */
public final class TubeData {
    private static final TubeData SHIPPED = load();
    private static final Set<String> RECTIFIER_KINDS = Set.of("rectifier");

    private final Map<String, List<TubePoint>> points;

    private TubeData(Map<String, List<TubePoint>> points) {
        this.points = points;
    }

    public static TubeData shipped() {
        return SHIPPED;
    }

    public boolean knows(String type) {
        return points.containsKey(bare(type));
    }

    /** Types that only rectify. */
    public boolean isRectifier(String type) {
        return points.getOrDefault(bare(type), List.of()).stream().anyMatch(point -> RECTIFIER_KINDS.contains(point.kind()));
    }

    /**
     * The section a card of this type means: by its suffix, else by how many nodes it has. Three nodes are a triode, but
     * the two plates and the cathode of a rectifier.
     */
    public Optional<Section> section(String type, int nodes) {
        boolean heater = suffix(type).equals("H");
        return nodes == 3 && !heater && isRectifier(type) ? Optional.of(Section.FULL_WAVE) : Section.of(suffix(type), nodes);
    }

    /** Every operating point of a section of a type, the main one first. */
    public List<TubePoint> points(String type, Section section) {
        return points.getOrDefault(bare(type), List.of()).stream().filter(point -> belongs(point.kind(), section)).toList();
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
        try (BufferedReader in = new BufferedReader(new InputStreamReader(TubeData.class.getResourceAsStream("tube-points.csv"), StandardCharsets.UTF_8))) {
            List<String> header = CsvLine.split(in.readLine());
            Map<String, List<TubePoint>> points = new LinkedHashMap<>();
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                List<String> cells = CsvLine.split(line);
                Map<String, String> row = new HashMap<>();
                for (int i = 0; i < header.size() && i < cells.size(); i++) {
                    row.put(header.get(i), cells.get(i));
                }
                TubePoint point = point(row);
                points.computeIfAbsent(point.type(), type -> new ArrayList<>()).add(point);
            }
            return new TubeData(points);
        } catch (IOException e) {
            throw new UncheckedIOException("the shipped tube data cannot be read", e);
        }
    }

    private static TubePoint point(Map<String, String> row) {
        return new TubePoint(
                row.get("type").toUpperCase(java.util.Locale.ROOT),
                row.get("section"),
                row.get("point").isEmpty() ? 1 : Integer.parseInt(row.get("point")),
                cell(row, "Va", 1),
                cell(row, "Vg2", 1),
                cell(row, "Vg1", 1),
                cell(row, "Ia_mA", 1e-3),
                cell(row, "Ig2_mA", 1e-3),
                cell(row, "gm_mA_V", 1e-3),
                cell(row, "rp_kohm", 1e3));
    }

    private static OptionalDouble cell(Map<String, String> row, String column, double factor) {
        String text = row.getOrDefault(column, "");
        return text.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(Double.parseDouble(text) * factor);
    }
}
