package org.umberdial.core.entry;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.tube.Electrode;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubeType;

/**
 * The cards of a tube in its socket: one for each electrode system and one for the heater, each electrode at a node of
 * its own ({@code v3_plate}, {@code v3_grid}) until a part or a join says what it is tied to.
 */
final class TubeCards {
    private final String socket;
    private final TubeType type;
    private final Map<String, String> joins;
    private final Map<String, String> keys;
    private final List<Card> cards = new ArrayList<>();
    private final Map<String, String> nodes = new LinkedHashMap<>();

    /**
     * @param joins nodes by electrode name, where an electrode is tied to one that exists
     * @param keys of the first card
     */
    TubeCards(String socket, TubeType type, Map<String, String> joins, Map<String, String> keys) {
        this.socket = socket;
        this.type = type;
        this.joins = joins;
        this.keys = keys;
        build();
    }

    List<Card> cards() {
        return List.copyOf(cards);
    }

    Deck.SocketPins pins() {
        return new Deck.SocketPins(socket, type.name(), pinNodes());
    }

    private void build() {
        List<Section> sections = sections();
        boolean twin = sections.equals(List.of(Section.TRIODE)) && type.pinout().contains("p2")
                || type.pinout().contains("g2")
                        && type.pinout().contains("g1")
                        && type.pinout().contains("k2")
                        && type.points().stream().anyMatch(p -> p.kind().equals("triode"));
        if (twin) {
            card(Section.TRIODE, "A", "a_");
            card(Section.TRIODE, "B", "b_");
        } else {
            boolean first = true;
            for (Section section : sections) {
                card(
                        section,
                        first ? "" : suffix(section),
                        first ? "" : suffix(section).toLowerCase(Locale.ROOT) + "_");
                first = false;
            }
        }
        if (type.pinout().matches(".*=d[0-9]?.*") && sections.stream().noneMatch(s -> s == Section.DIODE)) {
            String cathode = nodes.getOrDefault("cathode", node("cathode"));
            add("X" + socket + "D", List.of(node("diode"), cathode), type.name() + "_D", Map.of());
            nodes.put("diode", node("diode"));
        }
        if (type.heaterVolts().isPresent()) {
            boolean tapped = type.heaterTap().isPresent();
            nodes.put("h1", node("h1"));
            nodes.put("h2", node("h2"));
            List<String> heater =
                    tapped ? List.of(node("h1"), node("htap"), node("h2")) : List.of(node("h1"), node("h2"));
            add("X" + socket + "H", heater, type.name() + "_H", Map.of("kind", "heater"));
        }
    }

    /** Electrode systems of the type, the one that carries the stage first. */
    private List<Section> sections() {
        List<String> kinds =
                type.points().stream().map(point -> point.kind()).distinct().toList();
        List<Section> sections = new ArrayList<>();
        if (kinds.contains("pentode") || kinds.contains("beam")) {
            sections.add(Section.PENTODE);
        }
        if (kinds.contains("heptode")) {
            sections.add(Section.HEPTODE);
        }
        if (kinds.contains("triode")) {
            sections.add(Section.TRIODE);
        }
        if (kinds.contains("rectifier")) {
            sections.add(
                    type.pinout().contains("p2") || type.pinout().contains("a2") ? Section.FULL_WAVE : Section.DIODE);
        }
        return sections;
    }

    private static String suffix(Section section) {
        return section == Section.TRIODE
                ? "T"
                : section == Section.PENTODE ? "P" : section == Section.HEPTODE ? "X" : "D";
    }

    private void card(Section section, String letter, String prefix) {
        List<String> at = new ArrayList<>();
        for (Electrode electrode : section.electrodes()) {
            String name = prefix + name(electrode);
            String node = electrode == Electrode.CATHODE && type.isDirectlyHeated() ? node("h1") : node(name);
            nodes.put(name, node);
            at.add(node);
        }
        String model = section == Section.FULL_WAVE ? type.name() : type.name() + "_" + suffix(section);
        add("X" + socket + letter, at, model, cards.isEmpty() ? keys : Map.of());
    }

    private static String name(Electrode electrode) {
        return switch (electrode) {
            case PLATE -> "plate";
            case PLATE2 -> "plate2";
            case SCREEN -> "screen";
            case GRID -> "grid";
            case GRID3 -> "signal";
            case CATHODE -> "cathode";
            default -> electrode.name().toLowerCase(Locale.ROOT);
        };
    }

    private void add(String reference, List<String> at, String model, Map<String, String> more) {
        Map<String, String> all = new LinkedHashMap<>(Map.of("kind", "tube"));
        all.putAll(more);
        cards.add(new Card(reference, at, Optional.empty(), model, 0, Map.of(), all, 0));
    }

    private String node(String electrode) {
        return joins.getOrDefault(electrode, socket.toLowerCase(Locale.ROOT) + "_" + electrode);
    }

    /** Pins whose electrode is beyond doubt; the others stay without a node. */
    private Map<String, String> pinNodes() {
        Map<String, String> pins = new LinkedHashMap<>();
        int heaters = 0;
        for (String pair : type.pinout().split("\\s+(?=(?:[0-9]{1,2}|cap)=)")) {
            String[] sides = pair.split("=", 2);
            if (sides.length < 2) {
                continue;
            }
            String first = sides[1].split(",")[0].strip().toLowerCase(Locale.ROOT);
            String electrode =
                    first.equals("h") || first.startsWith("f") ? "h" + Math.min(2, ++heaters) : electrode(first);
            Optional.ofNullable(nodes.get(electrode)).ifPresent(node -> pins.put(sides[0].strip(), node));
        }
        return pins;
    }

    private String electrode(String label) {
        String section = label.contains("(t") ? "t_" : "";
        String twin = nodes.containsKey("a_plate") ? label.endsWith("2") ? "b_" : "a_" : section;
        String bare = label.replaceAll("\\(.*", "");
        boolean twins = !twin.isEmpty() && nodes.containsKey("a_plate");
        return switch (bare) {
            case "p", "a", "p1", "a1" -> twin + "plate";
            case "p2", "a2" -> twins ? "b_plate" : "plate2";
            case "g1", "g" -> label.contains("signal") ? "signal" : twin + "grid";
            case "g2" -> twins ? "b_grid" : "screen";
            case "g3" -> "signal";
            case "k", "k1" -> twin + "cathode";
            case "k2" -> twins ? "b_cathode" : "cathode";
            case "d", "d1" -> "diode";
            case "heater tap" -> "htap";
            default -> bare;
        };
    }

    /** The electrode names a person may join, for messages. */
    String electrodeNames() {
        return nodes.keySet().stream().collect(Collectors.joining(", "));
    }

    /** Whether the type is known well enough to be put in a socket. */
    static Optional<TubeType> known(TubeData tubes, String word) {
        return tubes.type(word.toUpperCase(Locale.ROOT));
    }
}
