package org.umberdial.core.circuit.work;

/** What is left of a budget of work, counted down by whatever solves for one answer. */
final class Work {
    private long left = Long.MAX_VALUE;

    /** Gives the next answer so many multiplications. */
    void give(long multiplications) {
        left = multiplications;
    }

    void take(long multiplications) {
        left -= multiplications;
    }

    boolean allows(long multiplications) {
        return multiplications <= left;
    }

    void end() {
        left = -1;
    }

    boolean isSpent() {
        return left < 0;
    }
}
