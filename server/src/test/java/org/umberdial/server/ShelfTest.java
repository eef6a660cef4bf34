package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningServer.class)
class ShelfTest {
    @Test
    void pagesAreWholeAndDoNotOverlap() {
        String word = "page" + UUID.randomUUID().toString().substring(0, 8);
        for (int i = 0; i < 7; i++) {
            RunningServer.post(
                    "/api/sets",
                    "{\"id\":\"" + UUID.randomUUID() + "\",\"title\":\"" + word + " " + i
                            + "\",\"construction\":\"BATTERY\"}");
        }
        List<String> ids = new ArrayList<>();
        for (int from = 0; from < 9; from += 3) {
            JsonNode page = RunningServer.get("/api/sets?find=" + word + "&size=3&from=" + from)
                    .json();
            assertEquals(7, page.at("/total").asInt());
            page.at("/entries").forEach(entry -> ids.add(entry.at("/id").asString()));
        }
        assertEquals(7, ids.size());
        assertEquals(7, new HashSet<>(ids).size());
        assertEquals(
                0,
                RunningServer.get("/api/sets?find=" + word + "&from=700")
                        .json()
                        .at("/entries")
                        .size());
        assertEquals(200, RunningServer.get("/api/sets?size=-5&from=-3").status());
    }

    /** Whatever page one asks, it says the same of a set. */
    @Test
    void shelfFrontPageMapAndEveryStageAgree() {
        JsonNode entries =
                RunningServer.get("/api/sets?find=set&size=50").json().at("/entries");
        assertTrue(entries.size() >= 4, entries.toString());
        // What is still being worked out for one of them would come between two questions.
        for (JsonNode entry : entries) {
            RunningServer.whenReady("/api/sets/" + entry.at("/id").asString() + "/diagnosis");
        }
        entries = RunningServer.get("/api/sets?find=set&size=50").json().at("/entries");
        for (JsonNode entry : entries) {
            String path = "/api/sets/" + entry.at("/id").asString();
            JsonNode stands = RunningServer.get(path + "/stands").json();
            String title = entry.at("/title").asString();
            assertEquals(entry.at("/next").asString(), stands.at("/next/title").asString(), title);
            assertEquals(entry.at("/stage").asString(), stands.at("/next/area").asString(), title);
            assertEquals(entry.at("/danger"), stands.at("/danger"), title);
            for (JsonNode stop : stands.at("/stops")) {
                assertFalse(stop.at("/act/area").asString().isEmpty(), title + " says where to settle " + stop);
            }
            JsonNode volts = RunningServer.get(path + "/volts").json();
            assertEquals(stands.at("/next"), volts.at("/next"), title);
            assertEquals(
                    stands.at("/next"),
                    RunningServer.get(path + "/arrival").json().at("/next"),
                    title);
            assertEquals(
                    stands.at("/next"), RunningServer.get(path + "/cold").json().at("/guide"), title);
            int wrong = 0;
            JsonNode map = RunningServer.get(path + "/map").json();
            for (JsonNode point : volts.at("/points")) {
                String verdict = point.at("/verdict").asString();
                wrong += verdict.equals("BAD") ? 1 : 0;
                for (JsonNode stood : map.at("/stands")) {
                    if (stood.at("/subject").equals(point.at("/node"))) {
                        assertEquals(
                                verdict.equals("GOOD"),
                                stood.at("/state").asString().equals("PROVEN"),
                                title + " " + stood + point);
                    }
                }
            }
            assertEquals(entry.at("/wrong").asInt(), wrong, title);
        }
    }

    @Test
    void aSummaryFollowsReadingsConditionsAndTheHouseRules() throws IOException {
        String id = RunningServer.newTableSet();
        RunningServer.post(
                "/api/sets/" + id + "/readings",
                "{\"id\":\"" + UUID.randomUUID()
                        + "\",\"text\":\"V3 plate "
                        + "30\",\"node\":\"\",\"confirmed\":true,\"takenAt\":null,\"note\":\"\"}");
        JsonNode read = entry(id);
        assertEquals(1, read.at("/read").asInt());
        assertEquals(1, read.at("/wrong").asInt(), read.toString());
        JsonNode shop = RunningServer.get("/api/shop").json();
        RunningServer.put("/api/shop", shop.toString().replaceFirst("\"SPREAD\":\"[0-9.]+", "\"SPREAD\":\"45"));
        assertEquals(0, entry(id).at("/wrong").asInt());
        JsonNode wider = RunningServer.get("/api/shop").json();
        RunningServer.put(
                "/api/shop",
                wider.toString()
                        .replaceFirst(
                                "\"SPREAD\":\"[0-9.]+",
                                "\"SPREAD\":\"" + shop.at("/figures/SPREAD").asString()));
        assertEquals(1, entry(id).at("/wrong").asInt());
        RunningServer.post(
                "/api/sets/" + id + "/looks",
                "{\"id\":\"" + UUID.randomUUID()
                        + "\",\"area\":\"fuse\",\"row\":\"fuse-bridged-by-wire\",\"part\":\"\",\"note\":\"\"}");
        assertEquals(
                "Find the fault, compute and fit the right fuse",
                entry(id).at("/next").asString());
    }

    @Test
    void aSearchSeesWhatWasJustWritten_andNoLongerWhatWasTakenOut() throws IOException {
        String id = RunningServer.newTableSet();
        String word = "odd" + UUID.randomUUID().toString().substring(0, 8);
        assertEquals(0, total(word));
        RunningServer.post("/api/sets/" + id + "/parts", "{\"line\":\"R99 a b 1k ; desc=\\\"" + word + "\\\"\"}");
        assertEquals(1, total(word));
        assertEquals(1, total(word + "+1k0"));
        String line = RunningServer.get("/api/sets/" + id + "/circuit")
                .json()
                .get("parts")
                .valueStream()
                .filter(p -> p.get("reference").asString().equals("R99"))
                .findFirst()
                .orElseThrow()
                .get("line")
                .asString();
        assertTrue(RunningServer.send(java.net.http.HttpRequest.newBuilder(java.net.URI.create(RunningServer.base()
                                        + "/api/sets/" + id + "/parts/R99?seen="
                                        + java.net.URLEncoder.encode(line, java.nio.charset.StandardCharsets.UTF_8)))
                                .DELETE()
                                .build())
                        .status()
                == 200);
        assertEquals(0, total(word));
    }

    private static int total(String find) {
        return RunningServer.get("/api/sets?find=" + find).json().at("/total").asInt();
    }

    private static JsonNode entry(String id) {
        for (JsonNode entry : RunningServer.get("/api/sets?size=100").json().at("/entries")) {
            if (entry.at("/id").asString().equals(id)) {
                return entry;
            }
        }
        throw new AssertionError("the set is not on the first page");
    }
}
