package org.umberdial.server.shelf.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.caution.Cautions;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.instrument.Instrument;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.Extra;
import org.umberdial.server.instrument.InstrumentService;
import org.umberdial.server.security.Caller;
import org.umberdial.server.sets.SetService;
import org.umberdial.server.sets.StoredSet;
import org.umberdial.server.shelf.ShelfService;
import org.umberdial.server.shop.ShopService;

/** The shelf: every set, how far it is, and the next act on it. */
@RestController
@RequestMapping("/api")
class ShelfController {
    private static final int LARGEST_PAGE = 100;

    record ShelfEntry(
            String id,
            String title,
            String ticket,
            String place,
            String waitsFor,
            @Schema(nullable = true) LocalDate waitsUntil,
            @Schema(nullable = true) LocalDate promisedFor,
            String owner,
            String danger,
            boolean liveChassis,
            int points,
            int read,
            int wrong,
            int doubtful,
            int stops,
            int conflicts,
            String stage,
            String next,
            boolean nextPowered,
            Instant touchedAt) {}

    record Shelf(List<ShelfEntry> entries, int total) {}

    record NewSet(
            @NotNull UUID id,
            @NotBlank @Size(max = 120) String title,
            @Size(max = 40) String ticket,
            @Size(max = 80) String place,
            @Size(max = 160) String waitsFor,
            @NotNull ConstructionClass construction,
            @Schema(nullable = true) Set<Extra> extras) {}

    record TakenIn(String id) {}

    record ClassView(ConstructionClass id, String label, String danger, boolean liveChassis, List<String> cautions) {}

    record ExtraView(Extra id, String label) {}

    private final SetService sets;
    private final ShelfService shelf;
    private final ShopService shops;
    private final InstrumentService instruments;

    ShelfController(SetService sets, ShelfService shelf, ShopService shops, InstrumentService instruments) {
        this.sets = sets;
        this.shelf = shelf;
        this.shops = shops;
        this.instruments = instruments;
    }

    /** @param find words that must all be said somewhere in a set */
    @GetMapping("/sets")
    Shelf shelf(
            @AuthenticationPrincipal Caller caller,
            @RequestParam(defaultValue = "") String find,
            @RequestParam(defaultValue = "0") int from,
            @RequestParam(defaultValue = "40") int size) {
        String words = find.substring(0, Math.min(200, find.length()));
        ShelfService.Page page =
                shelf.page(caller.shopId(), words, Math.max(0, from), Math.max(1, Math.min(LARGEST_PAGE, size)));
        return new Shelf(page.entries().stream().map(ShelfController::entry).toList(), page.total());
    }

    @PostMapping("/sets")
    TakenIn create(@AuthenticationPrincipal Caller caller, @Valid @RequestBody NewSet set) {
        HousePolicy policy = shops.shop(caller.shopId()).policy();
        Optional<String> instrument =
                InstrumentService.kit(instruments.instruments(caller.shopId()))
                        .able(Set.of(Equipment.VOLTMETER))
                        .stream()
                        .filter(i -> i.ability(Equipment.VOLTMETER)
                                .orElseThrow()
                                .input()
                                .isPresent())
                        .map(Instrument::id)
                        .findFirst();
        StoredSet.Label label = new StoredSet.Label(set.title, set.ticket, set.place, set.waitsFor);
        StoredSet made = sets.create(
                caller.shopId(), set.id.toString(), label, set.construction, policy.lineVolts(), instrument);
        if (set.extras != null
                && !set.extras.isEmpty()
                && made.arrival().extras().isEmpty()) {
            StoredSet.Arrival now = made.arrival();
            sets.arrival(
                    caller.shopId(),
                    made.id(),
                    new StoredSet.Arrival(
                            now.ownerName(),
                            now.ownerContact(),
                            now.plate(),
                            now.sheetOrigin(),
                            now.paper(),
                            EnumSet.copyOf(set.extras),
                            now.supply()),
                    made.version());
        }
        return new TakenIn(made.id());
    }

    @GetMapping("/construction-classes")
    List<ClassView> classes() {
        return Arrays.stream(ConstructionClass.values())
                .map(c -> new ClassView(
                        c,
                        c.label(),
                        c.danger(),
                        c.liveChassis(),
                        c.cautionsUnderPower().stream()
                                .limit(2)
                                .map(id -> Cautions.of(id).text())
                                .toList()))
                .toList();
    }

    @GetMapping("/extras")
    List<ExtraView> extras() {
        return Arrays.stream(Extra.values())
                .map(extra -> new ExtraView(extra, extra.label()))
                .toList();
    }

    private static ShelfEntry entry(ShelfService.Entry entry) {
        StoredSet.Label label = entry.label();
        ShelfService.Summary summary = entry.summary().orElseThrow();
        return new ShelfEntry(
                entry.id(),
                label.title(),
                label.ticket(),
                label.place(),
                label.waitsFor(),
                label.waitsUntil().orElse(null),
                label.promisedFor().orElse(null),
                entry.owner(),
                summary.danger(),
                summary.liveChassis(),
                summary.points(),
                summary.read(),
                summary.wrong(),
                summary.doubtful(),
                summary.stops(),
                summary.conflicts(),
                summary.stage(),
                summary.next(),
                summary.nextPowered(),
                entry.touchedAt());
    }
}
