package org.umberdial.server.standing.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.server.standing.StandingService;

/** What every screen says of the machine, when there is something to say. */
@RestController
@RequestMapping("/api")
class StandingController {
    record StandingView(
            @Schema(nullable = true) String space,
            @Schema(nullable = true) EventView event) {}

    record EventView(Instant at, String sentence) {}

    private final StandingService standing;

    StandingController(StandingService standing) {
        this.standing = standing;
    }

    @GetMapping("/standing")
    StandingView standing() {
        return new StandingView(
                standing.warning().orElse(null),
                standing.event()
                        .map(event -> new EventView(event.at(), event.sentence()))
                        .orElse(null));
    }
}
