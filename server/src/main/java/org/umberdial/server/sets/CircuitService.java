package org.umberdial.server.sets;

import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
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
import org.umberdial.core.draft.Draft;
import org.umberdial.core.entry.PartLine;
import org.umberdial.core.role.NetworkRole;
import org.umberdial.core.set.CircuitImport;
import org.umberdial.core.set.Part;
import org.umberdial.core.set.PartValue;
import org.umberdial.core.set.SheetValue;
import org.umberdial.core.set.StartingCircuit;
import org.umberdial.core.set.TestPoint;
import org.umberdial.core.set.ValueOrigin;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.walk.Sibling;
import org.umberdial.core.walk.StageSwap;
import org.umberdial.core.walk.Walk;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.sets.internal.ChartTables;
import org.umberdial.server.sets.internal.PartTables;
import org.umberdial.server.sets.internal.SetTables;
import org.umberdial.server.tubes.TubeService;

/** Sets' circuits: whole ones, their parts and the values of those. */
@Service
public class CircuitService {
    private static final Pattern PART_FIRST = Pattern.compile("^([RCLKVIDQX]\\w*)\\b", Pattern.CASE_INSENSITIVE);
    /** Five times the largest home set; beyond it each verdict would take seconds. */
    private static final int MOST_NODES = 400;

    private static final int LONGEST_MODES = 200;

    private final SetService sets;
    private final SetTables tables;
    private final ChartTables chart;
    private final PartTables parts;
    private final TubeService tubes;
    private final Clock clock;

    public CircuitService(
            SetService sets, SetTables tables, ChartTables chart, PartTables parts, TubeService tubes, Clock clock) {
        this.sets = sets;
        this.tables = tables;
        this.chart = chart;
        this.parts = parts;
        this.tubes = tubes;
        this.clock = clock;
    }

    /** Gives a set the usual circuit of its class, marked as such. */
    @Transactional
    public StoredSet start(String shopId, String setId, StartingCircuit circuit) {
        replaceCircuit(shopId, setId, circuit.deck());
        parts.origin(shopId, setId, ValueOrigin.USUAL.name());
        tables.sheetOrigin(
                shopId, setId, "usual values of the class, none of them read off this set: " + circuit.title());
        return sets.set(shopId, setId);
    }

    /** Gives a set a drafted circuit: as usually built, but for the tubes, which are the set's own. */
    @Transactional
    public StoredSet draft(String shopId, String setId, Draft draft) {
        tables.lock(shopId, setId);
        int already = sets.set(shopId, setId).set().parts().size();
        if (already > 0) {
            throw new Problem(
                    Problem.Kind.INVALID_ENTRY,
                    "This set has a circuit of " + already
                            + " parts already. Take it out under Parts first, or change it there.");
        }
        replaceCircuit(shopId, setId, draft.deck());
        parts.origin(shopId, setId, ValueOrigin.USUAL.name());
        draft.deck().cards().stream()
                .filter(card -> !Walk.asks(card))
                .forEach(card -> parts.origin(shopId, setId, card.reference(), PartTables.OWN));
        String title = "drafted from its tubes, values as usually built: "
                + draft.deck().title().replaceFirst("^[^:]*: ", "");
        tables.sheetOrigin(shopId, setId, title.substring(0, Math.min(160, title.length())));
        return sets.set(shopId, setId);
    }

    /**
     * Takes a person's word on a part: its card as it is now, and where that was read. With the last part confirmed
     * nothing is said of a draft any more.
     *
     * @param hasValue whether the part has a number; one read elsewhere than on the schematic stands beside it
     */
    @Transactional
    public StoredSet confirm(
            Caller caller, String setId, String id, Card card, PartValue value, boolean hasValue, String seen) {
        tables.lock(caller.shopId(), setId);
        Part before = part(sets.set(caller.shopId(), setId), card.reference());
        requireUnchanged(caller.shopId(), setId, Map.of(card.reference(), seen));
        boolean schematic = value.origin() == ValueOrigin.SHEET || !hasValue;
        if (schematic && !DeckWriter.line(card).equals(DeckWriter.line(before.card()))) {
            putCard(caller.shopId(), setId, card);
        }
        if (schematic) {
            parts.origin(caller.shopId(), setId, card.reference(), PartTables.OWN);
        } else {
            // The drafted value stays a usual one: only what was read is this set's.
            parts.addValue(caller.shopId(), setId, id, card.reference(), value, caller.author(), clock.instant());
        }
        tables.changed(caller.shopId(), setId);
        StoredSet now = sets.set(caller.shopId(), setId);
        if (Walk.of(now.set()).steps().stream().allMatch(Walk.Step::confirmed)
                && now.set().sheet().stream().allMatch(SheetValue::own)) {
            tables.sheetOrigin(caller.shopId(), setId, "");
            return sets.set(caller.shopId(), setId);
        }
        return now;
    }

    /**
     * Puts a part's line back, also of one that was taken out, and calls it as usually built again.
     *
     * @param id of the word that is taken back; a value read then goes with it
     */
    @Transactional
    public StoredSet unconfirm(String shopId, String setId, String id, String reference, String line) {
        tables.lock(shopId, setId);
        if (!line.strip().split("\\s+")[0].equalsIgnoreCase(reference)) {
            throw new InvalidEntry(InvalidEntry.Code.CONFLICT, "The line to put back is not " + reference + "'s own.")
                    .at("line");
        }
        putPart(shopId, setId, line, Optional.empty());
        parts.removeValue(shopId, setId, id);
        parts.origin(shopId, setId, reference, ValueOrigin.USUAL.name());
        tables.changed(shopId, setId);
        return sets.set(shopId, setId);
    }

    /** What a drafted stage was made, to go back by, and what a person should know of it. */
    public record Swapped(StoredSet set, Optional<Sibling> was, List<String> says) {}

    /**
     * Makes a drafted stage another of its kind; what somebody compared stays.
     *
     * @throws InvalidEntry when the tubes leave no room for it
     */
    @Transactional
    public Swapped swap(String shopId, String setId, Sibling to) {
        tables.lock(shopId, setId);
        StoredSet before = sets.set(shopId, setId);
        StageSwap swap = StageSwap.of(before.set(), to);
        swap.removed().forEach(reference -> parts.removePart(shopId, setId, reference));
        for (Card card : swap.put()) {
            parts.putPart(shopId, setId, card.reference(), DeckWriter.line(card));
            parts.origin(shopId, setId, card.reference(), Walk.asks(card) ? ValueOrigin.USUAL.name() : PartTables.OWN);
        }
        swap.sockets().forEach(socket -> parts.putSocket(shopId, setId, socket));
        Map<String, Map<String, Double>> models = new LinkedHashMap<>(swap.models());
        models.putAll(before.set().models());
        tables.models(
                shopId, setId, modelLines(new Deck("", List.of(), models, List.of(), List.of(), List.of(), List.of())));
        tables.changed(shopId, setId);
        return new Swapped(sets.set(shopId, setId), swap.was(), swap.says());
    }

    /** Gives a set the circuit, points and sheet of another, marked as a near relative's. */
    @Transactional
    public StoredSet copy(String shopId, String setId, String sisterId) {
        StoredSet sister = sets.set(shopId, sisterId);
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
        chart.replaceTestPoints(shopId, setId, sister.set().testPoints());
        sister.set().sheet().forEach(value -> chart.putSheet(shopId, setId, value));
        parts.origin(shopId, setId, ValueOrigin.RELATIVE.name());
        String title = sister.label().title();
        tables.sheetOrigin(shopId, setId, "from a near relative: " + title.substring(0, Math.min(120, title.length())));
        tables.paper(shopId, setId, sister.arrival().paper());
        return sets.set(shopId, setId);
    }

    /** Notes which paper circuit and sheet were taken from; longer than fits is cut. */
    @Transactional
    public StoredSet paper(String shopId, String setId, String paper) {
        sets.require(shopId, setId);
        tables.paper(
                shopId,
                setId,
                paper.strip().substring(0, Math.min(200, paper.strip().length())));
        return sets.set(shopId, setId);
    }

    /** Notes where circuit and sheet come from when they are not the set's own. */
    @Transactional
    public void originOfSheet(String shopId, String setId, String origin) {
        sets.require(shopId, setId);
        tables.sheetOrigin(shopId, setId, origin.substring(0, Math.min(160, origin.length())));
    }

    /** Says which parts' values are not the set's own, as a file that brings the set knows. */
    @Transactional
    public void origins(String shopId, String setId, Map<String, ValueOrigin> origins, boolean sheetOwn) {
        sets.require(shopId, setId);
        if (!sheetOwn) {
            parts.origin(shopId, setId, ValueOrigin.RELATIVE.name());
            sets.set(shopId, setId)
                    .set()
                    .parts()
                    .forEach(part -> parts.origin(shopId, setId, part.reference(), PartTables.OWN));
        }
        origins.forEach((reference, origin) -> parts.origin(shopId, setId, reference, origin.name()));
        tables.changed(shopId, setId);
    }

    /** Takes the person's word that circuit and sheet are now this set's own. */
    @Transactional
    public StoredSet own(String shopId, String setId) {
        sets.require(shopId, setId);
        parts.origin(shopId, setId, PartTables.OWN);
        tables.sheetOrigin(shopId, setId, "");
        return sets.set(shopId, setId);
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
        sets.set(shopId, setId);
        checkSize(deck);
        parts.replaceCircuit(
                shopId,
                setId,
                deck.cards().stream()
                        .collect(Collectors.toMap(Card::reference, DeckWriter::line, (a, b) -> b, LinkedHashMap::new)),
                deck.sockets(),
                modelLines(deck),
                deck.modes(),
                read.faults().stream().map(CircuitService::unreadLine).collect(Collectors.joining("\n")));
        if (!deck.testPoints().isEmpty()) {
            Map<String, TestPoint> named =
                    chart.testPoints(shopId, setId).stream().collect(Collectors.toMap(TestPoint::node, point -> point));
            chart.replaceTestPoints(
                    shopId,
                    setId,
                    CircuitImport.testPoints(deck, tubes.models(shopId).data()).stream()
                            .map(point -> named.getOrDefault(point.node(), point))
                            .toList());
        }
        tables.touch(shopId, setId, clock.instant());
        return sets.set(shopId, setId);
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
        Seen.require(Seen.of(sets.set(shopId, setId).set().unread()), seen, "What could not be read of the circuit");
        tables.setUnread(shopId, setId, "");
        tables.changed(shopId, setId);
        return sets.set(shopId, setId);
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
        sets.require(shopId, setId);
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
        StoredSet changed = sets.set(shopId, setId);
        checkSize(changed.deck());
        return changed;
    }

    private void putCard(String shopId, String setId, Card card) {
        parts.putPart(shopId, setId, card.reference(), DeckWriter.line(card));
        mend(shopId, setId, card.reference());
        tables.changed(shopId, setId);
    }

    /** Two people change one part: the second is told what it is by now. */
    private void requireUnchanged(String shopId, String setId, Map<String, String> seen) {
        if (seen.isEmpty()) {
            return;
        }
        StoredSet now = sets.set(shopId, setId);
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
        sets.require(shopId, setId);
        requireUnchanged(shopId, setId, seen);
        line.cards().forEach(card -> putCard(shopId, setId, card));
        line.socket().ifPresent(socket -> parts.putSocket(shopId, setId, socket));
        StoredSet changed = sets.set(shopId, setId);
        checkSize(changed.deck());
        return changed;
    }

    /** Says what a part does, whatever the network says; with no role the network says it again. */
    @Transactional
    public StoredSet giveRole(String shopId, String setId, String reference, Optional<NetworkRole> role, String seen) {
        tables.lock(shopId, setId);
        Card card = part(sets.set(shopId, setId), reference).card();
        requireUnchanged(shopId, setId, Map.of(card.reference(), seen));
        Map<String, String> keys = new LinkedHashMap<>(card.keys());
        keys.remove("job");
        role.ifPresent(one -> keys.put("job", one.name().toLowerCase(Locale.ROOT)));
        putCard(shopId, setId, card.withKeys(keys));
        return sets.set(shopId, setId);
    }

    @Transactional
    public StoredSet removePart(String shopId, String setId, String reference, String seen) {
        tables.lock(shopId, setId);
        Part part = part(sets.set(shopId, setId), reference);
        requireUnchanged(shopId, setId, Map.of(part.reference(), seen));
        parts.removePart(shopId, setId, reference);
        tables.changed(shopId, setId);
        return sets.set(shopId, setId);
    }

    /** Adds one more value to a part; the same id again changes nothing. */
    @Transactional
    public StoredSet addValue(Caller caller, String setId, String id, String reference, PartValue value) {
        Part part = part(sets.set(caller.shopId(), setId), reference);
        if (part.unit().isEmpty() || "RCL".indexOf(part.card().letter()) < 0) {
            throw new InvalidEntry(
                            InvalidEntry.Code.WRONG_UNIT,
                            reference + " has no single value; resistors, capacitors and windings do.")
                    .at("value");
        }
        if (!(value.value() > 0)) {
            throw new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, "A part's value is above 0.").at("value");
        }
        if (!parts.addValue(caller.shopId(), setId, id, part.reference(), value, caller.author(), clock.instant())) {
            throw Problem.sameId("A part's value");
        }
        tables.changed(caller.shopId(), setId);
        return sets.set(caller.shopId(), setId);
    }

    private static Part part(StoredSet set, String reference) {
        return set.set()
                .part(reference)
                .orElseThrow(() -> Problem.notFound("Part " + reference.toUpperCase(Locale.ROOT)));
    }
}
