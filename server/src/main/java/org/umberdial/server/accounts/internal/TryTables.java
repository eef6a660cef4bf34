package org.umberdial.server.accounts.internal;

import static org.umberdial.tables.Tables.KNOWN_DEVICE;
import static org.umberdial.tables.Tables.SIGN_IN_FAILURE;
import static org.umberdial.tables.Tables.SIGN_IN_TRY;
import static org.umberdial.tables.Tables.USED_CHALLENGE;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import org.umberdial.server.accounts.SignInFailure;

/** Tries to come in, failures among them, and devices that have been in. */
@Repository
public class TryTables {
    private static final int FAILURES_SHOWN = 100;
    private static final int FAILURES_KEPT = 2000;
    private static final int FAILURE_DAYS = 90;

    /** @param last when the latest of them was; of no meaning when there are none */
    public record Count(int tries, Instant last) {}

    private final DSLContext db;

    TryTables(DSLContext db) {
        this.db = db;
    }

    /** @return a number of its own */
    public long tried(String name, String address, Optional<String> shopId, boolean known, Instant now) {
        return db.insertInto(SIGN_IN_TRY)
                .set(SIGN_IN_TRY.NAME, name)
                .set(SIGN_IN_TRY.ADDRESS, address)
                .set(SIGN_IN_TRY.SHOP_ID, shopId.orElse(null))
                .set(SIGN_IN_TRY.KNOWN_DEVICE, known)
                .set(SIGN_IN_TRY.TRIED_AT, now)
                .returningResult(SIGN_IN_TRY.SEQUENCE)
                .fetchSingle()
                .value1();
    }

    public Count from(String name, String address, Instant since, Instant now, long but) {
        return count(
                since,
                now,
                but,
                SIGN_IN_TRY.NAME.eq(name).and(SIGN_IN_TRY.ADDRESS.eq(address)).and(SIGN_IN_TRY.KNOWN_DEVICE.eq(false)));
    }

    public Count byName(String name, Instant since, Instant now, long but) {
        return count(since, now, but, SIGN_IN_TRY.NAME.eq(name).and(SIGN_IN_TRY.KNOWN_DEVICE.eq(false)));
    }

    public Count byKnownDevice(String name, Instant since, Instant now, long but) {
        return count(since, now, but, SIGN_IN_TRY.NAME.eq(name).and(SIGN_IN_TRY.KNOWN_DEVICE.eq(true)));
    }

    public Count byShop(Optional<String> shopId, Instant since, Instant now, long but) {
        return shopId.map(id ->
                        count(since, now, but, SIGN_IN_TRY.SHOP_ID.eq(id).and(SIGN_IN_TRY.KNOWN_DEVICE.eq(false))))
                .orElse(new Count(0, now));
    }

    public Count byAddress(String address, Instant since, Instant now, long but) {
        return count(since, now, but, SIGN_IN_TRY.ADDRESS.eq(address).and(SIGN_IN_TRY.KNOWN_DEVICE.eq(false)));
    }

    private Count count(Instant since, Instant now, long but, Condition which) {
        Field<Instant> last = DSL.max(SIGN_IN_TRY.TRIED_AT);
        return db.select(DSL.count(), last)
                .from(SIGN_IN_TRY)
                .where(
                        which,
                        SIGN_IN_TRY.TRIED_AT.gt(since),
                        SIGN_IN_TRY.TRIED_AT.le(now),
                        SIGN_IN_TRY.SEQUENCE.ne(but))
                .fetchSingle(row -> new Count(row.value1(), row.value2() == null ? now : row.value2()));
    }

    public void forget(long sequence) {
        db.deleteFrom(SIGN_IN_TRY).where(SIGN_IN_TRY.SEQUENCE.eq(sequence)).execute();
    }

    public void forgive(String name, String address) {
        db.deleteFrom(SIGN_IN_TRY)
                .where(
                        SIGN_IN_TRY.NAME.eq(name),
                        SIGN_IN_TRY.ADDRESS.eq(address).or(SIGN_IN_TRY.KNOWN_DEVICE.eq(true)))
                .execute();
    }

    public void forgetBefore(Instant time, Instant ahead) {
        db.deleteFrom(SIGN_IN_TRY)
                .where(SIGN_IN_TRY.TRIED_AT.lt(time).or(SIGN_IN_TRY.TRIED_AT.gt(ahead)))
                .execute();
    }

    /** Counts a failure for the owner's eyes, one row an hour however many there are. */
    public void failed(String shopId, String name, String address, boolean shutOut, Instant now) {
        Instant hour = now.truncatedTo(ChronoUnit.HOURS);
        int wrong = shutOut ? 0 : 1;
        db.insertInto(SIGN_IN_FAILURE)
                .set(SIGN_IN_FAILURE.SHOP_ID, shopId)
                .set(SIGN_IN_FAILURE.NAME, name)
                .set(SIGN_IN_FAILURE.ADDRESS, address)
                .set(SIGN_IN_FAILURE.SINCE, hour)
                .set(SIGN_IN_FAILURE.LAST_AT, now)
                .set(SIGN_IN_FAILURE.WRONG, wrong)
                .set(SIGN_IN_FAILURE.SHUT_OUT, 1 - wrong)
                .onDuplicateKeyUpdate()
                .set(SIGN_IN_FAILURE.LAST_AT, now)
                .set(SIGN_IN_FAILURE.WRONG, SIGN_IN_FAILURE.WRONG.plus(wrong))
                .set(SIGN_IN_FAILURE.SHUT_OUT, SIGN_IN_FAILURE.SHUT_OUT.plus(1 - wrong))
                .execute();
    }

    public List<SignInFailure> failures(String shopId) {
        return db.selectFrom(SIGN_IN_FAILURE)
                .where(SIGN_IN_FAILURE.SHOP_ID.eq(shopId))
                .orderBy(SIGN_IN_FAILURE.LAST_AT.desc())
                .limit(FAILURES_SHOWN)
                .fetch(row -> new SignInFailure(
                        row.get(SIGN_IN_FAILURE.NAME),
                        row.get(SIGN_IN_FAILURE.ADDRESS),
                        row.get(SIGN_IN_FAILURE.SINCE),
                        row.get(SIGN_IN_FAILURE.LAST_AT),
                        row.get(SIGN_IN_FAILURE.WRONG),
                        row.get(SIGN_IN_FAILURE.SHUT_OUT)));
    }

    /** Lets go of what is old, and of the oldest beyond a number. */
    public void pruneFailures(String shopId, Instant now) {
        db.deleteFrom(SIGN_IN_FAILURE)
                .where(
                        SIGN_IN_FAILURE.SHOP_ID.eq(shopId),
                        SIGN_IN_FAILURE.LAST_AT.lt(now.minus(FAILURE_DAYS, ChronoUnit.DAYS)))
                .execute();
        db.select(SIGN_IN_FAILURE.LAST_AT)
                .from(SIGN_IN_FAILURE)
                .where(SIGN_IN_FAILURE.SHOP_ID.eq(shopId))
                .orderBy(SIGN_IN_FAILURE.LAST_AT.desc())
                .limit(1)
                .offset(FAILURES_KEPT)
                .fetchOptional(SIGN_IN_FAILURE.LAST_AT)
                .ifPresent(oldest -> db.deleteFrom(SIGN_IN_FAILURE)
                        .where(SIGN_IN_FAILURE.SHOP_ID.eq(shopId), SIGN_IN_FAILURE.LAST_AT.le(oldest))
                        .execute());
    }

    /** A name with other than plain letters is nobody's, and the column takes no other. */
    public boolean knows(String tokenHash, String name) {
        return StandardCharsets.US_ASCII.newEncoder().canEncode(name)
                && db.fetchExists(
                        KNOWN_DEVICE, KNOWN_DEVICE.TOKEN_HASH.eq(tokenHash), KNOWN_DEVICE.ACCOUNT_NAME.eq(name));
    }

    /** Remembers a device, and of one person's only the latest. */
    public void remember(String tokenHash, String name, Instant now, int most) {
        db.insertInto(KNOWN_DEVICE)
                .set(KNOWN_DEVICE.TOKEN_HASH, tokenHash)
                .set(KNOWN_DEVICE.ACCOUNT_NAME, name)
                .set(KNOWN_DEVICE.LAST_USED, now)
                .execute();
        List<String> all = db.select(KNOWN_DEVICE.TOKEN_HASH)
                .from(KNOWN_DEVICE)
                .where(KNOWN_DEVICE.ACCOUNT_NAME.eq(name))
                .orderBy(KNOWN_DEVICE.LAST_USED.desc())
                .fetch(KNOWN_DEVICE.TOKEN_HASH);
        if (all.size() > most) {
            db.deleteFrom(KNOWN_DEVICE)
                    .where(KNOWN_DEVICE.TOKEN_HASH.in(all.subList(most, all.size())))
                    .execute();
        }
    }

    public void forgetDevices(String name) {
        db.deleteFrom(KNOWN_DEVICE).where(KNOWN_DEVICE.ACCOUNT_NAME.eq(name)).execute();
    }

    /** Whether a challenge's answer comes for the first time. */
    public boolean firstUse(String challengeHash, Instant now) {
        db.deleteFrom(USED_CHALLENGE)
                .where(USED_CHALLENGE.USED_AT.lt(now.minus(1, ChronoUnit.HOURS)))
                .execute();
        return db.insertInto(USED_CHALLENGE)
                        .set(USED_CHALLENGE.CHALLENGE_HASH, challengeHash)
                        .set(USED_CHALLENGE.USED_AT, now)
                        .onDuplicateKeyIgnore()
                        .execute()
                == 1;
    }
}
