package org.umberdial.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.util.List;
import java.util.UUID;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Several screens on one shop, what waits in them, and what is erased for good. */
class ShopJourneyTest extends Journey {
    @Test
    void aReadingOnTheTablet_appearsOnTheOtherScreen() {
        Page desk = page(IVORY + "/volts");
        assertThat(desk.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Points in probing order")))
                .isVisible();
        Page tablet = browser.page(820, 1180);
        tablet.navigate(application.address(IVORY + "/volts"));
        tablet.locator("#entry").fill("Filter 1 113.7");
        assertThat(tablet.locator("#entry-says")).containsText(Pattern.compile("11[34](.7)? V"));
        tablet.locator("#entry").press("Enter");
        assertThat(desk.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Points in probing order")))
                .containsText(Pattern.compile("11[34](.7)?"));
        assertEquals(List.of(), browser.complaints);
    }

    @Test
    void twoProcesses_serveOneShop_andTheOtherGoesOn() throws IOException {
        Application second = application.twin();
        try {
            Page desk = page(GRAND + "/volts");
            assertThat(desk.locator("#entry")).isFocused();
            String id = UUID.randomUUID().toString();
            String body = "{\"id\":\"" + id
                    + "\",\"text\":\"203.4\",\"node\":\"b2\",\"confirmed\":true,\"takenAt\":null,\"note\":\"\"}";
            assertEquals(200, second.post("/api" + GRAND + "/readings", body).statusCode());
            // It went in through the other process and is told by this one.
            assertThat(desk.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Points in probing order")))
                    .containsText("203");
            second.kill();
            assertEquals(
                    200, application.post("/api" + GRAND + "/readings", body).statusCode());
            assertEquals(
                    1, application.get("/api" + GRAND + "/log?size=200").body().split(id, -1).length - 1);
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
        Locator waits = page.getByRole(
                AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("Waiting for the connection"));
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
        Locator came = again.getByRole(
                AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("Waiting for the connection"));
        assertThat(came).containsText("lots was not taken");
        assertThat(came).not().containsText("wait for the connection");
        // What only looks unlikely is asked about, as it would have been at once.
        assertThat(came).containsText("no heater stands that");
        came.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("It is right"))
                .click();
        assertThat(came).not().containsText("no heater stands that");
        // It waits for a moment like any other before it is in.
        assertThat(came).not().containsText("for the connection");
        String kept = application.get("/api" + ELDER + "/log?size=200").body();
        values.subList(0, 5)
                .forEach(value -> assertEquals(
                        1, kept.split("\"figure\":\"" + value + " V", -1).length - 1, value + " in " + kept));
        came.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Discard"))
                .click();
        assertThat(came).hasCount(0);
    }

    @Test
    void theOwnersData_goForGood() {
        Page page = page(IVORY + "/arrival/label");
        assertThat(page.getByLabel("Owner", new Page.GetByLabelOptions().setExact(true)))
                .hasValue("Bo Example");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Erase the owner’s data…"))
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Erase for good"))
                .click();
        assertThat(page.getByLabel("Owner", new Page.GetByLabelOptions().setExact(true)))
                .hasValue("");
        page.navigate(application.address(IVORY + "/log"));
        assertThat(page.getByText("were erased").first()).isVisible();
        assertEquals(List.of(), browser.complaints);
    }
}
