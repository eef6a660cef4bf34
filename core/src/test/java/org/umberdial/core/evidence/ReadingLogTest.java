package org.umberdial.core.evidence;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.umberdial.core.Sets;
import org.umberdial.core.reading.ReadingKind;

class ReadingLogTest {
    private static Reading of(String id, double value, int second, Optional<String> supersedes, boolean withdrawn) {
        Reading r = Sets.reading("b1", value, 117, "10M", "", second);
        return new Reading(
                id,
                r.subject(),
                r.reference(),
                r.kind(),
                value,
                r.lineVolts(),
                r.meter(),
                "",
                r.minutesOn(),
                r.takenAt(),
                "",
                supersedes,
                withdrawn);
    }

    @Test
    void withdrawnReading_uncoversTheOneBefore() {
        ReadingLog log = new ReadingLog(List.of(
                of("a", 100, 0, Optional.empty(), false),
                of("b", 90, 1, Optional.empty(), false),
                of("c", 90, 2, Optional.of("b"), true)));
        assertEquals(
                100, log.latest("b1", "0", ReadingKind.DC, "").orElseThrow().value());
        assertEquals(1, log.standing().size());
    }

    @Test
    void correction_takesThePlaceOfWhatItSupersedes() {
        ReadingLog log = new ReadingLog(
                List.of(of("a", 1000, 0, Optional.empty(), false), of("b", 100, 1, Optional.of("a"), false)));
        assertEquals(List.of("b"), log.standing().stream().map(Reading::id).toList());
    }

    @Test
    void laterTakenReading_countsWhateverTheOrderItArrivedIn() {
        ReadingLog log = new ReadingLog(
                List.of(of("late", 90, 9, Optional.empty(), false), of("early", 100, 1, Optional.empty(), false)));
        assertEquals(
                90, log.latest("b1", "0", ReadingKind.DC, "FM").orElseThrow().value());
        assertTrue(log.latest("b1", "b2", ReadingKind.DC, "").isEmpty());
    }
}
