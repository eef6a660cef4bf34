package org.umberdial.server.stands.internal;

import static org.umberdial.tables.Tables.LAST_LOOK;

import java.time.Instant;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** How far in its log a person has seen a set. */
@Repository
class LookTables {
    /** @param order place of the last entry that was there */
    record Look(int order, Instant at) {}

    private final DSLContext db;

    LookTables(DSLContext db) {
        this.db = db;
    }

    Optional<Look> last(String shopId, String setId, String person) {
        return db.selectFrom(LAST_LOOK)
                .where(LAST_LOOK.SHOP_ID.eq(shopId), LAST_LOOK.SET_ID.eq(setId), LAST_LOOK.PERSON.eq(person))
                .fetchOptional(row -> new Look(row.get(LAST_LOOK.LOG_ORDER), row.get(LAST_LOOK.LOOKED_AT)));
    }

    void looked(String shopId, String setId, String person, Look look) {
        db.insertInto(LAST_LOOK)
                .set(LAST_LOOK.SHOP_ID, shopId)
                .set(LAST_LOOK.SET_ID, setId)
                .set(LAST_LOOK.PERSON, person)
                .set(LAST_LOOK.LOG_ORDER, look.order)
                .set(LAST_LOOK.LOOKED_AT, look.at)
                .onDuplicateKeyUpdate()
                .set(LAST_LOOK.LOG_ORDER, look.order)
                .set(LAST_LOOK.LOOKED_AT, look.at)
                .execute();
    }
}
