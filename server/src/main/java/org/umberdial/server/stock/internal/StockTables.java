package org.umberdial.server.stock.internal;

import static org.umberdial.tables.Tables.STOCK_ITEM;
import static org.umberdial.tables.Tables.STOCK_MOVE;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import org.umberdial.core.cold.TransformerSize;
import org.umberdial.server.stock.StockItem;
import org.umberdial.server.stock.StockMove;
import tools.jackson.databind.ObjectMapper;
import tools.jackson.databind.json.JsonMapper;

/** Items in stock and their moves; rows are only added. */
@Repository
public class StockTables {
    private static final ObjectMapper JSON = JsonMapper.builder().build();
    private static final int MOST_MOVES = 50;

    /** A transformer's figures as they are kept; 0 where it has none. */
    private record TransformerBody(
            double va,
            double highVolts,
            double amperes,
            TransformerSize.CentreTap centreTap,
            double heaterVolts,
            double heaterAmperes,
            double rectifierVolts,
            double rectifierAmperes) {
        static TransformerBody of(TransformerSize.Candidate c) {
            return new TransformerBody(
                    c.va(),
                    c.highVolts(),
                    c.amperes(),
                    c.centreTap(),
                    c.heaterVolts(),
                    c.heaterAmperes(),
                    c.rectifierVolts(),
                    c.rectifierAmperes());
        }

        TransformerSize.Candidate called(String name) {
            return new TransformerSize.Candidate(
                    name,
                    va,
                    highVolts,
                    amperes,
                    centreTap,
                    heaterVolts,
                    heaterAmperes,
                    rectifierVolts,
                    rectifierAmperes,
                    true);
        }
    }

    private final DSLContext db;

    StockTables(DSLContext db) {
        this.db = db;
    }

    public List<StockItem> items(String shopId) {
        Field<BigDecimal> onHand =
                DSL.field(DSL.select(DSL.coalesce(DSL.sum(STOCK_MOVE.QUANTITY), DSL.inline(BigDecimal.ZERO)))
                        .from(STOCK_MOVE)
                        .where(STOCK_MOVE.SHOP_ID.eq(STOCK_ITEM.SHOP_ID), STOCK_MOVE.ITEM_ID.eq(STOCK_ITEM.ID)));
        return db.select(STOCK_ITEM.ID, STOCK_ITEM.KIND, STOCK_ITEM.NAME, STOCK_ITEM.PLACE, STOCK_ITEM.BODY, onHand)
                .from(STOCK_ITEM)
                .where(STOCK_ITEM.SHOP_ID.eq(shopId))
                .orderBy(STOCK_ITEM.KIND, STOCK_ITEM.NAME, STOCK_ITEM.ID)
                .fetch(row -> {
                    StockItem.Kind kind = StockItem.Kind.valueOf(row.value2());
                    return new StockItem(
                            row.value1(),
                            kind,
                            row.value3(),
                            row.value4(),
                            kind == StockItem.Kind.TRANSFORMER && !row.value5().equals("{}")
                                    ? Optional.of(JSON.readValue(row.value5(), TransformerBody.class)
                                            .called(row.value3()))
                                    : Optional.empty(),
                            row.value6().intValue());
                });
    }

    /** Whether it was not there before. */
    public boolean add(String shopId, StockItem item) {
        return db.insertInto(STOCK_ITEM)
                        .set(STOCK_ITEM.SHOP_ID, shopId)
                        .set(STOCK_ITEM.ID, item.id())
                        .set(STOCK_ITEM.KIND, item.kind().name())
                        .set(STOCK_ITEM.NAME, item.name())
                        .set(STOCK_ITEM.PLACE, item.place())
                        .set(
                                STOCK_ITEM.BODY,
                                item.transformer()
                                        .map(t -> JSON.writeValueAsString(TransformerBody.of(t)))
                                        .orElse("{}"))
                        .onDuplicateKeyIgnore()
                        .execute()
                == 1;
    }

    /** Lets nobody else move this item until the transaction ends. */
    public void lock(String shopId, String itemId) {
        db.select(STOCK_ITEM.ID)
                .from(STOCK_ITEM)
                .where(STOCK_ITEM.SHOP_ID.eq(shopId), STOCK_ITEM.ID.eq(itemId))
                .forUpdate()
                .execute();
    }

    public boolean moved(String shopId, String moveId) {
        return db.fetchExists(STOCK_MOVE, STOCK_MOVE.SHOP_ID.eq(shopId), STOCK_MOVE.ID.eq(moveId));
    }

    public void move(String shopId, StockMove move) {
        db.insertInto(STOCK_MOVE)
                .set(STOCK_MOVE.SHOP_ID, shopId)
                .set(STOCK_MOVE.ID, move.id())
                .set(STOCK_MOVE.ITEM_ID, move.itemId())
                .set(STOCK_MOVE.QUANTITY, move.quantity())
                .set(STOCK_MOVE.REASON, move.reason().name())
                .set(STOCK_MOVE.SET_ID, move.setId().orElse(null))
                .set(STOCK_MOVE.NOTE, move.note())
                .set(STOCK_MOVE.MOVED_AT, move.at())
                .set(STOCK_MOVE.AUTHOR, move.author())
                .onDuplicateKeyIgnore()
                .execute();
    }

    public List<StockMove> moves(String shopId, String itemId) {
        return db.selectFrom(STOCK_MOVE)
                .where(STOCK_MOVE.SHOP_ID.eq(shopId), STOCK_MOVE.ITEM_ID.eq(itemId))
                .orderBy(STOCK_MOVE.SEQUENCE.desc())
                .limit(MOST_MOVES)
                .fetch(row -> new StockMove(
                        row.get(STOCK_MOVE.ID),
                        row.get(STOCK_MOVE.ITEM_ID),
                        row.get(STOCK_MOVE.QUANTITY),
                        StockMove.Reason.valueOf(row.get(STOCK_MOVE.REASON)),
                        Optional.ofNullable(row.get(STOCK_MOVE.SET_ID)),
                        row.get(STOCK_MOVE.NOTE),
                        row.get(STOCK_MOVE.MOVED_AT),
                        row.get(STOCK_MOVE.AUTHOR)));
    }
}
