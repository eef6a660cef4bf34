package org.umberdial.core.parts;

import java.util.Locale;
import java.util.OptionalDouble;
import org.umberdial.core.set.Part;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.StandardSeries;
import org.umberdial.core.value.Unit;

/**
 * What brings a part back for a moment without lifting it, to hear whether it is the one.
 *
 * <p>Source: FORMULAS, Leakage: a resistor that reads Rm instead of Rn is brought back by Rm Rn / (Rm - Rn) across it.
 */
final class Trial {
    /** A part on trial is rated for so many times its heat. */
    private static final double MARGIN = 2;

    private Trial() {}

    /**
     * Ohms that bring a part that drifted high back.
     *
     * @param read above {@code wanted} [Ω]
     * @param wanted above 0 [Ω]
     */
    static double across(double read, double wanted) {
        return Double.isInfinite(read) ? wanted : read * wanted / (read - wanted);
    }

    /** In a sentence or two; empty for what no trial helps. */
    static String of(Part part, PartState state, OptionalDouble read, OptionalDouble volts, double wattsMargin) {
        return switch (state) {
            case DRIFTED_HIGH, OPEN ->
                part.card().letter() == 'R'
                                && read.isPresent()
                                && part.workingValue().isPresent()
                        ? resistor(part.workingValue().get(), read.getAsDouble(), volts, wattsMargin)
                        : part.card().letter() == 'C' ? capacitor() : "";
            case DRIED -> capacitor();
            default -> "";
        };
    }

    private static String resistor(double wanted, double read, OptionalDouble volts, double wattsMargin) {
        double ohms = StandardSeries.E24.nearest(across(read, wanted));
        String watts = volts.isPresent()
                ? String.format(
                        Locale.ROOT,
                        ", %s at least",
                        Engineering.print(
                                Math.max(MARGIN, wattsMargin) * volts.getAsDouble() * volts.getAsDouble() / ohms,
                                Unit.WATT))
                : "";
        return "Trial in place: " + Engineering.print(ohms, Unit.OHM) + " across it" + watts
                + " brings it back. Clip it on with the plug out and everything read empty; read the volts before and after.";
    }

    private static String capacitor() {
        return "Trial in place, where the house allows it: a good one of its value and volts across it, clipped on with the plug "
                + "out and everything read empty. Never leave it: it hides a leak, and the old one goes on leaking.";
    }
}
