package org.umberdial.core.tube;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What is published about one type.
 *
 * @param use what it was made for
 * @param heaterVolts [V]
 * @param heaterAmperes [A]
 * @param base basing designation, empty where it is not known
 * @param pinout electrode of each pin, as {@code 1=g 2=k ...}, empty where it is not known
 * @param warmUp class of warming up in words: filament, indirect, indirect slow, none
 * @param warmUpSeconds time constant of the heater [s]
 * @param heaterTap share of the heater between its first pin and its tap, empty when it has none
 * @param sisters types that stand in for it electrically; another base or heater is possible
 * @param confidence how sure base, pins and heater are; each point has its own
 * @param note what else a bench wants to know
 * @param points operating points, the main one of each section first
 */
public record TubeType(
        String name,
        TubeUse use,
        OptionalDouble heaterVolts,
        OptionalDouble heaterAmperes,
        String base,
        String pinout,
        TubeLimits limits,
        String warmUp,
        double warmUpSeconds,
        OptionalDouble heaterTap,
        List<String> sisters,
        Confidence confidence,
        String note,
        List<TubePoint> points) {
    /** Whether it only rectifies. */
    public boolean isRectifier() {
        return use.rectifies()
                || use == TubeUse.OTHER
                        && !points.isEmpty()
                        && points.stream().allMatch(point -> point.kind().equals("rectifier"));
    }

    /** Whether the cathode is the heated wire itself. */
    public boolean isDirectlyHeated() {
        return warmUp.equals("filament");
    }

    /** The watts its heater takes; empty without both figures. */
    public OptionalDouble heaterWatts() {
        return heaterVolts.isPresent() && heaterAmperes.isPresent()
                ? OptionalDouble.of(heaterVolts.getAsDouble() * heaterAmperes.getAsDouble())
                : OptionalDouble.empty();
    }

    /** Whether enough is published for voltages and currents; without, it has pins and a heater only. */
    public boolean hasLaw() {
        return points.stream()
                .anyMatch(point -> point.kind().equals("rectifier")
                        ? limits.dropVolts().isPresent()
                        : !point.kind().equals("heater"));
    }

    /** Whether some figure its currents rest on is so unsure that no part may be accused by it. */
    public boolean isUnsure() {
        return points.stream().anyMatch(point -> point.confidence() == Confidence.LOW);
    }

    /** What its heater takes, in words; empty where nothing is known. */
    public String heater() {
        return Stream.of(said(heaterVolts, " V"), said(heaterAmperes, " A"))
                .filter(text -> !text.isEmpty())
                .collect(Collectors.joining(", "));
    }

    private static String said(OptionalDouble value, String unit) {
        return value.isEmpty()
                ? ""
                : new BigDecimal(value.getAsDouble())
                                .round(new MathContext(3))
                                .stripTrailingZeros()
                                .toPlainString()
                        + unit;
    }

    /** What is not known of it, in sentences. */
    public List<String> lacks() {
        List<String> lacks = new ArrayList<>();
        if (heaterWatts().isEmpty() && use != TubeUse.GAS_RECTIFIER && use != TubeUse.REGULATOR) {
            lacks.add("Its heater is not known: a string of heaters cannot be added up with it.");
        }
        if (pinout.isEmpty()) {
            lacks.add("Its pins are not known: the drawing leaves them off.");
        }
        if (!hasLaw()) {
            lacks.add("Pins and heater only: its stage is drawn, and its currents are not expected.");
        }
        return lacks;
    }
}
