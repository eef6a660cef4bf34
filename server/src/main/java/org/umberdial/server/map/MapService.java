package org.umberdial.server.map;

import java.util.List;
import org.springframework.stereotype.Service;
import org.umberdial.core.arrival.Inspection;
import org.umberdial.core.cold.ColdScene;
import org.umberdial.core.journal.Journal;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.proof.Proof;
import org.umberdial.core.proof.ProofSheet;
import org.umberdial.core.reading.ReadingLog;
import org.umberdial.core.volts.Bench;
import org.umberdial.core.volts.VoltsJudge;
import org.umberdial.core.volts.VoltsReport;
import org.umberdial.server.journal.JournalService;
import org.umberdial.server.map.internal.MapTables;
import org.umberdial.server.readings.ReadingService;
import org.umberdial.server.sets.StoredSet;
import org.umberdial.server.shop.ShopService;

/** How every part and point of a set stands. */
@Service
public class MapService {
    /**
     * Where a part or point is on a picture.
     *
     * @param subject a part's reference or a point's node
     * @param x from the left edge, a fraction of the width
     * @param y from the upper edge, a fraction of the height
     */
    public record PlacedMark(String photo, String subject, double x, double y) {}

    private final MapTables tables;
    private final ReadingService readings;
    private final JournalService journals;
    private final ShopService shops;

    public MapService(MapTables tables, ReadingService readings, JournalService journals, ShopService shops) {
        this.tables = tables;
        this.readings = readings;
        this.journals = journals;
        this.shops = shops;
    }

    public List<Proof> stands(String shopId, StoredSet set) {
        ReadingLog log = readings.log(shopId, set.id());
        Journal journal = journals.journal(shopId, set.id());
        HousePolicy policy = shops.shop(shopId).policy();
        Bench bench = readings.bench(shopId, set);
        VoltsReport report = VoltsJudge.judge(set.set(), log, policy, bench);
        return ProofSheet.of(
                new ColdScene(set.set(), set.arrival().supply(), policy, bench.mode()),
                log,
                report,
                Inspection.of(set.set().construction(), set.arrival().extras(), journal),
                journal);
    }

    public List<PlacedMark> marks(String shopId, String setId) {
        return tables.all(shopId, setId);
    }

    /** Places or moves a mark. */
    public void put(String shopId, String setId, PlacedMark mark) {
        tables.put(shopId, setId, mark);
    }

    public void remove(String shopId, String setId, String photo, String subject) {
        tables.remove(shopId, setId, photo, subject);
    }
}
