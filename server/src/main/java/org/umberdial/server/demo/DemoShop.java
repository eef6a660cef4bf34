package org.umberdial.server.demo;

import java.io.IOException;
import java.io.InputStream;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import org.umberdial.core.arrival.Inspection;
import org.umberdial.core.arrival.InspectionRow;
import org.umberdial.core.cold.TestRow;
import org.umberdial.core.cold.TransformerSize;
import org.umberdial.core.evidence.Control;
import org.umberdial.core.evidence.ControlFound;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.Fact;
import org.umberdial.core.evidence.ItemKind;
import org.umberdial.core.evidence.Looked;
import org.umberdial.core.evidence.PartReplaced;
import org.umberdial.core.evidence.Proved;
import org.umberdial.core.evidence.PutBack;
import org.umberdial.core.evidence.Spot;
import org.umberdial.core.evidence.TakenOff;
import org.umberdial.core.evidence.TaskDone;
import org.umberdial.core.evidence.Told;
import org.umberdial.core.evidence.WorthSaid;
import org.umberdial.core.procedure.Equipment;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.PartValue;
import org.umberdial.core.set.SupplyLabel;
import org.umberdial.core.set.TestPoint;
import org.umberdial.core.set.ValueOrigin;
import org.umberdial.server.accounts.AccountService;
import org.umberdial.server.cold.ColdService;
import org.umberdial.server.equipment.EquipmentItem;
import org.umberdial.server.equipment.EquipmentService;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.exchange.ExchangeService;
import org.umberdial.server.exchange.ReadingFile;
import org.umberdial.server.map.MapService;
import org.umberdial.server.photos.Photo;
import org.umberdial.server.photos.PhotoService;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.SetFiles;
import org.umberdial.server.sets.ChartService;
import org.umberdial.server.sets.CircuitService;
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
    private static final String CHASSIS = "44444444-0000-4000-8000-000000000001";
    private static final String ELDER = "22222222-0000-4000-8000-000000000005";
    private static final String CREAM = "22222222-0000-4000-8000-000000000006";
    private static final int SETS = 6;
    private static final Map<String, String> ELDERS_POINTS = Map.of(
            "fil_a", "Rectifier output", "bplus", "B+ behind the field", "ct", "Winding's centre tap", "bias", "Bias");

    private final ShopService shops;
    private final AccountService accounts;
    private final SetService sets;
    private final ChartService charts;
    private final CircuitService circuits;
    private final ExchangeService exchange;
    private final PhotoService photos;
    private final MapService map;
    private final EvidenceService journal;
    private final ColdService colds;
    private final EquipmentService equipment;
    private final SetFiles files;
    private final Clock clock;

    DemoShop(
            ShopService shops,
            AccountService accounts,
            SetService sets,
            ChartService charts,
            CircuitService circuits,
            ExchangeService exchange,
            PhotoService photos,
            MapService map,
            EvidenceService journal,
            ColdService colds,
            EquipmentService equipment,
            SetFiles files,
            Clock clock) {
        this.shops = shops;
        this.accounts = accounts;
        this.sets = sets;
        this.charts = charts;
        this.circuits = circuits;
        this.exchange = exchange;
        this.photos = photos;
        this.map = map;
        this.journal = journal;
        this.colds = colds;
        this.equipment = equipment;
        this.files = files;
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
        if (sets.count(shopId) >= SETS) {
            return;
        }
        Shop shop = shops.shop(shopId);
        if (shop.version() == 0) {
            shops.save(new Shop(shopId, "Umber Lane bench", ZoneId.of("America/New_York"), shop.policy(), 0));
        }
        shops.instruments(shopId).stream()
                .filter(i -> !i.id().equals(METER) && !i.id().equals(OLD_METER) && !i.retired())
                .forEach(i -> shops.save(
                        shopId, new Instrument(i.id(), i.name(), i.meter(), i.accuracy(), true, i.version())));
        shops.add(shopId, new Instrument(METER, "Bench meter", Meter.parse("10M"), 0.01, false, 0));
        shops.add(shopId, new Instrument(OLD_METER, "Moving-coil meter", Meter.parse("20k/V"), 0.03, false, 0));
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
        marks(caller);
        arrival(caller);
        labels(caller);
        pictures(caller);
        elder(caller);
        LOG.info("The demo shop is filled.");
    }

    /** The brown set's chassis with a mark for each part. */
    private void marks(Caller caller) throws IOException {
        photo(caller, BROWN, CHASSIS, "Underside, as it came", "table-set-chassis.jpg");
        photo(caller, BROWN, "44444444-0000-4000-8000-000000000002", "Back, cover off", "table-set-back.jpg");
        new String(resource("table-set-marks.csv"), StandardCharsets.UTF_8)
                .lines()
                .skip(1)
                .map(line -> line.split(","))
                .forEach(cells -> map.put(
                        caller.shopId(),
                        BROWN,
                        new MapService.PlacedMark(
                                CHASSIS, cells[0], Double.parseDouble(cells[1]), Double.parseDouble(cells[2]))));
        sets.arrival(
                caller.shopId(),
                BROWN,
                new StoredSet.Arrival(
                        "Ada Sample",
                        "",
                        "",
                        "",
                        Set.of(),
                        new SupplyLabel(
                                List.of(117.0),
                                OptionalDouble.empty(),
                                List.of(60.0),
                                OptionalDouble.of(28),
                                SupplyLabel.Current.AC_DC,
                                false)),
                sets.set(caller.shopId(), BROWN).version());
        journal.keep(caller, BROWN, entry(11), new PartReplaced("C13", "4.7 n Y class"), Optional.empty());
        journal.keep(caller, BROWN, entry(12), new Proved("XT1", true, "primary 190 Ω, tone heard"), Optional.empty());
        journal.keep(caller, BROWN, entry(13), new Proved("C3", true, "24 µF, no leak at 25 V"), Optional.empty());
    }

    /** The ivory set half way through its arrival. */
    private void arrival(Caller caller) throws IOException {
        String back = "44444444-0000-4000-8000-000000000003";
        photo(caller, IVORY, back, "Back, before anything was touched", "table-set-back.jpg");
        photo(
                caller,
                IVORY,
                "44444444-0000-4000-8000-000000000004",
                "Underside, before anything was touched",
                "table-set-chassis.jpg");
        sets.arrival(
                caller.shopId(),
                IVORY,
                new StoredSet.Arrival(
                        "Bo Example",
                        "comes by on Fridays",
                        "chassis 117-5, stamped 12-47",
                        "",
                        Set.of(),
                        new SupplyLabel(
                                List.of(117.0),
                                OptionalDouble.empty(),
                                List.of(60.0),
                                OptionalDouble.of(28),
                                SupplyLabel.Current.AC_DC,
                                false)),
                sets.set(caller.shopId(), IVORY).version());
        List<Fact> facts = List.of(
                new Told("hum-constant-volume-has-no-effect", "it hums from the moment it warms up", true),
                new Told("", "the dial lamp and all tubes light", false),
                new ControlFound(Control.VOLUME, "", "full down, switch off", false, Optional.empty()),
                new TakenOff(ItemKind.KNOB, "tuning knob, ivory", 1, 0, "front, right", "", "", Optional.empty()),
                new TakenOff(
                        ItemKind.KNOB, "volume knob, ivory", 1, 0, "front, left", "", "hair crack", Optional.empty()),
                new TakenOff(
                        ItemKind.SCREW,
                        "back cover screw, round head",
                        5,
                        1,
                        "back cover",
                        "",
                        "one wood screw among them",
                        Optional.of(new Spot(back, 0.069, 0.17))),
                new TakenOff(
                        ItemKind.SCREW,
                        "chassis screw, hexagon, with felt washer",
                        4,
                        0,
                        "bottom",
                        "",
                        "",
                        Optional.empty()),
                new TakenOff(
                        ItemKind.PLUG,
                        "loop antenna leads",
                        2,
                        0,
                        "back cover",
                        "loop to tuning gang",
                        "",
                        Optional.empty()),
                new TakenOff(
                        ItemKind.JOINT,
                        "speaker leads",
                        2,
                        0,
                        "speaker",
                        "green to output transformer, bare to frame",
                        "",
                        Optional.empty()),
                looked("before opening", "", "", ""),
                looked("papers", "", "", ""),
                looked("line cord", "line-cord-rubber-stiff-cracked", "", "breaks at the chassis hole"),
                looked("strain relief", "strain-relief-knot-only-or", "", ""),
                looked("fuse", "fuse-no-fuse-anywhere", "", ""),
                looked("switch", "", "", ""),
                looked("capacitors", "capacitors-paper-or-wax", "C4", "wax run down"),
                looked("resistors", "resistors-body-cracked-chalked", "R2", "brown on one side"),
                looked("previous repairs", "", "", ""),
                new WorthSaid(BigDecimal.valueOf(350), BigDecimal.valueOf(150), true, Map.of(), Map.of()));
        for (int i = 0; i < facts.size(); i++) {
            journal.keep(caller, IVORY, entry(20 + i), facts.get(i), Optional.empty());
        }
    }

    /** Instruments beyond a meter, a transformer in stock, and tests on each kind of set. */
    private void cold(Caller caller) throws IOException {
        Map<Equipment, String> bench = Map.of(
                Equipment.GENERATOR,
                "Signal generator",
                Equipment.INSULATION_TESTER,
                "Insulation tester, 250 V to 1 kV",
                Equipment.DRY_CELL,
                "1.5 V cell with clips",
                Equipment.DC_SUPPLY,
                "30 V bench supply");
        sets.arrival(
                caller.shopId(),
                GRAND,
                new StoredSet.Arrival(
                        "Cleo Specimen",
                        "",
                        "chassis 4409",
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
        equipment.items(caller.shopId());
        bench.forEach((kind, name) -> equipment.add(
                caller.shopId(),
                new EquipmentItem(
                        UUID.nameUUIDFromBytes(name.getBytes(StandardCharsets.UTF_8))
                                .toString(),
                        kind,
                        name,
                        false,
                        0,
                        Optional.empty())));
        equipment.stock(
                caller.shopId(),
                "77777777-0000-4000-8000-000000000001",
                new TransformerSize.Candidate(
                        "Grey frame, from a scrapped tuner",
                        80,
                        270,
                        0.09,
                        TransformerSize.CentreTap.FREE,
                        6.3,
                        3.5,
                        5,
                        2,
                        true));
        equipment.stock(
                caller.shopId(),
                "77777777-0000-4000-8000-000000000002",
                new TransformerSize.Candidate(
                        "Black potted, unused",
                        120,
                        355,
                        0.12,
                        TransformerSize.CentreTap.GROUNDED,
                        6.3,
                        4,
                        5,
                        3,
                        true));
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

    /** What is read off each set's own label; the bedside set's is rubbed. */
    private void labels(Caller caller) {
        label(caller, PLAYER, "Dee Placeholder", "type 7, serial 20117", supply(List.of(220.0, 230.0), 230, 50, 42));
        label(caller, ELDER, "Edie Fictitious", "chassis 34-6, stamped 3-36", supply(List.of(117.0), 117, 60, 85));
        journal.keep(
                caller,
                PLAYER,
                entry(40),
                new Told("", "it plays, but weak, and smells when warm", true),
                Optional.empty());
        journal.keep(caller, PLAYER, entry(41), looked("line cord", "", "", ""), Optional.empty());
        journal.keep(
                caller, CREAM, entry(42), new Told("", "dead since it fell off the shelf", true), Optional.empty());
    }

    private static SupplyLabel supply(List<Double> taps, double set, double hertz, double watts) {
        return new SupplyLabel(
                taps, OptionalDouble.of(set), List.of(hertz), OptionalDouble.of(watts), SupplyLabel.Current.AC, false);
    }

    private void label(Caller caller, String setId, String owner, String numbers, SupplyLabel supply) {
        sets.arrival(
                caller.shopId(),
                setId,
                new StoredSet.Arrival(owner, "", numbers, "", Set.of(), supply),
                sets.set(caller.shopId(), setId).version());
    }

    private void pictures(Caller caller) throws IOException {
        photo(caller, ELDER, picture(5), "Back, before anything was touched", "tall-set-back.jpg");
        photo(caller, PLAYER, picture(6), "From above, lid off", "suitcase-top.jpg");
        photo(caller, GRAND, picture(7), "Back, cover off", "walnut-back.jpg");
        photo(caller, CREAM, picture(8), "Back, label rubbed", "bedside-back.jpg");
    }

    private static String picture(int number) {
        return "44444444-0000-4000-8000-" + String.format(Locale.ROOT, "%012d", number);
    }

    /**
     * The tall set, finished as far as the areas go: everything looked at, what was found settled, what came off back.
     */
    private void elder(Caller caller) {
        List<TestPoint> named = sets.set(caller.shopId(), ELDER).set().testPoints().stream()
                .map(point -> new TestPoint(
                        point.id(),
                        point.node(),
                        ELDERS_POINTS.getOrDefault(point.node(), point.name()),
                        point.socket(),
                        point.pin(),
                        point.hint()))
                .toList();
        charts.replaceTestPoints(caller.shopId(), ELDER, named);
        Instant came = Instant.parse("2026-11-18T14:00:00Z");
        List<Fact> facts = new ArrayList<>(List.of(
                new Told("hum-constant-volume-has-no-effect", "it hums, loud or soft", true),
                new ControlFound(Control.VOLUME, "", "full down, switch off", false, Optional.empty()),
                new TakenOff(ItemKind.KNOB, "knobs, walnut", 3, 0, "front", "", "", Optional.empty()),
                new TakenOff(ItemKind.PLUG, "speaker plug, five pins", 1, 0, "chassis, left", "", "", Optional.empty()),
                looked("line cord", "line-cord-rubber-stiff-cracked", "", "bare at the chassis hole"),
                looked("reservoir", "", "", "both cans original, dry"),
                new TaskDone(entry(104), "replace cord", "new two-wire cord, clamp fitted"),
                new PartReplaced("CORD", "new two-wire cord, clamp"),
                new PartReplaced("C1", "10 µF 450 V"),
                new PartReplaced("C2", "10 µF 450 V"),
                new PutBack(entry(101), "volume", 1),
                new PutBack(entry(102), "knobs, walnut", 3),
                new PutBack(entry(103), "speaker plug, five pins", 1),
                new WorthSaid(BigDecimal.valueOf(600), BigDecimal.valueOf(280), true, Map.of(), Map.of())));
        Inspection.of(ConstructionClass.MAINS_TRANSFORMER, Set.of(), new EvidenceLog(List.of())).areas().stream()
                .map(Inspection.Area::name)
                .filter(area -> facts.stream()
                        .noneMatch(fact ->
                                fact instanceof Looked seen && seen.area().equals(area)))
                .map(area -> looked(area, "", "", ""))
                .toList()
                .forEach(facts::add);
        for (int i = 0; i < facts.size(); i++) {
            journal.keep(caller, ELDER, entry(100 + i), facts.get(i), Optional.of(came.plusSeconds(90L * i)));
        }
    }

    private static Looked looked(String area, String row, String part, String note) {
        String found = row.isEmpty()
                ? ""
                : InspectionRow.all().stream()
                        .filter(r -> r.id().equals(row))
                        .findFirst()
                        .orElseThrow(() -> new IllegalStateException("the demo names no finding: " + row))
                        .lookFor();
        return new Looked(area, row, found, part, note, Optional.empty());
    }

    private static String entry(int number) {
        return "55555555-0000-4000-8000-" + String.format(Locale.ROOT, "%012d", number);
    }

    private void photo(Caller caller, String setId, String id, String caption, String name) throws IOException {
        photos.keep(
                caller,
                setId,
                new Photo(
                        id,
                        Photo.Shows.SET,
                        "ARRIVAL",
                        caption,
                        name,
                        0,
                        0,
                        0,
                        Optional.empty(),
                        clock.instant(),
                        caller.author(),
                        Optional.empty(),
                        false,
                        0),
                resource(name));
    }

    private void create(Caller caller, String id, StoredSet.Label label, ConstructionClass construction, double line) {
        sets.create(caller.shopId(), id, label, construction, line, Optional.of(METER));
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

    private static byte[] resource(String name) throws IOException {
        try (InputStream in = ConstructionClass.class.getResourceAsStream("/org/umberdial/core/demo/" + name)) {
            return in.readAllBytes();
        }
    }
}
