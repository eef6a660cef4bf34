package org.umberdial.server.catalogue.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.catalogue.Catalogue;
import org.umberdial.core.catalogue.OwnItem;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.ValueReader;
import org.umberdial.server.catalogue.CatalogueService;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.shop.ShopService;

/** What a shop buys and what it pays. */
@RestController
@RequestMapping("/api/catalogue")
class CatalogueController {
    private static final int MOST_SHOWN = 80;

    /**
     * @param own whether the shop added it
     * @param offered whether the plan may choose it
     * @param price of one; null when nobody said, or for a kind of resistor, which is priced by its value
     */
    record CatalogueRow(
            String name,
            boolean capacitor,
            boolean own,
            boolean offered,
            @Schema(nullable = true) BigDecimal price) {}

    /** @param of how many there are */
    record CatalogueList(List<CatalogueRow> items, int of, List<String> capacitorKinds, List<String> resistorKinds) {}

    /** @param cells by the open table's columns, as typed */
    record CatalogueEdit(@NotNull @Size(max = 12) Map<@Size(max = 40) String, @Size(max = 80) String> cells) {}

    record OfferedEdit(@NotBlank @Size(max = 120) String name, boolean offered) {}

    /** @param price as typed; empty, and nobody knows any more */
    record PriceEdit(
            @NotBlank @Size(max = 120) String item,
            @NotNull @Size(max = 40) String price) {}

    private final CatalogueService catalogue;
    private final ShopService shops;

    CatalogueController(CatalogueService catalogue, ShopService shops) {
        this.catalogue = catalogue;
        this.shops = shops;
    }

    /** The shop's own first; every word of a query is in the name. */
    @GetMapping
    CatalogueList items(@AuthenticationPrincipal Caller caller, @RequestParam(defaultValue = "") String query) {
        List<OwnItem> own = catalogue.own(caller.shopId());
        Set<String> named = own.stream().map(OwnItem::name).collect(Collectors.toSet());
        Set<String> shipped = shipped().keySet();
        Map<String, BigDecimal> prices = catalogue.prices(caller.shopId());
        List<String> words = Arrays.stream(
                        query.strip().toLowerCase(Locale.ROOT).split("\\s+"))
                .toList();
        List<CatalogueRow> found = Stream.concat(
                        own.stream(), shipped().values().stream().filter(one -> !named.contains(one.name())))
                .filter(one -> words.stream().allMatch(word -> named(one.name().toLowerCase(Locale.ROOT), word)))
                .map(one -> new CatalogueRow(
                        one.name(),
                        one.capacitor().isPresent(),
                        named.contains(one.name()) && !shipped.contains(one.name()),
                        one.offered(),
                        prices.get(one.name())))
                .sorted(Comparator.comparing((CatalogueRow row) -> !row.own))
                .toList();
        return new CatalogueList(
                found.stream().limit(MOST_SHOWN).toList(),
                found.size(),
                Catalogue.capacitorKinds(),
                Catalogue.resistorKinds());
    }

    /** A number is meant as it stands: 22 is not 220. */
    private static boolean named(String name, String word) {
        return word.matches("[0-9.,]+") ? List.of(name.split("[ ,]+")).contains(word) : name.contains(word);
    }

    private static Map<String, OwnItem> shipped() {
        return OwnItem.all(Catalogue.shipped()).stream()
                .collect(Collectors.toMap(
                        OwnItem::name, Function.identity(), (first, second) -> first, LinkedHashMap::new));
    }

    /** Adds an item, or changes one of the shop's own. */
    @PutMapping("/items")
    CatalogueList keep(@AuthenticationPrincipal Caller caller, @Valid @RequestBody CatalogueEdit edit) {
        OwnItem item = OwnItem.of(edit.cells, new ValueReader(sign(caller)));
        catalogue.keep(caller.shopId(), List.of(item));
        return items(caller, item.name());
    }

    /** Says whether the plan may choose an item. */
    @PutMapping("/offered")
    CatalogueList offer(@AuthenticationPrincipal Caller caller, @Valid @RequestBody OfferedEdit edit) {
        OwnItem there = catalogue.own(caller.shopId()).stream()
                .filter(one -> one.name().equals(edit.name))
                .findFirst()
                .or(() -> Optional.ofNullable(shipped().get(edit.name)))
                .orElseThrow(() -> Problem.notFound("The item"));
        if (edit.offered && shipped().containsKey(edit.name)) {
            catalogue.remove(caller.shopId(), edit.name);
        } else {
            catalogue.keep(caller.shopId(), List.of(new OwnItem(there.capacitor(), there.resistor(), edit.offered)));
        }
        return items(caller, edit.name);
    }

    @DeleteMapping("/items")
    CatalogueList remove(@AuthenticationPrincipal Caller caller, @RequestParam String name) {
        catalogue.remove(caller.shopId(), name);
        return items(caller, "");
    }

    @PutMapping("/prices")
    CatalogueList price(@AuthenticationPrincipal Caller caller, @Valid @RequestBody PriceEdit edit) {
        catalogue.price(caller.shopId(), edit.item.strip(), CatalogueService.price(edit.price, sign(caller)));
        return items(caller, edit.item.strip());
    }

    private DecimalSign sign(Caller caller) {
        return shops.shop(caller.shopId()).policy().decimalSign();
    }
}
