package org.umberdial.server.power;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.umberdial.core.power.Alarm;
import org.umberdial.core.power.PowerPlan;
import org.umberdial.core.power.Watched;
import org.umberdial.server.power.internal.RunTables;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Runs as files: whole, with plan and every entry, to go along with a set. */
@Service
public class RunCopies {
    private static final JsonMapper JSON = JsonMapper.builder()
            .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .build();
    private static final Set<String> KINDS =
            Set.of(RunEntry.SAMPLE, RunEntry.STEP, RunEntry.ALARM, RunEntry.STOP, RunEntry.EMPTY, RunEntry.NOTE);
    private static final int MOST_ENTRIES = 400_000;
    /** Ten times that of any set's. */
    private static final int LONGEST_PLAN = 4_000_000;

    private static final int LONGEST_BODY = 8000;
    private static final int LONGEST_WORDS = 300;
    private static final double LONGEST_SECONDS = 1e6;

    /**
     * A run that has ended.
     *
     * @param without what of the set was not as drawn meanwhile
     */
    public record Copy(
            String id,
            Run.Feed feed,
            boolean isolated,
            String without,
            int step,
            Instant startedAt,
            Instant endedAt,
            String ending,
            PowerPlan plan,
            List<CopiedEntry> entries) {}

    /** @see RunEntry */
    public record CopiedEntry(double seconds, String kind, String body) {}

    private final RunTables tables;

    RunCopies(RunTables tables) {
        this.tables = tables;
    }

    /** Ids of a set's runs that have ended, the oldest first. */
    public List<String> ended(String shopId, String setId) {
        return tables.of(shopId, setId).stream()
                .sorted(Comparator.comparing(Run::startedAt))
                .filter(run -> run.state() == Run.State.ENDED)
                .map(Run::id)
                .toList();
    }

    /** One run as JSON. */
    public byte[] write(String shopId, String id) {
        Run run = tables.run(shopId, id).orElseThrow();
        List<CopiedEntry> entries = tables.entries(shopId, id).stream()
                .map(entry -> new CopiedEntry(entry.seconds(), entry.kind(), entry.body()))
                .toList();
        return JSON.writeValueAsBytes(new Copy(
                id,
                run.feed(),
                run.isolated(),
                run.without(),
                run.step(),
                run.startedAt(),
                run.endedAt().orElse(run.startedAt()),
                run.ending(),
                JSON.readValue(tables.plan(shopId, id), PowerPlan.class),
                entries));
    }

    /**
     * Takes a run in, under an id of its own.
     *
     * @return whether it is whole; nothing is kept of one that is not
     */
    public boolean adopt(String shopId, String setId, String id, byte[] json, String author) {
        Copy copy;
        try {
            copy = JSON.readValue(json, Copy.class);
        } catch (JacksonException | IllegalArgumentException | NullPointerException broken) {
            return false;
        }
        if (!isWhole(copy)) {
            return false;
        }
        String plan = JSON.writeValueAsString(copy.plan);
        if (plan.length() > LONGEST_PLAN) {
            return false;
        }
        List<RunEntry> entries = new ArrayList<>();
        for (CopiedEntry entry : copy.entries) {
            entries.add(new RunEntry(entries.size(), entry.seconds, entry.kind, entry.body));
        }
        tables.adopt(
                shopId,
                new Run(
                        id,
                        setId,
                        Run.State.ENDED,
                        copy.feed,
                        copy.isolated,
                        copy.without,
                        copy.step,
                        entries.size(),
                        copy.startedAt,
                        Optional.of(copy.endedAt),
                        copy.ending,
                        author),
                plan,
                entries);
        return true;
    }

    private static boolean isWhole(Copy copy) {
        return copy.feed != null
                && copy.startedAt != null
                && copy.endedAt != null
                && isText(copy.without, LONGEST_WORDS)
                && isText(copy.ending, LONGEST_WORDS + 100)
                && copy.entries != null
                && copy.entries.size() <= MOST_ENTRIES
                && isWhole(copy.plan)
                && copy.step >= 0
                && copy.step < copy.plan.steps().size()
                && copy.entries.stream().allMatch(entry -> isWhole(entry, copy.plan));
    }

    private static boolean isText(String text, int longest) {
        return text != null && text.length() <= longest;
    }

    /** Everything a screen or the watch takes from it is there, and as long as it should be. */
    private static boolean isWhole(PowerPlan plan) {
        if (plan == null
                || plan.way() == null
                || plan.steps().isEmpty()
                || plan.steps().size() > 50
                || plan.seconds() > LONGEST_SECONDS
                || plan.low() == null
                || plan.middle() == null
                || plan.high() == null) {
            return false;
        }
        int rows = plan.middle().rows().size();
        int length = (int) Math.round(plan.seconds()) + 1;
        long rails = plan.watched().stream()
                .filter(w -> w.kind() == Watched.Kind.RAIL)
                .count();
        return rows > 0
                && rows <= plan.watched().size()
                && plan.steps().stream().allMatch(step -> step.seconds() > 0 && step.why() != null)
                && plan.watched().stream().allMatch(w -> w.id() != null && w.kind() != null && w.what() != null)
                && plan.watched().stream().skip(rows).allMatch(w -> w.kind() == Watched.Kind.CHASSIS)
                && Stream.of(plan.low(), plan.middle(), plan.high())
                        .allMatch(course -> areRows(course.rows(), rows, length))
                && plan.faults().stream()
                        .allMatch(fault -> fault.part() != null
                                && fault.says() != null
                                && fault.course() != null
                                && areRows(fault.course().rows(), rows, length))
                && (plan.fall() == null
                        || Stream.of(
                                        plan.fall().low(),
                                        plan.fall().middle(),
                                        plan.fall().high())
                                .allMatch(edge -> edge.size() == rails
                                        && edge.stream().allMatch(row -> row.length > 1 && row.length < 10_000)));
    }

    private static boolean areRows(List<double[]> all, int rows, int length) {
        return all.size() == rows && all.stream().allMatch(row -> row.length == length);
    }

    private static boolean isWhole(CopiedEntry entry, PowerPlan plan) {
        if (entry == null
                || !KINDS.contains(entry.kind)
                || !isText(entry.body, LONGEST_BODY)
                || !(entry.seconds >= 0 && entry.seconds < LONGEST_SECONDS)) {
            return false;
        }
        try {
            return switch (entry.kind) {
                case RunEntry.SAMPLE ->
                    entry.body.matches("[hi]:.*")
                            && RunProgress.sample(new RunEntry(0, entry.seconds, entry.kind, entry.body))
                                            .figures()
                                            .length
                                    == plan.watched().size();
                case RunEntry.STEP -> {
                    int step = Integer.parseInt(entry.body.replaceFirst("(?s)\\|.*", ""));
                    yield step >= 0 && step < plan.steps().size();
                }
                case RunEntry.ALARM -> {
                    Alarm alarm = JSON.readValue(entry.body, Alarm.class);
                    yield alarm.kind() != null && alarm.watched() != null && alarm.says() != null;
                }
                default -> true;
            };
        } catch (JacksonException | IllegalArgumentException | NullPointerException broken) {
            return false;
        }
    }
}
