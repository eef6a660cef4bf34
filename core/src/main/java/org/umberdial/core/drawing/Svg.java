package org.umberdial.core.drawing;

import static org.umberdial.core.drawing.Ink.SCALE;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.umberdial.core.drawing.Drawing.Anchor;
import org.umberdial.core.drawing.Drawing.Flag;
import org.umberdial.core.drawing.Drawing.Label;
import org.umberdial.core.drawing.Drawing.Pin;
import org.umberdial.core.drawing.Drawing.Shape;
import org.umberdial.core.drawing.Drawing.Sign;
import org.umberdial.core.drawing.Drawing.Wire;

/** Writes a drawing as an SVG file. */
public final class Svg {
    private static final String FONT = "font-family=\"'DejaVu Sans',Arial,sans-serif\"";
    private static final int TITLE_HEIGHT = 24;

    private final StringBuilder out = new StringBuilder();

    private Svg() {}

    /** @param iec resistors as boxes; else as zigzags */
    public static String write(Drawing drawing, String title, boolean iec) {
        return new Svg().document(drawing, title, iec);
    }

    private String document(Drawing drawing, String title, boolean iec) {
        String width = Ink.n(drawing.width() * SCALE);
        String height = Ink.n(drawing.height() * SCALE + TITLE_HEIGHT);
        line(
                "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 %s %s\" width=\"%s\" height=\"%s\">",
                width, height, width, height);
        line("<title>%s</title>", escaped(title));
        line("<rect width=\"100%%\" height=\"100%%\" fill=\"#fffdf8\"/>");
        line("<text x=\"12\" y=\"18\" %s font-size=\"13\" fill=\"#1f1b16\">%s</text>", FONT, escaped(title));
        line("<g transform=\"translate(0 %d)\" fill=\"none\" stroke=\"#1f1b16\" stroke-width=\"1.5\">", TITLE_HEIGHT);
        drawing.wires().forEach(wire -> ink(Ink.of(wire)));
        dots(drawing).forEach(dot -> ink(Ink.dot(dot[0], dot[1])));
        for (Shape shape : drawing.shapes()) {
            line("<g data-part=\"%s\">", escaped(shape.reference()));
            Ink.of(shape, iec).forEach(this::ink);
            shape.labels().forEach(this::text);
            line("</g>");
        }
        for (Flag flag : drawing.flags()) {
            line("<g data-node=\"%s\">", escaped(flag.node()));
            ink(Ink.of(flag));
            if (flag.sign() == Sign.NAMED) {
                text(flag.label());
            }
            line("</g>");
        }
        line("</g>");
        line("</svg>");
        return out.toString();
    }

    /** Where three or more lines meet. */
    public static List<double[]> dots(Drawing drawing) {
        Map<String, double[]> places = new LinkedHashMap<>();
        Map<String, Integer> ends = new HashMap<>();
        for (Wire wire : drawing.wires()) {
            for (double[] point : List.of(
                    wire.points().get(0), wire.points().get(wire.points().size() - 1))) {
                places.put(key(point[0], point[1]), point);
                ends.merge(key(point[0], point[1]), 1, Integer::sum);
            }
        }
        drawing.shapes().stream().flatMap(shape -> shape.pins().stream()).forEach(pin -> count(ends, places, pin));
        drawing.flags().forEach(flag -> ends.computeIfPresent(key(flag.x(), flag.y()), (key, many) -> many + 1));
        List<double[]> dots = new ArrayList<>();
        places.forEach((key, point) -> {
            if (ends.get(key) + through(drawing, point) >= 3) {
                dots.add(point);
            }
        });
        return dots;
    }

    private static void count(Map<String, Integer> ends, Map<String, double[]> places, Pin pin) {
        if (places.containsKey(key(pin.x(), pin.y()))) {
            ends.merge(key(pin.x(), pin.y()), 1, Integer::sum);
        }
    }

    /** A wire that passes a point counts as two that end there. */
    private static int through(Drawing drawing, double[] point) {
        int through = 0;
        for (Wire wire : drawing.wires()) {
            for (int i = 1; i < wire.points().size(); i++) {
                double[] a = wire.points().get(i - 1);
                double[] b = wire.points().get(i);
                boolean inside = point[0] >= Math.min(a[0], b[0])
                        && point[0] <= Math.max(a[0], b[0])
                        && point[1] >= Math.min(a[1], b[1])
                        && point[1] <= Math.max(a[1], b[1])
                        && !(point[0] == a[0] && point[1] == a[1])
                        && !(point[0] == b[0] && point[1] == b[1]);
                through += inside ? 2 : 0;
            }
        }
        return through;
    }

    private static String key(double x, double y) {
        return Math.round(x * 100) + " " + Math.round(y * 100);
    }

    private void ink(Ink ink) {
        line(
                "<path d=\"%s\"%s%s%s/>",
                ink.path(),
                ink.filled() ? " fill=\"#1f1b16\" stroke=\"none\"" : "",
                ink.dashed() ? " stroke-dasharray=\"5 3\"" : "",
                ink.transform().isEmpty() ? "" : " transform=\"" + ink.transform() + "\"");
    }

    private void text(Label label) {
        line(
                "<text x=\"%s\" y=\"%s\" text-anchor=\"%s\" %s font-size=\"11\" fill=\"#1f1b16\" stroke=\"none\">%s</text>",
                Ink.n(label.x() * SCALE),
                Ink.n(label.y() * SCALE),
                anchor(label.anchor()),
                FONT,
                escaped(label.text()));
    }

    private static String anchor(Anchor anchor) {
        return anchor == Anchor.START ? "start" : anchor == Anchor.MIDDLE ? "middle" : "end";
    }

    private void line(String format, Object... values) {
        out.append(String.format(Locale.ROOT, format, values)).append('\n');
    }

    private static String escaped(String text) {
        return text.replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace(">", "&gt;")
                .replace("\"", "&quot;");
    }
}
