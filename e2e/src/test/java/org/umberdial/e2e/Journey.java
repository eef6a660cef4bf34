package org.umberdial.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.RequestOptions;
import java.io.IOException;
import java.io.InputStream;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.umberdial.core.circuit.deck.Deck;

/** A class of browser tests with its own application, filled with the demo shop, and its own browser. */
abstract class Journey {
    static final String BROWN = "/sets/22222222-0000-4000-8000-000000000001";
    static final String GRAND = "/sets/22222222-0000-4000-8000-000000000002";
    static final String ELDER = "/sets/22222222-0000-4000-8000-000000000005";
    static final String IVORY = "/sets/22222222-0000-4000-8000-000000000003";

    static final String SUITCASE = "/sets/22222222-0000-4000-8000-000000000004";

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

    /** A new set with the table set's circuit and nothing read yet. */
    static String tableSet(Page page, Application in, String title) throws IOException {
        String id = UUID.randomUUID().toString();
        APIResponse made = page.request()
                .post(
                        in.address("/api/sets"),
                        RequestOptions.create()
                                .setHeader("Content-Type", "application/json")
                                .setData("{\"id\":\"" + id + "\",\"title\":\"" + title
                                        + "\",\"ticket\":\"\",\"place\":\"\",\"waitsFor\":\"\","
                                        + "\"construction\":\"SERIES_STRING\"}"));
        assertEquals(200, made.status(), made.text());
        APIResponse circuit = page.request()
                .post(
                        in.address("/api/sets/" + id + "/circuit-imports"),
                        RequestOptions.create()
                                .setHeader("Content-Type", "application/octet-stream")
                                .setData(tableCircuit()));
        assertEquals(200, circuit.status(), circuit.text());
        return "/sets/" + id;
    }

    static byte[] tableCircuit() throws IOException {
        try (InputStream in = Deck.class.getResourceAsStream("/org/umberdial/core/demo/table-set.cir")) {
            return in.readAllBytes();
        }
    }
}
