package org.umberdial.core.parts;

import java.util.List;
import java.util.OptionalDouble;
import org.umberdial.core.policy.HousePolicy;

/**
 * A capacitor with all that its verdict needs.
 *
 * @param marked what it should have [F]; empty when nobody knows
 * @param confirmed whether that is known of this very set
 * @param ratedVolts [V]; empty when it is not marked
 * @param readings that stand, oldest first
 */
record CapacitorCase(
        CapacitorKind kind,
        OptionalDouble marked,
        boolean confirmed,
        OptionalDouble ratedVolts,
        Place place,
        List<Taken> readings,
        HousePolicy.Parts rules) {
    /**
     * What its leak is looked for at: what stands across it, else what it is marked for; empty when neither is known.
     */
    OptionalDouble workingVolts() {
        return place.workingVolts().isPresent() ? place.workingVolts() : ratedVolts;
    }

    boolean electrolytic() {
        return kind == CapacitorKind.ELECTROLYTIC;
    }
}
