package org.umberdial.server.evidence;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.stereotype.Service;
import org.umberdial.core.area.Bench;
import org.umberdial.core.entry.Entry;
import org.umberdial.core.evidence.Metered;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.instrument.Ability;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.instrument.Kit;
import org.umberdial.server.instrument.InstrumentService;
import org.umberdial.server.security.Caller;
import org.umberdial.server.sets.StoredSet;

/** The conditions readings are taken under, and what an entry of the strip becomes under them. */
@Service
public class ReadingService {
    private static final Duration CLOCKS_APART = Duration.ofMinutes(5);

    private final EvidenceService evidence;
    private final InstrumentService instruments;
    private final Clock clock;

    public ReadingService(EvidenceService evidence, InstrumentService instruments, Clock clock) {
        this.evidence = evidence;
        this.instruments = instruments;
        this.clock = clock;
    }

    /** The conditions at a set's bench, with the chosen instrument. */
    public Bench bench(String shopId, StoredSet set) {
        return bench(
                set,
                set.conditions().instrumentId().isEmpty()
                        ? new Kit(List.of())
                        : InstrumentService.kit(instruments.instruments(shopId)));
    }

    /** The same with the shop's instruments at hand. */
    public static Bench bench(StoredSet set, Kit kit) {
        Optional<Ability> volts =
                set.conditions().instrumentId().flatMap(kit::instrument).flatMap(i -> i.ability(Equipment.VOLTMETER));
        return new Bench(
                set.conditions().lineVolts(),
                volts.flatMap(Ability::input),
                volts.map(a -> a.accuracy().orElse(0)).orElse(0.0),
                volts.map(Ability::highest).orElse(OptionalDouble.empty()),
                set.conditions().mode());
    }

    /** The reading an entry would become under the bench's conditions. */
    public Reading reading(String id, Entry entry, StoredSet set, Bench bench, Optional<Instant> takenAt) {
        Instant taken = takenAt.filter(at -> at.isBefore(clock.instant().plus(CLOCKS_APART)))
                .orElseGet(clock::instant);
        OptionalDouble minutes = set.conditions()
                .switchedOnAt()
                .filter(on -> !entry.partOhms() && !on.isAfter(taken))
                .map(on -> OptionalDouble.of(Duration.between(on, taken).toSeconds() / 60.0))
                .orElse(OptionalDouble.empty());
        return new Reading(
                id,
                entry.subject(),
                entry.reference(),
                entry.kind(),
                entry.value(),
                bench.lineVolts(),
                bench.meter(),
                bench.mode(),
                minutes,
                taken,
                entry.lifted(),
                Optional.empty(),
                false);
    }

    /**
     * Keeps a reading; the same id again changes nothing.
     *
     * @return whether it is new
     */
    public boolean keep(Caller caller, String setId, Reading reading, String source, String note) {
        return evidence.keep(caller, setId, reading.id(), Metered.of(reading), reading.takenAt(), source, note);
    }
}
