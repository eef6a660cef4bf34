package org.umberdial.core.parts;

/** What happens to a part. */
public enum Decision {
    REPLACE("replace"),
    FORM("form"),
    READ("read"),
    SETTLE("settle"),
    KEEP("keep"),
    KEEP_KNOWN("keep, known"),
    /** The new one is in. */
    IN("in");

    private final String label;

    Decision(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}
