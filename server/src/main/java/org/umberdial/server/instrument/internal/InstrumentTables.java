package org.umberdial.server.instrument.internal;

import static org.umberdial.tables.Tables.BENCH_INSTRUMENT;
import static org.umberdial.tables.Tables.CONTROL_READING;
import static org.umberdial.tables.Tables.INSTRUMENT_ABILITY;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.springframework.stereotype.Repository;
import org.umberdial.core.instrument.Ability;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.instrument.Instrument;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.value.Unit;
import org.umberdial.server.instrument.ControlReading;
import org.umberdial.server.instrument.ShopInstrument;

/** Instruments, what each does and how far it reaches, and their control readings. */
@Repository
public class InstrumentTables {
    private static final int MOST_CONTROLS = 20;

    private final DSLContext db;

    InstrumentTables(DSLContext db) {
        this.db = db;
    }

    public List<ShopInstrument> instruments(String shopId) {
        Map<String, Map<Equipment, ControlReading>> last = new HashMap<>();
        db.selectFrom(CONTROL_READING)
                .where(CONTROL_READING.SHOP_ID.eq(shopId))
                .orderBy(CONTROL_READING.TAKEN_AT)
                .forEach(row -> last.computeIfAbsent(
                                row.get(CONTROL_READING.INSTRUMENT_ID), i -> new EnumMap<>(Equipment.class))
                        .put(Equipment.valueOf(row.get(CONTROL_READING.KIND)), control(row)));
        Map<String, List<Ability>> abilities = new HashMap<>();
        db.selectFrom(INSTRUMENT_ABILITY)
                .where(INSTRUMENT_ABILITY.SHOP_ID.eq(shopId))
                .forEach(row -> abilities
                        .computeIfAbsent(row.get(INSTRUMENT_ABILITY.INSTRUMENT_ID), i -> new ArrayList<>())
                        .add(ability(row)));
        abilities.values().forEach(all -> all.sort(java.util.Comparator.comparing(Ability::kind)));
        return db.selectFrom(BENCH_INSTRUMENT)
                .where(BENCH_INSTRUMENT.SHOP_ID.eq(shopId))
                .orderBy(BENCH_INSTRUMENT.NAME, BENCH_INSTRUMENT.ID)
                .fetch(row -> new ShopInstrument(
                        new Instrument(
                                row.get(BENCH_INSTRUMENT.ID),
                                row.get(BENCH_INSTRUMENT.NAME),
                                row.get(BENCH_INSTRUMENT.RETIRED),
                                abilities.getOrDefault(row.get(BENCH_INSTRUMENT.ID), List.of())),
                        row.get(BENCH_INSTRUMENT.VERSION),
                        List.copyOf(last.getOrDefault(row.get(BENCH_INSTRUMENT.ID), Map.of())
                                .values())));
    }

    private static Ability ability(Record row) {
        return new Ability(
                Equipment.valueOf(row.get(INSTRUMENT_ABILITY.KIND)),
                Optional.ofNullable(row.get(INSTRUMENT_ABILITY.INPUT)).map(Meter::parse),
                some(row.get(INSTRUMENT_ABILITY.ACCURACY)),
                some(row.get(INSTRUMENT_ABILITY.HIGHEST)),
                Arrays.stream(row.get(INSTRUMENT_ABILITY.TEST_VOLTS).split(" "))
                        .filter(word -> !word.isEmpty())
                        .map(Double::valueOf)
                        .toList(),
                some(row.get(INSTRUMENT_ABILITY.OUTPUT_OHMS)),
                Optional.ofNullable(row.get(INSTRUMENT_ABILITY.RESPONSE)).map(Ability.Response::valueOf));
    }

    private static OptionalDouble some(Double value) {
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }

    private static Double orNull(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }

    /** Adds it; the same id again changes nothing. */
    public void insert(String shopId, Instrument instrument) {
        int added = db.insertInto(BENCH_INSTRUMENT)
                .set(BENCH_INSTRUMENT.SHOP_ID, shopId)
                .set(BENCH_INSTRUMENT.ID, instrument.id())
                .set(BENCH_INSTRUMENT.NAME, instrument.name())
                .set(BENCH_INSTRUMENT.RETIRED, instrument.retired())
                .onDuplicateKeyIgnore()
                .execute();
        if (added == 1) {
            abilities(shopId, instrument);
        }
    }

    /** Whether it still had the version that was changed. */
    public boolean update(String shopId, Instrument instrument, int version) {
        int changed = db.update(BENCH_INSTRUMENT)
                .set(BENCH_INSTRUMENT.NAME, instrument.name())
                .set(BENCH_INSTRUMENT.RETIRED, instrument.retired())
                .set(BENCH_INSTRUMENT.VERSION, version + 1)
                .where(
                        BENCH_INSTRUMENT.SHOP_ID.eq(shopId),
                        BENCH_INSTRUMENT.ID.eq(instrument.id()),
                        BENCH_INSTRUMENT.VERSION.eq(version))
                .execute();
        if (changed == 1) {
            db.deleteFrom(INSTRUMENT_ABILITY)
                    .where(INSTRUMENT_ABILITY.SHOP_ID.eq(shopId), INSTRUMENT_ABILITY.INSTRUMENT_ID.eq(instrument.id()))
                    .execute();
            abilities(shopId, instrument);
        }
        return changed == 1;
    }

    private void abilities(String shopId, Instrument instrument) {
        for (Ability ability : instrument.abilities()) {
            db.insertInto(INSTRUMENT_ABILITY)
                    .set(INSTRUMENT_ABILITY.SHOP_ID, shopId)
                    .set(INSTRUMENT_ABILITY.INSTRUMENT_ID, instrument.id())
                    .set(INSTRUMENT_ABILITY.KIND, ability.kind().name())
                    .set(
                            INSTRUMENT_ABILITY.INPUT,
                            ability.input().map(Meter::notation).orElse(null))
                    .set(INSTRUMENT_ABILITY.ACCURACY, orNull(ability.accuracy()))
                    .set(INSTRUMENT_ABILITY.HIGHEST, orNull(ability.highest()))
                    .set(
                            INSTRUMENT_ABILITY.TEST_VOLTS,
                            ability.testVolts().stream()
                                    .map(volts -> BigDecimal.valueOf(volts)
                                            .stripTrailingZeros()
                                            .toPlainString())
                                    .collect(Collectors.joining(" ")))
                    .set(INSTRUMENT_ABILITY.OUTPUT_OHMS, orNull(ability.outputOhms()))
                    .set(
                            INSTRUMENT_ABILITY.RESPONSE,
                            ability.response().map(Enum::name).orElse(null))
                    .execute();
        }
    }

    public List<ControlReading> controls(String shopId, String instrumentId) {
        return db.selectFrom(CONTROL_READING)
                .where(CONTROL_READING.SHOP_ID.eq(shopId), CONTROL_READING.INSTRUMENT_ID.eq(instrumentId))
                .orderBy(CONTROL_READING.TAKEN_AT.desc())
                .limit(MOST_CONTROLS)
                .fetch(InstrumentTables::control);
    }

    private static ControlReading control(Record row) {
        return new ControlReading(
                row.get(CONTROL_READING.ID),
                Equipment.valueOf(row.get(CONTROL_READING.KIND)),
                row.get(CONTROL_READING.PART),
                Unit.valueOf(row.get(CONTROL_READING.UNIT)),
                row.get(CONTROL_READING.KNOWN),
                row.get(CONTROL_READING.SHOWN),
                row.get(CONTROL_READING.TAKEN_AT),
                row.get(CONTROL_READING.AUTHOR));
    }

    public void keep(String shopId, String instrumentId, ControlReading read) {
        db.insertInto(CONTROL_READING)
                .set(CONTROL_READING.SHOP_ID, shopId)
                .set(CONTROL_READING.ID, read.id())
                .set(CONTROL_READING.INSTRUMENT_ID, instrumentId)
                .set(CONTROL_READING.KIND, read.kind().name())
                .set(CONTROL_READING.PART, read.part())
                .set(CONTROL_READING.UNIT, read.unit().name())
                .set(CONTROL_READING.KNOWN, read.known())
                .set(CONTROL_READING.SHOWN, read.shown())
                .set(CONTROL_READING.TAKEN_AT, read.at())
                .set(CONTROL_READING.AUTHOR, read.author())
                .onDuplicateKeyIgnore()
                .execute();
    }
}
