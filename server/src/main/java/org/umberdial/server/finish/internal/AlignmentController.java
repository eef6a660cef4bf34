package org.umberdial.server.finish.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.alignment.AlignStep;
import org.umberdial.core.alignment.Alignment;
import org.umberdial.core.alignment.ChassisLead;
import org.umberdial.core.alignment.Feed;
import org.umberdial.core.evidence.Aligned;
import org.umberdial.core.evidence.CurveRead;
import org.umberdial.core.evidence.Fact;
import org.umberdial.core.evidence.GearSaid;
import org.umberdial.core.evidence.LeadProven;
import org.umberdial.core.evidence.ReceiverSaid;
import org.umberdial.core.finish.FinishArea;
import org.umberdial.core.tuning.Dials;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.power.SignalBench;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;

/**
 * The alignment of a receiver: what it is, the steps, what was read before and after, curves, networked instruments.
 */
@RestController
@RequestMapping("/api/sets/{setId}/alignment")
class AlignmentController {
    record ReceiverEdit(
            @NotNull UUID id,
            @NotNull ReceiverSaid.Kind kind,
            @Min(0) @Max(6) int cans,
            @Min(0) @Max(6) int fmCans,
            @NotNull ReceiverSaid.Detector detector,
            @NotNull @Size(max = 10) Set<ReceiverSaid.@NotNull Has> has) {}

    record GearEdit(
            @NotNull UUID id,
            @NotNull GearSaid.Generator generator,
            @NotNull GearSaid.Meter meter,
            boolean counter) {}

    /** Readings as typed; empty when nothing was read. */
    record AlignStepEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 60) String step,
            @NotNull @Size(max = 20) String before,
            @NotNull @Size(max = 20) String after,
            @NotNull @Size(max = 300) String note) {}

    /** @param rows as typed: kilohertz and what was read, apart by a space, semicolon or tab, a line each */
    record AlignCurveEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 30) String name,
            @NotNull CurveRead.Sort sort,
            @NotNull @Size(max = 20) String wanted,
            @NotNull @Size(max = 6000) String rows) {}

    record LeadEdit(
            @NotNull UUID id,
            @NotNull @Size(max = 20) String volts,
            @NotNull @Size(max = 20) String turnedVolts,
            @NotNull @Size(max = 20) String ohms) {}

    /** @param microvolts as typed; empty for what the step begins with */
    record GiveEdit(
            @NotBlank @Size(max = 60) String step,
            @NotNull @Size(max = 20) String microvolts) {}

    record TurnEdit(
            @NotBlank @Size(max = 60) String core,
            @Min(-5) @Max(5) double turns) {}

    /** What the meters show; null for what none of them shows. */
    record MetersView(
            @Schema(nullable = true) Double output,
            @Schema(nullable = true) Double avc,
            @Schema(nullable = true) Double stabiliser,
            @Schema(nullable = true) Double balance) {}

    private static final double MOST_READING = 1e6;
    private static final double MOST_MICROVOLTS = 1e6;

    private final SetFiles files;
    private final EvidenceService evidence;
    private final SignalBench instruments;
    private final Gains gains;
    private final Clock clock;

    AlignmentController(SetFiles files, EvidenceService evidence, SignalBench instruments, Gains gains, Clock clock) {
        this.files = files;
        this.evidence = evidence;
        this.instruments = instruments;
        this.gains = gains;
        this.clock = clock;
    }

    private Alignment alignment(OpenSet set) {
        return Alignment.of(
                set.log(),
                FinishArea.dials(set.file()).all().stream()
                        .map(Dials.Dial::band)
                        .toList(),
                set.liveChassis(),
                gains.needed(set));
    }

    @GetMapping
    AlignmentViews.AlignmentView alignment(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        return AlignmentViews.of(set, alignment(set), instruments.can(caller.shopId()), clock.instant());
    }

    private AlignmentViews.AlignmentView keep(Caller caller, UUID setId, UUID id, Fact fact) {
        evidence.keep(caller, setId.toString(), id.toString(), fact, Optional.empty());
        return alignment(caller, setId);
    }

    @PostMapping("/receiver")
    AlignmentViews.AlignmentView receiver(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody ReceiverEdit edit) {
        return keep(
                caller, setId, edit.id, new ReceiverSaid(edit.kind, edit.cans, edit.fmCans, edit.detector, edit.has));
    }

    @PostMapping("/gear")
    AlignmentViews.AlignmentView gear(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody GearEdit edit) {
        return keep(caller, setId, edit.id, new GearSaid(edit.generator, edit.meter, edit.counter));
    }

    private AlignStep step(OpenSet set, String id) {
        return alignment(set).plan().step(id).orElseThrow(() -> Problem.notFound("This step"));
    }

    /** What puts an earthed lead on a chassis waits until its isolation is measured. */
    private void requireLead(OpenSet set, AlignStep step) {
        if (step.feed().clips()) {
            ChassisLead.bars(set.file(), clock.instant()).ifPresent(bars -> {
                throw new Problem(Problem.Kind.INVALID_ENTRY, bars);
            });
        }
    }

    @PostMapping("/steps")
    AlignmentViews.AlignmentView done(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody AlignStepEdit edit) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        AlignStep step = step(set, edit.step);
        requireLead(set, step);
        Typed typed = new Typed(set);
        return keep(
                caller,
                setId,
                edit.id,
                new Aligned(
                        step.id(),
                        step.title(),
                        reading(typed, "before", "What was read before", edit.before),
                        reading(typed, "after", "What was read after", edit.after),
                        step.unit(),
                        edit.note.strip()));
    }

    private static Optional<Double> reading(Typed typed, String field, String what, String text) {
        Optional<Double> value = typed.figure(field, what, text);
        value.filter(v -> !(Math.abs(v) < MOST_READING)).ifPresent(v -> {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE, what + " is larger than any meter shows here: " + text)
                    .at(field);
        });
        return value;
    }

    @PostMapping("/curves")
    AlignmentViews.AlignmentView curve(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody AlignCurveEdit edit) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        Typed typed = new Typed(set);
        double wanted = typed.figure("wanted", "The right middle", edit.wanted).orElse(0.0);
        if (!(wanted >= 0 && wanted < 1e6)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "The right middle is in kHz, as in 455 or 10700; leave it empty when nobody knows it.")
                    .at("wanted");
        }
        CurveRead read = new CurveRead(
                edit.name.strip().toUpperCase(Locale.ROOT), edit.sort, 1000 * wanted, points(typed, edit.rows));
        if (edit.sort == CurveRead.Sort.DETECTOR) {
            Alignment.s(read);
        } else {
            Alignment.response(read);
        }
        return keep(caller, setId, edit.id, read);
    }

    private static List<CurveRead.Point> points(Typed typed, String rows) {
        List<CurveRead.Point> points = new ArrayList<>();
        String[] lines = rows.split("\\R");
        for (int i = 0; i < lines.length; i++) {
            if (lines[i].isBlank()) {
                continue;
            }
            String[] cells = lines[i].strip().split("[\\s;]+");
            if (cells.length != 2) {
                throw new InvalidEntry(
                                InvalidEntry.Code.SYNTAX,
                                "Line " + (i + 1) + ": write the kilohertz, a space and what was read, as in 455 0.32.")
                        .at("rows");
            }
            double kilohertz = typed.required("rows", "Line " + (i + 1), cells[0]);
            double value = typed.required("rows", "Line " + (i + 1), cells[1]);
            if (!(kilohertz > 0 && kilohertz < 1e6 && Math.abs(value) < MOST_READING)) {
                throw new InvalidEntry(
                                InvalidEntry.Code.OUT_OF_RANGE,
                                "Line " + (i + 1) + ": a frequency above 0 in kHz, and a reading a meter can show.")
                        .at("rows");
            }
            points.add(new CurveRead.Point(1000 * kilohertz, value));
        }
        if (points.size() > 200) {
            throw new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, "At most 200 readings make a curve.").at("rows");
        }
        return points;
    }

    @PostMapping("/lead")
    AlignmentViews.AlignmentView lead(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody LeadEdit edit) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        Typed typed = new Typed(set);
        double volts = between(typed, "volts", "Volts one plug way", edit.volts, 0, 999);
        double turned = between(typed, "turnedVolts", "Volts, plug turned", edit.turnedVolts, 0, 999);
        double ohms = between(typed, "ohms", "The resistor", edit.ohms, 500, 5000);
        return keep(caller, setId, edit.id, new LeadProven(volts, turned, ohms));
    }

    private static double between(Typed typed, String field, String what, String text, double least, double most) {
        double value = typed.required(field, what, text);
        if (!(value >= least && value <= most)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            String.format(
                                    Locale.ROOT,
                                    "%s: enter %.0f to %.0f%s.",
                                    what,
                                    least,
                                    most,
                                    field.equals("ohms")
                                            ? " Ω; 1500 stands for a body, and a bare meter reads what leaks through air"
                                            : " V AC, without a sign"))
                    .at(field);
        }
        return value;
    }

    /** Sets the networked generator for a step. */
    @PostMapping("/generator")
    MetersView give(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody GiveEdit edit) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        AlignStep step = step(set, edit.step);
        requireLead(set, step);
        if (step.hertz().isEmpty()) {
            throw new InvalidEntry(InvalidEntry.Code.SYNTAX, "Nothing is fed in this step.").at("step");
        }
        double microvolts = new Typed(set)
                .figure("microvolts", "The generator’s level", edit.microvolts)
                .orElse(1e6 * step.volts().orElse(0));
        if (!(microvolts >= 0 && microvolts <= MOST_MICROVOLTS)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE, "The level is 0 to 1000000 µV; enter it in µV, as in 50.")
                    .at("microvolts");
        }
        boolean stopped = step.feed() == Feed.CONVERTER || step.feed() == Feed.LAST_IF || step.feed() == Feed.FM_MIXER;
        instruments.give(
                caller.shopId(),
                step.hertz().getAsDouble(),
                1e-6 * microvolts,
                step.feed().name(),
                step.dial().orElse(0),
                stopped ? "" : step.band());
        return meters(caller, setId);
    }

    /** Turns a core of a stand-in. */
    @PostMapping("/turns")
    MetersView turn(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody TurnEdit edit) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        if (alignment(set).plan().steps().stream().noneMatch(s -> s.cores().contains(edit.core))) {
            throw Problem.notFound("This core");
        }
        instruments.turn(caller.shopId(), edit.core, edit.turns);
        return meters(caller, setId);
    }

    @GetMapping("/meters")
    MetersView meters(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        files.open(caller.shopId(), setId.toString());
        Map<String, Double> shown = instruments.read(caller.shopId());
        return new MetersView(shown.get("output"), shown.get("avc"), shown.get("stabiliser"), shown.get("balance"));
    }
}
