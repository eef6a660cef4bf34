package org.umberdial.core.cold;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.tube.TubeType;
import org.umberdial.core.value.Unit;

/** Heaters against the tube data. */
final class HeatersTool extends PartByPart {
    HeatersTool() {
        super(
                "Heater pins",
                "Cold is about a seventh of hot, volts over amperes.",
                "Read each tube's heater, pulled or one at a time.",
                "A tube with an open heater is gone; in a series string it darkened all the others.");
    }

    @Override
    List<String> subjects(ColdScene scene) {
        return scene.roles().of(Role.HEATER);
    }

    @Override
    Optional<One> one(ColdScene scene, String subject, Figures f) {
        return f.ohms("t." + subject).isPresent() && f.ohms("t." + subject).getAsDouble() > 1000
                ? Optional.of(new One(
                        Verdict.BAD,
                        "tap open",
                        "the lamp's part is open: the lamp burnt out and its heater part followed"))
                : f.ohms("o." + subject).stream()
                        .mapToObj(read -> judged(scene, subject, read))
                        .findFirst();
    }

    @Override
    List<Cell> cells(ColdScene scene, String tube) {
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
        return scene.set().part(tube).flatMap(p -> scene.set().tubeType(p));
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

    private static One judged(ColdScene scene, String tube, double read) {
        String value = ColdTool.ohms(read);
        OptionalDouble expected = expected(scene, tube);
        if (expected.isEmpty()) {
            return read > OPEN_OHMS
                    ? new One(Verdict.BAD, value, "open")
                    : new One(Verdict.GOOD, value, "closed; the type's heater is not in the tube data");
        }
        return switch (HeaterOhms.judge(expected.getAsDouble(), read)) {
            case BAD -> new One(Verdict.BAD, value, "open");
            case GOOD -> new One(Verdict.GOOD, value, "cold, expected about " + ColdTool.ohms(expected.getAsDouble()));
            default ->
                new One(
                        Verdict.DOUBT,
                        value,
                        read > expected.getAsDouble()
                                ? "high: dirty pins, or still warm"
                                : "low: another heater beside it, or shorted");
        };
    }
}
