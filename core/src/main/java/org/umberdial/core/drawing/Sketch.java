package org.umberdial.core.drawing;

import java.util.ArrayList;
import java.util.List;
import org.umberdial.core.drawing.Drawing.Flag;
import org.umberdial.core.drawing.Drawing.Label;
import org.umberdial.core.drawing.Drawing.Pin;
import org.umberdial.core.drawing.Drawing.Shape;
import org.umberdial.core.drawing.Drawing.Spot;
import org.umberdial.core.drawing.Drawing.Wire;

/** Drawn things that are moved together. */
final class Sketch {
    final List<Shape> shapes = new ArrayList<>();
    final List<Wire> wires = new ArrayList<>();
    final List<Flag> flags = new ArrayList<>();
    final List<Spot> spots = new ArrayList<>();

    void wire(String node, double... xy) {
        List<double[]> points = new ArrayList<>();
        for (int i = 0; i < xy.length; i += 2) {
            double[] point = {xy[i], xy[i + 1]};
            if (points.isEmpty()
                    || points.get(points.size() - 1)[0] != point[0]
                    || points.get(points.size() - 1)[1] != point[1]) {
                points.add(point);
            }
        }
        if (points.size() > 1) {
            wires.add(new Wire(node, points));
        }
    }

    void flag(Flag flag) {
        flags.add(flag);
    }

    double left() {
        return extent(true, true);
    }

    double right() {
        return extent(true, false);
    }

    double top() {
        return extent(false, true);
    }

    double bottom() {
        return extent(false, false);
    }

    private double extent(boolean horizontal, boolean least) {
        List<Double> all = new ArrayList<>();
        for (Shape shape : shapes) {
            all.add(horizontal ? shape.x() : shape.y());
            all.add(horizontal ? shape.x() + shape.width() : shape.y() + shape.height());
            shape.pins().forEach(pin -> all.add(horizontal ? pin.x() : pin.y()));
            shape.labels().forEach(label -> add(all, label, horizontal));
        }
        for (Wire wire : wires) {
            wire.points().forEach(point -> all.add(horizontal ? point[0] : point[1]));
        }
        for (Flag flag : flags) {
            add(all, flag.label(), horizontal);
            all.add(horizontal ? flag.x() - 1 : flag.y());
            all.add(horizontal ? flag.x() + 1 : flag.y() + (flag.dy() > 0 ? 1.6 : 0));
        }
        return all.stream()
                .mapToDouble(Double::doubleValue)
                .reduce(least ? Math::min : Math::max)
                .orElse(0);
    }

    private static void add(List<Double> all, Label label, boolean horizontal) {
        // Counted with room for any usual value, so that another value moves nothing.
        Label usual = label.text().length() >= Pen.USUAL_LETTERS
                ? label
                : new Label("0".repeat(Pen.USUAL_LETTERS), label.x(), label.y(), label.anchor());
        all.add(horizontal ? usual.left() : label.y() - Label.HEIGHT);
        all.add(horizontal ? usual.right() : label.y() + 0.3);
    }

    /** Puts another sketch at a place. */
    void add(Sketch other, double dx, double dy) {
        for (Shape shape : other.shapes) {
            shapes.add(new Shape(
                    shape.reference(),
                    shape.glyph(),
                    shape.x() + dx,
                    shape.y() + dy,
                    shape.width(),
                    shape.height(),
                    shape.upright(),
                    shape.pins().stream()
                            .map(pin -> new Pin(pin.node(), pin.x() + dx, pin.y() + dy, pin.name()))
                            .toList(),
                    shape.labels().stream()
                            .map(label -> new Label(label.text(), label.x() + dx, label.y() + dy, label.anchor()))
                            .toList()));
        }
        other.spots.forEach(spot -> spots.add(new Spot(spot.node(), spot.x() + dx, spot.y() + dy, spot.anchor())));
        for (Wire wire : other.wires) {
            wires.add(new Wire(
                    wire.node(),
                    wire.points().stream()
                            .map(point -> new double[] {point[0] + dx, point[1] + dy})
                            .toList()));
        }
        for (Flag flag : other.flags) {
            flags.add(new Flag(
                    flag.node(), flag.sign(), flag.x() + dx, flag.y() + dy, flag.dx(), flag.dy(), flag.text()));
        }
    }
}
