package org.umberdial.launcher;

import java.io.IOException;
import java.io.OutputStream;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.StreamWriteFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * The rows of a shop's tables as text: a table is JSON Lines, a row an array of its cells in the order of the columns,
 * a cell the database's own text for it, base64 for bytes, or null. The order is the primary key's, so equal tables are
 * equal texts.
 */
final class Contents {
    /**
     * Who is at the door at the moment is nobody's memory, and a link that still lets somebody in must not come back to
     * life.
     */
    private static final Set<String> NOT_KEPT = Set.of(
            "flyway_schema_history",
            "SPRING_SESSION",
            "SPRING_SESSION_ATTRIBUTES",
            "one_time_tokens",
            "sign_in_try",
            "known_device",
            "used_challenge",
            "server_secret");

    private static final Set<String> BYTES =
            Set.of("blob", "tinyblob", "mediumblob", "longblob", "binary", "varbinary");
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int ROWS_AT_ONCE = 50;

    /** @param columns name and whether it holds bytes, in order */
    record Table(String name, Map<String, Boolean> columns, List<String> key) {
        String columnList() {
            return String.join(
                    ", ",
                    columns.keySet().stream().map(column -> "`" + column + "`").toList());
        }
    }

    /** @param sha256 of the text, in hexadecimal */
    record Sum(String name, List<String> columns, long rows, String sha256) {}

    private Contents() {}

    /** The tables whose rows are kept, each after those it refers to. */
    static List<Table> tables(Connection db) throws SQLException {
        Map<String, Map<String, Boolean>> columns = new TreeMap<>();
        Map<String, List<String>> keys = new TreeMap<>();
        Map<String, Set<String>> parents = new TreeMap<>();
        query(
                db,
                "SELECT c.table_name, c.column_name, c.data_type FROM information_schema.columns c JOIN "
                        + "information_schema.tables t ON t.table_schema = c.table_schema AND t.table_name = "
                        + "c.table_name"
                        + " WHERE c.table_schema = DATABASE() AND t.table_type = 'BASE TABLE' ORDER BY "
                        + "c.table_name, c.ordinal_position",
                row -> columns.computeIfAbsent(row.getString(1), name -> new LinkedHashMap<>())
                        .put(row.getString(2), BYTES.contains(row.getString(3))));
        query(
                db,
                "SELECT table_name, column_name FROM information_schema.key_column_usage WHERE table_schema = "
                        + "DATABASE() AND constraint_name = 'PRIMARY' ORDER BY table_name, ordinal_position",
                row -> keys.computeIfAbsent(row.getString(1), name -> new ArrayList<>())
                        .add(row.getString(2)));
        query(
                db,
                "SELECT table_name, referenced_table_name FROM information_schema.key_column_usage WHERE "
                        + "table_schema = DATABASE() AND referenced_table_name IS NOT NULL",
                row -> parents.computeIfAbsent(row.getString(1), name -> new HashSet<>())
                        .add(row.getString(2)));
        columns.keySet().removeAll(NOT_KEPT);
        List<Table> ordered = new ArrayList<>();
        Set<String> done = new HashSet<>();
        while (done.size() < columns.size()) {
            int before = done.size();
            for (Map.Entry<String, Map<String, Boolean>> table : columns.entrySet()) {
                Set<String> waits = new HashSet<>(parents.getOrDefault(table.getKey(), Set.of()));
                waits.remove(table.getKey());
                if (!done.contains(table.getKey()) && done.containsAll(waits)) {
                    done.add(table.getKey());
                    ordered.add(
                            new Table(table.getKey(), table.getValue(), keys.getOrDefault(table.getKey(), List.of())));
                }
            }
            if (done.size() == before) {
                throw new IllegalStateException("tables refer to each other in a circle: " + columns.keySet());
            }
        }
        return ordered;
    }

    private interface Row {
        void read(ResultSet row) throws SQLException;
    }

    private static void query(Connection db, String sql, Row each) throws SQLException {
        try (Statement statement = db.createStatement();
                ResultSet rows = statement.executeQuery(sql)) {
            while (rows.next()) {
                each.read(rows);
            }
        }
    }

    /** Writes a table's text and says what it adds up to. */
    static Sum write(Connection db, Table table, OutputStream out) throws SQLException, IOException {
        DigestOutputStream digest = new DigestOutputStream(out, sha256());
        String order = table.key.isEmpty()
                ? table.columnList()
                : String.join(
                        ", ",
                        table.key.stream().map(column -> "`" + column + "`").toList());
        long count = 0;
        try (PreparedStatement select =
                db.prepareStatement("SELECT " + table.columnList() + " FROM `" + table.name + "` ORDER BY " + order)) {
            select.setFetchSize(ROWS_AT_ONCE);
            try (ResultSet rows = select.executeQuery()) {
                while (rows.next()) {
                    row(rows, table, digest);
                    digest.write('\n');
                    count++;
                }
            }
        }
        return new Sum(
                table.name,
                List.copyOf(table.columns.keySet()),
                count,
                HexFormat.of().formatHex(digest.getMessageDigest().digest()));
    }

    private static void row(ResultSet rows, Table table, OutputStream out) throws SQLException {
        try (JsonGenerator json =
                JSON.writer().without(StreamWriteFeature.AUTO_CLOSE_TARGET).createGenerator(out)) {
            json.writeStartArray();
            int at = 0;
            for (boolean bytes : table.columns.values()) {
                at++;
                if (bytes) {
                    byte[] cell = rows.getBytes(at);
                    if (cell == null) {
                        json.writeNull();
                    } else {
                        json.writeBinary(cell);
                    }
                } else {
                    json.writeString(rows.getString(at));
                }
            }
            json.writeEndArray();
        }
    }

    static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
