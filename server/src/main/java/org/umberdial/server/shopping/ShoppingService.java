package org.umberdial.server.shopping;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.core.evidence.PartReplaced;
import org.umberdial.core.recap.RecapPlan;
import org.umberdial.core.recap.Shopping;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;
import org.umberdial.server.shopping.internal.ShoppingTables;
import org.umberdial.server.stock.StockItem;
import org.umberdial.server.stock.StockMove;
import org.umberdial.server.stock.StockService;

/** What the shop buys for its sets: never more than they need and the spares it wants. */
@Service
public class ShoppingService {
    private static final int MOST = 10_000;

    private final ShoppingTables tables;
    private final SetFiles files;
    private final StockService stock;
    private final EvidenceService evidence;
    private final Clock clock;

    public ShoppingService(
            ShoppingTables tables, SetFiles files, StockService stock, EvidenceService evidence, Clock clock) {
        this.tables = tables;
        this.files = files;
        this.stock = stock;
        this.evidence = evidence;
        this.clock = clock;
    }

    public boolean isListed(String shopId, String setId) {
        return tables.listed(shopId).contains(setId);
    }

    /** Puts a set on the list, or takes it off. */
    @Transactional
    public void list(Caller caller, String setId, boolean on) {
        files.open(caller.shopId(), setId);
        tables.list(caller.shopId(), setId, on);
    }

    /** The list as it stands now. */
    public List<Shopping.Line> lines(String shopId) {
        List<Shopping.Need> needs = new ArrayList<>();
        for (String setId : tables.listed(shopId)) {
            OpenSet set = files.open(shopId, setId);
            RecapPlan.of(set.file())
                    .needs()
                    .forEach((item, quantity) -> needs.add(
                            new Shopping.Need(setId, set.stored().label().title(), item, quantity)));
        }
        Map<String, Integer> ordered = new HashMap<>();
        tables.orders(shopId).stream()
                .filter(order -> order.open() > 0)
                .forEach(order -> ordered.merge(order.item(), order.open(), Integer::sum));
        return Shopping.list(needs, onHand(shopId), ordered, tables.spares(shopId));
    }

    /**
     * What one set on the list waits for.
     *
     * @param onTheWay parts that are ordered and have not come
     * @param toBuy parts nobody has ordered
     */
    public record Waits(String setId, String title, int onTheWay, int toBuy) {}

    /** What each set on the list waits for, when its parts are shared out in the list's order. */
    public List<Waits> waits(String shopId) {
        Map<String, Integer> there = new HashMap<>(onHand(shopId));
        Map<String, Integer> ordered = new HashMap<>();
        tables.orders(shopId).forEach(order -> ordered.merge(order.item(), order.open(), Integer::sum));
        List<Waits> waits = new ArrayList<>();
        for (String setId : tables.listed(shopId)) {
            OpenSet set = files.open(shopId, setId);
            int onTheWay = 0;
            int toBuy = 0;
            for (Map.Entry<String, Integer> need :
                    RecapPlan.of(set.file()).needs().entrySet()) {
                int missing = need.getValue() - taken(there, need.getKey(), need.getValue());
                int coming = taken(ordered, need.getKey(), missing);
                onTheWay += coming;
                toBuy += missing - coming;
            }
            if (onTheWay + toBuy > 0) {
                waits.add(new Waits(setId, set.stored().label().title(), onTheWay, toBuy));
            }
        }
        return waits;
    }

    private static int taken(Map<String, Integer> from, String item, int wanted) {
        int taken = Math.min(wanted, from.getOrDefault(item, 0));
        from.merge(item, -taken, Integer::sum);
        return taken;
    }

    /** How many lie in the drawers, by the name they are ordered under. */
    public Map<String, Integer> onHand(String shopId) {
        Map<String, Integer> there = new HashMap<>();
        stock.items(shopId).forEach(item -> there.merge(item.name(), item.onHand(), Integer::sum));
        return there;
    }

    public List<PartOrder> orders(String shopId) {
        return tables.orders(shopId);
    }

    @Transactional
    public void spare(Caller caller, String item, int quantity) {
        if (quantity < 0 || quantity > MOST) {
            throw new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, "Spares are 0 to " + MOST + ".").at("quantity");
        }
        tables.spare(caller.shopId(), item, quantity);
    }

    /**
     * Orders some of an item; the same id again changes nothing.
     *
     * @throws Problem when somebody ordered meanwhile, so that so many are no longer wanted
     */
    @Transactional
    public void order(Caller caller, String id, String item, int quantity, Optional<BigDecimal> price) {
        tables.lock(caller.shopId());
        Optional<PartOrder> there = tables.orders(caller.shopId()).stream()
                .filter(o -> o.id().equals(id))
                .findFirst();
        if (there.isPresent()) {
            if (!there.get().item().equals(item) || there.get().quantity() != quantity) {
                throw Problem.sameId("An order");
            }
            return;
        }
        int wanted = lines(caller.shopId()).stream()
                .filter(line -> line.item().equals(item))
                .mapToInt(Shopping.Line::toBuy)
                .sum();
        if (quantity < 1 || quantity > MOST) {
            throw new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, "Order 1 to " + MOST + " of it.").at("quantity");
        }
        if (quantity > wanted) {
            throw new Problem(
                    Problem.Kind.CHANGED_MEANWHILE,
                    wanted == 0
                            ? "None of “" + item
                                    + "” is left to buy: it is in stock, on its way, or no longer needed. Raise the spares to buy more."
                            : "Only " + wanted + " of “" + item
                                    + "” are left to buy. Order fewer, or raise the spares.");
        }
        tables.order(
                caller.shopId(), new PartOrder(id, item, quantity, quantity, price, clock.instant(), caller.author()));
    }

    /** Some of an order came, and lie in the drawer now; the same id again changes nothing. */
    @Transactional
    public void arrived(Caller caller, String orderId, String id, int quantity, StockItem.Kind kind) {
        if (close(caller, orderId, id, quantity, true)) {
            String item = order(caller.shopId(), orderId).item();
            StockItem there = stock.items(caller.shopId()).stream()
                    .filter(one -> one.name().equals(item))
                    .findFirst()
                    .orElseGet(() -> {
                        StockItem fresh =
                                new StockItem(derived(caller.shopId() + item), kind, item, "", Optional.empty(), 0);
                        stock.add(caller, fresh, 0);
                        return fresh;
                    });
            stock.move(caller, move(id, there.id(), quantity, StockMove.Reason.BOUGHT, Optional.empty()));
        }
    }

    /** No more of an order will come. */
    @Transactional
    public void calledOff(Caller caller, String orderId, String id) {
        tables.lock(caller.shopId());
        int open = order(caller.shopId(), orderId).open();
        if (open > 0) {
            close(caller, orderId, id, open, false);
        }
    }

    private boolean close(Caller caller, String orderId, String id, int quantity, boolean came) {
        tables.lock(caller.shopId());
        if (tables.closed(caller.shopId(), id)) {
            return false;
        }
        int open = order(caller.shopId(), orderId).open();
        if (quantity < 1 || quantity > open) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            open == 0
                                    ? "Nothing of this order is awaited any more."
                                    : "Of this order " + open + " are awaited; take in 1 to " + open + ".")
                    .at("quantity");
        }
        return tables.close(caller.shopId(), id, orderId, quantity, came, clock.instant(), caller.author());
    }

    private PartOrder order(String shopId, String orderId) {
        return tables.orders(shopId).stream()
                .filter(one -> one.id().equals(orderId))
                .findFirst()
                .orElseThrow(() -> Problem.notFound("This order"));
    }

    /**
     * A new part is in: from the drawer what of it lies there under its name. The same id again changes nothing.
     *
     * @param items what went in, each as it is ordered; the same twice for a pair of two alike
     */
    @Transactional
    public void fitted(Caller caller, String setId, String id, PartReplaced fact, List<String> items) {
        if (!evidence.keep(caller, setId, id, fact, clock.instant(), "", "")) {
            return;
        }
        for (int i = 0; i < items.size(); i++) {
            String name = items.get(i);
            String use = derived(id + "used" + (i == 0 ? "" : i));
            stock.items(caller.shopId()).stream()
                    .filter(item -> item.name().equals(name) && item.onHand() > 0)
                    .findFirst()
                    .ifPresent(item ->
                            stock.move(caller, move(use, item.id(), -1, StockMove.Reason.USED, Optional.of(setId))));
        }
    }

    private StockMove move(String id, String itemId, int quantity, StockMove.Reason reason, Optional<String> setId) {
        return new StockMove(id, itemId, quantity, reason, setId, "", clock.instant(), "");
    }

    private static String derived(String from) {
        return UUID.nameUUIDFromBytes(from.getBytes(StandardCharsets.UTF_8)).toString();
    }
}
