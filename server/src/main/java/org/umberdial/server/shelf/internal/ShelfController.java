package org.umberdial.server.shelf.internal;

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
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.volts.NextAct;
import org.umberdial.core.volts.Verdict;
import org.umberdial.core.volts.VoltsJudge;
import org.umberdial.core.volts.VoltsReport;
import org.umberdial.server.readings.ReadingService;
import org.umberdial.server.security.Caller;
import org.umberdial.server.sets.SetService;
import org.umberdial.server.sets.StoredSet;
import org.umberdial.server.shop.Instrument;
import org.umberdial.server.shop.ShopService;

/** The shelf: every set, how far its voltages are, and the next act on it. */
@RestController
@RequestMapping("/api")
class ShelfController {
    record ShelfEntry(String id, String title, String ticket, String place, String waitsFor, String danger, boolean liveChassis, int points, int read, int wrong, int doubtful, String next, boolean nextPowered, Instant touchedAt) {}

    record NewSet(@NotNull UUID id, @NotBlank @Size(max = 120) String title, @Size(max = 40) String ticket, @Size(max = 80) String place, @Size(max = 160) String waitsFor, @NotNull ConstructionClass construction) {}

    record ClassView(ConstructionClass id, String label, String danger, boolean liveChassis) {}

    private final SetService sets;
    private final ReadingService readings;
    private final ShopService shops;

    ShelfController(SetService sets, ReadingService readings, ShopService shops) {
        this.sets = sets;
        this.readings = readings;
        this.shops = shops;
    }

    @GetMapping("/sets")
    List<ShelfEntry> shelf(@AuthenticationPrincipal Caller caller) {
        HousePolicy policy = shops.shop(caller.shopId()).policy();
        return sets.shelf(caller.shopId()).stream().map(set -> entry(caller, set, policy)).toList();
    }

    @PostMapping("/sets")
    ShelfEntry create(@AuthenticationPrincipal Caller caller, @Valid @RequestBody NewSet set) {
        HousePolicy policy = shops.shop(caller.shopId()).policy();
        Optional<String> instrument = shops.instruments(caller.shopId()).stream().filter(i -> !i.retired()).map(Instrument::id).findFirst();
        StoredSet.Label label = new StoredSet.Label(set.title, set.ticket, set.place, set.waitsFor);
        return entry(caller, sets.create(caller.shopId(), set.id.toString(), label, set.construction, policy.lineVolts(), instrument), policy);
    }

    @GetMapping("/construction-classes")
    List<ClassView> classes() {
        return Arrays.stream(ConstructionClass.values()).map(c -> new ClassView(c, c.label(), c.danger(), c.liveChassis())).toList();
    }

    private ShelfEntry entry(Caller caller, StoredSet set, HousePolicy policy) {
        VoltsReport report = VoltsJudge.judge(set.set(), readings.log(caller.shopId(), set.id()), policy, readings.bench(caller.shopId(), set));
        StoredSet.Label label = set.label();
        String next = report.next().map(NextAct::title).orElse("");
        return new ShelfEntry(set.id(), label.title(), label.ticket(), label.place(), label.waitsFor(), set.set().construction().danger(), set.set().construction().liveChassis(), report.points().size(), (int) report.points().stream().filter(p -> p.verdict() != Verdict.UNREAD).count(), count(report, Verdict.BAD), count(report, Verdict.DOUBT), next, report.next().map(NextAct::powered).orElse(false), set.touchedAt());
    }

    private static int count(VoltsReport report, Verdict verdict) {
        return (int) report.points().stream().filter(p -> p.verdict() == verdict).count();
    }
}
