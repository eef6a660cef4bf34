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
 * @param ranged whether {@code taps} are the two ends of one range, as in 200-250 V
 */
public record SupplyLabel(
        List<Double> taps,
        OptionalDouble setTo,
        List<Double> hertz,
        OptionalDouble watts,
        Current current,
        boolean motor,
        boolean ranged) {
    /** A label with taps, or one voltage. */
    public SupplyLabel(
            List<Double> taps,
            OptionalDouble setTo,
            List<Double> hertz,
            OptionalDouble watts,
            Current current,
            boolean motor) {
        this(taps, setTo, hertz, watts, current, motor, false);
    }

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

    /**
     * The line voltage the set stands on by its selector, or by a label that names one [V]; empty when neither says.
     */
    public OptionalDouble expectedLine() {
        return setTo.isPresent() ? setTo : taps.size() == 1 ? OptionalDouble.of(taps.get(0)) : OptionalDouble.empty();
    }
}
