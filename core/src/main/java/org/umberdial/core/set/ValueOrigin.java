package org.umberdial.core.set;

/** Where one of a part's values comes from, in rising order of what is believed. */
public enum ValueOrigin {
    /** What such sets commonly have: it helps to expect something, and accuses nobody. */
    USUAL("as usually built"),
    /** What a near relative of the set has. */
    RELATIVE("from a relative"),
    SHEET("sheet"),
    BODY("body marking"),
    FITTED("found fitted"),
    DECIDED("decided");

    private final String label;

    ValueOrigin(String label) {
        this.label = label;
    }

    /** Whether it is about this very set. */
    public boolean own() {
        return this != USUAL && this != RELATIVE;
    }

    public String label() {
        return label;
    }
}
