package org.umberdial.core.tuning;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleUnaryOperator;
import org.hipparchus.complex.Complex;
import org.junit.jupiter.api.Test;
import org.umberdial.core.tuning.ResponseCurve.Read;
import org.umberdial.core.value.InvalidEntry;

class CurvesTest {
    private static final double CENTRE = 455e3;

    private static List<double[]> read(double from, double to, int count, DoubleUnaryOperator of) {
        List<double[]> points = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            double hertz = from + (to - from) * i / (count - 1);
            double value = of.applyAsDouble(hertz);
            // Three digits, as a meter shows them.
            double unit = Math.pow(10, Math.floor(Math.log10(Math.abs(value))) - 2);
            points.add(new double[] {hertz, Math.rint(value / unit) * unit});
        }
        return points;
    }

    /** Two circuits of Q 70, coupled by so many times the critical coupling. */
    private static double can(double hertz, double centre, double coupling) {
        double x = 2 * 70 * (hertz / centre - 1);
        return (1 + coupling * coupling)
                / new Complex(1, x)
                        .multiply(new Complex(1, x))
                        .add(coupling * coupling)
                        .norm();
    }

    @Test
    void aCansMiddleAndWidth_readEitherWay() {
        for (Read how : Read.values()) {
            ResponseCurve curve = ResponseCurve.of(
                    read(443e3, 467e3, 13, f -> how == Read.OUTPUT ? 2 * can(f, CENTRE, 1) : 50 / can(f, CENTRE, 1)),
                    how);
            assertEquals(CENTRE, curve.centre(), 300);
            // Critically coupled it is √2 f/Q wide.
            assertEquals(Math.sqrt(2) * CENTRE / 70, curve.width().orElseThrow(), 500);
            assertEquals(1, curve.humps());
            assertTrue(curve.says().isEmpty(), curve.says().toString());
            assertEquals(
                    -3, curve.decibels(CENTRE + curve.width().orElseThrow() / 2).orElseThrow(), 0.2);
        }
    }

    @Test
    void twoHumps_areToldFromOne_andAlikeFromUnlike() {
        ResponseCurve wide = ResponseCurve.of(read(435e3, 475e3, 21, f -> can(f, CENTRE, 2.5)), Read.OUTPUT);
        assertEquals(2, wide.humps());
        assertTrue(wide.says().get(0).contains("alike"), wide.says().toString());
        ResponseCurve off = ResponseCurve.of(
                read(435e3, 475e3, 21, f -> can(f, CENTRE, 2.5) * (1 + (f - CENTRE) / 60e3)), Read.OUTPUT);
        assertTrue(off.says().get(0).contains("damp one"), off.says().toString());
    }

    @Test
    void whatDoesNotReachDownSaysSo() {
        ResponseCurve curve = ResponseCurve.of(read(453e3, 457e3, 5, f -> can(f, CENTRE, 1)), Read.OUTPUT);
        assertTrue(curve.width().isEmpty());
        assertTrue(curve.says().get(0).contains("further out"), curve.says().toString());
        assertThrows(InvalidEntry.class, () -> ResponseCurve.of(read(453e3, 457e3, 4, f -> 1), Read.OUTPUT));
        assertThrows(
                InvalidEntry.class,
                () -> ResponseCurve.of(
                        List.of(
                                new double[] {1, 1},
                                new double[] {2, 0},
                                new double[] {3, 1},
                                new double[] {4, 1},
                                new double[] {5, 1}),
                        Read.LEVEL));
    }

    @Test
    void anIntermediateFrequencyIsTold_andItsKin() {
        ResponseCurve curve = ResponseCurve.of(read(443e3, 475e3, 17, f -> can(f, 461e3, 1)), Read.OUTPUT);
        IntermediateFrequency swept = IntermediateFrequency.swept(curve);
        assertEquals(461e3, swept.hertz(), 600);
        assertTrue(swept.says().get(1).contains("460 kHz"), swept.says().toString());
        assertEquals(455e3, IntermediateFrequency.counted(1455e3, 1000e3).hertz());
        assertTrue(IntermediateFrequency.counted(1390e3, 1000e3).says().get(1).contains("none that was"));
        assertThrows(InvalidEntry.class, () -> IntermediateFrequency.counted(1e6, 1e6));
    }

    private static double s(double hertz, double centre, double lean) {
        double x = (hertz - centre) / 120e3;
        return (2 * x / (1 + x * x)) * (1 + lean * Math.tanh(x));
    }

    @Test
    void anSIsRight_orSaysWhichCore() {
        SCurve right = SCurve.of(read(10.4e6, 11.0e6, 25, f -> s(f + 1e-3, 10.7e6, 0)), 10.7e6);
        assertTrue(right.right(), right.says().toString());
        assertEquals(10.7e6, right.zero().orElseThrow(), 2e3);
        SCurve off = SCurve.of(read(10.4e6, 11.0e6, 25, f -> s(f, 10.745e6, 0)), 10.7e6);
        assertFalse(off.right());
        assertTrue(off.says().get(0).contains("45 kHz too high"), off.says().toString());
        SCurve leaning = SCurve.of(read(10.4e6, 11.0e6, 25, f -> s(f + 1e-3, 10.7e6, 0.3)), 10.7e6);
        assertTrue(leaning.says().get(0).contains("upper peak"), leaning.says().toString());
        assertThrows(InvalidEntry.class, () -> SCurve.of(read(10.4e6, 11.0e6, 25, f -> 1), 10.7e6));
    }

    @Test
    void powerDepthAndTheRest_asHandbooksHaveThem() {
        assertEquals(12.5, RadioPower.watts(25, RadioPower.Volts.RMS, 50), 1e-12);
        assertEquals(100, RadioPower.watts(200, RadioPower.Volts.PEAK_TO_PEAK, 50), 1e-12);
        assertEquals(25, RadioPower.watts(50, RadioPower.Volts.PEAK, 50), 1e-12);
        assertEquals(0.5, RadioPower.depth(3, 1), 1e-12);
        assertEquals(20, RadioPower.decibels(100, 10), 1e-12);
        assertEquals(100, RadioPower.partsPerMillion(7.0307e6, 7.03e6), 0.5);
        assertEquals(Double.POSITIVE_INFINITY, RadioPower.keyedSeconds(20, 25, 0));
        assertEquals(40, RadioPower.keyedSeconds(100, 25, 3000), 1e-9);
        assertThrows(InvalidEntry.class, () -> RadioPower.watts(-1, RadioPower.Volts.RMS, 50));
        assertThrows(InvalidEntry.class, () -> RadioPower.depth(1, 3));
        assertThrows(InvalidEntry.class, () -> RadioPower.partsPerMillion(14.06e6, 7.03e6));
    }
}
