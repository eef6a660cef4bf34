package org.umberdial.core.diagnosis;

import java.util.List;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.role.Symptom;

/**
 * What is known of a set beside its readings.
 *
 * @param known of its parts, from tests of all kinds
 * @param heard what it does wrong, as it was told or found
 * @param charred parts that were seen to have been too hot
 */
public record Background(Ledger known, List<Symptom> heard, List<String> charred) {
    public Background {
        heard = List.copyOf(heard);
        charred = List.copyOf(charred);
    }

    /** The same, with more known of its parts. */
    public Background knowing(Ledger more) {
        return new Background(more, heard, charred);
    }
}
