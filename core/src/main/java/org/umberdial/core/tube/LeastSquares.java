package org.umberdial.core.tube;

import java.util.function.Function;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;

/**
 * Least squares by Levenberg and Marquardt with difference slopes; made for the half-dozen parameters of a tube law.
 */
final class LeastSquares {
    private static final int MOST_STEPS = 200;
    private static final double DIFFERENCE = 1e-6;
    private static final double SETTLED = 1e-12;

    private LeastSquares() {}

    /**
     * @param start of the parameters
     * @param residuals of a parameter set, each over its expected error
     * @return the parameters of the least sum of squares found
     */
    static double[] fit(double[] start, Function<double[], double[]> residuals) {
        double[] best = start.clone();
        double[] error = residuals.apply(best);
        double damping = 1e-2;
        for (int step = 0; step < MOST_STEPS && damping < 1e12; step++) {
            DMatrixRMaj jacobian = jacobian(best, error, residuals);
            DMatrixRMaj normal = new DMatrixRMaj(best.length, best.length);
            DMatrixRMaj gradient = new DMatrixRMaj(best.length, 1);
            CommonOps_DDRM.multTransA(jacobian, jacobian, normal);
            CommonOps_DDRM.multTransA(jacobian, new DMatrixRMaj(error.length, 1, true, error), gradient);
            double before = sum(error);
            boolean improved = false;
            while (!improved && damping < 1e12) {
                DMatrixRMaj damped = normal.copy();
                for (int i = 0; i < best.length; i++) {
                    damped.add(i, i, damping * (normal.get(i, i) + 1e-9));
                }
                DMatrixRMaj move = new DMatrixRMaj(best.length, 1);
                CommonOps_DDRM.solve(damped, gradient, move);
                double[] trial = best.clone();
                for (int i = 0; i < trial.length; i++) {
                    trial[i] -= move.get(i);
                }
                double[] trialError = residuals.apply(trial);
                double after = sum(trialError);
                improved = after < before;
                if (improved) {
                    best = trial;
                    error = trialError;
                    damping = Math.max(damping / 5, 1e-9);
                    if (before - after < SETTLED * before) {
                        return best;
                    }
                } else {
                    damping *= 4;
                }
            }
        }
        return best;
    }

    private static DMatrixRMaj jacobian(double[] at, double[] error, Function<double[], double[]> residuals) {
        DMatrixRMaj jacobian = new DMatrixRMaj(error.length, at.length);
        for (int column = 0; column < at.length; column++) {
            double[] moved = at.clone();
            moved[column] += DIFFERENCE;
            double[] changed = residuals.apply(moved);
            for (int row = 0; row < error.length; row++) {
                jacobian.set(row, column, (changed[row] - error[row]) / DIFFERENCE);
            }
        }
        return jacobian;
    }

    private static double sum(double[] error) {
        double sum = 0;
        for (double value : error) {
            sum += value * value;
        }
        return Double.isFinite(sum) ? sum : Double.MAX_VALUE;
    }
}
