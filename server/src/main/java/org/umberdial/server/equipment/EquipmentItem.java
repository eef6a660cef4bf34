package org.umberdial.server.equipment;

import java.time.Instant;
import java.util.Optional;
import org.umberdial.core.procedure.Equipment;
import org.umberdial.core.value.Unit;

/**
 * One instrument of the shop's.
 *
 * @param lastCheck its latest control reading
 */
public record EquipmentItem(
        String id, Equipment kind, String name, boolean retired, int version, Optional<Check> lastCheck) {
    /**
     * What it showed on a part known to be good.
     *
     * @param part which part, in words
     * @param known its value, in the unit
     */
    public record Check(String id, String part, Unit unit, double known, double shown, Instant at, String author) {
        /** How far off it read, a fraction of the known value. */
        public double off() {
            return shown / known - 1;
        }
    }
}
