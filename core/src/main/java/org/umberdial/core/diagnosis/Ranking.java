package org.umberdial.core.diagnosis;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntFunction;
import java.util.function.ToDoubleFunction;
import org.umberdial.core.diagnosis.Weighing.Piece;

/** Ranks what may be wrong with a set by what was read, and names what to read next. */
public final class Ranking {
    /** A fault that moves what was read by less than so many deviations is not seen in it. */
    private static final double SEEN = 1.5;
    /** What moves no point of the set by so many, at its gravest, no reading can show. */
    private static final double SHOWS = 2.5;
    /** Two faults that lie nearer to each other at every point are alike. */
    private static final double ALIKE = 1;

    private static final double LEAST_NAMED = 0.001;
    private static final int MOST_NAMED = 12;
    /** So far beyond what a suspect would show a reading clears it. */
    private static final double CLEARS = 3;

    /** A way of being bad that is believed less is no way in which a part need be cleared. */
    private static final double COUNTS = 1e-3;

    private static final double LEAST_LOG = -60;
    /** Deviations of a chi-square beyond its mean, from which on two faults at once are looked for. */
    private static final double UNEXPLAINED = 0.4;

    private static final double LEAST_PAIR = 1e-4;
    /** Of two at once that which moves a reading less than this share of what the other does does not explain it. */
    private static final double MOVES = 0.3;

    private final Atlas atlas;
    private final Weighing weighing;
    /** What each piece is believed, in the order of the weighing's. */
    private final double[] belief;

    private final boolean[] seen;
    private final double healthy;
    private final double sound;
    private final double unknown;
    /** Two at once, looked for where one alone does not explain it, and what each is believed. */
    private final List<Pairs.Pair> pairs;

    private final double[] pairBelief;

    private Ranking(Atlas atlas, Weighing weighing) {
        this.atlas = atlas;
        this.weighing = weighing;
        List<Piece> pieces = weighing.pieces();
        double most = Math.max(weighing.healthyLog(), weighing.unknownLog());
        for (Piece piece : pieces) {
            most = Math.max(most, piece.log());
        }
        pairs = isUnexplained(weighing) ? new Pairs(atlas, weighing).best() : List.of();
        for (Pairs.Pair pair : pairs) {
            most = Math.max(most, pair.log());
        }
        belief = new double[pieces.size()];
        pairBelief = new double[pairs.size()];
        double sum = Math.exp(weighing.healthyLog() - most) + Math.exp(weighing.unknownLog() - most);
        for (int i = 0; i < pairBelief.length; i++) {
            pairBelief[i] = Math.exp(Math.max(LEAST_LOG, pairs.get(i).log() - most));
            sum += pairBelief[i];
        }
        for (int i = 0; i < belief.length; i++) {
            belief[i] = Math.exp(Math.max(LEAST_LOG, pieces.get(i).log() - most));
            sum += belief[i];
        }
        seen = new boolean[belief.length];
        double within = Math.exp(weighing.healthyLog() - most) / sum;
        double nothing = within;
        Map<Atlas.Track, Boolean> shown = new HashMap<>();
        for (int i = 0; i < pairBelief.length; i++) {
            pairBelief[i] /= sum;
        }
        for (int i = 0; i < belief.length; i++) {
            belief[i] /= sum;
            seen[i] = isSeen(pieces.get(i));
            within += seen[i] ? 0 : belief[i];
            boolean shows = shown.computeIfAbsent(pieces.get(i).track(), this::shows);
            nothing += shows ? 0 : belief[i];
        }
        healthy = within;
        sound = nothing;
        unknown = Math.exp(weighing.unknownLog() - most) / sum;
    }

    /** Ranks by direct volts alone, by node. */
    public static Diagnosis of(Atlas atlas, Map<String, Double> volts, ToDoubleFunction<FaultMode> standing) {
        Map<Spot, Double> readings = new HashMap<>();
        volts.forEach((node, shown) -> readings.put(Spot.dc(node), shown));
        return ofAll(atlas, readings, standing);
    }

    /** Volts by node as figures of an atlas; NaN where nothing was read. */
    static double[] figures(Atlas atlas, Map<String, Double> volts) {
        double[] figures = new double[atlas.spots().size()];
        for (int i = 0; i < figures.length; i++) {
            Spot spot = atlas.spots().get(i);
            Double shown = spot.kind() == Spot.Kind.DC ? volts.get(spot.node()) : null;
            figures[i] = shown == null || Double.isNaN(atlas.healthy().volts()[i]) ? Double.NaN : spot.figure(shown);
        }
        return figures;
    }

    /**
     * Ranks.
     *
     * @param readings as the atlas's meter showed them [V, Ω]; where the healthy circuit has none to compare with they
     *     are passed over and named
     * @param standing how far each fault may still be: 1 when nothing is known of the part, less when it was proven,
     *     more when something else speaks for it
     */
    public static Diagnosis ofAll(Atlas atlas, Map<Spot, Double> readings, ToDoubleFunction<FaultMode> standing) {
        double[] figures = new double[atlas.spots().size()];
        Arrays.fill(figures, Double.NaN);
        List<Spot> passedOver = new ArrayList<>();
        readings.forEach((spot, shown) -> {
            int at = atlas.spots().indexOf(spot);
            if (at < 0 || Double.isNaN(atlas.healthy().volts()[at])) {
                passedOver.add(spot);
            } else {
                figures[at] = spot.figure(shown);
            }
        });
        passedOver.sort(Comparator.comparing(Spot::toString));
        return new Ranking(atlas, new Weighing(atlas, figures, standing)).diagnosis(passedOver);
    }

    /** Whether what fits best leaves more unexplained than tolerances and meters make. */
    private static boolean isUnexplained(Weighing weighing) {
        int count = weighing.read().length;
        double left = weighing.pieces().stream()
                .max(Comparator.comparingDouble(Piece::log))
                .filter(piece -> piece.log() > weighing.healthyLog())
                .map(weighing::misfit)
                .orElseGet(weighing::healthyMisfit);
        return count > 1
                && (left > count + UNEXPLAINED * Math.sqrt(2.0 * count)
                        || weighing.unknownLog() > weighing.healthyLog()
                                && weighing.pieces().stream().allMatch(p -> p.log() < weighing.unknownLog()));
    }

    /** Whether a piece moves anything that was read. */
    private boolean isSeen(Piece piece) {
        for (int i : weighing.read()) {
            double volts = piece.volts(i);
            double healthyVolts = atlas.healthy().volts()[i];
            if (Double.isNaN(volts)
                    || Math.abs(volts - healthyVolts) > SEEN * Math.sqrt(Scatter.covariance(atlas.healthy(), i, i))) {
                return true;
            }
        }
        return false;
    }

    private Diagnosis diagnosis(List<Spot> passedOver) {
        Map<String, Double> parts = new LinkedHashMap<>();
        Map<String, Integer> best = new HashMap<>();
        for (int i = 0; i < belief.length; i++) {
            if (seen[i]) {
                String part = subject(i);
                parts.merge(part, belief[i], Double::sum);
                if (!best.containsKey(part) || belief[best.get(part)] < belief[i]) {
                    best.put(part, i);
                }
            }
        }
        List<String> order = parts.keySet().stream()
                .filter(part -> parts.get(part) >= LEAST_NAMED)
                .sorted(Comparator.comparingDouble((String part) -> -parts.get(part)))
                .limit(MOST_NAMED)
                .toList();
        List<Diagnosis.Suspect> suspects = new ArrayList<>();
        for (String part : order) {
            Piece piece = weighing.pieces().get(best.get(part));
            List<String> alike = order.stream()
                    .filter(other -> !other.equals(part))
                    .filter(other -> alike(piece, weighing.pieces().get(best.get(other))))
                    .toList();
            suspects.add(new Diagnosis.Suspect(
                    piece.track().mode(),
                    piece.grade(),
                    Optional.empty(),
                    parts.get(part),
                    alike,
                    signs(piece.mild(), volts(piece), i -> List.of(part)),
                    predicted(volts(piece)),
                    acquittal(part)));
        }
        for (int i = 0; i < pairs.size(); i++) {
            if (pairBelief[i] >= LEAST_PAIR) {
                suspects.add(both(pairs.get(i), pairBelief[i]));
            }
        }
        suspects.sort(Comparator.comparingDouble(suspect -> -suspect.posterior()));
        List<FaultMode> unseen = atlas.tracks().stream()
                .filter(track -> !shows(track))
                .map(Atlas.Track::mode)
                .toList();
        return new Diagnosis(
                healthy,
                sound,
                unknown,
                suspects,
                unseen,
                atlas.unsolved(),
                passedOver,
                new Probes(atlas, weighing, belief, pairs, pairBelief).best());
    }

    private Diagnosis.Suspect both(Pairs.Pair pair, double believed) {
        return new Diagnosis.Suspect(
                pair.one(),
                pair.oneGrade(),
                Optional.of(new Diagnosis.Second(pair.other(), pair.otherGrade())),
                believed,
                List.of(),
                signs(pair.place(), pair.place().volts(), point -> movers(pair, point)),
                predicted(pair.place().volts()),
                Optional.empty());
    }

    private double[] volts(Piece piece) {
        double[] volts = new double[atlas.spots().size()];
        for (int i = 0; i < volts.length; i++) {
            volts[i] = piece.volts(i);
        }
        return volts;
    }

    /** A tube is one part, whichever of its sections or its heater shows it. */
    private String subject(int piece) {
        return weighing.pieces().get(piece).track().mode().subject();
    }

    private boolean shows(Atlas.Track track) {
        return track.places().stream().anyMatch(place -> {
            for (int i = 0; i < place.volts().length; i++) {
                double healthyVolts = atlas.healthy().volts()[i];
                if (!Double.isNaN(healthyVolts)
                        && (Double.isNaN(place.volts()[i])
                                || Math.abs(place.volts()[i] - healthyVolts)
                                        > SHOWS * Math.sqrt(Scatter.covariance(atlas.healthy(), i, i)))) {
                    return true;
                }
            }
            return false;
        });
    }

    private boolean alike(Piece a, Piece b) {
        for (int i = 0; i < atlas.spots().size(); i++) {
            double first = a.volts(i);
            double second = b.volts(i);
            if (Double.isNaN(first) != Double.isNaN(second)) {
                return false;
            }
            double scatter = Math.sqrt(Scatter.covariance(a.mild(), i, i));
            if (!Double.isNaN(first) && Math.abs(first - second) > ALIKE * scatter) {
                return false;
            }
        }
        return true;
    }

    /** Of two parts those that bring a fair share of what a point is off. */
    private List<String> movers(Pairs.Pair pair, int point) {
        double one = moves(pair.one(), pair.oneGrade(), point);
        double other = moves(pair.other(), pair.otherGrade(), point);
        double share = MOVES * Math.max(one, other);
        List<String> movers = new ArrayList<>();
        if (one >= share) {
            movers.add(pair.one().subject());
        }
        if (other >= share) {
            movers.add(pair.other().subject());
        }
        return movers;
    }

    private double moves(FaultMode mode, double grade, int point) {
        double volts = atlas.tracks().stream()
                .filter(track -> track.mode().equals(mode))
                .findFirst()
                .orElseThrow()
                .nearest(grade)
                .volts()[point];
        return Double.isNaN(volts)
                ? Double.MAX_VALUE
                : Math.abs(volts - atlas.healthy().volts()[point]);
    }

    private List<Diagnosis.Sign> signs(Atlas.Place place, double[] predicted, IntFunction<List<String>> movedBy) {
        List<Diagnosis.Sign> signs = new ArrayList<>();
        for (int i : weighing.read()) {
            double read = weighing.figures()[i];
            double healthyVolts = atlas.healthy().volts()[i];
            double speaks = Double.isNaN(predicted[i])
                    ? 0
                    : log(place, i, read - predicted[i]) - log(atlas.healthy(), i, read - healthyVolts);
            Spot spot = atlas.spots().get(i);
            signs.add(new Diagnosis.Sign(
                    spot,
                    spot.shown(read),
                    spot.shown(predicted[i]),
                    spot.shown(healthyVolts),
                    speaks,
                    movedBy.apply(i)));
        }
        signs.sort(Comparator.comparingDouble(sign -> -Math.abs(sign.speaks())));
        return signs;
    }

    private static double log(Atlas.Place place, int point, double off) {
        double square = Scatter.covariance(place, point, point);
        return -off * off / 2 / square - Math.log(square) / 2;
    }

    private Map<Spot, Double> predicted(double[] volts) {
        Map<Spot, Double> predicted = new HashMap<>();
        for (int i = 0; i < volts.length; i++) {
            if (!Double.isNaN(volts[i])) {
                predicted.put(atlas.spots().get(i), atlas.spots().get(i).shown(volts[i]));
            }
        }
        return predicted;
    }

    /**
     * The unread point at which the part stands farthest from a healthy set: how bad it is is not known to the volt, so
     * what clears it lies beyond all that is believed of it.
     */
    private Optional<Diagnosis.Acquittal> acquittal(String part) {
        List<Piece> believed = new ArrayList<>();
        for (int i = 0; i < belief.length; i++) {
            if (seen[i] && belief[i] >= COUNTS && subject(i).equals(part)) {
                believed.add(weighing.pieces().get(i));
            }
        }
        Optional<Diagnosis.Acquittal> best = Optional.empty();
        double most = CLEARS;
        for (int point = 0; point < atlas.spots().size(); point++) {
            double healthyVolts = atlas.healthy().volts()[point];
            int at = point;
            if (!Double.isNaN(weighing.figures()[point])
                    || Double.isNaN(healthyVolts)
                    || believed.stream().anyMatch(piece -> piece.isOpenAt(at))) {
                continue;
            }
            double there = Math.sqrt(Scatter.covariance(atlas.healthy(), point, point));
            for (boolean above : new boolean[] {true, false}) {
                double edge = believed.stream()
                        .mapToDouble(piece -> piece.farthest(at, above ? CLEARS : -CLEARS))
                        .reduce(above ? Math::max : Math::min)
                        .orElse(healthyVolts);
                double apart = (above ? healthyVolts - edge : edge - healthyVolts) / there;
                if (apart > most) {
                    most = apart;
                    Spot spot = atlas.spots().get(point);
                    best = Optional.of(new Diagnosis.Acquittal(spot, above, spot.shown(edge)));
                }
            }
        }
        return best;
    }
}
