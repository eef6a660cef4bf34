package org.umberdial.core.volts;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.umberdial.core.expect.DcPaths;
import org.umberdial.core.tube.Electrode;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/**
 * The tube itself: gas current out of a grid, a stage that draws too little or too much, a tired rectifier.
 *
 * <p>Source: role table, rows output_tube, audio_triode, if_tube, rectifier_tube.
 */
final class TubeRule implements SuspicionRule {
    /** Gas currents of a failing tube; more than this through a grid leak is no gas. */
    private static final double MOST_GAS_AMPERES = 100e-6;

    @Override
    public String id() {
        return "tube";
    }

    @Override
    public Stream<Guess> guesses(Scene scene) {
        Stream<Guess> grid = scene.point().grid
                ? scene.model().gridReachedFrom(scene.node()).flatMap(stage -> gas(scene, stage)).stream()
                : Stream.empty();
        Stream<Guess> stages = scene.stagesHere().stream().flatMap(stage -> current(scene, stage).stream());
        Stream<Guess> supply = scene.model().paths().rectifiers.stream()
                .filter(rectifier -> rectifier.cathode().equals(scene.node()))
                .limit(1)
                .flatMap(rectifier -> supply(scene, rectifier).stream());
        return Stream.of(grid, stages, supply).flatMap(s -> s);
    }

    private Optional<Guess> gas(Scene scene, DcPaths.Stage stage) {
        OptionalDouble amperes = scene.neededAmperes("0", scene.node());
        if (amperes.isEmpty() || amperes.getAsDouble() <= 0 || amperes.getAsDouble() > MOST_GAS_AMPERES) {
            return Optional.empty();
        }
        return Optional.of(new Guess(
                id(),
                stage.socket(),
                "gassy",
                amperes,
                1.5 * scene.agreement("0", scene.node(), amperes.getAsDouble()),
                stage.socket() + " would have to send " + Engineering.print(amperes.getAsDouble(), Unit.AMPERE)
                        + " of gas current out of its grid to make this reading.",
                new Test(
                        "Switch off, discharge, lift the coupling capacitor's grid end; power up and watch the grid of "
                                + stage.socket() + ".",
                        "It must settle at its bias; if it climbs as the tube heats, try another tube."),
                true));
    }

    private Optional<Guess> current(Scene scene, DcPaths.Stage stage) {
        Electrode electrode = stage.electrodeAt(scene.node()).orElseThrow();
        String cathode = stage.nodes().get(Electrode.CATHODE);
        String plate = stage.nodes().get(Electrode.PLATE);
        // More stage current flows out of plate or screen and into the cathode's circuit.
        String from = electrode == Electrode.CATHODE ? plate : scene.node();
        OptionalDouble extra = scene.neededAmperes(from, cathode.equals(from) ? "0" : cathode);
        if (extra.isEmpty()) {
            return Optional.empty();
        }
        boolean more = extra.getAsDouble() > 0;
        double agreement = scene.agreement(from, cathode, extra.getAsDouble());
        return Optional.of(new Guess(
                id(),
                stage.socket(),
                more ? "draws too much" : "weak",
                OptionalDouble.empty(),
                (more ? 0.7 : 2) * agreement,
                stage.socket() + " would have to draw " + Engineering.print(Math.abs(extra.getAsDouble()), Unit.AMPERE)
                        + (more ? " more" : " less") + " than the sheet's drops say.",
                new Test(
                        "Read the grid and cathode of " + stage.socket()
                                + "; then test the tube, or swap it for a known good one.",
                        "A good one in its place puts the reading right."),
                false));
    }

    private Optional<Guess> supply(Scene scene, DcPaths.Rectifier rectifier) {
        if (scene.off() >= 0) {
            return Optional.empty();
        }
        return Optional.of(new Guess(
                id(),
                rectifier.part().reference(),
                "weak",
                OptionalDouble.empty(),
                2.5,
                "The rectifier feeds this point: a tired one, or a reservoir that has dried out, leaves it low.",
                new Test(
                        "Read the line at the plug and the ripple here; then switch off, discharge, and test "
                                + "the reservoir and the rectifier.",
                        "Much ripple: the reservoir has dried out. Little: the rectifier is tired, or more is drawn."),
                false));
    }
}
