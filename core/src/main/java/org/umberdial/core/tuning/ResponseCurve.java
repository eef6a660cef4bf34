package org.umberdial.core.tuning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.value.InvalidEntry;

/**
 * What passes a tuned circuit, a can or a whole chain, read point by point over frequency.
 *
 * <p>Read either as what comes out at one level of the generator, or as the level that the generator needs for one and
 * the same reading. The second is right under automatic volume control too, which makes the first flat.
 *
 * @param points by frequency, low to high
 * @param centre middle of the half-power points, else the peak [Hz]
 * @param width between the half-power points [Hz]; empty where the readings do not reach them
 * @param humps how many peaks stand out
 * @param tilt how far the higher of two humps is above the other, a fraction of it; 0 for one
 * @param says what it means, in sentences
 */
public record ResponseCurve(
        List<Point> points,
        double centre,
        OptionalDouble width,
        OptionalDouble sixDecibels,
        int humps,
        double tilt,
        List<String> says) {
    /** @param hertz where it was read, @param level relative to the highest, 0 to 1 */
    public record Point(double hertz, double level) {}

    /** How it was read. */
    public enum Read {
        /** What comes out at one level of the generator. */
        OUTPUT,
        /** The generator's level for the same reading. */
        LEVEL
    }

    private static final int LEAST_POINTS = 5;
    private static final double HALF_POWER = Math.sqrt(0.5);
    private static final double HALF = 0.5;
    /** What separates two humps from the noise of reading. */
    private static final double DIP = 0.03;
    /** From here on two humps are unlike. */
    private static final double UNLIKE = 0.1;

    public ResponseCurve {
        points = List.copyOf(points);
        says = List.copyOf(says);
    }

    /** Q of the whole, centre over width. */
    public OptionalDouble quality() {
        return width.isPresent() ? OptionalDouble.of(centre / width.getAsDouble()) : OptionalDouble.empty();
    }

    /**
     * @param readings hertz and what was read there, above 0, in any order
     * @throws InvalidEntry when they are too few, or none is a peak
     */
    public static ResponseCurve of(List<double[]> readings, Read read) {
        if (readings.size() < LEAST_POINTS) {
            throw new InvalidEntry(
                    InvalidEntry.Code.EMPTY,
                    "Read at least five frequencies, two to each side of the peak; there are " + readings.size() + ".");
        }
        List<double[]> sorted =
                readings.stream().sorted(Comparator.comparingDouble(r -> r[0])).toList();
        for (int i = 0; i < sorted.size(); i++) {
            if (!(sorted.get(i)[0] > 0 && sorted.get(i)[1] > 0) || i > 0 && sorted.get(i)[0] == sorted.get(i - 1)[0]) {
                throw new InvalidEntry(
                        InvalidEntry.Code.OUT_OF_RANGE,
                        "Each frequency once, with a reading above 0: see " + plain(sorted.get(i)[0] / 1000) + " kHz.");
            }
        }
        double best = sorted.stream()
                .mapToDouble(r -> read == Read.OUTPUT ? r[1] : 1 / r[1])
                .max()
                .orElseThrow();
        List<Point> points = sorted.stream()
                .map(r -> new Point(r[0], (read == Read.OUTPUT ? r[1] : 1 / r[1]) / best))
                .toList();
        return shaped(points);
    }

    private static ResponseCurve shaped(List<Point> points) {
        int top = top(points);
        List<Integer> humps = humps(points);
        int first = humps.isEmpty() ? top : humps.get(0);
        int last = humps.isEmpty() ? top : humps.get(humps.size() - 1);
        OptionalDouble low = crossing(points, first, -1, HALF_POWER);
        OptionalDouble high = crossing(points, last, 1, HALF_POWER);
        OptionalDouble lower = crossing(points, first, -1, HALF);
        OptionalDouble upper = crossing(points, last, 1, HALF);
        boolean both = low.isPresent() && high.isPresent();
        double centre = both ? (low.getAsDouble() + high.getAsDouble()) / 2 : peak(points, top);
        double tilt = humps.size() < 2 ? 0 : Math.abs(points.get(first).level / points.get(last).level - 1);
        List<String> says = new ArrayList<>();
        if (!both) {
            says.add("The readings do not reach 70 % of the peak on both sides: width and centre are not known; read"
                    + " further out.");
        }
        if (humps.size() > 1) {
            says.add(
                    tilt > UNLIKE
                            ? "Two humps, one higher than the other: over-coupled and not tuned to the middle; damp one"
                                    + " winding while the other is peaked."
                            : "Two humps alike: over-coupled, as wide cans are meant to be.");
        } else if (both) {
            double below = centre - low.getAsDouble();
            double peak = peak(points, top);
            if (Math.abs(peak - centre) > 0.25 * below) {
                says.add("It leans to one side: one circuit of it is off.");
            }
        }
        return new ResponseCurve(
                points,
                centre,
                both ? OptionalDouble.of(high.getAsDouble() - low.getAsDouble()) : OptionalDouble.empty(),
                lower.isPresent() && upper.isPresent()
                        ? OptionalDouble.of(upper.getAsDouble() - lower.getAsDouble())
                        : OptionalDouble.empty(),
                Math.max(1, humps.size()),
                tilt,
                says);
    }

    private static int top(List<Point> points) {
        int top = 0;
        for (int i = 1; i < points.size(); i++) {
            if (points.get(i).level > points.get(top).level) {
                top = i;
            }
        }
        return top;
    }

    /** Peaks with a dip between them that is no error of reading. */
    private static List<Integer> humps(List<Point> points) {
        List<Integer> humps = new ArrayList<>();
        int best = 0;
        double least = 1;
        for (int i = 0; i < points.size(); i++) {
            double level = points.get(i).level;
            boolean peak = (i == 0 || level >= points.get(i - 1).level)
                    && (i == points.size() - 1 || level > points.get(i + 1).level);
            least = Math.min(least, level);
            if (!peak || level < HALF) {
                continue;
            }
            if (humps.isEmpty() || least < Math.min(level, points.get(best).level) * (1 - DIP)) {
                humps.add(i);
                best = i;
            } else if (level > points.get(best).level) {
                humps.set(humps.size() - 1, i);
                best = i;
            }
            least = level;
        }
        return humps;
    }

    /** Where it crosses a level going out from a place, between two readings [Hz]. */
    private static OptionalDouble crossing(List<Point> points, int from, int step, double level) {
        for (int i = from; i + step >= 0 && i + step < points.size(); i += step) {
            Point in = points.get(i);
            Point out = points.get(i + step);
            if (in.level >= level && out.level < level) {
                return OptionalDouble.of(
                        in.hertz + (out.hertz - in.hertz) * (in.level - level) / (in.level - out.level));
            }
        }
        return OptionalDouble.empty();
    }

    /** The top of a parabola through the highest reading and its neighbours [Hz]. */
    private static double peak(List<Point> points, int top) {
        if (top == 0 || top == points.size() - 1) {
            return points.get(top).hertz;
        }
        Point a = points.get(top - 1);
        Point b = points.get(top);
        Point c = points.get(top + 1);
        double ab = b.hertz - a.hertz;
        double bc = c.hertz - b.hertz;
        double up = ab * ab * (b.level - c.level) - bc * bc * (b.level - a.level);
        double down = ab * (b.level - c.level) + bc * (b.level - a.level);
        return down == 0 ? b.hertz : b.hertz - up / (2 * down);
    }

    /** How far down a frequency is from the peak [dB], between readings; empty outside them. */
    public Optional<Double> decibels(double hertz) {
        for (int i = 1; i < points.size(); i++) {
            Point a = points.get(i - 1);
            Point b = points.get(i);
            if (hertz >= a.hertz && hertz <= b.hertz) {
                double level = a.level + (b.level - a.level) * (hertz - a.hertz) / (b.hertz - a.hertz);
                return Optional.of(20 * Math.log10(level));
            }
        }
        return Optional.empty();
    }

    private static String plain(double value) {
        return String.format(Locale.ROOT, "%.1f", value);
    }
}
