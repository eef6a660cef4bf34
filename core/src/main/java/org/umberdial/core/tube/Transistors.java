package org.umberdial.core.tube;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.umberdial.core.circuit.law.BipolarLaw;

/**
 * Laws of the transistors met in sets of the tube era, from what is published: current gain at a current, leakage at 25
 * °C, material, greatest current. The base-emitter voltage follows from the material: germanium 0.15 V at 1 mA in a
 * small transistor and less in a larger one, silicon 0.62 V at 2 mA.
 */
public final class Transistors {
    private static final double SMALL_GERMANIUM_AMPERES = 3e-6;
    private static final double SMALL_SILICON_AMPERES = 7e-14;
    private static final double SMALL_MOST = 0.01;
    private static final Map<String, BipolarLaw> SHIPPED = load();
    private static final Map<String, List<String>> SUBSTITUTES = TubeTable.rows("transistors.csv").stream()
            .filter(row -> !row.getOrDefault("substitutes", "").isEmpty())
            .collect(Collectors.toMap(
                    row -> row.get("type").toUpperCase(Locale.ROOT),
                    row -> List.of(row.get("substitutes").split("\\|")),
                    (first, second) -> first));

    private Transistors() {}

    /** At 25 °C; empty for a type that is not in the table. */
    public static Optional<BipolarLaw> law(String type) {
        return Optional.ofNullable(SHIPPED.get(type.toUpperCase(Locale.ROOT)));
    }

    /** Types that take its place by the table; empty when it is not there or has none. */
    public static List<String> substitutes(String type) {
        return SUBSTITUTES.getOrDefault(type.toUpperCase(Locale.ROOT), List.of());
    }

    /** From a deck's own {@code .model}: IS, BF, BR, ISC; what is missing as a simulator would take it. */
    public static BipolarLaw ofModel(boolean pnp, Map<String, Double> parameters) {
        return new BipolarLaw(
                pnp,
                parameters.getOrDefault("IS", 1e-16),
                parameters.getOrDefault("BF", 100.0),
                parameters.getOrDefault("BR", 1.0),
                parameters.getOrDefault("ISC", 0.0));
    }

    private static Map<String, BipolarLaw> load() {
        Map<String, BipolarLaw> laws = new LinkedHashMap<>();
        for (Map<String, String> row : TubeTable.rows("transistors.csv")) {
            boolean germanium = row.get("material").equals("Ge");
            double most = number(row, "ICmax_mA", 10) * 1e-3;
            double leak = number(row, "ICBO_uA_25C", germanium ? 5 : 0) * 1e-6;
            double gain = number(row, "hFE_typ", 1.5 * number(row, "hFE_min", 30));
            double reverse = germanium ? 10 : 2;
            double size = most / SMALL_MOST;
            // With the emitter open Is/Br + Is/(Bf + 1) of what is measured is Is; the rest is the collector's own.
            double saturation = germanium
                    ? Math.min(SMALL_GERMANIUM_AMPERES * Math.sqrt(size), 0.5 * leak)
                    : SMALL_SILICON_AMPERES * size / 10;
            double own = germanium ? leak - saturation * (1 / reverse + 1 / (gain + 1)) : 0;
            laws.put(
                    row.get("type").toUpperCase(Locale.ROOT),
                    new BipolarLaw(row.get("polarity").equals("PNP"), saturation, gain, reverse, Math.max(own, 0)));
        }
        return laws;
    }

    private static double number(Map<String, String> row, String column, double otherwise) {
        return row.getOrDefault(column, "").isEmpty() ? otherwise : Double.parseDouble(row.get(column));
    }
}
