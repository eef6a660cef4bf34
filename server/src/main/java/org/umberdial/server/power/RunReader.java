package org.umberdial.server.power;

import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.umberdial.core.power.PowerPlan;
import org.umberdial.core.power.Watched;
import org.umberdial.server.power.internal.RunTables;
import org.umberdial.server.security.Caller;

/**
 * Reads the instruments of runs, five times a second. Of several processes on one database the one that holds a run's
 * lease reads it; when that one is gone another takes over within seconds, and says so.
 */
@Component
class RunReader {
    private static final Logger LOG = LoggerFactory.getLogger(RunReader.class);
    private static final long PERIOD_MILLIS = 200;
    private static final Duration LEASE = Duration.ofSeconds(3);
    private static final int FIRST_CHANNEL = 101;
    /** Readings that fail one after the other before it is said. */
    private static final int TOLERATED = 2;

    private final RunTables tables;
    private final RunService runs;
    private final Switches switches;
    private final Clock clock;
    private final boolean reads;
    private final String process = UUID.randomUUID().toString();
    private final Map<String, Reading> going = new ConcurrentHashMap<>();

    private volatile boolean closing;

    RunReader(
            RunTables tables,
            RunService runs,
            Switches switches,
            Clock clock,
            @Value("${umber.power.reads:true}") boolean reads) {
        this.tables = tables;
        this.runs = runs;
        this.switches = switches;
        this.clock = clock;
        this.reads = reads;
    }

    /** Takes on what goes on and nobody reads. */
    @Scheduled(fixedDelay = 250)
    void look() {
        if (!reads || closing) {
            return;
        }
        try {
            for (RunTables.Going run : tables.readFromInstruments()) {
                if (!going.containsKey(run.id())) {
                    takeOn(run);
                }
            }
        } catch (RuntimeException away) {
            LOG.debug("No look at runs just now", away);
        }
    }

    private void takeOn(RunTables.Going run) {
        Instant now = clock.instant();
        Optional<String> before = tables.lease(run.shopId(), run.id(), process, now, now.plus(LEASE));
        if (before.isEmpty()) {
            return;
        }
        Run there = tables.run(run.shopId(), run.id()).orElseThrow();
        Reading reading = new Reading(run.shopId(), there);
        if (!before.get().isEmpty() && !before.get().equals(process)) {
            runs.lost(
                    run.shopId(),
                    there.setId(),
                    run.id(),
                    "process",
                    "The program that read the instruments is gone; nothing was read for seconds. Another reads on.");
        }
        going.put(run.id(), reading);
        reading.begin();
    }

    /** One run's instruments, read until it ends; by a thread of its own, so that no slow one holds up another run. */
    private final class Reading {
        private final String shopId;
        private final Run run;
        private final Map<String, ScpiClient> clients = new HashMap<>();
        private final Map<String, Integer> failures = new HashMap<>();
        private final ScheduledExecutorService thread = Executors.newSingleThreadScheduledExecutor(work -> {
            Thread daemon = new Thread(work, "instruments of a run");
            daemon.setDaemon(true);
            return daemon;
        });

        /** Known from the start: when the database is gone nobody can be asked what there is to switch off. */
        private volatile List<Link> links;

        private Optional<Instant> failsSince = Optional.empty();

        Reading(String shopId, Run run) {
            this.shopId = shopId;
            this.run = run;
            links = switches.links(shopId);
        }

        void begin() {
            thread.execute(this::turn);
        }

        /** What goes wrong beyond repair leaves the run to be taken on anew. */
        private void turn() {
            long began = System.nanoTime();
            boolean goesOn = false;
            try {
                goesOn = goesOn();
            } finally {
                if (goesOn) {
                    // Not at a fixed rate: what was missed while an instrument hung is not made up for in a burst.
                    long taken = (System.nanoTime() - began) / 1_000_000;
                    thread.schedule(this::turn, Math.max(0, PERIOD_MILLIS - taken), TimeUnit.MILLISECONDS);
                } else {
                    end();
                }
            }
        }

        private boolean goesOn() {
            try {
                if (closing || !mayRead()) {
                    return false;
                }
                once();
                failsSince = Optional.empty();
            } catch (RuntimeException e) {
                Instant now = clock.instant();
                failsSince = failsSince.or(() -> Optional.of(now));
                if (now.isAfter(failsSince.get().plus(LEASE))) {
                    // What cannot be kept is not watched; then it has no power either.
                    LOG.warn("A run cannot be kept; its supply is switched off", e);
                    Switches.off(links).ifPresent(LOG::error);
                    return false;
                }
            }
            return true;
        }

        private void end() {
            clients.values().forEach(ScpiClient::close);
            going.remove(run.id());
            thread.shutdown();
        }

        private boolean mayRead() {
            Instant now = clock.instant();
            return tables.lease(shopId, run.id(), process, now, now.plus(LEASE)).isPresent()
                    && tables.run(shopId, run.id())
                            .filter(r -> r.state() != Run.State.ENDED)
                            .isPresent();
        }

        private void once() {
            PowerPlan plan = runs.plan(shopId, run);
            Map<String, Double> figures = new HashMap<>();
            Run now = tables.run(shopId, run.id()).orElseThrow();
            double lampWatts = plan.steps().get(now.step()).lampWatts();
            links = switches.links(shopId);
            Instant began = clock.instant();
            for (Link link : links) {
                link.profile().reads().forEach((what, query) -> {
                    boolean watched = plan.watched().stream().anyMatch(w -> w.id().equals(what));
                    if (watched) {
                        ask(link, what, query)
                                .ifPresent(v ->
                                        figures.put(what, what.equals("lamp") ? lampWatts > 0 ? v / lampWatts : 0 : v));
                    }
                });
                if (!link.profile().channels().isEmpty()) {
                    List<Watched> points = channels(plan);
                    boolean several = link.profile().channels().contains("{0}");
                    for (int i = 0; i < (several ? points.size() : Math.min(1, points.size())); i++) {
                        String query = link.profile().channels().replace("{0}", String.valueOf(FIRST_CHANNEL + i));
                        String what = points.get(i).id();
                        ask(link, what, query).ifPresent(v -> figures.put(what, v));
                    }
                }
            }
            if (!figures.isEmpty()) {
                Instant midway =
                        began.plus(Duration.between(began, clock.instant()).dividedBy(2));
                runs.read(shopId, run.setId(), run.id(), figures, midway);
            }
        }

        private Optional<Double> ask(Link link, String what, String query) {
            ScpiClient client = clients.computeIfAbsent(link.id(), id -> new ScpiClient(link.host(), link.port()));
            try {
                double value = client.ask(query);
                if (failures.getOrDefault(what, 0) > TOLERATED) {
                    runs.lost(shopId, run.setId(), run.id(), what, "");
                    runs.note(shopId, run.setId(), run.id(), link.name() + " answers again.");
                }
                failures.put(what, 0);
                return Optional.of(value);
            } catch (IOException e) {
                if (failures.merge(what, 1, Integer::sum) == TOLERATED + 1) {
                    runs.lost(
                            shopId,
                            run.setId(),
                            run.id(),
                            what,
                            link.name() + " " + Switches.words(e) + ": nothing watches this now.");
                }
                return Optional.empty();
            }
        }
    }

    /** What is clipped to which channel: the supply points in the plan's order, from 101 on. */
    static List<Watched> channels(PowerPlan plan) {
        return plan.watched().stream()
                .filter(w -> w.kind() == Watched.Kind.RAIL || w.kind() == Watched.Kind.DROP)
                .toList();
    }

    /**
     * Nobody watches from here on: what this process reads loses its power, and so does what began a moment ago and
     * nobody reads yet.
     */
    @EventListener(ContextClosedEvent.class)
    void close() {
        closing = true;
        if (!reads) {
            return;
        }
        try {
            for (RunTables.Going run : tables.readFromInstruments()) {
                Instant now = clock.instant();
                if (tables.lease(run.shopId(), run.id(), process, now, now.plus(LEASE))
                        .isPresent()) {
                    runs.stop(
                            new Caller(run.shopId(), "program"),
                            tables.run(run.shopId(), run.id()).orElseThrow().setId(),
                            run.id(),
                            "The program that reads the instruments is shut down");
                }
            }
        } catch (RuntimeException e) {
            LOG.warn("Runs could not be stopped in order; their supplies are switched off", e);
            going.values().forEach(reading -> Switches.off(reading.links).ifPresent(LOG::error));
        }
        going.values().forEach(reading -> reading.thread.shutdownNow());
    }
}
