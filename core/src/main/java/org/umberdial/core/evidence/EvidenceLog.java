package org.umberdial.core.evidence;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Everything that was read, seen, said and done at a set, and what of it still stands. */
public final class EvidenceLog {
    /** A standing fact under the id of the entry that first said it, which is what other entries refer to. */
    public record Standing<F extends Fact>(String id, F fact, LogEntry entry) {
        public Instant at() {
            return entry.takenAt();
        }
    }

    private final List<LogEntry> entries;
    private final List<Standing<Fact>> standing;
    private final Set<String> fallen;
    /** What stands by kind: a long log is asked for the same kinds again and again. */
    private final Map<Class<? extends Fact>, List<Standing<?>>> ofKind;

    private ReadingLog readings;

    /** @param entries every entry, in the order they were kept */
    public EvidenceLog(List<LogEntry> entries) {
        this.entries = List.copyOf(entries);
        this.fallen = new HashSet<>();
        Map<String, LogEntry> successor = new HashMap<>();
        Set<String> known = new HashSet<>();
        Set<String> firsts = new HashSet<>();
        for (LogEntry entry : entries) {
            known.add(entry.id());
            Optional<String> earlier = entry.supersedes().filter(known::contains);
            if (earlier.isPresent()) {
                successor.put(earlier.get(), entry);
                fallen.add(earlier.get());
            } else {
                firsts.add(entry.id());
            }
            if (entry.withdrawn()) {
                fallen.add(entry.id());
            }
        }
        List<Standing<Fact>> stands = new ArrayList<>();
        for (LogEntry entry : entries) {
            LogEntry last = firsts.contains(entry.id()) ? last(entry, successor) : entry;
            if (firsts.contains(entry.id()) && !last.withdrawn()) {
                stands.add(new Standing<>(entry.id(), last.fact(), last));
            }
        }
        standing = List.copyOf(stands);
        ofKind = byKind(standing);
    }

    private static Map<Class<? extends Fact>, List<Standing<?>>> byKind(List<Standing<Fact>> standing) {
        Map<Class<? extends Fact>, List<Standing<?>>> kinds = new HashMap<>();
        standing.forEach(s ->
                kinds.computeIfAbsent(s.fact.getClass(), k -> new ArrayList<>()).add(s));
        return kinds;
    }

    private EvidenceLog(
            List<LogEntry> entries,
            List<Standing<Fact>> standing,
            Set<String> fallen,
            Map<Class<? extends Fact>, List<Standing<?>>> ofKind) {
        this.entries = entries;
        this.standing = standing;
        this.fallen = fallen;
        this.ofKind = ofKind;
    }

    /** This log with what was kept since; only what is new is looked at unless it takes the place of something here. */
    public EvidenceLog and(List<LogEntry> more) {
        List<LogEntry> all = joined(entries, more);
        if (more.stream().anyMatch(entry -> entry.supersedes().isPresent() || entry.withdrawn())) {
            return new EvidenceLog(all);
        }
        List<Standing<Fact>> stands = more.stream()
                .map(entry -> new Standing<>(entry.id(), entry.fact(), entry))
                .toList();
        Map<Class<? extends Fact>, List<Standing<?>>> kinds = new HashMap<>(ofKind);
        byKind(stands).forEach((kind, of) -> kinds.merge(kind, of, EvidenceLog::joined));
        EvidenceLog log = new EvidenceLog(all, joined(standing, stands), fallen, kinds);
        log.readings = readings()
                .and(stands.stream()
                        .filter(s -> s.fact instanceof Metered)
                        .map(s -> Reading.of(s.entry, (Metered) s.fact))
                        .toList());
        return log;
    }

    private static <T> List<T> joined(List<? extends T> first, List<? extends T> then) {
        List<T> all = new ArrayList<>(first.size() + then.size());
        all.addAll(first);
        all.addAll(then);
        return Collections.unmodifiableList(all);
    }

    private static LogEntry last(LogEntry entry, Map<String, LogEntry> successor) {
        LogEntry last = entry;
        for (LogEntry next = successor.get(last.id()); next != null && next != last; next = successor.get(last.id())) {
            last = next;
        }
        return last;
    }

    /** Every entry, in the order they were kept. */
    public List<LogEntry> entries() {
        return entries;
    }

    /** All that stands, in the order it was first said. */
    public List<Standing<Fact>> standing() {
        return standing;
    }

    /**
     * The facts of a kind that stand, each in the place of the first entry it goes back to: correcting an entry does
     * not move it in the order things were done.
     *
     * @param kind the record itself, not an interface
     */
    @SuppressWarnings("unchecked")
    public <F extends Fact> List<Standing<F>> standing(Class<F> kind) {
        return (List<Standing<F>>) (List<?>) Collections.unmodifiableList(ofKind.getOrDefault(kind, List.of()));
    }

    /** The latest standing fact of a kind. */
    public <F extends Fact> Optional<F> latest(Class<F> kind) {
        return standing(kind).stream().reduce((first, second) -> second).map(Standing::fact);
    }

    /** The readings that stand. */
    public synchronized ReadingLog readings() {
        if (readings == null) {
            readings = new ReadingLog(standing(Metered.class).stream()
                    .map(s -> Reading.of(s.entry, s.fact))
                    .toList());
        }
        return readings;
    }

    /** Ids of the entries that no longer stand: corrected, taken back, or only taking another back. */
    public Set<String> fallen() {
        return Set.copyOf(fallen);
    }
}
