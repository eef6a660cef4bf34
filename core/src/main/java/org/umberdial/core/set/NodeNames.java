package org.umberdial.core.set;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.umberdial.core.circuit.deck.Deck;

/**
 * What people call the nodes of a circuit that have no test point: by the pins that are there, else by what they join.
 * A name that somebody gave a node himself, such as B1, stays.
 */
final class NodeNames {
    /** One or two letters and a number: how people write rails and points into a schematic. */
    private static final Pattern OWN = Pattern.compile("[a-z]{1,2}[0-9]{0,2}[+]?");

    /** Whole words, as somebody writes who has a name for the place: minus_rail. */
    private static final Pattern WORDS = Pattern.compile("[a-z]{4,}(_[a-z]{4,})+");

    private static final int MOST_JOINED = 2;

    private NodeNames() {}

    /** The name of a node; empty where no part is. */
    static Optional<String> of(String node, List<Part> parts, List<Deck.SocketPins> sockets) {
        List<Part> at =
                parts.stream().filter(part -> part.nodes().contains(node)).toList();
        return at.isEmpty() ? Optional.empty() : Optional.of(name(node, at, sockets));
    }

    private static String name(String node, List<Part> at, List<Deck.SocketPins> sockets) {
        if (OWN.matcher(node).matches()) {
            return node.toUpperCase(Locale.ROOT);
        }
        if (WORDS.matcher(node).matches()) {
            return "the " + node.replace('_', ' ');
        }
        List<String> heaters = at.stream()
                .filter(part -> part.card().kind().equals("heater"))
                .map(NodeNames::tube)
                .distinct()
                .toList();
        if (heaters.size() == 2) {
            return "heater string between " + heaters.get(0) + " and " + heaters.get(1);
        }
        String pins = sockets.stream()
                .flatMap(socket -> socket.pins().entrySet().stream()
                        .filter(pin -> pin.getValue().equals(node))
                        .map(pin -> socket.socket() + " pin " + pin.getKey()))
                .limit(1)
                .collect(Collectors.joining());
        if (!pins.isEmpty()) {
            return pins;
        }
        List<String> references = at.stream()
                .map(NodeNames::reference)
                .distinct()
                .limit(MOST_JOINED)
                .toList();
        return references.size() == 1
                ? "open end of " + references.get(0)
                : "junction of " + String.join(" and ", references);
    }

    private static String tube(Part heater) {
        return heater.reference().replaceAll("(?i)^X|H$", "");
    }

    private static String reference(Part part) {
        return switch (part.card().kind()) {
            case "tube" -> part.reference().replaceAll("(?i)^X", "").replaceAll("(?<=[0-9])[A-Z]$", "");
            case "heater" -> tube(part) + "'s heater";
            case "transformer", "lamp" ->
                part.description().isEmpty() ? part.reference().replaceAll("(?i)^X", "") : "the " + part.description();
            case "line" -> "the line";
            default -> part.reference();
        };
    }
}
