package org.umberdial.core.volts;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Function;
import org.umberdial.core.expect.DcPaths;
import org.umberdial.core.policy.HousePolicy;

/**
 * A resistor whose two ends were read, and what flows in it.
 *
 * @param from node at the higher voltage
 * @param volts drop [V], not negative
 * @param amperes through it [A]
 * @param watts heat in it [W]
 * @param ratedWatts its rating [W], 0 when unknown
 * @param strained whether its rating is below the house's margin over that heat
 */
public record Branch(
        String part,
        String from,
        String to,
        double ohms,
        double volts,
        double amperes,
        double watts,
        double ratedWatts,
        boolean strained) {
    /**
     * Of every resistor whose ends were read, one of them at a point.
     *
     * @param read what stands at a node [V]; empty where nobody read it
     */
    static List<Branch> of(StageModel model, Function<String, OptionalDouble> read, HousePolicy policy) {
        List<Branch> branches = new ArrayList<>();
        for (DcPaths.Path path : model.paths().paths) {
            OptionalDouble a = read.apply(path.a());
            OptionalDouble b = read.apply(path.b());
            if (path.isResistor() && a.isPresent() && b.isPresent()) {
                branches.add(of(path, a.getAsDouble(), b.getAsDouble(), policy));
            }
        }
        return branches;
    }

    private static Branch of(DcPaths.Path path, double a, double b, HousePolicy policy) {
        double ohms = path.part().workingValue().orElse(path.ohms());
        double drop = Math.abs(a - b);
        double watts = drop * drop / ohms;
        double rated = path.part().ratingWatts().orElse(0.0);
        return new Branch(
                path.part().reference(),
                a >= b ? path.a() : path.b(),
                a >= b ? path.b() : path.a(),
                ohms,
                drop,
                drop / ohms,
                watts,
                rated,
                rated > 0 && rated < policy.wattsMargin() * watts);
    }
}
