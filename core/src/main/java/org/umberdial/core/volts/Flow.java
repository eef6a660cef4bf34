package org.umberdial.core.volts;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.area.Bench;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.expect.HealthySet;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.tube.TubeData;

/**
 * What a part carries in the healthy set.
 *
 * @param part reference
 * @param amperes of a resistor RMS, I = sqrt(P / R); of a tube what its plate draws [A]
 * @param watts what it turns into heat, of a tube at its plate [W]
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
        point.ifPresent(found ->
                set.parts().forEach(part -> of(part, found, set.tubes().data()).ifPresent(flows::add)));
        return flows;
    }

    private static Optional<Flow> of(Part part, OperatingPoint point, TubeData tubes) {
        Card card = part.card();
        return switch (card.letter()) {
            case 'R' -> {
                double watts = Math.max(0, point.watts(part.reference()));
                yield flow(
                        part,
                        Math.sqrt(watts / card.value().orElse(Double.POSITIVE_INFINITY)),
                        watts,
                        part.ratingWatts().map(OptionalDouble::of).orElse(OptionalDouble.empty()));
            }
            case 'X' -> {
                double amperes = point.plateAmperes(part.reference()).orElse(0);
                double across = point.volts(card.nodes().get(0)).orElse(0)
                        - point.volts(card.nodes().get(card.nodes().size() - 1)).orElse(0);
                yield flow(
                        part,
                        amperes,
                        across * amperes,
                        tubes.type(card.model())
                                .map(type -> type.limits().plateWatts())
                                .orElse(OptionalDouble.empty()));
            }
            default -> Optional.empty();
        };
    }

    private static Optional<Flow> flow(Part part, double amperes, double watts, OptionalDouble rated) {
        return amperes < LEAST ? Optional.empty() : Optional.of(new Flow(part.reference(), amperes, watts, rated));
    }
}
