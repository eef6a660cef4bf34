package org.umberdial.server.instrument;

import java.time.Instant;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.value.Unit;

/**
 * What an instrument showed on a part known to be good.
 *
 * @param part which part, in words
 * @param known its value, in the unit, above zero
 */
public record ControlReading(
        String id, Equipment kind, String part, Unit unit, double known, double shown, Instant at, String author) {
    /** How far off it read, a fraction of the known value. */
    public double off() {
        return shown / known - 1;
    }
}
