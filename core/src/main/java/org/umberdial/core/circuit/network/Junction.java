package org.umberdial.core.circuit.network;

import org.umberdial.core.circuit.law.Conductor;

/**
 * A part that conducts one way, from {@code a} to {@code b}.
 *
 * @param heat number of the heater that sets its emission, below 0 for none
 * @param acDriven whether the line's alternating voltage reaches it, so that only an average over the cycle describes
 *     it
 * @param shorted number of the branch that stands for a short across it
 */
public record Junction(String part, int a, int b, Conductor law, int heat, boolean acDriven, int shorted) {
    Junction driven() {
        return new Junction(part, a, b, law, heat, true, shorted);
    }
}
