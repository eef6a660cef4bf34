package org.umberdial.core.volts;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.expect.DcPaths;
import org.umberdial.core.tube.Electrode;

/**
 * What a tube draws by the volts that were read, Ohm's law across the resistor at its plate or cathode, and what that
 * makes of its plate.
 *
 * @param part reference of the section
 * @param amperes through it [A]
 * @param through the resistor it was found by
 * @param withScreen whether the screen's current is in it, as it is at a cathode
 * @param healthy the same current in a healthy set [A]; empty where its circuit is not solved
 * @param watts at its plate [W]; empty when plate or cathode were not read. Of a current with the screen's in it the
 *     plate has the share it has in a healthy set; where that is not solved it is empty too, since nobody knows
 * @param limit what the plate is made for [W]; empty where nothing is published
 */
public record StageCurrent(
        String part,
        double amperes,
        String through,
        boolean withScreen,
        OptionalDouble healthy,
        OptionalDouble watts,
        OptionalDouble limit) {
    /** Whether its plate gets more than it is made for. */
    public boolean over() {
        return watts.isPresent() && limit.isPresent() && watts.getAsDouble() > limit.getAsDouble();
    }

    /**
     * Of every section whose volts say it.
     *
     * @param read what stands at a node [V]; empty where nobody read it
     */
    static List<StageCurrent> of(StageModel model, Function<String, OptionalDouble> read) {
        List<StageCurrent> currents = new ArrayList<>();
        for (DcPaths.Stage stage : model.paths().stages) {
            stage.node(Electrode.PLATE)
                    .flatMap(plate -> atPlate(model, stage, plate, read)
                            .or(() -> stage.node(Electrode.CATHODE)
                                    .filter(cathode -> isAlone(model, stage, cathode))
                                    .flatMap(cathode -> atCathode(model, stage, plate, cathode, read))))
                    .ifPresent(currents::add);
        }
        return List.copyOf(currents);
    }

    /** Whether nothing else drains into a cathode. */
    private static boolean isAlone(StageModel model, DcPaths.Stage stage, String cathode) {
        return !cathode.equals("0")
                && model.paths().stages.stream()
                        .noneMatch(
                                other -> !other.equals(stage) && other.nodes().containsValue(cathode));
    }

    private static Optional<StageCurrent> atPlate(
            StageModel model, DcPaths.Stage stage, String plate, Function<String, OptionalDouble> read) {
        List<DcPaths.Path> feeding = model.pathsAt(plate).stream()
                .filter(path -> path.isResistor() && model.isSupplyFed(other(path, plate)))
                .toList();
        return feeding.size() == 1
                ? through(model, stage, plate, feeding.get(0), other(feeding.get(0), plate), plate, read, false)
                : Optional.empty();
    }

    private static Optional<StageCurrent> atCathode(
            StageModel model,
            DcPaths.Stage stage,
            String plate,
            String cathode,
            Function<String, OptionalDouble> read) {
        List<DcPaths.Path> draining = model.pathsAt(cathode).stream()
                .filter(path -> path.isResistor() && other(path, cathode).equals("0"))
                .toList();
        boolean pentode = stage.node(Electrode.SCREEN).isPresent();
        return draining.size() == 1
                ? through(model, stage, plate, draining.get(0), cathode, "0", read, pentode)
                : Optional.empty();
    }

    private static String other(DcPaths.Path path, String end) {
        return path.a().equals(end) ? path.b() : path.a();
    }

    private static Optional<StageCurrent> through(
            StageModel model,
            DcPaths.Stage stage,
            String plate,
            DcPaths.Path path,
            String high,
            String low,
            Function<String, OptionalDouble> read,
            boolean withScreen) {
        OptionalDouble above = read.apply(high);
        OptionalDouble below = read.apply(low);
        double ohms = path.part().workingValue().orElse(path.ohms());
        if (above.isEmpty() || below.isEmpty() || !(ohms > 0) || above.getAsDouble() <= below.getAsDouble()) {
            return Optional.empty();
        }
        double amperes = (above.getAsDouble() - below.getAsDouble()) / ohms;
        OptionalDouble plateShare = withScreen ? plateShare(model.solvedPoint(), part(stage)) : OptionalDouble.of(1);
        OptionalDouble top = read.apply(plate);
        OptionalDouble bottom = stage.node(Electrode.CATHODE).map(read).orElse(OptionalDouble.empty());
        String part = part(stage);
        return Optional.of(new StageCurrent(
                part,
                amperes,
                path.part().reference(),
                withScreen,
                healthy(model.solvedPoint(), part, withScreen),
                top.isPresent() && bottom.isPresent() && plateShare.isPresent()
                        ? OptionalDouble.of(Math.max(0, top.getAsDouble() - bottom.getAsDouble())
                                * amperes
                                * plateShare.getAsDouble())
                        : OptionalDouble.empty(),
                model.set()
                        .tubeType(stage.part())
                        .map(type -> type.limits().plateWatts())
                        .orElse(OptionalDouble.empty())));
    }

    private static String part(DcPaths.Stage stage) {
        return stage.part().reference();
    }

    /** How much of a cathode's current is the plate's, in a healthy set. */
    private static OptionalDouble plateShare(Optional<OperatingPoint> point, String part) {
        OptionalDouble plate = healthy(point, part, false);
        OptionalDouble all = healthy(point, part, true);
        return plate.isPresent() && all.orElse(0) > 0
                ? OptionalDouble.of(plate.getAsDouble() / all.getAsDouble())
                : OptionalDouble.empty();
    }

    private static OptionalDouble healthy(Optional<OperatingPoint> point, String part, boolean withScreen) {
        OptionalDouble plate = point.map(found -> found.plateAmperes(part)).orElse(OptionalDouble.empty());
        OptionalDouble screen = point.map(found -> found.screenAmperes(part)).orElse(OptionalDouble.empty());
        return plate.isEmpty() || !withScreen ? plate : OptionalDouble.of(plate.getAsDouble() + screen.orElse(0));
    }
}
