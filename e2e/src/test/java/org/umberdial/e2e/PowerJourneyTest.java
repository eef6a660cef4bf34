package org.umberdial.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.RequestOptions;
import java.io.IOException;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicReference;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.instruments.Bench;
import org.umberdial.instruments.Clips;
import org.umberdial.instruments.SimulatedSet;
import org.umberdial.instruments.SimulatedSet.Fault;
import org.umberdial.instruments.SimulatedSet.Hidden;

/** First power in a real browser, with stand-ins for the instruments: a set that comes up, and four that must not. */
class PowerJourneyTest {
    private static final int SPEED = 6;
    private static Application application;
    private static Browser browser;

    @BeforeAll
    static void open() throws IOException {
        application = Application.hurried(SPEED);
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

    @Test
    void whatStandsBeforePower_isAnsweredByTheKeyboardAlone() {
        Page page = page(Journey.ELDER + "/power/plan");
        assertThat(page.getByText("Fuse: it draws")).isVisible();
        page.navigate(application.address(Journey.ELDER + "/power"));
        for (int left = 10; left > 0; left--) {
            assertThat(page.locator("#to-settle")).containsText(left + " to settle");
            page.keyboard().press("1");
        }
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Bring it up"))
                .press("Enter");
        assertThat(page.getByRole(
                        AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Let the instruments switch on and read")))
                .isVisible();
        assertEquals(List.of(), browser.complaints);
    }

    @Test
    void aSetComesUpOnLamps_andWithAFaultItIsStopped() throws IOException {
        Deck deck = DeckReader.read(new String(Journey.tableCircuit(), StandardCharsets.UTF_8));
        AtomicReference<List<Hidden>> hidden = new AtomicReference<>(List.of());
        try (Bench bench = new Bench(
                faults -> new SimulatedSet(deck, hidden.get(), 5),
                new Clips(List.of(
                        new Clips.Pair("filter_1", "0"),
                        new Clips.Pair("filter_2", "0"),
                        new Clips.Pair("filter_1", "filter_2"))),
                117,
                SPEED)) {
            Page page = page("/");
            links(page, bench);
            String set = Journey.tableSet(page, application, "Green kitchen set");
            begin(page, set);
            Page other = page(set + "/power/run");
            onward(page, 3);
            for (Page each : List.of(page, other)) {
                assertThat(each.getByText("every figure in its band")).isVisible();
                assertThat(each.getByText("The supply was read empty")).isVisible();
            }
            other.close();
            faulty(page, set, bench, hidden, 0, new Hidden("C1", Fault.SHORTED, 0, 0, 0), "No B+", "C1, first filter");
            faulty(page, set, bench, hidden, 1, new Hidden("C4", Fault.LEAKS, 150e3, 0, 0), "healthy", "C4, coupling");
            faulty(page, set, bench, hidden, 0, new Hidden("XV5H", Fault.OPEN, 0, 0, 0), "Nothing", "heater string");
            faulty(page, set, bench, hidden, 0, new Hidden("C2", Fault.LEAKS, 4000, 40, 60), "", "C2, second filter");
            page.navigate(application.address(set + "/power/runs"));
            assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Open run 5")))
                    .isVisible();
            assertEquals(List.of(), browser.complaints);
        }
    }

    /**
     * Starts a run of a set with something wrong in it; after some steps the alarm names it, and the run is stopped.
     */
    private static void faulty(
            Page page,
            String set,
            Bench bench,
            AtomicReference<List<Hidden>> hidden,
            int steps,
            Hidden fault,
            String alarm,
            String suspect)
            throws IOException {
        hidden.set(List.of(fault));
        try (Socket socket = new Socket("127.0.0.1", bench.supplyPort())) {
            socket.getOutputStream().write("SIM:FAUL:CLE;*OPC?\n".getBytes(StandardCharsets.US_ASCII));
            assertEquals('1', socket.getInputStream().read());
        }
        begin(page, set);
        onward(page, steps);
        var alarms = page.getByRole(
                AriaRole.REGION, new Page.GetByRoleOptions().setName("Alarms").setExact(true));
        assertThat(alarms).containsText(alarm);
        assertThat(alarms).containsText(suspect);
        // One that is grave has switched the supply off by itself. F9 stops from a line of words too, which is open
        // when a
        // figure left its band just as somebody wanted to go on.
        page.keyboard().press("F9");
        assertThat(page.getByText("The supply was read empty")).isVisible();
    }

    /** Goes on so many steps, each when it is in its band. */
    private static void onward(Page page, int steps) {
        for (int step = 1; step <= steps; step++) {
            assertThat(page.locator("[aria-current=step]"))
                    .containsText(Pattern.compile("step " + step + " of 3\\s*·\\s*in its band"));
            page.keyboard().press("n");
        }
    }

    private static void begin(Page page, String set) {
        settle(page, set + "/power");
        page.navigate(application.address(set + "/power/run"));
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Let the instruments switch on and read"))
                .press("Enter");
        assertThat(page.locator("[data-run]")).isVisible();
    }

    private static String post(Page page, String path, String json) {
        APIResponse answer = page.request()
                .post(
                        application.address("/api" + path),
                        RequestOptions.create()
                                .setHeader("Content-Type", "application/json")
                                .setData(json));
        assertEquals(200, answer.status(), answer.text());
        return answer.text();
    }

    private static String get(Page page, String path) {
        return page.request().get(application.address("/api" + path)).text();
    }

    private static void links(Page page, Bench bench) {
        Matcher there = Pattern.compile("\"id\":\"([0-9a-f-]{36})\"").matcher(get(page, "/instrument-links"));
        while (there.find()) {
            page.request().delete(application.address("/api/instrument-links/" + there.group(1)));
        }
        link(page, bench.supplyPort(), "line-supply");
        link(page, bench.limiterPort(), "lamp-limiter");
        link(page, bench.scannerPort(), "scanner");
    }

    private static void link(Page page, int port, String profile) {
        post(
                page,
                "/instrument-links",
                String.format(
                        "{\"id\":\"%s\",\"name\":\"%s\",\"host\":\"127.0.0.1\",\"port\":%d,\"profile\":\"%s\"}",
                        UUID.randomUUID(), profile, port, profile));
    }

    /** What can be answered is answered so that it opens; the rest is passed over with a reason. */
    private static void settle(Page page, String power) {
        Pattern open = Pattern.compile("\\{\"id\":\"([^\"]+)\",\"title\":\"[^\"]*\",\"state\":\"(?:ASKED|WRONG)\".*?"
                + "\"choices\":\\[(?:\\{\"id\":\"([^\"]+)\")?");
        Matcher one = open.matcher(get(page, power));
        for (int i = 0; i < 40 && one.find(); i++) {
            boolean asked = one.group(2) != null;
            post(
                    page,
                    power + "/answers",
                    String.format(
                            "{\"id\":\"%s\",\"gate\":\"%s\",\"answer\":\"%s\",\"reason\":\"%s\"}",
                            UUID.randomUUID(),
                            one.group(1),
                            asked ? one.group(2) : "override",
                            asked ? "" : "a journey's bench"));
            one = open.matcher(get(page, power));
        }
    }
}
