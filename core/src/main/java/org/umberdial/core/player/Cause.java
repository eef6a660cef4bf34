package org.umberdial.core.player;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.umberdial.core.value.CsvTable;

/**
 * What may be wrong with a player.
 *
 * @param weight how often it is found, against the others of its drive
 * @param part what it is in
 * @param cause a phrase
 * @param remedy a sentence or two
 * @param caution id of the caution that belongs to the remedy; may be empty
 * @param signs by the id of a question, how surely it shows there
 */
public record Cause(
        String id,
        String drives,
        double weight,
        String part,
        String cause,
        String remedy,
        String caution,
        Map<String, Shows> signs) {
    /** How surely a cause shows as a sign. */
    public enum Shows {
        ALWAYS(0.95),
        MOSTLY(0.8),
        MAY(0.4);

        private final double chance;

        Shows(double chance) {
            this.chance = chance;
        }

        public double chance() {
            return chance;
        }
    }

    private static final List<Cause> ALL = CsvTable.rows(Cause.class, "player-causes.csv").stream()
            .map(Cause::row)
            .toList();

    public Cause {
        signs = Map.copyOf(signs);
    }

    /** Every cause that ships. */
    public static List<Cause> all() {
        return ALL;
    }

    public static List<Cause> of(DriveKind kind) {
        return ALL.stream().filter(c -> DriveKind.means(c.drives, kind)).toList();
    }

    private static Cause row(Map<String, String> cells) {
        Map<String, Shows> signs = new LinkedHashMap<>();
        for (String sign : cells.get("signs").split("\\|")) {
            int colon = sign.indexOf(':');
            signs.put(
                    sign.substring(0, colon),
                    Shows.valueOf(sign.substring(colon + 1).toUpperCase(Locale.ROOT)));
        }
        return new Cause(
                cells.get("id"),
                cells.get("drives"),
                Double.parseDouble(cells.get("weight")),
                cells.get("part"),
                cells.get("cause"),
                cells.get("remedy"),
                cells.get("caution"),
                signs);
    }

    /** How surely it makes a sign; nought where it does not. */
    double makes(Question question) {
        Shows shows = signs.get(question.id());
        return shows == null ? 0 : shows.chance();
    }
}
