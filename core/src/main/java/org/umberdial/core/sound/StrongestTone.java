package org.umberdial.core.sound;

import java.util.Optional;

/** Finds the tone in a sound when there is one. */
final class StrongestTone {
    private static final double LOWEST = 300;
    private static final double HIGHEST = 8000;
    /** Of the sound above rumble, within three in a hundred of the strongest line. */
    private static final double SHARE = 0.5;

    private static final double BESIDE = 0.03;

    private StrongestTone() {}

    /** Its frequency [Hz], to a few; empty when nothing stands out. */
    static Optional<Double> of(float[] samples, double hertz) {
        if (samples.length < hertz / 4) {
            return Optional.empty();
        }
        double[] windowed = new double[samples.length];
        for (int i = 0; i < samples.length; i++) {
            windowed[i] = samples[i] * (0.5 - 0.5 * Math.cos(2 * Math.PI * i / samples.length));
        }
        Spectrum spectrum = new Spectrum(windowed, hertz);
        int best = 0;
        double total = 0;
        for (int i = (int) (LOWEST / spectrum.step()); i < spectrum.bins(); i++) {
            double size = spectrum.size(i);
            total += size * size;
            if (i * spectrum.step() <= HIGHEST && (best == 0 || size > spectrum.size(best))) {
                best = i;
            }
        }
        double near = 0;
        for (int i = (int) (best * (1 - BESIDE)); i <= Math.min(spectrum.bins() - 1, best * (1 + BESIDE)); i++) {
            near += spectrum.size(i) * spectrum.size(i);
        }
        return total > 0 && near >= SHARE * total ? Optional.of(best * spectrum.step()) : Optional.empty();
    }
}
