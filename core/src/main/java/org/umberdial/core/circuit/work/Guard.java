package org.umberdial.core.circuit.work;

import java.util.Arrays;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.umberdial.core.circuit.network.Amplifier;
import org.umberdial.core.circuit.network.Branch;
import org.umberdial.core.circuit.network.Heat;
import org.umberdial.core.circuit.network.Junction;
import org.umberdial.core.circuit.network.Magnet;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Source;
import org.umberdial.core.circuit.network.Store;
import org.umberdial.core.circuit.network.Values;

/**
 * Checks an answer against the circuit by itself, from node voltages and filament heat alone: it takes nothing else
 * from the solver, works out what each element then carries by its own law, and adds up.
 *
 * <p>At every node the currents must add up to nothing, in the mean and at every fourth moment of the cycle; sources
 * must hold their volts; what stands in capacitors and cores at the cycle's end must be what stood there at its
 * beginning, which their laws are solved for; every filament must rest at the heat its volts make; no mean may lie
 * beyond what sources and driven junctions can build up. When the currents add up at every node, the power that goes in
 * is the power that comes out (Tellegen's theorem, 1952), so that is not checked apart.
 *
 * <p>Tubes that the line does not drive are taken by their slopes at the mean, as they are solved, and refused where
 * hum swings them so far that this is not so. What it does not see: what only capacitors below those of the cycle would
 * change.
 */
final class Guard {
    /** A flux counts as closed in the solver when it creeps by so much; windings turn that into current [V]. */
    private static final double CREEPING_VOLTS = 3e-4;
    /** The same as a share of what alternates at a winding that leads nowhere. */
    private static final double CREEPING_SHARE = 3e-4;

    private static final double SOURCE_SHARE = 1e-3;
    private static final double SOURCE_VOLTS = 1e-3;
    /** Contact potentials and what rounds off [V]. */
    private static final double MORE_VOLTS = 5;

    private static final double MORE_SHARE = 1.1;
    /** A junction that is not followed through the cycle may rectify so much unseen [A]. */
    private static final double UNSEEN_AMPERES = 2e-5;

    private static final double UNSEEN_SHARE = 0.05;
    /** Over less than this a law is straight: a grid's swing [V], and of plate and screen a share of their volts. */
    private static final double STRAIGHT_GRID_VOLTS = 0.02;

    private static final double STRAIGHT_SHARE = 0.03;
    /** What hum may add to a tube's mean current unseen [A]; a plate that swings by tenths of its volts adds some. */
    private static final double SWUNG_AMPERES = 5e-5;

    private static final double SWUNG_SHARE = 0.05;
    /** A filament's resistance may be off what its volts would make it by so much. */
    private static final double HEAT_SHARE = 5e-3;
    /** Where the solver stops: a filament this hot is gone. */
    private static final double HOTTEST = 50;
    /** What swings less than this is as good as still [V]. */
    private static final double STILL_VOLTS = 1e-3;

    private static final int STRIDE = 4;
    /** A tube's mean is taken from one moment of so many; hum has few harmonics. */
    private static final int SPARSE = 8;

    private final Network network;
    private final Stamps laws;
    private final int nodes;
    /** Junctions and amplifiers that the line reaches though they were not followed through its cycle. */
    final Set<Integer> unseenJunctions = new TreeSet<>();

    final Set<Integer> unseenAmplifiers = new TreeSet<>();
    private final boolean[] winding;

    /** By node, then moment; the last row is the reference's. */
    private double[][] volts;

    private int steps;
    /** Sums are taken at one moment of so many; means are of all. */
    private int stride;

    private double[] mean;
    private CurrentSums sums;

    Guard(Network network, Stamps laws) {
        this.network = network;
        this.laws = laws;
        nodes = network.names().size();
        winding = new boolean[network.branches().size()];
        for (Magnet magnet : network.magnets()) {
            if (network.line().isPresent() && magnet.inCycle()) {
                for (int branch : magnet.branches()) {
                    winding[branch] = true;
                }
            }
        }
    }

    /**
     * What is wrong with an answer; empty when it can be trusted.
     *
     * @param claimed volts by node, then by moment of one line cycle; one moment for a set without a line
     * @param warmth of every filament
     * @param seconds of a cycle
     */
    Optional<String> doubt(Values values, double[][] claimed, double[] warmth, double seconds) {
        take(claimed);
        Optional<String> plain = beyond(values, mean).or(() -> sources(values)).or(() -> filaments(values, warmth));
        if (plain.isPresent()) {
            return plain;
        }
        double step = seconds / steps;
        branches(values, warmth);
        stores(values, step);
        magnets(values, step);
        Optional<String> unseen = junctions(values, warmth);
        Optional<String> swung = amplifiers(values, warmth);
        if (unseen.isPresent() || swung.isPresent()) {
            return unseen.or(() -> swung);
        }
        network.injections().forEach(injection -> carry(injection.a(), injection.b(), 0, injection.amperes(), 0));
        return sums.doubt();
    }

    private void take(double[][] claimed) {
        steps = nodes == 0 ? 1 : claimed[0].length;
        volts = Arrays.copyOf(claimed, nodes + 1);
        volts[nodes] = new double[steps];
        mean = new double[nodes];
        for (int i = 0; i < nodes; i++) {
            double sum = 0;
            for (double moment : claimed[i]) {
                sum += moment;
            }
            mean[i] = sum / steps;
        }
        stride = steps % STRIDE == 0 ? STRIDE : 1;
        sums = new CurrentSums(network, steps, stride);
        unseenJunctions.clear();
        unseenAmplifiers.clear();
    }

    /** Whether the line reaches what is not followed through its cycle; for a set that is not at rest. */
    boolean reachesMore(Values values, double[][] claimed, double[] warmth) {
        take(claimed);
        junctions(values, warmth);
        amplifiers(values, warmth);
        return !unseenJunctions.isEmpty() || !unseenAmplifiers.isEmpty();
    }

    private double[] at(int node) {
        return volts[node < 0 ? nodes : node];
    }

    /** A current that follows the volts across it: {@code rest + g (v - middle)}. */
    private void carry(int a, int b, double g, double rest, double middle) {
        double[] plus = at(a);
        double[] minus = at(b);
        double[] sampled = new double[steps / stride];
        double size = 0;
        for (int t = 0; t < sampled.length; t++) {
            sampled[t] = rest + g * (plus[t * stride] - minus[t * stride] - middle);
            size += Math.abs(sampled[t]);
        }
        sums.add(a, b, sampled, rest + g * (middle(a, b) - middle), size / sampled.length);
    }

    private double middle(int a, int b) {
        return Stamps.at(mean, a) - Stamps.at(mean, b);
    }

    /** Volts from one node to another, times something. */
    private double[] across(double times, int a, int b) {
        double[] plus = at(a);
        double[] minus = at(b);
        double[] answer = new double[steps];
        for (int t = 0; t < answer.length; t++) {
            answer[t] = times * (plus[t] - minus[t]);
        }
        return answer;
    }

    /** Whether a mean lies beyond what the sources and the driven junctions can build up. */
    Optional<String> beyond(Values values, double[] means) {
        double most = MORE_VOLTS;
        double line = 0;
        double driven = network.junctions().stream().filter(Junction::acDriven).count();
        for (int i = 0; i < network.sources().size(); i++) {
            Source source = network.sources().get(i);
            if (source.isLine()) {
                line = Math.max(line, values.volts()[i] / source.volts());
            } else {
                most += Math.abs(values.volts()[i]);
            }
        }
        most += MORE_SHARE * line * network.highestPeak() * (1 + driven);
        boolean[] floating = Floating.of(network, values);
        for (int i = 0; i < nodes; i++) {
            if (!floating[i]
                    && !(Math.abs(means[i]) <= most)
                    && network.injections().isEmpty()) {
                return Optional.of(String.format(
                        java.util.Locale.ROOT,
                        "%s would stand at %.0f V, beyond the %.0f V that its sources can build up",
                        name(i),
                        means[i],
                        most));
            }
        }
        return Optional.empty();
    }

    private Optional<String> sources(Values values) {
        for (int i = 0; i < network.sources().size(); i++) {
            Source source = network.sources().get(i);
            double peak = values.volts()[i] * (source.isLine() ? Math.sqrt(2) : 1);
            double[] held = across(1, source.plus(), source.minus());
            for (int t = 0; t < held.length; t++) {
                double right = source.isLine() ? peak * Math.sin(2 * Math.PI * (t + 1) / held.length) : peak;
                if (!(Math.abs(held[t] - right) <= SOURCE_SHARE * Math.abs(peak) + SOURCE_VOLTS)) {
                    return Optional.of("the source " + source.part() + " does not hold its volts");
                }
            }
        }
        return Optional.empty();
    }

    /** Both parts of a tapped heater are warmed by their own power, and one that has drifted at other volts. */
    private Optional<String> filaments(Values values, double[] warmth) {
        for (int h = 0; h < warmth.length; h++) {
            Heat heat = network.heats().get(h);
            double square = 0;
            for (int b = 0; b < heat.branches().length; b++) {
                Branch branch = network.branches().get(heat.branches()[b]);
                for (double now : across(1, branch.a(), branch.b())) {
                    square += now * now / steps / heat.shares()[b];
                }
            }
            Branch first = network.branches().get(heat.branches()[0]);
            double drifted = first.ohms() * values.siemens()[heat.branches()[0]];
            double power =
                    square * drifted / heat.law().ohms(warmth[h]) / heat.law().ratedWatts();
            double miss = Math.log(heat.law().ohms(power) / heat.law().ohms(warmth[h]));
            if (power < HOTTEST
                    && !(Math.abs(miss) <= HEAT_SHARE * (1 + Math.abs(heat.law().steepness(power))))) {
                return Optional.of("the heat of " + heat.part() + " is not what its volts make");
            }
        }
        return Optional.empty();
    }

    private void branches(Values values, double[] warmth) {
        double[] siemens = new double[winding.length];
        laws.conductances(values, warmth, siemens);
        for (int i = 0; i < winding.length; i++) {
            if (!winding[i] && siemens[i] > 0) {
                Branch branch = network.branches().get(i);
                carry(branch.a(), branch.b(), siemens[i], 0, 0);
            }
        }
    }

    /** C du/dt = i, v = u + esr i, closed over the cycle; those that are not followed carry nothing. */
    private void stores(Values values, double step) {
        for (int s = 0; s < network.stores().size() && steps > 1; s++) {
            Store store = network.stores().get(s);
            if (store.inCycle()) {
                double farads = Math.max(values.farads()[s], Coupling.STRAY_FARADS);
                double esr = values.esr()[s];
                double[] amperes = across(1, store.a(), store.b());
                double[] charged = closed(step / (farads * esr), amperes);
                for (int t = 0; t < amperes.length; t++) {
                    amperes[t] = (amperes[t] - charged[t]) / esr;
                }
                sums.add(store.a(), store.b(), amperes);
            }
        }
    }

    /** i = g (v - n e), sum n i = i0 + e/Rc, L di0/dt = e, closed over the cycle. */
    private void magnets(Values values, double step) {
        for (int m = 0; m < network.magnets().size(); m++) {
            Magnet magnet = network.magnets().get(m);
            if (steps == 1 || !magnet.inCycle()) {
                continue;
            }
            double own = Math.max(1 / magnet.coreOhms(), Coupling.LEAST_CORE_SIEMENS);
            for (int w = 0; w < magnet.branches().length; w++) {
                own += values.siemens()[magnet.branches()[w]] * magnet.turns()[w] * magnet.turns()[w];
            }
            double[] driving = new double[steps];
            for (int w = 0; w < magnet.branches().length; w++) {
                Branch branch = network.branches().get(magnet.branches()[w]);
                double[] part =
                        across(values.siemens()[magnet.branches()[w]] * magnet.turns()[w], branch.a(), branch.b());
                for (int t = 0; t < driving.length; t++) {
                    driving[t] += part[t];
                }
            }
            double[] magnetising = closed(step / (values.henries()[m] * own), driving);
            for (int w = 0; w < magnet.branches().length; w++) {
                Branch branch = network.branches().get(magnet.branches()[w]);
                double g = values.siemens()[magnet.branches()[w]];
                double[] amperes = across(g, branch.a(), branch.b());
                for (int t = 0; t < amperes.length; t++) {
                    amperes[t] -= g * magnet.turns()[w] * (driving[t] - magnetising[t]) / own;
                }
                sums.add(branch.a(), branch.b(), amperes);
                double creeping = g * (magnet.turns()[w] * CREEPING_VOLTS + CREEPING_SHARE * largest(branch));
                sums.allow(branch.a(), creeping);
                sums.allow(branch.b(), creeping);
            }
        }
    }

    private double largest(Branch branch) {
        double[] a = at(branch.a());
        double[] b = at(branch.b());
        double largest = 0;
        for (int t = 0; t < steps; t++) {
            largest = Math.max(largest, Math.max(Math.abs(a[t]), Math.abs(b[t])));
        }
        return largest;
    }

    /** y' = rate (f - y) over one cycle that ends where it began, in the steps of {@link Cycle}; rate per step. */
    private double[] closed(double rate, double[] f) {
        double keep = (1 - rate * (1 - Cycle.THETA)) / (1 + rate * Cycle.THETA);
        double before = rate * (1 - Cycle.THETA) / (1 + rate * Cycle.THETA);
        double now = rate * Cycle.THETA / (1 + rate * Cycle.THETA);
        double[] y = new double[steps];
        double end = 0;
        for (int round = 0; round < 2; round++) {
            double at = round == 0 ? 0 : end / (1 - Math.pow(keep, steps));
            for (int t = 0; t < steps; t++) {
                at = keep * at + before * f[t == 0 ? steps - 1 : t - 1] + now * f[t];
                y[t] = at;
            }
            end = at;
        }
        return y;
    }

    private Optional<String> junctions(Values values, double[] warmth) {
        Optional<String> unseen = Optional.empty();
        double[] out = new double[2];
        for (int j = 0; j < network.junctions().size(); j++) {
            Junction junction = network.junctions().get(j);
            double emission = Stamps.emission(warmth, junction.heat()) * values.junctionHealth()[j];
            double[] followed = across(1, junction.a(), junction.b());
            double alternating = 0;
            double middle = middle(junction.a(), junction.b());
            double sum = 0;
            for (int t = 0; t < followed.length; t++) {
                alternating = Math.max(alternating, Math.abs(followed[t] - middle));
            }
            boolean still = !junction.acDriven() && alternating < STILL_VOLTS;
            for (int t = 0; t < followed.length && !still; t++) {
                junction.law().evaluate(followed[t], emission, out);
                followed[t] = out[0];
                sum += out[0] / steps;
            }
            if (junction.acDriven()) {
                sums.add(junction.a(), junction.b(), followed);
                continue;
            }
            junction.law().evaluate(middle, emission, out);
            if (!still && !(Math.abs(sum - out[0]) <= UNSEEN_AMPERES + UNSEEN_SHARE * Math.abs(out[0]))) {
                unseenJunctions.add(j);
                unseen = Optional.of("the line reaches " + junction.part()
                        + ", which was solved as if it carried direct current only");
            }
            carry(junction.a(), junction.b(), out[1], out[0], middle);
        }
        return unseen;
    }

    /** Tubes by their slopes at the mean, which is how they are solved. */
    private Optional<String> amplifiers(Values values, double[] warmth) {
        Optional<String> unseen = Optional.empty();
        for (int i = 0; i < network.amplifiers().size(); i++) {
            Amplifier tube = network.amplifiers().get(i);
            double emission = Stamps.emission(warmth, tube.heat()) * values.amplifierHealth()[i];
            double[][] slopes = new double[4][];
            if (tube.acDriven()) {
                followed(tube, values.gas()[i], emission);
                continue;
            }
            laws.currents(tube, values.gas()[i], emission, mean);
            double[] still = laws.current.clone();
            for (int e = 0; e < still.length; e++) {
                slopes[e] = laws.slopes(e);
            }
            Optional<String> swung = swung(tube, values.gas()[i], emission, still);
            if (swung.isPresent()) {
                unseenAmplifiers.add(i);
                unseen = swung;
            }
            int[] electrodes = {tube.grid(), tube.grid3(), tube.screen(), tube.plate()};
            boolean[] there = {true, tube.heptode().isPresent(), tube.hasScreen(), true};
            for (int e = 0; e < still.length; e++) {
                if (there[e]) {
                    carry(electrodes[e], tube.cathode(), 0, still[e], 0);
                    for (int k = 0; k < electrodes.length; k++) {
                        if (slopes[e][k] != 0) {
                            sums.addSway(
                                    electrodes[e],
                                    tube.cathode(),
                                    swaying(slopes[e][k], electrodes[k], tube.cathode()));
                        }
                    }
                }
            }
        }
        return unseen;
    }

    /** A tube that the line drives, by its law at every moment. */
    private void followed(Amplifier tube, double gas, double emission) {
        int[] electrodes = {tube.grid(), tube.grid3(), tube.screen(), tube.plate()};
        double[][] amperes = through(tube, gas, emission, 1);
        for (int e : PortLaw.OfTube.electrodes(tube)) {
            sums.add(electrodes[e], tube.cathode(), amperes[e]);
        }
    }

    /** Whether the line swings a tube so far that its mean current is not that of its mean volts. */
    private Optional<String> swung(Amplifier tube, double gas, double emission, double[] still) {
        int[] electrodes = {tube.grid(), tube.grid3(), tube.screen(), tube.plate()};
        boolean straight = true;
        for (int e : PortLaw.OfTube.electrodes(tube)) {
            double[] plus = at(electrodes[e]);
            double[] minus = at(tube.cathode());
            double middle = middle(electrodes[e], tube.cathode());
            double swing = 0;
            for (int t = 0; t < steps; t += stride) {
                swing = Math.max(swing, Math.abs(plus[t] - minus[t] - middle));
            }
            straight &= swing < (e < 2 ? STRAIGHT_GRID_VOLTS : STRAIGHT_SHARE * Math.abs(middle) + STILL_VOLTS);
        }
        if (straight) {
            return Optional.empty();
        }
        double[][] amperes = through(tube, gas, emission, steps % SPARSE == 0 ? SPARSE : 1);
        for (int e : PortLaw.OfTube.electrodes(tube)) {
            double sum = Arrays.stream(amperes[e]).average().orElse(0);
            if (!(Math.abs(sum - still[e]) <= SWUNG_AMPERES + SWUNG_SHARE * Math.abs(still[e]))) {
                return Optional.of("the line's alternating voltage reaches " + tube.part()
                        + " and swings it far over its law, while it was solved by its mean volts");
            }
        }
        return Optional.empty();
    }

    /** Amperes of each electrode at one moment of so many. */
    private double[][] through(Amplifier tube, double gas, double emission, int every) {
        double[][] amperes = new double[4][steps / every];
        int[] electrodes = {tube.grid(), tube.grid3(), tube.screen(), tube.plate()};
        Amplifier alone = tube.on(3, 2, 1, 0, -1);
        double[] now = new double[4];
        double[] cathode = at(tube.cathode());
        for (int t = 0; t < steps / every; t++) {
            for (int e = 0; e < now.length; e++) {
                now[e] = at(electrodes[e])[t * every] - cathode[t * every];
            }
            laws.currents(alone, gas, emission, now);
            for (int e = 0; e < amperes.length; e++) {
                amperes[e][t] = laws.current[e];
            }
        }
        return amperes;
    }

    /** What swings at a node against another, times a slope, at the moments that are added up. */
    private double[] swaying(double slope, int node, int against) {
        double[] plus = at(node);
        double[] minus = at(against);
        double middle = middle(node, against);
        double[] sampled = new double[steps / stride];
        for (int t = 0; t < sampled.length; t++) {
            sampled[t] = slope * (plus[t * stride] - minus[t * stride] - middle);
        }
        return sampled;
    }

    private String name(int node) {
        return network.names().get(node);
    }
}
