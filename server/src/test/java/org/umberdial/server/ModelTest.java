package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningServer.class)
class ModelTest {
    private static JsonNode step(JsonNode answer, String node) {
        for (JsonNode step : answer.get("steps")) {
            if (step.get("node").asString().equals(node)) {
                return step;
            }
        }
        throw new AssertionError("no step for " + node);
    }

    private static RunningServer.Answer ask(String set, String changes) {
        return RunningServer.post("/api/sets/" + set + "/what-ifs", "{\"changes\":[" + changes + "]}");
    }

    @Test
    void aLeakyCouplingCapacitor_movesTheOutputStage_andNamesWhatFollows() throws IOException {
        String set = RunningServer.newTableSet();
        RunningServer.put(
                "/api/sets/" + set + "/conditions",
                "{\"lineVolts\":\"121.4\",\"instrumentId\":null,\"mode\":\"\",\"switchedOnAt\":null}");
        JsonNode answer = ask(set, "{\"part\":\"C4\",\"kind\":\"LEAK\",\"value\":\"2.8M\"}")
                .json();
        assertTrue(answer.get("solved").asBoolean());
        assertEquals(5.7, step(answer, "v4_grid").get("changed").asDouble(), 0.3);
        assertTrue(step(answer, "v4_cathode").get("change").asString().startsWith("+"));
        assertTrue(answer.get("consequences").toString().contains("The heater of V5"));
        JsonNode none = ask(set, "").json();
        assertEquals("", step(none, "v4_grid").get("change").asString());
    }

    @Test
    void severalChanges_actTogether() throws IOException {
        String set = RunningServer.newTableSet();
        double both = step(
                        ask(
                                        set,
                                        "{\"part\":\"R11\",\"kind\":\"VALUE\",\"value\":\"7.5k\"},"
                                                + "{\"part\":\"XV2\",\"kind\":\"WEAK\",\"value\":\"30\"}")
                                .json(),
                        "screens")
                .get("changed")
                .asDouble();
        double one = step(
                        ask(set, "{\"part\":\"R11\",\"kind\":\"VALUE\",\"value\":\"7.5k\"}")
                                .json(),
                        "screens")
                .get("changed")
                .asDouble();
        assertTrue(both > one + 1, both + " against " + one);
    }

    @Test
    void roughQuestions_areAnsweredInSentences() throws IOException {
        String set = RunningServer.newTableSet();
        for (String change : new String[] {
            "{\"part\":\"R99\",\"kind\":\"OPEN\",\"value\":\"\"}",
            "{\"part\":\"R1\",\"kind\":\"WEAK\",\"value\":\"3\"}",
            "{\"part\":\"R1\",\"kind\":\"VALUE\",\"value\":\"much\"}",
            "{\"part\":\"R1\",\"kind\":\"VALUE\",\"value\":\"0\"}",
            "{\"part\":\"XV1\",\"kind\":\"WEAK\",\"value\":\"140\"}"
        }) {
            RunningServer.Answer answer = ask(set, change);
            assertEquals(422, answer.status(), change);
            String sentence =
                    answer.json().get("detail").asString() + answer.json().get("errors");
            assertTrue(sentence.contains(".") && !sentence.contains("Exception"), sentence);
        }
    }

    @Test
    void coldOhms_listEveryPin_toTheRailAndToTheSupply() throws IOException {
        JsonNode chart = RunningServer.get("/api/sets/" + RunningServer.newTableSet() + "/cold-ohms")
                .json();
        assertEquals("Filter 1", chart.get("supply").asString());
        JsonNode v4 = chart.get("sockets").get(3);
        assertEquals("V4", v4.get("socket").asString());
        assertEquals("470 kΩ", v4.get("pins").get(1).get("toReference").asString());
        assertEquals("190 Ω", v4.get("pins").get(6).get("toSupply").asString());
    }

    @Test
    void aDeckWithALineThatCannotBeRead_loadsIncomplete_untilThePartIsTypedAgain() throws IOException {
        String set = RunningServer.newTableSet();
        String deck = new String(RunningServer.resource("table-set.cir"), java.nio.charset.StandardCharsets.UTF_8)
                .replace("R5 filter_2 v3_plate 470k", "R5 filter_2 v3_plate 4k7");
        JsonNode file = RunningServer.upload(
                        "/api/sets/" + set + "/circuit-imports", deck.getBytes(java.nio.charset.StandardCharsets.UTF_8))
                .json();
        assertEquals(1, file.get("refused").size());
        assertTrue(file.get("refused").get(0).toString().contains("4.7k"));
        JsonNode circuit = RunningServer.get("/api/sets/" + set + "/circuit").json();
        assertTrue(circuit.get("unread").get(0).asString().contains("R5"));
        assertTrue(RunningServer.get("/api/sets/" + set + "/what-if-parts")
                .json()
                .get("refusal")
                .asString()
                .contains("incomplete"));
        RunningServer.post("/api/sets/" + set + "/parts", "{\"line\":\"R5 filter_2 v3_plate 470k ; kind=carbon\"}");
        assertEquals(
                0,
                RunningServer.get("/api/sets/" + set + "/circuit")
                        .json()
                        .get("unread")
                        .size());
        assertEquals(
                "",
                RunningServer.get("/api/sets/" + set + "/what-if-parts")
                        .json()
                        .get("refusal")
                        .asString());
    }

    @Test
    void aDeckOfJunk_leavesTheCircuitAlone() throws IOException {
        String set = RunningServer.newTableSet();
        assertEquals(
                422,
                RunningServer.upload(
                                "/api/sets/" + set + "/circuit-imports",
                                "t\nR1 a 0 4k7\nnonsense here\nR2 a 0 1k\n".getBytes())
                        .status());
        assertEquals(
                50,
                RunningServer.get("/api/sets/" + set + "/circuit")
                        .json()
                        .get("parts")
                        .size());
    }

    @Test
    void aCircuitThatCannotBeSolved_saysWhy() throws IOException {
        String set = RunningServer.newTableSet();
        RunningServer.upload(
                "/api/sets/" + set + "/circuit-imports",
                "t\nVLINE a 0 SIN(0 169.7 60)\nR1 a p 1k\nXV1 p g 0 NOSUCH_T\n*TP p\n".getBytes());
        assertTrue(RunningServer.get("/api/sets/" + set + "/what-if-parts")
                .json()
                .get("refusal")
                .asString()
                .contains("NOSUCH"));
        assertTrue(RunningServer.get("/api/sets/" + set + "/cold-ohms")
                .json()
                .get("refusal")
                .asString()
                .contains("NOSUCH"));
        assertEquals(200, RunningServer.get("/api/sets/" + set + "/volts").status());
    }
}
