package org.umberdial.core.circuit.work;

import java.util.Optional;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;

/**
 * Solves a set at work, one variant after another. Keeps the last solution as the start of the next, so that a variant
 * of a solved set costs little. For one thread at a time.
 */
public final class AtWork {
    private final Solver solver;
    private double[][] healthy;

    public AtWork(Network network) {
        solver = new Solver(network);
    }

    public Network network() {
        return solver.network;
    }

    /**
     * The averages of the running set. A control grid that nothing ties is solved for usual insulation and gas, with
     * the range between what is met at worst; {@link OperatingPoint#values} then hold the usual ones.
     *
     * @param values of the network given at construction
     * @return the operating point, its Kirchhoff residual checked, or the node at which it did not settle
     */
    public Outcome solve(Values values) {
        solver.probed = -1;
        GridsAdrift adrift = GridsAdrift.of(values);
        if (adrift.isEmpty()) {
            return settle(values, Optional.empty());
        }
        Outcome low = settle(adrift.in(GridsAdrift.LOWEST), Optional.empty());
        Outcome high = settle(adrift.in(GridsAdrift.HIGHEST), Optional.empty());
        return settle(adrift.in(GridsAdrift.USUAL), Optional.of(new Adrift(adrift.tubes(), low, high)));
    }

    /** The values as they are solved: with usual insulation and gas for every control grid that nothing ties. */
    public static Values asSolved(Values values) {
        return GridsAdrift.usual(values);
    }

    private Outcome settle(Values values, Optional<Adrift> adrift) {
        Optional<String> doubt = Optional.empty();
        if (solver.solve(values)) {
            doubt = solver.doubt(values);
            if (doubt.isPresent()) {
                // What nothing holds in place, such as a core whose windings are all open, keeps what it was given.
                solver.cold();
                doubt = solver.solve(values) ? solver.doubt(values) : doubt;
            }
            if (doubt.isEmpty()) {
                return new OperatingPoint(solver, values, adrift);
            }
            solver.cold();
            return new NotSettled("", "The answer is not to be trusted, because " + doubt.get() + ".");
        }
        int worst = solver.worstNode();
        solver.cold();
        return Unsettled.at(worst, values);
    }

    /** Keeps the present solution as the one to start variants from; see {@link #rewind}. */
    public void keep() {
        healthy = new double[][] {
            solver.x.clone(),
            solver.coupling.inputMean.clone(),
            solver.cycle.start.clone(),
            solver.heaters.warmth.clone(),
            solver.cycle.junctionVolts[Cycle.STEPS - 1].clone()
        };
    }

    /** Starts the next solve from the solution kept, whatever was solved in between. */
    public void rewind() {
        if (healthy != null) {
            System.arraycopy(healthy[0], 0, solver.x, 0, solver.x.length);
            System.arraycopy(healthy[1], 0, solver.coupling.inputMean, 0, solver.coupling.inputMean.length);
            System.arraycopy(healthy[2], 0, solver.cycle.start, 0, solver.cycle.start.length);
            System.arraycopy(healthy[3], 0, solver.heaters.warmth, 0, solver.heaters.warmth.length);
            System.arraycopy(healthy[4], 0, solver.cycle.junctionVolts[Cycle.STEPS - 1], 0, healthy[4].length);
        }
    }

    Solver solver() {
        return solver;
    }
}
