package org.umberdial.core.sound;

import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.umberdial.core.value.InvalidEntry;

/**
 * What an amplifier adds to a sine: harmonics, and the line's hum beside them. From a recording of its output while a
 * clean sine goes in.
 *
 * <p>Read from one stretch of at most {@value #SAMPLES} samples through a four-term Blackman-Harris window (F. Harris,
 * Proc. IEEE 66, 1978), whose side lobes are 92 dB down.
 *
 * @param hertz of the sine
 * @param thdPercent all harmonics up to the tenth, as a share of the sine
 * @param harmonics second to tenth, each as a share of the sine [%]
 * @param hum lines of the line's frequency and its multiples
 * @param says what it means, in sentences
 */
public record Distortion(
        double hertz, double thdPercent, List<Double> harmonics, List<HumLine> hum, List<String> says) {
    /** @param hertz [Hz], @param decibels below the sine [dB], negative */
    public record HumLine(double hertz, double decibels) {}

    static final int SAMPLES = 1 << 17;
    private static final double[] WINDOW = {0.35875, 0.48829, 0.14128, 0.01168};
    /** Half of the window's main lobe [bins]. */
    private static final int LOBE = 4;

    private static final int HARMONICS = 10;
    private static final int HUM_LINES = 6;
    private static final double LEAST_HERTZ = 100;
    private static final double MOST_HERTZ = 5000;
    private static final double LEAST_SECONDS = 1;
    /** Of all that is heard, what a sine with its harmonics is at least. */
    private static final double LEAST_SHARE = 0.7;

    private static final double SILENCE = 3e-4;
    /** A sine is at its ends for 3 % of its time; for more it is cut. */
    private static final double CUT_SHARE = 0.06;

    private static final double HUM_DECIBELS = -40;

    public Distortion {
        harmonics = List.copyOf(harmonics);
        hum = List.copyOf(hum);
        says = List.copyOf(says);
    }

    /**
     * @param line the line's frequency [Hz]; the hum of a rectifier is twice it
     * @throws InvalidEntry when it is silence, no sine, too short or cut by the recorder
     */
    public static Distortion of(InputStream file, double line) {
        SoundFile.Beginning sound = SoundFile.beginning(file, SAMPLES);
        return of(sound.samples(), sound.hertz(), line);
    }

    static Distortion of(float[] samples, double rate, double line) {
        if (samples.length < LEAST_SECONDS * rate) {
            throw refused("This is shorter than a second: record five seconds of the sine.");
        }
        int count = Math.min(samples.length, SAMPLES);
        double most = 0;
        for (int i = 0; i < count; i++) {
            most = Math.max(most, Math.abs(samples[i]));
        }
        if (most < SILENCE) {
            throw refused("This is silence: turn the recorder up until the sine reaches half its scale.");
        }
        uncut(samples, count, most);
        Spectrum spectrum = new Spectrum(windowed(samples, count), rate);
        int top = top(spectrum);
        double hertz = centre(spectrum, top);
        double sine = power(spectrum, hertz);
        List<Double> harmonics = new ArrayList<>();
        double sum = 0;
        for (int n = 2; n <= HARMONICS && n * hertz < 0.45 * rate; n++) {
            double power = power(spectrum, n * hertz);
            sum += power;
            harmonics.add(100 * Math.sqrt(power / sine));
        }
        double all = 0;
        for (int bin = bin(spectrum, 20); bin < spectrum.bins(); bin++) {
            all += spectrum.size(bin) * spectrum.size(bin);
        }
        if (sine + sum < LEAST_SHARE * all) {
            throw refused("This is no steady sine: feed one of 400 Hz or 1 kHz and record it at the speaker.");
        }
        double thd = 100 * Math.sqrt(sum / sine);
        List<HumLine> hum = hum(spectrum, hertz, sine, line);
        return new Distortion(hertz, thd, harmonics, hum, says(thd, harmonics, hum, line));
    }

    /** Ends that lie flat are the recorder's own and would be read as the set's. */
    private static void uncut(float[] samples, int count, double most) {
        int flat = 0;
        for (int i = 0; i < count; i++) {
            flat += Math.abs(samples[i]) > 0.999 * most && most > 0.98 ? 1 : 0;
        }
        if (flat > CUT_SHARE * count) {
            throw refused("The recorder was driven too far and cut the sine itself: turn it down and record again.");
        }
    }

    private static double[] windowed(float[] samples, int count) {
        double[] values = new double[count];
        for (int i = 0; i < count; i++) {
            double angle = 2 * Math.PI * i / count;
            double window = 0;
            for (int term = 0; term < WINDOW.length; term++) {
                window += (term % 2 == 0 ? 1 : -1) * WINDOW[term] * Math.cos(term * angle);
            }
            values[i] = samples[i] * window;
        }
        return values;
    }

    private static int bin(Spectrum spectrum, double hertz) {
        return (int) Math.round(hertz / spectrum.step());
    }

    private static int top(Spectrum spectrum) {
        int top = bin(spectrum, LEAST_HERTZ);
        int end = Math.min(bin(spectrum, MOST_HERTZ), spectrum.bins() - 1);
        for (int bin = top; bin <= end; bin++) {
            top = spectrum.size(bin) > spectrum.size(top) ? bin : top;
        }
        return top;
    }

    /** The middle of a line's power [Hz]. */
    private static double centre(Spectrum spectrum, int top) {
        double sum = 0;
        double moment = 0;
        for (int bin = Math.max(1, top - LOBE); bin <= top + LOBE && bin < spectrum.bins(); bin++) {
            double power = spectrum.size(bin) * spectrum.size(bin);
            sum += power;
            moment += bin * power;
        }
        return moment / sum * spectrum.step();
    }

    private static double power(Spectrum spectrum, double hertz) {
        int middle = bin(spectrum, hertz);
        double sum = 0;
        for (int bin = Math.max(1, middle - LOBE); bin <= middle + LOBE && bin < spectrum.bins(); bin++) {
            sum += spectrum.size(bin) * spectrum.size(bin);
        }
        return sum;
    }

    private static List<HumLine> hum(Spectrum spectrum, double hertz, double sine, double line) {
        List<HumLine> lines = new ArrayList<>();
        for (int n = 1; n <= HUM_LINES; n++) {
            double at = n * line;
            double nearest = Math.rint(at / hertz) * hertz;
            // What lies under the sine or one of its harmonics cannot be told from it.
            if (Math.abs(at - nearest) > 2 * LOBE * spectrum.step()) {
                lines.add(new HumLine(at, 10 * Math.log10(Math.max(power(spectrum, at) / sine, 1e-12))));
            }
        }
        return lines;
    }

    private static List<String> says(double thd, List<Double> harmonics, List<HumLine> hum, double line) {
        List<String> says = new ArrayList<>();
        if (thd > 10) {
            says.add("More than 10 %: an ear hears that as harsh.");
        }
        double even = 0;
        double odd = 0;
        for (int i = 0; i < harmonics.size(); i++) {
            if (i % 2 == 0) {
                even += harmonics.get(i) * harmonics.get(i);
            } else {
                odd += harmonics.get(i) * harmonics.get(i);
            }
        }
        if (thd > 3) {
            says.add(
                    even > odd
                            ? "Mostly even harmonics: one side of the sine is cut, as by a bias that is off or a single"
                                    + " tube driven far."
                            : "Mostly odd harmonics: both sides are cut alike, as by too much level or a weak supply.");
        }
        hum.stream()
                .filter(h -> h.decibels > HUM_DECIBELS)
                .findFirst()
                .ifPresent(h -> says.add(String.format(
                        Locale.ROOT,
                        "Hum at %.0f Hz stands %.0f dB below the sine: %s.",
                        h.hertz,
                        -h.decibels,
                        h.hertz < 1.5 * line
                                ? "the line’s own frequency, by a heater, a lead or a rectifier that works on one side"
                                : "twice the line’s, by the filters behind a full-wave rectifier, or their own beat")));
        return says;
    }

    private static InvalidEntry refused(String words) {
        return new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, words).at("file");
    }
}
