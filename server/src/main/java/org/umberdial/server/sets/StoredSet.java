package org.umberdial.server.sets;

import java.time.Instant;
import java.util.Optional;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.set.BenchSet;

/**
 * A set of the shop: what the rules see of it, and what it is called and waits for.
 *
 * @param models the deck's diode models, kept for export
 */
public record StoredSet(String id, Label label, BenchSet set, Deck deck, Conditions conditions, int version, Instant createdAt, Instant touchedAt) {
    /** What the shop calls it. */
    public record Label(String title, String ticket, String place, String waitsFor) {}

    /**
     * The conditions at the bench, set in one place.
     *
     * @param switchedOnAt when the set was switched on; empty while it is off
     */
    public record Conditions(double lineVolts, Optional<String> instrumentId, String mode, Optional<Instant> switchedOnAt) {}
}
