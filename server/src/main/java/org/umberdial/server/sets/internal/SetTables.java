package org.umberdial.server.sets.internal;

import static org.umberdial.tables.Tables.BENCH_SET;
import static org.umberdial.tables.Tables.SET_WORDS;

import java.time.Instant;
import java.util.Arrays;
import java.util.Collection;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.UpdateSetMoreStep;
import org.springframework.stereotype.Repository;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.Extra;
import org.umberdial.core.set.SupplyLabel;
import org.umberdial.server.sets.StoredSet;

/** Rows of the sets' own table. */
@Repository
public class SetTables {
    /** One row of the sets' table. */
    public record Row(
            String id,
            StoredSet.Label label,
            ConstructionClass construction,
            boolean constructionConfirmed,
            List<String> modes,
            String models,
            String unread,
            StoredSet.Conditions conditions,
            StoredSet.Arrival arrival,
            int version,
            Instant createdAt,
            Instant touchedAt) {}

    private final DSLContext db;

    SetTables(DSLContext db) {
        this.db = db;
    }

    public int count(String shopId) {
        return db.fetchCount(BENCH_SET, BENCH_SET.SHOP_ID.eq(shopId));
    }

    public Optional<Row> row(String shopId, String setId) {
        return db.selectFrom(BENCH_SET)
                .where(BENCH_SET.SHOP_ID.eq(shopId), BENCH_SET.ID.eq(setId))
                .fetchOptional(row -> new Row(
                        setId,
                        new StoredSet.Label(
                                row.get(BENCH_SET.TITLE),
                                row.get(BENCH_SET.TICKET),
                                row.get(BENCH_SET.PLACE),
                                row.get(BENCH_SET.WAITS_FOR),
                                Optional.ofNullable(row.get(BENCH_SET.WAITS_UNTIL)),
                                Optional.ofNullable(row.get(BENCH_SET.PROMISED_FOR))),
                        ConstructionClass.valueOf(row.get(BENCH_SET.CONSTRUCTION)),
                        row.get(BENCH_SET.CONSTRUCTION_CONFIRMED),
                        words(row.get(BENCH_SET.MODES)),
                        row.get(BENCH_SET.MODELS),
                        row.get(BENCH_SET.UNREAD),
                        new StoredSet.Conditions(
                                row.get(BENCH_SET.LINE_VOLTS),
                                Optional.ofNullable(row.get(BENCH_SET.INSTRUMENT_ID)),
                                row.get(BENCH_SET.MODE),
                                Optional.ofNullable(row.get(BENCH_SET.SWITCHED_ON_AT))),
                        new StoredSet.Arrival(
                                row.get(BENCH_SET.OWNER_NAME),
                                row.get(BENCH_SET.OWNER_CONTACT),
                                row.get(BENCH_SET.PLATE),
                                row.get(BENCH_SET.SHEET_ORIGIN),
                                row.get(BENCH_SET.PAPER),
                                words(row.get(BENCH_SET.EXTRAS)).stream()
                                        .map(Extra::valueOf)
                                        .collect(Collectors.toCollection(() -> EnumSet.noneOf(Extra.class))),
                                supply(row)),
                        row.get(BENCH_SET.VERSION),
                        row.get(BENCH_SET.CREATED_AT),
                        row.get(BENCH_SET.TOUCHED_AT)));
    }

    private static SupplyLabel supply(Record row) {
        return new SupplyLabel(
                numbers(row.get(BENCH_SET.LABEL_TAPS)),
                optional(row.get(BENCH_SET.LABEL_SET_TO)),
                numbers(row.get(BENCH_SET.LABEL_HERTZ)),
                optional(row.get(BENCH_SET.LABEL_WATTS)),
                SupplyLabel.Current.valueOf(row.get(BENCH_SET.LABEL_CURRENT)),
                row.get(BENCH_SET.LABEL_MOTOR),
                row.get(BENCH_SET.LABEL_RANGED));
    }

    private static List<String> words(String text) {
        return Arrays.stream(text.split(" ")).filter(word -> !word.isEmpty()).toList();
    }

    private static List<Double> numbers(String text) {
        return words(text).stream().map(Double::valueOf).toList();
    }

    private static String join(Collection<?> values) {
        return values.stream().map(String::valueOf).collect(Collectors.joining(" "));
    }

    private static OptionalDouble optional(Double value) {
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }

    public boolean arrival(String shopId, String setId, StoredSet.Arrival arrival, int version) {
        SupplyLabel supply = arrival.supply();
        return changing()
                        .set(BENCH_SET.OWNER_NAME, arrival.ownerName())
                        .set(BENCH_SET.OWNER_CONTACT, arrival.ownerContact())
                        .set(BENCH_SET.PLATE, arrival.plate())
                        .set(BENCH_SET.EXTRAS, join(arrival.extras()))
                        .set(BENCH_SET.LABEL_TAPS, join(supply.taps()))
                        .set(
                                BENCH_SET.LABEL_SET_TO,
                                supply.setTo().isPresent() ? supply.setTo().getAsDouble() : null)
                        .set(BENCH_SET.LABEL_HERTZ, join(supply.hertz()))
                        .set(
                                BENCH_SET.LABEL_WATTS,
                                supply.watts().isPresent() ? supply.watts().getAsDouble() : null)
                        .set(BENCH_SET.LABEL_CURRENT, supply.current().name())
                        .set(BENCH_SET.LABEL_MOTOR, supply.motor())
                        .set(BENCH_SET.LABEL_RANGED, supply.ranged())
                        .set(BENCH_SET.VERSION, version + 1)
                        .where(BENCH_SET.SHOP_ID.eq(shopId), BENCH_SET.ID.eq(setId), BENCH_SET.VERSION.eq(version))
                        .execute()
                == 1;
    }

    public void sheetOrigin(String shopId, String setId, String origin) {
        changing()
                .set(BENCH_SET.SHEET_ORIGIN, origin)
                .where(BENCH_SET.SHOP_ID.eq(shopId), BENCH_SET.ID.eq(setId))
                .execute();
    }

    public void paper(String shopId, String setId, String paper) {
        changing()
                .set(BENCH_SET.PAPER, paper)
                .where(BENCH_SET.SHOP_ID.eq(shopId), BENCH_SET.ID.eq(setId))
                .execute();
    }

    /** Counts every change of what is known of a set. */
    public Optional<Integer> revision(String shopId, String setId) {
        return db.select(BENCH_SET.REVISION)
                .from(BENCH_SET)
                .where(BENCH_SET.SHOP_ID.eq(shopId), BENCH_SET.ID.eq(setId))
                .fetchOptional(BENCH_SET.REVISION);
    }

    /** Lets nobody else change the set until the transaction ends. */
    public void lock(String shopId, String setId) {
        db.select(BENCH_SET.ID)
                .from(BENCH_SET)
                .where(BENCH_SET.SHOP_ID.eq(shopId), BENCH_SET.ID.eq(setId))
                .forUpdate()
                .execute();
    }

    public boolean has(String shopId, String setId) {
        return db.fetchExists(BENCH_SET, BENCH_SET.SHOP_ID.eq(shopId), BENCH_SET.ID.eq(setId));
    }

    /** Whether it is new. */
    public boolean insert(
            String shopId,
            String setId,
            StoredSet.Label label,
            ConstructionClass construction,
            double lineVolts,
            Optional<String> instrumentId,
            Instant now) {
        return db.insertInto(BENCH_SET)
                        .set(BENCH_SET.SHOP_ID, shopId)
                        .set(BENCH_SET.ID, setId)
                        .set(BENCH_SET.TITLE, label.title())
                        .set(BENCH_SET.TICKET, label.ticket())
                        .set(BENCH_SET.PLACE, label.place())
                        .set(BENCH_SET.WAITS_FOR, label.waitsFor())
                        .set(BENCH_SET.WAITS_UNTIL, label.waitsUntil().orElse(null))
                        .set(BENCH_SET.PROMISED_FOR, label.promisedFor().orElse(null))
                        .set(BENCH_SET.CONSTRUCTION, construction.name())
                        .set(BENCH_SET.CONSTRUCTION_CONFIRMED, construction != ConstructionClass.UNKNOWN)
                        .set(BENCH_SET.MODES, "")
                        .set(BENCH_SET.MODELS, "")
                        .set(BENCH_SET.LINE_VOLTS, lineVolts)
                        .set(BENCH_SET.INSTRUMENT_ID, instrumentId.orElse(null))
                        .set(BENCH_SET.MODE, "")
                        .set(BENCH_SET.CREATED_AT, now)
                        .set(BENCH_SET.TOUCHED_AT, now)
                        .onDuplicateKeyIgnore()
                        .execute()
                == 1;
    }

    public boolean relabel(
            String shopId,
            String setId,
            StoredSet.Label label,
            ConstructionClass construction,
            boolean confirmed,
            int version) {
        return changing()
                        .set(BENCH_SET.TITLE, label.title())
                        .set(BENCH_SET.TICKET, label.ticket())
                        .set(BENCH_SET.PLACE, label.place())
                        .set(BENCH_SET.WAITS_FOR, label.waitsFor())
                        .set(BENCH_SET.WAITS_UNTIL, label.waitsUntil().orElse(null))
                        .set(BENCH_SET.PROMISED_FOR, label.promisedFor().orElse(null))
                        .set(BENCH_SET.CONSTRUCTION, construction.name())
                        .set(BENCH_SET.CONSTRUCTION_CONFIRMED, confirmed)
                        .set(BENCH_SET.VERSION, version + 1)
                        .where(BENCH_SET.SHOP_ID.eq(shopId), BENCH_SET.ID.eq(setId), BENCH_SET.VERSION.eq(version))
                        .execute()
                == 1;
    }

    public void neverConfirmed(String shopId, String setId) {
        changing()
                .set(BENCH_SET.CONSTRUCTION_CONFIRMED, false)
                .where(BENCH_SET.SHOP_ID.eq(shopId), BENCH_SET.ID.eq(setId))
                .execute();
    }

    public void conditions(String shopId, String setId, StoredSet.Conditions conditions) {
        changing()
                .set(BENCH_SET.LINE_VOLTS, conditions.lineVolts())
                .set(BENCH_SET.INSTRUMENT_ID, conditions.instrumentId().orElse(null))
                .set(BENCH_SET.MODE, conditions.mode())
                .set(BENCH_SET.SWITCHED_ON_AT, conditions.switchedOnAt().orElse(null))
                .where(BENCH_SET.SHOP_ID.eq(shopId), BENCH_SET.ID.eq(setId))
                .execute();
    }

    /** An update of a set that raises both counts, so that whatever was reckoned from it is reckoned anew. */
    private UpdateSetMoreStep<?> changing() {
        return db.update(BENCH_SET)
                .set(BENCH_SET.REVISION, BENCH_SET.REVISION.plus(1))
                .set(BENCH_SET.CIRCUIT_REVISION, BENCH_SET.CIRCUIT_REVISION.plus(1));
    }

    /** Counts a change of the set, so that whatever was reckoned from it is reckoned anew. */
    public void changed(String shopId, String setId) {
        changing().where(BENCH_SET.SHOP_ID.eq(shopId), BENCH_SET.ID.eq(setId)).execute();
    }

    /** Counts a change of every set of a shop. */
    public void allChanged(String shopId) {
        changing().where(BENCH_SET.SHOP_ID.eq(shopId)).execute();
    }

    public void models(String shopId, String setId, String models) {
        changing()
                .set(BENCH_SET.MODELS, models)
                .where(BENCH_SET.SHOP_ID.eq(shopId), BENCH_SET.ID.eq(setId))
                .execute();
    }

    public void touch(String shopId, String setId, Instant at) {
        changing()
                .set(BENCH_SET.TOUCHED_AT, at)
                .where(BENCH_SET.SHOP_ID.eq(shopId), BENCH_SET.ID.eq(setId))
                .execute();
    }

    /** Counts an entry of the log, which leaves the circuit and the label as they are. */
    public void logged(String shopId, String setId, Instant at) {
        db.update(BENCH_SET)
                .set(BENCH_SET.TOUCHED_AT, at)
                .set(BENCH_SET.REVISION, BENCH_SET.REVISION.plus(1))
                .where(BENCH_SET.SHOP_ID.eq(shopId), BENCH_SET.ID.eq(setId))
                .execute();
    }

    public void setUnread(String shopId, String setId, String unread) {
        db.update(BENCH_SET)
                .set(BENCH_SET.UNREAD, unread)
                .where(BENCH_SET.SHOP_ID.eq(shopId), BENCH_SET.ID.eq(setId))
                .execute();
    }

    /** Blanks the owner and forgets the words the set was found by; they are gathered anew when somebody searches. */
    public void eraseOwner(String shopId, String setId) {
        db.update(BENCH_SET)
                .set(BENCH_SET.OWNER_NAME, "")
                .set(BENCH_SET.OWNER_CONTACT, "")
                .where(BENCH_SET.SHOP_ID.eq(shopId), BENCH_SET.ID.eq(setId))
                .execute();
        db.deleteFrom(SET_WORDS)
                .where(SET_WORDS.SHOP_ID.eq(shopId), SET_WORDS.SET_ID.eq(setId))
                .execute();
    }
}
