package org.umberdial.core.circuit.deck;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * A deck as read: every card in file order, and what the structured comments say.
 *
 * @param models {@code .model} names in upper case with their parameters
 * @param testPoints nodes of {@code *TP}, in probing order
 * @param modes modes, the default first; empty when the set has only one
 * @param notes what was passed over, for the person who loaded it
 */
public record Deck(
        String title,
        List<Card> cards,
        Map<String, Map<String, Double>> models,
        List<SocketPins> sockets,
        List<String> testPoints,
        List<String> modes,
        List<String> notes) {

    /**
     * One socket and what its pins connect to.
     *
     * @param pins pin names ({@code 1} to {@code 9}, {@code cap}) with their node, in the order written
     */
    public record SocketPins(String socket, String type, Map<String, String> pins) {}

    /** Every node a part connects to, in order of first mention. */
    public Set<String> nodes() {
        Set<String> nodes = new LinkedHashSet<>();
        for (Card card : cards) {
            if (card.letter() != 'K') {
                nodes.addAll(card.nodes());
            }
        }
        return nodes;
    }
}
