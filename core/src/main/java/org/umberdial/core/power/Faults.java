package org.umberdial.core.power;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.network.Amplifier;
import org.umberdial.core.circuit.network.Values;

/** What may be wrong with one part of a set, as far as first power can find it. */
final class Faults {
    private static final int MOST_FAULTS = 28;
    /** A leak that is reckoned takes so much of what the tubes take. */
    private static final double LEAKS = 0.4;

    private static final double LEAKS_HEAVILY = 1.5;
    /** A coupling capacitor that is reckoned lifts its grid by so much [V]. */
    private static final double GRID_RISE = 12;
    /** What does not come by degrees. */
    private static final List<String> WHOLE = List.of("is shorted", "is open", "gives nothing", "draws no current");

    private final PowerScene scene;

    Faults(PowerScene scene) {
        this.scene = scene;
    }

    /** How the plan goes with each of them, as far as it settles. */
    List<Hypothesis> courses(Simulation simulation, List<PowerStep> steps) {
        Map<String, Fault> all = new LinkedHashMap<>();
        double load = Math.max(5e-3, scene.loadAmperes());
        for (PowerScene.Rail rail : scene.rails()) {
            for (String part : rail.capacitors()) {
                put(all, part, "is shorted", 3, values -> values.shorted(part));
                put(all, part, "leaks", 4, values -> values.leaking(part, rail.healthyVolts() / (LEAKS * load)));
                put(all, part, "leaks heavily", 2, v -> v.leaking(part, rail.healthyVolts() / (LEAKS_HEAVILY * load)));
                put(all, part, "has dried out", 2, values -> values.with(part, farads(part) / 30));
            }
        }
        for (Card card : scene.gridFeeding()) {
            double across = Math.abs(scene.volts(card.nodes().get(0)).orElse(0)
                    - scene.volts(card.nodes().get(1)).orElse(0));
            double ohms = gridOhms(card);
            put(
                    all,
                    card.reference(),
                    "leaks into a grid",
                    5,
                    v -> v.leaking(card.reference(), ohms * across / GRID_RISE));
        }
        for (Card card : scene.rectifiers()) {
            put(all, card.reference(), "gives nothing", 2, v -> v.opened(card.reference()));
            put(all, card.reference(), "is weak", 2, v -> v.emitting(card.reference(), 0.25));
        }
        scene.rectifierHeater().ifPresent(heater -> {
            if (scene.series()) {
                // In a string nobody can tell from here which one it is.
                all.put(
                        "string",
                        new Fault(
                                "",
                                "the heater string is open: one heater, its socket contact, or what is in series",
                                4,
                                v -> v.opened(heater)));
            } else {
                all.put(
                        "dark",
                        new Fault(
                                bare(heater),
                                bare(heater).replaceFirst("^X", "")
                                        + ", rectifier, is dark: its heater or a socket contact is open",
                                3,
                                v -> v.opened(heater)));
            }
        });
        scene.drop().ifPresent(d -> put(all, d.part(), "is open", 2, v -> v.opened(d.part())));
        for (Amplifier output : scene.outputs()) {
            put(all, output.part(), "draws no current", 2, v -> v.emitting(output.part(), 1e-4));
            put(all, output.part(), "draws too much: gassy, or its bias gone", 1, v -> gassy(v, output));
        }
        scene.set().cards().stream()
                .filter(card -> card.letter() == 'C'
                        && card.nodes().size() == 2
                        && card.value().orElse(1.0) < 1e-6)
                .filter(card -> card.nodes().contains("0"))
                .filter(card ->
                        card.nodes().stream().anyMatch(node -> scene.volts(node).orElse(0) > 30))
                .forEach(card -> put(all, card.reference(), "is shorted", 1, v -> v.shorted(card.reference())));
        return all.values().stream().limit(MOST_FAULTS).toList().parallelStream()
                .map(fault -> fault.course(simulation, steps))
                .flatMap(Optional::stream)
                .toList();
    }

    private static Values gassy(Values values, Amplifier output) {
        return values.gassy(output.part(), 0.0005);
    }

    private double farads(String part) {
        return scene.set().part(part).flatMap(p -> p.card().value()).orElse(1e-6);
    }

    /** What a grid has to chassis or minus rail, for a coupling capacitor [Ω]. */
    private double gridOhms(Card coupling) {
        String grid = coupling.nodes().stream()
                .min(Comparator.comparingDouble(n -> scene.volts(n).orElse(0)))
                .orElseThrow();
        return scene.nets().at(grid).stream()
                .filter(card -> card.letter() == 'R')
                .mapToDouble(card -> card.value().orElse(470e3))
                .min()
                .orElse(470e3);
    }

    private record Fault(String part, String says, double prior, Function<Values, Values> change) {
        Optional<Hypothesis> course(Simulation simulation, List<PowerStep> steps) {
            try {
                return simulation
                        .run(change.apply(simulation.nominal()), steps)
                        .map(course ->
                                new Hypothesis(part, says, prior, WHOLE.stream().anyMatch(says::endsWith), course));
            } catch (IllegalArgumentException cannotFailSo) {
                return Optional.empty();
            }
        }
    }

    private void put(Map<String, Fault> all, String part, String how, double prior, Function<Values, Values> change) {
        all.putIfAbsent(part + how, new Fault(bare(part), scene.called(part) + ", " + how, prior, change));
    }

    /** The part as the ledger names it. */
    private String bare(String reference) {
        return scene.set().tubeOf(reference);
    }
}
