package org.umberdial.core.cold;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.value.Unit;

/** Selenium: its drop by cells. */
final class SeleniumTool extends PartByPart {
    private static final double LEAST = 0.5;
    private static final double MOST = 1.0;
    private static final double REVERSE = 2e-3;

    SeleniumTool() {
        super(
                "On the bench supply",
                "A fresh cell drops 0.6 to 1 V; an aged one more. Reverse through 10 kΩ.",
                "Read its forward volts and reverse current.",
                "Never sniff it: failing selenium gives off poisonous fumes. Silicon in its place drops "
                        + "far less: calculate the peak before the tubes draw; a resistor does nothing until then.");
    }

    @Override
    List<String> subjects(ColdScene scene) {
        return scene.roles().of(Role.RECTIFIER_SELENIUM);
    }

    @Override
    List<Cell> cells(ColdScene scene, String s) {
        return List.of(
                Cell.number("n." + s, "cells in series", plates(scene, s)),
                Cell.figure("f." + s, "forward", Unit.VOLT, ""),
                Cell.figure("r." + s, "reverse", Unit.AMPERE, "under 2 mA"));
    }

    @Override
    Optional<One> one(ColdScene scene, String subject, Figures f) {
        double plates = f.number("n." + subject)
                .orElse(scene.set()
                        .part(subject)
                        .map(p -> p.card().parameters().getOrDefault("N", 0.0))
                        .orElse(0.0));
        return f.number("f." + subject).isEmpty() || plates < 1
                ? Optional.empty()
                : Optional.of(judged(f.number("f." + subject).getAsDouble() / plates, f.number("r." + subject)));
    }

    private static String plates(ColdScene scene, String reference) {
        return scene.set()
                .part(reference)
                .map(p -> p.card().parameters().get("N"))
                .map(n -> ColdTool.text("%.0f", n))
                .orElse("count them");
    }

    private static One judged(double perPlate, OptionalDouble reverse) {
        String value = ColdTool.text("%.2f V a cell", perPlate);
        if (reverse.isPresent() && Math.abs(reverse.getAsDouble()) > REVERSE) {
            return new One(
                    Verdict.BAD, value, "passes " + ColdTool.amperes(Math.abs(reverse.getAsDouble())) + " backwards");
        }
        return perPlate < 0.2
                ? new One(Verdict.BAD, value, "shorted")
                : perPlate > 1.5 * MOST
                        ? new One(Verdict.BAD, value, "aged out: B+ will be low, and it will run hot")
                        : perPlate > MOST
                                ? new One(Verdict.DOUBT, value, "aged")
                                : perPlate < LEAST
                                        ? new One(Verdict.DOUBT, value, "some cells are bridged")
                                        : new One(
                                                Verdict.GOOD,
                                                value,
                                                reverse.isPresent()
                                                        ? "fresh enough"
                                                        : "forward only; reverse not read");
    }

    @Override
    public List<String> cautions(ColdScene scene) {
        return List.of("selenium_fumes");
    }
}
