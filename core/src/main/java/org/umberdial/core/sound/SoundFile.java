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
 * Listens to a file. WAV is read by the platform; whatever else a decoder on the class path knows (FLAC, where the
 * application runs) is read as well. The sound passes through; none of it is kept.
 */
public final class SoundFile {
    /** A minute is enough, and what is followed stays in memory. */
    private static final int MOST_SECONDS = 5 * 60;

    private static final int LEAST_HERTZ = 8000;
    private static final int MOST_HERTZ = 200_000;
    private static final int MOST_CHANNELS = 2;
    private static final int LOOK_AHEAD = 1 << 16;
    /** By so much of its beginning the channels are judged [s]. */
    private static final int JUDGED_SECONDS = 5;
    /** A channel this much quieter than the other holds nothing of its own. */
    private static final double DEAD = 0.05;

    private SoundFile() {}

    /**
     * The speed of a file's tone. Two channels are added, so that a record cut sideways is heard with half its noise,
     * unless one of them is dead or they cancel.
     *
     * @param tone nominal frequency [Hz]
     * @throws InvalidEntry when it is no sound that can be read, with what would be, or no record carries such a tone
     */
    public static Heard follow(InputStream in, double tone) {
        return read(in, (plain, channels, hertz) -> {
            ToneTracker tracker = SpeedMeter.tracker(hertz, tone);
            pass(plain, channels, hertz, tracker);
            return SpeedMeter.of(tracker, true);
        });
    }

    /** @param samples of one channel, -1 to 1, @param hertz samples a second */
    record Beginning(float[] samples, double hertz) {}

    /**
     * The beginning of a file, channels added as in {@link #follow}.
     *
     * @param most samples of one channel
     * @throws InvalidEntry when it is no sound that can be read
     */
    static Beginning beginning(InputStream in, int most) {
        return read(in, (plain, channels, hertz) -> {
            byte[] block = plain.readNBytes(2 * channels * most);
            if (block.length < 2 * channels) {
                throw unreadable();
            }
            float[][] each = channels(block, block.length / (2 * channels), channels);
            return new Beginning(mixed(each, shares(each)), hertz);
        });
    }

    /** What is made of a sound once it is plain samples. */
    private interface Use<T> {
        T of(InputStream plain, int channels, double hertz) throws IOException;
    }

    private static <T> T read(InputStream in, Use<T> use) {
        try (AudioInputStream whole = AudioSystem.getAudioInputStream(new BufferedInputStream(in, LOOK_AHEAD))) {
            AudioFormat format = whole.getFormat();
            float hertz = format.getSampleRate();
            if (!(hertz >= LEAST_HERTZ && hertz <= MOST_HERTZ)
                    || format.getChannels() < 1
                    || format.getChannels() > MOST_CHANNELS) {
                throw unreadable();
            }
            try (AudioInputStream plain = plain(whole)) {
                return use.of(plain, format.getChannels(), hertz);
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
                        "This file is no sound that can be read here: choose a WAV or FLAC file of one or two channels"
                                + " with 8 to 192 kHz.")
                .at("file");
    }

    private static void pass(InputStream in, int channels, double hertz, ToneTracker into) throws IOException {
        double[] shares = null;
        long frames = 0;
        byte[] block = new byte[(int) (2 * channels * hertz * JUDGED_SECONDS)];
        for (int got = in.readNBytes(block, 0, block.length); got > 0; got = in.readNBytes(block, 0, block.length)) {
            int count = got / (2 * channels);
            frames += count;
            if (frames > hertz * MOST_SECONDS) {
                throw new InvalidEntry(
                                InvalidEntry.Code.OUT_OF_RANGE,
                                "This sound is longer than five minutes; a minute of the tone is enough.")
                        .at("file");
            }
            float[][] each = channels(block, count, channels);
            shares = shares == null ? shares(each) : shares;
            into.take(mixed(each, shares));
        }
    }

    private static float[][] channels(byte[] block, int count, int channels) {
        float[][] each = new float[channels][count];
        for (int f = 0; f < count; f++) {
            for (int c = 0; c < channels; c++) {
                int at = 2 * (f * channels + c);
                each[c][f] = (short) (block[at] & 0xff | block[at + 1] << 8) / 32768f;
            }
        }
        return each;
    }

    /** How much of each channel is listened to. */
    private static double[] shares(float[][] each) {
        double[] alike = new double[each.length];
        Arrays.fill(alike, 1.0 / each.length);
        double added = power(mixed(each, alike));
        double[] power = new double[each.length];
        int loudest = 0;
        double weakest = Double.MAX_VALUE;
        for (int c = 0; c < each.length; c++) {
            power[c] = power(each[c]);
            weakest = Math.min(weakest, power[c]);
            loudest = power[c] > power[loudest] ? c : loudest;
        }
        if (weakest >= DEAD * power[loudest] && added >= power[loudest] / 2) {
            return alike;
        }
        double[] one = new double[each.length];
        one[loudest] = 1;
        return one;
    }

    private static float[] mixed(float[][] each, double[] shares) {
        float[] sum = new float[each[0].length];
        for (int c = 0; c < each.length; c++) {
            for (int i = 0; i < sum.length; i++) {
                sum[i] += (float) (shares[c] * each[c][i]);
            }
        }
        return sum;
    }

    private static double power(float[] samples) {
        double power = 0;
        for (float value : samples) {
            power += value * value;
        }
        return power;
    }
}
