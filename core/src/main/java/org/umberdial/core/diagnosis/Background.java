package org.umberdial.core.diagnosis;

import java.util.List;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.role.Symptom;

/**
 * What is known of a set beside its readings.
 *
 * @param known of its parts, from tests of all kinds
 * @param heard what it does wrong, as it was told or found
 */
public record Background(Ledger known, List<Symptom> heard) {
    public Background {
        heard = List.copyOf(heard);
    }

    /** The same, with more known of its parts. */
    public Background knowing(Ledger more) {
        return new Background(more, heard);
    }
}
