package org.umberdial.core.tube;

import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.umberdial.core.circuit.law.GlowLaw;

/** What is published about tubes and lamps with a gas discharge: regulators, neon lamps, gas rectifiers. */
public final class GlowTubes {
    private static final Map<String, GlowLaw> SHIPPED = load();

    private GlowTubes() {}

    /** @param type in any case; empty when it is none that is known */
    public static Optional<GlowLaw> law(String type) {
        return Optional.ofNullable(SHIPPED.get(type.toUpperCase(Locale.ROOT)));
    }

    private static Map<String, GlowLaw> load() {
        Map<String, GlowLaw> laws = new LinkedHashMap<>();
        for (Map<String, String> row : TubeTable.rows("glow-tubes.csv")) {
            double least = number(row, "min_mA") * 1e-3;
            double most = number(row, "max_mA") * 1e-3;
            // Where no regulation is published: the usual few percent of the burning voltage over the range.
            double regulation = row.getOrDefault("regulation_V", "").isEmpty()
                    ? 0.05 * number(row, "burn_V")
                    : number(row, "regulation_V");
            boolean neon = row.get("type").startsWith("NE-");
            laws.put(
                    row.get("type").toUpperCase(Locale.ROOT),
                    GlowLaw.published(number(row, "strike_V"), number(row, "burn_V"), least, most, regulation, neon));
        }
        return laws;
    }

    private static double number(Map<String, String> row, String column) {
        return Double.parseDouble(row.get(column));
    }
}
