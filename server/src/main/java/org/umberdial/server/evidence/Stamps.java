package org.umberdial.server.evidence;

import java.time.Duration;
import java.time.Instant;

/**
 * Times of entries as evidence takes them, which asks what was last. What was kept as it was taken follows the order it
 * came in, also when the machine's clock was set back in between; what waited for a connection keeps the time it was
 * taken at.
 */
public final class Stamps {
    private static final Duration AT_ONCE = Duration.ofMinutes(5);

    private Instant last = Instant.MIN;

    /** From the beginning of a log. */
    public Stamps() {}

    /** From where other ones stand. */
    public Stamps(Stamps other) {
        this.last = other.last;
    }

    /** The time of the next entry, in the order they came in. */
    public Instant next(Instant takenAt, Instant receivedAt) {
        if (Duration.between(takenAt, receivedAt).abs().compareTo(AT_ONCE) > 0) {
            return takenAt;
        }
        last = takenAt.isAfter(last) ? takenAt : last.plusNanos(1000);
        return last;
    }
}
