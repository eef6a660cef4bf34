package org.umberdial.server.power;

import java.time.Instant;
import java.util.Optional;

/**
 * One run, without its plan and entries.
 *
 * @param isolated whether an isolation transformer feeds the set
 * @param without what of the set was not as drawn meanwhile, in words; empty when it was whole
 * @param step number of the step it is in
 * @param entries how many there are
 * @param ending what it came to; empty while it goes on
 */
public record Run(
        String id,
        String setId,
        State state,
        Feed feed,
        boolean isolated,
        String without,
        int step,
        int entries,
        Instant startedAt,
        Optional<Instant> endedAt,
        String ending,
        String author) {
    /** How it stands. The names are stored. */
    public enum State {
        RUNNING,
        /** Power is to be off; the supply is not yet read empty. */
        STOPPING,
        ENDED
    }

    /** Where its figures come from. The names are stored. */
    public enum Feed {
        HAND,
        INSTRUMENTS
    }
}
