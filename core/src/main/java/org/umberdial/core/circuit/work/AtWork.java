package org.umberdial.core.circuit.work;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;

/**
 * Solves a set at work, one variant after another. Keeps the last solution as the start of the next, so that a variant
 * of a solved set costs little. For one thread at a time.
 */
public final class AtWork {
    private static final int MOST_WIDENINGS = 4;
    /** Rounds in which cores and discharges follow what was solved. */
    private static final int MOST_MAGNETISINGS = 60;

    private final Network network;
    private final Solver plain;
    /** For what a fault lets the line reach: solvers of the network with more of it followed, by what that is. */
    private final Map<List<Set<Integer>>, Solver> wider = new LinkedHashMap<>();
    /** The one that gave the last answer. */
    private Solver solver;

    private Solver keptSolver;
    private Solver.State kept;
    private final WorkBudget budget;
    private final Work work = new Work();

    public AtWork(Network network) {
        this(network, WorkBudget.APPLICATION);
    }

    /** @param budget for each answer; beyond it there is no answer and that is said */
    public AtWork(Network network, WorkBudget budget) {
        this.budget = budget;
        this.network = network;
        plain = new Solver(network, work);
        solver = plain;
    }

    public Network network() {
        return network;
    }

    /**
     * The averages of the running set. A control grid that nothing ties is solved for usual insulation and gas, with
     * the range between what is met at worst; {@link OperatingPoint#values} then hold the usual ones.
     *
     * @param values of the network given at construction
     * @return the operating point, its Kirchhoff residual checked, or the node at which it did not settle
     */
    public Outcome solve(Values values) {
        if (solver != keptSolver) {
            solver = plain;
        }
        solver.probed = -1;
        work.give(budget.multiplications);
        GridsAdrift adrift = GridsAdrift.of(values);
        if (adrift.isEmpty()) {
            return burning(values, Optional.empty());
        }
        Outcome low = burning(adrift.in(GridsAdrift.LOWEST), Optional.empty());
        Outcome high = burning(adrift.in(GridsAdrift.HIGHEST), Optional.empty());
        return burning(adrift.in(GridsAdrift.USUAL), Optional.of(new Adrift(adrift.tubes(), low, high)));
    }

    /** The values as they are solved: with usual insulation and gas for every control grid that nothing ties. */
    public static Values asSolved(Values values) {
        return GridsAdrift.usual(values);
    }

    /**
     * Solves with every discharge dark and every core unmagnetised, then again as long as a discharge strikes or direct
     * current takes inductance away.
     */
    private Outcome burning(Values asked, Optional<Adrift> adrift) {
        Glow glow = new Glow(network);
        Values values = asked;
        Outcome outcome = settle(glow.in(values), adrift);
        for (int round = 0; round < MOST_MAGNETISINGS && outcome instanceof OperatingPoint; round++) {
            boolean struck = glow.any() && glow.strike(solver.moments());
            Optional<double[]> henries = Cores.changed(values, solver.x);
            if (!struck && henries.isEmpty()) {
                return outcome;
            }
            values = henries.map(values::magnetised).orElse(values);
            outcome = settle(glow.in(values), adrift);
        }
        if (outcome instanceof OperatingPoint
                && (Cores.changed(values, solver.x).isPresent() || glow.any() && glow.strike(solver.moments()))) {
            return new NotSettled(
                    "", "The answer is not to be trusted, because a core's inductance or a discharge found no rest.");
        }
        return outcome;
    }

    private Outcome settle(Values asked, Optional<Adrift> adrift) {
        Set<Integer> junctions = new TreeSet<>();
        Set<Integer> amplifiers = new TreeSet<>();
        Values values = asked;
        boolean fromNothing = false;
        for (int widening = 0; ; widening++) {
            if (!solver.solve(values)) {
                int worst = solver.worstNode();
                solver.cold();
                if (work.isSpent()) {
                    return new NotSettled("", budget.spent());
                }
                return Unsettled.at(worst, values);
            }
            Optional<String> doubt = solver.doubt(values);
            if (doubt.isPresent()
                    && solver.guard.unseenJunctions.isEmpty()
                    && solver.guard.unseenAmplifiers.isEmpty()) {
                // What nothing holds in place, such as a core whose windings are all open, keeps what it was given.
                solver.cold();
                doubt = solver.solve(values) ? solver.doubt(values) : doubt;
            }
            if (doubt.isEmpty() && !fromNothing && solver.isSomethingDark()) {
                // With a rectifier and its load both dark nothing draws a supply down: it would keep the volts of the
                // variant before.
                fromNothing = true;
                solver.cold();
                widening--;
                continue;
            }
            if (doubt.isEmpty()) {
                return new OperatingPoint(solver, values, adrift);
            }
            boolean more = junctions.addAll(solver.guard.unseenJunctions);
            more |= amplifiers.addAll(solver.guard.unseenAmplifiers);
            solver.cold();
            if (!more || widening == MOST_WIDENINGS) {
                return new NotSettled("", "The answer is not to be trusted, because " + doubt.get() + ".");
            }
            solver = following(junctions, amplifiers);
            values = asked.on(solver.network);
        }
    }

    private Solver following(Set<Integer> junctions, Set<Integer> amplifiers) {
        Solver found = wider.computeIfAbsent(
                List.of(Set.copyOf(junctions), Set.copyOf(amplifiers)),
                key -> new Solver(solver.network.following(junctions, amplifiers), work));
        found.cold();
        if (wider.size() > MOST_WIDENINGS) {
            wider.remove(wider.keySet().iterator().next());
        }
        return found;
    }

    /** Keeps the present solution as the one to start variants from; see {@link #rewind}. */
    public void keep() {
        keptSolver = solver;
        kept = solver.state();
    }

    /** Starts the next solve from the solution kept, whatever was solved in between. */
    public void rewind() {
        if (kept != null) {
            solver = keptSolver;
            solver.restore(kept);
        }
    }

    Solver solver() {
        return solver;
    }
}
