package org.umberdial.core.cold;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;

/**
 * Which lead of a tapped winding is which, from resistances between leads.
 *
 * <p>The leads lie on a line, as far apart as their resistance. The lead whose distances to the others grow most evenly
 * with the labels' voltages is the common.
 *
 * @param common the lead all labels are counted from; empty when it cannot be told
 * @param taps the other leads, the lowest resistance first
 * @param apart leads that do not connect to the rest
 * @param problem a sentence when the readings contradict or do not suffice; then there are no taps
 * @param confidence how much better this common explains the labels than the next best, 0 to 1; empty without labels
 */
public record Taps(
        Optional<String> common, List<Tap> taps, List<String> apart, String problem, OptionalDouble confidence) {
    /** Ohms per volt may differ so much from their mean: inner turns are shorter than outer ones. */
    static final double EVEN = 0.25;
    /** Neighbours closer than this, of the larger, cannot be told apart. */
    static final double CLOSE = 0.03;
    /** Readings that must add up may miss by so much of the larger, and by twice the meter's last digit. */
    private static final double SUMS = 0.05;

    /**
     * One lead besides the common.
     *
     * @param ohms from the common
     * @param label its voltage by the order; empty when there is none for it
     * @param even whether its ohms per volt agree with the others'
     * @param tooClose whether it and a neighbour are too close to call
     */
    public record Tap(String lead, double ohms, OptionalDouble label, boolean even, boolean tooClose) {}

    /** Resistance between two leads [Ω], infinite when open. */
    public record Between(String a, String b, double ohms) {}

    private record Line(double[] position, String fault) {}

    /**
     * @param leads names of all leads, in any order
     * @param readings pairwise or from one lead, in any order; enough that each lead is reached
     * @param labels voltages on the label, in any order; may be fewer or more than the taps
     * @param resolution the meter's last digit [Ω], 0 when unknown
     */
    public static Taps solve(List<String> leads, List<Between> readings, List<Double> labels, double resolution) {
        List<String> joined = new ArrayList<>();
        List<String> apart = new ArrayList<>();
        leads.forEach(lead -> (readings.stream()
                                .anyMatch(r -> (r.a.equals(lead) || r.b.equals(lead)) && Double.isFinite(r.ohms))
                        ? joined
                        : apart)
                .add(lead));
        double[][] ohms = new double[joined.size()][joined.size()];
        Arrays.stream(ohms).forEach(row -> Arrays.fill(row, Double.NaN));
        for (Between r : readings) {
            int a = joined.indexOf(r.a);
            int b = joined.indexOf(r.b);
            if (a >= 0 && b >= 0 && a != b) {
                ohms[a][b] = r.ohms;
                ohms[b][a] = r.ohms;
            }
        }
        if (joined.size() < 2) {
            return none("No two leads connect: read each lead against one of them, or the winding is open.", apart);
        }
        List<Double> volts = labels.stream().filter(v -> v > 0).sorted().toList();
        TapOrders orders = new TapOrders(ohms, resolution);
        List<double[]> placements = orders.placements();
        if (placements.isEmpty()) {
            return none(positions(joined, ohms, resolution).fault, apart);
        }
        double[] best = placements.stream()
                .min(Comparator.comparingDouble(at -> leastUneven(at, volts)))
                .orElseThrow();
        Taps taps = label(joined, best, volts, resolution, apart);
        if (placements.size() == 1 || joined.size() == 2) {
            return taps;
        }
        int[] pair = orders.tellingPair();
        return new Taps(
                Optional.empty(),
                taps.taps,
                taps.apart,
                "More than one order fits these pairs, since a lead may lie on either side of the one it was read from."
                        + " Read " + joined.get(pair[0]) + " to " + joined.get(pair[1]) + " too.",
                taps.confidence);
    }

    private static double leastUneven(double[] at, List<Double> labels) {
        List<Integer> order = new ArrayList<>(IntStream.range(0, at.length)
                .boxed()
                .sorted(Comparator.comparingDouble(i -> at[i]))
                .toList());
        double forward = unevenness(order, at, labels);
        java.util.Collections.reverse(order);
        return Math.min(forward, unevenness(order, at, labels));
    }

    private static Taps none(String problem, List<String> apart) {
        return new Taps(Optional.empty(), List.of(), List.copyOf(apart), problem, OptionalDouble.empty());
    }

    /**
     * Places the leads on a line. When one lead was read against all others and no more, that lead is taken as an end,
     * which it is when it is the common.
     */
    private static Line positions(List<String> leads, double[][] ohms, double resolution) {
        int n = leads.size();
        double most = -1;
        int end = 0;
        for (int i = 0; i < n; i++) {
            for (int j = i + 1; j < n; j++) {
                if (ohms[i][j] > most) {
                    most = ohms[i][j];
                    end = known(ohms[i]) >= known(ohms[j]) ? i : j;
                }
            }
        }
        double[] at = new double[n];
        Arrays.fill(at, Double.NaN);
        at[end] = 0;
        for (int round = 0; round < n; round++) {
            for (int i = 0; i < n; i++) {
                if (Double.isNaN(at[i]) && !Double.isNaN(ohms[end][i])) {
                    at[i] = ohms[end][i];
                }
            }
            // A lead that was not read against the end is placed by two that were.
            for (int i = 0; i < n; i++) {
                if (Double.isNaN(at[i])) {
                    at[i] = byOthers(i, at, ohms, resolution);
                }
            }
        }
        for (int i = 0; i < n; i++) {
            if (Double.isNaN(at[i])) {
                return new Line(
                        at, "Lead " + leads.get(i) + " cannot be placed yet: read it against " + leads.get(end) + ".");
            }
        }
        for (int i = 0; i < n; i++) {
            for (int j = i + 1; j < n; j++) {
                double along = Math.abs(at[i] - at[j]);
                if (!Double.isNaN(ohms[i][j])
                        && Math.abs(along - ohms[i][j]) > 2 * resolution + SUMS * Math.max(along, ohms[i][j])) {
                    return new Line(
                            at,
                            "These readings contradict: " + leads.get(i) + " to " + leads.get(j) + " should be about "
                                    + text(along) + " Ω by the others, but " + text(ohms[i][j])
                                    + " Ω was read. Read that pair again, with clean tips.");
                }
            }
        }
        return new Line(at, "");
    }

    private static long known(double[] row) {
        return Arrays.stream(row).filter(v -> !Double.isNaN(v)).count();
    }

    private static double byOthers(int lead, double[] at, double[][] ohms, double resolution) {
        List<Integer> near = IntStream.range(0, at.length)
                .filter(j -> j != lead && !Double.isNaN(at[j]) && !Double.isNaN(ohms[lead][j]))
                .boxed()
                .toList();
        for (int j : near) {
            for (int k : near) {
                for (double way : new double[] {at[j] + ohms[lead][j], at[j] - ohms[lead][j]}) {
                    if (j != k
                            && way >= -2 * resolution
                            && Math.abs(Math.abs(way - at[k]) - ohms[lead][k])
                                    <= 2 * resolution + SUMS * Math.max(way, ohms[lead][k])) {
                        return way;
                    }
                }
            }
        }
        return Double.NaN;
    }

    private static Taps label(
            List<String> leads, double[] at, List<Double> labels, double resolution, List<String> apart) {
        List<Integer> order = IntStream.range(0, at.length)
                .boxed()
                .sorted(Comparator.comparingDouble(i -> at[i]))
                .toList();
        List<Integer> reversed = new ArrayList<>(order);
        java.util.Collections.reverse(reversed);
        double forward = unevenness(order, at, labels);
        double backward = unevenness(reversed, at, labels);
        boolean known = !labels.isEmpty() && order.size() > 2;
        List<Integer> best = backward < forward ? reversed : order;
        double confidence = Math.abs(forward - backward) / Math.max(Math.max(forward, backward), 1e-9);
        boolean told = known && (forward <= EVEN || backward <= EVEN) && confidence > 0.2;
        if (labels.size() == 1 || order.size() == 2) {
            told = order.size() == 2;
        }
        List<Tap> taps = taps(leads, at, best, labels, resolution);
        if (!told) {
            String why = labels.isEmpty()
                    ? "Without the label's voltages the order is known, but not which end is the common."
                    : Math.min(forward, backward) > EVEN
                            ? "From neither end do the ohms grow with the labels: read the other pairs too, "
                                    + "and prove the taps by low AC injection."
                            : "Either end could be the common: ohms per volt grow alike from both. Prove it "
                                    + "by low AC injection.";
            return new Taps(
                    Optional.empty(),
                    taps,
                    List.copyOf(apart),
                    why,
                    known ? OptionalDouble.of(confidence) : OptionalDouble.empty());
        }
        return new Taps(
                Optional.of(leads.get(best.get(0))),
                taps,
                List.copyOf(apart),
                "",
                known ? OptionalDouble.of(confidence) : OptionalDouble.empty());
    }

    /** Largest deviation of any tap's ohms per volt from their mean, counted from the first of the order. */
    private static double unevenness(List<Integer> order, double[] at, List<Double> labels) {
        int n = Math.min(order.size() - 1, labels.size());
        if (n == 0) {
            return Double.POSITIVE_INFINITY;
        }
        double[] perVolt = new double[n];
        for (int i = 0; i < n; i++) {
            perVolt[i] = Math.abs(at[order.get(i + 1)] - at[order.get(0)]) / labels.get(i);
        }
        double mean = Arrays.stream(perVolt).average().orElseThrow();
        return Arrays.stream(perVolt).map(v -> Math.abs(v - mean) / mean).max().orElseThrow();
    }

    private static List<Tap> taps(
            List<String> leads, double[] at, List<Integer> order, List<Double> labels, double resolution) {
        int n = order.size() - 1;
        double[] ohms = order.stream()
                .skip(1)
                .mapToDouble(i -> Math.abs(at[i] - at[order.get(0)]))
                .toArray();
        double mean = IntStream.range(0, Math.min(n, labels.size()))
                .mapToDouble(i -> ohms[i] / labels.get(i))
                .average()
                .orElse(0);
        List<Tap> taps = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            boolean labelled = i < labels.size();
            boolean even = !labelled || Math.abs(ohms[i] / labels.get(i) - mean) <= EVEN * mean;
            boolean close = i > 0 && near(ohms[i], ohms[i - 1], resolution)
                    || i < n - 1 && near(ohms[i], ohms[i + 1], resolution);
            taps.add(new Tap(
                    leads.get(order.get(i + 1)),
                    ohms[i],
                    labelled ? OptionalDouble.of(labels.get(i)) : OptionalDouble.empty(),
                    even,
                    close));
        }
        return List.copyOf(taps);
    }

    private static boolean near(double a, double b, double resolution) {
        return Math.abs(a - b) < Math.max(resolution, CLOSE * Math.max(a, b));
    }

    private static String text(double ohms) {
        return Double.isInfinite(ohms)
                ? "∞"
                : new java.math.BigDecimal(ohms)
                        .round(new java.math.MathContext(3))
                        .stripTrailingZeros()
                        .toPlainString();
    }
}
