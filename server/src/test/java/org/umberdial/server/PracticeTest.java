package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.umberdial.core.practice.Level;
import org.umberdial.core.practice.PracticeSet;
import org.umberdial.core.tube.TubeModels;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningServer.class)
class PracticeTest {
    private static final long NUMBER = 2;
    private static final PracticeSet HIDDEN = PracticeSet.of(Level.PLAIN, NUMBER, TubeModels.shipped());

    private static String begun() {
        String id = UUID.randomUUID().toString();
        JsonNode begun = RunningServer.post(
                        "/api/practice", "{\"id\":\"" + id + "\",\"level\":\"PLAIN\",\"number\":" + NUMBER + "}")
                .json();
        assertEquals(id, begun.at("/id").asString(), begun.toString());
        return id;
    }

    private static RunningServer.Answer move(
            String id, String moveId, String doing, String node, String what, String part) {
        return RunningServer.post(
                "/api/practice/" + id + "/moves",
                "{\"id\":\"" + moveId + "\",\"doing\":\"" + doing + "\",\"node\":\"" + node + "\",\"what\":"
                        + (what.isEmpty() ? "null" : "\"" + what + "\"") + ",\"part\":\"" + part + "\"}");
    }

    private static RunningServer.Answer move(String id, String doing, String part) {
        return move(id, UUID.randomUUID().toString(), doing, "", "", part);
    }

    /** Who has read everything a hundred times over may still give up. */
    @Test
    void movesAreLimited_andGivingUpIsNot() {
        String id = begun();
        String node = RunningServer.get("/api/practice/" + id)
                .json()
                .at("/points/0/node")
                .asString();
        RunningServer.Answer last = null;
        for (int i = 0; i <= 120; i++) {
            last = move(id, UUID.randomUUID().toString(), "READ", node, "DC", "");
        }
        assertEquals(422, last.status());
        assertTrue(move(id, "GIVE_UP", "").json().at("/gaveUp").asBoolean());
    }

    /** What is hidden is nowhere to be seen before it was named. */
    @Test
    void nothingGivesItAway_untilItIsNamed() {
        String id = begun();
        String bad = HIDDEN.bad().get(0);
        JsonNode open = RunningServer.get("/api/practice/" + id).json();
        assertTrue(open.at("/answer").isEmpty());
        String says = HIDDEN.says().get(0);
        assertFalse(open.toString().contains(says), "the answer is in " + open);
        assertEquals(
                422, RunningServer.get("/api/practice/" + id + "/hindsight").status());
        JsonNode named = move(id, "NAME", bad).json();
        assertTrue(named.at("/over").asBoolean(), named.toString());
        assertEquals(says, named.at("/answer/0").asString());
        JsonNode back = RunningServer.whenReady("/api/practice/" + id + "/hindsight");
        assertTrue(back.at("/bestMinutes").asDouble() > 0, back.toString());
        assertEquals(100, back.at("/score").asInt());
        assertTrue(back.at("/best").size() > 1, back.toString());
        JsonNode listed = RunningServer.get("/api/practice").json().at("/practices");
        assertTrue(listed.valueStream()
                .anyMatch(one ->
                        one.at("/id").asString().equals(id) && one.at("/score").asInt() == 100));
    }

    @Test
    void aMoveSentTwiceIsMadeOnce_andCostsOnce() {
        String id = begun();
        String node = RunningServer.get("/api/practice/" + id)
                .json()
                .at("/points/0/node")
                .asString();
        String moveId = UUID.randomUUID().toString();
        move(id, moveId, "READ", node, "DC", "");
        JsonNode twice = move(id, moveId, "READ", node, "DC", "").json();
        assertEquals(1, twice.at("/moves").size());
        assertEquals(0.5, twice.at("/minutes").asDouble());
        assertFalse(twice.at("/points/0/volts").asString().isEmpty());
        String sound = HIDDEN.subjects().stream()
                .filter(part -> !HIDDEN.isBad(part))
                .findFirst()
                .orElseThrow();
        assertEquals(10.5, move(id, "NAME", sound).json().at("/minutes").asDouble());
    }

    @Test
    void whatIsNotThereIsRefusedInASentence_andNothingIsLost() {
        String id = begun();
        assertEquals(
                422,
                move(id, UUID.randomUUID().toString(), "READ", "nowhere", "DC", "")
                        .status());
        assertEquals(
                422, move(id, UUID.randomUUID().toString(), "READ", "", "", "").status());
        assertEquals(422, move(id, "NAME", "R999").status());
        assertEquals(422, move(id, "TEST", "").status());
        assertEquals(404, move(UUID.randomUUID().toString(), "GIVE_UP", "").status());
        assertEquals(
                0, RunningServer.get("/api/practice/" + id).json().at("/moves").size());
        JsonNode over = move(id, "GIVE_UP", "").json();
        assertTrue(over.at("/over").asBoolean() && over.at("/score").isNull());
        assertEquals(422, move(id, "NAME", HIDDEN.bad().get(0)).status());
    }
}
