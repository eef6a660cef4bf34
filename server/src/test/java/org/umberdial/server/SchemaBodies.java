package org.umberdial.server;

import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Makes values of the shapes in the published description, with or without nonsense in them. */
final class SchemaBodies {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    static final String[] WORDS = {
        "",
        " ",
        "R5",
        "V4 plate",
        "-1",
        "0",
        "1e999",
        "NaN",
        "4k7",
        "open",
        "4,700",
        "\u0000",
        "\uD83D\uDCFB",
        "../../etc/passwd",
        "'; DROP TABLE part; --",
        "<script>",
        "%00",
        "x".repeat(5000),
        "true",
        "null",
        "2026-13-45",
        "V9.99",
        "0.0000000001p",
        "1/0"
    };

    private final JsonNode description;
    private final Random random;
    private final boolean nonsense;

    SchemaBodies(JsonNode description, Random random, boolean nonsense) {
        this.description = description;
        this.random = random;
        this.nonsense = nonsense;
    }

    /** A value of a schema's shape as JSON, now and then of another shape. */
    String value(JsonNode given) {
        return JSON.writeValueAsString(node(given, 0));
    }

    private JsonNode node(JsonNode given, int depth) {
        JsonNode schema =
                given.has("$ref") ? description.at(given.at("/$ref").asString().substring(1)) : given;
        if (nonsense && random.nextInt(25) == 0 || depth > 5) {
            return JSON.getNodeFactory().stringNode(WORDS[random.nextInt(WORDS.length)]);
        }
        String type = schema.at("/type").isArray()
                ? schema.at("/type/0").asString()
                : schema.at("/type").asString("object");
        return switch (type) {
            case "string" -> text(schema);
            case "integer" ->
                JSON.getNodeFactory().numberNode(random.nextInt(6) == 0 ? Integer.MAX_VALUE : random.nextInt(5) - 1);
            case "number" ->
                JSON.getNodeFactory().numberNode(random.nextInt(6) == 0 ? 1e300 : random.nextDouble() * 200 - 20);
            case "boolean" -> JSON.getNodeFactory().booleanNode(random.nextBoolean());
            case "array" -> {
                ArrayNode array = JSON.createArrayNode();
                for (int n = random.nextInt(4); n > 0; n--) {
                    array.add(node(schema.at("/items"), depth + 1));
                }
                yield array;
            }
            default -> object(schema, depth);
        };
    }

    private JsonNode text(JsonNode schema) {
        if (schema.at("/format").asString("").equals("uuid")) {
            return JSON.getNodeFactory().stringNode(new UUID(random.nextLong(), random.nextLong()).toString());
        }
        JsonNode choices = schema.at("/enum");
        if (!choices.isEmpty()) {
            return choices.get(random.nextInt(choices.size()));
        }
        return JSON.getNodeFactory()
                .stringNode(
                        schema.at("/format").asString("").equals("date-time") && random.nextBoolean()
                                ? "2026-11-26T12:00:00Z"
                                : WORDS[random.nextInt(WORDS.length)]);
    }

    private JsonNode object(JsonNode schema, int depth) {
        ObjectNode object = JSON.createObjectNode();
        for (Map.Entry<String, JsonNode> property : schema.at("/properties").properties()) {
            if (!nonsense || random.nextInt(20) > 0) {
                object.set(property.getKey(), node(property.getValue(), depth + 1));
            }
        }
        JsonNode more = schema.at("/additionalProperties");
        if (more.isObject()) {
            for (String key : List.of(
                    "plug", "v.C1", "o.R5", "s.0.3", "leads", "p.a.b", "in.0", "volts", "bleed", "name.0", "a", "b",
                    "o")) {
                if (random.nextInt(3) == 0) {
                    object.set(key, node(more, depth + 1));
                }
            }
        }
        return object;
    }
}
