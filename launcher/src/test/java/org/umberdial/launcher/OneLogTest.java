package org.umberdial.launcher;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Readings and journal of every earlier version become one log, and nothing of either is lost or changed. */
class OneLogTest {
    @TempDir
    private static Path folder;

    private static Access access;
    private static Process server;

    @BeforeAll
    static void start() {
        Database database = new Database(folder.resolve("db"), "umber\\_%");
        database.install();
        access = Database.access();
        server = database.start(access);
    }

    @AfterAll
    static void stop() {
        Database.stop(server.toHandle());
    }

    /** Rows of a reading, entry by entry, that are not in the log as they were. */
    private static final String CHANGED_READINGS = """
            SELECT COUNT(*) FROM reading r LEFT JOIN evidence e ON e.shop_id = r.shop_id AND e.id = r.id
            WHERE NOT (e.id <=> r.id) OR e.kind <> 'reading' OR e.set_id <> r.set_id OR NOT (e.log_order <=> r.log_order)
               OR CAST(JSON_VALUE(e.body, '$.value') AS DOUBLE) <> r.value_si
               OR CAST(JSON_VALUE(e.body, '$.lineVolts') AS DOUBLE) <> r.line_volts
               OR NOT (CAST(JSON_VALUE(e.body, '$.minutesOn') AS DOUBLE) <=> r.minutes_on)
               OR BINARY JSON_VALUE(e.body, '$.subject') <> BINARY r.subject
               OR BINARY JSON_VALUE(e.body, '$.lifted') <> BINARY r.lifted
               OR BINARY e.note <> BINARY r.note OR BINARY e.author <> BINARY r.author
               OR e.taken_at <> r.taken_at OR e.received_at <> r.received_at
               OR NOT (e.supersedes_id <=> r.supersedes_id) OR e.withdrawn <> r.withdrawn
            """;

    private static final String CHANGED_ENTRIES = """
            SELECT COUNT(*) FROM journal_entry j LEFT JOIN evidence e ON e.shop_id = j.shop_id AND e.set_id = j.set_id
               AND e.kind <> 'reading' AND e.log_order = j.log_order AND BINARY e.body = BINARY j.body
            WHERE e.id IS NULL OR BINARY e.sentence <> BINARY j.sentence OR BINARY e.author <> BINARY j.author
               OR e.id <> j.id AND j.id NOT IN (SELECT id FROM reading) OR e.form <> 1
               OR e.taken_at <> j.taken_at OR e.withdrawn <> j.withdrawn
               OR NOT (e.supersedes_id <=> j.supersedes_id) AND j.supersedes_id NOT IN (SELECT id FROM reading)
            """;

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7})
    void everyEntryOfEveryVersion_isInTheLogAsItWas(int version) throws Exception {
        String schema = "umber_v" + version;
        try (Connection db = DriverManager.getConnection(access.url(""), Access.TABLES, access.tablesPassword())) {
            db.createStatement().execute("CREATE DATABASE " + schema + " CHARACTER SET utf8mb4");
        }
        Tables tables = new Tables(access, schema);
        tables.change(version, Steps.NONE);
        try (Connection db = tables.connection();
                Statement statement = db.createStatement()) {
            FilledTables.fill(db);
            if (version >= 3) {
                // The id of a reading once more, which two tables allowed.
                statement.execute(
                        "UPDATE journal_entry j JOIN (SELECT shop_id, MIN(id) AS id FROM reading GROUP BY shop_id) r"
                                + " ON r.shop_id = j.shop_id SET j.id = r.id WHERE j.id = (SELECT MIN(id) FROM journal_entry)");
            }
            tables.change(tables.state().newest(), Steps.NONE);
            long readings = Tables.count(db, "SELECT COUNT(*) FROM reading");
            long entries = Tables.count(db, "SELECT COUNT(*) FROM journal_entry");
            assertTrue(readings > 0 && (version < 3 || entries > 0));
            assertEquals(readings + entries, Tables.count(db, "SELECT COUNT(*) FROM evidence"));
            assertEquals(0, Tables.count(db, CHANGED_READINGS));
            assertEquals(0, Tables.count(db, CHANGED_ENTRIES));
        }
    }

    /** Two lists of instruments become one; what was in stock is counted. */
    @Test
    void instrumentsAndStockOfBefore_areInTheOneListAndCounted() throws Exception {
        String schema = "umber_bench";
        try (Connection db = DriverManager.getConnection(access.url(""), Access.TABLES, access.tablesPassword())) {
            db.createStatement().execute("CREATE DATABASE " + schema + " CHARACTER SET utf8mb4");
        }
        Tables tables = new Tables(access, schema);
        tables.change(3, Steps.NONE);
        try (Connection db = tables.connection();
                Statement statement = db.createStatement()) {
            FilledTables.fill(db);
            statement.execute("UPDATE instrument SET meter = '20k/V', accuracy = 0.03");
            tables.change(8, Steps.NONE);
            statement.execute(
                    "INSERT INTO equipment (shop_id, id, kind, name) SELECT id, UUID(), 'GENERATOR', 'Old one'"
                            + " FROM shop");
            statement.execute("INSERT INTO equipment_check SELECT shop_id, UUID(), id, 'new coil', 'VOLT', 6.3, 6.2,"
                    + " NOW(6), 'K' FROM equipment WHERE kind = 'GENERATOR'");
            statement.execute(
                    "INSERT INTO stock_transformer SELECT id, UUID(), 'Grey frame', 80, 270, 0.09, 'FREE', 6.3,"
                            + " 3.5, 5, 2, FALSE FROM shop");
            statement.execute("INSERT INTO stock_transformer SELECT id, UUID(), 'Sold', 80, 270, 0.09, 'FREE', 6.3,"
                    + " 3.5, 5, 2, TRUE FROM shop");
            long meters = Tables.count(db, "SELECT COUNT(*) FROM instrument");
            long others = Tables.count(
                    db,
                    "SELECT COUNT(*) FROM equipment e WHERE e.kind <> 'VOLTMETER' OR e.shop_id NOT IN (SELECT shop_id"
                            + " FROM instrument)");
            long shops = Tables.count(db, "SELECT COUNT(*) FROM shop");
            tables.change(tables.state().newest(), Steps.NONE);
            assertEquals(meters + others, Tables.count(db, "SELECT COUNT(*) FROM bench_instrument"));
            assertEquals(meters + others, Tables.count(db, "SELECT COUNT(*) FROM instrument_ability"));
            assertEquals(
                    meters,
                    Tables.count(
                            db,
                            "SELECT COUNT(*) FROM instrument i JOIN instrument_ability a ON a.shop_id = i.shop_id"
                                    + " AND a.instrument_id = i.id WHERE a.kind = 'VOLTMETER' AND a.input = '20k/V'"
                                    + " AND a.accuracy = 0.03 AND a.highest IS NULL"));
            assertEquals(
                    shops,
                    Tables.count(db, "SELECT COUNT(*) FROM control_reading WHERE kind = 'GENERATOR' AND shown = 6.2"));
            assertEquals(
                    shops,
                    Tables.count(
                            db,
                            "SELECT COUNT(*) FROM stock_item i WHERE JSON_VALUE(i.body, '$.highVolts') = 270 AND"
                                    + " (SELECT SUM(quantity) FROM stock_move m WHERE m.shop_id = i.shop_id"
                                    + " AND m.item_id = i.id) = 1"));
            assertEquals(
                    0,
                    Tables.count(
                            db,
                            "SELECT SUM(quantity) FROM stock_move m JOIN stock_item i ON i.shop_id = m.shop_id"
                                    + " AND i.id = m.item_id WHERE i.name = 'Sold'"));
        }
    }
}
