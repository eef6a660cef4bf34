package org.umberdial.core.sound;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.Arrays;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.UnsupportedAudioFileException;
import org.umberdial.core.value.InvalidEntry;

/**
 * Reads sound from a file. WAV is read by the platform; whatever else a decoder on the class path knows (FLAC, where
 * the application runs) is read as well.
 */
public final class SoundFile {
    /** Longer than a record's side is nobody's test tone. */
    private static final int MOST_SECONDS = 30 * 60;

    private static final int LEAST_HERTZ = 8000;
    private static final int MOST_HERTZ = 200_000;
    private static final int LOOK_AHEAD = 1 << 16;
    /** A channel this much quieter than the other holds nothing of its own. */
    private static final double DEAD = 0.05;

    private SoundFile() {}

    /**
     * The sound of a file; two channels are added, so that a record cut sideways is heard with half its noise, unless
     * one of them is dead or they cancel.
     *
     * @throws InvalidEntry when it is no sound that can be read, with what would be
     */
    public static Sound read(InputStream in) {
        try (AudioInputStream whole = AudioSystem.getAudioInputStream(new BufferedInputStream(in, LOOK_AHEAD))) {
            AudioFormat format = whole.getFormat();
            float hertz = format.getSampleRate();
            int channels = format.getChannels();
            if (!(hertz >= LEAST_HERTZ && hertz <= MOST_HERTZ) || channels < 1) {
                throw unreadable();
            }
            try (AudioInputStream plain = plain(whole)) {
                return new Sound(hertz, mixed(plain, channels, (long) (hertz * MOST_SECONDS)));
            }
        } catch (UnsupportedAudioFileException | IllegalArgumentException | IOException notSound) {
            throw unreadable();
        }
    }

    /** In two steps, since a decoder keeps the size of its samples. */
    private static AudioInputStream plain(AudioInputStream any) {
        AudioFormat format = any.getFormat();
        int channels = format.getChannels();
        float hertz = format.getSampleRate();
        AudioInputStream decoded = any;
        if (!format.getEncoding().toString().startsWith("PCM")) {
            int bits = format.getSampleSizeInBits() > 0 ? format.getSampleSizeInBits() : 16;
            decoded = AudioSystem.getAudioInputStream(new AudioFormat(hertz, bits, channels, true, false), any);
        }
        AudioFormat wanted = new AudioFormat(hertz, 16, channels, true, false);
        return decoded.getFormat().matches(wanted) ? decoded : AudioSystem.getAudioInputStream(wanted, decoded);
    }

    private static InvalidEntry unreadable() {
        return new InvalidEntry(
                        InvalidEntry.Code.SYNTAX,
                        "This file is no sound that can be read here: choose a WAV or FLAC file with 8 to 192 kHz.")
                .at("file");
    }

    private static float[] mixed(InputStream in, int channels, long most) throws IOException {
        float[][] each = new float[channels][LOOK_AHEAD];
        byte[] block = new byte[2 * channels * 4096];
        int count = 0;
        for (int got = in.readNBytes(block, 0, block.length); got > 0; got = in.readNBytes(block, 0, block.length)) {
            int frames = got / (2 * channels);
            if (count + frames > most) {
                throw new InvalidEntry(
                                InvalidEntry.Code.OUT_OF_RANGE,
                                "This sound is longer than half an hour; a minute of the tone is enough.")
                        .at("file");
            }
            for (int f = 0; f < frames; f++) {
                for (int c = 0; c < channels; c++) {
                    int at = 2 * (f * channels + c);
                    if (count + f == each[c].length) {
                        each[c] = Arrays.copyOf(each[c], 2 * each[c].length);
                    }
                    each[c][count + f] = (short) (block[at] & 0xff | block[at + 1] << 8) / 32768f;
                }
            }
            count += frames;
        }
        return oneOf(each, count);
    }

    private static float[] oneOf(float[][] each, int count) {
        float[] sum = new float[count];
        double most = 0;
        int loudest = 0;
        for (int c = 0; c < each.length; c++) {
            double power = 0;
            for (int i = 0; i < count; i++) {
                power += each[c][i] * each[c][i];
                sum[i] += each[c][i] / each.length;
            }
            if (power > most) {
                most = power;
                loudest = c;
            }
        }
        double added = 0;
        double weakest = most;
        for (float[] channel : each) {
            double power = 0;
            for (int i = 0; i < count; i++) {
                power += channel[i] * channel[i];
            }
            weakest = Math.min(weakest, power);
        }
        for (float value : sum) {
            added += value * value;
        }
        return weakest < DEAD * most || added < most / 2 ? Arrays.copyOf(each[loudest], count) : sum;
    }
}
