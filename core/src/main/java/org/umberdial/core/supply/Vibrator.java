package org.umberdial.core.supply;

import org.umberdial.core.value.InvalidEntry;

/**
 * What a scope shows of a vibrator's wave, and what it is on a meter.
 *
 * <p>Source: FORMULAS, Supply: f = 1 / (divisions x time base); volts = divisions x volts per division x probe; sine
 * RMS = Vpp/(2√2), square RMS = Vpp/2, square with dwell Vpp/2 x √(on fraction).
 *
 * @param hertz [Hz]
 * @param peakToPeak [V]
 * @param rms of the true wave [V]
 * @param averageMeter what a meter shows that takes every wave as a sine [V]
 */
public record Vibrator(double hertz, double peakToPeak, double rms, double averageMeter) {
    /** How the wave looks. */
    public enum Wave {
        SINE,
        SQUARE,
        /** With dwell between the contacts. */
        SQUARE_WITH_DWELL
    }

    /** A sine's form factor π/(2√2): a meter that takes the mean shows so many times it. */
    private static final double FORM = Math.PI / (2 * Math.sqrt(2));

    /**
     * @param periodDivisions that one whole period takes, above 0
     * @param secondsPerDivision above 0 [s]
     * @param heightDivisions from bottom to top, above 0
     * @param voltsPerDivision above 0 [V]
     * @param probe how many times it divides, 1 or more
     * @param onShare how large a part of the period the contacts close, over 0 to 1; of a wave with dwell
     * @throws InvalidEntry for a figure that cannot be
     */
    public static Vibrator of(
            double periodDivisions,
            double secondsPerDivision,
            double heightDivisions,
            double voltsPerDivision,
            double probe,
            Wave wave,
            double onShare) {
        above(periodDivisions, "periodDivisions", "The length of a period");
        above(secondsPerDivision, "timeBase", "The time base");
        above(heightDivisions, "heightDivisions", "The height of the wave");
        above(voltsPerDivision, "voltsPerDivision", "The volts per division");
        if (!(probe >= 1)) {
            throw wrong("probe", "A probe divides by 1, 10 or 100.");
        }
        double on = wave == Wave.SQUARE_WITH_DWELL ? onShare : 1;
        if (!(on > 0 && on <= 1)) {
            throw wrong("onPercent", "The contacts close for a part of the period, over 0 to 100 %.");
        }
        double height = heightDivisions * voltsPerDivision * probe;
        double rms = wave == Wave.SINE ? height / (2 * Math.sqrt(2)) : height / 2 * Math.sqrt(on);
        double shown = wave == Wave.SINE ? rms : FORM * height / 2 * on;
        return new Vibrator(1 / (periodDivisions * secondsPerDivision), height, rms, shown);
    }

    private static void above(double value, String field, String what) {
        if (!(value > 0)) {
            throw wrong(field, what + " is above zero.");
        }
    }

    private static InvalidEntry wrong(String field, String sentence) {
        return new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, sentence).at(field);
    }
}
