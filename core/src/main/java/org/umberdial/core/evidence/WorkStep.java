package org.umberdial.core.evidence;

/**
 * How a piece of planned work goes on.
 *
 * @param work id of the {@link WorkPlanned} entry
 * @param title what it is, for the log
 * @param agent what it was done with; may be empty
 * @param hours how long it dries or cures [h]; 0 when it does not
 */
public record WorkStep(String work, String title, Phase phase, String agent, double hours, String note)
        implements Fact {
    /** What happened. */
    public enum Phase {
        /** The hands are out; it may still be wet. */
        DONE("done"),
        /** It was looked at afterwards and is as it should be. */
        GOOD("looked at and right"),
        /** It is not. */
        BAD("looked at and not right"),
        /** Nobody does it. */
        DROPPED("left out");

        private final String label;

        Phase(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    public WorkStep {
        if (!(hours >= 0 && hours <= 10_000)) {
            throw new IllegalArgumentException("work dries for some hours: " + hours);
        }
    }

    @Override
    public String subject() {
        return "";
    }

    @Override
    public String sentence() {
        return title + ": " + phase.label
                + (agent.isEmpty() ? "" : ", with " + agent)
                + (note.isEmpty() ? "" : "; " + note);
    }
}
