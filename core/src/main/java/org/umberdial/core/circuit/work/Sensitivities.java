package org.umberdial.core.circuit.work;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.umberdial.core.circuit.network.Branch;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;

/**
 * How node voltages answer small changes: of a current fed in (source resistance) and of parts.
 *
 * <p>One adjoint solve per node gives its answer to a change anywhere (S. Director and R. Rohrer, IEEE Trans. Circuit
 * Theory CT-16, 1969). The rectifiers' averages answer too; their slopes come from the closed line cycle, so that the
 * supply's regulation is in every figure. Parts that carry the line's own current act on the cycle itself and not only
 * on the means; for them the change is solved outright.
 */
public final class Sensitivities {
    private static final double SMALL_CHANGE = 0.01;
    /** A branch whose alternating volts exceed this share of its direct volts is solved outright. */
    private static final double MOSTLY_DIRECT = 0.1;

    private final AtWork work;
    private final Solver solver;
    private final Network network;
    private final Values values;
    private final double[][] closed;

    private Sensitivities(AtWork work, Values values) {
        this.work = work;
        this.values = values;
        solver = work.solver();
        network = solver.network;
        work.keep();
        refresh();
        closed = solver.coupling.ports.length > 0 && solver.cycle.run(true, true)
                ? solver.cycle.slopes()
                : new double[0][0];
    }

    /** Brings the factors back to the operating point, whatever was solved since. */
    private void refresh() {
        work.rewind();
        solver.probed = -1;
        solver.round(values, false);
        if (solver.hasLine) {
            solver.coupling.spread(solver.cycle);
        }
    }

    /** Around the operating point of the values; empty when they do not settle. */
    public static Optional<Sensitivities> of(AtWork work, Values values) {
        return work.solve(values).settled().map(point -> new Sensitivities(work, point.values()));
    }

    /** Volts at a node per ampere fed into each node, by node number [Ω]. */
    public double[] answers(String node) {
        int number = network.node(node).orElseThrow(() -> new IllegalArgumentException("there is no node " + node));
        return number < 0
                ? new double[network.names().size()]
                : Arrays.copyOf(adjoint(number), network.names().size());
    }

    /** The answer of a node to one ampere fed into each unknown [Ω]: the adjoint. */
    double[] adjoint(int node) {
        refresh();
        double[] unit = new double[solver.stamps.size];
        unit[node] = 1;
        for (int r = 0; r < closed.length; r++) {
            double answer = solver.coupling.columns[solver.coupling.states + r][node];
            for (int j = 0; j < closed.length; j++) {
                add(unit, solver.coupling.ports[j].a(), answer * closed[r][j]);
                add(unit, solver.coupling.ports[j].b(), -answer * closed[r][j]);
            }
        }
        double[] answer = new double[unit.length];
        solver.lu.solveTransposed(unit, answer);
        return answer;
    }

    private static void add(double[] to, int node, double value) {
        if (node >= 0) {
            to[node] += value;
        }
    }

    /** DC resistance of a node to the reference, rectifiers and tubes working [Ω]. */
    public double sourceOhms(String node) {
        int number = network.node(node).orElseThrow(() -> new IllegalArgumentException("there is no node " + node));
        return number < 0 ? 0 : adjoint(number)[number];
    }

    /**
     * How a node's DC answers each part: change of volts per relative change of the part's main value (ohms, farads,
     * line volts), so that a tenth of it is the answer to a part 10 % up.
     *
     * @return per part in the order asked for; a part that has no value counts as 0
     */
    public double[] byPart(String node, List<String> parts) {
        int number = network.node(node).orElseThrow(() -> new IllegalArgumentException("there is no node " + node));
        double[] adjoint = adjoint(number);
        double[] answers = new double[parts.size()];
        List<Integer> outright = new ArrayList<>();
        for (int i = 0; i < answers.length; i++) {
            Optional<Double> direct = direct(parts.get(i), adjoint);
            if (direct.isPresent()) {
                answers[i] = direct.get();
            } else {
                outright.add(i);
            }
        }
        for (int i : outright) {
            answers[i] = outright(parts.get(i), number);
        }
        return answers;
    }

    private Optional<Double> direct(String part, double[] adjoint) {
        double sum = 0;
        boolean found = false;
        double[] weights = new double[solver.coupling.inputs];
        for (int i = 0; i < network.branches().size(); i++) {
            Branch branch = network.branches().get(i);
            if (!branch.part().equals(part)) {
                continue;
            }
            if (branch.kind() == Branch.Kind.LEAK && solver.siemens[i] > 0
                    || branch.kind() == Branch.Kind.FEED
                    || branch.kind() == Branch.Kind.FILAMENT
                    || branch.kind() == Branch.Kind.WINDING) {
                return Optional.empty();
            }
            double direct = solver.stamps.across(solver.x, i);
            for (int p = 0; p < solver.coupling.inputs; p++) {
                weights[p] = solver.stamps.across(solver.coupling.columns[p], i);
            }
            if (solver.coupling.inputs > 0
                    && Math.sqrt(solver.coupling.meanSquare(weights)) > MOSTLY_DIRECT * Math.abs(direct) + 1e-6) {
                return Optional.empty();
            }
            // A resistance up by a share lets less through by the same share of its current.
            double amperes = solver.siemens[i] * direct;
            sum += amperes * (Stamps.at(adjoint, branch.a()) - Stamps.at(adjoint, branch.b()));
            found = true;
        }
        return found
                        && network.stores().stream()
                                .noneMatch(store -> store.part().equals(part))
                ? Optional.of(sum)
                : Optional.empty();
    }

    private double outright(String part, int node) {
        Optional<Double> value = main(part);
        if (value.isEmpty()) {
            return 0;
        }
        refresh();
        double before = solver.x[node];
        Optional<OperatingPoint> after =
                work.solve(values.with(part, value.get() * (1 + SMALL_CHANGE))).settled();
        return after.isPresent() ? (solver.x[node] - before) / SMALL_CHANGE : 0;
    }

    private Optional<Double> main(String part) {
        for (int i = 0; i < network.sources().size(); i++) {
            if (network.sources().get(i).part().equals(part)) {
                return Optional.of(values.volts()[i]);
            }
        }
        for (int i = 0; i < network.stores().size(); i++) {
            if (network.stores().get(i).part().equals(part)) {
                return Optional.of(values.farads()[i]).filter(farads -> farads > 0);
            }
        }
        for (int i = 0; i < network.branches().size(); i++) {
            Branch branch = network.branches().get(i);
            boolean valued = branch.kind() != Branch.Kind.FAULT
                    && branch.kind() != Branch.Kind.LEAK
                    && branch.kind() != Branch.Kind.INSULATION
                    && branch.kind() != Branch.Kind.FILAMENT;
            if (branch.part().equals(part) && valued && values.siemens()[i] > 0) {
                return Optional.of(1 / values.siemens()[i]);
            }
        }
        return Optional.empty();
    }

    /**
     * Covariance of node voltages when every part strays on its own.
     *
     * @param nodes of the deck
     * @param tolerance relative standard deviation of each part's main value, by reference
     * @return [V²], rows and columns in the order of the nodes
     */
    public double[][] covariance(List<String> nodes, Map<String, Double> tolerance) {
        List<String> parts = List.copyOf(tolerance.keySet());
        double[][] answers = nodes.stream().map(node -> byPart(node, parts)).toArray(double[][]::new);
        double[][] covariance = new double[nodes.size()][nodes.size()];
        for (int p = 0; p < parts.size(); p++) {
            double variance = tolerance.get(parts.get(p)) * tolerance.get(parts.get(p));
            for (int i = 0; i < covariance.length; i++) {
                for (int k = 0; k < covariance.length; k++) {
                    covariance[i][k] += answers[i][p] * answers[k][p] * variance;
                }
            }
        }
        return covariance;
    }
}
