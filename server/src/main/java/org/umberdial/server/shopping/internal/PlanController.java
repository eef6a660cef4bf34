package org.umberdial.server.shopping.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
import org.umberdial.core.evidence.SchoolChosen;
import org.umberdial.core.parts.PartRow;
import org.umberdial.core.policy.School;
import org.umberdial.core.recap.RecapPlan;
import org.umberdial.core.recap.Renewal;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.catalogue.CatalogueService;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;
import org.umberdial.server.shopping.ShoppingService;

/** What goes into a set. */
@RestController
@RequestMapping("/api/sets/{setId}/plan")
class PlanController {
    /**
     * @param item as it is ordered; empty when nothing in the catalogue fits
     * @param price of all that goes in for it; null when nobody said of some of it
     */
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
            List<String> steps,
            String expect,
            int onHand,
            @Schema(nullable = true) BigDecimal price,
            String because) {}

    record CanFitView(String can, List<String> sections, String sentence) {}

    record SchoolOption(School id, String label, String why) {}

    /**
     * What schools differ on, and what this set follows.
     *
     * @param house the one of the house rules
     * @param own whether the set follows one of its own
     */
    record SetSchool(
            School.Question question,
            String label,
            School follows,
            School house,
            boolean own,
            List<SchoolOption> schools) {}

    record SchoolEdit(
            @NotNull UUID id,
            @NotNull School.Question question,
            @Schema(nullable = true) School school) {}

    record RecapView(
            int revision,
            List<SetSchool> schools,
            boolean listed,
            int fromStock,
            BigDecimal total,
            int unpriced,
            List<RenewalView> renewals,
            List<CanFitView> cans) {}

    record Listed(boolean listed) {}

    /** @param old what became of the old one; none when it is simply out */
    record FittedEdit(
            @NotNull UUID id,
            @NotNull @Size(max = 60) String part,
            @NotNull @Size(max = 200) String with,
            boolean standsIn,
            @Schema(nullable = true) PartReplaced.Old old) {}

    private final SetFiles files;
    private final ShoppingService shopping;
    private final EvidenceService evidence;
    private final CatalogueService catalogue;

    PlanController(SetFiles files, ShoppingService shopping, EvidenceService evidence, CatalogueService catalogue) {
        this.files = files;
        this.shopping = shopping;
        this.evidence = evidence;
        this.catalogue = catalogue;
    }

    @GetMapping
    RecapView plan(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        RecapPlan plan = RecapPlan.of(set.file());
        // One that lies in the drawer goes to the first part that wants it.
        Map<String, BigDecimal> prices = catalogue.prices(caller.shopId());
        Map<String, Integer> there = new HashMap<>(shopping.onHand(caller.shopId()));
        List<RenewalView> renewals =
                plan.renewals().stream().map(r -> view(r, there, prices)).toList();
        return new RecapView(
                set.revision(),
                Arrays.stream(School.Question.values())
                        .map(question -> school(set, question))
                        .toList(),
                shopping.isListed(caller.shopId(), setId.toString()),
                (int) renewals.stream().filter(r -> r.onHand > 0).count(),
                renewals.stream()
                        .filter(r -> r.price != null)
                        .map(RenewalView::price)
                        .reduce(BigDecimal.ZERO, BigDecimal::add),
                (int) renewals.stream().filter(r -> r.price == null).count(),
                renewals,
                plan.cans().stream()
                        .map(can -> new CanFitView(can.can(), can.sections(), can.sentence()))
                        .toList());
    }

    private static SetSchool school(OpenSet set, School.Question question) {
        School follows = set.policy().schools().of(question);
        School house = set.shop().policy().schools().of(question);
        return new SetSchool(
                question,
                question.label(),
                follows,
                house,
                follows != house,
                question.schools().stream()
                        .map(one -> new SchoolOption(one, one.label(), one.why()))
                        .toList());
    }

    private static RenewalView view(Renewal renewal, Map<String, Integer> there, Map<String, BigDecimal> prices) {
        PartRow row = renewal.row();
        int onHand = renewal.items().stream()
                .mapToInt(item -> there.getOrDefault(item, 0))
                .min()
                .orElse(0);
        renewal.items().forEach(item -> there.computeIfPresent(item, (name, count) -> Math.max(0, count - 1)));
        return new RenewalView(
                row.reference(),
                row.called(),
                row.job(),
                row.group(),
                row.group().label(),
                row.marked(),
                row.state().label(),
                renewal.item(),
                renewal.how(),
                renewal.why(),
                renewal.cautions(),
                renewal.steps(),
                renewal.expect(),
                onHand,
                CatalogueService.together(prices, renewal.items()).orElse(null),
                row.because());
    }

    @PutMapping("/listed")
    RecapView list(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody Listed edit) {
        shopping.list(caller, setId.toString(), edit.listed);
        return plan(caller, setId);
    }

    /** This set follows a school of its own; none, and the house's holds again. */
    @PostMapping("/schools")
    RecapView follow(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody SchoolEdit edit) {
        if (edit.school != null && edit.school.question() != edit.question) {
            throw new InvalidEntry(InvalidEntry.Code.SYNTAX, "That school answers another question.").at("school");
        }
        evidence.keep(
                caller,
                setId.toString(),
                edit.id.toString(),
                new SchoolChosen(edit.question, Optional.ofNullable(edit.school)),
                Optional.empty());
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
        String with = edit.with.strip();
        List<String> items = RecapPlan.of(set.file()).renewals().stream()
                .filter(r -> r.row().reference().equals(edit.part.strip())
                        && r.item().equals(with))
                .map(Renewal::items)
                .findFirst()
                .orElse(with.isEmpty() ? List.of() : List.of(with));
        shopping.fitted(
                caller,
                setId.toString(),
                edit.id.toString(),
                new PartReplaced(
                        edit.part.strip(), with, edit.standsIn, edit.old == null ? PartReplaced.Old.OUT : edit.old),
                items);
        return plan(caller, setId);
    }
}
