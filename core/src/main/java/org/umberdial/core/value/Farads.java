package org.umberdial.core.value;

/**
 * A capacitance.
 *
 * @param value [F], finite, not negative
 */
public record Farads(double value) implements Comparable<Farads> {
    public Farads {
        Quantities.require(value, "Farads", Quantities.NOT_NEGATIVE_FINITE);
    }

    public Farads plus(Farads other) {
        return new Farads(value + other.value);
    }

    public Farads minus(Farads other) {
        return new Farads(value - other.value);
    }

    public Farads times(double factor) {
        return new Farads(value * factor);
    }

    @Override
    public int compareTo(Farads other) {
        return Double.compare(value, other.value);
    }

    @Override
    public String toString() {
        return Engineering.print(value, Unit.FARAD);
    }
}
