package org.umberdial.core.sound;

/**
 * How much a variation of speed annoys, by how often it comes: the weighting of IEC 60386, highest at 4 Hz, written out
 * from memory of the standard. Between its points the curve is straight in decibels over the logarithm of frequency.
 */
final class Weighting {
    private static final double[] HERTZ = {0.1, 0.2, 0.315, 0.4, 0.63, 0.8, 1, 1.6, 2, 4, 6.3, 10, 20, 40, 63, 100, 200
    };
    private static final double[] DECIBELS = {
        -48, -30.6, -19.7, -15, -8.4, -6, -4.2, -1.8, -0.9, 0, -0.9, -2.1, -5.9, -10.4, -14.2, -17.3, -23
    };

    private Weighting() {}

    /** Frequencies at which the standard gives the curve [Hz], rising. */
    static double[] points() {
        return HERTZ.clone();
    }

    /** Share of a variation that counts, 0 to 1; nothing below 0.1 and above 250 Hz. */
    static double at(double hertz) {
        if (hertz < HERTZ[0] || hertz > 1.25 * HERTZ[HERTZ.length - 1]) {
            return 0;
        }
        int above = 1;
        while (above < HERTZ.length - 1 && HERTZ[above] < hertz) {
            above++;
        }
        double along = Math.log(hertz / HERTZ[above - 1]) / Math.log(HERTZ[above] / HERTZ[above - 1]);
        double decibels = DECIBELS[above - 1] + along * (DECIBELS[above] - DECIBELS[above - 1]);
        return Math.pow(10, decibels / 20);
    }
}
