package org.umberdial.core.catalogue;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
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

    /** The kinds of capacitor that are made, as items name them. */
    public static List<String> capacitorKinds() {
        return SHIPPED.capacitors.stream().map(CapacitorItem::kind).distinct().toList();
    }

    /** The kinds of resistor that are made. */
    public static List<String> resistorKinds() {
        return SHIPPED.resistors.stream().map(ResistorItem::kind).distinct().toList();
    }

    /** The same with a shop's own: what it adds comes first, what it does not buy is left out. */
    public Catalogue with(List<OwnItem> own) {
        Set<String> named = own.stream().map(OwnItem::name).collect(Collectors.toSet());
        return new Catalogue(
                Stream.concat(
                                own.stream().filter(OwnItem::offered).flatMap(one -> one.capacitor().stream()),
                                capacitors.stream().filter(one -> !named.contains(one.name())))
                        .toList(),
                Stream.concat(
                                own.stream().filter(OwnItem::offered).flatMap(one -> one.resistor().stream()),
                                resistors.stream().filter(one -> !named.contains(one.name())))
                        .toList());
    }

    private static CapacitorItem capacitor(Map<String, String> row) {
        return new CapacitorItem(
                row.get("kind"),
                Double.parseDouble(row.get("C_F")),
                Double.parseDouble(row.get("V_rated")),
                Double.parseDouble(row.get("diameter_mm")),
                Double.parseDouble(row.get("length_mm")),
                row.get("lead"),
                row.getOrDefault("ripple_mA_120Hz", "").isEmpty()
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(1e-3 * Double.parseDouble(row.get("ripple_mA_120Hz"))));
    }
}
