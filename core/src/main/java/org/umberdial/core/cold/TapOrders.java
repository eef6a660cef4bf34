package org.umberdial.core.cold;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * The orders of leads along a winding that all readings leave open. A lead that was only read against one other may lie
 * on either side of it: only a further pair tells.
 */
final class TapOrders {
    /** Readings that must add up may miss by so much of the larger, and by twice the meter's last digit. */
    private static final double SUMS = 0.05;

    private static final int MOST = 4096;

    private final double[][] ohms;
    private final double resolution;
    private final Map<List<Integer>, double[]> found = new LinkedHashMap<>();

    /** @param ohms between each two leads [Ω], NaN where nobody has read */
    TapOrders(double[][] ohms, double resolution) {
        this.ohms = ohms;
        this.resolution = resolution;
        double[] at = new double[ohms.length];
        Arrays.fill(at, Double.NaN);
        int base = IntStream.range(0, ohms.length)
                .boxed()
                .max(Comparator.comparingLong((Integer i) ->
                        Arrays.stream(ohms[i]).filter(Double::isFinite).count()))
                .orElse(0);
        at[base] = 0;
        place(at, 0);
    }

    /**
     * One way to place the leads along the winding for each order that fits [Ω]; empty when the readings contradict.
     */
    List<double[]> placements() {
        return List.copyOf(found.values());
    }

    private void place(double[] at, int tried) {
        if (found.size() > MOST || tried > at.length) {
            return;
        }
        int next = next(at);
        if (next < 0) {
            if (Arrays.stream(at).noneMatch(Double::isNaN)) {
                found.putIfAbsent(order(at), at.clone());
            }
            return;
        }
        int by = neighbour(at, next);
        for (double side : new double[] {1, -1}) {
            double place = at[by] + side * ohms[next][by];
            if (fits(at, next, place)) {
                at[next] = place;
                place(at, tried + 1);
                at[next] = Double.NaN;
            }
        }
    }

    /**
     * A lead that was read against one that has a place; the one with the most such readings, to find dead ends early.
     */
    private int next(double[] at) {
        int best = -1;
        long most = 0;
        for (int i = 0; i < at.length; i++) {
            if (Double.isNaN(at[i])) {
                int lead = i;
                long known = IntStream.range(0, at.length)
                        .filter(j -> !Double.isNaN(at[j]) && Double.isFinite(ohms[lead][j]))
                        .count();
                if (known > most) {
                    most = known;
                    best = i;
                }
            }
        }
        return best;
    }

    private int neighbour(double[] at, int lead) {
        return IntStream.range(0, at.length)
                .filter(j -> !Double.isNaN(at[j]) && Double.isFinite(ohms[lead][j]))
                .findFirst()
                .orElseThrow();
    }

    private boolean fits(double[] at, int lead, double place) {
        for (int j = 0; j < at.length; j++) {
            if (j != lead && !Double.isNaN(at[j]) && !Double.isNaN(ohms[lead][j])) {
                double along = Math.abs(place - at[j]);
                if (Math.abs(along - ohms[lead][j]) > 2 * resolution + SUMS * Math.max(along, ohms[lead][j])) {
                    return false;
                }
            }
        }
        return true;
    }

    /** Leads along the winding; from whichever end, it is one order. */
    private static List<Integer> order(double[] placed) {
        List<Integer> order = new ArrayList<>(IntStream.range(0, placed.length)
                .boxed()
                .sorted(Comparator.comparingDouble(i -> placed[i]))
                .toList());
        if (order.get(0) > order.get(order.size() - 1)) {
            Collections.reverse(order);
        }
        return List.copyOf(order);
    }

    /** The pair that nobody has read and that the orders left open differ most about, as indices. */
    int[] tellingPair() {
        int[] best = {0, 0};
        double most = -1;
        for (int i = 0; i < ohms.length; i++) {
            for (int j = i + 1; j < ohms.length; j++) {
                if (Double.isNaN(ohms[i][j])) {
                    int a = i;
                    int b = j;
                    double[] ways = found.values().stream()
                            .mapToDouble(o -> Math.abs(o[a] - o[b]))
                            .toArray();
                    double apart = Arrays.stream(ways).max().orElse(0)
                            - Arrays.stream(ways).min().orElse(0);
                    if (apart > most) {
                        most = apart;
                        best = new int[] {i, j};
                    }
                }
            }
        }
        return best;
    }
}
