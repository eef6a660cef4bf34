package org.umberdial.server.shop.internal;

import static org.umberdial.tables.Tables.INSTRUMENT;
import static org.umberdial.tables.Tables.SHOP;

import java.time.Instant;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.springframework.stereotype.Repository;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.policy.Vocabulary;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.server.shop.Instrument;
import org.umberdial.server.shop.Shop;

@Repository
public class ShopTables {
    private final DSLContext db;

    ShopTables(DSLContext db) {
        this.db = db;
    }

    public Optional<String> firstShop() {
        return db.select(SHOP.ID).from(SHOP).orderBy(SHOP.CREATED_AT).limit(1).fetchOptional(SHOP.ID);
    }

    public Optional<Shop> shop(String shopId) {
        return db.selectFrom(SHOP).where(SHOP.ID.eq(shopId)).fetchOptional(ShopTables::shop);
    }

    private static Shop shop(Record row) {
        HousePolicy policy = new HousePolicy(
                new HousePolicy.Words(
                        Vocabulary.valueOf(row.get(SHOP.VOCABULARY)), DecimalSign.valueOf(row.get(SHOP.DECIMAL_SIGN))),
                new HousePolicy.Line(row.get(SHOP.LINE_VOLTS), row.get(SHOP.LINE_HERTZ)),
                new HousePolicy.Volts(
                        row.get(SHOP.SPREAD),
                        row.get(SHOP.DOUBT_MARGIN),
                        row.get(SHOP.GRID_RISE_VOLTS),
                        row.get(SHOP.WATTS_MARGIN),
                        row.get(SHOP.DRIFT_FRACTION),
                        row.get(SHOP.HEATER_OVER),
                        row.get(SHOP.USUAL_SPREAD)),
                new HousePolicy.Cold(
                        row.get(SHOP.SAFE_VOLTS),
                        row.get(SHOP.BLEED_OHMS),
                        row.get(SHOP.INSULATION_OHMS),
                        row.get(SHOP.TOUCH_AMPERES),
                        row.get(SHOP.HALVES_APART),
                        row.get(SHOP.VA_HEADROOM),
                        row.get(SHOP.LOAD_APART),
                        row.get(SHOP.PROPORTION_APART),
                        row.get(SHOP.INJECTION_VOLTS),
                        row.get(SHOP.INSTRUMENT_TRUST),
                        row.get(SHOP.COPPER_DOUBTFUL_CELSIUS),
                        row.get(SHOP.COPPER_MOST_CELSIUS)),
                new HousePolicy.Worth(row.get(SHOP.HOUR_MONEY), row.get(SHOP.MONEY)));
        return new Shop(
                row.get(SHOP.ID),
                row.get(SHOP.NAME),
                ZoneId.of(row.get(SHOP.TIME_ZONE)),
                policy,
                row.get(SHOP.VERSION));
    }

    public void insert(Shop shop, Instant now) {
        db.insertInto(SHOP)
                .set(cells(shop))
                .set(SHOP.ID, shop.id())
                .set(SHOP.CREATED_AT, now)
                .execute();
    }

    /** Whether the shop still had the version that was changed. */
    public boolean update(Shop shop) {
        return db.update(SHOP)
                        .set(cells(shop))
                        .set(SHOP.VERSION, shop.version() + 1)
                        .where(SHOP.ID.eq(shop.id()), SHOP.VERSION.eq(shop.version()))
                        .execute()
                == 1;
    }

    private static Map<Field<?>, Object> cells(Shop shop) {
        HousePolicy policy = shop.policy();
        Map<Field<?>, Object> cells = new LinkedHashMap<>();
        cells.put(SHOP.NAME, shop.name());
        cells.put(SHOP.TIME_ZONE, shop.timeZone().getId());
        cells.put(SHOP.VOCABULARY, policy.vocabulary().name());
        cells.put(SHOP.DECIMAL_SIGN, policy.decimalSign().name());
        cells.put(SHOP.LINE_VOLTS, policy.lineVolts());
        cells.put(SHOP.LINE_HERTZ, policy.lineHertz());
        cells.put(SHOP.SPREAD, policy.spread());
        cells.put(SHOP.DOUBT_MARGIN, policy.doubtMargin());
        cells.put(SHOP.GRID_RISE_VOLTS, policy.gridRiseVolts());
        cells.put(SHOP.WATTS_MARGIN, policy.wattsMargin());
        cells.put(SHOP.DRIFT_FRACTION, policy.driftFraction());
        cells.put(SHOP.HEATER_OVER, policy.heaterOver());
        cells.put(SHOP.SAFE_VOLTS, policy.safeVolts());
        cells.put(SHOP.BLEED_OHMS, policy.bleedOhms());
        cells.put(SHOP.INSULATION_OHMS, policy.insulationOhms());
        cells.put(SHOP.TOUCH_AMPERES, policy.touchAmperes());
        cells.put(SHOP.HALVES_APART, policy.halvesApart());
        cells.put(SHOP.VA_HEADROOM, policy.vaHeadroom());
        cells.put(SHOP.HOUR_MONEY, policy.hourRate());
        cells.put(SHOP.USUAL_SPREAD, policy.usualSpread());
        cells.put(SHOP.LOAD_APART, policy.loadApart());
        cells.put(SHOP.PROPORTION_APART, policy.proportionApart());
        cells.put(SHOP.INJECTION_VOLTS, policy.injectionVolts());
        cells.put(SHOP.INSTRUMENT_TRUST, policy.cold().instrumentTrust());
        cells.put(SHOP.COPPER_DOUBTFUL_CELSIUS, policy.cold().copperDoubtfulCelsius());
        cells.put(SHOP.COPPER_MOST_CELSIUS, policy.cold().copperMostCelsius());
        cells.put(SHOP.MONEY, policy.money());
        return cells;
    }

    public List<Instrument> instruments(String shopId) {
        return db.selectFrom(INSTRUMENT)
                .where(INSTRUMENT.SHOP_ID.eq(shopId))
                .orderBy(INSTRUMENT.NAME)
                .fetch(row -> new Instrument(
                        row.get(INSTRUMENT.ID),
                        row.get(INSTRUMENT.NAME),
                        Meter.parse(row.get(INSTRUMENT.METER)),
                        row.get(INSTRUMENT.ACCURACY),
                        row.get(INSTRUMENT.RETIRED),
                        row.get(INSTRUMENT.VERSION)));
    }

    public void insertInstrument(String shopId, Instrument instrument) {
        db.insertInto(INSTRUMENT)
                .set(INSTRUMENT.SHOP_ID, shopId)
                .set(INSTRUMENT.ID, instrument.id())
                .set(INSTRUMENT.NAME, instrument.name())
                .set(INSTRUMENT.METER, instrument.meter().notation())
                .set(INSTRUMENT.ACCURACY, instrument.accuracy())
                .onDuplicateKeyIgnore()
                .execute();
    }

    public boolean updateInstrument(String shopId, Instrument instrument) {
        return db.update(INSTRUMENT)
                        .set(INSTRUMENT.NAME, instrument.name())
                        .set(INSTRUMENT.METER, instrument.meter().notation())
                        .set(INSTRUMENT.ACCURACY, instrument.accuracy())
                        .set(INSTRUMENT.RETIRED, instrument.retired())
                        .set(INSTRUMENT.VERSION, instrument.version() + 1)
                        .where(
                                INSTRUMENT.SHOP_ID.eq(shopId),
                                INSTRUMENT.ID.eq(instrument.id()),
                                INSTRUMENT.VERSION.eq(instrument.version()))
                        .execute()
                == 1;
    }
}
