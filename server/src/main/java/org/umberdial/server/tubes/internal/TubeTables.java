package org.umberdial.server.tubes.internal;

import static org.umberdial.tables.Tables.BENCH_SET;
import static org.umberdial.tables.Tables.OWN_TUBE;
import static org.umberdial.tables.Tables.SHOP;

import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Rows of the shops' own tube types. */
@Repository
public class TubeTables {
    private final DSLContext db;

    TubeTables(DSLContext db) {
        this.db = db;
    }

    /** The rows of each type, in the open table's columns. */
    public List<String> bodies(String shopId) {
        return db.select(OWN_TUBE.BODY)
                .from(OWN_TUBE)
                .where(OWN_TUBE.SHOP_ID.eq(shopId))
                .orderBy(OWN_TUBE.NAME)
                .fetch(OWN_TUBE.BODY);
    }

    /** The rows of one type; until the transaction ends nobody else changes the shop's types, new ones included. */
    public Optional<String> locked(String shopId, String name) {
        db.select(SHOP.ID).from(SHOP).where(SHOP.ID.eq(shopId)).forUpdate().fetch();
        return db.select(OWN_TUBE.BODY)
                .from(OWN_TUBE)
                .where(OWN_TUBE.SHOP_ID.eq(shopId), OWN_TUBE.NAME.eq(name))
                .fetchOptional(OWN_TUBE.BODY);
    }

    public void put(String shopId, String name, String body) {
        db.insertInto(OWN_TUBE)
                .set(OWN_TUBE.SHOP_ID, shopId)
                .set(OWN_TUBE.NAME, name)
                .set(OWN_TUBE.BODY, body)
                .onDuplicateKeyUpdate()
                .set(OWN_TUBE.BODY, body)
                .execute();
    }

    public void remove(String shopId, String name) {
        db.deleteFrom(OWN_TUBE)
                .where(OWN_TUBE.SHOP_ID.eq(shopId), OWN_TUBE.NAME.eq(name))
                .execute();
    }

    /** Whatever is expected of the shop's sets may be another now. */
    public void setsChanged(String shopId) {
        db.update(BENCH_SET)
                .set(BENCH_SET.REVISION, BENCH_SET.REVISION.plus(1))
                .set(BENCH_SET.CIRCUIT_REVISION, BENCH_SET.CIRCUIT_REVISION.plus(1))
                .where(BENCH_SET.SHOP_ID.eq(shopId))
                .execute();
    }
}
