package org.umberdial.core.evidence;

/**
 * A wire of the set: what it joins, what it is, and what became of it.
 *
 * @param from a pin such as {@code V3.5}, a point's name, or words
 * @param to the other end
 * @param colour as one would say it; may be empty
 * @param squareMillimetres of its copper; 0 when nobody said
 * @param ratedVolts its insulation's; 0 when nobody said [V]
 * @param note clearance, ground return, shield and hum before and after; may be empty
 */
public record Wired(
        String from, String to, String colour, double squareMillimetres, double ratedVolts, Made made, String note)
        implements Fact {
    /** What became of it. The names are stored; none is ever changed. */
    public enum Made {
        KEPT("kept"),
        TO_REPLACE("to be replaced"),
        REPLACED("replaced"),
        SPLICED("spliced"),
        SHIELDED("replaced by a shielded one");

        private final String label;

        Made(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    @Override
    public String subject() {
        return from;
    }

    @Override
    public String sentence() {
        return "Wire from " + from + " to " + to + (colour.isEmpty() ? "" : ", " + colour) + ": " + made.label
                + (note.isEmpty() ? "" : "; " + note);
    }
}
