package org.umberdial.core.circuit.network;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * The numbers of one variant of a network. Each change gives a new object; the network stays.
 *
 * <p>Arrays run parallel to the network's lists. They are shared with the solver, which only reads them.
 */
public final class Values {
    /** What a solid short leaves [Ω]. */
    private static final double SHORT_OHMS = 0.05;

    private final Network network;
    private final double[] siemens;
    private final double[] farads;
    private final double[] esr;
    private final double[] amplifierHealth;
    private final double[] gas;
    private final double[] junctionHealth;
    private final double[] volts;
    private final double[] henries;

    private Values(
            Network network,
            double[] siemens,
            double[] farads,
            double[] esr,
            double[] amplifierHealth,
            double[] gas,
            double[] junctionHealth,
            double[] volts,
            double[] henries) {
        this.network = network;
        this.siemens = siemens;
        this.farads = farads;
        this.esr = esr;
        this.amplifierHealth = amplifierHealth;
        this.gas = gas;
        this.junctionHealth = junctionHealth;
        this.volts = volts;
        this.henries = henries;
    }

    /** Every part as the deck has it. */
    public static Values nominal(Network network) {
        double[] ones = new double[network.amplifiers().size()];
        Arrays.fill(ones, 1);
        double[] junctionOnes = new double[network.junctions().size()];
        Arrays.fill(junctionOnes, 1);
        return new Values(
                network,
                network.branches().stream()
                        .mapToDouble(branch -> 1 / branch.ohms())
                        .toArray(),
                network.stores().stream().mapToDouble(Store::farads).toArray(),
                network.stores().stream().mapToDouble(Store::esr).toArray(),
                ones,
                new double[ones.length],
                junctionOnes,
                network.sources().stream().mapToDouble(Source::volts).toArray(),
                network.magnets().stream().mapToDouble(Magnet::henries).toArray());
    }

    private Values copy() {
        return new Values(
                network,
                siemens.clone(),
                farads.clone(),
                esr.clone(),
                amplifierHealth.clone(),
                gas.clone(),
                junctionHealth.clone(),
                volts.clone(),
                henries.clone());
    }

    /** The same with one junction, by number, out of work. */
    public Values dark(int junction) {
        Values changed = copy();
        changed.junctionHealth[junction] = 0;
        return changed;
    }

    /** The same numbers for a network of the same elements; see {@link Network#following}. */
    public Values on(Network other) {
        return new Values(other, siemens, farads, esr, amplifierHealth, gas, junctionHealth, volts, henries);
    }

    public Network network() {
        return network;
    }

    /** Conductance of each branch [S]; a filament's is its rated hot one, which the solver replaces. */
    public double[] siemens() {
        return siemens;
    }

    public double[] farads() {
        return farads;
    }

    public double[] esr() {
        return esr;
    }

    /** Share of full emission of each amplifier, over what its heater allows. */
    public double[] amplifierHealth() {
        return amplifierHealth;
    }

    /** Grid current of each amplifier through gas, per ampere of cathode current. */
    public double[] gas() {
        return gas;
    }

    public double[] junctionHealth() {
        return junctionHealth;
    }

    /** Inductance of each magnet as it is magnetised [H]. */
    public double[] henries() {
        return henries;
    }

    /** The same with every core magnetised as given [H]. */
    public Values magnetised(double[] present) {
        Values changed = copy();
        System.arraycopy(present, 0, changed.henries, 0, present.length);
        return changed;
    }

    /** DC or RMS volts of each source. */
    public double[] volts() {
        return volts;
    }

    /** The same at another line voltage [V RMS]. */
    public Values atLine(double rms) {
        Values changed = copy();
        double nominal = network.line().map(Source::volts).orElse(1.0);
        for (int i = 0; i < volts.length; i++) {
            if (network.sources().get(i).isLine()) {
                changed.volts[i] = network.sources().get(i).volts() * rms / nominal;
            }
        }
        return changed;
    }

    /** The same with a resistance in series with the line [Ω], such as a lamp limiter at its temperature. */
    public Values withFeed(double ohms) {
        Values changed = copy();
        for (int i = 0; i < siemens.length; i++) {
            if (network.branches().get(i).kind() == Branch.Kind.FEED) {
                changed.siemens[i] =
                        1 / Math.max(ohms, network.branches().get(i).ohms());
            }
        }
        return changed;
    }

    /**
     * The same with every capacitor's leakage multiplied.
     *
     * @param factors one per capacitor, in the network's order
     */
    public Values leakingBy(double[] factors) {
        Values changed = copy();
        for (int i = 0; i < factors.length; i++) {
            changed.siemens[network.stores().get(i).leak()] *= factors[i];
        }
        return changed;
    }

    /**
     * The same with one part's main value changed: ohms of a resistor or winding, farads of a capacitor, volts of a
     * source.
     *
     * @throws IllegalArgumentException when there is no such part or its value is not above 0
     */
    public Values with(String part, double value) {
        if (!(value > 0) || Double.isInfinite(value)) {
            throw new IllegalArgumentException(part + " cannot have the value " + value + "; give one above 0.");
        }
        Values changed = copy();
        boolean found = false;
        for (int i = 0; i < farads.length; i++) {
            if (network.stores().get(i).part().equals(part)) {
                changed.farads[i] = value;
                found = true;
            }
        }
        for (int i = 0; i < volts.length; i++) {
            if (network.sources().get(i).part().equals(part)) {
                changed.volts[i] = value;
                return changed;
            }
        }
        return found ? changed : scaled(part, changed, value);
    }

    /** Sets the part's branches to the resistance; a part of several windings keeps their ratios, led by the first. */
    private Values scaled(String part, Values changed, double ohms) {
        double first = Double.NaN;
        for (int i = 0; i < siemens.length; i++) {
            Branch branch = network.branches().get(i);
            if (branch.part().equals(part) && carries(branch)) {
                double nominal = Double.isInfinite(branch.ohms()) ? ohms : branch.ohms();
                first = Double.isNaN(first) ? nominal : first;
                changed.siemens[i] = first / nominal / ohms;
            }
        }
        if (Double.isNaN(first)) {
            throw new IllegalArgumentException(part + " has no value that could be changed.");
        }
        return changed;
    }

    private static boolean carries(Branch branch) {
        return branch.kind() != Branch.Kind.LEAK
                && branch.kind() != Branch.Kind.FAULT
                && branch.kind() != Branch.Kind.INSULATION;
    }

    /**
     * The same with a part open: no current through it, a capacitor without capacitance, a transformer's first winding
     * broken.
     */
    public Values opened(String part) {
        Values changed = copy();
        requirePart(part);
        boolean broken = false;
        for (int i = 0; i < siemens.length; i++) {
            Branch branch = network.branches().get(i);
            boolean another = broken && branch.kind() == Branch.Kind.WINDING;
            if (branch.part().equals(part) && branch.kind() != Branch.Kind.FEED && !another) {
                changed.siemens[i] = 0;
                broken = true;
            }
        }
        for (int i = 0; i < farads.length; i++) {
            if (network.stores().get(i).part().equals(part)) {
                changed.farads[i] = 0;
            }
        }
        changed.setHealth(part, 0);
        return changed;
    }

    /**
     * The same with a part shorted end to end: a rectifier from plate to cathode, a transformer across its first
     * winding.
     */
    public Values shorted(String part) {
        return leaking(part, SHORT_OHMS);
    }

    /**
     * The same with a resistance across a part, beside what it does otherwise.
     *
     * @param ohms above 0
     */
    public Values leaking(String part, double ohms) {
        requirePart(part);
        Values changed = copy();
        int place = -1;
        for (int i = 0; i < siemens.length; i++) {
            Branch branch = network.branches().get(i);
            boolean across = branch.kind() == Branch.Kind.LEAK || branch.kind() == Branch.Kind.FAULT;
            if (branch.part().equals(part)
                    && branch.kind() != Branch.Kind.INSULATION
                    && (place < 0 || across && carries(network.branches().get(place)))) {
                place = i;
            }
        }
        if (place < 0) {
            throw new IllegalArgumentException(part + " has no two ends to put a resistance across.");
        }
        changed.siemens[place] += 1 / ohms;
        return changed;
    }

    /**
     * The same with a tube of another emission.
     *
     * @param part reference of a section (XV4), or of every section of a tube (V4)
     * @param share of the full emission, 0 to 1
     */
    public Values emitting(String part, double share) {
        Values changed = copy();
        if (!changed.setHealth(part, share)) {
            throw new IllegalArgumentException(part + " is no tube of this circuit.");
        }
        return changed;
    }

    /** The same with a gassy tube: grid current in amperes per ampere of cathode current. */
    public Values gassy(String part, double ratio) {
        Values changed = copy();
        for (int i = 0; i < gas.length; i++) {
            if (network.amplifiers().get(i).part().equals(part)) {
                if (network.amplifiers().get(i).bipolar().isPresent()) {
                    throw new IllegalArgumentException(part + " is a transistor and has no gas.");
                }
                changed.gas[i] = ratio;
            }
        }
        return changed;
    }

    /**
     * The same with a tube's grid insulated by this much and no better.
     *
     * @param part of a tube section with a control grid
     * @param toPlate [Ω]
     * @param toChassis [Ω]
     * @param ratio grid current of gas in amperes per ampere of cathode current, unless it has more
     */
    public Values insulated(String part, double toPlate, double toChassis, double ratio) {
        Values changed = copy();
        boolean plate = true;
        for (int i = 0; i < siemens.length; i++) {
            Branch branch = network.branches().get(i);
            if (branch.part().equals(part) && branch.kind() == Branch.Kind.INSULATION) {
                changed.siemens[i] = 1 / (plate ? toPlate : toChassis);
                plate = false;
            }
        }
        for (int i = 0; i < gas.length; i++) {
            if (network.amplifiers().get(i).part().equals(part)) {
                changed.gas[i] = Math.max(gas[i], ratio);
            }
        }
        return changed;
    }

    private boolean setHealth(String part, double share) {
        boolean found = false;
        for (int i = 0; i < amplifierHealth.length; i++) {
            if (network.amplifiers().get(i).part().equals(part)) {
                amplifierHealth[i] = share;
                found = true;
            }
        }
        for (int i = 0; i < junctionHealth.length; i++) {
            if (network.junctions().get(i).part().equals(part)) {
                junctionHealth[i] = share;
                found = true;
            }
        }
        return found;
    }

    private void requirePart(String part) {
        Optional<Branch> branch = network.branches().stream()
                .filter(other -> other.part().equals(part))
                .findFirst();
        boolean tube = network.amplifiers().stream()
                .anyMatch(amplifier -> amplifier.part().equals(part));
        if (branch.isEmpty() && !tube) {
            throw new IllegalArgumentException(part + " is no part of this circuit.");
        }
    }

    /** Part references that can be changed, in the network's order. */
    public static List<String> parts(Network network) {
        return Stream.concat(
                        network.branches().stream().map(Branch::part),
                        network.amplifiers().stream().map(Amplifier::part))
                .distinct()
                .toList();
    }
}
