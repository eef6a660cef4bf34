package org.umberdial.server.evidence;

import java.time.Instant;
import java.util.Optional;
import org.umberdial.core.evidence.LogEntry;

/**
 * An entry of the log with how it came to be here.
 *
 * @param source by which way it came: the entry strip, a file; empty where a screen wrote it
 * @param note in the writer's words; may be empty
 * @param claimed whom a file it came in by names as its writer; nobody here vouches for that
 * @param order its place among all entries of the set, whatever clocks said
 */
public record KeptEntry(
        LogEntry entry, Instant receivedAt, String source, String note, Optional<String> claimed, int order) {
    public String author() {
        return entry.author();
    }
}
