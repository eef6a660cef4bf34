package org.umberdial.core.evidence;

/**
 * A part was tested apart from the circuit's readings.
 *
 * @param subject a part's reference, or the name of something the circuit has no part for
 * @param sound whether it passed
 * @param how the test and its figures: {@code primary 210 Ω, tone heard at the speaker}
 */
public record Proved(String subject, boolean sound, String how) implements Fact {
    @Override
    public String sentence() {
        return subject + (sound ? " is sound" : " is bad") + (how.isEmpty() ? "" : ": " + how);
    }
}
