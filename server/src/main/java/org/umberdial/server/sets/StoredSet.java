package org.umberdial.server.sets;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import java.util.Set;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Extra;
import org.umberdial.core.set.SupplyLabel;

/**
 * A set of the shop: what the rules see of it, and what it is called and waits for.
 *
 * @param constructionConfirmed whether somebody said how it gets its power; sets of earlier versions came with a
 *     default
 * @param models the deck's diode models, kept for export
 */
public record StoredSet(
        String id,
        Label label,
        BenchSet set,
        boolean constructionConfirmed,
        Deck deck,
        Conditions conditions,
        Arrival arrival,
        int version,
        Instant createdAt,
        Instant touchedAt) {
    /**
     * What the shop calls it.
     *
     * @param waitsUntil the day by which what it waits for is expected
     * @param promisedFor the day it is promised to its owner for
     */
    public record Label(
            String title,
            String ticket,
            String place,
            String waitsFor,
            Optional<LocalDate> waitsUntil,
            Optional<LocalDate> promisedFor) {
        public Label(String title, String ticket, String place, String waitsFor) {
            this(title, ticket, place, waitsFor, Optional.empty(), Optional.empty());
        }
    }

    /**
     * What was read off the set and asked of its owner when it came in.
     *
     * @param plate text of its plate and chassis number
     * @param sheetOrigin where circuit and sheet come from when they are not the set's own; empty when they are
     * @param paper title and revision of the paper they were taken from, and where it came from
     */
    public record Arrival(
            String ownerName,
            String ownerContact,
            String plate,
            String sheetOrigin,
            String paper,
            Set<Extra> extras,
            SupplyLabel supply) {}

    /**
     * The conditions at the bench, set in one place.
     *
     * @param switchedOnAt when the set was switched on; empty while it is off
     */
    public record Conditions(
            double lineVolts, Optional<String> instrumentId, String mode, Optional<Instant> switchedOnAt) {}
}
