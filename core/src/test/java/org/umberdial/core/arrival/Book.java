package org.umberdial.core.arrival;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.umberdial.core.evidence.Benched;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.Fact;
import org.umberdial.core.evidence.LogEntry;
import org.umberdial.core.evidence.Metered;
import org.umberdial.core.evidence.Reading;

/** Writes a journal for a test; entries are called e1, e2 and so on. */
public final class Book {
    private final List<LogEntry> entries = new ArrayList<>();

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
        entries.add(new LogEntry(
                "e" + n, fact, Instant.parse("2026-03-01T10:00:00Z").plusSeconds(n), supersedes, withdrawn));
        return this;
    }

    /** Readings, each at its own time. */
    public Book read(Reading... readings) {
        for (Reading reading : readings) {
            entries.add(new LogEntry(
                    reading.id(), Metered.of(reading), reading.takenAt(), reading.supersedes(), reading.withdrawn()));
        }
        return this;
    }

    /** Figures of a cold test, {@code o.R7=470e3 l.R7=yes}. */
    public Book bench(String test, String figures) {
        Map<String, String> entered = new TreeMap<>();
        for (String pair : figures.split(" ")) {
            entered.put(
                    pair.substring(0, pair.indexOf('=')),
                    pair.substring(pair.indexOf('=') + 1).replace('_', ' '));
        }
        return add(new Benched(test, test, entered, "", "said", false));
    }

    /** The same so far, to go on otherwise. */
    public Book copy() {
        Book other = new Book();
        other.entries.addAll(entries);
        return other;
    }

    public EvidenceLog journal() {
        return new EvidenceLog(List.copyOf(entries));
    }
}
