package org.umberdial.server.power.internal;

import static org.umberdial.tables.Tables.INSTRUMENT_LINK;

import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.umberdial.server.power.Link;
import org.umberdial.server.power.Profile;

/** Instruments that answer on the network. */
@Repository
public class LinkTables {
    private final DSLContext db;

    LinkTables(DSLContext db) {
        this.db = db;
    }

    public List<Link> links(String shopId) {
        return db
                .selectFrom(INSTRUMENT_LINK)
                .where(INSTRUMENT_LINK.SHOP_ID.eq(shopId))
                .orderBy(INSTRUMENT_LINK.NAME, INSTRUMENT_LINK.ID)
                .fetch(row -> Profile.named(row.get(INSTRUMENT_LINK.PROFILE))
                        .map(profile -> new Link(
                                row.get(INSTRUMENT_LINK.ID),
                                row.get(INSTRUMENT_LINK.NAME),
                                row.get(INSTRUMENT_LINK.HOST),
                                row.get(INSTRUMENT_LINK.PORT),
                                profile)))
                .stream()
                .flatMap(Optional::stream)
                .toList();
    }

    /** The same id again changes nothing. */
    public void add(String shopId, Link link) {
        db.insertInto(INSTRUMENT_LINK)
                .set(INSTRUMENT_LINK.SHOP_ID, shopId)
                .set(INSTRUMENT_LINK.ID, link.id())
                .set(INSTRUMENT_LINK.NAME, link.name())
                .set(INSTRUMENT_LINK.HOST, link.host())
                .set(INSTRUMENT_LINK.PORT, link.port())
                .set(INSTRUMENT_LINK.PROFILE, link.profile().id())
                .onDuplicateKeyIgnore()
                .execute();
    }

    public boolean remove(String shopId, String id) {
        return db.deleteFrom(INSTRUMENT_LINK)
                        .where(INSTRUMENT_LINK.SHOP_ID.eq(shopId), INSTRUMENT_LINK.ID.eq(id))
                        .execute()
                == 1;
    }
}
