package org.umberdial.core.value;

/**
 * A span of time.
 *
 * @param value [s], finite
 */
public record Seconds(double value) implements Comparable<Seconds> {
    public Seconds {
        Quantities.require(value, "Seconds", Quantities.FINITE);
    }

    public Seconds plus(Seconds other) {
        return new Seconds(value + other.value);
    }

    public Seconds minus(Seconds other) {
        return new Seconds(value - other.value);
    }

    public Seconds times(double factor) {
        return new Seconds(value * factor);
    }

    @Override
    public int compareTo(Seconds other) {
        return Double.compare(value, other.value);
    }

    @Override
    public String toString() {
        return Engineering.print(value, Unit.SECOND);
    }
}
