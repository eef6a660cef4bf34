package org.umberdial.core.cold;

import java.util.List;
import java.util.Optional;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.procedure.BenchForm.Block;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.BenchForm.Choice;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.value.Unit;

/** Diodes both ways. */
final class DiodesTool implements ColdTool {
    @Override
    public List<Block> blocks(ColdScene scene, Figures figures) {
        return List.of(new Block(
                "One end lifted",
                "Write 0 for a short, leave reverse empty or write a high figure when it shows open.",
                PartTools.lines(
                        scene,
                        scene.roles().of(Role.RECTIFIER_DIODE),
                        s -> List.of(
                                Cell.figure("f." + s, "forward", Unit.VOLT, "0.4 to 0.7 V"),
                                Cell.choice(
                                        "r." + s,
                                        "reverse",
                                        new Choice("open", "open"),
                                        new Choice("reads", "reads something"))))));
    }

    @Override
    public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
        return PartTools.sum(
                scene,
                claims,
                figures,
                "Read each diode both ways.",
                "After a blown fuse suspect its neighbours too, and the first filter capacitor.",
                (subject, f) -> f.number("f." + subject).isEmpty() || !f.has("r." + subject)
                        ? Optional.empty()
                        : Optional.of(one(
                                f.number("f." + subject).getAsDouble(),
                                f.text("r." + subject).equals("open"))));
    }

    static PartTools.One one(double forward, boolean reverseOpen) {
        String value = ColdTool.volts(forward);
        if (!reverseOpen) {
            return new PartTools.One(Verdict.BAD, value, forward < 0.1 ? "shorted" : "leaks backwards");
        }
        if (forward > 1.2) {
            return new PartTools.One(Verdict.BAD, value, "open");
        }
        return forward >= 0.35 && forward <= 0.85
                ? new PartTools.One(Verdict.GOOD, value, "silicon, sound at the meter's volts")
                : forward < 0.1
                        ? new PartTools.One(Verdict.BAD, value, "shorted")
                        : new PartTools.One(Verdict.DOUBT, value, "not usual for silicon");
    }
}
