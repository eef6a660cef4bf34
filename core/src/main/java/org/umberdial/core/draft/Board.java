package org.umberdial.core.draft;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.tube.Electrode;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubeSystem;
import org.umberdial.core.tube.TubeType;
import org.umberdial.core.value.StandardSeries;

/**
 * Where stages put their parts: numbers them, keeps which stage each belongs to, and knows what each socket pin is at.
 */
final class Board {
    static final String GROUND = "0";
    static final String BPLUS = "bplus";
    static final String RESERVOIR = "reservoir";
    static final String AVC = "avc";
    /** Nobody builds a smaller one in [ohm]. */
    private static final double LEAST_OHMS = 10;

    /** What the output stage hangs on where the small stages have a dropper of their own. */
    static final String OUTPUT_FEED = "output_feed";

    private final List<Card> cards = new ArrayList<>();
    private final Map<Character, Integer> numbers = new HashMap<>();
    private final Map<Fitted, Map<String, Map<Electrode, String>>> electrodes = new LinkedHashMap<>();
    private final Map<Fitted, List<String>> heaters = new LinkedHashMap<>();
    private final Map<Fitted, Map<String, String>> labels = new HashMap<>();
    private final Map<String, String> coolers = new LinkedHashMap<>();
    private final Set<String> points = new LinkedHashSet<>();
    private final List<String> says = new ArrayList<>();
    private Stage stage = Stage.SUPPLY;

    /** What is placed from here on belongs to this stage. */
    void begin(Stage begun) {
        stage = begun;
    }

    void say(String sentence) {
        says.add(sentence);
    }

    List<String> says() {
        return List.copyOf(says);
    }

    List<Card> cards() {
        return List.copyOf(cards);
    }

    /** A resistor of the nearest usual value. */
    String resistor(String a, String b, double ohms, String description) {
        return place('R', List.of(a, b), usual(Math.max(ohms, LEAST_OHMS)), "carbon", Map.of("tol", "20"), description);
    }

    /** A resistor that carries a stage's current. */
    String wirewound(String a, String b, double ohms, String description) {
        return place(
                'R', List.of(a, b), usual(Math.max(ohms, LEAST_OHMS)), "wirewound", Map.of("tol", "10"), description);
    }

    String pot(String a, String b, double ohms, String description) {
        return place('R', List.of(a, b), ohms, "pot", Map.of("tol", "20"), description);
    }

    String contact(String a, String b, String description, String closed) {
        return place(
                'R',
                List.of(a, b),
                0.05,
                "switch",
                closed.isEmpty() ? Map.of() : Map.of("closed", closed),
                description);
    }

    String capacitor(String a, String b, double farads, String kind, String description) {
        return place('C', List.of(a, b), farads, kind, Map.of("tol", "20"), description);
    }

    /** Plus and minus. */
    String electrolytic(String plus, String minus, double farads, String description) {
        return place('C', List.of(plus, minus), farads, "electrolytic", Map.of("tol", "20"), description);
    }

    String coil(String a, String b, double henries, double ohms, String description) {
        return place('L', List.of(a, b), henries, "winding", Map.of("rser", text(ohms)), description);
    }

    String winding(String a, String b, double ohms, String description) {
        return place('R', List.of(a, b), ohms, "winding", Map.of(), description);
    }

    /** A card that is no resistor, capacitor or coil. */
    void card(
            String reference,
            List<String> nodes,
            Optional<Double> value,
            String model,
            double hertz,
            Map<String, Double> parameters,
            String kind,
            String description) {
        Map<String, String> keys = new LinkedHashMap<>();
        if (!kind.isEmpty()) {
            keys.put("kind", kind);
        }
        keys.put("desc", description);
        keys.put("stage", stage.id());
        cards.add(new Card(reference, nodes, value, model, hertz, parameters, keys, 0));
    }

    /** One winding's ends, no-load volts and ohms after another; the first is the primary. */
    void transformer(
            String name, List<String> nodes, double[] volts, double[] ohms, double henries, String description) {
        Map<String, Double> parameters = new LinkedHashMap<>();
        for (int i = 0; i < volts.length; i++) {
            parameters.put(i == 0 ? "VP" : "V" + i, round(volts[i], 3));
            parameters.put(i == 0 ? "RP" : "R" + i, round(ohms[i], 2));
        }
        parameters.put("LM", henries);
        card(name, nodes, Optional.empty(), "XFMR", 0, parameters, "transformer", description);
    }

    /** Puts a system's electrodes at nodes; one that is not named is at a node of its own name. */
    void tube(Unit unit, Map<Electrode, String> at, String role) {
        List<String> nodes = new ArrayList<>();
        Map<Electrode, String> placed = new EnumMap<>(Electrode.class);
        for (Electrode electrode : unit.system().section().electrodes()) {
            String node = at.getOrDefault(electrode, unit.node(electrode));
            placed.put(electrode, node);
            nodes.add(node);
        }
        electrodes
                .computeIfAbsent(unit.tube(), t -> new LinkedHashMap<>())
                .put(unit.system().letter(), placed);
        String suffix = unit.system().suffix();
        Map<String, String> keys = new LinkedHashMap<>();
        keys.put("kind", "tube");
        if (!role.isEmpty()) {
            keys.put("role", role);
        }
        keys.put("stage", stage.id());
        cards.add(new Card(
                "X" + unit.tube().socket() + unit.system().letter(),
                List.copyOf(nodes),
                Optional.empty(),
                unit.type().name() + (suffix.isEmpty() ? "" : "_" + suffix),
                0,
                Map.of(),
                keys,
                0));
        for (Electrode electrode : List.of(Electrode.GRID, Electrode.CATHODE, Electrode.SCREEN, Electrode.PLATE)) {
            if (unit.system().section().amplifies() && placed.containsKey(electrode)) {
                points.add(placed.get(electrode));
            }
        }
    }

    /** Says where a system's electrodes are without a card of its own, such as a diode tied to another. */
    void tied(Unit unit, Map<Electrode, String> at) {
        electrodes
                .computeIfAbsent(unit.tube(), t -> new LinkedHashMap<>())
                .put(unit.system().letter(), new EnumMap<>(at));
    }

    /** The heater between two nodes, or three with its tap in the middle. */
    void heater(Fitted tube, List<String> nodes) {
        heaters.put(tube, nodes);
        Map<String, String> keys = new LinkedHashMap<>();
        keys.put("kind", "heater");
        keys.put("stage", Stage.HEATERS.id());
        boolean known = tube.type()
                        .flatMap(t -> t.heaterVolts().stream().boxed().findFirst())
                        .isPresent()
                && tube.heaterVolts().isEmpty();
        cards.add(new Card(
                "X" + tube.socket() + "H",
                nodes,
                Optional.empty(),
                known ? tube.type().orElseThrow().name() + "_H" : "LAMP",
                0,
                known
                        ? Map.of()
                        : new TreeMap<>(Map.of(
                                "V",
                                tube.volts().orElse(6.3),
                                "A",
                                tube.amperes().orElse(0.3))),
                keys,
                0));
    }

    /**
     * Where the cathode of a system is that another system of its bulb shares and has placed; empty when it is its own.
     */
    Optional<String> sharedCathode(Unit unit) {
        List<String> own = unit.system().pins().getOrDefault(Electrode.CATHODE, List.of());
        return unit.tube().systems().stream()
                .filter(system -> !system.letter().equals(unit.system().letter()))
                .filter(system -> own.isEmpty()
                        ? system.section() == Section.HEPTODE
                        : own.equals(system.pins().getOrDefault(Electrode.CATHODE, List.of())))
                .flatMap(system -> Optional.ofNullable(
                        electrodes.getOrDefault(unit.tube(), Map.of()).get(system.letter()))
                        .flatMap(at -> Optional.ofNullable(at.get(Electrode.CATHODE)))
                        .stream())
                // A diode that waits at this system's own cathode has not placed it.
                .filter(node -> !node.equals(unit.node(Electrode.CATHODE)))
                .findFirst();
    }

    /** Names the part that makes a tube run cooler when it is raised; the first named for a tube stays. */
    void cools(Unit unit, String part) {
        coolers.putIfAbsent("X" + unit.tube().socket() + unit.system().letter(), part);
    }

    Map<String, String> coolers() {
        return coolers;
    }

    /** Nodes of pins no section has, by their label in the tube data. */
    void labelled(Fitted tube, Map<String, String> nodes) {
        labels.put(tube, nodes);
    }

    void point(String node) {
        points.add(node);
    }

    /** The sockets with what each pin is at, in the order of the line-up. */
    List<Deck.SocketPins> sockets(List<Fitted> tubes) {
        return tubes.stream()
                .filter(tube -> electrodes.containsKey(tube) || heaters.containsKey(tube))
                .map(tube -> new Deck.SocketPins(
                        tube.socket(), tube.type().map(TubeType::name).orElse(tube.typed()), pins(tube)))
                .filter(socket -> !socket.pins().isEmpty())
                .toList();
    }

    private Map<String, String> pins(Fitted tube) {
        Map<String, String> pins = new TreeMap<>(
                Comparator.comparingInt((String pin) -> pin.matches("[0-9]+") ? Integer.parseInt(pin) : 99)
                        .thenComparing(pin -> pin));
        if (tube.type().isEmpty()) {
            return pins;
        }
        for (TubeSystem system : tube.systems()) {
            Map<Electrode, String> at = electrodes.getOrDefault(tube, Map.of()).getOrDefault(system.letter(), Map.of());
            system.pins().forEach((electrode, names) -> {
                if (at.containsKey(electrode)) {
                    names.forEach(name -> pins.put(name, at.get(electrode)));
                }
            });
        }
        TubeSystem.labels(tube.type().get())
                .forEach((pin, label) -> Optional.ofNullable(
                                labels.getOrDefault(tube, Map.of()).get(label))
                        .ifPresent(node -> pins.put(pin, node)));
        List<String> ends = heaters.getOrDefault(tube, List.of());
        List<String> heaterPins = TubeSystem.heaterPins(tube.type().get());
        for (int i = 0; i < heaterPins.size() && ends.size() > 1; i++) {
            boolean tapped = heaterPins.size() == 3;
            if (ends.size() == heaterPins.size()) {
                pins.putIfAbsent(heaterPins.get(i), ends.get(i));
            } else if (tapped && i != 1) {
                pins.putIfAbsent(heaterPins.get(i), ends.get(i == 0 ? 0 : 1));
            } else if (!tapped && i < ends.size()) {
                pins.putIfAbsent(heaterPins.get(i), ends.get(i == 0 ? 0 : ends.size() - 1));
            }
        }
        return pins;
    }

    /** In the order one probes: the supply, then the stages from the output back. */
    List<String> points() {
        List<String> order = new ArrayList<>(points);
        Collections.reverse(order);
        order.sort(Comparator.comparing((String node) -> !node.equals(RESERVOIR))
                .thenComparing(node -> !node.equals(BPLUS)));
        return order.stream()
                .filter(node -> !node.equals(GROUND)
                        && cards.stream().anyMatch(card -> card.nodes().contains(node)))
                .toList();
    }

    /** The place of a part in the deck, to be put another value there. */
    void revalue(String reference, double value) {
        cards.replaceAll(card -> card.reference().equals(reference) ? card.withValue(value) : card);
    }

    void replace(Card changed) {
        cards.replaceAll(card -> card.reference().equals(changed.reference()) ? changed : card);
    }

    private String place(
            char letter, List<String> nodes, double value, String kind, Map<String, String> more, String description) {
        String reference = letter + String.valueOf(numbers.merge(letter, 1, Integer::sum));
        Map<String, String> keys = new LinkedHashMap<>();
        keys.put("kind", kind);
        keys.putAll(more);
        keys.put("desc", description);
        keys.put("stage", stage.id());
        cards.add(new Card(reference, nodes, Optional.of(value), "", 0, Map.of(), keys, 0));
        return reference;
    }

    /** The nearest value that is sold. */
    static double usual(double ohms) {
        return ohms < 1 ? ohms : round(StandardSeries.E12.nearest(ohms), 3);
    }

    static double round(double value, int digits) {
        return new java.math.BigDecimal(value)
                .round(new java.math.MathContext(digits))
                .doubleValue();
    }

    private static String text(double value) {
        return java.math.BigDecimal.valueOf(round(value, 2))
                .stripTrailingZeros()
                .toPlainString();
    }
}
