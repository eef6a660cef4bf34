package org.umberdial.server.shop.internal;

import static org.umberdial.tables.Tables.SHOP;

import java.time.Instant;
import java.time.ZoneId;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.TableField;
import org.springframework.stereotype.Repository;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.policy.PolicyFigure;
import org.umberdial.core.policy.Schools;
import org.umberdial.core.policy.Vocabulary;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.server.shop.Shop;

@Repository
public class ShopTables {
    private static final Map<PolicyFigure, TableField<?, Double>> COLUMNS = new EnumMap<>(Map.ofEntries(
            Map.entry(PolicyFigure.LINE_VOLTS, SHOP.LINE_VOLTS),
            Map.entry(PolicyFigure.LINE_HERTZ, SHOP.LINE_HERTZ),
            Map.entry(PolicyFigure.SPREAD, SHOP.SPREAD),
            Map.entry(PolicyFigure.DOUBT_MARGIN, SHOP.DOUBT_MARGIN),
            Map.entry(PolicyFigure.GRID_RISE_VOLTS, SHOP.GRID_RISE_VOLTS),
            Map.entry(PolicyFigure.WATTS_MARGIN, SHOP.WATTS_MARGIN),
            Map.entry(PolicyFigure.DRIFT_FRACTION, SHOP.DRIFT_FRACTION),
            Map.entry(PolicyFigure.HEATER_OVER, SHOP.HEATER_OVER),
            Map.entry(PolicyFigure.USUAL_SPREAD, SHOP.USUAL_SPREAD),
            Map.entry(PolicyFigure.SAFE_VOLTS, SHOP.SAFE_VOLTS),
            Map.entry(PolicyFigure.BLEED_OHMS, SHOP.BLEED_OHMS),
            Map.entry(PolicyFigure.INSULATION_OHMS, SHOP.INSULATION_OHMS),
            Map.entry(PolicyFigure.TOUCH_AMPERES, SHOP.TOUCH_AMPERES),
            Map.entry(PolicyFigure.INSTRUMENT_TRUST, SHOP.INSTRUMENT_TRUST),
            Map.entry(PolicyFigure.HALVES_APART, SHOP.HALVES_APART),
            Map.entry(PolicyFigure.PROPORTION_APART, SHOP.PROPORTION_APART),
            Map.entry(PolicyFigure.INJECTION_VOLTS, SHOP.INJECTION_VOLTS),
            Map.entry(PolicyFigure.VA_HEADROOM, SHOP.VA_HEADROOM),
            Map.entry(PolicyFigure.LOAD_APART, SHOP.LOAD_APART),
            Map.entry(PolicyFigure.COPPER_DOUBTFUL_CELSIUS, SHOP.COPPER_DOUBTFUL_CELSIUS),
            Map.entry(PolicyFigure.COPPER_MOST_CELSIUS, SHOP.COPPER_MOST_CELSIUS),
            Map.entry(PolicyFigure.CAPACITANCE_LOW, SHOP.CAPACITANCE_LOW),
            Map.entry(PolicyFigure.CAPACITANCE_OPEN, SHOP.CAPACITANCE_OPEN),
            Map.entry(PolicyFigure.CAPACITANCE_HIGH, SHOP.CAPACITANCE_HIGH),
            Map.entry(PolicyFigure.PROOF_SHARE, SHOP.PROOF_SHARE),
            Map.entry(PolicyFigure.LEAK_PER_CV, SHOP.LEAK_PER_CV),
            Map.entry(PolicyFigure.LEAK_BASE, SHOP.LEAK_BASE),
            Map.entry(PolicyFigure.USABLE_TIMES, SHOP.USABLE_TIMES),
            Map.entry(PolicyFigure.LEAK_WATTS, SHOP.LEAK_WATTS),
            Map.entry(PolicyFigure.LOSS_ANGLE, SHOP.LOSS_ANGLE),
            Map.entry(PolicyFigure.DRY_LEAST_OHMS, SHOP.DRY_LEAST_OHMS),
            Map.entry(PolicyFigure.TUBE_BAND, SHOP.TUBE_BAND),
            Map.entry(PolicyFigure.REFORM_SECONDS, SHOP.REFORM_SECONDS),
            Map.entry(PolicyFigure.LOT_SHARE, SHOP.LOT_SHARE),
            Map.entry(PolicyFigure.SPEED_APART, SHOP.SPEED_APART),
            Map.entry(PolicyFigure.WOW_MOST, SHOP.WOW_MOST),
            Map.entry(PolicyFigure.DIAL_APART, SHOP.DIAL_APART)));

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
        Map<PolicyFigure, Double> figures = new EnumMap<>(PolicyFigure.class);
        COLUMNS.forEach((figure, column) -> figures.put(figure, row.get(column)));
        HousePolicy policy = PolicyFigure.policy(
                new HousePolicy.Words(
                        Vocabulary.valueOf(row.get(SHOP.VOCABULARY)), DecimalSign.valueOf(row.get(SHOP.DECIMAL_SIGN))),
                figures,
                Schools.read(row.get(SHOP.SCHOOLS)),
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
        COLUMNS.forEach((figure, column) -> cells.put(column, figure.of(policy)));
        cells.put(SHOP.SCHOOLS, policy.schools().stored());
        cells.put(SHOP.HOUR_MONEY, policy.hourRate());
        cells.put(SHOP.MONEY, policy.money());
        return cells;
    }
}
