package org.umberdial.core.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.umberdial.core.drawing.Drawing.Flag;
import org.umberdial.core.drawing.Drawing.Glyph;
import org.umberdial.core.drawing.Drawing.Label;
import org.umberdial.core.drawing.Drawing.Pin;
import org.umberdial.core.drawing.Drawing.Shape;
import org.umberdial.core.drawing.Drawing.Sign;
import org.umberdial.core.drawing.Drawing.Wire;

/**
 * One stroke of a picture, in the path notation of SVG; ten units of picture to a grid unit. Symbols are those of IEC
 * 60617 or of ANSI Y32.2, which differ in the resistor.
 *
 * @param transform what to do with the path, empty for nothing
 */
public record Ink(String path, boolean filled, boolean dashed, String transform) {
    /** Units of picture to a grid unit. */
    public static final double SCALE = 10;

    /** The strokes of a part. */
    public static List<Ink> of(Shape shape, boolean iec) {
        double cx = (shape.x() + shape.width() / 2) * SCALE;
        double cy = (shape.y() + shape.height() / 2) * SCALE;
        return switch (shape.glyph()) {
            case TRIODE, PENTODE, HEPTODE -> tube(shape.glyph(), cx, cy, shape.width() / 2 * SCALE);
            case TRANSFORMER -> transformer(shape);
            case FULL_WAVE -> fullWave(shape, cx, cy);
            default ->
                shape.pins().size() == 2 || shape.glyph() == Glyph.HEATER ? twoEnded(shape, cx, cy, iec) : box(shape);
        };
    }

    public static Ink of(Wire wire) {
        StringBuilder path = new StringBuilder();
        for (double[] point : wire.points()) {
            path.append(path.isEmpty() ? "M" : "L")
                    .append(n(point[0] * SCALE))
                    .append(' ')
                    .append(n(point[1] * SCALE));
        }
        return line(path.toString());
    }

    /** The outline of a flag, or the sign of chassis or ground. */
    public static Ink of(Flag flag) {
        String at = "M" + n(flag.x() * SCALE) + " " + n(flag.y() * SCALE);
        if (flag.sign() == Sign.GROUND) {
            return line(at + "v6m-9 0h18m-14 4h10m-7 4h4");
        }
        if (flag.sign() == Sign.CHASSIS) {
            return line(at + "v6m-10 0h20m-20 0l-4 7m14 -7l-4 7m14 -7l-4 7");
        }
        Label label = flag.label();
        double left = label.left() * SCALE - 5;
        double right = label.right() * SCALE + 5;
        double top = label.y() * SCALE - 12;
        double bottom = label.y() * SCALE + 4;
        if (flag.dy() != 0) {
            return line(at + path("V%sM%s %sH%sV%sH%sz", flag.dy() > 0 ? top : bottom, left, top, right, bottom, left));
        }
        return line(
                flag.dx() > 0
                        ? at + path("L%s %sH%sV%sH%sz", left, top, right, bottom, left)
                        : at + path("L%s %sH%sV%sH%sz", right, top, left, bottom, right));
    }

    /** A dot where three or more lines meet. */
    public static Ink dot(double x, double y) {
        return new Ink(circle(x * SCALE, y * SCALE, 3), true, false, "");
    }

    private static Ink line(String path) {
        return new Ink(path, false, false, "");
    }

    /** Drawn lying, the first end on the left, and turned as the part stands. */
    private static List<Ink> twoEnded(Shape shape, double cx, double cy, boolean iec) {
        Pin first = shape.pins().get(0);
        Pin second = shape.pins().get(shape.pins().size() - 1);
        double angle = Math.toDegrees(Math.atan2(second.y() - first.y(), second.x() - first.x()));
        String transform = "translate(" + n(cx) + " " + n(cy) + ") rotate(" + n(angle) + ")";
        List<Ink> ink = new ArrayList<>();
        lying(shape.glyph(), iec).forEach(one -> ink.add(new Ink(one.path, one.filled, one.dashed, transform)));
        if (shape.pins().size() == 3) {
            Pin tap = shape.pins().get(1);
            ink.add(line(path("M%s %sL%s %s", tap.x() * SCALE, tap.y() * SCALE, cx, cy)));
        }
        return ink;
    }

    private static List<Ink> lying(Glyph glyph, boolean iec) {
        Ink resistor = line(
                iec ? "M-30 0H-16M16 0H30M-16 -6H16V6H-16z" : "M-30 0H-18l3 -7l6 14l6 -14l6 14l6 -14l6 14l3 -7H30");
        return switch (glyph) {
            case RESISTOR -> List.of(resistor);
            case POTENTIOMETER -> List.of(resistor, line("M-8 14L8 -14M8 -14l-1 6m1 -6l-6 2"));
            case CAPACITOR -> List.of(line("M-30 0H-3M-3 -11V11M3 -11V11M3 0H30"));
            case ELECTROLYTIC ->
                List.of(
                        line("M-30 0H-6M6 0H30M-6 -11H-2V11H-6zM-14 -8h6M-11 -11v6"),
                        new Ink("M2 -11H6V11H2z", true, false, ""));
            case COIL -> List.of(line("M-30 0H-20a5 6 0 0 1 10 0a5 6 0 0 1 10 0a5 6 0 0 1 10 0a5 6 0 0 1 10 0H30"));
            case SWITCH -> List.of(line("M-30 0H-12L9 -9M14 0H30" + circle(-10, 0, 2) + circle(12, 0, 2)));
            case SPEAKER -> List.of(line("M-30 0H-10M10 0H30M-10 -5h20v10h-20zM-10 -5l-6 -7h32l-6 7"));
            case DIODE -> List.of(line("M-30 0H30M7 -9V9"), new Ink("M-8 -9V9L7 0z", true, false, ""));
            case TUBE_DIODE -> List.of(line("M-30 0H-6M-6 -8V8M7 0H30M11 -9H7V9H11" + circle(0, 0, 15)));
            case LAMP -> List.of(line("M-30 0H-10M10 0H30M-7 -7L7 7M-7 7L7 -7" + circle(0, 0, 10)));
            case NEON -> List.of(line("M-30 0H-4M-4 -5V5M4 -5V5M4 0H30" + circle(0, 0, 11) + circle(0, 7, 1.5)));
            case HEATER -> List.of(line("M-30 0H-12L0 -12L12 0H30"));
            case SOURCE -> List.of(line("M-30 0H-13M13 0H30M-8 0q4 -8 8 0t8 0" + circle(0, 0, 13)));
            case BATTERY -> List.of(line("M-30 0H-9M-9 -11V11M-4 -5V5M2 -11V11M7 -5V5M7 0H30"));
            default -> List.of(line("M-30 0H-20M20 0H30M-20 -8H20V8H-20z"));
        };
    }

    private static List<Ink> tube(Glyph glyph, double cx, double cy, double radius) {
        List<Ink> ink = new ArrayList<>();
        ink.add(line(circle(cx, cy, radius)
                + path("M%s %sV%sM%s %sH%s", cx, cy - 45, cy - 26, cx - 17, cy - 26, cx + 17)
                + path("M%s %sV%sM%s %sV%sH%sV%s", cx, cy + 45, cy + 28, cx - 15, cy + 34, cy + 28, cx + 15, cy + 34)));
        switch (glyph) {
            case TRIODE -> grid(ink, cx, cy, 0, -1, 0);
            case PENTODE -> {
                grid(ink, cx, cy, 10, -1, 0);
                grid(ink, cx, cy, -10, 1, -10);
                grid(ink, cx, cy, -18, 0, 0);
            }
            default -> {
                grid(ink, cx, cy, 20, -1, 20);
                grid(ink, cx, cy, 10, 0, 0);
                grid(ink, cx, cy, -15, -1, -15);
                grid(ink, cx, cy, -10, 1, -10);
            }
        }
        return ink;
    }

    /** @param side where its lead leaves, 0 for none, at the height {@code lead} */
    private static void grid(List<Ink> ink, double cx, double cy, double y, int side, double lead) {
        ink.add(new Ink(path("M%s %sH%s", cx - 20, cy + y, cx + 20), false, true, ""));
        if (side != 0) {
            ink.add(line(path("M%s %sL%s %s", cx + side * 45, cy + lead, cx + side * 20, cy + y)));
        }
    }

    private static List<Ink> transformer(Shape shape) {
        StringBuilder path = new StringBuilder();
        for (int i = 0; i + 1 < shape.pins().size(); i += 2) {
            Pin a = shape.pins().get(i);
            Pin b = shape.pins().get(i + 1);
            double tall = Math.abs(a.y() - b.y()) * SCALE;
            int turns = Math.max(2, (int) Math.round(tall / 12));
            boolean left = a.x() < shape.x() + shape.width() / 2;
            path.append(path("M%s %s", a.x() * SCALE, Math.min(a.y(), b.y()) * SCALE));
            for (int turn = 0; turn < turns; turn++) {
                path.append("a6 ")
                        .append(n(tall / turns / 2))
                        .append(left ? " 0 0 1 0 " : " 0 0 0 0 ")
                        .append(n(tall / turns));
            }
        }
        double middle = (shape.x() + shape.width() / 2) * SCALE;
        double top = shape.y() * SCALE;
        double bottom = (shape.y() + shape.height()) * SCALE;
        path.append(path("M%s %sV%sM%s %sV%s", middle - 3, top, bottom, middle + 3, top, bottom));
        return List.of(line(path.toString()));
    }

    private static List<Ink> fullWave(Shape shape, double cx, double cy) {
        double ry = shape.height() / 2 * SCALE;
        StringBuilder path =
                new StringBuilder(path("M%s %sa40 ", cx - 40, cy) + n(ry) + " 0 1 0 80 0a40 " + n(ry) + " 0 1 0 -80 0");
        for (Pin plate : shape.pins().subList(0, 2)) {
            double y = plate.y() * SCALE;
            path.append(path("M%s %sH%sM%s %sV%s", plate.x() * SCALE, y, cx - 12, cx - 12, y - 9, y + 9));
        }
        path.append(path(
                "M%s %sH%sM%s %sH%sV%sH%s",
                shape.pins().get(2).x() * SCALE, cy, cx + 10, cx + 15, cy - 18, cx + 10, cy + 18, cx + 15));
        return List.of(line(path.toString()));
    }

    private static List<Ink> box(Shape shape) {
        double left = (shape.x() + 1.5) * SCALE;
        double right = (shape.x() + shape.width() - 1.5) * SCALE;
        double top = shape.y() * SCALE;
        double bottom = (shape.y() + shape.height()) * SCALE;
        StringBuilder path = new StringBuilder(path("M%s %sH%sV%sH%sz", left, top, right, bottom, left));
        for (Pin pin : shape.pins()) {
            boolean atLeft = pin.x() < shape.x() + shape.width() / 2;
            path.append(path("M%s %sH%s", pin.x() * SCALE, pin.y() * SCALE, atLeft ? left : right));
        }
        return List.of(line(path.toString()));
    }

    private static String circle(double cx, double cy, double r) {
        return "M" + n(cx - r) + " " + n(cy) + "a" + n(r) + " " + n(r) + " 0 1 0 " + n(2 * r) + " 0a" + n(r) + " "
                + n(r) + " 0 1 0 " + n(-2 * r) + " 0";
    }

    private static String path(String format, double... values) {
        Object[] texts = new Object[values.length];
        for (int i = 0; i < values.length; i++) {
            texts[i] = n(values[i]);
        }
        return String.format(Locale.ROOT, format, texts);
    }

    static String n(double value) {
        return java.math.BigDecimal.valueOf(Math.round(value * 10) / 10.0)
                .stripTrailingZeros()
                .toPlainString();
    }
}
