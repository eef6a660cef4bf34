package org.umberdial.core.cold;

import java.util.List;
import java.util.Optional;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.BenchForm.Choice;
import org.umberdial.core.procedure.Figures;

/** Passed or failed by eye, ear or another instrument. */
final class CheckTool extends PartByPart {
    private final TestRow row;

    CheckTool(TestRow row) {
        super(
                row.path() ? "Once" : "Each",
                "Good: " + row.passes() + ".",
                "Say of each whether it is good.",
                "What fails goes on the list of what is replaced.");
        this.row = row;
    }

    @Override
    List<String> subjects(ColdScene scene) {
        return PartTools.subjects(scene, row);
    }

    @Override
    List<Cell> cells(ColdScene scene, String s) {
        return List.of(
                Cell.choice(
                        "c." + s,
                        "",
                        new Choice("good", "good"),
                        new Choice("doubt", "doubtful"),
                        new Choice("bad", "bad")),
                Cell.words("w." + s, "figures").asAside());
    }

    @Override
    Optional<One> one(ColdScene scene, String subject, Figures f) {
        return f.has("c." + subject)
                ? Optional.of(new One(
                        f.text("c." + subject).equals("good")
                                ? Verdict.GOOD
                                : f.text("c." + subject).equals("bad") ? Verdict.BAD : Verdict.DOUBT,
                        f.text("c." + subject),
                        f.text("w." + subject)))
                : Optional.empty();
    }
}
