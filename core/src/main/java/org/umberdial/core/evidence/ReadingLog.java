package org.umberdial.core.evidence;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.umberdial.core.reading.ReadingKind;

/** The append-only log of a set's readings, and what of it holds now. */
public final class ReadingLog {
    private final List<Reading> standing;
    private final Map<String, List<Reading>> bySubject;
    private final List<Reading> ohms;

    /** @param entries in the order they were kept */
    public ReadingLog(List<Reading> entries) {
        Set<String> superseded = new HashSet<>();
        entries.forEach(entry -> entry.supersedes().ifPresent(superseded::add));
        standing = entries.stream()
                .filter(entry -> !entry.withdrawn() && !superseded.contains(entry.id()))
                .sorted(Comparator.comparing(Reading::takenAt))
                .toList();
        bySubject = standing.stream().collect(Collectors.groupingBy(Reading::subject));
        ohms = standing.stream().filter(r -> r.kind() == ReadingKind.OHMS).toList();
    }

    private ReadingLog(List<Reading> standing, Map<String, List<Reading>> bySubject, List<Reading> ohms) {
        this.standing = standing;
        this.bySubject = bySubject;
        this.ohms = ohms;
    }

    /** This log with further readings that stand. */
    public ReadingLog and(List<Reading> more) {
        if (more.isEmpty()) {
            return this;
        }
        List<Reading> all = new ArrayList<>(standing);
        all.addAll(more);
        boolean later = more.size() == 1
                && (standing.isEmpty()
                        || !more.get(0)
                                .takenAt()
                                .isBefore(standing.get(standing.size() - 1).takenAt()));
        if (!later) {
            return new ReadingLog(all);
        }
        Map<String, List<Reading>> subjects = new HashMap<>(bySubject);
        Reading last = more.get(0);
        subjects.put(last.subject(), with(subjects.getOrDefault(last.subject(), List.of()), last));
        return new ReadingLog(
                Collections.unmodifiableList(all), subjects, last.kind() == ReadingKind.OHMS ? with(ohms, last) : ohms);
    }

    private static List<Reading> with(List<Reading> readings, Reading last) {
        List<Reading> all = new ArrayList<>(readings);
        all.add(last);
        return Collections.unmodifiableList(all);
    }

    /** Entries neither superseded nor withdrawn, oldest first. */
    public List<Reading> standing() {
        return standing;
    }

    /** Readings of ohms that stand, oldest first. */
    public List<Reading> ohms() {
        return ohms;
    }

    /** The latest standing reading of a subject in a mode with nothing lifted. */
    public Optional<Reading> latest(String subject, String reference, ReadingKind kind, String mode) {
        return last(subject, kind, mode, Instant.MIN, r -> r.reference().equals(reference) && r.undisturbed());
    }

    /** The latest standing reading of a subject in a mode that is wanted, not taken before {@code since}. */
    public Optional<Reading> last(
            String subject, ReadingKind kind, String mode, Instant since, Predicate<Reading> wanted) {
        List<Reading> own = bySubject.getOrDefault(subject, List.of());
        for (int i = own.size() - 1; i >= 0 && !own.get(i).takenAt().isBefore(since); i--) {
            if (is(own.get(i), kind, mode) && wanted.test(own.get(i))) {
                return Optional.of(own.get(i));
            }
        }
        return Optional.empty();
    }

    /** Standing readings of a subject in a mode, oldest first, lifted ones too. */
    public Stream<Reading> of(String subject, ReadingKind kind, String mode) {
        return bySubject.getOrDefault(subject, List.of()).stream().filter(reading -> is(reading, kind, mode));
    }

    private static boolean is(Reading reading, ReadingKind kind, String mode) {
        return reading.kind() == kind
                && (reading.mode().isEmpty() || mode.isEmpty() || reading.mode().equals(mode));
    }
}
