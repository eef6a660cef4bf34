package org.umberdial.core.diagnosis;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;

/**
 * Weighs every fault of an atlas against what was read.
 *
 * <p>A fault by degrees is a chain of straight pieces through the space of readings; how grave it is is integrated out
 * along each, exactly: the density of a normal scatter along a straight line is a normal density across it times the
 * share of a normal distribution on it (C. Bishop, Pattern Recognition and Machine Learning, 2006, 2.3). A fault that
 * could have shown anything is thereby believed less than one that could only have shown this.
 */
final class Weighing {
    /** A healthy set against all faults together, before anything is read. */
    private static final double HEALTHY = 0.4;
    /** A fault that is none of those reckoned: two at once, a wrong wire, a part that is not drawn. */
    private static final double UNKNOWN = 0.04;
    /** Of such a fault each point is touched or not. */
    private static final double TOUCHED = 0.5;
    /**
     * Neighbouring tolerances, models and meters are not as normal as reckoned; evidence counts so much of what it
     * would if they were.
     */
    private static final double TRUSTED = 0.8;

    private static final double MOST_LOG = 50;

    /** Pieces of a chain are no thinner than this in deviations; a fold would have no length. */
    private static final double THIN = 1e-6;

    /**
     * A piece of a fault's chain and how well it fits.
     *
     * @param log of its weight
     * @param share where on the piece the readings lie, 0 at its mild end to 1
     * @param width how well that is known, one deviation
     */
    record Piece(Atlas.Track track, Atlas.Place mild, Atlas.Place grave, double log, double share, double width) {
        double volts(int point) {
            double a = mild.volts()[point];
            double b = grave.volts()[point];
            return Double.isNaN(a) || Double.isNaN(b) ? Double.NaN : a + share * (b - a);
        }

        /** Whether nothing leads to a point somewhere on the piece. */
        boolean isOpenAt(int point) {
            return Double.isNaN(mild.volts()[point]) || Double.isNaN(grave.volts()[point]);
        }

        /**
         * The end of the piece that lies farthest up at a point, or down when the deviations are below 0, and those.
         */
        double farthest(int point, double deviations) {
            double scatter = deviations * Math.sqrt(Scatter.covariance(mild, point, point));
            double a = mild.volts()[point];
            double b = grave.volts()[point];
            return (deviations > 0 ? Math.max(a, b) : Math.min(a, b)) + scatter;
        }

        double grade() {
            return mild.grade() > 0 && grave.grade() > 0
                    ? mild.grade() * Math.pow(grave.grade() / mild.grade(), share)
                    : mild.grade();
        }
    }

    private final Atlas atlas;
    private final ToDoubleFunction<FaultMode> standing;
    private final int[] read;
    private final double[] figures;
    private final List<Piece> pieces = new ArrayList<>();
    private final double healthyLog;
    private final double unknownLog;

    /**
     * @param figures by point of the atlas; NaN for what was not read
     * @param standing how far each fault may still be, 0 to 1 or more than 1 when something speaks for it
     */
    Weighing(Atlas atlas, double[] figures, ToDoubleFunction<FaultMode> standing) {
        this.atlas = atlas;
        this.standing = standing;
        this.figures = figures.clone();
        read = IntStream.range(0, figures.length)
                .filter(i -> !Double.isNaN(figures[i]))
                .toArray();
        double all = atlas.tracks().stream()
                .mapToDouble(track -> track.mode().prior())
                .sum();
        for (Atlas.Track track : atlas.tracks()) {
            double prior = (1 - HEALTHY - UNKNOWN) * track.mode().prior() / all * standing(track.mode());
            weigh(track, Math.log(prior));
        }
        healthyLog = Math.log(HEALTHY) + TRUSTED * single(atlas.healthy());
        unknownLog = Math.log(UNKNOWN) + TRUSTED * unknown();
    }

    /** How much likelier the figures are with each fault, its degree integrated out, than in a healthy set. */
    static Map<FaultMode, Double> ratios(Atlas atlas, double[] figures) {
        Weighing weighing = new Weighing(atlas, figures, mode -> 1);
        double all = atlas.tracks().stream()
                .mapToDouble(track -> track.mode().prior())
                .sum();
        double healthy = weighing.healthyLog - Math.log(HEALTHY);
        Map<FaultMode, Double> ratios = new HashMap<>();
        for (Piece piece : weighing.pieces) {
            FaultMode mode = piece.track.mode();
            double prior = Math.log((1 - HEALTHY - UNKNOWN) * mode.prior() / all);
            ratios.merge(mode, Math.exp(Math.min(MOST_LOG, piece.log - prior - healthy)), Double::sum);
        }
        return ratios;
    }

    /** How far a fault may still be, by what is known from elsewhere. */
    double standing(FaultMode mode) {
        return Math.max(1e-6, standing.applyAsDouble(mode));
    }

    /** How well a place fits, a logarithm, as far as such evidence is trusted. */
    double trusted(Atlas.Place place) {
        return TRUSTED * single(place);
    }

    /** Squared deviations that a piece leaves at its best, a chi-square of as many degrees as were read. */
    double misfit(Piece piece) {
        int[] rows = Arrays.stream(rows(piece.mild()))
                .filter(i -> !Double.isNaN(piece.volts(i)))
                .toArray();
        return square(new Scatter(piece.mild(), rows)
                .whitened(Arrays.stream(rows)
                        .mapToDouble(i -> figures[i] - piece.volts(i))
                        .toArray()));
    }

    /** The same of a healthy set. */
    double healthyMisfit() {
        int[] rows = rows(atlas.healthy());
        return square(new Scatter(atlas.healthy(), rows).whitened(away(atlas.healthy(), rows)));
    }

    private void weigh(Atlas.Track track, double prior) {
        List<Atlas.Place> places = track.places();
        if (places.size() == 1) {
            Atlas.Place place = places.get(0);
            pieces.add(new Piece(track, place, place, prior + TRUSTED * single(place), 0, 0));
            return;
        }
        double span =
                Math.log(places.get(places.size() - 1).grade() / places.get(0).grade());
        for (int i = 1; i < places.size(); i++) {
            Atlas.Place a = places.get(i - 1);
            Atlas.Place b = places.get(i);
            double share = Math.log(b.grade() / a.grade()) / span;
            pieces.add(along(track, a, b, prior + Math.log(Math.max(1e-9, share))));
        }
    }

    private double single(Atlas.Place place) {
        int[] rows = rows(place);
        Scatter scatter = new Scatter(place, rows);
        double[] white = scatter.whitened(away(place, rows));
        return scatter.logPeak() - square(white) / 2 + missing(rows);
    }

    /** Points that were read and have volts there. */
    private int[] rows(Atlas.Place place) {
        return Arrays.stream(read).filter(i -> !Double.isNaN(place.volts()[i])).toArray();
    }

    private double[] away(Atlas.Place place, int[] rows) {
        return Arrays.stream(rows)
                .mapToDouble(i -> figures[i] - place.volts()[i])
                .toArray();
    }

    /** Where a fault leaves a point without any path it may show anything. */
    private double missing(int[] present) {
        double all = 0;
        for (int i : read) {
            all -= Math.log(atlas.range(i));
        }
        for (int i : present) {
            all += Math.log(atlas.range(i));
        }
        return all;
    }

    private Piece along(Atlas.Track track, Atlas.Place a, Atlas.Place b, double prior) {
        int[] rows =
                Arrays.stream(rows(a)).filter(i -> !Double.isNaN(b.volts()[i])).toArray();
        Scatter scatter = new Scatter(a, rows);
        double[] offset = scatter.whitened(away(a, rows));
        double[] along = scatter.whitened(Arrays.stream(rows)
                .mapToDouble(i -> b.volts()[i] - a.volts()[i])
                .toArray());
        double length = Math.sqrt(square(along));
        double base = scatter.logPeak() + missing(rows);
        if (length < THIN) {
            return new Piece(track, a, b, prior + TRUSTED * (base - square(offset) / 2), 0.5, 0.3);
        }
        double foot = 0;
        for (int i = 0; i < along.length; i++) {
            foot += along[i] * offset[i];
        }
        foot /= length;
        double across = Math.max(0, square(offset) - foot * foot);
        Normal.Part on = Normal.between(-foot, length - foot);
        double log = base - across / 2 + on.log() + Math.log(2 * Math.PI) / 2 - Math.log(length);
        double share = Math.max(0, Math.min(1, (foot + on.mean()) / length));
        return new Piece(track, a, b, prior + TRUSTED * log, share, Math.min(0.3, on.deviation() / length));
    }

    /** Each point by itself: as in the healthy set, or anywhere. */
    private double unknown() {
        double log = 0;
        for (int i : read) {
            double middle = atlas.healthy().volts()[i];
            double near = 0;
            if (!Double.isNaN(middle)) {
                double square = Scatter.covariance(atlas.healthy(), i, i);
                double off = figures[i] - middle;
                near = Math.exp(-off * off / 2 / square) / Math.sqrt(2 * Math.PI * square);
            }
            log += Math.log((1 - TOUCHED) * near + TOUCHED / atlas.range(i));
        }
        return log;
    }

    private static double square(double[] white) {
        double sum = 0;
        for (double one : white) {
            sum += one * one;
        }
        return sum;
    }

    List<Piece> pieces() {
        return pieces;
    }

    double healthyLog() {
        return healthyLog;
    }

    double unknownLog() {
        return unknownLog;
    }

    int[] read() {
        return read;
    }

    double[] figures() {
        return figures;
    }
}
