package org.umberdial.core.procedure;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberdial.core.evidence.Benched;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.Fact;
import org.umberdial.core.evidence.LogEntry;
import org.umberdial.core.evidence.Metered;
import org.umberdial.core.reading.ReadingKind;

class CellsTest {
    /**
     * What proved the capacitors empty ends with power that came after it was read, also when it was kept later: a
     * draft of yesterday proves nothing of today. Of the same moment power counts as the later.
     */
    @ParameterizedTest
    @CsvSource({"50, 100, 0", "100, 100, 0", "150, 100, 1"})
    void discharge_isAsOldAsItsReading(long read, long powered, int stands) {
        Metered power = new Metered("b1", "0", ReadingKind.DC, 240, 117, "10M", "", 5.0, "");
        Benched empty = new Benched(Cells.DISCHARGE, "", Map.of("v.C1", "0.2"), "", "", false);
        EvidenceLog log = new EvidenceLog(List.of(entry("p", power, powered), entry("d", empty, read)));
        Cells cells = Cells.of(log, Set.of(), Instant.MAX);
        assertEquals(
                stands,
                cells.made().stream()
                        .filter(made -> made.test().equals(Cells.DISCHARGE))
                        .count());
        assertEquals(Instant.ofEpochSecond(powered), cells.charged());
        assertEquals(
                read < powered ? 1 : 0,
                Cells.of(log, Set.of(), Instant.ofEpochSecond(powered - 1))
                        .made()
                        .size(),
                "as it was before the power");
    }

    private static LogEntry entry(String id, Fact fact, long second) {
        return new LogEntry(id, fact, Instant.ofEpochSecond(second), Optional.empty(), false);
    }
}
