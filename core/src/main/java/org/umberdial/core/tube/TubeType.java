package org.umberdial.core.tube;

import java.util.List;
import java.util.OptionalDouble;

/**
 * What is published about one type.
 *
 * @param heaterVolts [V]
 * @param heaterAmperes [A]
 * @param base basing designation
 * @param pinout electrode of each pin, as {@code 1=g 2=k ...}
 * @param warmUp class of warming up in words: filament, indirect, indirect slow
 * @param warmUpSeconds time constant of the heater [s]
 * @param heaterTap share of the heater between its first pin and its tap, empty when it has none
 * @param sisters types that stand in for it electrically; another base or heater is possible
 * @param points operating points, the main one of each section first
 */
public record TubeType(
        String name,
        OptionalDouble heaterVolts,
        OptionalDouble heaterAmperes,
        String base,
        String pinout,
        TubeLimits limits,
        String warmUp,
        double warmUpSeconds,
        OptionalDouble heaterTap,
        List<String> sisters,
        List<TubePoint> points) {
    /** Whether it only rectifies. */
    public boolean isRectifier() {
        return points.stream().anyMatch(point -> point.kind().equals("rectifier"));
    }

    /** Whether the cathode is the heated wire itself. */
    public boolean isDirectlyHeated() {
        return warmUp.equals("filament");
    }
}
