package org.umberdial.core.tuning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.value.InvalidEntry;

/**
 * The curve of a detector of frequency modulation: volts over the generator's frequency, nought in the middle and two
 * peaks beside it.
 *
 * @param points frequency [Hz] and volts, low to high
 * @param zero where it crosses nought between its peaks [Hz]; empty when it does not
 * @param low the peak below it
 * @param high the peak above it
 * @param unlike how much larger one peak is than the other, a fraction of the smaller; below 0 when the lower one is
 * @param says what is to be turned, in sentences
 * @param right whether it crosses where it should and both peaks are alike
 */
public record SCurve(
        List<Point> points,
        OptionalDouble zero,
        Point low,
        Point high,
        double unlike,
        List<String> says,
        boolean right) {
    /** @param hertz where it was read, @param volts against the middle of the detector */
    public record Point(double hertz, double volts) {}

    private static final int LEAST_POINTS = 7;
    /** Peaks are alike within this share. */
    private static final double ALIKE = 0.1;
    /** How far the crossing may be from where it should: a fifth of a station's swing [Hz]. */
    private static final double CENTRED_HERTZ = 20e3;
    /** What a station swings to each side [Hz]. */
    private static final double SWING_HERTZ = 75e3;

    public SCurve {
        points = List.copyOf(points);
        says = List.copyOf(says);
    }

    /**
     * @param readings hertz and volts, in any order
     * @param wanted where it should cross [Hz]
     * @throws InvalidEntry when they are too few, or do not go to both sides
     */
    public static SCurve of(List<double[]> readings, double wanted) {
        if (readings.size() < LEAST_POINTS) {
            throw new InvalidEntry(
                    InvalidEntry.Code.EMPTY,
                    "Read at least seven frequencies, from 200 kHz below to 200 kHz above; there are " + readings.size()
                            + ".");
        }
        List<Point> points = readings.stream()
                .map(r -> new Point(r[0], r[1]))
                .sorted(Comparator.comparingDouble(Point::hertz))
                .toList();
        Point most =
                points.stream().max(Comparator.comparingDouble(Point::volts)).orElseThrow();
        Point least =
                points.stream().min(Comparator.comparingDouble(Point::volts)).orElseThrow();
        Point low = most.hertz < least.hertz ? most : least;
        Point high = most.hertz < least.hertz ? least : most;
        if (!(most.volts > 0 && least.volts < 0)) {
            throw new InvalidEntry(
                    InvalidEntry.Code.OUT_OF_RANGE,
                    "All volts are on one side of nought: read against the middle of the two load resistors, and further"
                            + " to both sides.");
        }
        OptionalDouble zero = crossing(points, low, high);
        double unlike = Math.abs(high.volts) >= Math.abs(low.volts)
                ? Math.abs(high.volts) / Math.abs(low.volts) - 1
                : 1 - Math.abs(low.volts) / Math.abs(high.volts);
        List<String> says = new ArrayList<>();
        boolean centred = says(zero, wanted, says);
        boolean alike = Math.abs(unlike) <= ALIKE;
        if (!alike) {
            says.add(String.format(
                    Locale.ROOT,
                    "The %s peak is %.0f %% larger: touch up the primary at the larger peak until both are alike, then"
                            + " set nought again.",
                    unlike > 0 ? "upper" : "lower",
                    100 * Math.abs(unlike)));
        }
        boolean wide = high.hertz - low.hertz >= 2 * SWING_HERTZ;
        if (!wide) {
            says.add(String.format(
                    Locale.ROOT,
                    "The peaks are %.0f kHz apart; a station swings over 150 kHz: it will sound harsh.",
                    (high.hertz - low.hertz) / 1000));
        }
        stray(points, low, high).ifPresent(says::add);
        return new SCurve(points, zero, low, high, unlike, says, centred && alike && wide);
    }

    private static OptionalDouble crossing(List<Point> points, Point low, Point high) {
        for (int i = 1; i < points.size(); i++) {
            Point a = points.get(i - 1);
            Point b = points.get(i);
            if (a.hertz >= low.hertz && b.hertz <= high.hertz && a.volts * b.volts <= 0 && a.volts != b.volts) {
                return OptionalDouble.of(a.hertz + (b.hertz - a.hertz) * a.volts / (a.volts - b.volts));
            }
        }
        return OptionalDouble.empty();
    }

    private static boolean says(OptionalDouble zero, double wanted, List<String> says) {
        if (zero.isEmpty()) {
            says.add("It does not cross nought between its peaks: read more finely there.");
            return false;
        }
        double off = zero.getAsDouble() - wanted;
        if (Math.abs(off) <= CENTRED_HERTZ) {
            return true;
        }
        says.add(String.format(
                Locale.ROOT,
                "It crosses nought %.0f kHz too %s: turn the detector’s secondary until %.3f MHz reads nought.",
                Math.abs(off) / 1000,
                off > 0 ? "high" : "low",
                wanted / 1e6));
        return false;
    }

    /** Outside the peaks it comes back to nought; a core set there sounds and is wrong. */
    private static Optional<String> stray(List<Point> points, Point low, Point high) {
        boolean outside = false;
        for (int i = 1; i < points.size(); i++) {
            Point a = points.get(i - 1);
            Point b = points.get(i);
            outside |= a.volts * b.volts < 0 && (b.hertz <= low.hertz || a.hertz >= high.hertz);
        }
        return outside
                ? Optional.of("It crosses nought outside its peaks too: those are false, the middle one counts.")
                : Optional.empty();
    }
}
