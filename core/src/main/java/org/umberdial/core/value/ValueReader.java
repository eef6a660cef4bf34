package org.umberdial.core.value;

import static org.umberdial.core.value.InvalidEntry.Code.AMBIGUOUS;
import static org.umberdial.core.value.InvalidEntry.Code.EMPTY;
import static org.umberdial.core.value.InvalidEntry.Code.NOT_A_NUMBER;
import static org.umberdial.core.value.InvalidEntry.Code.WRONG_UNIT;

import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads a value the way people at a bench write it. What has two meanings is refused with both of them named; nothing
 * is guessed.
 */
public final class ValueReader {
    private static final Pattern FORM =
            Pattern.compile("([+-]?)\\s*([0-9.,/]*[0-9.,](?:e[+-]?[0-9]+)?)\\s*(.*)", Pattern.CASE_INSENSITIVE);
    private static final Pattern INFIX = Pattern.compile("([0-9]*)([RrkKMGmunpµ])([0-9]+)");
    private static final Pattern FRACTION = Pattern.compile("([0-9]+)/([0-9]+)");
    /** Trade names of capacitance units; case does not matter. */
    private static final Map<String, Double> OLD_FARADS = Map.of(
            "mf", 1e-6, "mfd", 1e-6, "ufd", 1e-6, "uf", 1e-6, "mmf", 1e-12, "mmfd", 1e-12, "uuf", 1e-12, "uufd", 1e-12,
            "nf", 1e-9, "pf", 1e-12);

    private final DecimalSign decimalSign;

    public ValueReader(DecimalSign decimalSign) {
        this.decimalSign = decimalSign;
    }

    /**
     * Reads one value of a known kind.
     *
     * @param text what was written, for example {@code 4k7}, {@code .047 mfd}, {@code -7.3V}
     * @param unit the unit it must be in, also when the text names none
     * @throws InvalidEntry when it is empty, no number, in another unit, or has two meanings
     */
    public Measure read(String text, Unit unit) {
        String clean = normalise(text);
        if (clean.isEmpty()) {
            throw new InvalidEntry(EMPTY, "Enter a value in " + unit.symbol() + ", for example " + example(unit) + ".");
        }
        Matcher infix = INFIX.matcher(stripUnit(clean, unit));
        if (infix.matches() && !clean.contains("/")) {
            return new Measure(infixNumber(infix, clean, unit), unit);
        }
        Matcher form = FORM.matcher(clean);
        if (!form.matches()) {
            throw new InvalidEntry(
                    NOT_A_NUMBER, "“" + text.strip() + "” is not a value; write for example " + example(unit) + ".");
        }
        double number = number(form.group(2), text);
        if (!Double.isFinite(number)) {
            throw new InvalidEntry(NOT_A_NUMBER, "“" + text.strip() + "” is too large for a number.");
        }
        double signed = form.group(1).equals("-") ? -number : number;
        double value = scaled(Double.toString(signed), factor(form.group(3).strip(), unit, number, text.strip()));
        if (!Double.isFinite(value)) {
            throw new InvalidEntry(NOT_A_NUMBER, "“" + text.strip() + "” is too large for a number.");
        }
        return new Measure(value, unit);
    }

    /** Reads a bare number with this shop's decimal sign. */
    public double number(String text) {
        String clean = normalise(text);
        boolean negative = clean.startsWith("-");
        String digits = clean.startsWith("-") || clean.startsWith("+") ? clean.substring(1) : clean;
        double number = number(digits, text);
        return negative ? -number : number;
    }

    private static String normalise(String text) {
        return text == null
                ? ""
                : text.strip()
                        .replace('−', '-')
                        .replace('–', '-')
                        .replace('μ', 'µ')
                        .replace('\u2126', 'Ω')
                        .replace('\u00a0', ' ');
    }

    private static String stripUnit(String clean, Unit unit) {
        String tail = clean.replaceAll("^.*[0-9]\\s*", "").toLowerCase(Locale.ROOT);
        return unit.isWritten(tail)
                ? clean.substring(0, clean.length() - tail.length()).strip()
                : clean;
    }

    private double infixNumber(Matcher infix, String clean, Unit unit) {
        String sign = infix.group(2);
        if (sign.equals("m") && unit == Unit.OHM) {
            throw twoMeanings(
                    clean,
                    infix.group(1) + "." + infix.group(3) + " mΩ",
                    infix.group(1) + "." + infix.group(3) + " MΩ",
                    "2M2 or 2.2 meg");
        }
        boolean letterFits = switch (sign) {
            case "R", "r", "k", "K", "M", "G" -> unit == Unit.OHM;
            default -> unit != Unit.OHM;
        };
        if (!letterFits) {
            throw new InvalidEntry(
                    WRONG_UNIT,
                    "“" + clean + "” does not read as a value in " + unit.symbol() + "; write for example "
                            + example(unit) + ".");
        }
        String whole = infix.group(1).isEmpty() ? "0" : infix.group(1);
        return scaled(whole + "." + infix.group(3), prefix(sign.equals("r") || sign.equals("R") ? "" : sign));
    }

    private double number(String digits, String whole) {
        Matcher fraction = FRACTION.matcher(digits);
        if (fraction.matches()) {
            double divisor = Double.parseDouble(fraction.group(2));
            if (divisor == 0) {
                throw new InvalidEntry(NOT_A_NUMBER, "“" + whole.strip() + "” divides by zero.");
            }
            return Double.parseDouble(fraction.group(1)) / divisor;
        }
        String plain = separators(digits, whole);
        try {
            return Double.parseDouble(plain);
        } catch (NumberFormatException e) {
            throw new InvalidEntry(
                    NOT_A_NUMBER,
                    "“" + whole.strip() + "” is not a number; write it like "
                            + (decimalSign == DecimalSign.COMMA ? "82,4" : "82.4") + ".");
        }
    }

    /** Turns thousands groups and either decimal sign into a plain number, or refuses what can be read in two ways. */
    private String separators(String digits, String whole) {
        char other = decimalSign == DecimalSign.POINT ? ',' : '.';
        if (digits.indexOf('.') >= 0 && digits.indexOf(',') >= 0) {
            char last = digits.lastIndexOf('.') > digits.lastIndexOf(',') ? '.' : ',';
            char group = last == '.' ? ',' : '.';
            String plain = digits.replace(String.valueOf(group), "").replace(last, '.');
            if (!digits.matches("[0-9]{1,3}(\\" + group + "[0-9]{3})+\\" + last + "[0-9]+")) {
                throw new InvalidEntry(
                        NOT_A_NUMBER, "“" + whole.strip() + "” mixes points and commas; write one decimal sign.");
            }
            return plain;
        }
        boolean grouped =
                digits.matches("[1-9][0-9]{0,2}(\\,[0-9]{3})+") || digits.matches("[1-9][0-9]{0,2}(\\.[0-9]{3})+");
        boolean severalGroups = digits.chars().filter(c -> c == '.' || c == ',').count() > 1;
        if (severalGroups) {
            if (!grouped) {
                throw new InvalidEntry(NOT_A_NUMBER, "“" + whole.strip() + "” has more than one decimal sign.");
            }
            return digits.replace(".", "").replace(",", "");
        }
        if (grouped && decimalSign == DecimalSign.POINT && digits.indexOf(',') >= 0) {
            return digits.replace(",", "");
        }
        if (grouped && decimalSign == DecimalSign.COMMA) {
            String thousands = digits.replace(".", "").replace(",", "");
            throw twoMeanings(
                    whole.strip(),
                    thousands,
                    digits.replace('.', ',').replaceAll("0+$", "").replaceAll(",$", ""),
                    thousands + " or with one digit fewer or more after the comma");
        }
        return digits.replace(',', '.');
    }

    private double factor(String suffix, Unit unit, double number, String whole) {
        if (unit == Unit.FARAD) {
            return faradFactor(suffix, number, whole);
        }
        String lower = suffix.toLowerCase(Locale.ROOT);
        if (suffix.isEmpty() || unit.isWritten(lower)) {
            return 1;
        }
        String head = suffix.replaceAll("\\s+", "");
        for (String word : new String[] {"megohms", "megohm", "meg"}) {
            if (lower.replaceAll("\\s+", "").equals(word)
                    || (unit != Unit.PERCENT
                            && lower.startsWith("meg")
                            && unit.isWritten(lower.substring(3).strip()))) {
                return 1e6;
            }
        }
        if (unit == Unit.OHM && head.equals("R")) {
            return 1;
        }
        String prefix = head.substring(0, 1);
        String rest = head.substring(1).toLowerCase(Locale.ROOT);
        if (!rest.isEmpty() && !unit.isWritten(rest) || Double.isNaN(prefix(prefix))) {
            throw new InvalidEntry(
                    WRONG_UNIT,
                    "“" + whole + "” is not in " + unit.symbol() + "; write for example " + example(unit) + ".");
        }
        if (unit == Unit.OHM && prefix.equals("m") && !rest.equals("ω")) {
            throw twoMeanings(
                    whole,
                    trim(number) + " mΩ",
                    trim(number) + " MΩ",
                    trim(number) + " M or " + trim(number) + " meg for megohms");
        }
        if (unit != Unit.OHM && unit != Unit.HERTZ && prefix.equals("M")) {
            throw twoMeanings(
                    whole,
                    trim(number) + " m" + unit.symbol(),
                    trim(number) + " M" + unit.symbol(),
                    "a small m for a thousandth");
        }
        return prefix(prefix);
    }

    private double faradFactor(String suffix, double number, String whole) {
        String lower = suffix.replace('µ', 'u').replaceAll("[\\s.]+", "").toLowerCase(Locale.ROOT);
        if (OLD_FARADS.containsKey(lower)) {
            return OLD_FARADS.get(lower);
        }
        return switch (lower) {
            case "u" -> 1e-6;
            case "n" -> 1e-9;
            case "p" -> 1e-12;
            case "f", "farad", "farads" -> 1;
            case "m" ->
                throw twoMeanings(
                        whole,
                        trim(number) + " mF",
                        trim(number) + " µF",
                        trim(number) + " µF or " + trim(number) + " mfd");
            case "" -> bareFarads(number, whole);
            default ->
                throw new InvalidEntry(
                        WRONG_UNIT, "“" + whole + "” is not a capacitance; write for example .047 µF, 47n or 47 mmf.");
        };
    }

    /** A bare number under one is microfarads by trade custom, since no one marks a thousandth of a picofarad. */
    private static double bareFarads(double number, String whole) {
        if (Math.abs(number) < 1) {
            return 1e-6;
        }
        throw twoMeanings(
                whole, trim(number) + " µF", trim(number) + " pF", trim(number) + "u or " + trim(number) + "p");
    }

    private static double prefix(String letter) {
        return switch (letter) {
            case "" -> 1;
            case "p" -> 1e-12;
            case "n" -> 1e-9;
            case "u", "µ", "U" -> 1e-6;
            case "m" -> 1e-3;
            case "k", "K" -> 1e3;
            case "M" -> 1e6;
            case "G" -> 1e9;
            default -> Double.NaN;
        };
    }

    /** Decimal shift without binary noise: 4.7 x 1000 is 4700 and not 4700.000000000001. */
    private static double scaled(String decimal, double factor) {
        return new java.math.BigDecimal(decimal)
                .multiply(java.math.BigDecimal.valueOf(factor))
                .doubleValue();
    }

    private static InvalidEntry twoMeanings(String whole, String one, String other, String right) {
        return new InvalidEntry(
                AMBIGUOUS, "“" + whole + "” could be " + one + " or " + other + "; write " + right + ".");
    }

    private static String trim(double number) {
        return java.math.BigDecimal.valueOf(number).stripTrailingZeros().toPlainString();
    }

    private static String example(Unit unit) {
        return switch (unit) {
            case VOLT -> "82.4 or -7.3V";
            case AMPERE -> "45m or 0.15";
            case OHM -> "4k7, 2.2 meg or 100";
            case FARAD -> ".047 or 47n";
            case HENRY -> "10 H";
            case WATT -> "1/2 W";
            case SECOND -> "40 s";
            case HERTZ -> "60 Hz";
            case PERCENT -> "10 %";
        };
    }
}
