package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** The stage Parts: a line typed, what it says, what is decided of it. */
@ExtendWith(RunningServer.class)
class PartsTest {
    private static String line(String text) {
        return "\"text\":\"" + text + "\",\"part\":\"\",\"placing\":\"LIFTED\",\"instrument\":\"\"";
    }

    private static RunningServer.Answer keep(String path, UUID id, String text) {
        return RunningServer.post(path + "/entries", "{\"id\":\"" + id + "\"," + line(text) + ",\"takenAt\":null}");
    }

    private static JsonNode row(JsonNode ledger, String called) {
        for (JsonNode row : ledger.at("/rows")) {
            if (row.at("/called").asString().equals(called)) {
                return row;
            }
        }
        throw new AssertionError("no row of " + called);
    }

    @Test
    void aLeak_isPreviewedKeptOnceAndBarsPower_untilItIsReplacedOrKeptForAReason() throws IOException {
        String set = "/api/sets/" + RunningServer.newTableSet();
        String path = set + "/ledger";
        JsonNode seen = RunningServer.post(path + "/entry-previews", "{" + line("C4 leak 2.1M @300") + "}")
                .json();
        assertEquals("leaky", seen.at("/row/state").asString(), seen.toString());
        assertEquals(
                "not read",
                row(RunningServer.get(path).json(), "C4").at("/state").asString());
        UUID id = UUID.randomUUID();
        keep(path, id, "C4 leak 2.1M @300");
        JsonNode kept = keep(path, id, "C4 leak 2.1M @300").json();
        assertEquals(1, row(kept, "C4").at("/entries").size());
        assertTrue(row(kept, "C4").at("/grave").asBoolean());
        assertTrue(stopped(set), "a leak at a grid bars power");
        assertEquals(409, keep(path, id, "C4 leak 9M @300").status(), "the same id for another reading");
        String keep = "{\"id\":\"" + UUID.randomUUID() + "\",\"part\":\"C4\",\"choice\":\"KEEP\",\"reason\":\"\"}";
        assertEquals(422, RunningServer.post(path + "/decisions", keep).status());
        RunningServer.post(path + "/decisions", keep.replace("\"reason\":\"\"", "\"reason\":\"on a limiter, once\""));
        assertTrue(!stopped(set), "kept for a reason");
        RunningServer.post(
                set + "/replacements",
                "{\"id\":\"" + UUID.randomUUID()
                        + "\",\"part\":\"C4\",\"with\":\"10 nF 630 V film\",\"standsIn\":false}");
        JsonNode in = row(RunningServer.get(path).json(), "C4");
        assertEquals("replaced", in.at("/state").asString(), in.toString());
        assertEquals("IN", in.at("/decision").asString());
    }

    private static boolean stopped(String set) {
        return RunningServer.get(set + "/stands").json().at("/stops").toString().contains("power:C4:parts");
    }

    @Test
    void whatIsNotUnderstood_isASentence_andNothingIsKept() throws IOException {
        String path = "/api/sets/" + RunningServer.newTableSet() + "/ledger";
        RunningServer.Answer refused = keep(path, UUID.randomUUID(), "C4 leak 2M @0");
        assertEquals(422, refused.status());
        assertTrue(refused.text().contains("At 0 V nothing leaks"), refused.text());
        JsonNode fault = RunningServer.post(path + "/entry-previews", "{" + line("C99 2M") + "}")
                .json();
        assertTrue(fault.at("/fault").asString().contains("There is no part C99"), fault.toString());
    }

    @Test
    void anotherSchool_decidesOtherwise() throws IOException {
        String path = "/api/sets/" + RunningServer.newTableSet() + "/ledger";
        assertEquals(
                "REPLACE",
                row(RunningServer.get(path).json(), "C4").at("/decision").asString());
        String shop = RunningServer.get("/api/shop").text();
        RunningServer.put("/api/shop", shop.replace("REPLACE_PAPER", "PROVE_PAPER"));
        try {
            assertEquals(
                    "READ",
                    row(RunningServer.get(path).json(), "C4").at("/decision").asString());
        } finally {
            RunningServer.put(
                    "/api/shop", RunningServer.get("/api/shop").text().replace("PROVE_PAPER", "REPLACE_PAPER"));
        }
    }

    @Test
    void whatLiesUnderAnother_comesBeforeIt_andANewPartIsCheckedUntilItIsRead() throws IOException {
        String set = "/api/sets/" + RunningServer.newTableSet();
        assertTrue(order(set, "C1") < order(set, "C11"));
        String cover = "{\"id\":\"" + UUID.randomUUID() + "\",\"part\":\"C11\",\"by\":\"C1\"}";
        assertEquals(200, RunningServer.post(set + "/ledger/covers", cover).status());
        assertTrue(order(set, "C11") < order(set, "C1"), "the one below first");
        assertEquals(
                422,
                RunningServer.post(set + "/ledger/covers", cover.replace("C11", "C1"))
                        .status());
        RunningServer.post(
                set + "/plan/fitted",
                "{\"id\":\"" + UUID.randomUUID() + "\",\"part\":\"C1\",\"with\":\"47 µF 250 V\",\"standsIn\":false}");
        assertEquals("CHECK", kind(set, "C1"));
        keep(set + "/ledger", UUID.randomUUID(), "C1 48u leak 40uA @150");
        assertEquals("", kind(set, "C1"), "read and good: nothing is left");
    }

    private static String kind(String set, String part) {
        for (JsonNode task : RunningServer.get(set + "/ledger/work").json().at("/tasks")) {
            if (task.at("/reference").asString().equals(part)) {
                return task.at("/kind").asString();
            }
        }
        return "";
    }

    private static int order(String set, String part) {
        JsonNode tasks = RunningServer.get(set + "/ledger/work").json().at("/tasks");
        for (int i = 0; i < tasks.size(); i++) {
            if (tasks.get(i).at("/reference").asString().equals(part)) {
                return i;
            }
        }
        return -1;
    }
}
