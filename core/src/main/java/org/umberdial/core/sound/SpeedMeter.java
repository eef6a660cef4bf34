package org.umberdial.core.sound;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import org.umberdial.core.sound.Heard.Measured;
import org.umberdial.core.sound.Heard.Reason;
import org.umberdial.core.sound.Heard.Refused;
import org.umberdial.core.value.InvalidEntry;

/** Measures speed and its steadiness from the sound of a test tone. */
public final class SpeedMeter {
    /** Tones that records and tapes carry lie well inside [Hz]. */
    public static final double LOWEST_TONE = 800;

    public static final double HIGHEST_TONE = 5000;
    /** Five turns of a long-playing record; less says nothing of what turns that slowly [s]. */
    private static final double LEAST_SECONDS = 10;

    private static final double LIVE_SECONDS = 10;
    private static final double LEAST_LIVE_SECONDS = 1.5;
    private static final double SILENT = 1e-6;
    /** The tone's share of the sound above rumble from which it is the tone. */
    private static final double TONE_SHARE = 0.5;
    /** Blocks without tone in a row that a click may make; more is a pause. */
    private static final int CLICK_BLOCKS = 3;
    /** A jump leaves the tone at any place of its swing; a click leaves it where it was going, within this [rad]. */
    private static final double SAME_PLACE = 0.4;
    /** At either end, in which a jump is cut off and not refused [s]. */
    private static final double ENDS = 1.5;
    /** What is left out beside it [s]. */
    private static final double AFTER_JUMP = 0.05;
    /** Of the time, that clicks may take. */
    private static final double MOST_CLICKED = 0.1;

    private SpeedMeter() {}

    /**
     * The speed of a whole sound.
     *
     * @param tone nominal frequency [Hz]
     * @throws InvalidEntry when no record carries such a tone, or the sound's rate is too low for it
     */
    public static Heard of(Sound sound, double tone) {
        ToneTracker tracker = tracker(sound.hertz(), tone);
        tracker.take(sound.samples());
        return of(tracker, true);
    }

    /** A tracker for a tone. @throws InvalidEntry when no record carries such a tone */
    public static ToneTracker tracker(double hertz, double tone) {
        if (!(tone >= LOWEST_TONE && tone <= HIGHEST_TONE)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            say(
                                    "A test tone of %s Hz is not usual: enter what the record’s label says, 800 to 5000, as in 3150.",
                                    plain(tone)))
                    .at("tone");
        }
        if (!(hertz >= 3 * tone)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            say(
                                    "This sound has %.0f samples a second, too few for a tone of %s Hz: record it with 44100 or 48000.",
                                    hertz, plain(tone)))
                    .at("tone");
        }
        return new ToneTracker(hertz, tone);
    }

    /**
     * What has been heard so far.
     *
     * @param over whether nothing more comes; while something does, a pause at the end is not one yet
     */
    public static Heard of(ToneTracker heard, boolean over) {
        boolean[] there = there(heard);
        int from = 0;
        int to = there.length;
        while (from < to && !there[from]) {
            from++;
        }
        while (to > from && !there[to - 1]) {
            to--;
        }
        Optional<Refused> absent = absent(heard, there, from, to);
        Optional<Refused> refused = absent.isPresent() ? absent : pause(there, from, to, over);
        if (refused.isPresent()) {
            return refused.get();
        }
        double seconds = (to - from) / (double) ToneTracker.BLOCKS;
        if (seconds < LEAST_SECONDS) {
            return new Refused(
                    Reason.TOO_SHORT,
                    say(
                            "The tone was heard for %.1f s: play at least %.0f s of it, better a minute.",
                            seconds, LEAST_SECONDS));
        }
        // Half a block at either end may hold the needle's landing.
        double start = (from + (from > 0 ? 1 : 0)) / (double) ToneTracker.BLOCKS;
        double end = (to - (to < there.length ? 1 : 0)) / (double) ToneTracker.BLOCKS;
        return followed(heard, start, end);
    }

    /** The tone in a stretch; what jerks at its ends is the needle's landing or the recorder's start, and left out. */
    private static Heard followed(ToneTracker heard, double from, double to) {
        double start = from;
        double end = to;
        while (true) {
            Followed followed = Followed.of(heard, start, end);
            if (followed.clicked() > MOST_CLICKED) {
                return new Refused(
                        Reason.TOO_MANY_CLICKS,
                        say(
                                "Clicks cover %.0f %% of the tone: clean the record and the stylus, then record it again.",
                                100 * followed.clicked()));
            }
            Optional<Double> jump = followed.jump(SAME_PLACE);
            if (jump.isEmpty()) {
                return new Measured(Variation.of(heard.tone(), followed));
            }
            double at = jump.get();
            if (at < from + ENDS && end - at - AFTER_JUMP >= LEAST_SECONDS - ENDS) {
                start = at + AFTER_JUMP;
            } else if (at > to - ENDS && at - AFTER_JUMP - start >= LEAST_SECONDS - ENDS) {
                end = at - AFTER_JUMP;
            } else {
                return new Refused(
                        Reason.JUMPED,
                        say(
                                "The needle left its groove about %.1f s in: set it down elsewhere and record without a jump.",
                                at));
            }
        }
    }

    /**
     * What is heard right now.
     *
     * @param level of the sound above rumble, mean square against full scale [dB]
     * @param speed of the last ten seconds; empty until the tone was there throughout
     * @param sentence why there is none; empty when there is
     */
    public record Now(double level, Optional<ToneSpeed> speed, String sentence) {}

    /** What is heard right now: by its last ten seconds, so that it costs the same however long one listens. */
    public static Now now(ToneTracker heard) {
        boolean[] there = there(heard);
        double[] power = heard.power();
        int blocks = (int) (LIVE_SECONDS * ToneTracker.BLOCKS);
        double level = power.length == 0 ? 0 : power[power.length - 1];
        double decibels = 10 * Math.log10(Math.max(level, 1e-12));
        int from = Math.max(0, there.length - blocks);
        int start = there.length;
        while (start > from && there[start - 1]) {
            start--;
        }
        double seconds = (there.length - start) / (double) ToneTracker.BLOCKS;
        if (seconds < LEAST_LIVE_SECONDS) {
            String sentence = absent(heard, there, from, there.length)
                    .map(Refused::sentence)
                    .orElse("The tone is being followed.");
            return new Now(decibels, Optional.empty(), sentence);
        }
        Followed followed =
                Followed.of(heard, start / (double) ToneTracker.BLOCKS, there.length / (double) ToneTracker.BLOCKS);
        return new Now(decibels, Optional.of(Variation.of(heard.tone(), followed)), "");
    }

    /** Whether the tone is there, block by block. */
    private static boolean[] there(ToneTracker heard) {
        double[] re = heard.re();
        double[] im = heard.im();
        double[] power = heard.power();
        boolean[] there = new boolean[power.length];
        double perBlock = heard.outHertz() / ToneTracker.BLOCKS;
        for (int b = 0; b < there.length; b++) {
            int first = (int) Math.max(0, b * perBlock - heard.delay() * heard.outHertz());
            int last = (int) Math.min(re.length, (b + 1) * perBlock - heard.delay() * heard.outHertz());
            double sum = 0;
            for (int i = first; i < last; i++) {
                sum += re[i] * re[i] + im[i] * im[i];
            }
            // A tone of amplitude A has a mean square of A²/2 and turns with A/2.
            double tone = last > first ? 2 * sum / (last - first) : power[b];
            there[b] = power[b] > SILENT && tone >= TONE_SHARE * power[b];
        }
        return there;
    }

    private static Optional<Refused> absent(ToneTracker heard, boolean[] there, int from, int to) {
        int count = 0;
        for (boolean one : there) {
            count += one ? 1 : 0;
        }
        if (count > 0 && count >= 0.75 * (to - from) && count >= 0.3 * there.length) {
            return Optional.empty();
        }
        double[] power = heard.power();
        long silent = Arrays.stream(power).filter(p -> p <= SILENT).count();
        if (silent >= 0.5 * power.length) {
            return Optional.of(new Refused(
                    Reason.SILENCE,
                    "There is next to no sound: check the lead, the input and its level, then record again."));
        }
        Optional<Double> other = StrongestTone.of(heard.last(), heard.hertz());
        if (other.isPresent() && Math.abs(other.get() / heard.tone() - 1) > 0.8 * ToneTracker.WIDEST) {
            double off = 100 * (other.get() / heard.tone() - 1);
            return Optional.of(new Refused(
                    Reason.OTHER_TONE,
                    say(
                            "The tone is %.0f Hz, %.0f %% %s %s Hz: enter the tone on the record’s label, "
                                    + "or set the record’s own speed.",
                            other.get(), Math.abs(off), off > 0 ? "above" : "below", plain(heard.tone()))));
        }
        return Optional.of(new Refused(
                Reason.NO_TONE,
                say(
                        "This is not a steady tone of about %s Hz but music, speech or noise: play a test record’s tone.",
                        plain(heard.tone()))));
    }

    private static Optional<Refused> pause(boolean[] there, int from, int to, boolean over) {
        int missing = 0;
        for (int b = from; b < to; b++) {
            missing = there[b] ? 0 : missing + 1;
            if (missing > CLICK_BLOCKS) {
                double at = (b + 1 - missing) / (double) ToneTracker.BLOCKS;
                return Optional.of(new Refused(
                        Reason.INTERRUPTED,
                        say(
                                "The tone stops %.1f s in and comes again: record one stretch of it without a pause.",
                                at)));
            }
        }
        return over || there.length - to <= CLICK_BLOCKS
                ? Optional.empty()
                : Optional.of(new Refused(Reason.INTERRUPTED, "The tone has stopped."));
    }

    static String say(String words, Object... values) {
        return String.format(Locale.ROOT, words, values);
    }

    private static String plain(double hertz) {
        return hertz == Math.rint(hertz) ? say("%.0f", hertz) : say("%s", hertz);
    }
}
