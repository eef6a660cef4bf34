package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** What sets wait for by themselves, and colours and wires of one. */
@ExtendWith(RunningServer.class)
class WaitsTest {
    private static JsonNode waits(String list, String setId) {
        for (JsonNode wait : RunningServer.get("/api/waits").json().at(list)) {
            if (wait.at("/setId").asString().equals(setId)) {
                return wait;
            }
        }
        return null;
    }

    @Test
    void aCapacitorOnItsVolts_isWaitedFor_untilItsRunEnds() throws IOException {
        String setId = RunningServer.newTableSet();
        String path = "/api/sets/" + setId + "/reforms";
        String id = UUID.randomUUID().toString();
        RunningServer.post(
                path,
                "{\"id\":\"" + id
                        + "\",\"part\":\"C1\",\"supplyVolts\":\"150\",\"seriesOhms\":\"15k\",\"shuntOhms\":\"100\"}");
        assertTrue(waits("/forming", setId).at("/due").asBoolean(), "its first sample is wanted now");
        RunningServer.post(path + "/" + id + "/samples", "{\"millivolts\":\"70\",\"volts\":\"90\",\"takenAt\":null}");
        JsonNode later = waits("/forming", setId);
        assertEquals("GOING_ON", later.at("/state").asString(), later.toString());
        assertTrue(!later.at("/due").asBoolean(), "just read");
        RunningServer.post(path + "/" + id + "/samples", "{\"millivolts\":\"4\",\"volts\":\"148\",\"takenAt\":null}");
        assertTrue(waits("/forming", setId).at("/due").asBoolean(), "it is done: take it off");
        RunningServer.post(path + "/" + id + "/ends", "{\"id\":\"" + UUID.randomUUID() + "\",\"why\":\"good\"}");
        assertEquals(null, waits("/forming", setId));
    }

    @Test
    void aListedSet_waitsForItsParts() throws IOException {
        String setId = RunningServer.newTableSet();
        assertEquals(null, waits("/parts", setId), "not on the list");
        RunningServer.put("/api/sets/" + setId + "/plan/listed", "{\"listed\":true}");
        assertTrue(waits("/parts", setId).at("/toBuy").asInt() > 0);
        RunningServer.put("/api/sets/" + setId + "/plan/listed", "{\"listed\":false}");
        assertEquals(null, waits("/parts", setId));
    }

    private static RunningServer.Answer colours(String scheme, String colours) {
        return RunningServer.post(
                "/api/colours/readings", "{\"scheme\":\"" + scheme + "\",\"colours\":[" + colours + "]}");
    }

    /** Body red, end violet, dot yellow: 270 kΩ ± 20 %. */
    @Test
    void colours_areReadBothWays() {
        JsonNode read =
                colours("BODY_END_DOT", "\"RED\",\"VIOLET\",\"YELLOW\",\"RED\"").json();
        assertEquals("270 kΩ ± 20 %", read.at("/0/says").asString(), read.toString());
        assertEquals(
                "4.7 kΩ ± 5 %",
                colours("BANDS", "\"YELLOW\",\"VIOLET\",\"RED\",\"GOLD\"")
                        .json()
                        .at("/0/says")
                        .asString());
        assertEquals(
                2,
                colours("MICA_DOTS", "\"WHITE\",\"RED\",\"VIOLET\",\"BROWN\",\"SILVER\",\"BROWN\"")
                        .json()
                        .size());
        RunningServer.Answer refused = colours("BANDS", "\"GOLD\",\"RED\",\"RED\"");
        assertEquals(422, refused.status());
        assertTrue(refused.text().contains("other end"), refused.text());
        JsonNode painted = RunningServer.post(
                        "/api/colours/of-values", "{\"value\":\"4.7k\",\"tolerancePercent\":null}")
                .json();
        assertEquals("[\"YELLOW\",\"VIOLET\",\"RED\"]", painted.at("/bands").toString());
        assertEquals(
                422,
                RunningServer.post("/api/colours/of-values", "{\"value\":\"4.71k\",\"tolerancePercent\":null}")
                        .status());
    }

    private static RunningServer.Answer wire(String set, String from, String to, String size, String volts) {
        return RunningServer.post(
                set + "/wires",
                "{\"id\":\"" + UUID.randomUUID() + "\",\"from\":\"" + from + "\",\"to\":\"" + to
                        + "\",\"colour\":\"red\",\"size\":\"" + size + "\",\"volts\":\"" + volts
                        + "\",\"made\":\"REPLACED\",\"note\":\"\"}");
    }

    @Test
    void wires_areComparedWithTheCircuit() throws IOException {
        String set = "/api/sets/" + RunningServer.newTableSet();
        JsonNode wires = wire(set, "V4.7", "V4 plate", "20 AWG", "600").json();
        assertTrue(wires.at("/wires/0/checked").asBoolean(), wires.toString());
        assertEquals("0.52 mm², 20 AWG", wires.at("/wires/0/size").asString());
        assertEquals(422, wire(set, "V4.7", "v4.7", "", "").status(), "one end twice");
        assertTrue(wire(set, "V4.7", "Filter 1", "thick", "").text().contains("20 AWG or 0.5 mm²"));
        assertEquals(422, wire(set, "V4.7", "Filter 1", "", "0").status());
        JsonNode two = wire(set, "V4.7", "V3 plate", "", "600").json();
        assertTrue(two.at("/wires/1/doubt").asString().contains("two points"), two.toString());
        String entry = two.at("/wires/1/entry").asString();
        RunningServer.post(
                set + "/withdrawals",
                "{\"id\":\"" + UUID.randomUUID() + "\",\"entry\":\"" + entry + "\",\"readingId\":null}");
        assertEquals(1, RunningServer.get(set + "/wires").json().at("/wires").size());
    }
}
