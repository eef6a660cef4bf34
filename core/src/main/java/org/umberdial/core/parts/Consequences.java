package org.umberdial.core.parts;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.WeakHashMap;
import java.util.function.UnaryOperator;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.network.Amplifier;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.expect.HealthySet;
import org.umberdial.core.role.RoleLibrary;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.set.TestPoint;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubePoint;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/**
 * What a part does to the set as it was read: solved with it where the circuit is whole, else in the words of the role
 * library. Healthy is the same circuit with every part at its own value, on its own line.
 */
public final class Consequences {
    /** A plate or a voltage that moves by less than this is not worth a word, as a share. */
    private static final double WORTH = 0.02;
    /** A current that grows by this much is named before any voltage. */
    private static final double GROWS = 1.15;

    /**
     * @param says in a few words, such as {@code V1 screen 61 V instead of 90 V}
     * @param solved whether the engine said it
     * @param moves how far the voltage that moves most is off, a share; 0 when nothing moves or nobody solved it
     * @param overloads whether a plate gets more than its rating by it
     */
    public record Consequence(String says, boolean solved, double moves, boolean overloads) {
        static final Consequence NONE = new Consequence("", false, 0, false);
    }

    /** What was solved of a circuit holds while it is the same, whatever else was read since. */
    private static final Map<HealthySet, Map<String, Consequence>> SOLVED = new WeakHashMap<>();

    private static final int MOST_KEPT = 500;

    private final BenchSet set;
    private final Places places;
    private final Map<String, Consequence> known = new HashMap<>();

    private Consequences(SetFile file) {
        set = file.set();
        places = Places.of(file);
    }

    static Consequences of(SetFile file) {
        return file.once(Consequences.class, () -> new Consequences(file));
    }

    /** Of a resistor that has so many ohms; infinite ohms are an open one. */
    synchronized Consequence ofOhms(Part part, double ohms) {
        return known.computeIfAbsent(part.reference() + " " + ohms, key -> {
            boolean open = Double.isInfinite(ohms);
            String failure = open ? "open" : ohms > part.workingValue().orElse(0.0) ? "drifted_high" : "drifted_low";
            Optional<Consequence> solved = solved(
                    part,
                    key,
                    values -> open
                            ? values.opened(part.reference())
                            : values.with(part.reference(), Math.max(1e-3, ohms)));
            // Where no direct voltage moves, what is heard says more; that it was solved still counts.
            return solved.filter(one -> one.moves >= WORTH)
                    .orElseGet(() -> new Consequence(
                            told(part, failure).says,
                            solved.isPresent(),
                            solved.map(Consequence::moves).orElse(0.0),
                            false));
        });
    }

    /** Of a capacitor that leaks so much. */
    synchronized Consequence ofLeak(Part part, double ohms) {
        return known.computeIfAbsent(
                part.reference() + " leak " + ohms,
                key -> solved(part, key, values -> values.leaking(part.reference(), Math.max(1, ohms)))
                        .filter(solved -> solved.moves >= WORTH)
                        .orElseGet(() -> told(part, "leaky")));
    }

    /** Of a failure that moves no direct voltage, by the role library. */
    Consequence told(Part part, String failure) {
        return places.roles()
                .role(part.reference())
                .flatMap(role -> RoleLibrary.of(role, failure))
                .map(one -> new Consequence(one.heard(), false, 0, false))
                .orElse(Consequence.NONE);
    }

    private Optional<Consequence> solved(Part part, String key, UnaryOperator<Values> change) {
        Optional<Consequence> worst = Optional.empty();
        for (String mode : set.modes().isEmpty() ? List.of("") : set.modes()) {
            Optional<HealthySet> healthy = HealthySet.of(set, mode);
            if (healthy.isEmpty()) {
                return worst;
            }
            Optional<Consequence> solved = kept(healthy.get(), part, key, change);
            if (solved.isEmpty()) {
                continue;
            }
            Consequence here = solved.get();
            if (worst.isEmpty() || here.overloads && !worst.get().overloads || here.moves > worst.get().moves) {
                worst = Optional.of(here);
            }
        }
        return worst;
    }

    private Optional<Consequence> kept(HealthySet healthy, Part part, String key, UnaryOperator<Values> change) {
        synchronized (SOLVED) {
            Optional<Consequence> there =
                    Optional.ofNullable(SOLVED.get(healthy)).map(all -> all.get(key));
            if (there.isPresent()) {
                return there;
            }
        }
        double line = healthy.nominalLine();
        Optional<OperatingPoint> before = healthy.point(line);
        Optional<Consequence> here = healthy.changed(change, line, List.of(), List.of(), Optional.empty())
                .filter(after -> before.isPresent())
                .map(after -> compared(part, before.get(), after.point()));
        synchronized (SOLVED) {
            Map<String, Consequence> all = SOLVED.computeIfAbsent(healthy, h -> new HashMap<>());
            if (all.size() > MOST_KEPT) {
                all.clear();
            }
            here.ifPresent(one -> all.put(key, one));
        }
        return here;
    }

    private record Step(String node, String says, double moves) {}

    private Consequence compared(Part part, OperatingPoint before, OperatingPoint after) {
        List<Step> steps = new ArrayList<>();
        for (Map.Entry<String, String> node : watched().entrySet()) {
            OptionalDouble was = before.volts(node.getKey());
            OptionalDouble is = after.volts(node.getKey());
            if (was.isPresent() && is.isPresent() && !before.isGuess(node.getKey())) {
                steps.add(new Step(
                        node.getKey(),
                        node.getValue() + " " + volts(is.getAsDouble()) + " instead of " + volts(was.getAsDouble()),
                        Math.abs(is.getAsDouble() - was.getAsDouble()) / Math.max(1, Math.abs(was.getAsDouble()))));
            }
        }
        double moves = steps.stream().mapToDouble(Step::moves).max().orElse(0);
        List<String> words = new ArrayList<>();
        List<String> hot = overloaded(before, after);
        Set<String> near = near(part);
        tube(before, after, near).ifPresent(words::add);
        if (words.isEmpty()) {
            // What moves at the part itself says more than what follows from it elsewhere.
            steps.stream()
                    .filter(step -> step.moves >= WORTH)
                    .max(Comparator.comparing((Step step) -> near.contains(step.node))
                            .thenComparing(Step::moves))
                    .map(Step::says)
                    .ifPresent(words::add);
        }
        words.addAll(hot);
        return new Consequence(
                words.isEmpty() ? "moves no voltage by 2 %" : String.join(", ", words), true, moves, !hot.isEmpty());
    }

    /** The part's own nodes and those of the tube it serves. */
    private Set<String> near(Part part) {
        Set<String> near = new HashSet<>(part.nodes());
        String tube = places.roles().tube(part.reference()).orElse("");
        set.parts().stream()
                .filter(p -> !tube.isEmpty()
                        && PartsBench.isTube(p)
                        && Card.tube(p.reference()).equals(tube))
                .forEach(p -> near.addAll(p.nodes()));
        near.remove("0");
        return near;
    }

    /** Supply points and electrodes by node, with what people call them. */
    private Map<String, String> watched() {
        Map<String, String> nodes = new LinkedHashMap<>();
        for (TestPoint point : set.testPoints()) {
            nodes.put(point.node(), point.name());
        }
        if (nodes.isEmpty()) {
            places.electrodes().forEach(nodes::put);
        }
        return nodes;
    }

    /** The tube at the part whose plate current grows most, when one does. */
    private Optional<String> tube(OperatingPoint before, OperatingPoint after, Set<String> near) {
        String says = null;
        double most = GROWS;
        for (Amplifier amplifier : before.network().amplifiers()) {
            boolean here = set.part(amplifier.part())
                    .filter(p -> p.nodes().stream().anyMatch(near::contains))
                    .isPresent();
            double was = before.plateAmperes(amplifier.part()).orElse(0);
            double is = after.plateAmperes(amplifier.part()).orElse(0);
            if (here && was > 0 && is / was > most) {
                most = is / was;
                says = Card.tube(amplifier.part()) + " draws " + Engineering.print(is, Unit.AMPERE) + " instead of "
                        + Engineering.print(was, Unit.AMPERE);
            }
        }
        return Optional.ofNullable(says);
    }

    private List<String> overloaded(OperatingPoint before, OperatingPoint after) {
        List<String> hot = new ArrayList<>();
        for (Amplifier amplifier : after.network().amplifiers()) {
            OptionalDouble rated = rated(amplifier.part());
            double watts = watts(after, amplifier);
            if (rated.isPresent() && watts > rated.getAsDouble() && watts > 1.05 * watts(before, amplifier)) {
                hot.add(String.format(
                        Locale.ROOT,
                        "%s's plate at %.1f W, made for %.1f",
                        Card.tube(amplifier.part()),
                        watts,
                        rated.getAsDouble()));
            }
        }
        return hot;
    }

    private OptionalDouble rated(String reference) {
        Optional<Part> part = set.part(reference);
        Optional<Section> section = part.flatMap(
                p -> set.tubes().data().section(p.card().model(), p.nodes().size()));
        return section.flatMap(
                        s -> set.tubes().data().mainPoint(part.get().card().model(), s))
                .map(TubePoint::mostPlateWatts)
                .orElse(OptionalDouble.empty());
    }

    private static double watts(OperatingPoint point, Amplifier tube) {
        double plate = tube.plate() < 0 ? 0 : point.volts(tube.plate()).orElse(0);
        double cathode = tube.cathode() < 0 ? 0 : point.volts(tube.cathode()).orElse(0);
        return (plate - cathode) * point.plateAmperes(tube.part()).orElse(0);
    }

    private static String volts(double volts) {
        return Engineering.print(volts, Unit.VOLT);
    }
}
