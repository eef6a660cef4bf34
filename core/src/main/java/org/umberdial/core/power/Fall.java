package org.umberdial.core.power;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * How the supply points of healthy sets fall once a warm set is switched off: its tubes draw on while they are hot, and
 * what is left after that stays in the capacitors.
 *
 * @param low fastest of the sets that were drawn, one row a supply point in the plan's order, a figure every
 *     {@value #STEP_SECONDS} s from the moment of switching off [V]
 * @param middle their mean
 * @param high slowest of them
 */
public record Fall(List<double[]> low, List<double[]> middle, List<double[]> high) {
    static final double STEP_SECONDS = 0.25;
    /** So long it is followed [s]. */
    static final double SECONDS = 40;

    public Fall {
        low = List.copyOf(low);
        middle = List.copyOf(middle);
        high = List.copyOf(high);
    }

    /** @param draws each the rows of one set */
    static Fall of(List<List<double[]>> draws) {
        return new Fall(
                edge(draws, column -> Arrays.stream(column).min().orElseThrow()),
                edge(draws, column -> Arrays.stream(column).average().orElseThrow()),
                edge(draws, column -> Arrays.stream(column).max().orElseThrow()));
    }

    private interface Pick {
        double of(double[] column);
    }

    private static List<double[]> edge(List<List<double[]>> draws, Pick pick) {
        int length = draws.get(0).get(0).length;
        return IntStream.range(0, draws.get(0).size())
                .mapToObj(row -> IntStream.range(0, length)
                        .mapToDouble(i -> pick.of(draws.stream()
                                .mapToDouble(draw -> draw.get(row)[i])
                                .toArray()))
                        .toArray())
                .toList();
    }

    Fall rounded() {
        return new Fall(rounded(low), rounded(middle), rounded(high));
    }

    private static List<double[]> rounded(List<double[]> rows) {
        return new Course(rows).rounded().rows();
    }

    /** Volts a time after switching off; behind the end as at the end. */
    static double at(double[] row, double seconds) {
        double place = Math.max(0, Math.min(seconds / STEP_SECONDS, row.length - 1.0));
        int before = (int) place;
        int after = Math.min(before + 1, row.length - 1);
        return row[before] + (place - before) * (row[after] - row[before]);
    }

    /** When a row has come down to a voltage [s]; without end when it never does while it is followed. */
    static double when(double[] row, double volts) {
        for (int i = 0; i < row.length; i++) {
            if (row[i] <= volts) {
                double share = i == 0 ? 0 : (row[i - 1] - volts) / Math.max(1e-9, row[i - 1] - row[i]);
                return i == 0 ? 0 : (i - 1 + share) * STEP_SECONDS;
            }
        }
        return Double.POSITIVE_INFINITY;
    }
}
