package org.umberdial.core.diagnosis;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * Two faults at once. All pairs are tried as if each moved the readings by what it does alone; the best of them are
 * solved together, and their degrees improved, since a short after a dried capacitor moves less than both by
 * themselves.
 */
final class Pairs {
    /** Two independent faults against one, before anything is read. */
    private static final double PRIOR = 0.12;

    private static final int MOST_SOLVED = 8;
    private static final int MOST_KEPT = 400;
    private static final int ROUNDS = 2;
    /** A degree changes by no more than this in a round, in the share of its whole range. */
    private static final double LONGEST_STRIDE = 0.25;

    /** So far below the best, a logarithm, a pair is not improved any more. */
    private static final double HOPELESS = 25;
    /** And so far below it nobody asks what else it would show. */
    private static final double WORTH_WHOLE = 7;

    /** Two faults do not add: by so much of what they move, each may be off beside the other. */
    private static final double SHARED = 0.2;
    /** A degree is fitted: what that is worth against one that was foretold, a logarithm. */
    private static final double DEGREE = Math.log(0.15);

    /**
     * @param place both together, solved
     * @param log of its weight, to be compared with the weighing's
     */
    record Pair(FaultMode one, double oneGrade, FaultMode other, double otherGrade, Atlas.Place place, double log) {}

    private record Sketch(Atlas.Track one, Atlas.Place a, Atlas.Track other, Atlas.Place b, double log) {}

    private final Atlas atlas;
    private final Weighing weighing;
    private final int[] rows;
    /** Whether something was read that is no direct volts. */
    private final boolean besideRead;

    Pairs(Atlas atlas, Weighing weighing) {
        this.atlas = atlas;
        this.weighing = weighing;
        rows = weighing.read();
        besideRead = IntStream.of(rows).anyMatch(i -> atlas.spots().get(i).kind() != Spot.Kind.DC);
    }

    List<Pair> best() {
        Scatter scatter = new Scatter(atlas.healthy(), rows);
        double[] read =
                scatter.whitened(difference(weighing.figures(), atlas.healthy().volts()));
        List<Moved> moves = moves(scatter);
        List<Sketch> sketches = new ArrayList<>();
        double worst = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < moves.size(); i++) {
            Moved a = moves.get(i);
            for (int j = i + 1; j < moves.size(); j++) {
                Moved b = moves.get(j);
                if (a.track == b.track
                        || a.track.mode().subject().equals(b.track.mode().subject())) {
                    continue;
                }
                double log = a.prior + b.prior - apart(read, a, b) / 2;
                if (sketches.size() < MOST_KEPT || log > worst) {
                    sketches.add(new Sketch(a.track, a.place, b.track, b.place, log));
                    if (sketches.size() > 2 * MOST_KEPT) {
                        sketches.sort(Comparator.comparingDouble(sketch -> -sketch.log));
                        sketches.subList(MOST_KEPT, sketches.size()).clear();
                        worst = sketches.get(MOST_KEPT - 1).log;
                    }
                }
            }
        }
        sketches.sort(Comparator.comparingDouble(sketch -> -sketch.log));
        List<Pair> pairs = new ArrayList<>();
        Set<String> tried = new HashSet<>();
        double best = Double.NEGATIVE_INFINITY;
        for (Sketch sketch : sketches) {
            String both = sketch.one.mode().part()
                    + sketch.one.mode().kind()
                    + sketch.other.mode().part()
                    + sketch.other.mode().kind();
            if (tried.size() < MOST_SOLVED && tried.add(both)) {
                Optional<Pair> solved = solved(sketch, best);
                solved.ifPresent(pairs::add);
                best = Math.max(best, solved.map(Pair::log).orElse(best));
            }
        }
        double most = best;
        // What is believed is asked for elsewhere too: only there the rest of what it would show is worth solving.
        return pairs.stream()
                .map(pair -> pair.log > most - WORTH_WHOLE ? whole(pair) : pair)
                .toList();
    }

    /** @param white how it moves the readings, in deviations; @param prior of it and of its degree, a logarithm */
    private record Moved(Atlas.Track track, Atlas.Place place, double[] white, double prior) {}

    private List<Moved> moves(Scatter scatter) {
        double all = atlas.tracks().stream()
                .mapToDouble(track -> track.mode().prior())
                .sum();
        List<Moved> moves = new ArrayList<>();
        for (Atlas.Track track : atlas.tracks()) {
            double prior = Math.log(track.mode().prior()
                    / all
                    * weighing.standing(track.mode())
                    / track.places().size());
            for (Atlas.Place place : track.places()) {
                if (IntStream.of(rows).noneMatch(i -> Double.isNaN(place.volts()[i]))) {
                    moves.add(new Moved(
                            track,
                            place,
                            scatter.whitened(
                                    difference(place.volts(), atlas.healthy().volts())),
                            prior));
                }
            }
        }
        return moves;
    }

    private double[] difference(double[] a, double[] b) {
        return IntStream.of(rows).mapToDouble(i -> a[i] - b[i]).toArray();
    }

    /** Readings against both, as if they added; what is far off by anything gross counts no more than what is off. */
    private static double apart(double[] read, Moved a, Moved b) {
        double sum = 0;
        for (int i = 0; i < read.length; i++) {
            double off = read[i] - a.white[i] - b.white[i];
            double gross = Math.abs(a.white[i]) + Math.abs(b.white[i]);
            double width = 1 + SHARED * gross;
            sum += off * off / (width * width);
        }
        return sum;
    }

    private Pair whole(Pair pair) {
        return besideRead
                ? pair
                : atlas.both(pair.one, pair.oneGrade, pair.other, pair.otherGrade, true)
                        .map(place -> new Pair(
                                pair.one,
                                pair.oneGrade,
                                pair.other,
                                pair.otherGrade,
                                new Atlas.Place(0, place.volts(), pair.place.factor(), place.own()),
                                pair.log))
                        .orElse(pair);
    }

    /** @param best logarithm of the best so far: what is hopeless against it is not improved */
    private Optional<Pair> solved(Sketch sketch, double bestSoFar) {
        double one = share(sketch.one, sketch.a);
        double other = share(sketch.other, sketch.b);
        Optional<Pair> best = pair(sketch, one, other);
        for (int round = 0;
                round < ROUNDS
                        && best.filter(pair -> pair.log > bestSoFar - HOPELESS).isPresent();
                round++) {
            Pair now = best.get();
            double[] strides = strides(sketch, now, one, other);
            double nextOne = bounded(sketch.one, one + strides[0]);
            double nextOther = bounded(sketch.other, other + strides[1]);
            Optional<Pair> next = pair(sketch, nextOne, nextOther).filter(pair -> pair.log > now.log);
            if (next.isEmpty()) {
                return best;
            }
            best = next;
            one = nextOne;
            other = nextOther;
        }
        return best;
    }

    /** One step of Gauss and Newton in both degrees. */
    private double[] strides(Sketch sketch, Pair now, double one, double other) {
        Scatter scatter = new Scatter(now.place, rows);
        double[] off = scatter.whitened(difference(weighing.figures(), now.place.volts()));
        double[] byOne = slope(scatter, sketch.one, one);
        double[] byOther = slope(scatter, sketch.other, other);
        double a = dot(byOne, byOne) + 1e-9;
        double b = dot(byOne, byOther);
        double c = dot(byOther, byOther) + 1e-9;
        double p = dot(byOne, off);
        double q = dot(byOther, off);
        double determinant = a * c - b * b;
        return determinant < 1e-12 * a * c
                ? new double[] {limited(p / a), 0}
                : new double[] {limited((c * p - b * q) / determinant), limited((a * q - b * p) / determinant)};
    }

    /** How the readings move with a degree, as far as each fault alone tells: that costs no solving. */
    private double[] slope(Scatter scatter, Atlas.Track track, double at) {
        List<Atlas.Place> places = track.places();
        for (int i = 1; i < places.size(); i++) {
            double from = share(track, places.get(i - 1));
            double to = share(track, places.get(i));
            if (at <= to || i == places.size() - 1) {
                double[] move =
                        difference(places.get(i).volts(), places.get(i - 1).volts());
                boolean known = Arrays.stream(move).noneMatch(Double::isNaN) && to > from;
                double[] white = known ? scatter.whitened(move) : new double[move.length];
                return Arrays.stream(white).map(w -> w / (to - from)).toArray();
            }
        }
        return new double[rows.length];
    }

    private static double dot(double[] a, double[] b) {
        double sum = 0;
        for (int i = 0; i < a.length; i++) {
            sum += a[i] * b[i];
        }
        return sum;
    }

    private static double limited(double stride) {
        return Double.isNaN(stride) ? 0 : Math.max(-LONGEST_STRIDE, Math.min(LONGEST_STRIDE, stride));
    }

    private static double bounded(Atlas.Track track, double share) {
        return track.mode().byDegrees() ? Math.max(0, Math.min(1, share)) : 0;
    }

    /** Where a degree lies between the mildest and the gravest, 0 to 1. */
    private static double share(Atlas.Track track, Atlas.Place place) {
        List<Double> grades = track.mode().grades();
        double last = grades.get(grades.size() - 1);
        return track.mode().byDegrees() ? Math.log(place.grade() / grades.get(0)) / Math.log(last / grades.get(0)) : 0;
    }

    private static double grade(Atlas.Track track, double share) {
        List<Double> grades = track.mode().grades();
        double last = grades.get(grades.size() - 1);
        return track.mode().byDegrees() ? grades.get(0) * Math.pow(last / grades.get(0), share) : grades.get(0);
    }

    private Optional<Pair> pair(Sketch sketch, double one, double other) {
        double oneGrade = grade(sketch.one, one);
        double otherGrade = grade(sketch.other, other);
        return atlas.both(sketch.one.mode(), oneGrade, sketch.other.mode(), otherGrade, besideRead)
                .map(place -> new Atlas.Place(0, place.volts(), graver(sketch).factor(), place.own()))
                .filter(place -> IntStream.of(rows).noneMatch(i -> Double.isNaN(place.volts()[i])))
                .map(place -> new Pair(
                        sketch.one.mode(), oneGrade, sketch.other.mode(), otherGrade, place, log(sketch, place)));
    }

    /** The scatter of the two that is farther from a healthy set's is nearer to that of both. */
    private Atlas.Place graver(Sketch sketch) {
        double a = 0;
        double b = 0;
        for (int i : rows) {
            double healthy = atlas.healthy().volts()[i];
            a += Math.abs(sketch.a.volts()[i] - healthy);
            b += Math.abs(sketch.b.volts()[i] - healthy);
        }
        return a > b ? sketch.a : sketch.b;
    }

    private double log(Sketch sketch, Atlas.Place place) {
        double all = atlas.tracks().stream()
                .mapToDouble(track -> track.mode().prior())
                .sum();
        double prior = Math.log(PRIOR)
                + Math.log(sketch.one.mode().prior() / all * weighing.standing(sketch.one.mode()))
                + Math.log(sketch.other.mode().prior() / all * weighing.standing(sketch.other.mode()));
        double degrees = (sketch.one.mode().byDegrees() ? DEGREE : 0)
                + (sketch.other.mode().byDegrees() ? DEGREE : 0);
        return prior + degrees + weighing.trusted(place);
    }
}
