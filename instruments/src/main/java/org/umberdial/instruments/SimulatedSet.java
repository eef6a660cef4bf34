package org.umberdial.instruments;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.network.Amplifier;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.work.WarmUp;
import org.umberdial.core.tube.TubeModels;

/**
 * A set on the bench: a circuit whose values lie somewhere within their tolerances, whose tubes have an emission of
 * their own and whose faults nobody was told. It warms up as time goes on; a fault may come while it does.
 */
public final class SimulatedSet {
    private static final double TUBE_SPREAD = 0.08;
    private static final double LINE_NOISE = 0.004;
    private static final double LINE_SPREAD = 0.01;
    private static final int LOOK_STEPS = 20;
    private static final double USUAL_TOLERANCE = 0.20;

    /** What is wrong with a part. */
    public enum Fault {
        OPEN,
        SHORTED,
        /** With a resistance across it [Ω]. */
        LEAKS,
        /** A tube with this share of its emission. */
        WEAK,
        /** Another value. */
        VALUE
    }

    /**
     * @param value ohms, a share or a value, as the fault wants it
     * @param from when it comes, since switching on [s]; 0 for one that is there
     * @param over how long it takes to get as bad as it gets [s]
     */
    public record Hidden(String part, Fault fault, double value, double from, double over) {}

    private final Values whole;
    private final List<Hidden> faults;
    private final List<String> nodes;
    private final Random random;
    private final double lineFactor;
    private final WarmUp warmUp;
    private WarmUp.Moment looked;
    private int stepsSinceLook;
    private double wanted;
    private boolean on;
    private double onSince = Double.NaN;
    private List<Double> lamps = List.of();
    private final double meterFactor;

    /** @param seed two of one seed are the same set */
    public SimulatedSet(Deck deck, List<Hidden> faults, long seed) {
        Network network = Network.of(deck, TubeModels.shipped(), "");
        random = new Random(seed);
        Values values = Values.nominal(network);
        for (Card card : deck.cards()) {
            if ("RC".indexOf(card.letter()) >= 0
                    && card.value().filter(v -> v > 0).isPresent()) {
                double tolerance =
                        card.key("tol").map(Double::valueOf).map(t -> t / 100).orElse(USUAL_TOLERANCE);
                values = values.with(card.reference(), card.value().get() * (1 + tolerance * within()));
            }
        }
        for (Amplifier amplifier : network.amplifiers()) {
            if (amplifier.bipolar().isEmpty()) {
                values =
                        values.emitting(amplifier.part(), Math.min(1.2, Math.exp(TUBE_SPREAD * random.nextGaussian())));
            }
        }
        whole = values;
        this.faults = List.copyOf(faults);
        nodes = network.names().subList(0, network.namedNodes());
        lineFactor = 1 + LINE_SPREAD * within();
        meterFactor = 1 + 0.005 * within();
        warmUp = new WarmUp(present(0), nodes);
        warmUp.line(0);
        looked = warmUp.mark();
    }

    private double within() {
        return Math.max(-1, Math.min(1, random.nextGaussian() / 2));
    }

    /** With what is wrong by then. */
    private Values present(double sinceOn) {
        Values values = whole;
        for (Hidden hidden : faults) {
            double share = hidden.over <= 0
                    ? sinceOn >= hidden.from ? 1 : 0
                    : Math.max(0, Math.min(1, (sinceOn - hidden.from) / hidden.over));
            if (share > 0) {
                values = switch (hidden.fault) {
                    case OPEN -> values.opened(hidden.part);
                    case SHORTED -> values.shorted(hidden.part);
                    case LEAKS -> values.leaking(hidden.part, hidden.value / share);
                    case WEAK -> values.emitting(hidden.part, 1 - (1 - hidden.value) * share);
                    case VALUE -> values.with(hidden.part, hidden.value);
                };
            }
        }
        return values;
    }

    /** @param volts RMS ahead of the lamps */
    public synchronized void line(double volts) {
        wanted = volts;
    }

    public synchronized void switchOn(boolean closed) {
        if (closed && !on) {
            onSince = warmUp.latest().seconds();
        }
        on = closed;
    }

    public synchronized boolean isOn() {
        return on;
    }

    /** @param watts of each lamp in series with the set, in parallel with each other; empty for none */
    public synchronized void lamps(List<Double> watts) {
        lamps = List.copyOf(watts);
    }

    public synchronized List<Double> lamps() {
        return lamps;
    }

    /** Lets time go on by so much [s]; what does not settle stays as it was. */
    public synchronized void go(double seconds) {
        double end = warmUp.latest().seconds() + seconds;
        while (warmUp.latest().seconds() + WarmUp.STEP_SECONDS <= end + 1e-9) {
            boolean changing = faults.stream().anyMatch(f -> f.from > 0 || f.over > 0);
            if (changing && on) {
                warmUp.change(present(warmUp.latest().seconds() - onSince));
            }
            warmUp.lamps(lamps);
            warmUp.line(on ? wanted * lineFactor * (1 + LINE_NOISE * within()) : 0);
            if (warmUp.advance().isPresent()) {
                return;
            }
            stepsSinceLook++;
            if (stepsSinceLook == 2 || stepsSinceLook >= LOOK_STEPS) {
                if (warmUp.follow(looked)) {
                    stepsSinceLook = 0;
                    continue;
                }
                looked = warmUp.mark();
                stepsSinceLook = stepsSinceLook >= LOOK_STEPS ? 0 : stepsSinceLook;
            }
        }
    }

    /** Since it was made [s]. */
    public synchronized double seconds() {
        return warmUp.latest().seconds();
    }

    /** RMS at the set's plug [V]. */
    public synchronized double setVolts() {
        return noisy(warmUp.latest().setVolts());
    }

    /** RMS from the line [A]. */
    public synchronized double lineAmperes() {
        return noisy(warmUp.latest().lineAmperes());
    }

    public synchronized double lineWatts() {
        return noisy(warmUp.latest().lineWatts());
    }

    /** In the lamps together. */
    public synchronized double lampWatts() {
        return noisy(warmUp.latest().lampWatts());
    }

    /**
     * DC between two nodes as a meter shows it [V].
     *
     * @throws IllegalArgumentException when there is no such node
     */
    public synchronized double volts(String plus, String minus) {
        return noisy(at(plus) - at(minus)) + 0.02 * random.nextGaussian();
    }

    private double at(String node) {
        if (node.equals("0")) {
            return 0;
        }
        int place = nodes.indexOf(node);
        if (place < 0) {
            throw new IllegalArgumentException("there is no node " + node);
        }
        return warmUp.latest().points()[place];
    }

    private double noisy(double value) {
        return value * meterFactor * (1 + 0.002 * random.nextGaussian());
    }

    /** Every named node, for clips. */
    public List<String> nodes() {
        return new ArrayList<>(nodes);
    }

    @Override
    public String toString() {
        return "a set with " + (faults.isEmpty() ? "nothing wrong" : Arrays.toString(faults.toArray()));
    }
}
