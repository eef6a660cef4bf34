package org.umberdial.server.readings.internal;

import static org.umberdial.tables.Tables.READING;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.springframework.stereotype.Repository;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.reading.Reading;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.server.readings.KeptReading;

@Repository
public class ReadingTables {
    private final DSLContext db;

    ReadingTables(DSLContext db) {
        this.db = db;
    }

    public List<KeptReading> all(String shopId, String setId) {
        return db.selectFrom(READING)
                .where(READING.SHOP_ID.eq(shopId), READING.SET_ID.eq(setId))
                .orderBy(READING.LOG_ORDER, READING.SEQUENCE)
                .fetch(ReadingTables::kept);
    }

    private static KeptReading kept(Record row) {
        Double minutes = row.get(READING.MINUTES_ON);
        Reading reading = new Reading(
                row.get(READING.ID),
                row.get(READING.SUBJECT),
                row.get(READING.REFERENCE_NODE),
                ReadingKind.valueOf(row.get(READING.KIND)),
                row.get(READING.VALUE_SI),
                row.get(READING.LINE_VOLTS),
                Optional.of(row.get(READING.METER))
                        .filter(meter -> !meter.isEmpty())
                        .map(Meter::parse),
                row.get(READING.MODE),
                minutes == null ? OptionalDouble.empty() : OptionalDouble.of(minutes),
                row.get(READING.TAKEN_AT),
                row.get(READING.LIFTED),
                Optional.ofNullable(row.get(READING.SUPERSEDES_ID)),
                row.get(READING.WITHDRAWN) != 0);
        return new KeptReading(
                reading,
                row.get(READING.RECEIVED_AT),
                row.get(READING.SOURCE),
                row.get(READING.AUTHOR),
                row.get(READING.NOTE),
                row.get(READING.LOG_ORDER));
    }

    /**
     * Whether what is kept under a reading's id says the same; conditions may have been set anew between two sendings
     * of it.
     */
    public boolean same(String shopId, String setId, Reading reading) {
        return db.fetchExists(
                READING,
                READING.SHOP_ID.eq(shopId),
                READING.ID.eq(reading.id()),
                READING.SET_ID.eq(setId),
                READING.SUBJECT.eq(reading.subject()),
                READING.REFERENCE_NODE.eq(reading.reference()),
                READING.KIND.eq(reading.kind().name()),
                READING.VALUE_SI.eq(reading.value()),
                READING.LIFTED.eq(reading.lifted()),
                READING.WITHDRAWN.eq((byte) (reading.withdrawn() ? 1 : 0)));
    }

    /** Whether the row is new. */
    public boolean insert(String shopId, String setId, KeptReading kept) {
        Reading reading = kept.reading();
        return db.insertInto(READING)
                        .set(READING.SHOP_ID, shopId)
                        .set(READING.ID, reading.id())
                        .set(READING.SET_ID, setId)
                        .set(READING.SUBJECT, reading.subject())
                        .set(READING.REFERENCE_NODE, reading.reference())
                        .set(READING.KIND, reading.kind().name())
                        .set(READING.VALUE_SI, reading.value())
                        .set(READING.UNIT, reading.kind().unit().symbol())
                        .set(READING.LINE_VOLTS, reading.lineVolts())
                        .set(READING.METER, reading.meter().map(Meter::notation).orElse(""))
                        .set(READING.MODE, reading.mode())
                        .set(
                                READING.MINUTES_ON,
                                reading.minutesOn().isPresent()
                                        ? reading.minutesOn().getAsDouble()
                                        : null)
                        .set(READING.LIFTED, reading.lifted())
                        .set(READING.TAKEN_AT, reading.takenAt())
                        .set(READING.RECEIVED_AT, kept.receivedAt())
                        .set(READING.SOURCE, kept.source())
                        .set(READING.AUTHOR, kept.author())
                        .set(READING.NOTE, kept.note())
                        .set(READING.LOG_ORDER, kept.order())
                        .set(READING.SUPERSEDES_ID, reading.supersedes().orElse(null))
                        .set(READING.WITHDRAWN, (byte) (reading.withdrawn() ? 1 : 0))
                        .onDuplicateKeyIgnore()
                        .execute()
                == 1;
    }
}
