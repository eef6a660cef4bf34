package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.ObjectMapper;

@ExtendWith(RunningServer.class)
class SafetyTest {
    @Test
    void foreignHostName_isRefused() throws IOException {
        URI base = URI.create(RunningServer.base());
        try (Socket socket = new Socket(base.getHost(), base.getPort())) {
            OutputStream out = socket.getOutputStream();
            out.write("GET /api/shop HTTP/1.1\r\nHost: evil.example\r\nConnection: close\r\n\r\n"
                    .getBytes(StandardCharsets.US_ASCII));
            InputStream in = socket.getInputStream();
            assertTrue(new String(in.readAllBytes(), StandardCharsets.UTF_8).startsWith("HTTP/1.1 421"));
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"http://evil.example", "null", "http://127.0.0.1:1"})
    void writesFromAnotherOrigin_areRefused(String origin) {
        HttpRequest request = HttpRequest.newBuilder(URI.create(RunningServer.base() + "/api/sets"))
                .header("Origin", origin)
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString("{}"))
                .build();
        assertEquals(403, RunningServer.send(request).status());
    }

    @Test
    void answers_carryAStrictPolicyAndNoVersion() {
        RunningServer.Answer answer = RunningServer.get("/api/shop");
        String policy = answer.response()
                .headers()
                .firstValue("Content-Security-Policy")
                .orElse("");
        assertTrue(policy.contains("script-src 'self'") && !policy.contains("unsafe"), policy);
        assertTrue(answer.response().headers().firstValue("Server").isEmpty());
        assertTrue(
                answer.response().headers().firstValue("X-Content-Type-Options").isPresent());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/api/sets/nonsense",
                "/api/sets/00000000-0000-4000-8000-000000000000/volts",
                "/api/nothing",
                "/assets/none.js"
            })
    void wrongAddresses_areProblemsWithoutATrace(String path) {
        RunningServer.Answer answer = RunningServer.get(path);
        assertEquals(404, answer.status());
        assertFalse(answer.text().contains("Exception") || answer.text().contains("at org."), answer.text());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "{",
                "[]",
                "{\"id\":\"x\"}",
                "{\"id\":\"00000000-0000-4000-8000-000000000000\",\"title\":\"\",\"construction\":\"BATTERY\"}",
                "{\"construction\":\"ROCKET\"}"
            })
    void badJson_isRefusedInASentence(String body) {
        RunningServer.Answer answer = RunningServer.post("/api/sets", body);
        assertTrue(answer.status() >= 400 && answer.status() < 500, answer.status() + " " + answer.text());
        assertTrue(answer.json().get("detail").asString().endsWith("."), answer.text());
    }

    @Test
    void policyOutOfRange_isRefusedAtTheField() {
        String shop =
                RunningServer.get("/api/shop").text().replaceAll("\"LINE_VOLTS\":\"[0-9.]+", "\"LINE_VOLTS\":\"12000");
        RunningServer.Answer answer = RunningServer.put("/api/shop", shop);
        assertEquals(
                "#/LINE_VOLTS",
                answer.json().get("errors").get(0).get("pointer").asString());
    }

    @Test
    void vocabulary_changesTheTermsAndBack() {
        String shop = RunningServer.get("/api/shop").text();
        RunningServer.Answer british =
                RunningServer.put("/api/shop", shop.replace("NORTH_AMERICAN", "BRITISH_EUROPEAN"));
        assertEquals("anode", british.json().get("terms").get("plate").asString());
        assertEquals(
                200,
                RunningServer.put("/api/shop", british.text().replace("BRITISH_EUROPEAN", "NORTH_AMERICAN"))
                        .status());
    }

    /** The client's types are generated from web/openapi.json; it must be what the server publishes. */
    @Test
    void publishedDescription_isTheOneTheClientWasBuiltFrom() throws IOException {
        ObjectMapper json = new ObjectMapper();
        String published = RunningServer.get("/api/openapi").text();
        Path file = Path.of(System.getProperty("umber.openapi.file"));
        if (Boolean.getBoolean("umber.openapi.update")) {
            Files.writeString(
                    file, json.writerWithDefaultPrettyPrinter().writeValueAsString(json.readTree(published)) + "\n");
        }
        assertEquals(
                json.readTree(Files.readString(file)),
                json.readTree(published),
                "The API changed: run ./umber openapi, which writes web/openapi.json");
    }
}
