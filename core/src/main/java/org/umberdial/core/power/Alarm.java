package org.umberdial.core.power;

import java.util.List;

/**
 * What a run says when it is not as it should be.
 *
 * @param seconds since the run began
 * @param watched id of what shows it; may be empty
 * @param says what was read, against what
 * @param suspects what would show so, the likeliest first; empty when nothing may be named
 * @param unnamed why nothing is named; empty when something is
 */
public record Alarm(Kind kind, double seconds, String watched, String says, List<Suspected> suspects, String unnamed) {
    /** The names are stored. */
    public enum Kind {
        CURRENT("Too much current", true),
        NO_CURRENT("Nothing flows", false),
        LAMP("The lamp stays bright", true),
        NO_SUPPLY("No B+ though current flows", true),
        OVER_RATING("B+ over the capacitors’ rating", true),
        SINKING("B+ sinks while the line is steady", true),
        CHASSIS("Volts between chassis and earth", true),
        /** An instrument does not answer. */
        LOST("A reading is lost", true),
        /** Outside the band, and none of the others. */
        UNLIKE("Not as a healthy set", false);

        private final String label;
        private final boolean grave;

        Kind(String label, boolean grave) {
            this.label = label;
            this.grave = grave;
        }

        /** Whether the power goes off at once, where it can be switched. */
        public boolean grave() {
            return grave;
        }

        public String label() {
            return label;
        }
    }

    /** @param odds among the faults that were reckoned, 0 to 1 */
    public record Suspected(String part, String says, double odds) {}

    public Alarm {
        suspects = List.copyOf(suspects);
    }
}
