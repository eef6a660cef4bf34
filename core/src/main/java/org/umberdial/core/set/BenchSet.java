package org.umberdial.core.set;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubeModels;
import org.umberdial.core.tube.TubeType;

/**
 * A set as the rules see it: its circuit, its test points in probing order and its sheet.
 *
 * @param modes the default first; empty when there is only one
 * @param models diode models by name, with their parameters
 * @param unread what could not be read of the circuit, each a sentence; the set is incomplete until it is mended
 * @param tubes what is known of tube types where this set is
 */
public record BenchSet(
        ConstructionClass construction,
        List<Part> parts,
        List<Deck.SocketPins> sockets,
        List<TestPoint> testPoints,
        List<SheetValue> sheet,
        List<String> modes,
        Map<String, Map<String, Double>> models,
        List<String> unread,
        TubeModels tubes) {
    /** The line cord, which no circuit draws. */
    public static final String CORD = "CORD";
    /** The set as a whole, where no part of it is meant. */
    public static final String WHOLE = "SET";
    /** The line fuse of a set whose circuit draws none. */
    public static final String FUSE = "FUSE";

    private static final Set<String> HEATED = Set.of("transformer", "heater", "lamp");

    /** A set without diode models of its own. */
    public BenchSet(
            ConstructionClass construction,
            List<Part> parts,
            List<Deck.SocketPins> sockets,
            List<TestPoint> testPoints,
            List<SheetValue> sheet,
            List<String> modes) {
        this(construction, parts, sockets, testPoints, sheet, modes, Map.of(), List.of());
    }

    /** A set with the tube data that ships with the application. */
    public BenchSet(
            ConstructionClass construction,
            List<Part> parts,
            List<Deck.SocketPins> sockets,
            List<TestPoint> testPoints,
            List<SheetValue> sheet,
            List<String> modes,
            Map<String, Map<String, Double>> models,
            List<String> unread) {
        this(construction, parts, sockets, testPoints, sheet, modes, models, unread, TubeModels.shipped());
    }

    /** What is known of a part's tube type; empty for anything else. */
    public Optional<TubeType> tubeType(Part part) {
        return tubes.data().type(TubeData.bare(part.card().model()));
    }

    /** Whether a part is a tube that rectifies. */
    public boolean isRectifier(Part part) {
        return part.card().kind().equals("tube")
                && tubes.data().isRectifier(part.card().model());
    }

    public Optional<Part> part(String reference) {
        return parts.stream()
                .filter(part -> part.reference().equalsIgnoreCase(reference))
                .findFirst();
    }

    public Optional<TestPoint> pointAt(String node) {
        return testPoints.stream().filter(point -> point.node().equals(node)).findFirst();
    }

    /** What is measured at a node unless somebody says otherwise: AC where the sheet gives only AC, else DC. */
    public ReadingKind usualKind(String node) {
        boolean dc = sheet.stream().anyMatch(value -> value.node().equals(node) && value.kind() == ReadingKind.DC);
        boolean ac = sheet.stream().anyMatch(value -> value.node().equals(node) && value.kind() == ReadingKind.AC);
        return (ac || windingOnly(node)) && !dc ? ReadingKind.AC : ReadingKind.DC;
    }

    /**
     * Whether nothing but a transformer's winding and what it heats and lights is there: then the voltage alternates,
     * sheet or not.
     */
    private boolean windingOnly(String node) {
        List<String> kinds = cards().stream()
                .filter(card -> card.nodes().contains(node))
                .map(Card::kind)
                .toList();
        return kinds.contains("transformer") && HEATED.containsAll(kinds) && kinds.size() > 1;
    }

    /**
     * The part that stands for a tube: the first section at its socket, whichever section or socket is named. Any other
     * reference is given back as it is.
     */
    public String tubeOf(String reference) {
        String socket = socket(reference);
        return parts.stream()
                .filter(p -> p.card().kind().equals("tube")
                        && (socket(p.reference()).equals(socket)
                                || socket(p.reference()).equals("X" + socket)))
                .map(Part::reference)
                .findFirst()
                .orElse(reference);
    }

    private static String socket(String reference) {
        return reference.toUpperCase(Locale.ROOT).replaceAll("(?<=[0-9])[A-Z]+$", "");
    }

    public List<Card> cards() {
        return parts.stream().map(Part::card).toList();
    }

    /** What people call a node: its test point, the chassis or minus rail, a name of their own, or what it joins. */
    public String nameOf(String node) {
        if (node.equals("0")) {
            return construction.liveChassis() ? "minus rail" : "chassis";
        }
        return pointAt(node)
                .map(TestPoint::name)
                .or(() -> NodeNames.of(node, parts, sockets))
                .orElse(node);
    }
}
