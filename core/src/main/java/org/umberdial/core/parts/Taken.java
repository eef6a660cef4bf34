package org.umberdial.core.parts;

import java.time.Instant;
import java.util.OptionalDouble;
import org.umberdial.core.evidence.PartRead;

/**
 * A reading of a part that stands.
 *
 * @param id of the log's entry that first said it
 * @param reachOhms highest leak resistance its instrument shows [Ω]; empty when nobody said
 */
record Taken(PartRead read, Instant at, String person, String id, OptionalDouble reachOhms) {
    boolean alone() {
        return read.placing().alone();
    }
}
