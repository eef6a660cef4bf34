package org.umberdial.core.circuit.work;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.umberdial.core.circuit.network.Amplifier;
import org.umberdial.core.circuit.network.Branch;
import org.umberdial.core.circuit.network.Heat;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;

/** The averages of a running set. Immutable; the solver may go on meanwhile. */
public final class OperatingPoint implements Outcome {
    /** A node that untied grids move by more than this is a guess, beside [V]. */
    private static final double GUESSED_SHARE = 0.02;

    private static final double GUESSED_VOLTS = 0.05;

    /** Below this a target does not light [V]. */
    private static final double LEAST_TARGET_VOLTS = 50;

    private final Network network;
    private final Values values;
    private final double[] x;
    private final boolean[] floating;
    private final double[] heaterVolts;
    private final double[] warmth;
    private final double missAmperes;
    private final int rounds;
    private final double lineAmperes;
    private final double lineWatts;
    private final double setVolts;
    private final double[] branchWatts;
    private final double[] tubeAmperes;

    private final Optional<Adrift> adrift;
    private final List<Note> notes;

    OperatingPoint(Solver solver, Values values, Optional<Adrift> adrift) {
        this.adrift = adrift;
        network = solver.network;
        this.values = values;
        missAmperes = solver.worstMiss(values);
        x = solver.x.clone();
        floating = Floating.of(network, values);
        solver.heaterVolts();
        heaterVolts = solver.heaters.rms.clone();
        warmth = solver.heaters.warmth.clone();
        rounds = solver.rounds;
        LineSide line = new LineSide(solver);
        lineAmperes = line.amperes();
        lineWatts = line.watts(values);
        setVolts = line.setVolts();
        branchWatts = new double[network.branches().size()];
        for (int i = 0; i < branchWatts.length; i++) {
            branchWatts[i] = line.watts(i);
        }
        tubeAmperes = new double[network.amplifiers().size() * 2];
        for (int i = 0; i < network.amplifiers().size(); i++) {
            Amplifier tube = network.amplifiers().get(i);
            if (tube.acDriven()) {
                double[] amperes = solver.meanAmperes(i);
                tubeAmperes[2 * i] = amperes[3];
                tubeAmperes[2 * i + 1] = amperes[2];
                continue;
            }
            solver.stamps.currents(
                    tube, values.gas()[i], Stamps.emission(warmth, tube.heat()) * values.amplifierHealth()[i], x);
            tubeAmperes[2 * i] = solver.stamps.current[Stamps.PLATE];
            tubeAmperes[2 * i + 1] = solver.stamps.current[Stamps.SCREEN];
        }
        notes = noted(solver.moments());
    }

    public Network network() {
        return network;
    }

    public Values values() {
        return values;
    }

    /** DC mean of a node to the reference [V]; empty when there is no such node or it floats. */
    public OptionalDouble volts(String node) {
        OptionalInt number = network.node(node);
        if (number.isEmpty()) {
            return OptionalDouble.empty();
        }
        return number.getAsInt() < 0 ? OptionalDouble.of(0) : volts(number.getAsInt());
    }

    /** The same by node number. */
    public OptionalDouble volts(int node) {
        return floating[node] ? OptionalDouble.empty() : OptionalDouble.of(x[node]);
    }

    /**
     * Whether a node hangs on a control grid that nothing ties, so that its volts are a guess among what insulation and
     * gas may make of it. A guess judges nothing.
     */
    public boolean isGuess(String node) {
        int number = network.node(node).orElse(-1);
        return adrift.isPresent()
                && number >= 0
                && !(spread(number) <= GUESSED_SHARE * Math.abs(x[number]) + GUESSED_VOLTS);
    }

    /**
     * How far insulation and gas at their worst move a guess, from the one end to the other: in all guesses the same
     * two ends, so that signs tell which move together [V]; 0 for what is none, NaN where an end does not settle.
     */
    public double guessedVolts(String node) {
        return isGuess(node) ? adrift.orElseThrow().apart(network.node(node).orElseThrow()) : 0;
    }

    /**
     * What is to be said beside the figures: grids that nothing ties, discharges that stay dark, go out or carry too
     * little or too much, what burns out, barretters out of their range, what a tuning eye shows.
     */
    public List<Note> notes() {
        return notes;
    }

    private List<Note> noted(double[][] moments) {
        Notes said = new Notes();
        adrift.ifPresent(found -> found.tubes()
                .forEach(tube -> said.adrift(tube, x[tube.grid()], found.range(tube.grid(), x[tube.grid()]))));
        said.parts(network, values, moments, heaterVolts, warmth);
        network.eyes().forEach(eye -> said.eye(eye, shadowDegrees(eye.part())));
        return said.all();
    }

    private double spread(int node) {
        double[] range = adrift.orElseThrow().range(node, x[node]);
        return range[1] - range[0];
    }

    /** Nodes of the deck that no direct current can reach. */
    public List<String> floating() {
        return network.names().subList(0, network.namedNodes()).stream()
                .filter(name -> floating[network.node(name).getAsInt()])
                .toList();
    }

    /** The angle of a tuning eye's shadow [°]; empty for a part that is none, or whose target has no volts. */
    public OptionalDouble shadowDegrees(String part) {
        return network.eyes().stream()
                .filter(eye -> eye.part().equals(part))
                .filter(eye -> Stamps.at(x, eye.target()) - Stamps.at(x, eye.cathode()) > LEAST_TARGET_VOLTS)
                .mapToDouble(eye -> eye.law()
                        .shadowDegrees(
                                Stamps.at(x, eye.plate()) - Stamps.at(x, eye.cathode()),
                                Stamps.at(x, eye.target()) - Stamps.at(x, eye.cathode())))
                .findFirst();
    }

    /** RMS volts across a heater or lamp, by the reference of its card. */
    public OptionalDouble heaterVolts(String part) {
        for (int i = 0; i < heaterVolts.length; i++) {
            if (network.heats().get(i).part().equals(part)) {
                return OptionalDouble.of(heaterVolts[i]);
            }
        }
        return OptionalDouble.empty();
    }

    /** Share of full emission that the heat of a tube's cathode allows, by the tube's designation (V4). */
    public OptionalDouble emission(String tube) {
        for (int i = 0; i < warmth.length; i++) {
            Heat heat = network.heats().get(i);
            if (heat.tube().equals(tube)) {
                return OptionalDouble.of(Stamps.emission(warmth, i));
            }
        }
        return OptionalDouble.empty();
    }

    /** Plate current of a tube section [A], by the reference of its card. */
    public OptionalDouble plateAmperes(String part) {
        return tube(part, 0);
    }

    /** Screen current of a tube section [A]; 0 for a triode. */
    public OptionalDouble screenAmperes(String part) {
        return tube(part, 1);
    }

    private OptionalDouble tube(String part, int electrode) {
        for (int i = 0; i < network.amplifiers().size(); i++) {
            if (network.amplifiers().get(i).part().equals(part)) {
                return OptionalDouble.of(tubeAmperes[2 * i + electrode]);
            }
        }
        return OptionalDouble.empty();
    }

    /** What a part turns into heat [W], alternating current included; the sum of its branches. */
    public double watts(String part) {
        double sum = 0;
        for (int i = 0; i < branchWatts.length; i++) {
            Branch branch = network.branches().get(i);
            if (branch.part().equals(part)) {
                sum += branchWatts[i];
            }
        }
        return sum;
    }

    /**
     * RMS current of a transformer's winding [A], from what it turns into heat: sqrt(P / R).
     *
     * @param winding in the order of the card, 0 for the first
     * @return empty for a part that is no transformer, or has no such winding
     */
    public OptionalDouble windingAmperes(String part, int winding) {
        return network.magnets().stream()
                .filter(magnet ->
                        network.branches().get(magnet.branches()[0]).part().equals(part)
                                && winding < magnet.branches().length)
                .mapToDouble(magnet -> Math.sqrt(Math.max(
                        0, branchWatts[magnet.branches()[winding]] * values.siemens()[magnet.branches()[winding]])))
                .findFirst();
    }

    /** RMS current drawn from the line [A]; empty for a set without one. */
    public OptionalDouble lineAmperes() {
        return network.line().isPresent() ? OptionalDouble.of(lineAmperes) : OptionalDouble.empty();
    }

    /** Power drawn from the line [W]. */
    public OptionalDouble lineWatts() {
        return network.line().isPresent() ? OptionalDouble.of(lineWatts) : OptionalDouble.empty();
    }

    /** RMS volts that arrive at the set, after a limiter in series [V]. */
    public OptionalDouble setVolts() {
        return network.line().isPresent() ? OptionalDouble.of(setVolts) : OptionalDouble.empty();
    }

    /** The largest current by which Kirchhoff's law is missed at any node [A]. */
    public double missAmperes() {
        return missAmperes;
    }

    /** Rounds of Newton's method it took. */
    public int rounds() {
        return rounds;
    }

    /** The node that supplies the set: the highest one that a large capacitor holds. */
    public Optional<String> supplyNode() {
        return network.stores().stream()
                .filter(store -> store.farads() >= 1e-6)
                .flatMap(store -> Stream.of(store.a(), store.b()))
                .filter(node -> node >= 0 && node < network.namedNodes() && !floating[node] && x[node] > 0)
                .max(Comparator.comparingDouble(node -> x[node]))
                .map(node -> network.names().get(node));
    }
}
