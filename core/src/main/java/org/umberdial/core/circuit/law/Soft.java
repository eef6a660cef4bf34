package org.umberdial.core.circuit.law;

import java.util.Locale;

/** The smooth corner: near 0 below zero, near x above, with its slope. */
final class Soft {
    private static final double FAR = 40;

    private Soft() {}

    /** ln(1 + e^x) */
    static double plus(double x) {
        return x > FAR ? x : x < -FAR ? Math.exp(Math.max(x, -700)) : Math.log1p(Math.exp(x));
    }

    /** A simulator's text: a decimal point whatever the machine's language. */
    static String text(String format, Object... values) {
        return String.format(Locale.ROOT, format, values);
    }

    /** The slope of {@link #plus}: 1 / (1 + e^-x). */
    static double slope(double x) {
        return x > FAR ? 1 : x < -FAR ? Math.exp(Math.max(x, -700)) : 1 / (1 + Math.exp(-x));
    }
}
