package org.umberdial.core.evidence;

/**
 * What a set is aligned with; said again, the later holds.
 *
 * @param generator what gives the signal
 * @param meter what shows its height
 * @param counter whether a counter stands by
 */
public record GearSaid(Generator generator, Meter meter, boolean counter) implements Fact {
    /** What gives the signal. */
    public enum Generator {
        NONE("none: stations"),
        AM("a generator with 400 Hz or 1 kHz on it"),
        AM_FM("a generator for AM and FM"),
        SWEEP("a generator that sweeps");

        private final String label;

        Generator(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /** What shows how high it is. */
    public enum Meter {
        EAR("the ear"),
        OUTPUT("an output meter across the voice coil"),
        AVC("a 10 MΩ meter on the AVC"),
        SCOPE("an oscilloscope");

        private final String label;

        Meter(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    @Override
    public String subject() {
        return "";
    }

    @Override
    public String sentence() {
        return "Aligned with " + generator.label + ", read by " + meter.label + (counter ? ", a counter beside" : "");
    }
}
