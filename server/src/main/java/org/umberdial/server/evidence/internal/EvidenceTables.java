package org.umberdial.server.evidence.internal;

import static org.umberdial.tables.Tables.EVIDENCE;
import static org.umberdial.tables.Tables.JOURNAL_ENTRY;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.springframework.stereotype.Repository;
import org.umberdial.core.evidence.Fact;
import org.umberdial.core.evidence.LogEntry;
import org.umberdial.core.evidence.Told;
import org.umberdial.server.evidence.FactJson;
import org.umberdial.server.evidence.KeptEntry;

@Repository
public class EvidenceTables {
    private static final int LONGEST_SENTENCE = 1500;
    private static final int LONGEST_NAME = 80;

    private final DSLContext db;

    EvidenceTables(DSLContext db) {
        this.db = db;
    }

    private static Condition of(String shopId, String setId) {
        return EVIDENCE.SHOP_ID.eq(shopId).and(EVIDENCE.SET_ID.eq(setId));
    }

    /** Every entry after a place in the order, in that order; all of them after -1. */
    public List<KeptEntry> after(String shopId, String setId, int order) {
        return db.select(
                        EVIDENCE.ID,
                        EVIDENCE.KIND,
                        EVIDENCE.FORM,
                        EVIDENCE.BODY,
                        EVIDENCE.TAKEN_AT,
                        EVIDENCE.AUTHOR,
                        EVIDENCE.SUPERSEDES_ID,
                        EVIDENCE.WITHDRAWN,
                        EVIDENCE.RECEIVED_AT,
                        EVIDENCE.SOURCE,
                        EVIDENCE.NOTE,
                        EVIDENCE.CLAIMED_AUTHOR,
                        EVIDENCE.LOG_ORDER)
                .from(EVIDENCE)
                .where(of(shopId, setId).and(EVIDENCE.LOG_ORDER.gt(order)))
                .orderBy(EVIDENCE.LOG_ORDER, EVIDENCE.SEQUENCE)
                .fetch(EvidenceTables::kept);
    }

    /** Sets of a shop with an entry of a kind since a time. */
    public List<String> setsWith(String shopId, String kind, Instant since) {
        return db.selectDistinct(EVIDENCE.SET_ID)
                .from(EVIDENCE)
                .where(EVIDENCE.SHOP_ID.eq(shopId), EVIDENCE.KIND.eq(kind), EVIDENCE.TAKEN_AT.ge(since))
                .orderBy(EVIDENCE.SET_ID)
                .fetch(EVIDENCE.SET_ID);
    }

    public Optional<KeptEntry> entry(String shopId, String setId, String id) {
        return db.selectFrom(EVIDENCE)
                .where(of(shopId, setId).and(EVIDENCE.ID.eq(id)))
                .fetchOptional(EvidenceTables::kept);
    }

    private static KeptEntry kept(Record row) {
        return new KeptEntry(
                new LogEntry(
                        row.get(EVIDENCE.ID),
                        FactJson.read(new FactJson.Stored(
                                row.get(EVIDENCE.KIND), row.get(EVIDENCE.FORM), row.get(EVIDENCE.BODY))),
                        row.get(EVIDENCE.TAKEN_AT),
                        row.get(EVIDENCE.AUTHOR),
                        Optional.ofNullable(row.get(EVIDENCE.SUPERSEDES_ID)),
                        row.get(EVIDENCE.WITHDRAWN)),
                row.get(EVIDENCE.RECEIVED_AT),
                row.get(EVIDENCE.SOURCE),
                row.get(EVIDENCE.NOTE),
                Optional.ofNullable(row.get(EVIDENCE.CLAIMED_AUTHOR)),
                row.get(EVIDENCE.LOG_ORDER));
    }

    /** Whether it is new; nothing is done when an entry of the shop has its id. */
    public boolean insert(String shopId, String setId, KeptEntry kept) {
        LogEntry entry = kept.entry();
        FactJson.Stored stored = FactJson.write(entry.fact());
        return db.insertInto(EVIDENCE)
                        .set(EVIDENCE.SHOP_ID, shopId)
                        .set(EVIDENCE.ID, entry.id())
                        .set(EVIDENCE.SET_ID, setId)
                        .set(EVIDENCE.LOG_ORDER, kept.order())
                        .set(EVIDENCE.KIND, stored.kind())
                        .set(EVIDENCE.FORM, stored.form())
                        .set(EVIDENCE.BODY, stored.body())
                        .set(EVIDENCE.SENTENCE, cut(entry.fact().sentence(), LONGEST_SENTENCE))
                        .set(EVIDENCE.NOTE, kept.note())
                        .set(EVIDENCE.SOURCE, kept.source())
                        .set(EVIDENCE.TAKEN_AT, entry.takenAt())
                        .set(EVIDENCE.RECEIVED_AT, kept.receivedAt())
                        .set(EVIDENCE.AUTHOR, entry.author())
                        .set(
                                EVIDENCE.CLAIMED_AUTHOR,
                                kept.claimed()
                                        .map(name -> cut(name, LONGEST_NAME))
                                        .orElse(null))
                        .set(EVIDENCE.SUPERSEDES_ID, entry.supersedes().orElse(null))
                        .set(EVIDENCE.WITHDRAWN, entry.withdrawn())
                        .onDuplicateKeyIgnore()
                        .execute()
                == 1;
    }

    private static String cut(String text, int longest) {
        return text.substring(0, Math.min(longest, text.length()));
    }

    /** Puts another body in the place of a kept one: only what a person may have erased is ever written over. */
    public void rewrite(String shopId, String id, Fact fact) {
        FactJson.Stored stored = FactJson.write(fact);
        db.update(EVIDENCE)
                .set(EVIDENCE.FORM, stored.form())
                .set(EVIDENCE.BODY, stored.body())
                .set(EVIDENCE.SENTENCE, fact.sentence())
                .where(EVIDENCE.SHOP_ID.eq(shopId), EVIDENCE.ID.eq(id))
                .execute();
    }

    /** Erases what an owner said from the table the log was filled from, which stays until a later version. */
    public void eraseFormer(String shopId, String setId) {
        db.selectFrom(JOURNAL_ENTRY)
                .where(JOURNAL_ENTRY.SHOP_ID.eq(shopId), JOURNAL_ENTRY.SET_ID.eq(setId), JOURNAL_ENTRY.KIND.eq("Told"))
                .forEach(row -> {
                    Fact fact = FactJson.read(new FactJson.Stored("Told", 1, row.get(JOURNAL_ENTRY.BODY)));
                    if (fact instanceof Told told && told.byOwner()) {
                        db.update(JOURNAL_ENTRY)
                                .set(
                                        JOURNAL_ENTRY.BODY,
                                        FactJson.write(told.erased()).body())
                                .set(JOURNAL_ENTRY.SENTENCE, told.erased().sentence())
                                .where(JOURNAL_ENTRY.SHOP_ID.eq(shopId), JOURNAL_ENTRY.ID.eq(row.get(JOURNAL_ENTRY.ID)))
                                .execute();
                    }
                });
    }
}
