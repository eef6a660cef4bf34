package org.umberdial.core.sound;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Random;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;

/**
 * Stands in for a player with a test record on it: the sound its tone would make. With nothing wrong and nothing beside
 * it, it is the tone itself.
 *
 * @param tone frequency of the tone at the right speed [Hz]
 * @param offPercent how much too fast it turns
 * @param driftPercent how much faster it is at the end than at the beginning
 * @param lines how its speed varies
 * @param noise of the surface, RMS against the tone's peak [dB]
 * @param hum at {@code humHertz}, against the tone [dB]
 * @param clicks how many there are
 * @param seed of noise and clicks
 */
public record SimulatedPlayer(
        double tone,
        double offPercent,
        double driftPercent,
        List<SpeedLine> lines,
        double noise,
        double hum,
        double humHertz,
        int clicks,
        long seed) {
    /** So far down that it is not there [dB]. */
    public static final double NONE = -200;

    private static final double PEAK = 0.4;
    private static final int CLICK_SAMPLES = 60;

    public SimulatedPlayer {
        lines = List.copyOf(lines);
    }

    /** The tone alone. */
    public static SimulatedPlayer tone(double hertz) {
        return new SimulatedPlayer(hertz, 0, 0, List.of(), NONE, NONE, 50, 0, 1);
    }

    /** The same player with its speed off and varied so. */
    public SimulatedPlayer turning(double percent, SpeedLine... varied) {
        return new SimulatedPlayer(tone, percent, driftPercent, List.of(varied), noise, hum, humHertz, clicks, seed);
    }

    /** @param rate samples a second, @param seconds how long */
    public Sound play(double rate, double seconds) {
        Random random = new Random(seed);
        int count = (int) (rate * seconds);
        float[] samples = new float[count];
        double phase = 0;
        for (int i = 0; i < count; i++) {
            double at = i / rate;
            double speed = (1 + offPercent / 100) * (1 + driftPercent / 100 * (at / seconds - 0.5));
            for (SpeedLine line : lines) {
                speed *= 1 + line.percent() / 100 * Math.cos(2 * Math.PI * line.hertz() * at + line.phase());
            }
            phase += 2 * Math.PI * tone * speed / rate;
            samples[i] = (float) (PEAK
                    * (Math.sin(phase)
                            + times(hum) * Math.sin(2 * Math.PI * humHertz * at)
                            + times(noise) * random.nextGaussian()));
        }
        for (int c = 0; c < clicks; c++) {
            int from = random.nextInt(Math.max(1, count - CLICK_SAMPLES));
            double size = random.nextBoolean() ? 0.9 : -0.9;
            for (int k = 0; k < CLICK_SAMPLES && from + k < count; k++) {
                samples[from + k] += (float) (size * Math.exp(-k / 15.0) * Math.cos(0.7 * k));
            }
        }
        return new Sound(rate, samples);
    }

    private static double times(double decibels) {
        return decibels <= NONE ? 0 : Math.pow(10, decibels / 20);
    }

    /** A sound as a WAV file of 16 bits; what is beyond full scale is cut. */
    public static byte[] wav(Sound sound) {
        byte[] bytes = new byte[2 * sound.samples().length];
        for (int i = 0; i < sound.samples().length; i++) {
            int value = Math.round(Math.max(-1, Math.min(1, sound.samples()[i])) * 32767);
            bytes[2 * i] = (byte) value;
            bytes[2 * i + 1] = (byte) (value >> 8);
        }
        AudioFormat format = new AudioFormat((float) sound.hertz(), 16, 1, true, false);
        try (AudioInputStream in =
                        new AudioInputStream(new ByteArrayInputStream(bytes), format, sound.samples().length);
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            AudioSystem.write(in, AudioFileFormat.Type.WAVE, out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
