package org.umberdial.instruments;

import java.util.List;

/**
 * Where a scanner's channels are clipped, from 101 on.
 *
 * @param channels plus and minus node of each
 */
public record Clips(List<Pair> channels) {
    /** A channel's two clips. */
    public record Pair(String plus, String minus) {}

    public Clips {
        channels = List.copyOf(channels);
    }
}
