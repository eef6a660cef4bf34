package org.umberdial.core.mechanics;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Observation;
import org.umberdial.core.claim.Strength;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.EvidenceLog.Standing;
import org.umberdial.core.evidence.WorkPlanned;
import org.umberdial.core.evidence.WorkStep;

/** The pieces of work planned on a set, and how each stands. */
public final class Works {
    /** How a piece of work stands. */
    public enum State {
        PLANNED,
        /** Another piece that is planned comes first. */
        BLOCKED,
        /** Done, and nobody has looked since. */
        DONE,
        GOOD,
        BAD
    }

    /**
     * One piece of work.
     *
     * @param id of the entry that planned it
     * @param task empty for a task this version does not know
     * @param until when it should be dry; empty when it does not dry
     * @param after titles of the pieces that come first
     * @param agent what it was done with; may be empty
     */
    public record Work(
            String id,
            String title,
            String about,
            Optional<Task> task,
            State state,
            Optional<Instant> until,
            List<String> after,
            String agent,
            String note,
            Optional<Instant> at,
            String person) {
        public Work {
            after = List.copyOf(after);
        }

        /** Whether power waits until somebody has said that it is dry. */
        public boolean bars() {
            return state == State.DONE && task.filter(Task::bars).isPresent();
        }

        public String name() {
            return about.isEmpty() ? title : title + ", " + about;
        }

        /** What a look at it settles. */
        public List<Claim> claims() {
            return List.of(claim());
        }

        private Claim claim() {
            String part = task.map(Task::part).orElse(title);
            return new Claim(
                    (about.isEmpty() ? part : part + " " + about).toUpperCase(Locale.ROOT) + ", "
                            + task.map(Task::task).orElse(""),
                    Aspect.PUT_RIGHT);
        }
    }

    private final List<Work> all;

    private Works(List<Work> all) {
        this.all = List.copyOf(all);
    }

    public static Works of(EvidenceLog log) {
        Map<String, Standing<WorkStep>> last = new LinkedHashMap<>();
        Map<String, Standing<WorkStep>> done = new LinkedHashMap<>();
        log.standing(WorkStep.class).forEach(step -> {
            last.put(step.fact().work(), step);
            if (step.fact().phase() == WorkStep.Phase.DONE) {
                done.put(step.fact().work(), step);
            }
        });
        List<Standing<WorkPlanned>> planned = log.standing(WorkPlanned.class).stream()
                .filter(p -> !dropped(last.get(p.id())))
                .toList();
        List<Work> works = new ArrayList<>();
        for (Standing<WorkPlanned> plan : planned) {
            Optional<Task> task = Task.known(plan.fact().task());
            Optional<Standing<WorkStep>> step = Optional.ofNullable(last.get(plan.id()));
            List<String> after = task.map(Task::needs).orElse(List.of()).stream()
                    .flatMap(need ->
                            planned.stream().filter(p -> p.fact().task().equals(need) && !good(last.get(p.id()))))
                    .map(p -> p.fact().title())
                    .distinct()
                    .toList();
            works.add(new Work(
                    plan.id(),
                    plan.fact().title(),
                    plan.fact().about(),
                    task,
                    state(step, after),
                    until(Optional.ofNullable(done.get(plan.id()))),
                    after,
                    Optional.ofNullable(done.get(plan.id()))
                            .map(d -> d.fact().agent())
                            .orElse(""),
                    step.map(s -> s.fact().note()).orElse(""),
                    step.map(Standing::at),
                    step.map(s -> s.entry().author()).orElse("")));
        }
        return new Works(works);
    }

    private static boolean dropped(Standing<WorkStep> step) {
        return step != null && step.fact().phase() == WorkStep.Phase.DROPPED;
    }

    private static boolean good(Standing<WorkStep> step) {
        return step != null && step.fact().phase() == WorkStep.Phase.GOOD;
    }

    private static State state(Optional<Standing<WorkStep>> step, List<String> after) {
        if (step.isEmpty()) {
            return after.isEmpty() ? State.PLANNED : State.BLOCKED;
        }
        return switch (step.get().fact().phase()) {
            case DONE -> State.DONE;
            case GOOD -> State.GOOD;
            default -> State.BAD;
        };
    }

    private static Optional<Instant> until(Optional<Standing<WorkStep>> done) {
        return done.filter(d -> d.fact().hours() > 0)
                .map(d -> d.at().plus(
                                Duration.ofSeconds(Math.round(3600 * d.fact().hours()))));
    }

    /** In the order they were planned. */
    public List<Work> all() {
        return all;
    }

    /** One by the id of the entry that planned it. */
    public Optional<Work> of(String id) {
        return all.stream().filter(work -> work.id.equals(id)).findFirst();
    }

    public List<Claim> claims() {
        return all.stream().map(Work::claim).distinct().toList();
    }

    /** What was looked at afterwards. */
    public List<Observation> observations() {
        return all.stream()
                .filter(work -> work.state == State.GOOD || work.state == State.BAD)
                .map(work -> new Observation(
                        work.claim(),
                        work.state == State.GOOD ? Observation.Word.SOUND : Observation.Word.FAILED,
                        Strength.SEEN,
                        false,
                        work.at.orElse(Instant.MIN),
                        "",
                        work.state == State.GOOD
                                ? work.task
                                                .map(Task::check)
                                                .filter(c -> !c.isEmpty())
                                                .orElse(work.title) + "."
                                : "Not right yet: "
                                        + work.task.map(Task::check).orElse(work.title)
                                        + (work.note.isEmpty() ? "." : "; " + work.note + "."),
                        work.person,
                        List.of(work.id)))
                .toList();
    }
}
