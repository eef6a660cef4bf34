package org.umberdial.core.sound;

import java.util.Arrays;

/**
 * Follows a tone through sound that comes in pieces. What is within a sixth of its nominal frequency, flutter up to
 * {@value #FLUTTER_HERTZ} Hz included, is kept; hum, rumble and harmonics are not.
 */
public final class ToneTracker {
    /** The fastest flutter that is kept [Hz]; no standard weighs more. */
    static final int FLUTTER_HERTZ = 200;
    /** A speed further off is a wrong speed, not a bad one. */
    static final double WIDEST = 0.16;

    private static final int FIRST_HERTZ = 8000;
    /** Blocks by which it is judged whether the tone is there at all [1/s]. */
    static final int BLOCKS = 10;
    /** Hum and rumble below this do not count against the tone [Hz]. */
    private static final double RUMBLE_HERTZ = 300;

    private static final int KEPT_RAW = 1 << 16;

    private final double hertz;
    private final double tone;
    private final double firstPass;
    private final double stop;
    private final Decimator first;
    private final Decimator second;
    private final double outHertz;
    private final double delay;
    private final RumbleFilter rumble;
    private final Growing re = new Growing();
    private final Growing im = new Growing();
    private final Growing power = new Growing();
    private final float[] raw = new float[KEPT_RAW];
    private double mixRe = 1;
    private double mixIm;
    private double blockPower;
    private int inBlock;
    private long taken;

    /**
     * @param hertz samples a second
     * @param toneHertz nominal frequency of the tone, 800 to 5000 Hz and below a third of the rate
     */
    public ToneTracker(double hertz, double toneHertz) {
        this.hertz = hertz;
        tone = toneHertz;
        double pass = WIDEST * toneHertz + FLUTTER_HERTZ;
        stop = pass + Math.max(FLUTTER_HERTZ, 0.1 * toneHertz);
        int by = Math.max(1, (int) (hertz / FIRST_HERTZ));
        double between = hertz / by;
        int then = Math.max(1, (int) (between / (2.5 * stop)));
        firstPass = pass;
        first = new Decimator(hertz, by, pass, Math.max(between - stop, stop + 1));
        second = new Decimator(between, then, firstPass, stop);
        outHertz = between / then;
        delay = (first.delay() + second.delay() * by) / hertz;
        rumble = new RumbleFilter(hertz);
    }

    public double tone() {
        return tone;
    }

    /** Samples a second of what is kept of the tone. */
    double outHertz() {
        return outHertz;
    }

    /** How long after the first sample the first kept one lies [s]. */
    double delay() {
        return delay;
    }

    /** How much sound was taken [s]. */
    public double seconds() {
        return taken / hertz;
    }

    public void take(float[] samples) {
        take(samples, samples.length);
    }

    /** Takes the first {@code count} samples. */
    public void take(float[] samples, int count) {
        double turnRe = Math.cos(2 * Math.PI * tone / hertz);
        double turnIm = -Math.sin(2 * Math.PI * tone / hertz);
        int blockLength = (int) (hertz / BLOCKS);
        for (int i = 0; i < count; i++) {
            double x = samples[i];
            raw[(int) (taken & KEPT_RAW - 1)] = samples[i];
            taken++;
            double above = rumble.take(x);
            blockPower += above * above;
            if (++inBlock == blockLength) {
                power.add(blockPower / blockLength);
                blockPower = 0;
                inBlock = 0;
            }
            first.take(x * mixRe, x * mixIm, this::between);
            double next = mixRe * turnRe - mixIm * turnIm;
            mixIm = mixRe * turnIm + mixIm * turnRe;
            mixRe = next;
        }
        // Turning by steps lets the length creep; it is set right before that shows.
        double length = Math.hypot(mixRe, mixIm);
        mixRe /= length;
        mixIm /= length;
    }

    private void between(double a, double b) {
        second.take(a, b, this::keep);
    }

    private void keep(double a, double b) {
        re.add(a);
        im.add(b);
    }

    /** What was followed so far: the tone as a turning arrow, sample by sample. */
    double[] re() {
        return re.all();
    }

    double[] im() {
        return im.all();
    }

    /** Mean square of the sound above rumble, block by block. */
    double[] power() {
        return power.all();
    }

    /** The sound taken last, up to a second and a half of it. */
    float[] last() {
        int count = (int) Math.min(taken, KEPT_RAW);
        float[] last = new float[count];
        for (int i = 0; i < count; i++) {
            last[i] = raw[(int) (taken - count + i & KEPT_RAW - 1)];
        }
        return last;
    }

    double hertz() {
        return hertz;
    }

    /** A high-pass of the second order, Butterworth. */
    private static final class RumbleFilter {
        private final double b0;
        private final double a1;
        private final double a2;
        private double x1;
        private double x2;
        private double y1;
        private double y2;

        RumbleFilter(double hertz) {
            double k = Math.tan(Math.PI * RUMBLE_HERTZ / hertz);
            double norm = 1 / (1 + Math.sqrt(2) * k + k * k);
            b0 = norm;
            a1 = 2 * (k * k - 1) * norm;
            a2 = (1 - Math.sqrt(2) * k + k * k) * norm;
        }

        double take(double x) {
            double y = b0 * (x - 2 * x1 + x2) - a1 * y1 - a2 * y2;
            x2 = x1;
            x1 = x;
            y2 = y1;
            y1 = y;
            return y;
        }
    }

    /** A row of numbers that grows. */
    private static final class Growing {
        private double[] values = new double[4096];
        private int count;

        void add(double value) {
            if (count == values.length) {
                values = Arrays.copyOf(values, 2 * count);
            }
            values[count++] = value;
        }

        double[] all() {
            return Arrays.copyOf(values, count);
        }
    }
}
