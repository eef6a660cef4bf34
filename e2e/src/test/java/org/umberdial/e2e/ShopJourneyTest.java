package org.umberdial.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.regex.Pattern;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Several screens on one shop, and the shop's memory: backup, restore, erasing. */
class ShopJourneyTest extends Journey {
    private static final Path BACKUP = Path.of("..", "tools", "backup").toAbsolutePath().normalize();

    private record Ran(int status, String said) {}

    @Test
    void aReadingOnTheTablet_appearsOnTheOtherScreen() {
        Page desk = page(IVORY + "/volts");
        assertThat(desk.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Points in probing order"))).isVisible();
        Page tablet = browser.page(820, 1180);
        tablet.navigate(application.address(IVORY + "/volts"));
        tablet.locator("#entry").fill("Filter 1 113.7");
        assertThat(tablet.locator("#entry-says")).containsText(Pattern.compile("11[34](.7)? V"));
        tablet.locator("#entry").press("Enter");
        assertThat(desk.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Points in probing order"))).containsText(Pattern.compile("11[34](.7)?"));
        assertEquals(List.of(), browser.complaints);
    }

    @Test
    void twoProcesses_serveOneShop_andTheOtherGoesOn() throws IOException {
        Application second = application.twin();
        try {
            Page desk = page(GRAND + "/volts");
            assertThat(desk.locator("#entry")).isFocused();
            String id = UUID.randomUUID().toString();
            String body = "{\"id\":\"" + id + "\",\"text\":\"203.4\",\"node\":\"b2\",\"confirmed\":true,\"takenAt\":null,\"note\":\"\"}";
            assertEquals(200, second.post("/api" + GRAND + "/readings", body).statusCode());
            // It went in through the other process and is told by this one.
            assertThat(desk.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Points in probing order"))).containsText("203");
            second.kill();
            assertEquals(200, application.post("/api" + GRAND + "/readings", body).statusCode());
            assertEquals(1, application.get("/api" + GRAND + "/readings").body().split(id, -1).length - 1);
            assertEquals(List.of(), browser.complaints);
        } finally {
            second.close();
        }
    }

    @Test
    void readingsTakenOffTheAir_goInOnceEach_alsoFromAPageOpenedAnew() throws IOException {
        Page page = page(ELDER + "/volts");
        assertThat(page.locator("#entry")).isFocused();
        page.context().setOffline(true);
        List<String> values = List.of("211", "212", "213", "214", "215", "lots");
        Locator waits = page.getByRole(AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("Waiting for the connection"));
        for (int i = 0; i < values.size(); i++) {
            page.locator("#entry").fill(values.get(i));
            page.locator("#entry").press("Enter");
            assertThat(waits).containsText(i == 0 ? "One entry waits" : (i + 1) + " entries wait");
        }
        BrowserContext context = page.context();
        page.close();
        context.setOffline(false);
        Page again = context.newPage();
        again.navigate(application.address(ELDER + "/volts"));
        Locator came = again.getByRole(AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("Waiting for the connection"));
        assertThat(came).containsText("lots was not taken");
        assertThat(came).not().containsText("wait for the connection");
        // What only looks unlikely is asked about, as it would have been at once.
        assertThat(came).containsText("no heater stands that");
        came.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("It is right")).click();
        assertThat(came).not().containsText("no heater stands that");
        // It waits for a moment like any other before it is in.
        assertThat(came).not().containsText("for the connection");
        String kept = application.get("/api" + ELDER + "/readings").body();
        values.subList(0, 5).forEach(value -> assertEquals(1, kept.split("\"text\":\"" + value + " V", -1).length - 1, value + " in " + kept));
        came.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Discard")).click();
        assertThat(came).hasCount(0);
    }

    @Test
    void theOwnersData_goForGood() {
        Page page = page(IVORY + "/arrival/label");
        assertThat(page.getByLabel("Owner", new Page.GetByLabelOptions().setExact(true))).hasValue("Bo Example");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Erase the owner’s data…")).click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Erase for good")).click();
        assertThat(page.getByLabel("Owner", new Page.GetByLabelOptions().setExact(true))).hasValue("");
        page.navigate(application.address(IVORY + "/log"));
        assertThat(page.getByText("were erased").first()).isVisible();
        assertEquals(List.of(), browser.complaints);
    }

    @Test
    void aBackupOfTheRunningShop_restoresToTheSameTables(@TempDir Path place) throws IOException, InterruptedException {
        Path file = place.resolve("shop.gz");
        Thread writer = new Thread(() -> {
            for (int i = 0; i < 40; i++) {
                read(i);
            }
        });
        writer.start();
        Ran saved = run(BACKUP.toString(), "save", file.toString(), port(), application.schema());
        writer.join();
        assertEquals(0, saved.status, saved.said);
        String copy = "umber_e2e_" + UUID.randomUUID().toString().substring(0, 8);
        assertEquals(0, run(BACKUP.toString(), "load", file.toString(), port(), copy, "9999").status);
        // What was written after the moment of the backup is not in it: a second, with nobody writing, must be the same throughout.
        Path still = place.resolve("still.gz");
        assertEquals(0, run(BACKUP.toString(), "save", still.toString(), port(), application.schema()).status);
        String twin = "umber_e2e_" + UUID.randomUUID().toString().substring(0, 8);
        assertEquals(0, run(BACKUP.toString(), "load", still.toString(), port(), twin, "9999").status);
        assertEquals(checksums(application.schema()), checksums(twin));
        assertTrue(checksums(twin).lines().count() > 12);
        Ran again = run(BACKUP.toString(), "load", still.toString(), port(), twin, "9999");
        assertEquals(1, again.status);
        assertTrue(again.said.contains("into an empty place"), again.said);
        refused(place, still);
        sql("DROP DATABASE " + copy + "; DROP DATABASE " + twin);
    }

    /** Newer, cut off, or none of ours: a sentence, and nothing is left behind. */
    private static void refused(Path place, Path still) throws IOException, InterruptedException {
        String target = "umber_e2e_" + UUID.randomUUID().toString().substring(0, 8);
        Ran newer = run(BACKUP.toString(), "load", still.toString(), port(), target, "1");
        assertTrue(newer.status == 1 && newer.said.contains("made by a newer Umber Dial"), newer.said);
        Path cut = place.resolve("cut.gz");
        Files.copy(still, cut);
        try (RandomAccessFile half = new RandomAccessFile(cut.toFile(), "rw")) {
            half.setLength(half.length() / 2);
        }
        Ran broken = run(BACKUP.toString(), "load", cut.toString(), port(), target, "9999");
        assertTrue(broken.status == 1 && broken.said.contains("cut off or damaged"), broken.said);
        Path other = place.resolve("other.gz");
        try (GZIPOutputStream out = new GZIPOutputStream(Files.newOutputStream(other))) {
            out.write("CREATE TABLE x (y INT);\n".getBytes(StandardCharsets.UTF_8));
        }
        Ran foreign = run(BACKUP.toString(), "load", other.toString(), port(), target, "9999");
        assertTrue(foreign.status == 1 && foreign.said.contains("no backup of Umber Dial"), foreign.said);
        assertEquals("", sql("SHOW DATABASES LIKE '" + target + "'"));
        Path kept = place.resolve("kept.gz");
        Files.writeString(kept, "an older backup");
        assertEquals(1, run(BACKUP.toString(), "save", kept.toString(), port(), "umber_no_such_schema").status);
        assertEquals("an older backup", Files.readString(kept));
        try (GZIPInputStream in = new GZIPInputStream(Files.newInputStream(still))) {
            assertTrue(new String(in.readNBytes(60), StandardCharsets.UTF_8).startsWith("-- Umber Dial backup, format 1, tables "));
        }
    }

    private static void read(int i) {
        try {
            application.post("/api" + BROWN + "/readings", "{\"id\":\"" + UUID.randomUUID() + "\",\"text\":\"" + (100 + i) + "\",\"node\":\"filter_1\",\"confirmed\":true,\"takenAt\":null,\"note\":\"\"}");
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private static String port() {
        return System.getProperty("umber.db.port");
    }

    /** Of every table but those that say who is at the door just now, which no backup keeps. */
    private static String checksums(String schema) throws IOException, InterruptedException {
        List<String> tables = sql("SELECT table_name FROM information_schema.tables WHERE table_schema = '" + schema + "' AND table_name NOT IN ('SPRING_SESSION', 'SPRING_SESSION_ATTRIBUTES', 'one_time_tokens', 'sign_in_try') ORDER BY 1").lines().toList();
        StringBuilder sums = new StringBuilder();
        for (String table : tables) {
            sums.append(table).append(' ').append(sql("CHECKSUM TABLE " + schema + "." + table).replaceFirst("^\\S+\\s+", "").strip()).append('\n');
        }
        return sums.toString();
    }

    private static String sql(String statement) throws IOException, InterruptedException {
        Ran ran = run("mariadb", "--no-defaults", "--protocol=tcp", "--host=127.0.0.1", "--port=" + port(), "--user=umber", "--password=umber", "-BNe", statement);
        assertEquals(0, ran.status, ran.said);
        return ran.said;
    }

    private static Ran run(String... command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(new ArrayList<>(List.of(command))).redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        return new Ran(process.waitFor(), said);
    }
}
