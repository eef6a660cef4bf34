package org.umberdial.core.sound;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/** Takes the course of a frequency apart: mean, drift, wow and flutter, and the lines that make them. */
final class Variation {
    private static final double SLOWEST_HERTZ = 0.2;
    /** The edge of what is heard lies a little above, so that a line on it is whole. */
    private static final double QUICKEST_HERTZ = 1.05 * ToneTracker.FLUTTER_HERTZ;

    /** Settling of the pointer, and what the filter's ends falsify, is left out at either end [s]. */
    private static final double ENDS = 1;
    /** How far the mirrored ends reach [s]. */
    private static final double SEAM = 4;

    /** Slower swings lean a straight line [Hz]. */
    private static final double SLOW_HERTZ = 2;

    private static final int MOST_LINES = 12;
    /** Nobody hears or mends less [%]. */
    private static final double LEAST_LINE = 0.004;
    /** How far a line stands out of what is around it. */
    private static final double STANDS_OUT = 4;
    /** Turns within the sound from which a line can be told from drift. */
    private static final double LEAST_TURNS = 2.5;

    private static final double[] CALIBRATED =
            Arrays.stream(Weighting.points()).map(QuasiPeak::steady).toArray();

    private Variation() {}

    static ToneSpeed of(double tone, Followed followed) {
        double[] frequency = followed.frequency();
        double rate = followed.hertz();
        double mean = Arrays.stream(frequency).average().orElse(tone);
        double[] off = new double[frequency.length];
        for (int i = 0; i < off.length; i++) {
            off[i] = 100 * (frequency[i] / mean - 1);
        }
        double[] trace = trace(off, rate);
        double drift = straighten(off);
        drift += straighten(off, lines(off, rate), rate);
        return new ToneSpeed(
                tone,
                mean,
                drift,
                weighted(off, rate),
                rms(off, rate),
                lines(off, rate),
                followed.start(),
                off.length / rate,
                followed.clicks(),
                trace);
    }

    private static double[] trace(double[] off, double rate) {
        int count = (int) (off.length / rate * ToneSpeed.TRACE_HERTZ);
        double[] trace = new double[count];
        for (int i = 0; i < count; i++) {
            int a = (int) (i * rate / ToneSpeed.TRACE_HERTZ);
            int b = (int) ((i + 1) * rate / ToneSpeed.TRACE_HERTZ);
            for (int k = a; k < b; k++) {
                trace[i] += off[k] / (b - a);
            }
        }
        return trace;
    }

    /**
     * Takes out the rest of the straight line that a slow swing hid: one that is not whole within the sound leans. What
     * it rises from end to end.
     */
    private static double straighten(double[] off, List<SpeedLine> lines, double rate) {
        double[] calm = off.clone();
        for (SpeedLine line : lines) {
            if (line.hertz() < SLOW_HERTZ) {
                for (int i = 0; i < calm.length; i++) {
                    calm[i] -= line.percent() * Math.cos(2 * Math.PI * line.hertz() * i / rate + line.phase());
                }
            }
        }
        double[] before = calm.clone();
        double rise = straighten(calm);
        for (int i = 0; i < off.length; i++) {
            off[i] -= before[i] - calm[i];
        }
        return rise;
    }

    /** Takes the straight line out of it; what that line rises from end to end. */
    private static double straighten(double[] off) {
        int count = off.length;
        double middle = (count - 1) / 2.0;
        double mean = Arrays.stream(off).average().orElse(0);
        double moment = 0;
        double weight = 0;
        for (int i = 0; i < count; i++) {
            moment += (i - middle) * off[i];
            weight += (i - middle) * (i - middle);
        }
        double slope = weight > 0 ? moment / weight : 0;
        for (int i = 0; i < count; i++) {
            off[i] -= mean + slope * (i - middle);
        }
        return slope * (count - 1);
    }

    /** A step of frequency is a mean over its time, which flattens what is quick. */
    private static double sharpen(double hertz, double rate) {
        double x = Math.PI * hertz / rate;
        return x == 0 ? 1 : x / Math.sin(x);
    }

    private static double weighted(double[] off, double rate) {
        double[] heard = mirrored(off, (int) (SEAM * rate));
        double[] weighed = new Spectrum(heard, rate)
                .filtered(
                        f -> f > QUICKEST_HERTZ ? 0 : Weighting.at(f) * sharpen(f, rate) / calibrated(f), heard.length);
        QuasiPeak pointer = new QuasiPeak(rate);
        int begin = (int) (SEAM * rate);
        int ends = (int) (ENDS * rate);
        double[] shown = new double[Math.max(1, off.length - 2 * ends)];
        for (int i = 0; i < begin + off.length - ends; i++) {
            double stands = pointer.take(weighed[i]);
            int at = i - begin - ends;
            if (at >= 0 && at < shown.length) {
                shown[at] = stands;
            }
        }
        return QuasiPeak.under(shown);
    }

    /**
     * With its ends mirrored and faded out, so that nothing at a seam rings in the filter. Turned over at a point they
     * would make a step of nought frequency, which a filter's lower edge spreads over all of it.
     */
    private static double[] mirrored(double[] off, int by) {
        int ends = Math.min(by, off.length - 1);
        double[] longer = new double[off.length + 2 * by];
        System.arraycopy(off, 0, longer, by, off.length);
        for (int i = 1; i <= ends; i++) {
            double fade = 0.5 + 0.5 * Math.cos(Math.PI * i / ends);
            longer[by - i] = fade * off[i];
            longer[by + off.length - 1 + i] = fade * off[off.length - 1 - i];
        }
        return longer;
    }

    private static double calibrated(double hertz) {
        double[] points = Weighting.points();
        int above = 1;
        while (above < points.length - 1 && points[above] < hertz) {
            above++;
        }
        double along = Math.log(Math.max(points[0], Math.min(hertz, points[points.length - 1])) / points[above - 1])
                / Math.log(points[above] / points[above - 1]);
        return CALIBRATED[above - 1] + along * (CALIBRATED[above] - CALIBRATED[above - 1]);
    }

    private static double rms(double[] off, double rate) {
        double[] heard = mirrored(off, (int) (SEAM * rate));
        double[] band = new Spectrum(heard, rate)
                .filtered(f -> f < SLOWEST_HERTZ || f > QUICKEST_HERTZ ? 0 : sharpen(f, rate), heard.length);
        int begin = (int) (SEAM * rate);
        double sum = 0;
        for (int i = begin; i < begin + off.length; i++) {
            sum += band[i] * band[i];
        }
        return Math.sqrt(sum / Math.max(1, off.length));
    }

    private static List<SpeedLine> lines(double[] off, double rate) {
        double[] windowed = new double[off.length];
        double weight = 0;
        for (int i = 0; i < off.length; i++) {
            double window = 0.5 - 0.5 * Math.cos(2 * Math.PI * (i + 0.5) / off.length);
            windowed[i] = off[i] * window;
            weight += window;
        }
        Spectrum spectrum = new Spectrum(windowed, rate);
        int last = (int) Math.min(spectrum.bins() - 2, QUICKEST_HERTZ / spectrum.step());
        int first = (int) Math.ceil(Math.max(SLOWEST_HERTZ, LEAST_TURNS * rate / off.length) / spectrum.step());
        double[] sizes = new double[last + 2];
        for (int i = 0; i < sizes.length; i++) {
            sizes[i] = 2 * spectrum.size(i) / weight;
        }
        int lobe = (int) Math.ceil(4 * rate / off.length / spectrum.step());
        List<SpeedLine> lines = new ArrayList<>();
        for (int i = Math.max(2, first); i <= last; i++) {
            if (sizes[i] >= LEAST_LINE
                    && sizes[i] >= sizes[i - 1]
                    && sizes[i] > sizes[i + 1]
                    && standsOut(sizes, i, lobe)) {
                lines.add(line(windowed, weight, rate, peak(sizes, i) * spectrum.step()));
            }
        }
        lines.sort(Comparator.comparingDouble(SpeedLine::percent).reversed());
        return List.copyOf(lines.subList(0, Math.min(MOST_LINES, lines.size())));
    }

    /** Whether a bin is the largest of its own lobe and well above the floor on both sides of it. */
    private static boolean standsOut(double[] sizes, int at, int lobe) {
        for (int i = Math.max(0, at - lobe); i <= Math.min(sizes.length - 1, at + lobe); i++) {
            if (sizes[i] > sizes[at]) {
                return false;
            }
        }
        int reach = 6 * lobe;
        double[] around = new double[2 * (reach - lobe)];
        int count = 0;
        for (int i = lobe + 1; i <= reach; i++) {
            if (at - i > 0) {
                around[count++] = sizes[at - i];
            }
            if (at + i < sizes.length) {
                around[count++] = sizes[at + i];
            }
        }
        Arrays.sort(around, 0, count);
        return count == 0 || sizes[at] >= STANDS_OUT * around[count / 2];
    }

    /** Where between the bins the top lies, by a parabola through the logarithms. */
    private static double peak(double[] sizes, int at) {
        double left = Math.log(Math.max(sizes[at - 1], 1e-12));
        double middle = Math.log(sizes[at]);
        double right = Math.log(Math.max(sizes[at + 1], 1e-12));
        double bend = left - 2 * middle + right;
        return at + (bend == 0 ? 0 : 0.5 * (left - right) / bend);
    }

    private static SpeedLine line(double[] windowed, double weight, double rate, double hertz) {
        double re = 0;
        double im = 0;
        for (int i = 0; i < windowed.length; i++) {
            double angle = 2 * Math.PI * hertz * i / rate;
            re += windowed[i] * Math.cos(angle);
            im -= windowed[i] * Math.sin(angle);
        }
        return new SpeedLine(hertz, 2 * Math.hypot(re, im) / weight * sharpen(hertz, rate), Math.atan2(im, re));
    }
}
