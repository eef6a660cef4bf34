package org.umberdial.core.evidence;

import java.util.EnumSet;
import java.util.Set;

/**
 * What kind of receiver a set is, as far as alignment asks; said again, the later holds.
 *
 * @param kind how it receives
 * @param cans cans of the intermediate frequency for amplitude modulation
 * @param fmCans cans of the intermediate frequency for frequency modulation, the detector's not counted
 * @param detector of frequency modulation
 * @param has what else it has
 */
public record ReceiverSaid(Kind kind, int cans, int fmCans, Detector detector, Set<Has> has) implements Fact {
    private static final int MOST_CANS = 6;

    /** How a receiver receives. */
    public enum Kind {
        SUPERHET("superhet"),
        TRF("tuned radio frequency, no oscillator"),
        NEUTRALISED("tuned radio frequency, neutralised"),
        REGENERATIVE("with feedback (regenerative)");

        private final String label;

        Kind(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /** How frequency modulation is detected. */
    public enum Detector {
        NONE("no FM"),
        RATIO("ratio detector"),
        DISCRIMINATOR("phase discriminator behind a limiter"),
        SLOPE("on the slope of the last circuit");

        private final String label;

        Detector(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /** What a receiver may have besides. */
    public enum Has {
        RF_STAGE("a tuned stage before the converter"),
        TRAP("a trap for the intermediate frequency"),
        LOOP("a loop or rod inside, no aerial terminal"),
        BFO("a beat oscillator for telegraphy"),
        EYE("a tuning eye"),
        WIDE("over-coupled cans with a flat top"),
        SEPARATE_DIALS("a dial for each stage"),
        TOUCHED("marks of a tool at its cores, or broken wax");

        private final String label;

        Has(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    public ReceiverSaid {
        has = has.isEmpty() ? Set.of() : Set.copyOf(EnumSet.copyOf(has));
        if (cans < 0 || cans > MOST_CANS || fmCans < 0 || fmCans > MOST_CANS) {
            throw new IllegalArgumentException("a receiver has nought to six cans: " + cans + ", " + fmCans);
        }
    }

    public boolean fm() {
        return detector != Detector.NONE;
    }

    @Override
    public String subject() {
        return "";
    }

    @Override
    public String sentence() {
        return "Receiver: " + kind.label + (kind == Kind.SUPERHET ? ", " + cans + " cans" : "")
                + (fm() ? ", FM with " + fmCans + " cans and " + detector.label : "");
    }
}
