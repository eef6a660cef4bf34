package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Two shops on one server: each endpoint of the published description is tried with the other shop's identifiers. */
@ExtendWith(RunningServer.class)
class ForeignShopTest {
    private static final long SEED = 20261127;
    private static final int ROUNDS = 4;
    private static final String BROWN = "22222222-0000-4000-8000-000000000001";

    @Test
    void noEndpoint_seesOrTouchesAnotherShop() throws IOException, SQLException {
        JsonNode description = JsonMapper.builder()
                .build()
                .readTree(Path.of("..", "web", "openapi.json").toFile());
        SchemaBodies bodies = new SchemaBodies(description, new Random(SEED), false);
        Guest keeper = new Guest(RunningServer.base());
        Guest stranger = new Guest(RunningServer.base());
        String link = keeper.post(
                        "/api/shops",
                        "{\"shopName\":\"Other bench\",\"ownerName\":\"stranger\",\"ownerShownName\":\"Stranger\"}")
                .json()
                .get("token")
                .asString();
        assertEquals("Other bench", stranger.redeem(link).json().get("shopName").asString());
        String shop = (String)
                rows("SELECT shop_id FROM bench_set WHERE id = '" + BROWN + "'").get(0);
        Map<String, String> known = known(keeper);
        Map<String, List<Object>> before = rowsOf(shop);
        List<String> leaks = new ArrayList<>();
        int tried = 0;
        int own = 0;
        for (var path : description.at("/paths").properties()) {
            for (var method : path.getValue().properties()) {
                // Once signed out, the demo would act as its owner.
                boolean leaves = path.getKey().startsWith("/api/session");
                for (int round = 0; round < (leaves ? 1 : ROUNDS); round++) {
                    String verb = method.getKey().toUpperCase(Locale.ROOT);
                    String address = address(path.getKey(), method.getValue(), known, bodies);
                    JsonNode content = method.getValue().at("/requestBody/content");
                    String type = content.isEmpty()
                            ? ""
                            : content.properties().iterator().next().getKey();
                    String body = type.isEmpty()
                            ? ""
                            : type.contains("json")
                                    ? swapped(
                                            bodies.value(content.at("/" + type.replace("/", "~1") + "/schema")), known)
                                    : "C1 a b 1u\n";
                    RunningServer.Answer answer = stranger.send(
                            verb,
                            address,
                            type.isEmpty()
                                    ? "application/json"
                                    : type.equals("*/*") ? "application/octet-stream" : type,
                            body);
                    if (path.getKey().contains("{setId}") && answer.status() < 400
                            || answer.status() >= 500
                            || tells(answer.text(), shop)) {
                        leaks.add(verb + " " + address + " " + body + " -> " + answer.status() + " " + answer.text());
                    }
                    tried++;
                    // The same address is worth something to those whose it is, or the refusal would prove nothing.
                    own += verb.equals("GET")
                                    && path.getKey().contains("{setId}")
                                    && keeper.get(address).status() == 200
                            ? 1
                            : 0;
                }
                if (leaves) {
                    assertEquals(
                            "Other bench",
                            stranger.redeem(link()).json().get("shopName").asString());
                }
            }
        }
        assertEquals(List.of(), leaks);
        assertTrue(tried > 300 && own > 60, tried + " tried, " + own + " of them found by their owner");
        Map<String, List<Object>> after = rowsOf(shop);
        before.forEach((table, content) -> assertEquals(content, after.get(table), table));
        assertTrue(
                before.size() > 15 && before.get("evidence").size() > 5,
                before.keySet().toString());
        assertFalse(rows("SELECT 1 FROM account WHERE name = 'stranger' AND shop_id <> '" + shop + "'")
                .isEmpty());
    }

    /** A new way in for the stranger, whose sign-out everywhere has just been tried. */
    private static String link() throws SQLException {
        String token = UUID.randomUUID().toString();
        execute("INSERT INTO one_time_tokens VALUES ('" + token + "', 'stranger', DATE_ADD(NOW(), INTERVAL 1 DAY))");
        return token;
    }

    private static Map<String, String> known(Guest keeper) {
        Map<String, String> known = new TreeMap<>();
        known.put("setId", BROWN);
        known.put("photoId", "44444444-0000-4000-8000-000000000001");
        known.put("id", keeper.get("/api/instruments").json().at("/0/id").asString());
        known.put("instrumentId", known.get("id"));
        known.put(
                "entry",
                keeper.get("/api/sets/" + BROWN + "/log")
                        .json()
                        .at("/lines/0/id")
                        .asString());
        known.put("reference", "C1");
        known.put("part", "C1");
        known.put("test", "discharge");
        known.put("size", "screen");
        known.put("from", BROWN);
        return known;
    }

    private static String address(String path, JsonNode about, Map<String, String> known, SchemaBodies bodies) {
        String address = path;
        StringBuilder query = new StringBuilder();
        for (JsonNode parameter : about.at("/parameters")) {
            String name = parameter.at("/name").asString();
            String value = URLEncoder.encode(
                            known.getOrDefault(
                                    name,
                                    bodies.value(parameter.at("/schema"))
                                            .replace("\"", "")
                                            .strip()),
                            StandardCharsets.UTF_8)
                    .replace("+", "%20");
            if (parameter.at("/in").asString().equals("path")) {
                address = address.replace("{" + name + "}", value.isBlank() || value.length() > 300 ? "x" : value);
            } else {
                query.append(query.isEmpty() ? '?' : '&')
                        .append(name)
                        .append('=')
                        .append(value, 0, Math.min(200, value.length()));
            }
        }
        return address + query;
    }

    /** A body of the right shape that names what is the other shop's. */
    private static String swapped(String body, Map<String, String> known) {
        String result = body;
        for (Map.Entry<String, String> one : known.entrySet()) {
            result = result.replaceAll(
                    "\"" + one.getKey() + "\":(\"[^\"]*\"|null)",
                    "\"" + one.getKey() + "\":\"" + one.getValue() + "\"");
        }
        return result;
    }

    private static boolean tells(String answer, String shop) {
        return answer.contains(shop)
                || answer.contains("Brown table set")
                || answer.contains("Umber Lane")
                || answer.contains("Ada Sample")
                || answer.contains("Bench meter")
                || answer.contains("Grey frame");
    }

    private static Map<String, List<Object>> rowsOf(String shop) throws SQLException {
        Map<String, List<Object>> rows = new TreeMap<>();
        for (Object table :
                rows("SELECT table_name FROM information_schema.columns WHERE table_schema = DATABASE() AND "
                        + "column_name = 'shop_id' ORDER BY 1")) {
            rows.put(
                    (String) table,
                    rows("SELECT SHA2(CONCAT_WS('|', " + columns((String) table) + "), 256) FROM " + table
                            + " WHERE shop_id = '" + shop + "' ORDER BY 1"));
        }
        return rows;
    }

    private static String columns(String table) throws SQLException {
        return String.join(
                ", ",
                rows("SELECT CONCAT('`', column_name, '`') FROM information_schema.columns WHERE "
                                + "table_schema = DATABASE() AND table_name = '"
                                + table + "'")
                        .stream()
                        .map(String.class::cast)
                        .toList());
    }

    private static List<Object> rows(String select) throws SQLException {
        try (Connection db = connection();
                Statement statement = db.createStatement();
                ResultSet result = statement.executeQuery(select)) {
            List<Object> rows = new ArrayList<>();
            while (result.next()) {
                rows.add(result.getString(1));
            }
            return rows;
        }
    }

    private static void execute(String change) throws SQLException {
        try (Connection db = connection();
                Statement statement = db.createStatement()) {
            statement.execute(change);
        }
    }

    private static Connection connection() throws SQLException {
        return DriverManager.getConnection(
                RunningServer.setting("spring.datasource.url"), "umber", System.getenv("UMBER_DB_PASSWORD"));
    }
}
