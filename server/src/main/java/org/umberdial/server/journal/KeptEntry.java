package org.umberdial.server.journal;

import java.time.Instant;
import org.umberdial.core.journal.JournalEntry;

/** A journal entry with how it came to be here. */
public record KeptEntry(JournalEntry entry, Instant receivedAt, String author) {}
