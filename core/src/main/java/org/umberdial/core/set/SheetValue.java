package org.umberdial.core.set;

import java.util.Optional;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.reading.ReadingKind;

/**
 * A value printed on the service sheet, with the conditions it holds for.
 *
 * @param node where the probe is
 * @param reference where the other lead is; node 0 unless the sheet says otherwise
 * @param value SI, in the unit of {@code kind}
 * @param lineVolts line voltage the sheet was taken at, above 0 V
 * @param meter the sheet's meter; empty when it does not say (then taken as loading nothing)
 * @param mode band or mode it holds for, empty for any
 * @param own whether it is this set's own sheet; else a relative's, which is no evidence
 */
public record SheetValue(
        String node,
        String reference,
        ReadingKind kind,
        double value,
        double lineVolts,
        Optional<Meter> meter,
        String mode,
        boolean own) {
    /** A value of the set's own sheet. */
    public SheetValue(
            String node,
            String reference,
            ReadingKind kind,
            double value,
            double lineVolts,
            Optional<Meter> meter,
            String mode) {
        this(node, reference, kind, value, lineVolts, meter, mode, true);
    }
}
