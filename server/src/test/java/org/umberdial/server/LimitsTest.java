package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.InputStream;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.context.ConfigurableApplicationContext;

/** Senders that are slow, large, many or odd: they hold up nobody else. */
class LimitsTest {
    private static ConfigurableApplicationContext application;
    private static Guest owner;

    @TempDir
    private static Path home;

    @BeforeAll
    static void open() {
        application = RunningServer.started(
                "umber_test_" + UUID.randomUUID().toString().substring(0, 8),
                "--umber.home=" + home,
                "--umber.space.warned-below-bytes=" + Long.MAX_VALUE);
        owner = new Guest(RunningServer.base(application));
        owner.post(
                "/api/first-owner",
                "{\"shopName\":\"Workbench\",\"name\":\"ada\",\"shownName\":\"Ada\",\"password\":\"" + Guest.PASSWORD
                        + "\"}");
    }

    @AfterAll
    static void close() {
        application.close();
    }

    private static Socket half(String head) throws IOException {
        URI base = URI.create(RunningServer.base(application));
        Socket socket = new Socket(base.getHost(), base.getPort());
        socket.getOutputStream().write(head.replace("HOST", base.getAuthority()).getBytes(StandardCharsets.US_ASCII));
        socket.getOutputStream().flush();
        return socket;
    }

    @Test
    void requestsSentHalf_holdUpNobodyWhoIsIn() throws IOException {
        List<Socket> half = new ArrayList<>();
        try {
            for (int i = 0; i < 190; i++) {
                half.add(half("POST /api/session HTTP/1.1\r\nHost: HOST\r\nContent-Type: "
                        + "application/json\r\nContent-Length: 90\r\n\r\n{\"name\""));
            }
            assertEquals(200, owner.get("/api/sets").status());
            String set = UUID.randomUUID().toString();
            assertEquals(
                    200,
                    owner.post(
                                    "/api/sets",
                                    "{\"id\":\"" + set
                                            + "\",\"title\":\"Under "
                                            + "siege\",\"ticket\":\"\",\"place\":\"\",\"waitsFor\":\"\","
                                            + "\"construction\":\"BATTERY\"}")
                            .status());
        } finally {
            for (Socket socket : half) {
                socket.close();
            }
        }
    }

    @Test
    void connectionsBeyondANumber_areClosedUnread() throws IOException {
        List<Socket> many = new ArrayList<>();
        try {
            boolean closed = false;
            for (int i = 0; i < 260 && !closed; i++) {
                Socket socket = half("GET /api/session HTTP/1.1\r\nHost: HOST\r\n");
                many.add(socket);
                socket.setSoTimeout(i < 190 ? 1 : 500);
                closed = ended(socket.getInputStream());
            }
            assertTrue(
                    closed,
                    many.size() + " connections from one address at "
                            + ((org.springframework.boot.tomcat.TomcatWebServer)
                                            ((org.springframework.boot.web.server.servlet.context
                                                                    .ServletWebServerApplicationContext)
                                                            application)
                                                    .getWebServer())
                                    .getTomcat()
                                    .getConnector()
                                    .getProtocolHandler());
        } finally {
            for (Socket socket : many) {
                socket.close();
            }
        }
        assertEquals(200, owner.get("/api/sets").status());
    }

    private static boolean ended(InputStream in) {
        try {
            return in.read() < 0;
        } catch (java.net.SocketTimeoutException open) {
            return false;
        } catch (IOException reset) {
            return true;
        }
    }

    @Test
    void muchJsonFromAStranger_isRefusedBeforeItIsRead() throws IOException {
        try (Socket socket = half("POST /api/session HTTP/1.1\r\nHost: HOST\r\nContent-Type: "
                + "application/json\r\nContent-Length: 60000000\r\n\r\n")) {
            String answer = new String(socket.getInputStream().readNBytes(20), StandardCharsets.US_ASCII);
            assertTrue(answer.startsWith("HTTP/1.1 413"), answer);
        }
        assertEquals(
                413,
                owner.post("/api/sets", "{\"title\":\"" + "x".repeat(1_100_000) + "\"}")
                        .status());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"/%61pi/sets", "/api/%73ets", "/error", "/error/x", "/api/sets;a=b", "/api/./%2e%2e/api/sets"})
    void addressesWrittenOddly_leadNowhere(String path) throws IOException {
        try (Socket socket = half("GET " + path + " HTTP/1.1\r\nHost: HOST\r\nConnection: close\r\n\r\n")) {
            String answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            assertTrue(
                    answer.startsWith("HTTP/1.1 404") || answer.startsWith("HTTP/1.1 400"),
                    path + " -> " + answer.lines().findFirst().orElse(""));
        }
    }

    @Test
    void nearlyFullDisk_andWhatWasPutRight_areTold() throws IOException {
        Files.writeString(
                home.resolve("standing.json"),
                "{\"at\":\"" + Instant.now() + "\",\"kind\":\"DATABASE_STARTED_AGAIN\"}");
        var standing = owner.get("/api/standing").json();
        assertTrue(standing.at("/space").asString().contains("nearly full"), standing.toString());
        assertTrue(standing.at("/event/sentence").asString().contains("database ended"), standing.toString());
        assertEquals(
                401,
                new Guest(RunningServer.base(application)).get("/api/standing").status());
    }

    @Test
    void theSameIdWithOtherContent_isRefused_andNothingChanges() {
        String set = UUID.randomUUID().toString();
        String body = "{\"id\":\"" + set
                + "\",\"title\":\"One\",\"ticket\":\"\",\"place\":\"\",\"waitsFor\":\"\",\"construction\":\"BATTERY\"}";
        assertEquals(200, owner.post("/api/sets", body).status());
        assertEquals(200, owner.post("/api/sets", body).status());
        assertEquals(
                "/problems/same-id",
                owner.post("/api/sets", body.replace("One", "Two"))
                        .json()
                        .get("type")
                        .asString());
        String remark =
                "{\"id\":\"" + UUID.randomUUID() + "\",\"subject\":\"C1\",\"words\":\"smells\",\"takenAt\":null}";
        assertEquals(200, owner.post("/api/sets/" + set + "/remarks", remark).status());
        assertEquals(200, owner.post("/api/sets/" + set + "/remarks", remark).status());
        assertEquals(
                409,
                owner.post("/api/sets/" + set + "/remarks", remark.replace("smells", "hums"))
                        .status());
        assertTrue(owner.get("/api/sets/" + set + "/log").text().contains("smells"));
    }

    @Test
    void aClockSetBack_turnsNothingRound() throws IOException {
        String set = owner.newTableSet();
        String body = "{\"id\":\"ID\",\"text\":\"TEXT\",\"node\":\"filter_1\",\"confirmed\":true,"
                + "\"takenAt\":null,\"note\":\"\"}";
        owner.post(
                "/api/sets/" + set + "/readings",
                body.replace("ID", UUID.randomUUID().toString()).replace("TEXT", "101"));
        // As if the clock had been two hours ahead when the first was taken, and was set right since.
        var db = application.getBean(org.jooq.DSLContext.class);
        db.execute(
                "UPDATE evidence SET taken_at = DATE_ADD(taken_at, INTERVAL 2 HOUR), received_at = "
                        + "DATE_ADD(received_at, INTERVAL 2 HOUR) WHERE set_id = ?",
                set);
        // Nothing in the program changes a kept row's time, so this goes past what is held of the set.
        db.execute("UPDATE bench_set SET circuit_revision = circuit_revision + 1 WHERE id = ?", set);
        owner.post(
                "/api/sets/" + set + "/readings",
                body.replace("ID", UUID.randomUUID().toString()).replace("TEXT", "117"));
        var log = owner.get("/api/sets/" + set + "/log").json();
        assertTrue(log.at("/lines/0/figure").asString().startsWith("117"), log.toString());
        assertTrue(
                log.at("/lines/1/ahead").asBoolean()
                        && !log.at("/lines/0/ahead").asBoolean(),
                "the stamp from the future says so");
        var volts = owner.get("/api/sets/" + set + "/volts").json();
        var point = volts.get("points")
                .valueStream()
                .filter(p -> p.at("/node").asString().equals("filter_1"))
                .findFirst()
                .orElseThrow();
        assertEquals(117, point.at("/reading/value").asDouble(), 1e-9, "the last one taken stands: " + point);
    }

    @Test
    void aStream_endsWithTheSessionItBelongsTo() throws IOException {
        Guest eve = owner.with("eve", "BENCH");
        String cookie = eve.lastCookie().split(";")[0];
        try (Socket socket = half("GET /api/live HTTP/1.1\r\nHost: HOST\r\nCookie: " + cookie + "\r\n\r\n")) {
            assertTrue(new String(socket.getInputStream().readNBytes(15), StandardCharsets.US_ASCII).contains("200"));
            String id = owner.get("/api/accounts")
                    .json()
                    .valueStream()
                    .filter(p -> p.get("name").asString().equals("eve"))
                    .findFirst()
                    .orElseThrow()
                    .get("id")
                    .asString();
            assertEquals(
                    200,
                    owner.put("/api/accounts/" + id, "{\"role\":\"BENCH\",\"closed\":true,\"version\":0}")
                            .status());
            // The last chunk of a stream that ended; the test's own time-out ends one that does not.
            StringBuilder said = new StringBuilder();
            for (int c = socket.getInputStream().read();
                    c >= 0 && !said.toString().endsWith("\r\n0\r\n");
                    c = socket.getInputStream().read()) {
                said.append((char) c);
            }
            assertTrue(said.toString().contains("ready"), said.toString());
        }
    }
}
