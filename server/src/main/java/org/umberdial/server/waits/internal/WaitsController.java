package org.umberdial.server.waits.internal;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.reform.ReformRun;
import org.umberdial.server.reform.ReformSeries;
import org.umberdial.server.reform.ReformService;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;
import org.umberdial.server.shopping.ShoppingService;

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

    record WaitsView(List<FormingWait> forming, List<PartsWait> parts) {}

    private final ReformService reforming;
    private final ShoppingService shopping;
    private final SetFiles files;
    private final Clock clock;

    WaitsController(ReformService reforming, ShoppingService shopping, SetFiles files, Clock clock) {
        this.reforming = reforming;
        this.shopping = shopping;
        this.files = files;
        this.clock = clock;
    }

    @GetMapping
    WaitsView waits(@AuthenticationPrincipal Caller caller) {
        List<FormingWait> forming = new ArrayList<>();
        for (String setId : reforming.running(caller.shopId())) {
            OpenSet set = files.open(caller.shopId(), setId);
            reforming.runs(caller.shopId(), setId).stream()
                    .filter(run -> run.endedAt().isEmpty())
                    .map(run -> forming(caller, set, run))
                    .forEach(forming::add);
        }
        return new WaitsView(
                forming,
                shopping.waits(caller.shopId()).stream()
                        .map(one -> new PartsWait(one.setId(), one.title(), one.onTheWay(), one.toBuy()))
                        .toList());
    }

    private FormingWait forming(Caller caller, OpenSet set, ReformSeries series) {
        ReformRun run = reforming.judge(caller.shopId(), set.id(), series);
        double last = series.samples().isEmpty()
                ? 0
                : series.samples().get(series.samples().size() - 1).seconds();
        Instant again = series.startedAt().plusMillis(Math.round(1000 * (last + run.readAgainSeconds())));
        return new FormingWait(
                set.id(),
                set.stored().label().title(),
                series.part(),
                run.state(),
                run.says(),
                again,
                !clock.instant().isBefore(again));
    }
}
