package org.umberdial.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

class ArrivalJourneyTest extends Journey {
    private static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private static Locator step(Page page, String name) {
        return page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Arrival"))
                .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName(Pattern.compile(name)));
    }

    private static Locator next(Page page) {
        return page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Next"));
    }

    private static byte[] chassis() throws IOException {
        return Files.readAllBytes(Path.of("../core/src/main/resources/org/umberdial/core/demo/table-set-chassis.jpg"));
    }

    private static void choose(Page page, String what, String option) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(what))
                .click();
        page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName(option).setExact(true))
                .click();
    }

    /** A new set of which nothing is known but its title. */
    private Page takenIn(String title) {
        Page page = page("/");
        button(page, "Take in a set").click();
        page.getByLabel("Title, as you will know it").fill(title);
        choose(page, "How it gets its power", "Not known yet");
        button(page, "Take in the set").click();
        assertThat(page).hasURL(Pattern.compile("/sets/[0-9a-f-]{36}$"));
        return page;
    }

    /** Keyboard alone from the line-up on; keys are counted. */
    @Test
    void fromItsTubes_toADrawnCircuit_walkedAgainstTheSchematic() {
        Page page = takenIn("Loft set, five tubes");
        String set = page.url();
        page.navigate(set + "/circuit/drawing");
        Locator line = page.getByLabel("Its tubes, in any order");
        line.focus();
        String tubes = "50C5 12be6 12AV6 35W4 12BA6";
        page.keyboard().type(tubes);
        assertThat(page.getByText("AC/DC, heaters in series")).isVisible();
        page.keyboard().press("Enter");
        assertThat(page).hasURL(Pattern.compile("/circuit/walk$"));
        assertThat(page.getByText("Chassis can be live")).isVisible();
        Locator strip = page.locator("#entry");
        assertThat(strip).isFocused();
        Locator compared = page.locator("header").getByText(Pattern.compile("[0-9]+ of [0-9]+ compared"));
        int keys = tubes.length() + 1;
        int asked = Integer.parseInt(compared.innerText().replaceAll("(?s).* of ([0-9]+) compared.*", "$1"));
        assertTrue(asked > 25, asked + " parts");
        // Kept, another value, refused, one more, not there.
        String[] said = {"", "", "33k 1W", "banana", "", "+ 4.7n V1.plate-0", "-"};
        int done = 0;
        for (String words : said) {
            String label = page.locator("label[for=entry]").innerText();
            page.keyboard().type(words);
            page.keyboard().press("Enter");
            keys += words.length() + 1;
            if (words.equals("banana")) {
                assertThat(page.locator("#entry-says")).containsText("banana");
                page.keyboard().press("Escape");
                keys++;
            } else if (words.startsWith("+")) {
                assertThat(compared).containsText(" of " + (asked + 1) + " compared");
            } else {
                done += words.equals("-") ? 0 : 1;
                assertThat(page.locator("label[for=entry]")).not().hasText(label);
            }
        }
        assertThat(compared).containsText(done + 1 + " of " + asked + " compared");
        // Taking out is taken back like any word, and done again.
        page.keyboard().press("Control+z");
        assertThat(compared).containsText(done + 1 + " of " + (asked + 1) + " compared");
        page.keyboard().type("-");
        page.keyboard().press("Enter");
        keys += 3;
        assertThat(compared).containsText(done + 1 + " of " + asked + " compared");
        for (int left = asked - done - 1; left > 0; left--) {
            String label = page.locator("label[for=entry]").innerText();
            page.keyboard().press("Enter");
            keys++;
            if (left > 1) {
                assertThat(page.locator("label[for=entry]")).not().hasText(label);
            }
        }
        assertThat(page.getByText("Every part is compared with this set")).isVisible();
        assertTrue(keys <= 300, keys + " keys");
        page.navigate(set + "/circuit/drawing");
        Locator drawing = page.getByRole(AriaRole.APPLICATION);
        assertThat(drawing.locator("[data-confirmed=false]")).hasCount(0);
        drawing.focus();
        page.keyboard().press("ArrowRight");
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Open "))))
                .isVisible();
        page.navigate(set + "/volts");
        assertThat(page.getByText("A healthy set shows").first()).isVisible();
        assertEquals(List.of(), refusalsApart(browser.complaints));
    }

    /** What the browser says of an answer that refuses a word. */
    private static List<String> refusalsApart(List<String> complaints) {
        return complaints.stream().filter(said -> !said.contains("422")).toList();
    }

    @Test
    void aSetIsTakenIn_fromNothing_inOneFlow() throws IOException {
        Page page = page("/");
        button(page, "Take in a set").click();
        page.getByLabel("Title, as you will know it").fill("Attic set with two bands");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("How it gets its power"))
                .click();
        page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions()
                                .setName("AC/DC series string")
                                .setExact(true))
                .click();
        assertThat(page.getByText("Chassis can be live.")).isVisible();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Its circuit"))
                .click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Usual: Five-tube superhet, series string"))
                .click();
        button(page, "Take in the set").click();

        assertThat(next(page)).containsText("hotograph the set before you touch it");
        page.keyboard().press("Enter");
        page.getByLabel("Pictures from files").setInputFiles(new FilePayload("under.jpg", "image/jpeg", chassis()));
        assertThat(page.getByAltText("under.jpg")).isVisible();
        page.getByLabel("Pictures from files")
                .setInputFiles(new FilePayload(
                        "holiday.jpg", "image/jpeg", "MZ a program".getBytes(StandardCharsets.US_ASCII)));
        assertThat(page.getByText("This is a program, whatever its name says")).isVisible();
        button(page, "Give holiday.jpg up").click();

        step(page, "Label and supply").click();
        page.getByLabel("Supply volts").fill("110");
        page.getByLabel("Frequency").fill("60");
        page.getByLabel("Power").fill("30");
        page.getByLabel("Owner", new Page.GetByLabelOptions().setExact(true)).fill("Cy Sample");
        button(page, "Save the label").click();
        assertThat(page.getByText("120 V on its 110 V is 9.1 % over")).isVisible();

        step(page, "Owner").click();
        Locator words = page.getByRole(AriaRole.COMBOBOX);
        words.fill("dead no hum");
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(Pattern.compile("^dead, no hum")))
                .click();
        button(page, "Keep it").first().click();
        assertThat(page.getByText("Nothing is noted of a band switch")).isVisible();
        page.getByLabel("Stands at").fill("short wave");
        page.getByLabel("Stands at").press("Enter");
        assertThat(page.getByText("The band switch was found at short wave")).isVisible();

        step(page, "Take-apart").click();
        button(page, "Knob").click();
        page.getByLabel("Which", new Page.GetByLabelOptions().setExact(true)).fill("tuning knob");
        page.getByLabel("Which", new Page.GetByLabelOptions().setExact(true)).press("Enter");
        assertThat(page.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText("Tuning knob")))
                .isVisible();

        step(page, "Inspection").click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("before opening")))
                .isVisible();
        page.keyboard().press("f");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("papers")))
                .isVisible();
        for (int i = 0; i < 2; i++) {
            page.keyboard().press("ArrowRight");
        }
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("line cord")))
                .isVisible();
        page.keyboard().press("1");
        assertThat(page.getByText("1 before any power")).isVisible();
        assertThat(page.getByText("Perished rubber falls off")).isVisible();

        step(page, "Worth it").click();
        page.getByLabel("Worth when restored").fill("900");
        button(page, "Calculate").click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Go on")))
                .isVisible();

        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Log"))
                .click();
        assertThat(page.getByText("Line cord: rubber stiff, cracked or sticky")).isVisible();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Shelf"))
                .click();
        page.getByPlaceholder("owner, part, value, tube, note").fill("cy sample 35W4");
        assertThat(page.getByText("1 set says")).isVisible();
        assertThat(page.getByRole(AriaRole.LIST)).containsText("Attic set with two bands");
        assertEquals(List.of(), browser.complaints);
    }

    @Test
    void theRegister_readsBackwards_andShoutsWhatIsLeft() {
        Page page = page(IVORY + "/arrival/take-apart");
        button(page, "Correct 2 × speaker leads").click();
        assertThat(page.getByLabel("Which", new Page.GetByLabelOptions().setExact(true)))
                .hasValue("speaker leads");
        page.getByLabel("Where", new Page.GetByLabelOptions().setExact(true)).fill("speaker frame");
        page.getByLabel("Where", new Page.GetByLabelOptions().setExact(true)).press("Enter");
        assertThat(page.getByRole(AriaRole.LISTITEM)
                        .filter(new Locator.FilterOptions().setHasText("2 × speaker leads")))
                .containsText("speaker frame");
        assertThat(page.getByLabel("Which", new Page.GetByLabelOptions().setExact(true)))
                .hasValue("");
        button(page, "Put together").click();
        Locator list = page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Reassembly list"));
        assertThat(list.getByRole(AriaRole.LISTITEM).first()).containsText("Solder 2 × speaker leads");
        assertThat(list.getByRole(AriaRole.LISTITEM).last())
                .containsText("Set the volume control back to full down, switch off");
        Locator before =
                page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Before the set is closed"));
        assertThat(before).containsText("Missing: 1 × back cover screw");
        Locator ticks = list.getByRole(AriaRole.CHECKBOX);
        for (int i = 0; i < ticks.count(); i++) {
            ticks.nth(i).focus();
            page.keyboard().press("Space");
            assertThat(ticks.nth(i)).isChecked();
        }
        assertThat(before).containsText("Everything is back where it came from");
        ticks.first().click();
        assertThat(before).containsText("Left over: 2 of 2 × speaker leads");
        button(page, "The set is closed").click();
        assertThat(page.getByText("Not closed: Left over")).isVisible();
        page.getByLabel("Closed all the same because").fill("leads replaced by new ones");
        button(page, "The set is closed").click();
        assertThat(page.getByText("Closed the set; leads replaced by new ones")).isVisible();
        assertEquals(List.of(), browser.complaints);
    }

    /** A type nobody lists is said by the shop, drafted with its stage, and the stage made another by a word. */
    @Test
    void aTypeOfTheShopsOwn_isDraftedInAPushPullSet_whoseStagesAreSwappedByWords() {
        Page tubes = page("/house/tubes?type=98V8&new=");
        choose(tubes, "Made for", "output tube");
        tubes.getByLabel("Heater volts").fill("6,3");
        tubes.getByLabel("Heater current").fill("0.45");
        button(tubes, "Add a published point").click();
        choose(tubes, "Published point 1", "pentode");
        String[][] sheet = {
            {"Plate volts", "250"},
            {"Screen volts", "250"},
            {"Grid volts", "12.5"},
            {"Plate current", "45"},
            {"Screen current", "4.5"},
            {"Transconductance", "4.1"},
            {"Plate resistance", "50"},
            {"Most plate watts", "12"}
        };
        for (String[] figure : sheet) {
            tubes.getByLabel(figure[0], new Page.GetByLabelOptions().setExact(true))
                    .fill(figure[1]);
        }
        assertThat(tubes.getByText("its grid is positive")).isVisible();
        tubes.getByLabel("Grid volts").fill("-12.5");
        assertThat(tubes.getByText("its grid is positive")).hasCount(0);
        tubes.keyboard().press("Enter");
        assertThat(tubes.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("98V8")))
                .isFocused();

        Page page = takenIn("Push-pull");
        page.navigate(page.url() + "/circuit/drawing");
        page.getByLabel("Its tubes, in any order").fill("12AX7 12AX7 98V8 98V8 5Y3");
        page.keyboard().press("Enter");
        assertThat(page).hasURL(Pattern.compile("/circuit/walk$"));
        assertThat(page.locator("#entry")).isFocused();
        page.keyboard().type("fixed bias");
        page.keyboard().press("Enter");
        assertThat(page.locator("#entry")).hasValue("");
        assertThat(page.getByRole(AriaRole.APPLICATION).getByText("bias_ac").first())
                .isVisible();
        page.keyboard().press("Control+z");
        assertThat(page.getByRole(AriaRole.APPLICATION).getByText("bias_ac")).hasCount(0);
        assertEquals(List.of(), browser.complaints);
    }

    @Test
    void marksFollowTheReadings_andTheMapIsExported() throws IOException {
        Page map = page(BROWN + "/map");
        assertThat(map.locator("[data-mark=R5]")).hasAttribute("data-state", "UNPROVEN");
        Page bench = page(BROWN + "/volts");
        bench.locator("#entry").fill("R5 700k");
        bench.locator("#entry").press("Enter");
        assertThat(bench.locator("#entry")).hasValue("");
        map.reload();
        assertThat(map.locator("[data-mark=R5]")).hasAttribute("data-state", "TO_REPLACE");

        map.getByLabel("Find a part or point").fill("voice coil");
        map.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("R18")))
                .click();
        assertThat(map.getByText("Tap where R18 is")).isVisible();
        Locator stage = map.getByRole(AriaRole.APPLICATION);
        stage.focus();
        map.keyboard().press("+");
        map.keyboard().press("ArrowRight");
        map.keyboard().press("Enter");
        assertThat(map.locator("[data-mark=R18]")).hasAttribute("data-state", "UNPROVEN");
        map.getByLabel("Read, seen or fitted").fill("3.2 Ω");
        button(map, "Sound").click();
        assertThat(map.locator("[data-mark=R18]")).hasAttribute("data-state", "PROVEN");

        Download svg = map.waitForDownload(() -> button(map, "SVG").click());
        assertTrue(Files.readString(svg.path()).contains("R5: to be replaced"));
        Download png = map.waitForDownload(() -> button(map, "PNG").click());
        assertTrue(Files.size(png.path()) > 100_000);
        map.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Open the part"))
                .click();
        assertThat(map.getByText("R18 · voice coil")).isVisible();
        assertEquals(List.of(), browser.complaints);
    }

    @Test
    void partsAreTypedInTheTable_byKeyboard() {
        Page page = page(BROWN + "/circuit");
        button(page, "Type in the table").click();
        Locator value = page.getByLabel("Value of R14");
        value.fill("10G");
        value.press("Enter");
        assertThat(page.getByText(Pattern.compile("R14 of .* cannot be"))).isVisible();
        value.fill("330k");
        value.press("Enter");
        assertThat(page.getByText("kept")).isVisible();
        assertThat(page.getByLabel("Value of C14")).isFocused();
        page.reload();
        button(page, "Type in the table").click();
        assertThat(page.getByLabel("Value of R14")).hasValue("330 kΩ");
        assertThat(page.getByLabel("What it does of R14")).hasValue("chassis to minus rail");
        assertEquals(List.of(), browser.complaints);
    }
}
