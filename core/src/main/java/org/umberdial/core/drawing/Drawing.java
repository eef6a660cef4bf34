package org.umberdial.core.drawing;

import java.util.List;

/**
 * A drawn schematic; lengths in grid units, y downward.
 *
 * @param width of the whole [grid units]
 * @param height of the whole [grid units]
 * @param spots where volts may be written
 * @param stages the stages from left to right, rows from top to bottom
 */
public record Drawing(
        double width,
        double height,
        List<Shape> shapes,
        List<Wire> wires,
        List<Flag> flags,
        List<Spot> spots,
        List<Stage> stages) {
    public enum Glyph {
        RESISTOR,
        POTENTIOMETER,
        CAPACITOR,
        ELECTROLYTIC,
        COIL,
        SWITCH,
        SPEAKER,
        DIODE,
        TUBE_DIODE,
        LAMP,
        NEON,
        HEATER,
        SOURCE,
        BATTERY,
        TRANSFORMER,
        TRIODE,
        PENTODE,
        HEPTODE,
        EYE,
        FULL_WAVE,
        TRANSISTOR,
        /** A box with its pins and its model's name. */
        OTHER
    }

    /**
     * A drawn part.
     *
     * @param x left of its body
     * @param y top of its body
     * @param upright whether a part of two ends stands, the first end on top
     * @param pins where its ends are, in the order of its card
     * @param labels reference, value
     */
    public record Shape(
            String reference,
            Glyph glyph,
            double x,
            double y,
            double width,
            double height,
            boolean upright,
            List<Pin> pins,
            List<Label> labels) {
        public Shape {
            pins = List.copyOf(pins);
            labels = List.copyOf(labels);
        }
    }

    /** @param name the socket's pin, empty for none */
    public record Pin(String node, double x, double y, String name) {}

    /**
     * A line of text.
     *
     * @param x of its left end, its middle or its right end
     * @param y of its base line
     */
    public record Label(String text, double x, double y, Anchor anchor) {
        /** Width of a letter [grid units]; that of the drawing's type, widest where it matters. */
        public static final double LETTER = 0.66;

        public static final double HEIGHT = 1.3;

        public double left() {
            double width = text.length() * LETTER;
            return anchor == Anchor.START ? x : anchor == Anchor.MIDDLE ? x - width / 2 : x - width;
        }

        public double right() {
            return left() + text.length() * LETTER;
        }
    }

    public enum Anchor {
        START,
        MIDDLE,
        END
    }

    /** A wire of one node, straight from point to point; points alternate x and y. */
    public record Wire(String node, List<double[]> points) {
        public Wire {
            points = List.copyOf(points);
        }
    }

    public enum Sign {
        /** Chassis, or the minus rail of a set without a transformer: node 0. */
        GROUND,
        /** The metal of a set whose rail is not its chassis. */
        CHASSIS,
        NAMED
    }

    /**
     * A named end: all flags of one name are one node.
     *
     * @param dx direction away from the wire, with {@code dy}
     */
    public record Flag(String node, Sign sign, double x, double y, int dx, int dy, String text) {
        /** Where its text stands. */
        public Label label() {
            double w = text.length() * Label.LETTER;
            if (dy != 0) {
                return new Label(text, x, y + (dy > 0 ? 2.1 : -1.1), Anchor.MIDDLE);
            }
            return dx > 0
                    ? new Label(text, x + 1.1, y + 0.45, Anchor.START)
                    : new Label(text, x - 1.1 - w, y + 0.45, Anchor.START);
        }
    }

    /** Room beside an electrode for what a meter shows there, of eight letters. */
    public record Spot(String node, double x, double y, Anchor anchor) {
        public static final int LETTERS = 8;
    }

    /** A stage and where it is. */
    public record Stage(String name, double x, double y, double width, double height, List<String> parts) {}
}
