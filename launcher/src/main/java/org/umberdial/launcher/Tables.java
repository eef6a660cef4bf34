package org.umberdial.launcher;

import java.lang.reflect.InvocationHandler;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Proxy;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Arrays;
import java.util.logging.Level;
import java.util.logging.Logger;
import javax.sql.DataSource;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.FlywayException;
import org.flywaydb.core.api.MigrationInfo;
import org.flywaydb.core.api.MigrationVersion;
import org.mariadb.jdbc.MariaDbDataSource;

/** The shop's tables in a running database: which version they have, and how they become a later one. */
final class Tables {
    /** Held, or its level would be forgotten. What goes wrong is told in our own words. */
    private static final Logger FLYWAY = Logger.getLogger("org.flywaydb");

    static {
        FLYWAY.setLevel(Level.SEVERE);
        System.setProperty("mariadb.logging.disable", "true");
    }

    private final Access access;
    private final String schema;

    Tables(Access access, String schema) {
        this.access = access;
        this.schema = schema;
    }

    /** A connection of the account that may change tables. */
    Connection connection() throws SQLException {
        return DriverManager.getConnection(
                access.url(schema) + "&tinyInt1isBit=false", Access.TABLES, access.tablesPassword());
    }

    /**
     * What the tables are.
     *
     * @param version the version they have; 0 when there are none
     * @param newest the latest version this program knows
     * @param broken whether a change was broken off in them by an earlier version, which only a backup mends
     */
    record State(int version, int newest, boolean broken) {}

    State state() {
        MigrationInfo[] all = flyway(MigrationVersion.LATEST, Steps.NONE).info().all();
        int version = Arrays.stream(all)
                .filter(info -> info.getState().isApplied() && !info.getState().isFailed())
                .mapToInt(Tables::number)
                .max()
                .orElse(0);
        int newest = Arrays.stream(all)
                .filter(info -> info.getState().isResolved())
                .mapToInt(Tables::number)
                .max()
                .orElse(0);
        return new State(
                version,
                newest,
                Arrays.stream(all).anyMatch(info -> info.getState().isFailed()));
    }

    private static int number(MigrationInfo info) {
        return info == null || info.getVersion() == null
                ? 0
                : Integer.parseInt(info.getVersion().getVersion());
    }

    /**
     * Changes the tables up to a version.
     *
     * @param version 0 for the latest
     */
    void change(int version, Steps steps) {
        try {
            flyway(
                            version == 0
                                    ? MigrationVersion.LATEST
                                    : MigrationVersion.fromVersion(Integer.toString(version)),
                            steps)
                    .migrate();
        } catch (FlywayException failed) {
            throw new Refused(
                    "The tables could not be brought to the newest version: "
                            + failed.getMessage().lines().findFirst().orElse("no reason given"),
                    failed);
        }
    }

    private Flyway flyway(MigrationVersion target, Steps steps) {
        try {
            MariaDbDataSource plain = new MariaDbDataSource(access.url(schema));
            plain.setUser(Access.TABLES);
            plain.setPassword(access.tablesPassword());
            DataSource source = steps == Steps.NONE ? plain : (DataSource) watched(DataSource.class, plain, steps);
            return Flyway.configure()
                    .dataSource(source)
                    .locations("classpath:db/migration")
                    .target(target)
                    .load();
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    /**
     * Tells of each statement before it is sent; what a cut after it leaves is what a cut before the next one leaves.
     */
    private static Object watched(Class<?> type, Object real, Steps steps) {
        InvocationHandler handler = (proxy, method, arguments) -> {
            if (real instanceof Statement && method.getName().startsWith("execute")) {
                String sql = arguments != null && arguments.length > 0
                        ? String.valueOf(arguments[0]).strip()
                        : "prepared";
                if (!sql.regionMatches(true, 0, "select", 0, 6)
                        && !sql.regionMatches(true, 0, "set", 0, 3)
                        && !sql.regionMatches(true, 0, "show", 0, 4)) {
                    steps.reached("before " + sql.lines().findFirst().orElse(""));
                }
            }
            try {
                Object result = method.invoke(real, arguments);
                Class<?> given = method.getReturnType();
                return result != null && (given == Connection.class || Statement.class.isAssignableFrom(given))
                        ? watched(given, result, steps)
                        : result;
            } catch (InvocationTargetException thrown) {
                throw thrown.getCause();
            }
        };
        return Proxy.newProxyInstance(Tables.class.getClassLoader(), new Class<?>[] {type}, handler);
    }

    /** Whether what must be in a shop is there: at least one shop, and each picture in both sizes. */
    void check() throws SQLException {
        try (Connection db = connection()) {
            if (count(db, "SELECT COUNT(*) FROM shop") == 0) {
                throw new Refused("There is no shop in this backup; nothing was changed.");
            }
            if (exists(db, "photo_bytes")) {
                long lost = count(
                        db,
                        "SELECT COUNT(*) FROM photo p WHERE NOT p.removed AND (SELECT COUNT(*) FROM "
                                + "photo_bytes b WHERE b.shop_id = p.shop_id AND b.photo_id = p.id AND "
                                + "LENGTH(b.bytes) > 0) < 2");
                if (lost > 0) {
                    throw new Refused(lost + " pictures are named in this backup and not in it; nothing was changed.");
                }
            }
        }
    }

    boolean exists(Connection db, String table) throws SQLException {
        try (ResultSet found = db.getMetaData().getTables(schema, null, table, null)) {
            return found.next();
        }
    }

    static long count(Connection db, String sql) throws SQLException {
        try (Statement statement = db.createStatement();
                ResultSet row = statement.executeQuery(sql)) {
            row.next();
            return row.getLong(1);
        }
    }
}
