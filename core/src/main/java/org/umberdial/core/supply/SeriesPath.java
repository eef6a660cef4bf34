package org.umberdial.core.supply;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.umberdial.core.circuit.deck.Card;

/**
 * Ohms in the way of the first charge: from the line, or from a winding with what its primary adds by the square of the
 * turns, to a rectifier's plate.
 */
final class SeriesPath {
    /** A larger resistor is no part of a supply's path. */
    private static final double MOST_OHMS = 2000;

    private SeriesPath() {}

    /** @return empty where no such path is drawn [Ω] */
    static OptionalDouble ohms(List<Card> cards, String plate) {
        if (plate.equals("0")) {
            return OptionalDouble.empty();
        }
        Map<String, Double> reached = reach(cards, plate);
        for (Card card : cards) {
            if (card.letter() == 'V' && card.hertz() > 0) {
                for (String node : card.nodes()) {
                    if (!node.equals("0") && reached.containsKey(node)) {
                        return OptionalDouble.of(reached.get(node));
                    }
                }
            }
        }
        for (Card card : cards) {
            OptionalDouble primary =
                    card.model().equals("XFMR") ? ohmsToLine(cards, card.nodes().get(0)) : OptionalDouble.empty();
            for (int winding = 1; primary.isPresent() && winding < card.nodes().size() / 2; winding++) {
                for (String node : card.nodes().subList(2 * winding, 2 * winding + 2)) {
                    if (!node.equals("0") && reached.containsKey(node)) {
                        return OptionalDouble.of(reached.get(node) + seen(card, winding, primary.getAsDouble()));
                    }
                }
            }
        }
        return OptionalDouble.empty();
    }

    /** A winding with what its primary, and the way from the line to that, add to it. */
    private static double seen(Card transformer, int winding, double toLine) {
        double ratio = transformer.parameters().getOrDefault("V" + winding, 0.0)
                / transformer.parameters().getOrDefault("VP", 1.0);
        double primary = transformer.parameters().getOrDefault("RP", 0.0) + toLine;
        return transformer.parameters().getOrDefault("R" + winding, 0.0) + ratio * ratio * primary;
    }

    /** Empty where the line does not lead to it: then it is no power transformer. */
    private static OptionalDouble ohmsToLine(List<Card> cards, String node) {
        if (node.equals("0")) {
            return OptionalDouble.empty();
        }
        Map<String, Double> reached = reach(cards, node);
        return cards.stream()
                .filter(card -> card.letter() == 'V' && card.hertz() > 0)
                .flatMap(card -> card.nodes().stream())
                .filter(at -> !at.equals("0") && reached.containsKey(at))
                .mapToDouble(reached::get)
                .min();
    }

    /** Nodes that small resistors lead to from here, not through the reference, with the ohms on the way. */
    private static Map<String, Double> reach(List<Card> cards, String from) {
        Map<String, Double> reached = new HashMap<>(Map.of(from, 0.0));
        Deque<String> open = new ArrayDeque<>(List.of(from));
        while (!open.isEmpty()) {
            String node = open.poll();
            for (Card card : cards) {
                double ohms = card.letter() == 'R' ? card.value().orElse(Double.MAX_VALUE) : Double.MAX_VALUE;
                if (ohms > MOST_OHMS || !card.nodes().contains(node)) {
                    continue;
                }
                String other = card.nodes().get(card.nodes().get(0).equals(node) ? 1 : 0);
                if (!other.equals("0") && reached.putIfAbsent(other, reached.get(node) + ohms) == null) {
                    open.add(other);
                }
            }
        }
        return reached;
    }
}
