package org.umberdial.core.value;

/**
 * How far a value may lie from its nominal, as a fraction.
 *
 * @param fraction 0.1 is ±10 %; above 0 and at most 1
 */
public record Tolerance(double fraction) {
    public Tolerance {
        if (!(fraction > 0 && fraction <= 1)) {
            throw new InvalidEntry(
                    InvalidEntry.Code.OUT_OF_RANGE,
                    "A tolerance of " + fraction * 100 + " % is not usual; give a figure above 0 and up to 100 %.");
        }
    }

    public static Tolerance percent(double percent) {
        return new Tolerance(percent / 100);
    }

    public double percent() {
        return fraction * 100;
    }

    public boolean covers(double nominal, double value) {
        return Math.abs(value - nominal) <= Math.abs(nominal) * fraction * (1 + 1e-12);
    }
}
