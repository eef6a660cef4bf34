package org.umberdial.core.evidence;

import java.util.List;

/**
 * The way of a dial's cord, as it was laid over a picture; a later one replaces an earlier.
 *
 * @param photo id of the picture; empty for a bare board
 * @param aspect height over width of the picture
 * @param rounds drum, shaft and pulleys in the order the cord passes them
 * @param closed whether it comes back to the first
 * @param scaleFrom place in the list of one end of the distance that was measured, @param scaleTo the other's
 * @param scaleMm that distance, from middle to middle [mm]
 * @param pointer number of the stretch the pointer sits on, from 0
 * @param turned place in the list of what is turned by hand
 * @param spring where the spring is, in the writer's words; may be empty
 */
public record CordLaid(
        String photo,
        double aspect,
        List<Round> rounds,
        boolean closed,
        int scaleFrom,
        int scaleTo,
        double scaleMm,
        int pointer,
        int turned,
        String spring)
        implements Fact {
    /**
     * Something the cord goes round.
     *
     * @param x from the left edge, a fraction of the width, @param y from the upper edge, a fraction of the height
     * @param diameter [mm]
     * @param clockwise which way the cord goes round it
     * @param turns whole turns beside what lies on it anyhow
     */
    public record Round(String name, double x, double y, double diameter, boolean clockwise, int turns) {}

    public CordLaid {
        rounds = List.copyOf(rounds);
    }

    @Override
    public String subject() {
        return "";
    }

    @Override
    public String sentence() {
        return "Dial cord over "
                + String.join(", ", rounds.stream().map(Round::name).toList())
                + (spring.isEmpty() ? "" : "; spring: " + spring);
    }
}
