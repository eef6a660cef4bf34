package org.umberdial.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.RequestOptions;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.UUID;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.umberdial.core.sound.SimulatedPlayer;
import org.umberdial.core.sound.Sound;
import org.umberdial.core.sound.SpeedLine;

/** The stage Finish in a real browser whose microphone hears a sound file: a player, work, a cord, a dial. */
class FinishJourneyTest {
    private static final double LP = 33.33;
    private static final double RIM = 214;
    private static final double IDLER = 38;

    @TempDir
    static Path directory;

    private static Application application;
    private static Browser browser;

    /** Four per cent slow, its idler out of round, hum and clicks beside. */
    @BeforeAll
    static void open() throws IOException {
        double idler = LP / 60 * 0.96 * RIM / IDLER;
        SimulatedPlayer player =
                new SimulatedPlayer(3150, -4, 0, List.of(new SpeedLine(idler, 0.45, 1)), -40, -30, 60, 6, 3);
        Path sound = directory.resolve("tone.wav");
        Files.write(sound, SimulatedPlayer.wav(player.play(48000, 60)));
        application = new Application();
        browser = new Browser(List.of(
                "--use-fake-device-for-media-stream",
                "--use-fake-ui-for-media-stream",
                "--use-file-for-fake-audio-capture=" + sound));
    }

    @AfterAll
    static void close() {
        browser.close();
        application.close();
    }

    private static String set(Page page) {
        return set(page, "RECORD_PLAYER");
    }

    private static String set(Page page, String construction) {
        String id = UUID.randomUUID().toString();
        APIResponse made = page.request()
                .post(
                        application.address("/api/sets"),
                        RequestOptions.create()
                                .setHeader("Content-Type", "application/json")
                                .setData("{\"id\":\"" + id
                                        + "\",\"title\":\"Grey school player\",\"ticket\":\"\",\"place\":\"\","
                                        + "\"waitsFor\":\"\",\"construction\":\"" + construction + "\"}"));
        assertEquals(200, made.status(), made.text());
        return "/sets/" + id;
    }

    private static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private static void fill(Page page, String label, String value) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true)).fill(value);
    }

    /** A machine under load drops some of the sound, which is a jump as any other: then it is recorded again. */
    private static void record(Page page) {
        Locator listen = page.locator("section[aria-labelledby=listen]");
        for (int i = 0; i < 3; i++) {
            button(page, "Record").click();
            assertThat(button(page, "End and keep")).isFocused();
            assertThat(page.locator("#now + div")).containsText(Pattern.compile("−4\\.0"));
            assertThat(listen).containsText(Pattern.compile("1[3-9] s|[2-9][0-9] s"));
            page.keyboard().press("Enter");
            Locator kept = page.locator("section[aria-labelledby=lines]");
            assertThat(kept.or(listen.getByText(Pattern.compile("left its groove|The tone stops"))))
                    .isVisible();
            if (kept.isVisible()) {
                return;
            }
        }
    }

    @Test
    void anEccentricIdlerAndASlowMotor_areHeardAndNamed() {
        Page page = browser.page(1280, 800);
        page.navigate(application.address("/"));
        String set = set(page);
        page.navigate(application.address(set + "/finish/drive"));
        fill(page, "Motor’s speed, by its plate", "1438");
        fill(page, "for 33⅓", "4.96");
        fill(page, "Rim, inside", "214");
        fill(page, "Idler", "38");
        button(page, "Save").press("Enter");
        assertThat(page.getByText("Saved.")).isVisible();

        // From here the page that may hear is loaded anew.
        page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("Speed").setExact(true))
                .click();
        button(page, "Record").click();
        assertThat(button(page, "End and keep")).isFocused();
        assertThat(page.locator("#now + div")).containsText(Pattern.compile("−4\\.0"));
        assertThat(page.locator("section[aria-labelledby=listen]")).containsText(Pattern.compile("1[2-9] s"));
        page.keyboard().press("Enter");
        Locator table = page.locator("section[aria-labelledby=lines] tbody");
        assertThat(table.locator("tr").first()).containsText("idler, once a turn");
        assertThat(page.locator("#now + div")).containsText(Pattern.compile("3[12]\\.\\d\\d"));

        // The motor's shaft by strobe: 4 % slow too; and the platter free.
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Of the Platter"))
                .click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Motor shaft"))
                .click();
        fill(page, "Bars", "5");
        fill(page, "Drift, bars a second", "-4.95");
        assertThat(page.getByText(Pattern.compile("138\\d\\.\\d\\d"))).isVisible();
        button(page, "Keep").press("Enter");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Of the Motor shaft"))
                .click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Platter"))
                .click();
        fill(page, "Bars", "216");
        fill(page, "Drift, bars a second", "-4.8");
        button(page, "Keep").press("Enter");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Suspects")))
                .click();
        assertThat(page.locator("li.bg-mark")).hasCount(2);
        assertThat(page.locator("li.bg-mark").filter(new Locator.FilterOptions().setHasText("out of round")))
                .isVisible();
        assertThat(page.locator("li.bg-mark").filter(new Locator.FilterOptions().setHasText("motor bearings")))
                .isVisible();
        assertEquals(List.of(), browser.complaints);
    }

    @Test
    void whatIsNoTone_isRefusedAtItsFile_andChecksAreAnsweredByKeys() throws IOException {
        Page page = browser.page(820, 1180);
        page.navigate(application.address(Journey.SUITCASE + "/finish"));
        Path silence = directory.resolve("silence.wav");
        Files.write(silence, SimulatedPlayer.wav(new Sound(44100, new float[44100 * 12])));
        page.getByLabel("A sound file, WAV or FLAC").setInputFiles(silence);
        assertThat(page.getByText("There is next to no sound")).isVisible();
        page.getByLabel("A sound file, WAV or FLAC")
                .setInputFiles(Files.writeString(directory.resolve("list.wav"), "not a sound"));
        assertThat(page.getByText("choose a WAV or FLAC file")).isVisible();
        page.navigate(application.address(Journey.SUITCASE + "/finish/checks?question=idler_hard"));
        Locator hand = page.locator("#at-hand h3");
        assertThat(hand).containsText("rubber soft and dull");
        page.keyboard().press("1");
        assertThat(hand).not().containsText("rubber soft and dull");
        page.navigate(application.address(Journey.SUITCASE + "/finish/strobe"));
        assertThat(page.getByAltText("The disc as it prints")).isVisible();
        APIResponse pdf = page.request()
                .get(application.address("/api/strobe-discs/pdf?lamp=LINE&hertz=60&speeds=33.33,45,78.26"));
        assertTrue(new String(pdf.body(), 0, 5, StandardCharsets.US_ASCII).startsWith("%PDF-"), "a PDF");
    }

    /** What is wet bars power and waits on the shelf, until somebody has said that it is dry. */
    @Test
    void aScratchyControl_isPlannedDoneAndLookedAt() {
        Page page = browser.page(1280, 800);
        page.navigate(application.address("/"));
        String set = set(page, "BATTERY");
        page.navigate(application.address(set + "/finish"));
        assertThat(page).hasURL(Pattern.compile("/finish/work$"));
        button(page, "Add").press("Enter");
        page.getByPlaceholder("volume, dial, cone, cabinet…").fill("volume");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("clean and lubricate")))
                .press("Enter");
        assertThat(page.locator("#at-hand")).isFocused();
        assertThat(page.locator("#at-hand")).containsText("Two drops of contact cleaner");
        button(page, "Done").press("Enter");
        assertThat(page.locator("#at-hand")).containsText("dry");
        page.navigate(application.address("/"));
        assertThat(page.locator("a[href='" + set + "']")).containsText("Volume control: clean and lubricate");
        page.navigate(application.address(set));
        assertThat(page.getByText("nobody has looked whether it is dry").first())
                .isVisible();
        page.navigate(application.address(set + "/finish/work"));
        button(page, "Dry and right").press("Enter");
        assertThat(page.locator("#at-hand")).containsText("right");
        assertEquals(List.of(), browser.complaints);
    }

    @Test
    void aDialCord_isLaidByKeysAndReckoned() {
        Page page = browser.page(1180, 820);
        page.navigate(application.address("/sets/22222222-0000-4000-8000-000000000003/finish/cord"));
        button(page, "Add one in the middle").press("Enter");
        page.locator("#round-0").getByLabel("Diameter").fill("60");
        button(page, "Add one in the middle").press("Enter");
        page.locator("#round-1").getByLabel("Diameter").fill("60");
        Locator board = page.getByLabel("The cord’s way; arrow keys move the chosen round");
        board.focus();
        for (int i = 0; i < 10; i++) {
            page.keyboard().press("Shift+ArrowRight");
        }
        fill(page, "Distance", "100");
        assertThat(page.getByText("388", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        button(page, "Save").press("Enter");
        assertThat(page.getByText("Saved.")).isVisible();
        assertEquals(List.of(), browser.complaints);
    }

    @Test
    void aDial_isReadByKeys_andSaysWhatToTurn() {
        Page page = browser.page(1180, 820);
        page.navigate(application.address("/"));
        page.navigate(application.address(set(page, "BATTERY") + "/finish/dial"));
        button(page, "Save").press("Enter");
        for (String point : List.of("618", "1003", "1502")) {
            fill(page, "Pointer at", point.equals("618") ? "600" : point.equals("1003") ? "1000" : "1500");
            fill(page, "Comes in", point);
            page.keyboard().press("Enter");
            assertThat(page.locator("tbody")).containsText(point);
        }
        assertThat(page.getByText(Pattern.compile("core in \\(more inductance\\)")))
                .isVisible();
        assertEquals(List.of(), browser.complaints);
    }
}
