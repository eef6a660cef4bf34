package org.umberdial.core.circuit.sparse;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * LU factors of a matrix with a fixed pattern. A workspace: owned by one solve at a time.
 *
 * <p>{@link #factor} orders the pivots on first use and again whenever a pivot of the kept order has become too small
 * to divide by, so callers need not know when an open or a short has changed the numbers.
 */
public final class SparseLu {
    /**
     * A pivot may be this much smaller than the largest entry of its column; smaller means less fill, larger less
     * rounding.
     */
    private static final double PIVOT_THRESHOLD = 1e-3;
    /** Below this share of the largest entry of its row a kept pivot is not trusted any more. */
    private static final double REORDER_BELOW = 1e-9;

    /**
     * With an order made for these very numbers, only rounding noise is refused; a floating pair of nodes has a tiny
     * true pivot.
     */
    private static final double SINGULAR_BELOW = 1e-15;

    /** A pivot is chosen out of at least so many columns, and at most so many. */
    private static final int FEWEST_COLUMNS = 4;

    private static final int MOST_COLUMNS = 40;

    private final SparsePattern pattern;
    private final int size;
    private boolean ordered;
    private int[] pivotRow;
    private int[] pivotColumn;
    private int[] entryPlace;
    private int[] entrySlot;
    private int[] entryStart;
    private int[] lowerStart;
    private int[] lowerColumn;
    private double[] lower;
    private int[] upperStart;
    private int[] upperColumn;
    private double[] upper;
    private double[] inverse;
    private final double[] work;

    public SparseLu(SparsePattern pattern) {
        this.pattern = pattern;
        this.size = pattern.size();
        this.work = new double[size];
    }

    /**
     * Factors the matrix.
     *
     * @param values one number per slot of the pattern
     * @return false when the matrix is singular
     */
    public boolean factor(double[] values) {
        if (ordered && replay(values, REORDER_BELOW)) {
            return true;
        }
        ordered = order(values);
        return ordered && replay(values, SINGULAR_BELOW);
    }

    /**
     * Solves with the last factors; {@code solution} is overwritten, {@code right} is kept, and they may not be the
     * same array.
     */
    public void solve(double[] right, double[] solution) {
        for (int i = 0; i < size; i++) {
            double sum = right[pivotRow[i]];
            for (int p = lowerStart[i]; p < lowerStart[i + 1]; p++) {
                sum -= lower[p] * work[lowerColumn[p]];
            }
            work[i] = sum;
        }
        for (int i = size - 1; i >= 0; i--) {
            double sum = work[i];
            for (int p = upperStart[i]; p < upperStart[i + 1]; p++) {
                sum -= upper[p] * work[upperColumn[p]];
            }
            work[i] = sum * inverse[i];
        }
        for (int i = 0; i < size; i++) {
            solution[pivotColumn[i]] = work[i];
        }
    }

    /** Solves the transposed system: the adjoint, for the influence of every unknown on one of them. */
    public void solveTransposed(double[] right, double[] solution) {
        for (int i = 0; i < size; i++) {
            work[i] = right[pivotColumn[i]];
        }
        for (int i = 0; i < size; i++) {
            work[i] *= inverse[i];
            for (int p = upperStart[i]; p < upperStart[i + 1]; p++) {
                work[upperColumn[p]] -= upper[p] * work[i];
            }
        }
        for (int i = size - 1; i >= 0; i--) {
            for (int p = lowerStart[i]; p < lowerStart[i + 1]; p++) {
                work[lowerColumn[p]] -= lower[p] * work[i];
            }
        }
        for (int i = 0; i < size; i++) {
            solution[pivotRow[i]] = work[i];
        }
    }

    private boolean replay(double[] values, double least) {
        double[] row = work;
        for (int i = 0; i < size; i++) {
            for (int p = lowerStart[i]; p < lowerStart[i + 1]; p++) {
                row[lowerColumn[p]] = 0;
            }
            row[i] = 0;
            for (int p = upperStart[i]; p < upperStart[i + 1]; p++) {
                row[upperColumn[p]] = 0;
            }
            double largest = 0;
            for (int p = entryStart[i]; p < entryStart[i + 1]; p++) {
                double value = values[entrySlot[p]];
                row[entryPlace[p]] = value;
                largest = Math.max(largest, Math.abs(value));
            }
            for (int p = lowerStart[i]; p < lowerStart[i + 1]; p++) {
                int k = lowerColumn[p];
                double multiplier = row[k] * inverse[k];
                lower[p] = multiplier;
                if (multiplier != 0) {
                    for (int q = upperStart[k]; q < upperStart[k + 1]; q++) {
                        row[upperColumn[q]] -= multiplier * upper[q];
                    }
                }
            }
            double pivot = row[i];
            if (!(Math.abs(pivot) > least * largest) || pivot == 0) {
                return false;
            }
            inverse[i] = 1 / pivot;
            for (int p = upperStart[i]; p < upperStart[i + 1]; p++) {
                upper[p] = row[upperColumn[p]];
            }
        }
        return true;
    }

    /** Markowitz ordering on the numbers given; keeps the order and the pattern of fill. */
    private boolean order(double[] values) {
        Elimination elimination = new Elimination(pattern, values);
        pivotRow = new int[size];
        pivotColumn = new int[size];
        int[] placeOfColumn = new int[size];
        int[][] uppers = new int[size][];
        for (int step = 0; step < size; step++) {
            if (!elimination.pivot()) {
                return false;
            }
            pivotRow[step] = elimination.row;
            pivotColumn[step] = elimination.column;
            placeOfColumn[elimination.column] = step;
            uppers[step] = elimination.eliminate(step);
        }
        int[][] lowerSteps = elimination.lowerSteps();
        layOut(placeOfColumn, uppers, lowerSteps);
        return true;
    }

    private void layOut(int[] placeOfColumn, int[][] uppers, int[][] lowerSteps) {
        lowerStart = new int[size + 1];
        upperStart = new int[size + 1];
        for (int i = 0; i < size; i++) {
            lowerStart[i + 1] = lowerStart[i] + lowerSteps[pivotRow[i]].length;
            upperStart[i + 1] = upperStart[i] + uppers[i].length;
        }
        lowerColumn = new int[lowerStart[size]];
        upperColumn = new int[upperStart[size]];
        lower = new double[lowerColumn.length];
        upper = new double[upperColumn.length];
        inverse = new double[size];
        int[] placeOfRow = new int[size];
        for (int i = 0; i < size; i++) {
            placeOfRow[pivotRow[i]] = i;
            System.arraycopy(lowerSteps[pivotRow[i]], 0, lowerColumn, lowerStart[i], lowerSteps[pivotRow[i]].length);
            for (int p = 0; p < uppers[i].length; p++) {
                upperColumn[upperStart[i] + p] = placeOfColumn[uppers[i][p]];
            }
        }
        entryStart = new int[size + 1];
        for (int slot = 0; slot < pattern.count(); slot++) {
            entryStart[placeOfRow[pattern.row(slot)] + 1]++;
        }
        for (int i = 0; i < size; i++) {
            entryStart[i + 1] += entryStart[i];
        }
        entrySlot = new int[pattern.count()];
        entryPlace = new int[pattern.count()];
        int[] next = Arrays.copyOf(entryStart, size);
        for (int slot = 0; slot < pattern.count(); slot++) {
            int at = next[placeOfRow[pattern.row(slot)]]++;
            entrySlot[at] = slot;
            entryPlace[at] = placeOfColumn[pattern.column(slot)];
        }
    }

    /** One elimination with row maps, to find an order; not on the fast path. */
    private static final class Elimination {
        private final TreeMap<Integer, Double>[] rows;
        private final TreeSet<Integer>[] columns;
        private final List<List<Integer>> lowerSteps = new ArrayList<>();
        /** Open columns, the shortest first: length times size and number. */
        private final TreeSet<Long> byLength = new TreeSet<>();

        private int row;
        private int column;

        @SuppressWarnings({"unchecked", "rawtypes"})
        Elimination(SparsePattern pattern, double[] values) {
            int size = pattern.size();
            rows = new TreeMap[size];
            columns = new TreeSet[size];
            for (int i = 0; i < size; i++) {
                rows[i] = new TreeMap<>();
                columns[i] = new TreeSet<>();
                lowerSteps.add(new ArrayList<>());
            }
            for (int slot = 0; slot < pattern.count(); slot++) {
                rows[pattern.row(slot)].put(pattern.column(slot), values[slot]);
                columns[pattern.column(slot)].add(pattern.row(slot));
            }
            for (int c = 0; c < size; c++) {
                byLength.add(place(c));
            }
        }

        /**
         * Looks at the shortest columns first and ends where no longer one can be cheaper, or after a few (Z. Zlatev,
         * SIAM J. Numer. Anal. 17, 1980); looking at all of them made the order of a large net cost more than its
         * solution.
         */
        boolean pivot() {
            long best = Long.MAX_VALUE;
            double bestSize = 0;
            int candidates = 0;
            for (long entry : byLength) {
                int c = (int) (entry % columns.length);
                long length = columns[c].size();
                if (length == 0 || best <= (length - 1) * (length - 1) && candidates >= FEWEST_COLUMNS) {
                    break;
                }
                double largest = 0;
                for (int r : columns[c]) {
                    largest = Math.max(largest, Math.abs(rows[r].get(c)));
                }
                if (largest == 0) {
                    return false;
                }
                candidates++;
                for (int r : columns[c]) {
                    double size = Math.abs(rows[r].get(c));
                    long cost = (rows[r].size() - 1) * (length - 1);
                    if (size >= PIVOT_THRESHOLD * largest && (cost < best || cost == best && size > bestSize)) {
                        best = cost;
                        bestSize = size;
                        row = r;
                        column = c;
                    }
                }
                if (best == 0 || candidates >= MOST_COLUMNS) {
                    break;
                }
            }
            return best != Long.MAX_VALUE;
        }

        private long place(int c) {
            return (long) columns[c].size() * columns.length + c;
        }

        /** Eliminates the chosen pivot; the columns of its row that are still open are the pattern of U. */
        int[] eliminate(int step) {
            byLength.remove(place(column));
            double pivot = rows[row].get(column);
            rows[row].remove(column);
            int[] upper =
                    rows[row].keySet().stream().mapToInt(Integer::intValue).toArray();
            for (int c : upper) {
                byLength.remove(place(c));
                columns[c].remove(row);
            }
            for (int r : columns[column]) {
                if (r == row) {
                    continue;
                }
                lowerSteps.get(r).add(step);
                double multiplier = rows[r].remove(column) / pivot;
                for (int c : upper) {
                    rows[r].merge(c, -multiplier * rows[row].get(c), Double::sum);
                    columns[c].add(r);
                }
            }
            for (int c : upper) {
                byLength.add(place(c));
            }
            return upper;
        }

        int[][] lowerSteps() {
            return lowerSteps.stream()
                    .map(steps -> steps.stream().mapToInt(Integer::intValue).toArray())
                    .toArray(int[][]::new);
        }
    }
}
