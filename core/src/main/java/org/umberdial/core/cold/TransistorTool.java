package org.umberdial.core.cold;

import java.util.List;
import java.util.OptionalDouble;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.procedure.BenchForm.Block;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.BenchForm.Choice;
import org.umberdial.core.procedure.BenchForm.Line;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.value.Unit;

/** A germanium transistor, apart from the circuit. */
final class TransistorTool implements ColdTool {
    @Override
    public List<Block> blocks(ColdScene scene, Figures figures) {
        return List.of(new Block(
                "The transistor",
                "",
                List.of(
                        new Line("Which", "", List.of(Cell.words("which", ""))),
                        junction("Base to emitter", "be"),
                        junction("Base to collector", "bc"),
                        new Line(
                                "Collector to emitter, base open",
                                "",
                                List.of(Cell.figure(
                                        "ce", "leak at the supply's volts", Unit.AMPERE, "under 0.5 mA"))))));
    }

    private static Line junction(String label, String key) {
        return new Line(
                label,
                "",
                List.of(
                        Cell.figure(key, "one way", Unit.VOLT, "0.15 to 0.35 V"),
                        Cell.choice(
                                key + "b",
                                "the other way",
                                new Choice("open", "open or high"),
                                new Choice("reads", "reads low"))));
    }

    @Override
    public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
        OptionalDouble be = figures.number("be");
        OptionalDouble bc = figures.number("bc");
        if (be.isEmpty() || bc.isEmpty()) {
            return ColdVerdict.wants("Read both junctions on the diode range.");
        }
        String which = figures.has("which") ? figures.text("which") : "It";
        if (be.getAsDouble() < 0.05
                || bc.getAsDouble() < 0.05
                || figures.text("beb").equals("reads")
                || figures.text("bcb").equals("reads")) {
            return ColdVerdict.bad(
                    which + " has a shorted or leaking junction.",
                    List.of(),
                    "Replace it; look first whether what drove it has failed.");
        }
        if (be.getAsDouble() > 1 || bc.getAsDouble() > 1) {
            return ColdVerdict.bad(which + " has an open junction.", List.of(), "Replace it.");
        }
        double leak = Math.abs(figures.number("ce").orElse(0));
        if (leak > 2e-3) {
            return ColdVerdict.doubt(
                    which + " leaks " + ColdTool.amperes(leak)
                            + ", which is much; old germanium leaks, and warmth doubles it every 10 °C.",
                    List.of(),
                    "Read its sisters in the same set first: only one that leaks far more than they do is bad.");
        }
        boolean germanium = be.getAsDouble() <= 0.45;
        return leak > 0.5e-3
                ? ColdVerdict.doubt(
                        which + " leaks " + ColdTool.amperes(leak) + "; it doubles for every 10 °C.",
                        List.of(),
                        "Warm it between two fingers and watch.")
                : ColdVerdict.good(
                        which + " is whole both ways" + (germanium ? "" : ", but reads like silicon")
                                + (figures.has("ce") ? "." : "; its leak was not read."),
                        List.of());
    }
}
