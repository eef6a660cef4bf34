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
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Seeded nonsense for every endpoint of the published description: bodies of the right shape with wrong values, of the wrong
 * shape, and no JSON at all. Never a fault of ours, never a trace. {@code -Dumber.fuzz.requests} makes it longer.
 */
@ExtendWith(RunningServer.class)
class FuzzTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final long SEED = 20261126;
    private static final String[] WORDS = {"", " ", "R5", "V4 plate", "-1", "0", "1e999", "NaN", "4k7", "open", "4,700", "\u0000", "\uD83D\uDCFB", "../../etc/passwd", "'; DROP TABLE part; --", "<script>", "%00", "x".repeat(5000), "true", "null", "2026-13-45", "V9.99", "0.0000000001p", "1/0"};

    private record Operation(String method, String path, JsonNode about) {}

    @Test
    @Timeout(value = 20, unit = TimeUnit.MINUTES)
    void nonsenseAtEveryEndpoint_isNeverAFaultOfOurs() throws IOException {
        JsonNode description = JSON.readTree(Path.of("..", "web", "openapi.json").toFile());
        List<Operation> operations = new ArrayList<>();
        description.at("/paths").properties().forEach(path -> path.getValue().properties().forEach(method -> operations.add(new Operation(method.getKey().toUpperCase(java.util.Locale.ROOT), path.getKey(), method.getValue()))));
        assertTrue(operations.size() > 60, "operations: " + operations.size());
        String set = RunningServer.newTableSet();
        Random random = new Random(SEED);
        int requests = Integer.getInteger("umber.fuzz.requests", 1600);
        int taken = 0;
        List<String> faults = new ArrayList<>();
        for (int i = 0; i < requests; i++) {
            Operation operation = operations.get(i % operations.size());
            HttpRequest request = request(operation, description, set, random);
            RunningServer.Answer answer = RunningServer.send(request);
            String said = "seed " + SEED + ", request " + i + ": " + request.method() + " " + request.uri() + " -> " + answer.status() + " ";
            if (answer.status() >= 500 || answer.text().contains("\tat org.") || answer.text().contains("Exception:")) {
                faults.add(said + answer.text().substring(0, Math.min(200, answer.text().length())));
            }
            taken += answer.status() < 300 ? 1 : 0;
        }
        assertEquals(List.of(), faults.stream().limit(12).toList());
        assertTrue(taken > requests / 20, "only " + taken + " of " + requests + " were taken: the nonsense does not get far enough");
        assertEquals(200, RunningServer.get("/api/sets").status());
        assertEquals(200, RunningServer.get("/api/sets/" + set + "/volts").status());
    }

    private static HttpRequest request(Operation operation, JsonNode description, String set, Random random) {
        String path = operation.path;
        StringBuilder query = new StringBuilder();
        for (JsonNode parameter : operation.about.at("/parameters")) {
            String name = parameter.at("/name").asString();
            String value = name.equals("setId") && random.nextInt(8) > 0 ? set : value(parameter.at("/schema"), description, random).replace("\"", "");
            if (parameter.at("/in").asString().equals("path")) {
                String segment = encoded(value.isBlank() ? "x" : value);
                path = path.replace("{" + name + "}", segment.length() > 300 ? "long" : segment);
            } else if (random.nextInt(3) > 0) {
                query.append(query.isEmpty() ? '?' : '&').append(encoded(name)).append('=').append(encoded(value.substring(0, Math.min(200, value.length()))));
            }
        }
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(RunningServer.base() + path + query)).timeout(Duration.ofMinutes(2));
        JsonNode content = operation.about.at("/requestBody/content");
        if (content.isMissingNode()) {
            return request.method(operation.method, HttpRequest.BodyPublishers.noBody()).build();
        }
        String type = content.properties().iterator().next().getKey();
        String body = type.contains("json") ? body(content.at("/" + type.replace("/", "~1") + "/schema"), description, random) : WORDS[random.nextInt(WORDS.length)].repeat(1 + random.nextInt(40));
        return request.header("Content-Type", random.nextInt(30) == 0 ? "text/plain" : type.equals("*/*") ? "application/octet-stream" : type).method(operation.method, HttpRequest.BodyPublishers.ofString(body)).build();
    }

    private static String encoded(String value) {
        return URLEncoder.encode(value, StandardCharsets.UTF_8).replace("+", "%20");
    }

    private static String body(JsonNode schema, JsonNode description, Random random) {
        return switch (random.nextInt(14)) {
            case 0 -> "{";
            case 1 -> "[".repeat(3000) + "]".repeat(3000);
            case 2 -> "null";
            default -> value(schema, description, random);
        };
    }

    /** A value of a schema's shape as JSON, now and then of another shape. */
    private static String value(JsonNode given, JsonNode description, Random random) {
        return JSON.writeValueAsString(node(given, description, random, 0));
    }

    private static JsonNode node(JsonNode given, JsonNode description, Random random, int depth) {
        JsonNode schema = given.has("$ref") ? description.at(given.at("/$ref").asString().substring(1)) : given;
        if (random.nextInt(25) == 0 || depth > 5) {
            return JSON.getNodeFactory().stringNode(WORDS[random.nextInt(WORDS.length)]);
        }
        String type = schema.at("/type").isArray() ? schema.at("/type/0").asString() : schema.at("/type").asString("object");
        return switch (type) {
            case "string" -> text(schema, random);
            case "integer" -> JSON.getNodeFactory().numberNode(random.nextInt(6) == 0 ? Integer.MAX_VALUE : random.nextInt(5) - 1);
            case "number" -> JSON.getNodeFactory().numberNode(random.nextInt(6) == 0 ? 1e300 : random.nextDouble() * 200 - 20);
            case "boolean" -> JSON.getNodeFactory().booleanNode(random.nextBoolean());
            case "array" -> {
                ArrayNode array = JSON.createArrayNode();
                for (int n = random.nextInt(4); n > 0; n--) {
                    array.add(node(schema.at("/items"), description, random, depth + 1));
                }
                yield array;
            }
            default -> object(schema, description, random, depth);
        };
    }

    private static JsonNode text(JsonNode schema, Random random) {
        if (schema.at("/format").asString("").equals("uuid")) {
            return JSON.getNodeFactory().stringNode(new UUID(random.nextLong(), random.nextLong()).toString());
        }
        JsonNode choices = schema.at("/enum");
        if (!choices.isEmpty()) {
            return choices.get(random.nextInt(choices.size()));
        }
        return JSON.getNodeFactory().stringNode(schema.at("/format").asString("").equals("date-time") && random.nextBoolean() ? "2026-11-26T12:00:00Z" : WORDS[random.nextInt(WORDS.length)]);
    }

    private static JsonNode object(JsonNode schema, JsonNode description, Random random, int depth) {
        ObjectNode object = JSON.createObjectNode();
        for (Map.Entry<String, JsonNode> property : schema.at("/properties").properties()) {
            if (random.nextInt(20) > 0) {
                object.set(property.getKey(), node(property.getValue(), description, random, depth + 1));
            }
        }
        JsonNode more = schema.at("/additionalProperties");
        if (more.isObject()) {
            for (String key : List.of("plug", "v.C1", "o.R5", "s.0.3", "leads", "p.a.b", "in.0", "volts", "bleed", "name.0", "a", "b", "o")) {
                if (random.nextInt(3) == 0) {
                    object.set(key, node(more, description, random, depth + 1));
                }
            }
        }
        return object;
    }
}
