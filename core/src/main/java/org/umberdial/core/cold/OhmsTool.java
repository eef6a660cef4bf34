package org.umberdial.core.cold;

import java.util.List;
import java.util.Optional;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.value.Unit;

/** Ohms across each part, against its own value; a control end to end, as one track. */
final class OhmsTool extends PartByPart {
    private final TestRow row;

    OhmsTool(TestRow row) {
        super(
                "Across each",
                row.passes().isEmpty() ? "" : "Good: " + row.passes() + ".",
                "Read across each part.",
                "Read it once more with a lead lifted before it is condemned.");
        this.row = row;
    }

    @Override
    List<String> subjects(ColdScene scene) {
        return PartTools.subjects(scene, row).stream()
                .filter(s -> PartTools.keeper(scene, s).equals(s))
                .toList();
    }

    @Override
    List<Cell> cells(ColdScene scene, String s) {
        return List.of(Cell.figure(
                "o." + s,
                "",
                Unit.OHM,
                PartTools.own(scene, s).isPresent()
                        ? ColdTool.ohms(PartTools.own(scene, s).getAsDouble())
                        : "closed"));
    }

    @Override
    Optional<One> one(ColdScene scene, String subject, Figures f) {
        return f.ohms("o." + PartTools.keeper(scene, subject)).stream()
                .mapToObj(read -> judged(scene, subject, read))
                .findFirst();
    }

    private One judged(ColdScene scene, String subject, double read) {
        String value = ColdTool.ohms(read);
        if (scene.set()
                .part(subject)
                .filter(p -> p.card().kind().equals("switch"))
                .isPresent()) {
            return read < 0.5
                    ? new One(Verdict.GOOD, value, "closes")
                    : read < 5
                            ? new One(Verdict.DOUBT, value, "clean it, then again")
                            : new One(Verdict.BAD, value, "does not close");
        }
        double own = PartTools.own(scene, subject).orElse(Double.NaN);
        if (Double.isNaN(own)) {
            return read > OPEN_OHMS
                    ? new One(Verdict.BAD, value, "open")
                    : new One(Verdict.GOOD, value, "closed; its value is not known");
        }
        boolean copper = scene.set()
                .part(subject)
                .filter(p -> p.card().letter() == 'L' || p.card().kind().equals("lamp"))
                .isPresent();
        double allowed = copper
                ? 0.3
                : scene.set().part(subject).map(p -> p.tolerance().fraction()).orElse(0.2);
        if (read > OPEN_OHMS || read > 20 * own + 50) {
            return new One(Verdict.BAD, value, copper ? "open: look at the lead-outs first" : "open");
        }
        double off = read / own - 1;
        String size = ColdTool.off(off, own);
        if (Math.abs(read - own) <= allowed * own + 0.5) {
            return new One(Verdict.GOOD, value, size);
        }
        return off > 0
                ? new One(
                        copper ? Verdict.DOUBT : Verdict.BAD, value, size + (copper ? ": a poor joint?" : ": drifted"))
                : new One(
                        Verdict.DOUBT,
                        value,
                        size
                                + (copper
                                        ? ": shorted turns, or a path beside it"
                                        : ": a path beside it, or lift a lead"));
    }
}
