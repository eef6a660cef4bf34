package org.umberdial.core.entry;

import org.umberdial.core.reading.ReadingKind;

/**
 * What the entry strip understood.
 *
 * @param subject node of a point, or reference of a part when {@code partOhms}
 * @param reference node of the other lead, {@code 0} unless one was named
 * @param value SI, in the unit of {@code kind}
 * @param lifted part with a lead lifted, empty when none
 * @param partOhms whether the subject is a part read by ohms
 */
public record Entry(String subject, String reference, ReadingKind kind, double value, String lifted, boolean partOhms) {
    /** The same, read with something not as in the whole set. */
    public Entry with(String otherwise) {
        return new Entry(subject, reference, kind, value, otherwise, partOhms);
    }
}
