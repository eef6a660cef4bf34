package org.umberdial.core.value;

/**
 * An electric potential difference.
 *
 * @param value [V], finite
 */
public record Volts(double value) implements Comparable<Volts> {
    public Volts {
        Quantities.require(value, "Volts", Quantities.FINITE);
    }

    public Volts plus(Volts other) {
        return new Volts(value + other.value);
    }

    public Volts minus(Volts other) {
        return new Volts(value - other.value);
    }

    public Volts times(double factor) {
        return new Volts(value * factor);
    }

    /** Current through a resistance with this voltage across it (Ohm's law). */
    public Amperes over(Ohms resistance) {
        return new Amperes(value / resistance.value());
    }

    /** Heat in a resistance with this voltage across it, V²/R. */
    public Watts heatIn(Ohms resistance) {
        return new Watts(value * value / resistance.value());
    }

    @Override
    public int compareTo(Volts other) {
        return Double.compare(value, other.value);
    }

    @Override
    public String toString() {
        return Engineering.print(value, Unit.VOLT);
    }
}
