package org.umberdial.core.evidence;

/**
 * A set was given power in a planned run, or that run ended.
 *
 * @param run id of the run
 * @param phase whether it began or how it ended
 * @param words way and steps at its beginning; what it came to at its end
 */
public record PowerRun(String run, Phase phase, String words) implements Fact {
    /** The names are stored; none is ever changed. */
    public enum Phase {
        BEGAN("Power on"),
        /** Every step stood in its band to the end. */
        CAME_UP("Came up as a healthy set"),
        /** It went to its end, with something passed over or unlike a healthy set. */
        ENDED("Run ended"),
        STOPPED("Run stopped");

        private final String label;

        Phase(String label) {
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
        return phase.label + (words.isEmpty() ? "" : ": " + words);
    }
}
