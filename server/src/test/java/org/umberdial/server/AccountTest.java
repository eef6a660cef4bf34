package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.context.ConfigurableApplicationContext;

/** A server of its own, not the demo: who comes in, and what they may. */
class AccountTest {
    private static final String SCHEMA =
            "umber_test_" + UUID.randomUUID().toString().substring(0, 8);
    private static ConfigurableApplicationContext application;
    private static Guest owner;

    @BeforeAll
    static void open() {
        application = RunningServer.started(SCHEMA);
        owner = new Guest(RunningServer.base(application));
        assertEquals(
                "FIRST_START", owner.get("/api/session").json().get("state").asString());
        assertEquals(401, owner.get("/api/sets").status());
        for (String bad : new String[] {"short", "password1234", "ada workbench"}) {
            RunningServer.Answer refused = owner.post("/api/first-owner", first("ada", bad));
            assertEquals("#/password", refused.json().at("/errors/0/pointer").asString(), bad);
        }
        assertEquals(
                "FIRST_START", owner.get("/api/session").json().get("state").asString());
        RunningServer.Answer opened = owner.post("/api/first-owner", first("Ada", Guest.PASSWORD));
        assertEquals(200, opened.status(), opened.text());
        assertEquals("OWNER", opened.json().get("role").asString());
        assertEquals("Workbench", owner.get("/api/shop").json().get("name").asString());
    }

    @AfterAll
    static void close() {
        application.close();
    }

    private static String first(String name, String password) {
        return "{\"shopName\":\"Workbench\",\"name\":\"" + name + "\",\"shownName\":\"Ada\",\"password\":\"" + password
                + "\"}";
    }

    private static Guest guest() {
        return new Guest(RunningServer.base(application));
    }

    @Test
    void aShopNobodyOwns_isNotOpenedToTheNetwork() {
        String schema = "umber_test_" + UUID.randomUUID().toString().substring(0, 8);
        Exception refused = assertThrows(
                Exception.class,
                () -> RunningServer.started(
                                schema, "--umber.lan.open=true", "--umber.lan.port=0", "--umber.home=target/lan-test")
                        .close());
        assertTrue(refused.toString().contains("Nobody owns this shop yet"), refused.toString());
    }

    @Test
    void aSecondFirstOwner_isRefused() {
        assertEquals(
                403,
                guest().post("/api/first-owner", first("eve", Guest.PASSWORD)).status());
    }

    @Test
    void theSession_livesInTheDatabase_soAnyNodeKnowsIt() {
        Guest carol = owner.with("carol", "BENCH");
        try (ConfigurableApplicationContext second = RunningServer.started(SCHEMA)) {
            assertEquals(
                    200, carol.at(RunningServer.base(second)).get("/api/sets").status());
        }
    }

    @ParameterizedTest
    @CsvSource({
        "GET,/api/sets,200,200",
        "GET,/api/instruments,200,200",
        "GET,/api/accounts,403,403",
        "GET,/api/account-events,403,403",
        "PUT,/api/shop,403,403",
        "POST,/api/accounts,403,403",
        "POST,/api/shops,403,403",
        "POST,/api/sets,422,403",
        "POST,/api/instruments,400,403",
        "POST,/api/sets/00000000-0000-4000-8000-000000000000/readings,400,403",
        "POST,/api/sets/00000000-0000-4000-8000-000000000000/power/runs,422,403",
        "POST,/api/sets/00000000-0000-4000-8000-000000000000/power/runs/00000000-0000-4000-8000-000000000000/stops,422,422",
        "POST,/api/instrument-links,403,403",
        "POST,/api/sets/00000000-0000-4000-8000-000000000000/owner-erasures,403,403",
        "DELETE,/api/sets/00000000-0000-4000-8000-000000000000/marks,400,403",
    })
    void eachRole_mayWhatItMay(String method, String path, int bench, int viewer) {
        String body = method.equals("POST") ? "{\"id\":null}" : "";
        assertEquals(
                bench,
                owner.with("b" + UUID.randomUUID().toString().substring(0, 8), "BENCH")
                        .send(method, path, body)
                        .status(),
                "bench");
        assertEquals(
                viewer,
                owner.with("v" + UUID.randomUUID().toString().substring(0, 8), "VIEWER")
                        .send(method, path, body)
                        .status(),
                "viewer");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/api/shop",
                "/api/sets",
                "/api/live",
                "/api/accounts",
                "/api/account/devices",
                "/api/account-events"
            })
    void nobody_getsNothing(String path) {
        RunningServer.Answer answer = guest().get(path);
        assertEquals(401, answer.status());
        assertEquals("/problems/signed-out", answer.json().get("type").asString());
    }

    @Test
    void guessing_isStopped_alsoForTheRightPassword() {
        Guest thief = guest();
        for (int i = 0; i < 5; i++) {
            assertEquals(401, thief.signIn("ada", "wrong guess number " + i).status());
        }
        assertEquals(429, thief.signIn("ada", Guest.PASSWORD).status());
        assertEquals(401, guest().signIn("nobody.here", "whatever it is").status(), "other names are not shut out");
        String events = owner.get("/api/account-events").text();
        assertTrue(!events.contains("SHUT_OUT") && !events.contains("REFUSED"), "failures fill no list people read");
        var failure = owner.get("/api/sign-in-failures")
                .json()
                .valueStream()
                .filter(f -> f.get("name").asString().equals("ada"))
                .findFirst()
                .orElseThrow();
        assertTrue(failure.get("wrong").asInt() >= 5 && failure.get("shutOut").asInt() >= 1, failure.toString());
    }

    @Test
    void aLink_letsInOnce_andItsPersonChoosesAPassword() {
        String id = UUID.randomUUID().toString();
        owner.post("/api/accounts", "{\"id\":\"" + id + "\",\"name\":\"bo\",\"shownName\":\"Bo\",\"role\":\"BENCH\"}");
        String token = owner.post("/api/accounts/" + id + "/pairings", "")
                .json()
                .get("token")
                .asString();
        Guest bo = guest();
        RunningServer.Answer in = bo.redeem(token);
        assertTrue(
                in.json().get("justLinked").asBoolean()
                        && !in.json().get("hasPassword").asBoolean(),
                in.text());
        assertEquals(401, guest().redeem(token).status(), "a second time");
        assertEquals(
                200,
                bo.put("/api/account/password", "{\"current\":\"\",\"password\":\"" + Guest.PASSWORD + " bo\"}")
                        .status());
        assertEquals(200, bo.get("/api/sets").status(), "this device stays in");
        Guest elsewhere = guest();
        assertEquals(200, elsewhere.signIn("BO", Guest.PASSWORD + " bo").status());
        assertEquals(
                422,
                elsewhere
                        .put(
                                "/api/account/password",
                                "{\"current\":\"wrong\",\"password\":\"" + Guest.PASSWORD + " two\"}")
                        .status());
        Guest third = guest();
        assertEquals(200, third.signIn("bo", Guest.PASSWORD + " bo").status());
        String there = third.get("/api/account/devices")
                .json()
                .valueStream()
                .filter(d -> d.get("here").asBoolean())
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
        assertEquals(200, elsewhere.delete("/api/account/devices/" + there).status());
        assertEquals(401, third.get("/api/sets").status());
        assertEquals(2, elsewhere.get("/api/account/devices").json().size());
        assertEquals(200, elsewhere.delete("/api/sessions").status());
        assertEquals(401, bo.get("/api/sets").status());
        assertEquals(401, elsewhere.get("/api/sets").status());
    }

    @Test
    void whoIsClosedOrChanged_isOutAtOnce() {
        Guest dee = owner.with("dee", "BENCH");
        String person = owner.get("/api/accounts")
                .json()
                .valueStream()
                .filter(p -> p.get("name").asString().equals("dee"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
        assertEquals(200, dee.get("/api/sets").status());
        dee.put("/api/account/password", "{\"current\":\"\",\"password\":\"" + Guest.PASSWORD + " dee\"}");
        assertEquals(
                200,
                owner.put("/api/accounts/" + person, "{\"role\":\"BENCH\",\"closed\":true,\"version\":0}")
                        .status());
        assertEquals(401, dee.get("/api/sets").status());
        assertEquals(
                422, owner.post("/api/accounts/" + person + "/pairings", "").status());
        assertEquals(
                409,
                owner.put("/api/accounts/" + person, "{\"role\":\"OWNER\",\"closed\":false,\"version\":0}")
                        .status());
    }

    @Test
    void theLastOwner_cannotBeTakenAway() {
        String id = owner.get("/api/session").json().get("accountId").asString();
        RunningServer.Answer refused =
                owner.put("/api/accounts/" + id, "{\"role\":\"VIEWER\",\"closed\":false,\"version\":0}");
        assertEquals(422, refused.status());
        assertTrue(refused.json().get("detail").asString().contains("needs an owner"), refused.text());
        assertEquals(200, owner.get("/api/accounts").status());
    }

    @Test
    void whatAPersonWrites_carriesTheirName() {
        Guest fay = owner.with("fay", "BENCH");
        String set = UUID.randomUUID().toString();
        fay.post(
                "/api/sets",
                "{\"id\":\"" + set
                        + "\",\"title\":\"Fay’s "
                        + "set\",\"ticket\":\"\",\"place\":\"\",\"waitsFor\":\"\",\"construction\":\"SERIES_STRING\"}");
        fay.post(
                "/api/sets/" + set + "/remarks",
                "{\"id\":\"" + UUID.randomUUID()
                        + "\",\"subject\":\"C1\",\"words\":\"smells of wax\",\"takenAt\":null}");
        assertTrue(
                owner.get("/api/sets/" + set + "/log").text().contains("\"fay\""),
                owner.get("/api/sets/" + set + "/log").text());
    }

    @Test
    void theCookie_isStrictAndOutOfScriptsReach_andItsIdChangesWithThePerson() {
        Guest gil = owner.with("gil", "VIEWER");
        String id = owner.get("/api/accounts")
                .json()
                .valueStream()
                .filter(p -> p.get("name").asString().equals("gil"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
        String first = gil.lastCookie();
        gil.redeem(owner.post("/api/accounts/" + id + "/pairings", "")
                .json()
                .get("token")
                .asString());
        String second = gil.lastCookie();
        assertNotEquals(first.split(";")[0], second.split(";")[0]);
        assertTrue(second.contains("HttpOnly") && second.contains("SameSite=Strict"), second);
    }
}
