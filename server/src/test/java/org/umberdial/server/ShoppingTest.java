package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** One list for two sets: nothing is bought twice, whoever orders when. */
@ExtendWith(RunningServer.class)
class ShoppingTest {
    private static final String ITEM = "22 nF 400 V film polyester, axial 6.5 × 15 mm";

    private static JsonNode line(String item) {
        for (JsonNode line : RunningServer.get("/api/shopping").json().at("/lines")) {
            if (line.at("/item").asString().equals(item)) {
                return line;
            }
        }
        throw new AssertionError("no line of " + item);
    }

    private static RunningServer.Answer order(UUID id, int quantity, String price) {
        return RunningServer.post(
                "/api/shopping/orders",
                "{\"id\":\"" + id + "\",\"item\":\"" + ITEM + "\",\"quantity\":" + quantity + ",\"price\":\"" + price
                        + "\"}");
    }

    private static RunningServer.Answer arrive(JsonNode order, UUID id, int quantity) {
        return RunningServer.post(
                "/api/shopping/orders/" + order.at("/id").asString() + "/arrivals",
                "{\"id\":\"" + id + "\",\"quantity\":" + quantity + "}");
    }

    private static int school(String from, String to) {
        return RunningServer.put(
                        "/api/shop", RunningServer.get("/api/shop").text().replace(from, to))
                .status();
    }

    @Test
    void twoSets_aPartialDelivery_anotherSchool_andTwoWhoOrderAtOnce() throws Exception {
        List<String> sets =
                List.of("/api/sets/" + RunningServer.newTableSet(), "/api/sets/" + RunningServer.newTableSet());
        for (String set : sets) {
            RunningServer.put(set + "/plan/listed", "{\"listed\":true}");
        }
        for (String demo : List.of("000000000002", "000000000003")) {
            RunningServer.put("/api/sets/22222222-0000-4000-8000-" + demo + "/plan/listed", "{\"listed\":false}");
        }
        assertEquals(2, line(ITEM).at("/needed").asInt(), "one in each set");
        RunningServer.put("/api/shopping/spares", "{\"item\":\"" + ITEM + "\",\"quantity\":3}");
        assertEquals(5, line(ITEM).at("/toBuy").asInt());
        assertEquals(422, order(UUID.randomUUID(), 1, "1.2.3").status(), "a price with two decimal signs");
        // Eight at once, three each: the first takes three, nobody gets past five.
        ExecutorService desk = Executors.newFixedThreadPool(8);
        List<Callable<Integer>> orders = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            orders.add(() -> order(UUID.randomUUID(), 3, "0.80").status());
        }
        long taken = desk.invokeAll(orders).stream()
                .filter(one -> {
                    try {
                        return one.get() == 200;
                    } catch (Exception broken) {
                        throw new AssertionError(broken);
                    }
                })
                .count();
        desk.shutdown();
        assertEquals(1, taken);
        assertEquals(2, line(ITEM).at("/toBuy").asInt());
        JsonNode order = RunningServer.get("/api/shopping").json().at("/orders/0");
        UUID came = UUID.randomUUID();
        assertEquals(200, arrive(order, came, 2).status());
        assertEquals(200, arrive(order, came, 2).status(), "the same again");
        assertEquals(422, arrive(order, UUID.randomUUID(), 2).status(), "more than was ordered");
        assertEquals(2, line(ITEM).at("/onHand").asInt());
        assertEquals(1, line(ITEM).at("/ordered").asInt());
        String fit =
                "{\"id\":\"" + UUID.randomUUID() + "\",\"part\":\"C6\",\"with\":\"" + ITEM + "\",\"standsIn\":false}";
        RunningServer.post(sets.get(0) + "/plan/fitted", fit);
        RunningServer.post(sets.get(0) + "/plan/fitted", fit);
        assertEquals(1, line(ITEM).at("/needed").asInt(), "one is in");
        assertEquals(1, line(ITEM).at("/onHand").asInt(), "and out of the drawer, once");
        assertEquals(2, line(ITEM).at("/toBuy").asInt());
        try {
            assertEquals(200, school("REPLACE_PAPER", "PROVE_PAPER"));
            assertEquals(0, line(ITEM).at("/needed").asInt(), "each is proven first");
            assertEquals(1, line(ITEM).at("/toBuy").asInt(), "the spares");
            assertEquals(409, order(UUID.randomUUID(), 2, "").status());
        } finally {
            school("PROVE_PAPER", "REPLACE_PAPER");
        }
        RunningServer.post(
                "/api/shopping/orders/" + order.at("/id").asString() + "/call-offs",
                "{\"id\":\"" + UUID.randomUUID() + "\"}");
        assertEquals(3, line(ITEM).at("/toBuy").asInt(), "what will not come is bought again");
        String csv = RunningServer.get("/api/shopping/list.csv").text();
        assertTrue(csv.contains("\"" + ITEM + "\",3,0.80,1,1,0,3,"), csv);
        assertEquals(0.8, line(ITEM).at("/price").asDouble(), "what was paid last");
    }

    @Test
    void aPlan_saysWhatGoesInAndWhy() throws IOException {
        JsonNode plan = RunningServer.get("/api/sets/" + RunningServer.newTableSet() + "/plan")
                .json();
        for (JsonNode renewal : plan.at("/renewals")) {
            if (renewal.at("/called").asString().equals("C14")) {
                assertTrue(renewal.at("/item").asString().contains("safety Y2"), renewal.toString());
                assertTrue(renewal.at("/why").toString().contains("through a hand"), renewal.toString());
                return;
            }
        }
        throw new AssertionError("no C14 in " + plan);
    }
}
