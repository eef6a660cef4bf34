package org.umberdial.core.caution;

/**
 * One caution.
 *
 * @param when the act it belongs to
 * @param text at most 30 words: the danger, the body part at risk, the way out
 * @param deferTo what decides before this program does; empty when nothing is named
 */
public record Caution(String id, String when, String text, Level level, String deferTo) {
    /** How grave it is. A {@code STOP} must be settled before going on. */
    public enum Level {
        STOP,
        DANGER,
        CARE
    }
}
