package org.umberdial.core.volts;

import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.value.Unit;

/**
 * One part that could explain a finding.
 *
 * @param rule id of the rule that named it
 * @param part its reference
 * @param failure what would be wrong with it, in the trade's words: {@code leaky}, {@code drifted high}
 * @param severity the size that fits the reading; empty where a size makes no sense
 * @param unit of the severity
 * @param reason one sentence with the figures
 * @param odds how likely it is it, 0 to 1: among all faults of the circuit where they were weighed, among the suspects
 *     of this finding where only rules spoke
 * @param aspect what of the part would be wrong, as the ledger calls it; empty when it has no word for it
 * @param standing what tests have said about it so far
 * @param settledAt when the reading that settled it was taken; empty while it is open or was settled elsewhere
 * @param confirm the test that settles it, cold if one does
 * @param tells what its outcome says
 */
public record Suspect(
        String rule,
        String part,
        String failure,
        OptionalDouble severity,
        Unit unit,
        String reason,
        double odds,
        Optional<Aspect> aspect,
        Standing standing,
        Optional<Instant> settledAt,
        String confirm,
        String tells) {
    /** Whether a test has settled the suspicion. */
    public enum Standing {
        OPEN,
        PROVEN,
        CLEARED
    }
}
