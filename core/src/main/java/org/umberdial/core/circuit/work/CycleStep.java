package org.umberdial.core.circuit.work;

import java.util.Arrays;

/**
 * One step of the line cycle for everything that is linear in it: what the states become, and what stands at the open
 * junctions, by the states before, the junctions' inputs and the line. A workspace.
 */
final class CycleStep {
    /** What the last {@link #surround} took [multiplications]. */
    long work;

    private double[][] taken;
    private double[] takenRate;
    private final int states;
    private final int junctions;
    /** States after a step by those before. */
    final double[][] stepped;

    final double[][] gain;
    private final double[][] forward;
    final double[][] byJunction;
    final double[] byLine;
    final double[] offset;
    final double[][] junctionByState;
    final double[][] junctionByJunction;
    final double[] junctionByLine;
    final double[] junctionOffset;
    final double[][] stepJunction;
    final double[][] seen;
    private final double[][] stateH;
    private final double[][] stateToJunction;
    private final double[] stateToLine;
    final double[] stepOffset;
    final double[] stepLine;
    private double stepSeconds;

    CycleStep(int states, int junctions) {
        this.states = states;
        this.junctions = junctions;
        stepped = new double[states][states];
        gain = new double[states][states];
        forward = new double[states][states];
        byJunction = new double[states][junctions];
        byLine = new double[states];
        offset = new double[states];
        junctionByState = new double[junctions][states];
        junctionByJunction = new double[junctions][junctions];
        junctionByLine = new double[junctions];
        junctionOffset = new double[junctions];
        stepJunction = new double[states][junctions];
        seen = new double[junctions][junctions];
        stateH = new double[states][states];
        stateToJunction = new double[states][junctions];
        stateToLine = new double[states];
        stepOffset = new double[states];
        stepLine = new double[states];
    }

    /**
     * Takes the linear surroundings.
     *
     * @param h {@code out} by {@code in}, rows and columns states, junctions, line
     * @param c {@code out} without any input
     * @param rate 1/C of a capacitor, 1/L of a magnet
     * @param seconds of one cycle
     * @return false when the surroundings are singular
     */
    boolean surround(double[][] h, double[] c, double[] rate, double seconds) {
        if (same(h, rate, seconds / Cycle.STEPS)) {
            offsets(h, c);
            work = (long) states * states;
            return true;
        }
        stepSeconds = seconds / Cycle.STEPS;
        work = 4L * states * states * states;
        for (int i = 0; i < states; i++) {
            System.arraycopy(h[i], 0, stateH[i], 0, states);
            System.arraycopy(h[i], states, stateToJunction[i], 0, junctions);
            stateToLine[i] = h[i][states + junctions];
        }
        if (!Dense.invert(stateH, gain)) {
            return false;
        }
        double[][] a = stepped;
        for (int i = 0; i < states; i++) {
            double line = 0;
            for (int k = 0; k < states; k++) {
                a[i][k] = rate[i] * gain[i][k];
                line -= gain[i][k] * stateToLine[k];
            }
            byLine[i] = line;
            for (int j = 0; j < junctions; j++) {
                double sum = 0;
                for (int k = 0; k < states; k++) {
                    sum -= gain[i][k] * stateToJunction[k][j];
                }
                byJunction[i][j] = sum;
            }
        }
        for (int r = 0; r < junctions; r++) {
            double[] row = h[states + r];
            double line = row[states + junctions];
            for (int i = 0; i < states; i++) {
                line += row[i] * byLine[i];
                double sum = 0;
                for (int k = 0; k < states; k++) {
                    sum += row[k] * gain[k][i];
                }
                junctionByState[r][i] = sum;
            }
            junctionByLine[r] = line;
            for (int j = 0; j < junctions; j++) {
                double sum = row[states + j];
                for (int i = 0; i < states; i++) {
                    sum += row[i] * byJunction[i][j];
                }
                junctionByJunction[r][j] = sum;
            }
        }
        if (!discretise(rate)) {
            return false;
        }
        offsets(h, c);
        return true;
    }

    /** What stands without any input; the only part that moves from round to round where there are no tubes. */
    private void offsets(double[][] h, double[] c) {
        for (int i = 0; i < states; i++) {
            double constant = 0;
            for (int k = 0; k < states; k++) {
                constant -= gain[i][k] * c[k];
            }
            offset[i] = constant;
        }
        for (int r = 0; r < junctions; r++) {
            double constant = c[states + r];
            for (int i = 0; i < states; i++) {
                constant += h[states + r][i] * offset[i];
            }
            junctionOffset[r] = constant;
        }
        for (int i = 0; i < states; i++) {
            double constant = 0;
            for (int k = 0; k < states; k++) {
                constant += forward[i][k] * offset[k];
            }
            stepOffset[i] = stepSeconds * constant;
        }
    }

    /** Whether nothing has changed since last; a circuit without tubes looks the same in every round. */
    private boolean same(double[][] h, double[] rate, double step) {
        boolean same = taken != null && step == stepSeconds && Arrays.equals(rate, takenRate);
        for (int i = 0; i < h.length && same; i++) {
            same = Arrays.equals(h[i], taken[i]);
        }
        if (!same) {
            taken = new double[h.length][];
            for (int i = 0; i < h.length; i++) {
                taken[i] = h[i].clone();
            }
            takenRate = rate.clone();
        }
        return same;
    }

    /** x1 = forward · (x0 + h(1-θ) x0') + forward · hθ w1, with the rates folded in. */
    private boolean discretise(double[] rate) {
        double[][] implicit = new double[states][states];
        for (int i = 0; i < states; i++) {
            for (int k = 0; k < states; k++) {
                implicit[i][k] = (i == k ? 1 : 0) - stepSeconds * Cycle.THETA * stepped[i][k];
            }
        }
        if (!Dense.invert(implicit, forward)) {
            return false;
        }
        for (int i = 0; i < states; i++) {
            for (int k = 0; k < states; k++) {
                forward[i][k] *= rate[k];
            }
        }
        for (int i = 0; i < states; i++) {
            for (int j = 0; j < junctions; j++) {
                double sum = 0;
                for (int k = 0; k < states; k++) {
                    sum += forward[i][k] * byJunction[k][j];
                }
                stepJunction[i][j] = stepSeconds * Cycle.THETA * sum;
            }
        }
        for (int r = 0; r < junctions; r++) {
            for (int j = 0; j < junctions; j++) {
                double sum = junctionByJunction[r][j];
                for (int i = 0; i < states; i++) {
                    sum += junctionByState[r][i] * stepJunction[i][j];
                }
                seen[r][j] = sum;
            }
        }
        for (int i = 0; i < states; i++) {
            double line = 0;
            for (int k = 0; k < states; k++) {
                line += forward[i][k] * byLine[k];
            }
            stepLine[i] = stepSeconds * line;
        }
        // The free part of a step: x0 plus both halves of the rates; kept as matrices on x0 and on the old and new
        // inputs.
        double[][] free = Dense.product(forward, gain);
        for (int i = 0; i < states; i++) {
            for (int k = 0; k < states; k++) {
                free[i][k] = forward[i][k] / rate[k] + stepSeconds * (1 - Cycle.THETA) * free[i][k];
            }
        }
        for (int i = 0; i < states; i++) {
            System.arraycopy(free[i], 0, stepped[i], 0, states);
        }
        return true;
    }
}
