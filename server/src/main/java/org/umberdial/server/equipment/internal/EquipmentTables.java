package org.umberdial.server.equipment.internal;

import static org.umberdial.tables.Tables.EQUIPMENT;
import static org.umberdial.tables.Tables.EQUIPMENT_CHECK;
import static org.umberdial.tables.Tables.STOCK_TRANSFORMER;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.springframework.stereotype.Repository;
import org.umberdial.core.cold.TransformerSize;
import org.umberdial.core.procedure.Equipment;
import org.umberdial.core.value.Unit;
import org.umberdial.server.equipment.EquipmentItem;

/** Equipment, its control readings, and transformers in stock. */
@Repository
public class EquipmentTables {
    private final DSLContext db;

    EquipmentTables(DSLContext db) {
        this.db = db;
    }

    public List<EquipmentItem> equipment(String shopId) {
        Map<String, EquipmentItem.Check> last = new HashMap<>();
        db.selectFrom(EQUIPMENT_CHECK)
                .where(EQUIPMENT_CHECK.SHOP_ID.eq(shopId))
                .orderBy(EQUIPMENT_CHECK.TAKEN_AT)
                .forEach(row -> last.put(row.get(EQUIPMENT_CHECK.EQUIPMENT_ID), check(row)));
        return db.selectFrom(EQUIPMENT)
                .where(EQUIPMENT.SHOP_ID.eq(shopId))
                .orderBy(EQUIPMENT.NAME)
                .fetch(row -> new EquipmentItem(
                        row.get(EQUIPMENT.ID),
                        Equipment.valueOf(row.get(EQUIPMENT.KIND)),
                        row.get(EQUIPMENT.NAME),
                        row.get(EQUIPMENT.RETIRED),
                        row.get(EQUIPMENT.VERSION),
                        Optional.ofNullable(last.get(row.get(EQUIPMENT.ID)))));
    }

    private static EquipmentItem.Check check(Record row) {
        return new EquipmentItem.Check(
                row.get(EQUIPMENT_CHECK.ID),
                row.get(EQUIPMENT_CHECK.PART),
                Unit.valueOf(row.get(EQUIPMENT_CHECK.UNIT)),
                row.get(EQUIPMENT_CHECK.KNOWN),
                row.get(EQUIPMENT_CHECK.SHOWN),
                row.get(EQUIPMENT_CHECK.TAKEN_AT),
                row.get(EQUIPMENT_CHECK.AUTHOR));
    }

    public List<EquipmentItem.Check> checks(String shopId, String equipmentId) {
        return db.selectFrom(EQUIPMENT_CHECK)
                .where(EQUIPMENT_CHECK.SHOP_ID.eq(shopId), EQUIPMENT_CHECK.EQUIPMENT_ID.eq(equipmentId))
                .orderBy(EQUIPMENT_CHECK.TAKEN_AT.desc())
                .limit(20)
                .fetch(EquipmentTables::check);
    }

    /** Adds it; the same id again changes nothing. */
    public void add(String shopId, EquipmentItem item) {
        db.insertInto(EQUIPMENT)
                .set(EQUIPMENT.SHOP_ID, shopId)
                .set(EQUIPMENT.ID, item.id())
                .set(EQUIPMENT.KIND, item.kind().name())
                .set(EQUIPMENT.NAME, item.name())
                .onDuplicateKeyIgnore()
                .execute();
    }

    /** Whether it still had the version that was changed. */
    public boolean update(String shopId, EquipmentItem item) {
        return db.update(EQUIPMENT)
                        .set(EQUIPMENT.KIND, item.kind().name())
                        .set(EQUIPMENT.NAME, item.name())
                        .set(EQUIPMENT.RETIRED, item.retired())
                        .set(EQUIPMENT.VERSION, item.version() + 1)
                        .where(
                                EQUIPMENT.SHOP_ID.eq(shopId),
                                EQUIPMENT.ID.eq(item.id()),
                                EQUIPMENT.VERSION.eq(item.version()))
                        .execute()
                == 1;
    }

    public void check(String shopId, String equipmentId, EquipmentItem.Check check) {
        db.insertInto(EQUIPMENT_CHECK)
                .set(EQUIPMENT_CHECK.SHOP_ID, shopId)
                .set(EQUIPMENT_CHECK.ID, check.id())
                .set(EQUIPMENT_CHECK.EQUIPMENT_ID, equipmentId)
                .set(EQUIPMENT_CHECK.PART, check.part())
                .set(EQUIPMENT_CHECK.UNIT, check.unit().name())
                .set(EQUIPMENT_CHECK.KNOWN, check.known())
                .set(EQUIPMENT_CHECK.SHOWN, check.shown())
                .set(EQUIPMENT_CHECK.TAKEN_AT, check.at())
                .set(EQUIPMENT_CHECK.AUTHOR, check.author())
                .onDuplicateKeyIgnore()
                .execute();
    }

    /** Transformers in stock, by id. */
    public Map<String, TransformerSize.Candidate> stock(String shopId) {
        return db.selectFrom(STOCK_TRANSFORMER)
                .where(STOCK_TRANSFORMER.SHOP_ID.eq(shopId), STOCK_TRANSFORMER.GONE.eq(false))
                .orderBy(STOCK_TRANSFORMER.NAME)
                .fetchMap(
                        STOCK_TRANSFORMER.ID,
                        row -> new TransformerSize.Candidate(
                                row.get(STOCK_TRANSFORMER.NAME),
                                row.get(STOCK_TRANSFORMER.VA),
                                row.get(STOCK_TRANSFORMER.HIGH_VOLTS),
                                row.get(STOCK_TRANSFORMER.AMPERES),
                                TransformerSize.CentreTap.valueOf(row.get(STOCK_TRANSFORMER.CENTRE_TAP)),
                                row.get(STOCK_TRANSFORMER.HEATER_VOLTS),
                                row.get(STOCK_TRANSFORMER.HEATER_AMPERES),
                                row.get(STOCK_TRANSFORMER.RECTIFIER_VOLTS),
                                row.get(STOCK_TRANSFORMER.RECTIFIER_AMPERES),
                                true));
    }

    public void stock(String shopId, String id, TransformerSize.Candidate c) {
        db.insertInto(STOCK_TRANSFORMER)
                .set(STOCK_TRANSFORMER.SHOP_ID, shopId)
                .set(STOCK_TRANSFORMER.ID, id)
                .set(STOCK_TRANSFORMER.NAME, c.name())
                .set(STOCK_TRANSFORMER.VA, c.va())
                .set(STOCK_TRANSFORMER.HIGH_VOLTS, c.highVolts())
                .set(STOCK_TRANSFORMER.AMPERES, c.amperes())
                .set(STOCK_TRANSFORMER.CENTRE_TAP, c.centreTap().name())
                .set(STOCK_TRANSFORMER.HEATER_VOLTS, c.heaterVolts())
                .set(STOCK_TRANSFORMER.HEATER_AMPERES, c.heaterAmperes())
                .set(STOCK_TRANSFORMER.RECTIFIER_VOLTS, c.rectifierVolts())
                .set(STOCK_TRANSFORMER.RECTIFIER_AMPERES, c.rectifierAmperes())
                .onDuplicateKeyIgnore()
                .execute();
    }

    public void gone(String shopId, String id) {
        db.update(STOCK_TRANSFORMER)
                .set(STOCK_TRANSFORMER.GONE, true)
                .where(STOCK_TRANSFORMER.SHOP_ID.eq(shopId), STOCK_TRANSFORMER.ID.eq(id))
                .execute();
    }
}
