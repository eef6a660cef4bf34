package org.umberdial.server.shelf;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.umberdial.core.arrival.ArrivalState;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;
import org.umberdial.core.value.ValueReader;
import org.umberdial.core.volts.NextAct;
import org.umberdial.core.volts.Verdict;
import org.umberdial.core.volts.VoltsJudge;
import org.umberdial.core.volts.VoltsReport;
import org.umberdial.server.arrival.ArrivalService;
import org.umberdial.server.cold.ColdService;
import org.umberdial.server.readings.ReadingService;
import org.umberdial.server.sets.SetService;
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
    public record Summary(int points, int read, int wrong, int doubtful, int stops, String next, boolean nextPowered) {}

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

    private final ShelfTables tables;
    private final SetService sets;
    private final ReadingService readings;
    private final ArrivalService arrivals;
    private final ColdService colds;
    private final ShopService shops;

    public ShelfService(
            ShelfTables tables,
            SetService sets,
            ReadingService readings,
            ArrivalService arrivals,
            ColdService colds,
            ShopService shops) {
        this.tables = tables;
        this.sets = sets;
        this.readings = readings;
        this.arrivals = arrivals;
        this.colds = colds;
        this.shops = shops;
    }

    /** One page of the sets that say every word somewhere, the last touched first; {@code total} counts them all. */
    public Page page(String shopId, String wanted, int from, int size) {
        String rules = shops.rules(shopId) + "." + colds.rules(shopId);
        Page page = tables.page(shopId, terms(shopId, wanted), rules, from, size);
        List<Entry> entries = new ArrayList<>();
        for (Entry entry : page.entries()) {
            entries.add(entry.summary().isPresent() ? entry : entry.with(summarise(shopId, entry, rules)));
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

    private Summary summarise(String shopId, Entry entry, String rules) {
        StoredSet set = sets.set(shopId, entry.id());
        HousePolicy policy = shops.shop(shopId).policy();
        VoltsReport report =
                VoltsJudge.judge(set.set(), readings.log(shopId, set.id()), policy, readings.bench(shopId, set));
        ArrivalState arrival = arrivals.state(shopId, set);
        Optional<NextAct> next = arrival.next()
                .or(() -> arrival.powered() ? Optional.empty() : colds.next(shopId, set))
                .or(report::next);
        Summary summary = new Summary(
                report.points().size(),
                (int) report.points().stream()
                        .filter(p -> p.verdict() != Verdict.UNREAD)
                        .count(),
                count(report, Verdict.BAD),
                count(report, Verdict.DOUBT),
                arrival.inspection().stops().size(),
                next.map(NextAct::title).orElse(""),
                next.map(NextAct::powered).orElse(false));
        tables.keep(shopId, set.id(), entry.revision(), rules, summary);
        return summary;
    }

    private static int count(VoltsReport report, Verdict verdict) {
        return (int)
                report.points().stream().filter(p -> p.verdict() == verdict).count();
    }
}
