package org.umberdial.core.catalogue;

import java.util.Locale;
import java.util.OptionalDouble;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/**
 * A capacitor that is made.
 *
 * @param kind as the catalogue has it: {@code film polypropylene}, {@code electrolytic axial}
 * @param volts rated; AC for safety types
 * @param diameterMillimetres of a round one; the thickness of a box or disc
 * @param lead {@code axial}, or {@code radial} with its spacing
 */
public record CapacitorItem(
        String kind,
        double farads,
        double volts,
        double diameterMillimetres,
        double lengthMillimetres,
        String lead,
        OptionalDouble rippleAmperes) {
    /** Whether its leads leave at both ends, as those of most old parts do. */
    public boolean axial() {
        return lead.startsWith("axial");
    }

    /** Whether it is of a kind that begins so. */
    public boolean is(String word) {
        return kind.startsWith(word);
    }

    /** As it is ordered: {@code 22 nF 630 V film polypropylene, axial 9 × 22 mm}. */
    public String name() {
        String made = kind.replaceFirst(" (?:axial|radial)$", "");
        return Engineering.round(farads, Unit.FARAD) + " " + Engineering.round(volts, Unit.VOLT)
                + (is("safety") ? " AC " : " ") + made + ", " + (axial() ? "axial " : "radial ")
                + number(diameterMillimetres) + " × " + number(lengthMillimetres) + " mm";
    }

    private static String number(double value) {
        return String.format(Locale.ROOT, value == Math.rint(value) ? "%.0f" : "%.1f", value);
    }
}
