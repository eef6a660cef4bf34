package org.umberdial.core.circuit.work;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import org.hipparchus.complex.Complex;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Store;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.sparse.ComplexSystem;

/**
 * The circuit made linear at its operating point, driven by a generator at any frequency: every tube with its slopes
 * there, every capacitor and coil of the deck, and what a deck for direct current leaves out and the caller adds.
 *
 * <p>Source: the usual small-signal analysis by nodes, Y(jω) V = I.
 */
public final class SmallSignal {
    /** A generator's own admittance, so large that it holds a node whatever hangs there [S]. */
    private static final double HELD_SIEMENS = 1e4;

    /**
     * An admittance the deck has no card for, such as a tube's own capacitance.
     *
     * @param siemens of its conductance [S]
     * @param farads of its capacitance [F]; below 0 takes away
     */
    public record Added(String a, String b, double siemens, double farads) {
        public static Added farads(String a, String b, double farads) {
            return new Added(a, b, 0, farads);
        }

        public static Added ohms(String a, String b, double ohms) {
            return new Added(a, b, 1 / ohms, 0);
        }
    }

    private final Network network;
    private final Values values;
    private final double[] matrix;
    private final double[] siemens;
    private final Stamps stamps;
    private final OperatingPoint point;

    private SmallSignal(Solver solver, OperatingPoint point) {
        this.point = point;
        network = solver.network;
        values = point.values();
        stamps = solver.stamps;
        solver.worstMiss(values);
        matrix = solver.matrix.clone();
        siemens = solver.siemens.clone();
    }

    /** Around the operating point of the values; empty when they do not settle. */
    public static Optional<SmallSignal> of(AtWork work, Values values) {
        return work.solve(values).settled().map(point -> new SmallSignal(work.solver(), point));
    }

    /** Where it stands. */
    public OperatingPoint point() {
        return point;
    }

    /**
     * Volts at a node for each volt that a generator holds at another.
     *
     * @param hertz above 0
     * @param henries of coils that differ from the deck's, by part
     * @throws IllegalArgumentException when there is no such node
     */
    public Complex gain(String from, String to, double hertz, List<Added> added, Map<String, Double> henries) {
        Complex seen = driven(from, to, List.of(from), hertz, added, henries);
        // What the generator holds is a volt, but for the current the circuit draws from so stiff a source.
        Complex held = driven(from, from, List.of(from), hertz, added, henries);
        return seen.divide(held);
    }

    /**
     * Volts at a node for each ampere driven into another [Ω].
     *
     * @param held nodes that a generator of no volts holds meanwhile
     */
    public Complex transferOhms(
            String into, String seen, List<String> held, double hertz, List<Added> added, Map<String, Double> henries) {
        return driven(into, seen, held, hertz, added, henries);
    }

    private Complex driven(
            String into, String seen, List<String> held, double hertz, List<Added> added, Map<String, Double> henries) {
        int half = stamps.size + network.magnets().size();
        double omega = 2 * Math.PI * hertz;
        Consumer<ComplexSystem.Entries> walk = entries -> walk(entries, omega, held, added, henries);
        ComplexSystem system = new ComplexSystem(half, walk);
        if (!system.fill(walk)) {
            return Complex.NaN;
        }
        system.drive(number(into), 1, 0);
        double[] answer = system.solve();
        int at = number(seen);
        return at < 0 ? Complex.ZERO : new Complex(answer[at], answer[half + at]);
    }

    private int number(String node) {
        return network.node(node).orElseThrow(() -> new IllegalArgumentException("there is no node " + node));
    }

    private void walk(
            ComplexSystem.Entries entries,
            double omega,
            List<String> held,
            List<Added> added,
            Map<String, Double> henries) {
        for (int slot = 0; slot < stamps.pattern.count(); slot++) {
            entries.add(stamps.pattern.row(slot), stamps.pattern.column(slot), matrix[slot], 0);
        }
        for (int i = 0; i < network.stores().size(); i++) {
            Store store = network.stores().get(i);
            double[] y = Store.admittance(Math.max(values.farads()[i], 1e-15), values.esr()[i], omega);
            entries.admit(store.a(), store.b(), y[0], y[1]);
        }
        for (int m = 0; m < network.magnets().size(); m++) {
            var magnet = network.magnets().get(m);
            magnet.enter(
                    entries,
                    stamps.size + m,
                    omega,
                    henries.getOrDefault(magnet.part(), values.henries()[m]),
                    network.branches(),
                    branch -> siemens[branch]);
        }
        for (Added one : added) {
            entries.admit(number(one.a), number(one.b), one.siemens, omega * one.farads);
        }
        for (String node : held) {
            entries.add(number(node), number(node), HELD_SIEMENS, 0);
        }
    }
}
