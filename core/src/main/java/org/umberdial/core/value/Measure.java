package org.umberdial.core.value;

/**
 * A number with its unit, as read from what somebody wrote.
 *
 * @param value in the unprefixed SI unit, finite
 */
public record Measure(double value, Unit unit) {
    public Measure {
        Quantities.require(value, "a measure", Quantities.FINITE);
    }

    @Override
    public String toString() {
        return Engineering.print(value, unit);
    }
}
