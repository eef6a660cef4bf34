package org.umberdial.core.circuit.work;

import java.util.Arrays;

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
    private final PortLaw[] laws;
    /** Where the ports of each law begin, and which law a port belongs to. */
    private final int[] first;

    private final int[] owner;
    private final double[] held;
    private final double[] cutOffVolts;
    private final double[] open;
    private final double[] miss;
    /** Slopes of the inputs of each law's ports by their volts, where they were found last. */
    private final double[][][] slopes;
    /** Whether every law has one port, so that no input answers another's volts. */
    private final boolean single;
    /** Scratch, also for whoever solves with the slopes that were found. */
    final double[][] inner;

    JunctionBalance(int states, PortLaw[] laws, Port[] ports) {
        this.states = states;
        this.laws = laws;
        junctions = ports.length;
        first = new int[laws.length];
        owner = new int[junctions];
        slopes = new double[laws.length][][];
        cutOffVolts = new double[junctions];
        int at = 0;
        for (int l = 0; l < laws.length; l++) {
            int count = laws[l].ports().length;
            first[l] = at;
            slopes[l] = new double[count][count];
            for (int i = 0; i < count; i++, at++) {
                owner[at] = l;
                cutOffVolts[at] = laws[l].cutOffVolts();
            }
        }
        single = laws.length == junctions;
        held = Arrays.stream(ports).mapToDouble(Port::held).toArray();
        open = new double[junctions];
        miss = new double[junctions];
        inner = new double[junctions][junctions];
    }

    /** Where a port's law lets it go from one voltage towards another [V]. */
    double limited(int port, double before, double after) {
        return laws[owner[port]].limited(port - first[owner[port]], before, after);
    }

    /** The inputs at given volts. */
    void at(double[] v, double[] input) {
        for (int l = 0; l < laws.length; l++) {
            laws[l].evaluate(v, first[l], input, slopes[l]);
            for (int i = 0; i < slopes[l].length; i++) {
                int port = first[l] + i;
                input[port] -= held[port] * v[port];
                slopes[l][i][i] -= held[port];
            }
        }
    }

    /** The matrix of Newton's method on the ports' volts, into {@link #inner}: one less z times the slopes. */
    void fill(double[][] z) {
        for (int r = 0; r < junctions; r++) {
            for (int k = 0; k < junctions; k++) {
                double[][] law = slopes[owner[k]];
                int from = first[owner[k]];
                double sum = r == k ? 1 : 0;
                for (int j = 0; j < law.length; j++) {
                    sum -= z[r][from + j] * law[j][k - from];
                }
                inner[r][k] = sum;
            }
        }
    }

    /** Slopes of the inputs by the volts that stand open at the ports, where they were found last. */
    void transfer(double[][] z, double[][] into) {
        fill(z);
        double[][] inverse = new double[junctions][junctions];
        Dense.invert(inner, inverse);
        answers(inverse, into, junctions);
    }

    /** Slopes of the inputs from slopes of the ports' volts. */
    void answers(double[][] ofVolts, double[][] ofInputs, int columns) {
        for (int l = 0; l < laws.length; l++) {
            for (int i = 0; i < slopes[l].length; i++) {
                double[] to = ofInputs[first[l] + i];
                Arrays.fill(to, 0, columns, 0);
                for (int k = 0; k < slopes[l].length; k++) {
                    double slope = slopes[l][i][k];
                    double[] from = ofVolts[first[l] + k];
                    for (int column = 0; column < columns; column++) {
                        to[column] += slope * from[column];
                    }
                }
            }
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
            at(v, input);
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
                miss[0] /= 1 - z[0][0] * slopes[0][0][0];
            } else if (junctions == 2 && single) {
                solveTwo(z);
            } else {
                fill(z);
                if (!Dense.solve(inner, miss)) {
                    return false;
                }
            }
            boolean cutOff = round < HURRIED_ROUNDS;
            for (int r = 0; r < junctions; r++) {
                double before = v[r];
                v[r] = limited(r, before, before + (round < HURRIED_ROUNDS ? miss[r] : CAREFUL_SHARE * miss[r]));
                cutOff &= before < cutOffVolts[r] && v[r] < cutOffVolts[r];
            }
            if (cutOff) {
                // Nothing conducts, so that the step just taken was exact.
                for (int r = 0; r < junctions; r++) {
                    input[r] -= held[r] * miss[r];
                }
                return true;
            }
        }
        return false;
    }

    private void solveTwo(double[][] z) {
        double a = 1 - z[0][0] * slopes[0][0][0];
        double b = -z[0][1] * slopes[1][0][0];
        double c = -z[1][0] * slopes[0][0][0];
        double d = 1 - z[1][1] * slopes[1][0][0];
        double determinant = a * d - b * c;
        double first = (d * miss[0] - b * miss[1]) / determinant;
        miss[1] = (a * miss[1] - c * miss[0]) / determinant;
        miss[0] = first;
    }
}
