package org.umberdial.core.cold;

import java.util.List;
import java.util.Optional;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.procedure.BenchForm.Block;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.BenchForm.Choice;
import org.umberdial.core.procedure.Figures;

/** Passed or failed by eye, ear or another instrument. */
final class CheckTool implements ColdTool {
    private final TestRow row;

    CheckTool(TestRow row) {
        this.row = row;
    }

    @Override
    public List<Block> blocks(ColdScene scene, Figures figures) {
        return List.of(new Block(
                row.path() ? "Once" : "Each",
                "Good: " + row.passes() + ".",
                PartTools.lines(
                        scene,
                        PartTools.subjects(scene, row),
                        s -> List.of(
                                Cell.choice(
                                        "c." + s,
                                        "",
                                        new Choice("good", "good"),
                                        new Choice("doubt", "doubtful"),
                                        new Choice("bad", "bad")),
                                Cell.words("w." + s, "figures").asAside()))));
    }

    @Override
    public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
        return PartTools.sum(
                scene,
                claims,
                figures,
                "Say of each whether it is good.",
                "What fails goes on the list of what is replaced.",
                (subject, f) -> f.has("c." + subject)
                        ? Optional.of(new PartTools.One(
                                f.text("c." + subject).equals("good")
                                        ? Verdict.GOOD
                                        : f.text("c." + subject).equals("bad") ? Verdict.BAD : Verdict.DOUBT,
                                f.text("c." + subject),
                                f.text("w." + subject)))
                        : Optional.empty());
    }
}
