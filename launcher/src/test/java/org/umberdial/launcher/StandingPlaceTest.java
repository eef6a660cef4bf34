package org.umberdial.launcher;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermission;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A place, whom it lets in, and what it never touches. */
class StandingPlaceTest {
    private static final Set<PosixFilePermission> OTHERS = Set.of(
            PosixFilePermission.GROUP_READ,
            PosixFilePermission.GROUP_WRITE,
            PosixFilePermission.OTHERS_READ,
            PosixFilePermission.OTHERS_WRITE);

    @TempDir
    private static Path root;

    private static Place place;
    private static Place.Held held;
    private static Opened opened;

    @BeforeAll
    static void open() {
        place = new Place(root.resolve("shop")).make();
        held = place.hold();
        opened = new Opening(place, Steps.NONE, said -> {}).open();
        new Running(
                        ProcessHandle.current().pid(),
                        opened.database().pid(),
                        0,
                        8080,
                        opened.generation().name(),
                        opened.access())
                .write(place);
        Backup.save(place, opened.tables(), place.backups().resolve("daily-20261128T000000Z.umber"), Steps.NONE);
    }

    @AfterAll
    static void close() {
        opened.close();
        held.close();
    }

    @Test
    void nothingOfAShop_isAnybodyElses() throws IOException {
        try (Stream<Path> all = Files.walk(place.folder())) {
            List<String> open = all.filter(file -> !file.toString().endsWith(".sock"))
                    .filter(StandingPlaceTest::openToOthers)
                    .map(Path::toString)
                    .toList();
            assertEquals(List.of(), open);
        }
    }

    private static boolean openToOthers(Path file) {
        try {
            return Files.getPosixFilePermissions(file).stream().anyMatch(OTHERS::contains);
        } catch (IOException gone) {
            return false;
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"umber:umber", "umber:", "root:", "umber_tables:umber", "mysql:", ":"})
    void whoDoesNotKnowThePassword_getsNowhere(String who) {
        String[] parts = who.split(":", -1);
        assertThrows(
                SQLException.class,
                () -> DriverManager.getConnection(opened.access().url("umber"), parts[0], parts[1])
                        .close());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "SELECT authentication_string FROM mysql.user",
                "SELECT * FROM mysql.global_priv",
                "SELECT LOAD_FILE('/etc/passwd')",
                "SELECT 1 INTO OUTFILE '/tmp/umber-out'",
                "CREATE TABLE x (y INT)",
                "DROP TABLE reading",
                "ALTER TABLE reading ADD COLUMN x INT",
                "CREATE DATABASE other",
                "SET GLOBAL general_log = 1",
                "CREATE USER x@localhost",
                "GRANT ALL ON *.* TO umber@127.0.0.1",
                "SHUTDOWN",
                "LOAD DATA LOCAL INFILE '/etc/passwd' INTO TABLE shop"
            })
    void theApplicationsAccount_mayWorkOnRowsAndNothingElse(String sql) throws SQLException {
        try (Connection db = DriverManager.getConnection(
                        opened.access().url("umber"),
                        Access.ROWS,
                        opened.access().rowsPassword());
                Statement statement = db.createStatement()) {
            String read = sql.contains("LOAD_FILE") ? answer(statement, sql) : "";
            if (sql.contains("LOAD_FILE")) {
                assertEquals(null, read, "no FILE right: nothing is read");
            } else {
                assertThrows(SQLException.class, () -> statement.execute(sql));
            }
        }
    }

    private static String answer(Statement statement, String sql) throws SQLException {
        try (var row = statement.executeQuery(sql)) {
            row.next();
            return row.getString(1);
        }
    }

    @Test
    void theTablesAccount_hasNoRightsBeyondTheShop() throws SQLException {
        try (Connection db = opened.tables().connection();
                Statement statement = db.createStatement()) {
            assertThrows(SQLException.class, () -> statement.execute("SELECT * FROM mysql.global_priv"));
            assertThrows(SQLException.class, () -> statement.execute("CREATE DATABASE other"));
            assertThrows(SQLException.class, () -> statement.execute("SET GLOBAL general_log = 1"));
            assertThrows(SQLException.class, () -> statement.execute("GRANT SELECT ON umber.* TO umber@127.0.0.1"));
        }
    }

    /** As another user of this machine; where tests do not run as root they cannot become one, and this says so. */
    @Test
    void anotherUserOfTheMachine_getsNowhere() throws Exception {
        Assumptions.assumeTrue(Programs.user().equals("root"), "only root can try as another user");
        String folder = place.folder().toString();
        for (String attempt : List.of(
                "ls " + folder,
                "cat " + folder + "/running",
                "cat " + folder + "/backups/*",
                "cat " + opened.generation().folder() + "/data/umber/account.ibd",
                "mariadb --no-defaults --socket=" + opened.generation().folder() + "/run/db.sock -uroot -e 'select 1'",
                "cat /proc/" + opened.database().pid() + "/environ")) {
            Process process = new ProcessBuilder(
                            "setpriv", "--reuid=65534", "--regid=65534", "--clear-groups", "sh", "-c", attempt)
                    .redirectErrorStream(true)
                    .start();
            String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            assertNotEquals(0, process.waitFor(), attempt + ": " + said);
        }
        String commandLine =
                Files.readString(Path.of("/proc/" + opened.database().pid() + "/cmdline"));
        assertTrue(
                !commandLine.contains(opened.access().rowsPassword())
                        && !commandLine.contains(opened.access().tablesPassword()),
                "a command line is everybody's");
    }

    @Test
    void passwords_areNewAtEachStart() {
        assertNotEquals(Database.access().rowsPassword(), Database.access().rowsPassword());
    }

    @Test
    void aSecondStartOnTheSamePlace_isRefused() throws Exception {
        Process second = new ProcessBuilder(
                        "java",
                        "-cp",
                        System.getProperty("java.class.path"),
                        CutShort.class.getName(),
                        place.folder().toString(),
                        "open",
                        "0")
                .redirectErrorStream(true)
                .start();
        String said = new String(second.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertNotEquals(0, second.waitFor());
        assertTrue(said.contains("running here already"), said);
        assertTrue(opened.database().isAlive());
    }

    @Test
    void whatIsNotOurs_isNeverRemoved() throws IOException {
        Place other = new Place(root.resolve("mixed")).make();
        Path theirs = Files.createDirectories(other.folder().resolve("db-0007"));
        Path file = Files.writeString(theirs.resolve("letters.txt"), "mine");
        Path elsewhere = Files.createDirectories(root.resolve("elsewhere"));
        Path letter = Files.writeString(elsewhere.resolve("generation"), "mine");
        Files.createSymbolicLink(other.folder().resolve("db-0008"), elsewhere);
        Path precious = Files.writeString(root.resolve("precious.txt"), "mine");
        Files.writeString(other.folder().resolve("unfinished"), precious.toString());
        other.fresh();
        other.clearStrays();
        assertTrue(Files.exists(file) && Files.exists(letter) && Files.exists(precious));
        assertEquals(2, other.generations().size(), "the one that was ours is gone");
    }

    @Test
    void backupsAreLetGoByKind_andAStampFromTheFuture_doesNotStopTheNext() throws IOException {
        Place many = new Place(root.resolve("many")).make();
        for (int day = 1; day <= 20; day++) {
            Files.writeString(many.backups().resolve(String.format("daily-202611%02dT000000Z.umber", day)), "x");
        }
        Files.writeString(many.backups().resolve("before-7-20261101T000000Z.umber"), "x");
        Files.writeString(many.backups().resolve("my own.umber"), "x");
        Backups backups = new Backups(many);
        assertTrue(backups.dailyIsDue(Instant.parse("2026-11-21T01:00:00Z")));
        assertTrue(!backups.dailyIsDue(Instant.parse("2026-11-20T22:00:00Z")));
        assertTrue(
                backups.dailyIsDue(Instant.parse("2026-11-10T00:00:00Z")),
                "made by a clock that has been set back since");
        backups.letGoOfOld();
        assertEquals(15, backups.all().size());
        assertTrue(Files.exists(many.backups().resolve("my own.umber"))
                && Files.exists(many.backups().resolve("before-7-20261101T000000Z.umber")));
        assertTrue(Files.exists(many.backups().resolve("daily-20261107T000000Z.umber"))
                && !Files.exists(many.backups().resolve("daily-20261106T000000Z.umber")));
    }

    @Test
    void recovery_saysWhatIsThere_andBringsTheLastGoodStateBack() throws Exception {
        Place broken = new Place(root.resolve("broken")).make();
        try (Place.Held lock = broken.hold()) {
            new Restore(broken, Steps.NONE).from(withShop());
            Files.copy(withShop(), broken.backups().resolve("daily-20261127T000000Z.umber"));
            // A change of tables that an earlier version left half done.
            try (Opened there = Opened.start(broken.current().orElseThrow());
                    Connection db = there.tables().connection();
                    Statement statement = db.createStatement()) {
                statement.execute("UPDATE flyway_schema_history SET success = 0 WHERE version = '7'");
            }
            Refused refused = assertThrows(Refused.class, () -> new Opening(broken, Steps.NONE, said -> {}).open());
            assertTrue(refused.getMessage().contains("./umber recover"), refused.getMessage());
            Recovery recovery = new Recovery(broken);
            assertTrue(
                    recovery.whatIsThere().get(0).contains("half changed"),
                    recovery.whatIsThere().toString());
            Recovery.Proposal proposal = recovery.proposal().orElseThrow();
            assertTrue(proposal.file().isPresent());
            Path aside = recovery.bringBack(proposal).orElseThrow();
            new Opening(broken, Steps.NONE, said -> {}).open().close();
            broken.healthy();
            assertTrue(Files.isDirectory(aside.resolve("data")), "what could not be used is set aside, not removed");
            // A whole shop that is replaced by the wrong backup is saved first.
            Path replaced = recovery.bringBack(new Recovery.Proposal(java.util.Optional.of(withShop())))
                    .orElseThrow();
            assertTrue(replaced.getFileName().toString().startsWith("replaced-"), replaced.toString());
            broken.healthy();
            assertEquals(
                    Backup.manifest(withShop()).contents(),
                    Backup.manifest(replaced).contents());
        }
    }

    private static Path withShop() throws SQLException {
        Path file = root.resolve("with-shop.umber");
        if (!Files.exists(file)) {
            try (Connection db = opened.tables().connection()) {
                FilledTables.fill(db);
            }
            Backup.save(place, opened.tables(), file, Steps.NONE);
        }
        return file;
    }
}
