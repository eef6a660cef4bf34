package org.umberdial.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The cold bench in a real browser. */
class ColdJourneyTest extends Journey {
    @Test
    void dischargedThenOneReading_thenHalvedToTheOpenHeater() {
        Page page = page(BROWN + "/cold/discharge");
        Locator says = page.getByRole(AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("What it says"));
        Locator left = page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^C[0-9]+,.*, left: not read$")));
        Locator strip = page.locator("#entry");
        assertThat(strip).isFocused();
        assertThat(left.first()).isVisible();
        int holders = left.count();
        // Number, Enter, number, Enter, whatever is current.
        for (int i = 0; i < holders; i++) {
            enter(page, i == 0 ? "112" : "0.2");
            assertThat(left).hasCount(holders - 1 - i);
        }
        assertThat(says).containsText(Pattern.compile("C[0-9]+ still holds 112 V"));
        // The row by its name, then Enter on an empty line keeps them all.
        String first = page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^C[0-9]+,.*, left: 112$")))
                .getAttribute("aria-label")
                .replaceAll(",.*", "");
        strip.fill(first + " 0.4");
        assertThat(page.locator("#entry-says")).containsText(first);
        enter(page, first + " 0.4");
        assertThat(says).containsText("at or below 30 V");
        page.keyboard().press("Control+Enter");
        assertThat(page.getByText("Kept.", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        page.navigate(application.address(BROWN + "/cold/plug-on"));
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("All are"))
                .click();
        choose(page, "Pin to pin");
        enter(page, "ol");
        assertThat(says).containsText("The chain is open");
        int readings = 0;
        while (says.getByText(Pattern.compile("The break is in")).count() == 0) {
            Locator probes = page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Halve it"))
                    .getByRole(AriaRole.BUTTON);
            assertThat(probes).hasCount(readings + 1);
            Locator probe = probes.nth(readings);
            // The heater of V2 is broken: open wherever it lies between.
            boolean across = probe.getAttribute("aria-label").contains("heater of V2");
            String sentence = says.locator("p").nth(1).innerText();
            probe.click();
            enter(page, across ? "open" : "1");
            assertThat(says.locator("p").nth(1)).not().hasText(sentence);
            readings++;
        }
        assertTrue(readings <= 4, readings + " readings");
        assertThat(says).containsText("The break is in the heater of V2");
        assertThat(says.getByRole(AriaRole.LIST, new Locator.GetByRoleOptions().setName("The chain, link by link")))
                .containsText("broken");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Keep these [0-9]+")))
                .click();
        assertThat(page.getByText("Kept.", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        page.navigate(application.address(BROWN + "/map?part=XV2"));
        assertThat(page.getByText(Pattern.compile("The break is in the heater of V2"))
                        .first())
                .isVisible();
        assertEquals(List.of(), browser.complaints);
    }

    @Test
    void controlReading_isAskedBeforeAPartIsCondemned() {
        Page page = page(GRAND + "/cold/coils");
        choose(page, "L1, second IF, primary");
        enter(page, "open");
        Locator control = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Control reading"));
        assertThat(control).containsText("Before you condemn anything");
        control.getByLabel("Known-good part").fill("new 10 Ω resistor");
        control.getByLabel("Its value").fill("10");
        control.getByLabel("It reads").fill("10.1");
        control.getByRole(AriaRole.BUTTON).click();
        assertThat(control).hasCount(0);
        page.navigate(application.address("/house"));
        assertThat(page.getByText(Pattern.compile("new 10 Ω resistor.*reads it 1 % high")))
                .isVisible();
        assertEquals(List.of(), browser.complaints);
    }

    @Test
    void workshop_comparesACandidate_andTapsAreTold() {
        Page page = page(GRAND + "/cold/workshop");
        assertThat(page.getByText("87 VA")).isVisible();
        assertThat(page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("In stock")))
                .containsText("Black potted, unused: volts high by");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Use Grey frame"))
                .click();
        assertThat(page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("In stock")))
                .not()
                .containsText("Grey frame");
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Turns to take off"))
                .click();
        page.getByLabel("Turns of the primary").fill("955");
        page.getByLabel("at a line of").fill("240");
        page.getByLabel("Wanted under load").fill("197");
        page.getByLabel("Turns it has now").fill("905");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Calculate"))
                .click();
        assertThat(page.getByText(Pattern.compile("Take off 122 of 905 turns"))).isVisible();
        page.navigate(application.address(GRAND + "/cold/taps"));
        choose(page, "Leads, separated by spaces");
        enter(page, "black red brown blue green");
        choose(page, "Volts on the label");
        enter(page, "110 125 220 240");
        choose(page, "black to, red");
        // Against one lead alone a tap and a lead in mid-winding look the same.
        for (String ohms : "23.9 12.1 26.2 13.4 11.8 2.3 10.5 14.1 1.3 12.8".split(" ")) {
            enter(page, ohms);
        }
        Locator says = page.getByRole(AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("What it says"));
        assertThat(says).containsText("The common is black");
        assertThat(says.getByRole(
                        AriaRole.IMG,
                        new Locator.GetByRoleOptions().setName(Pattern.compile("Leads along the winding"))))
                .isVisible();
        assertEquals(List.of(), browser.complaints);
    }

    @Test
    void planTakesAPartAndItsFigure() {
        Page page = page(GRAND + "/cold");
        page.locator("#entry").fill("XT77 12k");
        assertThat(page.locator("#entry-says")).containsText("There is no part XT77");
        page.locator("#entry").fill("R6 219k lifted");
        assertThat(page.locator("#entry-says")).containsText("Resistors against the network");
        page.keyboard().press("Enter");
        assertThat(page.locator("#entry-says")).containsText("Kept: R6");
        page.navigate(application.address(GRAND + "/log"));
        assertThat(page.getByText(Pattern.compile("Resistors against the network"))
                        .first())
                .isVisible();
        assertTrue(browser.complaints.stream().allMatch(said -> said.contains("422")), browser.complaints.toString());
    }

    /** What stands in a row, by its name; the entry strip then writes into it. */
    private static void choose(Page page, String name) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name + ": "))
                .click();
    }

    private static void enter(Page page, String text) {
        Locator strip = page.locator("#entry");
        strip.fill(text);
        strip.press("Enter");
        assertThat(strip).hasValue("");
    }
}
