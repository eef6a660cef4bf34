package org.umberdial.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.deque.html.axecore.results.Rule;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class VoltsJourneyTest extends Journey {
    /** Tabs until the focus is on an element with that text. */
    private static void tabTo(Page page, String text) {
        tabTo(page, "Tab", text);
    }

    private static void tabTo(Page page, String key, String text) {
        for (int i = 0; i < 40; i++) {
            page.keyboard().press(key);
            if (String.valueOf(page.evaluate("document.activeElement.textContent"))
                    .contains(text)) {
                return;
            }
        }
        throw new AssertionError("no focus reaches " + text);
    }

    @Test
    void whatIf_byKeyboard_movesTheWholeStaircase_andComesBack() {
        Page page = page(BROWN + "/what-if");
        Locator part = page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Part"));
        part.focus();
        page.keyboard().type("C4");
        page.keyboard().press("Enter");
        assertThat(page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("leaks")))
                .isChecked();
        Locator leak = page.getByLabel("Leak in ohms");
        leak.fill("soon");
        assertThat(page.getByText("“soon” ")).isVisible();
        leak.fill("2.8M");
        Locator grid = page.getByRole(AriaRole.ROW, new Page.GetByRoleOptions().setName(Pattern.compile("V4 grid")));
        assertThat(grid).containsText(Pattern.compile("\\+5\\.[4-8]"));
        assertThat(page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("What else follows")))
                .containsText("The heater of V5 gets");
        leak.press("Enter");
        assertThat(page.getByText("C4 leaks 2.8M").first()).isVisible();
        part.focus();
        page.keyboard().type("R11");
        page.keyboard().press("Enter");
        page.getByLabel(Pattern.compile("New value")).fill("7.5k");
        assertThat(page.getByRole(AriaRole.ROW, new Page.GetByRoleOptions().setName(Pattern.compile("Screens"))))
                .containsText(Pattern.compile("−1[789]"));
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Back to the healthy set"))
                .click();
        assertThat(grid).containsText("–");
        assertEquals(List.of(), browser.complaints);
    }

    @Test
    void coldOhms_areChartedPinByPin() {
        Page page = page(BROWN + "/ohms");
        Locator v4 = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Socket V4"));
        assertThat(v4.getByRole(AriaRole.ROW, new Locator.GetByRoleOptions().setName(Pattern.compile("^2 V4 grid"))))
                .containsText("470 kΩ");
        assertThat(page.getByRole(AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("Caution")))
                .containsText("Plug out of the wall");
        assertEquals(List.of(), browser.complaints);
    }

    @Test
    void nineReadingsByKeyboard_nameBothFaultsAndStayAfterAReload() {
        Page page = page("/");
        assertThat(page.getByText("Ivory table set")).isVisible();
        tabTo(page, "Ivory table set");
        page.keyboard().press("Enter");
        assertThat(page.locator("h1")).isFocused();
        tabTo(page, "Shift+Tab", "Volts");
        page.keyboard().press("Enter");
        Locator entry = page.locator("#entry");
        assertThat(entry).isFocused();
        String[] readings = {"112.4", "94.1", "102.1", "8.9", "5.8", "59.6", "42.5", "94.3", "0.37"};
        String[] points = {
            "Filter 1", "Filter 2", "V4 plate", "V4 cathode", "V4 grid", "Screens", "V3 plate", "V2 plate", "V2 cathode"
        };
        for (int i = 0; i < readings.length; i++) {
            assertThat(page.locator("[aria-current=true]")).containsText(points[i]);
            page.keyboard().type(readings[i]);
            assertThat(page.locator("#entry-says")).containsText(points[i] + ":");
            page.keyboard().press("Enter");
            assertThat(entry).hasValue("");
            assertThat(page.locator("[aria-current=true]")).not().containsText(points[i]);
        }
        page.keyboard().press("Alt+n");
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Why")))
                .containsText("C4 leaky");
        assertThat(page.getByText("C4, coupling of V3").first()).isVisible();
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Next")))
                // Its leak was read at the parts: what the voltages suspect is proven already.
                .containsText("replace C4. C4 is proven leaky");
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Findings (2)"))
                .focus();
        page.keyboard().press("Enter");
        assertThat(page.getByText("R11, screen dropper of V2").first()).isVisible();
        page.reload();
        assertThat(page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Findings (2)")))
                .isVisible();
        assertThat(page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Points in probing order")))
                .containsText("59.6");
        assertEquals(List.of(), browser.complaints);
    }

    @Test
    void badEntry_keepsWhatWasTyped_undoTakesBack_draftSurvivesAReload() {
        Page page = page(BROWN + "/volts");
        Locator entry = page.locator("#entry");
        entry.fill("V9 plate 12");
        assertThat(page.locator("#entry-says")).containsText("No test point is called");
        page.keyboard().press("Enter");
        assertThat(entry).hasValue("V9 plate 12");
        page.reload();
        assertThat(page.locator("#entry")).hasValue("V9 plate 12");
        page.locator("#entry").fill("filter 1 6300V");
        page.keyboard().press("Enter");
        assertThat(page.locator("#entry-says")).containsText("beyond any home set");
        page.keyboard().press("Escape");
        page.locator("#entry").fill("filter 1 113.2");
        page.keyboard().press("Enter");
        assertThat(page.getByText("Take back")).containsText("113 V");
        page.locator("#entry").press("Control+z");
        assertThat(page.getByText("Take back")).not().containsText("113 V");
        page.navigate(application.address(BROWN + "/log"));
        assertThat(page.getByText("Takes the reading back").first()).isVisible();
    }

    @Test
    void lineAndMeter_moveEveryExpectedValue() {
        Page page = page(BROWN + "/volts");
        Locator first = page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Points in probing order"))
                .getByRole(AriaRole.LISTITEM)
                .first();
        assertThat(first).containsText("114 ± 13");
        page.getByLabel("line", new Page.GetByLabelOptions().setExact(true)).fill("110");
        page.keyboard().press("Enter");
        assertThat(first).containsText("107 ± 12");
        page.getByLabel("line", new Page.GetByLabelOptions().setExact(true)).fill("4000");
        page.keyboard().press("Enter");
        assertThat(page.getByText("between 1 and 300 V")).isVisible();
        page.getByLabel("line", new Page.GetByLabelOptions().setExact(true)).fill("121.4");
        page.keyboard().press("Enter");
        assertThat(first).containsText("119 ± 13");
    }

    @Test
    void csvTwice_doublesNothing() throws IOException {
        Path file = Files.createTempFile("readings", ".csv");
        Files.writeString(file, "point,value,minutes\nFilter 1,113.9,20\nFilter 1,113.9,20\nnowhere,3,\n");
        Page page = page(BROWN + "/circuit");
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Files"))
                .click();
        Locator input = page.getByLabel("Readings from a file");
        input.setInputFiles(file);
        assertThat(page.getByText("2 readings taken")).isVisible();
        assertThat(page.getByText("Line 4: No test point")).isVisible();
        input.setInputFiles(file);
        assertThat(page.getByText("2 were here already")).isVisible();
    }

    @Test
    void newSet_fromNothingToItsFirstVerdict() {
        Page page = page("/");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Take in a set"))
                .click();
        page.getByLabel("Title, as you will know it").fill("Green kitchen set");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("How it gets its power"))
                .click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Not known yet"))
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Take in the set"))
                .click();
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Next")))
                .containsText("hotograph the set");
        page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("Circuit").setExact(true))
                .click();
        Locator lines = page.getByLabel(Pattern.compile("Add parts, a line each"));
        lines.fill("VB bplus 0 250\nR1 270k 10% carbon bplus-v1.plate\nXV1 v1_plate v1_grid 0 12AV6_T\nR2 10meg "
                + "V1.grid-0\nR2 5meg a-b");
        assertThat(page.getByText("R2 stands twice among these lines")).isVisible();
        lines.press("Control+Enter");
        assertThat(page.getByText("4 kept; 1 stay here with their reason.")).isVisible();
        assertThat(lines).hasValue("R2 5meg a-b");
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(Pattern.compile("Points and sheet")))
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("One more point, at node"))
                .click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("v1_plate"))
                .click();
        page.getByLabel("Called").fill("V1 plate");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add the point"))
                .click();
        page.getByLabel("Sheet value at V1 plate").fill("80");
        page.getByLabel("Sheet value at V1 plate").press("Tab");
        assertThat(page.getByText("kept")).isVisible();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Volts"))
                .click();
        page.locator("#entry").fill("50");
        assertThat(page.locator("#entry-says")).containsText("wrong");
    }

    @Test
    void disputedValue_isDecided_andASetIsRelabelled() {
        Page page = page(BROWN + "/circuit");
        page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Values that disagree"))
                .getByRole(AriaRole.BUTTON)
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Decide for 10.0 nF, sheet"))
                .click();
        assertThat(page.getByText("as sheet")).isVisible();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Done"))
                .click();
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Values that disagree")))
                .hasCount(0);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Edit details"))
                .click();
        page.getByLabel("Waits for").fill("a new coupling capacitor");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Save").setExact(true))
                .click();
        assertThat(page.getByLabel("Waits for")).hasCount(0);
        page.navigate(application.address("/"));
        assertThat(page.getByText("a new coupling capacitor")).isVisible();
    }

    @Test
    void otherVocabulary_changesTheLabels() {
        Page page = page("/house");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Words"))
                .click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(Pattern.compile("valve")))
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Decimal sign"))
                .click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(Pattern.compile("comma")))
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Save the policy"))
                .click();
        assertThat(page.getByText("Saved. Verdicts updated")).isVisible();
        page.navigate(application.address(BROWN + "/volts"));
        assertThat(page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Points in probing order")))
                .containsText("V4 anode");
        Locator mains = page.getByLabel("mains", new Page.GetByLabelOptions().setExact(true));
        mains.fill("121,4");
        mains.press("Enter");
        Locator points = page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Points in probing order"));
        assertThat(points).containsText("119 ± 13");
        page.reload();
        assertThat(mains).hasValue("121,4");
        page.locator("#entry").fill("V3 anode 46,8");
        assertThat(page.locator("#entry-says")).containsText("46,8 V");
        page.locator("#entry").fill("4,700");
        assertThat(page.locator("#entry-says")).containsText("could be 4700 or 4,7");
        page.locator("#entry").fill("");
        page.navigate(application.address("/house"));
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Words"))
                .click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(Pattern.compile("tube")))
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Decimal sign"))
                .click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(Pattern.compile("point")))
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Save the policy"))
                .click();
        assertThat(page.getByText("Saved. Verdicts updated")).isVisible();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/",
                BROWN,
                BROWN + "/volts",
                BROWN + "/volts/part",
                BROWN + "/volts/rehearsal",
                "/practice",
                "/practice/44444444-0000-4000-8000-000000000002",
                BROWN + "/circuit",
                BROWN + "/circuit/drawing?part=R5",
                BROWN + "/circuit/walk",
                BROWN + "/ohms",
                BROWN + "/what-if?part=C4&kind=LEAK&value=2.8M",
                BROWN + "/log",
                "/house",
                BROWN + "/map?part=C4",
                IVORY + "/arrival/photos",
                IVORY + "/arrival/label",
                IVORY + "/arrival/complaints",
                IVORY + "/arrival/take-apart",
                IVORY + "/arrival/inspection",
                IVORY + "/arrival/worth",
                BROWN + "/cold",
                IVORY + "/parts?point=C4",
                IVORY + "/parts/plan",
                IVORY + "/parts/left",
                IVORY + "/parts/forming",
                IVORY + "/parts/rectifying",
                "/house/shopping",
                "/house/catalogue",
                ELDER + "/cold/plug-on",
                ELDER + "/power",
                ELDER + "/power/plan",
                ELDER + "/power/run",
                ELDER + "/power/checks",
                ELDER + "/power/runs",
                SUITCASE + "/finish",
                SUITCASE + "/finish/drive",
                SUITCASE + "/finish/suspects",
                SUITCASE + "/finish/checks",
                SUITCASE + "/finish/strobe",
                "/sets/22222222-0000-4000-8000-000000000006/finish/work",
                ELDER + "/finish/materials",
                ELDER + "/finish/cord",
                "/sets/22222222-0000-4000-8000-000000000006/finish/dial",
                "/sets/22222222-0000-4000-8000-000000000002/finish/alignment",
                "/sets/22222222-0000-4000-8000-000000000002/finish/gains",
                ELDER + "/finish/radio",
                ELDER + "/finish/listening",
                GRAND + "/cold/injection",
                GRAND + "/cold/workshop",
                "/house/tubes?type=ECH81",
                "/house/people",
                "/account",
                "/pair#x"
            })
    void everyScreen_passesTheAccessibilityRules_inBothThemes_andNeverScrollsSideways(String path) {
        Page page = browser.page(1280, 800);
        // The stream of changes never ends, so with it a page is never idle.
        page.addInitScript("window.EventSource = undefined; localStorage.setItem('umber.theme', 'light')");
        page.navigate(application.address(path));
        assertThat(page.locator("h1")).isVisible();
        page.waitForLoadState(com.microsoft.playwright.options.LoadState.NETWORKIDLE);
        List<String> violations = new ArrayList<>(said(new AxeBuilder(page)));
        // Only colours differ in the dark.
        page.evaluate("document.documentElement.dataset.theme = 'dark'");
        violations.addAll(said(new AxeBuilder(page).withRules(List.of("color-contrast"))));
        for (List<Integer> size :
                List.of(List.of(1280, 800), List.of(1180, 820), List.of(820, 1180), List.of(390, 844))) {
            page.setViewportSize(size.get(0), size.get(1));
            // What depends on the width is drawn anew by then.
            page.evaluate("() => new Promise(done => requestAnimationFrame(() => requestAnimationFrame(done)))");
            if (!(Boolean) page.evaluate("document.documentElement.scrollWidth <= innerWidth")) {
                violations.add("scrolls sideways at " + size);
            }
        }
        assertEquals(List.of(), violations);
    }

    private static List<String> said(AxeBuilder axe) {
        return axe.analyze().getViolations().stream()
                .map(VoltsJourneyTest::said)
                .toList();
    }

    private static String said(Rule rule) {
        return rule.getId() + ": "
                + rule.getNodes().stream().map(node -> node.getHtml()).limit(3).toList();
    }

    @Test
    void acknowledgedReading_survivesKillingTheServer() throws IOException {
        try (Application other = new Application()) {
            String id = UUID.randomUUID().toString();
            String body = "{\"id\":\"" + id
                    + "\",\"text\":\"117.3\",\"node\":\"filter_1\",\"confirmed\":false,\"takenAt\":null,\"note\":\"\"}";
            assertEquals(200, other.post("/api" + IVORY + "/readings", body).statusCode());
            other.kill();
            other.start();
            assertTrue(other.get("/api" + IVORY + "/log?size=200").body().contains(id));
            assertEquals(200, other.post("/api" + IVORY + "/readings", body).statusCode());
            assertEquals(1, other.get("/api" + IVORY + "/log?size=200").body().split(id, -1).length - 1);
        }
    }
}
