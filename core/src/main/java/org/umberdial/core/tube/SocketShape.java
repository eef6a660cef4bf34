package org.umberdial.core.tube;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * How the pins of a socket stand, seen from below, where a probe sees them: numbered clockwise from the gap, the key or
 * the two thick pins, which is drawn at the bottom.
 */
public enum SocketShape {
    MINIATURE_7("seven-pin miniature", "the gap", 7, 8, "B7G|7[BC][A-Z]"),
    NOVAL("nine-pin miniature", "the gap", 9, 10, "B9A|9[A-Z]{1,2}"),
    KEYED_8("eight pins around a key", "the key", 8, 0, "octal|MO8|B8[A-G]|8[A-Z]{1,2}|7A[A-Z]|[567][Q-Z]"),
    THICK_4("four pins, two thick", "the thick pins", 4, 0, "4[A-K]"),
    THICK_5("five pins", "the heater pins", 5, 0, "5[A-K]"),
    THICK_6("six pins, two thick", "the thick pins", 6, 0, "6[A-K]"),
    THICK_7("seven pins, two thick", "the thick pins", 7, 0, "7[A-K]");

    /** @param x to the right of the middle, {@code y} below it, the ring's radius being 1 */
    public record Pin(String name, double x, double y) {}

    private final String label;
    private final String mark;
    private final int pins;
    private final int places;
    private final Pattern bases;

    /** @param places around the ring where one is left empty; 0 where all are taken */
    SocketShape(String label, String mark, int pins, int places, String bases) {
        this.label = label;
        this.mark = mark;
        this.pins = pins;
        this.places = places;
        this.bases = Pattern.compile(bases, Pattern.CASE_INSENSITIVE);
    }

    /**
     * Of a basing designation.
     *
     * @return empty where the designation does not say for sure how the pins stand
     */
    public static Optional<SocketShape> of(String base) {
        for (SocketShape shape : values()) {
            if (shape.bases.matcher(base.strip()).matches()) {
                return Optional.of(shape);
            }
        }
        return Optional.empty();
    }

    public String label() {
        return label;
    }

    /** What pins are counted from: {@code the key}. */
    public String mark() {
        return mark;
    }

    /** In the order of their numbers. */
    public List<Pin> ring() {
        List<Pin> ring = new ArrayList<>();
        for (int i = 1; i <= pins; i++) {
            double turn = 2 * Math.PI * (places > 0 ? i / (double) places : (i - 0.5) / pins);
            ring.add(new Pin(Integer.toString(i), -Math.sin(turn), Math.cos(turn)));
        }
        return ring;
    }
}
