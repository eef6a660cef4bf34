package org.umberdial.server.setfile;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.LogEntry;
import org.umberdial.core.instrument.Kit;
import org.umberdial.core.stands.Areas;
import org.umberdial.server.catalogue.CatalogueService;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.evidence.KeptEntry;
import org.umberdial.server.evidence.ReadingService;
import org.umberdial.server.evidence.Stamps;
import org.umberdial.server.instrument.InstrumentService;
import org.umberdial.server.instrument.ShopInstrument;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.setfile.internal.StampTables;
import org.umberdial.server.setfile.internal.StampTables.Stamp;
import org.umberdial.server.sets.SetService;
import org.umberdial.server.sets.StoredSet;
import org.umberdial.server.shop.Shop;
import org.umberdial.server.shop.ShopService;

/**
 * Opens sets. What was loaded at a revision is kept; after a further entry of the log only that entry is fetched, and
 * when nothing has changed only that is asked.
 */
@Service
public class SetFiles {
    private static final int MOST_KEPT = 200;

    private record Key(String shopId, String setId) {}

    /**
     * @param stamps where its log's times stand, for the next entry
     * @param solved how many atlases stood before it was opened
     */
    private record Held(Stamp stamp, OpenSet open, Stamps stamps, long solved) {}

    private final Cache<Key, Held> held =
            Caffeine.newBuilder().maximumSize(MOST_KEPT).build();
    private final StampTables stamps;
    private final SetService sets;
    private final ShopService shops;
    private final InstrumentService instruments;
    private final EvidenceService evidence;
    private final CatalogueService catalogues;
    private final AtlasDesk atlases;

    public SetFiles(
            StampTables stamps,
            SetService sets,
            ShopService shops,
            InstrumentService instruments,
            EvidenceService evidence,
            CatalogueService catalogues,
            AtlasDesk atlases) {
        this.atlases = atlases;
        this.stamps = stamps;
        this.sets = sets;
        this.shops = shops;
        this.instruments = instruments;
        this.evidence = evidence;
        this.catalogues = catalogues;
    }

    /**
     * The set with all that is known of it.
     *
     * @throws Problem when the shop has no such set
     */
    public OpenSet open(String shopId, String setId) {
        Key key = new Key(shopId, setId);
        // Taken before anything is loaded: a change in between makes what is kept newer than its stamp, never older.
        Stamp stamp = stamps.stamp(shopId, setId).orElseThrow(() -> Problem.notFound("This set"));
        Held before = held.getIfPresent(key);
        boolean mayKnowMore = before != null && before.open.file().isForNow() && before.solved != atlases.solved();
        if (before != null && before.stamp.equals(stamp) && !mayKnowMore) {
            return before.open;
        }
        Held now = load(shopId, setId, stamp, Optional.ofNullable(before));
        held.put(key, now);
        return now.open;
    }

    /** What a set's file holds for, beside its revision: the shop's rules. */
    public String rules(String shopId) {
        return stamps.rules(shopId);
    }

    private Held load(String shopId, String setId, Stamp stamp, Optional<Held> before) {
        Optional<OpenSet> sameCircuit =
                before.filter(h -> h.stamp.circuit() == stamp.circuit()).map(Held::open);
        Optional<OpenSet> sameRules =
                before.filter(h -> h.stamp.rules().equals(stamp.rules())).map(Held::open);
        StoredSet stored = sameCircuit.map(OpenSet::stored).orElseGet(() -> sets.set(shopId, setId));
        Shop shop = sameRules.map(OpenSet::shop).orElseGet(() -> shops.shop(shopId));
        List<ShopInstrument> there =
                sameRules.map(OpenSet::instruments).orElseGet(() -> instruments.instruments(shopId));
        Kit kit = InstrumentService.kit(there);
        Stamps times = sameCircuit.isPresent() ? new Stamps(before.orElseThrow().stamps) : new Stamps();
        List<KeptEntry> known = sameCircuit.map(OpenSet::kept).orElse(List.of());
        List<KeptEntry> fresh = evidence.keptAfter(
                shopId,
                setId,
                known.isEmpty() ? -1 : known.get(known.size() - 1).order());
        long solved = atlases.solved();
        List<LogEntry> entries = EvidenceService.straightened(fresh, times);
        EvidenceLog log = sameCircuit.map(open -> open.log().and(entries)).orElseGet(() -> new EvidenceLog(entries));
        SetFile.Contents contents = new SetFile.Contents(
                stored.set(),
                stored.arrival().extras(),
                stored.arrival().supply(),
                shop.policy(),
                ReadingService.bench(stored, kit),
                log,
                stamp.photos(),
                kit,
                sameCircuit
                        .map(open -> open.file().contents().catalogue())
                        .orElseGet(() -> catalogues.catalogue(shopId)));
        SetFile file = Areas.open(contents, atlases);
        OpenSet open = new OpenSet(stored, shop, there, joined(known, fresh), file, stamp.revision(), stamp.rules());
        return new Held(stamp, open, times, solved);
    }

    private static List<KeptEntry> joined(List<KeptEntry> there, List<KeptEntry> fresh) {
        List<KeptEntry> all = new ArrayList<>(there);
        all.addAll(fresh);
        return List.copyOf(all);
    }
}
