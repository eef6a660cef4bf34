package org.umberdial.core.recap;

import java.util.List;
import java.util.Map;
import org.umberdial.core.value.CsvTable;

/** Parts that are made and commonly sold, sizes typical. */
public record Catalogue(List<CapacitorItem> capacitors, List<ResistorItem> resistors) {
    private static final Catalogue SHIPPED = new Catalogue(
            CsvTable.rows(Catalogue.class, "capacitors.csv").stream()
                    .map(Catalogue::capacitor)
                    .toList(),
            CsvTable.rows(Catalogue.class, "resistors.csv").stream()
                    .filter(row -> row.get("watts_70C").matches("[0-9.]+"))
                    .map(row -> new ResistorItem(
                            row.get("kind"),
                            Double.parseDouble(row.get("watts_70C")),
                            Double.parseDouble(row.get("max_working_V"))))
                    .toList());

    public Catalogue {
        capacitors = List.copyOf(capacitors);
        resistors = List.copyOf(resistors);
    }

    /** What ships with the application. */
    public static Catalogue shipped() {
        return SHIPPED;
    }

    private static CapacitorItem capacitor(Map<String, String> row) {
        return new CapacitorItem(
                row.get("kind"),
                Double.parseDouble(row.get("C_F")),
                Double.parseDouble(row.get("V_rated")),
                Double.parseDouble(row.get("diameter_mm")),
                Double.parseDouble(row.get("length_mm")),
                row.get("lead"));
    }
}
