package org.umberdial.core.proof;

/** How a part or a point stands. */
public enum ProofState {
    UNPROVEN("unproven"),
    /** Some of what can be proven of it is, not all. */
    PARTLY("partly proven"),
    PROVEN("proven"),
    DOUBTFUL("doubtful"),
    TO_REPLACE("to be replaced"),
    REPLACED("replaced");

    private final String label;

    ProofState(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /** Whether something is left to do. */
    public boolean open() {
        return this == UNPROVEN || this == PARTLY || this == DOUBTFUL || this == TO_REPLACE;
    }
}
