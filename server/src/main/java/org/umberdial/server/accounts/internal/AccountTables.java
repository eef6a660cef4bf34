package org.umberdial.server.accounts.internal;

import static org.umberdial.tables.Tables.ACCOUNT;
import static org.umberdial.tables.Tables.ACCOUNT_EVENT;
import static org.umberdial.tables.Tables.SHOP;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import org.umberdial.server.accounts.Account;
import org.umberdial.server.accounts.AccountEvent;
import org.umberdial.server.security.Role;

@Repository
public class AccountTables {
    private static final int EVENTS_SHOWN = 200;

    private final DSLContext db;

    AccountTables(DSLContext db) {
        this.db = db;
    }

    public boolean any() {
        return db.fetchExists(ACCOUNT);
    }

    /** Serialises what must not happen twice at once in a shop, until the transaction ends. */
    public void lock(String shopId) {
        db.select(SHOP.ID).from(SHOP).where(SHOP.ID.eq(shopId)).forUpdate().execute();
    }

    public Optional<Account> named(String name) {
        if (!StandardCharsets.US_ASCII.newEncoder().canEncode(name)) {
            return Optional.empty();
        }
        return db.selectFrom(ACCOUNT).where(ACCOUNT.NAME.eq(name)).fetchOptional(AccountTables::account);
    }

    public List<Account> of(String shopId) {
        return db.selectFrom(ACCOUNT)
                .where(ACCOUNT.SHOP_ID.eq(shopId))
                .orderBy(ACCOUNT.CREATED_AT, ACCOUNT.NAME)
                .fetch(AccountTables::account);
    }

    private static Account account(Record row) {
        return new Account(
                row.get(ACCOUNT.SHOP_ID),
                row.get(ACCOUNT.ID),
                row.get(ACCOUNT.NAME),
                row.get(ACCOUNT.SHOWN_NAME),
                Role.valueOf(row.get(ACCOUNT.ROLE)),
                row.get(ACCOUNT.PASSWORD_HASH),
                row.get(ACCOUNT.CLOSED),
                row.get(ACCOUNT.VERSION));
    }

    /** Whether it is there now and was not before; the same id in the same shop again is no second one. */
    public boolean insert(Account account, Instant now) {
        return db.insertInto(ACCOUNT)
                        .set(ACCOUNT.SHOP_ID, account.shopId())
                        .set(ACCOUNT.ID, account.id())
                        .set(ACCOUNT.NAME, account.name())
                        .set(ACCOUNT.SHOWN_NAME, account.shownName())
                        .set(ACCOUNT.ROLE, account.role().name())
                        .set(ACCOUNT.PASSWORD_HASH, account.passwordHash())
                        .set(ACCOUNT.CREATED_AT, now)
                        .onDuplicateKeyIgnore()
                        .execute()
                == 1;
    }

    /**
     * What an owner decides of an account. Whether it still had the version that the owner saw: the version counts the
     * owners' own changes only, so that a person cannot keep an owner from closing their account by changing their
     * password meanwhile.
     */
    public boolean decide(Account account) {
        return db.update(ACCOUNT)
                        .set(ACCOUNT.ROLE, account.role().name())
                        .set(ACCOUNT.CLOSED, account.closed())
                        .set(ACCOUNT.VERSION, account.version() + 1)
                        .where(
                                ACCOUNT.SHOP_ID.eq(account.shopId()),
                                ACCOUNT.ID.eq(account.id()),
                                ACCOUNT.VERSION.eq(account.version()))
                        .execute()
                == 1;
    }

    /** Keeps a person's new password; false where the account was closed meanwhile. */
    public boolean keepPassword(Account account, String hash) {
        return db.update(ACCOUNT)
                        .set(ACCOUNT.PASSWORD_HASH, hash)
                        .where(
                                ACCOUNT.SHOP_ID.eq(account.shopId()),
                                ACCOUNT.ID.eq(account.id()),
                                ACCOUNT.CLOSED.isFalse())
                        .execute()
                == 1;
    }

    public void happened(String shopId, AccountEvent event) {
        db.insertInto(ACCOUNT_EVENT)
                .set(ACCOUNT_EVENT.SHOP_ID, shopId)
                .set(ACCOUNT_EVENT.HAPPENED_AT, event.at())
                .set(ACCOUNT_EVENT.ACTOR, event.actor())
                .set(ACCOUNT_EVENT.KIND, event.kind().name())
                .set(ACCOUNT_EVENT.SUBJECT, event.subject())
                .set(ACCOUNT_EVENT.ADDRESS, event.address())
                .execute();
    }

    public List<AccountEvent> events(String shopId) {
        return db.selectFrom(ACCOUNT_EVENT)
                .where(ACCOUNT_EVENT.SHOP_ID.eq(shopId))
                .orderBy(ACCOUNT_EVENT.SEQUENCE.desc())
                .limit(EVENTS_SHOWN)
                .fetch(row -> new AccountEvent(
                        row.get(ACCOUNT_EVENT.HAPPENED_AT),
                        row.get(ACCOUNT_EVENT.ACTOR),
                        AccountEvent.Kind.valueOf(row.get(ACCOUNT_EVENT.KIND)),
                        row.get(ACCOUNT_EVENT.SUBJECT),
                        row.get(ACCOUNT_EVENT.ADDRESS)));
    }

    /** Ends links that would still let a person in. */
    public void forgetLinks(String name) {
        db.deleteFrom(DSL.table("one_time_tokens"))
                .where(DSL.field("username", String.class).eq(name))
                .execute();
    }

    /** Whether a person has a passkey. */
    public boolean hasPasskey(String name) {
        return db.fetchExists(DSL.selectOne()
                .from(DSL.table("user_credentials").as("c"))
                .join(DSL.table("user_entities").as("u"))
                .on(DSL.field("u.id").eq(DSL.field("c.user_entity_user_id")))
                .where(DSL.field("u.name", String.class).eq(name)));
    }
}
