package org.umberdial.core.role;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.umberdial.core.value.CsvTable;

/**
 * A symptom the trade knows.
 *
 * @param id stable
 * @param words how it is told
 * @param firstAsk what to ask before any test
 * @param roles which part in which role fails how, with its weight; the weights of a symptom add up to about 1
 * @param tests the cheapest that tell them apart, the cold ones first
 * @param dangers {@code shock}, {@code fire}, {@code damages_parts}
 * @param act what to do at once, in words; empty when the set may go on playing
 */
public record Symptom(
        String id,
        String words,
        String firstAsk,
        List<RoleFault> roles,
        List<String> tests,
        List<String> dangers,
        String act) {
    /** A fault of a part in a role: evidence for it. */
    public record RoleFault(String role, String failure, double weight) {}

    private static final Map<String, String> ACTS = Map.of(
            "carry_on",
            "",
            "stop_and_unplug",
            "Stop and unplug it.",
            "unplug_and_discharge",
            "Unplug it, discharge and prove it.");
    private static final List<Symptom> ALL = CsvTable.rows(Symptom.class, "symptoms.csv").stream()
            .map(Symptom::row)
            .toList();

    public static List<Symptom> all() {
        return ALL;
    }

    public static Optional<Symptom> of(String id) {
        return ALL.stream().filter(symptom -> symptom.id.equals(id)).findFirst();
    }

    private static Symptom row(Map<String, String> cells) {
        String words = cells.get("symptom");
        List<RoleFault> roles = Arrays.stream(cells.get("likely_roles_in_order").split("\\|"))
                .map(Symptom::role)
                .toList();
        List<String> dangers = Arrays.stream(cells.get("danger").split("\\|"))
                .filter(danger -> !danger.equals("none"))
                .toList();
        String id = words.toLowerCase(Locale.ROOT)
                .replaceAll("\\(.*?\\)", "")
                .replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^-|-$", "");
        return new Symptom(
                id,
                words,
                cells.get("first_ask"),
                roles,
                List.of(cells.get("cheapest_discriminating_tests").split("\\|")),
                dangers,
                ACTS.get(cells.get("act")));
    }

    private static RoleFault role(String text) {
        List<String> pieces = new ArrayList<>(List.of(text.split("[:=]")));
        return new RoleFault(pieces.get(0), pieces.get(1), Double.parseDouble(pieces.get(2)));
    }

    /** Whether the set says nothing at all, which a control in the wrong position does as well. */
    public boolean dead() {
        return words.startsWith("dead")
                || words.contains("dead,")
                || words.contains("does not turn")
                || words.contains("everything dark");
    }
}
