package org.umberdial.core.player;

/**
 * Something that comes round.
 *
 * @param id stable
 * @param label what it is and how often it comes
 * @param times how often in one turn of the part
 * @param hertz how often a second
 * @param spread how far that may be off, a fraction
 */
public record Turning(String id, String label, Part part, int times, double hertz, double spread) {
    /** What it belongs to. */
    public enum Part {
        PLATTER,
        IDLER,
        BELT,
        MOTOR,
        HUM
    }

    /**
     * Whether a line of a spectrum may be this.
     *
     * @param resolution how far apart two lines must lie to be told from each other [Hz]
     */
    boolean makes(double lineHertz, double resolution) {
        return Math.abs(lineHertz - hertz) <= Math.max(resolution, spread * hertz);
    }
}
