package org.umberdial.core.claim;

/** How much an observation can bear, the weakest first. */
public enum Strength {
    /** Reckoned from voltages: it names whom to ask, and proves nothing. */
    INFERRED("inferred from voltages"),
    TOLD("told"),
    SEEN("seen"),
    IN_CIRCUIT("read in circuit"),
    /** Out of the set, or with nothing beside it. */
    ISOLATED("tested by itself"),
    LIFTED("read with a lead lifted");

    private final String label;

    Strength(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}
