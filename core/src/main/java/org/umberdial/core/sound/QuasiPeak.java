package org.umberdial.core.sound;

import java.util.Arrays;

/**
 * The pointer of a wow and flutter meter. It follows what swings either way, rises quickly and falls slowly, so that a
 * short jolt shows as less than it was.
 *
 * <p>A lag, then a peak that charges and discharges, in time constants fitted to what the standard asks of pulses once
 * a second: one of 10 ms shows as 21 ± 3 %, of 30 ms as 62 ± 6 %, of 60 ms as 90 ± 6 %, of 100 ms as 100 ± 4 %, and
 * between the last the pointer falls to 36 to 44 %. These give 23, 60, 88 and 98 %, and 40 %.
 */
final class QuasiPeak {
    private static final double LAG = 0.0182;
    private static final double CHARGE = 0.0162;
    private static final double DISCHARGE = 0.984;
    private static final double UNDER = 0.95;

    private final double lag;
    private final double charge;
    private final double discharge;
    private double followed;
    private double peak;

    /** @param hertz samples a second */
    QuasiPeak(double hertz) {
        lag = 1 - Math.exp(-1 / (hertz * LAG));
        charge = 1 - Math.exp(-1 / (hertz * CHARGE));
        discharge = 1 - Math.exp(-1 / (hertz * DISCHARGE));
    }

    /** Where the pointer stands after one more sample. */
    double take(double value) {
        followed += (Math.abs(value) - followed) * lag;
        peak += followed > peak ? (followed - peak) * charge : -peak * discharge;
        return peak;
    }

    /**
     * What a steady swing shows as, as a share of its peak: the pointer is under it for 95 % of the time. One too quick
     * for the lag shows as less, and under a slow one the pointer falls in between. The standard's curve is that of the
     * whole instrument, so the weighting is divided by this.
     */
    static double steady(double hertz) {
        double rate = Math.max(200, 40 * hertz);
        QuasiPeak pointer = new QuasiPeak(rate);
        int settle = (int) (rate * (5 + 4 / hertz));
        double[] shown = new double[(int) (rate / hertz) + 1];
        for (int i = 0; i < settle + shown.length; i++) {
            double stands = pointer.take(Math.sin(2 * Math.PI * hertz * i / rate));
            if (i >= settle) {
                shown[i - settle] = stands;
            }
        }
        return under(shown);
    }

    /** What the pointer is under for 95 % of the time; puts them in order. */
    static double under(double[] shown) {
        Arrays.sort(shown);
        return shown[(int) Math.min(shown.length - 1, UNDER * shown.length)];
    }
}
