package org.umberdial.core.parts;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.PartCovered;

/**
 * What is left to do at a set's parts, in an order that keeps access: what bars power first, and what lies under
 * another part before that other goes in.
 *
 * @param tasks in order
 */
public record WorkOrder(List<Task> tasks) {
    /** What is to be done, in the order of the work at one part. */
    public enum Kind {
        SETTLE("Settle", 4),
        READ("Read", 2),
        FORM("Form", 60),
        REPLACE("Replace", 10),
        /** The new part is in and nobody has read it since. */
        CHECK("Check the new", 2),
        /** What stands in makes room for the right one. */
        RIGHT_ONE("Put the right one in for", 10);

        private final String verb;
        private final double minutes;

        Kind(String verb, double minutes) {
            this.verb = verb;
            this.minutes = minutes;
        }

        public String verb() {
            return verb;
        }
    }

    /**
     * One thing to do.
     *
     * @param coveredBy reference of the part above it; empty when it lies free
     * @param circle whether covers go round in a circle, so that no order keeps access
     */
    public record Task(Kind kind, PartRow row, Optional<String> coveredBy, boolean circle) {
        public double minutes() {
            return kind.minutes;
        }
    }

    public static WorkOrder of(SetFile file) {
        return file.once(WorkOrder.class, () -> reckon(file));
    }

    private static WorkOrder reckon(SetFile file) {
        Map<String, String> covers = covers(file);
        List<Task> open = new ArrayList<>();
        for (PartRow row : PartsLedger.rows(file)) {
            kind(file, row)
                    .ifPresent(kind -> open.add(new Task(
                            kind,
                            row,
                            Optional.ofNullable(covers.get(row.reference())),
                            inCircle(covers, row.reference()))));
        }
        open.sort(Comparator.comparing((Task t) -> t.row.group()).thenComparing(Task::kind));
        List<Task> ordered = new ArrayList<>();
        Set<String> placed = new HashSet<>();
        while (!open.isEmpty()) {
            Task next = open.stream()
                    .filter(task -> task.circle || above(open, covers, task, placed))
                    .findFirst()
                    .orElse(open.get(0));
            open.remove(next);
            placed.add(next.row.reference());
            ordered.add(next);
        }
        return new WorkOrder(List.copyOf(ordered));
    }

    /** Whether nothing that is still open lies under a part. */
    private static boolean above(List<Task> open, Map<String, String> covers, Task task, Set<String> placed) {
        return open.stream()
                .filter(other -> !other.circle && !placed.contains(other.row.reference()))
                .noneMatch(other -> task.row.reference().equals(covers.get(other.row.reference())));
    }

    private static boolean inCircle(Map<String, String> covers, String from) {
        Set<String> seen = new HashSet<>();
        String at = covers.get(from);
        while (at != null && seen.add(at)) {
            if (at.equals(from)) {
                return true;
            }
            at = covers.get(at);
        }
        return false;
    }

    /** The part above each that lies under one, as it was said last. */
    private static Map<String, String> covers(SetFile file) {
        Map<String, String> covers = new HashMap<>();
        file.log().standing(PartCovered.class).stream()
                .sorted(Comparator.comparing(EvidenceLog.Standing::at))
                .forEach(s -> {
                    if (s.fact().by().isEmpty()) {
                        covers.remove(s.fact().part());
                    } else {
                        covers.put(s.fact().part(), s.fact().by());
                    }
                });
        return covers;
    }

    private static Optional<Kind> kind(SetFile file, PartRow row) {
        Optional<Ledger.Replaced> replaced = file.ledger().replaced(row.reference());
        return switch (row.decision()) {
            case SETTLE -> Optional.of(Kind.SETTLE);
            case READ -> Optional.of(Kind.READ);
            case FORM -> Optional.of(Kind.FORM);
            case REPLACE -> Optional.of(Kind.REPLACE);
            case IN -> {
                if (replaced.filter(Ledger.Replaced::standsIn).isPresent()) {
                    yield Optional.of(Kind.RIGHT_ONE);
                }
                yield row.state() == PartState.REPLACED ? Optional.of(Kind.CHECK) : Optional.empty();
            }
            case KEEP, KEEP_KNOWN -> Optional.empty();
        };
    }
}
