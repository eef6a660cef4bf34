package org.umberdial.server.sets.internal;

import static org.umberdial.tables.Tables.BENCH_SET;
import static org.umberdial.tables.Tables.PART;
import static org.umberdial.tables.Tables.PART_VALUE;
import static org.umberdial.tables.Tables.SET_WORDS;
import static org.umberdial.tables.Tables.SHEET_VALUE;
import static org.umberdial.tables.Tables.SOCKET_PIN;
import static org.umberdial.tables.Tables.TEST_POINT;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.UpdateSetMoreStep;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.Extra;
import org.umberdial.core.set.PartValue;
import org.umberdial.core.set.SheetValue;
import org.umberdial.core.set.SupplyLabel;
import org.umberdial.core.set.TestPoint;
import org.umberdial.core.set.ValueOrigin;
import org.umberdial.server.sets.StoredSet;

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

    public static final String OWN = "OWN";

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

    /** Says whose values a set's circuit and sheet are. */
    public void origin(String shopId, String setId, String origin) {
        db.update(PART)
                .set(PART.ORIGIN, origin)
                .where(PART.SHOP_ID.eq(shopId), PART.SET_ID.eq(setId))
                .execute();
        db.update(SHEET_VALUE)
                .set(SHEET_VALUE.ORIGIN, origin)
                .where(SHEET_VALUE.SHOP_ID.eq(shopId), SHEET_VALUE.SET_ID.eq(setId))
                .execute();
    }

    /** Says whose values one part's are. */
    public void origin(String shopId, String setId, String reference, String origin) {
        db.update(PART)
                .set(PART.ORIGIN, origin)
                .where(PART.SHOP_ID.eq(shopId), PART.SET_ID.eq(setId), PART.REFERENCE.eq(reference))
                .execute();
    }

    /** Parts whose values are not the set's own. */
    public Map<String, ValueOrigin> origins(String shopId, String setId) {
        return db.select(PART.REFERENCE, PART.ORIGIN)
                .from(PART)
                .where(PART.SHOP_ID.eq(shopId), PART.SET_ID.eq(setId), PART.ORIGIN.ne(OWN))
                .fetchMap(PART.REFERENCE, row -> ValueOrigin.valueOf(row.get(PART.ORIGIN)));
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

    public void putSocket(String shopId, String setId, Deck.SocketPins socket) {
        db.deleteFrom(SOCKET_PIN)
                .where(
                        SOCKET_PIN.SHOP_ID.eq(shopId),
                        SOCKET_PIN.SET_ID.eq(setId),
                        SOCKET_PIN.SOCKET.eq(socket.socket()))
                .execute();
        int position = db.select(DSL.coalesce(DSL.max(SOCKET_PIN.POSITION), DSL.inline(-1)))
                .from(SOCKET_PIN)
                .where(SOCKET_PIN.SHOP_ID.eq(shopId), SOCKET_PIN.SET_ID.eq(setId))
                .fetchSingle()
                .value1();
        for (Map.Entry<String, String> pin : socket.pins().entrySet()) {
            db.insertInto(
                            SOCKET_PIN,
                            SOCKET_PIN.SHOP_ID,
                            SOCKET_PIN.SET_ID,
                            SOCKET_PIN.SOCKET,
                            SOCKET_PIN.PIN,
                            SOCKET_PIN.POSITION,
                            SOCKET_PIN.TUBE_TYPE,
                            SOCKET_PIN.NODE)
                    .values(shopId, setId, socket.socket(), pin.getKey(), ++position, socket.type(), pin.getValue())
                    .execute();
        }
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

    /** Part lines in the order they were entered. */
    public List<String> cards(String shopId, String setId) {
        return db.select(PART.CARD)
                .from(PART)
                .where(PART.SHOP_ID.eq(shopId), PART.SET_ID.eq(setId))
                .orderBy(PART.POSITION)
                .fetch(PART.CARD);
    }

    public void setUnread(String shopId, String setId, String unread) {
        db.update(BENCH_SET)
                .set(BENCH_SET.UNREAD, unread)
                .where(BENCH_SET.SHOP_ID.eq(shopId), BENCH_SET.ID.eq(setId))
                .execute();
    }

    public void replaceCircuit(
            String shopId,
            String setId,
            Map<String, String> cards,
            List<Deck.SocketPins> sockets,
            String models,
            List<String> modes,
            String unread) {
        db.deleteFrom(PART)
                .where(PART.SHOP_ID.eq(shopId), PART.SET_ID.eq(setId))
                .execute();
        db.deleteFrom(SOCKET_PIN)
                .where(SOCKET_PIN.SHOP_ID.eq(shopId), SOCKET_PIN.SET_ID.eq(setId))
                .execute();
        int position = 0;
        var parts = db.insertInto(PART, PART.SHOP_ID, PART.SET_ID, PART.REFERENCE, PART.POSITION, PART.CARD);
        for (Map.Entry<String, String> card : cards.entrySet()) {
            parts = parts.values(shopId, setId, card.getKey(), position++, card.getValue());
        }
        if (!cards.isEmpty()) {
            parts.execute();
        }
        for (Deck.SocketPins socket : sockets) {
            for (Map.Entry<String, String> pin : socket.pins().entrySet()) {
                db.insertInto(
                                SOCKET_PIN,
                                SOCKET_PIN.SHOP_ID,
                                SOCKET_PIN.SET_ID,
                                SOCKET_PIN.SOCKET,
                                SOCKET_PIN.PIN,
                                SOCKET_PIN.POSITION,
                                SOCKET_PIN.TUBE_TYPE,
                                SOCKET_PIN.NODE)
                        .values(shopId, setId, socket.socket(), pin.getKey(), position++, socket.type(), pin.getValue())
                        .onDuplicateKeyUpdate()
                        .set(SOCKET_PIN.NODE, pin.getValue())
                        .execute();
            }
        }
        db.update(BENCH_SET)
                .set(BENCH_SET.MODELS, models)
                .set(BENCH_SET.UNREAD, unread)
                .set(BENCH_SET.MODES, String.join(" ", modes))
                .set(BENCH_SET.MODE, modes.isEmpty() ? "" : modes.get(0))
                .where(BENCH_SET.SHOP_ID.eq(shopId), BENCH_SET.ID.eq(setId))
                .execute();
    }

    public void putPart(String shopId, String setId, String reference, String card) {
        int last = db.select(DSL.coalesce(DSL.max(PART.POSITION), DSL.inline(-1)))
                .from(PART)
                .where(PART.SHOP_ID.eq(shopId), PART.SET_ID.eq(setId))
                .fetchSingle()
                .value1();
        db.insertInto(PART, PART.SHOP_ID, PART.SET_ID, PART.REFERENCE, PART.POSITION, PART.CARD)
                .values(shopId, setId, reference, last + 1, card)
                .onDuplicateKeyUpdate()
                .set(PART.CARD, card)
                .set(PART.ORIGIN, OWN)
                .set(PART.VERSION, PART.VERSION.plus(1))
                .execute();
    }

    public void removePart(String shopId, String setId, String reference) {
        db.deleteFrom(PART)
                .where(PART.SHOP_ID.eq(shopId), PART.SET_ID.eq(setId), PART.REFERENCE.equalIgnoreCase(reference))
                .execute();
    }

    /** Values beyond the part line's own, by reference, in the order they were entered. */
    public Map<String, List<PartValue>> values(String shopId, String setId) {
        Map<String, List<PartValue>> values = new LinkedHashMap<>();
        db.selectFrom(PART_VALUE)
                .where(PART_VALUE.SHOP_ID.eq(shopId), PART_VALUE.SET_ID.eq(setId))
                .orderBy(PART_VALUE.SEQUENCE)
                .forEach(row -> values.computeIfAbsent(row.get(PART_VALUE.REFERENCE), reference -> new ArrayList<>())
                        .add(new PartValue(
                                ValueOrigin.valueOf(row.get(PART_VALUE.ORIGIN)),
                                row.get(PART_VALUE.VALUE_SI),
                                row.get(PART_VALUE.SOURCE))));
        return values;
    }

    /** Whether it is new, or the same as before. */
    public boolean addValue(
            String shopId, String setId, String id, String reference, PartValue value, String author, Instant now) {
        boolean isNew = db.insertInto(PART_VALUE)
                        .set(PART_VALUE.SHOP_ID, shopId)
                        .set(PART_VALUE.ID, id)
                        .set(PART_VALUE.SET_ID, setId)
                        .set(PART_VALUE.REFERENCE, reference)
                        .set(PART_VALUE.ORIGIN, value.origin().name())
                        .set(PART_VALUE.VALUE_SI, value.value())
                        .set(PART_VALUE.SOURCE, value.source())
                        .set(PART_VALUE.AUTHOR, author)
                        .set(PART_VALUE.ENTERED_AT, now)
                        .onDuplicateKeyIgnore()
                        .execute()
                == 1;
        return isNew
                || db.fetchExists(
                        PART_VALUE,
                        PART_VALUE.SHOP_ID.eq(shopId),
                        PART_VALUE.ID.eq(id),
                        PART_VALUE.SET_ID.eq(setId),
                        PART_VALUE.REFERENCE.eq(reference),
                        PART_VALUE.ORIGIN.eq(value.origin().name()),
                        PART_VALUE.VALUE_SI.eq(value.value()));
    }

    public List<Deck.SocketPins> sockets(String shopId, String setId) {
        Map<String, Deck.SocketPins> sockets = new LinkedHashMap<>();
        db.selectFrom(SOCKET_PIN)
                .where(SOCKET_PIN.SHOP_ID.eq(shopId), SOCKET_PIN.SET_ID.eq(setId))
                .orderBy(SOCKET_PIN.POSITION)
                .forEach(row -> sockets.computeIfAbsent(
                                row.get(SOCKET_PIN.SOCKET),
                                socket -> new Deck.SocketPins(
                                        socket, row.get(SOCKET_PIN.TUBE_TYPE), new LinkedHashMap<>()))
                        .pins()
                        .put(row.get(SOCKET_PIN.PIN), row.get(SOCKET_PIN.NODE)));
        return List.copyOf(sockets.values());
    }

    public List<TestPoint> testPoints(String shopId, String setId) {
        return db.selectFrom(TEST_POINT)
                .where(TEST_POINT.SHOP_ID.eq(shopId), TEST_POINT.SET_ID.eq(setId))
                .orderBy(TEST_POINT.POSITION)
                .fetch(row -> new TestPoint(
                        row.get(TEST_POINT.NODE),
                        row.get(TEST_POINT.NODE),
                        row.get(TEST_POINT.NAME),
                        row.get(TEST_POINT.SOCKET),
                        row.get(TEST_POINT.PIN),
                        row.get(TEST_POINT.HINT)));
    }

    public void replaceTestPoints(String shopId, String setId, List<TestPoint> points) {
        db.deleteFrom(TEST_POINT)
                .where(TEST_POINT.SHOP_ID.eq(shopId), TEST_POINT.SET_ID.eq(setId))
                .execute();
        for (int i = 0; i < points.size(); i++) {
            TestPoint point = points.get(i);
            db.insertInto(
                            TEST_POINT,
                            TEST_POINT.SHOP_ID,
                            TEST_POINT.SET_ID,
                            TEST_POINT.NODE,
                            TEST_POINT.POSITION,
                            TEST_POINT.NAME,
                            TEST_POINT.SOCKET,
                            TEST_POINT.PIN,
                            TEST_POINT.HINT)
                    .values(shopId, setId, point.node(), i, point.name(), point.socket(), point.pin(), point.hint())
                    .execute();
        }
    }

    public List<SheetValue> sheet(String shopId, String setId) {
        return db.selectFrom(SHEET_VALUE)
                .where(SHEET_VALUE.SHOP_ID.eq(shopId), SHEET_VALUE.SET_ID.eq(setId))
                .orderBy(SHEET_VALUE.POSITION, SHEET_VALUE.NODE)
                .fetch(row -> new SheetValue(
                        row.get(SHEET_VALUE.NODE),
                        row.get(SHEET_VALUE.REFERENCE_NODE),
                        ReadingKind.valueOf(row.get(SHEET_VALUE.KIND)),
                        row.get(SHEET_VALUE.VALUE_SI),
                        row.get(SHEET_VALUE.LINE_VOLTS),
                        Optional.of(row.get(SHEET_VALUE.METER))
                                .filter(meter -> !meter.isEmpty())
                                .map(Meter::parse),
                        row.get(SHEET_VALUE.MODE),
                        row.get(SHEET_VALUE.ORIGIN).equals(OWN)));
    }

    public void putSheet(String shopId, String setId, SheetValue value) {
        int last = db.select(DSL.coalesce(DSL.max(SHEET_VALUE.POSITION), DSL.inline(-1)))
                .from(SHEET_VALUE)
                .where(SHEET_VALUE.SHOP_ID.eq(shopId), SHEET_VALUE.SET_ID.eq(setId))
                .fetchSingle()
                .value1();
        String meter = value.meter().map(Meter::notation).orElse("");
        db.insertInto(SHEET_VALUE)
                .set(SHEET_VALUE.SHOP_ID, shopId)
                .set(SHEET_VALUE.SET_ID, setId)
                .set(SHEET_VALUE.NODE, value.node())
                .set(SHEET_VALUE.REFERENCE_NODE, value.reference())
                .set(SHEET_VALUE.KIND, value.kind().name())
                .set(SHEET_VALUE.MODE, value.mode())
                .set(SHEET_VALUE.VALUE_SI, value.value())
                .set(SHEET_VALUE.UNIT, value.kind().unit().symbol())
                .set(SHEET_VALUE.LINE_VOLTS, value.lineVolts())
                .set(SHEET_VALUE.METER, meter)
                .set(SHEET_VALUE.POSITION, last + 1)
                .set(SHEET_VALUE.ORIGIN, OWN)
                .onDuplicateKeyUpdate()
                .set(SHEET_VALUE.ORIGIN, OWN)
                .set(SHEET_VALUE.VALUE_SI, value.value())
                .set(SHEET_VALUE.LINE_VOLTS, value.lineVolts())
                .set(SHEET_VALUE.METER, meter)
                .execute();
    }

    public void removeSheet(String shopId, String setId, SheetValue value) {
        db.deleteFrom(SHEET_VALUE)
                .where(
                        SHEET_VALUE.SHOP_ID.eq(shopId),
                        SHEET_VALUE.SET_ID.eq(setId),
                        SHEET_VALUE.NODE.eq(value.node()),
                        SHEET_VALUE.REFERENCE_NODE.eq(value.reference()),
                        SHEET_VALUE.KIND.eq(value.kind().name()),
                        SHEET_VALUE.MODE.eq(value.mode()))
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
