package org.umberdial.core.tube;

import java.util.Locale;

/** How sure a published figure is. */
public enum Confidence {
    /** From memory of one list, or carried over from a relative: it helps to expect, and accuses no part. */
    LOW,
    MEDIUM,
    HIGH;

    /** @param word as in the tables; anything else is medium */
    static Confidence of(String word) {
        return switch (word.toLowerCase(Locale.ROOT)) {
            case "high" -> HIGH;
            case "low" -> LOW;
            default -> MEDIUM;
        };
    }

    Confidence atMost(Confidence other) {
        return compareTo(other) <= 0 ? this : other;
    }
}
