package org.umberdial.server.shelf;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.umberdial.core.area.Act;
import org.umberdial.core.area.Gate;
import org.umberdial.core.area.Plug;
import org.umberdial.core.area.Stop;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.guide.Guide;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;
import org.umberdial.core.value.ValueReader;
import org.umberdial.core.volts.VoltsArea;
import org.umberdial.core.volts.VoltsReport;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;
import org.umberdial.server.sets.StoredSet;
import org.umberdial.server.shelf.internal.ShelfTables;
import org.umberdial.server.shop.ShopService;

/**
 * The shelf. What it says of a set takes a solved circuit, so it is kept beside the set and reckoned anew only when the
 * set or the shop's rules have changed, and only for the sets that are shown.
 */
@Service
public class ShelfService {
    /**
     * What the shelf says of a set.
     *
     * @param stops findings to be settled before power
     */
    public record Summary(
            int points,
            int read,
            int wrong,
            int doubtful,
            int stops,
            int conflicts,
            String danger,
            boolean liveChassis,
            String next,
            boolean nextPowered,
            String stage) {}

    /**
     * A set as the shelf lists it.
     *
     * @param summary empty when it has to be reckoned anew
     */
    public record Entry(
            String id,
            StoredSet.Label label,
            String owner,
            ConstructionClass construction,
            Instant touchedAt,
            int revision,
            Optional<Summary> summary) {
        public Entry with(Summary reckoned) {
            return new Entry(id, label, owner, construction, touchedAt, revision, Optional.of(reckoned));
        }
    }

    /** Some of the sets that were asked for, and how many there are. */
    public record Page(List<Entry> entries, int total) {}

    /** Raised when a summary says more, or says it by better rules: what was kept before is reckoned anew. */
    private static final String FORM = "1:";

    private final ShelfTables tables;
    private final SetFiles files;
    private final ShopService shops;

    public ShelfService(ShelfTables tables, SetFiles files, ShopService shops) {
        this.tables = tables;
        this.files = files;
        this.shops = shops;
    }

    /** One page of the sets that say every word somewhere, the last touched first; {@code total} counts them all. */
    public Page page(String shopId, String wanted, int from, int size) {
        String rules = FORM + files.rules(shopId);
        Page page = tables.page(shopId, terms(shopId, wanted), rules, from, size);
        List<Entry> entries = new ArrayList<>();
        for (Entry entry : page.entries()) {
            entries.add(entry.summary().isPresent() ? entry : entry.with(summarise(shopId, entry)));
        }
        return new Page(entries, page.total());
    }

    /** Each word with the ways it may be written in the tables: a part's value is kept in its shortest form. */
    private List<List<String>> terms(String shopId, String wanted) {
        ValueReader reader = new ValueReader(shops.shop(shopId).policy().decimalSign());
        List<List<String>> terms = new ArrayList<>();
        for (String word : wanted.strip().split("\\s+")) {
            if (!word.isEmpty()) {
                List<String> ways = new ArrayList<>(List.of("%" + ShelfTables.literal(word) + "%"));
                value(reader, word, Unit.OHM)
                        .or(() -> value(reader, word, Unit.FARAD))
                        .ifPresent(value -> ways.add("% " + value + " ;%"));
                terms.add(List.copyOf(ways));
            }
        }
        return terms;
    }

    private static Optional<String> value(ValueReader reader, String word, Unit unit) {
        try {
            return word.matches(".*[0-9].*")
                    ? Optional.of(Engineering.exact(reader.read(word, unit).value()))
                    : Optional.empty();
        } catch (InvalidEntry noValue) {
            return Optional.empty();
        }
    }

    private Summary summarise(String shopId, Entry entry) {
        OpenSet set = files.open(shopId, entry.id());
        VoltsReport report = VoltsArea.report(set.file());
        Guide guide = Guide.of(set.file());
        Optional<Act> next = guide.next();
        Summary summary = new Summary(
                report.points().size(),
                (int) report.points().stream()
                        .filter(p -> p.verdict() != Verdict.UNREAD)
                        .count(),
                count(report, Verdict.BAD),
                count(report, Verdict.DOUBT),
                (int) guide.stops(Gate.POWER).stream().filter(Stop::bad).count(),
                set.file().ledger().conflicts().size(),
                set.danger(),
                set.liveChassis(),
                next.map(Act::title).orElse(""),
                next.filter(act -> act.plug() == Plug.IN).isPresent(),
                next.map(Act::area).orElse(""));
        if (!set.file().isForNow()) {
            tables.keep(shopId, set.id(), set.revision(), FORM + set.rules(), summary);
        }
        return summary;
    }

    private static int count(VoltsReport report, Verdict verdict) {
        return (int)
                report.points().stream().filter(p -> p.verdict() == verdict).count();
    }
}
