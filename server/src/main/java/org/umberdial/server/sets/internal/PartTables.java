package org.umberdial.server.sets.internal;

import static org.umberdial.tables.Tables.BENCH_SET;
import static org.umberdial.tables.Tables.PART;
import static org.umberdial.tables.Tables.PART_VALUE;
import static org.umberdial.tables.Tables.SHEET_VALUE;
import static org.umberdial.tables.Tables.SOCKET_PIN;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.set.PartValue;
import org.umberdial.core.set.ValueOrigin;

/** Rows of sets' circuits: parts, their values, sockets. */
@Repository
public class PartTables {
    /** A value read off the set itself. */
    public static final String OWN = "OWN";

    private final DSLContext db;

    PartTables(DSLContext db) {
        this.db = db;
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
            putPin(shopId, setId, socket, pin, ++position);
        }
    }

    private void putPin(
            String shopId, String setId, Deck.SocketPins socket, Map.Entry<String, String> pin, int position) {
        db.insertInto(
                        SOCKET_PIN,
                        SOCKET_PIN.SHOP_ID,
                        SOCKET_PIN.SET_ID,
                        SOCKET_PIN.SOCKET,
                        SOCKET_PIN.PIN,
                        SOCKET_PIN.POSITION,
                        SOCKET_PIN.TUBE_TYPE,
                        SOCKET_PIN.NODE)
                .values(shopId, setId, socket.socket(), pin.getKey(), position, socket.type(), pin.getValue())
                .onDuplicateKeyUpdate()
                .set(SOCKET_PIN.NODE, pin.getValue())
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
                putPin(shopId, setId, socket, pin, position++);
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

    /** Takes a value that was entered by mistake out again. */
    public void removeValue(String shopId, String setId, String id) {
        db.deleteFrom(PART_VALUE)
                .where(PART_VALUE.SHOP_ID.eq(shopId), PART_VALUE.SET_ID.eq(setId), PART_VALUE.ID.eq(id))
                .execute();
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
}
