package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.umberdial.core.set.PartValue;
import org.umberdial.core.set.ValueOrigin;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.sets.CircuitService;
import org.umberdial.server.sets.SetService;
import org.umberdial.server.shop.ShopService;

@ExtendWith(RunningServer.class)
class ShopTest {
    @Test
    void anotherShop_seesAndTouchesNothing() throws IOException {
        String set = RunningServer.newTableSet();
        String other = UUID.randomUUID().toString();
        SetService sets = RunningServer.bean(SetService.class);
        CircuitService circuits = RunningServer.bean(CircuitService.class);
        assertEquals(0, sets.count(other));
        assertThrows(Problem.class, () -> sets.set(other, set));
        assertThrows(Problem.class, () -> circuits.removePart(other, set, "R1", ""));
        assertThrows(
                Problem.class,
                () -> circuits.addValue(
                        new Caller(other, "x"),
                        set,
                        UUID.randomUUID().toString(),
                        "R1",
                        new PartValue(ValueOrigin.FITTED, 1, "")));
        assertTrue(RunningServer.bean(EvidenceService.class).kept(other, set).isEmpty());
        assertTrue(RunningServer.bean(ShopService.class).instruments(other).isEmpty());
    }

    @Test
    void instrument_isAddedOnceChangedAndRetired() {
        String id = UUID.randomUUID().toString();
        String body = "{\"id\":\"" + id
                + "\",\"name\":\"Field "
                + "meter\",\"meter\":\"1k/V\",\"accuracyPercent\":5,\"retired\":false,\"version\":0}";
        assertEquals(200, RunningServer.post("/api/instruments", body).status());
        assertEquals(
                "1k/V",
                RunningServer.post("/api/instruments", body).json().get("meter").asString());
        assertEquals(
                "2k/V@50",
                RunningServer.put("/api/instruments/" + id, body.replace("1k/V", "2k/V@50"))
                        .json()
                        .get("meter")
                        .asString());
        assertEquals(409, RunningServer.put("/api/instruments/" + id, body).status());
        assertEquals(
                "#/meter",
                RunningServer.post("/api/instruments", body.replace("1k/V", "a meter"))
                        .json()
                        .get("errors")
                        .get(0)
                        .get("pointer")
                        .asString());
        assertEquals(
                200,
                RunningServer.put(
                                "/api/instruments/" + id,
                                body.replace("\"retired\":false,\"version\":0", "\"retired\":true,\"version\":1"))
                        .status());
    }

    @Test
    void conditions_areCheckedAtTheirField() throws IOException {
        String path = "/api/sets/" + RunningServer.newTableSet() + "/conditions";
        assertEquals(
                "#/lineVolts",
                RunningServer.put(
                                path,
                                "{\"lineVolts\":\"4,5,6\",\"instrumentId\":null,\"mode\":\"\",\"switchedOnAt\":null}")
                        .json()
                        .get("errors")
                        .get(0)
                        .get("pointer")
                        .asString());
        assertEquals(
                "#/mode",
                RunningServer.put(
                                path,
                                "{\"lineVolts\":\"117\",\"instrumentId\":null,\"mode\":\"FM\",\"switchedOnAt\":null}")
                        .json()
                        .get("errors")
                        .get(0)
                        .get("pointer")
                        .asString());
        assertEquals(
                "#/instrumentId",
                RunningServer.put(
                                path,
                                "{\"lineVolts\":\"117\",\"instrumentId\":\"" + UUID.randomUUID()
                                        + "\",\"mode\":\"\",\"switchedOnAt\":null}")
                        .json()
                        .get("errors")
                        .get(0)
                        .get("pointer")
                        .asString());
        assertEquals(
                200,
                RunningServer.put(
                                path,
                                "{\"lineVolts\":\"110.5 "
                                        + "V\",\"instrumentId\":null,\"mode\":\"\","
                                        + "\"switchedOnAt\":\"2026-11-25T10:00:00Z\"}")
                        .status());
    }

    @Test
    void testPointsAndSheet_areCheckedAgainstTheCircuit() throws IOException {
        String path = "/api/sets/" + RunningServer.newTableSet();
        String seen = ",\"seen\":\""
                + RunningServer.get(path + "/circuit").json().get("pointsSeen").asString() + "\"}";
        assertEquals(
                422,
                RunningServer.put(path + "/test-points", "{\"points\":[{\"node\":\"nowhere\",\"name\":\"X\"}]" + seen)
                        .status());
        assertEquals(
                422,
                RunningServer.put(
                                path + "/test-points",
                                "{\"points\":[{\"node\":\"filter_1\",\"name\":\"X\"},"
                                        + "{\"node\":\"filter_2\",\"name\":\"x\"}]"
                                        + seen)
                        .status());
        String one = "{\"points\":[{\"node\":\"filter_1\",\"name\":\"First\"}]" + seen;
        assertEquals(
                1,
                RunningServer.put(path + "/test-points", one)
                        .json()
                        .get("testPoints")
                        .size());
        assertEquals(
                409,
                RunningServer.put(path + "/test-points", one.replace("First", "Mine"))
                        .status(),
                "made from a list that is no longer there");
        String before = RunningServer.get(path + "/circuit")
                .json()
                .get("sheet")
                .valueStream()
                .filter(v -> v.get("node").asString().equals("filter_1"))
                .findFirst()
                .orElseThrow()
                .get("seen")
                .asString();
        String sheet = "{\"node\":\"filter_1\",\"reference\":\"0\",\"kind\":\"DC\",\"value\":\"121\","
                + "\"lineVolts\":\"117\",\"meter\":\"10M\",\"mode\":\"\",\"seen\":\""
                + before + "\"}";
        assertTrue(RunningServer.put(path + "/sheet-values", sheet).text().contains("121"));
        assertEquals(
                "#/meter",
                RunningServer.put(path + "/sheet-values", sheet.replace("10M", "good one"))
                        .json()
                        .get("errors")
                        .get(0)
                        .get("pointer")
                        .asString());
        assertEquals(
                409,
                RunningServer.put(path + "/sheet-values", sheet.replace("121", "122"))
                        .status());
        var circuit = RunningServer.get(path + "/circuit").json();
        String now = circuit.get("sheet")
                .valueStream()
                .filter(v -> v.get("node").asString().equals("filter_1"))
                .findFirst()
                .orElseThrow()
                .get("seen")
                .asString();
        assertEquals(
                circuit.get("sheet").size() - 1,
                RunningServer.put(
                                path + "/sheet-values", sheet.replace("121", "").replace(before, now))
                        .json()
                        .get("sheet")
                        .size());
        assertEquals(
                422,
                RunningServer.send(java.net.http.HttpRequest.newBuilder(
                                        java.net.URI.create(RunningServer.base() + path + "/parts/R1?seen=R1+a+b+1"))
                                .DELETE()
                                .build())
                        .status());
    }
}
