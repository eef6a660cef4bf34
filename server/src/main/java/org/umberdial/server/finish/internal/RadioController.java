package org.umberdial.server.finish.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.alignment.ChassisLead;
import org.umberdial.core.caution.Cautions;
import org.umberdial.core.evidence.LevelRead;
import org.umberdial.core.evidence.RadioRead;
import org.umberdial.core.radio.GainCheck;
import org.umberdial.core.radio.GainPoint;
import org.umberdial.core.radio.StageGains;
import org.umberdial.core.tuning.IntermediateFrequency;
import org.umberdial.core.tuning.RadioPower;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;

/** Gain stage by stage, and the figures of radio frequency: power, modulation, crystals, preselectors. */
@RestController
@RequestMapping("/api/sets/{setId}")
class RadioController {
    /** @param expectedMicrovolts for 50 mW at the speaker; null where it is not known, @param readMicrovolts as read */
    record GainPointView(
            String id,
            String words,
            String tube,
            @Schema(nullable = true) Double expectedMicrovolts,
            @Schema(nullable = true) Double readMicrovolts,
            @Schema(nullable = true) Double watts) {}

    record GainStageView(
            String id,
            String title,
            String from,
            double typical,
            double low,
            double high,
            String basis,
            boolean usual,
            @Schema(nullable = true) Double measured,
            GainCheck.Verdict verdict,
            String says) {}

    record GainsView(
            List<GainPointView> points,
            List<GainStageView> stages,
            List<String> lacks,
            double intermediateKilohertz,
            double quality,
            boolean qualityMeasured,
            double speakerOhms,
            String caution) {}

    /** @param volts across the voice coil, as typed; empty for 50 mW */
    record LevelEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 40) String point,
            @NotNull @Size(max = 20) String microvolts,
            @NotNull @Size(max = 20) String speakerVolts) {}

    record RadioReading(RadioRead.What what, String label, String name, double value, String unit, String from) {}

    record RadioView(List<RadioReading> readings, String caution) {}

    /**
     * A figure to reckon and keep.
     *
     * @param first volts, widest height, counted kilohertz or level at the peak
     * @param second ohms, narrowest height, marked kilohertz or level beside it
     */
    record RadioEdit(
            @NotNull UUID id,
            @NotNull RadioRead.What what,
            @NotNull RadioPower.Volts volts,
            @NotNull @Size(max = 40) String name,
            @NotNull @Size(max = 20) String first,
            @NotNull @Size(max = 20) String second) {}

    /** @param rated watts the load stands without end, @param joules it takes beyond */
    record KeyedEdit(
            @NotNull @Size(max = 20) String watts,
            @NotNull @Size(max = 20) String rated,
            @NotNull @Size(max = 20) String joules) {}

    record KeyedView(boolean endless, double seconds, String says) {}

    record CountedEdit(
            @NotNull @Size(max = 20) String oscillator,
            @NotNull @Size(max = 20) String signal) {}

    record CountedView(double kilohertz, double withinKilohertz, List<String> says) {}

    private final SetFiles files;
    private final EvidenceService evidence;
    private final Gains gains;
    private final Clock clock;

    RadioController(SetFiles files, EvidenceService evidence, Gains gains, Clock clock) {
        this.clock = clock;
        this.files = files;
        this.evidence = evidence;
        this.gains = gains;
    }

    @GetMapping("/gains")
    GainsView gains(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        double ohms = gains.speakerOhms(set);
        Map<String, LevelRead> levels = Gains.levels(set);
        Optional<StageGains> reckoned = gains.of(set);
        return new GainsView(
                reckoned.map(StageGains::points).orElse(List.of()).stream()
                        .map(point -> point(reckoned.get(), point, levels, ohms))
                        .toList(),
                reckoned.map(g -> GainCheck.of(g, levels, ohms).stages()).orElse(List.of()).stream()
                        .map(RadioController::stage)
                        .toList(),
                reckoned.map(StageGains::lacks)
                        .orElse(List.of("Gains are reckoned from the circuit: enter it, and its volts first.")),
                gains.data(set).hertz() / 1000,
                gains.data(set).quality(),
                gains.data(set).measured(),
                ohms,
                set.liveChassis() ? Cautions.of("live_chassis").text() : "");
    }

    private static GainPointView point(StageGains gains, GainPoint point, Map<String, LevelRead> levels, double ohms) {
        OptionalDouble expected = gains.expectedVolts(point, Math.sqrt(Gains.STANDARD_WATTS * ohms));
        Optional<LevelRead> read = Optional.ofNullable(levels.get(point.id()));
        return new GainPointView(
                point.id(),
                point.words(),
                point.tube(),
                expected.isPresent() ? 1e6 * expected.getAsDouble() : null,
                read.map(r -> 1e6 * r.volts()).orElse(null),
                read.map(LevelRead::watts).orElse(null));
    }

    private static GainStageView stage(GainCheck.Stage stage) {
        return new GainStageView(
                stage.expected().id(),
                stage.expected().title(),
                stage.expected().from().id(),
                stage.expected().typical(),
                stage.expected().low(),
                stage.expected().high(),
                stage.expected().basis(),
                stage.expected().usual(),
                stage.measured().isPresent() ? stage.measured().getAsDouble() : null,
                stage.verdict(),
                stage.says());
    }

    @PostMapping("/gains")
    GainsView level(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody LevelEdit edit) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        ChassisLead.bars(set.file(), clock.instant()).ifPresent(bars -> {
            throw new Problem(Problem.Kind.INVALID_ENTRY, bars);
        });
        GainPoint point = gains.of(set).map(StageGains::points).orElse(List.of()).stream()
                .filter(p -> p.id().equals(edit.point))
                .findFirst()
                .orElseThrow(() -> Problem.notFound("This place"));
        Typed typed = new Typed(set);
        double microvolts = typed.required("microvolts", "The generator’s level", edit.microvolts);
        double ohms = gains.speakerOhms(set);
        double volts = typed.figure("speakerVolts", "Volts at the voice coil", edit.speakerVolts)
                .orElse(Math.sqrt(Gains.STANDARD_WATTS * ohms));
        if (!(microvolts > 0 && microvolts <= 1e8)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "A level is above 0 and at most 100 V; enter it in µV, as in 35.")
                    .at("microvolts");
        }
        if (!(volts > 0 && volts <= 50)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "The voice coil has 0 to 50 V; enter what the output meter shows, as in 0.4.")
                    .at("speakerVolts");
        }
        evidence.keep(
                caller,
                setId.toString(),
                edit.id.toString(),
                new LevelRead(point.id(), point.words(), 1e-6 * microvolts, volts * volts / ohms),
                Optional.empty());
        return gains(caller, setId);
    }

    @GetMapping("/radio-readings")
    RadioView readings(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        return new RadioView(
                set.log().standing(RadioRead.class).stream()
                        .map(s -> s.fact())
                        .map(r -> new RadioReading(
                                r.what(),
                                r.what().label(),
                                r.name(),
                                r.value(),
                                r.what().unit(),
                                r.from()))
                        .toList(),
                Cautions.of("rf_power").text());
    }

    @PostMapping("/radio-readings")
    RadioView reading(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody RadioEdit edit) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        Typed typed = new Typed(set);
        double first = typed.required("first", "The first figure", edit.first);
        double second = typed.required("second", "The second figure", edit.second);
        RadioRead.What what = edit.what;
        double value = switch (what) {
            case POWER -> RadioPower.watts(first, edit.volts, second);
            case PEAK_POWER -> RadioPower.watts(first, RadioPower.Volts.PEAK_TO_PEAK, second);
            case DEPTH -> 100 * RadioPower.depth(first, second);
            case CRYSTAL -> RadioPower.partsPerMillion(1000 * first, 1000 * second);
            case PRESELECTOR_GAIN -> RadioPower.decibels(second, first);
            case PRESELECTOR_REJECTION -> RadioPower.decibels(second, first);
        };
        evidence.keep(
                caller,
                setId.toString(),
                edit.id.toString(),
                new RadioRead(what, edit.name.strip(), value, from(edit)),
                Optional.empty());
        return readings(caller, setId);
    }

    private static String from(RadioEdit edit) {
        return switch (edit.what) {
            case POWER -> edit.first.strip() + " V " + edit.volts.label() + ", " + edit.second.strip() + " Ω";
            case PEAK_POWER -> edit.first.strip() + " V peak to peak, " + edit.second.strip() + " Ω";
            case DEPTH -> "heights " + edit.first.strip() + " and " + edit.second.strip();
            case CRYSTAL -> edit.first.strip() + " kHz counted, " + edit.second.strip() + " kHz marked";
            case PRESELECTOR_GAIN ->
                edit.first.strip() + " µV with it, " + edit.second.strip() + " µV without, for the same reading";
            case PRESELECTOR_REJECTION ->
                edit.first.strip() + " µV at its peak, " + edit.second.strip() + " µV beside, for the same reading";
        };
    }

    /** How long a dummy load may be keyed. */
    @PostMapping("/radio-readings/keyed")
    KeyedView keyed(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody KeyedEdit edit) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        Typed typed = new Typed(set);
        double watts = typed.required("watts", "The power", edit.watts);
        double rated = typed.required("rated", "What the load stands", edit.rated);
        double joules = typed.figure("joules", "What it stores", edit.joules).orElse(0.0);
        if (!(watts > 0 && joules >= 0)) {
            throw new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, "Power is above 0 W, as in 40.").at("watts");
        }
        double seconds = RadioPower.keyedSeconds(watts, rated, joules);
        if (Double.isInfinite(seconds)) {
            return new KeyedView(true, 0, "The load stands it without end.");
        }
        return new KeyedView(
                false,
                seconds,
                seconds > 0
                        ? String.format(
                                Locale.ROOT,
                                "Key for %.0f s at most, then let the load cool as long as it takes to be lukewarm.",
                                Math.floor(seconds))
                        : "More than the load stands, and nobody said for how long: do not key into it.");
    }

    /** The intermediate frequency by a counter on the oscillator. */
    @PostMapping("/radio-readings/intermediate")
    CountedView counted(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody CountedEdit edit) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        Typed typed = new Typed(set);
        IntermediateFrequency found = IntermediateFrequency.counted(
                1000 * typed.required("oscillator", "The oscillator", edit.oscillator),
                1000 * typed.required("signal", "The signal", edit.signal));
        return new CountedView(found.hertz() / 1000, found.within() / 1000, found.says());
    }
}
