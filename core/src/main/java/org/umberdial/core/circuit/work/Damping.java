package org.umberdial.core.circuit.work;

/**
 * The share of Newton's step that is taken, by how the miss has gone so far: less of it while rounds leap to and fro
 * over the answer without coming nearer, more again once they do.
 */
final class Damping {
    /** What counts as coming nearer. */
    private static final double NEARER = 0.7;
    /** Newton's method is left alone for so many rounds. */
    private static final int LEFT_ALONE = 6;

    private static final int PATIENCE = 3;
    private static final double LEAST = 0.02;

    private double share;
    private double best;
    private int rounds;
    private double last;
    private int stalled;
    private int falling;

    Damping() {
        restart();
    }

    void restart() {
        share = 1;
        best = Double.POSITIVE_INFINITY;
        last = Double.POSITIVE_INFINITY;
        rounds = 0;
        stalled = 0;
        falling = 0;
    }

    /** @param miss of the round just worked out, 0 when it is met */
    double next(double miss) {
        rounds++;
        falling = miss < last ? falling + 1 : 0;
        last = miss;
        if (miss < NEARER * best || falling >= PATIENCE) {
            best = Math.min(best, miss);
            stalled = 0;
            falling = 0;
            share = Math.min(2 * share, 1);
        } else if (rounds > LEFT_ALONE && ++stalled % PATIENCE == 0) {
            share = Math.max(share / 2, LEAST);
        }
        return share;
    }
}
