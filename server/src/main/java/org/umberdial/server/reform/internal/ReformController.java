package org.umberdial.server.reform.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
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
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.reform.ReformRun;
import org.umberdial.core.reform.ReformSetup;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;
import org.umberdial.core.value.ValueReader;
import org.umberdial.server.reform.ReformSeries;
import org.umberdial.server.reform.ReformService;
import org.umberdial.server.security.Caller;
import org.umberdial.server.shop.ShopService;

/** Electrolytics being formed. */
@RestController
@RequestMapping("/api/sets/{setId}/reforms")
class ReformController {
    /** @param leak in amperes */
    record ReformPoint(double seconds, double volts, double leak) {}

    /**
     * @param needs what the series resistor has to stand, in a sentence
     * @param ending why it ended; empty while it goes on
     */
    record ReformView(
            String id,
            String part,
            double workingVolts,
            String setup,
            String needs,
            Instant startedAt,
            @Schema(nullable = true) Instant endedAt,
            String ending,
            String author,
            ReformRun.State state,
            String stateLabel,
            String says,
            String leak,
            String heat,
            List<ReformPoint> points) {}

    /** As a form shows it. */
    record SetupView(String supplyVolts, String seriesOhms, String shuntOhms, String needs) {}

    record ReformStart(
            @NotNull UUID id,
            @NotNull @Size(max = 60) String part,
            @NotNull @Size(max = 20) String supplyVolts,
            @NotNull @Size(max = 20) String seriesOhms,
            @NotNull @Size(max = 20) String shuntOhms) {}

    /** @param millivolts across the shunt, @param volts across the capacitor, as typed */
    record SampleEdit(
            @NotNull @Size(max = 20) String millivolts,
            @NotNull @Size(max = 20) String volts,
            @Schema(nullable = true) Instant takenAt) {}

    /** @param id of the reading that is kept */
    record EndEdit(
            @NotNull UUID id, @NotNull @Size(max = 200) String why) {}

    private final ReformService reforms;
    private final ShopService shops;

    ReformController(ReformService reforms, ShopService shops) {
        this.reforms = reforms;
        this.shops = shops;
    }

    @GetMapping
    List<ReformView> runs(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        return reforms.runs(caller.shopId(), setId.toString()).stream()
                .map(run -> view(run, reforms.judge(caller.shopId(), setId.toString(), run)))
                .toList();
    }

    private static ReformView view(ReformSeries run, ReformRun judged) {
        ReformSetup setup = run.setup();
        return new ReformView(
                run.id(),
                run.part(),
                setup.workingVolts(),
                volts(setup.supplyVolts()) + " through " + ohms(setup.seriesOhms()) + ", shunt "
                        + ohms(setup.shuntOhms()),
                needs(setup),
                run.startedAt(),
                run.endedAt().orElse(null),
                run.ending(),
                run.author(),
                judged.state(),
                judged.state().label(),
                judged.says(),
                judged.leakAmperes().isPresent()
                        ? Engineering.print(judged.leakAmperes().getAsDouble(), Unit.AMPERE)
                        : "",
                Engineering.print(judged.watts(), Unit.WATT),
                run.samples().stream()
                        .map(s -> new ReformPoint(s.seconds(), s.volts(), s.shuntVolts() / setup.shuntOhms()))
                        .toList());
    }

    private static String needs(ReformSetup setup) {
        return "Should the capacitor be a dead short, the series resistor turns "
                + Engineering.print(setup.shortWatts(), Unit.WATT) + " into heat: take one that stands it.";
    }

    private static String volts(double volts) {
        return Engineering.round(volts, Unit.VOLT);
    }

    private static String ohms(double ohms) {
        return Engineering.round(ohms, Unit.OHM);
    }

    /** What a bench would take for this part. */
    @GetMapping("/usual")
    SetupView usual(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @RequestParam @Size(max = 60) String part) {
        ReformSetup setup = reforms.usual(caller.shopId(), setId.toString(), part);
        return new SetupView(
                Engineering.exact(setup.supplyVolts()),
                Engineering.exact(setup.seriesOhms()),
                Engineering.exact(setup.shuntOhms()),
                needs(setup));
    }

    @PostMapping
    List<ReformView> start(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody ReformStart start) {
        ReformSetup usual = reforms.usual(caller.shopId(), setId.toString(), start.part);
        reforms.start(
                caller,
                setId.toString(),
                start.id.toString(),
                start.part,
                new ReformSetup(
                        usual.farads(),
                        usual.workingVolts(),
                        read(caller, start.supplyVolts, Unit.VOLT, "supplyVolts"),
                        read(caller, start.seriesOhms, Unit.OHM, "seriesOhms"),
                        read(caller, start.shuntOhms, Unit.OHM, "shuntOhms")));
        return runs(caller, setId);
    }

    @PostMapping("/{run}/samples")
    List<ReformView> sample(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @PathVariable UUID run,
            @Valid @RequestBody SampleEdit sample) {
        reforms.add(
                caller,
                setId.toString(),
                run.toString(),
                read(caller, sample.volts, Unit.VOLT, "volts"),
                number(caller, sample.millivolts, "millivolts") / 1000,
                Optional.ofNullable(sample.takenAt));
        return runs(caller, setId);
    }

    @PostMapping("/{run}/ends")
    List<ReformView> end(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @PathVariable UUID run,
            @Valid @RequestBody EndEdit edit) {
        reforms.end(caller, setId.toString(), run.toString(), edit.id.toString(), edit.why.strip());
        return runs(caller, setId);
    }

    private double read(Caller caller, String typed, Unit unit, String field) {
        try {
            return new ValueReader(shops.shop(caller.shopId()).policy().decimalSign())
                    .read(typed, unit)
                    .value();
        } catch (InvalidEntry refused) {
            throw refused.at(field);
        }
    }

    private double number(Caller caller, String typed, String field) {
        try {
            return new ValueReader(shops.shop(caller.shopId()).policy().decimalSign())
                    .number(typed.replaceAll("(?i)\\s*mv$", ""));
        } catch (InvalidEntry refused) {
            throw refused.at(field);
        }
    }
}
