package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import biweekly.Biweekly;
import biweekly.ICalendar;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningServer.class)
class WorkTest {
    private static final String VOLUME = "volume-control-clean-and-lubricate";

    private static String set() {
        String id = UUID.randomUUID().toString();
        RunningServer.post(
                "/api/sets",
                "{\"id\":\"" + id + "\",\"title\":\"Set " + id.substring(0, 6)
                        + "\",\"ticket\":\"\",\"place\":\"\",\"waitsFor\":\"\",\"construction\":\"BATTERY\"}");
        return id;
    }

    private static JsonNode plan(String set, String task) {
        return RunningServer.post(
                        "/api/sets/" + set + "/works",
                        "{\"id\":\"" + UUID.randomUUID() + "\",\"task\":\"" + task + "\",\"about\":\"\"}")
                .json();
    }

    private static RunningServer.Answer step(String set, String work, String phase, String hours) {
        return RunningServer.post(
                "/api/sets/" + set + "/work-steps",
                "{\"id\":\"" + UUID.randomUUID() + "\",\"work\":\"" + work + "\",\"phase\":\"" + phase
                        + "\",\"agent\":\"\",\"hours\":\"" + hours + "\",\"note\":\"\"}");
    }

    private static boolean dries(String set) {
        return RunningServer.get("/api/waits")
                .json()
                .at("/drying")
                .valueStream()
                .anyMatch(one -> one.at("/setId").asString().equals(set));
    }

    @Test
    void whatDries_waitsOnTheShelf_inTheCalendar_andBarsPower_untilItIsLookedAt() throws Exception {
        String set = set();
        String work = plan(set, VOLUME).at("/works/0/id").asString();
        assertFalse(dries(set));
        assertEquals(
                "DONE", step(set, work, "DONE", "3").json().at("/works/0/state").asString());
        assertTrue(dries(set));
        assertTrue(RunningServer.get("/api/sets/" + set + "/stands").text().contains("power:drying:" + work));
        ICalendar calendar =
                Biweekly.parse(RunningServer.get("/api/calendar").text()).first();
        assertTrue(calendar.getEvents().stream()
                .anyMatch(event -> event.getUid().getValue().startsWith(work)
                        && event.getSummary().getValue().contains("Volume control")));
        assertEquals(
                "GOOD", step(set, work, "GOOD", "").json().at("/works/0/state").asString());
        assertFalse(dries(set));
        assertFalse(RunningServer.get("/api/sets/" + set + "/stands").text().contains("power:drying:"));
    }

    @Test
    void whatComesLater_isNotDoneBefore_andNonsenseIsRefusedInASentence() {
        String set = set();
        plan(set, "dial-cord-fix-pointer");
        JsonNode works = plan(set, "dial-glass-take-out-and-clean");
        String pointer = works.at("/works/0/id").asString();
        assertEquals("BLOCKED", works.at("/works/0/state").asString());
        RunningServer.Answer early = step(set, pointer, "DONE", "");
        assertEquals(422, early.status());
        assertTrue(early.text().contains("First: Dial glass"), early.text());
        assertEquals(
                422, step(set, works.at("/works/1/id").asString(), "GOOD", "").status());
        assertEquals(
                422,
                step(set, works.at("/works/1/id").asString(), "DONE", "soon").status());
        assertEquals(
                422,
                step(set, works.at("/works/1/id").asString(), "DONE", "1e9").status());
        assertEquals(404, step(set, "elsewhere", "DONE", "").status());
        assertTrue(plan(set, "paint-it-pink").at("/detail").asString().contains("choose one of the list"));
    }

    /** The link of a calendar is told once, ends by a new one, and is nobody's by guessing. */
    @Test
    void aCalendarIsFetchedByItsLink_andByNoOther() {
        String first = RunningServer.post("/api/account/calendar-link", "")
                .json()
                .at("/path")
                .asString();
        assertTrue(first.matches("/calendar/[A-Za-z0-9_-]{32}/bench.ics"), first);
        assertTrue(RunningServer.get(first).text().startsWith("BEGIN:VCALENDAR"));
        assertEquals(
                "",
                RunningServer.get("/api/account/calendar-link")
                        .json()
                        .at("/path")
                        .asString());
        String second = RunningServer.post("/api/account/calendar-link", "")
                .json()
                .at("/path")
                .asString();
        assertEquals(404, RunningServer.get(first).status());
        assertEquals(200, RunningServer.get(second).status());
        for (String guess : new String[] {"/calendar/x/bench.ics", "/calendar/" + "A".repeat(500) + "/bench.ics"}) {
            assertEquals(404, RunningServer.get(guess).status());
        }
        RunningServer.delete("/api/account/calendar-link");
        assertEquals(404, RunningServer.get(second).status());
    }

    @Test
    void aCordIsReckoned_andKept_andWhatCannotBeIsRefused() {
        String set = set();
        String cord = "{\"id\":\"%s\",\"photo\":\"%s\",\"rounds\":[{\"name\":\"Drum\",\"x\":0.2,\"y\":0.5,"
                + "\"diameter\":60,\"clockwise\":true,\"turns\":0},{\"name\":\"Pulley\",\"x\":0.7,\"y\":0.5,"
                + "\"diameter\":60,\"clockwise\":true,\"turns\":0}],\"closed\":true,\"scaleFrom\":0,"
                + "\"scaleTo\":%d,\"scaleMm\":%s,\"pointer\":%d,\"turned\":0,\"spring\":\"in the drum\"}";
        String path = "/api/sets/" + set + "/cord";
        JsonNode kept = RunningServer.post(path, String.format(cord, UUID.randomUUID(), "", 1, "100", 0))
                .json();
        assertEquals(200 + 60 * Math.PI, kept.at("/reckoned/lengthMm").asDouble(), 1e-6);
        assertEquals(0.15, kept.at("/reckoned/radius/0").asDouble(), 1e-9, "30 mm of a picture 200 mm wide");
        assertEquals(
                "in the drum", RunningServer.get(path).json().at("/laid/spring").asString());
        for (String wrong : new String[] {
            String.format(cord, UUID.randomUUID(), "", 0, "100", 0),
            String.format(cord, UUID.randomUUID(), "", 9, "100", 0),
            String.format(cord, UUID.randomUUID(), "", 1, "0", 0),
            String.format(cord, UUID.randomUUID(), "", 1, "100", 7),
            String.format(cord, UUID.randomUUID(), "gone", 1, "100", 0)
        }) {
            assertEquals(422, RunningServer.post(path + "/previews", wrong).status(), wrong);
        }
    }
}
