package org.umberdial.core.journal;

import java.time.Instant;
import java.util.Optional;

/**
 * One entry of the journal.
 *
 * @param takenAt when it happened, which may be long before it was received
 * @param supersedes id of the entry this one takes the place of
 * @param withdrawn whether it only takes that entry back and says nothing itself
 */
public record JournalEntry(String id, Fact fact, Instant takenAt, Optional<String> supersedes, boolean withdrawn) {
    /** The same, at another time. */
    public JournalEntry at(Instant time) {
        return new JournalEntry(id, fact, time, supersedes, withdrawn);
    }
}
