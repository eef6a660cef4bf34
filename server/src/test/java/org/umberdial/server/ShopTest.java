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
import org.umberdial.server.stock.StockService;

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
        assertTrue(RunningServer.bean(StockService.class).items(other).isEmpty());
    }

    @Test
    void instrument_isAddedOnceChangedAndRetired() {
        String id = UUID.randomUUID().toString();
        String body = instrument(id, "1k/V", 0);
        assertEquals(200, RunningServer.post("/api/instruments", body).status());
        assertEquals(
                "1k/V, ± 5 %, to 500 V",
                RunningServer.post("/api/instruments", body)
                        .json()
                        .at("/abilities/0/says")
                        .asString());
        assertEquals(
                "2k/V@50",
                RunningServer.put("/api/instruments/" + id, instrument(id, "2k/V@50", 0))
                        .json()
                        .at("/abilities/0/input")
                        .asString());
        assertEquals(409, RunningServer.put("/api/instruments/" + id, body).status());
        assertEquals(
                "#/VOLTMETER.input",
                RunningServer.post("/api/instruments", instrument(id, "a meter", 0))
                        .json()
                        .at("/errors/0/pointer")
                        .asString());
        for (String nothing : new String[] {"[]", "[null]"}) {
            assertEquals(
                    422,
                    RunningServer.post("/api/instruments", body.replaceAll("\\[.*\\]", nothing))
                            .status());
        }
        assertEquals(
                200,
                RunningServer.put(
                                "/api/instruments/" + id,
                                instrument(id, "1k/V", 1).replace("\"retired\":false", "\"retired\":true"))
                        .status());
    }

    private static String instrument(String id, String input, int version) {
        return """
                {"id":"%s","name":"Field meter","retired":false,"version":%d,"abilities":[
                 {"kind":"VOLTMETER","input":"%s","accuracyPercent":"5","highest":"500","testVolts":"","outputOhms":"",
                  "response":""}]}""".formatted(id, version, input).replace("\n", "");
    }

    @Test
    void stock_isWhatItsMovesAddUpTo_andNeverBelowNothing() {
        String id = UUID.randomUUID().toString();
        String item = "{\"id\":\"" + id + "\",\"kind\":\"FUSE\",\"name\":\"0.8 A slow\",\"place\":\"\",\"quantity\":3}";
        assertEquals(3, onHand(RunningServer.post("/api/stock", item), id));
        assertEquals(3, onHand(RunningServer.post("/api/stock", item), id));
        String taken = move(UUID.randomUUID(), -2);
        assertEquals(1, onHand(RunningServer.post("/api/stock/" + id + "/moves", taken), id));
        assertEquals(1, onHand(RunningServer.post("/api/stock/" + id + "/moves", taken), id));
        RunningServer.Answer tooMany = RunningServer.post("/api/stock/" + id + "/moves", move(UUID.randomUUID(), -2));
        assertEquals(422, tooMany.status());
        assertTrue(tooMany.json().toString().contains("There is 1"));
        assertEquals(
                400,
                RunningServer.post(
                                "/api/stock/" + id + "/moves",
                                move(UUID.randomUUID(), -1).replace("-1", "-0.5"))
                        .status());
        var moves = RunningServer.get("/api/stock/" + id + "/moves").json();
        assertEquals(2, moves.size());
        assertEquals(-2, moves.at("/0/quantity").asInt());
        assertEquals(
                404,
                RunningServer.post("/api/stock/" + UUID.randomUUID() + "/moves", move(UUID.randomUUID(), 1))
                        .status());
    }

    private static String move(UUID id, int quantity) {
        return "{\"id\":\"" + id + "\",\"quantity\":" + quantity + ",\"reason\":\"USED\",\"setId\":null,\"note\":\"\"}";
    }

    private static int onHand(RunningServer.Answer stock, String id) {
        for (var item : stock.json()) {
            if (item.at("/id").asString().equals(id)) {
                return item.at("/onHand").asInt();
            }
        }
        throw new AssertionError("no such item: " + stock.json());
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
