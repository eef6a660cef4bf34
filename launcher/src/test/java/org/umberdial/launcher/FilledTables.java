package org.umberdial.launcher;

import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;

/** Fills the tables of any version with rows that are hard to carry, and says what they add up to. */
final class FilledTables {
    private static final int ROWS = 4;
    private static final int PICTURE_BYTES = 150_000;
    private static final double[] NUMBERS = {1.0 / 3, 0.1 + 0.2, 5e-324, -1.7976931348623157e308};

    private record Column(String name, String type, long length, boolean ascii) {}

    private FilledTables() {}

    static void fill(Connection db) throws SQLException {
        for (Contents.Table table : Contents.tables(db)) {
            List<Column> columns = columns(db, table.name());
            for (int i = 0; i < ROWS; i++) {
                insert(db, table.name(), columns, i, "full");
                if (table.name().equals("photo_bytes")) {
                    insert(db, table.name(), columns, i, "thumb");
                }
            }
        }
    }

    private static List<Column> columns(Connection db, String table) throws SQLException {
        List<Column> columns = new ArrayList<>();
        try (Statement statement = db.createStatement();
                ResultSet row =
                        statement.executeQuery("SELECT column_name, data_type, COALESCE(character_maximum_length, 0), "
                                + "COALESCE(character_set_name, '') = 'ascii' FROM information_schema.columns "
                                + "WHERE table_schema = DATABASE() AND table_name = '"
                                + table + "' AND extra NOT LIKE '%auto_increment%'")) {
            while (row.next()) {
                columns.add(new Column(row.getString(1), row.getString(2), row.getLong(3), row.getBoolean(4)));
            }
        }
        return columns;
    }

    private static void insert(Connection db, String table, List<Column> columns, int i, String size)
            throws SQLException {
        String names =
                String.join(", ", columns.stream().map(c -> "`" + c.name + "`").toList());
        try (PreparedStatement insert = db.prepareStatement(
                "INSERT INTO `" + table + "` (" + names + ") VALUES (" + "?, ".repeat(columns.size() - 1) + "?)")) {
            for (int at = 0; at < columns.size(); at++) {
                Column column = columns.get(at);
                insert.setObject(at + 1, column.name.equals("size") ? size : value(table, column, i));
            }
            insert.executeUpdate();
        }
    }

    /** Row i of a table refers to row i of whatever it refers to. */
    private static Object value(String table, Column column, int i) {
        String[] refers = {
            "shop_id",
            "shop",
            "set_id",
            "bench_set",
            "photo_id",
            "photo",
            "equipment_id",
            "equipment",
            "instrument_id",
            List.of("instrument_ability", "control_reading").contains(table) ? "bench_instrument" : "instrument",
            "item_id",
            "stock_item",
            "order_id",
            "part_order",
            "series_id",
            "series",
            "run_id",
            "power_run",
            "practice_id",
            "practice"
        };
        for (int at = 0; at < refers.length; at += 2) {
            if (column.name.equals(refers[at])) {
                return id(refers[at + 1], refers[at].equals("shop_id") ? i % 2 : i);
            }
        }
        if (column.name.equals("id") || column.length == 36) {
            return id(table, i);
        }
        return switch (column.type) {
            case "double" -> NUMBERS[i];
            case "decimal" -> "12345." + i + "7";
            case "date" -> "2026-0" + (i + 1) + "-28";
            case "int", "bigint" -> i;
            case "tinyint" -> column.name.equals("removed") ? 0 : i % 2;
            case "datetime" -> "2026-0" + (i + 1) + "-28 01:59:59.123456";
            case "longblob", "blob", "varbinary" -> picture(column, i);
            default -> text(table, column, i);
        };
    }

    private static byte[] picture(Column column, int i) {
        byte[] bytes = new byte
                [column.length > 0 && column.length < PICTURE_BYTES
                        ? (int) Math.min(64, column.length)
                        : PICTURE_BYTES];
        new Random(i).nextBytes(bytes);
        return bytes;
    }

    private static String text(String table, Column column, int i) {
        String hard = column.ascii ? table + i + "'\"\\;%\n" : "Ω „R7“ 'it\\'s' \";--\n\t🎛 \u001a \\N " + table + i;
        return hard.codePointCount(0, hard.length()) > column.length && column.length > 0
                ? table.substring(0, (int) Math.min(table.length(), column.length - 1)) + i
                : hard;
    }

    private static String id(String table, int i) {
        return UUID.nameUUIDFromBytes((table + i).getBytes(StandardCharsets.UTF_8))
                .toString();
    }

    /** What the tables hold, by table; only some columns of some tables where a later version has more. */
    static Map<String, Contents.Sum> sums(Connection db, Map<String, Contents.Sum> asBefore) throws Exception {
        Map<String, Contents.Sum> sums = new TreeMap<>();
        for (Contents.Table table : Contents.tables(db)) {
            if (!asBefore.isEmpty() && !asBefore.containsKey(table.name())) {
                continue;
            }
            Map<String, Boolean> columns = new LinkedHashMap<>(table.columns());
            if (!asBefore.isEmpty()) {
                columns.keySet().retainAll(asBefore.get(table.name()).columns());
            }
            // Counts changes, which an upgrade may be one of.
            columns.remove("revision");
            sums.put(
                    table.name(),
                    Contents.write(
                            db,
                            new Contents.Table(table.name(), columns, table.key()),
                            OutputStream.nullOutputStream()));
        }
        return sums;
    }
}
