package org.umberdial.server.demo;

import java.io.IOException;
import java.io.InputStream;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import org.umberdial.core.cold.TestRow;
import org.umberdial.core.evidence.Placing;
import org.umberdial.core.parts.PartsArea;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.PartValue;
import org.umberdial.core.set.SupplyLabel;
import org.umberdial.core.set.ValueOrigin;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.server.accounts.AccountService;
import org.umberdial.server.catalogue.CatalogueService;
import org.umberdial.server.cold.ColdService;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.exchange.ExchangeService;
import org.umberdial.server.exchange.ReadingFile;
import org.umberdial.server.instrument.InstrumentService;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.SetFiles;
import org.umberdial.server.sets.CircuitService;
import org.umberdial.server.sets.SetService;
import org.umberdial.server.sets.StoredSet;
import org.umberdial.server.shop.Shop;
import org.umberdial.server.shop.ShopService;
import org.umberdial.server.shopping.ShoppingService;
import org.umberdial.server.stock.StockService;

/** Fills an empty shop with invented sets, once. Every id is fixed, so that a load broken off half way goes on. */
@Component
@ConditionalOnProperty("umber.demo")
class DemoShop implements SmartInitializingSingleton {
    private static final Logger LOG = LoggerFactory.getLogger(DemoShop.class);
    static final String BROWN = "22222222-0000-4000-8000-000000000001";
    static final String GRAND = "22222222-0000-4000-8000-000000000002";
    static final String IVORY = "22222222-0000-4000-8000-000000000003";
    static final String PLAYER = "22222222-0000-4000-8000-000000000004";
    static final String ELDER = "22222222-0000-4000-8000-000000000005";
    static final String CREAM = "22222222-0000-4000-8000-000000000006";
    private static final int SETS = 6;

    private final ShopService shops;
    private final AccountService accounts;
    private final SetService sets;
    private final CircuitService circuits;
    private final ExchangeService exchange;
    private final ColdService colds;
    private final InstrumentService instruments;
    private final StockService stock;
    private final SetFiles files;
    private final EvidenceService evidence;
    private final ShoppingService shopping;
    private final CatalogueService catalogue;
    private final DemoArrivals arrivals;
    private final DemoPractice practice;
    private final DemoFinish finish;
    private final Clock clock;

    DemoShop(
            ShopService shops,
            AccountService accounts,
            SetService sets,
            CircuitService circuits,
            ExchangeService exchange,
            ColdService colds,
            InstrumentService instruments,
            StockService stock,
            SetFiles files,
            EvidenceService evidence,
            ShoppingService shopping,
            CatalogueService catalogue,
            DemoArrivals arrivals,
            DemoPractice practice,
            DemoFinish finish,
            Clock clock) {
        this.practice = practice;
        this.finish = finish;
        this.shops = shops;
        this.accounts = accounts;
        this.sets = sets;
        this.circuits = circuits;
        this.exchange = exchange;
        this.colds = colds;
        this.instruments = instruments;
        this.stock = stock;
        this.files = files;
        this.evidence = evidence;
        this.shopping = shopping;
        this.catalogue = catalogue;
        this.arrivals = arrivals;
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
        accounts.openDemo(shopId);
        if (sets.count(shopId) >= SETS || ofAnEarlierVersion(shopId)) {
            return;
        }
        Shop shop = shops.shop(shopId);
        if (shop.version() == 0) {
            shops.save(new Shop(shopId, "Umber Lane bench", ZoneId.of("America/New_York"), shop.policy(), 0));
        }
        DemoBench.INSTRUMENTS.forEach(one -> instruments.add(shopId, one));
        Caller caller = new Caller(shopId, "demo");
        create(
                caller,
                CREAM,
                new StoredSet.Label("Cream bedside set", "0421", "counter", "its turn"),
                ConstructionClass.UNKNOWN,
                121.4);
        create(
                caller,
                ELDER,
                new StoredSet.Label("Tall set with field-coil speaker", "0398", "floor", "its owner"),
                ConstructionClass.MAINS_TRANSFORMER,
                119);
        circuit(caller, ELDER, "field-coil");
        readings(caller, ELDER, "field-coil");
        create(
                caller,
                PLAYER,
                new StoredSet.Label("Suitcase record player", "0407", "shelf 4", "a new stack"),
                ConstructionClass.RECORD_PLAYER,
                233);
        sheet(caller, PLAYER, "suitcase");
        readings(caller, PLAYER, "suitcase");
        create(
                caller,
                IVORY,
                new StoredSet.Label("Ivory table set, same chassis", "0415", "shelf 2", "its turn"),
                ConstructionClass.SERIES_STRING,
                121.4);
        circuit(caller, IVORY, "table-set");
        create(
                caller,
                GRAND,
                new StoredSet.Label("Walnut superhet with FM", "0409", "shelf 1", "owner's word on the cabinet"),
                ConstructionClass.MAINS_TRANSFORMER,
                233);
        circuit(caller, GRAND, "fm-superhet");
        readings(caller, GRAND, "fm-superhet");
        create(
                caller,
                BROWN,
                new StoredSet.Label("Brown table set, five tubes", "0412", "shelf 3", ""),
                ConstructionClass.SERIES_STRING,
                121.4);
        circuit(caller, BROWN, "table-set");
        readings(caller, BROWN, "table-set");
        circuits.addValue(
                caller,
                BROWN,
                "33333333-0000-4000-8000-000000000001",
                "R1",
                new PartValue(ValueOrigin.BODY, 33, "printed"));
        circuits.addValue(
                caller,
                BROWN,
                "33333333-0000-4000-8000-000000000002",
                "C4",
                new PartValue(ValueOrigin.FITTED, 0.022e-6, "wax paper, no repair marks"));
        circuits.addValue(
                caller,
                BROWN,
                "33333333-0000-4000-8000-000000000003",
                "R11",
                new PartValue(ValueOrigin.BODY, 2700, "body red, end violet, dot red"));
        cold(caller);
        parts(caller);
        arrivals.fill(caller);
        practice.fill(caller);
        finish.fill(caller);
        finish.works(caller, CREAM);
        finish.dial(caller, CREAM);
        finish.receiver(caller, GRAND);
        LOG.info("The demo shop is filled.");
    }

    /** A demo filled by an earlier version stays as it is: the player had a circuit then, and other readings. */
    private boolean ofAnEarlierVersion(String shopId) {
        return sets.has(shopId, PLAYER)
                && !sets.set(shopId, PLAYER).set().parts().isEmpty();
    }

    /** What is in stock, and tests on each kind of set. */
    private void cold(Caller caller) throws IOException {
        sets.arrival(
                caller.shopId(),
                GRAND,
                new StoredSet.Arrival(
                        "Cleo Specimen",
                        "",
                        "chassis 4409",
                        "",
                        "",
                        Set.of(),
                        new SupplyLabel(
                                List.of(110.0, 125.0, 220.0, 240.0),
                                OptionalDouble.of(240),
                                List.of(50.0),
                                OptionalDouble.of(65),
                                SupplyLabel.Current.AC,
                                false)),
                sets.set(caller.shopId(), GRAND).version());
        DemoBench.STOCK.forEach(item -> stock.add(caller, item, 1));
        DemoBench.PRICES.forEach(
                (item, price) -> catalogue.price(caller.shopId(), item, Optional.of(new BigDecimal(price))));
        List<String> lines = new String(resource("cold-tests.csv"), StandardCharsets.UTF_8)
                .lines()
                .skip(1)
                .toList();
        for (int i = 0; i < lines.size(); i++) {
            String[] cells = lines.get(i).split(",");
            Map<String, String> figures = new HashMap<>();
            for (String pair : cells[3].split(" ")) {
                figures.put(
                        pair.substring(0, pair.indexOf('=')),
                        pair.substring(pair.indexOf('=') + 1).replace('_', ' '));
            }
            TestRow row = TestRow.of(cells[1]).orElseThrow();
            colds.keep(
                    caller,
                    files.open(caller.shopId(), cells[0]),
                    entry(60 + i),
                    row,
                    new Figures(figures),
                    Optional.of(figures.keySet()),
                    "",
                    Optional.of(cells[2]).filter(at -> !at.isEmpty()).map(Instant::parse));
        }
    }

    /** What was read of one set's parts, in the strip's shorthand. */
    private void parts(Caller caller) throws IOException {
        List<String> lines = new String(resource("table-set-parts.csv"), StandardCharsets.UTF_8)
                .lines()
                .skip(1)
                .toList();
        for (int i = 0; i < lines.size(); i++) {
            String[] cells = lines.get(i).split(",");
            evidence.keep(
                    caller,
                    IVORY,
                    entry(700 + i),
                    PartsArea.entry(files.open(caller.shopId(), IVORY).file(), DecimalSign.POINT, "")
                            .read(cells[0], "", Placing.valueOf(cells[1])),
                    Optional.of(Instant.parse(cells[2])));
        }
        shopping.list(caller, IVORY, true);
        shopping.list(caller, GRAND, true);
        String item = "10 nF 400 V film polyester, axial 6 × 14 mm";
        shopping.spare(caller, item, 2);
        shopping.order(caller, entry(800), item, 3, Optional.of(new BigDecimal("0.80")));
    }

    static String entry(int number) {
        return "55555555-0000-4000-8000-" + String.format(Locale.ROOT, "%012d", number);
    }

    private void create(Caller caller, String id, StoredSet.Label label, ConstructionClass construction, double line) {
        sets.create(caller.shopId(), id, label, construction, line, Optional.of(DemoBench.METER));
        sets.touch(caller.shopId(), id, clock.instant());
    }

    private void circuit(Caller caller, String id, String name) throws IOException {
        require(exchange.importCircuit(caller, id, resource(name + ".cir")));
        sheet(caller, id, name);
    }

    private void sheet(Caller caller, String id, String name) throws IOException {
        require(exchange.importSheet(caller, id, resource(name + "-sheet.csv")));
    }

    private void readings(Caller caller, String id, String name) throws IOException {
        require(exchange.importReadings(caller, id, resource(name + "-readings.csv"), name + "-readings.csv"));
    }

    private static void require(ReadingFile file) {
        if (!file.refused().isEmpty()) {
            throw new IllegalStateException("the demo data does not load: " + List.copyOf(file.refused()));
        }
    }

    static byte[] resource(String name) throws IOException {
        try (InputStream in = ConstructionClass.class.getResourceAsStream("/org/umberdial/core/demo/" + name)) {
            return in.readAllBytes();
        }
    }
}
