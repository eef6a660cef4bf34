package org.umberdial.core.circuit.work;

import java.util.List;
import org.umberdial.core.circuit.network.Amplifier;

/**
 * Grids that nothing ties, and the set with them drawn down and drawn up as far as is met.
 *
 * @param low the set with the grids drawn down
 * @param high the set with the grids drawn up
 */
record Adrift(List<Amplifier> tubes, Outcome low, Outcome high) {
    /** The least and greatest volts of a node over what is met; NaN where an end did not settle [V]. */
    double[] range(int node, double usual) {
        double one = at(low, node);
        double other = at(high, node);
        return Double.isNaN(one) || Double.isNaN(other)
                ? new double[] {Double.NaN, Double.NaN}
                : new double[] {
                    Math.min(usual, Math.min(one, other)), Math.max(usual, Math.max(one, other)),
                };
    }

    /** From the one end to the other at a node, with its sign; NaN where an end did not settle [V]. */
    double apart(int node) {
        return at(high, node) - at(low, node);
    }

    private static double at(Outcome outcome, int node) {
        return outcome.settled()
                .map(point -> point.volts(node).orElse(Double.NaN))
                .orElse(Double.NaN);
    }
}
