package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.umberdial.tables.Tables.SIGN_IN_TRY;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.TimeZone;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.JdbcOperations;
import org.springframework.security.authentication.ott.GenerateOneTimeTokenRequest;
import org.springframework.security.authentication.ott.JdbcOneTimeTokenService;
import org.springframework.security.authentication.ott.OneTimeToken;
import org.springframework.security.authentication.ott.OneTimeTokenAuthenticationToken;
import org.springframework.security.core.userdetails.UserDetailsService;

/** A shop under attack: what is tried at its door, from open screens, and with clocks that are wrong. */
class SignInLimitsTest {
    private static ConfigurableApplicationContext application;
    private static Guest owner;
    private static DSLContext db;

    @BeforeAll
    static void open() {
        application = RunningServer.started(
                "umber_test_" + UUID.randomUUID().toString().substring(0, 8));
        db = application.getBean(DSLContext.class);
        owner = guest();
        assertEquals(
                200,
                owner.post(
                                "/api/first-owner",
                                "{\"shopName\":\"Workbench\",\"name\":\"ada\",\"shownName\":\"Ada\",\"password\":\""
                                        + Guest.PASSWORD + "\"}")
                        .status());
    }

    @AfterAll
    static void close() {
        application.close();
    }

    @BeforeEach
    void forget() {
        db.deleteFrom(SIGN_IN_TRY).execute();
    }

    private static Guest guest() {
        return new Guest(RunningServer.base(application));
    }

    private static int sessions() {
        return db.fetchCount(DSL.table("SPRING_SESSION"));
    }

    /** Makes what sessions remember of proofs older, as if the screen had been open since. */
    private static void age(String name) {
        db.execute(
                "DELETE a FROM SPRING_SESSION_ATTRIBUTES a JOIN SPRING_SESSION s ON s.PRIMARY_ID = "
                        + "a.SESSION_PRIMARY_ID WHERE s.PRINCIPAL_NAME = ? AND a.ATTRIBUTE_NAME IN "
                        + "('umber.proved-at', 'umber.linked-at')",
                name);
    }

    private static String id(String name) {
        return owner.get("/api/accounts")
                .json()
                .valueStream()
                .filter(p -> p.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
    }

    @Test
    void aFloodFromElsewhere_doesNotKeepTheOwnerOut_andMakesNeitherSessionsNorEvents() {
        Guest known = guest();
        assertEquals(200, known.signIn("ada", Guest.PASSWORD).status());
        int before = sessions();
        int events = owner.get("/api/account-events").json().size();
        // From many addresses: only the name and the shop tie these together.
        for (int i = 0; i < 150; i++) {
            db.insertInto(SIGN_IN_TRY)
                    .set(SIGN_IN_TRY.NAME, "ada")
                    .set(SIGN_IN_TRY.ADDRESS, "192.0.2." + i)
                    .set(SIGN_IN_TRY.TRIED_AT, Instant.now())
                    .execute();
        }
        RunningServer.Answer stranger = guest().signIn("ada", Guest.PASSWORD);
        assertEquals(429, stranger.status());
        int wait = Integer.parseInt(
                stranger.response().headers().firstValue("Retry-After").orElseThrow());
        assertTrue(wait > 0 && wait <= 60, "a flood from everywhere never asks for more than a minute: " + wait);
        assertEquals(200, known.signIn("ada", Guest.PASSWORD).status(), "a device that has been in before");
        for (int i = 0; i < 30; i++) {
            guest().signIn("ada", "wrong " + i);
        }
        assertTrue(sessions() <= before + 1, "failures make no sessions");
        assertTrue(owner.get("/api/account-events").json().size() <= events + 1, "nor events");
        assertTrue(
                owner.get("/api/sign-in-failures")
                                .json()
                                .valueStream()
                                .filter(f -> f.get("name").asString().equals("ada"))
                                .count()
                        <= 2,
                "and are counted by the hour");
    }

    @Test
    void theWait_growsWithEachFailure() {
        Guest thief = guest();
        for (int i = 0; i < 5; i++) {
            assertEquals(401, thief.signIn("ada", "wrong guess " + i).status());
        }
        assertTrue(waitOf(thief.signIn("ada", "wrong")) <= 2);
        db.insertInto(SIGN_IN_TRY)
                .set(SIGN_IN_TRY.NAME, "ada")
                .set(SIGN_IN_TRY.ADDRESS, "127.0.0.1")
                .set(SIGN_IN_TRY.TRIED_AT, Instant.now())
                .execute();
        db.insertInto(SIGN_IN_TRY)
                .set(SIGN_IN_TRY.NAME, "ada")
                .set(SIGN_IN_TRY.ADDRESS, "127.0.0.1")
                .set(SIGN_IN_TRY.TRIED_AT, Instant.now())
                .execute();
        assertTrue(waitOf(thief.signIn("ada", "wrong")) >= 7, "2, 4, 8 seconds");
    }

    private static int waitOf(RunningServer.Answer answer) {
        assertEquals(429, answer.status(), answer.text());
        return Integer.parseInt(
                answer.response().headers().firstValue("Retry-After").orElseThrow());
    }

    @Test
    void triesStampedAhead_lockNobodyOut() {
        for (int i = 0; i < 40; i++) {
            db.insertInto(SIGN_IN_TRY)
                    .set(SIGN_IN_TRY.NAME, "ada")
                    .set(SIGN_IN_TRY.ADDRESS, "127.0.0.1")
                    .set(SIGN_IN_TRY.TRIED_AT, Instant.now().plus(Duration.ofMinutes(50)))
                    .execute();
        }
        assertEquals(200, guest().signIn("ada", Guest.PASSWORD).status());
    }

    @Test
    void anOpenScreen_isAskedOnceMore_beforeItGivesAwayAWayIn() {
        Guest ben = owner.with("ben", "BENCH");
        assertEquals(
                200,
                ben.put("/api/account/password", "{\"current\":\"\",\"password\":\"" + Guest.PASSWORD + " ben\"}")
                        .status());
        assertEquals(403, ben.post("/api/account/pairings", "").status(), "a link lets in, it proves nothing more");
        age("ben");
        RunningServer.Answer asked = ben.post("/api/account/pairings", "");
        assertEquals("/problems/prove-first", asked.json().get("type").asString());
        assertEquals(
                "/problems/prove-first",
                ben.post("/webauthn/register/options", "{}").json().get("type").asString());
        assertEquals(
                422,
                ben.post("/api/account/proofs", "{\"password\":\"not mine\"}").status());
        assertEquals(
                200,
                ben.post("/api/account/proofs", "{\"password\":\"" + Guest.PASSWORD + " ben\"}")
                        .status());
        assertEquals(200, ben.post("/api/account/pairings", "").status());
        assertEquals(200, ben.post("/webauthn/register/options", "{}").status());
        assertEquals(
                422,
                ben.put("/api/account/password", "{\"current\":\"wrong\",\"password\":\"" + Guest.PASSWORD + " two\"}")
                        .status());
        var wrong = owner.get("/api/sign-in-failures")
                .json()
                .valueStream()
                .filter(f -> f.get("name").asString().equals("ben"))
                .mapToInt(f -> f.get("wrong").asInt())
                .sum();
        assertEquals(2, wrong, "wrong current passwords are recorded");
        for (int i = 0; i < 6; i++) {
            ben.post("/api/account/proofs", "{\"password\":\"guess " + i + "\"}");
        }
        assertEquals(
                429,
                ben.post("/api/account/proofs", "{\"password\":\"" + Guest.PASSWORD + " ben\"}")
                        .status(),
                "and limited");
    }

    @Test
    void links_endWithWhatTheyWereMadeUnder() {
        owner.signIn("ada", Guest.PASSWORD);
        Guest cleo = owner.with("cleo", "OWNER");
        cleo.put("/api/account/password", "{\"current\":\"\",\"password\":\"" + Guest.PASSWORD + " cleo\"}");
        String byDemotion = owner.post("/api/accounts/" + id("cleo") + "/pairings", "")
                .json()
                .get("token")
                .asString();
        assertEquals(
                200,
                owner.put("/api/accounts/" + id("cleo"), "{\"role\":\"VIEWER\",\"closed\":false,\"version\":0}")
                        .status());
        assertEquals(401, guest().redeem(byDemotion).status());
        Guest again = guest();
        again.signIn("cleo", Guest.PASSWORD + " cleo");
        String byPassword =
                again.post("/api/account/pairings", "").json().get("token").asString();
        assertEquals(
                200,
                again.put(
                                "/api/account/password",
                                "{\"current\":\"" + Guest.PASSWORD + " cleo\",\"password\":\"" + Guest.PASSWORD
                                        + " new\"}")
                        .status());
        assertEquals(401, guest().redeem(byPassword).status());
        String byLeaving =
                again.post("/api/account/pairings", "").json().get("token").asString();
        assertEquals(200, again.delete("/api/sessions").status());
        assertEquals(401, guest().redeem(byLeaving).status());
    }

    @Test
    void askingForAPasskey_costsNoSession_andItsQuestionAsksForTheUser() {
        int before = sessions();
        Guest stranger = guest();
        for (int i = 0; i < 20; i++) {
            RunningServer.Answer question = stranger.post("/webauthn/authenticate/options", "{}");
            assertEquals("required", question.json().get("userVerification").asString());
            assertTrue(question.response().headers().allValues("Set-Cookie").stream()
                    .anyMatch(c ->
                            c.contains("umber-passkey") && c.contains("HttpOnly") && c.contains("SameSite=Strict")));
        }
        assertEquals(
                401,
                stranger.post(
                                "/login/webauthn",
                                "{\"id\":\"AA\",\"rawId\":\"AA\",\"type\":\"public-key\","
                                        + "\"response\":{\"authenticatorData\":\"AA\","
                                        + "\"clientDataJSON\":\"AA\",\"signature\":\"AA\"},"
                                        + "\"clientExtensionResults\":{}}")
                        .status());
        assertEquals(200, stranger.get("/api/session").status());
        assertEquals(before, sessions());
    }

    @Test
    void theCookiesName_isItsDoors() {
        String port = RunningServer.base(application).replaceAll(".*:", "");
        Guest in = guest();
        in.signIn("ada", Guest.PASSWORD);
        assertTrue(in.lastCookie().startsWith("umber-session-" + port + "="), in.lastCookie());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "this is my password",
                "i love my cat very much",
                "to be or not to be",
                "what is the time now",
                "iloveyousomuchbaby",
                "the cat is on the table"
            })
    void phrasesOfCommonWords_areWeak(String phrase) {
        Guest dora = guest();
        dora.signIn("ada", Guest.PASSWORD);
        RunningServer.Answer refused = dora.put(
                "/api/account/password", "{\"current\":\"" + Guest.PASSWORD + "\",\"password\":\"" + phrase + "\"}");
        assertEquals("#/password", refused.json().at("/errors/0/pointer").asString(), refused.text());
    }

    /** Time tells nothing of who is here: each of them is looked at with a whole hash. */
    @Test
    void aNameOfOtherThanPlainLetters_isNobodys_alsoOnADeviceThatIsKnown() {
        Guest known = guest();
        assertEquals(200, known.signIn("ada", Guest.PASSWORD).status());
        assertEquals(401, known.signIn("\uD83D\uDCFB", Guest.PASSWORD).status());
    }

    @Test
    void unknownClosedAndPasswordless_costTheSameWork() {
        owner.signIn("ada", Guest.PASSWORD);
        owner.with("fern", "BENCH");
        Guest gus = owner.with("gus", "BENCH");
        gus.put("/api/account/password", "{\"current\":\"\",\"password\":\"" + Guest.PASSWORD + " gus\"}");
        assertEquals(
                200,
                owner.put("/api/accounts/" + id("gus"), "{\"role\":\"BENCH\",\"closed\":true,\"version\":0}")
                        .status());
        String argon = "{argon2}$argon2id$v=19$m=16384,t=2,p=1$";
        for (String name : List.of("ada", "fern", "gus", "nobody.at.all")) {
            String hash = application
                    .getBean(UserDetailsService.class)
                    .loadUserByUsername(name)
                    .getPassword();
            assertTrue(hash.startsWith(argon), name + ": " + hash);
            assertEquals(401, guest().signIn(name, "not the password").status(), name);
        }
        assertEquals(401, guest().signIn("gus", Guest.PASSWORD + " gus").status(), "closed, with the right password");
    }

    /** One clock, whatever zone the machine is in, also while it changes to summer time and back. */
    @ParameterizedTest
    @ValueSource(strings = {"Europe/Berlin", "America/New_York", "Asia/Kathmandu"})
    void aLink_livesTenMinutesInEveryZone(String zone) {
        TimeZone was = TimeZone.getDefault();
        try {
            TimeZone.setDefault(TimeZone.getTimeZone(zone));
            for (String moment : List.of(
                    "2027-01-15T12:00:00Z",
                    "2027-03-28T00:55:00Z",
                    "2027-10-31T00:55:00Z",
                    "2027-03-14T06:55:00Z",
                    "2027-11-07T05:55:00Z")) {
                Instant made = Instant.parse(moment);
                assertTrue(lives(made, made.plusSeconds(599)), moment + " in " + zone);
                assertFalse(lives(made, made.plusSeconds(601)), moment + " in " + zone);
            }
        } finally {
            TimeZone.setDefault(was);
        }
    }

    private static boolean lives(Instant made, Instant redeemed) {
        JdbcOneTimeTokenService links = new JdbcOneTimeTokenService(application.getBean(JdbcOperations.class));
        links.setClock(Clock.fixed(made, ZoneOffset.UTC));
        OneTimeToken token = links.generate(new GenerateOneTimeTokenRequest("ada", Duration.ofMinutes(10)));
        // As ./umber sign-in writes it: the database's own UTC.
        assertEquals(
                made.plusSeconds(600).toString(),
                db.fetchValue(
                        "SELECT DATE_FORMAT(expires_at, '%Y-%m-%dT%H:%i:%sZ') FROM one_time_tokens WHERE "
                                + "token_value = ?",
                        token.getTokenValue()));
        links.setClock(Clock.fixed(redeemed, ZoneOffset.UTC));
        return links.consume(new OneTimeTokenAuthenticationToken(token.getTokenValue())) != null;
    }

    @Test
    void aLinkMadeAtTheMachine_worksHere() {
        String token = UUID.randomUUID().toString();
        db.execute(
                "INSERT INTO one_time_tokens VALUES (?, 'ada', DATE_ADD(UTC_TIMESTAMP(6), INTERVAL 10 MINUTE))", token);
        assertNotNull(guest().redeem(token).json().get("accountId"));
        String old = UUID.randomUUID().toString();
        db.execute("INSERT INTO one_time_tokens VALUES (?, 'ada', DATE_SUB(UTC_TIMESTAMP(6), INTERVAL 1 MINUTE))", old);
        assertEquals(401, guest().redeem(old).status());
    }
}
