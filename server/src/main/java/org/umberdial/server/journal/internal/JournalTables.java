package org.umberdial.server.journal.internal;

import static org.umberdial.tables.Tables.JOURNAL_ENTRY;

import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.umberdial.core.journal.Fact;
import org.umberdial.core.journal.JournalEntry;
import org.umberdial.server.journal.FactJson;
import org.umberdial.server.journal.KeptEntry;

@Repository
public class JournalTables {
    private final DSLContext db;

    JournalTables(DSLContext db) {
        this.db = db;
    }

    public List<KeptEntry> all(String shopId, String setId) {
        return db.selectFrom(JOURNAL_ENTRY)
                .where(JOURNAL_ENTRY.SHOP_ID.eq(shopId), JOURNAL_ENTRY.SET_ID.eq(setId))
                .orderBy(JOURNAL_ENTRY.LOG_ORDER, JOURNAL_ENTRY.SEQUENCE)
                .fetch(row -> new KeptEntry(
                        new JournalEntry(
                                row.get(JOURNAL_ENTRY.ID),
                                FactJson.read(row.get(JOURNAL_ENTRY.KIND), row.get(JOURNAL_ENTRY.BODY)),
                                row.get(JOURNAL_ENTRY.TAKEN_AT),
                                Optional.ofNullable(row.get(JOURNAL_ENTRY.SUPERSEDES_ID)),
                                row.get(JOURNAL_ENTRY.WITHDRAWN) != 0),
                        row.get(JOURNAL_ENTRY.RECEIVED_AT),
                        row.get(JOURNAL_ENTRY.AUTHOR),
                        Optional.ofNullable(row.get(JOURNAL_ENTRY.CLAIMED_AUTHOR)),
                        row.get(JOURNAL_ENTRY.LOG_ORDER)));
    }

    /** Puts another body in the place of a kept one: only what a person may have erased is ever written over. */
    public void rewrite(String shopId, String id, Fact fact) {
        db.update(JOURNAL_ENTRY)
                .set(JOURNAL_ENTRY.BODY, FactJson.write(fact))
                .set(JOURNAL_ENTRY.SENTENCE, fact.sentence())
                .where(JOURNAL_ENTRY.SHOP_ID.eq(shopId), JOURNAL_ENTRY.ID.eq(id))
                .execute();
    }

    /** Whether what is kept under an entry's id says the same. */
    public boolean same(String shopId, String setId, JournalEntry entry) {
        return db.fetchExists(
                JOURNAL_ENTRY,
                JOURNAL_ENTRY.SHOP_ID.eq(shopId),
                JOURNAL_ENTRY.ID.eq(entry.id()),
                JOURNAL_ENTRY.SET_ID.eq(setId),
                JOURNAL_ENTRY.KIND.eq(FactJson.kind(entry.fact())),
                JOURNAL_ENTRY.BODY.eq(FactJson.write(entry.fact())),
                JOURNAL_ENTRY.WITHDRAWN.eq((byte) (entry.withdrawn() ? 1 : 0)));
    }

    /** Whether it is new. */
    public boolean insert(String shopId, String setId, KeptEntry kept) {
        JournalEntry entry = kept.entry();
        String sentence = entry.fact().sentence();
        return db.insertInto(JOURNAL_ENTRY)
                        .set(JOURNAL_ENTRY.SHOP_ID, shopId)
                        .set(JOURNAL_ENTRY.ID, entry.id())
                        .set(JOURNAL_ENTRY.SET_ID, setId)
                        .set(JOURNAL_ENTRY.KIND, FactJson.kind(entry.fact()))
                        .set(JOURNAL_ENTRY.BODY, FactJson.write(entry.fact()))
                        .set(JOURNAL_ENTRY.SENTENCE, sentence.substring(0, Math.min(1500, sentence.length())))
                        .set(JOURNAL_ENTRY.TAKEN_AT, entry.takenAt())
                        .set(JOURNAL_ENTRY.RECEIVED_AT, kept.receivedAt())
                        .set(JOURNAL_ENTRY.AUTHOR, kept.author())
                        .set(
                                JOURNAL_ENTRY.CLAIMED_AUTHOR,
                                kept.claimed()
                                        .map(name -> name.substring(0, Math.min(80, name.length())))
                                        .orElse(null))
                        .set(JOURNAL_ENTRY.LOG_ORDER, kept.order())
                        .set(JOURNAL_ENTRY.SUPERSEDES_ID, entry.supersedes().orElse(null))
                        .set(JOURNAL_ENTRY.WITHDRAWN, (byte) (entry.withdrawn() ? 1 : 0))
                        .onDuplicateKeyIgnore()
                        .execute()
                == 1;
    }
}
