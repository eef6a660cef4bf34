package org.umberdial.core.value;

/**
 * A power.
 *
 * @param value [W], finite
 */
public record Watts(double value) implements Comparable<Watts> {
    public Watts {
        Quantities.require(value, "Watts", Quantities.FINITE);
    }

    public Watts plus(Watts other) {
        return new Watts(value + other.value);
    }

    public Watts minus(Watts other) {
        return new Watts(value - other.value);
    }

    public Watts times(double factor) {
        return new Watts(value * factor);
    }

    @Override
    public int compareTo(Watts other) {
        return Double.compare(value, other.value);
    }

    @Override
    public String toString() {
        return Engineering.print(value, Unit.WATT);
    }
}
