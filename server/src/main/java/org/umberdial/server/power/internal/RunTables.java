package org.umberdial.server.power.internal;

import static org.umberdial.tables.Tables.BENCH_SET;
import static org.umberdial.tables.Tables.POWER_ENTRY;
import static org.umberdial.tables.Tables.POWER_RUN;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.springframework.stereotype.Repository;
import org.umberdial.server.power.GoingRun;
import org.umberdial.server.power.Run;
import org.umberdial.server.power.RunEntry;

/** Runs and what happens in them. */
@Repository
public class RunTables {
    /** Of a run of hours at five samples a second. */
    private static final int MOST_AT_ONCE = 50_000;

    private static final int AT_ONCE = 500;

    private final DSLContext db;

    RunTables(DSLContext db) {
        this.db = db;
    }

    /** Whether it is new. */
    public boolean start(String shopId, Run run, String plan) {
        return db.insertInto(POWER_RUN)
                        .set(POWER_RUN.SHOP_ID, shopId)
                        .set(POWER_RUN.ID, run.id())
                        .set(POWER_RUN.SET_ID, run.setId())
                        .set(POWER_RUN.STATE, run.state().name())
                        .set(POWER_RUN.FEED, run.feed().name())
                        .set(POWER_RUN.PLAN, plan)
                        .set(POWER_RUN.ISOLATED, run.isolated())
                        .set(POWER_RUN.WITHOUT_PARTS, run.without())
                        .set(POWER_RUN.STARTED_AT, run.startedAt())
                        .set(POWER_RUN.AUTHOR, run.author())
                        .onDuplicateKeyIgnore()
                        .execute()
                == 1;
    }

    /** Lets nobody else begin a run of the set until the transaction ends. */
    public void lockSet(String shopId, String setId) {
        db.select(BENCH_SET.ID)
                .from(BENCH_SET)
                .where(BENCH_SET.SHOP_ID.eq(shopId), BENCH_SET.ID.eq(setId))
                .forUpdate()
                .fetch();
    }

    /** A set's runs, the latest first. */
    public List<Run> of(String shopId, String setId) {
        return db.selectFrom(POWER_RUN)
                .where(POWER_RUN.SHOP_ID.eq(shopId), POWER_RUN.SET_ID.eq(setId))
                .orderBy(POWER_RUN.STARTED_AT.desc(), POWER_RUN.ID)
                .fetch(RunTables::run);
    }

    public Optional<Run> run(String shopId, String id) {
        return db.selectFrom(POWER_RUN)
                .where(POWER_RUN.SHOP_ID.eq(shopId), POWER_RUN.ID.eq(id))
                .fetchOptional(RunTables::run);
    }

    /** The same, with nobody else changing it until the transaction ends. */
    public Optional<Run> locked(String shopId, String id) {
        return db.selectFrom(POWER_RUN)
                .where(POWER_RUN.SHOP_ID.eq(shopId), POWER_RUN.ID.eq(id))
                .forUpdate()
                .fetchOptional(RunTables::run);
    }

    private static Run run(Record row) {
        return new Run(
                row.get(POWER_RUN.ID),
                row.get(POWER_RUN.SET_ID),
                Run.State.valueOf(row.get(POWER_RUN.STATE)),
                Run.Feed.valueOf(row.get(POWER_RUN.FEED)),
                row.get(POWER_RUN.ISOLATED),
                row.get(POWER_RUN.WITHOUT_PARTS),
                row.get(POWER_RUN.STEP),
                row.get(POWER_RUN.ENTRIES),
                row.get(POWER_RUN.STARTED_AT),
                Optional.ofNullable(row.get(POWER_RUN.ENDED_AT)),
                row.get(POWER_RUN.ENDING),
                row.get(POWER_RUN.AUTHOR));
    }

    /** Runs of a shop that are not ended, with the titles of their sets. */
    public List<GoingRun> going(String shopId) {
        return db.select(POWER_RUN.ID, POWER_RUN.SET_ID, BENCH_SET.TITLE, POWER_RUN.STATE)
                .from(POWER_RUN)
                .join(BENCH_SET)
                .on(BENCH_SET.SHOP_ID.eq(POWER_RUN.SHOP_ID), BENCH_SET.ID.eq(POWER_RUN.SET_ID))
                .where(POWER_RUN.SHOP_ID.eq(shopId), POWER_RUN.STATE.ne(Run.State.ENDED.name()))
                .orderBy(POWER_RUN.STARTED_AT)
                .fetch(row -> new GoingRun(row.value1(), row.value2(), row.value3(), Run.State.valueOf(row.value4())));
    }

    public String plan(String shopId, String id) {
        return db.select(POWER_RUN.PLAN)
                .from(POWER_RUN)
                .where(POWER_RUN.SHOP_ID.eq(shopId), POWER_RUN.ID.eq(id))
                .fetchOne(POWER_RUN.PLAN);
    }

    /** A run that is read from instruments and goes on, of any shop. */
    public record Going(String shopId, String id) {}

    public List<Going> readFromInstruments() {
        return db.select(POWER_RUN.SHOP_ID, POWER_RUN.ID)
                .from(POWER_RUN)
                .where(
                        POWER_RUN.STATE.in(Run.State.RUNNING.name(), Run.State.STOPPING.name()),
                        POWER_RUN.FEED.eq(Run.Feed.INSTRUMENTS.name()))
                .fetch(row -> new Going(row.value1(), row.value2()));
    }

    /**
     * Takes or keeps the right to read a run's instruments.
     *
     * @return the one that held it before, this process itself when it did; empty when another holds it
     */
    public Optional<String> lease(String shopId, String id, String process, Instant now, Instant until) {
        String before = db.select(POWER_RUN.LEASE)
                .from(POWER_RUN)
                .where(POWER_RUN.SHOP_ID.eq(shopId), POWER_RUN.ID.eq(id))
                .fetchOne(POWER_RUN.LEASE);
        boolean taken = db.update(POWER_RUN)
                        .set(POWER_RUN.LEASE, process)
                        .set(POWER_RUN.LEASE_UNTIL, until)
                        .where(
                                POWER_RUN.SHOP_ID.eq(shopId),
                                POWER_RUN.ID.eq(id),
                                POWER_RUN.LEASE.in(process, "").or(POWER_RUN.LEASE_UNTIL.lt(now)))
                        .execute()
                == 1;
        return taken ? Optional.of(before) : Optional.empty();
    }

    /** Adds an entry behind the last; the run must be locked. */
    public RunEntry add(String shopId, Run run, int number, double seconds, String kind, String body) {
        db.insertInto(POWER_ENTRY)
                .set(POWER_ENTRY.SHOP_ID, shopId)
                .set(POWER_ENTRY.RUN_ID, run.id())
                .set(POWER_ENTRY.NUMBER, number)
                .set(POWER_ENTRY.SECONDS, seconds)
                .set(POWER_ENTRY.KIND, kind)
                .set(POWER_ENTRY.BODY, body)
                .execute();
        db.update(POWER_RUN)
                .set(POWER_RUN.ENTRIES, number + 1)
                .where(POWER_RUN.SHOP_ID.eq(shopId), POWER_RUN.ID.eq(run.id()))
                .execute();
        return new RunEntry(number, seconds, kind, body);
    }

    /** Takes a run in that ended elsewhere, whole. */
    public void adopt(String shopId, Run run, String plan, List<RunEntry> entries) {
        if (!start(shopId, run, plan)) {
            return;
        }
        state(shopId, run.id(), run.state(), run.ending(), run.endedAt());
        step(shopId, run.id(), run.step());
        for (int from = 0; from < entries.size(); from += AT_ONCE) {
            var rows = db.insertInto(
                    POWER_ENTRY,
                    POWER_ENTRY.SHOP_ID,
                    POWER_ENTRY.RUN_ID,
                    POWER_ENTRY.NUMBER,
                    POWER_ENTRY.SECONDS,
                    POWER_ENTRY.KIND,
                    POWER_ENTRY.BODY);
            for (RunEntry entry : entries.subList(from, Math.min(entries.size(), from + AT_ONCE))) {
                rows = rows.values(shopId, run.id(), entry.number(), entry.seconds(), entry.kind(), entry.body());
            }
            rows.execute();
        }
        db.update(POWER_RUN)
                .set(POWER_RUN.ENTRIES, entries.size())
                .where(POWER_RUN.SHOP_ID.eq(shopId), POWER_RUN.ID.eq(run.id()))
                .execute();
    }

    /** Entries from a number on. */
    public List<RunEntry> entries(String shopId, String runId, int from) {
        return db.selectFrom(POWER_ENTRY)
                .where(POWER_ENTRY.SHOP_ID.eq(shopId), POWER_ENTRY.RUN_ID.eq(runId), POWER_ENTRY.NUMBER.ge(from))
                .orderBy(POWER_ENTRY.NUMBER)
                .limit(MOST_AT_ONCE)
                .fetch(RunTables::entry);
    }

    /** Every entry of a run. */
    public List<RunEntry> entries(String shopId, String runId) {
        List<RunEntry> all = new ArrayList<>();
        List<RunEntry> more = entries(shopId, runId, 0);
        while (!more.isEmpty()) {
            all.addAll(more);
            more = entries(shopId, runId, all.size());
        }
        return all;
    }

    /** What happened in a run beside what was read. */
    public List<RunEntry> events(String shopId, String runId) {
        return db.selectFrom(POWER_ENTRY)
                .where(
                        POWER_ENTRY.SHOP_ID.eq(shopId),
                        POWER_ENTRY.RUN_ID.eq(runId),
                        POWER_ENTRY.KIND.in(RunEntry.STEP, RunEntry.ALARM, RunEntry.STOP))
                .orderBy(POWER_ENTRY.NUMBER)
                .fetch(RunTables::entry);
    }

    private static RunEntry entry(Record row) {
        return new RunEntry(
                row.get(POWER_ENTRY.NUMBER),
                row.get(POWER_ENTRY.SECONDS),
                row.get(POWER_ENTRY.KIND),
                row.get(POWER_ENTRY.BODY));
    }

    public void step(String shopId, String id, int step) {
        db.update(POWER_RUN)
                .set(POWER_RUN.STEP, step)
                .where(POWER_RUN.SHOP_ID.eq(shopId), POWER_RUN.ID.eq(id))
                .execute();
    }

    public void state(String shopId, String id, Run.State state, String ending, Optional<Instant> endedAt) {
        db.update(POWER_RUN)
                .set(POWER_RUN.STATE, state.name())
                .set(POWER_RUN.ENDING, ending)
                .set(POWER_RUN.ENDED_AT, endedAt.orElse(null))
                .where(POWER_RUN.SHOP_ID.eq(shopId), POWER_RUN.ID.eq(id))
                .execute();
    }
}
