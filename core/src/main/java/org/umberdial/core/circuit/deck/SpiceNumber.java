package org.umberdial.core.circuit.deck;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Numbers as SPICE writes them: {@code 4.7k}, {@code 10meg}, {@code 100n}; letters after the suffix are ignored there.
 */
public final class SpiceNumber {
    private static final Pattern NUMBER = Pattern.compile(
            "([+-]?(?:[0-9]+\\.?[0-9]*|\\.[0-9]+)(?:e[+-]?[0-9]+)?)([a-zµ]*)", Pattern.CASE_INSENSITIVE);
    private static final Pattern INFIX = Pattern.compile("([0-9]+)([rkmµunpg]|meg)([0-9]+)", Pattern.CASE_INSENSITIVE);
    private static final Map<String, Double> SUFFIXES = Map.of(
            "f", 1e-15, "p", 1e-12, "n", 1e-9, "u", 1e-6, "µ", 1e-6, "m", 1e-3, "k", 1e3, "meg", 1e6, "g", 1e9, "t",
            1e12);

    private SpiceNumber() {}

    /** Empty when the text is no number at all. */
    public static Optional<Double> read(String text) {
        Matcher matcher = NUMBER.matcher(text);
        if (!matcher.matches()) {
            return Optional.empty();
        }
        String suffix = matcher.group(2).toLowerCase(Locale.ROOT);
        double factor = 1;
        if (suffix.startsWith("meg")) {
            factor = 1e6;
        } else if (!suffix.isEmpty()) {
            factor = SUFFIXES.getOrDefault(suffix.substring(0, 1), 1.0);
        }
        double value = new java.math.BigDecimal(matcher.group(1))
                .multiply(java.math.BigDecimal.valueOf(factor))
                .doubleValue();
        return Double.isFinite(value) ? Optional.of(value) : Optional.empty();
    }

    /** A sentence when the text means one thing to a simulator and another on a schematic; empty when it is clear. */
    static Optional<String> twoMeanings(String text, char letter) {
        Matcher infix = INFIX.matcher(text);
        if (infix.matches()) {
            String head = infix.group(1);
            String sign = infix.group(2).toLowerCase(Locale.ROOT);
            String meant = head + "." + infix.group(3)
                    + (sign.equals("r") ? "" : sign.equals("m") && letter == 'R' ? "meg" : sign);
            return Optional.of("“" + text + "” is " + head + (sign.equals("r") ? "" : sign) + " to a simulator and "
                    + meant + " on a schematic; write " + meant + ".");
        }
        if (letter == 'R' && text.matches("[0-9.]+[mM](ohm)?")) {
            String number = text.replaceAll("[mM].*", "");
            return Optional.of("“" + text + "” is " + number + " milliohms to a simulator and may be meant as " + number
                    + " megohms; write " + number + "meg, or a plain decimal for milliohms.");
        }
        return Optional.empty();
    }
}
