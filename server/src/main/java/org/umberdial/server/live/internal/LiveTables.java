package org.umberdial.server.live.internal;

import static org.umberdial.tables.Tables.BENCH_SET;
import static org.umberdial.tables.Tables.SHOP;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

/** What has changed, as the database says it: every node sees what any node wrote. */
@Repository
class LiveTables {
    /** More sets than a shop has at once. */
    private static final int MOST = 5_000;

    private final DSLContext db;

    LiveTables(DSLContext db) {
        this.db = db;
    }

    /** Which of some sessions are still open. */
    Set<String> open(List<String> sessions) {
        Field<String> id = DSL.field("SESSION_ID", String.class);
        return db.select(id)
                .from(DSL.table("SPRING_SESSION"))
                .where(id.in(sessions))
                .fetchSet(id);
    }

    /** Revision of each set, by its id; under the empty id the version of the shop's rules. */
    Map<String, Integer> revisions(String shopId) {
        Map<String, Integer> revisions = new HashMap<>();
        db.select(BENCH_SET.ID, BENCH_SET.REVISION)
                .from(BENCH_SET)
                .where(BENCH_SET.SHOP_ID.eq(shopId))
                .limit(MOST)
                .forEach(row -> revisions.put(row.value1(), row.value2()));
        db.select(SHOP.VERSION).from(SHOP).where(SHOP.ID.eq(shopId)).forEach(row -> revisions.put("", row.value1()));
        return revisions;
    }
}
