package org.umberdial.core.set;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.tube.Electrode;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubeData;

/** Takes a deck over into a set: parts with their sheet values, and test points with names a person uses. */
public final class CircuitImport {
    private CircuitImport() {}

    /** The deck's parts, their values marked as the sheet's. */
    public static List<Part> parts(Deck deck) {
        return parts(deck, Map.of());
    }

    /** @param origins by reference, of the parts that are not the set's own */
    public static List<Part> parts(Deck deck, Map<String, ValueOrigin> origins) {
        return deck.cards().stream()
                .map(card -> part(card, origins.getOrDefault(card.reference(), ValueOrigin.SHEET)))
                .toList();
    }

    private static Part part(Card card, ValueOrigin origin) {
        return new Part(
                card,
                card.value()
                        .filter(value -> "RCL".indexOf(card.letter()) >= 0)
                        .map(value -> List.of(new PartValue(origin, value, "deck")))
                        .orElse(List.of()),
                origin);
    }

    /** Test points at the nodes of {@code *TP}; each takes its node as id. */
    public static List<TestPoint> testPoints(Deck deck, TubeData tubes) {
        List<TestPoint> points = new ArrayList<>();
        for (String node : deck.testPoints().stream()
                .distinct()
                .filter(node -> !node.equals("0"))
                .toList()) {
            points.add(named(deck, tubes, node));
        }
        return List.copyOf(points);
    }

    /** A point named after the electrode that sits there, else after the node. */
    public static TestPoint named(Deck deck, TubeData tubes, String node) {
        for (Electrode electrode :
                List.of(Electrode.PLATE, Electrode.SCREEN, Electrode.CATHODE, Electrode.GRID, Electrode.GRID3)) {
            for (Card card : deck.cards()) {
                Optional<TestPoint> point = at(deck, tubes, card, electrode, node);
                if (point.isPresent()) {
                    return point.get();
                }
            }
        }
        return new TestPoint(node, node, wordsOf(node), "", "", "");
    }

    private static Optional<TestPoint> at(Deck deck, TubeData tubes, Card card, Electrode electrode, String node) {
        if (card.letter() != 'X' || !card.kind().equals("tube")) {
            return Optional.empty();
        }
        Optional<Section> section =
                tubes.section(card.model(), card.nodes().size()).filter(Section::amplifies);
        int place = section.map(s -> s.electrodes().indexOf(electrode)).orElse(-1);
        if (place < 0 || !card.nodes().get(place).equals(node) || electrode == Electrode.SCREEN && isRail(deck, node)) {
            return Optional.empty();
        }
        Optional<Deck.SocketPins> socket = deck.sockets().stream()
                .filter(pins -> card.reference().substring(1).startsWith(pins.socket()))
                .max(Comparator.comparingInt(pins -> pins.socket().length()));
        String name =
                socket.map(Deck.SocketPins::socket).orElse(card.reference().substring(1));
        String pin = socket.flatMap(pins -> pins.pins().entrySet().stream()
                        .filter(entry -> entry.getValue().equals(node))
                        .map(Map.Entry::getKey)
                        .findFirst())
                .orElse("");
        boolean severalSections = deck.cards().stream()
                        .filter(other -> other.letter() == 'X'
                                && other.reference().substring(1).startsWith(name)
                                && tubes.section(other.model(), other.nodes().size())
                                        .filter(Section::amplifies)
                                        .isPresent())
                        .count()
                > 1;
        String section1 = severalSections ? " " + sectionWord(card, section.orElseThrow()) : "";
        return Optional.of(new TestPoint(
                node,
                node,
                name + section1 + " " + electrode.word(),
                name,
                pin,
                pin.isEmpty() ? "" : pin.equals("cap") ? "top cap" : "pin " + pin));
    }

    /** A screen that shares its node with a filter capacitor or with another tube is called after the rail. */
    private static boolean isRail(Deck deck, String node) {
        boolean filtered = deck.cards().stream()
                .anyMatch(card -> card.letter() == 'C'
                        && card.kind().equals("electrolytic")
                        && card.nodes().contains(node));
        long tubes = deck.cards().stream()
                .filter(card -> card.letter() == 'X'
                        && card.kind().equals("tube")
                        && card.nodes().contains(node))
                .count();
        return filtered || tubes > 1;
    }

    /** Two equal sections are told apart by their letter, unequal ones by what they are. */
    private static String sectionWord(Card card, Section section) {
        char last = card.reference().charAt(card.reference().length() - 1);
        return Character.isLetter(last) && last != 'T' && last != 'P'
                ? String.valueOf(last)
                : section.name().toLowerCase(java.util.Locale.ROOT);
    }

    private static String wordsOf(String node) {
        String words = node.replace('_', ' ').replaceAll("(?<=[a-z])(?=[0-9])", node.length() > 3 ? " " : "");
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }
}
