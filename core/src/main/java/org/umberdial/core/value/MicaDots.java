package org.umberdial.core.value;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.umberdial.core.value.ResistorColours.Colour;

/**
 * Capacity of an old flat mica from its six dots, in the two schemes that were used. A marker of white, black or silver
 * tells the later one; where the dots fit both, both are given, since only a meter decides.
 *
 * <p>Source: FORMULAS, Reading values. Both rows along the arrow: the later scheme has marker, digit, digit over
 * characteristic, tolerance, multiplier; the older one three digits over hundreds of volts, tolerance, multiplier.
 */
public final class MicaDots {
    /**
     * One way to read the dots.
     *
     * @param scheme in a few words
     * @param farads [F]
     * @param tolerance ± 20 % where the dot says so or nothing
     * @param volts rated, where the scheme says it [V]; 0 otherwise
     */
    public record Read(String scheme, double farads, Tolerance tolerance, double volts) {}

    private static final List<Colour> MARKERS = List.of(Colour.WHITE, Colour.BLACK, Colour.SILVER);
    private static final double PICO = 1e-12;

    private MicaDots() {}

    /**
     * Six dots, the upper row along the arrow, then the lower row along it.
     *
     * @throws InvalidEntry when they are not six, or fit no scheme
     */
    public static List<Read> read(List<Colour> dots) {
        if (dots.size() != 6) {
            throw new InvalidEntry(
                    InvalidEntry.Code.OUT_OF_RANGE, dots.size() + " dots cannot be read; these schemes have six.");
        }
        List<Read> ways = new ArrayList<>();
        InvalidEntry refused = null;
        if (MARKERS.contains(dots.get(0))) {
            try {
                ways.add(new Read(
                        "first dot a marker",
                        PICO * digits(dots.get(1), dots.get(2)) * power(dots.get(5)),
                        tolerance(dots.get(4)),
                        0));
            } catch (InvalidEntry no) {
                refused = no;
            }
        }
        try {
            ways.add(new Read(
                    "three digits",
                    PICO * (10 * digits(dots.get(0), dots.get(1)) + digit(dots.get(2))) * power(dots.get(5)),
                    tolerance(dots.get(4)),
                    100.0 * digit(dots.get(3))));
        } catch (InvalidEntry no) {
            refused = no;
        }
        ways.removeIf(way -> !(way.farads > 0));
        if (ways.isEmpty()) {
            throw refused != null
                    ? refused
                    : new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE, "These dots come to nothing; turn the part round.");
        }
        return ways;
    }

    private static int digits(Colour tens, Colour ones) {
        return 10 * digit(tens) + digit(ones);
    }

    private static int digit(Colour colour) {
        if (colour.ordinal() > Colour.WHITE.ordinal()) {
            throw new InvalidEntry(
                    InvalidEntry.Code.OUT_OF_RANGE,
                    colour.name().toLowerCase(Locale.ROOT) + " cannot be a digit; read the part from the other end.");
        }
        return colour.ordinal();
    }

    private static double power(Colour colour) {
        return switch (colour) {
            case GOLD -> 0.1;
            case SILVER -> 0.01;
            default -> Math.pow(10, digit(colour));
        };
    }

    private static Tolerance tolerance(Colour colour) {
        return switch (colour) {
            case GOLD -> Tolerance.percent(5);
            case SILVER -> Tolerance.percent(10);
            case BLACK -> Tolerance.percent(20);
            default -> Tolerance.percent(Math.max(1, digit(colour)));
        };
    }
}
