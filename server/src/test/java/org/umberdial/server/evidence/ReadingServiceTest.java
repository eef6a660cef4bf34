package org.umberdial.server.evidence;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.umberdial.core.area.Bench;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.entry.Entry;
import org.umberdial.core.evidence.LogEntry;
import org.umberdial.core.evidence.Metered;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.server.evidence.internal.EvidenceTables;
import org.umberdial.server.instrument.InstrumentService;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.sets.SetService;
import org.umberdial.server.sets.StoredSet;

class ReadingServiceTest {
    private static final Instant NOW = Instant.parse("2026-11-25T12:00:00Z");

    private final EvidenceTables tables = mock(EvidenceTables.class);
    private final SetService sets = mock(SetService.class);
    private final Clock clock = Clock.fixed(NOW, ZoneOffset.UTC);
    private final ReadingService service =
            new ReadingService(new EvidenceService(tables, sets, clock), mock(InstrumentService.class), clock);

    private static StoredSet setOnSince(Instant on) {
        BenchSet set = new BenchSet(ConstructionClass.BATTERY, List.of(), List.of(), List.of(), List.of(), List.of());
        Deck deck = new Deck("", List.of(), java.util.Map.of(), List.of(), List.of(), List.of(), List.of());
        return new StoredSet(
                "s",
                new StoredSet.Label("t", "", "", ""),
                set,
                true,
                deck,
                new StoredSet.Conditions(117, Optional.empty(), "", Optional.ofNullable(on)),
                new StoredSet.Arrival(
                        "", "", "", "", "", java.util.Set.of(), org.umberdial.core.set.SupplyLabel.UNKNOWN),
                0,
                NOW,
                NOW);
    }

    private Reading reading(Instant on, Instant taken) {
        Entry entry = new Entry("b1", "0", ReadingKind.DC, 118, "", false);
        return service.reading(
                "r", entry, setOnSince(on), new Bench(117, Optional.empty(), 0, ""), Optional.ofNullable(taken));
    }

    @Test
    void minutesSinceSwitchOn_areCountedToTheTimeTaken() {
        assertEquals(
                12.5,
                reading(NOW.minusSeconds(900), NOW.minusSeconds(150))
                        .minutesOn()
                        .orElseThrow(),
                1e-9);
        assertTrue(reading(null, NOW).minutesOn().isEmpty());
    }

    @Test
    void timeFarInTheFuture_isReplacedByNow() {
        assertEquals(NOW, reading(null, NOW.plusSeconds(86_400)).takenAt());
        assertEquals(NOW.minusSeconds(60), reading(null, NOW.minusSeconds(60)).takenAt());
    }

    @Test
    void repeatedReading_doesNotTouchTheSetAgain() {
        Reading reading = reading(null, NOW);
        when(tables.insert(any(), any(), any())).thenReturn(false);
        when(tables.entry("shop", "s", "r")).thenReturn(Optional.of(kept(reading)));
        service.keep(new Caller("shop", "a"), "s", reading, "entry strip", "");
        verify(sets, never()).logged(any(), any(), any());
        Entry other = new Entry("b1", "0", ReadingKind.DC, 119, "", false);
        Reading another = service.reading(
                "r", other, setOnSince(null), new Bench(117, Optional.empty(), 0, ""), Optional.empty());
        assertThrows(
                Problem.class,
                () -> service.keep(new Caller("shop", "a"), "s", another, "entry strip", ""),
                "the same id with other content");
    }

    private static KeptEntry kept(Reading reading) {
        return new KeptEntry(
                new LogEntry(reading.id(), Metered.of(reading), NOW, "a", Optional.empty(), false),
                NOW,
                "entry strip",
                "",
                Optional.empty(),
                1);
    }
}
