package org.umberdial.server.volts.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.volts.Rehearsal;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;

/** The way of the probe, before there is power. */
@RestController
@RequestMapping("/api/sets/{setId}/rehearsal")
class RehearsalController {
    /** @param x to the right of the socket's middle, in radii, {@code y} below it; null where nobody knows */
    record RehearsedPinView(
            String name,
            @Schema(nullable = true) Double x,
            @Schema(nullable = true) Double y,
            String node,
            String says,
            boolean bites) {}

    record RehearsedSocketView(String name, String type, String shape, String mark, List<RehearsedPinView> pins) {}

    record RehearsedStepView(
            String node,
            String name,
            String where,
            String expects,
            String beside,
            List<String> easier,
            @Schema(nullable = true) RehearsedSocketView socket,
            String pin) {}

    record RehearsalView(String title, String danger, boolean liveChassis, List<RehearsedStepView> steps) {}

    private final SetFiles files;

    RehearsalController(SetFiles files) {
        this.files = files;
    }

    @GetMapping
    RehearsalView rehearsal(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        OpenSet open = files.open(caller.shopId(), setId.toString());
        return new RehearsalView(
                open.stored().label().title(),
                open.danger(),
                open.liveChassis(),
                Rehearsal.of(open.set(), open.file().contents().bench()).stream()
                        .map(RehearsalController::view)
                        .toList());
    }

    private static RehearsedStepView view(Rehearsal.Step step) {
        return new RehearsedStepView(
                step.point().node(),
                step.point().name(),
                step.where(),
                step.expects(),
                step.beside(),
                step.easier(),
                step.socket().map(RehearsalController::view).orElse(null),
                step.pin());
    }

    private static RehearsedSocketView view(Rehearsal.Socket socket) {
        return new RehearsedSocketView(
                socket.name(),
                socket.type(),
                socket.shape(),
                socket.mark(),
                socket.pins().stream()
                        .map(pin -> new RehearsedPinView(
                                pin.name(),
                                Double.isNaN(pin.x()) ? null : pin.x(),
                                Double.isNaN(pin.y()) ? null : pin.y(),
                                pin.node(),
                                pin.says(),
                                pin.bites()))
                        .toList());
    }
}
