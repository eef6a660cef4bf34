package org.umberdial.core.circuit.work;

import java.util.Arrays;
import org.umberdial.core.circuit.law.Conductor;

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
    private static final double THETA = 0.55;

    private static final int MOST_INNER = 200;
    private static final double[] SINE = new double[STEPS];

    static {
        for (int i = 0; i < STEPS; i++) {
            SINE[i] = Math.sin(2 * Math.PI * (i + 1) / STEPS);
        }
    }

    final int states;
    final int junctions;
    final int inputs;
    private final Conductor[] laws;
    private final double[] emission;
    private final double[] guard;
    private final double[] cutOffVolts;

    private final double[][] stepped;
    private final double[][] gain;
    private final double[][] forward;
    private final double[][] byJunction;
    private final double[] byLine;
    private final double[] offset;
    private final double[][] junctionByState;
    private final double[][] junctionByJunction;
    private final double[] junctionByLine;
    private final double[] junctionOffset;
    private final double[][] stepJunction;
    private final double[][] seen;
    private final double[][] stateH;
    private final double[] stateC;
    private final double[][] stateToJunction;
    private final double[] stateToLine;

    /** State at the start of the cycle. */
    final double[] start;
    /** Inputs at the end of every step: states, junctions (less their guard), line. */
    final double[][] wave = new double[STEPS][];
    /** Junction volts at the end of every step. */
    final double[][] junctionVolts = new double[STEPS][];

    final double[] mean;
    final double[] meanState;
    private final double[] end;
    private final double[][] monodromy;
    private final double[][] meanByStart;
    private double[][] carried;
    private double[][] carriedJunction;
    private double[][] nextCarried;
    private final double[][] inner;
    private final double[][] solvedSlopes;
    /**
     * Slope of every junction's mean input by a constant voltage in series with every junction; see {@link #slopes}.
     */
    final double[][] closedSlopes;

    private final double[][] meanInputByStart;
    private final double[] stepOffset;
    private final double[] stepLine;
    private final double[] stateMiss;
    private final double[][] closing;
    private final double[][] closingInverse;
    private boolean closable;
    private final double[] base;
    private final double[] v;
    private final double[] input;
    private final double[] open;
    private final double[] miss;
    private final double[] slope;
    private final double[] law = new double[2];
    private double stepSeconds;

    Cycle(int states, Conductor[] laws, double[] guard) {
        this.states = states;
        this.laws = laws;
        this.guard = guard;
        junctions = laws.length;
        cutOffVolts = new double[junctions];
        for (int r = 0; r < junctions; r++) {
            cutOffVolts[r] = laws[r].cutOffVolts();
        }
        inputs = states + junctions + 1;
        emission = new double[junctions];
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
        inner = new double[junctions][junctions];
        solvedSlopes = new double[junctions][columns];
        closedSlopes = new double[junctions][junctions];
        meanInputByStart = new double[junctions][states];
        stepOffset = new double[states];
        stepLine = new double[states];
        stateMiss = new double[states];
        closing = new double[states][states];
        closingInverse = new double[states][states];
        base = new double[states];
        v = new double[junctions];
        input = new double[junctions];
        open = new double[junctions];
        miss = new double[junctions];
        slope = new double[junctions];
    }

    void emission(int junction, double share) {
        emission[junction] = share;
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
        stepSeconds = seconds / STEPS;
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
                implicit[i][k] = (i == k ? 1 : 0) - stepSeconds * THETA * stepped[i][k];
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
                stepJunction[i][j] = stepSeconds * THETA * sum;
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
                    double explicit = (l == k ? 1 / rate[l] : 0) + stepSeconds * (1 - THETA) * gain[l][k];
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
        double[] x = end;
        System.arraycopy(start, 0, x, 0, states);
        System.arraycopy(junctionVolts[STEPS - 1], 0, v, 0, junctions);
        if (!settle(x, 0, v, input, junctionByJunction)) {
            return false;
        }
        for (double[] row : carried) {
            Arrays.fill(row, 0);
        }
        for (int i = 0; i < states; i++) {
            carried[i][i] = 1;
        }
        if (slopes) {
            carry(junctionByJunction, carried, columns);
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
                double value = stepOffset[i] + stepLine[i] * drive;
                for (int k = 0; k < states; k++) {
                    value += stepped[i][k] * x[k];
                }
                for (int j = 0; j < junctions; j++) {
                    value += stepJunction[i][j] * input[j] * ((1 - THETA) / THETA);
                }
                base[i] = value;
            }
            if (slopes) {
                carryBase(columns);
            }
            if (step > 1) {
                // The junctions go on as they went, mostly; a better start than where they stood.
                for (int r = 0; r < junctions; r++) {
                    v[r] = laws[r].limited(v[r], 2 * v[r] - junctionVolts[step - 2][r]);
                }
            }
            if (!settle(base, line, v, input, seen)) {
                return false;
            }
            for (int i = 0; i < states; i++) {
                double value = base[i];
                for (int j = 0; j < junctions; j++) {
                    value += stepJunction[i][j] * input[j];
                }
                x[i] = value;
                meanState[i] += value / STEPS;
            }
            if (slopes) {
                carryStep(columns);
            }
            record(step, x, line, v, input);
            lineBefore = line;
        }
        for (int i = 0; i < states && slopes; i++) {
            System.arraycopy(carried[i], 0, monodromy[i], 0, states);
        }
        return true;
    }

    private void record(int step, double[] x, double line, double[] v, double[] input) {
        double[] row = wave[step];
        for (int i = 0; i < states; i++) {
            double q = offset[i] + byLine[i] * line;
            for (int k = 0; k < states; k++) {
                q += gain[i][k] * x[k];
            }
            for (int j = 0; j < junctions; j++) {
                q += byJunction[i][j] * input[j];
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

    /** Finds the junction volts for a base state: v = c + E base + K line + Z input, input = law(v) - guard v. */
    private boolean settle(double[] base, double line, double[] v, double[] input, double[][] z) {
        for (int r = 0; r < junctions; r++) {
            double sum = junctionOffset[r] + junctionByLine[r] * line;
            double[] byState = junctionByState[r];
            for (int i = 0; i < states; i++) {
                sum += byState[i] * base[i];
            }
            open[r] = sum;
        }
        for (int round = 0; round < MOST_INNER; round++) {
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
            boolean cutOff = true;
            for (int r = 0; r < junctions; r++) {
                double before = v[r];
                v[r] = laws[r].limited(before, before + miss[r]);
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

    /** Slopes of the junction inputs for the slopes of a base state standing in {@code of}; after {@link #settle}. */
    private void carry(double[][] z, double[][] of, int columns) {
        for (int r = 0; r < junctions; r++) {
            for (int j = 0; j < junctions; j++) {
                inner[r][j] = (r == j ? 1 : 0) - z[r][j] * slope[j];
            }
            double[] row = solvedSlopes[r];
            Arrays.fill(row, 0, columns, 0);
            if (columns > states) {
                row[states + r] = 1;
            }
            for (int i = 0; i < states; i++) {
                double by = junctionByState[r][i];
                double[] from = of[i];
                for (int column = 0; column < columns; column++) {
                    row[column] += by * from[column];
                }
            }
        }
        Dense.solve(inner, solvedSlopes, columns);
        for (int r = 0; r < junctions; r++) {
            for (int column = 0; column < columns; column++) {
                carriedJunction[r][column] = slope[r] * solvedSlopes[r][column];
            }
        }
    }

    private void carryBase(int columns) {
        for (int i = 0; i < states; i++) {
            double[] to = nextCarried[i];
            Arrays.fill(to, 0, columns, 0);
            for (int k = 0; k < states; k++) {
                double weight = stepped[i][k];
                double[] from = carried[k];
                for (int column = 0; column < columns; column++) {
                    to[column] += weight * from[column];
                }
            }
            for (int j = 0; j < junctions; j++) {
                double weight = stepJunction[i][j] * (1 - THETA) / THETA;
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
        carry(seen, carried, columns);
        for (int i = 0; i < states; i++) {
            for (int j = 0; j < junctions; j++) {
                for (int column = 0; column < columns; column++) {
                    carried[i][column] += stepJunction[i][j] * carriedJunction[j][column];
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
     * @return false when there are no slopes yet
     */
    boolean close() {
        if (!closable) {
            return false;
        }
        for (int i = 0; i < states; i++) {
            double sum = 0;
            for (int k = 0; k < states; k++) {
                sum += closingInverse[i][k] * stateMiss[k];
            }
            start[i] -= sum;
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
