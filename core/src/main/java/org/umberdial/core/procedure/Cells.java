package org.umberdial.core.procedure;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.umberdial.core.evidence.Benched;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.Fact;
import org.umberdial.core.evidence.PartReplaced;
import org.umberdial.core.evidence.PowerRun;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.instrument.Kit;
import org.umberdial.core.reading.ReadingKind;

/**
 * The figures of a set's tests as they stand, cell by cell: of two figures in one cell the later one, of figures that
 * were only shown again the first. What was read across a capacitor to prove it empty ends with whatever charges it
 * again; what was read of a part ends with its replacement.
 */
public final class Cells {
    /** The test whose figures prove that the capacitors are empty. */
    public static final String DISCHARGE = "discharge";

    /** Tests that put volts on capacitors. */
    private static final Set<String> CHARGING = Set.of("insulation", "leak");

    /**
     * One figure.
     *
     * @param value as it is kept: SI, a choice, words
     * @param entry id of the log's entry
     */
    public record Cell(String value, Instant at, String person, String equipment, String entry) {}

    /**
     * A test with the figures that stand.
     *
     * @param id of the entry that came last
     */
    public record Made(String test, String id, Map<String, Cell> cells) {
        /** @param kit what it was read with */
        public Figures figures(Kit kit) {
            Map<String, String> values = new LinkedHashMap<>();
            Map<String, Double> reach = new LinkedHashMap<>();
            cells.forEach((key, cell) -> {
                values.put(key, cell.value);
                kit.highest(cell.equipment, Equipment.OHMMETER).ifPresent(highest -> reach.put(key, highest));
            });
            return new Figures(values, reach);
        }

        /** When the last of its figures was read. */
        public Instant at() {
            return cells.values().stream()
                    .map(Cell::at)
                    .max(Comparator.naturalOrder())
                    .orElse(Instant.MIN);
        }
    }

    private final Set<String> several;
    private final Map<String, Made> made = new LinkedHashMap<>();
    private Instant charged = Instant.MIN;

    private Cells(Set<String> several) {
        this.several = several;
    }

    /**
     * @param several ids of tests that stand beside each other when they are made again, since each is about another
     *     place
     * @param until what happened later is left out
     */
    public static Cells of(EvidenceLog log, Set<String> several, Instant until) {
        Cells cells = new Cells(several);
        List<EvidenceLog.Standing<? extends Fact>> done = new ArrayList<>(log.standing(Benched.class));
        done.addAll(log.standing(PartReplaced.class));
        done.addAll(log.standing(PowerRun.class));
        done.removeIf(s -> s.at().isAfter(until));
        done.sort(Comparator.comparing(EvidenceLog.Standing::at));
        List<Reading> readings = log.readings().standing();
        int at = 0;
        for (EvidenceLog.Standing<? extends Fact> standing : done) {
            // Of the same moment power counts as the later: it can only have charged what was proven empty.
            at = cells.powered(readings, at, standing.at());
            cells.take(standing);
        }
        cells.powered(readings, at, until.equals(Instant.MAX) ? until : until.plusNanos(1));
        return cells;
    }

    /** Takes in the readings under power before a time, from a place in their order on; the place after them. */
    private int powered(List<Reading> readings, int from, Instant before) {
        int at = from;
        for (; at < readings.size() && readings.get(at).takenAt().isBefore(before); at++) {
            if (readings.get(at).kind() != ReadingKind.OHMS) {
                charge(readings.get(at).takenAt());
            }
        }
        return at;
    }

    private void take(EvidenceLog.Standing<? extends Fact> standing) {
        if (standing.fact() instanceof PartReplaced replaced) {
            forget(replaced.part());
        } else if (standing.fact() instanceof PowerRun) {
            charge(standing.at());
        } else if (standing.fact() instanceof Benched benched) {
            if (CHARGING.contains(benched.test())) {
                charge(standing.at());
            }
            keep(standing, benched);
        }
    }

    private void charge(Instant at) {
        charged = at;
        made.remove(DISCHARGE);
    }

    private void forget(String part) {
        String key = "." + part.toUpperCase(Locale.ROOT);
        made.values()
                .forEach(m -> m.cells
                        .keySet()
                        .removeIf(k -> k.toUpperCase(Locale.ROOT).endsWith(key)));
    }

    private void keep(EvidenceLog.Standing<? extends Fact> standing, Benched benched) {
        String place = several.contains(benched.test()) ? standing.id() : benched.test();
        Made before = made.remove(place);
        Map<String, Cell> cells = before == null ? new TreeMap<>() : before.cells;
        benched.figures().forEach((key, value) -> {
            Cell there = cells.get(key);
            boolean shownAgain = benched.whole() && there != null && there.value.equals(value);
            if (value.isEmpty()) {
                cells.remove(key);
            } else if (!shownAgain) {
                cells.put(
                        key,
                        new Cell(value, standing.at(), standing.entry().author(), benched.equipment(), standing.id()));
            }
        });
        made.put(place, new Made(benched.test(), standing.id(), cells));
    }

    /** The tests with figures that stand, the one made last at the end. */
    public List<Made> made() {
        return List.copyOf(made.values());
    }

    /** When something last put volts on the capacitors; the beginning of time when nothing is known of it. */
    public Instant charged() {
        return charged;
    }
}
