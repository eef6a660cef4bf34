package org.umberdial.server.readings;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.core.cold.Charge;
import org.umberdial.core.entry.Entry;
import org.umberdial.core.reading.Reading;
import org.umberdial.core.reading.ReadingLog;
import org.umberdial.core.volts.Bench;
import org.umberdial.server.journal.JournalService;
import org.umberdial.server.journal.Stamps;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.readings.internal.ReadingTables;
import org.umberdial.server.security.Caller;
import org.umberdial.server.sets.SetService;
import org.umberdial.server.sets.StoredSet;
import org.umberdial.server.shop.Instrument;
import org.umberdial.server.shop.ShopService;

/** Keeps readings. Nothing is ever changed or deleted; a correction is one more entry. */
@Service
public class ReadingService {
    private final ReadingTables tables;
    private final SetService sets;
    private final JournalService journals;
    private final ShopService shops;
    private final Clock clock;

    public ReadingService(
            ReadingTables tables, SetService sets, JournalService journals, ShopService shops, Clock clock) {
        this.tables = tables;
        this.sets = sets;
        this.journals = journals;
        this.shops = shops;
        this.clock = clock;
    }

    /** The conditions at a set's bench, with the chosen instrument. */
    public Bench bench(String shopId, StoredSet set) {
        Optional<Instrument> instrument = set.conditions().instrumentId().flatMap(id -> shops.instrument(shopId, id));
        return new Bench(
                set.conditions().lineVolts(),
                instrument.map(Instrument::meter),
                instrument.map(Instrument::accuracy).orElse(0.0),
                set.conditions().mode());
    }

    /** The readings that count as evidence: ohms taken while a capacitor was charged do not. */
    public ReadingLog log(String shopId, String setId) {
        Stamps stamps = new Stamps();
        List<Reading> readings = kept(shopId, setId).stream()
                .map(kept -> kept.reading().at(stamps.next(kept.reading().takenAt(), kept.receivedAt())))
                .toList();
        return new ReadingLog(Charge.evidence(
                readings,
                journals.journal(shopId, setId),
                shops.shop(shopId).policy().safeVolts()));
    }

    /** Whether a capacitor of the set still held a charge when it was last read. */
    public boolean charged(String shopId, String setId) {
        return Charge.at(
                        journals.journal(shopId, setId),
                        clock.instant(),
                        shops.shop(shopId).policy().safeVolts())
                == Charge.State.THERE;
    }

    /** Every entry, in the order they were kept. */
    public List<KeptReading> kept(String shopId, String setId) {
        return tables.all(shopId, setId);
    }

    /** The reading an entry would become under the bench's conditions. */
    public Reading reading(String id, Entry entry, StoredSet set, Bench bench, Optional<Instant> takenAt) {
        Instant taken = takenAt.filter(at -> at.isBefore(clock.instant().plus(Duration.ofMinutes(5))))
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
    @Transactional
    public boolean keep(Caller caller, String setId, Reading reading, String source, String note) {
        int order = sets.nextInLog(caller.shopId(), setId);
        boolean isNew = tables.insert(
                caller.shopId(),
                setId,
                new KeptReading(reading, clock.instant(), source, caller.author(), note, order));
        if (isNew) {
            sets.touch(caller.shopId(), setId, clock.instant());
        } else if (!tables.same(caller.shopId(), setId, reading)) {
            throw Problem.sameId("A reading");
        }
        return isNew;
    }

    /** Takes the last standing reading back with a further entry; the log keeps both. */
    @Transactional
    public Reading withdraw(Caller caller, String setId, String id, String readingId) {
        Reading back = kept(caller.shopId(), setId).stream()
                .map(KeptReading::reading)
                .filter(reading -> reading.id().equals(readingId) && !reading.withdrawn())
                .findFirst()
                .orElseThrow(() -> Problem.notFound("The reading to take back"));
        Reading withdrawal = new Reading(
                id,
                back.subject(),
                back.reference(),
                back.kind(),
                back.value(),
                back.lineVolts(),
                back.meter(),
                back.mode(),
                back.minutesOn(),
                clock.instant(),
                back.lifted(),
                Optional.of(readingId),
                true);
        keep(caller, setId, withdrawal, "taken back", "");
        return withdrawal;
    }
}
