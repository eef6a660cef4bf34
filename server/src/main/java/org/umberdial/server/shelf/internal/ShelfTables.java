package org.umberdial.server.shelf.internal;

import static org.umberdial.tables.Tables.BENCH_SET;
import static org.umberdial.tables.Tables.EVIDENCE;
import static org.umberdial.tables.Tables.PART;
import static org.umberdial.tables.Tables.PHOTO;
import static org.umberdial.tables.Tables.SET_STANDING;
import static org.umberdial.tables.Tables.SET_WORDS;
import static org.umberdial.tables.Tables.SOCKET_PIN;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.OrderField;
import org.jooq.Record;
import org.jooq.Table;
import org.jooq.conf.SettingsTools;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.server.sets.StoredSet;
import org.umberdial.server.shelf.ShelfService.Entry;
import org.umberdial.server.shelf.ShelfService.Page;
import org.umberdial.server.shelf.ShelfService.Summary;
import org.umberdial.tables.tables.SetWords;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

@Repository
public class ShelfTables {
    private static final char ESCAPE = '!';
    private static final Field<String> BREAK = DSL.inline("\n");
    private static final List<OrderField<?>> ORDER =
            List.of(BENCH_SET.TOUCHED_AT.desc(), BENCH_SET.TITLE, BENCH_SET.ID);
    private static final SetWords STALE = SET_WORDS.as("known");

    private static final JsonMapper JSON = JsonMapper.builder()
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .build();

    private final DSLContext db;

    ShelfTables(DSLContext db) {
        this.db = db;
    }

    /** A word with nothing in it that a pattern would take for more than itself. */
    public static String literal(String word) {
        return word.replace("!", "!!").replace("%", "!%").replace("_", "!_");
    }

    /** @param terms for each word the patterns it may match; a set must match every word somewhere */
    public Page page(String shopId, List<List<String>> terms, String rules, int from, int size) {
        if (terms.isEmpty()) {
            Condition all = BENCH_SET.SHOP_ID.eq(shopId);
            return new Page(entries(all, rules, from, size), db.fetchCount(BENCH_SET, all));
        }
        refreshWords(shopId);
        Condition says = terms.stream().map(ShelfTables::anywhere).reduce(SET_WORDS.SHOP_ID.eq(shopId), Condition::and);
        // The words are read through once; what they match is a list of ids, small even for thousands of sets.
        List<String> found = db.select(BENCH_SET.ID)
                .from(BENCH_SET)
                .join(SET_WORDS)
                .on(SET_WORDS.SHOP_ID.eq(BENCH_SET.SHOP_ID).and(SET_WORDS.SET_ID.eq(BENCH_SET.ID)))
                .where(says)
                .orderBy(ORDER)
                .fetch(BENCH_SET.ID);
        List<String> shown = found.stream().skip(from).limit(size).toList();
        return new Page(
                entries(BENCH_SET.SHOP_ID.eq(shopId).and(BENCH_SET.ID.in(shown)), rules, 0, size), found.size());
    }

    private List<Entry> entries(Condition wanted, String rules, int from, int size) {
        return db.select(BENCH_SET.asterisk(), SET_STANDING.asterisk())
                .from(BENCH_SET)
                .leftJoin(SET_STANDING)
                .on(SET_STANDING
                        .SHOP_ID
                        .eq(BENCH_SET.SHOP_ID)
                        .and(SET_STANDING.SET_ID.eq(BENCH_SET.ID))
                        .and(SET_STANDING.REVISION.eq(BENCH_SET.REVISION))
                        .and(SET_STANDING.RULES.eq(rules)))
                .where(wanted)
                .orderBy(ORDER)
                .limit(from, size)
                .fetch(ShelfTables::entry);
    }

    private static Condition anywhere(List<String> ways) {
        return ways.stream()
                .map(way -> SET_WORDS.WORDS.like(way.toLowerCase(Locale.ROOT), ESCAPE))
                .reduce(DSL.falseCondition(), Condition::or);
    }

    /**
     * Writes anew what changed sets say: their label, owner, parts, tubes, log and captions. One statement, whatever
     * the number of sets.
     */
    private void refreshWords(String shopId) {
        Field<String> words = DSL.lower(DSL.concat(
                BENCH_SET.TITLE,
                BREAK,
                BENCH_SET.TICKET,
                BREAK,
                BENCH_SET.PLACE,
                BREAK,
                BENCH_SET.WAITS_FOR,
                BREAK,
                BENCH_SET.OWNER_NAME,
                BREAK,
                BENCH_SET.PLATE,
                BREAK,
                said(PART, PART.CARD, PART.SHOP_ID, PART.SET_ID),
                BREAK,
                said(SOCKET_PIN, SOCKET_PIN.TUBE_TYPE, SOCKET_PIN.SHOP_ID, SOCKET_PIN.SET_ID),
                BREAK,
                said(
                        EVIDENCE.forceIndex("evidence_set"),
                        DSL.concat(EVIDENCE.SENTENCE, DSL.inline(" "), EVIDENCE.NOTE),
                        EVIDENCE.SHOP_ID,
                        EVIDENCE.SET_ID),
                BREAK,
                said(PHOTO.forceIndex("photo_set"), PHOTO.CAPTION, PHOTO.SHOP_ID, PHOTO.SET_ID)));
        // MariaDB joins up to a megabyte by itself; the statements that would raise the limit cannot be sent in one.
        DSLContext plain = DSL.using(db.configuration()
                .derive(SettingsTools.clone(db.settings()).withRenderGroupConcatMaxLenSessionVariable(false)));
        plain.insertInto(SET_WORDS, SET_WORDS.SHOP_ID, SET_WORDS.SET_ID, SET_WORDS.REVISION, SET_WORDS.WORDS)
                .select(DSL.select(BENCH_SET.SHOP_ID, BENCH_SET.ID, BENCH_SET.REVISION, words)
                        .from(BENCH_SET)
                        .leftJoin(STALE)
                        .on(STALE.SHOP_ID.eq(BENCH_SET.SHOP_ID).and(STALE.SET_ID.eq(BENCH_SET.ID)))
                        .where(BENCH_SET
                                .SHOP_ID
                                .eq(shopId)
                                .and(STALE.REVISION.isNull().or(STALE.REVISION.ne(BENCH_SET.REVISION)))))
                .onDuplicateKeyUpdate()
                .set(SET_WORDS.REVISION, DSL.field("VALUES({0})", Integer.class, SET_WORDS.REVISION))
                .set(SET_WORDS.WORDS, DSL.field("VALUES({0})", String.class, SET_WORDS.WORDS))
                .execute();
    }

    // After a bulk load the statistics are stale, and the primary key, which begins with the shop, would be read
    // through for each set.
    /** Every text of a set's rows of a table; the sign behind each ends a part's value where no keys follow it. */
    private static Field<String> said(Table<?> table, Field<String> text, Field<String> shop, Field<String> set) {
        return DSL.coalesce(
                DSL.field(DSL.select(DSL.groupConcat(text).separator(" ;\n"))
                                .from(table)
                                .where(shop.eq(BENCH_SET.SHOP_ID), set.eq(BENCH_SET.ID)))
                        .concat(" ;"),
                DSL.inline(""));
    }

    private static Entry entry(Record row) {
        Optional<Summary> summary =
                Optional.ofNullable(row.get(SET_STANDING.BODY)).map(body -> JSON.readValue(body, Summary.class));
        StoredSet.Label label = new StoredSet.Label(
                row.get(BENCH_SET.TITLE),
                row.get(BENCH_SET.TICKET),
                row.get(BENCH_SET.PLACE),
                row.get(BENCH_SET.WAITS_FOR),
                Optional.ofNullable(row.get(BENCH_SET.WAITS_UNTIL)),
                Optional.ofNullable(row.get(BENCH_SET.PROMISED_FOR)));
        return new Entry(
                row.get(BENCH_SET.ID),
                label,
                row.get(BENCH_SET.OWNER_NAME),
                ConstructionClass.valueOf(row.get(BENCH_SET.CONSTRUCTION)),
                row.get(BENCH_SET.TOUCHED_AT),
                row.get(BENCH_SET.REVISION),
                summary);
    }

    public void keep(String shopId, String setId, int revision, String rules, Summary summary) {
        String body = JSON.writeValueAsString(summary);
        db.insertInto(SET_STANDING)
                .set(SET_STANDING.SHOP_ID, shopId)
                .set(SET_STANDING.SET_ID, setId)
                .set(SET_STANDING.REVISION, revision)
                .set(SET_STANDING.RULES, rules)
                .set(SET_STANDING.BODY, body)
                .onDuplicateKeyUpdate()
                .set(SET_STANDING.REVISION, revision)
                .set(SET_STANDING.RULES, rules)
                .set(SET_STANDING.BODY, body)
                .execute();
    }
}
