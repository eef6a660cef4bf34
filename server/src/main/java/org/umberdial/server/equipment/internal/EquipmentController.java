package org.umberdial.server.equipment.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
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
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.procedure.Equipment;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;
import org.umberdial.core.value.ValueReader;
import org.umberdial.server.equipment.EquipmentItem;
import org.umberdial.server.equipment.EquipmentService;
import org.umberdial.server.security.Caller;
import org.umberdial.server.shop.ShopService;

/** What the bench has, and what its instruments showed on known-good parts. */
@RestController
@RequestMapping("/api/equipment")
class EquipmentController {
    record CheckView(String part, String known, String shown, Instant at, String author, String says, Verdict word) {}

    record EquipmentView(
            String id,
            Equipment kind,
            String kindLabel,
            String name,
            boolean retired,
            int version,
            @Schema(nullable = true) CheckView lastCheck) {}

    record EquipmentKind(Equipment id, String label, String what) {}

    record EquipmentEdit(
            @NotNull UUID id,
            @NotNull Equipment kind,
            @NotBlank @Size(max = 120) String name,
            boolean retired,
            int version) {}

    record CheckEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 120) String part,
            @NotNull Unit unit,
            @NotBlank @Size(max = 40) String known,
            @NotBlank @Size(max = 40) String shown) {}

    private final EquipmentService equipment;
    private final ShopService shops;

    EquipmentController(EquipmentService equipment, ShopService shops) {
        this.equipment = equipment;
        this.shops = shops;
    }

    @GetMapping
    List<EquipmentView> equipment(@AuthenticationPrincipal Caller caller) {
        return equipment.items(caller.shopId()).stream()
                .map(one -> view(one, trust(caller)))
                .toList();
    }

    @GetMapping("/kinds")
    List<EquipmentKind> kinds() {
        return Arrays.stream(Equipment.values())
                .map(kind -> new EquipmentKind(kind, kind.label(), kind.what()))
                .toList();
    }

    @PostMapping
    List<EquipmentView> add(@AuthenticationPrincipal Caller caller, @Valid @RequestBody EquipmentEdit edit) {
        equipment.add(
                caller.shopId(),
                new EquipmentItem(edit.id.toString(), edit.kind, edit.name.strip(), false, 0, Optional.empty()));
        return equipment(caller);
    }

    @PutMapping
    List<EquipmentView> save(@AuthenticationPrincipal Caller caller, @Valid @RequestBody EquipmentEdit edit) {
        equipment.save(
                caller.shopId(),
                new EquipmentItem(
                        edit.id.toString(),
                        edit.kind,
                        edit.name.strip(),
                        edit.retired,
                        edit.version,
                        Optional.empty()));
        return equipment(caller);
    }

    @GetMapping("/{id}/checks")
    List<CheckView> checks(@AuthenticationPrincipal Caller caller, @PathVariable UUID id) {
        return equipment.checks(caller.shopId(), id.toString()).stream()
                .map(one -> view(one, trust(caller)))
                .toList();
    }

    /** A reading on a part known to be good; the same id again changes nothing. */
    @PostMapping("/{id}/checks")
    List<CheckView> check(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID id, @Valid @RequestBody CheckEdit edit) {
        ValueReader values =
                new ValueReader(shops.shop(caller.shopId()).policy().decimalSign());
        double known = read(values, edit.known, edit.unit, "known");
        if (!(known > 0)) {
            throw new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, "A known-good part has a value above zero.")
                    .at("known");
        }
        equipment.check(
                caller,
                id.toString(),
                new EquipmentItem.Check(
                        edit.id.toString(),
                        edit.part.strip(),
                        edit.unit,
                        known,
                        read(values, edit.shown, edit.unit, "shown"),
                        Instant.EPOCH,
                        ""));
        return checks(caller, id);
    }

    private static double read(ValueReader values, String text, Unit unit, String field) {
        try {
            return values.read(text, unit).value();
        } catch (InvalidEntry refused) {
            throw refused.at(field);
        }
    }

    private double trust(Caller caller) {
        return shops.shop(caller.shopId()).policy().cold().instrumentTrust();
    }

    private static EquipmentView view(EquipmentItem item, double trust) {
        return new EquipmentView(
                item.id(),
                item.kind(),
                item.kind().label(),
                item.name(),
                item.retired(),
                item.version(),
                item.lastCheck().map(check -> view(check, trust)).orElse(null));
    }

    private static CheckView view(EquipmentItem.Check check, double trust) {
        long off = Math.round(100 * Math.abs(check.off()));
        boolean trusted = Math.abs(check.off()) <= trust;
        String says = off == 0
                ? "reads it right"
                : "reads it " + off + " % " + (check.off() > 0 ? "high" : "low")
                        + (trusted ? "" : ": the instrument, its battery or its leads, before any part");
        return new CheckView(
                check.part(),
                Engineering.print(check.known(), check.unit()),
                Engineering.print(check.shown(), check.unit()),
                check.at(),
                check.author(),
                says,
                trusted ? Verdict.GOOD : Verdict.BAD);
    }
}
