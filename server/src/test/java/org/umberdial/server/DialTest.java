package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningServer.class)
class DialTest {
    private static String set() {
        String id = UUID.randomUUID().toString();
        RunningServer.post(
                "/api/sets",
                "{\"id\":\"" + id + "\",\"title\":\"Receiver\",\"ticket\":\"\",\"place\":\"\",\"waitsFor\":\"\","
                        + "\"construction\":\"BATTERY\"}");
        return "/api/sets/" + id + "/dials";
    }

    private static RunningServer.Answer band(String dials, String low, String high, String intermediate) {
        return RunningServer.post(
                dials + "/bands",
                "{\"id\":\"" + UUID.randomUUID() + "\",\"name\":\"MW\",\"low\":\"" + low + "\",\"high\":\"" + high
                        + "\",\"intermediate\":\"" + intermediate + "\",\"oscillatorAbove\":true}");
    }

    private static RunningServer.Answer read(String dials, String dial, String actual) {
        return RunningServer.post(
                dials,
                "{\"id\":\"" + UUID.randomUUID() + "\",\"band\":\"MW\",\"dial\":\"" + dial + "\",\"actual\":\"" + actual
                        + "\",\"by\":\"generator\"}");
    }

    @Test
    void aDialIsReadSetAndReadAgain_andWhatWasBeforeStaysToBeSeen() {
        String dials = set();
        assertEquals(
                5,
                band(dials, "530", "1605", "455").json().at("/bands/0/toRead").size());
        read(dials, "600", "618");
        read(dials, "1000", "1004");
        JsonNode off = read(dials, "1500", "1502").json().at("/bands/0");
        assertTrue(off.at("/advice/0").asString().contains("core in"), off.toString());
        assertEquals(618 + 455, off.at("/points/0/oscillator").asDouble());
        assertEquals(618 + 910, off.at("/points/0/image").asDouble());
        JsonNode set = read(dials, "600", "601").json().at("/bands/0");
        assertTrue(set.at("/right").asBoolean(), set.toString());
        assertEquals(618, set.at("/before/0/actual").asDouble());
        JsonNode tracking = RunningServer.get(dials + "/tracking?band=MW&leastPicofarads=45")
                .json();
        assertTrue(tracking.at("/padderPicofarads").asDouble() > 200, tracking.toString());
    }

    @Test
    void nonsenseIsRefusedInASentence() {
        String dials = set();
        assertEquals(404, read(dials, "600", "600").status());
        for (String[] ends :
                new String[][] {{"x", "1605", "455"}, {"1605", "530", "455"}, {"530", "1605", "3"}, {"", "", ""}}) {
            assertEquals(422, band(dials, ends[0], ends[1], ends[2]).status());
        }
        band(dials, "530", "1605", "455");
        for (String[] typed :
                new String[][] {{"5", "5"}, {"600", "1510"}, {"600", "six"}, {"", "600"}, {"600", "1e400"}}) {
            assertEquals(422, read(dials, typed[0], typed[1]).status(), typed[0] + " " + typed[1]);
        }
        assertEquals(
                422,
                RunningServer.get(dials + "/tracking?band=MW&leastPicofarads=0").status());
        assertEquals(
                404,
                RunningServer.get(dials + "/tracking?band=KW&leastPicofarads=45")
                        .status());
    }
}
