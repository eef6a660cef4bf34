package org.umberdial.core.tuning;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.umberdial.core.value.InvalidEntry;

/**
 * The intermediate frequency of a set without a sheet, told by what was read.
 *
 * @param hertz [Hz]
 * @param within how far it may be off [Hz]
 * @param says where it comes from and what it is near, in sentences
 */
public record IntermediateFrequency(double hertz, double within, List<String> says) {
    /** What makers used, where and when [kHz]. */
    private static final double[] USUAL = {
        110, 115, 125, 128, 130, 175, 181.5, 252.5, 260, 262, 265, 370, 385, 448, 450, 452, 455, 456, 460, 465, 468,
        470, 472, 473, 480, 1600, 5500, 9100, 10700, 21000, 21250
    };

    private static final double LEAST_HERTZ = 20e3;
    private static final double MOST_HERTZ = 60e6;

    public IntermediateFrequency {
        says = List.copyOf(says);
    }

    /** By a generator at the converter's grid, oscillator stopped: the middle of what passes the cans. */
    public static IntermediateFrequency swept(ResponseCurve curve) {
        double gap = 0;
        for (int i = 1; i < curve.points().size(); i++) {
            gap = Math.max(
                    gap,
                    curve.points().get(i).hertz() - curve.points().get(i - 1).hertz());
        }
        double within =
                curve.width().isPresent() ? Math.min(gap / 2, curve.width().getAsDouble() / 4) : gap;
        return told(
                curve.centre(),
                within,
                "The middle of what passes the cans. It is where they are tuned now, not where they were meant to be if"
                        + " somebody has turned them.");
    }

    /**
     * By a counter on the oscillator while a signal of known frequency is tuned to its peak.
     *
     * @param oscillator [Hz]
     * @param signal [Hz]
     */
    public static IntermediateFrequency counted(double oscillator, double signal) {
        double between = Math.abs(oscillator - signal);
        if (!(oscillator > 0 && signal > 0) || !(between >= LEAST_HERTZ && between <= MOST_HERTZ)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "Oscillator and signal are " + String.format(Locale.ROOT, "%.1f", between / 1000)
                                    + " kHz apart; an intermediate frequency is 20 kHz to 60 MHz. Enter both in kHz.")
                    .at("oscillator");
        }
        return told(
                between,
                1000,
                "Oscillator less signal, at the peak of what comes in. A counter’s lead pulls the oscillator: couple"
                        + " it loosely.");
    }

    private static IntermediateFrequency told(double hertz, double within, String how) {
        List<String> says = new ArrayList<>();
        says.add(how);
        double nearest = USUAL[0];
        for (double usual : USUAL) {
            if (Math.abs(1000 * usual - hertz) < Math.abs(1000 * nearest - hertz)) {
                nearest = usual;
            }
        }
        double off = Math.abs(1000 * nearest - hertz);
        says.add(
                off <= Math.max(within, 0.006 * hertz)
                        ? "Near " + Band.plain(nearest) + " kHz, which was in use: likely meant, and a label or sheet"
                                + " says it for sure."
                        : "Near none that was in common use: look whether the cans were turned, before they are set"
                                + " to it.");
        return new IntermediateFrequency(hertz, within, says);
    }
}
