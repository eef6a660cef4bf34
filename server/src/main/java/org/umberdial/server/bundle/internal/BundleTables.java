package org.umberdial.server.bundle.internal;

import static org.umberdial.tables.Tables.BENCH_SET;
import static org.umberdial.tables.Tables.BUNDLE_ORIGIN;

import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Where sets that came by a bundle come from. */
@Repository
public class BundleTables {
    private final DSLContext db;

    BundleTables(DSLContext db) {
        this.db = db;
    }

    /** The set of this shop with an origin: the origin itself, or what came from there. */
    public Optional<String> setOf(String shopId, String originId) {
        return db.select(BENCH_SET.ID)
                .from(BENCH_SET)
                .where(BENCH_SET.SHOP_ID.eq(shopId), BENCH_SET.ID.eq(originId))
                .fetchOptional(BENCH_SET.ID)
                .or(() -> db.select(BUNDLE_ORIGIN.SET_ID)
                        .from(BUNDLE_ORIGIN)
                        .where(BUNDLE_ORIGIN.SHOP_ID.eq(shopId), BUNDLE_ORIGIN.ORIGIN_ID.eq(originId))
                        .fetchOptional(BUNDLE_ORIGIN.SET_ID));
    }

    /** The set one came from, or itself when it was taken in here. */
    public String originOf(String shopId, String setId) {
        return db.select(BUNDLE_ORIGIN.ORIGIN_ID)
                .from(BUNDLE_ORIGIN)
                .where(BUNDLE_ORIGIN.SHOP_ID.eq(shopId), BUNDLE_ORIGIN.SET_ID.eq(setId))
                .limit(1)
                .fetchOptional(BUNDLE_ORIGIN.ORIGIN_ID)
                .orElse(setId);
    }

    public void came(String shopId, String setId, String originId) {
        db.insertInto(BUNDLE_ORIGIN)
                .set(BUNDLE_ORIGIN.SHOP_ID, shopId)
                .set(BUNDLE_ORIGIN.SET_ID, setId)
                .set(BUNDLE_ORIGIN.ORIGIN_ID, originId)
                .onDuplicateKeyIgnore()
                .execute();
    }
}
