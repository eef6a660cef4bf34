package org.umberdial.launcher;

import java.io.IOException;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Reads a backup into a generation nobody uses, checks it there, and makes it the shop at once. */
final class Restore {
    private final Place place;
    private final Steps steps;

    Restore(Place place, Steps steps) {
        this.place = place;
        this.steps = steps;
    }

    /**
     * Brings a backup back. The place must be held; what was its shop, if there was one, is kept as the previous
     * generation until a start was healthy.
     *
     * @throws Refused with what is wrong; then nothing has changed
     */
    void from(Path file) {
        int version = version(file);
        place.clearStrays();
        steps.reached("before the restore is written down");
        place.restoring(file.toAbsolutePath().normalize().toString());
        steps.reached("before the restore's generation");
        Generation next = place.fresh();
        try {
            next.database().install();
            steps.reached("before the restore's server");
            try (Opened opened = Opened.start(next)) {
                fill(file, version, opened.tables());
            }
            steps.reached("before the restored shop is used");
            place.use(next, steps);
            place.restored();
            steps.reached("after the restore");
        } catch (IOException | SQLException failed) {
            drop();
            throw new Refused(
                    file + " could not be read in (" + failed.getMessage() + "); nothing was changed.", failed);
        } catch (RuntimeException failed) {
            drop();
            throw failed;
        }
    }

    private void drop() {
        place.clearStrays();
        place.restored();
    }

    private static int version(Path file) {
        try {
            return OldDump.is(file)
                    ? OldDump.version(file)
                    : Backup.manifest(file).tables();
        } catch (IOException unreadable) {
            throw new Refused(file + " is no backup of Umber Dial; nothing was changed.", unreadable);
        }
    }

    private void fill(Path file, int version, Tables tables) throws IOException, SQLException {
        int newest = tables.state().newest();
        if (version > newest) {
            throw new Refused(file + " was made by a newer Umber Dial (tables " + version + "; this one knows up to "
                    + newest + "): update this one, then restore.");
        }
        if (version < 1) {
            throw new Refused(file + " holds no shop; nothing was changed.");
        }
        tables.change(version, steps);
        try (Connection db = tables.connection()) {
            empty(db);
            steps.reached("before the rows");
            if (OldDump.is(file)) {
                old(file, db);
            } else {
                Backup.Manifest manifest = Backup.manifest(file);
                Backup.load(file, manifest, db);
                steps.reached("before the rows are compared");
                Backup.compare(file, manifest, db);
            }
        }
        tables.change(newest, steps);
        tables.check();
    }

    /** Some changes of tables put rows in; the backup has them already. */
    private static void empty(Connection db) throws SQLException {
        List<Contents.Table> childrenFirst = new ArrayList<>(Contents.tables(db));
        Collections.reverse(childrenFirst);
        for (Contents.Table table : childrenFirst) {
            execute(db, "DELETE FROM `" + table.name() + "`");
        }
    }

    private static void old(Path file, Connection db) throws IOException, SQLException {
        Map<String, Long> put = new HashMap<>();
        try (Filler filler = new Filler(db, Contents.tables(db))) {
            // Its tables come in the order of their names.
            execute(db, "SET foreign_key_checks = 0");
            put.putAll(OldDump.load(file, filler));
        }
        execute(db, "SET foreign_key_checks = 1");
        for (Map.Entry<String, Long> table : put.entrySet()) {
            if (Tables.count(db, "SELECT COUNT(*) FROM `" + table.getKey() + "`") != table.getValue()) {
                throw new Refused("The table " + table.getKey() + " did not come back whole; nothing was changed.");
            }
        }
    }

    private static void execute(Connection db, String sql) throws SQLException {
        try (Statement statement = db.createStatement()) {
            statement.execute(sql);
        }
    }
}
