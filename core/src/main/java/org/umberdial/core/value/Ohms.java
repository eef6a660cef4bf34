package org.umberdial.core.value;

/**
 * A resistance; positive infinity is an open path.
 *
 * @param value [Ω], finite or +∞, not negative
 */
public record Ohms(double value) implements Comparable<Ohms> {
    public Ohms {
        Quantities.require(value, "Ohms", Quantities.NOT_NEGATIVE);
    }

    public Ohms plus(Ohms other) {
        return new Ohms(value + other.value);
    }

    public Ohms minus(Ohms other) {
        return new Ohms(value - other.value);
    }

    public Ohms times(double factor) {
        return new Ohms(value * factor);
    }

    /** Resistance of this in parallel with another. */
    public Ohms parallel(Ohms other) {
        if (Double.isInfinite(value)) {
            return other;
        }
        if (Double.isInfinite(other.value)) {
            return this;
        }
        return new Ohms(value * other.value / (value + other.value));
    }

    @Override
    public int compareTo(Ohms other) {
        return Double.compare(value, other.value);
    }

    @Override
    public String toString() {
        return Engineering.print(value, Unit.OHM);
    }
}
