package org.umberdial.server.arrival.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
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
import org.umberdial.core.arrival.ArrivalArea;
import org.umberdial.core.arrival.TakeApart;
import org.umberdial.core.evidence.Closed;
import org.umberdial.core.evidence.Control;
import org.umberdial.core.evidence.ControlFound;
import org.umberdial.core.evidence.Fact;
import org.umberdial.core.evidence.ItemKind;
import org.umberdial.core.evidence.PutBack;
import org.umberdial.core.evidence.Spot;
import org.umberdial.core.evidence.TakenOff;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.SetFiles;
import org.umberdial.server.sets.SetService;

/** The take-apart register and the reassembly list it makes. */
@RestController
@RequestMapping("/api/sets/{setId}")
class RegisterController {
    record SpotView(String photo, double x, double y) {}

    record RegisterItem(
            String id,
            int order,
            String title,
            String where,
            String act,
            int belong,
            int absent,
            int back,
            int open,
            boolean done,
            boolean control,
            @Schema(nullable = true) SpotView spot,
            @Schema(nullable = true) TakenView taken) {}

    /** An entry as it was typed. */
    record TakenView(ItemKind kind, String what, int count, int absent, String place, String ends, String fault) {}

    record RegisterView(
            List<RegisterItem> items,
            List<RegisterItem> reassembly,
            List<String> alarms,
            int left,
            @Schema(nullable = true) String closed) {}

    record SpotEdit(@NotNull UUID photo, double x, double y) {}

    record ItemEdit(
            @NotNull UUID id,
            @NotNull ItemKind kind,
            @NotNull @Size(max = 120) String what,
            @Min(0) @Max(500) int count,
            @Min(0) @Max(500) int absent,
            @NotNull @Size(max = 120) String place,
            @NotNull @Size(max = 120) String ends,
            @NotNull @Size(max = 200) String fault,
            @Schema(nullable = true) @Valid SpotEdit spot,
            @Schema(nullable = true) Instant takenAt) {}

    record ControlEdit(
            @NotNull UUID id,
            @NotNull Control control,
            @NotNull @Size(max = 80) String name,
            @NotBlank @Size(max = 120) String position,
            boolean hidden,
            @Schema(nullable = true) @Valid SpotEdit spot,
            @Schema(nullable = true) Instant takenAt) {}

    record PutBackEdit(
            @NotNull UUID id,
            @NotNull UUID entry,
            @Min(1) @Max(500) int count) {}

    record ClosingEdit(
            @NotNull UUID id,
            @NotNull @Size(max = 300) String leftOver,
            @NotNull @Size(max = 300) String reason) {}

    private final SetService sets;
    private final EvidenceService journal;
    private final SetFiles files;

    RegisterController(EvidenceService journal, SetService sets, SetFiles files) {
        this.files = files;
        this.sets = sets;
        this.journal = journal;
    }

    @GetMapping("/register")
    RegisterView register(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        sets.set(caller.shopId(), setId.toString());
        TakeApart register = ArrivalArea.state(
                        files.open(caller.shopId(), setId.toString()).file())
                .register();
        return new RegisterView(
                register.items().stream().map(RegisterController::view).toList(),
                register.reassembly().stream().map(RegisterController::view).toList(),
                register.alarms(),
                (int) register.items().stream().filter(item -> !item.done()).count(),
                register.closed().map(Closed::sentence).orElse(null));
    }

    @PostMapping("/register-items")
    RegisterView takeOff(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody ItemEdit edit) {
        journal.keep(caller, setId.toString(), edit.id.toString(), fact(edit), Optional.ofNullable(edit.takenAt));
        return register(caller, setId);
    }

    /** Corrects an entry; the log keeps both. */
    @PutMapping("/register-items/{entry}")
    RegisterView correct(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @PathVariable UUID entry,
            @Valid @RequestBody ItemEdit edit) {
        journal.correct(caller, setId.toString(), edit.id.toString(), entry.toString(), fact(edit));
        return register(caller, setId);
    }

    @PostMapping("/controls-found")
    RegisterView control(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody ControlEdit edit) {
        Fact fact =
                new ControlFound(edit.control, edit.name.strip(), edit.position.strip(), edit.hidden, spot(edit.spot));
        journal.keep(caller, setId.toString(), edit.id.toString(), fact, Optional.ofNullable(edit.takenAt));
        return register(caller, setId);
    }

    @PostMapping("/put-backs")
    RegisterView putBack(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody PutBackEdit edit) {
        TakeApart.Item item =
                ArrivalArea.state(files.open(caller.shopId(), setId.toString()).file()).register().items().stream()
                        .filter(i -> i.id().equals(edit.entry.toString()))
                        .findFirst()
                        .orElseThrow(() -> Problem.notFound("This entry of the register"));
        journal.keep(
                caller,
                setId.toString(),
                edit.id.toString(),
                new PutBack(item.id(), item.title(), edit.count),
                Optional.empty());
        return register(caller, setId);
    }

    /** Takes every tick of an item back. */
    @PostMapping("/put-backs/{entry}/withdrawals")
    RegisterView untick(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @PathVariable UUID entry) {
        files.open(caller.shopId(), setId.toString()).log().standing(PutBack.class).stream()
                .filter(put -> put.fact().entry().equals(entry.toString()))
                .forEach(put -> journal.withdraw(
                        caller, setId.toString(), UUID.randomUUID().toString(), put.id()));
        return register(caller, setId);
    }

    /** Calls the set closed. With something left over or missing it takes a written reason. */
    @PostMapping("/closings")
    RegisterView close(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody ClosingEdit edit) {
        List<String> alarms = ArrivalArea.state(
                        files.open(caller.shopId(), setId.toString()).file())
                .register()
                .alarms();
        boolean open = !alarms.isEmpty() || !edit.leftOver.isBlank();
        if (open && edit.reason.isBlank()) {
            String what = alarms.isEmpty()
                    ? "something is left over"
                    : alarms.get(0) + (alarms.size() > 1 ? " and " + (alarms.size() - 1) + " more" : "");
            throw new InvalidEntry(
                            InvalidEntry.Code.CONFLICT,
                            "Not closed: " + what + ". Settle it, or write why the set is closed all the same.")
                    .at("reason");
        }
        journal.keep(
                caller,
                setId.toString(),
                edit.id.toString(),
                new Closed(edit.leftOver.strip(), edit.reason.strip()),
                Optional.empty());
        return register(caller, setId);
    }

    private static TakenOff fact(ItemEdit edit) {
        if (edit.count + edit.absent == 0) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "None came off and none is missing: count at least one, or write how many were "
                                    + "missing already.")
                    .at("count");
        }
        return new TakenOff(
                edit.kind,
                edit.what.strip(),
                edit.count,
                edit.absent,
                edit.place.strip(),
                edit.ends.strip(),
                edit.fault.strip(),
                spot(edit.spot));
    }

    static Optional<Spot> spot(SpotEdit edit) {
        if (edit == null) {
            return Optional.empty();
        }
        if (!(edit.x >= 0 && edit.x <= 1 && edit.y >= 0 && edit.y <= 1)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "The mark lies outside its picture; tap on the picture itself.")
                    .at("spot");
        }
        return Optional.of(new Spot(edit.photo.toString(), edit.x, edit.y));
    }

    static SpotView view(Spot spot) {
        return new SpotView(spot.photo(), spot.x(), spot.y());
    }

    private static RegisterItem view(TakeApart.Item item) {
        return new RegisterItem(
                item.id(),
                item.order(),
                item.title(),
                item.where(),
                item.act(),
                item.belong(),
                item.absent(),
                item.back(),
                item.open(),
                item.done(),
                item.control(),
                item.spot().map(RegisterController::view).orElse(null),
                item.taken()
                        .map(t -> new TakenView(
                                t.item(), t.what(), t.count(), t.absent(), t.place(), t.ends(), t.fault()))
                        .orElse(null));
    }
}
