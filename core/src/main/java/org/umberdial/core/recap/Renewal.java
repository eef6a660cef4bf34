package org.umberdial.core.recap;

import java.util.List;
import org.umberdial.core.parts.PartRow;

/**
 * What goes in for one part.
 *
 * @param row the part as the ledger has it
 * @param items what is bought or taken from stock, each as it is ordered; two where only a pair makes the value, none
 *     when nothing in the catalogue fits
 * @param how the pair is joined: {@code in parallel}, {@code in series}; empty for one
 * @param why in a few sentences
 * @param cautions what can go wrong, a sentence each
 * @param steps how it goes in, in order
 * @param expect what stands there afterwards, in a few words; empty when the circuit does not say
 */
public record Renewal(
        PartRow row,
        List<String> items,
        String how,
        List<String> why,
        List<String> cautions,
        List<String> steps,
        String expect) {
    public Renewal {
        items = List.copyOf(items);
        why = List.copyOf(why);
        cautions = List.copyOf(cautions);
        steps = List.copyOf(steps);
    }

    /** Everything that goes in, as one text; empty when nothing fits. */
    public String item() {
        return String.join(" and ", items);
    }
}
