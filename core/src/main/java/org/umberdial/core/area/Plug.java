package org.umberdial.core.area;

/** Where the plug is for an act, and whether a hand goes inside. */
public enum Plug {
    IN("Plug in"),
    /** Out, and nothing inside is touched. */
    OUT("Plug out"),
    OUT_HANDS_IN("Plug out, hands in");

    private final String label;

    Plug(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}
