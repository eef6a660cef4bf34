package org.umberdial.core.value;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The size of a wire, as a gauge number or as its copper's area.
 *
 * <p>Source: ASTM B258: diameter 0.127 mm x 92^((36 - n) / 39).
 */
public final class WireSize {
    private static final Pattern GAUGE = Pattern.compile("(?i)(?:awg|ga|#)?\\s*([0-9]{1,2})\\s*(?:awg|ga|gauge)?");
    private static final Pattern AREA = Pattern.compile("(?i)([0-9]*[.,]?[0-9]+)\\s*(?:mm2|mm²|sq|qmm)");
    private static final int FINEST = 40;
    private static final double LARGEST = 50;

    private WireSize() {}

    /**
     * Area of copper; 0 for an empty text [mm²].
     *
     * @throws InvalidEntry for anything that is neither a gauge nor an area
     */
    public static double squareMillimetres(String typed) {
        String text = typed.strip();
        if (text.isEmpty()) {
            return 0;
        }
        Matcher area = AREA.matcher(text);
        Matcher gauge = GAUGE.matcher(text);
        double found = area.matches()
                ? Double.parseDouble(area.group(1).replace(',', '.'))
                : gauge.matches() && Integer.parseInt(gauge.group(1)) <= FINEST
                        ? ofGauge(Integer.parseInt(gauge.group(1)))
                        : 0;
        if (!(found > 0 && found <= LARGEST)) {
            throw new InvalidEntry(
                    InvalidEntry.Code.SYNTAX, "“" + typed + "” is no size of wire; write 20 AWG or 0.5 mm².");
        }
        return found;
    }

    static double ofGauge(int number) {
        double diameter = 0.127 * Math.pow(92, (36 - number) / 39.0);
        return Math.PI / 4 * diameter * diameter;
    }

    /** As it is sold: {@code 0.52 mm², 20 AWG}; empty for none. */
    public static String print(double squareMillimetres) {
        if (!(squareMillimetres > 0)) {
            return "";
        }
        double diameter = Math.sqrt(squareMillimetres * 4 / Math.PI);
        long gauge = Math.round(36 - 39 * Math.log(diameter / 0.127) / Math.log(92));
        return String.format(Locale.ROOT, "%.2f mm², %d AWG", squareMillimetres, gauge);
    }
}
