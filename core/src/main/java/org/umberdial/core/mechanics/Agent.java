package org.umberdial.core.mechanics;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import org.umberdial.core.value.CsvTable;

/**
 * What an agent does to a material.
 *
 * @param minutes how long it may stay on it [min]; 0 for never
 * @param effect what it does
 * @param forbidden what must not come together with it; may be empty
 * @param caution id of the caution that belongs to it; may be empty
 */
public record Agent(
        String material,
        String agent,
        double minutes,
        Verdict verdict,
        String effect,
        String forbidden,
        String caution) {
    /** Whether it may be used. */
    public enum Verdict {
        SAFE("safe"),
        TEST_FIRST("test first"),
        NEVER("never");

        private final String label;

        Verdict(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    private static final List<Agent> ALL = CsvTable.rows(Agent.class, "cleaning.csv").stream()
            .map(cells -> new Agent(
                    cells.get("material"),
                    cells.get("agent"),
                    Double.parseDouble(cells.get("minutes")),
                    Verdict.valueOf(
                            cells.get("verdict").toUpperCase(Locale.ROOT).replace(' ', '_')),
                    cells.get("effect"),
                    cells.get("forbidden"),
                    cells.get("caution")))
            .toList();

    /** Every pair that ships. */
    public static List<Agent> all() {
        return ALL;
    }

    /** What is known of a material, what may be used first. */
    public static List<Agent> on(String material) {
        return ALL.stream()
                .filter(agent -> agent.material.equals(material))
                .sorted(Comparator.comparing(Agent::verdict))
                .toList();
    }

    public static List<String> materials() {
        return ALL.stream().map(Agent::material).distinct().sorted().toList();
    }
}
