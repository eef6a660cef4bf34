package org.umberdial.core.evidence;

import java.time.Instant;
import java.util.Optional;

/**
 * One entry of a set's log.
 *
 * @param takenAt when it happened, which may be long before it was received
 * @param author who wrote it, as the log shows it; empty when nobody is named
 * @param supersedes id of the entry this one takes the place of
 * @param withdrawn whether it only takes that entry back and says nothing itself
 */
public record LogEntry(
        String id, Fact fact, Instant takenAt, String author, Optional<String> supersedes, boolean withdrawn) {
    /** An entry whose writer is not named. */
    public LogEntry(String id, Fact fact, Instant takenAt, Optional<String> supersedes, boolean withdrawn) {
        this(id, fact, takenAt, "", supersedes, withdrawn);
    }

    /** The same, at another time. */
    public LogEntry at(Instant time) {
        return new LogEntry(id, fact, time, author, supersedes, withdrawn);
    }
}
