package org.umberdial.launcher;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Puts rows from a file into tables that are there. Names that no table or column of ours has are refused, never run.
 */
final class Filler implements AutoCloseable {
    private static final int ROWS_AT_ONCE = 200;
    private static final long BYTES_AT_ONCE = 4_000_000;

    private final Connection db;
    private final Map<String, Contents.Table> known = new HashMap<>();
    private PreparedStatement insert;
    private String at = "";
    private int rows;
    private long bytes;

    Filler(Connection db, List<Contents.Table> tables) {
        this.db = db;
        tables.forEach(table -> known.put(table.name(), table));
    }

    boolean knows(String table) {
        return known.containsKey(table);
    }

    /** @param cells text, bytes or null, as many as columns */
    void add(String table, List<String> columns, List<Object> cells) throws SQLException {
        String statement = table + columns;
        if (!statement.equals(at)) {
            send();
            at = statement;
            insert = db.prepareStatement(sql(table, columns));
        }
        if (cells.size() != columns.size()) {
            throw new Refused("A row of " + table + " has " + cells.size() + " cells and not " + columns.size()
                    + "; the file is damaged.");
        }
        for (int i = 0; i < cells.size(); i++) {
            Object cell = cells.get(i);
            insert.setObject(i + 1, cell);
            bytes += cell instanceof byte[] raw ? raw.length : 20;
        }
        insert.addBatch();
        if (++rows >= ROWS_AT_ONCE || bytes > BYTES_AT_ONCE) {
            insert.executeBatch();
            rows = 0;
            bytes = 0;
        }
    }

    private String sql(String table, List<String> columns) {
        Contents.Table there = known.get(table);
        if (there == null || !there.columns().keySet().containsAll(columns) || columns.isEmpty()) {
            throw new Refused("The file has rows for a table this program does not know that way: "
                    + table.replaceAll("[^A-Za-z0-9_]", "?") + ".");
        }
        String names = String.join(
                ", ", columns.stream().map(column -> "`" + column + "`").toList());
        return "INSERT INTO `" + table + "` (" + names + ") VALUES (" + "?, ".repeat(columns.size() - 1) + "?)";
    }

    boolean holdsBytes(String table, String column) {
        return known.containsKey(table) && known.get(table).columns().getOrDefault(column, false);
    }

    private void send() throws SQLException {
        if (insert != null) {
            if (rows > 0) {
                insert.executeBatch();
            }
            insert.close();
        }
        rows = 0;
        bytes = 0;
    }

    @Override
    public void close() throws SQLException {
        send();
    }
}
