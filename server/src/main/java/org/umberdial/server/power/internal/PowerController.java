package org.umberdial.server.power.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.area.Stop;
import org.umberdial.core.caution.Caution;
import org.umberdial.core.caution.Cautions;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.evidence.Decided;
import org.umberdial.core.evidence.Fact;
import org.umberdial.core.evidence.PowerChecked;
import org.umberdial.core.evidence.PowerReady;
import org.umberdial.core.guide.Guide;
import org.umberdial.core.policy.School;
import org.umberdial.core.power.Course;
import org.umberdial.core.power.FirstCheck;
import org.umberdial.core.power.FirstChecks;
import org.umberdial.core.power.Glow;
import org.umberdial.core.power.Hypothesis;
import org.umberdial.core.power.Planner;
import org.umberdial.core.power.PowerArea;
import org.umberdial.core.power.PowerPlan;
import org.umberdial.core.power.ReadyCheck;
import org.umberdial.core.power.Watched;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;
import org.umberdial.core.value.ValueReader;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.power.Plans;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;

/** First power of a set: what stands before it, its plan, and the checks while it is limited. */
@RestController
@RequestMapping("/api/sets/{setId}/power")
class PowerController {
    record AnswerChoice(String id, String words, boolean opens) {}

    /** @param act id of the act that settles it; empty when a person answers */
    record ReadyView(
            String id,
            String title,
            ReadyCheck.State state,
            String stateLabel,
            String says,
            List<AnswerChoice> choices,
            boolean everyRun,
            String act,
            boolean passable) {}

    record CheckCell(String key, String label, String unit, String expected, List<String> choices, String value) {}

    /** @param says what its figures say; empty while it was not made */
    record CheckView(String id, String title, String how, List<CheckCell> cells, Verdict verdict, String says) {}

    record PowerCaution(String text, Caution.Level level, String deferTo) {}

    record PowerWayView(School id, String label, String why) {}

    /**
     * @param unsettled how many things stand before power
     * @param way the school it is brought up by, {@code ways} all of them
     */
    record PowerView(
            int revision,
            String title,
            String danger,
            boolean liveChassis,
            String constructionLabel,
            String standing,
            int unsettled,
            PowerWayView way,
            List<PowerWayView> ways,
            List<ReadyView> ready,
            List<CheckView> checks,
            List<PowerCaution> cautions) {}

    /** @param start when it begins [s] */
    record PowerStepView(String name, double lineVolts, List<Double> lamps, double seconds, double start, String why) {}

    record WatchedView(String id, Watched.Kind kind, String what, String unit, double most) {}

    record BandView(double[] low, double[] middle, double[] high) {}

    record LampView(
            double watts,
            String setVolts,
            String railVolts,
            long seconds,
            String glow,
            String shortedSetVolts,
            String shortedRailVolts,
            String shortedGlow,
            boolean started,
            boolean planned) {}

    /** @param rows of a set with a shorted first filter, in the order of what is watched */
    record GhostView(String says, List<double[]> rows) {}

    /** @param bands one a thing that has one, a figure a second */
    record PowerPlanView(
            double line,
            double seconds,
            List<PowerStepView> steps,
            List<WatchedView> watched,
            List<BandView> bands,
            @Schema(nullable = true) GhostView ghost,
            long usual,
            String fuse,
            String running,
            List<String> why) {}

    /** @param reason why there is no plan */
    record PowerPlanAnswer(
            @Schema(nullable = true) PowerPlanView plan, List<LampView> lamps, String rail, String reason) {}

    /**
     * How the set would be brought up by one school, in a few figures.
     *
     * @param firstStep what the set has at the end of the first step
     * @param shorted the same with a shorted first filter; empty when that does not settle
     * @param most line current of the healthy set, {@code mostShorted} with the short; empty when that does not settle
     * @param reason why there is no plan by it
     */
    record WaySummary(
            PowerWayView way,
            boolean followed,
            List<String> steps,
            long seconds,
            String firstStep,
            String shorted,
            String most,
            String mostShorted,
            String reason) {}

    record ReadyAnswer(
            @NotNull UUID id,
            @NotBlank @Size(max = 60) String gate,
            @NotBlank @Size(max = 40) String answer,
            @NotNull @Size(max = 400) String reason) {}

    record CheckEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 40) String check,
            @NotNull @Size(max = 60) Map<String, String> cells,
            @NotNull @Size(max = 400) String note) {}

    record CheckJudged(Verdict verdict, String says) {}

    private final SetFiles files;
    private final Plans plans;
    private final EvidenceService evidence;

    PowerController(SetFiles files, Plans plans, EvidenceService evidence) {
        this.files = files;
        this.plans = plans;
        this.evidence = evidence;
    }

    @GetMapping
    PowerView power(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        List<ReadyCheck> ready = PowerArea.checks(set.file());
        return new PowerView(
                set.revision(),
                set.stored().label().title(),
                set.danger(),
                set.liveChassis(),
                set.set().construction().label(),
                new PowerArea().standing(set.file()),
                (int) ready.stream().filter(check -> !check.state().lets()).count(),
                way(set.policy().schools().of(School.Question.FIRST_POWER)),
                School.Question.FIRST_POWER.schools().stream()
                        .map(PowerController::way)
                        .toList(),
                ready.stream().map(PowerController::view).toList(),
                checks(set),
                List.of("first_power", "lamp_limiter", "working_alone").stream()
                        .map(Cautions::of)
                        .map(c -> new PowerCaution(c.text(), c.level(), c.deferTo()))
                        .toList());
    }

    private static PowerWayView way(School school) {
        return new PowerWayView(school, school.label(), school.why());
    }

    private static ReadyView view(ReadyCheck check) {
        return new ReadyView(
                check.id(),
                check.title(),
                check.state(),
                check.state().label(),
                check.says(),
                check.choices().stream()
                        .map(c -> new AnswerChoice(c.id(), c.words(), c.opens()))
                        .toList(),
                check.everyRun(),
                check.act(),
                check.passable());
    }

    private static List<CheckView> checks(OpenSet set) {
        Map<String, FirstCheck.Judged> judged = FirstChecks.judged(set.file());
        Map<String, PowerChecked> made = new HashMap<>();
        set.log().standing(PowerChecked.class).forEach(s -> made.put(s.fact().check(), s.fact()));
        return FirstChecks.of(set.file()).stream()
                .map(check -> new CheckView(
                        check.id(),
                        check.title(),
                        check.how(),
                        check.cells().stream()
                                .map(cell -> new CheckCell(
                                        cell.key(),
                                        cell.label(),
                                        cell.choices().isEmpty() ? cell.unit().symbol() : "",
                                        cell.expected(),
                                        cell.choices(),
                                        value(made.get(check.id()), cell)))
                                .toList(),
                        judged.containsKey(check.id()) ? judged.get(check.id()).verdict() : Verdict.UNREAD,
                        judged.containsKey(check.id()) ? judged.get(check.id()).says() : ""))
                .toList();
    }

    private static String value(PowerChecked made, FirstCheck.Cell cell) {
        if (made == null) {
            return "";
        }
        return cell.choices().isEmpty()
                ? Optional.ofNullable(made.figures().get(cell.key()))
                        .map(Engineering::exact)
                        .orElse("")
                : made.answers().getOrDefault(cell.key(), "");
    }

    @GetMapping("/plan")
    PowerPlanAnswer plan(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        Planner.Planned planned = plans.plan(set);
        List<Double> used = planned.plan().stream()
                .flatMap(p -> p.steps().stream())
                .flatMap(s -> s.lamps().stream())
                .toList();
        return new PowerPlanAnswer(
                planned.plan()
                        .map(PowerPlan::rounded)
                        .map(PowerController::view)
                        .orElse(null),
                planned.lamps().stream().map(row -> lamp(row, used)).toList(),
                planned.plan()
                        .flatMap(p -> p.watched().stream()
                                .filter(w -> w.kind() == Watched.Kind.RAIL)
                                .findFirst())
                        .map(Watched::what)
                        .orElse(""),
                planned.reason());
    }

    /** The same set by each school, side by side. */
    @GetMapping("/plan/ways")
    List<WaySummary> ways(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        School followed = set.policy().schools().of(School.Question.FIRST_POWER);
        return School.Question.FIRST_POWER.schools().stream()
                .map(school -> {
                    Planner.Planned planned = plans.plan(set, school);
                    return planned.plan()
                            .map(plan -> summary(plan, school == followed))
                            .orElseGet(() -> new WaySummary(
                                    way(school), school == followed, List.of(), 0, "", "", "", "", planned.reason()));
                })
                .toList();
    }

    private static WaySummary summary(PowerPlan plan, boolean followed) {
        int amps = plan.row("amps");
        double most = Arrays.stream(plan.middle().rows().get(amps)).max().orElse(0);
        Optional<Course> shorted = plan.firstShort().map(Hypothesis::course);
        double mostShorted = shorted.map(
                        course -> Arrays.stream(course.rows().get(amps)).max().orElse(0))
                .orElse(0.0);
        return new WaySummary(
                way(plan.way()),
                followed,
                plan.steps().stream().map(step -> step.name(plan.line())).toList(),
                Math.round(plan.seconds()),
                firstStep(plan, plan.middle()),
                shorted.map(course -> firstStep(plan, course)).orElse(""),
                Engineering.round(most, Unit.AMPERE),
                shorted.isPresent() ? Engineering.round(mostShorted, Unit.AMPERE) : "",
                "");
    }

    private static String firstStep(PowerPlan plan, Course course) {
        double end = plan.start(1);
        Watched rail = plan.watched().stream()
                .filter(w -> w.kind() == Watched.Kind.RAIL)
                .findFirst()
                .orElseThrow();
        double volts = course.at(plan.row(rail.id()), end);
        double glow = course.at(plan.row("lamp"), end);
        return "set " + Engineering.round(course.at(plan.row("set"), end), Unit.VOLT) + ", " + rail.what() + " "
                + Engineering.round(Math.abs(volts) < 0.5 ? 0 : volts, Unit.VOLT)
                + (plan.steps().get(0).limited() ? ", lamp " + Glow.of(glow).label() : "");
    }

    private static LampView lamp(Planner.LampRow row, List<Double> used) {
        return new LampView(
                row.watts(),
                Engineering.round(row.setVolts(), Unit.VOLT),
                Engineering.round(row.railVolts(), Unit.VOLT),
                Math.round(row.seconds()),
                Glow.of(row.glow()).label(),
                Engineering.round(row.shortedSetVolts(), Unit.VOLT),
                Engineering.round(Math.abs(row.shortedRailVolts()) < 0.5 ? 0 : row.shortedRailVolts(), Unit.VOLT),
                Glow.of(row.shortedGlow()).label(),
                row.started(),
                used.contains(row.watts()));
    }

    static PowerPlanView view(PowerPlan plan) {
        int banded = plan.middle().rows().size();
        return new PowerPlanView(
                plan.line(),
                plan.seconds(),
                IntStream.range(0, plan.steps().size())
                        .mapToObj(i -> new PowerStepView(
                                plan.steps().get(i).name(plan.line()),
                                plan.steps().get(i).lineVolts(),
                                plan.steps().get(i).lamps(),
                                plan.steps().get(i).seconds(),
                                plan.start(i),
                                plan.steps().get(i).why()))
                        .toList(),
                plan.watched().stream()
                        .map(w -> new WatchedView(
                                w.id(), w.kind(), w.what(), w.kind().unit().symbol(), w.most()))
                        .toList(),
                IntStream.range(0, banded)
                        .mapToObj(i -> new BandView(
                                plan.low().rows().get(i),
                                plan.middle().rows().get(i),
                                plan.high().rows().get(i)))
                        .toList(),
                plan.firstShort()
                        .map(fault -> new GhostView("With a shorted first filter", rows(fault.course())))
                        .orElse(null),
                plan.usual(),
                plan.fuseAmperes() > 0 ? Engineering.print(plan.fuseAmperes(), Unit.AMPERE) + ", slow" : "",
                Engineering.print(plan.runningAmperes(), Unit.AMPERE),
                plan.why());
    }

    private static List<double[]> rows(Course course) {
        return course.rows();
    }

    @PostMapping("/answers")
    PowerView answer(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody ReadyAnswer edit) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        ReadyCheck check = PowerArea.checks(set.file()).stream()
                .filter(c -> c.id().equals(edit.gate))
                .findFirst()
                .orElseThrow(() -> Problem.notFound("This question"));
        boolean passes = edit.answer.equals(PowerReady.OVERRIDE);
        if (passes && edit.reason.isBlank()) {
            throw new InvalidEntry(
                            InvalidEntry.Code.EMPTY,
                            "Write why one may go on without it; the reason stays in the log and in the report.")
                    .at("reason");
        }
        if (passes && !check.passable()) {
            throw new InvalidEntry(
                            InvalidEntry.Code.CONFLICT, "This is wrong, not only unread: mend it and read it again.")
                    .at("answer");
        }
        String words = passes
                ? check.title()
                : check.choices().stream()
                        .filter(c -> c.id().equals(edit.answer))
                        .findFirst()
                        .map(c -> check.title() + ", " + c.words())
                        .orElseThrow(() -> new InvalidEntry(
                                        InvalidEntry.Code.UNKNOWN, "“" + edit.answer + "” is no answer to this.")
                                .at("answer"));
        // What another area holds against power is passed over there, so that its own pages say so too.
        Optional<Stop> others = Guide.of(set.file()).stops().stream()
                .filter(stop -> stop.id().equals(check.id()))
                .findFirst();
        Fact fact = others.isPresent()
                ? new Decided(others.get().id(), others.get().words(), edit.reason.strip())
                : new PowerReady(check.id(), edit.answer, words, passes ? edit.reason.strip() : "");
        evidence.keep(caller, set.id(), edit.id.toString(), fact, Optional.empty());
        return power(caller, setId);
    }

    @PostMapping("/checks")
    PowerView keep(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody CheckEdit edit) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        PowerChecked made = made(set, edit);
        if (made.figures().isEmpty() && made.answers().isEmpty()) {
            throw new InvalidEntry(InvalidEntry.Code.EMPTY, "Enter at least one figure, then keep it.").at("cells");
        }
        evidence.keep(caller, set.id(), edit.id.toString(), made, Optional.empty());
        return power(caller, setId);
    }

    /** What figures would say, without keeping them. */
    @PostMapping("/check-previews")
    CheckJudged judge(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody CheckEdit edit) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        FirstCheck.Judged judged = FirstChecks.judge(set.file(), made(set, edit));
        return new CheckJudged(judged.verdict(), judged.says());
    }

    private PowerChecked made(OpenSet set, CheckEdit edit) {
        FirstCheck check = FirstChecks.of(set.file()).stream()
                .filter(c -> c.id().equals(edit.check))
                .findFirst()
                .orElseThrow(() -> Problem.notFound("This check"));
        Map<String, Double> figures = new HashMap<>();
        Map<String, String> answers = new HashMap<>();
        for (FirstCheck.Cell cell : check.cells()) {
            String typed =
                    Optional.ofNullable(edit.cells.get(cell.key())).orElse("").strip();
            if (typed.isEmpty()) {
                continue;
            }
            if (!cell.choices().isEmpty()) {
                if (!cell.choices().contains(typed)) {
                    throw new InvalidEntry(
                                    InvalidEntry.Code.UNKNOWN,
                                    "“" + typed + "” is none of: " + String.join(", ", cell.choices()) + ".")
                            .at("cells");
                }
                answers.put(cell.key(), typed);
            } else {
                figures.put(cell.key(), figure(set, cell, typed));
            }
        }
        return new PowerChecked(check.id(), figures, answers, edit.note.strip());
    }

    private static double figure(OpenSet set, FirstCheck.Cell cell, String typed) {
        double value;
        try {
            value = new ValueReader(set.policy().decimalSign())
                    .read(typed, cell.unit())
                    .value();
        } catch (InvalidEntry refused) {
            throw new InvalidEntry(refused.code(), cell.label() + ": " + refused.getMessage()).at("cells");
        }
        boolean ohms = cell.unit() == Unit.OHM;
        if (!(Math.abs(value) <= (ohms ? 1e7 : 2000)) || ohms && value < 100) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            cell.label() + ": " + typed
                                    + (ohms
                                            ? " is no resistor for this; 1.5k is usual."
                                            : " is more than a set has; check the figure."))
                    .at("cells");
        }
        return value;
    }
}
