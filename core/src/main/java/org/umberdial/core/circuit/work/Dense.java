package org.umberdial.core.circuit.work;

import java.util.Arrays;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;

/**
 * Dense systems inside the solver's loop: small ones by elimination with row exchange, where a library call costs more
 * than the work, large ones by the library.
 */
final class Dense {
    /** From here on the library's blocked elimination is faster. */
    private static final int LARGE = 40;

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
            double[] row = right[i];
            for (int k = i + 1; k < n; k++) {
                double factor = matrix[i][k];
                double[] below = right[k];
                for (int j = 0; j < columns && factor != 0; j++) {
                    row[j] -= factor * below[j];
                }
            }
            for (int j = 0; j < columns; j++) {
                row[j] /= matrix[i][i];
            }
        }
        return true;
    }

    static double[][] product(double[][] a, double[][] b) {
        double[][] c = new double[a.length][b.length == 0 ? 0 : b[0].length];
        addProduct(c, a, b);
        return c;
    }

    /** {@code c + a b} as a new matrix. */
    static double[][] plusProduct(double[][] c, double[][] a, double[][] b) {
        double[][] sum = copy(c);
        addProduct(sum, a, b);
        return sum;
    }

    static double[][] copy(double[][] a) {
        double[][] copy = new double[a.length][];
        for (int i = 0; i < copy.length; i++) {
            copy[i] = a[i].clone();
        }
        return copy;
    }

    /** Adds {@code a b} to {@code c}. */
    static void addProduct(double[][] c, double[][] a, double[][] b) {
        int columns = b.length == 0 ? 0 : b[0].length;
        for (int i = 0; i < a.length; i++) {
            double[] to = c[i];
            double[] row = a[i];
            int k = 0;
            for (; k + 3 < b.length; k += 4) {
                // Four rows at once: the sums stay in registers, which is what such a product spends its time on.
                double f0 = row[k];
                double f1 = row[k + 1];
                double f2 = row[k + 2];
                double f3 = row[k + 3];
                double[] b0 = b[k];
                double[] b1 = b[k + 1];
                double[] b2 = b[k + 2];
                double[] b3 = b[k + 3];
                for (int j = 0; j < columns; j++) {
                    to[j] += f0 * b0[j] + f1 * b1[j] + f2 * b2[j] + f3 * b3[j];
                }
            }
            for (; k < b.length; k++) {
                double factor = row[k];
                double[] from = b[k];
                for (int j = 0; j < columns; j++) {
                    to[j] += factor * from[j];
                }
            }
        }
    }

    static void add(double[][] to, double[][] from) {
        for (int i = 0; i < from.length; i++) {
            for (int j = 0; j < from[i].length; j++) {
                to[i][j] += from[i][j];
            }
        }
    }

    /** @return false when singular; {@code matrix} is destroyed */
    static boolean invert(double[][] matrix, double[][] inverse) {
        if (inverse.length >= LARGE) {
            return invertLarge(matrix, inverse);
        }
        for (int i = 0; i < inverse.length; i++) {
            Arrays.fill(inverse[i], 0);
            inverse[i][i] = 1;
        }
        return solve(matrix, inverse, inverse.length);
    }

    private static boolean invertLarge(double[][] matrix, double[][] inverse) {
        DMatrixRMaj work = new DMatrixRMaj(matrix);
        if (!CommonOps_DDRM.invert(work)) {
            return false;
        }
        int n = inverse.length;
        for (int i = 0; i < n; i++) {
            System.arraycopy(work.data, i * n, inverse[i], 0, n);
        }
        return true;
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
