package org.umberdial.server.readings;

import java.time.Instant;
import org.umberdial.core.reading.Reading;

/**
 * A reading with how it came to be here.
 *
 * @param order its place among all entries of the set, whatever clocks said
 */
public record KeptReading(Reading reading, Instant receivedAt, String source, String author, String note, int order) {}
