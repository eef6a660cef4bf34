package org.umberdial.core.sound;

import java.util.Arrays;
import java.util.Optional;

/**
 * The frequency of a followed tone, sample by sample, with clicks taken out of it.
 *
 * <p>A click shows as a jerk of frequency or of size. Across it the frequency is drawn straight from before to after,
 * and then the tone must come out where it was going: a groove that was left comes out anywhere.
 */
final class Followed {
    /** Frequencies on either side of a click by which it is bridged. */
    private static final int SHOULDER = 24;
    /** A jerk of frequency less than this share of the tone is left in: it may be the motor. */
    private static final double LEAST_JERK = 0.02;

    private static final double JERKS = 6 * 1.48;
    private static final double QUIETEST = 0.4;
    private static final double LOUDEST = 2;
    /** How far a click is smeared by the low-pass, either way [s]. */
    private static final double SMEAR = 0.004;

    private final double tone;
    private final double hertz;
    private final double start;
    private final double[] frequency;
    private final boolean[] bad;
    private final double[] steps;
    private int clicks;

    private Followed(double tone, double hertz, double start, double[] frequency, double[] steps, boolean[] bad) {
        this.tone = tone;
        this.hertz = hertz;
        this.start = start;
        this.frequency = frequency;
        this.steps = steps;
        this.bad = bad;
    }

    /** @param from where in the sound it is to begin [s], @param to where it is to end */
    static Followed of(ToneTracker heard, double from, double to) {
        double rate = heard.outHertz();
        double[] re = heard.re();
        double[] im = heard.im();
        int first = (int) Math.max(0, Math.ceil((from - heard.delay()) * rate));
        int last = (int) Math.min(re.length - 1, (to - heard.delay()) * rate);
        int count = Math.max(0, last - first);
        double[] steps = new double[count];
        double[] frequency = new double[count];
        double[] sizes = new double[count];
        for (int i = 0; i < count; i++) {
            int a = first + i;
            steps[i] = Math.atan2(im[a + 1] * re[a] - re[a + 1] * im[a], re[a + 1] * re[a] + im[a + 1] * im[a]);
            frequency[i] = heard.tone() + steps[i] * rate / (2 * Math.PI);
            sizes[i] = Math.hypot(re[a], im[a]);
        }
        Followed followed = new Followed(
                heard.tone(), rate, heard.delay() + first / rate, frequency, steps, jerks(frequency, sizes, heard));
        followed.bridge();
        return followed;
    }

    private static boolean[] jerks(double[] frequency, double[] sizes, ToneTracker heard) {
        int count = frequency.length;
        boolean[] bad = new boolean[count];
        if (count == 0) {
            return bad;
        }
        double middle = median(frequency);
        double[] off = new double[count];
        for (int i = 0; i < count; i++) {
            off[i] = Math.abs(frequency[i] - middle);
        }
        double jerk = Math.max(LEAST_JERK * heard.tone(), JERKS * median(off));
        double usual = median(sizes);
        int smear = (int) Math.ceil(SMEAR * heard.outHertz());
        for (int i = 0; i < count; i++) {
            if (off[i] > jerk || sizes[i] < QUIETEST * usual || sizes[i] > LOUDEST * usual) {
                Arrays.fill(bad, Math.max(0, i - smear), Math.min(count, i + smear + 1), true);
            }
        }
        return bad;
    }

    private static double median(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }

    private void bridge() {
        for (int i = 0; i < bad.length; i++) {
            if (bad[i]) {
                int end = i;
                while (end < bad.length && bad[end]) {
                    end++;
                }
                clicks++;
                double before = shoulder(i - 1, -1);
                double after = shoulder(end, 1);
                before = Double.isNaN(before) ? after : before;
                after = Double.isNaN(after) ? before : after;
                for (int k = i; k < end; k++) {
                    frequency[k] = before + (after - before) * (k - i + 1) / (end - i + 1);
                }
                i = end;
            }
        }
    }

    /** Mean frequency beside a click; not a number where there is nothing. */
    private double shoulder(int from, int way) {
        double sum = 0;
        int count = 0;
        for (int k = from; k >= 0 && k < bad.length && count < SHOULDER && !bad[k]; k += way) {
            sum += frequency[k];
            count++;
        }
        return sum / count;
    }

    /** Where the tone came out of a click elsewhere than it was going by more than this [rad]; in the sound [s]. */
    Optional<Double> jump(double samePlace) {
        for (int i = 1; i < bad.length; i++) {
            if (bad[i] && !bad[i - 1]) {
                int end = i;
                double off = 0;
                while (end < bad.length && bad[end]) {
                    off += steps[end] - (frequency[end] - tone) * 2 * Math.PI / hertz;
                    end++;
                }
                if (end < bad.length && Math.abs(Math.IEEEremainder(off, 2 * Math.PI)) > samePlace) {
                    return Optional.of(start + i / hertz);
                }
                i = end;
            }
        }
        return Optional.empty();
    }

    /** Share of the time that clicks took. */
    double clicked() {
        int count = 0;
        for (boolean one : bad) {
            count += one ? 1 : 0;
        }
        return bad.length == 0 ? 0 : count / (double) bad.length;
    }

    int clicks() {
        return clicks;
    }

    double hertz() {
        return hertz;
    }

    /** Where in the sound the first sample lies [s]. */
    double start() {
        return start;
    }

    double[] frequency() {
        return frequency;
    }
}
