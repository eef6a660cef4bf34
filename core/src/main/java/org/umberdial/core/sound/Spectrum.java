package org.umberdial.core.sound;

import org.hipparchus.transform.DftNormalization;
import org.hipparchus.transform.FastFourierTransformer;
import org.hipparchus.transform.TransformType;

/** The discrete Fourier transform of a row of numbers, padded with nought to a power of two. */
final class Spectrum {
    private final double[][] bins;
    private final double hertz;

    /** @param hertz samples a second */
    Spectrum(double[] values, double hertz) {
        int length = Integer.highestOneBit(Math.max(1, values.length - 1)) << 1;
        bins = new double[2][length];
        System.arraycopy(values, 0, bins[0], 0, values.length);
        this.hertz = hertz;
        FastFourierTransformer.transformInPlace(bins, DftNormalization.STANDARD, TransformType.FORWARD);
    }

    /** How far apart two bins lie [Hz]. */
    double step() {
        return hertz / bins[0].length;
    }

    int bins() {
        return bins[0].length / 2;
    }

    double size(int bin) {
        return Math.hypot(bins[0][bin], bins[1][bin]);
    }

    /** Share of a frequency that passes [Hz to 0 … 1]. */
    interface Curve {
        double at(double hertz);
    }

    /**
     * The row of numbers behind a filter that shifts nothing in time, {@code count} of them; the spectrum is used up.
     */
    double[] filtered(Curve curve, int count) {
        int length = bins[0].length;
        for (int i = 0; i < length; i++) {
            double share = curve.at(Math.min(i, length - i) * step());
            bins[0][i] *= share;
            bins[1][i] *= share;
        }
        FastFourierTransformer.transformInPlace(bins, DftNormalization.STANDARD, TransformType.INVERSE);
        return java.util.Arrays.copyOf(bins[0], count);
    }
}
