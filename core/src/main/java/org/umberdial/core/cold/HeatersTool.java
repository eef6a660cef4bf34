package org.umberdial.core.cold;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.procedure.BenchForm.Block;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubeType;
import org.umberdial.core.value.Unit;

/** Heaters against the tube data. */
final class HeatersTool implements ColdTool {
    @Override
    public List<Block> blocks(ColdScene scene, Figures figures) {
        return List.of(new Block(
                "Heater pins",
                "Cold is about a seventh of hot, volts over amperes.",
                PartTools.lines(scene, scene.roles().of(Role.HEATER), s -> cells(scene, s))));
    }

    private static List<Cell> cells(ColdScene scene, String tube) {
        List<Cell> cells = new ArrayList<>(List.of(Cell.figure(
                "o." + tube,
                pins(scene, tube),
                Unit.OHM,
                expected(scene, tube).isPresent()
                        ? ColdTool.ohms(expected(scene, tube).getAsDouble())
                        : "closed")));
        tap(scene, tube)
                .ifPresent(share -> cells.add(Cell.figure(
                        "t." + tube,
                        "the lamp's part, to its tap",
                        Unit.OHM,
                        ColdTool.ohms(share * expected(scene, tube).orElse(0)))));
        return cells;
    }

    /** Share of the heater that a pilot lamp bridges; empty for one without a tap. */
    private static Optional<Double> tap(ColdScene scene, String tube) {
        return type(scene, tube)
                .filter(t -> t.heaterTap().isPresent())
                .map(t -> t.heaterTap().getAsDouble());
    }

    private static Optional<TubeType> type(ColdScene scene, String tube) {
        return scene.set()
                .part(tube)
                .flatMap(p -> TubeData.shipped().type(TubeData.bare(p.card().model())));
    }

    private static OptionalDouble expected(ColdScene scene, String tube) {
        return type(scene, tube).map(HeaterOhms::expected).orElse(OptionalDouble.empty());
    }

    private static String pins(ColdScene scene, String tube) {
        String pinout = type(scene, tube).map(TubeType::pinout).orElse("");
        List<String> pins = java.util.Arrays.stream(pinout.split(" "))
                .filter(p -> p.matches("[0-9]+=[hf][+-]?"))
                .map(p -> p.substring(0, p.indexOf('=')))
                .toList();
        return pins.isEmpty() ? "" : "pins " + String.join(" and ", pins);
    }

    @Override
    public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
        return PartTools.sum(
                scene,
                claims,
                figures,
                "Read each tube's heater, pulled or one at a time.",
                "A tube with an open heater is gone; in a series string it darkened all the others.",
                (subject, f) -> f.ohms("t." + subject).isPresent()
                                && f.ohms("t." + subject).getAsDouble() > 1000
                        ? Optional.of(new PartTools.One(
                                Verdict.BAD,
                                "tap open",
                                "the lamp's part is open: the lamp burnt out and its heater part followed"))
                        : f.ohms("o." + subject).stream()
                                .mapToObj(read -> one(scene, subject, read))
                                .findFirst());
    }

    private static PartTools.One one(ColdScene scene, String tube, double read) {
        String value = ColdTool.ohms(read);
        OptionalDouble expected = expected(scene, tube);
        if (expected.isEmpty()) {
            return Double.isInfinite(read)
                    ? new PartTools.One(Verdict.BAD, value, "open")
                    : new PartTools.One(Verdict.GOOD, value, "closed; the type's heater is not in the tube data");
        }
        return switch (HeaterOhms.judge(expected.getAsDouble(), read)) {
            case BAD -> new PartTools.One(Verdict.BAD, value, "open");
            case GOOD ->
                new PartTools.One(Verdict.GOOD, value, "cold, expected about " + ColdTool.ohms(expected.getAsDouble()));
            default ->
                new PartTools.One(
                        Verdict.DOUBT,
                        value,
                        read > expected.getAsDouble()
                                ? "high: dirty pins, or still warm"
                                : "low: another heater beside it, or shorted");
        };
    }
}
