package org.umberdial.core.arrival;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.umberdial.core.journal.Fact;
import org.umberdial.core.journal.Journal;
import org.umberdial.core.journal.JournalEntry;

/** Writes a journal for a test; entries are called e1, e2 and so on. */
public final class Book {
    private final List<JournalEntry> entries = new ArrayList<>();

    public Book add(Fact fact) {
        return add(fact, Optional.empty(), false);
    }

    public Book instead(String of, Fact fact) {
        return add(fact, Optional.of(of), false);
    }

    public Book back(String id, Fact fact) {
        return add(fact, Optional.of(id), true);
    }

    private Book add(Fact fact, Optional<String> supersedes, boolean withdrawn) {
        int n = entries.size() + 1;
        entries.add(new JournalEntry(
                "e" + n, fact, Instant.parse("2026-03-01T10:00:00Z").plusSeconds(n), supersedes, withdrawn));
        return this;
    }

    public Journal journal() {
        return new Journal(List.copyOf(entries));
    }
}
