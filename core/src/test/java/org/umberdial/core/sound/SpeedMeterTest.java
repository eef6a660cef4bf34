package org.umberdial.core.sound;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import net.sourceforge.javaflacencoder.FLACFileWriter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberdial.core.value.InvalidEntry;

class SpeedMeterTest {
    private static final SimulatedPlayer TONE = SimulatedPlayer.tone(3150);

    private static ToneSpeed measured(SimulatedPlayer player, double rate, double seconds) {
        Heard heard = SpeedMeter.of(player.play(rate, seconds), player.tone());
        return assertInstanceOf(Heard.Measured.class, heard, heard.toString()).speed();
    }

    private static Heard.Refused refused(Heard.Reason reason, Sound sound) {
        Heard.Refused refused = assertInstanceOf(Heard.Refused.class, SpeedMeter.of(sound, 3150));
        assertEquals(reason, refused.reason(), refused.sentence());
        return refused;
    }

    /** Shares at the points of the standard's curve: 10^(dB/20). */
    @ParameterizedTest
    @CsvSource({"0.8, 0.501", "4, 1", "6.3, 0.902", "10, 0.785", "20, 0.507", "40, 0.302", "100, 0.136"})
    void aSteadySwing_countsAsTheStandardWeighsIt(double hertz, double share) {
        ToneSpeed speed = measured(TONE.turning(0, new SpeedLine(hertz, 0.2, 0.7)), 48000, 30);
        assertEquals(0.2 * share, speed.weightedPercent(), 0.005 * 0.2 + 0.01 * 0.2 * share);
        assertEquals(0.2 / Math.sqrt(2), speed.rmsPercent(), 0.001);
        assertEquals(0, speed.speedErrorPercent(), 0.001);
        assertEquals(hertz, speed.lines().get(0).hertz(), 0.01);
        assertEquals(0.2, speed.lines().get(0).percent(), 0.002);
    }

    @ParameterizedTest
    @CsvSource({"10, 18, 24", "30, 56, 68", "60, 84, 96", "100, 96, 104"})
    void aShortJolt_movesThePointerAsTheStandardAsks(double milliseconds, double least, double most) {
        double rate = 2000;
        QuasiPeak pointer = new QuasiPeak(rate);
        double shown = 0;
        double fallen = 1;
        for (int i = 0; i < 6 * rate; i++) {
            double stands = pointer.take(i % rate < milliseconds / 1000 * rate ? 1 : 0);
            shown = i > 4 * rate ? Math.max(shown, stands) : 0;
            fallen = i > 4 * rate ? Math.min(fallen, stands) : 1;
        }
        assertTrue(100 * shown >= least && 100 * shown <= most, milliseconds + " ms showed as " + 100 * shown + " %");
        if (milliseconds == 100) {
            assertEquals(40, 100 * fallen / shown, 4);
        }
    }

    @Test
    void aRoughRecord_isMeasuredAllTheSame() {
        for (long seed = 1; seed <= 6; seed++) {
            double off = seed - 5;
            SimulatedPlayer player = new SimulatedPlayer(
                    3150,
                    off,
                    0.3,
                    List.of(
                            new SpeedLine(100 / 180.0, 0.4, seed),
                            new SpeedLine(6.4, 0.2, 2),
                            new SpeedLine(25, 0.1, 0)),
                    -24,
                    -30,
                    60,
                    40,
                    seed);
            ToneSpeed speed = measured(player, 44100, 40);
            assertEquals(off, speed.speedErrorPercent(), 0.01, "seed " + seed);
            assertEquals(0.3, speed.driftPercent(), 0.01, "seed " + seed);
            assertEquals(100 / 180.0, speed.lines().get(0).hertz(), 0.003, "seed " + seed);
            assertEquals(0.4, speed.lines().get(0).percent(), 0.01, "seed " + seed);
            assertEquals(6.4, speed.lines().get(1).hertz(), 0.01, "seed " + seed);
            assertTrue(speed.clicks() > 0 && speed.clicks() <= 40, speed.clicks() + " clicks, seed " + seed);
        }
    }

    /** Where the swing was when the tone began is where the simulated one was. */
    @Test
    void thePhaseOfALine_isThatOfTheSwing() {
        ToneSpeed speed = measured(TONE.turning(-2, new SpeedLine(0.75, 0.3, 1.2)), 48000, 30);
        SpeedLine line = speed.lines().get(0);
        double then = line.phase() - 2 * Math.PI * line.hertz() * speed.from();
        assertEquals(1.2, Math.IEEEremainder(then, 2 * Math.PI), 0.03);
    }

    @Test
    void aRecordOfAnotherTone_isMeasuredByIt() {
        assertEquals(
                -5,
                measured(new SimulatedPlayer(1000, -5, 0, List.of(), -30, -30, 50, 0, 1), 44100, 15)
                        .speedErrorPercent(),
                0.01);
        assertThrows(InvalidEntry.class, () -> SpeedMeter.of(TONE.play(48000, 1), 80));
        assertThrows(InvalidEntry.class, () -> SpeedMeter.of(new Sound(8000, new float[80_000]), 3150));
    }

    @Test
    void whatIsNoSteadyTone_isRefusedInASentence() {
        refused(Heard.Reason.SILENCE, new Sound(48000, new float[48000 * 12]));
        refused(Heard.Reason.TOO_SHORT, TONE.play(48000, 4));
        String other = refused(Heard.Reason.OTHER_TONE, TONE.turning(35).play(48000, 12))
                .sentence();
        assertTrue(other.contains("35 % above 3150 Hz"), other);
        Random random = new Random(3);
        float[] noise = new float[48000 * 12];
        for (int i = 0; i < noise.length; i++) {
            noise[i] = (float) (0.2 * random.nextGaussian());
        }
        refused(Heard.Reason.NO_TONE, new Sound(48000, noise));
        refused(Heard.Reason.NO_TONE, chords());
        float[] stopped = TONE.play(48000, 30).samples();
        Arrays.fill(stopped, 48000 * 12, 48000 * 14, 0);
        refused(Heard.Reason.INTERRUPTED, new Sound(48000, stopped));
        refused(
                Heard.Reason.TOO_MANY_CLICKS,
                new SimulatedPlayer(3150, 0, 0, List.of(), -40, -200, 50, 900, 2).play(48000, 30));
    }

    /** Something like music: three notes at a time, another chord each half second. */
    private static Sound chords() {
        float[] samples = new float[48000 * 15];
        for (int i = 0; i < samples.length; i++) {
            int chord = i / 24000 % 5;
            for (int note = 0; note < 3; note++) {
                double hertz = 440 * Math.pow(2, (chord * 3 + note * 4) / 12.0);
                samples[i] +=
                        (float) (0.1 * Math.sin(2 * Math.PI * hertz * i / 48000.0) * Math.exp(-i % 24000 / 9000.0));
            }
        }
        return new Sound(48000, samples);
    }

    /** Of forty jumps, each to another place of the groove, one in ten lands where the tone was going by chance. */
    @Test
    void aJumpInTheGroove_isHeard() {
        int found = 0;
        for (int k = 0; k < 20; k++) {
            float[] played = new SimulatedPlayer(
                            3150, 0, 0, List.of(new SpeedLine(100 / 180.0, 0.3, 1)), -30, -30, 50, 8, k)
                    .play(48000, 20)
                    .samples();
            int gap = 900 + k * 977;
            float[] jumped = Arrays.copyOf(played, played.length - gap);
            System.arraycopy(played, 48000 * 12 + gap, jumped, 48000 * 12, jumped.length - 48000 * 12);
            for (int m = 0; m < 400; m++) {
                jumped[48000 * 12 + m] += (float) (0.8 * Math.exp(-m / 100.0) * Math.cos(m * 0.5));
            }
            if (SpeedMeter.of(new Sound(48000, jumped), 3150) instanceof Heard.Refused refused) {
                assertEquals(Heard.Reason.JUMPED, refused.reason());
                assertTrue(refused.sentence().contains("12.0 s"), refused.sentence());
                found++;
            }
        }
        assertTrue(found >= 16, found + " of 20 jumps were heard");
    }

    /** As when a recorder starts in the middle of the tone and drops a little of it. */
    @Test
    void aJumpAtEitherEnd_isCutOff() {
        float[] played = TONE.turning(1).play(48000, 20).samples();
        float[] cut = new float[played.length - 2000];
        System.arraycopy(played, 0, cut, 0, 14_400);
        System.arraycopy(played, 15_400, cut, 14_400, cut.length - 14_400 - 9600);
        System.arraycopy(played, played.length - 9600, cut, cut.length - 9600, 9600);
        Heard heard = SpeedMeter.of(new Sound(48000, cut), 3150);
        assertEquals(
                1, heard.measured().orElseThrow(() -> new AssertionError(heard)).speedErrorPercent(), 0.01);
    }

    @Test
    void leadInAndRunOut_areLeftOut() {
        float[] tone = TONE.turning(1.5).play(48000, 20).samples();
        float[] whole = new float[tone.length + 48000 * 6];
        System.arraycopy(tone, 0, whole, 48000 * 3, tone.length);
        Heard heard = SpeedMeter.of(new Sound(48000, whole), 3150);
        ToneSpeed speed = heard.measured().orElseThrow(() -> new AssertionError(heard));
        assertEquals(1.5, speed.speedErrorPercent(), 0.01);
        assertTrue(speed.weightedPercent() < 0.02, speed.weightedPercent() + " %");
        assertEquals(3, speed.from(), 0.25);
    }

    @Test
    void theMeterShows_whileTheToneRuns_andSaysSoWhenItIsNotThere() {
        ToneTracker heard = SpeedMeter.tracker(48000, 3150);
        Sound sound = TONE.turning(-4, new SpeedLine(4, 0.5, 0)).play(48000, 12);
        List<SpeedMeter.Now> shown = new ArrayList<>();
        for (int at = 0; at + 12000 <= sound.samples().length; at += 12000) {
            heard.take(Arrays.copyOfRange(sound.samples(), at, at + 12000));
            shown.add(SpeedMeter.now(heard));
        }
        assertTrue(shown.get(0).speed().isEmpty() && !shown.get(0).sentence().isEmpty());
        ToneSpeed last = shown.get(shown.size() - 1).speed().orElseThrow();
        assertEquals(-4, last.speedErrorPercent(), 0.05);
        assertEquals(0.5, last.weightedPercent(), 0.03);
        heard.take(new float[48000]);
        assertTrue(SpeedMeter.now(heard).speed().isEmpty());
    }

    private static ToneSpeed heard(byte[] file) {
        return SoundFile.follow(new ByteArrayInputStream(file), 3150).measured().orElseThrow();
    }

    /** What unpacks to hours is not waited for, and needs no memory. */
    @Test
    void aSoundOfMoreThanFiveMinutes_isRefused() {
        byte[] long8k = SimulatedPlayer.wav(new Sound(9600, new float[9600 * 301]));
        InvalidEntry refused =
                assertThrows(InvalidEntry.class, () -> SoundFile.follow(new ByteArrayInputStream(long8k), 3150));
        assertTrue(refused.getMessage().contains("five minutes"), refused.getMessage());
    }

    @Test
    void aFile_isReadWithItsChannels_andNonsenseIsRefused() {
        Sound sound = TONE.turning(2).play(48000, 12);
        assertEquals(2, heard(SimulatedPlayer.wav(sound)).speedErrorPercent(), 0.01);
        for (byte[] nonsense : List.of(new byte[0], "RIFFxxxxWAVE".getBytes(), new byte[5000])) {
            InvalidEntry refused =
                    assertThrows(InvalidEntry.class, () -> SoundFile.follow(new ByteArrayInputStream(nonsense), 3150));
            assertTrue(refused.getMessage().contains("WAV or FLAC"), refused.getMessage());
        }
    }

    /** Two channels of 16 bits, as a recorder makes them, one of them dead. */
    @Test
    void flacIsReadLikeWav_andADeadChannelIsPassedOver() throws IOException {
        float[] samples = TONE.turning(-1).play(44100, 12).samples();
        byte[] both = new byte[4 * samples.length];
        for (int i = 0; i < samples.length; i++) {
            int value = Math.round(samples[i] * 32767);
            both[4 * i] = (byte) value;
            both[4 * i + 1] = (byte) (value >> 8);
        }
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        AudioFormat stereo = new AudioFormat(44100, 16, 2, true, false);
        AudioSystem.write(
                new AudioInputStream(new ByteArrayInputStream(both), stereo, samples.length),
                FLACFileWriter.FLAC,
                bytes);
        ToneSpeed speed = heard(bytes.toByteArray());
        assertEquals(-1, speed.speedErrorPercent(), 0.01);
        assertEquals(12, speed.seconds(), 0.1);
    }
}
