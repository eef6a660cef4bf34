package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

@ExtendWith(RunningServer.class)
class ArrivalTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Test
    void theLabelIsJudgedAgainstTheLocalLineAndKept() {
        String set = newSet("MAINS_TRANSFORMER");
        JsonNode before = RunningServer.get(set + "/arrival").json();
        assertEquals("label-missing", before.at("/supply/findings/0/rule").asString());
        JsonNode kept = RunningServer.put(set + "/arrival", label("110 / 127 V", "127", 0))
                .json();
        assertEquals("110/127", kept.at("/supply/taps").asString());
        assertEquals("line-fits", kept.at("/supply/findings/0/rule").asString(), kept.toString());
        assertEquals("Ada Sample", kept.at("/ownerName").asString());
        assertEquals(
                409, RunningServer.put(set + "/arrival", label("110", "", 0)).status());
        RunningServer.Answer refused = RunningServer.put(set + "/arrival", label("110", "220", 1));
        assertEquals(422, refused.status());
        assertEquals("#/setTo", refused.json().at("/errors/0/pointer").asString());
        assertTrue(RunningServer.put(set + "/arrival", label("a lot", "", 1))
                .json()
                .at("/detail")
                .asString()
                .contains("not a number"));
    }

    private static String label(String taps, String setTo, int version) {
        return json(
                "ownerName",
                "Ada Sample",
                "ownerContact",
                "",
                "plate",
                "chassis 0815",
                "extras",
                new String[] {"PLAYER"},
                "taps",
                taps,
                "setTo",
                setTo,
                "hertz",
                "60",
                "watts",
                "45 W",
                "current",
                "AC",
                "motor",
                false,
                "version",
                version);
    }

    @Test
    void theOwnersDataCanBeErased_andWhatIsTechnicalStays() {
        String set = newSet("MAINS_TRANSFORMER");
        RunningServer.put(set + "/arrival", label("110/127", "127", 0).replace("Ada Sample", "Zenobia Erasable"));
        RunningServer.post(
                set + "/complaints",
                json(
                        "id",
                        UUID.randomUUID(),
                        "symptom",
                        "hum-constant-volume-has-no-effect",
                        "words",
                        "it hums since my aunt Quillon moved",
                        "byOwner",
                        true));
        assertEquals(
                1,
                RunningServer.get("/api/sets?find=erasable").json().at("/total").asInt());
        String erasure = json("id", UUID.randomUUID());
        JsonNode erased = RunningServer.post(set + "/owner-erasures", erasure).json();
        assertEquals("", erased.at("/ownerName").asString());
        assertEquals("110/127", erased.at("/supply/taps").asString());
        RunningServer.post(set + "/owner-erasures", erasure);
        assertEquals(
                0,
                RunningServer.get("/api/sets?find=erasable").json().at("/total").asInt());
        String log = RunningServer.get(set + "/log").json().toString();
        assertFalse(log.contains("Quillon"));
        assertEquals(2, log.split("were erased", -1).length);
        assertEquals(
                "hum-constant-volume-has-no-effect",
                RunningServer.get(set + "/complaints")
                        .json()
                        .at("/told/0/symptom/id")
                        .asString());
    }

    @Test
    void theRegisterReadsBackwardsAndRefusesToCloseOverAGap() {
        String set = newSet("SERIES_STRING");
        String screws = UUID.randomUUID().toString();
        String control =
                json("id", UUID.randomUUID(), "control", "PHONO", "name", "", "position", "radio", "hidden", false);
        assertEquals(200, RunningServer.post(set + "/controls-found", control).status());
        RunningServer.post(set + "/controls-found", control);
        RunningServer.post(set + "/register-items", item(screws, "SCREW", "M4 slotted", 4));
        JsonNode register = RunningServer.post(
                        set + "/register-items", item(UUID.randomUUID().toString(), "KNOB", "Tuning knob", 1))
                .json();
        assertEquals(3, register.at("/items").size());
        assertEquals("Fit Tuning knob, back", register.at("/reassembly/0/act").asString());
        assertEquals(
                422,
                RunningServer.post(set + "/closings", json("id", UUID.randomUUID(), "leftOver", "", "reason", ""))
                        .status());
        for (JsonNode one : register.at("/items")) {
            RunningServer.post(
                    set + "/put-backs",
                    json(
                            "id",
                            UUID.randomUUID(),
                            "entry",
                            one.at("/id").asString(),
                            "count",
                            one.at("/belong").asInt()));
        }
        JsonNode closed = RunningServer.post(
                        set + "/closings", json("id", UUID.randomUUID(), "leftOver", "", "reason", ""))
                .json();
        assertEquals("Closed the set", closed.at("/closed").asString());
        JsonNode open = RunningServer.post(set + "/put-backs/" + screws + "/withdrawals", "{}")
                .json();
        assertEquals(
                "Left over: 4 of 4 × M4 slotted (back)", open.at("/alarms/0").asString());
        JsonNode corrected = RunningServer.put(
                        set + "/register-items/" + screws,
                        item(UUID.randomUUID().toString(), "SCREW", "M4 cross", 3))
                .json();
        assertEquals("3 × M4 cross", corrected.at("/items/1/title").asString());
        assertEquals("M4 cross", corrected.at("/items/1/taken/what").asString());
        RunningServer.post(set + "/journal-withdrawals", json("id", UUID.randomUUID(), "entry", screws));
        assertEquals(2, RunningServer.get(set + "/register").json().at("/items").size());
        JsonNode log = RunningServer.get(set + "/log").json().get("lines");
        assertTrue(log.toString().contains("Took off 4 × M4 slotted, back")
                && log.toString().contains("Takes back: "));
        assertFalse(RunningServer.post(
                        set + "/register-items", item(UUID.randomUUID().toString(), "NUT", "M4", 0))
                .json()
                .at("/detail")
                .asString()
                .isEmpty());
    }

    private static String item(String id, String kind, String what, int count) {
        return json(
                "id", id, "kind", kind, "what", what, "count", count, "absent", 0, "place", "back", "ends", "", "fault",
                "");
    }

    @Test
    void aFindingMarksItsPartRaisesAStopAndComesOffWithItsTask() throws IOException {
        String set = "/api/sets/" + RunningServer.newTableSet();
        String id = UUID.randomUUID().toString();
        assertEquals(
                422,
                RunningServer.post(set + "/looks", look(id, "capacitors-coupling-capacitor-to", "C99"))
                        .status());
        JsonNode walk = RunningServer.post(set + "/looks", look(id, "capacitors-coupling-capacitor-to", "c4"))
                .json();
        assertEquals(1, walk.at("/stops").asInt());
        assertEquals("TO_REPLACE", stand(set, "C4"));
        JsonNode shelf = RunningServer.get("/api/sets?size=1").json();
        assertEquals(1, shelf.at("/entries/0/stops").asInt());
        assertEquals(
                422,
                RunningServer.post(set + "/looks", look(UUID.randomUUID().toString(), "", ""))
                        .status());
        assertEquals(
                0,
                RunningServer.post(
                                set + "/tasks-done", json("id", UUID.randomUUID(), "entry", id, "note", "film fitted"))
                        .json()
                        .at("/stops")
                        .asInt());
        RunningServer.post(set + "/replacements", json("id", UUID.randomUUID(), "part", "C4", "with", "22 n film"));
        assertEquals("REPLACED", stand(set, "C4"));
        assertEquals(
                0,
                RunningServer.get("/api/sets?size=1")
                        .json()
                        .at("/entries/0/stops")
                        .asInt());
    }

    private static String look(String id, String row, String part) {
        return json("id", id, "area", "capacitors", "row", row, "part", part, "note", "");
    }

    private static String stand(String set, String part) {
        for (JsonNode stand : RunningServer.get(set + "/map").json().at("/stands")) {
            if (stand.at("/subject").asString().equals(part)) {
                return stand.at("/state").asString();
            }
        }
        return "";
    }

    @Test
    void complaintsAskAboutTheControlsFirst() {
        String set = newSet("MAINS_TRANSFORMER");
        RunningServer.post(
                set + "/controls-found",
                json("id", UUID.randomUUID(), "control", "STANDBY", "name", "", "position", "standby", "hidden", true));
        JsonNode told = RunningServer.post(
                        set + "/complaints",
                        json(
                                "id",
                                UUID.randomUUID(),
                                "symptom",
                                "dead-no-hum-tubes-lit",
                                "words",
                                "it lights but says nothing",
                                "byOwner",
                                true))
                .json();
        assertTrue(
                told.at("/questions/0").asString().startsWith("The standby switch was found at standby"),
                told.toString());
        assertEquals(
                422,
                RunningServer.post(
                                set + "/complaints",
                                json("id", UUID.randomUUID(), "symptom", "", "words", " ", "byOwner", true))
                        .status());
    }

    @Test
    void worthIsReckonedAndTheFirstTestsNamed() throws IOException {
        String set = "/api/sets/" + RunningServer.newTableSet();
        assertEquals(
                "SAY_WORTH",
                RunningServer.get(set + "/worth").json().at("/verdict").asString());
        double total = RunningServer.get(set + "/worth").json().at("/total").asDouble();
        assertEquals(
                "STOP",
                RunningServer.post(set + "/worth", json("id", UUID.randomUUID(), "value", "100", "sentiment", ""))
                        .json()
                        .at("/verdict")
                        .asString());
        assertEquals(
                "TEST_FIRST",
                RunningServer.post(
                                set + "/worth",
                                json(
                                        "id",
                                        UUID.randomUUID(),
                                        "value",
                                        String.valueOf(Math.round(total)),
                                        "sentiment",
                                        "50"))
                        .json()
                        .at("/verdict")
                        .asString());
        RunningServer.post(
                set + "/part-tests", json("id", UUID.randomUUID(), "subject", "XT1", "sound", true, "how", "190 Ω"));
        RunningServer.post(
                set + "/part-tests",
                json("id", UUID.randomUUID(), "subject", "coils and IF cans", "sound", true, "how", ""));
        assertEquals(
                "GO", RunningServer.get(set + "/worth").json().at("/verdict").asString());
        double cheaper = RunningServer.post(
                        set + "/worth-jobs", json("id", UUID.randomUUID(), "job", "tune", "hours", "0.5", "price", "0"))
                .json()
                .at("/total")
                .asDouble();
        assertEquals(total - 40, cheaper, 1e-6);
        assertEquals(
                422,
                RunningServer.post(set + "/worth", json("id", UUID.randomUUID(), "value", "much", "sentiment", ""))
                        .status());
    }

    @Test
    void partsComeByShorthandByFileAndFromARelative() throws IOException {
        String set = newSet("MAINS_TRANSFORMER");
        String lines = "{\"lines\":[\"V3 12AV6 date=4712 cathode=0\",\"C7 .01 400 paper V3.plate-V4.grid\",\"C7 .02 "
                + "a-b\",\"R1 10F a-b\"],\"change\":false}";
        JsonNode read = RunningServer.post(set + "/part-lines/readings", lines).json();
        assertEquals(0, RunningServer.get(set + "/circuit").json().at("/parts").size());
        JsonNode kept = RunningServer.post(set + "/part-lines", lines).json();
        assertEquals(4, RunningServer.get(set + "/circuit").json().at("/parts").size());
        for (JsonNode answered : java.util.List.of(read, kept)) {
            assertTrue(answered.at("/0/understood").asString().startsWith("V3 is a 12AV6"), answered.toString());
            assertTrue(
                    answered.at("/1/understood").asString().startsWith("C7: 10.0 nF, 400 V, paper"),
                    answered.toString());
            assertTrue(answered.at("/2/fault").asString().contains("C7"), answered.toString());
            assertTrue(answered.at("/3/fault").asString().contains("10F"), answered.toString());
        }
        JsonNode dated = RunningServer.get(set + "/originality").json().at("/parts/0");
        assertEquals(
                "XV3 4712 ALONE",
                dated.at("/reference").asString() + " " + dated.at("/code").asString() + " "
                        + dated.at("/kind").asString());
        String csv =
                "reference;value;volts;kind;from;to;description\nR9;470k;;carbon;b1;V3.plate;Plattenwiderstand f\u00fcr V3\nR9;1k;;;a;b;\nC8;99F;;;a;b;\n";
        JsonNode file = RunningServer.upload(
                        set + "/part-imports", csv.getBytes(java.nio.charset.Charset.forName("windows-1252")))
                .json();
        assertEquals(1, file.at("/added").asInt());
        assertEquals(2, file.at("/refused").size());
        assertTrue(file.at("/notes").toString().contains("Windows-1252"));
        String out = RunningServer.get(set + "/parts.csv").text();
        assertTrue(out.contains("R9,470000,,,,carbon,b1,v3_plate,,,,Plattenwiderstand für V3"), out);
        assertEquals(
                0,
                RunningServer.upload(set + "/part-imports", out.getBytes(java.nio.charset.StandardCharsets.UTF_8))
                        .json()
                        .at("/refused")
                        .size(),
                out);
        assertEquals(
                422,
                RunningServer.put(set + "/paper", json("paper", "x".repeat(201)))
                        .status());
        RunningServer.put(set + "/paper", json("paper", " Sheet 3-112, late revision, found in the cabinet "));
        String sister = newSet("MAINS_TRANSFORMER");
        JsonNode copied = RunningServer.post(
                        sister + "/circuit-copies", json("sister", set.substring(set.lastIndexOf('/') + 1)))
                .json();
        assertEquals(
                "from a near relative: Arrival test", copied.at("/sheetOrigin").asString());
        assertEquals(
                "Sheet 3-112, late revision, found in the cabinet",
                RunningServer.get(sister + "/circuit").json().at("/paper").asString());
        assertEquals(
                422,
                RunningServer.post(sister + "/circuit-starts", json("circuit", "transformer-fm"))
                        .status());
        assertEquals(
                "",
                RunningServer.send(java.net.http.HttpRequest.newBuilder(
                                        java.net.URI.create(RunningServer.base() + sister + "/sheet-origin"))
                                .DELETE()
                                .build())
                        .json()
                        .at("/sheetOrigin")
                        .asString());
    }

    @Test
    void theShelfFindsASetByAnythingInIt() throws IOException {
        String set = newSet("BATTERY");
        String word = "w" + UUID.randomUUID().toString().substring(0, 8);
        RunningServer.post(
                set + "/remarks", json("id", UUID.randomUUID(), "subject", "", "words", "smells of " + word));
        assertEquals(
                1,
                RunningServer.get("/api/sets?find=" + word.toUpperCase(java.util.Locale.ROOT))
                        .json()
                        .at("/total")
                        .asInt());
        RunningServer.post(set + "/part-lines", "{\"lines\":[\"R77 4k7 a-b \\\"" + word + "\\\"\"],\"change\":false}");
        assertEquals(
                1,
                RunningServer.get("/api/sets?find=4.7k+" + word)
                        .json()
                        .at("/total")
                        .asInt());
        assertEquals(
                0,
                RunningServer.get("/api/sets?find=4.8k+" + word)
                        .json()
                        .at("/total")
                        .asInt());
        assertEquals(
                0,
                RunningServer.get("/api/sets?find=%25" + word + "_")
                        .json()
                        .at("/total")
                        .asInt());
        assertTrue(RunningServer.get("/api/sets?find=12AV6").json().at("/total").asInt() > 0);
    }

    @Test
    void aBundleCarriesTheWholeSetButItsOwner() throws Exception {
        String ivory = "/api/sets/22222222-0000-4000-8000-000000000003";
        byte[] bundle = java.net.http.HttpClient.newHttpClient()
                .send(
                        java.net.http.HttpRequest.newBuilder(
                                        java.net.URI.create(RunningServer.base() + ivory + "/bundle.zip"))
                                .build(),
                        java.net.http.HttpResponse.BodyHandlers.ofByteArray())
                .body();
        String copy = newSet("BATTERY");
        JsonNode taken = RunningServer.upload(copy + "/bundle-imports", bundle).json();
        assertEquals(0, taken.at("/refused").size(), taken.toString());
        for (String view : java.util.List.of("/register", "/inspection", "/complaints", "/photos")) {
            String there = RunningServer.get(ivory + view)
                    .text()
                    .replaceAll("[0-9a-f]{8}-[0-9a-f-]{27}|[0-9-]+T[0-9:.]+Z", "");
            String here =
                    RunningServer.get(copy + view).text().replaceAll("[0-9a-f]{8}-[0-9a-f-]{27}|[0-9-]+T[0-9:.]+Z", "");
            assertTrue(
                    there.replace("demo", "")
                            .replace("bench", "")
                            .equals(here.replace("demo", "").replace("bench", "")),
                    view);
        }
        assertEquals(
                RunningServer.get(ivory + "/sheet.csv").text(),
                RunningServer.get(copy + "/sheet.csv").text());
        assertEquals(
                "", RunningServer.get(copy + "/arrival").json().at("/ownerName").asString());
        assertTrue(RunningServer.get(ivory + "/worth").json().at("/known").asBoolean());
        assertFalse(RunningServer.get(copy + "/worth").json().at("/known").asBoolean());
        String inside = unpacked(bundle);
        assertTrue(
                inside.contains("stamped 12-47") && inside.contains("hair crack"),
                "the plate and the register are in it");
        assertFalse(inside.contains("Bo Example") || inside.contains("Fridays"));
        assertTrue(RunningServer.upload(copy + "/bundle-imports", bundle)
                .json()
                .at("/detail")
                .asString()
                .contains("parts already"));
        assertEquals(
                422,
                RunningServer.upload(newSet("BATTERY") + "/bundle-imports", java.util.Arrays.copyOf(bundle, 3000))
                        .status());
        assertTrue(RunningServer.upload(newSet("BATTERY") + "/bundle-imports", "PK no zip".getBytes())
                .json()
                .at("/detail")
                .asString()
                .startsWith("This is no zip file"));
    }

    private static String unpacked(byte[] bundle) throws IOException {
        StringBuilder text = new StringBuilder();
        try (java.util.zip.ZipInputStream zip =
                new java.util.zip.ZipInputStream(new java.io.ByteArrayInputStream(bundle))) {
            while (zip.getNextEntry() != null) {
                text.append(new String(zip.readAllBytes(), java.nio.charset.StandardCharsets.UTF_8));
            }
        }
        return text.toString();
    }

    private static String newSet(String construction) {
        String id = UUID.randomUUID().toString();
        assertEquals(
                200,
                RunningServer.post(
                                "/api/sets",
                                json(
                                        "id",
                                        id,
                                        "title",
                                        "Arrival test",
                                        "ticket",
                                        "",
                                        "place",
                                        "",
                                        "waitsFor",
                                        "",
                                        "construction",
                                        construction))
                        .status());
        return "/api/sets/" + id;
    }

    private static String json(Object... pairs) {
        Map<String, Object> map = new java.util.LinkedHashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            map.put((String) pairs[i], pairs[i + 1]);
        }
        return JSON.writeValueAsString(map);
    }
}
