package org.umberdial.core.drawing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.drawing.Drawing.Flag;
import org.umberdial.core.drawing.Drawing.Label;
import org.umberdial.core.drawing.Drawing.Pin;
import org.umberdial.core.drawing.Drawing.Shape;
import org.umberdial.core.drawing.Drawing.Sign;
import org.umberdial.core.drawing.Drawing.Wire;

/**
 * Rebuilds the network from what is drawn: lines that touch at an end, flags of one name, ground signs. Names on wires
 * and pins do not count, only where they are. Measures what a reader stumbles over as well.
 */
public final class Gate {
    private static final double TOUCH = 1e-6;

    private final Drawing drawing;
    private final List<Integer> root = new ArrayList<>();

    private Gate(Drawing drawing) {
        this.drawing = drawing;
    }

    /** What differs between drawing and deck, each a sentence; empty when they are one network. */
    public static List<String> check(Drawing drawing, Deck deck) {
        return new Gate(drawing).differences(deck);
    }

    private List<String> differences(Deck deck) {
        List<Pin> pins = drawing.shapes().stream()
                .flatMap(shape -> shape.pins().stream())
                .toList();
        List<Wire> wires = drawing.wires();
        List<Flag> flags = drawing.flags();
        for (int i = 0; i < wires.size() + pins.size() + flags.size(); i++) {
            root.add(i);
        }
        for (int a = 0; a < wires.size(); a++) {
            for (int b = a + 1; b < wires.size(); b++) {
                if (touch(wires.get(a), wires.get(b))) {
                    join(a, b);
                }
            }
            for (int p = 0; p < pins.size(); p++) {
                if (on(wires.get(a), pins.get(p).x(), pins.get(p).y())) {
                    join(a, wires.size() + p);
                }
            }
            for (int f = 0; f < flags.size(); f++) {
                if (on(wires.get(a), flags.get(f).x(), flags.get(f).y())) {
                    join(a, wires.size() + pins.size() + f);
                }
            }
        }
        for (int p = 0; p < pins.size(); p++) {
            for (int q = p + 1; q < pins.size(); q++) {
                if (same(
                        pins.get(p).x(),
                        pins.get(p).y(),
                        pins.get(q).x(),
                        pins.get(q).y())) {
                    join(wires.size() + p, wires.size() + q);
                }
            }
            for (int f = 0; f < flags.size(); f++) {
                if (same(
                        pins.get(p).x(),
                        pins.get(p).y(),
                        flags.get(f).x(),
                        flags.get(f).y())) {
                    join(wires.size() + p, wires.size() + pins.size() + f);
                }
            }
        }
        for (int f = 0; f < flags.size(); f++) {
            for (int g = f + 1; g < flags.size(); g++) {
                if (called(flags.get(f)).equals(called(flags.get(g)))) {
                    join(wires.size() + pins.size() + f, wires.size() + pins.size() + g);
                }
            }
        }
        return compare(deck, wires.size());
    }

    private static String called(Flag flag) {
        return flag.sign() == Sign.GROUND ? "0" : flag.sign() == Sign.CHASSIS ? "chassis" : flag.text();
    }

    private List<String> compare(Deck deck, int firstPin) {
        Map<String, List<Integer>> drawn = new HashMap<>();
        int at = firstPin;
        for (Shape shape : drawing.shapes()) {
            List<Integer> roots = new ArrayList<>();
            for (int i = 0; i < shape.pins().size(); i++) {
                roots.add(find(at++));
            }
            drawn.put(shape.reference(), roots);
        }
        Set<String> wrong = new LinkedHashSet<>();
        Map<String, Integer> nodeRoot = new HashMap<>();
        Map<Integer, String> rootNode = new HashMap<>();
        for (Card card : deck.cards()) {
            if (card.letter() == 'K') {
                continue;
            }
            List<Integer> roots = drawn.get(card.reference());
            if (roots == null || roots.size() != card.nodes().size()) {
                wrong.add(card.reference() + " is not drawn with all its ends");
                continue;
            }
            for (int i = 0; i < roots.size(); i++) {
                String node = card.nodes().get(i);
                Integer known = nodeRoot.putIfAbsent(node, roots.get(i));
                if (known != null && !known.equals(roots.get(i))) {
                    wrong.add(node + " is drawn apart at " + card.reference());
                }
                String other = rootNode.putIfAbsent(roots.get(i), node);
                if (other != null && !other.equals(node)) {
                    wrong.add(node + " and " + other + " are drawn together at " + card.reference());
                }
            }
        }
        return List.copyOf(wrong);
    }

    private void join(int a, int b) {
        root.set(find(a), find(b));
    }

    private int find(int i) {
        int at = i;
        while (root.get(at) != at) {
            at = root.get(at);
        }
        return at;
    }

    private static boolean same(double ax, double ay, double bx, double by) {
        return Math.abs(ax - bx) < TOUCH && Math.abs(ay - by) < TOUCH;
    }

    /** Two wires are one where an end of one lies on the other. */
    private static boolean touch(Wire a, Wire b) {
        return corners(a).stream().anyMatch(p -> on(b, p[0], p[1]))
                || corners(b).stream().anyMatch(p -> on(a, p[0], p[1]));
    }

    private static List<double[]> corners(Wire wire) {
        return wire.points();
    }

    private static boolean on(Wire wire, double x, double y) {
        for (int i = 1; i < wire.points().size(); i++) {
            double[] a = wire.points().get(i - 1);
            double[] b = wire.points().get(i);
            boolean within = x >= Math.min(a[0], b[0]) - TOUCH
                    && x <= Math.max(a[0], b[0]) + TOUCH
                    && y >= Math.min(a[1], b[1]) - TOUCH
                    && y <= Math.max(a[1], b[1]) + TOUCH;
            if (within) {
                return true;
            }
        }
        return false;
    }

    /**
     * What a reader stumbles over.
     *
     * @param overlaps texts that stand on texts or in parts, each as a sentence
     * @param through wires that run through the body of a part, each as a sentence
     * @param crossings of wires of different nodes
     */
    public record Flaws(List<String> overlaps, List<String> through, int crossings) {}

    public static Flaws flaws(Drawing drawing) {
        List<String> overlaps = new ArrayList<>();
        List<Label> labels = new ArrayList<>();
        drawing.shapes().forEach(shape -> labels.addAll(shape.labels()));
        drawing.flags().stream()
                .filter(flag -> flag.sign() == Sign.NAMED)
                .map(Flag::label)
                .forEach(labels::add);
        for (Drawing.Spot spot : drawing.spots()) {
            labels.add(new Label("8".repeat(Drawing.Spot.LETTERS), spot.x(), spot.y(), spot.anchor()));
        }
        for (int a = 0; a < labels.size(); a++) {
            for (int b = a + 1; b < labels.size(); b++) {
                if (overlap(labels.get(a), labels.get(b))) {
                    overlaps.add(labels.get(a).text() + " on " + labels.get(b).text());
                }
            }
            for (Shape shape : drawing.shapes()) {
                Label label = labels.get(a);
                boolean inside = label.right() > shape.x() + 0.1
                        && label.left() < shape.x() + shape.width() - 0.1
                        && label.y() > shape.y() + 0.1
                        && label.y() - Label.HEIGHT * 0.8 < shape.y() + shape.height() - 0.1;
                if (inside && !shape.labels().contains(label)) {
                    overlaps.add(label.text() + " in " + shape.reference());
                }
            }
            for (Wire wire : drawing.wires()) {
                if (runsThrough(wire, labels.get(a))) {
                    overlaps.add("a wire of " + wire.node() + " through "
                            + labels.get(a).text());
                }
            }
        }
        List<String> through = new ArrayList<>();
        for (Shape shape : drawing.shapes()) {
            for (Wire wire : drawing.wires()) {
                if (runsThrough(wire, shape)) {
                    through.add("a wire of " + wire.node() + " through " + shape.reference());
                }
            }
        }
        for (int a = 0; a < drawing.shapes().size(); a++) {
            for (int b = a + 1; b < drawing.shapes().size(); b++) {
                if (overlap(drawing.shapes().get(a), drawing.shapes().get(b))) {
                    overlaps.add(drawing.shapes().get(a).reference() + " on "
                            + drawing.shapes().get(b).reference());
                }
            }
        }
        return new Flaws(overlaps, through, crossings(drawing));
    }

    private static boolean overlap(Label a, Label b) {
        return !a.text().isEmpty()
                && !b.text().isEmpty()
                && a.left() < b.right() - 0.05
                && b.left() < a.right() - 0.05
                && Math.abs(a.y() - b.y()) < Label.HEIGHT * 0.85;
    }

    private static boolean overlap(Shape a, Shape b) {
        return a.x() + a.width() > b.x() + 0.1
                && b.x() + b.width() > a.x() + 0.1
                && a.y() + a.height() > b.y() + 0.1
                && b.y() + b.height() > a.y() + 0.1;
    }

    private static boolean runsThrough(Wire wire, Label label) {
        return crossesBox(
                wire, label.left() + 0.1, label.right() - 0.1, label.y() - Label.HEIGHT * 0.7, label.y() - 0.05);
    }

    private static boolean runsThrough(Wire wire, Shape shape) {
        double in = 0.15;
        return crossesBox(
                wire, shape.x() + in, shape.x() + shape.width() - in, shape.y() + in, shape.y() + shape.height() - in);
    }

    private static boolean crossesBox(Wire wire, double left, double right, double top, double bottom) {
        for (int i = 1; i < wire.points().size(); i++) {
            double[] a = wire.points().get(i - 1);
            double[] b = wire.points().get(i);
            if (Math.max(a[0], b[0]) > left
                    && Math.min(a[0], b[0]) < right
                    && Math.max(a[1], b[1]) > top
                    && Math.min(a[1], b[1]) < bottom) {
                return true;
            }
        }
        return false;
    }

    private static int crossings(Drawing drawing) {
        int crossings = 0;
        Set<String> seen = new HashSet<>();
        List<double[]> segments = new ArrayList<>();
        for (Wire wire : drawing.wires()) {
            for (int i = 1; i < wire.points().size(); i++) {
                double[] a = wire.points().get(i - 1);
                double[] b = wire.points().get(i);
                segments.add(new double[] {a[0], a[1], b[0], b[1]});
            }
        }
        for (int i = 0; i < segments.size(); i++) {
            for (int j = i + 1; j < segments.size(); j++) {
                double[] h = segments.get(i);
                double[] v = segments.get(j);
                if (h[0] == h[2]) {
                    double[] swap = h;
                    h = v;
                    v = swap;
                }
                boolean crosses = h[1] == h[3]
                        && v[0] == v[2]
                        && v[0] > Math.min(h[0], h[2]) + 0.01
                        && v[0] < Math.max(h[0], h[2]) - 0.01
                        && h[1] > Math.min(v[1], v[3]) + 0.01
                        && h[1] < Math.max(v[1], v[3]) - 0.01;
                if (crosses && seen.add(v[0] + " " + h[1])) {
                    crossings++;
                }
            }
        }
        return crossings;
    }
}
