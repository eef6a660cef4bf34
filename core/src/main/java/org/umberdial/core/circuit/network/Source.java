package org.umberdial.core.circuit.network;

/**
 * A voltage source, or the line.
 *
 * @param volts DC, or RMS when {@code hertz} is above 0
 */
public record Source(String part, int plus, int minus, double volts, double hertz) {
    public boolean isLine() {
        return hertz > 0;
    }
}
