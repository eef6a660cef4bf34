package org.umberdial.core.value;

/**
 * An electric current.
 *
 * @param value [A], finite
 */
public record Amperes(double value) implements Comparable<Amperes> {
    public Amperes {
        Quantities.require(value, "Amperes", Quantities.FINITE);
    }

    public Amperes plus(Amperes other) {
        return new Amperes(value + other.value);
    }

    public Amperes minus(Amperes other) {
        return new Amperes(value - other.value);
    }

    public Amperes times(double factor) {
        return new Amperes(value * factor);
    }

    /** Voltage this current drops across a resistance (Ohm's law). */
    public Volts across(Ohms resistance) {
        return new Volts(value * resistance.value());
    }

    @Override
    public int compareTo(Amperes other) {
        return Double.compare(value, other.value);
    }

    @Override
    public String toString() {
        return Engineering.print(value, Unit.AMPERE);
    }
}
