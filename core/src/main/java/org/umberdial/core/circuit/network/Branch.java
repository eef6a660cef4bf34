package org.umberdial.core.circuit.network;

/**
 * A conductance between two nodes.
 *
 * @param part reference of the card it belongs to
 * @param a node number, below 0 for the reference
 * @param ohms nominal resistance [Ω], above 0, infinite when open
 */
public record Branch(String part, int a, int b, Kind kind, double ohms) {
    /** What a branch stands for. */
    public enum Kind {
        RESISTOR,
        CONTACT,
        COIL,
        WINDING,
        FILAMENT,
        FEED,
        JUNCTION_SERIES,
        /** Insulation of a capacitor: open unless it leaks. */
        LEAK,
        /** Of a control grid to plate and chassis: open, but where nothing else ties the grid. */
        INSULATION,
        /** A path that a healthy part does not have, such as a shorted rectifier. */
        FAULT
    }
}
