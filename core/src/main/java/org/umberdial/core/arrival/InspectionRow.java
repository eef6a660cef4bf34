package org.umberdial.core.arrival;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.Extra;
import org.umberdial.core.value.CsvTable;

/**
 * One thing to look for.
 *
 * @param id stable
 * @param appliesTo names of the classes and extras it is for, or {@code ALL}
 * @param area where to look
 * @param lookFor what would be seen
 * @param means what it means
 * @param followUp what to do about it
 * @param isTest whether that is a test rather than a repair
 * @param caution id of the caution it raises, empty when none
 * @param job how the follow-up is reckoned; see {@link Estimates}
 */
public record InspectionRow(
        String id,
        Set<String> appliesTo,
        String area,
        String lookFor,
        String means,
        Severity severity,
        String followUp,
        boolean isTest,
        String caution,
        String job) {
    private static final List<InspectionRow> ALL = CsvTable.rows(InspectionRow.class, "inspection.csv").stream()
            .map(InspectionRow::row)
            .toList();

    /** Every row that ships, in the order of the walk. */
    public static List<InspectionRow> all() {
        return ALL;
    }

    private static InspectionRow row(Map<String, String> cells) {
        String followUp = cells.get("follow_up");
        return new InspectionRow(
                cells.get("id"),
                Set.of(cells.get("applies_to").split("\\|")),
                cells.get("area"),
                cells.get("look_for"),
                cells.get("means"),
                Severity.valueOf(cells.get("severity")),
                followUp.substring(followUp.indexOf(':') + 1).strip(),
                followUp.startsWith("test:"),
                cells.get("caution_id"),
                cells.get("job"));
    }

    /** Whether a set of this make-up has it. */
    public boolean isFor(ConstructionClass construction, Set<Extra> extras) {
        return appliesTo.contains("ALL")
                || appliesTo.contains(construction.name())
                || construction == ConstructionClass.UNKNOWN && lineFed()
                || extras.stream().anyMatch(extra -> appliesTo.contains(extra.name()));
    }

    /** Whether some set that the line feeds has it: a set that nobody knows yet may be any of them. */
    private boolean lineFed() {
        return Arrays.stream(ConstructionClass.values())
                .filter(c -> c.lineFed() && !c.player())
                .anyMatch(c -> appliesTo.contains(c.name()));
    }

    /** Whether its follow-up takes the part out for good. */
    public boolean replaces() {
        return !isTest && (followUp.contains("replace") || followUp.contains("renew"));
    }
}
