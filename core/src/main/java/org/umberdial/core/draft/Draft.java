package org.umberdial.core.draft;

import java.util.List;
import org.umberdial.core.circuit.deck.Deck;

/**
 * A drafted circuit.
 *
 * @param deck solvable; each card says its stage in the key {@code stage}
 * @param feed how it is fed
 * @param lineVolts what it is drafted for [V]
 * @param says what a person should know: what could not be drafted and why, what was assumed
 */
public record Draft(Deck deck, Feed feed, double lineVolts, List<String> says) {}
