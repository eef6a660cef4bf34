package org.umberdial.core.sound;

/**
 * Lowers the rate of a complex signal: a low-pass by Kaiser's window, worked out only where it is kept. Pass band
 * within 0.02 dB, everything above the stop edge at least 60 dB down.
 */
final class Decimator {
    private static final double DOWN_DB = 60;
    private static final double BETA = 0.1102 * (DOWN_DB - 8.7);

    /** What comes out, one sample after another. */
    interface Sink {
        void take(double re, double im);
    }

    private final int factor;
    private final double[] taps;
    private final double[] re;
    private final double[] im;
    private int filled;

    /**
     * @param hertz rate that goes in
     * @param factor of whose samples one is kept
     * @param passHertz edge of what passes
     * @param stopHertz edge of what is stopped, above the pass edge
     */
    Decimator(double hertz, int factor, double passHertz, double stopHertz) {
        this.factor = factor;
        taps = lowPass(hertz, passHertz, stopHertz);
        re = new double[taps.length];
        im = new double[taps.length];
    }

    private static double[] lowPass(double hertz, double passHertz, double stopHertz) {
        double width = 2 * Math.PI * (stopHertz - passHertz) / hertz;
        int count = (int) Math.ceil((DOWN_DB - 8) / (2.285 * width)) | 1;
        double edge = (passHertz + stopHertz) / hertz;
        double[] taps = new double[count];
        double sum = 0;
        for (int i = 0; i < count; i++) {
            double x = i - (count - 1) / 2.0;
            double sinc = x == 0 ? edge : Math.sin(Math.PI * edge * x) / (Math.PI * x);
            double place = 2 * x / Math.max(1, count - 1);
            taps[i] = sinc * bessel(BETA * Math.sqrt(Math.max(0, 1 - place * place)));
            sum += taps[i];
        }
        for (int i = 0; i < count; i++) {
            taps[i] /= sum;
        }
        return taps;
    }

    /** Modified Bessel function of the first kind, order nought, by its series. */
    private static double bessel(double x) {
        double term = 1;
        double sum = 1;
        for (int k = 1; term > 1e-12 * sum; k++) {
            term *= x / (2 * k) * (x / (2 * k));
            sum += term;
        }
        return sum;
    }

    /** How many samples that go in lie before the middle of the first that comes out. */
    double delay() {
        return (taps.length - 1) / 2.0;
    }

    void take(double inRe, double inIm, Sink out) {
        re[filled] = inRe;
        im[filled] = inIm;
        filled++;
        if (filled == taps.length) {
            double sumRe = 0;
            double sumIm = 0;
            for (int i = 0; i < taps.length; i++) {
                sumRe += taps[i] * re[i];
                sumIm += taps[i] * im[i];
            }
            int drop = Math.min(factor, taps.length);
            System.arraycopy(re, drop, re, 0, taps.length - drop);
            System.arraycopy(im, drop, im, 0, taps.length - drop);
            filled -= drop;
            out.take(sumRe, sumIm);
        }
    }
}
