package org.umberdial.server.journal;

import java.time.Instant;
import java.util.Optional;
import org.umberdial.core.journal.JournalEntry;

/**
 * A journal entry with how it came to be here.
 *
 * @param author who of this shop wrote it or brought it in
 * @param claimed whom a file it came in by names as its writer; nobody here vouches for that
 * @param order its place among all entries of the set, whatever clocks said
 */
public record KeptEntry(JournalEntry entry, Instant receivedAt, String author, Optional<String> claimed, int order) {}
