package org.umberdial.core.circuit.work;

import org.umberdial.core.circuit.network.Branch;
import org.umberdial.core.circuit.network.Magnet;
import org.umberdial.core.circuit.network.Source;
import org.umberdial.core.circuit.network.Values;

/** RMS quantities of the last cycle: line current and power, power in branches. Valid until the solver moves on. */
final class LineSide {
    private final Solver solver;
    private final double[] weights;

    /** Takes the spread that {@link Solver#heaterVolts} has just worked out. */
    LineSide(Solver solver) {
        this.solver = solver;
        weights = new double[solver.coupling.inputs];
    }

    private int line() {
        for (int i = 0; i < solver.network.sources().size(); i++) {
            if (solver.network.sources().get(i).isLine()) {
                return i;
            }
        }
        return -1;
    }

    double amperes() {
        int line = line();
        if (line < 0) {
            return 0;
        }
        int row = solver.stamps.nodes + line;
        for (int p = 0; p < solver.coupling.inputs; p++) {
            weights[p] = solver.coupling.columns[p][row];
        }
        double dc = solver.x[row];
        return Math.sqrt(dc * dc + solver.coupling.meanSquare(weights));
    }

    double watts(Values values) {
        double sum = 0;
        for (int i = 0; i < solver.network.sources().size(); i++) {
            Source source = solver.network.sources().get(i);
            if (source.isLine()) {
                int row = solver.stamps.nodes + i;
                for (double[] wave : solver.cycle.wave) {
                    double amperes = 0;
                    for (int p = 0; p < solver.coupling.inputs; p++) {
                        amperes += solver.coupling.columns[p][row] * wave[p];
                    }
                    sum -= amperes * wave[solver.coupling.inputs - 1] * values.volts()[i] * Math.sqrt(2) / Cycle.STEPS;
                }
            }
        }
        return sum;
    }

    /** RMS volts across the line terminals of the set. */
    double setVolts() {
        for (int i = 0; i < solver.network.branches().size(); i++) {
            Branch branch = solver.network.branches().get(i);
            if (branch.kind() == Branch.Kind.FEED) {
                int line = line();
                int minus = solver.network.sources().get(line).minus();
                for (int p = 0; p < solver.coupling.inputs; p++) {
                    weights[p] = Stamps.at(solver.coupling.columns[p], branch.b())
                            - Stamps.at(solver.coupling.columns[p], minus);
                }
                double dc = Stamps.at(solver.x, branch.b()) - Stamps.at(solver.x, minus);
                return Math.sqrt(dc * dc + solver.coupling.meanSquare(weights));
            }
        }
        return 0;
    }

    double watts(int branch) {
        double g = solver.siemens[branch];
        if (g == 0) {
            return 0;
        }
        for (int p = 0; p < solver.coupling.inputs; p++) {
            weights[p] = solver.stamps.across(solver.coupling.columns[p], branch);
        }
        for (int k = 0; k < solver.coupling.stateMagnets.length; k++) {
            Magnet magnet = solver.network.magnets().get(solver.coupling.stateMagnets[k]);
            for (int w = 0; w < magnet.branches().length; w++) {
                if (magnet.branches()[w] == branch) {
                    // Only what is left after the induced voltage falls across the wire.
                    weights[solver.coupling.stateStores.length + k] -= magnet.turns()[w];
                }
            }
        }
        double dc = solver.stamps.across(solver.x, branch);
        return g * (dc * dc + solver.coupling.meanSquare(weights));
    }
}
