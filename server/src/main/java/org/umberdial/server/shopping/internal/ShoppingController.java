package org.umberdial.server.shopping.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.recap.Shopping;
import org.umberdial.core.value.SpreadsheetCell;
import org.umberdial.server.catalogue.CatalogueService;
import org.umberdial.server.security.Caller;
import org.umberdial.server.shop.ShopService;
import org.umberdial.server.shopping.PartOrder;
import org.umberdial.server.shopping.ShoppingService;
import org.umberdial.server.stock.StockItem;

/** The shop's one shopping list. */
@RestController
@RequestMapping("/api/shopping")
class ShoppingController {
    record ShoppingNeed(String setId, String set, int quantity) {}

    /** @param price of one, as it is known; null when nobody said */
    record ShoppingLine(
            String item,
            int needed,
            int onHand,
            int ordered,
            int spares,
            int toBuy,
            @Schema(nullable = true) BigDecimal price,
            List<ShoppingNeed> by) {}

    record ShoppingOrder(
            String id,
            String item,
            int quantity,
            int open,
            @Schema(nullable = true) BigDecimal price,
            Instant orderedAt,
            String author) {}

    /**
     * @param total what is left to buy comes to, as far as prices are known
     * @param unpriced how many of what is left to buy have no price
     */
    record ShoppingList(
            List<ShoppingLine> lines, List<ShoppingOrder> orders, int toBuy, BigDecimal total, int unpriced) {}

    record SpareEdit(@NotBlank @Size(max = 120) String item, int quantity) {}

    /** @param price of one as typed; may be empty */
    record OrderEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 120) String item,
            int quantity,
            @NotNull @Size(max = 40) String price) {}

    record DeliveryEdit(@NotNull UUID id, int quantity) {}

    record CallOff(@NotNull UUID id) {}

    private final ShoppingService shopping;
    private final ShopService shops;
    private final CatalogueService catalogue;

    ShoppingController(ShoppingService shopping, ShopService shops, CatalogueService catalogue) {
        this.shopping = shopping;
        this.shops = shops;
        this.catalogue = catalogue;
    }

    @GetMapping
    ShoppingList list(@AuthenticationPrincipal Caller caller) {
        Map<String, BigDecimal> prices = catalogue.prices(caller.shopId());
        List<ShoppingLine> lines = shopping.lines(caller.shopId()).stream()
                .map(line -> view(line, prices.get(line.item())))
                .toList();
        return new ShoppingList(
                lines,
                shopping.orders(caller.shopId()).stream()
                        .map(o -> new ShoppingOrder(
                                o.id(),
                                o.item(),
                                o.quantity(),
                                o.open(),
                                o.price().orElse(null),
                                o.orderedAt(),
                                o.author()))
                        .toList(),
                lines.stream().mapToInt(ShoppingLine::toBuy).sum(),
                lines.stream()
                        .filter(line -> line.price != null)
                        .map(line -> line.price.multiply(BigDecimal.valueOf(line.toBuy)))
                        .reduce(BigDecimal.ZERO, BigDecimal::add),
                lines.stream()
                        .filter(line -> line.price == null)
                        .mapToInt(ShoppingLine::toBuy)
                        .sum());
    }

    private static ShoppingLine view(Shopping.Line line, BigDecimal price) {
        return new ShoppingLine(
                line.item(),
                line.needed(),
                line.onHand(),
                line.ordered(),
                line.spares(),
                line.toBuy(),
                price,
                line.by().stream()
                        .map(need -> new ShoppingNeed(need.setId(), need.set(), need.quantity()))
                        .toList());
    }

    /** What is left to buy, for any dealer. */
    @GetMapping(value = "/list.csv", produces = "text/csv;charset=UTF-8")
    String csv(@AuthenticationPrincipal Caller caller) {
        Map<String, BigDecimal> prices = catalogue.prices(caller.shopId());
        return "item,quantity,price,needed,on_hand,ordered,spares,for\r\n"
                + shopping.lines(caller.shopId()).stream()
                        .filter(line -> line.toBuy() > 0)
                        .map(line -> String.join(
                                        ",",
                                        cell(line.item()),
                                        String.valueOf(line.toBuy()),
                                        Optional.ofNullable(prices.get(line.item()))
                                                .map(BigDecimal::toPlainString)
                                                .orElse(""),
                                        String.valueOf(line.needed()),
                                        String.valueOf(line.onHand()),
                                        String.valueOf(line.ordered()),
                                        String.valueOf(line.spares()),
                                        cell(line.by().stream()
                                                .map(Shopping.Need::set)
                                                .distinct()
                                                .collect(Collectors.joining("; "))))
                                + "\r\n")
                        .collect(Collectors.joining());
    }

    private static String cell(String text) {
        return "\"" + SpreadsheetCell.written(text).replace("\"", "\"\"") + "\"";
    }

    @PutMapping("/spares")
    ShoppingList spare(@AuthenticationPrincipal Caller caller, @Valid @RequestBody SpareEdit edit) {
        shopping.spare(caller, edit.item.strip(), edit.quantity);
        return list(caller);
    }

    @PostMapping("/orders")
    ShoppingList order(@AuthenticationPrincipal Caller caller, @Valid @RequestBody OrderEdit edit) {
        Optional<BigDecimal> price = CatalogueService.price(
                edit.price, shops.shop(caller.shopId()).policy().decimalSign());
        shopping.order(caller, edit.id.toString(), edit.item.strip(), edit.quantity, price);
        // What was paid last is what one costs, until somebody says otherwise.
        price.ifPresent(one -> catalogue.price(caller.shopId(), edit.item.strip(), price));
        return list(caller);
    }

    @PostMapping("/orders/{order}/arrivals")
    ShoppingList arrived(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID order, @Valid @RequestBody DeliveryEdit edit) {
        String item = shopping.orders(caller.shopId()).stream()
                .filter(one -> one.id().equals(order.toString()))
                .map(PartOrder::item)
                .findFirst()
                .orElse("");
        shopping.arrived(caller, order.toString(), edit.id.toString(), edit.quantity, kind(item));
        return list(caller);
    }

    /** By its name, as the plan writes it. */
    private static StockItem.Kind kind(String item) {
        return item.contains("Ω")
                ? StockItem.Kind.RESISTOR
                : item.matches(".*[pnµ]F .*") ? StockItem.Kind.CAPACITOR : StockItem.Kind.TUBE;
    }

    @PostMapping("/orders/{order}/call-offs")
    ShoppingList calledOff(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID order, @Valid @RequestBody CallOff edit) {
        shopping.calledOff(caller, order.toString(), edit.id.toString());
        return list(caller);
    }
}
