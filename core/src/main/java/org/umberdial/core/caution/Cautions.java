package org.umberdial.core.caution;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.value.CsvTable;

/** The cautions that ship with the application. */
public final class Cautions {
    private static final Map<String, Caution> ALL = load();

    private Cautions() {}

    /** @throws IllegalArgumentException for an id that no caution has */
    public static Caution of(String id) {
        Caution caution = ALL.get(id);
        if (caution == null) {
            throw new IllegalArgumentException("no caution is called " + id);
        }
        return caution;
    }

    /** The cautions of measuring under power in a set of this class, the gravest first. */
    public static List<Caution> underPower(ConstructionClass construction) {
        return construction.cautionsUnderPower().stream().map(Cautions::of).toList();
    }

    private static Map<String, Caution> load() {
        Map<String, Caution> all = new LinkedHashMap<>();
        CsvTable.rows(Cautions.class, "cautions.csv").forEach(row -> all.put(row.get("id"), caution(row)));
        return all;
    }

    private static Caution caution(Map<String, String> row) {
        String deferTo = row.get("defer_to");
        return new Caution(
                row.get("id"),
                row.get("when"),
                row.get("text"),
                Caution.Level.valueOf(row.get("level").toUpperCase(Locale.ROOT)),
                deferTo.equals("none") ? "" : deferTo);
    }
}
