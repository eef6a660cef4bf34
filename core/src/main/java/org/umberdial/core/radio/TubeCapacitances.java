package org.umberdial.core.radio;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.value.CsvTable;

/**
 * What lies between a tube's electrodes, as published, without its socket.
 *
 * @param inputFarads control grid to all but the plate [F]
 * @param outputFarads plate to all but the control grid [F]
 * @param feedbackFarads control grid to plate [F]
 */
public record TubeCapacitances(double inputFarads, double outputFarads, double feedbackFarads) {
    private record Row(String type, String section, TubeCapacitances figures) {
        String key() {
            return type + " " + section;
        }
    }

    private static final double PICO = 1e-12;
    private static final Map<String, TubeCapacitances> ALL =
            CsvTable.rows(TubeCapacitances.class, "tube-capacitances.csv").stream()
                    .map(TubeCapacitances::row)
                    .collect(Collectors.toMap(Row::key, Row::figures));

    private static Row row(Map<String, String> cells) {
        Function<String, Double> picofarads = column -> PICO * Double.parseDouble(cells.get(column));
        return new Row(
                cells.get("type"),
                cells.get("section"),
                new TubeCapacitances(
                        picofarads.apply("input_pf"), picofarads.apply("output_pf"), picofarads.apply("feedback_pf")));
    }

    /** Of a section of a type; empty where nothing is published here. */
    public static Optional<TubeCapacitances> of(String type, Section section) {
        return Optional.ofNullable(
                ALL.get(TubeData.bare(type) + " " + section.name().toLowerCase(Locale.ROOT)));
    }
}
