package org.umberdial.core.cold;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.Set;
import java.util.stream.Collectors;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.Part;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubeType;

/**
 * What the current from one plug pin to the other goes through: the way of least resistance over everything that
 * conducts cold, with the cord and the fuse that no circuit draws.
 *
 * @param links in order
 * @param points names of the places between them, one more than links
 * @param nodes nodes of the circuit it passes
 * @param setFirst what must be set before a reading across the plug can mean anything
 */
public record LineChain(List<Link> links, List<String> points, Set<String> nodes, List<String> setFirst) {
    private static final double TOO_MUCH = 20_000;

    /**
     * One part in the chain.
     *
     * @param reference of the part, {@link Roles#CORD} or {@link Roles#FUSE}
     * @param ohms cold [Ω]
     */
    public record Link(String reference, String name, double ohms) {}

    private record Edge(Part part, String a, String b, double ohms) {
        String other(String node) {
            return node.equals(a) ? b : a;
        }
    }

    private record Reached(String node, double ohms) {}

    /** The chain of a set; without a line source in its circuit it has only cord and fuse. */
    public static LineChain of(BenchSet set) {
        Optional<Card> line = set.parts().stream()
                .map(Part::card)
                .filter(card -> card.kind().equals("line"))
                .findFirst();
        List<Edge> path = line.map(
                        card -> path(set, card.nodes().get(0), card.nodes().get(1)))
                .orElse(List.of());
        List<Link> links = new ArrayList<>();
        List<String> points = new ArrayList<>();
        points.add("one plug pin");
        links.add(new Link(Roles.CORD, "line cord, that conductor", 0.1));
        boolean drawn = path.stream().anyMatch(edge -> edge.part.card().kind().equals("fuse"));
        if (!drawn) {
            points.add("its end inside the set");
            links.add(new Link(Roles.FUSE, "line fuse, if it has one", 0.2));
        }
        String at = line.map(card -> card.nodes().get(0)).orElse("");
        Set<String> nodes = new LinkedHashSet<>();
        nodes.add(at);
        points.add(
                path.isEmpty()
                        ? "behind the fuse"
                        : nameOf(set, at, drawn ? "its end inside the set" : "behind the fuse"));
        if (line.isEmpty() && set.parts().isEmpty()) {
            byClass(set.construction()).forEach(link -> {
                links.add(link);
                points.add("behind the " + link.name);
            });
        }
        for (Edge edge : path) {
            links.add(new Link(edge.part.reference(), name(edge.part), edge.ohms));
            at = edge.other(at);
            nodes.add(at);
            points.add(nameOf(set, at, "behind " + edge.part.reference()));
        }
        links.add(new Link(Roles.CORD, "line cord, the other conductor", 0.1));
        points.add("the other plug pin");
        return new LineChain(List.copyOf(links), List.copyOf(points), Set.copyOf(nodes), setFirst(set, path, drawn));
    }

    /** Without a circuit, what the line goes through in every set of the class; its ohms are only about right. */
    private static List<Link> byClass(ConstructionClass construction) {
        if (!construction.lineFed()) {
            return List.of();
        }
        Link load = construction.transformer()
                ? new Link("power transformer", "transformer primary", 30)
                : construction == ConstructionClass.AUTOTRANSFORMER
                        ? new Link("autotransformer", "autotransformer", 20)
                        : new Link("heater string", "heaters in series", 100);
        return List.of(new Link("line switch", "line switch", 0.1), load);
    }

    /** References of the parts in the chain. */
    public Set<String> parts() {
        return links.stream().map(Link::reference).collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /** Cold resistance of the links between two points, in series [Ω]. */
    public double ohms(int from, int to) {
        double sum = 0;
        for (int i = from; i < to; i++) {
            sum += links.get(i).ohms;
        }
        return sum;
    }

    private static List<String> setFirst(BenchSet set, List<Edge> path, boolean fuse) {
        List<String> first = new ArrayList<>();
        first.add(fuse ? "Fuse in its holder" : "Fuse in, if there is one");
        for (Edge edge : path) {
            if (edge.part.card().kind().equals("switch")) {
                first.add(
                        (edge.part.description().isEmpty() ? edge.part.reference() : edge.part.description()) + ": on");
            }
        }
        if (path.stream().anyMatch(edge -> edge.part.card().kind().equals("heater"))) {
            first.add("All tubes in their sockets");
        }
        if (Transformer.power(set).isPresent()) {
            first.add("Voltage selector, if any, on one of its taps");
        }
        first.add("Any key, band or standby switch in a position that lets the line through");
        return List.copyOf(first);
    }

    private static String name(Part part) {
        String type = TubeData.bare(part.card().model());
        if (part.card().kind().equals("heater")) {
            return "heater of " + part.reference().replaceAll("(?i)^X|H$", "") + " (" + type + ")";
        }
        if (part.card().kind().equals("transformer")) {
            return "transformer primary";
        }
        return part.description().isEmpty() ? part.reference() : part.description();
    }

    private static String nameOf(BenchSet set, String node, String otherwise) {
        String pins = set.sockets().stream()
                .flatMap(socket -> socket.pins().entrySet().stream()
                        .filter(pin -> pin.getValue().equals(node))
                        .map(pin -> socket.socket() + " pin " + pin.getKey()))
                .limit(2)
                .collect(Collectors.joining(" / "));
        return pins.isEmpty() || node.equals("0") ? otherwise : pins;
    }

    private static List<Edge> path(BenchSet set, String from, String to) {
        List<Edge> edges = new ArrayList<>();
        set.parts().forEach(part -> edges(set, part, edges));
        Map<String, Double> best = new HashMap<>(Map.of(from, 0.0));
        Map<String, Edge> by = new HashMap<>();
        PriorityQueue<Reached> open = new PriorityQueue<>(Comparator.comparingDouble(Reached::ohms));
        open.add(new Reached(from, 0));
        while (!open.isEmpty()) {
            Reached at = open.poll();
            if (at.ohms > best.getOrDefault(at.node, Double.POSITIVE_INFINITY)) {
                continue;
            }
            for (Edge edge : edges) {
                if (edge.a.equals(at.node) || edge.b.equals(at.node)) {
                    String next = edge.other(at.node);
                    double ohms = at.ohms + edge.ohms;
                    if (ohms < best.getOrDefault(next, TOO_MUCH)) {
                        best.put(next, ohms);
                        by.put(next, edge);
                        open.add(new Reached(next, ohms));
                    }
                }
            }
        }
        List<Edge> path = new ArrayList<>();
        for (String at = to;
                by.containsKey(at) && !at.equals(from);
                at = by.get(at).other(at)) {
            path.add(0, by.get(at));
        }
        return path;
    }

    private static void edges(BenchSet set, Part part, List<Edge> edges) {
        Card card = part.card();
        List<String> nodes = card.nodes();
        switch (card.kind()) {
            case "heater" ->
                set.tubeType(part)
                        .flatMap(LineChain::coldOhms)
                        .ifPresent(ohms -> edges.add(new Edge(part, nodes.get(0), nodes.get(nodes.size() - 1), ohms)));
            case "lamp" ->
                edges.add(new Edge(
                        part,
                        nodes.get(0),
                        nodes.get(1),
                        1
                                + card.parameters().getOrDefault("V", 6.3)
                                        / card.parameters().getOrDefault("A", 0.15)
                                        / 13));
            case "transformer" -> {
                for (int k = 0; 2 * k + 1 < nodes.size(); k++) {
                    edges.add(new Edge(
                            part,
                            nodes.get(2 * k),
                            nodes.get(2 * k + 1),
                            card.parameters().getOrDefault(k == 0 ? "RP" : "R" + k, 1.0)));
                }
            }
            default -> {
                if (card.letter() == 'R' && !card.kind().equals("pot")) {
                    part.workingValue().ifPresent(ohms -> edges.add(new Edge(part, nodes.get(0), nodes.get(1), ohms)));
                } else if (card.letter() == 'L') {
                    edges.add(new Edge(
                            part,
                            nodes.get(0),
                            nodes.get(1),
                            card.key("rser").map(Double::parseDouble).orElse(1.0)));
                }
            }
        }
    }

    private static Optional<Double> coldOhms(TubeType type) {
        return type.heaterVolts().isPresent() && type.heaterAmperes().isPresent()
                ? Optional.of(
                        type.heaterVolts().getAsDouble() / type.heaterAmperes().getAsDouble() / HeaterOhms.COLD_RATIO)
                : Optional.empty();
    }
}
