package org.umberdial.server.finish.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.caution.Cautions;
import org.umberdial.core.evidence.Fact;
import org.umberdial.core.evidence.WorkPlanned;
import org.umberdial.core.evidence.WorkStep;
import org.umberdial.core.finish.FinishArea;
import org.umberdial.core.mechanics.Agent;
import org.umberdial.core.mechanics.Task;
import org.umberdial.core.mechanics.Works;
import org.umberdial.core.policy.School;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.ValueReader;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.guide.ActView;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;

/** Work on a set's mechanics and looks, and what may touch which material. */
@RestController
class WorkController {
    /** @param minutes how long it may stay on; 0 for never */
    record AgentView(
            String material,
            String agent,
            double minutes,
            Agent.Verdict verdict,
            String verdictLabel,
            String effect,
            String forbidden,
            String caution) {}

    record TaskView(
            String id,
            String group,
            String title,
            List<String> steps,
            String before,
            String tools,
            int minutes,
            double hours,
            String check,
            String caution,
            boolean bars,
            List<AgentView> agents) {}

    /** @param until when it should be dry, @param dry whether that has come */
    record WorkPieceView(
            String id,
            String name,
            @Schema(nullable = true) TaskView task,
            Works.State state,
            @Schema(nullable = true) Instant until,
            boolean dry,
            List<String> after,
            String agent,
            String note,
            String person) {}

    record OfferedTask(String id, String group, String title, int minutes, double hours) {}

    record WorksView(
            int revision,
            String title,
            String danger,
            boolean liveChassis,
            String constructionLabel,
            boolean turns,
            List<WorkPieceView> works,
            List<OfferedTask> offered,
            String cabinetSchool,
            @Schema(nullable = true) ActView guide) {}

    record WorkEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 80) String task,
            @NotNull @Size(max = 60) String about) {}

    /** @param hours how long it dries, as it is typed; empty for what is usual */
    record WorkStepEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 60) String work,
            @NotNull WorkStep.Phase phase,
            @NotNull @Size(max = 120) String agent,
            @NotNull @Size(max = 12) String hours,
            @NotNull @Size(max = 400) String note) {}

    private static final double MOST_HOURS = 2000;

    private final SetFiles files;
    private final EvidenceService evidence;
    private final Clock clock;

    WorkController(SetFiles files, EvidenceService evidence, Clock clock) {
        this.files = files;
        this.evidence = evidence;
        this.clock = clock;
    }

    /** What is known of every material. */
    @GetMapping("/api/materials")
    List<AgentView> materials() {
        return Agent.materials().stream()
                .flatMap(material -> Agent.on(material).stream())
                .map(WorkController::view)
                .toList();
    }

    private static AgentView view(Agent agent) {
        return new AgentView(
                agent.material(),
                agent.agent(),
                agent.minutes(),
                agent.verdict(),
                agent.verdict().label(),
                agent.effect(),
                agent.forbidden(),
                caution(agent.caution()));
    }

    private static String caution(String id) {
        return id.isEmpty() ? "" : Cautions.of(id).text();
    }

    @GetMapping("/api/sets/{setId}/works")
    WorksView works(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        OpenSet set = open(caller, setId);
        boolean turns = FinishArea.turns(set.file());
        School cabinet = set.policy().schools().of(School.Question.CABINET);
        return new WorksView(
                set.revision(),
                set.stored().label().title(),
                set.danger(),
                set.liveChassis(),
                set.set().construction().label(),
                turns,
                FinishArea.works(set.file()).all().stream().map(this::view).toList(),
                Task.all().stream()
                        .filter(task -> turns || !task.player())
                        .filter(task -> task.school()
                                .map(school -> set.policy().schools().of(school.question()) == school)
                                .orElse(true))
                        .map(task -> new OfferedTask(
                                task.id(), task.group(), task.title(), (int) Math.ceil(task.minutes()), task.hours()))
                        .toList(),
                cabinet.label(),
                ActView.next(set).orElse(null));
    }

    private OpenSet open(Caller caller, UUID setId) {
        return files.open(caller.shopId(), setId.toString());
    }

    private WorkPieceView view(Works.Work work) {
        Instant now = clock.instant();
        return new WorkPieceView(
                work.id(),
                work.name(),
                work.task().map(WorkController::view).orElse(null),
                work.state(),
                work.until().orElse(null),
                work.until().map(until -> !now.isBefore(until)).orElse(true),
                work.after(),
                work.agent(),
                work.note(),
                work.person());
    }

    private static TaskView view(Task task) {
        return new TaskView(
                task.id(),
                task.group(),
                task.title(),
                task.steps(),
                task.before(),
                task.tools(),
                (int) Math.ceil(task.minutes()),
                task.hours(),
                task.check(),
                caution(task.caution()),
                task.bars(),
                task.materials().stream()
                        .flatMap(material -> Agent.on(material).stream())
                        .map(WorkController::view)
                        .toList());
    }

    private WorksView keep(Caller caller, UUID setId, UUID id, Fact fact) {
        evidence.keep(caller, setId.toString(), id.toString(), fact, Optional.empty());
        return works(caller, setId);
    }

    @PostMapping("/api/sets/{setId}/works")
    WorksView plan(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody WorkEdit edit) {
        open(caller, setId);
        Task task = Task.of(edit.task);
        return keep(caller, setId, edit.id, new WorkPlanned(task.id(), task.title(), edit.about.strip()));
    }

    @PostMapping("/api/sets/{setId}/work-steps")
    WorksView step(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody WorkStepEdit edit) {
        OpenSet set = open(caller, setId);
        Works.Work work =
                FinishArea.works(set.file()).of(edit.work).orElseThrow(() -> Problem.notFound("This piece of work"));
        if (work.state() == Works.State.BLOCKED && edit.phase == WorkStep.Phase.DONE) {
            throw new InvalidEntry(
                            InvalidEntry.Code.CONFLICT,
                            "First: " + String.join(", ", work.after()) + ". Or leave that out, then this is free.")
                    .at("phase");
        }
        if (work.state() != Works.State.DONE && edit.phase == WorkStep.Phase.GOOD) {
            throw new InvalidEntry(
                            InvalidEntry.Code.CONFLICT, "It is looked at when it was done: say first that it is done.")
                    .at("phase");
        }
        double hours = edit.phase == WorkStep.Phase.DONE ? hours(set, work, edit.hours) : 0;
        return keep(
                caller,
                setId,
                edit.id,
                new WorkStep(work.id(), work.name(), edit.phase, edit.agent.strip(), hours, edit.note.strip()));
    }

    private static double hours(OpenSet set, Works.Work work, String typed) {
        if (typed.isBlank()) {
            return work.task().map(Task::hours).orElse(0.0);
        }
        double hours;
        try {
            hours = new ValueReader(set.policy().decimalSign()).number(typed.strip());
        } catch (InvalidEntry refused) {
            throw refused.at("hours");
        }
        if (!(hours >= 0 && hours <= MOST_HOURS)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE, "It dries for " + typed + " hours? Enter hours, as in 12.")
                    .at("hours");
        }
        return hours;
    }
}
