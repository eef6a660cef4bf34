package org.umberdial.core.value;

/** The preferred-number series parts are sold in (IEC 60063). */
public enum StandardSeries {
    E6(6),
    E12(12),
    E24(24),
    E96(96);

    /** IEC 60063 rounds some E24 values away from the exact power of ten; E6 and E12 are every 4th and 2nd. */
    private static final double[] E24_VALUES = {
        1.0, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2.0, 2.2, 2.4, 2.7, 3.0, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2, 6.8, 7.5,
        8.2, 9.1
    };

    private final int steps;

    StandardSeries(int steps) {
        this.steps = steps;
    }

    /** Values in a decade, from 1 up to but not including 10. */
    public double[] decade() {
        double[] values = new double[steps];
        for (int i = 0; i < steps; i++) {
            values[i] = this == E96 ? Math.round(100 * Math.pow(10, i / 96.0)) / 100.0 : E24_VALUES[i * (24 / steps)];
        }
        return values;
    }

    /**
     * The standard value nearest by ratio.
     *
     * @param value above 0, any unit
     * @throws IllegalArgumentException if value is not above 0
     */
    public double nearest(double value) {
        if (!(value > 0) || Double.isInfinite(value)) {
            throw new IllegalArgumentException("no standard value is near " + value);
        }
        double power = Math.pow(10, Math.floor(Math.log10(value)));
        double best = power;
        for (double scale : new double[] {power / 10, power, power * 10}) {
            for (double step : decade()) {
                double candidate = step * scale;
                if (Math.abs(Math.log(candidate / value)) < Math.abs(Math.log(best / value))) {
                    best = candidate;
                }
            }
        }
        return Double.parseDouble(Engineering.digits(java.math.BigDecimal.valueOf(best), 3));
    }
}
