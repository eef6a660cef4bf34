package org.umberdial.core.evidence;

import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.reading.ReadingKind;

/**
 * One reading, as it was taken.
 *
 * @param subject a node for voltages, a part reference for a part's ohms
 * @param reference node of the other lead, {@code 0} for chassis or minus rail
 * @param value SI, in the unit of {@code kind}
 * @param lineVolts line voltage at the time, above 0 V
 * @param meter empty when unknown
 * @param mode band or mode, empty when the set has only one
 * @param minutesOn since switch-on; empty when unknown
 * @param lifted reference of a part with a lead lifted, or what else was not as in the whole set, as in {@code V3 out};
 *     empty when nothing was
 * @param supersedes id of the entry this one takes the place of
 * @param withdrawn whether it only takes the earlier entry back and says nothing itself
 */
public record Reading(
        String id,
        String subject,
        String reference,
        ReadingKind kind,
        double value,
        double lineVolts,
        Optional<Meter> meter,
        String mode,
        OptionalDouble minutesOn,
        Instant takenAt,
        String lifted,
        Optional<String> supersedes,
        boolean withdrawn) {

    /** The reading an entry of the log is. */
    public static Reading of(LogEntry entry, Metered fact) {
        return new Reading(
                entry.id(),
                fact.subject(),
                fact.reference(),
                fact.kind(),
                fact.value(),
                fact.lineVolts(),
                fact.meterUsed(),
                fact.mode(),
                fact.minutes(),
                entry.takenAt(),
                fact.lifted(),
                entry.supersedes(),
                entry.withdrawn());
    }

    /** The same, taken at another time. */
    public Reading at(Instant time) {
        return new Reading(
                id,
                subject,
                reference,
                kind,
                value,
                lineVolts,
                meter,
                mode,
                minutesOn,
                time,
                lifted,
                supersedes,
                withdrawn);
    }

    /** Whether it speaks about the circuit as it stands, with nothing lifted. */
    public boolean undisturbed() {
        return lifted.isEmpty();
    }
}
