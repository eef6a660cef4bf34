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
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
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
    private final ExecutorService threads = Executors.newCachedThreadPool(work -> {
        Thread thread = new Thread(work, "instruments of a run");
        thread.setDaemon(true);
        return thread;
    });

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
        threads.execute(reading);
    }

    /** One run's instruments, read until it ends. */
    private final class Reading implements Runnable {
        private final String shopId;
        private final Run run;
        private final Map<String, ScpiClient> clients = new HashMap<>();
        private final Map<String, Integer> failures = new HashMap<>();
        private List<Link> links = List.of();

        Reading(String shopId, Run run) {
            this.shopId = shopId;
            this.run = run;
        }

        @Override
        public void run() {
            long failsSince = 0;
            try {
                while (!closing) {
                    long began = System.nanoTime();
                    try {
                        if (!mayRead()) {
                            return;
                        }
                        once();
                        failsSince = 0;
                    } catch (RuntimeException e) {
                        failsSince = failsSince == 0 ? began : failsSince;
                        if (began - failsSince > LEASE.toNanos()) {
                            // What cannot be kept is not watched; then it has no power either.
                            LOG.warn("A run cannot be kept; its supply is switched off", e);
                            Switches.off(links).ifPresent(LOG::error);
                            return;
                        }
                    }
                    long left = PERIOD_MILLIS - (System.nanoTime() - began) / 1_000_000;
                    if (left > 0) {
                        Thread.sleep(left);
                    }
                }
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            } finally {
                clients.values().forEach(ScpiClient::close);
                going.remove(run.id());
            }
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
                runs.read(shopId, run.setId(), run.id(), figures, false);
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

    /** Nobody watches from here on: what this process reads loses its power. */
    @EventListener(ContextClosedEvent.class)
    void close() {
        closing = true;
        going.values().forEach(reading -> {
            try {
                runs.stop(
                        new Caller(reading.shopId, "program"),
                        reading.run.setId(),
                        reading.run.id(),
                        "The program that reads the instruments is shut down");
            } catch (RuntimeException e) {
                LOG.warn("A run could not be stopped in order; its supply is switched off", e);
                Switches.off(reading.links).ifPresent(LOG::error);
            }
        });
        threads.shutdownNow();
    }
}
