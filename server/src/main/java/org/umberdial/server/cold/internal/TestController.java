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
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.cold.Charge;
import org.umberdial.core.cold.ColdArea;
import org.umberdial.core.cold.ColdBench;
import org.umberdial.core.cold.ColdScene;
import org.umberdial.core.cold.ColdTests;
import org.umberdial.core.cold.ColdVerdict;
import org.umberdial.core.cold.TestRow;
import org.umberdial.core.instrument.Ability;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.procedure.BenchForm;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.procedure.FormEntry;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;
import org.umberdial.server.cold.ColdService;
import org.umberdial.server.instrument.InstrumentService;
import org.umberdial.server.instrument.ShopInstrument;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;

/** One test of the cold bench: what to enter, what it says, and keeping it. */
@RestController
@RequestMapping("/api/sets/{setId}/cold/tests/{test}")
class TestController {
    record BenchCaution(String when, String text, Caution.Level level, String deferTo) {}

    record CellFault(String key, String text) {}

    record MadeView(String id, Instant at, String sentence, Verdict word) {}

    record InstrumentChoice(String id, String name, Equipment kind, Unit unit, String says, boolean checkedLately) {}

    record TestView(
            String id,
            String title,
            String passes,
            String leaves,
            int minutes,
            List<String> steps,
            List<BenchCaution> cautions,
            List<ColdViews.ClaimView> claims,
            List<InstrumentChoice> instruments,
            List<String> lacking,
            List<MadeView> made,
            Map<String, String> typed,
            String instrument) {}

    /**
     * What the entry strip's line was understood as.
     *
     * @param to key of the row that was only named; else empty
     * @param fault why it has no place here; else empty
     */
    record EntryAnswer(List<ColdViews.PlacedView> placed, String to, String fault) {}

    /** The form and the verdict for what was typed so far, the strip's line with it. */
    record JudgedView(
            List<ColdViews.BlockView> blocks,
            ColdViews.VerdictView verdict,
            List<CellFault> faults,
            boolean asksControl,
            @Schema(nullable = true) EntryAnswer entry) {}

    /**
     * @param text of the entry strip, null when nothing is typed there
     * @param at key of the cell that is current
     * @param instrument it is read with; absent from browsers of earlier versions
     */
    record Draft(
            @NotNull @Size(max = 400) Map<String, @Size(max = 400) String> typed,
            @Size(max = 400) @Schema(nullable = true) String text,
            @Size(max = 80) @Schema(nullable = true) String at,
            @Size(max = 36) @Schema(nullable = true) String instrument) {}

    /** @param read keys of the figures that were read now; absent from browsers of earlier versions */
    record TestKept(
            @NotNull UUID id,
            @NotNull @Size(max = 400) Map<String, @Size(max = 400) String> typed,
            @Size(max = 400) @Schema(nullable = true) Set<@Size(max = 80) String> read,
            @NotNull @Size(max = 36) String instrument,
            @Schema(nullable = true) Instant takenAt) {}

    private final ColdService colds;
    private final SetFiles files;
    private final InstrumentService instruments;

    TestController(ColdService colds, SetFiles files, InstrumentService instruments) {
        this.colds = colds;
        this.files = files;
        this.instruments = instruments;
    }

    @GetMapping
    TestView test(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @PathVariable String test) {
        OpenSet set = set(caller, setId);
        TestRow row = row(test);
        ColdScene scene = ColdArea.scene(set.file());
        ColdBench bench = ColdArea.bench(set.file());
        Optional<ColdBench.Done> last = bench.last(test);
        Figures figures = last.map(ColdBench.Done::figures).orElse(new Figures(Map.of()));
        BenchForm form = ColdTests.form(scene, row, figures);
        List<InstrumentChoice> choices = set.instruments().stream()
                .filter(one ->
                        !one.instrument().retired() && row.needs().stream().anyMatch(one.instrument()::does))
                .map(one -> choice(row, one))
                .toList();
        Set<Equipment> here = set.file().contents().kit().kinds();
        List<String> lacking = row.needs().stream()
                .filter(kind -> !here.contains(kind))
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
                ColdViews.claims(scene, bench, ColdTests.claims(scene, row)),
                choices,
                lacking,
                made,
                Entered.typed(form, figures, set.policy().decimalSign()),
                ColdViews.instrument(set, row, last));
    }

    /** With how far it reaches in what this test needs, in words, and what it can do of that. */
    private InstrumentChoice choice(TestRow row, ShopInstrument one) {
        List<Ability> needed = one.instrument().abilities().stream()
                .filter(a -> row.needs().contains(a.kind()))
                .toList();
        return new InstrumentChoice(
                one.id(),
                one.instrument().name(),
                needed.get(0).kind(),
                needed.get(0).kind().unit(),
                needed.stream()
                        .map(Ability::says)
                        .filter(says -> !says.isEmpty())
                        .collect(Collectors.joining("; ")),
                instruments.checkedLately(one));
    }

    /** What was typed so far says; nothing is kept. */
    @PostMapping("/drafts")
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
                                Entered.of(scene, row, typed, set.policy().decimalSign())
                                        .figures()),
                        draft.text,
                        draft.at == null ? "" : draft.at);
        if (entry != null) {
            entry.placed.forEach(placed -> typed.put(placed.key(), placed.text()));
        }
        Entered entered = Entered.of(scene, row, typed, set.policy().decimalSign());
        List<CellFault> faults = new java.util.ArrayList<>(entered.faults().entrySet().stream()
                .map(e -> new CellFault(e.getKey(), e.getValue()))
                .toList());
        ColdVerdict verdict;
        try {
            verdict = ColdTests.judge(
                    scene,
                    row,
                    ColdService.readWith(
                            set,
                            row,
                            entered.figures(),
                            Optional.empty(),
                            draft.instrument == null ? "" : draft.instrument));
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
        List<ColdViews.BlockView> blocks = ColdTests.form(scene, row, entered.figures()).blocks().stream()
                .map(ColdViews::view)
                .toList();
        return new JudgedView(blocks, ColdViews.view(scene, bench, verdict), faults, verdict.surprising(), entry);
    }

    private static EntryAnswer understand(BenchForm form, String text, String at) {
        try {
            FormEntry.Understood understood = FormEntry.read(form, text, at);
            return new EntryAnswer(ColdViews.placed(form, understood), understood.to(), "");
        } catch (InvalidEntry refused) {
            return new EntryAnswer(List.of(), "", refused.getMessage());
        }
    }

    /** Keeps a test; the same id again changes nothing. */
    @PostMapping("/results")
    ColdViews.PlanView keep(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @PathVariable String test,
            @Valid @RequestBody TestKept kept) {
        OpenSet set = set(caller, setId);
        TestRow row = row(test);
        Entered entered = Entered.of(
                ColdArea.scene(set.file()), row, kept.typed, set.policy().decimalSign());
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
        return ColdViews.plan(set(caller, setId));
    }

    private OpenSet set(Caller caller, UUID setId) {
        return files.open(caller.shopId(), setId.toString());
    }

    private static TestRow row(String test) {
        return TestRow.of(test).orElseThrow(() -> Problem.notFound("This test"));
    }
}
