package org.umberdial.core.circuit.work;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.circuit.network.Junction;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;

/**
 * What a cycle of the line asks of the rectifiers and filter capacitors of a running set, read off the cycle that was
 * solved.
 */
public final class Duty {
    /**
     * What one rectifying junction passes and withstands.
     *
     * @param mean [A]
     * @param rms [A]
     * @param peak [A]
     * @param reverse most that stands across it the wrong way [V]
     */
    public record Flow(double mean, double rms, double peak, double reverse) {}

    private final Map<String, Flow> junctions = new LinkedHashMap<>();
    private final Map<String, Double> capacitors = new LinkedHashMap<>();

    private Duty(Solver solver) {
        Coupling coupling = solver.coupling;
        Cycle cycle = solver.cycle;
        Network network = solver.network;
        for (int s = 0; s < coupling.stateStores.length; s++) {
            double sum = 0;
            for (double[] inputs : cycle.wave) {
                sum += inputs[s] * inputs[s];
            }
            capacitors.put(network.stores().get(coupling.stateStores[s]).part(), Math.sqrt(sum / cycle.wave.length));
        }
        int port = 0;
        for (Junction junction : network.junctions()) {
            if (junction.acDriven()) {
                Flow flow = flow(cycle, coupling.states + port, port, coupling.ports[port].held());
                junctions.merge(junction.part(), flow, Duty::harder);
                port++;
            }
        }
    }

    /** @param held conductance that the network holds in the junction's stead; its input is the rest [S] */
    private static Flow flow(Cycle cycle, int input, int port, double held) {
        double sum = 0;
        double squares = 0;
        double peak = 0;
        double reverse = 0;
        for (int step = 0; step < cycle.wave.length; step++) {
            double current = cycle.wave[step][input] + held * cycle.junctionVolts[step][port];
            sum += current;
            squares += current * current;
            peak = Math.max(peak, current);
            reverse = Math.max(reverse, -cycle.junctionVolts[step][port]);
        }
        int steps = cycle.wave.length;
        return new Flow(sum / steps, Math.sqrt(squares / steps), peak, reverse);
    }

    /** Of the two plates of one tube the one that has to do more. */
    private static Flow harder(Flow a, Flow b) {
        return a.peak >= b.peak ? a : b;
    }

    /**
     * Works it out at the operating point of the values.
     *
     * @return empty when the circuit does not settle, or has no alternating source
     */
    public static Optional<Duty> of(AtWork work, Values values) {
        if (work.network().line().isEmpty()) {
            return Optional.empty();
        }
        return work.solve(values).settled().map(point -> new Duty(work.solver()));
    }

    /** Of a rectifier; empty when the line does not reach it. */
    public Optional<Flow> rectifier(String part) {
        return Optional.ofNullable(junctions.get(part));
    }

    /** RMS of what charges and discharges a filter capacitor [A]; empty for one too small to matter to the supply. */
    public OptionalDouble rippleAmperes(String part) {
        Double rms = capacitors.get(part);
        return rms == null ? OptionalDouble.empty() : OptionalDouble.of(rms);
    }
}
