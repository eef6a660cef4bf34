package org.umberdial.core.circuit.work;

import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Source;
import org.umberdial.core.circuit.network.Store;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.sparse.ComplexSystem;

/**
 * What alternates at every node: the line and the rectifiers' pulses, harmonic by harmonic, through the circuit made
 * linear at its operating point, with every capacitor and coil in it.
 *
 * <p>The cycle that found the operating point follows only large capacitors; here the small ones count too, which is
 * what decides how much hum reaches a grid. Complex equations are solved as real ones of twice the size.
 */
final class Harmonics {
    /** Harmonics of the line that are followed; a rectifier's pulse has little above. */
    static final int COUNT = 24;

    private static final int SAMPLES = 256;

    private final Solver solver;
    private final Network network;
    private final int half;
    private final double[][] phasors;
    private final double[] staticMatrix;

    /**
     * @param solver standing at an operating point of {@code values}
     * @param count how many harmonics of the line are followed
     */
    Harmonics(Solver solver, Values values, int count) {
        this.solver = solver;
        network = solver.network;
        int magnets = network.magnets().size();
        half = solver.stamps.size + magnets;
        solver.worstMiss(values);
        staticMatrix = solver.matrix;
        phasors = new double[count][];
        ComplexSystem system = new ComplexSystem(half, entries -> walk(entries, values, 1));
        for (int k = 1; k <= count; k++) {
            int harmonic = k;
            boolean regular = system.fill(entries -> walk(entries, values, harmonic));
            drive(system, values, k);
            phasors[k - 1] = regular ? system.solve() : new double[2 * half];
        }
    }

    /** RMS of everything but the mean [V]. */
    double rms(int node) {
        double sum = 0;
        for (double[] phasor : phasors) {
            sum += (square(phasor[node]) + square(phasor[half + node])) / 2;
        }
        return Math.sqrt(sum);
    }

    /** Peak to peak of everything but the mean [V]. */
    double peakToPeak(int node) {
        double most = 0;
        double least = 0;
        for (int i = 0; i < SAMPLES; i++) {
            double sum = 0;
            for (int k = 1; k <= phasors.length; k++) {
                double angle = 2 * Math.PI * k * i / SAMPLES;
                sum += phasors[k - 1][node] * Math.cos(angle) - phasors[k - 1][half + node] * Math.sin(angle);
            }
            most = i == 0 ? sum : Math.max(most, sum);
            least = i == 0 ? sum : Math.min(least, sum);
        }
        return most - least;
    }

    /** Frequency of the strongest harmonic [Hz]. */
    double hertz(int node) {
        int strongest = 0;
        for (int k = 1; k < phasors.length; k++) {
            if (square(phasors[k][node]) + square(phasors[k][half + node])
                    > square(phasors[strongest][node]) + square(phasors[strongest][half + node])) {
                strongest = k;
            }
        }
        return (strongest + 1) / solver.period();
    }

    private static double square(double value) {
        return value * value;
    }

    /** Right side: the line in the first harmonic, the driven junctions' currents in all. */
    private void drive(ComplexSystem system, Values values, int k) {
        system.clear();
        if (k == 1) {
            for (int i = 0; i < network.sources().size(); i++) {
                Source source = network.sources().get(i);
                if (source.isLine()) {
                    // A sine is the real part of -j e^jwt.
                    system.drive(solver.stamps.nodes + i, 0, -values.volts()[i] * Math.sqrt(2));
                }
            }
        }
        for (int j = 0; j < solver.coupling.ports.length; j++) {
            double real = 0;
            double imaginary = 0;
            for (int step = 0; step < Cycle.STEPS; step++) {
                double angle = 2 * Math.PI * k * (step + 1) / Cycle.STEPS;
                double current = solver.cycle.wave[step][solver.coupling.states + j];
                real += current * Math.cos(angle) * 2 / Cycle.STEPS;
                imaginary -= current * Math.sin(angle) * 2 / Cycle.STEPS;
            }
            system.drive(solver.coupling.ports[j].a(), -real, -imaginary);
            system.drive(solver.coupling.ports[j].b(), real, imaginary);
        }
    }

    private void walk(ComplexSystem.Entries entries, Values values, int k) {
        double omega = 2 * Math.PI * k / solver.period();
        for (int slot = 0; slot < solver.stamps.pattern.count(); slot++) {
            entries.add(solver.stamps.pattern.row(slot), solver.stamps.pattern.column(slot), staticMatrix[slot], 0);
        }
        for (int i = 0; i < network.stores().size(); i++) {
            Store store = network.stores().get(i);
            double[] y = Store.admittance(Math.max(values.farads()[i], 1e-15), values.esr()[i], omega);
            entries.admit(store.a(), store.b(), y[0], y[1]);
        }
        for (int m = 0; m < network.magnets().size(); m++) {
            network.magnets()
                    .get(m)
                    .enter(
                            entries,
                            solver.stamps.size + m,
                            omega,
                            values.henries()[m],
                            network.branches(),
                            branch -> solver.siemens[branch]);
        }
    }
}
