package org.umberdial.core.catalogue;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;
import org.umberdial.core.value.ValueReader;

/**
 * A part a shop buys that does not ship, or one that ships and it does not buy.
 *
 * @param capacitor what it is, when it is a capacitor
 * @param resistor what it is, when it is a kind of resistor, of any standard value
 * @param offered whether the plan may choose it
 */
public record OwnItem(Optional<CapacitorItem> capacitor, Optional<ResistorItem> resistor, boolean offered) {
    /** Columns of the open table. */
    public static final List<String> COLUMNS = List.of(
            "part", "kind", "value", "volts", "watts", "diameter_mm", "length_mm", "lead", "ripple_mA", "offered");

    private static final double MOST_VOLTS = 20_000;
    private static final double MOST_WATTS = 500;
    private static final double MOST_MILLIMETRES = 200;

    /** The name it is ordered under; of a resistor without its value. */
    public String name() {
        return capacitor
                .map(CapacitorItem::name)
                .orElseGet(() -> resistor.map(ResistorItem::name).orElse(""));
    }

    /**
     * From cells by {@link #COLUMNS}, as typed.
     *
     * @throws InvalidEntry naming the column, for what cannot be
     */
    public static OwnItem of(Map<String, String> row, ValueReader values) {
        String part = cell(row, "part").toLowerCase(Locale.ROOT);
        boolean offered =
                !List.of("no", "false", "0").contains(cell(row, "offered").toLowerCase(Locale.ROOT));
        return switch (part) {
            case "capacitor" -> new OwnItem(Optional.of(capacitor(row, values)), Optional.empty(), offered);
            case "resistor" -> new OwnItem(Optional.empty(), Optional.of(resistor(row, values)), offered);
            default ->
                throw new InvalidEntry(InvalidEntry.Code.UNKNOWN, "A part here is a capacitor or a resistor.")
                        .at("part");
        };
    }

    private static CapacitorItem capacitor(Map<String, String> row, ValueReader values) {
        String lead = cell(row, "lead").toLowerCase(Locale.ROOT);
        if (!lead.startsWith("axial") && !lead.startsWith("radial")) {
            throw new InvalidEntry(
                            InvalidEntry.Code.SYNTAX,
                            "Leads are axial, or radial with their spacing, as in radial 5 mm.")
                    .at("lead");
        }
        String ripple = cell(row, "ripple_mA");
        return new CapacitorItem(
                kind(row, Catalogue.capacitorKinds()),
                figure(row, values, "value", Unit.FARAD, 1),
                figure(row, values, "volts", Unit.VOLT, MOST_VOLTS),
                millimetres(row, values, "diameter_mm"),
                millimetres(row, values, "length_mm"),
                lead,
                ripple.isEmpty()
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(1e-3 * between(number(row, values, "ripple_mA"), "ripple_mA", 1e5)));
    }

    private static ResistorItem resistor(Map<String, String> row, ValueReader values) {
        return new ResistorItem(
                kind(row, Catalogue.resistorKinds()),
                figure(row, values, "watts", Unit.WATT, MOST_WATTS),
                figure(row, values, "volts", Unit.VOLT, MOST_VOLTS));
    }

    private static String kind(Map<String, String> row, List<String> known) {
        String kind = cell(row, "kind");
        return known.stream()
                .filter(kind::equalsIgnoreCase)
                .findFirst()
                .orElseThrow(() -> new InvalidEntry(
                                InvalidEntry.Code.UNKNOWN, "Of its kind there are: " + String.join(", ", known) + ".")
                        .at("kind"));
    }

    private static double figure(Map<String, String> row, ValueReader values, String column, Unit unit, double most) {
        try {
            return between(values.read(cell(row, column), unit).value(), column, most);
        } catch (InvalidEntry refused) {
            throw refused.at(column);
        }
    }

    private static double millimetres(Map<String, String> row, ValueReader values, String column) {
        return between(number(row, values, column), column, MOST_MILLIMETRES);
    }

    private static double number(Map<String, String> row, ValueReader values, String column) {
        try {
            return values.number(cell(row, column));
        } catch (InvalidEntry refused) {
            throw refused.at(column);
        }
    }

    private static double between(double value, String column, double most) {
        if (!(value > 0 && value <= most)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "This is above 0 and no more than " + Engineering.plain(most) + ".")
                    .at(column);
        }
        return value;
    }

    private static String cell(Map<String, String> row, String column) {
        return row.getOrDefault(column, "").strip();
    }

    /** Its cells by {@link #COLUMNS}, which read back as the same. */
    public Map<String, String> row() {
        Map<String, String> row = new LinkedHashMap<>();
        COLUMNS.forEach(column -> row.put(column, ""));
        row.put("offered", offered ? "yes" : "no");
        capacitor.ifPresent(one -> {
            row.put("part", "capacitor");
            row.put("kind", one.kind());
            row.put("value", Engineering.exact(one.farads()) + "F");
            row.put("volts", Engineering.plain(one.volts()));
            row.put("diameter_mm", Engineering.plain(one.diameterMillimetres()));
            row.put("length_mm", Engineering.plain(one.lengthMillimetres()));
            row.put("lead", one.lead());
            one.rippleAmperes().ifPresent(amperes -> row.put("ripple_mA", Engineering.plain(1e3 * amperes)));
        });
        resistor.ifPresent(one -> {
            row.put("part", "resistor");
            row.put("kind", one.kind());
            row.put("volts", Engineering.plain(one.mostVolts()));
            row.put("watts", Engineering.plain(one.watts()));
        });
        return row;
    }

    /** Everything of a catalogue, as items that are offered. */
    public static List<OwnItem> all(Catalogue catalogue) {
        return Stream.concat(
                        catalogue.capacitors().stream()
                                .map(one -> new OwnItem(Optional.of(one), Optional.empty(), true)),
                        catalogue.resistors().stream()
                                .map(one -> new OwnItem(Optional.empty(), Optional.of(one), true)))
                .toList();
    }
}
