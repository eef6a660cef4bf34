package org.umberdial.server.live.internal;

import static org.umberdial.tables.Tables.BENCH_SET;
import static org.umberdial.tables.Tables.SHOP;

import java.util.HashMap;
import java.util.Map;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** What has changed, as the database says it: every node sees what any node wrote. */
@Repository
class LiveTables {
    /** More sets than anybody changes between two looks. */
    private static final int LATEST = 50;

    private final DSLContext db;

    LiveTables(DSLContext db) {
        this.db = db;
    }

    /** Revision of each set touched last, by its id; under the empty id the version of the shop's rules. */
    Map<String, Integer> revisions(String shopId) {
        Map<String, Integer> revisions = new HashMap<>();
        db.select(BENCH_SET.ID, BENCH_SET.REVISION).from(BENCH_SET).where(BENCH_SET.SHOP_ID.eq(shopId)).orderBy(BENCH_SET.TOUCHED_AT.desc()).limit(LATEST).forEach(row -> revisions.put(row.value1(), row.value2()));
        db.select(SHOP.VERSION).from(SHOP).where(SHOP.ID.eq(shopId)).forEach(row -> revisions.put("", row.value1()));
        return revisions;
    }
}
