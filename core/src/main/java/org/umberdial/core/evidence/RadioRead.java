package org.umberdial.core.evidence;

import java.util.Locale;

/**
 * A figure of a transmitter, exciter, crystal or preselector.
 *
 * @param what the kind of figure
 * @param name what it is of: {@code 80 m}, {@code crystal 7030}; may be empty
 * @param value in the kind's unit
 * @param from what it was reckoned from, for the log
 */
public record RadioRead(What what, String name, double value, String from) implements Fact {
    /** Kinds of figures. */
    public enum What {
        POWER("carrier into the dummy load", "W"),
        PEAK_POWER("peak of the envelope, two tones", "W"),
        DEPTH("depth of modulation", "%"),
        CRYSTAL("off its marked frequency", "ppm"),
        PRESELECTOR_GAIN("gain at its peak", "dB"),
        PRESELECTOR_REJECTION("rejection beside it", "dB");

        private final String label;
        private final String unit;

        What(String label, String unit) {
            this.label = label;
            this.unit = unit;
        }

        public String label() {
            return label;
        }

        public String unit() {
            return unit;
        }
    }

    public RadioRead {
        if (!Double.isFinite(value)) {
            throw new IllegalArgumentException("a figure is finite");
        }
    }

    @Override
    public String subject() {
        return name;
    }

    @Override
    public String sentence() {
        return (name.isEmpty() ? "" : name + ": ")
                + String.format(Locale.ROOT, "%.3g %s, %s (%s)", value, what.unit, what.label, from);
    }
}
