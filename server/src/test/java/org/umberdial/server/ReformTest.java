package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** A capacitor on its volts: begun, sampled, ended with a reading of the part. */
@ExtendWith(RunningServer.class)
class ReformTest {
    private static RunningServer.Answer sample(String run, String millivolts, String volts) {
        return RunningServer.post(
                run + "/samples",
                "{\"millivolts\":\"" + millivolts + "\",\"volts\":\"" + volts + "\",\"takenAt\":null}");
    }

    @Test
    void aRun_holdsItsSamplesWithoutRaisingTheSet_andEndsWithAReading() throws IOException {
        String set = "/api/sets/" + RunningServer.newTableSet();
        String path = set + "/reforms";
        JsonNode usual = RunningServer.get(path + "/usual?part=C1").json();
        assertEquals("150", usual.at("/supplyVolts").asString());
        assertEquals(422, RunningServer.get(path + "/usual?part=C4").status(), "no electrolytic");
        String id = UUID.randomUUID().toString();
        String start = "{\"id\":\"" + id
                + "\",\"part\":\"C1\",\"supplyVolts\":\"150\",\"seriesOhms\":\"15k\",\"shuntOhms\":\"100\"}";
        assertEquals(200, RunningServer.post(path, start).status());
        assertEquals(200, RunningServer.post(path, start).status(), "the same again");
        assertEquals(1, RunningServer.get(path).json().size());
        String other = start.replace(id, UUID.randomUUID().toString());
        assertEquals(422, RunningServer.post(path, other).status(), "one run a part");
        assertEquals(
                422,
                RunningServer.post(path, other.replace("\"150\"", "\"400\"")).status(),
                "over its mark");
        int before = RunningServer.get(set + "/ledger").json().at("/revision").asInt();
        String run = path + "/" + id;
        assertEquals(422, sample(run, "x", "90").status());
        assertEquals(422, sample(run, "4", "500").status(), "more than the supply gives");
        assertEquals(200, sample(run, "70 mV", "90").status());
        JsonNode good = sample(run, "4", "148").json().get(0);
        assertEquals("GOOD", good.at("/state").asString(), good.toString());
        assertEquals(2, good.at("/points").size());
        assertEquals(
                before,
                RunningServer.get(set + "/ledger").json().at("/revision").asInt());
        String end = "{\"id\":\"" + UUID.randomUUID() + "\",\"why\":\"good\"}";
        assertEquals(200, RunningServer.post(run + "/ends", end).status());
        assertEquals(200, RunningServer.post(run + "/ends", end).status());
        assertEquals(422, sample(run, "4", "148").status(), "it has ended");
        for (JsonNode row : RunningServer.get(set + "/ledger").json().at("/rows")) {
            if (row.at("/called").asString().equals("C1")) {
                assertTrue(row.at("/reading").asString().contains("leak 40 µA @148"), row.toString());
                assertEquals(1, row.at("/entries").size());
                return;
            }
        }
        throw new AssertionError("no C1");
    }
}
