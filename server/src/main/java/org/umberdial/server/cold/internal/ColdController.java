package org.umberdial.server.cold.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.cold.Charge;
import org.umberdial.core.cold.ColdArea;
import org.umberdial.core.cold.ColdBench;
import org.umberdial.core.cold.ColdEntry;
import org.umberdial.core.cold.ColdScene;
import org.umberdial.core.cold.ColdTests;
import org.umberdial.core.cold.ColdVerdict;
import org.umberdial.core.cold.TestRow;
import org.umberdial.core.procedure.BenchForm;
import org.umberdial.core.procedure.Figures;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;

/** The plan of the cold bench, and a line typed on it. */
@RestController
@RequestMapping("/api/sets/{setId}/cold")
class ColdController {
    /** A line typed on the entry strip while the cell {@code at} was current. */
    record StripLine(
            @NotNull @Size(max = 400) String text,
            @NotNull @Size(max = 80) String at) {}

    /** A line typed on the plan. @param test that asks for it, @param typed the test's figures with these */
    record FoundView(
            String test,
            String title,
            String row,
            List<ColdViews.PlacedView> placed,
            String to,
            Map<String, String> typed,
            String instrument,
            @Schema(nullable = true) ColdViews.ResultView result,
            String fault) {}

    private final SetFiles files;

    ColdController(SetFiles files) {
        this.files = files;
    }

    @GetMapping
    ColdViews.PlanView plan(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        return ColdViews.plan(set(caller, setId));
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
        Map<String, String> typed =
                found.added(Entered.typed(form, kept, set.policy().decimalSign()));
        Entered entered = Entered.of(scene, row, typed, set.policy().decimalSign());
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
                ColdViews.placed(form, found.understood()),
                found.understood().to(),
                typed,
                ColdViews.instrument(set, row, bench.last(row.id())),
                result.map(ColdViews::view).orElse(null),
                fault);
    }

    private OpenSet set(Caller caller, UUID setId) {
        return files.open(caller.shopId(), setId.toString());
    }
}
