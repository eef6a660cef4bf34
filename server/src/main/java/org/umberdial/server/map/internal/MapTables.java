package org.umberdial.server.map.internal;

import static org.umberdial.tables.Tables.MAP_MARK;

import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.umberdial.server.map.MapService.PlacedMark;

@Repository
public class MapTables {
    private final DSLContext db;

    MapTables(DSLContext db) {
        this.db = db;
    }

    public List<PlacedMark> all(String shopId, String setId) {
        return db.selectFrom(MAP_MARK)
                .where(MAP_MARK.SHOP_ID.eq(shopId), MAP_MARK.SET_ID.eq(setId))
                .orderBy(MAP_MARK.SUBJECT)
                .fetch(row -> new PlacedMark(
                        row.get(MAP_MARK.PHOTO_ID),
                        row.get(MAP_MARK.SUBJECT),
                        row.get(MAP_MARK.X),
                        row.get(MAP_MARK.Y)));
    }

    public void put(String shopId, String setId, PlacedMark mark) {
        db.insertInto(
                        MAP_MARK,
                        MAP_MARK.SHOP_ID,
                        MAP_MARK.PHOTO_ID,
                        MAP_MARK.SUBJECT,
                        MAP_MARK.SET_ID,
                        MAP_MARK.X,
                        MAP_MARK.Y)
                .values(shopId, mark.photo(), mark.subject(), setId, mark.x(), mark.y())
                .onDuplicateKeyUpdate()
                .set(MAP_MARK.X, mark.x())
                .set(MAP_MARK.Y, mark.y())
                .execute();
    }

    public void remove(String shopId, String setId, String photo, String subject) {
        db.deleteFrom(MAP_MARK)
                .where(
                        MAP_MARK.SHOP_ID.eq(shopId),
                        MAP_MARK.SET_ID.eq(setId),
                        MAP_MARK.PHOTO_ID.eq(photo),
                        MAP_MARK.SUBJECT.eq(subject))
                .execute();
    }
}
