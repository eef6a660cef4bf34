package org.umberdial.core.circuit.work;

import java.util.Arrays;
import java.util.Optional;
import java.util.stream.IntStream;
import org.umberdial.core.circuit.network.Amplifier;
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
    /** What a closed cycle may miss by, as a mean current [A]. */
    static final double CYCLE_TOLERANCE = 1e-7;
    /** What a capacitor takes in the mean of a cycle that should be closed counts for so much of what misses. */
    private static final double CHARGING_SHARE = 0.1;
    /** While nodes still move this far, a cycle closed with old slopes is good enough [V]. */
    private static final double FAR_VOLTS = 0.5;
    /** But not for longer than this; a circuit that is still far then needs the slopes. */
    private static final int ROUGH_ROUNDS = 5;
    /** While warming up, a centivolt and some microamperes of charging current are below what is shown. */
    private static final double SLOW_VOLT_TOLERANCE = 1e-2;

    private static final double SLOW_CYCLE_TOLERANCE = 5e-5;
    /** Old slopes of the cycle go on being used while they bring the miss down to this share each round. */
    private static final double OLD_SLOPES_SHARE = 0.3;

    static final int MOST_ROUNDS = 60;
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
    final boolean hasLine;
    final Coupling coupling;
    final Heaters heaters;
    final Cycle cycle;
    final Guard guard;
    private final double[] right;
    /** Share of the sources that is on; 1 but while stepping up. */
    double share = 1;
    /** Conductance of a meter at {@link #probed} [S]. */
    double probeSiemens;
    /** The node a meter loads, to the reference; below 0 for none. */
    int probed = -1;
    /** Mean states one slow step ago, and the share of the slow step that a cycle is; for warming up. */
    final double[] previousState;

    final Work work;
    /** What a round takes beside its cycle [multiplications]. */
    private final long roundCost;

    double drift;
    /** Conductance that holds every node to {@link #heldX}, while creeping [S]. */
    double inertia;

    final double[] heldX;
    int rounds;
    /** By how much the last cycle missed closing [A]. */
    double cycleMiss;
    /** Whether the cycle's slopes are worked out anew in every round; slower, and sure where old ones mislead. */
    boolean careful;
    /** How far the farthest node moved in the last round [V]. */
    double lastMoved;

    final Damping leaps = new Damping();
    /** The same for the correction of the cycle's start. */
    final Damping closing = new Damping();
    /** State and averages one slow step ago, for where the next one starts looking. */
    private final double[] stepStart;

    private final double[] stepX;
    private boolean stepped;

    /** @param work what all that is solved for one answer may cost together */
    Solver(Network network, Work work) {
        this.network = network;
        this.work = work;
        stamps = new Stamps(network);
        lu = new SparseLu(stamps.pattern);
        matrix = new double[stamps.pattern.count()];
        int size = stamps.size;
        residual = new double[size];
        move = new double[size];
        heldX = new double[size];
        right = new double[size];
        x = new double[size];
        siemens = new double[network.branches().size()];
        hasLine = network.line().isPresent();
        coupling = new Coupling(network, stamps, period());
        heaters = new Heaters(network, stamps, coupling, lu);
        cycle = new Cycle(coupling.states, coupling.laws, coupling.ports, coupling.chokes);
        roundCost = (coupling.inputs + 2L) * 4 * stamps.pattern.count();
        guard = new Guard(network, stamps);
        previousState = new double[coupling.states];
        stepStart = new double[coupling.states];
        stepX = new double[size];
    }

    double period() {
        return 1 / network.line().map(Source::hertz).orElse(50.0);
    }

    /** Solves at rest, from wherever the workspace stands. */
    boolean solve(Values values) {
        return new Settling(this).solve(values);
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
        System.arraycopy(cycle.meanState, 0, previousState, 0, coupling.states);
        double[] presentX = x.clone();
        double[] presentStart = cycle.start.clone();
        goOn(stepX, x);
        goOn(stepStart, cycle.start);
        if (slowly(values)) {
            stepped = true;
            return true;
        }
        System.arraycopy(presentX, 0, x, 0, x.length);
        System.arraycopy(presentStart, 0, cycle.start, 0, coupling.states);
        cycle.forget();
        stepped = false;
        return slowly(values);
    }

    boolean slowly(Values values) {
        leaps.restart();
        closing.restart();
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

    /** RMS volts across a branch in the last cycle; after {@link Coupling#spread}. */
    double rmsAcross(int branch) {
        double[] weights = new double[coupling.inputs];
        for (int p = 0; p < coupling.inputs; p++) {
            weights[p] = stamps.across(coupling.columns[p], branch);
        }
        double dc = stamps.across(x, branch);
        return Math.sqrt(dc * dc + coupling.meanSquare(weights));
    }

    /** Mean amperes of a driven tube's grid, third grid, screen and plate over the last cycle. */
    double[] meanAmperes(int amplifier) {
        double[] amperes = new double[4];
        int port = coupling.portsOf(amplifier).orElseThrow();
        for (int e : PortLaw.OfTube.electrodes(network.amplifiers().get(amplifier))) {
            Port at = coupling.ports[port];
            amperes[e] = cycle.mean[coupling.states + port] + at.held() * (Stamps.at(x, at.a()) - Stamps.at(x, at.b()));
            port++;
        }
        return amperes;
    }

    /** Where it stands. */
    record State(double[] x, double[] start, double[] mean, double[] inputs, double[] junctions, double[] warmth) {}

    State state() {
        return new State(
                x.clone(),
                cycle.start.clone(),
                cycle.meanState.clone(),
                coupling.inputMean.clone(),
                hasLine ? cycle.junctionVolts[Cycle.STEPS - 1].clone() : new double[0],
                heaters.warmth.clone());
    }

    /**
     * Stands where it stood; the slopes of its last cycle are kept, and only make the next one slower when they are
     * old.
     */
    void restore(State state) {
        System.arraycopy(state.x, 0, x, 0, x.length);
        System.arraycopy(state.start, 0, cycle.start, 0, state.start.length);
        System.arraycopy(state.mean, 0, cycle.meanState, 0, state.mean.length);
        System.arraycopy(state.inputs, 0, coupling.inputMean, 0, state.inputs.length);
        System.arraycopy(state.junctions, 0, cycle.junctionVolts[Cycle.STEPS - 1], 0, state.junctions.length);
        System.arraycopy(state.warmth, 0, heaters.warmth, 0, heaters.warmth.length);
        stepped = false;
    }

    /** Takes the place of a solver of the same elements of which fewer are followed through the cycle. */
    void takeOver(Solver other, State state) {
        cold();
        System.arraycopy(state.x, 0, x, 0, x.length);
        System.arraycopy(state.warmth, 0, heaters.warmth, 0, heaters.warmth.length);
        for (int s = 0; s < coupling.states; s++) {
            int there = other.coupling.stateOf(coupling, s);
            if (there >= 0) {
                cycle.start[s] = state.start[there];
                cycle.meanState[s] = state.mean[there];
                coupling.inputMean[s] = state.inputs[there];
            } else if (s < coupling.stateStores.length) {
                Store store = network.stores().get(coupling.stateStores[s]);
                cycle.start[s] = Stamps.at(x, store.a()) - Stamps.at(x, store.b());
                cycle.meanState[s] = cycle.start[s];
            }
        }
        for (int p = 0; p < coupling.ports.length; p++) {
            Port port = coupling.ports[p];
            cycle.junctionVolts[Cycle.STEPS - 1][p] = Stamps.at(x, port.a()) - Stamps.at(x, port.b());
        }
    }

    /** Whether the line reaches junctions or tubes that are not followed through its cycle; the guard knows which. */
    boolean reachesMore(Values values) {
        return guard.reachesMore(values, moments(), heaters.warmth);
    }

    /** Forgets where it stood: no volts anywhere, every heater hot. */
    void cold() {
        Arrays.fill(x, 0);
        Arrays.fill(coupling.inputMean, 0);
        Arrays.fill(cycle.start, 0);
        Arrays.fill(cycle.meanState, 0);
        cycle.forget();
        stepped = false;
        for (double[] volts : cycle.junctionVolts) {
            Arrays.fill(volts, 0);
        }
        Arrays.fill(heaters.warmth, 1);
    }

    /**
     * One round.
     *
     * @param fresh whether this is the first round of a solve, in which the slopes of the solve before are worth a
     *     trial
     * @return how far the farthest node moved [V]; NaN when the round failed
     */
    double round(Values values, boolean fresh) {
        work.take(roundCost);
        if (!work.allows(cycle.mostWork())) {
            work.end();
            return Double.NaN;
        }
        heaters.nominal(values.siemens());
        stamps.conductances(values, heaters.warmth, siemens);
        stamps.fill(values, siemens, heaters.warmth, x, share, matrix, residual);
        probe();
        coupling.addInputs(siemens, residual);
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
            work.take(cycle.work(false));
            if (Double.isNaN(open)) {
                return Double.NaN;
            }
            for (int p = 0; p < coupling.inputs; p++) {
                double change = cycle.mean[p] - coupling.inputMean[p];
                for (int i = 0; i < move.length; i++) {
                    move[i] += coupling.columns[p][i] * change;
                }
            }
        }
        double step = tubeStep();
        if (careful) {
            double asked = 0;
            for (int i = 0; i < stamps.nodes; i++) {
                asked = Math.max(asked, Math.abs(move[i]));
            }
            step *= leaps.next(asked);
        }
        double moved = 0;
        for (int i = 0; i < x.length; i++) {
            x[i] += step * move[i];
            if (i < stamps.nodes) {
                moved = Math.max(moved, Math.abs(move[i]) / (1 + 1e-3 * Math.abs(x[i])));
            }
        }
        for (int p = 0; p < coupling.inputs; p++) {
            coupling.inputMean[p] += step * (cycle.mean[p] - coupling.inputMean[p]);
        }
        cycleMiss = open;
        lastMoved = moved;
        return Double.isFinite(moved) ? moved : Double.NaN;
    }

    private void probe() {
        if (probed >= 0) {
            stamps.load(probed, probeSiemens, x, matrix, residual);
        }
        if (inertia > 0) {
            stamps.hold(inertia, x, heldX, matrix, residual);
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

    private double runCycle(Values values, boolean fresh) {
        for (int p = 0; p < coupling.inputs; p++) {
            Arrays.fill(right, 0);
            coupling.inject(p, values, siemens, share, right);
            lu.solve(right, coupling.columns[p]);
        }
        coupling.surroundings(values, siemens, x, move);
        coupling.emit(values, heaters.warmth);
        cycle.drifting = drift > 0;
        if (!cycle.surround(coupling.h, coupling.c, coupling.rate, period())) {
            return Double.NaN;
        }
        if (!cycle.run(false)) {
            return Double.NaN;
        }
        double open = miss();
        boolean converging = !careful
                && (fresh || rounds <= ROUGH_ROUNDS && lastMoved > FAR_VOLTS || open < OLD_SLOPES_SHARE * cycleMiss);
        if (open < CYCLE_TOLERANCE || converging && cycle.close(1)) {
            return open;
        }
        if (!cycle.run(true)) {
            return Double.NaN;
        }
        work.take(cycle.work(true));
        open = miss();
        cycle.learn(drift);
        cycle.close(careful ? closing.next(open) : 1);
        return open;
    }

    /** By how much the cycle run last missed closing, and its capacitors carrying nothing in the mean [A]. */
    private double miss() {
        double open = cycle.open(drift, previousState, coupling.scale);
        return drift == 0 ? Math.max(open, CHARGING_SHARE * cycle.charging(coupling.stateStores.length)) : open;
    }

    /** The largest current that any node misses by at the present state [A]. */
    double worstMiss(Values values) {
        stamps.conductances(values, heaters.warmth, siemens);
        stamps.fill(values, siemens, heaters.warmth, x, share, matrix, residual);
        probe();
        coupling.addInputs(siemens, residual);
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

    /** RMS volts across each heater and lamp, by the last cycle. */
    void heaterVolts() {
        if (hasLine) {
            coupling.spread(cycle);
        }
        heaters.volts(x);
    }

    double restHeaters() {
        if (heaters.warmth.length == 0) {
            return 0;
        }
        if (hasLine) {
            coupling.spread(cycle);
        }
        return heaters.rest(x);
    }

    /** Whether some cathode is too cold to give anything. */
    boolean isSomethingDark() {
        return IntStream.range(0, network.heats().size())
                .anyMatch(i -> !network.heats().get(i).tube().isEmpty() && Stamps.emission(heaters.warmth, i) == 0);
    }

    /** What an independent look at the last solution finds wrong with it; empty when it can be trusted. */
    Optional<String> doubt(Values values) {
        return guard.doubt(values, moments(), heaters.warmth, period());
    }

    /** Whether the present means lie beyond what the sources can build up; says which. */
    Optional<String> beyond(Values values) {
        return guard.beyond(values, x);
    }

    /** Volts by node, then by moment of the last cycle; one moment for a set without a line. */
    double[][] moments() {
        double[][] moments = new double[stamps.nodes][hasLine ? Cycle.STEPS : 1];
        for (int i = 0; i < moments.length; i++) {
            Arrays.fill(moments[i], x[i]);
        }
        double[] apart = new double[Cycle.STEPS];
        for (int p = 0; p < coupling.inputs; p++) {
            for (int t = 0; t < apart.length; t++) {
                apart[t] = cycle.wave[t][p] - coupling.inputMean[p];
            }
            for (int i = 0; i < moments.length; i++) {
                double by = coupling.columns[p][i];
                double[] volts = moments[i];
                for (int t = 0; t < apart.length && by != 0; t++) {
                    volts[t] += by * apart[t];
                }
            }
        }
        return moments;
    }
}
