package org.umberdial.core.circuit.work;

import java.util.Arrays;

/**
 * How the end of a line cycle answers its start, for circuits of many capacitors; a workspace.
 *
 * <p>Each step is x' = A x + B' u + B u', where A, B and B' stay and only the few junctions' answers u change from step
 * to step. So the end is A^n, by repeated squaring, and the junctions' part, which has as many columns as there are
 * junctions: 8 products of matrices instead of 96.
 */
final class LongCarry {
    private static final int KEPT_ROUNDS = 4;

    private final int states;
    private final int ports;
    private final int steps;
    private final CycleStep around;
    /** Slopes of every port's input by the volts that stand open at it, step by step from the start. */
    final double[][][] answers;

    private final double[][][] inputs;
    /**
     * The powers, kept for some rounds of Newton's method: where they are a little old it only closes a little later.
     * When the slopes themselves are asked for they are always new.
     */
    /** What the last {@link #carry} took [multiplications]. */
    long work;

    private double[][] power;

    private double[][] all;
    private int age;

    LongCarry(int states, int ports, int steps, CycleStep around) {
        this.states = states;
        this.ports = ports;
        this.steps = steps;
        this.around = around;
        answers = new double[steps + 1][ports][ports];
        inputs = new double[steps + 1][][];
    }

    /**
     * @param fromStart whether the inputs at the start answer the start
     * @param outside how many further columns stand for a constant voltage at each port: 0 or the number of ports
     * @param end overwritten: end by start and by those voltages
     * @param means overwritten when it is asked for: mean state by start
     * @param sums overwritten: sum of each port's inputs over the steps, by start and those voltages
     */
    void carry(boolean fromStart, int outside, double[][] end, double[][] means, boolean withMeans, double[][] sums) {
        int columns = states + outside;
        work = (long) states * states * states;
        double back = (1 - Cycle.THETA) / Cycle.THETA;
        double[][] now = around.stepJunction;
        double[][] before = new double[states][ports];
        for (int i = 0; i < states; i++) {
            for (int j = 0; j < ports; j++) {
                before[i][j] = back * now[i][j];
            }
        }
        double[][] together = Dense.product(around.stepped, now);
        Dense.add(together, before);
        // Volts at the ports by what each input did m steps ago, and what the states then are.
        double[][][] reach = new double[steps][][];
        double[][][] later = new double[steps][][];
        later[0] = together;
        double[][] laterStart = before;
        double[][][] reachStart = new double[steps][][];
        for (int m = 0; m < steps; m++) {
            if (m > 0) {
                later[m] = Dense.product(around.stepped, later[m - 1]);
                laterStart = Dense.product(around.stepped, laterStart);
            }
            reach[m] = Dense.product(around.junctionByState, later[m]);
            reachStart[m] = Dense.product(around.junctionByState, laterStart);
        }
        double[][] row = around.junctionByState;
        inputs[0] =
                fromStart ? Dense.product(answers[0], widened(row, columns, outside > 0)) : new double[ports][columns];
        for (double[] sum : sums) {
            Arrays.fill(sum, 0, columns, 0);
        }
        for (int t = 1; t <= steps; t++) {
            row = Dense.product(row, around.stepped);
            double[][] volts = widened(row, columns, outside > 0);
            for (int s = 0; s < t; s++) {
                Dense.addProduct(volts, s == 0 ? reachStart[t - 1] : reach[t - s - 1], inputs[s]);
            }
            inputs[t] = Dense.product(answers[t], volts);
            Dense.add(sums, inputs[t]);
        }
        if (outside > 0 || age % KEPT_ROUNDS == 0 || withMeans && all == null) {
            power = new double[states][states];
            all = withMeans ? new double[states][states] : null;
            powers(power, all);
            age = 0;
            work += 9L * states * states * states;
        }
        work += 4L * steps * states * states * ports;
        age++;
        for (int i = 0; i < states; i++) {
            System.arraycopy(power[i], 0, end[i], 0, states);
            Arrays.fill(end[i], states, columns, 0);
        }
        // What each step's inputs are at the end: together A^(steps - s - 1) u, the last one's own now.
        Dense.addProduct(end, laterStart, inputs[0]);
        for (int s = 1; s < steps; s++) {
            Dense.addProduct(end, later[steps - s - 1], inputs[s]);
        }
        Dense.addProduct(end, now, inputs[steps]);
        if (withMeans) {
            mean(means, Dense.copy(all), later, before, now);
        }
    }

    void forget() {
        age = 0;
    }

    private void mean(double[][] means, double[][] all, double[][][] later, double[][] before, double[][] now) {
        double[][] sum = all;
        double[][] start = before;
        double[][] startSum = before;
        double[][] laterSum = new double[states][ports];
        double[][][] sumOf = new double[steps][][];
        for (int m = 0; m < steps; m++) {
            double[][] next = new double[states][ports];
            Dense.add(next, laterSum);
            Dense.add(next, later[m]);
            sumOf[m] = next;
            laterSum = next;
            if (m > 0) {
                start = Dense.product(around.stepped, start);
                double[][] more = new double[states][ports];
                Dense.add(more, startSum);
                Dense.add(more, start);
                startSum = more;
            }
        }
        Dense.addProduct(sum, startSum, inputs[0]);
        for (int s = 1; s < steps; s++) {
            Dense.addProduct(sum, sumOf[steps - s - 1], inputs[s]);
        }
        for (int s = 1; s <= steps; s++) {
            Dense.addProduct(sum, now, inputs[s]);
        }
        for (int i = 0; i < states; i++) {
            for (int k = 0; k < states; k++) {
                means[i][k] = sum[i][k] / steps;
            }
        }
    }

    private double[][] widened(double[][] row, int columns, boolean outside) {
        double[][] volts = new double[ports][columns];
        for (int r = 0; r < ports; r++) {
            System.arraycopy(row[r], 0, volts[r], 0, states);
            if (outside) {
                volts[r][states + r] = 1;
            }
        }
        return volts;
    }

    /** A to the number of steps, and A + A² + ... up to it when that is asked for. */
    private void powers(double[][] power, double[][] sum) {
        double[][] p = null;
        double[][] q = null;
        for (int bit = Integer.highestOneBit(steps); bit > 0; bit >>= 1) {
            if (p != null) {
                if (sum != null) {
                    q = Dense.plusProduct(q, p, q);
                }
                p = Dense.product(p, p);
            }
            if ((steps & bit) != 0) {
                if (sum != null) {
                    q = q == null ? around.stepped : Dense.plusProduct(around.stepped, around.stepped, q);
                }
                p = p == null ? around.stepped : Dense.product(around.stepped, p);
            }
        }
        for (int i = 0; i < states; i++) {
            System.arraycopy(p[i], 0, power[i], 0, states);
            if (sum != null) {
                System.arraycopy(q[i], 0, sum[i], 0, states);
            }
        }
    }
}
