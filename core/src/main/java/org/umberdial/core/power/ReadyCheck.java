package org.umberdial.core.power;

import java.util.List;

/**
 * One thing that must be settled before the set is given power.
 *
 * @param id stable: {@code isolation}; of another area's stop, its id
 * @param title what it is about
 * @param says what holds, or what is asked
 * @param choices answers a person can give; empty when only evidence opens it
 * @param everyRun whether it is asked before each run anew
 * @param act id of the act that settles it; may be empty
 * @param passable whether one may go on without it, for a written reason
 */
public record ReadyCheck(
        String id,
        String title,
        State state,
        String says,
        List<Choice> choices,
        boolean everyRun,
        String act,
        boolean passable) {
    /** How it stands. */
    public enum State {
        OPEN("settled"),
        /** Nobody has answered, or nobody has read it. */
        ASKED("to settle"),
        WRONG("not as it must be"),
        PASSED("passed over, with a reason");

        private final String label;

        State(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        public boolean lets() {
            return this == OPEN || this == PASSED;
        }
    }

    /**
     * One answer.
     *
     * @param opens whether it settles the matter
     * @param then what follows from it
     */
    public record Choice(String id, String words, boolean opens, String then) {}

    public ReadyCheck {
        choices = List.copyOf(choices);
    }
}
