package org.umberdial.server.demo;

import java.io.IOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import org.umberdial.core.arrival.Inspection;
import org.umberdial.core.arrival.InspectionRow;
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
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.SupplyLabel;
import org.umberdial.core.set.TestPoint;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.map.MapService;
import org.umberdial.server.photos.Photo;
import org.umberdial.server.photos.PhotoService;
import org.umberdial.server.security.Caller;
import org.umberdial.server.sets.ChartService;
import org.umberdial.server.sets.SetService;
import org.umberdial.server.sets.StoredSet;

/** How the demo sets came in: pictures, labels, words, what came off, what was found. */
@Component
@ConditionalOnProperty("umber.demo")
class DemoArrivals {
    private static final String CHASSIS = "44444444-0000-4000-8000-000000000001";
    private static final Map<String, String> ELDERS_POINTS = Map.of(
            "fil_a", "Rectifier output", "bplus", "B+ behind the field", "ct", "Winding's centre tap", "bias", "Bias");

    private final SetService sets;
    private final ChartService charts;
    private final PhotoService photos;
    private final MapService map;
    private final EvidenceService journal;
    private final Clock clock;

    DemoArrivals(
            SetService sets,
            ChartService charts,
            PhotoService photos,
            MapService map,
            EvidenceService journal,
            Clock clock) {
        this.sets = sets;
        this.charts = charts;
        this.photos = photos;
        this.map = map;
        this.journal = journal;
        this.clock = clock;
    }

    /** What each set brought with it, and what was found before it was opened. */
    void fill(Caller caller) throws IOException {
        marks(caller);
        arrival(caller);
        labels(caller);
        pictures(caller);
        elder(caller);
    }

    /** The brown set's chassis with a mark for each part. */
    private void marks(Caller caller) throws IOException {
        photo(caller, DemoShop.BROWN, CHASSIS, "Underside, as it came", "table-set-chassis.jpg");
        photo(caller, DemoShop.BROWN, "44444444-0000-4000-8000-000000000002", "Back, cover off", "table-set-back.jpg");
        new String(DemoShop.resource("table-set-marks.csv"), StandardCharsets.UTF_8)
                .lines()
                .skip(1)
                .map(line -> line.split(","))
                .forEach(cells -> map.put(
                        caller.shopId(),
                        DemoShop.BROWN,
                        new MapService.PlacedMark(
                                CHASSIS, cells[0], Double.parseDouble(cells[1]), Double.parseDouble(cells[2]))));
        sets.arrival(
                caller.shopId(),
                DemoShop.BROWN,
                new StoredSet.Arrival(
                        "Ada Sample",
                        "",
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
                sets.set(caller.shopId(), DemoShop.BROWN).version());
        journal.keep(
                caller, DemoShop.BROWN, DemoShop.entry(11), new PartReplaced("C13", "4.7 n Y class"), Optional.empty());
        journal.keep(
                caller,
                DemoShop.BROWN,
                DemoShop.entry(12),
                new Proved("XT1", true, "primary 190 Ω, tone heard"),
                Optional.empty());
        journal.keep(
                caller,
                DemoShop.BROWN,
                DemoShop.entry(13),
                new Proved("C3", true, "24 µF, no leak at 25 V"),
                Optional.empty());
    }

    /** The ivory set half way through its arrival. */
    private void arrival(Caller caller) throws IOException {
        String back = "44444444-0000-4000-8000-000000000003";
        photo(caller, DemoShop.IVORY, back, "Back, before anything was touched", "table-set-back.jpg");
        photo(
                caller,
                DemoShop.IVORY,
                "44444444-0000-4000-8000-000000000004",
                "Underside, before anything was touched",
                "table-set-chassis.jpg");
        sets.arrival(
                caller.shopId(),
                DemoShop.IVORY,
                new StoredSet.Arrival(
                        "Bo Example",
                        "comes by on Fridays",
                        "chassis 117-5, stamped 12-47",
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
                sets.set(caller.shopId(), DemoShop.IVORY).version());
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
            journal.keep(caller, DemoShop.IVORY, DemoShop.entry(20 + i), facts.get(i), Optional.empty());
        }
    }

    /** What is read off each set's own label; the bedside set's is rubbed. */
    private void labels(Caller caller) {
        label(
                caller,
                DemoShop.PLAYER,
                "Dee Placeholder",
                "type 7, serial 20117",
                supply(List.of(220.0, 230.0), 230, 50, 42));
        label(
                caller,
                DemoShop.ELDER,
                "Edie Fictitious",
                "chassis 34-6, stamped 3-36",
                supply(List.of(117.0), 117, 60, 85));
        journal.keep(
                caller,
                DemoShop.PLAYER,
                DemoShop.entry(40),
                new Told("", "it plays, but weak, and smells when warm", true),
                Optional.empty());
        journal.keep(caller, DemoShop.PLAYER, DemoShop.entry(41), looked("line cord", "", "", ""), Optional.empty());
        journal.keep(
                caller,
                DemoShop.CREAM,
                DemoShop.entry(42),
                new Told("", "dead since it fell off the shelf", true),
                Optional.empty());
    }

    private void pictures(Caller caller) throws IOException {
        photo(caller, DemoShop.ELDER, picture(5), "Back, before anything was touched", "tall-set-back.jpg");
        photo(caller, DemoShop.PLAYER, picture(6), "From above, lid off", "suitcase-top.jpg");
        photo(caller, DemoShop.GRAND, picture(7), "Back, cover off", "walnut-back.jpg");
        photo(caller, DemoShop.CREAM, picture(8), "Back, label rubbed", "bedside-back.jpg");
    }

    /**
     * The tall set, finished as far as the areas go: everything looked at, what was found settled, what came off back.
     */
    private void elder(Caller caller) {
        List<TestPoint> named = sets.set(caller.shopId(), DemoShop.ELDER).set().testPoints().stream()
                .map(point -> new TestPoint(
                        point.id(),
                        point.node(),
                        ELDERS_POINTS.getOrDefault(point.node(), point.name()),
                        point.socket(),
                        point.pin(),
                        point.hint()))
                .toList();
        charts.replaceTestPoints(caller.shopId(), DemoShop.ELDER, named);
        Instant came = Instant.parse("2026-11-18T14:00:00Z");
        List<Fact> facts = new ArrayList<>(List.of(
                new Told("hum-constant-volume-has-no-effect", "it hums, loud or soft", true),
                new ControlFound(Control.VOLUME, "", "full down, switch off", false, Optional.empty()),
                new TakenOff(ItemKind.KNOB, "knobs, walnut", 3, 0, "front", "", "", Optional.empty()),
                new TakenOff(ItemKind.PLUG, "speaker plug, five pins", 1, 0, "chassis, left", "", "", Optional.empty()),
                looked("line cord", "line-cord-rubber-stiff-cracked", "", "bare at the chassis hole"),
                looked("reservoir", "", "", "both cans original, dry"),
                new TaskDone(DemoShop.entry(104), "replace cord", "new two-wire cord, clamp fitted"),
                new PartReplaced("CORD", "new two-wire cord, clamp"),
                new PartReplaced("C1", "10 µF 450 V"),
                new PartReplaced("C2", "10 µF 450 V"),
                new PutBack(DemoShop.entry(101), "volume", 1),
                new PutBack(DemoShop.entry(102), "knobs, walnut", 3),
                new PutBack(DemoShop.entry(103), "speaker plug, five pins", 1),
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
            journal.keep(
                    caller,
                    DemoShop.ELDER,
                    DemoShop.entry(100 + i),
                    facts.get(i),
                    Optional.of(came.plusSeconds(90L * i)));
        }
    }

    private static SupplyLabel supply(List<Double> taps, double set, double hertz, double watts) {
        return new SupplyLabel(
                taps, OptionalDouble.of(set), List.of(hertz), OptionalDouble.of(watts), SupplyLabel.Current.AC, false);
    }

    private void label(Caller caller, String setId, String owner, String numbers, SupplyLabel supply) {
        sets.arrival(
                caller.shopId(),
                setId,
                new StoredSet.Arrival(owner, "", numbers, "", "", Set.of(), supply),
                sets.set(caller.shopId(), setId).version());
    }

    private static String picture(int number) {
        return "44444444-0000-4000-8000-" + String.format(Locale.ROOT, "%012d", number);
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
                DemoShop.resource(name));
    }
}
