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
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.umberdial.core.alignment.AlignStep;
import org.umberdial.core.alignment.AlignStep.Aim;
import org.umberdial.core.alignment.AlignmentPlan;
import org.umberdial.core.alignment.Feed;
import org.umberdial.core.alignment.SimulatedReceiver;
import org.umberdial.core.alignment.SimulatedReceiver.Generator;
import org.umberdial.core.evidence.BandSaid;
import org.umberdial.core.evidence.GearSaid;
import org.umberdial.core.evidence.ReceiverSaid;
import org.umberdial.core.tuning.Band;
import org.umberdial.instruments.ReceiverStandIn;

/** The demo's FM set aligned in a real browser, with a stand-in whose circuits are off by known amounts. */
class AlignmentJourneyTest {
    private static final String GRAND = "/sets/22222222-0000-4000-8000-000000000002";
    private static final List<Band> BANDS = List.of(
            new Band(new BandSaid("MW", 520, 1620, 460, true)),
            new Band(new BandSaid("FM", 87_500, 100_000, 10_700, true)));
    private static final ReceiverSaid RECEIVER = new ReceiverSaid(
            ReceiverSaid.Kind.SUPERHET, 2, 2, ReceiverSaid.Detector.RATIO, Set.of(ReceiverSaid.Has.TRAP));
    private static final int ROUNDS = 2;

    private static Application application;
    private static Browser browser;

    @BeforeAll
    static void open() throws IOException {
        application = new Application();
        browser = new Browser();
    }

    @AfterAll
    static void close() {
        browser.close();
        application.close();
    }

    @Test
    void theDemoSetWithFm_isAlignedStepByStep() {
        SimulatedReceiver set = new SimulatedReceiver(RECEIVER, BANDS, 8101);
        try (ReceiverStandIn standIn = new ReceiverStandIn(set)) {
            Page page = browser.page(1280, 800);
            page.navigate(application.address("/"));
            link(page, standIn.port());
            page.navigate(application.address(GRAND + "/finish/alignment"));
            List<AlignStep> steps = AlignmentPlan.of(
                            RECEIVER,
                            new GearSaid(GearSaid.Generator.AM_FM, GearSaid.Meter.OUTPUT, true),
                            BANDS,
                            false,
                            Map.of())
                    .steps();
            Locator rail =
                    page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Steps of the alignment"));
            for (int i = 0; i < steps.size(); i++) {
                AlignStep step = steps.get(i);
                if (step.cores().isEmpty()) {
                    for (int round = 0; round < ROUNDS && step.backTo().isPresent(); round++) {
                        again(page, steps.subList(from(steps, step), i));
                    }
                    continue;
                }
                rail.getByText(step.title(), new Locator.GetByTextOptions().setExact(true))
                        .click();
                assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(2)))
                        .containsText(step.title());
                button(page, "Set the generator").press("Enter");
                assertThat(page.getByText(Pattern.compile("Set, \\d"))).isVisible();
                again(page, List.of(step));
                for (int round = 1; round < ROUNDS && step.backTo().isPresent(); round++) {
                    again(page, steps.subList(from(steps, step), i + 1));
                }
                button(page, "Is after").press("Enter");
                button(page, "Done").press("Enter");
                assertThat(page.locator("[aria-current=step]")).not().containsText(step.title());
            }
            for (int can = 1; can <= 2; can++) {
                assertEquals(460e3, set.canHertz(false, can), 1000, "AM can " + can);
                assertEquals(10.7e6, set.canHertz(true, can), 20e3, "FM can " + can);
            }
            for (Band band : BANDS) {
                for (double dial : band.points()) {
                    assertEquals(
                            1000 * dial, set.comesIn(band.said().name(), 1000 * dial), 10 * dial, band + " " + dial);
                }
            }
            curve(page, rail, set);
            theS(page, rail, set);
            assertEquals(List.of(), browser.complaints);
        }
    }

    private static void again(Page page, List<AlignStep> steps) {
        steps.stream().filter(step -> !step.cores().isEmpty()).forEach(step -> work(page, step));
    }

    private static int from(List<AlignStep> steps, AlignStep step) {
        for (int i = 0; i < steps.size(); i++) {
            if (steps.get(i).id().equals(step.backTo().orElseThrow())) {
                return i;
            }
        }
        throw new AssertionError("nothing is called " + step.backTo());
    }

    /** Levels for one reading around the intermediate frequency, typed. */
    private static void curve(Page page, Locator rail, SimulatedReceiver set) {
        rail.getByText("Read the curve around the intermediate frequency").click();
        for (int kilo = 452; kilo <= 468; kilo += 2) {
            double low = 1e-7;
            double high = 1e-1;
            for (int i = 0; i < 40; i++) {
                double middle = Math.sqrt(low * high);
                if (set.shown(new Generator(Feed.CONVERTER, 1000.0 * kilo, middle), "", 0)
                                .output()
                        < 0.2) {
                    low = middle;
                } else {
                    high = middle;
                }
            }
            page.getByLabel("Read at " + kilo + " kHz", new Page.GetByLabelOptions().setExact(true))
                    .fill(String.format(Locale.ROOT, "%.3g", 1e6 * low));
        }
        button(page, "Keep the curve").press("Enter");
        assertThat(page.getByText(Pattern.compile("Middle at (459\\.\\d+|460(\\.\\d+)?) kHz")))
                .isVisible();
    }

    private static void theS(Page page, Locator rail, SimulatedReceiver set) {
        rail.getByText("Read the S: from 200 kHz below").click();
        for (int kilo = 10_450; kilo <= 10_950; kilo += 50) {
            double volts = set.shown(new Generator(Feed.LAST_IF, 1000.0 * kilo, 0.003), "", 0)
                    .balance();
            page.getByLabel("Read at " + kilo + " kHz", new Page.GetByLabelOptions().setExact(true))
                    .fill(String.format(Locale.ROOT, "%.3f", volts));
        }
        button(page, "Keep the curve").press("Enter");
        assertThat(page.getByText(Pattern.compile("Nought at 10\\.(69|70|71)\\d* MHz|Nought at 10\\.7 MHz")))
                .isVisible();
        assertThat(page.locator("p.text-good")).isVisible();
    }

    private static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    /** Sets the generator so that the meter is in its middle, and turns the core for what the step says. */
    private static void work(Page page, AlignStep step) {
        String what = step.read().name().toLowerCase(Locale.ROOT);
        double microvolts = 1e6 * step.volts().orElseThrow();
        String give = "{\"step\":\"%s\",\"microvolts\":\"%.4f\"}";
        double most = step.read() == AlignStep.Read.STABILISER ? 2 : 0.25;
        double shown =
                read(post(page, "/alignment/generator", String.format(Locale.ROOT, give, step.id(), microvolts)), what);
        for (int i = 0; i < 20 && step.aim() == Aim.PEAK && shown > most; i++) {
            microvolts /= 2;
            shown = read(
                    post(page, "/alignment/generator", String.format(Locale.ROOT, give, step.id(), microvolts)), what);
        }
        double coarse = 0.25;
        double at = -2.75;
        double[] seen = new double[23];
        for (int i = 0; i < seen.length; i++) {
            seen[i] = turned(page, step, i == 0 ? at : coarse, what);
        }
        at += coarse * (seen.length - 1);
        double to = -2.75 + coarse * place(seen, step.aim());
        double fine = 0.16;
        turned(page, step, to - at, what);
        for (int i = 0; i < 2 && step.aim() != Aim.ZERO; i++) {
            double low = turned(page, step, -fine, what);
            double middle = turned(page, step, fine, what);
            double high = turned(page, step, fine, what);
            double bend = low - 2 * middle + high;
            double top = bend == 0 ? 0 : Math.max(-1, Math.min(1, 0.5 * (low - high) / bend));
            turned(page, step, fine * (top - 1), what);
            fine /= 2;
        }
    }

    /** Where among coarse readings the core belongs, between two of them. */
    private static double place(double[] seen, Aim aim) {
        double best = 0;
        double most = 0;
        for (int i = 1; i < seen.length; i++) {
            if (aim == Aim.ZERO) {
                if (seen[i - 1] * seen[i] <= 0 && Math.abs(seen[i] - seen[i - 1]) > most) {
                    most = Math.abs(seen[i] - seen[i - 1]);
                    best = i - 1 + seen[i - 1] / (seen[i - 1] - seen[i]);
                }
            } else {
                boolean better = aim == Aim.PEAK ? seen[i] > seen[(int) best] : seen[i] < seen[(int) best];
                best = better ? i : best;
            }
        }
        return best;
    }

    private static double turned(Page page, AlignStep step, double turns, String what) {
        double left = turns;
        double shown = 0;
        do {
            double now = Math.max(-5, Math.min(5, left));
            shown = read(
                    post(
                            page,
                            "/alignment/turns",
                            String.format(
                                    Locale.ROOT,
                                    "{\"core\":\"%s\",\"turns\":%.4f}",
                                    step.cores().get(0),
                                    now)),
                    what);
            left -= now;
        } while (Math.abs(left) > 1e-6);
        return shown;
    }

    private static double read(String meters, String what) {
        Matcher value = Pattern.compile("\"" + what + "\":([-0-9.E]+)").matcher(meters);
        assertTrue(value.find(), meters);
        return Double.parseDouble(value.group(1));
    }

    private static String post(Page page, String path, String json) {
        APIResponse answer = page.request()
                .post(
                        application.address("/api" + GRAND + path),
                        RequestOptions.create()
                                .setHeader("Content-Type", "application/json")
                                .setData(json));
        assertEquals(200, answer.status(), answer.text());
        return answer.text();
    }

    private static void link(Page page, int port) {
        String links = application.address("/api/instrument-links");
        Matcher there = Pattern.compile("\"id\":\"([0-9a-f-]{36})\"")
                .matcher(page.request().get(links).text());
        while (there.find()) {
            page.request().delete(links + "/" + there.group(1));
        }
        APIResponse made = page.request()
                .post(
                        links,
                        RequestOptions.create()
                                .setHeader("Content-Type", "application/json")
                                .setData(String.format(
                                        "{\"id\":\"%s\",\"name\":\"Receiver\",\"host\":\"127.0.0.1\",\"port\":%d,"
                                                + "\"profile\":\"receiver-stand-in\"}",
                                        UUID.randomUUID(), port)));
        assertEquals(200, made.status(), made.text());
    }
}
