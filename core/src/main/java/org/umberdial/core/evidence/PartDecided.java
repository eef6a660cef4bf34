package org.umberdial.core.evidence;

/**
 * What was decided of a part, against what the house would do with it or where it leaves the choice.
 *
 * @param part its reference
 * @param choice what happens to it
 * @param reason in the writer's words; may be empty
 */
public record PartDecided(String part, Choice choice, String reason) implements Fact {
    /** The names are stored; none is ever changed. */
    public enum Choice {
        /** It stays although it is not as it should be, since that does no harm here; said at hand-over. */
        KEEP("keep, known"),
        REPLACE("replace"),
        FORM("form it"),
        /** Left to the house rules again. */
        HOUSE("as the house rules say");

        private final String label;

        Choice(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    @Override
    public String subject() {
        return part;
    }

    @Override
    public String sentence() {
        return part + ": " + choice.label + (reason.isEmpty() ? "" : ", " + reason);
    }
}
