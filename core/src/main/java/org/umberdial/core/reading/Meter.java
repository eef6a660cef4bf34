package org.umberdial.core.reading;

import java.util.Locale;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Ohms;
import org.umberdial.core.value.Volts;

/**
 * What a voltmeter puts across the circuit.
 *
 * <p>An electronic meter has one input resistance. A moving-coil meter has so many ohms for each volt of its range, so
 * what it loads depends on the range: the smallest of 10/50/250/500/1000 V that holds the value, unless fixed.
 */
public sealed interface Meter {
    /** The usual ranges of a moving-coil meter [V]. */
    double[] RANGES = {10, 50, 250, 500, 1000};

    /**
     * Resistance across the probes.
     *
     * @param volts what stands at the point; its sign does not matter
     */
    Ohms inputResistance(Volts volts);

    /** The form it is written in files: {@code 10M}, {@code 20k/V} or {@code 20k/V@250}. */
    String notation();

    /** A meter with one input resistance on every range. */
    record Electronic(Ohms input) implements Meter {
        @Override
        public Ohms inputResistance(Volts volts) {
            return input;
        }

        @Override
        public String notation() {
            return short3(input.value());
        }
    }

    /** A moving-coil meter; {@code rangeVolts} empty lets it take the smallest range that holds the value. */
    record PerVolt(Ohms perVolt, OptionalDouble rangeVolts) implements Meter {
        @Override
        public Ohms inputResistance(Volts volts) {
            return new Ohms(perVolt.value() * rangeVolts.orElseGet(() -> smallestRange(Math.abs(volts.value()))));
        }

        @Override
        public String notation() {
            return short3(perVolt.value()) + "/V"
                    + (rangeVolts.isPresent()
                            ? "@"
                                    + java.math.BigDecimal.valueOf(rangeVolts.getAsDouble())
                                            .stripTrailingZeros()
                                            .toPlainString()
                            : "");
        }

        private static double smallestRange(double volts) {
            for (double range : RANGES) {
                if (volts <= range) {
                    return range;
                }
            }
            return RANGES[RANGES.length - 1];
        }
    }

    /**
     * What the meter shows: V Rm / (Rm + Rs).
     *
     * @param openVolts what stands there without the meter
     * @param source resistance of the point as the network's solver sees it
     */
    default Volts reads(Volts openVolts, Ohms source) {
        Ohms input = inputResistance(openVolts);
        return openVolts.times(input.value() / (input.value() + source.value()));
    }

    /** What stands there without the meter, from what it showed: the inverse of {@link #reads}. */
    default Volts unloaded(Volts shown, Ohms source) {
        Ohms input = inputResistance(shown);
        return shown.times((input.value() + source.value()) / input.value());
    }

    Pattern NOTATION = Pattern.compile(
            "([0-9]+(?:[.,][0-9]+)?)\\s*([kM]?)\\s*(?:ohms?|Ω)?\\s*(/\\s*V)?\\s*(?:@\\s*([0-9]+(?:[.,"
                    + "][0-9]+)?)\\s*V?)?",
            Pattern.CASE_INSENSITIVE);

    /**
     * Reads {@code 10M}, {@code 20k/V} or {@code 20k/V@250}.
     *
     * @throws InvalidEntry when it is none of these, or loads no real circuit so
     */
    static Meter parse(String text) {
        Matcher matcher = NOTATION.matcher(text.strip());
        if (!matcher.matches() || matcher.group(4) != null && matcher.group(3) == null) {
            throw new InvalidEntry(
                    InvalidEntry.Code.SYNTAX,
                    "“" + text.strip()
                            + "” is no meter; write 10M for an electronic one, 20k/V or 20k/V@250 for a "
                            + "moving-coil one.");
        }
        double ohms = Double.parseDouble(matcher.group(1).replace(',', '.'))
                * switch (matcher.group(2).toLowerCase(Locale.ROOT)) {
                    case "k" -> 1e3;
                    case "m" -> 1e6;
                    default -> 1;
                };
        boolean perVolt = matcher.group(3) != null;
        if (perVolt ? ohms < 50 || ohms > 1e7 : ohms < 1e4 || ohms > 1e12) {
            throw new InvalidEntry(
                    InvalidEntry.Code.OUT_OF_RANGE,
                    "A meter of “" + text.strip()
                            + "” is not usual; moving-coil ones have 50 Ω/V to 10 MΩ/V, electronic ones 10 kΩ "
                            + "or more.");
        }
        if (!perVolt) {
            return new Electronic(new Ohms(ohms));
        }
        OptionalDouble range = matcher.group(4) == null
                ? OptionalDouble.empty()
                : OptionalDouble.of(Double.parseDouble(matcher.group(4).replace(',', '.')));
        if (range.isPresent() && !(range.getAsDouble() > 0)) {
            throw new InvalidEntry(
                    InvalidEntry.Code.OUT_OF_RANGE, "The range behind @ must be above 0 V, as in 20k/V@250.");
        }
        return new PerVolt(new Ohms(ohms), range);
    }

    private static String short3(double ohms) {
        String text = org.umberdial.core.value.Engineering.exact(ohms);
        return text.endsWith("meg") ? text.replace("meg", "M") : text;
    }
}
