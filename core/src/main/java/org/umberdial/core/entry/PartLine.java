package org.umberdial.core.entry;

import java.util.List;
import java.util.Optional;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;

/**
 * What a line of parts shorthand means.
 *
 * @param cards one for a part, several for a tube with its sections and heater
 * @param socket the tube's socket with what its pins connect to; empty for other parts
 * @param understood the line in words, for the person who typed it
 * @param known references among these that the set has already
 */
public record PartLine(List<Card> cards, Optional<Deck.SocketPins> socket, String understood, List<String> known) {}
