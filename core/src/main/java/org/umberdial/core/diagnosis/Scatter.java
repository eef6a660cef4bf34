package org.umberdial.core.diagnosis;

/**
 * The scatter of some readings about a place, factored: {@code F·Fᵀ} of the common causes and each point's own, as a
 * Cholesky triangle.
 */
final class Scatter {
    private static final double LOG_TWO_PI = Math.log(2 * Math.PI);

    private final int[] rows;
    private final double[][] triangle;
    private final double logRoot;

    /**
     * @param rows of the place that are meant; each must have volts there
     * @throws IllegalArgumentException when the scatter has no triangle, which own scatter above 0 excludes
     */
    Scatter(Atlas.Place place, int[] rows) {
        this.rows = rows.clone();
        int n = rows.length;
        triangle = new double[n][];
        double log = 0;
        for (int i = 0; i < n; i++) {
            triangle[i] = new double[i + 1];
            for (int j = 0; j <= i; j++) {
                double sum = covariance(place, rows[i], rows[j]);
                for (int k = 0; k < j; k++) {
                    sum -= triangle[i][k] * triangle[j][k];
                }
                if (i == j) {
                    if (!(sum > 0)) {
                        throw new IllegalArgumentException("a scatter without a triangle");
                    }
                    triangle[i][i] = Math.sqrt(sum);
                    log += Math.log(triangle[i][i]);
                } else {
                    triangle[i][j] = sum / triangle[j][j];
                }
            }
        }
        logRoot = log;
    }

    /** Of two points about a place [V²]. */
    static double covariance(Atlas.Place place, int row, int column) {
        double[] a = place.factor()[row];
        double[] b = place.factor()[column];
        double sum = 0;
        for (int k = 0; k < a.length; k++) {
            sum += a[k] * b[k];
        }
        double own = row == column ? place.own()[row] : 0;
        return sum + own * own;
    }

    int[] rows() {
        return rows;
    }

    /** A difference of readings in deviations that know nothing of each other. */
    double[] whitened(double[] difference) {
        double[] white = new double[rows.length];
        for (int i = 0; i < white.length; i++) {
            double sum = difference[i];
            for (int k = 0; k < i; k++) {
                sum -= triangle[i][k] * white[k];
            }
            white[i] = sum / triangle[i][i];
        }
        return white;
    }

    /** The other way: what to weigh readings with, so that weights times a difference predicts another point. */
    double[] weighted(double[] white) {
        int n = rows.length;
        double[] weights = white.clone();
        for (int i = n - 1; i >= 0; i--) {
            for (int k = i + 1; k < n; k++) {
                weights[i] -= triangle[k][i] * weights[k];
            }
            weights[i] /= triangle[i][i];
        }
        return weights;
    }

    /** Logarithm of the density at the middle. */
    double logPeak() {
        return -logRoot - rows.length * LOG_TWO_PI / 2;
    }
}
