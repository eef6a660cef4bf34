package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** What the shop buys, what it pays, and what follows for the plans; the schools and the supply of one set. */
@ExtendWith(RunningServer.class)
class CatalogueTest {
    private static final String SHIPPED = "22 nF 400 V film polyester, axial 6.5 × 15 mm";

    private static JsonNode renewal(String set, String part) {
        for (JsonNode renewal : RunningServer.get(set + "/plan").json().at("/renewals")) {
            if (renewal.at("/called").asString().equals(part)) {
                return renewal;
            }
        }
        throw new AssertionError("no renewal of " + part);
    }

    private static RunningServer.Answer own(String volts) {
        return RunningServer.put(
                "/api/catalogue/items",
                "{\"cells\":{\"part\":\"capacitor\",\"kind\":\"film polypropylene\",\"value\":\"20n\",\"volts\":\""
                        + volts + "\",\"diameter_mm\":\"8\",\"length_mm\":\"21\",\"lead\":\"axial\"}}");
    }

    @Test
    void whatTheShopAdds_isPlanned_andWhatItDoesNotBuyIsNot() throws IOException {
        String set = "/api/sets/" + RunningServer.newTableSet();
        RunningServer.Answer refused = own("many");
        assertEquals(422, refused.status());
        assertEquals("#/volts", refused.json().at("/errors/0/pointer").asString(), refused.text());
        assertEquals(200, own("500").status());
        String name = "20 nF 500 V film polypropylene, axial 8 × 21 mm";
        try {
            assertEquals(name, renewal(set, "C6").at("/item").asString(), "20 nF for 20 nF");
            RunningServer.put("/api/catalogue/prices", "{\"item\":\"" + name + "\",\"price\":\"1.35\"}");
            assertEquals(1.35, renewal(set, "C6").at("/price").asDouble());
            JsonNode worth = RunningServer.get(set + "/worth").json();
            assertTrue(worth.at("/lines").toString().contains("New parts by the plan"), worth.toString());
            String csv = RunningServer.get("/api/catalogue/own.csv").text();
            assertTrue(csv.contains("film polypropylene") && csv.contains("1.35"), csv);
            JsonNode again = RunningServer.upload(
                            "/api/catalogue/imports",
                            (csv + "coil,none,1,1,,1,1,axial,,yes,\r\n").getBytes(StandardCharsets.UTF_8))
                    .json();
            assertEquals(1, again.at("/known").asInt(), again.toString());
            assertEquals(1, again.at("/refused").size(), again.toString());
            JsonNode prices = RunningServer.upload(
                            "/api/catalogue/price-imports",
                            ("item,price\n\"" + SHIPPED + "\",0.60\n\"" + name + "\",1.2.3\n")
                                    .getBytes(StandardCharsets.UTF_8))
                    .json();
            assertEquals(1, prices.at("/added").asInt(), prices.toString());
            assertEquals(1, prices.at("/refused").size(), prices.toString());
        } finally {
            RunningServer.delete(
                    "/api/catalogue/items?name=" + java.net.URLEncoder.encode(name, StandardCharsets.UTF_8));
        }
        String before = renewal(set, "C6").at("/item").asString();
        RunningServer.put("/api/catalogue/offered", "{\"name\":\"" + before + "\",\"offered\":false}");
        assertTrue(!renewal(set, "C6").at("/item").asString().equals(before));
        RunningServer.put("/api/catalogue/offered", "{\"name\":\"" + before + "\",\"offered\":true}");
        assertEquals(before, renewal(set, "C6").at("/item").asString());
    }

    @Test
    void aSetsOwnSchool_andWhatIsSoForNow() throws IOException {
        String set = "/api/sets/" + RunningServer.newTableSet();
        String follow = "{\"id\":\"" + UUID.randomUUID() + "\",\"question\":\"FITTING\",\"school\":\"RESTUFF\"}";
        JsonNode plan = RunningServer.post(set + "/plan/schools", follow).json();
        assertTrue(
                plan.at("/schools").toString().contains("\"follows\":\"RESTUFF\""),
                plan.at("/schools").toString());
        assertEquals(
                422,
                RunningServer.post(
                                set + "/plan/schools",
                                follow.replace("FITTING", "PAPER")
                                        .replaceFirst(
                                                "[0-9a-f-]{36}",
                                                UUID.randomUUID().toString()))
                        .status());
        String out = "{\"id\":\"" + UUID.randomUUID() + "\",\"part\":\"v3\",\"way\":\"OUT\",\"note\":\"tray\"}";
        RunningServer.post(set + "/ledger/for-now", out);
        JsonNode work = RunningServer.post(set + "/ledger/for-now", out).json();
        assertEquals(1, work.at("/forNow").size(), "the same id once");
        assertEquals("V3", work.at("/forNow/0/part").asString());
        // A voltage of a set that is not whole accuses nobody.
        JsonNode seen = RunningServer.post(set + "/reading-previews", "{\"text\":\"9\",\"node\":\"filter_2\"}")
                .json();
        assertEquals("NO_EXPECTATION", seen.at("/verdict").asString(), seen.toString());
        assertTrue(seen.at("/value").asString().contains("with V3 out"), seen.toString());
        String right = set + "/ledger/for-now/" + work.at("/forNow/0/entry").asString() + "/put-right";
        RunningServer.post(right, "{\"id\":\"" + UUID.randomUUID() + "\"}");
        JsonNode after = RunningServer.post(right, "{\"id\":\"" + UUID.randomUUID() + "\"}")
                .json();
        assertEquals(0, after.at("/forNow").size());
        assertEquals(
                "BAD",
                RunningServer.post(set + "/reading-previews", "{\"text\":\"9\",\"node\":\"filter_2\"}")
                        .json()
                        .at("/verdict")
                        .asString());
        assertEquals(
                404,
                RunningServer.post(
                                set + "/ledger/for-now",
                                out.replace("v3", "V99")
                                        .replaceFirst(
                                                "[0-9a-f-]{36}",
                                                UUID.randomUUID().toString()))
                        .status());
    }

    @Test
    void aSetsSupply_isComparedAndAScopeRead() throws IOException {
        String set = "/api/sets/" + RunningServer.newTableSet();
        JsonNode view = RunningServer.get(set + "/rectifying").json();
        assertEquals("C1", view.at("/filter/reservoir").asString(), view.toString());
        assertTrue(view.at("/silicon").isNull());
        String scope =
                "{\"periodDivisions\":\"4.35\",\"timeBase\":\"2 ms\",\"heightDivisions\":\"5.6\",\"voltsPerDivision\":"
                        + "\"2\",\"probe\":\"10\",\"wave\":\"SQUARE\",\"onPercent\":\"\"}";
        JsonNode seen = RunningServer.post(set + "/rectifying/scope", scope).json();
        assertEquals("56.0 V", seen.at("/rms").asString(), seen.toString());
        RunningServer.Answer refused = RunningServer.post(set + "/rectifying/scope", scope.replace("4.35", "four"));
        assertEquals("#/periodDivisions", refused.json().at("/errors/0/pointer").asString(), refused.text());
    }
}
