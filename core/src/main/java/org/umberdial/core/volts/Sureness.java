package org.umberdial.core.volts;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.set.SheetValue;
import org.umberdial.core.tube.TubeType;

/**
 * How much of what is not known about an expected voltage comes from values that nobody has read off this set. The
 * spread of every part is carried through the solved circuit: a resistor that is off by a fraction moves a node as its
 * current times that fraction would, fed from one end to the other; a tube by its plate current. Where more than half
 * of the variance is of values as usually built or from a relative, what is expected accuses nobody.
 *
 * <p>Source: compensation theorem, first order; errors taken as independent.
 */
final class Sureness {
    /** Share of the variance from which an expectation is only a usual value. */
    private static final double MOSTLY = 0.5;

    /** Spread of a sound tube's current, a fraction. */
    private static final double TUBE_SPREAD = 0.1;

    /** Spread of a transformer's voltages by its sheet, a fraction. */
    private static final double TRANSFORMER_SPREAD = 0.05;

    private final BenchSet set;
    private final StageModel model;
    private final HousePolicy policy;
    private final boolean allOwn;
    private final Map<String, Boolean> known = new HashMap<>();

    Sureness(BenchSet set, StageModel model, HousePolicy policy) {
        this.set = set;
        this.model = model;
        this.policy = policy;
        allOwn = set.parts().stream().noneMatch(this::unsure)
                && set.sheet().stream().allMatch(SheetValue::own);
    }

    /** Whether what is expected at a node is this set's own. */
    boolean sure(String node) {
        return allOwn || known.computeIfAbsent(node, this::reckon);
    }

    private boolean reckon(String node) {
        Optional<SheetValue> sheet =
                set.sheet().stream().filter(value -> value.node().equals(node)).findFirst();
        if (sheet.filter(SheetValue::own).isPresent()) {
            return true;
        }
        Optional<OperatingPoint> point = model.solvedPoint();
        return point.isPresent() ? unconfirmedShare(node, point.get()) <= MOSTLY : sheet.isEmpty() && ownAround(node);
    }

    /** Without a solved circuit: a node between sheet values is as sure as they and the resistors there are. */
    private boolean ownAround(String node) {
        return set.sheet().stream().allMatch(SheetValue::own)
                && set.parts().stream()
                        .filter(part -> part.nodes().contains(node))
                        .noneMatch(this::unsure);
    }

    private double unconfirmedShare(String node, OperatingPoint point) {
        double all = 0;
        double unconfirmed = 0;
        for (Part part : set.parts()) {
            double spread = unsure(part) ? policy.usualSpread() : spread(part);
            double moves = spread * movedBy(node, part, point);
            if (Double.isFinite(moves)) {
                all += moves * moves;
                unconfirmed += unsure(part) ? moves * moves : 0;
            }
        }
        return all == 0 ? 0 : unconfirmed / all;
    }

    /** A part nobody compared with this set, or a tube whose published figures are not sure enough to accuse by. */
    private boolean unsure(Part part) {
        return part.unconfirmed()
                || part.card().kind().equals("tube")
                        && set.tubeType(part).filter(TubeType::isUnsure).isPresent();
    }

    private static double spread(Part part) {
        return switch (part.card().kind()) {
            case "tube" -> TUBE_SPREAD;
            case "transformer" -> TRANSFORMER_SPREAD;
            default -> part.tolerance().fraction();
        };
    }

    /** How far the node moves for the whole of a part's value, first order [V]. */
    private double movedBy(String node, Part part, OperatingPoint point) {
        if (part.card().letter() == 'R' && part.nodes().size() == 2) {
            String a = part.nodes().get(0);
            String b = part.nodes().get(1);
            double volts = point.volts(a).orElse(Double.NaN) - point.volts(b).orElse(Double.NaN);
            double amperes = volts / part.workingValue().orElse(Double.NaN);
            return Math.abs(model.responseOhms(node, a, b) * amperes);
        }
        if (part.card().kind().equals("tube") && part.nodes().size() >= 3) {
            double amperes = point.plateAmperes(part.reference()).orElse(Double.NaN);
            String plate = part.nodes().get(0);
            String cathode = part.nodes().get(part.nodes().size() - 1);
            return Math.abs(model.responseOhms(node, plate, cathode) * amperes);
        }
        // The supply's own transformer moves everything it feeds in proportion.
        return part.card().kind().equals("transformer") && model.isSupplyFed(node)
                ? Math.abs(point.volts(node).orElse(Double.NaN))
                : Double.NaN;
    }
}
