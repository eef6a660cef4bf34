package org.umberdial.core.diagnosis;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.umberdial.core.circuit.cold.ColdOhms;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Store;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.work.AtWork;
import org.umberdial.core.circuit.work.MeterReadings;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.circuit.work.Ripple;
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
    /** A grid that biases itself by its own current goes by contact potentials, each tube's another. */
    private static final double CONTACT_SHARE = 0.3;

    private static final double CONTACT_VOLTS = 0.6;
    private static final double MOST_CONTACT_VOLTS = -1.5;
    /** Of a supply that is gone nobody tells a quarter of a volt from none: a share of what should be there. */
    private static final double GONE_SHARE = 0.0015;
    /** Far from where tubes are measured their laws are less sure: a share of what a fault changes. */
    private static final double CHANGE_SHARE = 0.05;
    /** A meter and the warmth of a bench on ohms. */
    private static final double OWN_OHMS_SHARE = 0.03;
    /** Of few ohms the leads, contacts and a heater that is not quite cold are much. */
    private static final double COLD_SHARE = 0.35;

    private static final double FEW_OHMS = 20;
    /** What a sound old electrolytic still lets through at a meter's volts. */
    private static final double SOUND_LEAK_OHMS = 1.5e6;

    private static final double ELECTROLYTIC_FARADS = 1e-6;
    /** Ripple hangs on resistances of old electrolytics that nobody knows. */
    private static final double OWN_RIPPLE_SHARE = 0.25;
    /** From the least to the most that a meter shows of ohms or ripple, as logarithms. */
    private static final double LOG_RANGE = 15;
    /** A grid that nothing ties lies anywhere in its range, and moves all that follows it together. */
    private static final double GUESS_SHARE = 0.5;
    /** A meter reads everything a little high or low. */
    private static final double GAIN = 0.007;
    /** Sources of less than this share of a meter are not loaded by it. */
    private static final double LOADED = 2e-3;

    private static final double LEAST_VOLTS = 1e-3;
    /** A part that gets so many times its rating chars. */
    private static final double BURNS = 2;
    /** Below every degree that is one. */
    private static final double TINY = 1e-12;
    /** The scatter changes slowly along a fault: it is solved at every so many degrees. */
    private static final int SCATTER_EVERY = 3;

    /**
     * One degree of a fault.
     *
     * @param grade see {@link FaultMode#grades}
     * @param volts as the meter shows them at each spot, of ohms and ripple the logarithm; NaN where nothing leads
     * @param factor scatter at each spot, one row a spot, one column an independent cause
     * @param own what each spot scatters by itself, one deviation
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

    /**
     * @param places in the order of its degrees
     * @param burns what it puts into parts that get much more than their rating by it [W], at its gravest
     */
    record Track(FaultMode mode, List<Place> places, Map<String, Double> burns) {
        /** The place nearest to a degree. */
        Place nearest(double grade) {
            return places.stream()
                    .min(Comparator.comparingDouble(place -> Math.abs(Math.log((place.grade + TINY) / (grade + TINY)))))
                    .orElseThrow();
        }
    }

    private final List<Spot> spots;
    private final Place healthy;
    private final List<Track> tracks;
    private final List<FaultMode> unsolved;
    private final Surveyor surveyor;
    /** The highest that any fault brings anywhere. */
    private final double mostVolts;

    private Atlas(List<Spot> spots, Place healthy, List<Track> tracks, List<FaultMode> unsolved, Surveyor surveyor) {
        this.surveyor = surveyor;
        this.spots = List.copyOf(spots);
        this.healthy = healthy;
        this.tracks = List.copyOf(tracks);
        this.unsolved = List.copyOf(unsolved);
        int direct =
                (int) spots.stream().filter(spot -> spot.kind() == Spot.Kind.DC).count();
        mostVolts = tracks.stream()
                .flatMap(track -> track.places.stream())
                .flatMapToDouble(place -> Arrays.stream(place.volts, 0, direct))
                .filter(v -> !Double.isNaN(v))
                .map(Math::abs)
                .max()
                .orElse(1);
    }

    /**
     * Solves them, for direct volts alone.
     *
     * @param line at the set [V RMS]; that of the circuit when it is empty
     * @param points nodes that can be read on DC
     * @return empty when the healthy circuit does not settle
     */
    public static Optional<Atlas> of(
            Network network, List<Part> parts, OptionalDouble line, Meter meter, List<String> points) {
        return of(network, parts, line, meter, points, EnumSet.of(Spot.Kind.DC), () -> false);
    }

    /**
     * Solves them.
     *
     * @param kinds what may be read at the points
     * @param stopped whether nobody wants it any more
     * @throws CancellationException when nobody does
     */
    public static Optional<Atlas> of(
            Network network,
            List<Part> parts,
            OptionalDouble line,
            Meter meter,
            List<String> points,
            Set<Spot.Kind> kinds,
            BooleanSupplier stopped) {
        Values nominal = Values.nominal(network);
        Values values = line.isPresent() && network.line().isPresent() ? nominal.atLine(line.getAsDouble()) : nominal;
        List<String> known = points.stream()
                .filter(node -> network.node(node).isPresent())
                .distinct()
                .toList();
        List<Spot> spots = Stream.of(Spot.Kind.values())
                .filter(kinds::contains)
                .flatMap(kind -> known.stream().map(node -> new Spot(node, kind)))
                .filter(spot ->
                        spot.kind() != Spot.Kind.RIPPLE || network.line().isPresent())
                .toList();
        Map<String, Double> ratings = new TreeMap<>();
        parts.forEach(part ->
                part.ratingWatts().filter(watts -> watts > 0).ifPresent(watts -> ratings.put(part.reference(), watts)));
        Surveyor first =
                new Surveyor(network, values, meter, spots, Spread.of(network, parts), ratings, Optional.empty());
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
        ThreadLocal<Surveyor> own = ThreadLocal.withInitial(
                () -> new Surveyor(network, values, meter, spots, matters, ratings, Optional.of(scattering)));
        List<Optional<Track>> tracks = modes.parallelStream()
                .map(mode -> {
                    if (stopped.getAsBoolean()) {
                        throw new CancellationException("nobody wants this atlas any more");
                    }
                    return own.get().track(mode, scattering);
                })
                .toList();
        return Optional.of(new Atlas(
                spots,
                scattering,
                tracks.stream().flatMap(Optional::stream).toList(),
                Stream.concat(
                                IntStream.range(0, modes.size())
                                        .filter(i -> tracks.get(i).isEmpty())
                                        .mapToObj(modes::get),
                                all.stream().filter(mode -> !modes.contains(mode)))
                        .toList(),
                new Surveyor(network, values, meter, spots, matters, ratings, Optional.of(scattering))));
    }

    /** Solves places, each from the one before it. For one thread. */
    private static final class Surveyor {
        private final Values values;
        private final Meter meter;
        private final List<Spot> spots;
        /** How many of the spots, the first of them, are direct volts. */
        private final int direct;

        private final List<Spread> spreads;
        /** What parts are made for [W]. */
        private final Map<String, Double> ratings;

        private final AtWork work;
        private OperatingPoint last;
        /** Points whose sources a meter loads so that it shows. */
        private final boolean[] loads;

        private final double[] healthyVolts;
        /** How far sound electrolytics pull down each spot of ohms. */
        private final double[] leaks;
        /** What has the scatter of ohms and ripple; empty while that is being found. */
        private final Optional<Place> scattering;

        Surveyor(
                Network network,
                Values values,
                Meter meter,
                List<Spot> spots,
                List<Spread> spreads,
                Map<String, Double> ratings,
                Optional<Place> scattering) {
            this.ratings = ratings;
            this.values = values;
            this.meter = meter;
            this.spots = spots;
            this.spreads = spreads;
            this.scattering = scattering;
            work = new AtWork(network);
            direct = (int)
                    spots.stream().filter(spot -> spot.kind() == Spot.Kind.DC).count();
            loads = new boolean[direct];
            healthyVolts = new double[direct];
            leaks = new double[spots.size() - direct];
            if (leaks.length > 0) {
                Map<String, Double> tight = new ColdOhms(values).chart("0");
                Map<String, Double> leaky = new ColdOhms(withSoundLeaks(network, values)).chart("0");
                for (int i = direct; i < spots.size(); i++) {
                    Spot spot = spots.get(i);
                    leaks[i - direct] = spot.kind() == Spot.Kind.OHMS
                            ? spot.figure(tight.get(spot.node())) - spot.figure(leaky.get(spot.node()))
                            : 0;
                }
            }
            work.solve(values).settled().ifPresent(point -> {
                MeterReadings readings = new MeterReadings(work, point);
                for (int i = 0; i < loads.length; i++) {
                    healthyVolts[i] = point.volts(spots.get(i).node()).orElse(0);
                    double input =
                            meter.inputResistance(new Volts(healthyVolts[i])).value();
                    loads[i] = readings.sourceOhms(spots.get(i).node()).orElse(input) > LOADED * input;
                }
            });
        }

        private static Values withSoundLeaks(Network network, Values values) {
            Values leaky = values;
            for (Store store : network.stores()) {
                if (store.farads() >= ELECTROLYTIC_FARADS) {
                    leaky = leaky.leaking(store.part(), SOUND_LEAK_OHMS);
                }
            }
            return leaky;
        }

        Optional<Track> track(FaultMode mode, Place healthy) {
            List<Place> places = new ArrayList<>();
            Map<String, Double> burns = new TreeMap<>();
            work.solve(values);
            for (int i = 0; i < mode.grades().size(); i++) {
                double grade = mode.grades().get(i);
                boolean mild = mode.byDegrees() && i == 0;
                boolean anew = !mild && (places.isEmpty() || i % SCATTER_EVERY == 0);
                // At its mildest a set scatters as a healthy one.
                Place before = places.isEmpty() ? healthy : places.get(places.size() - 1);
                place(mode.in(values, grade), grade, anew ? Optional.of(mode.part()) : Optional.empty())
                        .map(place -> anew ? place : place.scatteringAs(before))
                        .ifPresent(place -> {
                            places.add(place);
                            burns(burns);
                        });
            }
            if (places.isEmpty()) {
                return Optional.empty();
            }
            List<Place> curve = new ArrayList<>(List.of(places.get(0)));
            for (int i = 1; i < places.size(); i++) {
                halve(mode, places.get(i - 1), places.get(i), MOST_HALVINGS, curve);
                curve.add(places.get(i));
            }
            return Optional.of(new Track(mode, curve, burns));
        }

        /** Adds what was too hot in the point solved last. */
        private void burns(Map<String, Double> burns) {
            ratings.forEach((part, rating) -> {
                double watts = last.watts(part);
                if (watts > BURNS * rating) {
                    burns.merge(part, watts, Math::max);
                }
            });
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

        private double bend(Place a, Place middle, Place b) {
            double most = 0;
            for (int i = 0; i < middle.volts.length; i++) {
                double off = middle.volts[i] - (a.volts[i] + b.volts[i]) / 2;
                // Where nothing leads nothing bends.
                most = Double.isNaN(off) ? most : Math.max(most, Math.abs(off) / own(spots.get(i), middle.volts[i]));
            }
            return most;
        }

        /** @param bad the part that is; empty when the scatter is not asked for */
        Optional<Place> place(Values here, double grade, Optional<String> bad) {
            return place(here, grade, bad, true);
        }

        private Optional<Place> place(Values here, double grade, Optional<String> bad, boolean beside) {
            Optional<OperatingPoint> solved = work.solve(here).settled();
            if (solved.isEmpty()) {
                work.solve(values);
                return Optional.empty();
            }
            OperatingPoint point = solved.get();
            last = point;
            MeterReadings readings = MeterReadings.ofLast(work, point);
            double[] volts = new double[spots.size()];
            double[] own = new double[spots.size()];
            for (int i = 0; i < direct; i++) {
                String node = spots.get(i).node();
                OptionalDouble shown = Double.isNaN(point.guessedVolts(node))
                        ? OptionalDouble.empty()
                        : loads[i]
                                ? readings.across(
                                        node,
                                        v -> meter.inputResistance(new Volts(v)).value())
                                : point.volts(node);
                volts[i] = shown.orElse(Double.NaN);
                own[i] = own(spots.get(i), volts[i])
                        + GONE_SHARE * Math.abs(healthyVolts[i])
                        + (Double.isNaN(volts[i]) ? 0 : CHANGE_SHARE * Math.abs(volts[i] - healthyVolts[i]));
            }
            if (beside) {
                beside(here, volts);
            } else {
                Arrays.fill(volts, direct, volts.length, Double.NaN);
            }
            for (int i = direct; i < volts.length; i++) {
                own[i] = own(spots.get(i), volts[i]) + leaks[i - direct];
            }
            double[][] factor =
                    bad.map(part -> factor(here, point, volts, part)).orElse(new double[0][]);
            return Optional.of(new Place(grade, volts, factor, own));
        }

        /** Ohms of the cold set and ripple of the running one, as figures, after its direct volts. */
        private void beside(Values here, double[] figures) {
            Map<String, Double> ohms = Map.of();
            Optional<Ripple> ripple = Optional.empty();
            for (int i = direct; i < figures.length; i++) {
                Spot spot = spots.get(i);
                if (spot.kind() == Spot.Kind.OHMS) {
                    ohms = ohms.isEmpty() ? new ColdOhms(here).chart("0") : ohms;
                    figures[i] = spot.figure(ohms.get(spot.node()));
                } else {
                    ripple = ripple.isEmpty() ? Ripple.strength(work, here) : ripple;
                    figures[i] =
                            ripple.map(r -> spot.figure(r.rms(spot.node()))).orElse(Double.NaN);
                }
            }
        }

        /** How far each cause moves each point, when it is one deviation up. */
        private double[][] factor(Values here, OperatingPoint point, double[] volts, String bad) {
            double[][] factor = new double[volts.length][];
            for (int i = 0; i < volts.length; i++) {
                // In shares of what they are, ohms and ripple scatter everywhere as in a healthy set.
                int row = i;
                factor[i] = i < direct || scattering.isEmpty()
                        ? new double[spreads.size() + 2]
                        : scattering.map(place -> place.factor[row]).orElseThrow();
            }
            double[] moved = new double[volts.length];
            for (int cause = 0; cause < spreads.size(); cause++) {
                if (spreads.get(cause).of().equals(bad) || !isMoving(cause)) {
                    // How bad it is is fitted; its tolerance about a value it no longer has is nothing.
                    continue;
                }
                work.rewind();
                Optional<OperatingPoint> other = moved(spreads.get(cause), here);
                for (int i = 0; i < direct && other.isPresent(); i++) {
                    OptionalDouble before = point.volts(spots.get(i).node());
                    OptionalDouble after = other.get().volts(spots.get(i).node());
                    factor[i][cause] = before.isPresent() && after.isPresent() && !Double.isNaN(volts[i])
                            ? (after.getAsDouble() - before.getAsDouble()) * loading(before.getAsDouble(), volts[i])
                            : 0;
                }
                if (scattering.isEmpty() && other.isPresent() && direct < volts.length) {
                    beside(spreads.get(cause).up().apply(here), moved);
                    for (int i = direct; i < volts.length; i++) {
                        factor[i][cause] = Double.isNaN(volts[i] - moved[i]) ? 0 : moved[i] - volts[i];
                    }
                }
            }
            for (int i = 0; i < direct; i++) {
                factor[i][spreads.size()] = Double.isNaN(volts[i]) ? 0 : GAIN * volts[i];
                factor[i][spreads.size() + 1] = Double.isNaN(volts[i])
                        ? 0
                        : GUESS_SHARE * point.guessedVolts(spots.get(i).node());
            }
            work.rewind();
            return factor;
        }

        /** Whether a cause moves direct volts at all: what only ohms or ripple know need not be solved again. */
        private boolean isMoving(int cause) {
            return scattering.isEmpty()
                    || IntStream.range(0, direct)
                            .anyMatch(i -> Math.abs(scattering.get().factor[i][cause])
                                    > MATTERS * own(spots.get(i), scattering.get().volts[i]));
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
                            .anyMatch(i ->
                                    Math.abs(healthy.factor[i][cause]) > MATTERS * own(spots.get(i), healthy.volts[i])))
                    .toArray();
        }
    }

    /** What a meter and the model are off at a spot, one deviation of its figure. */
    private static double own(Spot spot, double figure) {
        return switch (spot.kind()) {
            case DC ->
                Double.isNaN(figure)
                        ? OWN_VOLTS
                        : OWN_SHARE * Math.abs(figure)
                                + OWN_VOLTS
                                + (figure < 0 && figure > MOST_CONTACT_VOLTS
                                        ? CONTACT_SHARE * Math.min(-figure, CONTACT_VOLTS)
                                        : 0);
            case OHMS -> {
                double ohms = spot.shown(figure);
                yield OWN_OHMS_SHARE + COLD_SHARE * FEW_OHMS / (FEW_OHMS + ohms);
            }
            case RIPPLE -> OWN_RIPPLE_SHARE;
        };
    }

    /**
     * Two faults at once, solved, from whatever was solved last: one pair is near the next.
     *
     * @param beside whether ohms and ripple are wanted too; without, they are not known
     * @return empty when the set does not settle with both
     */
    Optional<Place> both(FaultMode one, double oneGrade, FaultMode other, double otherGrade, boolean beside) {
        synchronized (surveyor) {
            Values both = other.in(one.in(surveyor.values, oneGrade), otherGrade);
            // Where that leads nowhere, once more from the healthy set.
            return surveyor.place(both, 0, Optional.empty(), beside)
                    .or(() -> surveyor.place(both, 0, Optional.empty(), beside));
        }
    }

    /** Nodes whose volts can be read, in the order asked for. */
    public List<String> points() {
        return spots.stream()
                .filter(spot -> spot.kind() == Spot.Kind.DC)
                .map(Spot::node)
                .toList();
    }

    /** Everything that can be read, the volts first. */
    public List<Spot> spots() {
        return spots;
    }

    Place healthy() {
        return healthy;
    }

    List<Track> tracks() {
        return tracks;
    }

    /** What a fault puts into parts that get much more than their rating by it [W], by reference. */
    public Map<String, Double> burns(FaultMode mode) {
        return tracks.stream()
                .filter(track -> track.mode.equals(mode))
                .findFirst()
                .map(Track::burns)
                .orElse(Map.of());
    }

    /** Faults that overload a part, those that put most into it first. */
    public List<FaultMode> overloading(String part) {
        return tracks.stream()
                .filter(track -> track.burns.containsKey(part))
                .sorted(Comparator.comparingDouble((Track track) -> -track.burns.get(part)))
                .map(Track::mode)
                .toList();
    }

    /** Faults with which the circuit does not settle, or that are too many; nothing is known of them. */
    public List<FaultMode> unsolved() {
        return unsolved;
    }

    /** About how much memory it takes [bytes]. */
    public long size() {
        Map<double[][], Boolean> factors = new IdentityHashMap<>();
        long figures = 0;
        for (Track track : tracks) {
            for (Place place : track.places) {
                figures += 2L * spots.size();
                if (factors.put(place.factor, true) == null) {
                    figures += place.factor.length == 0 ? 0 : (long) points().size() * place.factor[0].length;
                }
            }
        }
        return figures * Double.BYTES;
    }

    /** How far the figures of a spot reach over all faults. */
    double range(int spot) {
        return spots.get(spot).kind() == Spot.Kind.DC ? 2 * mostVolts : LOG_RANGE;
    }
}
