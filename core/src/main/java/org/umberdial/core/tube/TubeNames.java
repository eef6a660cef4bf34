package org.umberdial.core.tube;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * How one type is written in many ways: suffixes for bulb, base and later issues, letter O for zero, hyphens, old
 * prefixes, the special-quality order of European numbers. Trade conventions; none of them changes the electrodes.
 */
final class TubeNames {
    /**
     * Bulbs and bases (G, GT, GT/G, M, MG), later issues (A to E), rugged and military ones (W, WA), low-loss base Y.
     */
    private static final Pattern SUFFIXED =
            Pattern.compile("(.*\\d)(?:GT/?G|GT[ABXY]?|G[ABCTXY]?|MG?|W(?:A|B|GT|GTA|GB|GC)?|[A-EGMNSXY]|EG|/.*)");
    /** The makers' prefixes of the twenties, by base. */
    private static final Pattern PREFIXED = Pattern.compile("(?:UX|UY|CX|JAN|UV)-?(.*)");
    /** E88CC: the special-quality sister of ECC88. */
    private static final Pattern SPECIAL_QUALITY = Pattern.compile("([EP])(\\d{2,3})([A-Z]{1,3})");
    /** Two letters in the middle: such types of one family differ in the heater alone, as 6AV6 and 12AV6. */
    private static final Pattern AMERICAN = Pattern.compile("(\\d{1,2})([A-Z]{2}\\d[A-Z0-9]*)");
    /** EBC90, UBC90: the first letter is the heater. */
    private static final Pattern EUROPEAN = Pattern.compile("([EUPHXLCA])([A-Z]{1,3}\\d{1,3})");

    private TubeNames() {}

    /** Upper case, without blanks and hyphens, zero for a leading O. */
    static String plain(String typed) {
        String upper = typed.strip().toUpperCase(Locale.ROOT).replaceAll("[\\s_.\u2013-]", "");
        return upper.matches("O[A-Z]\\d.*") ? "0" + upper.substring(1) : upper;
    }

    /** The names under which a written one may be known, the likeliest first; itself is the first. */
    static Set<String> candidates(String typed) {
        Set<String> names = new LinkedHashSet<>();
        String plain = plain(typed);
        names.add(plain);
        Matcher prefixed = PREFIXED.matcher(plain);
        if (prefixed.matches() && !prefixed.group(1).isEmpty()) {
            names.add(prefixed.group(1));
        }
        for (String name : List.copyOf(names)) {
            names.addAll(stems(name));
        }
        Matcher special = SPECIAL_QUALITY.matcher(plain);
        if (special.matches()) {
            names.add(special.group(1) + special.group(3) + special.group(2));
        }
        return names;
    }

    /** A name and what is left of it when suffixes are taken off one by one. */
    static List<String> stems(String name) {
        List<String> stems = new java.util.ArrayList<>();
        String left = name;
        for (Matcher cut = SUFFIXED.matcher(left); cut.matches(); cut = SUFFIXED.matcher(left)) {
            left = cut.group(1);
            stems.add(left);
        }
        return stems;
    }

    /** What types of one heater family have in common, such as {@code #AV6} or {@code *BC90}; empty for none. */
    static String family(String name) {
        Matcher american = AMERICAN.matcher(name);
        if (american.matches()) {
            return "#" + american.group(2);
        }
        Matcher european = EUROPEAN.matcher(name);
        return european.matches() ? "*" + european.group(2) : "";
    }

    /**
     * The heater of a type by its number, from a relative's watts: the American number is its volts (7 and 14 are the
     * lock-in names of 6.3 and 12.6 V), the European letter its volts or its string's amperes.
     *
     * @return volts and amperes
     */
    static double[] heater(String name, double watts) {
        Matcher american = AMERICAN.matcher(name);
        if (american.matches()) {
            int number = Integer.parseInt(american.group(1));
            double volts = switch (number) {
                case 3 -> 3.15;
                case 4 -> 4.2;
                case 5 -> 4.7;
                case 6, 7 -> 6.3;
                case 8 -> 8.4;
                case 12, 14 -> 12.6;
                default -> number;
            };
            return new double[] {volts, watts / volts};
        }
        double amperes = switch (name.charAt(0)) {
            case 'U' -> 0.1;
            case 'H' -> 0.15;
            case 'C' -> 0.2;
            case 'P' -> 0.3;
            case 'L' -> 0.45;
            case 'X' -> 0.6;
            default -> 0;
        };
        double volts = name.charAt(0) == 'A' ? 4 : 6.3;
        return amperes > 0 ? new double[] {watts / amperes, amperes} : new double[] {volts, watts / volts};
    }
}
