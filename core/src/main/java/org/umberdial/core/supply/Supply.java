package org.umberdial.core.supply;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckRefused;
import org.umberdial.core.circuit.network.Amplifier;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Source;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.work.AtWork;
import org.umberdial.core.circuit.work.Duty;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.circuit.work.Ripple;
import org.umberdial.core.set.BenchSet;

/** A set's circuit with something of its supply changed, solved at work and before its tubes draw. */
final class Supply {
    /** A line so much over its nominal is met. */
    static final double LINE_HIGH = 1.1;
    /** Nothing draws before the cathodes are warm. */
    private static final double COLD = 1e-6;

    /** @param duty of the cycle, @param ripple of every node */
    record Run(OperatingPoint point, Duty duty, Optional<Ripple> ripple) {
        OptionalDouble volts(String node) {
            return node.equals("0") ? OptionalDouble.of(0) : point.volts(node);
        }

        OptionalDouble across(Card card) {
            OptionalDouble a = volts(card.nodes().get(0));
            OptionalDouble b = volts(card.nodes().get(1));
            return a.isPresent() && b.isPresent()
                    ? OptionalDouble.of(Math.abs(a.getAsDouble() - b.getAsDouble()))
                    : OptionalDouble.empty();
        }
    }

    private final Network network;
    private final AtWork work;
    private final double line;

    private Supply(Network network, double line) {
        this.network = network;
        this.work = new AtWork(network);
        this.line = line;
    }

    /**
     * @param cards of the set, changed
     * @param models beside those of the set
     * @return empty when they make no circuit that has a line
     */
    static Optional<Supply> of(BenchSet set, List<Card> cards, Map<String, Map<String, Double>> models, String mode) {
        Map<String, Map<String, Double>> all = new HashMap<>(set.models());
        all.putAll(models);
        try {
            Network network = Network.of(
                    new Deck("", cards, all, set.sockets(), List.of(), set.modes(), List.of()), set.tubes(), mode);
            double line = network.line().map(Source::volts).orElse(0.0);
            return line > 0 ? Optional.of(new Supply(network, line)) : Optional.empty();
        } catch (DeckRefused refused) {
            return Optional.empty();
        }
    }

    double line() {
        return line;
    }

    /** At its nominal line, everything drawing. */
    Optional<Run> atWork(UnaryOperator<Values> change) {
        return run(change.apply(Values.nominal(network).atLine(line)));
    }

    /** On a high line, everything drawing. */
    Optional<Run> atWorkOnAHighLine(UnaryOperator<Values> change) {
        return run(change.apply(Values.nominal(network).atLine(line * LINE_HIGH)));
    }

    /** On a high line, before anything draws. */
    Optional<Run> beforeTheTubesDraw(UnaryOperator<Values> change) {
        Values values = change.apply(Values.nominal(network).atLine(line * LINE_HIGH));
        for (Amplifier amplifier : network.amplifiers()) {
            values = values.emitting(amplifier.part(), COLD);
        }
        return run(values);
    }

    /** The operating point alone, which costs less. */
    Optional<OperatingPoint> point(UnaryOperator<Values> change) {
        return work.solve(change.apply(Values.nominal(network).atLine(line))).settled();
    }

    private Optional<Run> run(Values values) {
        Optional<OperatingPoint> point = work.solve(values).settled();
        Optional<Duty> duty = point.flatMap(p -> Duty.of(work, values));
        return duty.map(d -> new Run(point.get(), d, Ripple.of(work, values)));
    }
}
