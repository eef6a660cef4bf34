package org.umberdial.core.circuit.work;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalInt;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.umberdial.core.circuit.network.Amplifier;
import org.umberdial.core.circuit.network.Junction;
import org.umberdial.core.circuit.network.Magnet;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Store;
import org.umberdial.core.circuit.network.Values;

/**
 * What the line cycle and the rest of the network have to do with each other: currents into large capacitors, fluxes of
 * magnets, currents of driven junctions and the line feed the network, and it answers with volts and magnetising
 * amperes. A workspace for one thread.
 */
final class Coupling {
    /** Capacitance left in an open capacitor: lead to lead [F]. */
    static final double STRAY_FARADS = 1e-9;
    /** Core loss of a magnet that has none given, so that one with all its windings open still has an answer [S]. */
    static final double LEAST_CORE_SIEMENS = 1e-8;

    private final Network network;
    private final Stamps stamps;
    private final double period;
    final int[] stateStores;
    final int[] stateMagnets;
    /** What the line drives, and the ports of all that in a row. */
    final PortLaw[] laws;

    final Port[] ports;
    private final int[] drivenJunctions;
    private final int[] drivenTubes;
    final boolean chokes;
    final int states;
    final int inputs;
    /** Mean of every input: states, junctions, line. */
    final double[] inputMean;
    /** How the whole network answers one of each input. */
    final double[][] columns;
    /** Outputs by inputs, and outputs without any. */
    final double[][] h;

    final double[] c;
    final double[] rate;
    final double[] scale;
    private final double[][] covariance;

    Coupling(Network network, Stamps stamps, double period) {
        this.network = network;
        this.stamps = stamps;
        this.period = period;
        boolean hasLine = network.line().isPresent();
        stateStores = hasLine ? indices(network.stores(), Store::inCycle) : new int[0];
        stateMagnets = hasLine ? indices(network.magnets(), Magnet::inCycle) : new int[0];
        drivenJunctions = hasLine ? indices(network.junctions(), Junction::acDriven) : new int[0];
        drivenTubes = hasLine ? indices(network.amplifiers(), Amplifier::acDriven) : new int[0];
        laws = Stream.concat(
                        Arrays.stream(drivenJunctions)
                                .mapToObj(i -> PortLaw.of(network.junctions().get(i))),
                        Arrays.stream(drivenTubes)
                                .mapToObj(i -> PortLaw.of(network.amplifiers().get(i), stamps)))
                .toArray(PortLaw[]::new);
        ports = Arrays.stream(laws).flatMap(law -> Arrays.stream(law.ports())).toArray(Port[]::new);
        chokes = Arrays.stream(stateMagnets)
                .anyMatch(magnet -> network.magnets().get(magnet).branches().length == 1);
        states = stateStores.length + stateMagnets.length;
        inputs = hasLine ? states + ports.length + 1 : 0;
        inputMean = new double[inputs];
        columns = new double[inputs][stamps.size];
        h = new double[inputs][inputs];
        c = new double[inputs];
        rate = new double[states];
        scale = new double[states];
        covariance = new double[inputs][inputs];
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

    /** Sets what emission and gas the driven elements have. */
    void emit(Values values, double[] warmth) {
        for (int j = 0; j < drivenJunctions.length; j++) {
            int i = drivenJunctions[j];
            laws[j].emission =
                    Stamps.emission(warmth, network.junctions().get(i).heat()) * values.junctionHealth()[i];
        }
        for (int j = 0; j < drivenTubes.length; j++) {
            int i = drivenTubes[j];
            PortLaw.OfTube law = (PortLaw.OfTube) laws[drivenJunctions.length + j];
            law.emission = Stamps.emission(warmth, network.amplifiers().get(i).heat()) * values.amplifierHealth()[i];
            law.gas = values.gas()[i];
        }
    }

    /** The number here of another coupling's state; below 0 when it is none of the states here. */
    int stateOf(Coupling other, int state) {
        boolean store = state < other.stateStores.length;
        int[] mine = store ? stateStores : stateMagnets;
        int wanted = store ? other.stateStores[state] : other.stateMagnets[state - other.stateStores.length];
        for (int s = 0; s < mine.length; s++) {
            if (mine[s] == wanted) {
                return store ? s : stateStores.length + s;
            }
        }
        return -1;
    }

    /** Where the ports of a driven tube begin; empty for one that the line does not drive. */
    OptionalInt portsOf(int amplifier) {
        int at = drivenJunctions.length;
        for (int i : drivenTubes) {
            if (i == amplifier) {
                return OptionalInt.of(at);
            }
            at += PortLaw.OfTube.electrodes(network.amplifiers().get(i)).length;
        }
        return OptionalInt.empty();
    }

    /** Puts what capacitors, magnets, junctions and line feed in, on top of the static residual. */
    void addInputs(double[] siemens, double[] to) {
        for (int s = 0; s < stateStores.length; s++) {
            Store store = network.stores().get(stateStores[s]);
            out(to, store.a(), store.b(), inputMean[s]);
        }
        for (int k = 0; k < stateMagnets.length; k++) {
            Magnet magnet = network.magnets().get(stateMagnets[k]);
            for (int w = 0; w < magnet.branches().length; w++) {
                int branch = magnet.branches()[w];
                out(
                        to,
                        stamps.branchA(branch),
                        stamps.branchB(branch),
                        -siemens[branch] * magnet.turns()[w] * inputMean[stateStores.length + k]);
            }
        }
        for (int j = 0; j < ports.length; j++) {
            out(to, ports[j].a(), ports[j].b(), inputMean[states + j]);
        }
    }

    static void out(double[] to, int a, int b, double current) {
        if (a >= 0) {
            to[a] += current;
        }
        if (b >= 0) {
            to[b] -= current;
        }
    }

    /** One ampere, volt or line amplitude of input {@code p}, as the right side of the linear system. */
    void inject(int p, Values values, double[] siemens, double share, double[] right) {
        if (p < stateStores.length) {
            Store store = network.stores().get(stateStores[p]);
            out(right, store.a(), store.b(), -1);
        } else if (p < states) {
            Magnet magnet = network.magnets().get(stateMagnets[p - stateStores.length]);
            for (int w = 0; w < magnet.branches().length; w++) {
                int branch = magnet.branches()[w];
                out(right, stamps.branchA(branch), stamps.branchB(branch), siemens[branch] * magnet.turns()[w]);
            }
        } else if (p < states + ports.length) {
            out(right, ports[p - states].a(), ports[p - states].b(), -1);
        } else {
            for (int i = 0; i < network.sources().size(); i++) {
                if (network.sources().get(i).isLine()) {
                    right[stamps.nodes + i] = share * values.volts()[i] * Math.sqrt(2);
                }
            }
        }
    }

    private double output(int p, double[] siemens, double[] at) {
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
        if (p < states + ports.length) {
            return Stamps.at(at, ports[p - states].a()) - Stamps.at(at, ports[p - states].b());
        }
        return 0;
    }

    /** How every output answers every input, and what it is without any, at the point the linear system stands at. */
    void surroundings(Values values, double[] siemens, double[] x, double[] move) {
        for (int p = 0; p < inputs; p++) {
            for (int q = 0; q < inputs; q++) {
                h[p][q] = output(p, siemens, columns[q]);
            }
        }
        for (int s = 0; s < stateStores.length; s++) {
            h[s][s] -= values.esr()[stateStores[s]];
            double farads = Math.max(values.farads()[stateStores[s]], STRAY_FARADS);
            rate[s] = 1 / farads;
            scale[s] = farads / period;
        }
        for (int k = 0; k < stateMagnets.length; k++) {
            Magnet magnet = network.magnets().get(stateMagnets[k]);
            int s = stateStores.length + k;
            for (int w = 0; w < magnet.branches().length; w++) {
                h[s][s] -= siemens[magnet.branches()[w]] * magnet.turns()[w] * magnet.turns()[w];
            }
            h[s][s] -= Math.max(1 / magnet.coreOhms(), LEAST_CORE_SIEMENS);
            double henries = values.henries()[stateMagnets[k]];
            rate[s] = 1 / henries;
            // A flux that creeps shows as a voltage over the windings; as a current it is that over a typical kilohm.
            scale[s] = henries / period * 1e-3;
        }
        for (int p = 0; p < inputs; p++) {
            double value = output(p, siemens, x) + output(p, siemens, move);
            for (int q = 0; q < inputs; q++) {
                value -= h[p][q] * inputMean[q];
            }
            if (p < states) {
                // The outputs of x hold the inputs' direct part only when they are not states themselves.
                value += direct(values, siemens, p) * inputMean[p];
            }
            c[p] = value;
        }
    }

    /** What {@link #surroundings} put on the diagonal beside the network's own answer. */
    private double direct(Values values, double[] siemens, int p) {
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

    /** Covariance of the inputs over the last cycle. */
    void spread(Cycle cycle) {
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
}
