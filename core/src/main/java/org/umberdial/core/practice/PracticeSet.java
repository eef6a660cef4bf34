package org.umberdial.core.practice;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import java.util.stream.Collectors;
import org.umberdial.core.circuit.cold.ColdOhms;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.network.Amplifier;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.work.AtWork;
import org.umberdial.core.circuit.work.MeterReadings;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.circuit.work.Ripple;
import org.umberdial.core.diagnosis.BenchReadings;
import org.umberdial.core.diagnosis.FaultMode;
import org.umberdial.core.diagnosis.FaultModes;
import org.umberdial.core.diagnosis.Spot;
import org.umberdial.core.expect.HealthySet;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.tube.TubeModels;
import org.umberdial.core.value.Volts;

/**
 * An invented set with something hidden in it: built to a circuit with tolerances, emissions, line and meter drawn by
 * lot, and perhaps with faults. The same level and number make the same set.
 */
public final class PracticeSet {
    /** What the simulated meter puts into a circuit. */
    public static final Meter METER = Meter.parse("10M");

    private static final Set<FaultMode.Kind> CLASSICS = Set.of(
            FaultMode.Kind.LEAKS,
            FaultMode.Kind.DRIFTED_UP,
            FaultMode.Kind.OPEN,
            FaultMode.Kind.DRIED_OUT,
            FaultMode.Kind.WEAK);
    private static final double CONSPICUOUS = 0.5;
    private static final double HEALTHY_SHARE = 0.35;
    private static final double TWO_SHARE = 0.3;
    private static final double EMISSION = 0.1;
    private static final double LINE = 0.005;
    private static final double GAIN = 0.004;
    private static final int DIGITS = 3;
    /** A point is moved by a fault when it is off by this share, and so many volts. */
    private static final double MOVED_SHARE = 0.2;

    private static final double MOVED_VOLTS = 1;
    private static final double MOVED_RIPPLE = 2;
    private static final int MOST_TRIES = 400;
    /** A part turning more than this into heat, against its rating, does not last. */
    private static final double BURNS = 1.5;

    private final PracticeCircuit circuit;
    private final BenchSet set;
    private final Network network;
    private final List<FaultMode> faults;
    private final List<Double> grades;
    /** What the meter shows, by the faults that are left, as subjects. */
    private final Map<Set<String>, Map<Spot, Double>> shown;
    /** What burns while it runs, by the faults that are left. */
    private final Map<Set<String>, List<String>> burning;

    private PracticeSet(
            PracticeCircuit circuit,
            BenchSet set,
            Network network,
            List<FaultMode> faults,
            List<Double> grades,
            Map<Set<String>, Map<Spot, Double>> shown,
            Map<Set<String>, List<String>> burning) {
        this.circuit = circuit;
        this.set = set;
        this.network = network;
        this.faults = List.copyOf(faults);
        this.grades = List.copyOf(grades);
        this.shown = Map.copyOf(shown);
        this.burning = Map.copyOf(burning);
    }

    /**
     * Builds one.
     *
     * @param number any; the same makes the same set
     */
    public static PracticeSet of(Level level, long number, TubeModels tubes) {
        RandomGenerator lot = new SplittableRandom(number * Level.values().length + level.ordinal());
        PracticeCircuit[] circuits = PracticeCircuit.values();
        PracticeCircuit circuit = circuits[lot.nextInt(circuits.length)];
        BenchSet set = circuit.set(tubes);
        String mode = set.modes().isEmpty() ? "" : set.modes().get(0);
        Network network = HealthySet.of(set, mode).orElseThrow().network();
        Values built = built(set, network, lot);
        Map<Spot, Double> sound = read(set, network, built).orElseThrow();
        List<FaultMode> all = FaultModes.of(network, set.parts());
        // Drawn once: a sound set is never refused, and would come too often.
        int count = count(level, lot);
        for (int attempt = 0; attempt < MOST_TRIES; attempt++) {
            List<FaultMode> faults = new ArrayList<>();
            List<Double> grades = new ArrayList<>();
            for (int i = 0; i < count; i++) {
                FaultMode fault = drawn(level, all, lot);
                faults.add(fault);
                grades.add(grade(level, fault, lot));
            }
            Optional<Map<Spot, Double>> read = read(set, network, in(built, faults, grades));
            boolean whole = read.isPresent()
                    && faults.stream().map(FaultMode::subject).distinct().count() == count;
            if (whole && eachShows(set, network, built, sound, faults, grades, read.get())) {
                return whole(circuit, set, network, built, faults, grades, lot);
            }
        }
        throw new IllegalStateException("no fault of " + circuit + " shows");
    }

    /** With what its meter shows as long as all faults are there, and when some were mended. */
    private static PracticeSet whole(
            PracticeCircuit circuit,
            BenchSet set,
            Network network,
            Values built,
            List<FaultMode> faults,
            List<Double> grades,
            RandomGenerator lot) {
        double gain = 1 + GAIN * lot.nextGaussian();
        Map<Set<String>, Map<Spot, Double>> shown = new HashMap<>();
        Map<Set<String>, List<String>> burning = new HashMap<>();
        for (int mended = 0; mended < 1 << faults.size(); mended++) {
            List<FaultMode> left = new ArrayList<>();
            List<Double> leftGrades = new ArrayList<>();
            for (int i = 0; i < faults.size(); i++) {
                if ((mended >> i & 1) == 0) {
                    left.add(faults.get(i));
                    leftGrades.add(grades.get(i));
                }
            }
            Values truth = in(built, left, leftGrades);
            Set<String> subjects = left.stream().map(FaultMode::subject).collect(Collectors.toSet());
            shown.put(subjects, metered(read(set, network, truth).orElseThrow(), gain));
            burning.put(subjects, burning(set, network, truth));
        }
        return new PracticeSet(circuit, set, network, faults, grades, shown, burning);
    }

    private static int count(Level level, RandomGenerator lot) {
        double drawn = lot.nextDouble();
        return switch (level) {
            case PLAIN, ANY -> 1;
            case TWO -> 2;
            case MAYBE -> drawn < HEALTHY_SHARE ? 0 : drawn < HEALTHY_SHARE + TWO_SHARE ? 2 : 1;
        };
    }

    private static FaultMode drawn(Level level, List<FaultMode> all, RandomGenerator lot) {
        List<FaultMode> wanted = all.stream()
                .filter(mode -> level != Level.PLAIN || CLASSICS.contains(mode.kind()))
                .toList();
        double left =
                lot.nextDouble() * wanted.stream().mapToDouble(FaultMode::prior).sum();
        for (FaultMode mode : wanted) {
            left -= mode.prior();
            if (left <= 0) {
                return mode;
            }
        }
        return wanted.get(wanted.size() - 1);
    }

    /** On the plain level the graver half. */
    private static double grade(Level level, FaultMode fault, RandomGenerator lot) {
        double first = fault.grades().get(0);
        double last = fault.grades().get(fault.grades().size() - 1);
        double share = level == Level.PLAIN ? CONSPICUOUS + lot.nextDouble() / 2 : lot.nextDouble();
        return first > 0 ? first * Math.pow(last / first, share) : first;
    }

    private static Values built(BenchSet set, Network network, RandomGenerator lot) {
        Values values = Values.nominal(network);
        if (network.line().isPresent()) {
            values = values.atLine(network.line().get().volts() * (1 + LINE * lot.nextGaussian()));
        }
        for (Part part : set.parts()) {
            Card card = part.card();
            Optional<Double> value = card.value().filter(v -> v > 0);
            if ("RC".indexOf(card.letter()) >= 0
                    && value.isPresent()
                    && !card.kind().equals("switch")) {
                double share = Math.max(-1, Math.min(1, lot.nextGaussian() / 2));
                values = values.with(
                        card.reference(), value.get() * (1 + part.tolerance().fraction() * share));
            }
        }
        for (Amplifier tube : network.amplifiers()) {
            if (tube.bipolar().isEmpty()) {
                values = values.emitting(tube.part(), Math.min(1.25, Math.exp(EMISSION * lot.nextGaussian())));
            }
        }
        return values;
    }

    private static Values in(Values built, List<FaultMode> faults, List<Double> grades) {
        Values values = built;
        for (int i = 0; i < faults.size(); i++) {
            values = faults.get(i).in(values, grades.get(i));
        }
        return values;
    }

    /** What a perfect meter shows everywhere; empty when the set does not settle. */
    private static Optional<Map<Spot, Double>> read(BenchSet set, Network network, Values values) {
        AtWork work = new AtWork(network);
        Optional<OperatingPoint> point = work.solve(values).settled();
        if (point.isEmpty()) {
            return Optional.empty();
        }
        Map<Spot, Double> shown = new LinkedHashMap<>();
        MeterReadings meter = new MeterReadings(work, point.get());
        Map<String, Double> ohms = new ColdOhms(values).chart("0");
        List<String> points = BenchReadings.points(set);
        for (String node : points) {
            OptionalDouble volts =
                    meter.reads(node, v -> METER.inputResistance(new Volts(v)).value());
            // On a node that nothing holds a meter pulls to nothing.
            shown.put(Spot.dc(node), volts.orElse(0));
            shown.put(new Spot(node, Spot.Kind.OHMS), ohms.get(node));
        }
        Ripple.of(work, values)
                .ifPresent(ripple ->
                        points.forEach(node -> shown.put(new Spot(node, Spot.Kind.RIPPLE), ripple.rms(node))));
        return Optional.of(shown);
    }

    /**
     * Whether every fault moves what the others leave by more than a tolerance does: nobody hides what cannot be found.
     */
    private static boolean eachShows(
            BenchSet set,
            Network network,
            Values built,
            Map<Spot, Double> sound,
            List<FaultMode> faults,
            List<Double> grades,
            Map<Spot, Double> read) {
        for (int i = 0; i < faults.size(); i++) {
            List<FaultMode> others = new ArrayList<>(faults);
            List<Double> otherGrades = new ArrayList<>(grades);
            others.remove(i);
            otherGrades.remove(i);
            Optional<Map<Spot, Double>> without =
                    others.isEmpty() ? Optional.of(sound) : read(set, network, in(built, others, otherGrades));
            if (without.isEmpty() || !moved(without.get(), read)) {
                return false;
            }
        }
        return true;
    }

    private static boolean moved(Map<Spot, Double> without, Map<Spot, Double> with) {
        return without.entrySet().stream().anyMatch(e -> {
            double before = e.getValue();
            double after = with.getOrDefault(e.getKey(), before);
            return switch (e.getKey().kind()) {
                case DC -> Math.abs(after - before) > Math.max(MOVED_VOLTS, MOVED_SHARE * Math.abs(before));
                case RIPPLE -> after > MOVED_RIPPLE * before && after > 0.1;
                case OHMS -> false;
            };
        });
    }

    /** As one meter of the trade shows it: a little high or low, and three digits of it. */
    private static Map<Spot, Double> metered(Map<Spot, Double> read, double gain) {
        Map<Spot, Double> shown = new LinkedHashMap<>();
        read.forEach((spot, value) -> shown.put(spot, rounded(value * gain)));
        return shown;
    }

    private static double rounded(double value) {
        return Double.isFinite(value)
                ? BigDecimal.valueOf(value)
                        .round(new MathContext(DIGITS, RoundingMode.HALF_EVEN))
                        .doubleValue()
                : value;
    }

    private static List<String> burning(BenchSet set, Network network, Values truth) {
        return new AtWork(network)
                .solve(truth)
                .settled()
                .map(point -> set.parts().stream()
                        .filter(part -> part.ratingWatts()
                                .filter(watts -> point.watts(part.reference()) > BURNS * watts)
                                .isPresent())
                        .map(Part::reference)
                        .sorted(Comparator.naturalOrder())
                        .toList())
                .orElse(List.of());
    }

    public String title() {
        return circuit.title();
    }

    /** Its circuit as a file, in the order it was drawn. */
    public Deck deck() {
        return circuit.deck();
    }

    /** As it is drawn. */
    public BenchSet set() {
        return set;
    }

    public Network network() {
        return network;
    }

    /** What can be read, and where. */
    public Set<Spot> spots() {
        return shown.get(Set.copyOf(bad())).keySet();
    }

    /**
     * What the meter shows there [V, Ω].
     *
     * @param mended what was wrong and was replaced
     * @throws IllegalArgumentException when nothing can be read there
     */
    public double read(Spot spot, Set<String> mended) {
        Double value = shown.get(left(mended)).get(spot);
        if (value == null) {
            throw new IllegalArgumentException("nothing is read at " + spot);
        }
        return value;
    }

    private Set<String> left(Set<String> mended) {
        return bad().stream().filter(part -> !mended.contains(part)).collect(Collectors.toSet());
    }

    /** Whether a part, or a tube, is what is wrong. */
    public boolean isBad(String subject) {
        return faults.stream().anyMatch(fault -> fault.subject().equalsIgnoreCase(subject));
    }

    /** What a test of it by itself says, a sentence. */
    public String tested(String subject) {
        for (int i = 0; i < faults.size(); i++) {
            if (faults.get(i).subject().equalsIgnoreCase(subject)) {
                return faults.get(i).says(grades.get(i)) + ".";
            }
        }
        return subject + " is as it should be.";
    }

    /** Everything that is wrong, as subjects. */
    public List<String> bad() {
        return faults.stream().map(FaultMode::subject).toList();
    }

    /** What is wrong, in words; that nothing is when nothing is. */
    public List<String> says() {
        List<String> says = new ArrayList<>();
        for (int i = 0; i < faults.size(); i++) {
            says.add(faults.get(i).says(grades.get(i)));
        }
        return says.isEmpty() ? List.of("Nothing was wrong with it") : says;
    }

    /** Parts that turn much more into heat than they are made for while it runs. */
    public List<String> burning(Set<String> mended) {
        return burning.get(left(mended));
    }

    /** What can be tested by itself and named: every part and tube that may fail. */
    public List<String> subjects() {
        return FaultModes.of(network, set.parts()).stream()
                .map(FaultMode::subject)
                .distinct()
                .toList();
    }
}
