package org.umberdial.core.circuit.work;

import org.umberdial.core.circuit.law.Conductor;

/** Finds the volts at all driven junctions at one moment by Newton's method; a workspace. */
final class JunctionBalance {
    private static final int MOST_ROUNDS = 200;
    /**
     * A law's leaps may go to and fro over the answer for ever; after so many rounds no step is long enough for one.
     */
    private static final int HURRIED_ROUNDS = 40;

    private static final double CAREFUL_SHARE = 0.7;

    private final int states;
    private final int junctions;
    private final Conductor[] laws;
    private final double[] guard;
    private final double[] emission;
    private final double[] cutOffVolts;
    private final double[] open;
    private final double[] miss;
    /** Slope of each junction's input by its volts, where they were found last. */
    final double[] slope;
    /** Scratch, also for whoever solves with the slopes that were found. */
    final double[][] inner;

    private final double[] law = new double[2];

    /** @param guard conductance of each that the network holds already [S] */
    JunctionBalance(int states, Conductor[] laws, double[] guard) {
        this.states = states;
        this.laws = laws;
        this.guard = guard;
        junctions = laws.length;
        emission = new double[junctions];
        cutOffVolts = new double[junctions];
        for (int r = 0; r < junctions; r++) {
            cutOffVolts[r] = laws[r].cutOffVolts();
        }
        open = new double[junctions];
        miss = new double[junctions];
        slope = new double[junctions];
        inner = new double[junctions][junctions];
    }

    void emission(int junction, double share) {
        emission[junction] = share;
    }

    /** Where a junction's law lets it go from one voltage towards another [V]. */
    double limited(int junction, double before, double after) {
        return laws[junction].limited(before, after);
    }

    /** The junctions' inputs at given volts. */
    void at(double[] v, double[] input) {
        for (int r = 0; r < junctions; r++) {
            laws[r].evaluate(v[r], emission[r], law);
            input[r] = law[0] - guard[r] * v[r];
            slope[r] = law[1] - guard[r];
        }
    }

    /** For a base state: v = c + E base + K line + Z input, input = law(v) - guard v. */
    boolean settle(CycleStep around, double[] base, double line, double[] v, double[] input, double[][] z) {
        for (int r = 0; r < junctions; r++) {
            double sum = around.junctionOffset[r] + around.junctionByLine[r] * line;
            double[] byState = around.junctionByState[r];
            for (int i = 0; i < states; i++) {
                sum += byState[i] * base[i];
            }
            open[r] = sum;
        }
        for (int round = 0; round < MOST_ROUNDS; round++) {
            for (int r = 0; r < junctions; r++) {
                laws[r].evaluate(v[r], emission[r], law);
                input[r] = law[0] - guard[r] * v[r];
                slope[r] = law[1] - guard[r];
            }
            double largest = 0;
            for (int r = 0; r < junctions; r++) {
                double m = open[r] - v[r];
                for (int j = 0; j < junctions; j++) {
                    m += z[r][j] * input[j];
                }
                miss[r] = m;
                largest = Math.max(largest, Math.abs(m) / (1 + Math.abs(v[r])));
            }
            if (largest < (round < 20 ? 1e-9 : 1e-7)) {
                return true;
            }
            if (junctions == 1) {
                miss[0] /= 1 - z[0][0] * slope[0];
            } else if (junctions == 2) {
                solveTwo(z);
            } else {
                for (int r = 0; r < junctions; r++) {
                    for (int j = 0; j < junctions; j++) {
                        inner[r][j] = (r == j ? 1 : 0) - z[r][j] * slope[j];
                    }
                }
                if (!Dense.solve(inner, miss)) {
                    return false;
                }
            }
            boolean cutOff = round < HURRIED_ROUNDS;
            for (int r = 0; r < junctions; r++) {
                double before = v[r];
                v[r] = laws[r].limited(before, before + (round < HURRIED_ROUNDS ? miss[r] : CAREFUL_SHARE * miss[r]));
                cutOff &= before < cutOffVolts[r] && v[r] < cutOffVolts[r];
            }
            if (cutOff) {
                // Nothing conducts, so that the step just taken was exact.
                for (int r = 0; r < junctions; r++) {
                    input[r] -= guard[r] * miss[r];
                }
                return true;
            }
        }
        return false;
    }

    private void solveTwo(double[][] z) {
        double a = 1 - z[0][0] * slope[0];
        double b = -z[0][1] * slope[1];
        double c = -z[1][0] * slope[0];
        double d = 1 - z[1][1] * slope[1];
        double determinant = a * d - b * c;
        double first = (d * miss[0] - b * miss[1]) / determinant;
        miss[1] = (a * miss[1] - c * miss[0]) / determinant;
        miss[0] = first;
    }
}
