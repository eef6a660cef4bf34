package org.umberdial.core.circuit.work;

import java.util.Arrays;

/**
 * Small dense systems inside the solver's loop, by elimination with row exchange; a library call costs more than the
 * work.
 */
final class Dense {
    private Dense() {}

    /** Solves in place: {@code right} becomes the solution, {@code matrix} is destroyed. */
    static boolean solve(double[][] matrix, double[] right) {
        int n = right.length;
        for (int k = 0; k < n; k++) {
            int pivot = pivot(matrix, k, n);
            if (pivot < 0) {
                return false;
            }
            double[] row = matrix[pivot];
            matrix[pivot] = matrix[k];
            matrix[k] = row;
            double value = right[pivot];
            right[pivot] = right[k];
            right[k] = value;
            for (int i = k + 1; i < n; i++) {
                double factor = matrix[i][k] / row[k];
                if (factor != 0) {
                    for (int j = k + 1; j < n; j++) {
                        matrix[i][j] -= factor * row[j];
                    }
                    right[i] -= factor * value;
                }
            }
        }
        for (int i = n - 1; i >= 0; i--) {
            double sum = right[i];
            for (int j = i + 1; j < n; j++) {
                sum -= matrix[i][j] * right[j];
            }
            right[i] = sum / matrix[i][i];
        }
        return true;
    }

    /** The same for the first {@code columns} right sides at once, one per column. */
    static boolean solve(double[][] matrix, double[][] right, int columns) {
        int n = matrix.length;
        for (int k = 0; k < n; k++) {
            int pivot = pivot(matrix, k, n);
            if (pivot < 0) {
                return false;
            }
            double[] row = matrix[pivot];
            matrix[pivot] = matrix[k];
            matrix[k] = row;
            double[] values = right[pivot];
            right[pivot] = right[k];
            right[k] = values;
            for (int i = k + 1; i < n; i++) {
                double factor = matrix[i][k] / row[k];
                if (factor != 0) {
                    for (int j = k + 1; j < n; j++) {
                        matrix[i][j] -= factor * row[j];
                    }
                    for (int j = 0; j < columns; j++) {
                        right[i][j] -= factor * values[j];
                    }
                }
            }
        }
        for (int i = n - 1; i >= 0; i--) {
            for (int j = 0; j < columns; j++) {
                double sum = right[i][j];
                for (int k = i + 1; k < n; k++) {
                    sum -= matrix[i][k] * right[k][j];
                }
                right[i][j] = sum / matrix[i][i];
            }
        }
        return true;
    }

    /** @return false when singular; {@code matrix} is destroyed */
    static boolean invert(double[][] matrix, double[][] inverse) {
        for (int i = 0; i < inverse.length; i++) {
            Arrays.fill(inverse[i], 0);
            inverse[i][i] = 1;
        }
        return solve(matrix, inverse, inverse.length);
    }

    private static int pivot(double[][] matrix, int k, int n) {
        int best = -1;
        double size = 0;
        for (int i = k; i < n; i++) {
            double candidate = Math.abs(matrix[i][k]);
            if (candidate > size) {
                size = candidate;
                best = i;
            }
        }
        return best;
    }
}
