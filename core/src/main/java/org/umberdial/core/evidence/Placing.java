package org.umberdial.core.evidence;

/** Where a part was when it was read. The names are stored; none is ever changed. */
public enum Placing {
    /** In its circuit, whatever is beside it read along. */
    IN_PLACE("in place"),
    LIFTED("one lead lifted"),
    OUT("out of the set");

    private final String label;

    Placing(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /** Whether nothing beside it was read along. */
    public boolean alone() {
        return this != IN_PLACE;
    }
}
