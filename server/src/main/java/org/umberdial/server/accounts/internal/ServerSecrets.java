package org.umberdial.server.accounts.internal;

import static org.umberdial.tables.Tables.SERVER_SECRET;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Keys that all processes on one database share; no backup holds them. */
@Repository
public class ServerSecrets {
    private final DSLContext db;
    private final Map<String, byte[]> known = new ConcurrentHashMap<>();

    ServerSecrets(DSLContext db) {
        this.db = db;
    }

    /** @param fresh becomes the key when there is none yet */
    public byte[] get(String name, byte[] fresh) {
        return known.computeIfAbsent(name, absent -> {
            db.insertInto(SERVER_SECRET)
                    .set(SERVER_SECRET.NAME, name)
                    .set(SERVER_SECRET.SECRET, fresh)
                    .onDuplicateKeyIgnore()
                    .execute();
            return db.select(SERVER_SECRET.SECRET)
                    .from(SERVER_SECRET)
                    .where(SERVER_SECRET.NAME.eq(name))
                    .fetchSingle()
                    .value1();
        });
    }
}
