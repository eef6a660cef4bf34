package org.umberdial.core.volts;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.umberdial.core.area.Bench;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.expect.HealthySet;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.set.TestPoint;
import org.umberdial.core.tube.SocketShape;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/**
 * The way of the probe through a set, gone before there is power: which pin, what stands beside it, and where the same
 * node is easier to reach.
 */
public final class Rehearsal {
    /** From here on a pin beside the probe is worth a word. */
    private static final double BITES_VOLTS = 30;

    /** Less than this on a node is hum, and no supply of heaters. */
    private static final double LEAST_AC = 1;

    private static final int MOST_EASIER = 3;

    /**
     * A pin of a socket.
     *
     * @param x to the right of the middle as seen from below, {@code y} below it, in radii; NaN where nobody knows
     * @param node empty where nothing is drawn
     * @param says what a healthy set has there; empty where that is not known
     * @param bites whether a hand or a slip should mind it
     */
    public record Pin(String name, double x, double y, String node, String says, boolean bites) {}

    /**
     * @param shape what it looks like from below; empty where the base does not say
     * @param pins in the order of their numbers; without places where the shape is not known
     */
    public record Socket(String name, String type, String shape, String mark, List<Pin> pins) {}

    /**
     * One point of the route.
     *
     * @param where in words
     * @param expects what a healthy set shows; empty where nothing is known
     * @param beside pins beside it that bite, in words; empty when none
     * @param easier where the same node is easier to reach, the easiest first
     * @param socket empty where the point is at none
     */
    public record Step(
            TestPoint point,
            String where,
            String expects,
            String beside,
            List<String> easier,
            Optional<Socket> socket,
            String pin) {}

    private final BenchSet set;
    private final Map<String, OptionalDouble> direct;
    private final Map<String, OptionalDouble> alternating;

    private Rehearsal(BenchSet set, Bench bench) {
        this.set = set;
        List<String> nodes = Stream.concat(
                        set.sockets().stream().flatMap(socket -> socket.pins().values().stream()),
                        set.testPoints().stream().map(TestPoint::node))
                .filter(node -> !node.equals("0"))
                .distinct()
                .toList();
        Optional<HealthySet> healthy = HealthySet.of(set, bench.mode());
        direct = shown(healthy, bench, nodes, List.of());
        alternating = shown(healthy, bench, List.of(), nodes);
    }

    private static Map<String, OptionalDouble> shown(
            Optional<HealthySet> healthy, Bench bench, List<String> direct, List<String> alternating) {
        return healthy.flatMap(
                        whole -> whole.changed(values -> values, bench.lineVolts(), direct, alternating, bench.meter()))
                .map(HealthySet.Changed::shown)
                .orElse(Map.of());
    }

    /** The test points in probing order. */
    public static List<Step> of(BenchSet set, Bench bench) {
        Rehearsal rehearsal = new Rehearsal(set, bench);
        return set.testPoints().stream().map(rehearsal::step).toList();
    }

    private Step step(TestPoint point) {
        Map<Deck.SocketPins, String> sockets = pinsAt(point);
        Optional<Map.Entry<Deck.SocketPins, String>> first =
                sockets.entrySet().stream().findFirst();
        Optional<Socket> socket = first.map(e -> socket(e.getKey()));
        String pin = first.map(Map.Entry::getValue).orElse("");
        String where = first.map(e -> e.getKey().socket() + ", " + pinWords(e.getValue())
                        + (e.getKey().type().isEmpty()
                                ? ""
                                : " of the " + e.getKey().type()))
                .orElseGet(() -> point.hint().isEmpty() ? "At a part: see below." : point.hint());
        return new Step(
                point,
                where,
                expects(point),
                socket.map(s -> beside(s, pin)).orElse(""),
                easier(point, pin, first.map(e -> e.getKey().socket()).orElse("")),
                socket,
                pin);
    }

    private static String pinWords(String pin) {
        return pin.equalsIgnoreCase("cap") ? "top cap" : "pin " + pin;
    }

    /** Sockets that have the point's node, its own first. */
    private Map<Deck.SocketPins, String> pinsAt(TestPoint point) {
        Map<Deck.SocketPins, String> found = new LinkedHashMap<>();
        set.sockets().stream()
                .sorted(Comparator.comparing(
                        (Deck.SocketPins socket) -> !socket.socket().equalsIgnoreCase(point.socket())))
                .forEach(socket -> socket.pins().entrySet().stream()
                        .filter(e -> e.getValue().equals(point.node()))
                        .min(Comparator.comparing(e -> !e.getKey().equals(point.pin())))
                        .ifPresent(e -> found.put(socket, e.getKey())));
        return found;
    }

    private Socket socket(Deck.SocketPins socket) {
        Optional<SocketShape> shape =
                set.tubes().data().type(TubeData.bare(socket.type())).flatMap(type -> SocketShape.of(type.base()));
        Map<String, SocketShape.Pin> ring = new LinkedHashMap<>();
        shape.ifPresent(s -> s.ring().forEach(pin -> ring.put(pin.name(), pin)));
        List<String> names = new ArrayList<>(ring.keySet());
        socket.pins().keySet().stream().filter(name -> !ring.containsKey(name)).forEach(names::add);
        List<Pin> pins = names.stream()
                .map(name -> pin(name, ring.get(name), socket.pins().getOrDefault(name, "")))
                .toList();
        return new Socket(
                socket.socket(),
                socket.type(),
                shape.map(SocketShape::label).orElse(""),
                shape.map(SocketShape::mark).orElse(""),
                pins);
    }

    private Pin pin(String name, SocketShape.Pin place, String node) {
        OptionalDouble dc = volts(node);
        OptionalDouble ac = alternating(node);
        boolean mostlyAc = ac.orElse(0) > Math.max(LEAST_AC, Math.abs(dc.orElse(0)));
        String says = dc.isPresent() && !mostlyAc
                ? Engineering.round(Math.abs(dc.getAsDouble()) < 0.05 ? 0 : dc.getAsDouble(), Unit.VOLT)
                : mostlyAc ? Engineering.round(ac.getAsDouble(), Unit.VOLT) + " AC" : "";
        return new Pin(
                name,
                place == null ? Double.NaN : place.x(),
                place == null ? Double.NaN : place.y(),
                node,
                says,
                Math.abs(dc.orElse(0)) + ac.orElse(0) >= BITES_VOLTS);
    }

    private OptionalDouble volts(String node) {
        return node.equals("0") ? OptionalDouble.of(0) : direct.getOrDefault(node, OptionalDouble.empty());
    }

    private OptionalDouble alternating(String node) {
        return alternating.getOrDefault(node, OptionalDouble.empty());
    }

    private String expects(TestPoint point) {
        boolean ac = set.usualKind(point.node()) == ReadingKind.AC;
        OptionalDouble volts = ac ? alternating(point.node()) : volts(point.node());
        return volts.isPresent()
                ? Engineering.round(volts.getAsDouble(), Unit.VOLT) + (ac ? " AC" : " DC")
                : set.sheet().stream()
                        .filter(value -> value.node().equals(point.node()))
                        .findFirst()
                        .map(value -> "the sheet’s " + Engineering.round(value.value(), Unit.VOLT))
                        .orElse("");
    }

    /** The neighbours on the ring that bite and are another node. */
    private static String beside(Socket socket, String pin) {
        List<Pin> ring =
                socket.pins().stream().filter(p -> !Double.isNaN(p.x())).toList();
        int at = -1;
        for (int i = 0; i < ring.size(); i++) {
            at = ring.get(i).name().equals(pin) ? i : at;
        }
        if (at < 0) {
            return "";
        }
        Pin own = ring.get(at);
        List<String> words = new ArrayList<>();
        for (Pin neighbour :
                List.of(ring.get((at + ring.size() - 1) % ring.size()), ring.get((at + 1) % ring.size()))) {
            boolean other =
                    !neighbour.node().equals(own.node()) && !neighbour.node().isEmpty();
            if (other && (neighbour.bites() || own.bites())) {
                words.add(
                        "pin " + neighbour.name() + " (" + (neighbour.says().isEmpty() ? "?" : neighbour.says()) + ")");
            }
        }
        return words.isEmpty() ? "" : "A slip joins it to " + String.join(" or ", words) + ".";
    }

    /** Parts and other sockets at the same node; a part's lead stands free, a socket's pins stand close. */
    private List<String> easier(TestPoint point, String pin, String socket) {
        List<String> easier = new ArrayList<>();
        set.parts().stream()
                .filter(part -> part.nodes().size() == 2
                        && part.nodes().contains(point.node())
                        && "RCL".indexOf(part.card().letter()) >= 0)
                .sorted(Comparator.comparing(Rehearsal::small))
                .limit(MOST_EASIER)
                .forEach(part -> easier.add(lead(part, point.node())));
        set.sockets().stream()
                .filter(other -> !other.socket().equals(socket))
                .forEach(other -> other.pins().forEach((name, node) -> {
                    if (node.equals(point.node()) && easier.size() < MOST_EASIER) {
                        easier.add(other.socket() + " " + pinWords(name));
                    }
                }));
        return List.copyOf(easier);
    }

    /** Big parts first: a can's lug, a power resistor, then the small ones. */
    private static int small(Part part) {
        return part.card().kind().equals("electrolytic")
                ? 0
                : part.ratingWatts().orElse(0.5) >= 1 ? 1 : 2;
    }

    private static String lead(Part part, String node) {
        if (part.card().kind().equals("electrolytic")) {
            return part.reference() + (part.nodes().get(0).equals(node) ? ", plus" : ", minus");
        }
        String job = part.description();
        return part.reference() + (job.isEmpty() ? "" : " (" + job.toLowerCase(Locale.ROOT) + ")") + ", its lead there";
    }
}
