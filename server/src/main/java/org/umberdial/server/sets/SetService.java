package org.umberdial.server.sets;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.CircuitImport;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.Part;
import org.umberdial.core.set.PartValue;
import org.umberdial.core.set.TestPoint;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.sets.internal.ChartTables;
import org.umberdial.server.sets.internal.PartTables;
import org.umberdial.server.sets.internal.SetTables;
import org.umberdial.server.tubes.TubeService;

/** The shop's sets: their labels and conditions; circuits and sheets have services of their own. */
@Service
public class SetService {
    private final SetTables tables;
    private final ChartTables chart;
    private final PartTables parts;
    private final TubeService tubes;
    private final Clock clock;

    public SetService(SetTables tables, ChartTables chart, PartTables parts, TubeService tubes, Clock clock) {
        this.tables = tables;
        this.chart = chart;
        this.parts = parts;
        this.tubes = tubes;
        this.clock = clock;
    }

    /** Whatever was reckoned from the shop's sets is reckoned anew. */
    public void allChanged(String shopId) {
        tables.allChanged(shopId);
    }

    /** How many sets the shop has. */
    public int count(String shopId) {
        return tables.count(shopId);
    }

    public StoredSet set(String shopId, String setId) {
        SetTables.Row row = tables.row(shopId, setId).orElseThrow(() -> Problem.notFound("This set"));
        Deck deck = deck(shopId, row);
        Map<String, List<PartValue>> values = parts.values(shopId, setId);
        List<Part> all = CircuitImport.parts(deck, parts.origins(shopId, setId)).stream()
                .map(part -> withValues(part, values.getOrDefault(part.reference(), List.of())))
                .toList();
        BenchSet set = new BenchSet(
                row.construction(),
                all,
                deck.sockets(),
                chart.testPoints(shopId, setId),
                chart.sheet(shopId, setId),
                row.modes(),
                deck.models(),
                row.unread()
                        .lines()
                        .map(line -> line.substring(line.indexOf('\t') + 1))
                        .toList(),
                tubes.models(shopId));
        return new StoredSet(
                setId,
                row.label(),
                set,
                row.constructionConfirmed(),
                deck,
                row.conditions(),
                row.arrival(),
                row.version(),
                row.createdAt(),
                row.touchedAt());
    }

    private Deck deck(String shopId, SetTables.Row row) {
        String text = row.label().title() + "\n" + String.join("\n", parts.cards(shopId, row.id())) + "\n"
                + row.models() + "\n";
        Deck deck = DeckReader.read(text);
        List<TestPoint> points = chart.testPoints(shopId, row.id());
        return new Deck(
                row.label().title(),
                deck.cards(),
                deck.models(),
                parts.sockets(shopId, row.id()),
                points.stream().map(TestPoint::node).toList(),
                row.modes(),
                List.of());
    }

    private static Part withValues(Part part, List<PartValue> more) {
        List<PartValue> all = new ArrayList<>(part.values());
        all.addAll(more);
        return new Part(part.card(), List.copyOf(all), part.origin());
    }

    /** Takes a set in; the same id again changes nothing. */
    @Transactional
    public StoredSet create(
            String shopId,
            String setId,
            StoredSet.Label label,
            ConstructionClass construction,
            double lineVolts,
            Optional<String> instrumentId) {
        StoredSet.Label clean = checked(label);
        boolean isNew = tables.insert(shopId, setId, clean, construction, lineVolts, instrumentId, clock.instant());
        StoredSet there = set(shopId, setId);
        // One that was edited since is not compared: what it was at first is not kept.
        if (!isNew
                && there.version() == 0
                && !(there.label().equals(clean) && there.set().construction() == construction)) {
            throw Problem.sameId("A set");
        }
        return there;
    }

    /**
     * Says what a set is called and how it gets its power.
     *
     * @param seen whether somebody saw on this set how it gets its power; else a class that stays the same stays as
     *     unconfirmed as it was
     */
    @Transactional
    public StoredSet relabel(
            String shopId,
            String setId,
            StoredSet.Label label,
            ConstructionClass construction,
            boolean seen,
            int version) {
        StoredSet before = set(shopId, setId);
        boolean confirmed = construction != ConstructionClass.UNKNOWN
                && (seen || before.constructionConfirmed() || before.set().construction() != construction);
        if (!tables.relabel(shopId, setId, checked(label), construction, confirmed, version)) {
            throw Problem.changedMeanwhile("This set");
        }
        return set(shopId, setId);
    }

    private static StoredSet.Label checked(StoredSet.Label label) {
        if (label.title() == null || label.title().isBlank()) {
            throw new InvalidEntry(
                            InvalidEntry.Code.EMPTY,
                            "Give the set a title that you will know it by, such as “Brown table set, five tubes”.")
                    .at("title");
        }
        return new StoredSet.Label(
                label.title().strip(),
                text(label.ticket()),
                text(label.place()),
                text(label.waitsFor()),
                label.waitsUntil(),
                label.promisedFor());
    }

    private static String text(String value) {
        return value == null ? "" : value.strip();
    }

    /** Says that nobody confirmed at this set how it gets its power. */
    @Transactional
    public void neverConfirmed(String shopId, String setId) {
        require(shopId, setId);
        tables.neverConfirmed(shopId, setId);
    }

    /** Keeps what was read off the set and asked of its owner. */
    @Transactional
    public StoredSet arrival(String shopId, String setId, StoredSet.Arrival arrival, int version) {
        require(shopId, setId);
        StoredSet.Conditions before = set(shopId, setId).conditions();
        OptionalDouble was = set(shopId, setId).arrival().supply().expectedLine();
        if (!tables.arrival(shopId, setId, arrival, version)) {
            throw Problem.changedMeanwhile("This set's label");
        }
        // What the bench reads at the plug is entered there; until then the label says what to expect.
        OptionalDouble expected = arrival.supply().expectedLine();
        if (expected.isPresent()
                && !expected.equals(was)
                && before.switchedOnAt().isEmpty()) {
            tables.conditions(
                    shopId,
                    setId,
                    new StoredSet.Conditions(
                            expected.getAsDouble(), before.instrumentId(), before.mode(), before.switchedOnAt()));
        }
        return set(shopId, setId);
    }

    /**
     * A number that every change of what is known of a set raises, so that what was reckoned from it can be kept.
     *
     * @throws Problem when the shop has no such set
     */
    public int revision(String shopId, String setId) {
        return tables.revision(shopId, setId).orElseThrow(() -> Problem.notFound("This set"));
    }

    /**
     * The next place in the order of a set's entries; nobody else gets it or changes the set until the transaction
     * ends.
     *
     * @throws Problem when the shop has no such set
     */
    public int nextInLog(String shopId, String setId) {
        tables.lock(shopId, setId);
        return revision(shopId, setId) + 1;
    }

    public boolean has(String shopId, String setId) {
        return tables.has(shopId, setId);
    }

    /** @throws Problem when the shop has no such set */
    public void require(String shopId, String setId) {
        if (!has(shopId, setId)) {
            throw Problem.notFound("This set");
        }
    }

    /** The bench's conditions; the last writer wins, since they describe the bench and not the set. */
    @Transactional
    public StoredSet conditions(String shopId, String setId, StoredSet.Conditions conditions) {
        StoredSet set = set(shopId, setId);
        if (!conditions.mode().isEmpty() && !set.set().modes().contains(conditions.mode())) {
            throw new InvalidEntry(
                            InvalidEntry.Code.UNKNOWN,
                            "“" + conditions.mode() + "” is no mode of this set; it has "
                                    + String.join(", ", set.set().modes()) + ".")
                    .at("mode");
        }
        tables.conditions(shopId, setId, conditions);
        return set(shopId, setId);
    }

    /** Erases who the owner is from the set and from what is searched. */
    @Transactional
    public void eraseOwner(String shopId, String setId) {
        require(shopId, setId);
        tables.eraseOwner(shopId, setId);
        tables.changed(shopId, setId);
    }

    /** Notes that something was done to the set now. */
    public void touch(String shopId, String setId, Instant at) {
        tables.touch(shopId, setId, at);
    }

    /** Notes that an entry of the log came in at a time. */
    public void logged(String shopId, String setId, Instant at) {
        tables.logged(shopId, setId, at);
    }
}
