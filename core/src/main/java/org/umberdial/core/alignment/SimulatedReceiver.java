package org.umberdial.core.alignment;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.hipparchus.complex.Complex;
import org.umberdial.core.evidence.ReceiverSaid;
import org.umberdial.core.tuning.Band;
import org.umberdial.core.tuning.Tracking;

/**
 * A receiver to align that is not there: tuned circuits that are off by known amounts, a dial, a detector, automatic
 * volume control, noise. It answers a generator as a set on the bench would.
 *
 * <p>Coupled circuits, tracking of a padded oscillator and the phase detector are the handbooks' formulas; what comes
 * out is in the right order and no more. Not safe for several threads.
 */
public final class SimulatedReceiver {
    /**
     * What the generator gives.
     *
     * @param feed where it is put
     * @param hertz carrier [Hz]
     * @param volts level, RMS [V]
     */
    public record Generator(Feed feed, double hertz, double volts) {}

    /**
     * What meters show.
     *
     * @param output of the tone, at the voice coil [V]
     * @param avc negative volts of the automatic volume control [V]
     * @param stabiliser across the detector's stabilising capacitor [V]
     * @param balance from its audio take-off to its middle [V]
     */
    public record Shown(double output, double avc, double stabiliser, double balance) {}

    /** A thing that is turned: how far one turn moves it, and where it stands. */
    private static final class Core {
        private final double perTurn;
        private double off;

        Core(double off, double perTurn) {
            this.off = off;
            this.perTurn = perTurn;
        }
    }

    /** Q of one circuit of a can, and its coupling in shares of the critical one. */
    private static final double IF_QUALITY = 75;

    private static final double FM_QUALITY = 55;
    private static final double COUPLING = 0.85;
    private static final double AERIAL_QUALITY = 70;
    private static final double FM_AERIAL_QUALITY = 25;
    private static final double DETECTOR_QUALITY = 30;
    private static final double TRAP_QUALITY = 60;
    private static final double TRAP_DEPTH = 20;
    /** From the converter's grid to the detector without volume control. */
    private static final double GAIN = 20_000;

    private static final double LAST_IF_GAIN = 150;
    /** Detected volts at which the volume control takes hold [V]. */
    private static final double DELAY_VOLTS = 1;

    private static final double NOISE_VOLTS = 0.02;
    private static final double AUDIO = 0.3;
    /** Across the detector, at which FM is limited [V]. */
    private static final double LIMIT_VOLTS = 8;

    private static final double AM_LEAST_FARADS = 45e-12;
    private static final double FM_LEAST_FARADS = 12e-12;

    /** One band: oscillator and signal circuit on one gang. */
    private static final class Tuner {
        private final Band band;
        private final Tracking made;
        private final double least;
        private final Core core;
        private final Core trimmer;
        private final Core aerialCore;
        private final Core aerialTrimmer;

        Tuner(Band band, Random random) {
            this.band = band;
            boolean fm = band.frequencyModulated();
            least = fm ? FM_LEAST_FARADS : AM_LEAST_FARADS;
            made = Tracking.threePoint(band, least);
            // Shares of inductance and farads.
            double wide = fm ? 0.015 : 0.05;
            core = new Core(between(random, wide), fm ? 0.008 : 0.02);
            trimmer = new Core(between(random, fm ? 0.5e-12 : 4e-12), fm ? 0.4e-12 : 3e-12);
            aerialCore = new Core(between(random, 2 * wide), fm ? 0.012 : 0.03);
            aerialTrimmer = new Core(between(random, fm ? 0.7e-12 : 6e-12), fm ? 0.4e-12 : 3e-12);
        }

        /** Of the gang and what lies across it, where the scale shows a frequency [F]. */
        private double gang(double dial) {
            double wanted = square(2 * Math.PI * 1000 * band.oscillator(dial / 1000));
            // y = a + b / (C + x) of the oscillator as it was made.
            double b = 1 / made.oscillatorHenries();
            double a = 1 / (made.oscillatorHenries() * made.padderFarads());
            return b / (wanted - a) - made.trimmerFarads();
        }

        double oscillator(double dial) {
            double henries = made.oscillatorHenries() * (1 + core.off);
            double shunt = gang(dial) + made.trimmerFarads() + trimmer.off;
            return Math.sqrt(1 / (henries * made.padderFarads()) + 1 / (henries * shunt)) / (2 * Math.PI);
        }

        double signal(double dial) {
            double henries = made.signalHenries() * (1 + aerialCore.off);
            return 1 / (2 * Math.PI * Math.sqrt(henries * (gang(dial) + aerialTrimmer.off)));
        }
    }

    private final Map<String, Core> cores = new LinkedHashMap<>();
    private final Map<String, Tuner> tuners = new HashMap<>();
    private final double intermediate;
    private final double fmIntermediate;
    private final int cans;
    private final int fmCans;
    private final boolean trap;
    private final long seed;

    /** @param seed of how far everything is off, and of the noise */
    public SimulatedReceiver(ReceiverSaid receiver, List<Band> bands, long seed) {
        Random random = new Random(seed);
        this.seed = seed;
        cans = receiver.cans();
        fmCans = receiver.fm() ? receiver.fmCans() : 0;
        intermediate = frequency(bands, false);
        fmIntermediate = frequency(bands, true);
        for (int can = 1; can <= cans; can++) {
            cores.put("IF" + can + "P", new Core(between(random, 0.02), 0.012));
            cores.put("IF" + can + "S", new Core(between(random, 0.02), 0.012));
        }
        trap = receiver.has().contains(ReceiverSaid.Has.TRAP);
        cores.put("TRAP", new Core(between(random, 0.04), 0.02));
        for (int can = 1; can <= fmCans; can++) {
            cores.put("FMIF" + can + "P", new Core(between(random, 0.015), 0.008));
            cores.put("FMIF" + can + "S", new Core(between(random, 0.015), 0.008));
        }
        cores.put("DETP", new Core(between(random, 0.012), 0.008));
        cores.put("DETS", new Core(between(random, 0.012), 0.008));
        for (Band band : bands) {
            Tuner tuner = new Tuner(band, random);
            String name = band.said().name();
            tuners.put(name, tuner);
            cores.put("OSC-" + name + "-CORE", tuner.core);
            cores.put("OSC-" + name + "-TRIM", tuner.trimmer);
            cores.put("AER-" + name + "-CORE", tuner.aerialCore);
            cores.put("AER-" + name + "-TRIM", tuner.aerialTrimmer);
        }
    }

    private static double frequency(List<Band> bands, boolean fm) {
        return bands.stream()
                .filter(Band::superhet)
                .filter(b -> b.frequencyModulated() == fm)
                .mapToDouble(b -> 1000 * b.said().intermediateKilohertz())
                .findFirst()
                .orElse(fm ? 10.7e6 : 455e3);
    }

    private static double between(Random random, double most) {
        return most * (2 * random.nextDouble() - 1);
    }

    private static double square(double value) {
        return value * value;
    }

    /** What can be turned, by name. */
    public Set<String> cores() {
        return cores.keySet();
    }

    /** Its bands, by name. */
    public Set<String> bands() {
        return tuners.keySet();
    }

    /**
     * Turns something.
     *
     * @param turns to the right, in
     * @throws IllegalArgumentException when it has no such core
     */
    public void turn(String core, double turns) {
        Core turned = cores.get(core);
        if (turned == null) {
            throw new IllegalArgumentException("it has no core " + core + "; it has " + cores.keySet());
        }
        // A core turned in lowers the frequency, as a trimmer does.
        turned.off += turns
                * turned.perTurn
                * (core.contains("IF") || core.startsWith("DET") || core.equals("TRAP") ? -1 : 1);
    }

    /** The intermediate frequency at which a can's two circuits stand together [Hz]. */
    public double canHertz(boolean fm, int can) {
        String name = (fm ? "FMIF" : "IF") + can;
        double off = (cores.get(name + "P").off + cores.get(name + "S").off) / 2;
        return (fm ? fmIntermediate : intermediate) * (1 + off);
    }

    /** What comes in where the dial shows a frequency [Hz]. */
    public double comesIn(String band, double dial) {
        Tuner tuner = tuners.get(band);
        double between = 1000 * tuner.band.said().intermediateKilohertz();
        double oscillator = tuner.oscillator(dial);
        return tuner.band.said().oscillatorAbove() ? oscillator - between : oscillator + between;
    }

    /**
     * What the meters show.
     *
     * @param band that is switched on; empty while the oscillator is stopped
     * @param dial where the pointer stands [Hz]
     * @throws IllegalArgumentException when it has no such band
     */
    public Shown shown(Generator generator, String band, double dial) {
        if (!band.isEmpty() && !tuners.containsKey(band)) {
            throw new IllegalArgumentException("it has no band " + band + "; it has " + tuners.keySet());
        }
        boolean fm = generator.feed == Feed.FM_AERIAL
                || generator.feed == Feed.FM_MIXER
                || generator.feed == Feed.LAST_IF
                || !band.isEmpty() && tuners.get(band).band.frequencyModulated();
        // Of the state and not of how often somebody looks: who looks twice sees the same.
        double hiss = NOISE_VOLTS * (1 + 0.02 * new Random(state(generator, dial)).nextGaussian());
        return fm ? frequencyModulated(generator, band, dial, hiss) : amplitudeModulated(generator, band, dial, hiss);
    }

    private long state(Generator generator, double dial) {
        long state = seed + Double.hashCode(generator.hertz) + 31L * Double.hashCode(generator.volts);
        for (Core core : cores.values()) {
            state = 31 * state + Double.hashCode(core.off);
        }
        return 31 * state + Double.hashCode(dial);
    }

    private boolean throughAir(Feed feed) {
        return feed == Feed.AERIAL || feed == Feed.LOOP || feed == Feed.SHORT_WAVE || feed == Feed.FM_AERIAL;
    }

    private Shown amplitudeModulated(Generator generator, String band, double dial, double hiss) {
        double before = 1;
        double passes = generator.hertz;
        if (throughAir(generator.feed) && !band.isEmpty()) {
            Tuner tuner = tuners.get(band);
            before = 4 * single(generator.hertz, tuner.signal(dial), AERIAL_QUALITY);
            if (trap) {
                double at = intermediate * (1 + cores.get("TRAP").off);
                before /= 1 + TRAP_DEPTH * single(generator.hertz, at, TRAP_QUALITY);
            }
            // What is near the intermediate frequency goes straight through.
            double mixed = Math.abs(tuner.oscillator(dial) - generator.hertz);
            passes = Math.abs(generator.hertz / intermediate - 1) < 0.1 ? generator.hertz : mixed;
        }
        double signal = GAIN * generator.volts * before;
        for (int can = 1; can <= cans; can++) {
            signal *= coupled(passes, "IF" + can, intermediate, IF_QUALITY);
        }
        // The volume control holds back what is above its delay.
        double detected = signal <= DELAY_VOLTS ? signal : DELAY_VOLTS * Math.pow(signal / DELAY_VOLTS, 0.3);
        double output = AUDIO * Math.hypot(detected, hiss);
        return new Shown(output, Math.max(0, detected - 0.1), 0, 0);
    }

    private Shown frequencyModulated(Generator generator, String band, double dial, double hiss) {
        double before = 1;
        double passes = generator.hertz;
        double gain = generator.feed == Feed.LAST_IF ? LAST_IF_GAIN : GAIN / 10;
        if (generator.feed == Feed.FM_AERIAL && !band.isEmpty()) {
            Tuner tuner = tuners.get(band);
            before = 2 * single(generator.hertz, tuner.signal(dial), FM_AERIAL_QUALITY);
            passes = Math.abs(tuner.oscillator(dial) - generator.hertz);
        }
        double signal = gain * generator.volts * before;
        if (generator.feed != Feed.LAST_IF) {
            for (int can = 1; can <= fmCans; can++) {
                signal *= coupled(passes, "FMIF" + can, fmIntermediate, FM_QUALITY);
            }
        }
        double limited = signal / (1 + signal / LIMIT_VOLTS) + hiss / 10;
        double q = DETECTOR_QUALITY;
        Complex primary = new Complex(1, 2 * q * off(passes, "DETP"));
        Complex secondary = new Complex(1, 2 * q * off(passes, "DETS"));
        Complex whole = primary.multiply(secondary).add(square(COUPLING));
        Complex atPrimary = secondary.divide(whole);
        Complex half = new Complex(0, COUPLING).divide(whole);
        double upper = atPrimary.add(half).norm();
        double lower = atPrimary.subtract(half).norm();
        double stabiliser = limited * (upper + lower);
        return new Shown(
                AUDIO * limited * Math.abs(upper - lower) + hiss / 100,
                0,
                stabiliser,
                upper + lower > 0 ? stabiliser / 2 * (lower - upper) / (upper + lower) : 0);
    }

    private double off(double hertz, String core) {
        return hertz / (fmIntermediate * (1 + cores.get(core).off)) - 1;
    }

    private static double single(double hertz, double tuned, double quality) {
        return 1 / Math.hypot(1, quality * (hertz / tuned - tuned / hertz));
    }

    /** Two circuits that are coupled, 1 where both are tuned. */
    private double coupled(double hertz, String can, double made, double quality) {
        double first = 2 * quality * (hertz / (made * (1 + cores.get(can + "P").off)) - 1);
        double second = 2 * quality * (hertz / (made * (1 + cores.get(can + "S").off)) - 1);
        Complex whole = new Complex(1, first).multiply(new Complex(1, second)).add(square(COUPLING));
        return (1 + square(COUPLING)) / whole.norm();
    }
}
