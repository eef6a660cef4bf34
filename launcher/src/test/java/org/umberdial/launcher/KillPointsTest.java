package org.umberdial.launcher;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.CleanupMode;
import org.junit.jupiter.api.io.TempDir;

/**
 * Ends without warning, launcher and database together, at the steps of a first start, an upgrade, a restore and a
 * backup. Afterwards one command gives the old shop or the new one. {@code ./umber soak} goes through every step and
 * thirty moments between; each test run through three that its seed picks.
 */
class KillPointsTest {
    private static final boolean ALL = "all".equals(System.getProperty("umber.kill.points"));
    private static final int MOMENTS = 30;
    private static final long SEED = Long.getLong("umber.kill.seed", 20261128L);
    private static final Random RANDOM = new Random(SEED);

    @TempDir(cleanup = CleanupMode.ALWAYS)
    private static Path root;

    /** Filled places of earlier versions, stopped, and what their tables hold. */
    private static final Map<Integer, Map<String, Contents.Sum>> HELD = new HashMap<>();

    private static int rounds;

    @BeforeAll
    static void say() {
        System.out.println("kill points: seed " + SEED + (ALL ? ", every step" : ""));
    }

    @AfterAll
    static void sum() {
        System.out.println(rounds + " kills; each time one command gave the old shop or the new one");
    }

    private static Path filled(int version) throws Exception {
        Path place = root.resolve("filled-" + version);
        if (!HELD.containsKey(version)) {
            Place made = new Place(place).make();
            Generation generation = made.fresh();
            generation.database().install();
            try (Opened opened = Opened.start(generation)) {
                opened.tables().change(version, Steps.NONE);
                try (Connection db = opened.tables().connection()) {
                    FilledTables.fill(db);
                    HELD.put(version, FilledTables.sums(db, Map.of()));
                }
            }
            made.use(generation, Steps.NONE);
        }
        return place;
    }

    private static Path copy(int version) throws Exception {
        Path copy = root.resolve("work");
        OwnFiles.remove(copy);
        OwnFiles.copy(filled(version), copy);
        return copy;
    }

    private static Path empty() throws IOException {
        Path place = root.resolve("work");
        OwnFiles.remove(place);
        return place;
    }

    /** Runs one thing as a process of its own; what it said last. */
    private static String run(Path place, String verb, int cutAt, long millis, String... more) throws Exception {
        Process process = start(place, verb, cutAt, more);
        if (millis > 0 && !process.waitFor(millis, TimeUnit.MILLISECONDS)) {
            process.descendants().forEach(ProcessHandle::destroyForcibly);
            process.destroyForcibly();
        }
        process.waitFor();
        // What was between being started and being seen: a plug takes it along.
        for (List<ProcessHandle> left = Programs.with("--datadir=" + place);
                !left.isEmpty();
                left = Programs.with("--datadir=" + place)) {
            left.forEach(ProcessHandle::destroyForcibly);
            left.forEach(server -> server.onExit().join());
        }
        String said = Files.readString(root.resolve("said"), StandardCharsets.ISO_8859_1);
        return said.lines()
                .filter(line -> line.startsWith("done") || line.startsWith("cut"))
                .reduce((a, b) -> b)
                .orElse(said);
    }

    private static Process start(Path place, String verb, int cutAt, String... more) throws IOException {
        List<String> command = Stream.concat(
                        Stream.of(
                                "java",
                                "-XX:TieredStopAtLevel=1",
                                "-cp",
                                System.getProperty("java.class.path"),
                                CutShort.class.getName(),
                                place.toString(),
                                verb,
                                Integer.toString(cutAt)),
                        Stream.of(more))
                .toList();
        return new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(root.resolve("said").toFile())
                .start();
    }

    private interface Check {
        void standing(Path place, String cut) throws Exception;
    }

    private interface Beginning {
        Path place() throws Exception;
    }

    /** Cuts short at chosen steps, and in the long form at moments too, and looks at what is left each time. */
    private static void cut(Beginning beginning, String verb, Check check, String... more) throws Exception {
        long start = System.nanoTime();
        String whole = run(beginning.place(), verb, 0, 0, more);
        long millis = (System.nanoTime() - start) / 1_000_000;
        assertTrue(whole.startsWith("done "), whole);
        int steps = Integer.parseInt(whole.substring("done ".length()));
        List<Integer> chosen = ALL
                ? java.util.stream.IntStream.rangeClosed(1, steps).boxed().toList()
                : List.of(1 + RANDOM.nextInt(steps));
        for (int at : chosen) {
            Path place = beginning.place();
            String said = run(place, verb, at, 0, more);
            assertTrue(said.startsWith("cut "), said);
            rounds++;
            check.standing(place, verb + " " + at + " of " + steps + ", " + said);
        }
        for (int i = 0; ALL && i < MOMENTS / 5; i++) {
            Path place = beginning.place();
            long moment = 1 + RANDOM.nextInt((int) millis);
            String said = run(place, verb, 0, moment, more);
            rounds++;
            check.standing(place, verb + " after " + moment + " ms, " + said);
        }
    }

    /** Opens the shop as a start does, and says what its tables hold. */
    private static Map<String, Contents.Sum> opened(Path folder, Map<String, Contents.Sum> asBefore) throws Exception {
        Place place = new Place(folder);
        try (Place.Held held = place.hold()) {
            Keeper.endLeftovers(place);
            try (Opened opened = new Opening(place, Steps.NONE, said -> {}).open();
                    Connection db = opened.tables().connection()) {
                Tables.State state = opened.tables().state();
                assertEquals(state.newest(), state.version());
                Map<String, Contents.Sum> sums = FilledTables.sums(db, asBefore);
                place.healthy();
                assertTrue(place.generations().size() == 1, "what is no longer needed is gone: " + place.generations());
                return sums;
            }
        }
    }

    @Test
    @Timeout(value = 3, unit = TimeUnit.HOURS)
    void firstStart() throws Exception {
        cut(
                KillPointsTest::empty,
                "open",
                (place, cut) -> assertTrue(opened(place, Map.of()).containsKey("bench_set"), cut));
    }

    @Test
    @Timeout(value = 3, unit = TimeUnit.HOURS)
    void upgrade() throws Exception {
        for (int version : ALL ? new int[] {1, 3, 6} : new int[] {new int[] {1, 3, 6}[RANDOM.nextInt(3)]}) {
            filled(version);
            Map<String, Contents.Sum> before = HELD.get(version);
            cut(() -> copy(version), "open", (place, cut) -> {
                Place left = new Place(place);
                assertTrue(new Backups(left).all().size() <= 1, cut);
                assertEquals(before, opened(place, before), "from version " + version + ", " + cut);
                assertTrue(new Backups(left).all().size() >= 1, "the backup made before the change is kept: " + cut);
            });
        }
    }

    @Test
    @Timeout(value = 3, unit = TimeUnit.HOURS)
    void restore() throws Exception {
        Path file = root.resolve("v3.umber");
        run(copy(3), "backup", 0, 0, file.toString());
        Map<String, Contents.Sum> before = HELD.get(3);
        cut(
                KillPointsTest::empty,
                "restore",
                (place, cut) -> {
                    Place left = new Place(place);
                    if (left.current().isEmpty() && left.restoring().isPresent()) {
                        // A start says so and touches nothing; the restore again is the one command.
                        try (Place.Held held = left.hold()) {
                            Refused refused = org.junit.jupiter.api.Assertions.assertThrows(
                                    Refused.class, () -> new Opening(left, Steps.NONE, said -> {}).open());
                            assertTrue(refused.getMessage().contains("was broken off"), refused.getMessage());
                        }
                    }
                    if (left.current().isEmpty()) {
                        assertTrue(run(place, "restore", 0, 0, file.toString()).startsWith("done"), cut);
                    }
                    assertEquals(before, opened(place, before), cut);
                },
                file.toString());
    }

    @Test
    @Timeout(value = 3, unit = TimeUnit.HOURS)
    void backup() throws Exception {
        Path file = root.resolve("kept.umber");
        cut(
                () -> {
                    Files.writeString(file, "an older one");
                    return copy(3);
                },
                "backup",
                (place, cut) -> {
                    String there = Files.size(file) < 100
                            ? Files.readString(file)
                            : "whole, tables " + Backup.manifest(file).tables();
                    assertTrue(there.equals("an older one") || there.equals("whole, tables 3"), cut + ": " + there);
                    try (Place.Held held = new Place(place).hold()) {
                        new Place(place).clearStrays();
                    }
                    try (Stream<Path> left = Files.list(root)) {
                        assertEquals(
                                List.of(),
                                left.filter(f -> f.getFileName().toString().endsWith(".part"))
                                        .toList(),
                                cut);
                    }
                },
                file.toString());
    }
}
