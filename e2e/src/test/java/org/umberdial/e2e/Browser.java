package org.umberdial.e2e;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/** Headless Chromium from the system's packages. */
final class Browser implements AutoCloseable {
    private final Playwright playwright = Playwright.create();
    private final com.microsoft.playwright.Browser browser;
    private final List<BrowserContext> open = new ArrayList<>();
    final List<String> complaints = new ArrayList<>();

    Browser() {
        this(List.of());
    }

    /** @param more arguments of the browser, such as what its microphone hears */
    Browser(List<String> more) {
        // A hang fails all the same: by these, and by the time-out of every test.
        PlaywrightAssertions.setDefaultAssertionTimeout(60_000);
        Path chromium = List.of("/usr/bin/chromium", "/usr/bin/chromium-browser").stream()
                .map(Path::of)
                .filter(Files::exists)
                .findFirst()
                .orElseThrow(() -> new IllegalStateException(
                        "Chromium is missing; install it with: sudo apt-get install chromium"));
        browser = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(chromium)
                        .setHeadless(true)
                        .setChromiumSandbox(false)
                        .setArgs(Stream.concat(
                                        Stream.of(
                                                "--disable-quic",
                                                "--disable-background-networking",
                                                "--disable-component-update",
                                                "--disable-sync",
                                                "--no-first-run"),
                                        more.stream())
                                .toList()));
    }

    Page page(int width, int height) {
        BrowserContext context = browser.newContext(new com.microsoft.playwright.Browser.NewContextOptions()
                .setViewportSize(width, height)
                .setLocale("en-US")
                .setIgnoreHTTPSErrors(true));
        open.add(context);
        context.setDefaultTimeout(60_000);
        Page page = context.newPage();
        page.onConsoleMessage(message -> {
            // A refused entry is a 422 by design; everything else in the console is a fault of ours.
            if (message.type().equals("error") && !message.text().contains("422")) {
                complaints.add(message.text());
            }
        });
        page.onPageError(complaints::add);
        return page;
    }

    /** Pages left open go on working: each test gives its own back. */
    void closePages() {
        open.forEach(BrowserContext::close);
        open.clear();
        complaints.clear();
    }

    @Override
    public void close() {
        playwright.close();
    }
}
