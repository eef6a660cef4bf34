package org.umberdial.core.circuit.work;

/**
 * One step of the line cycle for everything that is linear in it: what the states become, and what stands at the open
 * junctions, by the states before, the junctions' inputs and the line. A workspace.
 */
final class CycleStep {
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
    private final double[] stateC;
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
        stateC = new double[states];
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
        stepSeconds = seconds / Cycle.STEPS;
        for (int i = 0; i < states; i++) {
            System.arraycopy(h[i], 0, stateH[i], 0, states);
            System.arraycopy(h[i], states, stateToJunction[i], 0, junctions);
            stateToLine[i] = h[i][states + junctions];
            stateC[i] = c[i];
        }
        if (!Dense.invert(stateH, gain)) {
            return false;
        }
        double[][] a = stepped;
        for (int i = 0; i < states; i++) {
            double line = 0;
            double constant = 0;
            for (int k = 0; k < states; k++) {
                a[i][k] = rate[i] * gain[i][k];
                line -= gain[i][k] * stateToLine[k];
                constant -= gain[i][k] * stateC[k];
            }
            byLine[i] = line;
            offset[i] = constant;
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
            double constant = c[states + r];
            for (int i = 0; i < states; i++) {
                line += row[i] * byLine[i];
                constant += row[i] * offset[i];
                double sum = 0;
                for (int k = 0; k < states; k++) {
                    sum += row[k] * gain[k][i];
                }
                junctionByState[r][i] = sum;
            }
            junctionByLine[r] = line;
            junctionOffset[r] = constant;
            for (int j = 0; j < junctions; j++) {
                double sum = row[states + j];
                for (int i = 0; i < states; i++) {
                    sum += row[i] * byJunction[i][j];
                }
                junctionByJunction[r][j] = sum;
            }
        }
        return discretise(rate);
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
            double constant = 0;
            double line = 0;
            for (int k = 0; k < states; k++) {
                constant += forward[i][k] * offset[k];
                line += forward[i][k] * byLine[k];
            }
            stepOffset[i] = stepSeconds * constant;
            stepLine[i] = stepSeconds * line;
        }
        // The free part of a step: x0 plus both halves of the rates; kept as matrices on x0 and on the old and new
        // inputs.
        double[][] free = new double[states][states];
        for (int i = 0; i < states; i++) {
            for (int k = 0; k < states; k++) {
                double sum = 0;
                for (int l = 0; l < states; l++) {
                    double explicit = (l == k ? 1 / rate[l] : 0) + stepSeconds * (1 - Cycle.THETA) * gain[l][k];
                    sum += forward[i][l] * explicit;
                }
                free[i][k] = sum;
            }
        }
        for (int i = 0; i < states; i++) {
            System.arraycopy(free[i], 0, stepped[i], 0, states);
        }
        return true;
    }
}
