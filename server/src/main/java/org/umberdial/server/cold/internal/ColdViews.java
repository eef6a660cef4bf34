package org.umberdial.server.cold.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.cold.Charge;
import org.umberdial.core.cold.ColdArea;
import org.umberdial.core.cold.ColdBench;
import org.umberdial.core.cold.ColdPlan;
import org.umberdial.core.cold.ColdScene;
import org.umberdial.core.cold.ColdTests;
import org.umberdial.core.cold.ColdVerdict;
import org.umberdial.core.cold.Roles;
import org.umberdial.core.cold.TestRow;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.instrument.Instrument;
import org.umberdial.core.procedure.BenchForm;
import org.umberdial.core.procedure.FormEntry;
import org.umberdial.core.tube.TubeData;
import org.umberdial.server.guide.ActView;
import org.umberdial.server.setfile.OpenSet;

/** What the cold bench shows, as the screens take it. */
final class ColdViews {
    private ColdViews() {}

    record ClaimView(String subject, String name, String aspect, boolean proven) {}

    record PlanStep(
            String id,
            String title,
            ColdPlan.State state,
            int minutes,
            List<ClaimView> adds,
            String reason,
            @Schema(nullable = true) Verdict word) {}

    record GapView(String needs, List<ClaimView> claims) {}

    record PlanView(
            int revision,
            String title,
            String danger,
            boolean liveChassis,
            String constructionLabel,
            Charge.State charge,
            double safeVolts,
            @Schema(nullable = true) String next,
            @Schema(nullable = true) ActView guide,
            List<PlanStep> steps,
            List<GapView> gaps,
            int minutesLeft,
            int proven,
            int claims,
            int parts) {}

    record ChoiceView(String id, String label) {}

    /** @param aside passed over when figures are entered one after another */
    record CellView(
            String key,
            String label,
            BenchForm.Kind kind,
            String unit,
            List<ChoiceView> choices,
            String expected,
            boolean aside) {}

    record FormLine(String label, String subject, List<CellView> cells) {}

    record BlockView(String title, String lead, List<FormLine> lines) {}

    record ResultView(
            String label,
            String value,
            String note,
            Verdict word,
            @Schema(nullable = true) Double at) {}

    record VerdictView(
            Verdict word,
            String sentence,
            List<String> arithmetic,
            List<ResultView> results,
            List<ClaimView> proves,
            List<ClaimView> refutes,
            List<ClaimView> doubts,
            String next) {}

    /** @param shown as it is read back: the word of a choice, a figure as typed */
    record PlacedView(String key, String text, String shown) {}

    static PlanView plan(OpenSet set) {
        ColdScene scene = ColdArea.scene(set.file());
        ColdBench bench = ColdArea.bench(set.file());
        ColdPlan plan = ColdArea.plan(set.file());
        List<Claim> all = ColdTests.all(scene);
        List<PlanStep> steps = plan.steps().stream()
                .map(step -> new PlanStep(
                        step.row().id(),
                        step.row().title(),
                        step.state(),
                        (int) Math.ceil(step.minutes()),
                        claims(scene, bench, step.adds()),
                        step.reason(),
                        step.done().map(done -> done.verdict().word()).orElse(null)))
                .toList();
        List<GapView> gaps = plan.unproven().stream()
                .map(gap -> new GapView(
                        gap.needs().stream().map(Equipment::label).collect(Collectors.joining(" and ")),
                        claims(scene, bench, gap.claims())))
                .toList();
        return new PlanView(
                set.revision(),
                set.stored().label().title(),
                set.danger(),
                set.liveChassis(),
                set.set().construction().label(),
                bench.charge(),
                scene.policy().safeVolts(),
                plan.next().map(step -> step.row().id()).orElse(null),
                ActView.next(set).orElse(null),
                steps,
                gaps,
                (int) Math.ceil(plan.minutesLeft()),
                (int) all.stream().filter(bench::proven).count(),
                all.size(),
                set.set().parts().size());
    }

    static List<PlacedView> placed(BenchForm form, FormEntry.Understood understood) {
        Map<String, BenchForm.Cell> cells = Entered.cells(form);
        return understood.placed().stream()
                .map(placed -> new PlacedView(
                        placed.key(),
                        placed.text(),
                        cells.get(placed.key()).choices().stream()
                                .filter(choice -> choice.id().equals(placed.text()))
                                .map(BenchForm.Choice::label)
                                .findFirst()
                                .orElse(placed.text())))
                .toList();
    }

    /** What it was read with last; else the first here that can read it. */
    static String instrument(OpenSet set, TestRow row, Optional<ColdBench.Done> last) {
        return last.map(ColdBench.Done::equipment)
                .filter(id -> !id.isEmpty())
                .or(() -> set.file().contents().kit().able(row.needs()).stream()
                        .map(Instrument::id)
                        .findFirst())
                .orElse("");
    }

    static BlockView view(BenchForm.Block block) {
        return new BlockView(
                block.title(),
                block.lead(),
                block.lines().stream()
                        .map(line -> new FormLine(
                                line.label(),
                                line.subject(),
                                line.cells().stream()
                                        .map(cell -> new CellView(
                                                cell.key(),
                                                cell.label(),
                                                cell.kind(),
                                                cell.kind() == BenchForm.Kind.FIGURE
                                                        ? cell.unit().symbol()
                                                        : "",
                                                cell.choices().stream()
                                                        .map(c -> new ChoiceView(c.id(), c.label()))
                                                        .toList(),
                                                cell.expected(),
                                                cell.aside()))
                                        .toList()))
                        .toList());
    }

    static VerdictView view(ColdScene scene, ColdBench bench, ColdVerdict v) {
        return new VerdictView(
                v.word(),
                v.sentence(),
                v.arithmetic(),
                v.results().stream().map(ColdViews::view).toList(),
                claims(scene, bench, v.proves()),
                claims(scene, bench, v.refutes()),
                claims(scene, bench, v.doubts()),
                v.next());
    }

    static ResultView view(ColdVerdict.Result r) {
        return new ResultView(
                r.label(), r.value(), r.note(), r.word(), r.at().isPresent() ? r.at().getAsDouble() : null);
    }

    static List<ClaimView> claims(ColdScene scene, ColdBench bench, List<Claim> claims) {
        return claims.stream()
                .map(claim -> new ClaimView(
                        claim.subject(),
                        name(scene, claim.subject()),
                        claim.aspect().label(),
                        bench.proven(claim)))
                .toList();
    }

    /** What people call a part: V4 for a tube, its reference with what it is for others. */
    private static String name(ColdScene scene, String subject) {
        if (subject.equals(Roles.CORD)) {
            return "line cord";
        }
        if (subject.equals(Roles.FUSE)) {
            return "line fuse";
        }
        return scene.set()
                .part(subject)
                .map(part -> part.card().kind().equals("tube")
                        ? subject.replaceFirst("(?i)^X", "").replaceAll("(?<=[0-9])[A-Z]$", "") + " "
                                + TubeData.bare(part.card().model())
                        : part.description().isEmpty() ? subject : subject + " " + part.description())
                .orElse(subject);
    }
}
