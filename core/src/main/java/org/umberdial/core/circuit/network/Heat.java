package org.umberdial.core.circuit.network;

import java.util.Optional;
import org.umberdial.core.circuit.law.ThermalLaw;

/**
 * A heater or lamp.
 *
 * @param tube designation of the tube it heats (V4), empty for a lamp
 * @param branches its resistance, in two branches when it is tapped
 * @param shares of the whole resistance in each branch, together 1
 * @param range of a barretter, empty for all else
 */
public record Heat(String part, String tube, ThermalLaw law, int[] branches, double[] shares, Optional<Range> range) {
    /** Volts over which a barretter holds its current [V] RMS. */
    public record Range(double leastVolts, double mostVolts) {
        public boolean holds(double volts) {
            return volts >= leastVolts && volts <= mostVolts;
        }
    }

    public boolean isLamp() {
        return tube.isEmpty();
    }
}
