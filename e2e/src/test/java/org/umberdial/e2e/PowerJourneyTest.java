package org.umberdial.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** First power in a real browser, with the stand-ins that ship: a set that comes up, and one that must not. */
class PowerJourneyTest {
    private static final String ELDER = Journey.ELDER;
    private static Application application;
    private static Browser browser;

    @BeforeAll
    static void open() throws IOException {
        application = Application.hurried(9);
        browser = new Browser();
    }

    @AfterAll
    static void close() {
        browser.close();
        application.close();
    }

    private static Page page(String path) {
        Page page = browser.page(1280, 800);
        page.navigate(application.address(path));
        return page;
    }

    /** Answers what stands before power: the first answer of each is the one that opens it here. */
    private static void answer(Page page, int questions) {
        page.navigate(application.address(ELDER + "/power"));
        for (int left = questions; left > 0; left--) {
            assertThat(page.locator("#to-settle")).containsText(left + " to settle");
            page.keyboard().press("1");
        }
        assertThat(page.locator("#to-settle")).containsText("Nothing is left to settle");
    }

    private static void begin(Page page) {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Bring it up"))
                .press("Enter");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Let the instruments switch on and read"))
                .press("Enter");
    }

    @Test
    void aSetComesUpStepByStep_andWithAShortedReservoirItIsSwitchedOff() throws IOException {
        Page page = page(ELDER + "/power/plan");
        assertThat(page.getByText("Why so")).isVisible();
        assertThat(page.getByText("Fuse: it draws")).isVisible();
        answer(page, 10);
        begin(page);
        Page other = page(ELDER + "/power/run");
        for (int step = 0; step < 3; step++) {
            assertThat(page.locator("[aria-current=step]"))
                    .containsText(Pattern.compile("step " + (step + 1) + " of 3\\s*·\\s*in its band"));
            page.keyboard().press("n");
        }
        for (Page each : List.of(page, other)) {
            assertThat(each.getByText("every figure in its band")).isVisible();
            assertThat(each.getByText("The supply was read empty")).isVisible();
        }
        hide("C1,SHORTED");
        answer(page, 8);
        begin(page);
        assertThat(page.getByRole(
                                AriaRole.HEADING,
                                new Page.GetByRoleOptions().setName(Pattern.compile("No B\\+ though current flows")))
                        .first())
                .isVisible();
        assertThat(page.getByText("most likely C1, reservoir, is shorted").first())
                .isVisible();
        assertThat(page.getByText("The supply was read empty")).isVisible();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("All runs of this set"))
                .click();
        assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Open run 2")))
                .isVisible();
        assertThat(page.getByRole(AriaRole.IMG).first()).isVisible();
        assertEquals(List.of(), browser.complaints);
    }

    /** A fault in the simulated set, which nothing but its figures tells. */
    private static void hide(String fault) throws IOException {
        Matcher port = Pattern.compile("\"port\":(\\d+),\"profile\":\"line-supply\"")
                .matcher(application.get("/api/instrument-links").body());
        port.find();
        try (Socket socket = new Socket("127.0.0.1", Integer.parseInt(port.group(1)))) {
            socket.getOutputStream().write(("SIM:FAUL " + fault + ";*OPC?\n").getBytes(StandardCharsets.US_ASCII));
            assertEquals('1', socket.getInputStream().read());
        }
    }
}
