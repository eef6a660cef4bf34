package org.umberdial.core.evidence;

import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.umberdial.core.reading.ReadingKind;

/** The append-only log of a set's readings, and what of it holds now. */
public final class ReadingLog {
    private final List<Reading> standing;
    private final Map<String, List<Reading>> bySubject;

    /** @param entries in the order they were kept */
    public ReadingLog(List<Reading> entries) {
        Set<String> superseded = new HashSet<>();
        entries.forEach(entry -> entry.supersedes().ifPresent(superseded::add));
        standing = entries.stream()
                .filter(entry -> !entry.withdrawn() && !superseded.contains(entry.id()))
                .sorted(Comparator.comparing(Reading::takenAt))
                .toList();
        bySubject = standing.stream().collect(Collectors.groupingBy(Reading::subject));
    }

    /** Entries neither superseded nor withdrawn, oldest first. */
    public List<Reading> standing() {
        return standing;
    }

    /** The latest standing reading of a subject in a mode with nothing lifted. */
    public Optional<Reading> latest(String subject, String reference, ReadingKind kind, String mode) {
        return of(subject, kind, mode)
                .filter(reading -> reading.reference().equals(reference) && reading.undisturbed())
                .reduce((first, second) -> second);
    }

    /** Standing readings of a subject in a mode, oldest first, lifted ones too. */
    public Stream<Reading> of(String subject, ReadingKind kind, String mode) {
        return bySubject.getOrDefault(subject, List.of()).stream()
                .filter(reading -> reading.kind() == kind
                        && (reading.mode().isEmpty()
                                || mode.isEmpty()
                                || reading.mode().equals(mode)));
    }
}
