package org.umberdial.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Two faults of a table set are found by doing nothing but what is told to be read next. */
class DiagnosisJourneyTest extends Journey {
    /** A coupling capacitor that leaks, and a screen resistor that has drifted. */
    private static final Map<String, String> READINGS = Map.ofEntries(
            Map.entry("Filter 1", "108.3"),
            Map.entry("Filter 2", "90.7"),
            Map.entry("V4 plate", "98.4"),
            Map.entry("V4 cathode", "8.51"),
            Map.entry("V4 grid", "5.8"),
            Map.entry("Screens", "57.7"),
            Map.entry("V3 plate", "41"),
            Map.entry("V2 plate", "90.9"),
            Map.entry("V2 cathode", "0.36"),
            Map.entry("V1 plate", "90.7"),
            Map.entry("V1 grid", "-6.1"));

    @Test
    void followingWhatIsToldToReadNext_namesBothFaults() throws IOException {
        Page page = page("/");
        String set = tableSet(page, application, "Yellow shelf set");
        Map<String, String> left = new HashMap<>(READINGS);
        page.navigate(application.address(set + "/volts"));
        // What these figures were read on.
        page.getByLabel("line", new Page.GetByLabelOptions().setExact(true)).fill("117");
        page.keyboard().press("Tab");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Which part?"))
                .click();
        assertThat(page.getByText("Nothing was read yet")).isVisible();
        Locator verdict =
                page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("What the readings come to"));
        int read = 0;
        while (!(verdict.innerText().contains("C4 leaks") && verdict.innerText().contains("R11 has drifted up"))) {
            Locator next = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("What would tell most"))
                    .getByRole(AriaRole.LINK)
                    .filter(new Locator.FilterOptions().setHasText(Pattern.compile("^Read (?!the AC)")))
                    .first();
            String point = next.innerText().replaceFirst("^Read ", "");
            assertTrue(left.containsKey(point), point + " was read already, or is no point");
            next.focus();
            page.keyboard().press("Enter");
            assertThat(page.locator("[aria-current=true]")).containsText(point);
            assertThat(page.locator("#entry")).isFocused();
            page.keyboard().type(left.remove(point));
            assertThat(page.locator("#entry-says")).containsText(point + ":");
            page.keyboard().press("Enter");
            assertThat(page.locator("#entry")).hasValue("");
            read++;
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Which part?"))
                    .click();
            assertThat(page.getByText(read + " of 11 points read")).isVisible();
        }
        // In probing order the sixth of eleven is the screens, and a pair needs more than its two oddest points.
        assertTrue(read < READINGS.size(), "found after " + read);
        assertThat(page.getByText("Proves it:").first()).isVisible();
        // The readings' own screen names them too, each where it shows.
        page.navigate(application.address(set + "/volts"));
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Findings"))
                .press("Enter");
        assertThat(page.getByRole(AriaRole.TABPANEL)).containsText("C4 leaks");
        assertEquals(List.of(), browser.complaints);
    }

    /** An invented set is probed with simulated instruments, its part is named, and the best way is told. */
    @Test
    void aPracticeSetIsPlayed_byKeyboard() {
        Page page = page("/practice");
        page.getByLabel("The set with the number").fill("2");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Begin One part, plainly bad"))
                .press("Enter");
        Locator far = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("So far"));
        assertThat(far).containsText("Nothing read yet");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("0.5 min volts of V5 grid"))
                .press("Enter");
        assertThat(far).containsText("V5 grid");
        assertThat(far).containsText("0.5 min");
        page.locator("[data-part=R2]").click();
        Locator part = page.getByRole(
                AriaRole.REGION, new Page.GetByRoleOptions().setName("Part").setExact(true));
        part.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Test R2 by itself"))
                .press("Enter");
        assertThat(far).containsText("R2 is open.");
        part.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("R2 is bad"))
                .press("Enter");
        Locator went = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("How it went"));
        assertThat(went).containsText("Found in 4.5 min.");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("The best way")))
                .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(60_000));
        assertThat(went).containsText("100 %");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Other sets"))
                .press("Enter");
        assertThat(page.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText("found in 4.5 min")))
                .containsText("100 %");
        assertEquals(List.of(), browser.complaints);
    }
}
