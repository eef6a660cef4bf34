package org.umberdial.core.entry;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.tube.Electrode;
import org.umberdial.core.tube.Eyes;
import org.umberdial.core.tube.GlowTubes;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubeSystem;
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
    private final Map<TubeSystem, Map<Electrode, String>> placed = new LinkedHashMap<>();

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
        for (TubeSystem system : TubeSystem.of(type)) {
            // A second diode on the common cathode is mostly tied to the first; it is its own when it is said to be.
            boolean second = system.isSignalDiode() && system.letter().length() > 1 && !hasOwnCathode(system);
            if (!second || joins.containsKey(name(system, Electrode.PLATE))) {
                card(system);
            }
        }
        if (Eyes.law(type.name()).isPresent()) {
            labelled(List.of("plate", "target", "grid", "cathode"), type.name() + "_E");
        } else if (GlowTubes.law(type.name()).isPresent() && cards.isEmpty()) {
            labelled(List.of("anode", "cathode"), type.name());
        }
        if (type.heaterVolts().isPresent() && type.heaterAmperes().isPresent()) {
            boolean tapped = type.heaterTap().isPresent();
            nodes.put("h1", node("h1"));
            nodes.put("h2", node("h2"));
            List<String> heater =
                    tapped ? List.of(node("h1"), node("htap"), node("h2")) : List.of(node("h1"), node("h2"));
            add("X" + socket + "H", heater, type.name() + "_H", Map.of("kind", "heater"));
        }
    }

    /** A device without an electrode system: an eye, a gas regulator. */
    private void labelled(List<String> names, String model) {
        names.forEach(name -> nodes.put(name, node(name)));
        add("X" + socket, names.stream().map(nodes::get).toList(), model, keys);
        TubeSystem.labels(type).forEach((pin, label) -> {
            String name = switch (label) {
                case "p" -> "plate";
                case "g" -> "grid";
                case "k" -> "cathode";
                default -> label;
            };
            if (names.contains(name)) {
                labels.put(pin, nodes.get(name));
            }
        });
    }

    private final Map<String, String> labels = new LinkedHashMap<>();

    private void card(TubeSystem system) {
        List<String> at = new ArrayList<>();
        Map<Electrode, String> places = new EnumMap<>(Electrode.class);
        for (Electrode electrode : system.section().electrodes()) {
            String name = name(system, electrode);
            boolean filament = electrode == Electrode.CATHODE && type.isDirectlyHeated();
            String node = filament ? node("h1") : nodes.containsKey(name) ? nodes.get(name) : node(name);
            nodes.putIfAbsent(name, node);
            places.put(electrode, node);
            at.add(node);
        }
        placed.put(system, places);
        String model = system.section() == Section.FULL_WAVE ? type.name() : type.name() + "_" + system.suffix();
        add("X" + socket + system.letter(), at, model, cards.isEmpty() ? keys : Map.of());
    }

    /** A diode has a plate of its own, and the cathode of its bulb unless it has one to itself. */
    private String name(TubeSystem system, Electrode electrode) {
        String letter = system.letter().toLowerCase(Locale.ROOT);
        if (system.isSignalDiode()) {
            boolean own = hasOwnCathode(system);
            String number = letter.substring(1);
            return electrode == Electrode.PLATE ? "diode" + number : own ? "cathode" + number : mainCathode();
        }
        boolean shared = electrode == Electrode.CATHODE
                && letter.equals("t")
                && system.pins()
                        .getOrDefault(Electrode.CATHODE, List.of())
                        .equals(TubeSystem.of(type).get(0).pins().getOrDefault(Electrode.CATHODE, List.of()));
        return letter.isEmpty() || shared ? name(electrode) : letter + "_" + name(electrode);
    }

    private boolean hasOwnCathode(TubeSystem system) {
        List<String> cathode = system.pins().getOrDefault(Electrode.CATHODE, List.of());
        return !cathode.isEmpty()
                && TubeSystem.of(type).stream()
                        .noneMatch(other -> !other.letter().equals(system.letter())
                                && cathode.equals(other.pins().get(Electrode.CATHODE)));
    }

    private String mainCathode() {
        return nodes.containsKey("cathode") ? "cathode" : nodes.containsKey("a_cathode") ? "a_cathode" : "cathode";
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

    /** {@code v3_plate}; of a twin's or a converter's other system {@code v3b_plate}, {@code v2t_plate}. */
    private String node(String electrode) {
        String at = socket.toLowerCase(Locale.ROOT);
        return joins.getOrDefault(electrode, electrode.matches("[abtr]_.*") ? at + electrode : at + "_" + electrode);
    }

    /** Pins whose electrode is beyond doubt; the others stay without a node. */
    private Map<String, String> pinNodes() {
        Map<String, String> pins = new LinkedHashMap<>(labels);
        placed.forEach((system, places) -> system.pins()
                .forEach((electrode, names) -> names.forEach(name -> {
                    if (places.containsKey(electrode)) {
                        pins.putIfAbsent(name, places.get(electrode));
                    }
                })));
        List<String> heaterPins = TubeSystem.heaterPins(type);
        List<String> ends = heaterPins.size() == 3 ? List.of("h1", "htap", "h2") : List.of("h1", "h2");
        for (int i = 0; i < ends.size() && heaterPins.size() == ends.size(); i++) {
            String node = node(ends.get(i));
            if (nodes.containsValue(node) || ends.get(i).equals("htap")) {
                pins.putIfAbsent(heaterPins.get(i), node);
            }
        }
        return pins;
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
