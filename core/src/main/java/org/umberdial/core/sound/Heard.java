package org.umberdial.core.sound;

import java.util.Optional;

/** What came of listening for a tone: its speed, or why there is none. */
public sealed interface Heard {
    /** The tone was there. */
    record Measured(ToneSpeed speed) implements Heard {}

    /**
     * It was not, or not throughout.
     *
     * @param sentence what was heard instead and what would be right
     */
    record Refused(Reason reason, String sentence) implements Heard {}

    /** Why nothing is measured. */
    enum Reason {
        TOO_SHORT,
        SILENCE,
        OTHER_TONE,
        NO_TONE,
        INTERRUPTED,
        JUMPED,
        TOO_MANY_CLICKS
    }

    default Optional<ToneSpeed> measured() {
        return this instanceof Measured measured ? Optional.of(measured.speed()) : Optional.empty();
    }
}
