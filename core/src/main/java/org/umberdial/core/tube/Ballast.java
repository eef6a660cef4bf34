package org.umberdial.core.tube;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What the type number of a resistance or ballast tube says: K55B drops 55 V at 0.3 A by resistance wire, its lamp
 * section made for a 0.15 A lamp; 165R4 is 165 Ω. How the base is connected differs between lists: trace it with an
 * ohmmeter.
 *
 * @param ohms of the whole tube at its current, lamp counted [Ω]
 * @param lampOhms of the section across the dial lamp, empty for one without
 */
public record Ballast(double ohms, Optional<Double> lampOhms) {
    private static final double AMPERES = 0.3;
    private static final double LAMP_VOLTS = 6;
    private static final Pattern CODE = Pattern.compile("(B?)([KLMX])(\\d{2,3})[A-H](?:G|MG)?");
    private static final Pattern OLDER = Pattern.compile("(\\d{2,3})R\\d");

    /** @param type as printed, in any case; empty when it is no such code */
    public static Optional<Ballast> of(String type) {
        String upper = type.toUpperCase(Locale.ROOT);
        Matcher code = CODE.matcher(upper);
        if (code.matches()) {
            return Optional.of(new Ballast(
                    Double.parseDouble(code.group(3)) / AMPERES,
                    lamp(code.group(2)).map(lamp -> LAMP_VOLTS / (AMPERES - lamp))));
        }
        Matcher older = OLDER.matcher(upper);
        return older.matches()
                ? Optional.of(new Ballast(Double.parseDouble(older.group(1)), Optional.empty()))
                : Optional.empty();
    }

    private static Optional<Double> lamp(String letter) {
        return switch (letter) {
            case "K" -> Optional.of(0.15);
            case "L" -> Optional.of(0.25);
            case "M" -> Optional.of(0.2);
            default -> Optional.empty();
        };
    }
}
