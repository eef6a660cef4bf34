package org.umberdial.server.finish.internal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.util.HashMap;
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
import org.umberdial.core.evidence.Fact;
import org.umberdial.core.evidence.PlayerAnswered;
import org.umberdial.core.evidence.PlayerDescribed;
import org.umberdial.core.evidence.PlayerMended;
import org.umberdial.core.evidence.SpeedRead;
import org.umberdial.core.finish.FinishArea;
import org.umberdial.core.player.Cause;
import org.umberdial.core.player.Drive;
import org.umberdial.core.player.Flashes;
import org.umberdial.core.player.Question;
import org.umberdial.core.player.ToneReading;
import org.umberdial.core.player.TurnCount;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;

/** The player in a set: its drive, its speed by strobe or count, its questions, and what was put right. */
@RestController
@RequestMapping("/api/sets/{setId}/player")
class PlayerController {
    /** Figures as they are typed; empty where nobody knows. */
    record DriveEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 20) String kind,
            @NotNull @Size(max = 10) Set<@Size(max = 20) String> has,
            @NotNull @Size(max = 20) String motorRpm,
            @NotNull @Size(max = 20) String madeForHertz,
            @NotNull @Size(max = 8) Map<@Size(max = 12) String, @NotNull @Size(max = 20) String> steps,
            @NotNull @Size(max = 20) String idlerMm,
            @NotNull @Size(max = 20) String rimMm,
            @NotNull @Size(max = 20) String beltMm,
            @NotNull @Size(max = 20) String beltThickMm) {}

    /**
     * A speed read.
     *
     * @param taps when the mark passed [s], for counting; else empty
     * @param bars of the strobe's ring, @param drift bars a second forward, @param hertz of the lamp
     */
    record SpeedEdit(
            @NotNull UUID id,
            @NotNull SpeedRead.How how,
            @NotNull SpeedRead.What what,
            @NotNull @Size(max = 20) String rpm,
            @NotNull SpeedRead.Load load,
            @NotNull @Size(max = 20) String minutes,
            @NotNull @Size(max = 2000) List<@NotNull Double> taps,
            @NotNull @Size(max = 20) String bars,
            @NotNull @Size(max = 20) String drift,
            @NotNull Flashes.Lamp lamp,
            @NotNull @Size(max = 20) String hertz) {}

    /** What a speed read would say. */
    record SpeedSays(double measuredRpm, double within, double offPercent, boolean right, String says) {}

    record PlayerAnswer(
            @NotNull UUID id,
            @NotBlank @Size(max = 40) String question,
            @NotNull @Size(max = 20) String answer,
            @NotNull @Size(max = 400) String note) {}

    record PlayerMending(
            @NotNull UUID id,
            @NotBlank @Size(max = 40) String cause,
            @NotNull @Size(max = 400) String note) {}

    private static final double COUNTS_DRIFT_WITHIN = 0.2;

    private final SetFiles files;
    private final EvidenceService evidence;
    private final Clock clock;

    PlayerController(SetFiles files, EvidenceService evidence, Clock clock) {
        this.clock = clock;
        this.files = files;
        this.evidence = evidence;
    }

    @GetMapping
    PlayerViews.PlayerView player(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        return PlayerViews.of(open(caller, setId), clock.instant());
    }

    private OpenSet open(Caller caller, UUID setId) {
        return files.open(caller.shopId(), setId.toString());
    }

    private PlayerViews.PlayerView keep(Caller caller, UUID setId, UUID id, Fact fact) {
        evidence.keep(caller, setId.toString(), id.toString(), fact, Optional.empty());
        return player(caller, setId);
    }

    @PostMapping("/drives")
    PlayerViews.PlayerView describe(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody DriveEdit edit) {
        OpenSet set = open(caller, setId);
        requirePlayer(set);
        Typed typed = new Typed(set);
        if (!Question.extras().containsAll(edit.has)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.UNKNOWN,
                            "A player may have: " + String.join(", ", Question.extras()) + ".")
                    .at("has");
        }
        Map<String, Double> steps = new HashMap<>();
        edit.steps.forEach((rpm, mm) -> {
            if (!mm.isBlank()) {
                steps.put(rpm, typed.required("steps", "The step for " + rpm, mm));
            }
        });
        PlayerDescribed described = new PlayerDescribed(
                edit.kind,
                edit.has,
                typed.figure("motorRpm", "The motor’s speed", edit.motorRpm),
                typed.figure("madeForHertz", "The frequency on the plate", edit.madeForHertz),
                steps,
                typed.figure("idlerMm", "The idler", edit.idlerMm),
                typed.figure("rimMm", "The rim", edit.rimMm),
                typed.figure("beltMm", "The belt’s length", edit.beltMm),
                typed.figure("beltThickMm", "The belt’s thickness", edit.beltThickMm));
        Drive.of(described);
        return keep(caller, setId, edit.id, described);
    }

    static void requirePlayer(OpenSet set) {
        if (!FinishArea.turns(set.file())) {
            throw new Problem(
                    Problem.Kind.INVALID_ENTRY,
                    "This set has no player: say so at Arrival, Label and supply, if there is one in it.");
        }
    }

    /** What a reading would say, without keeping it. */
    @PostMapping("/speed-previews")
    SpeedSays judge(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody SpeedEdit edit) {
        OpenSet set = open(caller, setId);
        SpeedRead read = read(set, edit);
        double apart = set.policy().finish().speedApart();
        boolean right = Math.abs(read.off()) <= apart;
        return new SpeedSays(read.measuredRpm(), read.within(), 100 * read.off(), right, read.sentence() + ".");
    }

    @PostMapping("/speeds")
    PlayerViews.PlayerView speed(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody SpeedEdit edit) {
        OpenSet set = open(caller, setId);
        requirePlayer(set);
        return keep(caller, setId, edit.id, read(set, edit));
    }

    private static SpeedRead read(OpenSet set, SpeedEdit edit) {
        Typed typed = new Typed(set);
        double rpm = typed.required("rpm", "The right speed", edit.rpm);
        if (edit.what == SpeedRead.What.TAPE) {
            throw new InvalidEntry(
                            InvalidEntry.Code.SYNTAX, "A tape’s speed is read from its sound; play a tone from it.")
                    .at("what");
        } else if (edit.what == SpeedRead.What.PLATTER) {
            ToneReading.speed(rpm);
        } else if (!(rpm >= 100 && rpm <= 5000)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "A motor of " + edit.rpm
                                    + " turns a minute is not usual; enter what its plate says, as in 1440.")
                    .at("rpm");
        }
        Optional<Double> minutes = typed.figure("minutes", "The minutes it ran", edit.minutes);
        minutes.ifPresent(ToneReading::ran);
        Turned turned = switch (edit.how) {
            case COUNT -> counted(edit);
            case STROBE -> strobed(typed, edit);
            default ->
                throw new InvalidEntry(
                                InvalidEntry.Code.SYNTAX, "A tone is read from its sound; send the sound instead.")
                        .at("how");
        };
        double most = edit.what == SpeedRead.What.PLATTER ? 1000 : 10_000;
        if (!(turned.rpm > 0 && turned.rpm <= most && Math.abs(turned.rpm / rpm - 1) < 0.7)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            String.format(
                                    Locale.ROOT,
                                    "This makes %.1f turns a minute where %s would be right: check the bars and the speed.",
                                    turned.rpm,
                                    edit.rpm))
                    .at("rpm");
        }
        return new SpeedRead(edit.how, edit.what, rpm, turned.rpm, turned.within, edit.load, minutes, Optional.empty());
    }

    /** @param within how far off it may be, both in turns a minute */
    private record Turned(double rpm, double within) {}

    private static Turned counted(SpeedEdit edit) {
        TurnCount count = TurnCount.of(edit.taps);
        return new Turned(count.rpm(), count.within());
    }

    private static Turned strobed(Typed typed, SpeedEdit edit) {
        Flashes flashes = Flashes.of(edit.lamp, typed.required("hertz", "The lamp’s frequency", edit.hertz));
        int bars = (int) Math.rint(typed.required("bars", "The number of bars", edit.bars));
        if (bars < 1 || bars > 5000) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "A ring of " + edit.bars
                                    + " bars is not usual; count them, or take the number on the disc.")
                    .at("bars");
        }
        double drift = typed.figure("drift", "The drift", edit.drift).orElse(0.0);
        if (!(Math.abs(drift) <= flashes.perSecond() / 2)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "Bars that drift by " + edit.drift
                                    + " a second cannot be counted: choose the ring that nearly stands still.")
                    .at("drift");
        }
        return new Turned(flashes.rpm(bars, drift), COUNTS_DRIFT_WITHIN * 60 / bars);
    }

    @PostMapping("/answers")
    PlayerViews.PlayerView answer(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody PlayerAnswer edit) {
        OpenSet set = open(caller, setId);
        requirePlayer(set);
        Question question = Question.of(edit.question);
        if (!question.asked()) {
            throw new InvalidEntry(InvalidEntry.Code.SYNTAX, "Speeds answer this, not a person: read them.")
                    .at("question");
        }
        return keep(
                caller,
                setId,
                edit.id,
                new PlayerAnswered(question.id(), question.ask(), question.kept(edit.answer), edit.note.strip()));
    }

    @PostMapping("/mendings")
    PlayerViews.PlayerView mend(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody PlayerMending edit) {
        requirePlayer(open(caller, setId));
        Cause cause = Cause.all().stream()
                .filter(c -> c.id().equals(edit.cause))
                .findFirst()
                .orElseThrow(() -> Problem.notFound("This cause"));
        return keep(caller, setId, edit.id, new PlayerMended(cause.id(), cause.remedy(), edit.note.strip()));
    }
}
