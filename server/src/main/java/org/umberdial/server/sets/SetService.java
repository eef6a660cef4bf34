package org.umberdial.server.sets;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.circuit.deck.DeckRefused;
import org.umberdial.core.circuit.deck.DeckWriter;
import org.umberdial.core.entry.PartLine;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.CircuitImport;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.Part;
import org.umberdial.core.set.PartValue;
import org.umberdial.core.set.SheetValue;
import org.umberdial.core.set.StartingCircuit;
import org.umberdial.core.set.TestPoint;
import org.umberdial.core.set.ValueOrigin;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.sets.internal.SetTables;

/** The shop's sets: their labels, circuits, test points and sheets. */
@Service
public class SetService {
    private static final Pattern PART_FIRST = Pattern.compile("^([RCLKVIDX]\\w*)\\b", Pattern.CASE_INSENSITIVE);
    /** Five times the largest home set; beyond it each verdict would take seconds. */
    private static final int MOST_NODES = 400;

    private static final int LONGEST_MODES = 200;

    private final SetTables tables;
    private final Clock clock;

    public SetService(SetTables tables, Clock clock) {
        this.tables = tables;
        this.clock = clock;
    }

    /** How many sets the shop has. */
    public int count(String shopId) {
        return tables.count(shopId);
    }

    public StoredSet set(String shopId, String setId) {
        SetTables.Row row = tables.row(shopId, setId).orElseThrow(() -> Problem.notFound("This set"));
        Deck deck = deck(shopId, row);
        Map<String, List<PartValue>> values = tables.values(shopId, setId);
        List<Part> parts = CircuitImport.parts(deck, tables.origins(shopId, setId)).stream()
                .map(part -> withValues(part, values.getOrDefault(part.reference(), List.of())))
                .toList();
        BenchSet set = new BenchSet(
                row.construction(),
                parts,
                deck.sockets(),
                tables.testPoints(shopId, setId),
                tables.sheet(shopId, setId),
                row.modes(),
                deck.models(),
                row.unread()
                        .lines()
                        .map(line -> line.substring(line.indexOf('\t') + 1))
                        .toList());
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
        String text = row.label().title() + "\n" + String.join("\n", tables.cards(shopId, row.id())) + "\n"
                + row.models() + "\n";
        Deck deck = DeckReader.read(text);
        List<TestPoint> points = tables.testPoints(shopId, row.id());
        return new Deck(
                row.label().title(),
                deck.cards(),
                deck.models(),
                tables.sockets(shopId, row.id()),
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

    /** Gives a set the usual circuit of its class, marked as such. */
    @Transactional
    public StoredSet start(String shopId, String setId, StartingCircuit circuit) {
        replaceCircuit(shopId, setId, circuit.deck());
        tables.origin(shopId, setId, ValueOrigin.USUAL.name());
        tables.sheetOrigin(
                shopId, setId, "usual values of the class, none of them read off this set: " + circuit.title());
        return set(shopId, setId);
    }

    /** Gives a set the circuit, points and sheet of another, marked as a near relative's. */
    @Transactional
    public StoredSet copy(String shopId, String setId, String sisterId) {
        StoredSet sister = set(shopId, sisterId);
        replaceCircuit(
                shopId,
                setId,
                new Deck(
                        sister.deck().title(),
                        sister.deck().cards(),
                        sister.deck().models(),
                        sister.deck().sockets(),
                        sister.deck().testPoints(),
                        sister.deck().modes(),
                        List.of()));
        tables.replaceTestPoints(shopId, setId, sister.set().testPoints());
        sister.set().sheet().forEach(value -> tables.putSheet(shopId, setId, value));
        tables.origin(shopId, setId, ValueOrigin.RELATIVE.name());
        String title = sister.label().title();
        tables.sheetOrigin(shopId, setId, "from a near relative: " + title.substring(0, Math.min(120, title.length())));
        return set(shopId, setId);
    }

    /** Notes where circuit and sheet come from when they are not the set's own. */
    @Transactional
    public void originOfSheet(String shopId, String setId, String origin) {
        require(shopId, setId);
        tables.sheetOrigin(shopId, setId, origin.substring(0, Math.min(160, origin.length())));
    }

    /** Says which parts' values are not the set's own, as a file that brings the set knows. */
    @Transactional
    public void origins(String shopId, String setId, Map<String, ValueOrigin> origins, boolean sheetOwn) {
        require(shopId, setId);
        if (!sheetOwn) {
            tables.origin(shopId, setId, ValueOrigin.RELATIVE.name());
            set(shopId, setId)
                    .set()
                    .parts()
                    .forEach(part -> tables.origin(shopId, setId, part.reference(), SetTables.OWN));
        }
        origins.forEach((reference, origin) -> tables.origin(shopId, setId, reference, origin.name()));
        tables.changed(shopId, setId);
    }

    /** Takes the person's word that circuit and sheet are now this set's own. */
    @Transactional
    public StoredSet own(String shopId, String setId) {
        require(shopId, setId);
        tables.origin(shopId, setId, SetTables.OWN);
        tables.sheetOrigin(shopId, setId, "");
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

    /** @throws Problem when the shop has no such set */
    public void require(String shopId, String setId) {
        if (!tables.has(shopId, setId)) {
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

    /** Puts a deck's circuit in the place of the set's; readings, sheet values and other part values stay. */
    @Transactional
    public StoredSet replaceCircuit(String shopId, String setId, Deck deck) {
        return replaceCircuit(shopId, setId, new DeckReader.Partial(deck, List.of()));
    }

    /** The same with a deck that could be read in part: the set is incomplete until the rest is mended. */
    @Transactional
    public StoredSet replaceCircuit(String shopId, String setId, DeckReader.Partial read) {
        Deck deck = read.deck();
        set(shopId, setId);
        checkSize(deck);
        tables.replaceCircuit(
                shopId,
                setId,
                deck.cards().stream()
                        .collect(Collectors.toMap(Card::reference, DeckWriter::line, (a, b) -> b, LinkedHashMap::new)),
                deck.sockets(),
                modelLines(deck),
                deck.modes(),
                read.faults().stream().map(SetService::unreadLine).collect(Collectors.joining("\n")));
        if (!deck.testPoints().isEmpty()) {
            Map<String, TestPoint> named = tables.testPoints(shopId, setId).stream()
                    .collect(Collectors.toMap(TestPoint::node, point -> point));
            tables.replaceTestPoints(
                    shopId,
                    setId,
                    CircuitImport.testPoints(deck).stream()
                            .map(point -> named.getOrDefault(point.node(), point))
                            .toList());
        }
        tables.touch(shopId, setId, clock.instant());
        return set(shopId, setId);
    }

    /** A fault about a part begins with the part's reference; adding that part mends it. */
    private static String unreadLine(DeckRefused.Fault fault) {
        Matcher part = PART_FIRST.matcher(fault.text());
        return (part.find() ? part.group(1).toUpperCase(Locale.ROOT) : "") + "\t"
                + fault.toString().replaceAll("\\s+", " ");
    }

    private void mend(String shopId, String setId, String reference) {
        String unread = tables.row(shopId, setId).orElseThrow().unread();
        tables.setUnread(
                shopId,
                setId,
                unread.lines()
                        .filter(line -> !line.startsWith(reference + "\t"))
                        .collect(Collectors.joining("\n")));
    }

    /** Takes the person's word that what could not be read is mended or not needed. */
    @Transactional
    public StoredSet settleUnread(String shopId, String setId, String seen) {
        tables.lock(shopId, setId);
        Seen.require(Seen.of(set(shopId, setId).set().unread()), seen, "What could not be read of the circuit");
        tables.setUnread(shopId, setId, "");
        tables.changed(shopId, setId);
        return set(shopId, setId);
    }

    private static void checkSize(Deck deck) {
        if (deck.nodes().size() > MOST_NODES) {
            throw new InvalidEntry(
                    InvalidEntry.Code.OUT_OF_RANGE,
                    "The circuit has " + deck.nodes().size() + " nodes; up to " + MOST_NODES
                            + " are taken. Leave out what carries no DC.");
        }
        if (String.join(" ", deck.modes()).length() > LONGEST_MODES) {
            throw new InvalidEntry(
                    InvalidEntry.Code.OUT_OF_RANGE,
                    "The names of the modes are too long together; up to " + LONGEST_MODES + " characters are taken.");
        }
    }

    private static String modelLines(Deck deck) {
        Deck only = new Deck("", List.of(), deck.models(), List.of(), List.of(), List.of(), List.of());
        return DeckWriter.write(only)
                .lines()
                .filter(line -> line.startsWith(".model"))
                .collect(Collectors.joining("\n"));
    }

    /** Adds or changes one part, given as its part line. */
    @Transactional
    public StoredSet putPart(String shopId, String setId, String line, Optional<String> seen) {
        tables.lock(shopId, setId);
        require(shopId, setId);
        Deck one;
        try {
            one = DeckReader.read("one part\n" + line.replaceAll("\\R", " ") + "\n");
        } catch (DeckRefused refused) {
            throw new InvalidEntry(
                            InvalidEntry.Code.SYNTAX, refused.faults().get(0).text())
                    .at("line");
        }
        if (one.cards().size() != 1) {
            throw new InvalidEntry(
                            InvalidEntry.Code.SYNTAX,
                            "Write one part: reference, nodes, value, as in R7 filter_2 v3_plate 470k ; "
                                    + "kind=carbon tol=20 watt=0.5.")
                    .at("line");
        }
        Card card = one.cards().get(0);
        seen.ifPresent(before -> requireUnchanged(shopId, setId, Map.of(card.reference(), before)));
        putCard(shopId, setId, card);
        StoredSet changed = set(shopId, setId);
        checkSize(changed.deck());
        return changed;
    }

    private void putCard(String shopId, String setId, Card card) {
        tables.putPart(shopId, setId, card.reference(), DeckWriter.line(card));
        mend(shopId, setId, card.reference());
        tables.changed(shopId, setId);
    }

    /** Two people change one part: the second is told what it is by now. */
    private void requireUnchanged(String shopId, String setId, Map<String, String> seen) {
        if (seen.isEmpty()) {
            return;
        }
        StoredSet now = set(shopId, setId);
        seen.forEach((reference, before) -> {
            String line = now.set()
                    .part(reference)
                    .map(part -> DeckWriter.line(part.card()))
                    .orElse("");
            if (!line.equals(before.strip())) {
                String by = line.isEmpty()
                        ? "it is gone"
                        : before.isBlank() ? "it is there by now: " + line : "it is now " + line;
                throw new InvalidEntry(
                                InvalidEntry.Code.CHANGED_MEANWHILE,
                                reference + " was changed by somebody else since you began; " + by
                                        + ". What you typed is still here: look, then keep it again or leave it.")
                        .at("line");
            }
        });
    }

    /**
     * Keeps the cards of one line of parts shorthand, and the tube's socket with it.
     *
     * @param seen part lines as their writer saw them, by reference, blank for one that was not there; a different one
     *     by now is not overwritten
     */
    @Transactional
    public StoredSet putParts(String shopId, String setId, PartLine line, Map<String, String> seen) {
        tables.lock(shopId, setId);
        require(shopId, setId);
        requireUnchanged(shopId, setId, seen);
        line.cards().forEach(card -> putCard(shopId, setId, card));
        line.socket().ifPresent(socket -> tables.putSocket(shopId, setId, socket));
        StoredSet changed = set(shopId, setId);
        checkSize(changed.deck());
        return changed;
    }

    @Transactional
    public StoredSet removePart(String shopId, String setId, String reference, String seen) {
        tables.lock(shopId, setId);
        Part part = part(set(shopId, setId), reference);
        requireUnchanged(shopId, setId, Map.of(part.reference(), seen));
        tables.removePart(shopId, setId, reference);
        tables.changed(shopId, setId);
        return set(shopId, setId);
    }

    /** Adds one more value to a part; the same id again changes nothing. */
    @Transactional
    public StoredSet addValue(Caller caller, String setId, String id, String reference, PartValue value) {
        Part part = part(set(caller.shopId(), setId), reference);
        if (part.unit().isEmpty() || "RCL".indexOf(part.card().letter()) < 0) {
            throw new InvalidEntry(
                            InvalidEntry.Code.WRONG_UNIT,
                            reference + " has no single value; resistors, capacitors and windings do.")
                    .at("value");
        }
        if (!(value.value() > 0)) {
            throw new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, "A part's value is above 0.").at("value");
        }
        if (!tables.addValue(caller.shopId(), setId, id, part.reference(), value, caller.author(), clock.instant())) {
            throw Problem.sameId("A part's value");
        }
        tables.changed(caller.shopId(), setId);
        return set(caller.shopId(), setId);
    }

    private static Part part(StoredSet set, String reference) {
        return set.set()
                .part(reference)
                .orElseThrow(() -> Problem.notFound("Part " + reference.toUpperCase(Locale.ROOT)));
    }

    /** The same, if the list is still what its writer saw. */
    @Transactional
    public StoredSet changeTestPoints(String shopId, String setId, List<TestPoint> points, String seen) {
        tables.lock(shopId, setId);
        Seen.require(Seen.of(set(shopId, setId).set().testPoints()), seen, "The list of points");
        return replaceTestPoints(shopId, setId, points);
    }

    /** The points to probe, in order; each must be a node of the circuit where there is one. */
    @Transactional
    public StoredSet replaceTestPoints(String shopId, String setId, List<TestPoint> points) {
        StoredSet set = set(shopId, setId);
        for (TestPoint point : points) {
            boolean drawn = set.set().parts().isEmpty()
                    ? !point.node().isEmpty()
                    : set.deck().nodes().contains(point.node());
            if (!drawn || point.node().equals("0")) {
                throw new InvalidEntry(
                                InvalidEntry.Code.UNKNOWN,
                                "No part connects to “" + point.node() + "”; a test point is a node of the circuit.")
                        .at("node");
            }
            if (point.name().isBlank()) {
                throw new InvalidEntry(
                                InvalidEntry.Code.EMPTY,
                                "Give the point at " + point.node() + " a name, such as V4 plate.")
                        .at("name");
            }
        }
        if (points.stream().map(TestPoint::node).distinct().count() < points.size()
                || points.stream()
                                .map(point -> point.name().toLowerCase(Locale.ROOT))
                                .distinct()
                                .count()
                        < points.size()) {
            throw new InvalidEntry(
                            InvalidEntry.Code.DUPLICATE, "Two points share a node or a name; each may stand once.")
                    .at("name");
        }
        tables.replaceTestPoints(shopId, setId, points);
        tables.changed(shopId, setId);
        return set(shopId, setId);
    }

    /** Keeps sheet values; one for the same point, reference, kind and mode takes the place of the earlier. */
    @Transactional
    public StoredSet putSheet(String shopId, String setId, List<SheetValue> values) {
        set(shopId, setId);
        values.forEach(value -> tables.putSheet(shopId, setId, value));
        tables.changed(shopId, setId);
        return set(shopId, setId);
    }

    /** Keeps one, if what stood in its place is still what its writer saw. */
    @Transactional
    public StoredSet changeSheet(String shopId, String setId, SheetValue value, String seen) {
        requireSheet(shopId, setId, value, seen);
        return putSheet(shopId, setId, List.of(value));
    }

    private void requireSheet(String shopId, String setId, SheetValue value, String seen) {
        tables.lock(shopId, setId);
        String there = set(shopId, setId).set().sheet().stream()
                .filter(v -> v.node().equals(value.node())
                        && v.reference().equals(value.reference())
                        && v.kind() == value.kind()
                        && v.mode().equals(value.mode()))
                .findFirst()
                .map(Seen::of)
                .orElse("");
        Seen.require(there, seen, "This sheet value");
    }

    @Transactional
    public StoredSet removeSheet(String shopId, String setId, SheetValue value, String seen) {
        requireSheet(shopId, setId, value, seen);
        tables.removeSheet(shopId, setId, value);
        tables.changed(shopId, setId);
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
