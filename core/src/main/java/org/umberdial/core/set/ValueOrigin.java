package org.umberdial.core.set;

/** Where one of a part's values comes from, in rising order of what is believed. */
public enum ValueOrigin {
    SHEET("sheet"),
    BODY("body marking"),
    FITTED("found fitted"),
    DECIDED("decided");

    private final String label;

    ValueOrigin(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}
