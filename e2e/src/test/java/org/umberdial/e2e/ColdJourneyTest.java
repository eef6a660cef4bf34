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
                AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName(Pattern.compile("^C[0-9]+,.*, left$")));
        left.first().focus();
        // Number, Enter, number, Enter, and the key that keeps them.
        int holders = left.count();
        for (int i = 0; i < holders; i++) {
            page.keyboard().type(i == 0 ? "112" : "0.2");
            page.keyboard().press("Enter");
            assertThat(says).not().containsText("Every section is at or below");
        }
        assertThat(says).containsText(Pattern.compile("C[0-9]+ still holds 112 V"));
        left.first().fill("0.4");
        assertThat(says).containsText("at or below 30 V");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Keep these readings"))
                .click();
        assertThat(page.getByText("Kept.", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        page.navigate(application.address(BROWN + "/cold/plug-on"));
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("All are"))
                .click();
        field(page, "Pin to pin").fill("ol");
        assertThat(says).containsText("The chain is open");
        int readings = 0;
        while (says.getByText(Pattern.compile("The break is in")).count() == 0) {
            Locator probes = page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Halve it"))
                    .getByRole(AriaRole.TEXTBOX);
            assertThat(probes).hasCount(readings + 1);
            Locator probe = probes.nth(readings);
            // The heater of V2 is broken: open wherever it lies between.
            boolean across = probe.getAttribute("aria-label").contains("heater of V2");
            String sentence = says.locator("p").nth(1).innerText();
            probe.fill(across ? "open" : "1");
            assertThat(says.locator("p").nth(1)).not().hasText(sentence);
            readings++;
        }
        assertTrue(readings <= 4, readings + " readings");
        assertThat(says).containsText("The break is in the heater of V2");
        assertThat(says.getByRole(AriaRole.LIST, new Locator.GetByRoleOptions().setName("The chain, link by link")))
                .containsText("broken");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Keep these readings"))
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
        field(page, "L1, second IF, primary").fill("open");
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
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Turns to take off"))
                .click();
        page.getByLabel("Turns of the primary").fill("955");
        page.getByLabel("at a line of").fill("240");
        page.getByLabel("Wanted under load").fill("197");
        page.getByLabel("Turns it has now").fill("905");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Reckon"))
                .click();
        assertThat(page.getByText(Pattern.compile("Take off 122 of 905 turns"))).isVisible();
        page.navigate(application.address(GRAND + "/cold/taps"));
        field(page, "Leads, separated by spaces").fill("black red brown blue green");
        field(page, "Volts on the label").fill("110 125 220 240");
        List<String> ohms = List.of("23.9", "12.1", "26.2", "13.4");
        List<String> leads = List.of("red", "brown", "blue", "green");
        for (int i = 0; i < leads.size(); i++) {
            field(page, "black to, " + leads.get(i)).fill(ohms.get(i));
        }
        // Against one lead alone a tap and a lead in mid-winding look the same.
        for (String pair : List.of(
                "red to, brown=11.8",
                "red to, blue=2.3",
                "red to, green=10.5",
                "brown to, blue=14.1",
                "brown to, green=1.3",
                "blue to, green=12.8")) {
            field(page, pair.substring(0, pair.indexOf('='))).fill(pair.substring(pair.indexOf('=') + 1));
        }
        Locator says = page.getByRole(AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("What it says"));
        assertThat(says).containsText("The common is black");
        assertThat(says.getByRole(
                        AriaRole.IMG,
                        new Locator.GetByRoleOptions().setName(Pattern.compile("Leads along the winding"))))
                .isVisible();
        assertEquals(List.of(), browser.complaints);
    }

    private static Locator field(Page page, String name) {
        return page.getByRole(
                AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName(name).setExact(true));
    }
}
