package org.umberdial.core.volts;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.area.Bench;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.expect.HealthySet;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;

/**
 * What a part carries in the healthy set.
 *
 * @param part reference
 * @param amperes of a resistor RMS, I = sqrt(P / R); of a tube what its plate draws [A]
 * @param watts what it turns into heat [W]
 * @param ratedWatts what it is made for; empty where nothing says so [W]
 */
public record Flow(String part, double amperes, double watts, OptionalDouble ratedWatts) {
    /** Less is nothing anybody reads [A]. */
    private static final double LEAST = 1e-8;

    /** The flows of a set's resistors and tubes at the bench's line; none where its circuit is not solved. */
    public static List<Flow> of(BenchSet set, Bench bench) {
        Optional<HealthySet> healthy = HealthySet.of(set, bench.mode());
        Optional<OperatingPoint> point = healthy.flatMap(circuit -> circuit.point(circuit.fedWith(bench.lineVolts())));
        List<Flow> flows = new ArrayList<>();
        point.ifPresent(found -> set.parts().forEach(part -> of(part, found).ifPresent(flows::add)));
        return flows;
    }

    private static Optional<Flow> of(Part part, OperatingPoint point) {
        double watts = point.watts(part.reference());
        double amperes = switch (part.card().letter()) {
            case 'R' -> Math.sqrt(Math.max(0, watts) / part.card().value().orElse(Double.POSITIVE_INFINITY));
            case 'X' -> point.plateAmperes(part.reference()).orElse(0);
            default -> 0;
        };
        return amperes < LEAST
                ? Optional.empty()
                : Optional.of(new Flow(
                        part.reference(),
                        amperes,
                        watts,
                        part.ratingWatts().map(OptionalDouble::of).orElse(OptionalDouble.empty())));
    }
}
