package org.umberdial.core.recap;

import java.util.List;
import java.util.Optional;
import org.umberdial.core.parts.PartRow;

/**
 * What goes in for one part.
 *
 * @param row the part as the ledger has it
 * @param item what is bought or taken from stock, as it is ordered; empty when nothing in the catalogue fits
 * @param quantity of the item; two where only a pair makes the value
 * @param how the pair is joined: {@code in parallel}, {@code in series}; empty for one
 * @param why in a few sentences
 * @param cautions what can go wrong, a sentence each
 * @param expect what stands there afterwards, in a few words; empty when the circuit does not say
 */
public record Renewal(
        PartRow row,
        Optional<String> item,
        int quantity,
        String how,
        List<String> why,
        List<String> cautions,
        String expect) {
    public Renewal {
        why = List.copyOf(why);
        cautions = List.copyOf(cautions);
    }
}
