package org.umberdial.core.drawing;

import java.util.List;
import java.util.Locale;
import org.umberdial.core.drawing.Drawing.Anchor;
import org.umberdial.core.drawing.Drawing.Flag;
import org.umberdial.core.drawing.Drawing.Label;
import org.umberdial.core.drawing.Drawing.Pin;
import org.umberdial.core.drawing.Drawing.Shape;
import org.umberdial.core.drawing.Drawing.Sign;
import org.umberdial.core.drawing.Drawing.Wire;

/** Writes a drawing as SVG, ten units of picture to a grid unit; symbols by IEC 60617 or by ANSI Y32.2. */
public final class Svg {
    private static final double SCALE = 10;
    private static final String FONT = "font-family=\"'DejaVu Sans',Arial,sans-serif\" font-size=\"11\"";

    private final StringBuilder out = new StringBuilder();
    private final boolean iec;

    private Svg(boolean iec) {
        this.iec = iec;
    }

    /** @param iec resistors as boxes; else as zigzags */
    public static String write(Drawing drawing, String title, boolean iec) {
        return new Svg(iec).document(drawing, title);
    }

    private String document(Drawing drawing, String title) {
        double width = drawing.width() * SCALE;
        double height = drawing.height() * SCALE + 24;
        line(
                "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 %s %s\" width=\"%s\" height=\"%s\">",
                n(width), n(height), n(width), n(height));
        line("<title>%s</title>", escaped(title));
        line("<rect width=\"100%%\" height=\"100%%\" fill=\"#fffdf8\"/>");
        line("<text x=\"12\" y=\"18\" %s fill=\"#1f1b16\">%s</text>", FONT.replace("11", "13"), escaped(title));
        line("<g transform=\"translate(0 24)\" fill=\"none\" stroke=\"#1f1b16\" stroke-width=\"1.5\">");
        drawing.wires().forEach(this::wire);
        dots(drawing)
                .forEach(dot -> line(
                        "<circle cx=\"%s\" cy=\"%s\" r=\"3\" fill=\"#1f1b16\" stroke=\"none\"/>",
                        n(dot[0] * SCALE), n(dot[1] * SCALE)));
        drawing.shapes().forEach(this::shape);
        drawing.flags().forEach(this::flag);
        line("</g>");
        line("</svg>");
        return out.toString();
    }

    private void wire(Wire wire) {
        StringBuilder path = new StringBuilder();
        for (double[] point : wire.points()) {
            path.append(path.isEmpty() ? "M" : "L")
                    .append(n(point[0] * SCALE))
                    .append(' ')
                    .append(n(point[1] * SCALE));
        }
        line("<path d=\"%s\"/>", path);
    }

    /** Where three or more lines meet. */
    static List<double[]> dots(Drawing drawing) {
        java.util.Map<String, double[]> places = new java.util.LinkedHashMap<>();
        java.util.Map<String, Integer> ends = new java.util.HashMap<>();
        for (Wire wire : drawing.wires()) {
            for (double[] point : List.of(
                    wire.points().get(0), wire.points().get(wire.points().size() - 1))) {
                String key = Math.round(point[0] * 100) + " " + Math.round(point[1] * 100);
                places.put(key, point);
                ends.merge(key, 1, Integer::sum);
            }
        }
        for (Shape shape : drawing.shapes()) {
            for (Pin pin : shape.pins()) {
                String key = Math.round(pin.x() * 100) + " " + Math.round(pin.y() * 100);
                if (places.containsKey(key)) {
                    ends.merge(key, 1, Integer::sum);
                }
            }
        }
        for (Flag flag : drawing.flags()) {
            String key = Math.round(flag.x() * 100) + " " + Math.round(flag.y() * 100);
            if (places.containsKey(key)) {
                ends.merge(key, 1, Integer::sum);
            }
        }
        List<double[]> dots = new java.util.ArrayList<>();
        places.forEach((key, point) -> {
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
            if (ends.get(key) + through >= 3) {
                dots.add(point);
            }
        });
        return dots;
    }

    private void shape(Shape shape) {
        line("<g data-part=\"%s\">", escaped(shape.reference()));
        double cx = (shape.x() + shape.width() / 2) * SCALE;
        double cy = (shape.y() + shape.height() / 2) * SCALE;
        switch (shape.glyph()) {
            case TRIODE, PENTODE, HEPTODE -> tube(shape, cx, cy);
            case TRANSFORMER -> transformer(shape);
            case FULL_WAVE -> fullWave(shape, cx, cy);
            case OTHER, EYE, TRANSISTOR -> {
                if (shape.pins().size() == 2) {
                    twoEnded(shape, cx, cy);
                } else {
                    box(shape);
                }
            }
            default -> twoEnded(shape, cx, cy);
        }
        for (Label label : shape.labels()) {
            text(label);
        }
        line("</g>");
    }

    /** Drawn lying, with the first end on the left, and turned as the part stands. */
    private void twoEnded(Shape shape, double cx, double cy) {
        Pin first = shape.pins().get(0);
        Pin second = shape.pins().get(shape.pins().size() - 1);
        double angle = Math.toDegrees(Math.atan2(second.y() - first.y(), second.x() - first.x()));
        line("<g transform=\"translate(%s %s) rotate(%s)\">", n(cx), n(cy), n(angle));
        switch (shape.glyph()) {
            case RESISTOR -> resistor();
            case POTENTIOMETER -> {
                resistor();
                line("<path d=\"M-8 14L8 -14M8 -14l-1 6m1 -6l-6 2\"/>");
            }
            case CAPACITOR -> line("<path d=\"M-30 0H-3M-3 -11V11M3 -11V11M3 0H30\"/>");
            case ELECTROLYTIC -> {
                line("<path d=\"M-30 0H-4M4 0H30\"/><rect x=\"-6\" y=\"-11\" width=\"4\" height=\"22\"/>");
                line("<rect x=\"2\" y=\"-11\" width=\"4\" height=\"22\" fill=\"#1f1b16\"/>");
                line("<path d=\"M-14 -8h6M-11 -11v6\"/>");
            }
            case COIL ->
                line("<path d=\"M-30 0H-20a5 6 0 0 1 10 0a5 6 0 0 1 10 0a5 6 0 0 1 10 0a5 6 0 0 1 10 0H30\"/>");
            case SWITCH ->
                line(
                        "<path d=\"M-30 0H-10L9 -9M12 0H30\"/><circle cx=\"-10\" cy=\"0\" r=\"2\"/><circle cx=\"12\" cy=\"0\" r=\"2\"/>");
            case SPEAKER -> line("<path d=\"M-30 0H-10M10 0H30M-10 -5h20v10h-20zM-10 -5l-6 -7h32l-6 7\"/>");
            case DIODE -> line("<path d=\"M-30 0H30M7 -9V9\"/><path d=\"M-8 -9V9L7 0z\" fill=\"#1f1b16\"/>");
            case TUBE_DIODE -> line("<circle r=\"15\"/><path d=\"M-30 0H-6M-6 -8V8M7 0H30M11 -9H7V9H11\"/>");
            case LAMP -> line("<circle r=\"10\"/><path d=\"M-30 0H-10M10 0H30M-7 -7L7 7M-7 7L7 -7\"/>");
            case NEON ->
                line(
                        "<circle r=\"11\"/><path d=\"M-30 0H-4M-4 -5V5M4 -5V5M4 0H30\"/><circle cx=\"0\" cy=\"7\" r=\"1.5\" fill=\"#1f1b16\"/>");
            case HEATER -> line("<path d=\"M-30 0H-12L0 -12L12 0H30\"/>");
            case SOURCE -> line("<circle r=\"13\"/><path d=\"M-30 0H-13M13 0H30M-8 0q4 -8 8 0t8 0\"/>");
            case BATTERY -> line("<path d=\"M-30 0H-9M-9 -11V11M-4 -5V5M2 -11V11M7 -5V5M7 0H30\"/>");
            default -> line("<path d=\"M-30 0H-20M20 0H30\"/><rect x=\"-20\" y=\"-8\" width=\"40\" height=\"16\"/>");
        }
        line("</g>");
        if (shape.pins().size() == 3) {
            Pin tap = shape.pins().get(1);
            line("<path d=\"M%s %sL%s %s\"/>", n(tap.x() * SCALE), n(tap.y() * SCALE), n(cx), n(cy));
        }
    }

    private void resistor() {
        line(
                iec
                        ? "<path d=\"M-30 0H-16M16 0H30\"/><rect x=\"-16\" y=\"-6\" width=\"32\" height=\"12\"/>"
                        : "<path d=\"M-30 0H-18l3 -7l6 14l6 -14l6 14l6 -14l6 14l3 -7H30\"/>");
    }

    private void tube(Shape shape, double cx, double cy) {
        line("<circle cx=\"%s\" cy=\"%s\" r=\"%s\"/>", n(cx), n(cy), n(shape.width() / 2 * SCALE));
        line("<path d=\"M%s %sV%sM%s %sH%s\" />", n(cx), n(cy - 45), n(cy - 26), n(cx - 17), n(cy - 26), n(cx + 17));
        line(
                "<path d=\"M%s %sV%sM%s %sV%sH%sV%s\"/>",
                n(cx), n(cy + 45), n(cy + 28), n(cx - 15), n(cy + 34), n(cy + 28), n(cx + 15), n(cy + 34));
        switch (shape.glyph()) {
            case TRIODE -> grid(cx, cy, 0, true);
            case PENTODE -> {
                grid(cx, cy, 10, true, 0);
                grid(cx, cy, -10, false, -10);
                line("<path d=\"M%s %sH%s\" stroke-dasharray=\"5 3\"/>", n(cx - 20), n(cy - 18), n(cx + 20));
            }
            default -> {
                grid(cx, cy, 20, true);
                grid(cx, cy, -15, true);
                grid(cx, cy, -10, false, -10);
                line("<path d=\"M%s %sH%s\" stroke-dasharray=\"5 3\"/>", n(cx - 20), n(cy + 10), n(cx + 20));
            }
        }
    }

    private void grid(double cx, double cy, double y, boolean left) {
        grid(cx, cy, y, left, y);
    }

    /** A grid at one height whose lead leaves at another. */
    private void grid(double cx, double cy, double y, boolean left, double lead) {
        line("<path d=\"M%s %sH%s\" stroke-dasharray=\"5 3\"/>", n(cx - 20), n(cy + y), n(cx + 20));
        double edge = left ? cx - 45 : cx + 45;
        double end = left ? cx - 20 : cx + 20;
        line("<path d=\"M%s %sL%s %s\"/>", n(edge), n(cy + lead), n(end), n(cy + y));
    }

    private void transformer(Shape shape) {
        List<Pin> pins = shape.pins();
        for (int i = 0; i + 1 < pins.size(); i += 2) {
            Pin a = pins.get(i);
            Pin b = pins.get(i + 1);
            double top = Math.min(a.y(), b.y()) * SCALE;
            double tall = Math.abs(a.y() - b.y()) * SCALE;
            int turns = Math.max(2, (int) Math.round(tall / 12));
            double each = tall / turns;
            boolean left = a.x() < shape.x() + shape.width() / 2;
            StringBuilder path = new StringBuilder("M" + n(a.x() * SCALE) + " " + n(top));
            for (int turn = 0; turn < turns; turn++) {
                path.append("a6 ")
                        .append(n(each / 2))
                        .append(left ? " 0 0 1 0 " : " 0 0 0 0 ")
                        .append(n(each));
            }
            line("<path d=\"%s\"/>", path);
        }
        double middle = (shape.x() + shape.width() / 2) * SCALE;
        line(
                "<path d=\"M%s %sV%sM%s %sV%s\"/>",
                n(middle - 3),
                n(shape.y() * SCALE),
                n((shape.y() + shape.height()) * SCALE),
                n(middle + 3),
                n(shape.y() * SCALE),
                n((shape.y() + shape.height()) * SCALE));
    }

    private void fullWave(Shape shape, double cx, double cy) {
        line("<ellipse cx=\"%s\" cy=\"%s\" rx=\"40\" ry=\"%s\"/>", n(cx), n(cy), n(shape.height() / 2 * SCALE));
        for (int i = 0; i < 2; i++) {
            Pin plate = shape.pins().get(i);
            line(
                    "<path d=\"M%s %sH%sM%s %sV%s\"/>",
                    n(plate.x() * SCALE),
                    n(plate.y() * SCALE),
                    n(cx - 12),
                    n(cx - 12),
                    n(plate.y() * SCALE - 9),
                    n(plate.y() * SCALE + 9));
        }
        Pin cathode = shape.pins().get(2);
        line(
                "<path d=\"M%s %sH%sM%s %sH%sV%sH%s\"/>",
                n(cathode.x() * SCALE), n(cy), n(cx + 10), n(cx + 15), n(cy - 18), n(cx + 10), n(cy + 18), n(cx + 15));
    }

    private void box(Shape shape) {
        line(
                "<rect x=\"%s\" y=\"%s\" width=\"%s\" height=\"%s\"/>",
                n((shape.x() + 1.5) * SCALE),
                n(shape.y() * SCALE),
                n((shape.width() - 3) * SCALE),
                n(shape.height() * SCALE));
        for (Pin pin : shape.pins()) {
            boolean left = pin.x() < shape.x() + shape.width() / 2;
            double edge = (left ? shape.x() + 1.5 : shape.x() + shape.width() - 1.5) * SCALE;
            line("<path d=\"M%s %sH%s\"/>", n(pin.x() * SCALE), n(pin.y() * SCALE), n(edge));
        }
    }

    private void flag(Flag flag) {
        double x = flag.x() * SCALE;
        double y = flag.y() * SCALE;
        if (flag.sign() == Sign.GROUND) {
            line("<path d=\"M%s %sv6m-9 0h18m-14 4h10m-7 4h4\"/>", n(x), n(y));
            return;
        }
        if (flag.sign() == Sign.CHASSIS) {
            line("<path d=\"M%s %sv6m-10 0h20m-20 0l-4 7m14 -7l-4 7m14 -7l-4 7\"/>", n(x), n(y));
            return;
        }
        Label label = flag.label();
        double left = label.left() * SCALE - 5;
        double right = label.right() * SCALE + 5;
        double top = label.y() * SCALE - 12;
        double bottom = label.y() * SCALE + 4;
        String outline = flag.dy() != 0
                ? "M" + n(x) + " " + n(y) + "V" + n(flag.dy() > 0 ? top : bottom) + "M" + n(left) + " " + n(top) + "H"
                        + n(right) + "V" + n(bottom) + "H" + n(left) + "z"
                : flag.dx() > 0
                        ? "M" + n(x) + " " + n(y) + "L" + n(left) + " " + n(top) + "H" + n(right) + "V" + n(bottom)
                                + "H" + n(left) + "z"
                        : "M" + n(x) + " " + n(y) + "L" + n(right) + " " + n(top) + "H" + n(left) + "V" + n(bottom)
                                + "H" + n(right) + "z";
        line("<g data-node=\"%s\"><path d=\"%s\" stroke-width=\"1\"/>", escaped(flag.node()), outline);
        text(label);
        line("</g>");
    }

    private void text(Label label) {
        String anchor = label.anchor() == Anchor.START ? "start" : label.anchor() == Anchor.MIDDLE ? "middle" : "end";
        line(
                "<text x=\"%s\" y=\"%s\" text-anchor=\"%s\" %s fill=\"#1f1b16\" stroke=\"none\">%s</text>",
                n(label.x() * SCALE), n(label.y() * SCALE), anchor, FONT, escaped(label.text()));
    }

    private void line(String format, Object... values) {
        out.append(String.format(Locale.ROOT, format, values)).append('\n');
    }

    private static String n(double value) {
        return java.math.BigDecimal.valueOf(Math.round(value * 10) / 10.0)
                .stripTrailingZeros()
                .toPlainString();
    }

    private static String escaped(String text) {
        return text.replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace(">", "&gt;")
                .replace("\"", "&quot;");
    }
}
