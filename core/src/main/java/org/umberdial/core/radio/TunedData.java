package org.umberdial.core.radio;

import org.umberdial.core.value.InvalidEntry;

/**
 * What is known of the cans of an intermediate frequency.
 *
 * @param hertz intermediate frequency [Hz]
 * @param quality Q of one circuit by itself, at the tube
 * @param low least that it may be
 * @param high most
 * @param measured whether somebody measured it; else it is what is usual and accuses nothing
 */
public record TunedData(double hertz, double quality, double low, double high, boolean measured) {
    /** Between the usual intermediate frequencies of amplitude and of frequency modulation [Hz]. */
    private static final double HIGH_FREQUENCY = 3e6;

    private static final double LEAST_HERTZ = 20e3;
    private static final double MOST_HERTZ = 60e6;
    private static final double MOST_QUALITY = 500;
    /** How far a measured Q may be off, by the meter and the generator's dial. */
    private static final double MEASURED_WITHIN = 0.2;

    public TunedData {
        if (!(hertz >= LEAST_HERTZ && hertz <= MOST_HERTZ)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "An intermediate frequency of " + hertz / 1000
                                    + " kHz is not usual; enter it in kHz, as in 455 or 10700.")
                    .at("intermediateKilohertz");
        }
        if (!(quality > 1 && quality < MOST_QUALITY)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "A can’s Q is between 10 and 200; enter centre over width, as in 70.")
                    .at("quality");
        }
    }

    /** Cans as they usually were: wound with stranded wire below 3 MHz, with solid wire above. */
    public static TunedData usual(double hertz) {
        return hertz < HIGH_FREQUENCY
                ? new TunedData(hertz, 75, 45, 130, false)
                : new TunedData(hertz, 60, 35, 90, false);
    }

    /** @param quality as measured, by the width of the response */
    public static TunedData measured(double hertz, double quality) {
        return new TunedData(hertz, quality, quality * (1 - MEASURED_WITHIN), quality * (1 + MEASURED_WITHIN), true);
    }

    /**
     * By the width of a chain of cans alike, each of two circuits coupled critically: a can is √2 f/Q wide, and n of
     * them (2^(1/n) - 1)^(1/4) of that. Source: F. E. Terman, Radio Engineers’ Handbook, on coupled circuits.
     *
     * @param width between the half-power points [Hz], above 0
     * @param cans at least 1
     */
    public static TunedData byWidth(double hertz, double width, int cans) {
        double narrows = Math.pow(Math.pow(2, 1.0 / cans) - 1, 0.25);
        return measured(hertz, Math.sqrt(2) * hertz * narrows / width);
    }

    /** What tunes one circuit in all, where the coil's own figure cannot be meant [F]. */
    double usualFarads() {
        return hertz < HIGH_FREQUENCY ? 150e-12 : 40e-12;
    }
}
