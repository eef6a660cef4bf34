package org.umberdial.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.io.OutputStream;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a person at a screen sees of faults of the machine: the database gone, everything killed, the disk full. */
class KeeperJourneyTest {
    @TempDir
    private Path home;

    @Test
    void databaseGone_isSaid_whatIsTypedWaits_andGoesIn_thenEverythingIsKilled() throws Exception {
        Browser browser = new Browser();
        try (Shop shop = new Shop(home, true).start()) {
            Page page = browser.page(1280, 800);
            page.navigate(shop.address(Journey.IVORY + "/volts"));
            assertThat(page.locator("#entry")).isFocused();
            Locator banner = page.locator("[data-standing]");
            assertThat(banner).hasCount(0);
            // The launcher would be too quick for anybody to see.
            Shop.signal(shop.launcher(), "STOP");
            // Nobody waits for it to be gone: its parent stands still and cannot see to that.
            Shop.signal(shop.process("database"), "KILL");
            page.locator("#entry").fill("Filter 1 113.7");
            page.locator("#entry").press("Enter");
            assertThat(banner).containsText("The database is being started again");
            assertThat(page.getByRole(
                            AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("Waiting for the connection")))
                    .containsText("One entry waits");
            HttpResponse<String> answer = shop.get("/api/sets");
            assertEquals(503, answer.statusCode());
            assertTrue(
                    answer.body().contains("database-away")
                            && answer.headers().firstValue("Retry-After").isPresent(),
                    answer.body());
            Shop.signal(shop.launcher(), "CONT");
            assertThat(page.getByRole(
                            AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("Waiting for the connection")))
                    .hasCount(0);
            assertThat(page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Points in probing order")))
                    .containsText("114");
            assertThat(banner).not().containsText("being started again");

            Shop.kill(shop.launcher());
            Shop.kill(shop.process("application"));
            shop.start();
            page.reload();
            assertThat(banner).containsText("ended without warning and was started again");
            assertEquals(
                    1,
                    shop.get("/api" + Journey.IVORY + "/log?size=200").body().split("\"113.7|\"114 V", -1).length - 1);
            banner.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Understood"))
                    .click();
            assertThat(banner).hasCount(0);
            page.reload();
            assertThat(page.locator("#entry")).isVisible();
            assertThat(banner).hasCount(0);
            assertTrue(
                    shop.run("demo", "--port", Integer.toString(Application.freePort()))
                            .contains("running here already"),
                    "two starts on one home");
        } finally {
            browser.close();
        }
    }

    @Test
    void aBackupOfARunningShop_isTheShopElsewhere_andItsOwnerComesInByALink() throws Exception {
        Path file = home.resolve("shop.umber");
        String readings;
        try (Shop shop = new Shop(home.resolve("one"), true).start()) {
            String saved = shop.run("backup", "--demo", file.toString());
            assertTrue(saved.startsWith("0 "), saved);
            readings = shop.get("/api" + Journey.IVORY + "/log?size=200").body();
        }
        try (Shop other = new Shop(home.resolve("two"), false)) {
            assertTrue(other.run("restore", file.toString()).startsWith("0 "));
            other.start();
            String link = other.run("sign-in");
            assertTrue(link.startsWith("0 http://127.0.0.1:"), link);
            Browser browser = new Browser();
            try {
                Page page = browser.page(1280, 800);
                page.navigate(link.substring(2, link.indexOf('\n')));
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Sign this device in"))
                        .click();
                assertThat(page.getByLabel("New password")).isVisible();
                assertEquals(
                        readings, page.evaluate("fetch('/api" + Journey.IVORY + "/log?size=200').then(r => r.text())"));
            } finally {
                browser.close();
            }
        }
    }

    /** On a real small file system, which only root can make here; elsewhere this says that it was not tried. */
    @Test
    void aFullDisk_losesNothing_isRead_andFreeingSpaceIsEnough() throws Exception {
        boolean mounted =
                new ProcessBuilder("mount", "-t", "tmpfs", "-o", "size=230m,mode=700", "umber-test", home.toString())
                                .redirectErrorStream(true)
                                .start()
                                .waitFor()
                        == 0;
        Assumptions.assumeTrue(mounted, "no small file system can be mounted here");
        Browser browser = new Browser();
        try (Shop shop = new Shop(home, true).start()) {
            Page page = browser.page(1280, 800);
            page.navigate(shop.address(Journey.IVORY + "/log"));
            assertThat(page.locator("[data-standing]")).containsText("The disk is nearly full");
            List<String> kept = new ArrayList<>();
            HttpResponse<String> refused = filled(shop, kept);
            assertTrue(refused.statusCode() == 507 && refused.body().contains("The disk is full"), refused.body());
            assertEquals(200, shop.get("/api" + Journey.IVORY + "/log").statusCode(), "reading goes on");
            Files.delete(home.resolve("fill"));
            remark(shop, kept, 0);
            String log = shop.get("/api" + Journey.IVORY + "/log").body();
            assertEquals(
                    List.of(), kept.stream().filter(id -> !log.contains(id)).toList());
            assertEquals("", remark(shop, kept, 1).body(), "freeing space was enough");
        } finally {
            browser.close();
            new ProcessBuilder("umount", "-l", home.toString()).start().waitFor();
        }
    }

    /** Takes what room there is, then keeps on writing until something is refused. */
    private HttpResponse<String> filled(Shop shop, List<String> kept) throws IOException, InterruptedException {
        byte[] page = new byte[4096];
        OutputStream out = Files.newOutputStream(home.resolve("fill"));
        try {
            while (true) {
                out.write(page);
            }
        } catch (IOException full) {
            out.close();
        }
        for (int i = 0; i < 5000; i++) {
            HttpResponse<String> answer = remark(shop, kept, i);
            if (answer.statusCode() != 200) {
                return answer;
            }
        }
        throw new AssertionError("the disk never filled");
    }

    private static HttpResponse<String> remark(Shop shop, List<String> kept, int i)
            throws IOException, InterruptedException {
        String id = UUID.randomUUID().toString();
        HttpResponse<String> answer = shop.post(
                "/api" + Journey.IVORY + "/remarks",
                "{\"id\":\"" + id + "\",\"subject\":\"\",\"words\":\"" + "x".repeat(900) + i + "\",\"takenAt\":null}");
        if (answer.statusCode() == 200) {
            kept.add(id);
        }
        return answer;
    }
}
