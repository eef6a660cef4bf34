package org.umberdial.server.power.internal;

import io.swagger.v3.oas.annotations.Hidden;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import org.umberdial.core.power.Glow;
import org.umberdial.core.power.PowerPlan;
import org.umberdial.core.power.Watched;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.ValueReader;
import org.umberdial.server.power.Liftings;
import org.umberdial.server.power.Run;
import org.umberdial.server.power.RunAlarm;
import org.umberdial.server.power.RunEntry;
import org.umberdial.server.power.RunService;
import org.umberdial.server.power.RunState;
import org.umberdial.server.power.RunStreams;
import org.umberdial.server.security.Caller;
import org.umberdial.server.shop.ShopService;

/** Runs in which a set is brought up: as they go on, and again afterwards. */
@RestController
@RequestMapping("/api/sets/{setId}/power/runs")
class RunController {
    /** A chart shows no more points than it has room for. */
    private static final int MOST_POINTS = 1200;

    private static final double MOST_VOLTS = 3000;
    private static final double MOST_AMPERES = 30;
    private static final double MOST_WATTS = 5000;

    /**
     * @param without what of the set was not as drawn meanwhile
     * @param says what it says of the part it was without; empty when nothing
     */
    record RunView(
            String id,
            Run.State state,
            Run.Feed feed,
            Instant startedAt,
            @Schema(nullable = true) Instant endedAt,
            String ending,
            String author,
            boolean isolated,
            String without,
            String says) {}

    /** @param figures in the order of what is watched; null for what was not read then */
    record RunPoint(double seconds, List<Double> figures) {}

    record RunEvent(int number, double seconds, String kind, String words) {}

    /** @param next number of the first entry that is not in it */
    record RunWhole(
            RunView run,
            PowerPlanController.PowerPlanView plan,
            RunState state,
            List<RunPoint> points,
            List<RunAlarm> alarms,
            List<RunEvent> events,
            int next) {}

    record RunStart(@NotNull UUID id, @NotNull Run.Feed feed) {}

    /** @param figures as typed, by id of what is watched */
    record RunReading(@NotNull @Size(max = 20) Map<String, @Size(max = 20) String> figures) {}

    record RunAdvance(int from, @NotNull @Size(max = 300) String reason) {}

    record RunNote(@NotBlank @Size(max = 300) String words) {}

    record RunStop(@NotNull @Size(max = 300) String why) {}

    private final RunService runs;
    private final Liftings liftings;
    private final RunStreams streams;
    private final ShopService shops;

    RunController(RunService runs, Liftings liftings, RunStreams streams, ShopService shops) {
        this.runs = runs;
        this.liftings = liftings;
        this.streams = streams;
        this.shops = shops;
    }

    @GetMapping
    List<RunView> runs(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        List<Run> all = runs.runs(caller.shopId(), setId.toString());
        Map<String, String> says = liftings.of(caller.shopId(), all);
        return all.stream()
                .map(run -> view(run, says.getOrDefault(run.id(), "")))
                .toList();
    }

    private static RunView view(Run run, String says) {
        return new RunView(
                run.id(),
                run.state(),
                run.feed(),
                run.startedAt(),
                run.endedAt().orElse(null),
                run.ending(),
                run.author(),
                run.isolated(),
                run.without(),
                says);
    }

    @PostMapping
    RunWhole start(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody RunStart start) {
        runs.start(caller, setId.toString(), start.id.toString(), start.feed);
        return whole(caller, setId, start.id);
    }

    @GetMapping("/{run}")
    RunWhole whole(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @PathVariable UUID run) {
        RunService.Standing standing = runs.standing(caller.shopId(), setId.toString(), run.toString());
        List<RunEntry> entries = runs.entries(caller.shopId(), setId.toString(), run.toString(), 0);
        List<RunPoint> points = new ArrayList<>();
        List<RunEvent> events = new ArrayList<>();
        for (RunEntry entry : entries) {
            if (entry.kind().equals("sample")) {
                points.add(point(entry));
            } else if (!entry.kind().equals("alarm")) {
                events.add(new RunEvent(entry.number(), entry.seconds(), entry.kind(), entry.body()));
            }
        }
        return new RunWhole(
                view(standing.run(), ""),
                PowerPlanController.view(standing.plan()),
                RunState.of(runs, caller.shopId(), standing),
                thinned(points),
                standing.alarms().stream().map(RunAlarm::of).toList(),
                events,
                entries.isEmpty() ? 0 : entries.get(entries.size() - 1).number() + 1);
    }

    private static RunPoint point(RunEntry entry) {
        List<Double> figures = new ArrayList<>();
        for (String cell : entry.body().substring(2).split(",", -1)) {
            figures.add(cell.isEmpty() ? null : Double.valueOf(cell));
        }
        return new RunPoint(entry.seconds(), figures);
    }

    private static List<RunPoint> thinned(List<RunPoint> points) {
        int every = (points.size() + MOST_POINTS - 1) / MOST_POINTS;
        if (every <= 1) {
            return points;
        }
        List<RunPoint> kept = new ArrayList<>();
        for (int i = 0; i < points.size(); i += every) {
            kept.add(points.get(i));
        }
        kept.add(points.get(points.size() - 1));
        return kept;
    }

    @PostMapping("/{run}/samples")
    RunState read(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @PathVariable UUID run,
            @Valid @RequestBody RunReading reading) {
        Run there = runs.require(caller.shopId(), setId.toString(), run.toString());
        PowerPlan plan = runs.plan(caller.shopId(), there);
        ValueReader reader =
                new ValueReader(shops.shop(caller.shopId()).policy().decimalSign());
        Map<String, Double> figures = new HashMap<>();
        reading.figures.forEach((id, typed) -> {
            Watched watched = plan.watched().stream()
                    .filter(w -> w.id().equals(id))
                    .findFirst()
                    .orElseThrow(
                            () -> new InvalidEntry(InvalidEntry.Code.UNKNOWN, "This run does not watch " + id + ".")
                                    .at("figures"));
            if (!typed.isBlank()) {
                figures.put(id, figure(reader, watched, typed.strip()));
            }
        });
        if (figures.isEmpty()) {
            throw new InvalidEntry(InvalidEntry.Code.EMPTY, "Type what the meter shows, as in 82.4.").at("figures");
        }
        runs.typed(caller.shopId(), setId.toString(), run.toString(), figures);
        return state(caller, setId, run);
    }

    private static double figure(ValueReader reader, Watched watched, String typed) {
        if (watched.kind() == Watched.Kind.LAMP) {
            for (Glow glow : Glow.values()) {
                if (glow.name().equalsIgnoreCase(typed)) {
                    return glow.share();
                }
            }
            throw new InvalidEntry(InvalidEntry.Code.UNKNOWN, "“" + typed + "” is no glow: dark, dull, bright or full.")
                    .at("figures");
        }
        double value;
        try {
            value = reader.read(typed, watched.kind().unit()).value();
        } catch (InvalidEntry refused) {
            throw refused.at("figures");
        }
        double most = switch (watched.kind()) {
            case LINE_AMPERES -> MOST_AMPERES;
            case LINE_WATTS -> MOST_WATTS;
            default -> MOST_VOLTS;
        };
        if (!(Math.abs(value) <= most)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            typed + " is more than a set has"
                                    + (watched.kind() == Watched.Kind.LINE_AMPERES
                                            ? "; 230m is 0.23 A."
                                            : "; check the figure."))
                    .at("figures");
        }
        return value;
    }

    private RunState state(Caller caller, UUID setId, UUID run) {
        return RunState.of(runs, caller.shopId(), runs.standing(caller.shopId(), setId.toString(), run.toString()));
    }

    @PostMapping("/{run}/advances")
    RunState advance(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @PathVariable UUID run,
            @Valid @RequestBody RunAdvance advance) {
        runs.advance(caller, setId.toString(), run.toString(), advance.from, advance.reason);
        return state(caller, setId, run);
    }

    /** What eyes, nose and fingers say meanwhile: how warm a can is, what smells. */
    @PostMapping("/{run}/notes")
    RunState note(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @PathVariable UUID run,
            @Valid @RequestBody RunNote note) {
        runs.require(caller.shopId(), setId.toString(), run.toString());
        runs.note(caller.shopId(), setId.toString(), run.toString(), note.words.strip());
        return state(caller, setId, run);
    }

    @PostMapping("/{run}/stops")
    RunState stop(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @PathVariable UUID run,
            @Valid @RequestBody RunStop stop) {
        runs.stop(caller, setId.toString(), run.toString(), stop.why);
        return state(caller, setId, run);
    }

    /** Everything that happens in a run, as it happens. */
    @Hidden
    @GetMapping(path = "/{run}/live", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter live(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @PathVariable UUID run,
            @RequestParam(defaultValue = "0") int from,
            @RequestHeader(name = "Last-Event-ID", defaultValue = "") String last)
            throws IOException {
        int next = last.matches("\\d{1,9}") ? Integer.parseInt(last) + 1 : from;
        return streams.open(caller.shopId(), setId.toString(), run.toString(), Math.max(0, next));
    }
}
