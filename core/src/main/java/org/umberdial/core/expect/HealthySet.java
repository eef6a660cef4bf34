package org.umberdial.core.expect;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckRefused;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Source;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.work.AtWork;
import org.umberdial.core.circuit.work.Duty;
import org.umberdial.core.circuit.work.MeterReadings;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.circuit.work.Ripple;
import org.umberdial.core.circuit.work.Sensitivities;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.tube.TubeModels;
import org.umberdial.core.value.Volts;

/**
 * The set as its circuit says it should work, every part at its nominal value: voltages at any line, what a meter
 * shows, how nodes answer each other. Solved when asked and kept; safe for several threads.
 */
public final class HealthySet {
    private static final int KEPT_SETS = 64;
    private static final int KEPT_ANSWERS = 4000;
    private static final double LEAST_SUPPLY_VOLTS = 5;

    private record Key(
            List<Card> cards,
            Map<String, Map<String, Double>> models,
            List<String> unread,
            TubeModels tubes,
            String mode) {}

    /** The sets judged last; a shelf is judged over and over. */
    private static final Map<Key, Optional<HealthySet>> KEPT = new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Key, Optional<HealthySet>> eldest) {
            return size() > KEPT_SETS;
        }
    };

    /** Nobody runs a set on so many times its line. */
    private static final double MOST_OVER = 1.6;

    private final Network network;
    private final double nominalLine;
    private final AtWork work;
    private final Map<Double, Optional<OperatingPoint>> points = new HashMap<>();
    private final Map<List<Object>, OptionalDouble> shown = new HashMap<>();
    private final Map<String, double[]> answers = new HashMap<>();
    private final Map<String, Boolean> led = new HashMap<>();

    /** None while nobody has asked. */
    private Optional<Duty> duty;

    private HealthySet(Network network) {
        this.network = network;
        nominalLine = network.line().map(Source::volts).orElse(0.0);
        work = new AtWork(network);
    }

    /** The set's circuit, if it is whole: it compiles, has a source and a tube, and settles with a supply voltage. */
    public static Optional<HealthySet> of(BenchSet bench, String mode) {
        Key key = new Key(bench.cards(), bench.models(), bench.unread(), bench.tubes(), mode);
        synchronized (KEPT) {
            Optional<HealthySet> kept = KEPT.get(key);
            if (kept == null) {
                kept = compile(bench, mode);
                KEPT.put(key, kept);
            }
            return kept;
        }
    }

    /**
     * The set's circuit compiled for solving.
     *
     * @throws DeckRefused when a part cannot be taken
     */
    public static Network network(BenchSet bench, String mode) {
        Deck deck = new Deck("", bench.cards(), bench.models(), bench.sockets(), List.of(), bench.modes(), List.of());
        return Network.of(deck, bench.tubes(), mode);
    }

    private static Optional<HealthySet> compile(BenchSet bench, String mode) {
        if (!bench.unread().isEmpty()) {
            return Optional.empty();
        }
        try {
            HealthySet set = new HealthySet(network(bench, mode));
            boolean whole = !set.network.sources().isEmpty()
                    && !set.network.amplifiers().isEmpty();
            Optional<OperatingPoint> point = whole ? set.at(set.nominalLine()) : Optional.empty();
            return point.filter(HealthySet::isSupplied).map(found -> set);
        } catch (DeckRefused refused) {
            return Optional.empty();
        }
    }

    private static boolean isSupplied(OperatingPoint point) {
        return point.network().names().stream()
                .anyMatch(node -> point.volts(node).orElse(0) > LEAST_SUPPLY_VOLTS);
    }

    /** Line voltage the circuit is drawn for [V RMS]; 0 for a set on batteries. */
    public double nominalLine() {
        return nominalLine;
    }

    /**
     * The volts that the circuit's own alternating source gets when the line at the bench has so many: those, unless
     * the circuit is drawn for so much less that the line cannot be what feeds it, as the vibrator of a 6 V set; then
     * what it is drawn for. 0 for a set on batteries.
     */
    public double fedWith(double line) {
        return line > MOST_OVER * nominalLine ? nominalLine : line;
    }

    public Network network() {
        return network;
    }

    /**
     * The set with something changed, on this line.
     *
     * @param change of the values at that line
     * @param nodes read on DC
     * @param alternating read on AC, RMS
     * @return the operating point and what a meter shows at the nodes asked for; empty when it does not settle
     */
    public synchronized Optional<Changed> changed(
            UnaryOperator<Values> change,
            double line,
            List<String> nodes,
            List<String> alternating,
            Optional<Meter> meter) {
        if (at(line).isEmpty() || !work.solve(values(line)).settled().isPresent()) {
            return Optional.empty();
        }
        Values changed = change.apply(values(line));
        Optional<OperatingPoint> point = work.solve(changed).settled();
        if (point.isEmpty()) {
            return Optional.empty();
        }
        Optional<Ripple> ripple = alternating.isEmpty() ? Optional.empty() : Ripple.of(work, changed);
        MeterReadings readings = new MeterReadings(work, point.get());
        Map<String, OptionalDouble> volts = new HashMap<>();
        for (String node : nodes) {
            OptionalDouble open = point.get().volts(node);
            volts.put(
                    node,
                    meter.isEmpty() || open.isEmpty()
                            ? open
                            : readings.reads(
                                    node,
                                    v -> meter.get()
                                            .inputResistance(new Volts(v))
                                            .value()));
        }
        alternating.forEach(node -> volts.put(
                node,
                ripple.isPresent() && knows(node)
                        ? OptionalDouble.of(ripple.get().rms(node))
                        : OptionalDouble.empty()));
        return Optional.of(new Changed(point.get(), volts));
    }

    /** @param shown on the meter, by node; empty where nothing leads */
    public record Changed(OperatingPoint point, Map<String, OptionalDouble> shown) {}

    public synchronized Optional<OperatingPoint> point(double line) {
        return at(line);
    }

    /** What a cycle of its own line asks of rectifiers and filter capacitors; empty for a set on batteries. */
    public synchronized Optional<Duty> duty() {
        if (duty == null) {
            duty = at(nominalLine).flatMap(point -> Duty.of(work, values(nominalLine)));
        }
        return duty;
    }

    public boolean knows(String node) {
        return network.node(node).isPresent();
    }

    private synchronized Optional<OperatingPoint> at(double line) {
        return points.computeIfAbsent(line, volts -> work.solve(values(volts)).settled());
    }

    private Values values(double line) {
        Values nominal = Values.nominal(network);
        return network.line().isPresent() && line > 0 ? nominal.atLine(fedWith(line)) : nominal;
    }

    /** DC of a node on this line without a meter; empty where nothing leads to it. */
    public synchronized OptionalDouble volts(String node, double line) {
        return at(line).filter(point -> !point.isGuess(node))
                .map(point -> point.volts(node))
                .orElse(OptionalDouble.empty());
    }

    /** What a meter shows at a node on this line. */
    public synchronized OptionalDouble shown(String node, double line, Meter meter) {
        if (shown.size() > KEPT_ANSWERS) {
            shown.clear();
        }
        return shown.computeIfAbsent(List.of(node, line, meter.notation()), key -> read(node, line, meter));
    }

    private OptionalDouble read(String node, double line, Meter meter) {
        Optional<OperatingPoint> point = at(line);
        if (point.isEmpty() || network.node(node).isEmpty() || point.get().isGuess(node)) {
            return OptionalDouble.empty();
        }
        return new MeterReadings(work, point.get())
                .reads(node, volts -> meter.inputResistance(new Volts(volts)).value());
    }

    /**
     * Volts at {@code seen} per ampere fed into {@code driven}, around the nominal line [Ω]; empty where nothing leads.
     */
    synchronized OptionalDouble transferOhms(String seen, String driven) {
        int to = network.node(seen).orElse(-1);
        int from = network.node(driven).orElse(-1);
        if (to < 0 || from < 0 || !led(seen) || !led(driven)) {
            return OptionalDouble.empty();
        }
        double[] row = answers.computeIfAbsent(
                seen,
                node -> Sensitivities.of(work, values(nominalLine()))
                        .map(found -> found.answers(node))
                        .orElse(new double[0]));
        return row.length == 0 ? OptionalDouble.empty() : OptionalDouble.of(row[from]);
    }

    /** Whether anything leads to a node. */
    private boolean led(String node) {
        return led.computeIfAbsent(
                node,
                n -> at(nominalLine)
                        .map(point -> point.volts(n).isPresent() && !point.isGuess(n))
                        .orElse(false));
    }

    /** Every node's answer is asked for at once when one is; saves the work of finding the operating point again. */
    synchronized void prepare(List<String> nodes) {
        List<String> missing = new ArrayList<>(nodes);
        missing.removeIf(node -> answers.containsKey(node) || network.node(node).orElse(-1) < 0);
        if (!missing.isEmpty()) {
            Sensitivities.of(work, values(nominalLine()))
                    .ifPresent(found -> missing.forEach(node -> answers.put(node, found.answers(node))));
        }
    }
}
