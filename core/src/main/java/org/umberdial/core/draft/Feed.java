package org.umberdial.core.draft;

import java.util.Locale;
import java.util.Optional;

/** How a set gets its power. */
public enum Feed {
    SERIES,
    TRANSFORMER,
    AUTOTRANSFORMER,
    BATTERY,
    VIBRATOR;

    /** @param word in any case; empty when it is none of them */
    public static Optional<Feed> of(String word) {
        for (Feed feed : values()) {
            if (feed.name().equals(word.strip().toUpperCase(Locale.ROOT))) {
                return Optional.of(feed);
            }
        }
        return Optional.empty();
    }
}
