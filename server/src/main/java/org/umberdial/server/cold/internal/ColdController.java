package org.umberdial.server.cold.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.caution.Caution;
import org.umberdial.core.caution.Cautions;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.cold.Charge;
import org.umberdial.core.cold.ColdArea;
import org.umberdial.core.cold.ColdBench;
import org.umberdial.core.cold.ColdEntry;
import org.umberdial.core.cold.ColdPlan;
import org.umberdial.core.cold.ColdScene;
import org.umberdial.core.cold.ColdTests;
import org.umberdial.core.cold.ColdVerdict;
import org.umberdial.core.cold.Roles;
import org.umberdial.core.cold.TestRow;
import org.umberdial.core.procedure.BenchForm;
import org.umberdial.core.procedure.Equipment;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.procedure.FormEntry;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.cold.ColdService;
import org.umberdial.server.equipment.EquipmentItem;
import org.umberdial.server.equipment.EquipmentService;
import org.umberdial.server.guide.ActView;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;

/** The plan of the cold bench and its tests: what to enter, what it says, and keeping it. */
@RestController
@RequestMapping("/api/sets/{setId}/cold")
class ColdController {
    record BenchCaution(String when, String text, Caution.Level level, String deferTo) {}

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

    record CellFault(String key, String text) {}

    record MadeView(String id, Instant at, String sentence, Verdict word) {}

    record InstrumentChoice(String id, String name, boolean checkedLately) {}

    record TestView(
            String id,
            String title,
            String passes,
            String leaves,
            int minutes,
            List<String> steps,
            List<BenchCaution> cautions,
            List<ClaimView> claims,
            List<InstrumentChoice> instruments,
            List<String> lacking,
            List<MadeView> made,
            Map<String, String> typed,
            String instrument) {}

    /** @param shown as it is read back: the word of a choice, a figure as typed */
    record PlacedView(String key, String text, String shown) {}

    /**
     * What the entry strip's line was understood as.
     *
     * @param to key of the row that was only named; else empty
     * @param fault why it has no place here; else empty
     */
    record EntryAnswer(List<PlacedView> placed, String to, String fault) {}

    /** The form and the verdict for what was typed so far, the strip's line with it. */
    record JudgedView(
            List<BlockView> blocks,
            VerdictView verdict,
            List<CellFault> faults,
            boolean asksControl,
            @Schema(nullable = true) EntryAnswer entry) {}

    /** A line typed on the entry strip while the cell {@code at} was current. */
    record StripLine(
            @NotNull @Size(max = 400) String text,
            @NotNull @Size(max = 80) String at) {}

    /**
     * @param text of the entry strip, null when nothing is typed there
     * @param at key of the cell that is current
     */
    record Draft(
            @NotNull @Size(max = 400) Map<String, @Size(max = 400) String> typed,
            @Size(max = 400) @Schema(nullable = true) String text,
            @Size(max = 80) @Schema(nullable = true) String at) {}

    /** A line typed on the plan. @param test that asks for it, @param typed the test's figures with these */
    record FoundView(
            String test,
            String title,
            String row,
            List<PlacedView> placed,
            String to,
            Map<String, String> typed,
            String instrument,
            @Schema(nullable = true) ResultView result,
            String fault) {}

    /** @param read keys of the figures that were read now; absent from browsers of earlier versions */
    record TestKept(
            @NotNull UUID id,
            @NotNull @Size(max = 400) Map<String, @Size(max = 400) String> typed,
            @Size(max = 400) @Schema(nullable = true) Set<@Size(max = 80) String> read,
            @NotNull @Size(max = 36) String instrument,
            @Schema(nullable = true) Instant takenAt) {}

    private final ColdService colds;
    private final SetFiles files;
    private final EquipmentService equipment;

    ColdController(ColdService colds, SetFiles files, EquipmentService equipment) {
        this.colds = colds;
        this.files = files;
        this.equipment = equipment;
    }

    @GetMapping
    PlanView plan(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        OpenSet set = set(caller, setId);
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

    @GetMapping("/tests/{test}")
    TestView test(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @PathVariable String test) {
        OpenSet set = set(caller, setId);
        TestRow row = row(test);
        ColdScene scene = ColdArea.scene(set.file());
        ColdBench bench = ColdArea.bench(set.file());
        Optional<ColdBench.Done> last = bench.last(test);
        Figures figures = last.map(ColdBench.Done::figures).orElse(new Figures(Map.of()));
        BenchForm form = ColdTests.form(scene, row, figures);
        List<EquipmentItem> items =
                set.equipment().stream().filter(item -> !item.retired()).toList();
        List<InstrumentChoice> instruments = items.stream()
                .filter(item -> row.needs().contains(item.kind()))
                .map(item -> new InstrumentChoice(item.id(), item.name(), equipment.checkedLately(item)))
                .toList();
        List<String> lacking = row.needs().stream()
                .filter(kind -> kind != Equipment.OHMMETER && items.stream().noneMatch(item -> item.kind() == kind))
                .map(Equipment::label)
                .toList();
        List<BenchCaution> cautions = form.cautions().stream()
                .map(Cautions::of)
                .map(c -> new BenchCaution(c.when(), c.text(), c.level(), c.deferTo()))
                .toList();
        List<MadeView> made = bench.done().stream()
                .filter(done -> done.row().id().equals(test))
                .map(done -> new MadeView(
                        done.id(),
                        done.at(),
                        done.verdict().sentence(),
                        done.verdict().word()))
                .toList();
        return new TestView(
                row.id(),
                row.title(),
                row.passes(),
                row.leaves(),
                (int) Math.ceil(row.minutes()),
                form.steps(),
                cautions,
                claims(scene, bench, ColdTests.claims(scene, row)),
                instruments,
                lacking,
                made,
                Entered.typed(form, figures, sign(set)),
                instrument(set, row, last));
    }

    /** What it was read with last; else the first here that can read it. */
    private static String instrument(OpenSet set, TestRow row, Optional<ColdBench.Done> last) {
        return last.map(ColdBench.Done::equipment)
                .filter(id -> !id.isEmpty())
                .or(() -> set.equipment().stream()
                        .filter(item -> !item.retired() && row.needs().contains(item.kind()))
                        .map(EquipmentItem::id)
                        .findFirst())
                .orElse("");
    }

    /** What was typed so far says; nothing is kept. */
    @PostMapping("/tests/{test}/drafts")
    JudgedView judge(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @PathVariable String test,
            @Valid @RequestBody Draft draft) {
        OpenSet set = set(caller, setId);
        TestRow row = row(test);
        ColdScene scene = ColdArea.scene(set.file());
        Map<String, String> typed = new LinkedHashMap<>(draft.typed);
        EntryAnswer entry = draft.text == null || draft.text.isBlank()
                ? null
                : understand(
                        ColdTests.form(
                                scene,
                                row,
                                Entered.of(scene, row, typed, sign(set)).figures()),
                        new StripLine(draft.text, draft.at == null ? "" : draft.at));
        if (entry != null) {
            entry.placed.forEach(placed -> typed.put(placed.key, placed.text));
        }
        Entered entered = Entered.of(scene, row, typed, sign(set));
        List<CellFault> faults = new java.util.ArrayList<>(entered.faults().entrySet().stream()
                .map(e -> new CellFault(e.getKey(), e.getValue()))
                .toList());
        ColdVerdict verdict;
        try {
            verdict = ColdTests.judge(scene, row, entered.figures());
        } catch (InvalidEntry refused) {
            faults.add(new CellFault(refused.field(), refused.getMessage()));
            verdict = new ColdVerdict(
                    Verdict.UNREAD,
                    "Mend the figure that is marked.",
                    List.of(),
                    List.of(),
                    List.of(),
                    List.of(),
                    List.of(),
                    "");
        }
        ColdBench bench = ColdArea.bench(set.file());
        if (row.readsOhms() && bench.charge() == Charge.State.THERE && verdict.word() != Verdict.UNREAD) {
            verdict = new ColdVerdict(
                    Verdict.NO_EXPECTATION,
                    Charge.refusal(scene.policy().safeVolts()),
                    List.of(),
                    List.of(),
                    List.of(),
                    List.of(),
                    List.of(),
                    "Discharge first.");
        }
        List<BlockView> blocks = ColdTests.form(scene, row, entered.figures()).blocks().stream()
                .map(ColdController::view)
                .toList();
        return new JudgedView(blocks, view(scene, bench, verdict), faults, verdict.surprising(), entry);
    }

    private static EntryAnswer understand(BenchForm form, StripLine line) {
        try {
            FormEntry.Understood understood = FormEntry.read(form, line.text, line.at);
            return new EntryAnswer(placed(form, understood), understood.to(), "");
        } catch (InvalidEntry refused) {
            return new EntryAnswer(List.of(), "", refused.getMessage());
        }
    }

    private static List<PlacedView> placed(BenchForm form, FormEntry.Understood understood) {
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

    /** Which test a line such as {@code R7 231k} belongs to, and what it would say; nothing is kept. */
    @PostMapping("/entry-previews")
    FoundView find(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody StripLine line) {
        OpenSet set = set(caller, setId);
        ColdScene scene = ColdArea.scene(set.file());
        ColdBench bench = ColdArea.bench(set.file());
        ColdEntry found = ColdEntry.find(scene, bench, ColdArea.plan(set.file()), line.text);
        TestRow row = found.row();
        Figures kept = ColdTests.standsBesideItself(row)
                ? new Figures(Map.of())
                : bench.last(row.id()).map(ColdBench.Done::figures).orElse(new Figures(Map.of()));
        BenchForm form = ColdTests.form(scene, row, kept);
        Map<String, String> typed = found.added(Entered.typed(form, kept, sign(set)));
        Entered entered = Entered.of(scene, row, typed, sign(set));
        String fault = row.readsOhms() && bench.charge() == Charge.State.THERE
                ? Charge.refusal(scene.policy().safeVolts())
                : entered.faults().values().stream().findFirst().orElse("");
        Optional<ColdVerdict.Result> result = fault.isEmpty()
                ? ColdTests.judge(scene, row, entered.figures()).results().stream()
                        .filter(one -> one.label().equals(found.line().label()))
                        .findFirst()
                : Optional.empty();
        return new FoundView(
                row.id(),
                row.title(),
                found.line().label(),
                placed(form, found.understood()),
                found.understood().to(),
                typed,
                instrument(set, row, bench.last(row.id())),
                result.map(ColdController::view).orElse(null),
                fault);
    }

    /** Keeps a test; the same id again changes nothing. */
    @PostMapping("/tests/{test}/results")
    PlanView keep(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @PathVariable String test,
            @Valid @RequestBody TestKept kept) {
        OpenSet set = set(caller, setId);
        TestRow row = row(test);
        Entered entered = Entered.of(ColdArea.scene(set.file()), row, kept.typed, sign(set));
        entered.faults().forEach((key, text) -> {
            throw new InvalidEntry(InvalidEntry.Code.NOT_A_NUMBER, text).at(key);
        });
        if (entered.figures().entered().isEmpty() && (kept.read == null || kept.read.isEmpty())) {
            throw new InvalidEntry(InvalidEntry.Code.EMPTY, "Enter what you read before it is kept.");
        }
        colds.keep(
                caller,
                set,
                kept.id.toString(),
                row,
                entered.figures(),
                Optional.ofNullable(kept.read),
                kept.instrument,
                Optional.ofNullable(kept.takenAt));
        return plan(caller, setId);
    }

    private OpenSet set(Caller caller, UUID setId) {
        return files.open(caller.shopId(), setId.toString());
    }

    private static DecimalSign sign(OpenSet set) {
        return set.policy().decimalSign();
    }

    private static TestRow row(String test) {
        return TestRow.of(test).orElseThrow(() -> Problem.notFound("This test"));
    }

    private static BlockView view(BenchForm.Block block) {
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

    private static VerdictView view(ColdScene scene, ColdBench bench, ColdVerdict v) {
        return new VerdictView(
                v.word(),
                v.sentence(),
                v.arithmetic(),
                v.results().stream().map(ColdController::view).toList(),
                claims(scene, bench, v.proves()),
                claims(scene, bench, v.refutes()),
                claims(scene, bench, v.doubts()),
                v.next());
    }

    private static ResultView view(ColdVerdict.Result r) {
        return new ResultView(
                r.label(), r.value(), r.note(), r.word(), r.at().isPresent() ? r.at().getAsDouble() : null);
    }

    private static List<ClaimView> claims(ColdScene scene, ColdBench bench, List<Claim> claims) {
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
