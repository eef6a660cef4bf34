package org.umberdial.core.circuit.sparse;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Random;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;
import org.junit.jupiter.api.Test;

class SparseLuTest {
    private final Random random = new Random(11);

    private SparsePattern pattern(int size) {
        SparsePattern pattern = new SparsePattern(size);
        for (int i = 0; i < 3 * size; i++) {
            pattern.slot(random.nextInt(size), random.nextInt(size));
        }
        return pattern;
    }

    private double[] values(SparsePattern pattern) {
        double[] values = new double[pattern.count()];
        for (int slot = 0; slot < values.length; slot++) {
            values[slot] = (pattern.row(slot) == pattern.column(slot) ? 3 : 1)
                    * (random.nextDouble() - 0.3)
                    * Math.pow(10, random.nextInt(7) - 3);
        }
        return values;
    }

    @Test
    void solve_agreesWithTheDenseLibrary_forwardAndTransposed() {
        for (int trial = 0; trial < 40; trial++) {
            SparsePattern pattern = pattern(5 + random.nextInt(40));
            SparseLu lu = new SparseLu(pattern);
            double[] first = values(pattern);
            for (int again = 0; again < 3; again++) {
                double[] values = java.util.Arrays.stream(first)
                        .map(value -> value * (0.5 + random.nextDouble()))
                        .toArray();
                DMatrixRMaj dense = new DMatrixRMaj(pattern.size(), pattern.size());
                for (int slot = 0; slot < values.length; slot++) {
                    dense.set(pattern.row(slot), pattern.column(slot), values[slot]);
                }
                double[] right = random.doubles(pattern.size()).toArray();
                assertTrue(lu.factor(values));
                check(lu, dense, right, false);
                check(lu, CommonOps_DDRM.transpose(dense, null), right, true);
            }
        }
    }

    private static void check(SparseLu lu, DMatrixRMaj dense, double[] right, boolean transposed) {
        double[] ours = new double[right.length];
        if (transposed) {
            lu.solveTransposed(right, ours);
        } else {
            lu.solve(right, ours);
        }
        DMatrixRMaj back = new DMatrixRMaj(right.length, 1);
        CommonOps_DDRM.mult(dense, new DMatrixRMaj(right.length, 1, true, ours), back);
        double size = CommonOps_DDRM.elementMaxAbs(dense)
                * CommonOps_DDRM.elementMaxAbs(new DMatrixRMaj(right.length, 1, true, ours));
        for (int i = 0; i < right.length; i++) {
            assertEquals(right[i], back.get(i), 1e-9 * size);
        }
    }

    @Test
    void aSingularMatrix_isSaid() {
        SparsePattern pattern = new SparsePattern(2);
        int a = pattern.slot(0, 1);
        int b = pattern.slot(1, 0);
        double[] values = new double[pattern.count()];
        values[pattern.slot(0, 0)] = 1;
        values[pattern.slot(1, 1)] = 4;
        values[a] = 2;
        values[b] = 2;
        assertFalse(new SparseLu(pattern).factor(values));
    }

    @Test
    void aPivotThatVanishes_isReplacedByAnotherOrder() {
        SparsePattern pattern = new SparsePattern(2);
        int a = pattern.slot(0, 1);
        int b = pattern.slot(1, 0);
        double[] values = new double[pattern.count()];
        values[pattern.slot(0, 0)] = 1;
        values[pattern.slot(1, 1)] = 1;
        values[a] = 0.1;
        values[b] = 0.1;
        SparseLu lu = new SparseLu(pattern);
        assertTrue(lu.factor(values));
        values[pattern.slot(0, 0)] = 0;
        values[pattern.slot(1, 1)] = 0;
        assertTrue(lu.factor(values));
        double[] x = new double[2];
        lu.solve(new double[] {1, 2}, x);
        assertEquals(20, x[0], 1e-12);
        assertEquals(10, x[1], 1e-12);
    }
}
