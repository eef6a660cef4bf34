package org.umberdial.server.catalogue.internal;

import static org.umberdial.tables.Tables.CATALOGUE_ITEM;
import static org.umberdial.tables.Tables.ITEM_PRICE;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Rows of the shops' own catalogues and prices. */
@Repository
public class CatalogueTables {
    private final DSLContext db;

    CatalogueTables(DSLContext db) {
        this.db = db;
    }

    /** As JSON, by name. */
    public List<String> bodies(String shopId) {
        return db.select(CATALOGUE_ITEM.BODY)
                .from(CATALOGUE_ITEM)
                .where(CATALOGUE_ITEM.SHOP_ID.eq(shopId))
                .orderBy(CATALOGUE_ITEM.NAME)
                .fetch(CATALOGUE_ITEM.BODY);
    }

    public void put(String shopId, String name, String body) {
        db.insertInto(CATALOGUE_ITEM)
                .set(CATALOGUE_ITEM.SHOP_ID, shopId)
                .set(CATALOGUE_ITEM.NAME, name)
                .set(CATALOGUE_ITEM.BODY, body)
                .onDuplicateKeyUpdate()
                .set(CATALOGUE_ITEM.BODY, body)
                .execute();
    }

    public void remove(String shopId, String name) {
        db.deleteFrom(CATALOGUE_ITEM)
                .where(CATALOGUE_ITEM.SHOP_ID.eq(shopId), CATALOGUE_ITEM.NAME.eq(name))
                .execute();
    }

    public Map<String, BigDecimal> prices(String shopId) {
        return db.select(ITEM_PRICE.ITEM, ITEM_PRICE.PRICE)
                .from(ITEM_PRICE)
                .where(ITEM_PRICE.SHOP_ID.eq(shopId))
                .fetchMap(ITEM_PRICE.ITEM, ITEM_PRICE.PRICE);
    }

    /** How many items have one. */
    public int priced(String shopId) {
        return db.fetchCount(ITEM_PRICE, ITEM_PRICE.SHOP_ID.eq(shopId));
    }

    public void price(String shopId, String item, BigDecimal price) {
        db.insertInto(ITEM_PRICE)
                .set(ITEM_PRICE.SHOP_ID, shopId)
                .set(ITEM_PRICE.ITEM, item)
                .set(ITEM_PRICE.PRICE, price)
                .onDuplicateKeyUpdate()
                .set(ITEM_PRICE.PRICE, price)
                .execute();
    }

    public void unprice(String shopId, String item) {
        db.deleteFrom(ITEM_PRICE)
                .where(ITEM_PRICE.SHOP_ID.eq(shopId), ITEM_PRICE.ITEM.eq(item))
                .execute();
    }
}
