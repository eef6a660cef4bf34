package org.umberdial.server.bundle;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.stereotype.Component;
import org.umberdial.core.evidence.LogEntry;
import org.umberdial.core.evidence.WorthSaid;
import org.umberdial.core.set.Part;
import org.umberdial.core.set.SheetValue;
import org.umberdial.server.bundle.internal.BundleTables;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.evidence.FactJson;
import org.umberdial.server.evidence.KeptEntry;
import org.umberdial.server.exchange.ExchangeService;
import org.umberdial.server.exchange.TubeFiles;
import org.umberdial.server.map.MapService;
import org.umberdial.server.photos.Photo;
import org.umberdial.server.photos.PhotoService;
import org.umberdial.server.power.RunCopies;
import org.umberdial.server.sets.SetService;
import org.umberdial.server.sets.StoredSet;
import tools.jackson.databind.json.JsonMapper;

/** Writes a set with everything known of it into one file. */
@Component
class BundleWriter {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final SetService sets;
    private final ExchangeService exchange;
    private final EvidenceService journal;
    private final PhotoService photos;
    private final MapService map;
    private final TubeFiles tubes;
    private final RunCopies runs;
    private final BundleTables tables;

    BundleWriter(
            SetService sets,
            ExchangeService exchange,
            EvidenceService journal,
            PhotoService photos,
            MapService map,
            TubeFiles tubes,
            RunCopies runs,
            BundleTables tables) {
        this.sets = sets;
        this.exchange = exchange;
        this.journal = journal;
        this.photos = photos;
        this.map = map;
        this.tubes = tubes;
        this.runs = runs;
        this.tables = tables;
    }

    /**
     * The set as a zip: {@code set.json}, {@code circuit.cir}, {@code sheet.csv}, {@code readings.csv}, the shop's own
     * tube types in it as {@code tubes.csv}, its pictures, and each run of it that has ended.
     */
    void write(String shopId, String setId, OutputStream out) {
        StoredSet set = sets.set(shopId, setId);
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            List<BundleText.Picture> pictures = new ArrayList<>();
            // Who the owner is stays in the shop.
            for (Photo photo : photos.all(shopId, setId).stream()
                    .filter(photo -> !photo.showsOwner())
                    .toList()) {
                PhotoService.Content content =
                        photos.content(shopId, set.id(), photo.id(), "full").orElseThrow();
                String file = "pictures/" + photo.id() + (content.mediaType().endsWith("png") ? ".png" : ".jpg");
                put(zip, file, content.bytes());
                pictures.add(new BundleText.Picture(
                        photo.id(),
                        file,
                        photo.shows(),
                        photo.phase(),
                        photo.caption(),
                        photo.fileName(),
                        photo.beforeId().orElse("")));
            }
            BundleText text = text(shopId, set, pictures);
            put(zip, "set.json", JSON.writerWithDefaultPrettyPrinter().writeValueAsBytes(text));
            put(zip, "circuit.cir", exchange.exportCircuit(shopId, setId).getBytes(StandardCharsets.UTF_8));
            String own = tubes.of(shopId, set.set());
            if (!own.isEmpty()) {
                put(zip, "tubes.csv", own.getBytes(StandardCharsets.UTF_8));
            }
            put(zip, "sheet.csv", exchange.exportSheet(shopId, setId).getBytes(StandardCharsets.UTF_8));
            put(zip, "readings.csv", exchange.exportReadings(shopId, setId).getBytes(StandardCharsets.UTF_8));
            for (String run : text.runs()) {
                put(zip, runFile(run), runs.write(shopId, run));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private BundleText text(String shopId, StoredSet set, List<BundleText.Picture> pictures) {
        StoredSet.Arrival arrival = set.arrival();
        List<BundleText.Value> values = new ArrayList<>();
        for (Part part : set.set().parts()) {
            part.values().stream()
                    .filter(value -> !value.source().equals("deck"))
                    .forEach(value -> values.add(
                            new BundleText.Value(part.reference(), value.origin(), value.value(), value.source())));
        }
        // What the set is worth to its owner is as private as the owner's name.
        List<BundleText.Line> entries = journal.kept(shopId, set.id()).stream()
                .filter(kept -> !(kept.entry().fact() instanceof WorthSaid))
                .map(BundleWriter::line)
                .toList();
        List<BundleText.Mark> marks = map.marks(shopId, set.id()).stream()
                .map(mark -> new BundleText.Mark(mark.photo(), mark.subject(), mark.x(), mark.y()))
                .toList();
        List<BundleText.Point> points = set.set().testPoints().stream()
                .map(p -> new BundleText.Point(p.node(), p.name(), p.socket(), p.pin(), p.hint()))
                .toList();
        return new BundleText(
                BundleText.FORMAT,
                BundleText.VERSION,
                tables.originOf(shopId, set.id()),
                set.label().title(),
                set.set().construction(),
                set.constructionConfirmed(),
                arrival.extras(),
                arrival.plate(),
                arrival.supply(),
                arrival.sheetOrigin(),
                arrival.paper(),
                points,
                values,
                set.set().parts().stream()
                        .filter(part -> !part.origin().own())
                        .collect(Collectors.toMap(Part::reference, Part::origin)),
                set.set().sheet().stream().allMatch(SheetValue::own),
                entries,
                null,
                pictures,
                marks,
                runs.ended(shopId, set.id()));
    }

    private static BundleText.Line line(KeptEntry kept) {
        LogEntry entry = kept.entry();
        FactJson.Stored stored = FactJson.write(entry.fact());
        return new BundleText.Line(
                entry.id(),
                stored.kind(),
                stored.form(),
                stored.body(),
                entry.takenAt(),
                entry.supersedes().orElse(""),
                entry.withdrawn(),
                kept.claimed().orElse(kept.author()),
                kept.source(),
                kept.note());
    }

    private static void put(ZipOutputStream zip, String name, byte[] bytes) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(bytes);
        zip.closeEntry();
    }

    static String runFile(String run) {
        return "runs/" + run + ".json";
    }
}
