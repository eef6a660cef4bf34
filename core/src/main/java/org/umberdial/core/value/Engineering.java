package org.umberdial.core.value;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;

/** Prints values the way a bench meter shows them: three significant digits and an engineering prefix. */
public final class Engineering {
    private static final String[] PREFIXES = {"p", "n", "µ", "m", "", "k", "M", "G"};
    private static final int SMALLEST_EXPONENT = -12;
    /** Beyond this a meter of the bench tells nothing [Ω]. */
    private static final double MOST_OHMS = 1e9;

    private Engineering() {}

    /** For example {@code 4.70 kΩ}, {@code 47.0 nF}, {@code −7.30 V}, {@code open} for infinite ohms. */
    public static String print(double value, Unit unit) {
        if (Double.isNaN(value)) {
            return "unknown " + unit.symbol();
        }
        if (Double.isInfinite(value)) {
            return unit == Unit.OHM ? "open" : (value < 0 ? "−∞ " : "∞ ") + unit.symbol();
        }
        if (unit == Unit.OHM && value > MOST_OHMS) {
            return "over 1 GΩ";
        }
        if (value == 0 || Math.abs(value) < 0.5e-14) {
            return "0 " + unit.symbol();
        }
        if (unit == Unit.PERCENT) {
            return minus(digits(BigDecimal.valueOf(value), 3)) + " %";
        }
        BigDecimal rounded = BigDecimal.valueOf(value).round(new MathContext(3, RoundingMode.HALF_EVEN));
        int exponent = Math.floorDiv(magnitude(rounded), 3) * 3;
        // Farads above a microfarad stay in microfarads: no bench calls 2200 µF "2.20 mF".
        int largest = unit == Unit.FARAD ? -6 : SMALLEST_EXPONENT + 3 * (PREFIXES.length - 1);
        exponent = Math.max(SMALLEST_EXPONENT, Math.min(largest, exponent));
        // A meter on its volts range shows 0.65 V, not 650 mV; watts are spoken of in the same way.
        if ((unit == Unit.VOLT || unit == Unit.WATT) && exponent == -3 && Math.abs(value) >= 0.01) {
            return minus(digits(rounded, 3)) + " " + unit.symbol();
        }
        String prefix = PREFIXES[(exponent - SMALLEST_EXPONENT) / 3];
        return minus(digits(rounded.scaleByPowerOfTen(-exponent), 3)) + " " + prefix + unit.symbol();
    }

    /**
     * The same without zeros that say nothing, for what stands on a part or in a rule: {@code 47 nF}, {@code 4.7 kΩ}.
     */
    public static String round(double value, Unit unit) {
        return print(value, unit).replaceAll("\\.0+ ", " ").replaceAll("(\\.[0-9]*[1-9])0+ ", "$1 ");
    }

    /** A number as one writes it: without an exponent and without zeros that say nothing. */
    public static String plain(double value) {
        return BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }

    /** The shortest text that reads back as the same value, for edit fields and exports: {@code 4.7k}. */
    public static String exact(double value) {
        if (value == 0 || !Double.isFinite(value)) {
            return value == 0 ? "0" : (value > 0 ? "inf" : "-inf");
        }
        BigDecimal number = BigDecimal.valueOf(value);
        int exponent = Math.floorDiv(magnitude(number), 3) * 3;
        exponent = Math.max(SMALLEST_EXPONENT, Math.min(6, exponent));
        String text = number.scaleByPowerOfTen(-exponent).stripTrailingZeros().toPlainString();
        return text
                + switch (exponent) {
                    case -12 -> "p";
                    case -9 -> "n";
                    case -6 -> "u";
                    case -3 -> "m";
                    case 3 -> "k";
                    case 6 -> "meg";
                    default -> "";
                };
    }

    /** A plain number with that many significant digits and never an exponent. */
    public static String digits(BigDecimal number, int significant) {
        BigDecimal rounded = number.round(new MathContext(significant, RoundingMode.HALF_EVEN));
        int decimals = Math.max(0, significant - 1 - magnitude(rounded));
        return rounded.setScale(decimals, RoundingMode.HALF_EVEN).toPlainString();
    }

    private static int magnitude(BigDecimal number) {
        return number.signum() == 0 ? 0 : number.precision() - number.scale() - 1;
    }

    private static String minus(String text) {
        return text.replace('-', '−');
    }
}
