package org.umberdial.server.demo;

import java.io.IOException;
import java.io.InputStream;
import java.time.Clock;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.PartValue;
import org.umberdial.core.set.ValueOrigin;
import org.umberdial.server.exchange.ExchangeService;
import org.umberdial.server.exchange.ReadingFile;
import org.umberdial.server.security.Caller;
import org.umberdial.server.sets.SetService;
import org.umberdial.server.sets.StoredSet;
import org.umberdial.server.shop.Instrument;
import org.umberdial.server.shop.Shop;
import org.umberdial.server.shop.ShopService;

/** Fills an empty shop with invented sets, once. Every id is fixed, so that a load broken off half way goes on. */
@Component
@ConditionalOnProperty("umber.demo")
class DemoShop implements SmartInitializingSingleton {
    private static final Logger LOG = LoggerFactory.getLogger(DemoShop.class);
    private static final String METER = "11111111-0000-4000-8000-000000000001";
    private static final String OLD_METER = "11111111-0000-4000-8000-000000000002";
    private static final String BROWN = "22222222-0000-4000-8000-000000000001";
    private static final String GRAND = "22222222-0000-4000-8000-000000000002";
    private static final String IVORY = "22222222-0000-4000-8000-000000000003";
    private static final String PLAYER = "22222222-0000-4000-8000-000000000004";
    private static final String ELDER = "22222222-0000-4000-8000-000000000005";

    private final ShopService shops;
    private final SetService sets;
    private final ExchangeService exchange;
    private final Clock clock;

    DemoShop(ShopService shops, SetService sets, ExchangeService exchange, Clock clock) {
        this.shops = shops;
        this.sets = sets;
        this.exchange = exchange;
        this.clock = clock;
    }

    /** Before the first request is taken. */
    @Override
    public void afterSingletonsInstantiated() {
        try {
            fill();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException("the demo data cannot be read", e);
        }
    }

    private void fill() throws IOException {
        String shopId = shops.localShopId();
        if (sets.shelf(shopId).size() >= 5) {
            return;
        }
        Shop shop = shops.shop(shopId);
        if (shop.version() == 0) {
            shops.save(new Shop(shopId, "Umber Lane bench", ZoneId.of("America/New_York"), shop.policy(), 0));
        }
        shops.instruments(shopId).stream().filter(i -> !i.id().equals(METER) && !i.id().equals(OLD_METER) && !i.retired()).forEach(i -> shops.save(shopId, new Instrument(i.id(), i.name(), i.meter(), i.accuracy(), true, i.version())));
        shops.add(shopId, new Instrument(METER, "Bench meter", Meter.parse("10M"), 0.01, false, 0));
        shops.add(shopId, new Instrument(OLD_METER, "Moving-coil meter", Meter.parse("20k/V"), 0.03, false, 0));
        Caller caller = new Caller(shopId, "demo");
        take(caller, ELDER, new StoredSet.Label("Tall set with field-coil speaker", "0398", "floor", "its turn"), ConstructionClass.MAINS_TRANSFORMER, 119, "field-coil", false);
        take(caller, PLAYER, new StoredSet.Label("Suitcase record player", "0407", "shelf 4", "a new stack"), ConstructionClass.RECORD_PLAYER, 233, "record-player", true);
        take(caller, IVORY, new StoredSet.Label("Ivory table set, same chassis", "0415", "shelf 2", "its turn"), ConstructionClass.SERIES_STRING, 121.4, "table-set", false);
        take(caller, GRAND, new StoredSet.Label("Walnut superhet with FM", "0409", "shelf 1", "owner's word on the cabinet"), ConstructionClass.MAINS_TRANSFORMER, 233, "fm-superhet", true);
        take(caller, BROWN, new StoredSet.Label("Brown table set, five tubes", "0412", "shelf 3", ""), ConstructionClass.SERIES_STRING, 121.4, "table-set", true);
        sets.addValue(caller, BROWN, "33333333-0000-4000-8000-000000000001", "R1", new PartValue(ValueOrigin.BODY, 33, "printed"));
        sets.addValue(caller, BROWN, "33333333-0000-4000-8000-000000000002", "C4", new PartValue(ValueOrigin.FITTED, 0.022e-6, "wax paper, no repair marks"));
        sets.addValue(caller, BROWN, "33333333-0000-4000-8000-000000000003", "R11", new PartValue(ValueOrigin.BODY, 2700, "body red, end violet, dot red"));
        LOG.info("The demo shop is filled.");
    }

    private void take(Caller caller, String id, StoredSet.Label label, ConstructionClass construction, double line, String name, boolean withReadings) throws IOException {
        sets.create(caller.shopId(), id, label, construction, line, Optional.of(METER));
        require(exchange.importCircuit(caller, id, resource(name + ".cir")));
        require(exchange.importSheet(caller, id, resource(name + "-sheet.csv")));
        if (withReadings) {
            require(exchange.importReadings(caller, id, resource(name + "-readings.csv"), name + "-readings.csv"));
        }
        sets.touch(caller.shopId(), id, clock.instant());
    }

    private static void require(ReadingFile file) {
        if (!file.refused().isEmpty()) {
            throw new IllegalStateException("the demo data does not load: " + List.copyOf(file.refused()));
        }
    }

    private static byte[] resource(String name) throws IOException {
        try (InputStream in = ConstructionClass.class.getResourceAsStream("/org/umberdial/core/demo/" + name)) {
            return in.readAllBytes();
        }
    }
}
