package org.umberdial.server.sets.internal;

import static org.umberdial.tables.Tables.SHEET_VALUE;
import static org.umberdial.tables.Tables.TEST_POINT;

import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.SheetValue;
import org.umberdial.core.set.TestPoint;

/** Rows of what is probed at sets, and what their sheets say. */
@Repository
public class ChartTables {
    private final DSLContext db;

    ChartTables(DSLContext db) {
        this.db = db;
    }

    public List<TestPoint> testPoints(String shopId, String setId) {
        return db.selectFrom(TEST_POINT)
                .where(TEST_POINT.SHOP_ID.eq(shopId), TEST_POINT.SET_ID.eq(setId))
                .orderBy(TEST_POINT.POSITION)
                .fetch(row -> new TestPoint(
                        row.get(TEST_POINT.NODE),
                        row.get(TEST_POINT.NODE),
                        row.get(TEST_POINT.NAME),
                        row.get(TEST_POINT.SOCKET),
                        row.get(TEST_POINT.PIN),
                        row.get(TEST_POINT.HINT)));
    }

    public void replaceTestPoints(String shopId, String setId, List<TestPoint> points) {
        db.deleteFrom(TEST_POINT)
                .where(TEST_POINT.SHOP_ID.eq(shopId), TEST_POINT.SET_ID.eq(setId))
                .execute();
        for (int i = 0; i < points.size(); i++) {
            TestPoint point = points.get(i);
            db.insertInto(
                            TEST_POINT,
                            TEST_POINT.SHOP_ID,
                            TEST_POINT.SET_ID,
                            TEST_POINT.NODE,
                            TEST_POINT.POSITION,
                            TEST_POINT.NAME,
                            TEST_POINT.SOCKET,
                            TEST_POINT.PIN,
                            TEST_POINT.HINT)
                    .values(shopId, setId, point.node(), i, point.name(), point.socket(), point.pin(), point.hint())
                    .execute();
        }
    }

    public List<SheetValue> sheet(String shopId, String setId) {
        return db.selectFrom(SHEET_VALUE)
                .where(SHEET_VALUE.SHOP_ID.eq(shopId), SHEET_VALUE.SET_ID.eq(setId))
                .orderBy(SHEET_VALUE.POSITION, SHEET_VALUE.NODE)
                .fetch(row -> new SheetValue(
                        row.get(SHEET_VALUE.NODE),
                        row.get(SHEET_VALUE.REFERENCE_NODE),
                        ReadingKind.valueOf(row.get(SHEET_VALUE.KIND)),
                        row.get(SHEET_VALUE.VALUE_SI),
                        row.get(SHEET_VALUE.LINE_VOLTS),
                        Optional.of(row.get(SHEET_VALUE.METER))
                                .filter(meter -> !meter.isEmpty())
                                .map(Meter::parse),
                        row.get(SHEET_VALUE.MODE),
                        row.get(SHEET_VALUE.ORIGIN).equals(PartTables.OWN)));
    }

    public void putSheet(String shopId, String setId, SheetValue value) {
        int last = db.select(DSL.coalesce(DSL.max(SHEET_VALUE.POSITION), DSL.inline(-1)))
                .from(SHEET_VALUE)
                .where(SHEET_VALUE.SHOP_ID.eq(shopId), SHEET_VALUE.SET_ID.eq(setId))
                .fetchSingle()
                .value1();
        String meter = value.meter().map(Meter::notation).orElse("");
        db.insertInto(SHEET_VALUE)
                .set(SHEET_VALUE.SHOP_ID, shopId)
                .set(SHEET_VALUE.SET_ID, setId)
                .set(SHEET_VALUE.NODE, value.node())
                .set(SHEET_VALUE.REFERENCE_NODE, value.reference())
                .set(SHEET_VALUE.KIND, value.kind().name())
                .set(SHEET_VALUE.MODE, value.mode())
                .set(SHEET_VALUE.VALUE_SI, value.value())
                .set(SHEET_VALUE.UNIT, value.kind().unit().symbol())
                .set(SHEET_VALUE.LINE_VOLTS, value.lineVolts())
                .set(SHEET_VALUE.METER, meter)
                .set(SHEET_VALUE.POSITION, last + 1)
                .set(SHEET_VALUE.ORIGIN, PartTables.OWN)
                .onDuplicateKeyUpdate()
                .set(SHEET_VALUE.ORIGIN, PartTables.OWN)
                .set(SHEET_VALUE.VALUE_SI, value.value())
                .set(SHEET_VALUE.LINE_VOLTS, value.lineVolts())
                .set(SHEET_VALUE.METER, meter)
                .execute();
    }

    public void removeSheet(String shopId, String setId, SheetValue value) {
        db.deleteFrom(SHEET_VALUE)
                .where(
                        SHEET_VALUE.SHOP_ID.eq(shopId),
                        SHEET_VALUE.SET_ID.eq(setId),
                        SHEET_VALUE.NODE.eq(value.node()),
                        SHEET_VALUE.REFERENCE_NODE.eq(value.reference()),
                        SHEET_VALUE.KIND.eq(value.kind().name()),
                        SHEET_VALUE.MODE.eq(value.mode()))
                .execute();
    }
}
