package org.umberdial.core.cold;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.procedure.BenchForm.Block;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.value.Unit;

/** Selenium: its drop by cells. */
final class SeleniumTool implements ColdTool {
    private static final double LEAST = 0.5;
    private static final double MOST = 1.0;
    private static final double REVERSE = 2e-3;

    @Override
    public List<Block> blocks(ColdScene scene, Figures figures) {
        return List.of(new Block(
                "On the bench supply",
                "A fresh cell drops 0.6 to 1 V; an aged one more. Reverse through 10 kΩ.",
                PartTools.lines(
                        scene,
                        scene.roles().of(Role.RECTIFIER_SELENIUM),
                        s -> List.of(
                                Cell.number("n." + s, "cells in series", plates(scene, s)),
                                Cell.figure("f." + s, "forward", Unit.VOLT, ""),
                                Cell.figure("r." + s, "reverse", Unit.AMPERE, "under 2 mA")))));
    }

    private static String plates(ColdScene scene, String reference) {
        return scene.set()
                .part(reference)
                .map(p -> p.card().parameters().get("N"))
                .map(n -> ColdTool.text("%.0f", n))
                .orElse("count them");
    }

    @Override
    public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
        return PartTools.sum(
                scene,
                claims,
                figures,
                "Read its forward volts and reverse current.",
                "Never sniff it: failing selenium gives off poisonous fumes. Silicon in its place drops "
                        + "far less: calculate the peak before the tubes draw; a resistor does nothing until then.",
                (subject, f) -> {
                    double plates = f.number("n." + subject)
                            .orElse(scene.set()
                                    .part(subject)
                                    .map(p -> p.card().parameters().getOrDefault("N", 0.0))
                                    .orElse(0.0));
                    return f.number("f." + subject).isEmpty() || plates < 1
                            ? Optional.empty()
                            : Optional.of(
                                    one(f.number("f." + subject).getAsDouble() / plates, f.number("r." + subject)));
                });
    }

    private static PartTools.One one(double perPlate, OptionalDouble reverse) {
        String value = ColdTool.text("%.2f V a cell", perPlate);
        if (reverse.isPresent() && Math.abs(reverse.getAsDouble()) > REVERSE) {
            return new PartTools.One(
                    Verdict.BAD, value, "passes " + ColdTool.amperes(Math.abs(reverse.getAsDouble())) + " backwards");
        }
        return perPlate < 0.2
                ? new PartTools.One(Verdict.BAD, value, "shorted")
                : perPlate > 1.5 * MOST
                        ? new PartTools.One(Verdict.BAD, value, "aged out: B+ will be low, and it will run hot")
                        : perPlate > MOST
                                ? new PartTools.One(Verdict.DOUBT, value, "aged")
                                : perPlate < LEAST
                                        ? new PartTools.One(Verdict.DOUBT, value, "some cells are bridged")
                                        : new PartTools.One(
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
