package org.umberdial.core.evidence;

import java.time.Instant;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Something of the set is not as it will be when it leaves: put right, or said plainly, before hand-over.
 *
 * @param way in which it is not
 * @param part reference of the part
 * @param note in the writer's words: where it lies, what was clipped on; may be empty
 */
public record ForNow(Way way, String part, String note) implements Fact {
    /** The names are stored; none is ever changed. */
    public enum Way {
        OUT("is out of the set", "Put it back", " out"),
        LEAD_LIFTED("has a lead lifted", "Solder it back", ""),
        CLIPPED_ON("has another clipped across it", "Take the other off", " bridged"),
        BYPASSED("is bypassed", "Take the bypass out", " bypassed"),
        UNSHIELDED("is without its shield", "Put the shield back", null),
        /** Works again and nobody knows why: a contact that was moved comes back. */
        RESEATED("works since it was reseated", "Clean its contacts, and see the heaters steady for ten minutes", null);

        private final String label;
        private final String undo;
        /** Behind the part, when voltages are other ones by it; null when they are not. */
        private final String disturbs;

        Way(String label, String undo, String disturbs) {
            this.label = label;
            this.undo = undo;
            this.disturbs = disturbs;
        }

        public String label() {
            return label;
        }

        /** What puts it right, imperative. */
        public String undo() {
            return undo;
        }
    }

    @Override
    public String subject() {
        return part;
    }

    @Override
    public String sentence() {
        return part + " " + way.label + (note.isEmpty() ? "" : ": " + note);
    }

    /**
     * What makes voltages other than the whole set's, as a reading names it: a part with a lead lifted by its
     * reference, everything else with the word behind it, as in {@code V3 out}. Empty when nothing does.
     */
    public static String disturbing(EvidenceLog log) {
        return open(log).stream()
                .map(EvidenceLog.Standing::fact)
                .filter(fact -> fact.way.disturbs != null)
                .map(fact -> fact.part + fact.way.disturbs)
                .distinct()
                .collect(Collectors.joining(", "));
    }

    /** Whether something stood across a part, or past it, at a time: its ohms in place were not its own then. */
    public static boolean bridged(EvidenceLog log, String part, Instant at) {
        Map<String, Instant> ended = new HashMap<>();
        log.standing(ForNowEnded.class).forEach(s -> ended.putIfAbsent(s.fact().entry(), s.at()));
        return log.standing(ForNow.class).stream()
                .filter(s -> s.fact().way == Way.CLIPPED_ON || s.fact().way == Way.BYPASSED)
                .filter(s -> s.fact().part.equalsIgnoreCase(part) && !at.isBefore(s.at()))
                .anyMatch(s -> !ended.containsKey(s.id()) || at.isBefore(ended.get(s.id())));
    }

    /** Everything of a log that nobody has put right yet. */
    public static List<EvidenceLog.Standing<ForNow>> open(EvidenceLog log) {
        Set<String> ended = new HashSet<>();
        log.standing(ForNowEnded.class).forEach(s -> ended.add(s.fact().entry()));
        return log.standing(ForNow.class).stream()
                .filter(s -> !ended.contains(s.id()))
                .toList();
    }
}
