package org.umberdial.core.evidence;

/**
 * A part was replaced.
 *
 * @param part its reference
 * @param with what went in: {@code 22 n 630 V film}
 * @param standsIn whether it only stands in until the right one is there
 * @param old what became of the old one
 */
public record PartReplaced(String part, String with, boolean standsIn, Old old) implements Fact {
    /** What became of the part that was there. The names are stored; none is ever changed. */
    public enum Old {
        OUT("out of the set", ""),
        FOR_LOOKS("left for looks, cut free at both ends", "the old one stays for looks, cut free at both ends"),
        AROUND_THE_NEW("around the new one", "inside the old one’s case");

        private final String label;
        private final String said;

        Old(String label, String said) {
            this.label = label;
            this.said = said;
        }

        public String label() {
            return label;
        }

        /** As it is said of the new part; empty when the old one is simply gone. */
        public String said() {
            return said;
        }
    }

    public PartReplaced(String part, String with) {
        this(part, with, false);
    }

    public PartReplaced(String part, String with, boolean standsIn) {
        this(part, with, standsIn, Old.OUT);
    }

    @Override
    public String subject() {
        return part;
    }

    @Override
    public String sentence() {
        return "Replaced " + part + (with.isEmpty() ? "" : " with " + with)
                + (standsIn ? ", which stands in for the right one" : "")
                + (old.said.isEmpty() ? "" : "; " + old.said);
    }
}
