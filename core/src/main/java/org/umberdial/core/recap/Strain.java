package org.umberdial.core.recap;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.WeakHashMap;
import java.util.stream.Stream;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.work.Duty;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.expect.HealthySet;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;

/**
 * The worst a part meets in a healthy set: a line a tenth high, with the tubes at work and before they draw.
 *
 * <p>Before they draw: every amplifying tube without emission, the rectifier at full. With a metal rectifier or a
 * directly heated one that is what happens at each start; with one that warms like the rest it is an upper bound
 * (FORMULAS, Supply: unloaded peak).
 */
final class Strain {
    private static final double LINE_HIGH = 1.1;
    private static final double COLD = 1e-6;

    private record Points(List<OperatingPoint> worst, List<OperatingPoint> atWork, Optional<Duty> duty) {}

    private static final Map<HealthySet, Points> KEPT = new WeakHashMap<>();

    private final List<OperatingPoint> worst;
    private final List<OperatingPoint> atWork;
    private final List<Duty> duties;

    private Strain(List<OperatingPoint> worst, List<OperatingPoint> atWork, List<Duty> duties) {
        this.worst = worst;
        this.atWork = atWork;
        this.duties = duties;
    }

    static Strain of(BenchSet set) {
        Map<OperatingPoint, Boolean> worst = new HashMap<>();
        List<OperatingPoint> all = new ArrayList<>();
        List<OperatingPoint> work = new ArrayList<>();
        List<Duty> duties = new ArrayList<>();
        for (String mode : set.modes().isEmpty() ? List.of("") : set.modes()) {
            HealthySet.of(set, mode).ifPresent(healthy -> {
                Points points = points(healthy);
                points.worst.stream().filter(p -> worst.put(p, true) == null).forEach(all::add);
                work.addAll(points.atWork);
                points.duty.ifPresent(duties::add);
            });
        }
        return new Strain(all, work, duties);
    }

    private static synchronized Points points(HealthySet healthy) {
        Points kept = KEPT.get(healthy);
        if (kept == null) {
            double line = healthy.nominalLine();
            Optional<OperatingPoint> high = solved(healthy, line * LINE_HIGH, false);
            Optional<OperatingPoint> cold = solved(healthy, line * LINE_HIGH, true);
            kept = new Points(
                    Stream.of(high, cold).flatMap(Optional::stream).toList(),
                    healthy.point(line).stream().toList(),
                    healthy.duty());
            KEPT.put(healthy, kept);
        }
        return kept;
    }

    private static Optional<OperatingPoint> solved(HealthySet healthy, double line, boolean cold) {
        return healthy.changed(
                        values -> cold ? withoutEmission(healthy, values) : values,
                        line,
                        List.of(),
                        List.of(),
                        Optional.empty())
                .map(HealthySet.Changed::point);
    }

    private static Values withoutEmission(HealthySet healthy, Values values) {
        Values cold = values;
        for (var amplifier : healthy.network().amplifiers()) {
            cold = cold.emitting(amplifier.part(), COLD);
        }
        return cold;
    }

    /** Most that stands across a part of two ends [V]; empty when nothing was solved. */
    OptionalDouble peakVolts(Part part) {
        return worst.stream()
                .flatMapToDouble(point -> across(point, part).stream())
                .max();
    }

    /** The highest direct voltage anywhere in the set at work [V]; empty when nothing was solved. */
    OptionalDouble highestVolts() {
        return atWork.stream()
                .flatMapToDouble(point -> point
                        .network()
                        .names()
                        .subList(0, point.network().namedNodes())
                        .stream()
                        .flatMapToDouble(node -> point.volts(node).stream()))
                .max();
    }

    /** What stands across it at work [V]. */
    OptionalDouble workingVolts(Part part) {
        return atWork.stream()
                .flatMapToDouble(point -> across(point, part).stream())
                .max();
    }

    /** What it turns into heat at work [W]; empty when nothing was solved. */
    OptionalDouble watts(Part part) {
        return atWork.stream()
                .mapToDouble(point -> point.watts(part.reference()))
                .max();
    }

    /** RMS of what charges and discharges it at work [A]; empty where the supply does not. */
    OptionalDouble rippleAmperes(Part part) {
        return duties.stream()
                .flatMapToDouble(duty -> duty.rippleAmperes(part.reference()).stream())
                .max();
    }

    private static OptionalDouble across(OperatingPoint point, Part part) {
        OptionalDouble a = volts(point, part.nodes().get(0));
        OptionalDouble b = volts(point, part.nodes().get(1));
        return a.isPresent() && b.isPresent()
                ? OptionalDouble.of(Math.abs(a.getAsDouble() - b.getAsDouble()))
                : OptionalDouble.empty();
    }

    private static OptionalDouble volts(OperatingPoint point, String node) {
        return node.equals("0") ? OptionalDouble.of(0) : point.volts(node);
    }
}
