package org.umberdial.core.volts;

import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.umberdial.core.expect.DcPaths;
import org.umberdial.core.set.Part;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/**
 * A capacitor that conducts: current from its higher to its lower end moves the point. At a grid this is the coupling
 * capacitor (grid volts V Rg / (Rg + Rl)); at a plate, screen or rail it is the bypass or filter.
 *
 * <p>Source: FORMULAS, Leakage; role table, coupling_capacitor and bypass rows.
 */
final class LeakRule implements SuspicionRule {
    /** Below this a leak is called a short. */
    private static final double SHORT_OHMS = 100;

    private static final double MOST_OHMS = 5e8;

    /**
     * A capacitor turning more than this into heat does not last, so it is seldom found doing so (FORMULAS, policy).
     */
    private static final double LASTING_WATTS = 0.3;

    @Override
    public String id() {
        return "leaky-capacitor";
    }

    @Override
    public Stream<Guess> guesses(Scene scene) {
        List<String> reach = scene.point().grid ? scene.model().island(scene.node()) : List.of(scene.node());
        return reach.stream()
                .flatMap(node -> scene.model().paths().blocks.stream()
                        .filter(block -> block.touches(node))
                        .flatMap(block -> guess(scene, block, node, block.other(node)).stream()));
    }

    private java.util.Optional<Guess> guess(Scene scene, DcPaths.Block block, String here, String there) {
        if (here.equals(there) || scene.model().island(here).contains(there)) {
            return java.util.Optional.empty();
        }
        OptionalDouble amperes = scene.neededAmperes(there, here);
        double across = scene.standsAt(there) - scene.standsAt(here.equals(scene.node()) ? here : scene.node());
        if (amperes.isEmpty() || across * amperes.getAsDouble() <= 0) {
            return java.util.Optional.empty();
        }
        double leak = across / amperes.getAsDouble();
        if (leak > MOST_OHMS) {
            return java.util.Optional.empty();
        }
        boolean shorted = leak < SHORT_OHMS;
        boolean urgent = scene.point().grid || shorted;
        return java.util.Optional.of(new Guess(
                id(),
                block.part().reference(),
                shorted ? "shorted" : "leaky",
                OptionalDouble.of(leak),
                frequency(block.part(), scene.point().grid)
                        / (1 + Math.abs(across * amperes.getAsDouble()) / LASTING_WATTS)
                        * scene.agreement(there, here, amperes.getAsDouble()),
                reason(scene, block.part(), there, across, amperes.getAsDouble(), leak, shorted),
                confirm(scene, block.part(), here, there),
                urgent));
    }

    private static String reason(
            Scene scene, Part part, String there, double across, double amperes, double leak, boolean shorted) {
        String joins = part.reference() + " joins " + scene.phrases().name(scene.node()) + " to "
                + scene.phrases().name(there) + " and should block";
        return joins + "; " + Engineering.print(Math.abs(amperes), Unit.AMPERE) + " through it, "
                + (shorted ? "a short" : "a leak of about " + Phrases.ohms(leak)) + ", makes this reading ("
                + Phrases.volts(Math.abs(across)) + " across it).";
    }

    private static Test confirm(Scene scene, Part part, String here, String there) {
        String name = scene.phrases().name(scene.node());
        if (scene.point().grid) {
            return new Test(
                    "Switch off, pull the plug, discharge, and lift the grid end of " + part.reference()
                            + "; once nothing bars power, read " + name + " again.",
                    "At its bias: " + part.reference()
                            + " was leaking. Still positive: the tube is gassy. Type the reading and “"
                            + part.reference() + " lifted”.");
        }
        String end = there.equals("0") ? "one end" : "the " + name + " end";
        return new Test(
                "Switch off, pull the plug, discharge, lift " + end + " of " + part.reference()
                        + " and test its leakage at working voltage.",
                "Or, once nothing bars power, read " + name + " again with it lifted, typed with “" + part.reference()
                        + " lifted”.");
    }

    /** Paper leaks, electrolytics often do, ceramics, micas and films seldom. */
    private static double frequency(Part part, boolean coupling) {
        double usual = switch (part.card().kind()) {
            case "electrolytic" -> 4;
            case "ceramic", "mica", "film_cap" -> 0.3;
            default -> 5;
        };
        return coupling ? 2 * usual : usual;
    }
}
