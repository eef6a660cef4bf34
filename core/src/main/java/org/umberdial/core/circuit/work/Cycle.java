package org.umberdial.core.circuit.work;

import java.util.Arrays;
import java.util.Optional;

/**
 * One line cycle of the few quantities that change within it; a workspace.
 *
 * <p>Around a working point everything but the driven junctions is linear, so the circuit seen from its large
 * capacitors, its magnets and its junctions is a small matrix H: {@code out = c + H in}. States x are capacitor volts
 * and magnetising amperes with {@code dx/dt = rate · in}, the junctions' inputs follow their laws, the line is a sine
 * of amplitude one. The cycle is stepped (theta method, {@value #STEPS} steps), and the state it starts from is
 * corrected by Newton's method until it ends where it began ("shooting"; T. Aprille and T. Trick, Proc. IEEE 60, 1972),
 * or has drifted by what the slow charging asks for. Conduction angles come out, they are not assumed.
 */
final class Cycle {
    static final int STEPS = 96;
    /**
     * Slightly more than a half: damps the ringing of a junction that switches on, at the cost of 0.1 % in the
     * waveform.
     */
    static final double THETA = 0.55;

    /** From so many states on their slopes are worked out all at once instead of step by step. */
    private static final int MANY_STATES = 40;

    private static final double[] SINE = new double[STEPS];

    static {
        for (int i = 0; i < STEPS; i++) {
            SINE[i] = Math.sin(2 * Math.PI * (i + 1) / STEPS);
        }
    }

    final int states;
    final int junctions;
    final int inputs;
    private final boolean chokes;
    private final CycleStep around;
    private final JunctionBalance balance;

    /**
     * Whether the junctions are settled anew where the cycle starts, though there are chokes: where next to nothing
     * holds a rectifier's volts, what its end carried makes each cycle begin farther off than the one before.
     */
    boolean settledStart;
    /** Whether the set warms up, so that the mean state matters. */
    boolean drifting;
    /** State at the start of the cycle. */
    final double[] start;
    /** Inputs at the end of every step: states, junctions (less their guard), line. */
    final double[][] wave = new double[STEPS][];
    /** Junction volts at the end of every step. */
    final double[][] junctionVolts = new double[STEPS][];

    /** For circuits of many states; empty for the others. */
    private final Optional<LongCarry> longCarry;

    final double[] mean;
    final double[] meanState;
    private final double[] end;
    private final double[][] monodromy;
    private final double[][] meanByStart;
    private double[][] carried;
    private double[][] carriedJunction;
    private double[][] nextCarried;
    private final double[][] solvedSlopes;
    /**
     * Slope of every junction's mean input by a constant voltage in series with every junction; see {@link #slopes}.
     */
    final double[][] closedSlopes;

    private final double[][] meanInputByStart;
    private final double[] stateMiss;
    private final double[][] closing;
    private final double[][] closingInverse;
    private boolean closable;
    private final double[] base;
    private final double[] v;
    private final double[] input;

    /** @param chokes whether a state is the current of a coil that rectifiers may leave without a path */
    Cycle(int states, PortLaw[] laws, Port[] ports, boolean chokes) {
        this.chokes = chokes;
        this.states = states;
        junctions = ports.length;
        around = new CycleStep(states, junctions);
        balance = new JunctionBalance(states, laws, ports);
        inputs = states + junctions + 1;
        longCarry = states >= MANY_STATES && junctions > 0
                ? Optional.of(new LongCarry(states, junctions, STEPS, around))
                : Optional.empty();
        start = new double[states];
        for (int i = 0; i < STEPS; i++) {
            wave[i] = new double[inputs];
            junctionVolts[i] = new double[junctions];
        }
        mean = new double[inputs];
        meanState = new double[states];
        end = new double[states];
        monodromy = new double[states][states];
        meanByStart = new double[states][states];
        int columns = states + junctions;
        carried = new double[states][columns];
        nextCarried = new double[states][columns];
        carriedJunction = new double[junctions][columns];
        solvedSlopes = new double[junctions][columns];
        closedSlopes = new double[junctions][junctions];
        meanInputByStart = new double[junctions][states];
        stateMiss = new double[states];
        closing = new double[states][states];
        closingInverse = new double[states][states];
        base = new double[states];
        v = new double[junctions];
        input = new double[junctions];
    }

    /** About what the last {@link #surround} and {@link #run} took [multiplications]. */
    long work(boolean slopes) {
        long n = states;
        long plain = around.work + STEPS * (n + junctions) * (n + junctions) * 2;
        return slopes ? longCarry.map(carry -> carry.work).orElse(STEPS * n * n * (n + 3L * junctions)) : plain;
    }

    /** The most that {@link #surround} can take [multiplications]. */
    long mostWork() {
        return 4L * states * states * states;
    }

    /**
     * Takes the linear surroundings; see {@link CycleStep#surround}.
     *
     * @return false when they are singular
     */
    boolean surround(double[][] h, double[] c, double[] rate, double seconds) {
        return around.surround(h, c, rate, seconds);
    }

    /**
     * Runs one cycle from {@link #start}.
     *
     * @param slopes whether to carry the slopes by {@link #start} along
     * @return false when a junction's voltage could not be found
     */
    boolean run(boolean slopes) {
        return run(slopes, false);
    }

    /** @param answers whether {@link #slopes} will be asked for */
    boolean run(boolean slopes, boolean answers) {
        int columns = answers ? states + junctions : slopes ? states : 0;
        boolean atOnce = slopes && longCarry.isPresent();
        boolean stepwise = slopes && !atOnce;
        double[] x = end;
        System.arraycopy(start, 0, x, 0, states);
        System.arraycopy(junctionVolts[STEPS - 1], 0, v, 0, junctions);
        if (chokes && !settledStart) {
            // The cycle begins with what its end carried: a closed one has no other beginning, and a current that is a
            // hair off where nothing conducts would else stand for thousands of volts across its choke.
            balance.at(v, input);
        } else if (!balance.settle(around, x, 0, v, input, around.junctionByJunction)) {
            return false;
        }
        for (double[] row : carried) {
            Arrays.fill(row, 0);
        }
        for (int i = 0; i < states; i++) {
            carried[i][i] = 1;
        }
        for (double[] row : carriedJunction) {
            Arrays.fill(row, 0);
        }
        boolean fromStart = answers || !chokes || settledStart;
        if (atOnce) {
            balance.transfer(around.junctionByJunction, longCarry.get().answers[0]);
        } else if (slopes && fromStart) {
            carry(around.junctionByJunction, carried, columns);
        }
        for (double[] row : meanByStart) {
            Arrays.fill(row, 0);
        }
        for (double[] row : closedSlopes) {
            Arrays.fill(row, 0);
        }
        for (double[] row : meanInputByStart) {
            Arrays.fill(row, 0);
        }
        Arrays.fill(mean, 0);
        Arrays.fill(meanState, 0);
        double lineBefore = 0;
        for (int step = 0; step < STEPS; step++) {
            double line = SINE[step];
            double drive = (1 - THETA) * lineBefore + THETA * line;
            for (int i = 0; i < states; i++) {
                double value = around.stepOffset[i] + around.stepLine[i] * drive;
                for (int k = 0; k < states; k++) {
                    value += around.stepped[i][k] * x[k];
                }
                for (int j = 0; j < junctions; j++) {
                    value += around.stepJunction[i][j] * input[j] * ((1 - THETA) / THETA);
                }
                base[i] = value;
            }
            if (stepwise) {
                carryBase(columns);
            }
            if (step > 1) {
                // The junctions go on as they went, mostly; a better start than where they stood.
                for (int r = 0; r < junctions; r++) {
                    v[r] = balance.limited(r, v[r], 2 * v[r] - junctionVolts[step - 2][r]);
                }
            }
            if (!balance.settle(around, base, line, v, input, around.seen)) {
                return false;
            }
            for (int i = 0; i < states; i++) {
                double value = base[i];
                for (int j = 0; j < junctions; j++) {
                    value += around.stepJunction[i][j] * input[j];
                }
                x[i] = value;
                meanState[i] += value / STEPS;
            }
            if (atOnce) {
                balance.transfer(around.seen, longCarry.get().answers[step + 1]);
            } else if (stepwise) {
                carryStep(columns);
            }
            record(step, x, line, v, input);
            lineBefore = line;
        }
        if (atOnce) {
            longCarry.get().carry(fromStart, answers ? junctions : 0, carried, meanByStart, drifting, carriedJunction);
            for (int r = 0; r < junctions; r++) {
                for (int j = 0; j < junctions && answers; j++) {
                    closedSlopes[r][j] = carriedJunction[r][states + j] / STEPS;
                }
                for (int i = 0; i < states; i++) {
                    meanInputByStart[r][i] = carriedJunction[r][i] / STEPS;
                }
            }
        }
        for (int i = 0; i < states && slopes; i++) {
            System.arraycopy(carried[i], 0, monodromy[i], 0, states);
        }
        return true;
    }

    private void record(int step, double[] x, double line, double[] v, double[] input) {
        double[] row = wave[step];
        for (int i = 0; i < states; i++) {
            double q = around.offset[i] + around.byLine[i] * line;
            for (int k = 0; k < states; k++) {
                q += around.gain[i][k] * x[k];
            }
            for (int j = 0; j < junctions; j++) {
                q += around.byJunction[i][j] * input[j];
            }
            row[i] = q;
            mean[i] += q / STEPS;
        }
        for (int j = 0; j < junctions; j++) {
            row[states + j] = input[j];
            mean[states + j] += input[j] / STEPS;
            junctionVolts[step][j] = v[j];
        }
        row[states + junctions] = line;
    }

    /**
     * Slopes of the junction inputs for the slopes of a base state standing in {@code of}; after
     * {@link JunctionBalance#settle}.
     */
    private void carry(double[][] z, double[][] of, int columns) {
        balance.fill(z);
        for (int r = 0; r < junctions; r++) {
            double[] row = solvedSlopes[r];
            Arrays.fill(row, 0, columns, 0);
            if (columns > states) {
                row[states + r] = 1;
            }
            for (int i = 0; i < states; i++) {
                double by = around.junctionByState[r][i];
                double[] from = of[i];
                for (int column = 0; column < columns; column++) {
                    row[column] += by * from[column];
                }
            }
        }
        Dense.solve(balance.inner, solvedSlopes, columns);
        balance.answers(solvedSlopes, carriedJunction, columns);
    }

    private void carryBase(int columns) {
        for (int i = 0; i < states; i++) {
            double[] to = nextCarried[i];
            Arrays.fill(to, 0, columns, 0);
            for (int k = 0; k < states; k++) {
                double weight = around.stepped[i][k];
                double[] from = carried[k];
                for (int column = 0; column < columns; column++) {
                    to[column] += weight * from[column];
                }
            }
            for (int j = 0; j < junctions; j++) {
                double weight = around.stepJunction[i][j] * (1 - THETA) / THETA;
                double[] from = carriedJunction[j];
                for (int column = 0; column < columns; column++) {
                    to[column] += weight * from[column];
                }
            }
        }
        double[][] swap = carried;
        carried = nextCarried;
        nextCarried = swap;
    }

    private void carryStep(int columns) {
        carry(around.seen, carried, columns);
        for (int i = 0; i < states; i++) {
            for (int j = 0; j < junctions; j++) {
                for (int column = 0; column < columns; column++) {
                    carried[i][column] += around.stepJunction[i][j] * carriedJunction[j][column];
                }
            }
            for (int k = 0; k < states; k++) {
                meanByStart[i][k] += carried[i][k] / STEPS;
            }
        }
        for (int r = 0; r < junctions; r++) {
            for (int j = 0; j < junctions && columns > states; j++) {
                closedSlopes[r][j] += carriedJunction[r][states + j] / STEPS;
            }
            for (int i = 0; i < states; i++) {
                meanInputByStart[r][i] += carriedJunction[r][i] / STEPS;
            }
        }
    }

    /**
     * Corrects {@link #start} so that the cycle closes, with the slopes of the last {@link #run} that carried them;
     * they need not be of this cycle, they only make it slower when they are old.
     *
     * @param share of the correction that is made
     * @return false when there are no slopes yet
     */
    boolean close(double share) {
        if (!closable) {
            return false;
        }
        for (int i = 0; i < states; i++) {
            double sum = 0;
            for (int k = 0; k < states; k++) {
                sum += closingInverse[i][k] * stateMiss[k];
            }
            start[i] -= share * sum;
        }
        return true;
    }

    /** Takes the slopes of the last run for {@link #close}. */
    void learn(double drift) {
        for (int i = 0; i < states; i++) {
            for (int k = 0; k < states; k++) {
                closing[i][k] = monodromy[i][k] - (i == k ? 1 : 0) - drift * meanByStart[i][k];
            }
        }
        closable = Dense.invert(closing, closingInverse);
    }

    void forget() {
        longCarry.ifPresent(LongCarry::forget);
        closable = false;
    }

    /**
     * By how much the cycle run last missed closing, as a mean current [A].
     *
     * @param drift share of the mean state's change since {@code previous} that falls in one cycle; 0 for a settled set
     * @param previous mean state one slow step ago
     * @param scale amperes per unit of state and cycle
     */
    double open(double drift, double[] previous, double[] scale) {
        double largest = 0;
        for (int i = 0; i < states; i++) {
            stateMiss[i] = end[i] - start[i] - drift * (meanState[i] - (drift > 0 ? previous[i] : 0));
            largest = Math.max(largest, Math.abs(stateMiss[i]) * scale[i]);
        }
        return largest;
    }

    /**
     * The largest mean current into a capacitor in the cycle run last [A]; none in a closed one, but one with hardly a
     * resistance around it may carry much while its volts close.
     *
     * @param capacitors how many of the states are their volts, the first ones
     */
    double charging(int capacitors) {
        double largest = 0;
        for (int i = 0; i < capacitors; i++) {
            largest = Math.max(largest, Math.abs(mean[i]));
        }
        return largest;
    }

    /**
     * The slopes of {@link #closedSlopes} corrected for the change of the closed cycle's start: how the mean input of
     * each junction answers a constant voltage in series with each. Valid after {@link #run} with slopes.
     */
    double[][] slopes() {
        double[][] matrix = new double[states][states];
        double[][] shift = new double[states][junctions];
        for (int i = 0; i < states; i++) {
            for (int k = 0; k < states; k++) {
                matrix[i][k] = (i == k ? 1 : 0) - monodromy[i][k];
            }
            for (int j = 0; j < junctions; j++) {
                shift[i][j] = carried[i][states + j];
            }
        }
        Dense.solve(matrix, shift, junctions);
        double[][] result = new double[junctions][junctions];
        for (int r = 0; r < junctions; r++) {
            for (int j = 0; j < junctions; j++) {
                double sum = closedSlopes[r][j];
                for (int i = 0; i < states; i++) {
                    sum += meanInputByStart[r][i] * shift[i][j];
                }
                result[r][j] = sum;
            }
        }
        return result;
    }
}
