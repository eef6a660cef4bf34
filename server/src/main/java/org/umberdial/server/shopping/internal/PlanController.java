package org.umberdial.server.shopping.internal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.evidence.PartReplaced;
import org.umberdial.core.parts.PartRow;
import org.umberdial.core.policy.School;
import org.umberdial.core.recap.RecapPlan;
import org.umberdial.core.recap.Renewal;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;
import org.umberdial.server.shopping.ShoppingService;

/** What goes into a set. */
@RestController
@RequestMapping("/api/sets/{setId}/plan")
class PlanController {
    /** @param item as it is ordered; empty when nothing in the catalogue fits */
    record RenewalView(
            String reference,
            String called,
            String job,
            PartRow.Group group,
            String groupLabel,
            String marked,
            String state,
            String item,
            String how,
            List<String> why,
            List<String> cautions,
            String expect,
            int onHand,
            String because) {}

    record CanFitView(String can, List<String> sections, String sentence) {}

    record RecapView(
            int revision,
            List<String> schools,
            boolean listed,
            int fromStock,
            List<RenewalView> renewals,
            List<CanFitView> cans) {}

    record Listed(boolean listed) {}

    record FittedEdit(
            @NotNull UUID id,
            @NotNull @Size(max = 60) String part,
            @NotNull @Size(max = 200) String with,
            boolean standsIn) {}

    private final SetFiles files;
    private final ShoppingService shopping;

    PlanController(SetFiles files, ShoppingService shopping) {
        this.files = files;
        this.shopping = shopping;
    }

    @GetMapping
    RecapView plan(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        RecapPlan plan = RecapPlan.of(set.file());
        // One that lies in the drawer goes to the first part that wants it.
        Map<String, Integer> there = new HashMap<>(shopping.onHand(caller.shopId()));
        List<RenewalView> renewals =
                plan.renewals().stream().map(r -> view(r, there)).toList();
        return new RecapView(
                set.revision(),
                List.of(
                                School.Question.ELECTROLYTICS,
                                School.Question.PAPER,
                                School.Question.RESISTORS,
                                School.Question.FITTING)
                        .stream()
                        .map(question -> set.policy().schools().of(question).label())
                        .toList(),
                shopping.isListed(caller.shopId(), setId.toString()),
                (int) renewals.stream().filter(r -> r.onHand > 0).count(),
                renewals,
                plan.cans().stream()
                        .map(can -> new CanFitView(can.can(), can.sections(), can.sentence()))
                        .toList());
    }

    private static RenewalView view(Renewal renewal, Map<String, Integer> there) {
        PartRow row = renewal.row();
        int onHand = renewal.item().map(item -> there.getOrDefault(item, 0)).orElse(0);
        renewal.item().ifPresent(item -> there.computeIfPresent(item, (name, count) -> Math.max(0, count - 1)));
        return new RenewalView(
                row.reference(),
                row.called(),
                row.job(),
                row.group(),
                row.group().label(),
                row.marked(),
                row.state().label(),
                renewal.item().orElse(""),
                renewal.how(),
                renewal.why(),
                renewal.cautions(),
                renewal.expect(),
                onHand,
                row.because());
    }

    @PutMapping("/listed")
    RecapView list(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody Listed edit) {
        shopping.list(caller, setId.toString(), edit.listed);
        return plan(caller, setId);
    }

    /** A new part is in; one that lies in the drawer under that name is taken from there. */
    @PostMapping("/fitted")
    RecapView fitted(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody FittedEdit edit) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        if (set.set().part(edit.part.strip()).isEmpty()) {
            throw Problem.notFound("This part");
        }
        shopping.fitted(
                caller,
                setId.toString(),
                edit.id.toString(),
                new PartReplaced(edit.part.strip(), edit.with.strip(), edit.standsIn));
        return plan(caller, setId);
    }
}
