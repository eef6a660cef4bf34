package org.umberdial.core.volts;

import java.util.OptionalDouble;

/**
 * One part that could explain a finding.
 *
 * @param rule id of the rule that named it
 * @param part its reference
 * @param failure what would be wrong with it, in the trade's words: {@code leaky}, {@code drifted high}
 * @param severity the size that fits the reading, SI in the unit of the part; empty where a size makes no sense
 * @param reason one sentence with the figures
 * @param odds share among the suspects of this finding, 0 to 1
 * @param standing what tests have said about it so far
 * @param confirm the test that settles it, cold if one does
 * @param tells what its outcome says
 */
public record Suspect(
        String rule,
        String part,
        String failure,
        OptionalDouble severity,
        String reason,
        double odds,
        Standing standing,
        String confirm,
        String tells) {
    /** Whether a test has settled the suspicion. */
    public enum Standing {
        OPEN,
        PROVEN,
        CLEARED
    }
}
