package org.umberdial.core.arrival;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.umberdial.core.caution.Caution;
import org.umberdial.core.caution.Cautions;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.Looked;
import org.umberdial.core.evidence.TaskDone;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.Extra;

/**
 * The walk through a set by eye, area by area, and what it has brought so far.
 *
 * @param areas those a set of this make-up has, in the order they are walked
 */
public record Inspection(List<Area> areas) {
    /**
     * One area.
     *
     * @param fine whether somebody looked and saw nothing wrong
     * @param found in the order they were found
     */
    public record Area(String name, List<InspectionRow> rows, boolean fine, List<Finding> found) {
        public boolean looked() {
            return fine || !found.isEmpty();
        }
    }

    /**
     * One finding with what it asks for.
     *
     * @param id of its journal entry
     * @param done how its follow-up was settled; empty while it is open
     */
    public record Finding(String id, InspectionRow row, Looked looked, Optional<String> done) {
        public boolean open() {
            return done.isEmpty();
        }
    }

    public static Inspection of(ConstructionClass construction, Set<Extra> extras, EvidenceLog journal) {
        Map<String, String> done = journal.standing(TaskDone.class).stream()
                .collect(Collectors.toMap(
                        s -> s.fact().entry(),
                        s -> s.fact().note().isEmpty() ? "done" : s.fact().note(),
                        (a, b) -> b));
        Map<String, List<InspectionRow>> byArea = new LinkedHashMap<>();
        InspectionRow.all().stream()
                .filter(row -> row.isFor(construction, extras))
                .forEach(row -> byArea.computeIfAbsent(row.area(), area -> new ArrayList<>())
                        .add(row));
        List<EvidenceLog.Standing<Looked>> looks = journal.standing(Looked.class);
        List<Area> areas = new ArrayList<>();
        byArea.forEach((area, rows) -> {
            Map<String, InspectionRow> known = rows.stream().collect(Collectors.toMap(InspectionRow::id, row -> row));
            List<EvidenceLog.Standing<Looked>> here = looks.stream()
                    .filter(look -> look.fact().area().equals(area))
                    .toList();
            List<Finding> found = here.stream()
                    .filter(look -> known.containsKey(look.fact().finding()))
                    .map(look -> new Finding(
                            look.id(),
                            known.get(look.fact().finding()),
                            look.fact(),
                            Optional.ofNullable(done.get(look.id()))))
                    .toList();
            areas.add(new Area(
                    area,
                    List.copyOf(rows),
                    found.isEmpty()
                            && here.stream()
                                    .anyMatch(look -> look.fact().finding().isEmpty()),
                    found));
        });
        return new Inspection(List.copyOf(areas));
    }

    /** Every finding, the gravest first. */
    public List<Finding> findings() {
        return areas.stream()
                .flatMap(area -> area.found().stream())
                .sorted(Comparator.comparing((Finding finding) -> finding.row().severity())
                        .reversed())
                .toList();
    }

    /** What is to be done, the gravest first. */
    public List<Finding> open() {
        return findings().stream().filter(Finding::open).toList();
    }

    /** Findings that must be settled before any power. */
    public List<Finding> stops() {
        return open().stream()
                .filter(finding -> finding.row().severity() == Severity.STOP)
                .toList();
    }

    public Optional<Area> nextArea() {
        return areas.stream().filter(area -> !area.looked()).findFirst();
    }

    /** The cautions of this set: its class's and extras', then those its open findings raise. */
    public static List<Caution> dangers(ConstructionClass construction, Set<Extra> extras, Inspection inspection) {
        Set<String> ids = new LinkedHashSet<>(construction.cautionsUnderPower());
        extras.forEach(extra -> ids.addAll(extra.cautions()));
        inspection.open().stream()
                .map(finding -> finding.row().caution())
                .filter(id -> !id.isEmpty())
                .forEach(ids::add);
        return ids.stream()
                .map(Cautions::of)
                .sorted(Comparator.comparing(Caution::level))
                .toList();
    }
}
