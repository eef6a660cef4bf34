package org.umberdial.core.circuit.work;

import java.util.ArrayList;
import java.util.List;
import org.umberdial.core.value.InvalidEntry;

/**
 * How a set is given the line for the first time: the variable transformer's ramp and the lamps in series.
 *
 * @param ramp voltages in order, each reached in a straight line over its seconds; the last stays
 * @param lamps lamp steps in order; the last stays
 */
public record LineSchedule(List<Ramp> ramp, List<Lamps> lamps) {
    /** @param volts RMS at the end of the stretch, {@code seconds} its length */
    public record Ramp(double volts, double seconds) {}

    /** @param watts of each lamp in parallel, empty for a bypass; rated at the nominal line */
    public record Lamps(List<Double> watts, double seconds) {}

    /** Straight on at one voltage. */
    public static LineSchedule straight(double volts) {
        return new LineSchedule(List.of(new Ramp(volts, 0)), List.of());
    }

    /**
     * Reads {@code 40:30,117:60}: volts and the seconds over which they are reached.
     *
     * @throws InvalidEntry when a step is not volts, colon, seconds
     */
    public static List<Ramp> ramp(String text) {
        List<Ramp> steps = new ArrayList<>();
        for (String step : text.split(",")) {
            String[] pair = step.split(":", -1);
            if (pair.length != 2) {
                throw wrong(step, "a ramp is volts:seconds, as in 40:30,117:60");
            }
            double volts =
                    number(pair[0].replaceFirst("(?i)V$", ""), step, "a ramp is volts:seconds, as in 40:30,117:60");
            steps.add(new Ramp(volts, number(pair[1], step, "a ramp is volts:seconds, as in 40:30,117:60")));
        }
        return steps;
    }

    /**
     * Reads {@code 60W:40,60W+60W:40,bypass:60}: lamps in parallel and seconds.
     *
     * @throws InvalidEntry when a step is not lamps, colon, seconds
     */
    public static List<Lamps> lamps(String text) {
        String right = "a lamp step is lamps:seconds, as in 60W:40,60W+60W:40,bypass:60";
        List<Lamps> steps = new ArrayList<>();
        for (String step : text.split(",")) {
            String[] pair = step.split(":", -1);
            if (pair.length != 2) {
                throw wrong(step, right);
            }
            List<Double> watts = new ArrayList<>();
            if (!pair[0].strip().equalsIgnoreCase("bypass")) {
                for (String lamp : pair[0].split("\\+", -1)) {
                    double value = number(lamp.strip().replaceFirst("(?i)W$", ""), step, right);
                    if (!(value > 0)) {
                        throw wrong(step, "a lamp has watts above 0; write bypass for none");
                    }
                    watts.add(value);
                }
            }
            steps.add(new Lamps(watts, number(pair[1], step, right)));
        }
        return steps;
    }

    private static double number(String text, String step, String right) {
        try {
            double value = Double.parseDouble(text.strip());
            if (value >= 0 && value < 1e5) {
                return value;
            }
        } catch (NumberFormatException e) {
            throw wrong(step, right);
        }
        throw wrong(step, right);
    }

    private static InvalidEntry wrong(String step, String right) {
        return new InvalidEntry(InvalidEntry.Code.SYNTAX, "“" + step + "” is not a step: " + right + ".");
    }

    /** Line voltage at a time since switching on [V RMS]. */
    public double volts(double seconds) {
        double from = 0;
        double start = 0;
        for (Ramp step : ramp) {
            if (seconds < start + step.seconds()) {
                return from + (step.volts() - from) * (seconds - start) / step.seconds();
            }
            from = step.volts();
            start += step.seconds();
        }
        return from;
    }

    /** The lamps in series at that time; empty when bypassed. */
    public List<Double> lampsAt(double seconds) {
        double start = 0;
        List<Double> last = List.of();
        for (Lamps step : lamps) {
            last = step.watts();
            start += step.seconds();
            if (seconds < start) {
                return last;
            }
        }
        return last;
    }

    /** How long the whole schedule takes [s]. */
    public double seconds() {
        return Math.max(
                ramp.stream().mapToDouble(Ramp::seconds).sum(),
                lamps.stream().mapToDouble(Lamps::seconds).sum());
    }
}
