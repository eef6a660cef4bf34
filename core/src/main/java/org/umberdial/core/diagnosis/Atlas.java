package org.umberdial.core.diagnosis;

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
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.set.Part;

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
    /** From the least to the most that a meter shows of ohms or ripple, as logarithms. */
    private static final double LOG_RANGE = 15;
    /** Below every degree that is one. */
    private static final double TINY = 1e-12;

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
        List<Spread> matters =
                IntStream.of(matter).mapToObj(first.spreads()::get).toList();
        Place scattering = healthy.get().by(matter, first.spreads().size());
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

    /**
     * Two faults at once, solved, from whatever was solved last: one pair is near the next.
     *
     * @param beside whether ohms and ripple are wanted too; without, they are not known
     * @return empty when the set does not settle with both
     */
    Optional<Place> both(FaultMode one, double oneGrade, FaultMode other, double otherGrade, boolean beside) {
        synchronized (surveyor) {
            Values both = other.in(one.in(surveyor.values(), oneGrade), otherGrade);
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
