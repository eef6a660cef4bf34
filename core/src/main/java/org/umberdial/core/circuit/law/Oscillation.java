package org.umberdial.core.circuit.law;

/**
 * How a triode section behaves while it oscillates, as its average over the oscillation.
 *
 * @param swing amplitude at the grid per plate volt; 0 when it does not oscillate
 * @param duty the share of a cycle in which it conducts
 */
public record Oscillation(double swing, double duty) {
    public static final Oscillation NONE = new Oscillation(0, 1);

    public boolean isOn() {
        return swing > 0;
    }

    /**
     * @param emission 0 to 1, which the amplitude follows
     * @return 1 when it does not oscillate, falling to {@link #duty}
     */
    public double conducting(double emission) {
        return isOn() ? 1 - (1 - duty) * emission : 1;
    }
}
