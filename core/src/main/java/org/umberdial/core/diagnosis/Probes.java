package org.umberdial.core.diagnosis;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.umberdial.core.diagnosis.Weighing.Piece;

/**
 * What would tell most: for each point that was not read, by how many bits its reading is expected to narrow down what
 * is wrong (mutual information between the fault and the reading; D. MacKay, Information Theory, Inference and Learning
 * Algorithms, 2003, 8.1), and for each suspect by how many its own test would.
 */
final class Probes {
    /** Faults believed less make no difference to what is read next. */
    private static final double LEAST_BELIEF = 1e-3;

    private static final int MOST_BELLS = 60;
    private static final int STEPS = 12;
    private static final double REACH = 4;
    /** So far out a bell adds nothing to a mixture. */
    private static final double NOTHING_BEYOND = 7;

    private static final double LEAST_BITS = 0.005;
    private final Atlas atlas;
    private final Weighing weighing;
    private final double[] belief;
    /** Pieces that are believed enough to matter, the most believed first. */
    private final int[] weighty;

    private final List<Pairs.Pair> pairs;
    private final double[] pairBelief;

    Probes(Atlas atlas, Weighing weighing, double[] belief, List<Pairs.Pair> pairs, double[] pairBelief) {
        this.pairs = pairs;
        this.pairBelief = pairBelief;
        this.atlas = atlas;
        this.weighing = weighing;
        this.belief = belief;
        weighty = IntStream.range(0, belief.length)
                .filter(i -> belief[i] >= LEAST_BELIEF)
                .boxed()
                .sorted(Comparator.comparingDouble(i -> -belief[i]))
                .limit(MOST_BELLS)
                .mapToInt(Integer::intValue)
                .toArray();
    }

    /** What a part's fault makes of a point that was not read, given what was. */
    private record Bell(String subject, double weight, double mean, double deviation) {}

    List<Diagnosis.Probe> best() {
        List<Diagnosis.Probe> all = new ArrayList<>();
        for (int i = 0; i < atlas.spots().size(); i++) {
            if (Double.isNaN(weighing.figures()[i])
                    && !Double.isNaN(atlas.healthy().volts()[i])) {
                double bits = bits(bells(i));
                if (bits > LEAST_BITS) {
                    Spot spot = atlas.spots().get(i);
                    all.add(new Diagnosis.Probe(Optional.of(spot), "", bits, Effort.minutes(spot)));
                }
            }
        }
        Map<String, Double> parts = new HashMap<>();
        Map<String, FaultMode> modes = new HashMap<>();
        Map<String, Double> most = new HashMap<>();
        for (int i = 0; i < belief.length; i++) {
            FaultMode mode = weighing.pieces().get(i).track().mode();
            believe(mode, belief[i], parts, modes, most);
        }
        for (int i = 0; i < pairBelief.length; i++) {
            believe(pairs.get(i).one(), pairBelief[i], parts, modes, most);
            believe(pairs.get(i).other(), pairBelief[i], parts, modes, most);
        }
        parts.forEach((name, believed) -> {
            double bits = uncertain(Math.min(1, believed));
            boolean tested = Standing.isSettled(weighing.standing(modes.get(name)));
            if (believed > LEAST_BELIEF && bits > LEAST_BITS && !tested) {
                all.add(new Diagnosis.Probe(
                        Optional.empty(),
                        name,
                        bits,
                        Effort.minutes(modes.get(name).part())));
            }
        });
        all.sort(Comparator.comparingDouble(Diagnosis.Probe::perMinute).reversed());
        return all;
    }

    /** @param modes each part's most believed way of being bad, {@code most} how much that is */
    private static void believe(
            FaultMode mode,
            double belief,
            Map<String, Double> parts,
            Map<String, FaultMode> modes,
            Map<String, Double> most) {
        parts.merge(mode.subject(), belief, Double::sum);
        if (belief > most.getOrDefault(mode.subject(), -1.0)) {
            most.put(mode.subject(), belief);
            modes.put(mode.subject(), mode);
        }
    }

    private static double uncertain(double p) {
        return p <= 0 || p >= 1 ? 0 : -(p * Math.log(p) + (1 - p) * Math.log(1 - p)) / Math.log(2);
    }

    private List<Bell> bells(int point) {
        List<Bell> bells = new ArrayList<>();
        double rest = 1;
        for (int i : weighty) {
            Piece piece = weighing.pieces().get(i);
            if (!Double.isNaN(piece.volts(point))) {
                bells.add(bell(piece.track().mode().subject(), belief[i], piece.mild(), piece, point));
                rest -= belief[i];
            }
        }
        for (int i = 0; i < pairBelief.length; i++) {
            Pairs.Pair pair = pairs.get(i);
            if (pairBelief[i] >= LEAST_BELIEF && !Double.isNaN(pair.place().volts()[point])) {
                bells.add(bell(
                        pair.one().subject() + "+" + pair.other().subject(), pairBelief[i], pair.place(), null, point));
                rest -= pairBelief[i];
            }
        }
        // All else is taken as a healthy set: nothing is expected of what nobody reckons.
        bells.add(bell("", Math.max(1e-6, rest), atlas.healthy(), null, point));
        return bells;
    }

    private Bell bell(String subject, double weight, Atlas.Place place, Piece piece, int point) {
        double middle = piece == null ? place.volts()[point] : piece.volts(point);
        int[] rows = Arrays.stream(weighing.read())
                .filter(i -> !Double.isNaN(place.volts()[i]) && (piece == null || !Double.isNaN(piece.volts(i))))
                .toArray();
        double variance = Scatter.covariance(place, point, point);
        double mean = middle;
        if (rows.length > 0) {
            Scatter scatter = new Scatter(place, rows);
            double[] shared = new double[rows.length];
            double[] off = new double[rows.length];
            for (int k = 0; k < rows.length; k++) {
                shared[k] = Scatter.covariance(place, point, rows[k]);
                off[k] = weighing.figures()[rows[k]] - (piece == null ? place.volts()[rows[k]] : piece.volts(rows[k]));
            }
            double[] white = scatter.whitened(shared);
            double[] weights = scatter.weighted(white);
            for (int k = 0; k < rows.length; k++) {
                mean += weights[k] * off[k];
                variance -= white[k] * white[k];
            }
        }
        if (piece != null) {
            double along = (piece.grave().volts()[point] - piece.mild().volts()[point]) * piece.width();
            variance = Math.max(variance, 0) + along * along;
        }
        double own = place.own()[point];
        return new Bell(subject, weight, mean, Math.sqrt(Math.max(variance, own * own)));
    }

    /** Bits that the reading of a mixture tells of whose bell it came from. */
    private static double bits(List<Bell> bells) {
        double sum = 0;
        for (Bell bell : bells) {
            sum += bell.weight;
        }
        Map<String, Integer> numbers = new HashMap<>();
        bells.forEach(bell -> numbers.putIfAbsent(bell.subject, numbers.size()));
        double[] weight = new double[numbers.size()];
        for (Bell bell : bells) {
            weight[numbers.get(bell.subject)] += bell.weight / sum;
        }
        double told = 0;
        double mass = 0;
        double[] here = new double[weight.length];
        // Steps are fine where bells stand: each bell's own reach is walked, weighed by how much of the mixture is its.
        for (Bell one : bells) {
            double step = 2 * REACH * one.deviation / STEPS;
            for (double at = one.mean - REACH * one.deviation; at <= one.mean + REACH * one.deviation; at += step) {
                Arrays.fill(here, 0);
                double all = 0;
                for (Bell bell : bells) {
                    double away = (at - bell.mean) / bell.deviation;
                    if (Math.abs(away) > NOTHING_BEYOND) {
                        continue;
                    }
                    double density = Normal.density(away) / bell.deviation * bell.weight / sum;
                    here[numbers.get(bell.subject)] += density;
                    all += density;
                }
                double share =
                        Normal.density((at - one.mean) / one.deviation) / one.deviation * one.weight / sum * step;
                for (int k = 0; k < here.length; k++) {
                    if (here[k] > 1e-300) {
                        double posterior = here[k] / all;
                        told += share * posterior * Math.log(posterior / weight[k]);
                    }
                }
                mass += share;
            }
        }
        return Math.max(0, told / Math.max(1e-9, mass) / Math.log(2));
    }
}
