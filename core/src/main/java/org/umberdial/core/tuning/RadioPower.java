package org.umberdial.core.tuning;

import java.util.Locale;
import org.umberdial.core.value.InvalidEntry;

/** Power and modulation of a transmitter or exciter on its dummy load. */
public final class RadioPower {
    private static final double MOST_VOLTS = 5000;
    private static final double LEAST_OHMS = 1;
    private static final double MOST_OHMS = 10_000;

    /** What was read across the load. */
    public enum Volts {
        RMS("RMS, by a probe calibrated so", 1),
        PEAK("peak, by a diode probe", 2),
        PEAK_TO_PEAK("peak to peak, on a screen", 8);

        private final String label;
        private final double divisor;

        Volts(String label, double divisor) {
            this.label = label;
            this.divisor = divisor;
        }

        public String label() {
            return label;
        }
    }

    private RadioPower() {}

    /**
     * Power into a load [W]: U²/R of RMS, U²/2R of peak, U²/8R of peak to peak. Of a steady carrier it is the
     * carrier's; of two equal tones without a carrier, on a screen, it is the peak power of the envelope.
     *
     * @throws InvalidEntry when a figure cannot be
     */
    public static double watts(double volts, Volts read, double ohms) {
        if (!(volts > 0 && volts <= MOST_VOLTS)) {
            throw refused(
                    "volts", "Volts across the load are above 0 and at most 5000; enter what was read, as in 63.");
        }
        if (!(ohms >= LEAST_OHMS && ohms <= MOST_OHMS)) {
            throw refused("ohms", "A dummy load has 1 Ω to 10 kΩ; enter it in ohms, as in 50.");
        }
        return volts * volts / (read.divisor * ohms);
    }

    /**
     * Depth of amplitude modulation by its envelope on a screen, a fraction: (most - least) / (most + least).
     *
     * @param most widest height, in any unit
     * @param least narrowest in the same; 0 when it just closes
     */
    public static double depth(double most, double least) {
        if (!(most > 0 && least >= 0 && least <= most)) {
            throw refused(
                    "most", "Enter the widest height first, then the narrowest, in the same divisions: 3.0 and 1.0.");
        }
        return (most - least) / (most + least);
    }

    /**
     * How long a dummy load may be keyed [s].
     *
     * @param watts power into it
     * @param rated watts it stands without end
     * @param joules it stores before it is too hot; 0 when nobody said
     * @return infinite when it stands it without end; 0 when it does not stand it and nobody said how long
     */
    public static double keyedSeconds(double watts, double rated, double joules) {
        if (!(rated > 0)) {
            throw refused("rated", "Enter the watts that the dummy load stands without end, as in 25.");
        }
        return watts <= rated ? Double.POSITIVE_INFINITY : joules / (watts - rated);
    }

    /** Gain or rejection of two levels for the same reading [dB]. */
    public static double decibels(double level, double against) {
        if (!(level > 0 && against > 0)) {
            throw refused("level", "Both levels are above 0, in the same unit: 100 µV and 12 µV.");
        }
        return 20 * Math.log10(level / against);
    }

    /** How far a counted frequency is from what a crystal is marked with [parts in a million]. */
    public static double partsPerMillion(double counted, double marked) {
        if (!(counted > 0 && marked > 0 && Math.abs(counted / marked - 1) < 0.2)) {
            throw refused(
                    "counted",
                    String.format(
                            Locale.ROOT,
                            "%.3f kHz on a crystal of %.3f kHz? Enter both in kHz; so far off it is an overtone.",
                            counted / 1000,
                            marked / 1000));
        }
        return 1e6 * (counted / marked - 1);
    }

    private static InvalidEntry refused(String field, String words) {
        return new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, words).at(field);
    }
}
