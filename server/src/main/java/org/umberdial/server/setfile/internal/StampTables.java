package org.umberdial.server.setfile.internal;

import static org.umberdial.tables.Tables.BENCH_INSTRUMENT;
import static org.umberdial.tables.Tables.BENCH_SET;
import static org.umberdial.tables.Tables.CONTROL_READING;
import static org.umberdial.tables.Tables.PHOTO;
import static org.umberdial.tables.Tables.SHOP;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

/** What a set's file holds for, in one statement. */
@Repository
public class StampTables {
    /**
     * @param revision raised by every change of what is known of the set
     * @param circuit raised by every change but entries of the log
     * @param rules changes with the shop's policy and instruments
     * @param photos how many pictures the set has
     */
    public record Stamp(int revision, int circuit, String rules, int photos) {}

    private final DSLContext db;

    StampTables(DSLContext db) {
        this.db = db;
    }

    public Optional<Stamp> stamp(String shopId, String setId) {
        return db.select(
                        BENCH_SET.REVISION,
                        BENCH_SET.CIRCUIT_REVISION,
                        SHOP.VERSION,
                        instruments(shopId),
                        checks(shopId),
                        DSL.field(DSL.selectCount()
                                .from(PHOTO)
                                .where(PHOTO.SHOP_ID.eq(shopId), PHOTO.SET_ID.eq(setId), PHOTO.REMOVED.eq(false))))
                .from(BENCH_SET)
                .join(SHOP)
                .on(SHOP.ID.eq(BENCH_SET.SHOP_ID))
                .where(BENCH_SET.SHOP_ID.eq(shopId), BENCH_SET.ID.eq(setId))
                .fetchOptional(row -> new Stamp(
                        row.value1(),
                        row.value2(),
                        row.value3() + "." + row.value4() + "." + row.value5(),
                        row.value6()));
    }

    /** A set of a shop. */
    public record Place(String shopId, String setId) {}

    /** The sets of all shops that were worked on last, the latest first. */
    public List<Place> touchedLast(int most) {
        return db.select(BENCH_SET.SHOP_ID, BENCH_SET.ID)
                .from(BENCH_SET)
                .orderBy(BENCH_SET.TOUCHED_AT.desc())
                .limit(most)
                .fetch(row -> new Place(row.value1(), row.value2()));
    }

    /** What the shop's rules are at, for many sets at once. */
    public String rules(String shopId) {
        return db.select(SHOP.VERSION, instruments(shopId), checks(shopId))
                .from(SHOP)
                .where(SHOP.ID.eq(shopId))
                .fetchSingle(row -> row.value1() + "." + row.value2() + "." + row.value3());
    }

    /** Known-good parts read with the shop's instruments; they are only ever added. */
    private static Field<Integer> checks(String shopId) {
        return DSL.field(DSL.selectCount().from(CONTROL_READING).where(CONTROL_READING.SHOP_ID.eq(shopId)));
    }

    /** The instruments and their versions added up, which any addition or change raises. */
    private static Field<BigDecimal> instruments(String shopId) {
        return DSL.field(
                DSL.select(DSL.coalesce(DSL.sum(BENCH_INSTRUMENT.VERSION.plus(1000)), DSL.inline(BigDecimal.ZERO)))
                        .from(BENCH_INSTRUMENT)
                        .where(BENCH_INSTRUMENT.SHOP_ID.eq(shopId)));
    }
}
