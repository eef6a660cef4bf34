package org.umberdial.core.tuning;

import org.umberdial.core.evidence.BandSaid;
import org.umberdial.core.value.InvalidEntry;

/** A band of a receiver, and what follows from its intermediate frequency. */
public record Band(BandSaid said) {
    private static final double LEAST = 50;
    private static final double MOST = 300_000;
    private static final double FM_KILOHERTZ = 30_000;

    /** @throws InvalidEntry when it cannot be, with what would be right */
    public Band {
        if (said.name().isBlank()) {
            throw refused("name", "Name the band as its dial does, for example MW.");
        }
        double low = said.lowKilohertz();
        double high = said.highKilohertz();
        if (!(low >= LEAST && high <= MOST && low < high)) {
            throw refused(
                    "lowKilohertz",
                    "A band from " + plain(low) + " to " + plain(high)
                            + " kHz is not usual; enter its ends in kHz, the lower first, as in 530 and 1600.");
        }
        double between = said.intermediateKilohertz();
        boolean none = between == 0;
        if (!none && !(between >= 20 && between <= 60_000)) {
            throw refused(
                    "intermediateKilohertz",
                    "An intermediate frequency of " + plain(between)
                            + " kHz is not usual; enter it in kHz, as in 455 or 10700, or 0 for a set without.");
        }
        if (!none && !said.oscillatorAbove() && between >= low) {
            throw refused(
                    "oscillatorAbove",
                    "An oscillator " + plain(between) + " kHz below " + plain(low) + " kHz cannot run: it runs above.");
        }
    }

    private static InvalidEntry refused(String field, String words) {
        return new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, words).at(field);
    }

    static String plain(double value) {
        return value == Math.rint(value) ? String.valueOf((long) value) : String.valueOf(value);
    }

    /** Whether it is so high that stations there are frequency modulated. */
    public boolean frequencyModulated() {
        return said.highKilohertz() > FM_KILOHERTZ;
    }

    public boolean superhet() {
        return said.intermediateKilohertz() > 0;
    }

    /** Where the oscillator runs for a signal [kHz]; the signal itself without an intermediate frequency. */
    public double oscillator(double signal) {
        return said.oscillatorAbove() ? signal + said.intermediateKilohertz() : signal - said.intermediateKilohertz();
    }

    /** What else the oscillator lets in [kHz]: on its other side, as far. */
    public double image(double signal) {
        return 2 * oscillator(signal) - signal;
    }

    /** Points of the dial to read, low to high [kHz]: near both ends, where cores and trimmers act, and between. */
    public double[] points() {
        double low = said.lowKilohertz();
        double high = said.highKilohertz();
        double[] points = new double[5];
        double[] along = {0.06, 0.28, 0.5, 0.72, 0.94};
        double step = high - low < 2000 ? 10 : high - low < 20_000 ? 100 : 500;
        for (int i = 0; i < points.length; i++) {
            // By the geometric way, as the scale of a gang with straight-line frequency lies between both.
            double arithmetic = low + along[i] * (high - low);
            double geometric = low * Math.pow(high / low, along[i]);
            points[i] = Math.rint((arithmetic + geometric) / 2 / step) * step;
        }
        return points;
    }
}
