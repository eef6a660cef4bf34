package org.umberdial.core.tuning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * How far what comes in is from what the dial shows, and what to turn.
 *
 * <p>The oscillator decides what comes in. At the low end the gang's own capacitance is large and the inductance (core)
 * or the series padder moves it; at the high end the gang is open and the small trimmer moves it. Off by the same share
 * everywhere is the pointer.
 *
 * @param points by what the dial showed, low to high
 * @param advice what to do, in order; empty when nothing is to be done
 * @param enough whether low, middle and high were read
 */
public record DialCheck(List<Point> points, List<String> advice, boolean enough) {
    /**
     * One point.
     *
     * @param dial what the dial showed [kHz]
     * @param actual what came in [kHz]
     * @param oscillator where the oscillator ran [kHz]
     * @param image what would come in as an image [kHz]
     */
    public record Point(double dial, double actual, double oscillator, double image) {
        /** How far too high what comes in is, a fraction; below 0 when too low. */
        public double off() {
            return actual / dial - 1;
        }
    }

    private static final double LOW_THIRD = 0.35;
    private static final double HIGH_THIRD = 0.65;

    public DialCheck {
        points = List.copyOf(points);
        advice = List.copyOf(advice);
    }

    /**
     * @param readings dial and actual [kHz], one of a dial point
     * @param apart how far a point may be off, a fraction
     */
    public static DialCheck of(Band band, List<double[]> readings, double apart) {
        List<Point> points = readings.stream()
                .map(r -> new Point(r[0], r[1], band.oscillator(r[1]), band.image(r[1])))
                .sorted(Comparator.comparingDouble(Point::dial))
                .toList();
        Optional<Point> low = extreme(points, band, true);
        Optional<Point> high = extreme(points, band, false);
        boolean middle = points.stream().anyMatch(p -> along(band, p) > LOW_THIRD && along(band, p) < HIGH_THIRD);
        List<String> advice = new ArrayList<>();
        if (low.isPresent() && high.isPresent()) {
            advise(band, low.get(), high.get(), points, apart, advice);
        }
        return new DialCheck(points, advice, low.isPresent() && high.isPresent() && middle);
    }

    private static double along(Band band, Point point) {
        return (point.dial - band.said().lowKilohertz())
                / (band.said().highKilohertz() - band.said().lowKilohertz());
    }

    private static Optional<Point> extreme(List<Point> points, Band band, boolean low) {
        return points.stream()
                .filter(p -> low ? along(band, p) <= LOW_THIRD : along(band, p) >= HIGH_THIRD)
                .min(Comparator.comparingDouble(p -> low ? p.dial : -p.dial));
    }

    private static void advise(
            Band band, Point low, Point high, List<Point> points, double apart, List<String> advice) {
        boolean lowOff = Math.abs(low.off()) > apart;
        boolean highOff = Math.abs(high.off()) > apart;
        boolean together = lowOff && highOff && Math.abs(low.off() - high.off()) <= apart;
        if (together) {
            advice.add(say(
                    "Both ends are off alike, %+.1f and %+.1f %%: move the pointer on its cord, "
                            + "with the gang closed on the scale’s end mark. Then read again.",
                    100 * low.off(), 100 * high.off()));
            return;
        }
        if (lowOff) {
            advice.add(low(band, low));
        }
        if (highOff) {
            advice.add(high(band, high));
        }
        if (lowOff || highOff) {
            advice.add("Each moves the other: go to and fro until both agree, and end at the high end.");
            return;
        }
        points.stream()
                .filter(p -> Math.abs(p.off()) > apart)
                .max(Comparator.comparingDouble(p -> Math.abs(p.off())))
                .ifPresent(p -> advice.add(say(
                        "The ends agree and %s kHz is off %+.1f %%: the gang’s end vanes, or another padder than it "
                                + "was made for. Bend vanes only where the sheet allows it.",
                        Band.plain(p.dial), 100 * p.off())));
    }

    private static String low(Band band, Point low) {
        boolean fast = low.off() > 0;
        return say(
                "At %s kHz what comes in is %+.1f %%: the %s runs too %s. Turn its core %s, or give the padder %s.",
                Band.plain(low.dial),
                100 * low.off(),
                circuit(band),
                fast ? "fast" : "slow",
                fast ? "in (more inductance)" : "out (less inductance)",
                fast ? "more" : "less");
    }

    private static String high(Band band, Point high) {
        boolean fast = high.off() > 0;
        return say(
                "At %s kHz what comes in is %+.1f %%: the %s runs too %s. Give its trimmer %s.",
                Band.plain(high.dial),
                100 * high.off(),
                circuit(band),
                fast ? "fast" : "slow",
                fast ? "more (turn it in)" : "less (turn it out)");
    }

    /** What comes in is higher when the oscillator runs faster, on whichever side of the signal it is. */
    private static String circuit(Band band) {
        return band.superhet() ? "oscillator" : "signal circuit";
    }

    private static String say(String words, Object... values) {
        return String.format(Locale.ROOT, words, values);
    }
}
