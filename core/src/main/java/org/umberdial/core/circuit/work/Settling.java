package org.umberdial.core.circuit.work;

import org.umberdial.core.circuit.network.Values;

/**
 * Ways to bring a set to rest, the quick ones first: from where the solver stands, from nothing, with slopes worked out
 * anew and steps damped, with the sources stepped up, and at last as the circuit itself would come there.
 */
final class Settling {
    private static final double CURRENT_TOLERANCE = 1e-7;
    private static final double VOLT_TOLERANCE = 2e-5;
    private static final double WARMTH_TOLERANCE = 1e-4;
    /** Heaters follow once the voltages have nearly settled. */
    private static final double HEATERS_FROM_VOLTS = 3;
    /** Of every node while creeping, in a step as long as a cycle [S]. */
    private static final double INERTIA_SIEMENS = 1e-3;
    /** What a round may still move after the last resort [V], a thousandth beside [A]. */
    private static final double NEARLY_VOLTS = 2e-3;

    private static final double NEARLY_AMPERES = 1e-5;
    private static final int MOST_CREEPING = 60;
    private static final double LONGEST_CREEPING_SECONDS = 1e6;

    private final Solver solver;

    Settling(Solver solver) {
        this.solver = solver;
    }

    /** Solves at rest, from wherever the workspace stands; steps the sources up from nothing when that fails. */
    boolean solve(Values values) {
        if (solver.drift != 0) {
            solver.drift = 0;
            solver.cycle.forget();
        }
        solver.share = 1;
        solver.careful = false;
        if (rest(values, true)) {
            return true;
        }
        for (boolean slopesAnew : new boolean[] {false, true}) {
            solver.careful = slopesAnew;
            solver.cold();
            if (rest(values, true)) {
                return true;
            }
        }
        if (solver.coupling.chokes) {
            solver.cycle.settledStart = true;
            solver.cold();
            boolean settled = rest(values, true);
            solver.cycle.settledStart = false;
            if (settled) {
                return true;
            }
        }
        solver.cold();
        for (double step : new double[] {0.1, 0.25, 0.4, 0.55, 0.7, 0.8, 0.9, 1}) {
            solver.share = step;
            rest(values, false);
        }
        solver.share = 1;
        return rest(values, true) || creep(values);
    }

    /**
     * The last resort, which goes where the circuit itself would: from nothing, in implicit steps of time that grow as
     * long as they settle, every node with some solver.inertia beside its capacitors (pseudo-transient continuation; C.
     * Kelley and D. Keyes, SIAM J. Numer. Anal. 35, 1998).
     */
    private boolean creep(Values values) {
        solver.cold();
        double seconds = solver.period();
        for (int steps = 0;
                steps < MOST_CREEPING && !solver.work.isSpent() && seconds < LONGEST_CREEPING_SECONDS;
                steps++) {
            solver.drift = solver.period() / seconds;
            solver.inertia = INERTIA_SIEMENS * solver.drift;
            solver.cycle.forget();
            System.arraycopy(solver.cycle.meanState, 0, solver.previousState, 0, solver.coupling.states);
            System.arraycopy(solver.x, 0, solver.heldX, 0, solver.heldX.length);
            Solver.State before = solver.state();
            if (solver.slowly(values)) {
                solver.restHeaters();
                seconds *= 3;
            } else {
                solver.restore(before);
                seconds /= 5;
            }
        }
        solver.inertia = 0;
        solver.drift = 0;
        solver.cycle.forget();
        // What stalls this near has reached the last digits of a large alternating voltage; the guard looks at it yet.
        return rest(values, true)
                || solver.lastMoved < NEARLY_VOLTS
                        && solver.cycleMiss < NEARLY_AMPERES
                        && solver.worstMiss(values) < NEARLY_AMPERES;
    }

    private boolean rest(Values values, boolean heaters) {
        solver.lastMoved = Double.POSITIVE_INFINITY;
        solver.leaps.restart();
        solver.closing.restart();
        solver.heaters.settled();
        for (solver.rounds = 1; solver.rounds <= Solver.MOST_ROUNDS; solver.rounds++) {
            double moved = solver.round(values, solver.rounds == 1);
            if (Double.isNaN(moved)) {
                return false;
            }
            double heated = 0;
            if (heaters && moved < HEATERS_FROM_VOLTS) {
                heated = solver.restHeaters();
            }
            if (moved < VOLT_TOLERANCE
                    && solver.cycleMiss < Solver.CYCLE_TOLERANCE
                    && heated < WARMTH_TOLERANCE
                    && solver.worstMiss(values) < CURRENT_TOLERANCE) {
                return true;
            }
        }
        return false;
    }
}
