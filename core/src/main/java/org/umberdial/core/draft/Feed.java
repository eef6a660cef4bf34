package org.umberdial.core.draft;

import java.util.Locale;
import java.util.Optional;
import org.umberdial.core.set.ConstructionClass;

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

    /** What a set of a known class is fed with. */
    public static Optional<Feed> of(ConstructionClass known) {
        return switch (known) {
            case SERIES_STRING, RECORD_PLAYER_LIVE -> Optional.of(SERIES);
            case MAINS_TRANSFORMER, RECORD_PLAYER -> Optional.of(TRANSFORMER);
            case AUTOTRANSFORMER -> Optional.of(AUTOTRANSFORMER);
            case VIBRATOR -> Optional.of(VIBRATOR);
            case BATTERY -> Optional.of(BATTERY);
            case UNKNOWN -> Optional.empty();
        };
    }

    /** The class of a set that is fed so. */
    public ConstructionClass construction() {
        return switch (this) {
            case SERIES -> ConstructionClass.SERIES_STRING;
            case TRANSFORMER -> ConstructionClass.MAINS_TRANSFORMER;
            case AUTOTRANSFORMER -> ConstructionClass.AUTOTRANSFORMER;
            case VIBRATOR -> ConstructionClass.VIBRATOR;
            case BATTERY -> ConstructionClass.BATTERY;
        };
    }
}
