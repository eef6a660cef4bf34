package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Which part explains what was read of a set, over the interface. */
@ExtendWith(RunningServer.class)
class DiagnosisTest {
    private static final String SETS = "/api/sets/22222222-0000-4000-8000-00000000000";

    private static String parts(JsonNode suspect) {
        StringBuilder parts = new StringBuilder();
        suspect.at("/parts")
                .forEach(part -> parts.append(part.at("/part").asString()).append(' '));
        return parts.toString();
    }

    /** The demo shop's brown set has a coupling capacitor that leaks and a screen resistor that has drifted. */
    @Test
    void theDemoSetsTwoFaultsAreNamed_eachWithItsProof() {
        JsonNode view = RunningServer.whenReady(SETS + "1/diagnosis");
        JsonNode first = view.at("/suspects/0");
        assertEquals("C4 R11 ", parts(first), view.toString());
        assertTrue(view.at("/verdict").asString().startsWith("Likely: C4 leaks"), view.toString());
        first.at("/parts").forEach(part -> {
            assertTrue(part.at("/confirm").asString().length() > 10, part.toString());
            assertTrue(part.at("/ignored").asString().length() > 10, part.toString());
        });
        assertTrue(first.at("/signs/0/speaks").asInt() > 0);
    }

    @Test
    void withoutACircuitItSaysWhy_andOfNothingReadItAccusesNobody() throws IOException {
        assertTrue(RunningServer.get(SETS + "4/diagnosis")
                .json()
                .at("/reason")
                .asString()
                .contains("no circuit yet"));
        Guest guest = new Guest(RunningServer.base());
        String set = "/api/sets/" + guest.newTableSet();
        JsonNode unread = guest.whenReady(set + "/diagnosis");
        assertEquals(0, unread.at("/suspects").size(), unread.toString());
        assertTrue(unread.at("/probes/0/node").asString().length() > 1, "but it says what to read first");
        // One reading, on the grid that the coupling capacitor lifts.
        RunningServer.Answer kept = guest.post(
                set + "/readings",
                "{\"id\":\"" + UUID.randomUUID()
                        + "\",\"text\":\"6\",\"node\":\"v4_grid\",\"confirmed\":true,\"takenAt\":null,\"note\":\"\"}");
        assertTrue(kept.status() < 300, kept.text());
        JsonNode read = guest.whenReady(set + "/diagnosis");
        assertEquals(1, read.at("/read").asInt(), read.toString());
        assertTrue(read.at("/verdict").asString().contains("C4"), read.toString());
        assertEquals(
                404, guest.get("/api/sets/" + UUID.randomUUID() + "/diagnosis").status());
    }
}
