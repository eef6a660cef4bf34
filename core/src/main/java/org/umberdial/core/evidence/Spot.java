package org.umberdial.core.evidence;

/**
 * A place on a picture.
 *
 * @param photo id of the picture
 * @param x from the left edge, a fraction of its width
 * @param y from the upper edge, a fraction of its height
 */
public record Spot(String photo, double x, double y) {
    public Spot {
        if (!(x >= 0 && x <= 1 && y >= 0 && y <= 1)) {
            throw new IllegalArgumentException("a spot lies on its picture: " + x + ", " + y);
        }
    }
}
