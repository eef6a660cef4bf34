package org.umberdial.launcher;

import java.util.Map;

/**
 * How a running database is reached on loopback.
 *
 * @param rowsPassword of {@value #ROWS}, which reads and writes rows of the shop and nothing else
 * @param tablesPassword of {@value #TABLES}, which may also change the shop's tables
 */
public record Access(int port, String rowsPassword, String tablesPassword) {
    public static final String ROWS = "umber";
    public static final String TABLES = "umber_tables";
    public static final String SCHEMA = "umber";

    /** What a child process needs to come in; an environment is its user's alone, a command line is everybody's. */
    public Map<String, String> environment() {
        return Map.of(
                "UMBER_DB_PORT", Integer.toString(port),
                "UMBER_DB_PASSWORD", rowsPassword,
                "UMBER_TABLES_PASSWORD", tablesPassword);
    }

    /** The address for a driver; times are UTC whatever zone this machine is in. */
    public String url(String schema) {
        return "jdbc:mariadb://127.0.0.1:" + port + "/" + schema + "?connectionTimeZone=UTC&preserveInstants=true";
    }
}
