package org.umberdial.server.arrival.internal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
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
import org.umberdial.core.arrival.Originality;
import org.umberdial.core.arrival.Worth;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.WorthSaid;
import org.umberdial.core.parts.PartRow;
import org.umberdial.core.parts.WorkOrder;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.recap.RecapPlan;
import org.umberdial.core.recap.Renewal;
import org.umberdial.core.set.Can;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.ValueReader;
import org.umberdial.server.catalogue.CatalogueService;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;

/** Whether a set is worth it, and what its date codes and cans say. */
@RestController
@RequestMapping("/api/sets/{setId}")
class WorthController {
    record WorthLine(
            String job,
            String label,
            int count,
            double each,
            BigDecimal priceEach,
            double hours,
            BigDecimal price,
            BigDecimal cost) {}

    record RareView(String subject, String name, Worth.State state, String why) {}

    record WorthView(
            Worth.Verdict verdict,
            String reason,
            List<WorthLine> lines,
            List<RareView> rare,
            double hours,
            BigDecimal parts,
            BigDecimal total,
            BigDecimal ceiling,
            List<String> arithmetic,
            BigDecimal value,
            BigDecimal sentiment,
            boolean known,
            String money,
            BigDecimal hourRate) {}

    /** Money as typed; {@code job} empty when only the worth itself is said. */
    record WorthEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 20) String value,
            @NotNull @Size(max = 20) String sentiment) {}

    record JobEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 40) String job,
            @NotBlank @Size(max = 20) String hours,
            @NotBlank @Size(max = 20) String price) {}

    record DatedPart(String reference, String code, Originality.Kind kind, String reason) {}

    record CanView(String name, String common, String remark, List<CanSection> sections) {}

    record CanSection(String reference, String mark, String live) {}

    record OriginalityView(String year, List<DatedPart> parts, List<CanView> cans) {}

    private final EvidenceService journals;
    private final SetFiles files;
    private final CatalogueService catalogue;

    WorthController(EvidenceService journals, SetFiles files, CatalogueService catalogue) {
        this.journals = journals;
        this.files = files;
        this.catalogue = catalogue;
    }

    @GetMapping("/worth")
    WorthView worth(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        HousePolicy policy = set.policy();
        Worth worth = Worth.of(set.file(), planned(caller, set));
        WorthSaid said = said(set.log());
        return new WorthView(
                worth.verdict(),
                worth.reason(),
                worth.lines().stream()
                        .map(l -> new WorthLine(
                                l.job(), l.label(), l.count(), l.each(), l.priceEach(), l.hours(), l.price(), l.cost()))
                        .toList(),
                worth.rare().stream()
                        .map(r -> new RareView(r.subject(), r.name(), r.state(), r.why()))
                        .toList(),
                worth.hours(),
                worth.parts(),
                worth.total(),
                worth.ceiling(),
                worth.arithmetic(),
                said.value(),
                said.sentiment(),
                said.known(),
                policy.money(),
                policy.hourRate());
    }

    private Worth.Planned planned(Caller caller, OpenSet set) {
        Map<String, BigDecimal> prices = catalogue.prices(caller.shopId());
        BigDecimal priced = BigDecimal.ZERO;
        List<Worth.Planned.Usual> unpriced = new ArrayList<>();
        List<Renewal> renewals = RecapPlan.of(set.file()).renewals();
        for (Renewal renewal : renewals) {
            Optional<BigDecimal> price = CatalogueService.together(prices, renewal.items());
            if (price.isPresent()) {
                priced = priced.add(price.get());
            } else {
                unpriced.add(usual(renewal.row().kind()));
            }
        }
        double minutes = WorkOrder.of(set.file()).tasks().stream()
                .filter(task -> task.kind() == WorkOrder.Kind.REPLACE)
                .mapToDouble(WorkOrder.Task::minutes)
                .sum();
        return new Worth.Planned(renewals.size(), minutes / 60, priced, unpriced);
    }

    private static Worth.Planned.Usual usual(PartRow.Kind kind) {
        return switch (kind) {
            case CAPACITOR -> Worth.Planned.Usual.RECAP_PAPER;
            case ELECTROLYTIC -> Worth.Planned.Usual.RECAP_ELECTROLYTIC;
            case RESISTOR -> Worth.Planned.Usual.RESISTOR;
            case TUBE -> Worth.Planned.Usual.TUBE;
            case CONTROL, WOUND, OTHER -> Worth.Planned.Usual.SWITCH;
        };
    }

    @PostMapping("/worth")
    WorthView say(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody WorthEdit edit) {
        WorthSaid now = said(files.open(caller.shopId(), setId.toString()).log());
        WorthSaid said = new WorthSaid(
                amount(caller, setId, edit.value, "value", 1e7),
                edit.sentiment.isBlank() ? BigDecimal.ZERO : amount(caller, setId, edit.sentiment, "sentiment", 1e7),
                true,
                now.hours(),
                now.prices());
        journals.keep(caller, setId.toString(), edit.id.toString(), said, Optional.empty());
        return worth(caller, setId);
    }

    /** Reckons a job differently for this set. */
    @PostMapping("/worth-jobs")
    WorthView job(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody JobEdit edit) {
        WorthSaid now = said(files.open(caller.shopId(), setId.toString()).log());
        Map<String, Double> hours = new HashMap<>(now.hours());
        Map<String, BigDecimal> prices = new HashMap<>(now.prices());
        hours.put(edit.job, amount(caller, setId, edit.hours, "hours", 500).doubleValue());
        prices.put(edit.job, amount(caller, setId, edit.price, "price", 1e6));
        journals.keep(
                caller,
                setId.toString(),
                edit.id.toString(),
                new WorthSaid(now.value(), now.sentiment(), now.known(), hours, prices),
                Optional.empty());
        return worth(caller, setId);
    }

    @GetMapping("/originality")
    OriginalityView originality(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        Map<String, String> codes = new LinkedHashMap<>();
        set.set()
                .parts()
                .forEach(part -> part.card()
                        .key("date")
                        .filter(code -> !code.isBlank())
                        .ifPresent(code -> codes.put(part.reference(), code)));
        Originality judged = Originality.of(codes);
        List<CanView> cans = Can.of(set.set()).stream()
                .map(can -> new CanView(
                        can.name(),
                        can.common(),
                        can.remark(),
                        can.sections().stream()
                                .map(s -> new CanSection(
                                        s.reference(), s.mark(), set.set().nameOf(s.live())))
                                .toList()))
                .toList();
        return new OriginalityView(
                judged.year().map(String::valueOf).orElse(""),
                judged.parts().stream()
                        .map(p -> new DatedPart(p.reference(), p.code(), p.kind(), p.reason()))
                        .toList(),
                cans);
    }

    private static WorthSaid said(EvidenceLog journal) {
        return journal.latest(WorthSaid.class).orElse(WorthSaid.NOTHING);
    }

    private BigDecimal amount(Caller caller, UUID setId, String text, String field, double most) {
        double value;
        try {
            value = new ValueReader(files.open(caller.shopId(), setId.toString())
                            .policy()
                            .decimalSign())
                    .number(text.strip());
        } catch (InvalidEntry refused) {
            throw refused.at(field);
        }
        if (!(value >= 0 && value <= most)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "“" + text.strip() + "” cannot be; write an amount from 0 to " + Math.round(most) + ".")
                    .at(field);
        }
        return BigDecimal.valueOf(value).setScale(2, RoundingMode.HALF_EVEN).stripTrailingZeros();
    }
}
