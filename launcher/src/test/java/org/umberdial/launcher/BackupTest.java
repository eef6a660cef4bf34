package org.umberdial.launcher;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.Statement;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.zip.GZIPOutputStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What goes into a backup and comes out of it again, and what is no backup. */
class BackupTest {
    @TempDir
    private static Path root;

    private static Place place;
    private static Opened opened;
    private static Place.Held held;
    private static Map<String, Contents.Sum> sums;

    @BeforeAll
    static void fill() throws Exception {
        place = new Place(root.resolve("shop")).make();
        held = place.hold();
        opened = new Opening(place, Steps.NONE, said -> {}).open();
        try (Connection db = opened.tables().connection()) {
            FilledTables.fill(db);
            sums = FilledTables.sums(db, Map.of());
        }
    }

    @AfterAll
    static void close() {
        opened.close();
        held.close();
    }

    private static Path saved(String name) {
        Path file = root.resolve(name);
        Backup.save(place, opened.tables(), file, Steps.NONE);
        return file;
    }

    /** The shop in a place of its own, from a file. */
    private static Map<String, Contents.Sum> restored(Path file) throws Exception {
        Place other = new Place(root.resolve("other-" + file.getFileName())).make();
        try (Place.Held lock = other.hold()) {
            new Restore(other, Steps.NONE).from(file);
            try (Opened there = new Opening(other, Steps.NONE, said -> {}).open();
                    Connection db = there.tables().connection()) {
                return FilledTables.sums(db, Map.of());
            }
        }
    }

    @Test
    void everyRow_comesBackAsItWas_whileTheShopIsUsed() throws Exception {
        Path file;
        try (Connection db = opened.tables().connection();
                Statement statement = db.createStatement()) {
            Thread writer = new Thread(() -> {
                try {
                    for (int i = 0; i < 200; i++) {
                        statement.execute("UPDATE bench_set SET title = 'busy " + i + "'");
                    }
                } catch (java.sql.SQLException e) {
                    throw new IllegalStateException(e);
                }
            });
            writer.start();
            file = saved("busy.umber");
            writer.join();
        }
        Map<String, Contents.Sum> back = restored(file);
        assertEquals(sums.keySet(), back.keySet());
        assertTrue(back.entrySet().stream()
                .filter(e -> !e.getKey().equals("bench_set"))
                .allMatch(e -> e.getValue().equals(sums.get(e.getKey()))));
        assertEquals(
                java.util.Set.of(
                        java.nio.file.attribute.PosixFilePermission.OWNER_READ,
                        java.nio.file.attribute.PosixFilePermission.OWNER_WRITE),
                Files.getPosixFilePermissions(file));
        assertFalse(
                Files.readString(file, StandardCharsets.ISO_8859_1).contains("one_time_tokens"), "no door stays open");
    }

    @Test
    void anEarlierVersionsBackup_isReadWithoutRunningIt() throws Exception {
        Path dump = root.resolve("old.gz");
        // As versions up to tables 6 made it, with what a client would run in it.
        String text = Files.readString(Path.of("src/test/resources/backup-format-1-tables-6.sql"));
        gzip(dump, text);
        Map<String, Contents.Sum> back = restored(dump);
        assertEquals(2, back.get("bench_set").rows());
        assertEquals(3, back.get("reading").rows());
        assertFalse(Files.exists(Path.of("/tmp/umber-was-here")), "no command in it was run");
        Refused cut = assertThrows(Refused.class, () -> {
            Path half = root.resolve("half.gz");
            gzip(half, text.substring(0, text.length() / 2));
            restored(half);
        });
        assertTrue(cut.getMessage().contains("cut off"), cut.getMessage());
    }

    private static void gzip(Path file, String text) throws IOException {
        try (GZIPOutputStream out = new GZIPOutputStream(Files.newOutputStream(file))) {
            out.write(text.getBytes(StandardCharsets.UTF_8));
        }
    }

    @Test
    void whatIsNoBackup_isRefused_andLeavesNothing() throws Exception {
        Path good = saved("good.umber");
        Path cut = root.resolve("cut.umber");
        Files.copy(good, cut);
        try (RandomAccessFile half = new RandomAccessFile(cut.toFile(), "rw")) {
            half.setLength(half.length() / 2);
        }
        refused(cut, "cut off or damaged");
        Path empty = Files.createFile(root.resolve("empty.umber"));
        refused(empty, "no backup");
        Path text = Files.writeString(root.resolve("text.umber"), "DROP DATABASE umber;");
        refused(text, "no backup");
        refused(
                changed(good, "tables/bench_set.jsonl", content -> content.replaceFirst("bench_set0", "bench_set9")),
                "damaged");
        refused(
                changed(
                        good,
                        "manifest.json",
                        content -> content.replaceFirst("\"tables\" : [0-9]+", "\"tables\" : 1")),
                "damaged");
        refused(root.resolve("nowhere.umber"), "no file");
    }

    private static void refused(Path file, String why) {
        Place other = new Place(root.resolve("refused")).make();
        try (Place.Held lock = other.hold()) {
            Refused refused = assertThrows(Refused.class, () -> new Restore(other, Steps.NONE).from(file));
            assertTrue(refused.getMessage().contains(why), refused.getMessage());
            assertFalse(other.exists());
            assertEquals(List.of(), other.generations());
        }
    }

    private static Path changed(Path file, String name, UnaryOperator<String> change) throws IOException {
        Path other = root.resolve("changed-" + name.hashCode() + ".umber");
        try (ZipFile zip = new ZipFile(file.toFile());
                ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(other))) {
            for (ZipEntry entry : zip.stream().toList()) {
                byte[] bytes = zip.getInputStream(entry).readAllBytes();
                out.putNextEntry(new ZipEntry(entry.getName()));
                out.write(
                        entry.getName().equals(name)
                                ? change.apply(new String(bytes, StandardCharsets.UTF_8))
                                        .getBytes(StandardCharsets.UTF_8)
                                : bytes);
            }
        }
        return other;
    }
}
