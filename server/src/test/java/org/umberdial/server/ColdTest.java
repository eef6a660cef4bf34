package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

@ExtendWith(RunningServer.class)
class ColdTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Test
    void thePlanFollowsWhatIsProven_andTheMapToo() throws IOException {
        String set = "/api/sets/" + RunningServer.newTableSet();
        JsonNode plan = RunningServer.get(set + "/cold").json();
        assertEquals("discharge", plan.at("/next").asString());
        assertEquals("NOT_READ", plan.at("/charge").asString());
        keep(set, "discharge", "v.C1", "0.4", "v.C2", "200m");
        String id = UUID.randomUUID().toString();
        String body = kept(id, "plug", "117", "set.0", "yes", "set.1", "yes", "set.2", "yes", "set.3", "yes");
        JsonNode after =
                RunningServer.post(set + "/cold/tests/plug-on/results", body).json();
        assertEquals("PASSED", step(after, "plug-on").at("/state").asString());
        assertEquals("ADDS_NOTHING", step(after, "heaters").at("/state").asString());
        assertEquals(
                200,
                RunningServer.post(set + "/cold/tests/plug-on/results", body).status());
        JsonNode stands = RunningServer.get(set + "/map").json().at("/stands");
        assertEquals("PARTLY", stand(stands, "XV4").at("/state").asString());
        assertEquals("PARTLY", stand(stands, "CORD").at("/state").asString());
        assertTrue(RunningServer.get(set + "/log").json().toString().split(id, -1).length == 2);
        RunningServer.post(set + "/journal-withdrawals", json("id", UUID.randomUUID(), "entry", id));
        assertEquals(
                "plug-on", RunningServer.get(set + "/cold").json().at("/next").asString());
    }

    @Test
    void ohmsWithAChargeInThem_areNoEvidence() throws IOException {
        String set = "/api/sets/" + RunningServer.newTableSet();
        JsonNode charged = keep(set, "discharge", "v.C1", "118", "v.C2", "3");
        assertEquals("THERE", charged.at("/charge").asString());
        JsonNode draft = RunningServer.post(
                        set + "/cold/tests/plug-on/drafts",
                        json(
                                "typed",
                                Map.of("plug", "117", "set.0", "yes", "set.1", "yes", "set.2", "yes", "set.3", "yes")))
                .json();
        assertEquals("NO_EXPECTATION", draft.at("/verdict/word").asString());
        JsonNode preview = RunningServer.post(set + "/reading-previews", json("text", "R5 700k", "node", ""))
                .json();
        assertEquals("NO_EXPECTATION", preview.at("/verdict").asString(), preview.toString());
        RunningServer.post(
                set + "/readings",
                json("id", UUID.randomUUID(), "text", "R5 700k", "node", "", "confirmed", true, "note", ""));
        assertEquals(
                "UNPROVEN",
                stand(RunningServer.get(set + "/map").json().at("/stands"), "R5")
                        .at("/state")
                        .asString());
    }

    @Test
    void roughFigures_areEachSaidAndNothingIsLost() throws IOException {
        String set = "/api/sets/" + RunningServer.newTableSet();
        JsonNode draft = RunningServer.post(
                        set + "/cold/tests/plug-on/drafts",
                        json("typed", Map.of("plug", "lots", "set.0", "yes", "nonsense", "x")))
                .json();
        assertEquals("plug", draft.at("/faults/0/key").asString());
        assertEquals(
                422,
                RunningServer.post(
                                set + "/cold/tests/plug-on/results",
                                kept(UUID.randomUUID().toString(), "plug", "lots"))
                        .status());
        assertEquals(
                422,
                RunningServer.post(
                                set + "/cold/tests/plug-on/results",
                                kept(UUID.randomUUID().toString()))
                        .status());
        assertEquals(
                "plug",
                RunningServer.post(set + "/cold/tests/plug-on/drafts", json("typed", Map.of("plug", "-4")))
                        .json()
                        .at("/faults/0/key")
                        .asString());
        assertTrue(RunningServer.post(
                        set + "/cold/tests/injection/drafts", json("typed", Map.of("in.0", "24", "o0.0", "30")))
                .json()
                .at("/faults/0/text")
                .asString()
                .contains("5.00 V at most"));
        assertEquals(404, RunningServer.get(set + "/cold/tests/none").status());
        assertEquals(
                422,
                RunningServer.post(
                                set + "/cold/tests/between/results",
                                kept(UUID.randomUUID().toString(), "a", "nowhere", "b", "0", "o", "5"))
                        .status());
    }

    @Test
    void equipmentDecidesThePlan_andKeepsItsControlReadings() throws IOException {
        String set = "/api/sets/" + RunningServer.newTableSet();
        assertEquals(
                "NO_INSTRUMENT",
                step(RunningServer.get(set + "/cold").json(), "tube-tester")
                        .at("/state")
                        .asString());
        String id = UUID.randomUUID().toString();
        String tester =
                "{\"id\":\"" + id + "\",\"name\":\"Tube tester\",\"retired\":false,\"version\":0,\"abilities\":[{"
                        + "\"kind\":\"TUBE_TESTER\",\"input\":\"\",\"accuracyPercent\":\"\",\"highest\":\"\",\"testVolts\":\"\","
                        + "\"outputOhms\":\"\",\"response\":\"\"}]}";
        assertEquals(200, RunningServer.post("/api/instruments", tester).status());
        assertEquals(
                "OPEN",
                step(RunningServer.get(set + "/cold").json(), "tube-tester")
                        .at("/state")
                        .asString());
        String controls = "/api/instruments/" + id + "/controls";
        JsonNode read = RunningServer.post(controls, control("10k", "8k8")).json();
        assertEquals("BAD", read.at("/0/word").asString());
        assertTrue(read.at("/0/says").asString().contains("12 % low"));
        assertEquals(422, RunningServer.post(controls, control("0", "8")).status());
        assertEquals(
                404,
                RunningServer.post("/api/instruments/" + UUID.randomUUID() + "/controls", control("1", "1"))
                        .status());
        assertEquals(
                200,
                RunningServer.put("/api/instruments/" + id, tester.replace("false", "true"))
                        .status());
        assertEquals(
                "NO_INSTRUMENT",
                step(RunningServer.get(set + "/cold").json(), "tube-tester")
                        .at("/state")
                        .asString());
    }

    /** Open on a meter that shows 40 MΩ stays open when the form is gone on with on one that ends at 2 MΩ. */
    @Test
    void aFigureKeepsTheMeterItWasReadWith() throws IOException {
        String set = "/api/sets/" + RunningServer.newTableSet() + "/cold/tests/resistors/";
        String far = meter("40M");
        String near = meter("2M");
        assertEquals(
                200,
                RunningServer.post(
                                set + "results",
                                json("id", UUID.randomUUID(), "typed", Map.of("o.R6", "OL"), "instrument", far))
                        .status());
        String typed = json("typed", Map.of("o.R6", "OL", "o.R10", "OL", "l.R10", "yes"), "instrument", near);
        JsonNode results = RunningServer.post(set + "drafts", typed).json().at("/verdict/results");
        Map<String, String> words = new java.util.HashMap<>();
        results.forEach(one -> words.put(
                one.at("/label").asString().replaceAll(",.*", ""),
                one.at("/word").asString()));
        assertEquals(Map.of("R6", "BAD", "R10", "NO_EXPECTATION"), words);
    }

    private static String meter(String highest) {
        String id = UUID.randomUUID().toString();
        String body = "{\"id\":\"" + id + "\",\"name\":\"Meter to " + highest
                + "\",\"retired\":false,\"version\":0,\"abilities\":[{\"kind\":\"OHMMETER\",\"input\":\"\","
                + "\"accuracyPercent\":\"\",\"highest\":\"" + highest
                + "\",\"testVolts\":\"\",\"outputOhms\":\"\",\"response\":\"\"}]}";
        assertEquals(200, RunningServer.post("/api/instruments", body).status());
        return id;
    }

    private static String control(String known, String shown) {
        return json(
                "id",
                UUID.randomUUID(),
                "kind",
                "TUBE_TESTER",
                "part",
                "new resistor",
                "unit",
                "OHM",
                "known",
                known,
                "shown",
                shown);
    }

    @Test
    void workshop_sizesComparesAndTakesTurnsOff() {
        String set = newSet("MAINS_TRANSFORMER");
        assertTrue(RunningServer.get(set + "/workshop")
                .json()
                .at("/without")
                .asString()
                .contains("not entered"));
        RunningServer.post(set + "/circuit-starts", json("circuit", "transformer-fm"));
        JsonNode size = RunningServer.get(set + "/workshop").json().at("/size");
        assertTrue(size.at("/byEngine").asBoolean());
        assertEquals("87 VA", size.at("/wantedVa").asString());
        String candidate = json(
                "id",
                UUID.randomUUID(),
                "name",
                "Grey frame",
                "va",
                "80",
                "highVolts",
                "280",
                "amperes",
                "90m",
                "centreTap",
                "FREE",
                "heaterVolts",
                "6.3",
                "heaterAmperes",
                "3.5",
                "rectifierVolts",
                "",
                "rectifierAmperes",
                "",
                "fits",
                true,
                "keep",
                true);
        assertTrue(RunningServer.post(set + "/workshop/candidates", candidate)
                .json()
                .at("/sentence")
                .asString()
                .contains("volts high by"));
        JsonNode stock = RunningServer.get(set + "/workshop").json().at("/stock");
        assertTrue(stock.toString().contains("Grey frame"));
        JsonNode turns = RunningServer.post(set + "/workshop/turns", turns("955", "", "240", "197", "905", true))
                .json();
        assertTrue(turns.at("/sentence").asString().startsWith("Take off 122 of 905 turns: 783"), turns.toString());
        assertEquals(
                "BAD",
                RunningServer.post(set + "/workshop/turns", turns("955", "", "240", "197", "905", false))
                        .json()
                        .at("/word")
                        .asString());
        assertTrue(RunningServer.post(set + "/workshop/turns", turns("", "2.513", "240", "197", "905", true))
                .json()
                .at("/sentence")
                .asString()
                .startsWith("Take off 122"));
        assertEquals(
                422,
                RunningServer.post(set + "/workshop/turns", turns("", "", "240", "197", "905", true))
                        .status());
        assertTrue(RunningServer.post(
                        set + "/workshop/field", json("ohms", "1264", "amperes", "44.7m", "chokeOhms", "400"))
                .json()
                .at("/beside")
                .asString()
                .startsWith("820 Ω"));
        assertEquals(
                "61.8 °C",
                RunningServer.post(
                                set + "/workshop/copper",
                                json("coldOhms", "940", "coldCelsius", "21", "hotOhms", "1090"))
                        .json()
                        .at("/celsius")
                        .asString());
        assertFalse(RunningServer.post(
                        set + "/workshop/copper", json("coldOhms", "", "coldCelsius", "21", "hotOhms", "1090"))
                .json()
                .at("/detail")
                .asString()
                .isEmpty());
    }

    private static String turns(
            String primary, String test, String line, String wanted, String now, boolean outermost) {
        return json(
                "primaryTurns",
                primary,
                "testVolts",
                test,
                "lineVolts",
                line,
                "wantedVolts",
                wanted,
                "amperes",
                "",
                "windingOhms",
                "",
                "primaryOhms",
                "",
                "turnsNow",
                now,
                "outermost",
                outermost);
    }

    private static JsonNode keep(String set, String test, String... typed) {
        return RunningServer.post(
                        set + "/cold/tests/" + test + "/results",
                        kept(UUID.randomUUID().toString(), typed))
                .json();
    }

    private static String kept(String id, String... typed) {
        Map<String, String> figures = new LinkedHashMap<>();
        for (int i = 0; i < typed.length; i += 2) {
            figures.put(typed[i], typed[i + 1]);
        }
        return json("id", id, "typed", figures, "instrument", "");
    }

    private static JsonNode step(JsonNode plan, String test) {
        return StreamSupport.stream(plan.at("/steps").spliterator(), false)
                .filter(s -> s.at("/id").asString().equals(test))
                .findFirst()
                .orElseThrow();
    }

    private static JsonNode stand(JsonNode stands, String subject) {
        return StreamSupport.stream(stands.spliterator(), false)
                .filter(s -> s.at("/subject").asString().equals(subject))
                .findFirst()
                .orElseThrow();
    }

    private static String newSet(String construction) {
        String id = UUID.randomUUID().toString();
        RunningServer.post(
                "/api/sets",
                json(
                        "id",
                        id,
                        "title",
                        "Cold set",
                        "ticket",
                        "",
                        "place",
                        "",
                        "waitsFor",
                        "",
                        "construction",
                        construction));
        return "/api/sets/" + id;
    }

    private static String json(Object... pairs) {
        Map<String, Object> map = new LinkedHashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            map.put((String) pairs[i], pairs[i + 1]);
        }
        return JSON.writeValueAsString(map);
    }
}
