package org.umberdial.core.circuit.sparse;

import java.util.Arrays;
import java.util.function.Consumer;

/**
 * A linear system in complex numbers. What fills it walks over its entries. Small ones are solved full, by Gaussian
 * elimination with row pivots; large ones sparse, as a real system of twice the size, for which the walk is also made
 * once to learn the pattern.
 */
public final class ComplexSystem {
    /** Up to here elimination is faster than looking for an order of pivots. */
    private static final int FULL_SIZE = 90;

    /** Takes entries of the matrix; those with a negative row or column are passed over. */
    public interface Entries {
        void add(int row, int column, double real, double imaginary);

        /** An admittance between two places [S]. */
        default void admit(int a, int b, double real, double imaginary) {
            add(a, a, real, imaginary);
            add(b, b, real, imaginary);
            add(a, b, -real, -imaginary);
            add(b, a, -real, -imaginary);
        }
    }

    private final int size;
    private final SparsePattern pattern;
    private final double[] values;
    private final SparseLu lu;
    private final double[][] full;
    private final int[] rowAt;
    private final double[] right;

    /** @param walk over every entry that may ever be other than 0 */
    public ComplexSystem(int size, Consumer<Entries> walk) {
        this.size = size;
        boolean sparse = size > FULL_SIZE;
        pattern = sparse ? new SparsePattern(2 * size) : null;
        if (sparse) {
            walk.accept((row, column, real, imaginary) -> place(row, column, 0, 0, null));
        }
        values = sparse ? new double[pattern.count()] : null;
        lu = sparse ? new SparseLu(pattern) : null;
        full = sparse ? null : new double[size][2 * size];
        rowAt = new int[size];
        right = new double[2 * size];
    }

    /** @return false when it is singular */
    public boolean fill(Consumer<Entries> walk) {
        if (full == null) {
            Arrays.fill(values, 0);
            walk.accept((row, column, real, imaginary) -> place(row, column, real, imaginary, values));
            return lu.factor(values);
        }
        for (double[] row : full) {
            Arrays.fill(row, 0);
        }
        walk.accept((row, column, real, imaginary) -> {
            if (row >= 0 && column >= 0) {
                full[row][2 * column] += real;
                full[row][2 * column + 1] += imaginary;
            }
        });
        return eliminate();
    }

    /** Leaves the factors in place: above the diagonal the upper one, below it the multipliers. */
    private boolean eliminate() {
        for (int i = 0; i < size; i++) {
            rowAt[i] = i;
        }
        for (int k = 0; k < size; k++) {
            int best = k;
            for (int i = k + 1; i < size; i++) {
                if (large(full[i], k) > large(full[best], k)) {
                    best = i;
                }
            }
            if (!(large(full[best], k) > 0)) {
                return false;
            }
            double[] pivot = full[best];
            full[best] = full[k];
            full[k] = pivot;
            int row = rowAt[best];
            rowAt[best] = rowAt[k];
            rowAt[k] = row;
            double square = pivot[2 * k] * pivot[2 * k] + pivot[2 * k + 1] * pivot[2 * k + 1];
            for (int i = k + 1; i < size; i++) {
                double[] other = full[i];
                double a = other[2 * k];
                double b = other[2 * k + 1];
                if (a == 0 && b == 0) {
                    continue;
                }
                double real = (a * pivot[2 * k] + b * pivot[2 * k + 1]) / square;
                double imaginary = (b * pivot[2 * k] - a * pivot[2 * k + 1]) / square;
                other[2 * k] = real;
                other[2 * k + 1] = imaginary;
                for (int j = 2 * k + 2; j < other.length; j += 2) {
                    double c = pivot[j];
                    double d = pivot[j + 1];
                    other[j] -= real * c - imaginary * d;
                    other[j + 1] -= real * d + imaginary * c;
                }
            }
        }
        return true;
    }

    private static double large(double[] row, int column) {
        return Math.abs(row[2 * column]) + Math.abs(row[2 * column + 1]);
    }

    private void place(int row, int column, double real, double imaginary, double[] into) {
        if (row < 0 || column < 0) {
            return;
        }
        put(row, column, real, into);
        put(row + size, column + size, real, into);
        put(row, column + size, -imaginary, into);
        put(row + size, column, imaginary, into);
    }

    private void put(int row, int column, double value, double[] into) {
        int slot = pattern.slot(row, column);
        if (into != null) {
            into[slot] += value;
        }
    }

    /** Clears the right side. */
    public void clear() {
        Arrays.fill(right, 0);
    }

    /** Adds to the right side; a negative row is passed over. */
    public void drive(int row, double real, double imaginary) {
        if (row >= 0) {
            right[row] += real;
            right[row + size] += imaginary;
        }
    }

    /** @return real parts, then imaginary parts */
    public double[] solve() {
        double[] answer = new double[2 * size];
        if (full == null) {
            lu.solve(right, answer);
            return answer;
        }
        for (int i = 0; i < size; i++) {
            double real = right[rowAt[i]];
            double imaginary = right[rowAt[i] + size];
            double[] row = full[i];
            for (int j = 0; j < i; j++) {
                real -= row[2 * j] * answer[j] - row[2 * j + 1] * answer[j + size];
                imaginary -= row[2 * j] * answer[j + size] + row[2 * j + 1] * answer[j];
            }
            answer[i] = real;
            answer[i + size] = imaginary;
        }
        for (int i = size - 1; i >= 0; i--) {
            double real = answer[i];
            double imaginary = answer[i + size];
            double[] row = full[i];
            for (int j = i + 1; j < size; j++) {
                real -= row[2 * j] * answer[j] - row[2 * j + 1] * answer[j + size];
                imaginary -= row[2 * j] * answer[j + size] + row[2 * j + 1] * answer[j];
            }
            double square = row[2 * i] * row[2 * i] + row[2 * i + 1] * row[2 * i + 1];
            answer[i] = (real * row[2 * i] + imaginary * row[2 * i + 1]) / square;
            answer[i + size] = (imaginary * row[2 * i] - real * row[2 * i + 1]) / square;
        }
        return answer;
    }
}
