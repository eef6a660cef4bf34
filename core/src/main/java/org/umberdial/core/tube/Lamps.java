package org.umberdial.core.tube;

import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * Dial lamps by their number.
 *
 * @param volts rated [V]
 * @param amperes at the rated volts [A]
 */
public record Lamps(double volts, double amperes) {
    private static final Map<String, Lamps> SHIPPED = load();

    /** @param number as printed on the base or told by the bead, such as {@code 47}; empty when it is not known */
    public static Optional<Lamps> of(String number) {
        return Optional.ofNullable(SHIPPED.get(number.toUpperCase(Locale.ROOT)));
    }

    private static Map<String, Lamps> load() {
        Map<String, Lamps> lamps = new LinkedHashMap<>();
        for (Map<String, String> row : TubeTable.rows("lamps.csv")) {
            lamps.put(
                    row.get("type").toUpperCase(Locale.ROOT),
                    new Lamps(Double.parseDouble(row.get("volts")), Double.parseDouble(row.get("amperes"))));
        }
        return lamps;
    }
}
