package org.umberdial.server.finish.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Arrays;
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
import org.umberdial.core.evidence.BandSaid;
import org.umberdial.core.evidence.DialRead;
import org.umberdial.core.evidence.Fact;
import org.umberdial.core.finish.FinishArea;
import org.umberdial.core.tuning.Band;
import org.umberdial.core.tuning.DialCheck;
import org.umberdial.core.tuning.Dials;
import org.umberdial.core.tuning.Tracking;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.ValueReader;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;

/** A receiver's bands and their dials: what was read, how far it is off, what to turn. */
@RestController
@RequestMapping("/api/sets/{setId}/dials")
class DialController {
    /** @param oscillator where it runs for what comes in, @param image what it lets in beside [kHz] */
    record DialPoint(double dial, double actual, double offPercent, boolean right, double oscillator, double image) {}

    /** @param toRead points of the dial that were not read yet [kHz] */
    record DialBand(
            String name,
            double low,
            double high,
            double intermediate,
            boolean oscillatorAbove,
            List<DialPoint> points,
            List<DialPoint> before,
            List<Double> toRead,
            List<String> advice,
            boolean enough,
            boolean right) {}

    record DialsView(List<DialBand> bands, double apartPercent) {}

    /** Figures as they are typed. */
    record BandEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 20) String name,
            @NotNull @Size(max = 20) String low,
            @NotNull @Size(max = 20) String high,
            @NotNull @Size(max = 20) String intermediate,
            boolean oscillatorAbove) {}

    record DialEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 20) String band,
            @NotNull @Size(max = 20) String dial,
            @NotNull @Size(max = 20) String actual,
            @NotNull @Size(max = 60) String by) {}

    record TrackingPoint(double kilohertz, double offKilohertz) {}

    /** @param padderPicofarads null without one */
    record TrackingView(
            double signalMicrohenries,
            double oscillatorMicrohenries,
            @Schema(nullable = true) Double padderPicofarads,
            double trimmerPicofarads,
            List<Double> exact,
            List<TrackingPoint> errors) {}

    /** A dial further off than this is a slip of the pen. */
    private static final double MOST_OFF = 0.5;

    private final SetFiles files;
    private final EvidenceService evidence;

    DialController(SetFiles files, EvidenceService evidence) {
        this.files = files;
        this.evidence = evidence;
    }

    @GetMapping
    DialsView dials(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        double apart = set.policy().finish().dialApart();
        return new DialsView(
                FinishArea.dials(set.file()).all().stream()
                        .map(dial -> view(dial, apart, set.file().ledger().sound(dial.claim())))
                        .toList(),
                100 * apart);
    }

    private static DialBand view(Dials.Dial dial, double apart, boolean right) {
        BandSaid said = dial.band().said();
        return new DialBand(
                said.name(),
                said.lowKilohertz(),
                said.highKilohertz(),
                said.intermediateKilohertz(),
                said.oscillatorAbove(),
                dial.check().points().stream().map(p -> point(p, apart)).toList(),
                dial.before().stream().map(p -> point(p, apart)).toList(),
                Arrays.stream(dial.band().points())
                        .filter(point ->
                                dial.check().points().stream().noneMatch(p -> Math.abs(p.dial() / point - 1) < 0.02))
                        .boxed()
                        .toList(),
                dial.check().advice(),
                dial.check().enough(),
                right);
    }

    private static DialPoint point(DialCheck.Point point, double apart) {
        return new DialPoint(
                point.dial(),
                point.actual(),
                100 * point.off(),
                Math.abs(point.off()) <= apart,
                point.oscillator(),
                point.image());
    }

    private DialsView keep(Caller caller, UUID setId, UUID id, Fact fact) {
        evidence.keep(caller, setId.toString(), id.toString(), fact, Optional.empty());
        return dials(caller, setId);
    }

    @PostMapping("/bands")
    DialsView band(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody BandEdit edit) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        BandSaid said = new BandSaid(
                edit.name.strip(),
                kilohertz(set, "low", edit.low),
                kilohertz(set, "high", edit.high),
                edit.intermediate.isBlank() ? 0 : kilohertz(set, "intermediate", edit.intermediate),
                edit.oscillatorAbove);
        new Band(said);
        return keep(caller, setId, edit.id, said);
    }

    @PostMapping
    DialsView read(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody DialEdit edit) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        Band band = FinishArea.dials(set.file()).all().stream()
                .map(Dials.Dial::band)
                .filter(b -> b.said().name().equals(edit.band))
                .findFirst()
                .orElseThrow(() -> Problem.notFound("This band"));
        double dial = kilohertz(set, "dial", edit.dial);
        double actual = kilohertz(set, "actual", edit.actual);
        double margin = 0.1 * (band.said().highKilohertz() - band.said().lowKilohertz());
        if (!(dial >= band.said().lowKilohertz() - margin && dial <= band.said().highKilohertz() + margin)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            edit.dial + " kHz is not on the dial of " + edit.band
                                    + "; enter what the pointer shows, in kHz.")
                    .at("dial");
        }
        if (!(Math.abs(actual / dial - 1) <= MOST_OFF)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            edit.actual + " kHz where the dial shows " + edit.dial
                                    + "? Enter both in kHz; so far off is an image or another band.")
                    .at("actual");
        }
        return keep(caller, setId, edit.id, new DialRead(edit.band, dial, actual, edit.by.strip()));
    }

    /** Padder, trimmer and coils by which a band's oscillator keeps with its signal circuit. */
    @GetMapping("/tracking")
    TrackingView tracking(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @RequestParam String band,
            @RequestParam double leastPicofarads,
            @RequestParam(defaultValue = "3") int points) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        Band found = FinishArea.dials(set.file()).all().stream()
                .map(Dials.Dial::band)
                .filter(b -> b.said().name().equals(band))
                .findFirst()
                .orElseThrow(() -> Problem.notFound("This band"));
        double least = leastPicofarads * 1e-12;
        Tracking tracking = points == 2 ? Tracking.twoPoint(found, least) : Tracking.threePoint(found, least);
        return new TrackingView(
                tracking.signalHenries() * 1e6,
                tracking.oscillatorHenries() * 1e6,
                Double.isInfinite(tracking.padderFarads()) ? null : tracking.padderFarads() * 1e12,
                tracking.trimmerFarads() * 1e12,
                tracking.exact().stream().map(hertz -> hertz / 1000).toList(),
                tracking.errors().stream()
                        .map(e -> new TrackingPoint(e.signal() / 1000, e.off() / 1000))
                        .toList());
    }

    private static double kilohertz(OpenSet set, String field, String typed) {
        try {
            return new ValueReader(set.policy().decimalSign()).number(typed.strip());
        } catch (InvalidEntry refused) {
            throw refused.at(field);
        }
    }
}
