package org.umberdial.core.caution;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.value.CsvLine;

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
        try (BufferedReader in = new BufferedReader(new InputStreamReader(Cautions.class.getResourceAsStream("cautions.csv"), StandardCharsets.UTF_8))) {
            Map<String, Caution> all = new LinkedHashMap<>();
            in.readLine();
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                List<String> cells = CsvLine.split(line);
                all.put(cells.get(0), new Caution(cells.get(0), cells.get(1), cells.get(2), Caution.Level.valueOf(cells.get(3).toUpperCase(Locale.ROOT)), cells.get(5).equals("none") ? "" : cells.get(5)));
            }
            return all;
        } catch (IOException e) {
            throw new UncheckedIOException("the shipped cautions cannot be read", e);
        }
    }
}
