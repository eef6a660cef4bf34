package org.umberdial.core.sound;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;
import org.umberdial.core.value.InvalidEntry;

class DistortionTest {
    private static final double RATE = 44_100;

    private static float[] sound(DoubleUnaryOperator at) {
        float[] samples = new float[(int) (3 * RATE)];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = (float) at.applyAsDouble(i / RATE);
        }
        return samples;
    }

    private static double sine(double hertz, double seconds) {
        return Math.sin(2 * Math.PI * hertz * seconds);
    }

    @Test
    void harmonicsAndHum_areReadApart() {
        Random noise = new Random(3);
        Distortion read = Distortion.of(
                sound(t -> 0.4 * sine(401.3, t)
                        + 0.4 * 0.03 * sine(2 * 401.3, t)
                        + 0.4 * 0.04 * sine(3 * 401.3, t)
                        + 0.4 * 0.02 * sine(100, t)
                        + 0.001 * noise.nextGaussian()),
                RATE,
                50);
        assertEquals(401.3, read.hertz(), 0.05);
        assertEquals(5, read.thdPercent(), 0.1);
        assertEquals(3, read.harmonics().get(0), 0.05);
        assertEquals(4, read.harmonics().get(1), 0.05);
        Distortion.HumLine hum =
                read.hum().stream().filter(h -> h.hertz() == 100).findFirst().orElseThrow();
        assertEquals(20 * Math.log10(0.02), hum.decibels(), 0.3);
        assertTrue(read.says().toString().contains("odd harmonics"), read.says().toString());
        assertTrue(read.says().toString().contains("100 Hz"), read.says().toString());
    }

    /** A sine cut on one side by a known function: its harmonics by Fourier’s sum over one period. */
    @Test
    void aCutSine_againstItsFourierSum() {
        DoubleUnaryOperator cut = v -> Math.min(v, 0.7);
        double[] sums = new double[11];
        for (int n = 1; n <= 10; n++) {
            double re = 0;
            double im = 0;
            for (int i = 0; i < 10_000; i++) {
                double angle = 2 * Math.PI * i / 10_000;
                re += cut.applyAsDouble(Math.sin(angle)) * Math.cos(n * angle);
                im += cut.applyAsDouble(Math.sin(angle)) * Math.sin(n * angle);
            }
            sums[n] = Math.hypot(re, im);
        }
        double rest = 0;
        for (int n = 2; n <= 10; n++) {
            rest += sums[n] * sums[n];
        }
        Distortion read = Distortion.of(sound(t -> 0.5 * cut.applyAsDouble(sine(1000, t))), RATE, 60);
        assertEquals(100 * Math.sqrt(rest) / sums[1], read.thdPercent(), 0.05);
        assertTrue(
                read.says().toString().contains("even harmonics"), read.says().toString());
    }

    @Test
    void whatIsNoSine_isRefusedInASentence() {
        Random noise = new Random(5);
        assertThrows(InvalidEntry.class, () -> Distortion.of(sound(t -> 0), RATE, 50));
        assertThrows(InvalidEntry.class, () -> Distortion.of(sound(t -> 0.3 * noise.nextGaussian()), RATE, 50));
        assertThrows(InvalidEntry.class, () -> Distortion.of(new float[2000], RATE, 50));
        InvalidEntry cut = assertThrows(
                InvalidEntry.class,
                () -> Distortion.of(sound(t -> Math.max(-1, Math.min(1, 1.6 * sine(400, t)))), RATE, 50));
        assertTrue(cut.getMessage().contains("recorder"), cut.getMessage());
    }
}
