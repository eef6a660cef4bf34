package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.umberdial.tables.Tables.BENCH_SET;

import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.jooq.DSLContext;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.extension.ExtendWith;
import org.umberdial.core.evidence.Kind;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Whole sets out of one shop and into another, and files that only look like it. */
@ExtendWith(RunningServer.class)
class BundleTest {
    private static final String IVORY = "/api/sets/22222222-0000-4000-8000-000000000003";
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Test
    void everyDemoSetsBundle_isOfThePublishedSchema() throws Exception {
        Schema schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(RunningServer.get("/formats/set-bundle.schema.json").text());
        for (int i = 1; i <= 6; i++) {
            JsonNode set = JSON.readTree(unpacked(bundle("/api/sets/22222222-0000-4000-8000-00000000000" + i))
                    .get("set.json"));
            assertEquals(List.of(), schema.validate(set), "set " + i);
        }
        assertFalse(schema.validate(JSON.readTree("{\"format\":\"other\"}")).isEmpty());
        String kinds = JSON.readTree(
                        RunningServer.get("/formats/set-bundle.schema.json").text())
                .at("/properties/log/items/properties/kind/enum")
                .toString();
        for (Kind kind : Kind.values()) {
            // What a set is worth to its owner goes along with no bundle.
            assertTrue(kind == Kind.WORTH || kinds.contains("\"" + kind.stored() + "\""), kind + " in " + kinds);
        }
    }

    @Test
    void theSameBundleTwice_isThereOnce_andAnotherShopTakesItToo() throws Exception {
        byte[] bundle = bundle(IVORY);
        JsonNode home = RunningServer.upload("/api/bundles", bundle).json();
        assertTrue(
                home.get("already").asBoolean() && home.get("setId").asString().endsWith("000000000003"),
                home.toString());
        Guest other = ofAnotherShop();
        JsonNode taken = other.upload("/api/bundles?title=", bundle).json();
        assertFalse(taken.get("already").asBoolean(), taken.toString());
        assertEquals(0, taken.at("/result/refused").size(), taken.toString());
        String copy = "/api/sets/" + taken.get("setId").asString();
        assertEquals(
                "Ivory table set, same chassis",
                other.get(copy).json().get("title").asString());
        assertEquals(
                RunningServer.get(IVORY + "/sheet.csv").text(),
                other.get(copy + "/sheet.csv").text());
        assertEquals(
                RunningServer.get(IVORY + "/circuit.cir").text(),
                other.get(copy + "/circuit.cir").text());
        assertEquals(2, other.get(copy + "/photos").json().size());
        JsonNode again = other.upload("/api/bundles", bundle).json();
        assertTrue(again.get("already").asBoolean() && again.get("setId").equals(taken.get("setId")), again.toString());
        assertEquals(1, other.get("/api/sets").json().get("total").asInt());
        String log = other.get(copy + "/log").text();
        assertTrue(
                log.contains("from a file that names demo"),
                "both names stand: who brought it, and whom the file names");
        assertFalse(log.contains("\"author\":\"demo\""), "no entry of a file carries the name of somebody here");
        // Back home from there it is still the set it was.
        byte[] back = other.bytes(copy + "/bundle.zip");
        assertTrue(
                RunningServer.upload("/api/bundles", back).json().get("already").asBoolean());
    }

    static Guest ofAnotherShop() throws IOException, InterruptedException {
        Guest other = new Guest(RunningServer.base());
        String name = "b" + UUID.randomUUID().toString().substring(0, 8);
        other.redeem(new Guest(RunningServer.base())
                .post(
                        "/api/shops",
                        "{\"shopName\":\"Bundle bench\",\"ownerName\":\"" + name + "\",\"ownerShownName\":\"Bea\"}")
                .json()
                .get("token")
                .asString());
        return other;
    }

    /** Whatever is known of a set goes along, of one without a circuit and one with only a chart too. */
    @Test
    void everyDemoSet_standsInAnotherShopWhereItStoodHere() throws Exception {
        Guest other = ofAnotherShop();
        for (int i = 1; i <= 6; i++) {
            String here = "/api/sets/22222222-0000-4000-8000-00000000000" + i;
            JsonNode taken = other.upload("/api/bundles", bundle(here)).json();
            assertEquals(0, taken.at("/result/refused").size(), taken.toString());
            String there = "/api/sets/" + taken.get("setId").asString();
            for (String file : new String[] {"/sheet.csv", "/circuit.cir"}) {
                assertEquals(
                        RunningServer.get(here + file).text(),
                        other.get(there + file).text(),
                        i + file);
            }
            assertEquals(
                    RunningServer.get(here + "/circuit").json().at("/testPoints"),
                    other.get(there + "/circuit").json().at("/testPoints"),
                    "set " + i);
            JsonNode stood = RunningServer.get(here + "/stands").json();
            JsonNode stands = other.get(there + "/stands").json();
            assertEquals(stood.at("/danger"), stands.at("/danger"), "set " + i);
            assertEquals(stood.at("/constructionConfirmed"), stands.at("/constructionConfirmed"), "set " + i);
            // Voltages are judged with the shop's own meters, which stay at home.
            for (int stage = 0; stage < 2; stage++) {
                for (String count : new String[] {"proven", "doubtful", "failed", "open"}) {
                    String at = "/stages/" + stage + "/" + count;
                    assertEquals(stood.at(at), stands.at(at), "set " + i + at);
                }
            }
        }
    }

    @Test
    void aClassNobodyConfirmed_isNoBetterConfirmedElsewhere() throws Exception {
        String set = RunningServer.newTableSet();
        assertTrue(RunningServer.get("/api/sets/" + set + "/stands")
                .json()
                .at("/constructionConfirmed")
                .asBoolean());
        RunningServer.bean(DSLContext.class)
                .update(BENCH_SET)
                .set(BENCH_SET.CONSTRUCTION_CONFIRMED, false)
                .set(BENCH_SET.CIRCUIT_REVISION, BENCH_SET.CIRCUIT_REVISION.plus(1))
                .where(BENCH_SET.ID.eq(set))
                .execute();
        Guest other = ofAnotherShop();
        String copy = other.upload("/api/bundles", bundle("/api/sets/" + set))
                .json()
                .at("/setId")
                .asString();
        assertFalse(other.get("/api/sets/" + copy + "/stands")
                .json()
                .at("/constructionConfirmed")
                .asBoolean());
    }

    @Test
    @Timeout(60)
    void filesThatOnlyLookLikeABundle_areRefusedInASentence() throws Exception {
        byte[] bundle = bundle(IVORY);
        Map<String, byte[]> newer = unpacked(bundle);
        newer.put(
                "set.json",
                new String(newer.get("set.json"), StandardCharsets.UTF_8)
                        .replace("\"version\" : 2", "\"version\" : 99")
                        .getBytes(StandardCharsets.UTF_8));
        refused(zip(newer), "newer Umber Dial");
        refused(zip(Map.of("../../../tmp/set.json", newer.get("set.json"))), "no set.json");
        refused(zip(Map.of("set.json", ("[".repeat(200_000)).getBytes(StandardCharsets.UTF_8))), "cannot be read");
        // Half a gigabyte of nothing in half a megabyte.
        ByteArrayOutputStream bomb = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(bomb)) {
            out.putNextEntry(new ZipEntry("set.json"));
            byte[] nothing = new byte[1 << 20];
            for (int i = 0; i < 500; i++) {
                out.write(nothing);
            }
        }
        assertTrue(bomb.size() < 1_000_000);
        refused(bomb.toByteArray(), "unpacks to more than");
        Map<String, byte[]> many = new LinkedHashMap<>();
        for (int i = 0; i < 2100; i++) {
            many.put("f" + i, new byte[0]);
        }
        refused(zip(many), "files, which no set needs");
    }

    @Test
    @Timeout(120)
    void aMillionLinesOfReadings_areRefusedOrTaken_andNeverHang() throws IOException {
        String set = RunningServer.newTableSet();
        byte[] csv = ("point,reading\n" + "Filter 1,112\n".repeat(1_000_000)).getBytes(StandardCharsets.UTF_8);
        RunningServer.Answer answer = RunningServer.upload("/api/sets/" + set + "/reading-imports", csv);
        assertTrue(
                answer.status() == 422 || answer.status() == 413,
                answer.status() + " "
                        + answer.text().substring(0, Math.min(300, answer.text().length())));
        assertTrue(answer.json().get("detail").asString().endsWith("."));
        assertEquals(200, RunningServer.get("/api/sets/" + set + "/volts").status());
    }

    private static void refused(byte[] file, String sentence) {
        RunningServer.Answer answer = RunningServer.upload("/api/bundles", file);
        assertTrue(answer.status() == 422 || answer.status() == 413, answer.text());
        assertTrue(answer.json().get("detail").asString().contains(sentence), answer.text());
    }

    private static byte[] bundle(String set) throws IOException, InterruptedException {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(RunningServer.base() + set + "/bundle.zip"))
                                .build(),
                        HttpResponse.BodyHandlers.ofByteArray())
                .body();
    }

    static byte[] zip(Map<String, byte[]> files) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(bytes)) {
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                out.putNextEntry(new ZipEntry(file.getKey()));
                out.write(file.getValue());
            }
        }
        return bytes.toByteArray();
    }

    static Map<String, byte[]> unpacked(byte[] zip) throws IOException {
        Map<String, byte[]> files = new LinkedHashMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                files.put(entry.getName(), in.readAllBytes());
            }
        }
        return files;
    }
}
