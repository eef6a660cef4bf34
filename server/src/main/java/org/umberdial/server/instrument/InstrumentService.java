package org.umberdial.server.instrument;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.core.instrument.Ability;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.instrument.Instrument;
import org.umberdial.core.instrument.Kit;
import org.umberdial.core.reading.Meter;
import org.umberdial.server.instrument.internal.InstrumentTables;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;

/** The instruments the shop measures with. */
@Service
public class InstrumentService {
    private static final int CHECKED_LATELY_SECONDS = 12 * 3600;

    private final InstrumentTables tables;
    private final Clock clock;

    public InstrumentService(InstrumentTables tables, Clock clock) {
        this.tables = tables;
        this.clock = clock;
    }

    /** The shop's instruments by name; a new shop starts with the two usual meters and a discharge resistor. */
    @Transactional
    public List<ShopInstrument> instruments(String shopId) {
        List<ShopInstrument> there = tables.instruments(shopId);
        if (!there.isEmpty()) {
            return there;
        }
        // No highest reading, for nobody said one: a guess would bound what these can show.
        begin(
                shopId,
                "Digital meter",
                Ability.voltmeter(Meter.parse("10M"), 0.01),
                Ability.of(Equipment.OHMMETER),
                Ability.of(Equipment.DIODE_TEST),
                Ability.of(Equipment.AC_METER));
        begin(shopId, "Moving-coil meter", Ability.voltmeter(Meter.parse("20k/V"), 0.03));
        begin(shopId, "Discharge resistor with clips", Ability.of(Equipment.DISCHARGE_TOOL));
        return tables.instruments(shopId);
    }

    /** Under an id of its name, so that two who come first at once begin with the same. */
    private void begin(String shopId, String name, Ability... abilities) {
        String id = UUID.nameUUIDFromBytes((shopId + name).getBytes(StandardCharsets.UTF_8))
                .toString();
        tables.insert(shopId, new Instrument(id, name, false, List.of(abilities)));
    }

    public static Kit kit(List<ShopInstrument> instruments) {
        return new Kit(instruments.stream().map(ShopInstrument::instrument).toList());
    }

    public Optional<ShopInstrument> instrument(String shopId, String id) {
        return instruments(shopId).stream().filter(one -> one.id().equals(id)).findFirst();
    }

    /** @throws Problem when the shop has no such instrument */
    public ShopInstrument require(String shopId, String id) {
        return instrument(shopId, id).orElseThrow(() -> Problem.notFound("This instrument"));
    }

    /** Adds an instrument; the same id again changes nothing. */
    @Transactional
    public ShopInstrument add(String shopId, Instrument instrument) {
        tables.insert(shopId, instrument);
        return require(shopId, instrument.id());
    }

    /** @param version that was changed */
    @Transactional
    public ShopInstrument save(String shopId, Instrument instrument, int version) {
        require(shopId, instrument.id());
        if (!tables.update(shopId, instrument, version)) {
            throw Problem.changedMeanwhile("This instrument");
        }
        return require(shopId, instrument.id());
    }

    /** Keeps a control reading with its instrument; the same id again changes nothing. */
    @Transactional
    public void keep(Caller caller, String instrumentId, ControlReading read) {
        require(caller.shopId(), instrumentId);
        tables.keep(
                caller.shopId(),
                instrumentId,
                new ControlReading(
                        read.id(),
                        read.kind(),
                        read.part(),
                        read.unit(),
                        read.known(),
                        read.shown(),
                        clock.instant(),
                        caller.author()));
    }

    /** The latest control readings of an instrument, the newest first. */
    public List<ControlReading> controls(String shopId, String instrumentId) {
        return tables.controls(shopId, instrumentId);
    }

    /** Whether an instrument was proven on a known-good part in the last twelve hours. */
    public boolean checkedLately(ShopInstrument instrument) {
        return instrument.lastControls().stream()
                .anyMatch(read -> read.at().isAfter(clock.instant().minusSeconds(CHECKED_LATELY_SECONDS)));
    }
}
