package org.umberdial.core.diagnosis;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.work.AtWork;
import org.umberdial.core.circuit.work.MeterReadings;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.set.Part;
import org.umberdial.core.value.Volts;

/**
 * What every fault of a circuit shows on a meter at every point, and how far sets of its kind scatter about that:
 * solved once for a circuit, line, meter and mode, before anything is read.
 *
 * <p>A fault by degrees is a curve through the space of all readings. It is followed from its mildest degree to its
 * gravest and halved wherever a straight line would miss it by more than a meter notices. The scatter about each place
 * is that of the set there, not of the healthy one: each part and tube is moved by one deviation and solved again.
 */
public final class Atlas {
    /** Of a circuit as large as none of the trade's, the commonest are reckoned, and it is said which are not. */
    private static final int MOST_MODES = 400;
    /** Halving ends here; what is left of a bend is small against what else is unknown. */
    private static final int MOST_HALVINGS = 3;
    /** A straight line may miss the curve by so many deviations of a meter. */
    private static final double BEND = 1;
    /** What moves no point by this share of a meter's deviation is left out of the scatter. */
    private static final double MATTERS = 0.5;
    /** What a meter and the model may be off at each point by itself: a share, and volts. */
    private static final double OWN_SHARE = 0.014;

    private static final double OWN_VOLTS = 0.04;
    /** Of a supply that is gone nobody tells a quarter of a volt from none: a share of what should be there. */
    private static final double GONE_SHARE = 0.0015;
    /** Far from where tubes are measured their laws are less sure: a share of what a fault changes. */
    private static final double CHANGE_SHARE = 0.05;
    /** A grid that nothing ties lies anywhere in its range, and moves all that follows it together. */
    private static final double GUESS_SHARE = 0.5;
    /** A meter reads everything a little high or low. */
    private static final double GAIN = 0.007;
    /** Sources of less than this share of a meter are not loaded by it. */
    private static final double LOADED = 2e-3;

    private static final double LEAST_VOLTS = 1e-3;
    /** The scatter changes slowly along a fault: it is solved at every so many degrees. */
    private static final int SCATTER_EVERY = 3;

    /**
     * One degree of a fault.
     *
     * @param grade see {@link FaultMode#grades}
     * @param volts as the meter shows them at each point; NaN where nothing leads
     * @param factor scatter at each point [V], one row a point, one column an independent cause
     * @param own what each point scatters by itself [V], one deviation
     */
    record Place(double grade, double[] volts, double[][] factor, double[] own) {
        /** With only some of its causes, and what is no part's: the meter's gain and the guess. */
        Place by(int[] causes, int all) {
            int[] columns = IntStream.concat(IntStream.of(causes), IntStream.of(all, all + 1))
                    .toArray();
            double[][] picked = Arrays.stream(factor)
                    .map(row -> IntStream.of(columns).mapToDouble(c -> row[c]).toArray())
                    .toArray(double[][]::new);
            return new Place(grade, volts, picked, own);
        }

        Place scatteringAs(Place other) {
            return new Place(grade, volts, other.factor, own);
        }
    }

    /** @param places in the order of its degrees */
    record Track(FaultMode mode, List<Place> places) {}

    private final List<String> points;
    private final Place healthy;
    private final List<Track> tracks;
    private final List<FaultMode> unsolved;
    private final Surveyor surveyor;

    private Atlas(List<String> points, Place healthy, List<Track> tracks, List<FaultMode> unsolved, Surveyor surveyor) {
        this.surveyor = surveyor;
        this.points = List.copyOf(points);
        this.healthy = healthy;
        this.tracks = List.copyOf(tracks);
        this.unsolved = List.copyOf(unsolved);
    }

    /**
     * Solves them.
     *
     * @param line at the set [V RMS]; that of the circuit when it is empty
     * @param points nodes that can be read on DC
     * @return empty when the healthy circuit does not settle
     */
    public static Optional<Atlas> of(
            Network network, List<Part> parts, OptionalDouble line, Meter meter, List<String> points) {
        Values nominal = Values.nominal(network);
        Values values = line.isPresent() && network.line().isPresent() ? nominal.atLine(line.getAsDouble()) : nominal;
        List<String> known = points.stream()
                .filter(node -> network.node(node).isPresent())
                .distinct()
                .toList();
        Surveyor first = new Surveyor(network, values, meter, known, Spread.of(network, parts));
        Optional<Place> healthy = first.place(values, 0, Optional.of(""));
        if (healthy.isEmpty()) {
            return Optional.empty();
        }
        int[] matter = first.mattering(healthy.get());
        List<Spread> matters = IntStream.of(matter).mapToObj(first.spreads::get).toList();
        Place scattering = healthy.get().by(matter, first.spreads.size());
        List<FaultMode> all = FaultModes.of(network, parts);
        List<FaultMode> modes = all.size() <= MOST_MODES
                ? all
                : all.stream()
                        .sorted(Comparator.comparingDouble((FaultMode mode) -> -mode.prior()))
                        .limit(MOST_MODES)
                        .toList();
        ThreadLocal<Surveyor> own = ThreadLocal.withInitial(() -> new Surveyor(network, values, meter, known, matters));
        List<Optional<Track>> tracks = modes.parallelStream()
                .map(mode -> own.get().track(mode, scattering))
                .toList();
        return Optional.of(new Atlas(
                known,
                scattering,
                tracks.stream().flatMap(Optional::stream).toList(),
                Stream.concat(
                                IntStream.range(0, modes.size())
                                        .filter(i -> tracks.get(i).isEmpty())
                                        .mapToObj(modes::get),
                                all.stream().filter(mode -> !modes.contains(mode)))
                        .toList(),
                new Surveyor(network, values, meter, known, matters)));
    }

    /** Solves places, each from the one before it. For one thread. */
    private static final class Surveyor {
        private final Values values;
        private final Meter meter;
        private final List<String> points;
        private final List<Spread> spreads;
        private final AtWork work;
        /** Points whose sources a meter loads so that it shows. */
        private final boolean[] loads;

        private final double[] healthyVolts;

        Surveyor(Network network, Values values, Meter meter, List<String> points, List<Spread> spreads) {
            this.values = values;
            this.meter = meter;
            this.points = points;
            this.spreads = spreads;
            work = new AtWork(network);
            loads = new boolean[points.size()];
            healthyVolts = new double[points.size()];
            work.solve(values).settled().ifPresent(point -> {
                MeterReadings readings = new MeterReadings(work, point);
                for (int i = 0; i < loads.length; i++) {
                    healthyVolts[i] = point.volts(points.get(i)).orElse(0);
                    double input = meter.inputResistance(
                                    new Volts(point.volts(points.get(i)).orElse(0)))
                            .value();
                    loads[i] = readings.sourceOhms(points.get(i)).orElse(input) > LOADED * input;
                }
            });
        }

        Optional<Track> track(FaultMode mode, Place healthy) {
            List<Place> places = new ArrayList<>();
            work.solve(values);
            for (int i = 0; i < mode.grades().size(); i++) {
                double grade = mode.grades().get(i);
                boolean mild = mode.byDegrees() && i == 0;
                boolean anew = !mild && (places.isEmpty() || i % SCATTER_EVERY == 0);
                // At its mildest a set scatters as a healthy one.
                Place before = places.isEmpty() ? healthy : places.get(places.size() - 1);
                place(mode.in(values, grade), grade, anew ? Optional.of(mode.part()) : Optional.empty())
                        .map(place -> anew ? place : place.scatteringAs(before))
                        .ifPresent(places::add);
            }
            if (places.isEmpty()) {
                return Optional.empty();
            }
            List<Place> curve = new ArrayList<>(List.of(places.get(0)));
            for (int i = 1; i < places.size(); i++) {
                halve(mode, places.get(i - 1), places.get(i), MOST_HALVINGS, curve);
                curve.add(places.get(i));
            }
            return Optional.of(new Track(mode, curve));
        }

        private void halve(FaultMode mode, Place a, Place b, int halvings, List<Place> curve) {
            if (halvings == 0) {
                return;
            }
            double grade = Math.sqrt(a.grade * b.grade);
            Optional<Place> middle =
                    place(mode.in(values, grade), grade, Optional.empty()).map(place -> place.scatteringAs(a));
            if (middle.isEmpty() || bend(a, middle.get(), b) <= BEND) {
                return;
            }
            halve(mode, a, middle.get(), halvings - 1, curve);
            curve.add(middle.get());
            halve(mode, middle.get(), b, halvings - 1, curve);
        }

        private static double bend(Place a, Place middle, Place b) {
            double most = 0;
            for (int i = 0; i < middle.volts.length; i++) {
                double off = middle.volts[i] - (a.volts[i] + b.volts[i]) / 2;
                // Where nothing leads nothing bends.
                most = Double.isNaN(off) ? most : Math.max(most, Math.abs(off) / own(middle.volts[i]));
            }
            return most;
        }

        /** @param bad the part that is; empty when the scatter is not asked for */
        Optional<Place> place(Values here, double grade, Optional<String> bad) {
            Optional<OperatingPoint> solved = work.solve(here).settled();
            if (solved.isEmpty()) {
                work.solve(values);
                return Optional.empty();
            }
            OperatingPoint point = solved.get();
            MeterReadings readings = MeterReadings.ofLast(work, point);
            double[] volts = new double[points.size()];
            double[] own = new double[points.size()];
            for (int i = 0; i < volts.length; i++) {
                String node = points.get(i);
                OptionalDouble shown = Double.isNaN(point.guessedVolts(node))
                        ? OptionalDouble.empty()
                        : loads[i]
                                ? readings.across(
                                        node,
                                        v -> meter.inputResistance(new Volts(v)).value())
                                : point.volts(node);
                volts[i] = shown.orElse(Double.NaN);
                own[i] = own(volts[i])
                        + GONE_SHARE * Math.abs(healthyVolts[i])
                        + (Double.isNaN(volts[i]) ? 0 : CHANGE_SHARE * Math.abs(volts[i] - healthyVolts[i]));
            }
            double[][] factor =
                    bad.map(part -> factor(here, point, volts, part)).orElse(new double[0][]);
            return Optional.of(new Place(grade, volts, factor, own));
        }

        /** How far each cause moves each point, when it is one deviation up. */
        private double[][] factor(Values here, OperatingPoint point, double[] volts, String bad) {
            double[][] factor = new double[volts.length][spreads.size() + 2];
            for (int cause = 0; cause < spreads.size(); cause++) {
                if (spreads.get(cause).of().equals(bad)) {
                    // How bad it is is fitted; its tolerance about a value it no longer has is nothing.
                    continue;
                }
                work.rewind();
                Optional<OperatingPoint> moved = moved(spreads.get(cause), here);
                for (int i = 0; i < volts.length && moved.isPresent(); i++) {
                    OptionalDouble before = point.volts(points.get(i));
                    OptionalDouble after = moved.get().volts(points.get(i));
                    factor[i][cause] = before.isPresent() && after.isPresent() && !Double.isNaN(volts[i])
                            ? (after.getAsDouble() - before.getAsDouble()) * loading(before.getAsDouble(), volts[i])
                            : 0;
                }
            }
            for (int i = 0; i < volts.length; i++) {
                factor[i][spreads.size()] = Double.isNaN(volts[i]) ? 0 : GAIN * volts[i];
                factor[i][spreads.size() + 1] =
                        Double.isNaN(volts[i]) ? 0 : GUESS_SHARE * point.guessedVolts(points.get(i));
            }
            work.rewind();
            return factor;
        }

        /** What the meter leaves of a change. */
        private static double loading(double open, double shown) {
            return Math.abs(open) < LEAST_VOLTS ? 1 : Math.max(0, Math.min(1, shown / open));
        }

        private Optional<OperatingPoint> moved(Spread spread, Values here) {
            try {
                return work.solve(spread.up().apply(here)).settled();
            } catch (IllegalArgumentException notHere) {
                return Optional.empty();
            }
        }

        /** Causes that move some point of the healthy set by what a meter notices. */
        int[] mattering(Place healthy) {
            return IntStream.range(0, spreads.size())
                    .filter(cause -> IntStream.range(0, healthy.volts.length)
                            .anyMatch(i -> Math.abs(healthy.factor[i][cause]) > MATTERS * own(healthy.volts[i])))
                    .toArray();
        }
    }

    /** What a meter and the model are off at a point [V], one deviation. */
    private static double own(double volts) {
        return Double.isNaN(volts) ? OWN_VOLTS : OWN_SHARE * Math.abs(volts) + OWN_VOLTS;
    }

    /**
     * Two faults at once, solved.
     *
     * @return empty when the set does not settle with both
     */
    Optional<Place> both(FaultMode one, double oneGrade, FaultMode other, double otherGrade) {
        synchronized (surveyor) {
            surveyor.work.solve(surveyor.values);
            return surveyor.place(other.in(one.in(surveyor.values, oneGrade), otherGrade), 0, Optional.empty());
        }
    }

    /** Nodes that can be read, in the order asked for. */
    public List<String> points() {
        return points;
    }

    Place healthy() {
        return healthy;
    }

    List<Track> tracks() {
        return tracks;
    }

    /** Faults with which the circuit does not settle, or that are too many; nothing is known of them. */
    public List<FaultMode> unsolved() {
        return unsolved;
    }

    /** The highest volts that any fault brings anywhere. */
    double mostVolts() {
        return tracks.stream()
                .flatMap(track -> track.places.stream())
                .flatMapToDouble(place -> Arrays.stream(place.volts))
                .filter(v -> !Double.isNaN(v))
                .map(Math::abs)
                .max()
                .orElse(1);
    }
}
