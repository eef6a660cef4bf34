package org.umberdial.core.journal;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A set's journal and what of it still stands.
 *
 * @param entries every entry, in the order they were kept
 */
public record Journal(List<JournalEntry> entries) {
    /** A standing fact under the id of the entry that first said it, which is what other entries refer to. */
    public record Standing<F extends Fact>(String id, F fact, JournalEntry entry) {}

    /**
     * The facts of a kind that stand, each in the place of the first entry it goes back to: correcting an entry does
     * not move it in the order things were done.
     */
    public <F extends Fact> List<Standing<F>> standing(Class<F> kind) {
        Map<String, JournalEntry> successor = new HashMap<>();
        Set<String> known = new HashSet<>();
        for (JournalEntry entry : entries) {
            known.add(entry.id());
            entry.supersedes().filter(known::contains).ifPresent(earlier -> successor.put(earlier, entry));
        }
        List<Standing<F>> standing = new ArrayList<>();
        for (JournalEntry entry : entries) {
            if (entry.supersedes().filter(known::contains).isEmpty()) {
                JournalEntry last = last(entry, successor);
                if (!last.withdrawn() && kind.isInstance(last.fact())) {
                    standing.add(new Standing<>(entry.id(), kind.cast(last.fact()), last));
                }
            }
        }
        return List.copyOf(standing);
    }

    private static JournalEntry last(JournalEntry entry, Map<String, JournalEntry> successor) {
        JournalEntry last = entry;
        for (JournalEntry next = successor.get(last.id());
                next != null && next != last;
                next = successor.get(last.id())) {
            last = next;
        }
        return last;
    }

    /** The latest standing fact of a kind. */
    public <F extends Fact> Optional<F> latest(Class<F> kind) {
        return standing(kind).stream().reduce((first, second) -> second).map(Standing::fact);
    }

    /** Ids of the entries that no longer stand: corrected, taken back, or only taking another back. */
    public Set<String> fallen() {
        Set<String> fallen = new HashSet<>();
        Set<String> known = new HashSet<>();
        for (JournalEntry entry : entries) {
            known.add(entry.id());
            entry.supersedes().filter(known::contains).ifPresent(fallen::add);
            if (entry.withdrawn()) {
                fallen.add(entry.id());
            }
        }
        return fallen;
    }
}
