package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What an open page is told when something changes. */
@ExtendWith(RunningServer.class)
class LiveTest {
    @Test
    void aReading_isToldToEveryOpenPage() throws IOException, InterruptedException {
        String set = RunningServer.newTableSet();
        try (BufferedReader first = stream();
                BufferedReader second = stream()) {
            String body = "{\"id\":\"" + UUID.randomUUID()
                    + "\",\"text\":\"117.3\",\"node\":\"filter_1\",\"confirmed\":true,\"takenAt\":null,\"note\":\"\"}";
            assertEquals(
                    200,
                    RunningServer.post("/api/sets/" + set + "/readings", body).status());
            // Reading blocks until the word comes; the time-out of every test ends one that never does.
            assertEquals("event:set", until(first, set));
            assertEquals("event:set", until(second, set));
        }
    }

    private static BufferedReader stream() throws IOException, InterruptedException {
        HttpResponse<InputStream> answer = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(RunningServer.base() + "/api/live"))
                                .build(),
                        HttpResponse.BodyHandlers.ofInputStream());
        assertTrue(answer.headers().firstValue("Content-Type").orElse("").startsWith("text/event-stream"));
        BufferedReader lines = new BufferedReader(new InputStreamReader(answer.body(), StandardCharsets.UTF_8));
        assertEquals("event:ready", lines.readLine());
        return lines;
    }

    /** The event that names a set; those of other tests' sets are passed over. */
    private static String until(BufferedReader lines, String set) throws IOException {
        String event = "";
        for (String line = lines.readLine(); line != null; line = lines.readLine()) {
            if (line.startsWith("event:")) {
                event = line;
            } else if (line.equals("data:" + set)) {
                return event;
            }
        }
        return "the stream ended";
    }
}
