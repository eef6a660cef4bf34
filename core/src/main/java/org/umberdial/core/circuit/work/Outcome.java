package org.umberdial.core.circuit.work;

import java.util.Optional;

/** What came of solving a set at work: an operating point, or the reason why there is none. */
public sealed interface Outcome permits OperatingPoint, NotSettled {
    /** The operating point, empty when the circuit did not settle. */
    default Optional<OperatingPoint> settled() {
        return this instanceof OperatingPoint point ? Optional.of(point) : Optional.empty();
    }
}
