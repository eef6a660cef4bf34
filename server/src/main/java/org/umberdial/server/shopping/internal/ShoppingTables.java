package org.umberdial.server.shopping.internal;

import static org.umberdial.tables.Tables.LISTED_SET;
import static org.umberdial.tables.Tables.PART_ARRIVAL;
import static org.umberdial.tables.Tables.PART_ORDER;
import static org.umberdial.tables.Tables.SHOP;
import static org.umberdial.tables.Tables.SPARE_WANTED;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import org.umberdial.server.shopping.PartOrder;

@Repository
public class ShoppingTables {
    private final DSLContext db;

    ShoppingTables(DSLContext db) {
        this.db = db;
    }

    /** Lets nobody else of this shop order, take in or call off until the transaction ends. */
    public void lock(String shopId) {
        db.select(SHOP.ID).from(SHOP).where(SHOP.ID.eq(shopId)).forUpdate().fetch();
    }

    public List<String> listed(String shopId) {
        return db.select(LISTED_SET.SET_ID)
                .from(LISTED_SET)
                .where(LISTED_SET.SHOP_ID.eq(shopId))
                .orderBy(LISTED_SET.SET_ID)
                .fetch(LISTED_SET.SET_ID);
    }

    public void list(String shopId, String setId, boolean on) {
        if (on) {
            db.insertInto(LISTED_SET)
                    .set(LISTED_SET.SHOP_ID, shopId)
                    .set(LISTED_SET.SET_ID, setId)
                    .onDuplicateKeyIgnore()
                    .execute();
        } else {
            db.deleteFrom(LISTED_SET)
                    .where(LISTED_SET.SHOP_ID.eq(shopId), LISTED_SET.SET_ID.eq(setId))
                    .execute();
        }
    }

    public Map<String, Integer> spares(String shopId) {
        return db.select(SPARE_WANTED.ITEM, SPARE_WANTED.QUANTITY)
                .from(SPARE_WANTED)
                .where(SPARE_WANTED.SHOP_ID.eq(shopId))
                .fetchMap(SPARE_WANTED.ITEM, SPARE_WANTED.QUANTITY);
    }

    public void spare(String shopId, String item, int quantity) {
        db.insertInto(SPARE_WANTED)
                .set(SPARE_WANTED.SHOP_ID, shopId)
                .set(SPARE_WANTED.ITEM, item)
                .set(SPARE_WANTED.QUANTITY, quantity)
                .onDuplicateKeyUpdate()
                .set(SPARE_WANTED.QUANTITY, quantity)
                .execute();
    }

    /** Every order, the latest first. */
    public List<PartOrder> orders(String shopId) {
        Field<BigDecimal> closed =
                DSL.field(DSL.select(DSL.coalesce(DSL.sum(PART_ARRIVAL.QUANTITY), DSL.inline(BigDecimal.ZERO)))
                        .from(PART_ARRIVAL)
                        .where(PART_ARRIVAL.SHOP_ID.eq(PART_ORDER.SHOP_ID), PART_ARRIVAL.ORDER_ID.eq(PART_ORDER.ID)));
        return db.select(
                        PART_ORDER.ID,
                        PART_ORDER.ITEM,
                        PART_ORDER.QUANTITY,
                        PART_ORDER.PRICE,
                        PART_ORDER.ORDERED_AT,
                        PART_ORDER.AUTHOR,
                        closed)
                .from(PART_ORDER)
                .where(PART_ORDER.SHOP_ID.eq(shopId))
                .orderBy(PART_ORDER.ORDERED_AT.desc(), PART_ORDER.ID)
                .fetch(row -> new PartOrder(
                        row.value1(),
                        row.value2(),
                        row.value3(),
                        row.value3() - row.value7().intValue(),
                        Optional.ofNullable(row.value4()),
                        row.value5(),
                        row.value6()));
    }

    public void order(String shopId, PartOrder order) {
        db.insertInto(PART_ORDER)
                .set(PART_ORDER.SHOP_ID, shopId)
                .set(PART_ORDER.ID, order.id())
                .set(PART_ORDER.ITEM, order.item())
                .set(PART_ORDER.QUANTITY, order.quantity())
                .set(PART_ORDER.PRICE, order.price().orElse(null))
                .set(PART_ORDER.ORDERED_AT, order.orderedAt())
                .set(PART_ORDER.AUTHOR, order.author())
                .execute();
    }

    /** Whether the entry is new. */
    public boolean close(
            String shopId, String id, String orderId, int quantity, boolean came, Instant at, String author) {
        return db.insertInto(PART_ARRIVAL)
                        .set(PART_ARRIVAL.SHOP_ID, shopId)
                        .set(PART_ARRIVAL.ID, id)
                        .set(PART_ARRIVAL.ORDER_ID, orderId)
                        .set(PART_ARRIVAL.QUANTITY, quantity)
                        .set(PART_ARRIVAL.CAME, came)
                        .set(PART_ARRIVAL.AT, at)
                        .set(PART_ARRIVAL.AUTHOR, author)
                        .onDuplicateKeyIgnore()
                        .execute()
                == 1;
    }

    public boolean closed(String shopId, String id) {
        return db.fetchExists(PART_ARRIVAL, PART_ARRIVAL.SHOP_ID.eq(shopId), PART_ARRIVAL.ID.eq(id));
    }
}
