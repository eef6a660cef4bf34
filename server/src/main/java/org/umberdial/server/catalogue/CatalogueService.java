package org.umberdial.server.catalogue;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.core.catalogue.Catalogue;
import org.umberdial.core.catalogue.OwnItem;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.ValueReader;
import org.umberdial.server.catalogue.internal.CatalogueTables;
import org.umberdial.server.sets.SetService;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** What a shop buys: what ships, with its own additions and omissions; and what it pays for one. */
@Service
public class CatalogueService {
    private static final Logger LOG = LoggerFactory.getLogger(CatalogueService.class);
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final ValueReader STORED = new ValueReader(DecimalSign.POINT);
    private static final int MOST_ITEMS = 2000;
    private static final int MOST_PRICE = 1_000_000;
    private static final int MOST_PRICES = 10_000;
    private static final int LONGEST_NAME = 120;

    private final CatalogueTables tables;
    private final SetService sets;

    public CatalogueService(CatalogueTables tables, SetService sets) {
        this.tables = tables;
        this.sets = sets;
    }

    /** What the plans of a shop's sets choose from. */
    public Catalogue catalogue(String shopId) {
        List<OwnItem> own = own(shopId);
        return own.isEmpty() ? Catalogue.shipped() : Catalogue.shipped().with(own);
    }

    /** What the shop added, and what it does not buy. */
    public List<OwnItem> own(String shopId) {
        List<OwnItem> items = new ArrayList<>();
        for (String body : tables.bodies(shopId)) {
            try {
                Map<String, String> row = JSON.readValue(body, new TypeReference<Map<String, String>>() {});
                items.add(OwnItem.of(row, STORED));
            } catch (InvalidEntry | JacksonException broken) {
                // One row that nobody can read must not close the shop.
                LOG.warn("an item of a shop's own catalogue was passed over: {}", broken.getMessage());
            }
        }
        return items;
    }

    /**
     * Keeps items in place of the shop's own of their names.
     *
     * @throws InvalidEntry when there are too many
     */
    @Transactional
    public void keep(String shopId, List<OwnItem> items) {
        if (items.isEmpty()) {
            return;
        }
        items.forEach(item -> tables.put(shopId, requireShort(item.name()), JSON.writeValueAsString(item.row())));
        if (tables.bodies(shopId).size() > MOST_ITEMS) {
            throw new InvalidEntry(
                    InvalidEntry.Code.OUT_OF_RANGE,
                    "A shop keeps at most " + MOST_ITEMS + " items of its own; remove some that are not bought.");
        }
        sets.allChanged(shopId);
    }

    private static String requireShort(String name) {
        if (name.length() > LONGEST_NAME) {
            throw new InvalidEntry(
                    InvalidEntry.Code.OUT_OF_RANGE, "A name is at most " + LONGEST_NAME + " letters: " + name);
        }
        return name;
    }

    /** An item of the shop's own is no longer; one that ships is chosen again. */
    @Transactional
    public void remove(String shopId, String name) {
        tables.remove(shopId, name);
        sets.allChanged(shopId);
    }

    /** What one costs, by the name it is ordered under. */
    public Map<String, BigDecimal> prices(String shopId) {
        return tables.prices(shopId);
    }

    /** What items cost together; empty when one of them has no price, or there is none. */
    public static Optional<BigDecimal> together(Map<String, BigDecimal> prices, List<String> items) {
        return items.isEmpty() || !prices.keySet().containsAll(items)
                ? Optional.empty()
                : Optional.of(items.stream().map(prices::get).reduce(BigDecimal.ZERO, BigDecimal::add));
    }

    /**
     * Says what one costs.
     *
     * @param price none, and nobody knows any more
     */
    @Transactional
    public void price(String shopId, String item, Optional<BigDecimal> price) {
        price.ifPresentOrElse(one -> tables.price(shopId, requireShort(item), one), () -> tables.unprice(shopId, item));
    }

    /**
     * A price as typed; empty for none.
     *
     * @throws InvalidEntry at {@code price}
     */
    public static Optional<BigDecimal> price(String typed, DecimalSign sign) {
        if (typed.isBlank()) {
            return Optional.empty();
        }
        try {
            double price = new ValueReader(sign).number(typed.strip());
            if (!(price >= 0 && price <= MOST_PRICE)) {
                throw new InvalidEntry(
                        InvalidEntry.Code.OUT_OF_RANGE, "A price is 0 to " + MOST_PRICE + ", not " + typed + ".");
            }
            return Optional.of(BigDecimal.valueOf(price).setScale(2, RoundingMode.HALF_EVEN));
        } catch (InvalidEntry refused) {
            throw refused.at("price");
        }
    }
}
