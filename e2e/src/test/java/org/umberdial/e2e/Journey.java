package org.umberdial.e2e;

import com.microsoft.playwright.Page;
import java.io.IOException;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;

/** A class of browser tests with its own application, filled with the demo shop, and its own browser. */
abstract class Journey {
    static final String BROWN = "/sets/22222222-0000-4000-8000-000000000001";
    static final String GRAND = "/sets/22222222-0000-4000-8000-000000000002";
    static final String ELDER = "/sets/22222222-0000-4000-8000-000000000005";
    static final String IVORY = "/sets/22222222-0000-4000-8000-000000000003";

    static Application application;
    static Browser browser;

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

    @AfterEach
    void closePages() {
        browser.closePages();
    }

    static Page page(String path) {
        Page page = browser.page(1280, 800);
        page.navigate(application.address(path));
        return page;
    }
}
