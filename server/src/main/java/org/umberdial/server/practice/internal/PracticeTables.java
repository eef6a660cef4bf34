package org.umberdial.server.practice.internal;

import static org.umberdial.tables.Tables.PRACTICE;
import static org.umberdial.tables.Tables.PRACTICE_MOVE;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.springframework.stereotype.Repository;
import org.umberdial.core.practice.Level;

/** Rows of practices and of what was done in them. */
@Repository
public class PracticeTables {
    /** @param bestMinutes null while it is not known */
    public record Row(
            String id,
            Level level,
            long number,
            String author,
            Instant begunAt,
            Optional<Instant> overAt,
            Optional<Double> bestMinutes) {}

    /** @param subject a part, or a spot as {@code KIND node} */
    public record MoveRow(String id, String kind, String subject) {}

    private final DSLContext db;

    PracticeTables(DSLContext db) {
        this.db = db;
    }

    /** Whether it is new. */
    public boolean begin(String shopId, Row row) {
        return db.insertInto(PRACTICE)
                        .set(PRACTICE.SHOP_ID, shopId)
                        .set(PRACTICE.ID, row.id)
                        .set(PRACTICE.LEVEL, row.level.name())
                        .set(PRACTICE.NUMBER, row.number)
                        .set(PRACTICE.AUTHOR, row.author)
                        .set(PRACTICE.BEGUN_AT, row.begunAt)
                        .onDuplicateKeyIgnore()
                        .execute()
                == 1;
    }

    /** The latest first. */
    public List<Row> latest(String shopId, int most) {
        return db.selectFrom(PRACTICE)
                .where(PRACTICE.SHOP_ID.eq(shopId))
                .orderBy(PRACTICE.BEGUN_AT.desc(), PRACTICE.ID)
                .limit(most)
                .fetch(PracticeTables::row);
    }

    public Optional<Row> one(String shopId, String id) {
        return db.selectFrom(PRACTICE)
                .where(PRACTICE.SHOP_ID.eq(shopId), PRACTICE.ID.eq(id))
                .fetchOptional(PracticeTables::row);
    }

    /** The same; until the transaction ends nobody else moves in it. */
    public Optional<Row> locked(String shopId, String id) {
        return db.selectFrom(PRACTICE)
                .where(PRACTICE.SHOP_ID.eq(shopId), PRACTICE.ID.eq(id))
                .forUpdate()
                .fetchOptional(PracticeTables::row);
    }

    private static Row row(Record row) {
        return new Row(
                row.get(PRACTICE.ID),
                Level.valueOf(row.get(PRACTICE.LEVEL)),
                row.get(PRACTICE.NUMBER),
                row.get(PRACTICE.AUTHOR),
                row.get(PRACTICE.BEGUN_AT),
                Optional.ofNullable(row.get(PRACTICE.OVER_AT)),
                Optional.ofNullable(row.get(PRACTICE.BEST_MINUTES)));
    }

    public List<MoveRow> moves(String shopId, String id) {
        return db.selectFrom(PRACTICE_MOVE)
                .where(PRACTICE_MOVE.SHOP_ID.eq(shopId), PRACTICE_MOVE.PRACTICE_ID.eq(id))
                .orderBy(PRACTICE_MOVE.NUMBER)
                .fetch(row -> new MoveRow(
                        row.get(PRACTICE_MOVE.ID), row.get(PRACTICE_MOVE.KIND), row.get(PRACTICE_MOVE.SUBJECT)));
    }

    public void move(String shopId, String id, int number, MoveRow move) {
        db.insertInto(PRACTICE_MOVE)
                .set(PRACTICE_MOVE.SHOP_ID, shopId)
                .set(PRACTICE_MOVE.PRACTICE_ID, id)
                .set(PRACTICE_MOVE.NUMBER, number)
                .set(PRACTICE_MOVE.ID, move.id)
                .set(PRACTICE_MOVE.KIND, move.kind)
                .set(PRACTICE_MOVE.SUBJECT, move.subject)
                .execute();
    }

    public void over(String shopId, String id, Instant at) {
        db.update(PRACTICE)
                .set(PRACTICE.OVER_AT, at)
                .where(PRACTICE.SHOP_ID.eq(shopId), PRACTICE.ID.eq(id))
                .execute();
    }

    public void best(String shopId, String id, double minutes) {
        db.update(PRACTICE)
                .set(PRACTICE.BEST_MINUTES, minutes)
                .where(PRACTICE.SHOP_ID.eq(shopId), PRACTICE.ID.eq(id))
                .execute();
    }
}
