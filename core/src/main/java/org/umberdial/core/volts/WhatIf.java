package org.umberdial.core.volts;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.umberdial.core.area.Bench;
import org.umberdial.core.circuit.deck.DeckRefused;
import org.umberdial.core.circuit.network.Heat;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.work.AtWork;
import org.umberdial.core.circuit.work.NotSettled;
import org.umberdial.core.circuit.work.Note;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.expect.HealthySet;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.set.TestPoint;
import org.umberdial.core.tube.Ballast;
import org.umberdial.core.tube.GlowTubes;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/** What a changed part would do to the whole set, on the bench's line and meter. */
public final class WhatIf {
    /** A part is named as overloaded from its whole rating on. */
    private static final double OVERLOAD = 1;

    /**
     * One point before and after, on DC; on AC RMS where that is what is measured there.
     *
     * @param healthy on the meter [V], empty where nothing leads
     * @param changed the same with the changes
     */
    public record Step(TestPoint point, OptionalDouble healthy, OptionalDouble changed) {}

    /** A part that gets more than its rating [W], and did not before. */
    public record Overload(String part, double watts, double ratedWatts) {}

    /** A heater's RMS volts before and after. */
    public record HeaterStep(String part, double healthy, double changed) {}

    /**
     * @param solved whether there is an answer; if not, {@code sentence} says why
     * @param sentence empty when there is nothing to say
     * @param lineAmperes before and after; empty without a line
     */
    public record Answer(
            boolean solved,
            String sentence,
            List<Step> steps,
            List<Overload> overloads,
            List<HeaterStep> heaters,
            OptionalDouble lineAmperes,
            OptionalDouble changedLineAmperes) {}

    /**
     * A part that can be changed.
     *
     * @param unit of its value, empty when its value cannot be changed
     */
    public record Changeable(
            String part, String description, String working, Optional<Unit> unit, List<PartChange.Kind> kinds) {}

    private WhatIf() {}

    /** The set's parts that can be changed, and how, in the circuit's order. */
    public static List<Changeable> changeable(BenchSet set) {
        return set.parts().stream()
                .map(part -> changeable(set, part))
                .filter(part -> !part.kinds().isEmpty())
                .toList();
    }

    private static Changeable changeable(BenchSet set, Part part) {
        List<PartChange.Kind> kinds = switch (part.card().letter()) {
            case 'R' ->
                part.card().kind().equals("switch")
                        ? List.of(PartChange.Kind.OPEN, PartChange.Kind.SHORTED)
                        : List.of(PartChange.Kind.VALUE, PartChange.Kind.OPEN, PartChange.Kind.SHORTED);
            case 'C' ->
                List.of(PartChange.Kind.LEAK, PartChange.Kind.SHORTED, PartChange.Kind.OPEN, PartChange.Kind.VALUE);
            case 'L' -> List.of(PartChange.Kind.OPEN, PartChange.Kind.SHORTED);
            case 'V' -> List.of(PartChange.Kind.VALUE);
            case 'D' -> List.of(PartChange.Kind.OPEN, PartChange.Kind.SHORTED, PartChange.Kind.LEAK);
            case 'Q' -> List.of(PartChange.Kind.WEAK, PartChange.Kind.OPEN, PartChange.Kind.SHORTED);
            case 'X' -> ofSubcircuit(set, part);
            default -> List.<PartChange.Kind>of();
        };
        Optional<Unit> unit = switch (part.card().letter()) {
            case 'R' -> Optional.of(Unit.OHM);
            case 'C' -> Optional.of(Unit.FARAD);
            case 'V' -> Optional.of(Unit.VOLT);
            default -> Optional.<Unit>empty();
        };
        String working = unit.filter(u -> part.card().value().isPresent())
                .map(u -> Engineering.print(part.card().value().get(), u))
                .orElse(part.card().model());
        return new Changeable(
                part.reference(),
                part.description(),
                working,
                unit.filter(u -> kinds.contains(PartChange.Kind.VALUE)),
                kinds);
    }

    private static List<PartChange.Kind> ofSubcircuit(BenchSet set, Part part) {
        String model = part.card().model();
        if (model.equals("SELENIUM")) {
            return List.of(PartChange.Kind.OPEN, PartChange.Kind.SHORTED, PartChange.Kind.LEAK);
        }
        if (List.of("XFMR", "LAMP", "NEON", "NTC", "BARRETTER").contains(model)
                || GlowTubes.law(model).isPresent()
                || Ballast.of(model).isPresent()
                || TubeData.suffix(model).equals("H")) {
            return List.of(PartChange.Kind.OPEN, PartChange.Kind.SHORTED);
        }
        boolean rectifies =
                set.tubes().data().isRectifier(model) || TubeData.suffix(model).equals("D");
        return rectifies
                ? List.of(PartChange.Kind.WEAK, PartChange.Kind.OPEN, PartChange.Kind.SHORTED)
                : List.of(PartChange.Kind.WEAK);
    }

    /**
     * Solves the set with the changes.
     *
     * @throws IllegalArgumentException when a part cannot be changed like that; the message is a sentence
     */
    public static Answer ask(BenchSet set, Bench bench, List<PartChange> changes) {
        Optional<HealthySet> whole = HealthySet.of(set, bench.mode());
        if (whole.isEmpty()) {
            return unsolved(set, whyUnsolved(set, bench.mode()));
        }
        HealthySet healthy = whole.get();
        Values nominal = Values.nominal(healthy.network());
        changes.forEach(change -> change.apply(nominal));
        List<String> alternating = set.testPoints().stream()
                .map(TestPoint::node)
                .filter(node -> set.usualKind(node) == ReadingKind.AC)
                .toList();
        List<String> nodes = set.testPoints().stream()
                .map(TestPoint::node)
                .filter(node -> !alternating.contains(node))
                .toList();
        Optional<HealthySet.Changed> before =
                healthy.changed(values -> values, bench.lineVolts(), nodes, alternating, bench.meter());
        Optional<HealthySet.Changed> after = healthy.changed(
                values -> applied(values, changes), bench.lineVolts(), nodes, alternating, bench.meter());
        if (before.isEmpty() || after.isEmpty()) {
            return unsolved(
                    set, "With this change the circuit does not settle, so no figures are given. Try a milder value.");
        }
        List<Step> steps = set.testPoints().stream()
                .map(point -> new Step(point, shown(before.get(), point), shown(after.get(), point)))
                .toList();
        return new Answer(
                true,
                after.get().point().notes().stream().map(Note::text).collect(Collectors.joining(" ")),
                steps,
                overloads(set, before.get().point(), after.get().point()),
                heaters(healthy.network(), before.get().point(), after.get().point()),
                before.get().point().lineAmperes(),
                after.get().point().lineAmperes());
    }

    /** Why a set's circuit is not solved, in a sentence; empty when it is. */
    public static String whyUnsolved(BenchSet set, String mode) {
        if (HealthySet.of(set, mode).isPresent()) {
            return "";
        }
        if (!set.unread().isEmpty()) {
            return "The circuit is incomplete and is not solved until this is mended: "
                    + String.join(" ", set.unread());
        }
        if (set.parts().isEmpty()) {
            return "The set has no circuit yet. Load a SPICE deck or enter its parts.";
        }
        try {
            Network network = HealthySet.network(set, mode);
            if (network.sources().isEmpty()) {
                return "The circuit has no line and no battery, so nothing drives it. Add the line as VLINE "
                        + "line 0 SIN(0 325 50).";
            }
            if (network.amplifiers().isEmpty()) {
                return "The circuit has no tube yet; with its tubes it can be solved.";
            }
            return new AtWork(network).solve(Values.nominal(network)) instanceof NotSettled failed
                    ? failed.reason()
                    : "The circuit settles without a supply voltage. Look for a missing rectifier, winding or "
                            + "connection.";
        } catch (DeckRefused refused) {
            return "The circuit is not solved until this is mended: "
                    + refused.faults().get(0).text()
                    + (refused.faults().size() > 1
                            ? " (and " + (refused.faults().size() - 1) + " more)"
                            : "");
        }
    }

    private static Answer unsolved(BenchSet set, String sentence) {
        return new Answer(
                false,
                sentence,
                set.testPoints().stream()
                        .map(point -> new Step(point, OptionalDouble.empty(), OptionalDouble.empty()))
                        .toList(),
                List.of(),
                List.of(),
                OptionalDouble.empty(),
                OptionalDouble.empty());
    }

    private static Values applied(Values values, List<PartChange> changes) {
        Values changed = values;
        for (PartChange change : changes) {
            changed = change.apply(changed);
        }
        return changed;
    }

    private static OptionalDouble shown(HealthySet.Changed solved, TestPoint point) {
        return solved.shown().getOrDefault(point.node(), OptionalDouble.empty());
    }

    private static List<Overload> overloads(BenchSet set, OperatingPoint before, OperatingPoint after) {
        List<Overload> overloads = new ArrayList<>();
        for (Part part : set.parts()) {
            double rated = part.ratingWatts().orElse(0.0);
            if (rated > 0
                    && part.card().letter() == 'R'
                    && after.watts(part.reference()) > OVERLOAD * rated
                    && before.watts(part.reference()) <= OVERLOAD * rated) {
                overloads.add(new Overload(part.reference(), after.watts(part.reference()), rated));
            }
        }
        return overloads;
    }

    private static List<HeaterStep> heaters(Network network, OperatingPoint before, OperatingPoint after) {
        Set<String> parts = new TreeSet<>();
        network.heats().stream().map(Heat::part).forEach(parts::add);
        List<HeaterStep> steps = new ArrayList<>();
        for (String part : parts) {
            double was = before.heaterVolts(part).orElse(0);
            double is = after.heaterVolts(part).orElse(0);
            if (Math.abs(is - was) > 0.02 * was) {
                steps.add(new HeaterStep(part, was, is));
            }
        }
        return steps;
    }
}
