package org.umberdial.server.power.internal;

import java.util.List;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.server.power.GoingRun;
import org.umberdial.server.power.RunService;
import org.umberdial.server.security.Caller;

/** Runs that go on, for every page of the shop. */
@RestController
@RequestMapping("/api/power-runs")
class GoingController {
    private final RunService runs;

    GoingController(RunService runs) {
        this.runs = runs;
    }

    @GetMapping
    List<GoingRun> going(@AuthenticationPrincipal Caller caller) {
        return runs.going(caller.shopId());
    }
}
