package org.umberdial.core.diagnosis;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.stream.IntStream;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.circuit.network.Amplifier;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.work.AtWork;
import org.umberdial.core.circuit.work.MeterReadings;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.set.CircuitImport;
import org.umberdial.core.set.Part;
import org.umberdial.core.tube.TubeModels;
import org.umberdial.core.value.Volts;

/**
 * Sets of one circuit with a fault that nobody told: every part within its tolerance, every tube with an emission and a
 * contact potential of its own (a source in its grid lead, which the atlas knows nothing of), line and meter off by
 * what they may be.
 */
final class HiddenFaults {
    private static final Meter METER = Meter.parse("10M");
    private static final double CONTACT_VOLTS = 0.08;
    private static final double EMISSION = 0.12;
    private static final double LINE = 0.008;
    private static final double GAIN = 0.006;
    private static final double OWN = 0.005;
    private static final double DIGIT = 0.02;

    /** @param modes none for a healthy set, @param readings by node */
    record Case(List<FaultMode> modes, List<Double> grades, Map<String, Double> readings, boolean eachShows) {}

    private final String deck;
    private final String mode;
    final List<Part> parts;
    final Network network;
    final Atlas atlas;

    HiddenFaults(String deck, String mode) {
        this.deck = deck;
        this.mode = mode;
        Deck read = DeckReader.read(deck);
        parts = CircuitImport.parts(read);
        network = Network.of(read, TubeModels.shipped(), mode);
        atlas = Atlas.of(network, parts, OptionalDouble.empty(), METER, read.testPoints())
                .orElseThrow();
    }

    /** A fault that some point shows, at any degree, by how often it comes; empty when its set does not settle. */
    Optional<Case> one(Random random, int faults) {
        List<FaultMode> modes = new ArrayList<>();
        List<Double> grades = new ArrayList<>();
        double all = atlas.tracks().stream().mapToDouble(t -> t.mode().prior()).sum();
        while (modes.size() < faults) {
            double left = random.nextDouble() * all;
            for (Atlas.Track track : atlas.tracks()) {
                left -= track.mode().prior();
                if (left <= 0) {
                    FaultMode mode = track.mode();
                    double first = mode.grades().get(0);
                    double last = mode.grades().get(mode.grades().size() - 1);
                    modes.add(mode);
                    grades.add(first > 0 ? first * Math.pow(last / first, random.nextDouble()) : first);
                    break;
                }
            }
        }
        return read(random, modes, grades);
    }

    Optional<Case> read(Random random, List<FaultMode> modes, List<Double> grades) {
        Deck truth = withContactPotentials(random);
        Network other = Network.of(truth, TubeModels.shipped(), mode);
        Values values = Values.nominal(other);
        if (other.line().isPresent()) {
            values = values.atLine(other.line().get().volts() * (1 + LINE * random.nextGaussian()));
        }
        for (Part part : parts) {
            Card card = part.card();
            boolean drawn = "RC".indexOf(card.letter()) >= 0
                    && card.value().filter(v -> v > 0).isPresent()
                    && !card.kind().equals("switch");
            if (drawn) {
                double share = Math.max(-1, Math.min(1, random.nextGaussian() / 2));
                values = values.with(
                        card.reference(),
                        card.value().get() * (1 + part.tolerance().fraction() * share));
            }
        }
        for (Amplifier tube : other.amplifiers()) {
            if (tube.bipolar().isEmpty()) {
                values = values.emitting(tube.part(), Math.min(1.35, Math.exp(EMISSION * random.nextGaussian())));
            }
        }
        for (int i = 0; i < modes.size(); i++) {
            values = modes.get(i).in(values, grades.get(i));
        }
        AtWork work = new AtWork(other);
        Optional<OperatingPoint> point = work.solve(values).settled();
        if (point.isEmpty()) {
            return Optional.empty();
        }
        MeterReadings shown = new MeterReadings(work, point.get());
        double gain = 1 + GAIN * random.nextGaussian();
        Map<String, Double> readings = new LinkedHashMap<>();
        for (String node : atlas.points()) {
            OptionalDouble volts =
                    shown.reads(node, v -> METER.inputResistance(new Volts(v)).value());
            if (volts.isPresent()) {
                readings.put(
                        node,
                        volts.getAsDouble() * gain * (1 + OWN * random.nextGaussian()) + DIGIT * random.nextGaussian());
            }
        }
        boolean eachShows = IntStream.range(0, modes.size()).allMatch(i -> shows(modes, grades, i));
        return Optional.of(new Case(modes, grades, readings, eachShows));
    }

    /** Whether a fault moves what the others leave, by more than tolerances do. */
    private boolean shows(List<FaultMode> modes, List<Double> grades, int one) {
        Values without = Values.nominal(network);
        for (int i = 0; i < modes.size(); i++) {
            without = i == one ? without : modes.get(i).in(without, grades.get(i));
        }
        AtWork work = new AtWork(network);
        Optional<OperatingPoint> before = work.solve(without).settled();
        Optional<OperatingPoint> after =
                work.solve(modes.get(one).in(without, grades.get(one))).settled();
        for (int i = 0; i < atlas.points().size() && before.isPresent() && after.isPresent(); i++) {
            String node = atlas.points().get(i);
            double moved =
                    after.get().volts(node).orElse(0) - before.get().volts(node).orElse(0);
            if (Math.abs(moved) > 3 * Math.sqrt(Scatter.covariance(atlas.healthy(), i, i))) {
                return true;
            }
        }
        return false;
    }

    private Deck withContactPotentials(Random random) {
        StringBuilder text = new StringBuilder();
        List<String> sources = new ArrayList<>();
        Map<String, Amplifier> tubes = new LinkedHashMap<>();
        network.amplifiers().stream()
                .filter(tube -> tube.bipolar().isEmpty())
                .forEach(tube -> tubes.put(tube.part().toUpperCase(java.util.Locale.ROOT), tube));
        for (String line : deck.lines().toList()) {
            String[] words = line.strip().split("\\s+");
            Amplifier tube = tubes.get(words[0].toUpperCase(java.util.Locale.ROOT));
            if (tube == null || tube.grid() < 0) {
                text.append(line).append('\n');
                continue;
            }
            String grid = network.names().get(tube.grid());
            int at = 0;
            for (int i = 1; i < words.length && at == 0; i++) {
                at = words[i].equalsIgnoreCase(grid) ? i : 0;
            }
            if (at == 0) {
                text.append(line).append('\n');
                continue;
            }
            words[at] = "in_" + words[0].toLowerCase(java.util.Locale.ROOT);
            text.append(String.join(" ", words)).append('\n');
            sources.add("V" + words[0] + "CP " + words[at] + " " + grid + " "
                    + String.format(java.util.Locale.ROOT, "%.4f", CONTACT_VOLTS * random.nextGaussian()));
        }
        String whole = text.toString();
        return DeckReader.read(whole.replaceFirst("(?im)^\\.end\\s*$", String.join("\n", sources) + "\n.end"));
    }
}
