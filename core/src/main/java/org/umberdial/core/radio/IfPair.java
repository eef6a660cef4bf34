package org.umberdial.core.radio;

/**
 * A can of the intermediate frequency: what is tuned at a plate, and what it passes on to.
 *
 * @param primary reference of the coil at the plate
 * @param secondary reference of the coil it passes to; empty for a single tuned circuit
 * @param plate node
 * @param next node of the next grid, of the detector's diode, or the plate itself for a single one
 */
public record IfPair(String primary, String secondary, String plate, String next) {
    public boolean single() {
        return secondary.isEmpty();
    }
}
