package org.umberdial.core.set;

import java.util.List;
import java.util.OptionalDouble;

/**
 * What a set says about the supply it wants.
 *
 * @param taps voltages it can be set to or is made for [V], rising; empty when the label is missing or unreadable
 * @param setTo the tap its selector stands on [V]; empty when it has none or nobody looked
 * @param hertz frequencies it is made for [Hz]; empty when the label does not say
 * @param watts what it draws [W]; empty when the label does not say
 * @param current what the label allows
 * @param motor whether a motor that follows the line's frequency turns in it
 */
public record SupplyLabel(
        List<Double> taps,
        OptionalDouble setTo,
        List<Double> hertz,
        OptionalDouble watts,
        Current current,
        boolean motor) {
    /** Nothing is known. */
    public static final SupplyLabel UNKNOWN = new SupplyLabel(
            List.of(), OptionalDouble.empty(), List.of(), OptionalDouble.empty(), Current.UNKNOWN, false);

    /** What kind of current the label names. */
    public enum Current {
        UNKNOWN("not said"),
        AC("AC"),
        AC_DC("AC or DC"),
        DC("DC only");

        private final String label;

        Current(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    public SupplyLabel {
        taps = taps.stream().sorted().distinct().toList();
        hertz = hertz.stream().sorted().distinct().toList();
    }
}
