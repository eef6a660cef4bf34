package org.umberdial.server.power.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.policy.School;
import org.umberdial.core.power.Course;
import org.umberdial.core.power.Glow;
import org.umberdial.core.power.Hypothesis;
import org.umberdial.core.power.Planner;
import org.umberdial.core.power.PowerPlan;
import org.umberdial.core.power.Watched;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;
import org.umberdial.server.power.Plans;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;

/** How a set is brought up: its plan by its own school, and by each of them side by side. */
@RestController
@RequestMapping("/api/sets/{setId}/power/plan")
class PowerPlanController {
    record PowerWayView(School id, String label, String why) {}

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

    private final SetFiles files;
    private final Plans plans;

    PowerPlanController(SetFiles files, Plans plans) {
        this.files = files;
        this.plans = plans;
    }

    static PowerWayView way(School school) {
        return new PowerWayView(school, school.label(), school.why());
    }

    @GetMapping
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
                        .map(PowerPlanController::view)
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
    @GetMapping("/ways")
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
}
