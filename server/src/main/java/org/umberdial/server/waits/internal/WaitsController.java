package org.umberdial.server.waits.internal;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.reform.ReformRun;
import org.umberdial.server.security.Caller;
import org.umberdial.server.shopping.ShoppingService;
import org.umberdial.server.waits.WaitService;

/** What the shop's sets wait for by themselves. */
@RestController
@RequestMapping("/api/waits")
class WaitsController {
    /**
     * A capacitor on its volts.
     *
     * @param says how it stands
     * @param readAgainAt when somebody should look
     * @param due whether that has come
     */
    record FormingWait(
            String setId,
            String set,
            String part,
            ReformRun.State state,
            String says,
            Instant readAgainAt,
            boolean due) {}

    record PartsWait(String setId, String set, int onTheWay, int toBuy) {}

    /** @param due whether it should be dry by now */
    record DryingWait(String setId, String set, String what, Instant until, boolean due) {}

    record WaitsView(List<FormingWait> forming, List<PartsWait> parts, List<DryingWait> drying) {}

    private final WaitService waits;
    private final ShoppingService shopping;
    private final Clock clock;

    WaitsController(WaitService waits, ShoppingService shopping, Clock clock) {
        this.waits = waits;
        this.shopping = shopping;
        this.clock = clock;
    }

    @GetMapping
    WaitsView waits(@AuthenticationPrincipal Caller caller) {
        return new WaitsView(
                waits.forming(caller.shopId()).stream().map(this::view).toList(),
                shopping.waits(caller.shopId()).stream()
                        .map(one -> new PartsWait(one.setId(), one.title(), one.onTheWay(), one.toBuy()))
                        .toList(),
                waits.drying(caller.shopId()).stream()
                        .map(one -> new DryingWait(one.setId(), one.set(), one.what(), one.until(), one.due()))
                        .toList());
    }

    private FormingWait view(WaitService.Forming one) {
        return new FormingWait(
                one.set().id(),
                one.set().stored().label().title(),
                one.series().part(),
                one.run().state(),
                one.run().says(),
                one.again(),
                !clock.instant().isBefore(one.again()));
    }
}
