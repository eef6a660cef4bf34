package org.umberdial.core.circuit.work;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Predicate;
import org.umberdial.core.circuit.law.Conductor;
import org.umberdial.core.circuit.law.Filament;
import org.umberdial.core.circuit.network.Amplifier;
import org.umberdial.core.circuit.network.Heat;
import org.umberdial.core.circuit.network.Junction;
import org.umberdial.core.circuit.network.Magnet;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Source;
import org.umberdial.core.circuit.network.Store;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.sparse.SparseLu;

/**
 * Newton's method on the means of a running set, with the line cycle solved inside it. A workspace for one thread.
 *
 * <p>Each round makes the tubes linear at the present means, reduces everything to what the line cycle needs
 * ({@link Cycle}), runs one cycle with its slopes, and moves means and cycle together. A network without an alternating
 * source has no cycle and is solved by Newton's method alone.
 */
final class Solver {
    /** Capacitors from here on hold their charge within a line cycle [F]. */
    private static final double STATE_FARADS = 0.4e-6;
    /** Coils from here on hold their current within a line cycle [H]. */
    private static final double STATE_HENRIES = 0.05;
    /** Capacitance left in an open capacitor: lead to lead [F]. */
    private static final double STRAY_FARADS = 1e-9;

    private static final double CURRENT_TOLERANCE = 1e-7;
    private static final double VOLT_TOLERANCE = 2e-5;
    private static final double WARMTH_TOLERANCE = 1e-4;
    /** What a closed cycle may miss by, as a mean current [A]. */
    private static final double CYCLE_TOLERANCE = 1e-7;
    /** d ln R / d ln V of a filament at rest. */
    private static final double FILAMENT_SLOPE = 0.45;
    /** While nodes still move this far, a cycle closed with old slopes is good enough [V]. */
    private static final double FAR_VOLTS = 0.5;
    /** But not for longer than this; a circuit that is still far then needs the slopes. */
    private static final int ROUGH_ROUNDS = 5;
    /** While warming up, a centivolt and some microamperes of charging current are below what is shown. */
    private static final double SLOW_VOLT_TOLERANCE = 1e-2;

    private static final double SLOW_CYCLE_TOLERANCE = 5e-5;
    /** Old slopes of the cycle go on being used while they bring the miss down to this share each round. */
    private static final double OLD_SLOPES_SHARE = 0.3;
    /** Core loss of a magnet that has none given, so that one with all its windings open still has an answer [S]. */
    private static final double LEAST_CORE_SIEMENS = 1e-8;
    /** Below this a filament is cold and what its neighbours do is no matter [V]. */
    private static final double FOLLOWING_VOLTS = 0.05;

    private static final double MOST_WARMTH = 50;
    /** Backward leakage of a driven junction; it says where a winding floats while nothing conducts [S]. */
    private static final double JUNCTION_LEAK_SIEMENS = 1e-9;
    /** Heaters follow once the voltages have nearly settled. */
    private static final double HEATERS_FROM_VOLTS = 3;

    private static final int MOST_ROUNDS = 60;
    /** A grid may move this far in one round [V]; a tube's law is nearly straight over it. */
    private static final double GRID_STEP_VOLTS = 6;

    final Network network;
    final Stamps stamps;
    final SparseLu lu;
    final double[] matrix;
    final double[] residual;
    final double[] siemens;
    final double[] move;
    final double[] x;
    final double[] warmth;
    final double[] rms;
    final double[] inputMean;
    final double[][] columns;
    final int[] stateStores;
    final int[] stateMagnets;
    final int[] driven;
    final int states;
    final int inputs;
    final boolean hasLine;
    final Cycle cycle;
    private final double[][] h;
    private final double[] c;
    private final double[] rate;
    private final double[] scale;
    private final double[][] covariance;
    private final double[] right;
    /** The conductances last solved for, filaments at rated heat. */
    private double[] nominalSiemens;
    /** What warms each filament as its RMS volts would warm a sound one. */
    final double[] effectiveVolts;

    private final double[] heaterMiss;
    private final double[][] heaterSlopes;
    /** Share of the sources that is on; 1 but while stepping up. */
    private double share = 1;
    /** Conductance of a meter at {@link #probed} [S]. */
    double probeSiemens;
    /** The node a meter loads, to the reference; below 0 for none. */
    int probed = -1;
    /** Mean states one slow step ago, and the share of the slow step that a cycle is; for warming up. */
    final double[] previousState;

    double drift;
    int rounds;
    /** By how much the last cycle missed closing [A]. */
    private double cycleMiss;
    /** Whether the cycle's slopes are worked out anew in every round; slower, and sure where old ones mislead. */
    private boolean careful;
    /** How far the farthest node moved in the last round [V]. */
    private double lastMoved;
    /** State and averages one slow step ago, for where the next one starts looking. */
    private final double[] stepStart;

    private final double[] stepX;
    private boolean stepped;

    Solver(Network network) {
        this.network = network;
        stamps = new Stamps(network);
        lu = new SparseLu(stamps.pattern);
        matrix = new double[stamps.pattern.count()];
        int size = stamps.size;
        residual = new double[size];
        move = new double[size];
        right = new double[size];
        x = new double[size];
        siemens = new double[network.branches().size()];
        warmth = new double[network.heats().size()];
        rms = new double[warmth.length];
        effectiveVolts = new double[warmth.length];
        heaterMiss = new double[warmth.length];
        heaterSlopes = new double[warmth.length][warmth.length];
        Arrays.fill(warmth, 1);
        hasLine = network.line().isPresent();
        stateStores = hasLine ? indices(network.stores(), store -> store.farads() >= STATE_FARADS) : new int[0];
        stateMagnets = hasLine
                ? indices(
                        network.magnets(), magnet -> magnet.branches().length > 1 || magnet.henries() >= STATE_HENRIES)
                : new int[0];
        driven = hasLine ? indices(network.junctions(), Junction::acDriven) : new int[0];
        states = stateStores.length + stateMagnets.length;
        inputs = hasLine ? states + driven.length + 1 : 0;
        Conductor[] laws = Arrays.stream(driven)
                .mapToObj(i -> network.junctions().get(i).law())
                .toArray(Conductor[]::new);
        double[] guard = new double[driven.length];
        Arrays.fill(guard, Stamps.GUARD - JUNCTION_LEAK_SIEMENS);
        cycle = new Cycle(states, laws, guard);
        inputMean = new double[inputs];
        columns = new double[inputs][size];
        h = new double[inputs][inputs];
        c = new double[inputs];
        rate = new double[states];
        scale = new double[states];
        covariance = new double[inputs][inputs];
        previousState = new double[states];
        stepStart = new double[states];
        stepX = new double[size];
    }

    private static <T> int[] indices(List<T> all, Predicate<T> chosen) {
        List<Integer> found = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            if (chosen.test(all.get(i))) {
                found.add(i);
            }
        }
        return found.stream().mapToInt(Integer::intValue).toArray();
    }

    double period() {
        return 1 / network.line().map(Source::hertz).orElse(50.0);
    }

    /** Solves at rest, from wherever the workspace stands; steps the sources up from nothing when that fails. */
    boolean solve(Values values) {
        if (drift != 0) {
            drift = 0;
            cycle.forget();
        }
        share = 1;
        careful = false;
        if (rest(values, true)) {
            return true;
        }
        careful = true;
        cold();
        if (rest(values, true)) {
            return true;
        }
        cold();
        for (double step : new double[] {0.1, 0.25, 0.4, 0.55, 0.7, 0.8, 0.9, 1}) {
            share = step;
            rest(values, false);
        }
        share = 1;
        return rest(values, true);
    }

    /**
     * One slow step of a set that warms up, from the state of the step before.
     *
     * @param seconds length of the step
     * @return false when it did not settle
     */
    boolean step(Values values, double seconds) {
        if (drift != period() / seconds) {
            drift = period() / seconds;
            cycle.forget();
        }
        share = 1;
        System.arraycopy(cycle.meanState, 0, previousState, 0, states);
        double[] presentX = x.clone();
        double[] presentStart = cycle.start.clone();
        goOn(stepX, x);
        goOn(stepStart, cycle.start);
        if (slowly(values)) {
            stepped = true;
            return true;
        }
        System.arraycopy(presentX, 0, x, 0, x.length);
        System.arraycopy(presentStart, 0, cycle.start, 0, states);
        cycle.forget();
        stepped = false;
        return slowly(values);
    }

    private boolean slowly(Values values) {
        for (rounds = 1; rounds <= MOST_ROUNDS; rounds++) {
            double moved = round(values, rounds == 1);
            if (Double.isNaN(moved)) {
                return false;
            }
            if (moved < SLOW_VOLT_TOLERANCE && cycleMiss < SLOW_CYCLE_TOLERANCE) {
                return true;
            }
        }
        return false;
    }

    /** Starts where a straight line through the last two steps leads. */
    private void goOn(double[] before, double[] now) {
        for (int i = 0; i < now.length; i++) {
            double present = now[i];
            if (stepped) {
                now[i] += present - before[i];
            }
            before[i] = present;
        }
    }

    /** RMS volts across a branch in the last cycle; after {@link #spread}. */
    double rmsAcross(int branch) {
        double[] weights = new double[inputs];
        for (int p = 0; p < inputs; p++) {
            weights[p] = stamps.across(columns[p], branch);
        }
        double dc = stamps.across(x, branch);
        return Math.sqrt(dc * dc + meanSquare(weights));
    }

    /** Forgets where it stood: no volts anywhere, every heater hot. */
    void cold() {
        Arrays.fill(x, 0);
        Arrays.fill(inputMean, 0);
        Arrays.fill(cycle.start, 0);
        Arrays.fill(cycle.meanState, 0);
        cycle.forget();
        stepped = false;
        for (double[] volts : cycle.junctionVolts) {
            Arrays.fill(volts, 0);
        }
        Arrays.fill(warmth, 1);
    }

    private boolean rest(Values values, boolean heaters) {
        for (rounds = 1; rounds <= MOST_ROUNDS; rounds++) {
            double moved = round(values, rounds == 1);
            if (Double.isNaN(moved)) {
                return false;
            }
            double heated = 0;
            if (heaters && moved < HEATERS_FROM_VOLTS) {
                heated = restHeaters();
            }
            if (moved < VOLT_TOLERANCE
                    && cycleMiss < CYCLE_TOLERANCE
                    && heated < WARMTH_TOLERANCE
                    && worstMiss(values) < CURRENT_TOLERANCE) {
                return true;
            }
        }
        return false;
    }

    /**
     * One round.
     *
     * @param fresh whether this is the first round of a solve, in which the slopes of the solve before are worth a
     *     trial
     * @return how far the farthest node moved [V]; NaN when the round failed
     */
    double round(Values values, boolean fresh) {
        nominalSiemens = values.siemens();
        stamps.conductances(values, warmth, siemens);
        stamps.fill(values, siemens, warmth, x, share, matrix, residual);
        probe();
        addInputs(values, residual, inputMean);
        if (!lu.factor(matrix)) {
            return Double.NaN;
        }
        for (int i = 0; i < right.length; i++) {
            right[i] = -residual[i];
        }
        lu.solve(right, move);
        double open = 0;
        if (hasLine) {
            open = runCycle(values, fresh);
            if (Double.isNaN(open)) {
                return Double.NaN;
            }
            for (int p = 0; p < inputs; p++) {
                double change = cycle.mean[p] - inputMean[p];
                for (int i = 0; i < move.length; i++) {
                    move[i] += columns[p][i] * change;
                }
            }
        }
        double step = tubeStep();
        double moved = 0;
        for (int i = 0; i < x.length; i++) {
            x[i] += step * move[i];
            if (i < stamps.nodes) {
                moved = Math.max(moved, Math.abs(move[i]) / (1 + 1e-3 * Math.abs(x[i])));
            }
        }
        for (int p = 0; p < inputs; p++) {
            inputMean[p] += step * (cycle.mean[p] - inputMean[p]);
        }
        cycleMiss = open;
        lastMoved = moved;
        return Double.isFinite(moved) ? moved : Double.NaN;
    }

    private void probe() {
        if (probed >= 0) {
            stamps.load(probed, probeSiemens, x, matrix, residual);
        }
    }

    /** Share of the move that keeps every control grid within its step. */
    private double tubeStep() {
        double step = 1;
        for (Amplifier tube : network.amplifiers()) {
            double now = Stamps.at(x, tube.grid()) - Stamps.at(x, tube.cathode());
            double change = Math.abs(Stamps.at(move, tube.grid()) - Stamps.at(move, tube.cathode()));
            double allowed = GRID_STEP_VOLTS + 0.5 * Math.abs(now);
            if (change > allowed) {
                step = Math.min(step, allowed / change);
            }
        }
        return Math.max(step, 0.05);
    }

    /** Puts what capacitors, magnets, junctions and line feed in, on top of the static residual. */
    private void addInputs(Values values, double[] to, double[] mean) {
        for (int s = 0; s < stateStores.length; s++) {
            Store store = network.stores().get(stateStores[s]);
            out(to, store.a(), store.b(), mean[s]);
        }
        for (int k = 0; k < stateMagnets.length; k++) {
            Magnet magnet = network.magnets().get(stateMagnets[k]);
            for (int w = 0; w < magnet.branches().length; w++) {
                int branch = magnet.branches()[w];
                out(
                        to,
                        stamps.branchA(branch),
                        stamps.branchB(branch),
                        -siemens[branch] * magnet.turns()[w] * mean[stateStores.length + k]);
            }
        }
        for (int j = 0; j < driven.length; j++) {
            Junction junction = network.junctions().get(driven[j]);
            out(to, junction.a(), junction.b(), mean[states + j]);
        }
    }

    private static void out(double[] to, int a, int b, double current) {
        if (a >= 0) {
            to[a] += current;
        }
        if (b >= 0) {
            to[b] -= current;
        }
    }

    private double runCycle(Values values, boolean fresh) {
        for (int p = 0; p < inputs; p++) {
            Arrays.fill(right, 0);
            inject(values, p);
            lu.solve(right, columns[p]);
        }
        surroundings(values);
        for (int j = 0; j < driven.length; j++) {
            Junction junction = network.junctions().get(driven[j]);
            cycle.emission(j, Stamps.emission(warmth, junction.heat()) * values.junctionHealth()[driven[j]]);
        }
        if (!cycle.surround(h, c, rate, period())) {
            return Double.NaN;
        }
        if (!cycle.run(false)) {
            return Double.NaN;
        }
        double open = cycle.open(drift, previousState, scale);
        boolean converging = !careful
                && (fresh || rounds <= ROUGH_ROUNDS && lastMoved > FAR_VOLTS || open < OLD_SLOPES_SHARE * cycleMiss);
        if (open < CYCLE_TOLERANCE || converging && cycle.close()) {
            return open;
        }
        if (!cycle.run(true)) {
            return Double.NaN;
        }
        open = cycle.open(drift, previousState, scale);
        cycle.learn(drift);
        cycle.close();
        return open;
    }

    /** One ampere, volt or line amplitude of input {@code p}, as the right side of the linear system. */
    private void inject(Values values, int p) {
        if (p < stateStores.length) {
            Store store = network.stores().get(stateStores[p]);
            out(right, store.a(), store.b(), -1);
        } else if (p < states) {
            Magnet magnet = network.magnets().get(stateMagnets[p - stateStores.length]);
            for (int w = 0; w < magnet.branches().length; w++) {
                int branch = magnet.branches()[w];
                out(right, stamps.branchA(branch), stamps.branchB(branch), siemens[branch] * magnet.turns()[w]);
            }
        } else if (p < states + driven.length) {
            Junction junction = network.junctions().get(driven[p - states]);
            out(right, junction.a(), junction.b(), -1);
        } else {
            for (int i = 0; i < network.sources().size(); i++) {
                if (network.sources().get(i).isLine()) {
                    right[stamps.nodes + i] = share * values.volts()[i] * Math.sqrt(2);
                }
            }
        }
    }

    private double output(int p, double[] at) {
        if (p < stateStores.length) {
            Store store = network.stores().get(stateStores[p]);
            return Stamps.at(at, store.a()) - Stamps.at(at, store.b());
        }
        if (p < states) {
            Magnet magnet = network.magnets().get(stateMagnets[p - stateStores.length]);
            double sum = 0;
            for (int w = 0; w < magnet.branches().length; w++) {
                int branch = magnet.branches()[w];
                sum += siemens[branch] * magnet.turns()[w] * stamps.across(at, branch);
            }
            return sum;
        }
        if (p < states + driven.length) {
            Junction junction = network.junctions().get(driven[p - states]);
            return Stamps.at(at, junction.a()) - Stamps.at(at, junction.b());
        }
        return 0;
    }

    private void surroundings(Values values) {
        for (int p = 0; p < inputs; p++) {
            for (int q = 0; q < inputs; q++) {
                h[p][q] = output(p, columns[q]);
            }
        }
        for (int s = 0; s < stateStores.length; s++) {
            h[s][s] -= values.esr()[stateStores[s]];
            double farads = Math.max(values.farads()[stateStores[s]], STRAY_FARADS);
            rate[s] = 1 / farads;
            scale[s] = farads / period();
        }
        for (int k = 0; k < stateMagnets.length; k++) {
            Magnet magnet = network.magnets().get(stateMagnets[k]);
            int s = stateStores.length + k;
            for (int w = 0; w < magnet.branches().length; w++) {
                h[s][s] -= siemens[magnet.branches()[w]] * magnet.turns()[w] * magnet.turns()[w];
            }
            h[s][s] -= Math.max(1 / magnet.coreOhms(), LEAST_CORE_SIEMENS);
            rate[s] = 1 / magnet.henries();
            // A flux that creeps shows as a voltage over the windings; as a current it is that over a typical kilohm.
            scale[s] = magnet.henries() / period() * 1e-3;
        }
        for (int p = 0; p < inputs; p++) {
            double value = output(p, x) + output(p, move);
            for (int q = 0; q < inputs; q++) {
                value -= h[p][q] * inputMean[q];
            }
            if (p < states) {
                // The outputs of x hold the inputs' direct part only when they are not states themselves.
                value += direct(values, p) * inputMean[p];
            }
            c[p] = value;
        }
    }

    /** What {@link #surroundings} put on the diagonal beside the network's own answer. */
    private double direct(Values values, int p) {
        if (p < stateStores.length) {
            return -values.esr()[stateStores[p]];
        }
        Magnet magnet = network.magnets().get(stateMagnets[p - stateStores.length]);
        double sum = -Math.max(1 / magnet.coreOhms(), LEAST_CORE_SIEMENS);
        for (int w = 0; w < magnet.branches().length; w++) {
            sum -= siemens[magnet.branches()[w]] * magnet.turns()[w] * magnet.turns()[w];
        }
        return sum;
    }

    /** The largest current that any node misses by at the present state [A]. */
    double worstMiss(Values values) {
        stamps.conductances(values, warmth, siemens);
        stamps.fill(values, siemens, warmth, x, share, matrix, residual);
        probe();
        addInputs(values, residual, inputMean);
        double worst = 0;
        for (int i = 0; i < stamps.nodes; i++) {
            worst = Math.max(worst, Math.abs(residual[i]));
        }
        return worst;
    }

    /** The node that misses most, after a failed solve. */
    int worstNode() {
        int worst = 0;
        for (int i = 0; i < stamps.nodes; i++) {
            if (!(Math.abs(residual[i]) <= Math.abs(residual[worst]))) {
                worst = i;
            }
        }
        return worst;
    }

    /** Covariance of the inputs over the last cycle. */
    void spread() {
        for (double[] row : covariance) {
            Arrays.fill(row, 0);
        }
        for (double[] wave : cycle.wave) {
            for (int p = 0; p < inputs; p++) {
                double a = wave[p] - cycle.mean[p];
                for (int q = p; q < inputs; q++) {
                    covariance[p][q] += a * (wave[q] - cycle.mean[q]);
                }
            }
        }
        for (int p = 0; p < inputs; p++) {
            for (int q = p; q < inputs; q++) {
                covariance[p][q] /= Cycle.STEPS;
                covariance[q][p] = covariance[p][q];
            }
        }
    }

    /** Mean square of the alternating part of a quantity that is {@code weights} times the inputs. */
    double meanSquare(double[] weights) {
        double sum = 0;
        for (int p = 0; p < inputs; p++) {
            for (int q = 0; q < inputs; q++) {
                sum += weights[p] * weights[q] * covariance[p][q];
            }
        }
        return Math.max(sum, 0);
    }

    /** RMS volts across each heater and lamp, its DC included. */
    void heaterVolts() {
        if (hasLine) {
            spread();
        }
        double[] weights = new double[inputs];
        for (int i = 0; i < rms.length; i++) {
            Heat heat = network.heats().get(i);
            double dc = 0;
            double square = 0;
            // Both parts of a tapped heater are warmed by their own power; together they make one temperature.
            for (int b = 0; b < heat.branches().length; b++) {
                int branch = heat.branches()[b];
                for (int p = 0; p < inputs; p++) {
                    weights[p] = stamps.across(columns[p], branch);
                }
                dc = stamps.across(x, branch);
                square += (dc * dc + meanSquare(weights)) / heat.shares()[b];
            }
            rms[i] = Math.sqrt(square);
            // A filament that has drifted or broken gets its warmth at other volts than a sound one.
            double drifted = network.branches().get(heat.branches()[0]).ohms() * nominalSiemens[heat.branches()[0]];
            effectiveVolts[i] = rms[i] * Math.sqrt(drifted);
        }
    }

    /**
     * Moves every filament to where it rests on its present volts; the change of the farthest, as a share.
     *
     * <p>Heaters in a string share the line, so that one's resistance moves all the others' volts: Newton's method on
     * the logarithms of their resistances, with the string's own transfer resistances.
     */
    private double restHeaters() {
        int count = rms.length;
        if (count == 0) {
            return 0;
        }
        heaterVolts();
        for (int i = 0; i < count; i++) {
            Filament law = network.heats().get(i).law();
            heaterMiss[i] = Math.log(law.ohms(law.restingWarmth(effectiveVolts[i])) / law.ohms(warmth[i]));
        }
        for (int k = 0; k < count; k++) {
            Arrays.fill(right, 0);
            out(right, heaterStart(k), heaterEnd(k), -1);
            lu.solve(right, move);
            double ohms = network.heats().get(k).law().ohms(warmth[k])
                    * Math.min(rms[k] * rms[k] / Math.max(effectiveVolts[k] * effectiveVolts[k], 1e-9), 1e9);
            for (int i = 0; i < count; i++) {
                double transfer = Stamps.at(move, heaterEnd(i)) - Stamps.at(move, heaterStart(i));
                double ratio = transfer / ohms * rms[k] / Math.max(rms[i], 1e-3);
                boolean follows = rms[i] > FOLLOWING_VOLTS && rms[k] > FOLLOWING_VOLTS && Double.isFinite(ratio);
                heaterSlopes[i][k] =
                        (i == k ? 1 : 0) - (follows ? FILAMENT_SLOPE * Math.max(-5, Math.min(ratio, 1)) : 0);
            }
        }
        if (!Dense.solve(heaterSlopes, heaterMiss)) {
            Arrays.fill(heaterMiss, 0);
        }
        double farthest = 0;
        for (int i = 0; i < count; i++) {
            Filament law = network.heats().get(i).law();
            double ohms = law.ohms(warmth[i]) * Math.exp(Math.max(-1, Math.min(heaterMiss[i], 1)));
            double before = warmth[i];
            warmth[i] = warmthAt(law, ohms);
            farthest = Math.max(farthest, Math.abs(warmth[i] - before) / (before + 0.01));
        }
        return farthest;
    }

    private int heaterStart(int heat) {
        return stamps.branchA(network.heats().get(heat).branches()[0]);
    }

    private int heaterEnd(int heat) {
        int[] branches = network.heats().get(heat).branches();
        return stamps.branchB(branches[branches.length - 1]);
    }

    private static double warmthAt(Filament law, double ohms) {
        return Math.max(0, Math.min(Math.pow(ohms / law.hotOhms(), 1.55 / 0.45) - law.coldWarmth(), MOST_WARMTH));
    }
}
