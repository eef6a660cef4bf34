package org.umberdial.core.cold;

import java.util.List;
import java.util.Optional;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.BenchForm.Choice;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.value.Unit;

/** Diodes both ways. */
final class DiodesTool extends PartByPart {
    DiodesTool() {
        super(
                "One end lifted",
                "Write 0 for a short, leave reverse empty or write a high figure when it shows open.",
                "Read each diode both ways.",
                "After a blown fuse suspect its neighbours too, and the first filter capacitor.");
    }

    @Override
    List<String> subjects(ColdScene scene) {
        return scene.roles().of(Role.RECTIFIER_DIODE);
    }

    @Override
    List<Cell> cells(ColdScene scene, String s) {
        return List.of(
                Cell.figure("f." + s, "forward", Unit.VOLT, "0.4 to 0.7 V"),
                Cell.choice("r." + s, "reverse", new Choice("open", "open"), new Choice("reads", "reads something")));
    }

    @Override
    Optional<One> one(ColdScene scene, String subject, Figures f) {
        return f.number("f." + subject).isEmpty() || !f.has("r." + subject)
                ? Optional.empty()
                : Optional.of(judged(
                        f.number("f." + subject).getAsDouble(),
                        f.text("r." + subject).equals("open")));
    }

    private static One judged(double forward, boolean reverseOpen) {
        String value = ColdTool.volts(forward);
        if (!reverseOpen) {
            return new One(Verdict.BAD, value, forward < 0.1 ? "shorted" : "leaks backwards");
        }
        if (forward > 1.2) {
            return new One(Verdict.BAD, value, "open");
        }
        return forward >= 0.35 && forward <= 0.85
                ? new One(Verdict.GOOD, value, "silicon, sound at the meter's volts")
                : forward < 0.1
                        ? new One(Verdict.BAD, value, "shorted")
                        : new One(Verdict.DOUBT, value, "not usual for silicon");
    }
}
