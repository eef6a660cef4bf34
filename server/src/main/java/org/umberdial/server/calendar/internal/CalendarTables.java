package org.umberdial.server.calendar.internal;

import static org.umberdial.tables.Tables.ACCOUNT;
import static org.umberdial.tables.Tables.CALENDAR_LINK;

import java.time.Instant;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

@Repository
public class CalendarTables {
    private final DSLContext db;

    CalendarTables(DSLContext db) {
        this.db = db;
    }

    public void put(String shopId, String accountId, String hash, Instant now) {
        db.insertInto(CALENDAR_LINK)
                .set(CALENDAR_LINK.SHOP_ID, shopId)
                .set(CALENDAR_LINK.ACCOUNT_ID, accountId)
                .set(CALENDAR_LINK.TOKEN_HASH, hash)
                .set(CALENDAR_LINK.CREATED_AT, now)
                .onDuplicateKeyUpdate()
                .set(CALENDAR_LINK.TOKEN_HASH, hash)
                .set(CALENDAR_LINK.CREATED_AT, now)
                .execute();
    }

    public void remove(String shopId, String accountId) {
        db.deleteFrom(CALENDAR_LINK)
                .where(CALENDAR_LINK.SHOP_ID.eq(shopId), CALENDAR_LINK.ACCOUNT_ID.eq(accountId))
                .execute();
    }

    public boolean has(String shopId, String accountId) {
        return db.fetchExists(
                CALENDAR_LINK, CALENDAR_LINK.SHOP_ID.eq(shopId).and(CALENDAR_LINK.ACCOUNT_ID.eq(accountId)));
    }

    /** The shop of an open account's link. */
    public Optional<String> shopOf(String hash) {
        return db.select(CALENDAR_LINK.SHOP_ID)
                .from(CALENDAR_LINK)
                .join(ACCOUNT)
                .on(ACCOUNT.SHOP_ID.eq(CALENDAR_LINK.SHOP_ID), ACCOUNT.ID.eq(CALENDAR_LINK.ACCOUNT_ID))
                .where(CALENDAR_LINK.TOKEN_HASH.eq(hash), ACCOUNT.CLOSED.isFalse())
                .fetchOptional(CALENDAR_LINK.SHOP_ID);
    }
}
