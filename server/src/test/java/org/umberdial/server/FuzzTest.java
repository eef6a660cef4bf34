package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.springframework.context.ConfigurableApplicationContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Seeded nonsense for every endpoint of the published description: bodies of the right shape with wrong values, of the
 * wrong shape, and no JSON at all. Never a fault of ours, never a trace. {@code -Dumber.fuzz.requests} makes it longer.
 */
class FuzzTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final long SEED = 20261126;

    private static final int LONG_FORM = 10_000;
    private static final long HANGS = 5;

    private record Operation(String method, String path, JsonNode about) {}

    @Test
    @Timeout(value = 20, unit = TimeUnit.MINUTES)
    void nonsenseAtEveryEndpoint_isNeverAFaultOfOurs() throws IOException {
        JsonNode description =
                JSON.readTree(Path.of("..", "web", "openapi.json").toFile());
        List<Operation> operations = new ArrayList<>();
        description
                .at("/paths")
                .properties()
                .forEach(path -> path.getValue()
                        .properties()
                        .forEach(method -> operations.add(new Operation(
                                method.getKey().toUpperCase(java.util.Locale.ROOT),
                                path.getKey(),
                                method.getValue()))));
        assertTrue(operations.size() > 60, "operations: " + operations.size());
        // A server of its own: nonsense that is taken would change what other tests count on.
        ConfigurableApplicationContext application = RunningServer.started(
                "umber_test_" + UUID.randomUUID().toString().substring(0, 8), "--umber.demo=true");
        Guest guest = new Guest(RunningServer.base(application));
        String set = guest.newTableSet();
        Random random = new Random(SEED);
        SchemaBodies bodies = new SchemaBodies(description, random, true);
        int requests = Integer.getInteger("umber.fuzz.requests", 1600);
        int taken = 0;
        List<String> faults = new ArrayList<>();
        for (int i = 0; i < requests; i++) {
            Operation operation = operations.get(i % operations.size());
            HttpRequest request = request(RunningServer.base(application), operation, bodies, set, random);
            long start = System.nanoTime();
            RunningServer.Answer answer = RunningServer.send(request);
            long seconds = (System.nanoTime() - start) / 1_000_000_000;
            String said = "seed " + SEED + ", request " + i + ": " + request.method() + " " + request.uri() + " -> "
                    + answer.status() + " ";
            if (answer.status() >= 500
                    || requests >= LONG_FORM && seconds > HANGS
                    || answer.text().contains("\tat org.")
                    || answer.text().contains("Exception:")) {
                faults.add(said
                        + answer.text().substring(0, Math.min(200, answer.text().length())));
            }
            taken += answer.status() < 300 ? 1 : 0;
        }
        assertEquals(List.of(), faults.stream().limit(12).toList());
        assertTrue(
                taken > requests / 20,
                "only " + taken + " of " + requests + " were taken: the nonsense does not get far enough");
        assertEquals(200, guest.get("/api/sets").status());
        assertEquals(200, guest.get("/api/sets/" + set + "/volts").status());
        application.close();
    }

    private static HttpRequest request(
            String base, Operation operation, SchemaBodies bodies, String set, Random random) {
        String path = operation.path;
        StringBuilder query = new StringBuilder();
        for (JsonNode parameter : operation.about.at("/parameters")) {
            String name = parameter.at("/name").asString();
            String value = name.equals("setId") && random.nextInt(8) > 0
                    ? set
                    : bodies.value(parameter.at("/schema")).replace("\"", "");
            if (parameter.at("/in").asString().equals("path")) {
                String segment = encoded(value.isBlank() ? "x" : value);
                path = path.replace("{" + name + "}", segment.length() > 300 ? "long" : segment);
            } else if (random.nextInt(3) > 0) {
                query.append(query.isEmpty() ? '?' : '&')
                        .append(encoded(name))
                        .append('=')
                        .append(encoded(value.substring(0, Math.min(200, value.length()))));
            }
        }
        HttpRequest.Builder request =
                HttpRequest.newBuilder(URI.create(base + path + query)).timeout(Duration.ofMinutes(2));
        JsonNode content = operation.about.at("/requestBody/content");
        if (content.isMissingNode()) {
            return request.method(operation.method, HttpRequest.BodyPublishers.noBody())
                    .build();
        }
        String type = content.properties().iterator().next().getKey();
        String body = type.contains("json")
                ? body(content.at("/" + type.replace("/", "~1") + "/schema"), bodies, random)
                : SchemaBodies.WORDS[random.nextInt(SchemaBodies.WORDS.length)].repeat(1 + random.nextInt(40));
        return request.header(
                        "Content-Type",
                        random.nextInt(30) == 0 ? "text/plain" : type.equals("*/*") ? "application/octet-stream" : type)
                .method(operation.method, HttpRequest.BodyPublishers.ofString(body))
                .build();
    }

    private static String encoded(String value) {
        return URLEncoder.encode(value, StandardCharsets.UTF_8).replace("+", "%20");
    }

    private static String body(JsonNode schema, SchemaBodies bodies, Random random) {
        return switch (random.nextInt(14)) {
            case 0 -> "{";
            case 1 -> "[".repeat(3000) + "]".repeat(3000);
            case 2 -> "null";
            default -> bodies.value(schema);
        };
    }
}
