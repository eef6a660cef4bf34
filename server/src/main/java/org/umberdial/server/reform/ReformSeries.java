package org.umberdial.server.reform;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.umberdial.core.reform.ReformSample;
import org.umberdial.core.reform.ReformSetup;

/**
 * A run as it is kept.
 *
 * @param ending why it ended, in a few words; empty while it goes on
 */
public record ReformSeries(
        String id,
        String part,
        ReformSetup setup,
        Instant startedAt,
        Optional<Instant> endedAt,
        String ending,
        String author,
        List<ReformSample> samples) {}
