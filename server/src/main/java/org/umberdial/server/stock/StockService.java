package org.umberdial.server.stock;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.sets.SetService;
import org.umberdial.server.stock.internal.StockTables;

/** What the shop has in stock. */
@Service
public class StockService {
    private static final int MOST = 100_000;

    private final StockTables tables;
    private final SetService sets;
    private final Clock clock;

    public StockService(StockTables tables, SetService sets, Clock clock) {
        this.tables = tables;
        this.sets = sets;
        this.clock = clock;
    }

    /** All items by kind and name, those that are used up among them. */
    public List<StockItem> items(String shopId) {
        return tables.items(shopId);
    }

    /** Transformers that are there, by the item's id. */
    public Map<String, StockItem> transformers(String shopId) {
        return tables.items(shopId).stream()
                .filter(item -> item.transformer().isPresent() && item.onHand() > 0)
                .collect(Collectors.toMap(StockItem::id, item -> item, (a, b) -> a, java.util.LinkedHashMap::new));
    }

    /** The moves of an item, the newest first. */
    public List<StockMove> moves(String shopId, String itemId) {
        require(shopId, itemId);
        return tables.moves(shopId, itemId);
    }

    private StockItem require(String shopId, String itemId) {
        return tables.items(shopId).stream()
                .filter(item -> item.id().equals(itemId))
                .findFirst()
                .orElseThrow(() -> Problem.notFound("This item"));
    }

    /** Puts a new item in stock, with how many there are; the same id again changes nothing. */
    @Transactional
    public void add(Caller caller, StockItem item, int quantity) {
        if (quantity < 0 || quantity > MOST) {
            throw new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, "There are 0 to " + MOST + " of an item.")
                    .at("quantity");
        }
        if (tables.add(caller.shopId(), item) && quantity > 0) {
            tables.move(
                    caller.shopId(),
                    new StockMove(
                            item.id(),
                            item.id(),
                            quantity,
                            StockMove.Reason.COUNTED,
                            Optional.empty(),
                            "",
                            clock.instant(),
                            caller.author()));
        }
    }

    /**
     * Puts some in or takes some out; the same id again changes nothing.
     *
     * @throws InvalidEntry when there are not as many as are taken
     */
    @Transactional
    public void move(Caller caller, StockMove move) {
        tables.lock(caller.shopId(), move.itemId());
        StockItem item = require(caller.shopId(), move.itemId());
        move.setId().ifPresent(setId -> sets.require(caller.shopId(), setId));
        if (tables.moved(caller.shopId(), move.id())) {
            return;
        }
        if (move.quantity() == 0 || Math.abs((long) move.quantity()) > MOST) {
            throw new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, "Put in or take out 1 to " + MOST + ".")
                    .at("quantity");
        }
        long left = (long) item.onHand() + move.quantity();
        if (left < 0 || left > MOST) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            left < 0
                                    ? "There " + (item.onHand() == 1 ? "is 1" : "are " + item.onHand())
                                            + "; count them and put in what was not written down, or take fewer."
                                    : "At most " + MOST + " of an item are kept.")
                    .at("quantity");
        }
        tables.move(
                caller.shopId(),
                new StockMove(
                        move.id(),
                        move.itemId(),
                        move.quantity(),
                        move.reason(),
                        move.setId(),
                        move.note(),
                        clock.instant(),
                        caller.author()));
    }
}
