package org.umberdial.core.circuit.law;

/** The average current of a grid that an oscillation of amplitude A drives: gA (w ln(1 + e^((Vg + A)/w))). */
public final class OscillatorGrid {
    /** [S]; steep, so that the bias settles at about the amplitude whatever the grid leak. */
    private static final double SIEMENS = 5e-4;

    private static final double WIDTH = 0.4;

    private OscillatorGrid() {}

    /** @param volts grid voltage plus amplitude [V] */
    public static double amperes(double volts) {
        return SIEMENS * WIDTH * Soft.plus(volts / WIDTH);
    }

    public static double siemens(double volts) {
        return SIEMENS * Soft.slope(volts / WIDTH);
    }

    public static String expression(String v) {
        return Soft.text(
                "(%s>15?%.8g*(%s):%.8g*ln(1+exp(min(max((%s)/%.4g,-60),40))))",
                v, SIEMENS, v, SIEMENS * WIDTH, v, WIDTH);
    }
}
