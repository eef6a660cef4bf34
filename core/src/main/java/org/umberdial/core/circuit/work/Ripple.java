package org.umberdial.core.circuit.work;

import java.util.Optional;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;

/** What alternates in a running set: hum and ripple at every node, heater and winding volts. */
public final class Ripple {
    /** A rectifier's pulse has nearly all its power in the first of its harmonics. */
    private static final int STRONGEST = 4;

    private final Network network;
    private final double[] rms;
    private final double[] peakToPeak;
    private final double[] hertz;

    private Ripple(Solver solver, Values values, int strongest) {
        network = solver.network;
        Harmonics harmonics = new Harmonics(solver, values, strongest);
        int count = network.namedNodes();
        rms = new double[count];
        peakToPeak = new double[count];
        hertz = new double[count];
        for (int i = 0; i < count; i++) {
            rms[i] = harmonics.rms(i);
            peakToPeak[i] = harmonics.peakToPeak(i);
            hertz[i] = harmonics.hertz(i);
        }
    }

    /**
     * Works it out at the operating point of the values.
     *
     * @return empty when the circuit does not settle, or has no alternating source
     */
    public static Optional<Ripple> of(AtWork work, Values values) {
        return of(work, values, Harmonics.COUNT);
    }

    /** Only how strong it is, by the harmonics that matter for that: at a fifth of the cost. */
    public static Optional<Ripple> strength(AtWork work, Values values) {
        return of(work, values, STRONGEST);
    }

    private static Optional<Ripple> of(AtWork work, Values values, int count) {
        if (work.network().line().isEmpty()) {
            return Optional.empty();
        }
        return work.solve(values).settled().map(point -> new Ripple(work.solver(), point.values(), count));
    }

    /** RMS of all but the mean at a node of the deck [V]. */
    public double rms(String node) {
        return at(rms, node);
    }

    /** Peak to peak [V]. */
    public double peakToPeak(String node) {
        return at(peakToPeak, node);
    }

    /** Frequency of the strongest component [Hz]; 0 at the reference. */
    public double hertz(String node) {
        return at(hertz, node);
    }

    private double at(double[] values, String node) {
        int number = network.node(node).orElseThrow(() -> new IllegalArgumentException("there is no node " + node));
        return number < 0 ? 0 : values[number];
    }
}
