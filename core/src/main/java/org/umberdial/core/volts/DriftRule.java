package org.umberdial.core.volts;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.umberdial.core.expect.DcPaths;
import org.umberdial.core.set.Part;
import org.umberdial.core.value.Tolerance;

/**
 * A resistor or winding that is not what it should be: the compensation theorem turns the current that is missing or
 * too much at the point into the resistance that would make it so.
 *
 * <p>Source: role table, rows plate_load, screen_dropper, decoupling_resistor, filter_resistor, cathode_bias_resistor.
 */
final class DriftRule implements SuspicionRule {
    private static final double OPEN_FACTOR = 30;

    @Override
    public String id() {
        return "drifted-resistor";
    }

    @Override
    public Stream<Guess> guesses(Scene scene) {
        if (scene.point().grid) {
            // A wrong resistor brings no voltage to a grid by itself; it only enlarges what a leak or gas brings.
            return Stream.empty();
        }
        return scene.model().pathsAt(scene.node()).stream().flatMap(path -> guess(scene, path).stream());
    }

    private Optional<Guess> guess(Scene scene, DcPaths.Path path) {
        String there = path.other(scene.node());
        OptionalDouble extra = scene.neededAmperes(there, scene.node());
        double drop = scene.standsAt(there) - scene.standsAt(scene.node());
        if (extra.isEmpty() || Math.abs(drop) < 0.05) {
            return Optional.empty();
        }
        double nominal = path.ohms();
        double amperes = drop / nominal + extra.getAsDouble();
        double fits = amperes * drop > 0 ? drop / amperes : Double.POSITIVE_INFINITY;
        Tolerance tolerance = path.part().tolerance();
        boolean open = fits > OPEN_FACTOR * nominal;
        boolean high = fits > nominal * (1 + tolerance.fraction());
        boolean low = fits < nominal * (1 - tolerance.fraction());
        if (!high && !low || !path.isResistor() && !open && !low) {
            return Optional.empty();
        }
        String failure = open ? "open" : high ? "drifted high" : path.isResistor() ? "low" : "shorted turns";
        double weight = frequency(path, open, high) * scene.agreement(there, scene.node(), extra.getAsDouble());
        return Optional.of(new Guess(
                id(),
                path.part().reference(),
                failure,
                open ? OptionalDouble.empty() : OptionalDouble.of(fits),
                weight,
                reason(scene, path, there, drop, fits, open),
                confirm(path, open, high),
                false));
    }

    private static String reason(Scene scene, DcPaths.Path path, String there, double drop, double fits, boolean open) {
        String feeds = path.part().reference() + " (" + Phrases.ohms(path.ohms()) + ") runs from "
                + scene.phrases().name(there) + " to " + scene.phrases().name(scene.node());
        return feeds + "; "
                + (open
                        ? "open, it would leave this point as it was read."
                        : "at about " + Phrases.ohms(fits) + " its " + Phrases.volts(Math.abs(drop))
                                + " would fit what the stage draws.");
    }

    private static Test confirm(DcPaths.Path path, boolean open, boolean high) {
        Part part = path.part();
        String typed = " Type “" + part.reference() + "” and the value.";
        if (open || high) {
            return new Test(
                    "Switch off, pull the plug, discharge and prove it; read " + part.reference() + " by ohms.",
                    "Above " + Phrases.ohms(path.ohms() * (1 + part.tolerance().fraction()))
                            + " in circuit is proof, since paths beside it can only lower the reading." + typed);
        }
        return new Test(
                "Switch off, pull the plug, discharge, lift one end of " + part.reference() + " and read it by ohms.",
                "Below " + Phrases.ohms(path.ohms() * (1 - part.tolerance().fraction()))
                        + " is proof; in circuit it proves nothing." + typed);
    }

    /** Old carbon drifts up, often by half; it hardly ever drifts down. Wirewound and windings open or stay. */
    private static double frequency(DcPaths.Path path, boolean open, boolean high) {
        boolean wire = path.part().card().kind().equals("wirewound") || !path.isResistor();
        if (open) {
            return 2;
        }
        if (high) {
            return wire ? 0.5 : 6;
        }
        return 0.3;
    }
}
