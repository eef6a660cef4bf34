package org.umberdial.server.bundle;

import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.core.evidence.Kind;
import org.umberdial.core.evidence.LogEntry;
import org.umberdial.core.set.PartValue;
import org.umberdial.core.set.TestPoint;
import org.umberdial.server.bundle.internal.BundleTables;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.evidence.FactJson;
import org.umberdial.server.exchange.ExchangeService;
import org.umberdial.server.exchange.ReadingFile;
import org.umberdial.server.exchange.TubeFiles;
import org.umberdial.server.map.MapService;
import org.umberdial.server.photos.Photo;
import org.umberdial.server.photos.PhotoService;
import org.umberdial.server.power.RunCopies;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.sets.ChartService;
import org.umberdial.server.sets.CircuitService;
import org.umberdial.server.sets.SetService;
import org.umberdial.server.sets.StoredSet;
import org.umberdial.server.shop.ShopService;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Writes a set with everything known of it into one file, and takes such a file into a set that has nothing yet. */
@Service
public class BundleService {
    private static final String BY_FILE = "set bundle";
    private static final int LONGEST_SOURCE = 120;
    private static final int MOST_RUNS = 500;
    /** A bundle of an earlier version lacks what has been added since. */
    private static final JsonMapper JSON = JsonMapper.builder()
            .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .build();

    private final SetService sets;
    private final ChartService charts;
    private final CircuitService circuits;
    private final ExchangeService exchange;
    private final EvidenceService journal;
    private final PhotoService photos;
    private final MapService map;
    private final ShopService shops;
    private final TubeFiles tubes;
    private final RunCopies runs;
    private final BundleTables tables;
    private final BundleWriter writer;
    private final Clock clock;

    public BundleService(
            SetService sets,
            ChartService charts,
            CircuitService circuits,
            ExchangeService exchange,
            EvidenceService journal,
            PhotoService photos,
            MapService map,
            ShopService shops,
            TubeFiles tubes,
            RunCopies runs,
            BundleTables tables,
            BundleWriter writer,
            Clock clock) {
        this.sets = sets;
        this.charts = charts;
        this.circuits = circuits;
        this.exchange = exchange;
        this.journal = journal;
        this.photos = photos;
        this.map = map;
        this.shops = shops;
        this.tubes = tubes;
        this.runs = runs;
        this.tables = tables;
        this.writer = writer;
        this.clock = clock;
    }

    /** Writes the set as a zip; see {@link BundleWriter}. */
    public void write(String shopId, String setId, OutputStream out) {
        writer.write(shopId, setId, out);
    }

    /** The log of a bundle of either version, in the form of today. */
    private static List<BundleText.Line> log(BundleText text) {
        return text.log() != null
                ? text.log()
                : text.journal().stream()
                        .map(e -> new BundleText.Line(
                                e.id(),
                                e.kind(),
                                1,
                                e.fact(),
                                e.takenAt(),
                                e.supersedes(),
                                e.withdrawn(),
                                e.author(),
                                "",
                                ""))
                        .toList();
    }

    /**
     * A bundle taken in as a set.
     *
     * @param already whether that set was on the shelf before, and nothing was changed
     */
    public record Taken(String setId, boolean already, ReadingFile result) {}

    /**
     * Takes a bundle in as a set of its own; the same set a second time is still there once.
     *
     * @param title what to call it; as the bundle does, when blank
     * @throws Problem with a sentence when the file is no bundle
     */
    @Transactional
    public Taken take(Caller caller, Path file, String title) {
        String origin;
        BundleText text;
        try (BundleFile bundle = new BundleFile(file)) {
            text = text(bundle.small("set.json"));
            origin = text.id() == null ? bundle.id() : text.id();
        }
        Optional<String> there = tables.setOf(caller.shopId(), origin);
        if (there.isPresent()) {
            return new Taken(
                    there.get(),
                    true,
                    new ReadingFile(
                            0,
                            0,
                            List.of(),
                            List.of("“"
                                    + sets.set(caller.shopId(), there.get())
                                            .label()
                                            .title() + "” is on the shelf already; nothing was changed.")));
        }
        String setId = here(caller.shopId(), origin);
        sets.create(
                caller.shopId(),
                setId,
                new StoredSet.Label(title.isBlank() ? text.title() : title.strip(), "", "", ""),
                text.construction(),
                shops.shop(caller.shopId()).policy().lineVolts(),
                Optional.empty());
        return new Taken(setId, false, read(caller, setId, file));
    }

    /**
     * Takes a bundle into a set without parts. Ids inside follow from the set's and the bundle's own, so the same
     * bundle twice is there once.
     *
     * @throws Problem with a sentence when the file is no bundle or the set has something already
     */
    @Transactional
    public ReadingFile read(Caller caller, String setId, Path file) {
        try (BundleFile bundle = new BundleFile(file)) {
            return read(caller, setId, bundle);
        }
    }

    private ReadingFile read(Caller caller, String setId, BundleFile files) {
        StoredSet now = sets.set(caller.shopId(), setId);
        if (!now.set().parts().isEmpty()) {
            throw refuse("This set has " + now.set().parts().size()
                    + " parts already; a bundle is taken into a set of its own.");
        }
        BundleText text = text(files.small("set.json"));
        Map<String, String> ids = new HashMap<>();
        List<BundleText.Line> log = log(text);
        log.forEach(entry -> ids.put(entry.id(), here(setId, entry.id())));
        text.pictures().forEach(picture -> ids.put(picture.id(), here(setId, picture.id())));
        text.runs().forEach(run -> ids.put(run, here(setId, run)));
        List<ReadingFile.BadLine> refused = new ArrayList<>();
        // Before the circuit, which is understood by them.
        List<String> notes = new ArrayList<>(files.small("tubes.csv")
                .map(bytes -> tubes.adopt(caller.shopId(), bytes))
                .orElse(List.of()));
        ReadingFile circuit =
                exchange.importCircuit(caller, setId, files.small("circuit.cir").orElse(new byte[0]));
        refused.addAll(circuit.refused());
        label(caller, setId, text);
        refused.addAll(
                exchange.importSheet(caller, setId, files.small("sheet.csv").orElse(new byte[0]))
                        .refused());
        if (text.origins() != null) {
            circuits.origins(caller.shopId(), setId, text.origins(), !Boolean.FALSE.equals(text.sheetOwn()));
        }
        pictures(caller, setId, text, files, ids);
        for (BundleText.Line line : log) {
            journal.adopt(
                    caller,
                    setId,
                    entry(line, ids),
                    Kind.READING.stored().equals(line.kind()) ? brought(line.source()) : "",
                    cut(line.note()),
                    line.author() == null ? "" : line.author());
        }
        text.marks().stream()
                .filter(mark -> ids.containsKey(mark.photo())
                        && mark.x() >= 0
                        && mark.x() <= 1
                        && mark.y() >= 0
                        && mark.y() <= 1)
                .forEach(mark -> map.put(
                        caller.shopId(),
                        setId,
                        new MapService.PlacedMark(ids.get(mark.photo()), mark.subject(), mark.x(), mark.y())));
        int readings = (int) log.stream()
                .filter(line -> Kind.READING.stored().equals(line.kind()))
                .count();
        if (text.log() == null) {
            ReadingFile file = exchange.importReadings(
                    caller, setId, files.small("readings.csv").orElse(new byte[0]), "set bundle");
            refused.addAll(file.refused());
            readings = file.added();
        }
        notes.addAll(runs(caller, setId, text, files));
        tables.came(caller.shopId(), setId, text.id() == null ? files.id() : text.id());
        notes.add(
                0,
                readings + " readings, " + text.pictures().size() + " pictures and "
                        + (text.log() == null ? log.size() : log.size() - readings)
                        + " entries of the log came with it.");
        return new ReadingFile(circuit.added(), 0, refused, notes);
    }

    private void label(Caller caller, String setId, BundleText text) {
        String shopId = caller.shopId();
        StoredSet before = sets.set(shopId, setId);
        // A class nobody confirmed where the set comes from is no better confirmed here.
        boolean seen = Boolean.TRUE.equals(text.constructionSeen());
        StoredSet set = sets.relabel(shopId, setId, before.label(), text.construction(), seen, before.version());
        StoredSet.Arrival arrival = set.arrival();
        sets.arrival(
                shopId,
                setId,
                new StoredSet.Arrival(
                        arrival.ownerName(),
                        arrival.ownerContact(),
                        text.plate(),
                        text.sheetOrigin(),
                        arrival.paper(),
                        text.extras(),
                        text.supply()),
                set.version());
        if (!seen) {
            sets.neverConfirmed(shopId, setId);
        }
        circuits.originOfSheet(shopId, setId, text.sheetOrigin());
        circuits.paper(shopId, setId, text.paper() == null ? "" : text.paper());
        List<String> nodes = List.copyOf(set.deck().nodes());
        // Of a set without a circuit they are what its voltage chart names.
        boolean chartAlone = set.set().parts().isEmpty();
        List<TestPoint> points = text.points().stream()
                .filter(p -> chartAlone || nodes.contains(p.node()))
                .map(p -> new TestPoint(p.node(), p.node(), p.name(), p.socket(), p.pin(), p.hint()))
                .toList();
        charts.replaceTestPoints(shopId, setId, points);
        int count = 0;
        for (BundleText.Value value : text.values()) {
            if (set.set().part(value.reference()).isPresent()) {
                circuits.addValue(
                        caller,
                        setId,
                        here(setId, value.reference() + "/" + count++),
                        value.reference(),
                        new PartValue(value.origin(), value.value(), brought(value.source())));
            }
        }
    }

    /** Runs with all they hold; each that is not whole is left out and named. */
    private List<String> runs(Caller caller, String setId, BundleText text, BundleFile files) {
        List<String> broken = new ArrayList<>();
        for (String run : text.runs()) {
            boolean kept = files.large(BundleWriter.runFile(run))
                    .filter(json -> runs.adopt(caller.shopId(), setId, here(setId, run), json, caller.author()))
                    .isPresent();
            if (!kept) {
                broken.add("The run " + BundleWriter.runFile(run) + " is not whole and was left out.");
            }
        }
        if (text.runs().size() > broken.size()) {
            int count = text.runs().size() - broken.size();
            broken.add(0, count + (count == 1 ? " run" : " runs") + " of first power came with it.");
        }
        return broken;
    }

    /** A value's source says that it came by a file, however often it did. */
    private static String brought(String source) {
        String said = source == null || source.isBlank()
                ? BY_FILE
                : source.startsWith(BY_FILE) ? source : BY_FILE + ": " + source;
        return said.substring(0, Math.min(LONGEST_SOURCE, said.length()));
    }

    private void pictures(Caller caller, String setId, BundleText text, BundleFile files, Map<String, String> ids) {
        for (BundleText.Picture picture : text.pictures()) {
            byte[] bytes = files.large(picture.file())
                    .orElseThrow(
                            () -> refuse("The bundle names the picture " + picture.file() + ", which is not in it."));
            photos.keep(
                    caller,
                    setId,
                    new Photo(
                            ids.get(picture.id()),
                            picture.shows(),
                            picture.phase(),
                            picture.caption(),
                            picture.fileName(),
                            0,
                            0,
                            0,
                            Optional.empty(),
                            clock.instant(),
                            caller.author(),
                            Optional.empty(),
                            false,
                            0),
                    bytes);
        }
        Map<String, Photo> kept = new HashMap<>();
        photos.all(caller.shopId(), setId).forEach(photo -> kept.put(photo.id(), photo));
        text.pictures().stream()
                .filter(picture -> ids.containsKey(picture.before()) && kept.containsKey(ids.get(picture.id())))
                .forEach(picture -> {
                    Photo photo = kept.get(ids.get(picture.id()));
                    photos.label(
                            caller.shopId(),
                            setId,
                            new Photo(
                                    photo.id(),
                                    photo.shows(),
                                    photo.phase(),
                                    photo.caption(),
                                    "",
                                    0,
                                    0,
                                    0,
                                    Optional.empty(),
                                    clock.instant(),
                                    "",
                                    Optional.of(ids.get(picture.before())),
                                    photo.showsOwner(),
                                    photo.version()));
                });
    }

    private static final Pattern ID = Pattern.compile("[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}");

    private static LogEntry entry(BundleText.Line line, Map<String, String> ids) {
        String body = ID.matcher(line.body())
                .replaceAll(id -> Matcher.quoteReplacement(ids.getOrDefault(id.group(), id.group())));
        try {
            return new LogEntry(
                    ids.get(line.id()),
                    FactJson.require(new FactJson.Stored(line.kind(), line.form(), body)),
                    line.takenAt(),
                    Optional.ofNullable(ids.get(line.supersedes())),
                    line.withdrawn());
        } catch (IllegalArgumentException strange) {
            throw refuse("The bundle's log holds an entry that is not understood (" + line.kind()
                    + "); it may come from a newer Umber Dial.");
        }
    }

    private static String cut(String text) {
        return text == null ? "" : text.substring(0, Math.min(LONGEST_SOURCE, text.length()));
    }

    private static String here(String setId, String id) {
        return UUID.nameUUIDFromBytes((setId + "/" + id).getBytes(StandardCharsets.UTF_8))
                .toString();
    }

    private static BundleText text(Optional<byte[]> found) {
        byte[] json = found.orElseThrow(() -> refuse("This zip is no set bundle: it has no set.json."));
        BundleText text;
        try {
            text = JSON.readValue(json, BundleText.class);
        } catch (JacksonException broken) {
            throw refuse("The bundle's set.json cannot be read; it is broken, or not written by Umber Dial.");
        }
        if (!BundleText.FORMAT.equals(text.format())
                || text.construction() == null
                || text.supply() == null
                || text.points() == null
                || text.values() == null
                || text.journal() == null && text.log() == null
                || text.pictures() == null
                || text.marks() == null
                || text.extras() == null
                || text.plate() == null
                || text.sheetOrigin() == null
                || text.title() == null
                || text.runs().size() > MOST_RUNS
                || text.runs().stream()
                        .anyMatch(run -> run == null || !ID.matcher(run).matches())
                || text.id() != null && !text.id().matches("[0-9a-f-]{36}")) {
            throw refuse("The bundle's set.json is not whole; export the set anew.");
        }
        if (text.version() > BundleText.VERSION) {
            throw refuse("The bundle was written by a newer Umber Dial (format " + text.version()
                    + "; this one reads up to " + BundleText.VERSION + ").");
        }
        return text;
    }

    static Problem refuse(String sentence) {
        return new Problem(Problem.Kind.INVALID_ENTRY, sentence);
    }
}
