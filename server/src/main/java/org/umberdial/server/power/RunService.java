package org.umberdial.server.power;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.umberdial.core.evidence.PowerReady;
import org.umberdial.core.evidence.PowerRun;
import org.umberdial.core.power.Alarm;
import org.umberdial.core.power.PowerArea;
import org.umberdial.core.power.PowerPlan;
import org.umberdial.core.power.ReadyCheck;
import org.umberdial.core.power.RunWatch;
import org.umberdial.core.power.Watched;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.power.internal.RunTables;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;
import tools.jackson.databind.json.JsonMapper;

/**
 * Runs in which a set is brought up. What happens is kept entry by entry; how it stands is worked out from them, so
 * that any process on the database says the same.
 */
@Service
public class RunService {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int MOST_WATCHED = 100;
    /** A run of many hours at five samples a second. */
    private static final int MOST_ENTRIES = 400_000;

    private static final int LONGEST_WORDS = 400;
    /** How far a part that was proven may still be it: proofs hold for the volts and the warmth they were made at. */
    private static final double PROVEN = 0.15;

    /**
     * How a run stands now.
     *
     * @param stepAt when its step began [s]
     * @param fall how it falls since the power is off, sentences
     */
    public record Standing(
            Run run,
            PowerPlan plan,
            double seconds,
            double stepAt,
            RunWatch.State state,
            List<Alarm> alarms,
            List<String> fall) {}

    private final RunTables tables;
    private final Plans plans;
    private final SetFiles files;
    private final EvidenceService evidence;
    private final Switches switches;
    private final Clock clock;
    private final double speed;
    private final Cache<String, RunProgress> watched =
            Caffeine.newBuilder().maximumSize(MOST_WATCHED).build();

    public RunService(
            RunTables tables,
            Plans plans,
            SetFiles files,
            EvidenceService evidence,
            Switches switches,
            Clock clock,
            @Value("${umber.power.speed:1}") double speed) {
        this.tables = tables;
        this.plans = plans;
        this.files = files;
        this.evidence = evidence;
        this.switches = switches;
        this.clock = clock;
        this.speed = speed;
    }

    /** How many seconds of a run pass in one of the clock's; 1 but where somebody shows it in a hurry. */
    public double speed() {
        return speed;
    }

    /** A set's runs, the latest first. */
    public List<Run> runs(String shopId, String setId) {
        files.open(shopId, setId);
        return tables.of(shopId, setId);
    }

    /** Runs of a shop that are not ended, so that any page can stop one. */
    public List<GoingRun> going(String shopId) {
        return tables.going(shopId);
    }

    /** @throws Problem when the set has no such run */
    public Run require(String shopId, String setId, String id) {
        return tables.run(shopId, id)
                .filter(run -> run.setId().equals(setId))
                .orElseThrow(() -> Problem.notFound("This run"));
    }

    private Run locked(String shopId, String setId, String id) {
        return tables.locked(shopId, id)
                .filter(run -> run.setId().equals(setId))
                .orElseThrow(() -> Problem.notFound("This run"));
    }

    private double seconds(Run run) {
        return seconds(run, run.endedAt().orElse(clock.instant()));
    }

    private double seconds(Run run, Instant at) {
        return Duration.between(run.startedAt(), at).toNanos() / 1e9 * speed;
    }

    /**
     * Begins a run; the same id again changes nothing.
     *
     * @throws InvalidEntry when something before power is not settled, there is no plan, or another run goes on
     */
    @Transactional(isolation = Isolation.READ_COMMITTED)
    public void start(Caller caller, String setId, String id, Run.Feed feed) {
        tables.lockSet(caller.shopId(), setId);
        OpenSet open = files.open(caller.shopId(), setId);
        if (tables.run(caller.shopId(), id).isPresent()) {
            require(caller.shopId(), setId, id);
            return;
        }
        List<ReadyCheck> unsettled = PowerArea.unsettled(open.file());
        if (!unsettled.isEmpty()) {
            throw refused(unsettled.size() + (unsettled.size() == 1 ? " thing is" : " things are")
                    + " not settled before power: "
                    + unsettled.stream().map(ReadyCheck::title).distinct().collect(Collectors.joining(", ")) + ".");
        }
        if (tables.of(caller.shopId(), setId).stream().anyMatch(run -> run.state() != Run.State.ENDED)) {
            throw refused("Another run of this set is not ended yet: read its supply empty first.");
        }
        PowerPlan plan = plans.plan(open)
                .plan()
                .orElseThrow(() -> refused(plans.plan(open).reason()))
                .rounded();
        if (feed == Run.Feed.INSTRUMENTS
                && switches.links(caller.shopId()).stream()
                        .noneMatch(link -> link.profile().ofPower())) {
            throw refused("No instrument of this shop answers on the network; add one, or enter by hand.");
        }
        boolean isolated = open.log().standing(PowerReady.class).stream()
                .filter(s -> s.fact().gate().equals("isolation"))
                .reduce((a, b) -> b)
                .filter(s -> s.fact().answer().equals("isolated"))
                .isPresent();
        Run run = new Run(
                id,
                setId,
                Run.State.RUNNING,
                feed,
                isolated,
                plan.asItIs().words(),
                0,
                0,
                clock.instant(),
                Optional.empty(),
                "",
                caller.author());
        if (!tables.start(caller.shopId(), run, JSON.writeValueAsString(plan))) {
            return;
        }
        log(
                caller,
                run,
                PowerRun.Phase.BEGAN,
                plan.way().label() + ", " + plan.steps().get(0).name(plan.line()) + " first");
        if (feed == Run.Feed.INSTRUMENTS) {
            offIfNotKept(caller.shopId());
            switches.go(caller.shopId(), plan.steps().get(0), true).ifPresent(fault -> {
                throw refused(fault);
            });
        }
        // The set's warm-up counts from when it has power, however long it took to keep and switch this.
        tables.add(caller.shopId(), run, 0, feed == Run.Feed.INSTRUMENTS ? seconds(run) : 0, RunEntry.STEP, "0");
    }

    /** A supply that is on for a run nobody knows of would be worse than none. */
    private void offIfNotKept(String shopId) {
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCompletion(int status) {
                if (status != STATUS_COMMITTED) {
                    switches.off(shopId);
                }
            }
        });
    }

    private static InvalidEntry refused(String words) {
        return new InvalidEntry(InvalidEntry.Code.CONFLICT, words);
    }

    private void log(Caller caller, Run run, PowerRun.Phase phase, String words) {
        evidence.keep(
                caller,
                run.setId(),
                UUID.nameUUIDFromBytes((run.id() + phase).getBytes(java.nio.charset.StandardCharsets.US_ASCII))
                        .toString(),
                new PowerRun(run.id(), phase, cut(words)),
                Optional.empty());
    }

    private static String cut(String words) {
        return words.length() <= LONGEST_WORDS ? words : words.substring(0, LONGEST_WORDS);
    }

    private RunProgress progress(String shopId, Run run) {
        return watched.get(shopId + run.id(), key -> {
            OpenSet open = files.open(shopId, run.setId());
            PowerPlan plan = JSON.readValue(tables.plan(shopId, run.id()), PowerPlan.class);
            return new RunProgress(
                    plan,
                    new RunWatch(plan, open.policy(), part -> serves(open, part) ? PROVEN : 1, run.isolated()),
                    open.policy().safeVolts());
        });
    }

    private static boolean serves(OpenSet open, String part) {
        return open.file().ledger().serves(part).filter(serves -> serves).isPresent();
    }

    /** How a run stands. */
    public Standing standing(String shopId, String setId, String id) {
        Run run = require(shopId, setId, id);
        return with(shopId, run, progress -> {
            double seconds = seconds(run);
            return new Standing(
                    run,
                    progress.plan(),
                    seconds,
                    progress.stepAt(),
                    progress.watch().state(seconds),
                    progress.alarms(),
                    progress.fall());
        });
    }

    /**
     * Works a run out as far as its entries go. One at a time for each run; what was changed and then failed is worked
     * out anew.
     */
    private <T> T with(String shopId, Run run, Function<RunProgress, T> work) {
        RunProgress progress = progress(shopId, run);
        synchronized (progress) {
            try {
                if (progress.applied() < run.entries()) {
                    tables.entries(shopId, run.id(), progress.applied()).forEach(progress::apply);
                }
                return work.apply(progress);
            } catch (RuntimeException e) {
                watched.invalidate(shopId + run.id());
                throw e;
            }
        }
    }

    /** Entries of a run from a number on. */
    public List<RunEntry> entries(String shopId, String setId, String id, int from) {
        require(shopId, setId, id);
        return tables.entries(shopId, id, from);
    }

    /** What a plan watches, for who types or reads figures of it. */
    public PowerPlan plan(String shopId, Run run) {
        return with(shopId, run, progress -> progress.plan());
    }

    /**
     * Adds what instruments read at one moment.
     *
     * @param figures by id of what is watched
     * @param at when they were read; keeping them may take its time
     */
    @Transactional(isolation = Isolation.READ_COMMITTED)
    public void read(String shopId, String setId, String id, Map<String, Double> figures, Instant at) {
        add(shopId, setId, id, figures, at, "i:");
    }

    /**
     * Adds what somebody read and types now.
     *
     * @param figures by id of what is watched
     */
    @Transactional(isolation = Isolation.READ_COMMITTED)
    public void typed(String shopId, String setId, String id, Map<String, Double> figures) {
        add(shopId, setId, id, figures, clock.instant(), "h:");
    }

    private void add(String shopId, String setId, String id, Map<String, Double> figures, Instant at, String source) {
        Run run = locked(shopId, setId, id);
        if (run.state() == Run.State.ENDED) {
            throw refused("This run has ended.");
        }
        if (run.entries() >= MOST_ENTRIES) {
            throw refused("A run holds " + MOST_ENTRIES + " entries; end it and begin another.");
        }
        with(shopId, run, progress -> {
            List<Watched> all = progress.plan().watched();
            double[] row = all.stream()
                    .mapToDouble(w -> figures.getOrDefault(w.id(), Double.NaN))
                    .toArray();
            double seconds = seconds(run, at);
            String body = source
                    + Arrays.stream(row)
                            .mapToObj(v -> Double.isNaN(v) ? "" : String.valueOf((float) v))
                            .collect(Collectors.joining(","));
            add(shopId, run, progress, seconds, RunEntry.SAMPLE, body);
            if (run.state() == Run.State.STOPPING) {
                emptied(shopId, run, progress, seconds);
            }
            return null;
        });
    }

    /** Keeps an entry and what follows from it. */
    private void add(String shopId, Run run, RunProgress progress, double seconds, String kind, String body) {
        RunEntry entry = tables.add(shopId, run, progress.applied(), progress.moment(seconds), kind, body);
        if (!kind.equals(RunEntry.SAMPLE)) {
            progress.apply(entry);
            return;
        }
        List<Alarm> raised = progress.applySample(entry);
        if (run.state() == Run.State.RUNNING) {
            raised.forEach(alarm -> raise(shopId, run, progress, alarm));
        }
    }

    private void raise(String shopId, Run run, RunProgress progress, Alarm alarm) {
        add(shopId, run, progress, alarm.seconds(), RunEntry.ALARM, JSON.writeValueAsString(alarm));
        if (alarm.kind().grave()
                && !progress.stopped()
                && run.feed() == Run.Feed.INSTRUMENTS
                && switches.canSwitch(shopId)) {
            String off = switches.off(shopId).orElse("");
            add(
                    shopId,
                    run,
                    progress,
                    alarm.seconds(),
                    RunEntry.STOP,
                    off.isEmpty()
                            ? "The alarm switched the supply off: "
                                    + alarm.kind().label()
                            : off + " PULL THE PLUG.");
            stopped(new Caller(shopId, "alarm"), run, alarm.kind().label() + " at " + clock(alarm.seconds()));
        }
    }

    private static String clock(double seconds) {
        return String.format(java.util.Locale.ROOT, "%d:%02d", (int) seconds / 60, (int) seconds % 60);
    }

    private void stopped(Caller caller, Run run, String why) {
        tables.state(caller.shopId(), run.id(), Run.State.STOPPING, cut(why), Optional.empty());
        log(caller, run, PowerRun.Phase.STOPPED, why);
    }

    /** A run that was stopped ends when every supply point was read at a safe voltage. */
    private void emptied(String shopId, Run run, RunProgress progress, double seconds) {
        if (progress.isEmpty()) {
            add(
                    shopId,
                    run,
                    progress,
                    seconds,
                    RunEntry.EMPTY,
                    "Every supply point that is watched is at a safe voltage."
                            + progress.fallen().stream().map(" "::concat).collect(Collectors.joining()));
            tables.state(shopId, run.id(), Run.State.ENDED, run.ending(), Optional.of(clock.instant()));
        }
    }

    /** A reading that does not come is an alarm; {@code says} is empty when it comes again. */
    @Transactional(isolation = Isolation.READ_COMMITTED)
    public void lost(String shopId, String setId, String id, String watchedId, String says) {
        Run run = locked(shopId, setId, id);
        if (run.state() == Run.State.RUNNING) {
            with(shopId, run, progress -> {
                if (says.isEmpty()) {
                    progress.watch().found(watchedId);
                } else {
                    progress.watch()
                            .lost(watchedId, seconds(run), says)
                            .ifPresent(a -> raise(shopId, run, progress, a));
                }
                return null;
            });
        }
    }

    /** Puts words into a run's course. */
    @Transactional(isolation = Isolation.READ_COMMITTED)
    public void note(String shopId, String setId, String id, String words) {
        Run run = locked(shopId, setId, id);
        if (run.state() == Run.State.ENDED || run.entries() >= MOST_ENTRIES) {
            throw refused("This run has ended; notes of the set go into its log.");
        }
        with(shopId, run, progress -> {
            add(shopId, run, progress, seconds(run), RunEntry.NOTE, cut(words));
            return null;
        });
    }

    /**
     * Goes on to the next step, or ends the run after the last.
     *
     * @param from number of the step somebody sees; another one by now changes nothing
     * @param reason why one goes on although it is not in its band; empty when it is
     */
    @Transactional(isolation = Isolation.READ_COMMITTED)
    public void advance(Caller caller, String setId, String id, int from, String reason) {
        Run run = locked(caller.shopId(), setId, id);
        if (run.state() != Run.State.RUNNING || run.step() != from) {
            return;
        }
        with(caller.shopId(), run, progress -> {
            double seconds = seconds(run);
            RunWatch.State state = progress.watch().state(seconds);
            if (!state.mayAdvance() && reason.isBlank()) {
                throw refused(state.holds() + " To go on anyway, write why.");
            }
            String over = state.mayAdvance() ? "" : "|" + reason.strip();
            if (run.step() + 1 < progress.plan().steps().size()) {
                Optional<String> fault = Optional.empty();
                if (run.feed() == Run.Feed.INSTRUMENTS) {
                    offIfNotKept(caller.shopId());
                    fault = switches.go(caller.shopId(), progress.plan().steps().get(run.step() + 1), false);
                }
                // What the set does on this step counts from when it was switched.
                add(caller.shopId(), run, progress, seconds(run), RunEntry.STEP, run.step() + 1 + over);
                tables.step(caller.shopId(), id, run.step() + 1);
                // Lamps may be in already and the volts not: nobody knows what the set has, so it has nothing.
                fault.ifPresent(says -> {
                    String off = off(caller.shopId(), run);
                    add(caller.shopId(), run, progress, seconds(run), RunEntry.STOP, says + " " + off);
                    stopped(caller, run, says);
                });
            } else {
                finish(caller, run, progress, seconds, over);
            }
            return null;
        });
    }

    private void finish(Caller caller, Run run, RunProgress progress, double seconds, String over) {
        boolean well = progress.alarms().isEmpty() && !progress.passedOver() && over.isEmpty();
        String without = progress.plan().asItIs().words();
        String words =
                progress.plan().way().label() + ", " + progress.plan().steps().size()
                        + (progress.plan().steps().size() == 1 ? " step" : " steps")
                        + (well
                                ? ", every figure in its band"
                                : over.isEmpty() ? "" : "; went on although: " + over.substring(1))
                        + (without.isEmpty() ? "" : "; " + without + " meanwhile");
        String off = off(caller.shopId(), run);
        add(caller.shopId(), run, progress, seconds, RunEntry.STOP, "At its end. " + off);
        tables.state(caller.shopId(), run.id(), Run.State.STOPPING, cut(words), Optional.empty());
        // What was lifted meanwhile is not proven by it, and the set is not whole.
        log(caller, run, well && without.isEmpty() ? PowerRun.Phase.CAME_UP : PowerRun.Phase.ENDED, words);
    }

    /** Takes the power away where it can be switched; says what a person has to do. */
    private String off(String shopId, Run run) {
        if (run.feed() != Run.Feed.INSTRUMENTS || !switches.canSwitch(shopId)) {
            return "PULL THE PLUG.";
        }
        return switches.off(shopId).map(fault -> fault + " PULL THE PLUG.").orElse("The supply is off.");
    }

    /** Stops a run at once; a second time it tries again to switch off. */
    @Transactional(isolation = Isolation.READ_COMMITTED)
    public void stop(Caller caller, String setId, String id, String why) {
        // Before anything is looked up: what can be switched off is off first.
        Run seen = require(caller.shopId(), setId, id);
        String off = seen.state() == Run.State.ENDED ? "" : off(caller.shopId(), seen);
        Run run = locked(caller.shopId(), setId, id);
        if (run.state() == Run.State.ENDED) {
            return;
        }
        with(caller.shopId(), run, progress -> {
            add(
                    caller.shopId(),
                    run,
                    progress,
                    seconds(run),
                    RunEntry.STOP,
                    why.isBlank() ? off : why.strip() + ". " + off);
            return null;
        });
        if (run.state() == Run.State.RUNNING) {
            stopped(caller, run, why.isBlank() ? "by hand" : why.strip());
        }
    }

    /** Whether the supply of a run can be switched from here. */
    public boolean canSwitch(String shopId, Run run) {
        return run.feed() == Run.Feed.INSTRUMENTS && switches.canSwitch(shopId);
    }
}
