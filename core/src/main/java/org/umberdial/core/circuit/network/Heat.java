package org.umberdial.core.circuit.network;

import org.umberdial.core.circuit.law.ThermalLaw;

/**
 * A heater or lamp.
 *
 * @param tube designation of the tube it heats (V4), empty for a lamp
 * @param branches its resistance, in two branches when it is tapped
 * @param shares of the whole resistance in each branch, together 1
 */
public record Heat(String part, String tube, ThermalLaw law, int[] branches, double[] shares) {
    public boolean isLamp() {
        return tube.isEmpty();
    }
}
