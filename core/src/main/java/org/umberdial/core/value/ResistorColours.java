package org.umberdial.core.value;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Resistor value from its colours: bands in a row (IEC 60062) and the older body, end, dot scheme. */
public final class ResistorColours {
    /** The trade's colours; the order of the first ten is their digit. */
    public enum Colour {
        BLACK,
        BROWN,
        RED,
        ORANGE,
        YELLOW,
        GREEN,
        BLUE,
        VIOLET,
        GREY,
        WHITE,
        GOLD,
        SILVER;

        /** @throws InvalidEntry naming the colours there are */
        public static Colour named(String name) {
            String upper = name.strip()
                    .toUpperCase(Locale.ROOT)
                    .replace("GRAY", "GREY")
                    .replace("PURPLE", "VIOLET");
            for (Colour colour : values()) {
                if (colour.name().equals(upper)) {
                    return colour;
                }
            }
            throw new InvalidEntry(
                    InvalidEntry.Code.UNKNOWN,
                    "“" + name
                            + "” is not a resistor colour; use black, brown, red, orange, yellow, green, "
                            + "blue, violet, grey, white, gold or silver.");
        }

        private int digit(String place) {
            if (ordinal() > WHITE.ordinal()) {
                throw new InvalidEntry(
                        InvalidEntry.Code.OUT_OF_RANGE,
                        name().toLowerCase(Locale.ROOT) + " cannot be a digit (" + place
                                + "); read the part from the other end.");
            }
            return ordinal();
        }

        private int exponent() {
            return this == GOLD ? -1 : this == SILVER ? -2 : ordinal();
        }

        private Tolerance tolerance() {
            return switch (this) {
                case BROWN -> Tolerance.percent(1);
                case RED -> Tolerance.percent(2);
                case GREEN -> Tolerance.percent(0.5);
                case BLUE -> Tolerance.percent(0.25);
                case VIOLET -> Tolerance.percent(0.1);
                case GOLD -> Tolerance.percent(5);
                case SILVER -> Tolerance.percent(10);
                default ->
                    throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            name().toLowerCase(Locale.ROOT)
                                    + " is not a tolerance; gold is 5 %, silver 10 %, none 20 %.");
            };
        }
    }

    /** A resistor as its colours say it. */
    public record Marked(Ohms nominal, Tolerance tolerance) {}

    private ResistorColours() {}

    /**
     * Three, four or five bands, from the end nearest to a lead.
     *
     * @throws InvalidEntry on another count, or a colour that cannot stand in its place
     */
    public static Marked bands(List<Colour> bands) {
        if (bands.size() < 3 || bands.size() > 5) {
            throw new InvalidEntry(
                    InvalidEntry.Code.OUT_OF_RANGE, bands.size() + " bands cannot be read; give three, four or five.");
        }
        int digitCount = bands.size() == 5 ? 3 : 2;
        int digits = 0;
        for (int i = 0; i < digitCount; i++) {
            digits = digits * 10 + bands.get(i).digit("band " + (i + 1));
        }
        Tolerance tolerance = bands.size() == 3
                ? Tolerance.percent(20)
                : bands.get(digitCount + 1).tolerance();
        return new Marked(ohms(digits, bands.get(digitCount)), tolerance);
    }

    /**
     * The older scheme: the body is the first digit, one end the second, the dot the multiplier, the other end the
     * tolerance (body-coloured means ± 20 %).
     *
     * @param otherEnd gold or silver, or the body's own colour for ± 20 %
     */
    public static Marked bodyEndDot(Colour body, Colour end, Colour dot, Colour otherEnd) {
        Tolerance tolerance =
                otherEnd == Colour.GOLD || otherEnd == Colour.SILVER ? otherEnd.tolerance() : Tolerance.percent(20);
        return new Marked(ohms(body.digit("body") * 10 + end.digit("end"), dot), tolerance);
    }

    /** The bands to paint for a value, two digits and a multiplier, with the tolerance where it has a colour. */
    public static List<Colour> bandsFor(Ohms nominal, Tolerance tolerance) {
        double value = nominal.value();
        for (int exponent = -2; exponent <= 9; exponent++) {
            double digits = value / Math.pow(10, exponent);
            long whole = Math.round(digits);
            if (whole >= 10 && whole <= 99 && Math.abs(digits - whole) < 1e-6 * digits) {
                List<Colour> bands = new ArrayList<>(List.of(
                        Colour.values()[(int) whole / 10], Colour.values()[(int) whole % 10], multiplier(exponent)));
                if (tolerance.percent() <= 5) {
                    bands.add(Colour.GOLD);
                } else if (tolerance.percent() <= 10) {
                    bands.add(Colour.SILVER);
                }
                return List.copyOf(bands);
            }
        }
        throw new InvalidEntry(
                InvalidEntry.Code.OUT_OF_RANGE,
                nominal + " cannot be painted with two digits; choose the nearest standard value.");
    }

    private static Ohms ohms(int digits, Colour multiplier) {
        int exponent = multiplier.exponent();
        return new Ohms(exponent < 0 ? digits / Math.pow(10, -exponent) : digits * Math.pow(10, exponent));
    }

    private static Colour multiplier(int exponent) {
        return exponent == -2 ? Colour.SILVER : exponent == -1 ? Colour.GOLD : Colour.values()[exponent];
    }
}
