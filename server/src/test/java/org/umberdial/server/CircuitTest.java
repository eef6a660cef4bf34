package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.umberdial.tables.Tables.BENCH_SET;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import java.util.stream.StreamSupport;
import org.jooq.DSLContext;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningServer.class)
class CircuitTest {
    private static JsonNode part(JsonNode circuit, String reference) {
        return StreamSupport.stream(circuit.get("parts").spliterator(), false)
                .filter(p -> p.get("reference").asString().equals(reference))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void severalValuesStandSideBySide_andConflictsAreFlaggedUntilDecided() throws IOException {
        String path = "/api/sets/" + RunningServer.newTableSet();
        JsonNode fitted = RunningServer.post(
                        path + "/part-values",
                        "{\"id\":\"" + UUID.randomUUID()
                                + "\",\"reference\":\"C4\",\"origin\":\"FITTED\",\"value\":\".022\","
                                + "\"source\":\"found\"}")
                .json();
        assertEquals(2, part(fitted, "C4").get("values").size());
        assertTrue(part(fitted, "C4").get("conflict").asString().contains("decide"));
        JsonNode decided = RunningServer.post(
                        path + "/part-values",
                        "{\"id\":\"" + UUID.randomUUID()
                                + "\",\"reference\":\"C4\",\"origin\":\"DECIDED\",\"value\":\"10n\",\"source\":\"\"}")
                .json();
        assertTrue(part(decided, "C4").get("conflict").isNull());
        assertEquals(
                422,
                RunningServer.post(
                                path + "/part-values",
                                "{\"id\":\"" + UUID.randomUUID()
                                        + "\",\"reference\":\"C4\",\"origin\":\"FITTED\","
                                        + "\"value\":\"47\",\"source\":\"\"}")
                        .status());
    }

    /** A voltage chart alone: its points come with it, one more goes by its name, and readings are judged by it. */
    @Test
    void chartWithoutACircuit_isEnoughToReadBy() throws IOException {
        String id = UUID.randomUUID().toString();
        String path = "/api/sets/" + id;
        RunningServer.post(
                "/api/sets",
                "{\"id\":\"" + id + "\",\"title\":\"Chart only\",\"ticket\":\"\",\"place\":\"\",\"waitsFor\":\"\","
                        + "\"construction\":\"MAINS_TRANSFORMER\"}");
        String chart = "point,reference,kind,value,unit,line_v,meter\nB+,0,DC,250,V,117,20k/V\n"
                + "V4 plate,0,DC,230,V,117,20k/V\nB+,0,DC,251,V,117,20k/V\n";
        assertEquals(
                0,
                RunningServer.upload(path + "/sheet-imports", chart.getBytes(StandardCharsets.UTF_8))
                        .json()
                        .at("/refused")
                        .size());
        JsonNode circuit = RunningServer.get(path + "/circuit").json();
        assertEquals(2, circuit.at("/testPoints").size());
        JsonNode more = RunningServer.put(
                        path + "/test-points",
                        "{\"points\":[{\"node\":\"b_plus\",\"name\":\"B+\"},{\"node\":\"v4_plate\",\"name\":\"V4 plate\"},"
                                + "{\"node\":\"\",\"name\":\"V3.7\"}],\"seen\":\""
                                + circuit.at("/pointsSeen").asString() + "\"}")
                .json();
        assertEquals("V3", more.at("/testPoints/2/socket").asString(), more.toString());
        JsonNode volts = RunningServer.post(
                        path + "/readings",
                        "{\"id\":\"" + UUID.randomUUID()
                                + "\",\"text\":\"V4 plate 120\",\"node\":\"\",\"confirmed\":true,\"note\":\"\"}")
                .json();
        assertEquals("BAD", volts.at("/points/1/verdict").asString(), volts.toString());
        assertEquals(0, volts.at("/findings/0/suspects").size(), "no part is accused without a circuit");
    }

    /** From the tubes to a circuit of the set's own: usual values accuse nobody until they are compared. */
    @Test
    void tubes_draftACircuit_whichTheWalkMakesTheSetsOwn() throws IOException {
        String id = UUID.randomUUID().toString();
        String path = "/api/sets/" + id;
        RunningServer.post(
                "/api/sets",
                "{\"id\":\"" + id + "\",\"title\":\"Drafted\",\"ticket\":\"\",\"place\":\"\",\"waitsFor\":\"\","
                        + "\"construction\":\"UNKNOWN\"}");
        String body = "{\"lineUp\":\"%s\",\"lineVolts\":\"\",\"feed\":null,\"filter\":null,\"rectifier\":null,"
                + "\"output\":null}";
        assertEquals(
                422,
                RunningServer.post(path + "/drafts/readings", body.formatted("foo bar"))
                        .status());
        JsonNode seen = RunningServer.post(
                        path + "/drafts/readings", body.formatted("50C5 12BE6 35W4 12AV6 12BA6 99ZZ"))
                .json();
        assertEquals("SERIES", seen.at("/feed").asString());
        assertTrue(seen.at("/says").toString().contains("99ZZ is not in the tube data"));
        assertEquals(0, RunningServer.get(path + "/circuit").json().at("/parts").size(), "a look keeps nothing");

        assertEquals(
                200,
                RunningServer.post(path + "/drafts", body.formatted("50C5 12BE6 35W4 12AV6 12BA6"))
                        .status());
        assertEquals(
                422,
                RunningServer.post(path + "/drafts", body.formatted("6V6 5Y3")).status());
        assertEquals(
                "SERIES_STRING",
                RunningServer.get(path).json().at("/construction").asString());
        JsonNode walk = RunningServer.get(path + "/walk").json();
        int asked = walk.at("/steps").size();
        assertEquals(0, walk.at("/confirmed").asInt());
        JsonNode first = walk.at("/steps/0");
        String confirm = "{\"id\":\"" + UUID.randomUUID()
                + "\",\"reference\":\"%s\",\"typed\":\"%s\",\"origin\":\"%s\"," + "\"seen\":%s}";
        String reference = first.at("/reference").asString();
        assertEquals(
                422,
                RunningServer.post(
                                path + "/walk/confirmations",
                                confirm.formatted(reference, "", "USUAL", first.at("/line")))
                        .status());
        assertEquals(
                422,
                RunningServer.post(
                                path + "/walk/confirmations",
                                confirm.formatted(reference, "", "SHEET", "\"R999 a b 1\""))
                        .status(),
                "somebody else was first");
        JsonNode resistor = StreamSupport.stream(walk.at("/steps").spliterator(), false)
                .filter(step -> step.at("/job").asString().equals("plate load"))
                .findFirst()
                .orElseThrow();
        JsonNode after = RunningServer.post(
                        path + "/walk/confirmations",
                        confirm.formatted(
                                resistor.at("/reference").asString(), "220k 1W", "BODY", resistor.at("/line")))
                .json();
        assertEquals(1, after.at("/confirmed").asInt());
        JsonNode part = part(
                RunningServer.get(path + "/circuit").json(),
                resistor.at("/reference").asString());
        assertEquals("220 kΩ", part.at("/working").asString());
        assertEquals(
                422,
                RunningServer.post(
                                path + "/walk/withdrawals",
                                "{\"id\":\"" + UUID.randomUUID() + "\",\"reference\":\"" + reference
                                        + "\",\"line\":\"R999 a b 1k\"}")
                        .status());
        assertEquals(
                asked + 1,
                RunningServer.post(path + "/walk/additions", "{\"typed\":\"4.7n V1.plate-0\"}")
                        .json()
                        .at("/steps")
                        .size());

        JsonNode drawing = RunningServer.get(path + "/drawing").json();
        assertEquals("", drawing.at("/doubt").asString());
        assertTrue(drawing.at("/parts").size() > 40);
        String file = RunningServer.get(path + "/drawing.svg?symbols=IEC").text();
        assertTrue(file.startsWith("<svg") && file.contains("data-part=\"" + reference + "\""));
    }

    @Test
    void deck_goesOutAndBackInUnchanged() throws IOException {
        String set = RunningServer.newTableSet();
        String deck = RunningServer.get("/api/sets/" + set + "/circuit.cir").text();
        assertEquals(
                200,
                RunningServer.upload("/api/sets/" + set + "/circuit-imports", deck.getBytes(StandardCharsets.UTF_8))
                        .status());
        assertEquals(
                deck, RunningServer.get("/api/sets/" + set + "/circuit.cir").text());
    }

    @Test
    void badDeck_listsEveryFaultAndChangesNothing() throws IOException {
        String set = RunningServer.newTableSet();
        RunningServer.Answer answer = RunningServer.upload(
                "/api/sets/" + set + "/circuit-imports", "t\nR1 a b 4k7\nR2 a b 0\n".getBytes(StandardCharsets.UTF_8));
        assertEquals(422, answer.status());
        assertEquals(2, answer.json().get("errors").size());
        assertTrue(RunningServer.get("/api/sets/" + set + "/circuit")
                        .json()
                        .get("parts")
                        .size()
                > 40);
    }

    @Test
    void onePart_isAddedChangedAndTakenOut() throws IOException {
        String path = "/api/sets/" + RunningServer.newTableSet();
        JsonNode added = RunningServer.post(path + "/parts", "{\"line\":\"R99 filter_2 0 100k ; kind=carbon tol=5\"}")
                .json();
        assertEquals("100 kΩ", part(added, "R99").get("working").asString());
        assertEquals(
                "150 kΩ",
                part(
                                RunningServer.post(path + "/parts", "{\"line\":\"r99 filter_2 0 150k\"}")
                                        .json(),
                                "R99")
                        .get("working")
                        .asString());
        RunningServer.Answer refused = RunningServer.post(path + "/parts", "{\"line\":\"R98 filter_2 0 4k7\"}");
        assertEquals(
                "#/line", refused.json().get("errors").get(0).get("pointer").asString());
    }

    @Test
    void columnsForReferences_tellUpperFromLowerCase() {
        org.jooq.DSLContext db = RunningServer.bean(org.jooq.DSLContext.class);
        var sheet = org.umberdial.tables.Tables.SHEET_VALUE;
        assertEquals(0, db.fetchCount(sheet, sheet.UNIT.eq("v")));
        assertTrue(db.fetchCount(sheet, sheet.UNIT.eq("V")) > 0);
    }

    @Test
    void everyTable_carriesTheShop() {
        org.jooq.DSLContext db = RunningServer.bean(org.jooq.DSLContext.class);
        org.umberdial.tables.DefaultSchema.DEFAULT_SCHEMA
                .getTables()
                .forEach(table -> assertTrue(
                        java.util.Set.of("shop", "sign_in_try", "known_device", "used_challenge", "server_secret")
                                        .contains(table.getName())
                                || table.field("shop_id") != null,
                        table.getName() + " of " + db.dialect()));
    }

    @Test
    void twoPeopleAtOnePart_theSecondIsTold() throws IOException {
        String set = "/api/sets/" + RunningServer.newTableSet();
        String seen = part(RunningServer.get(set + "/circuit").json(), "R5")
                .get("line")
                .asString();
        String first = "{\"line\":\"R5 filter_2 v3_plate 390k\",\"seen\":\"" + seen.replace("\"", "\\\"") + "\"}";
        assertEquals(200, RunningServer.post(set + "/parts", first).status());
        RunningServer.Answer second = RunningServer.post(set + "/parts", first.replace("390k", "330k"));
        assertTrue(
                second.status() == 422
                        && second.json().get("detail").asString().contains("it is now R5 filter_2 v3_plate 390k"),
                second.text());
        JsonNode lines = RunningServer.post(
                        set + "/part-lines",
                        "{\"lines\":[\"R5 330k filter_2-v3_plate\",\"R77 1k "
                                + "filter_2-0\"],\"change\":true,\"seen\":{\"R5\":\""
                                + seen.replace("\"", "\\\"") + "\"}}")
                .json();
        assertTrue(lines.at("/0/fault").asString("").contains("changed by somebody else"), lines.toString());
        assertTrue(lines.at("/1/fault").isNull(), lines.toString());
        assertEquals(
                "390 kΩ",
                part(RunningServer.get(set + "/circuit").json(), "R5")
                        .get("working")
                        .asString());
    }

    @Test
    void changedMeanwhile_isSaidAndNothingIsOverwritten() throws IOException {
        String set = RunningServer.newTableSet();
        String edit = "{\"title\":\"First\",\"ticket\":\"\",\"place\":\"\",\"waitsFor\":\"\","
                + "\"construction\":\"BATTERY\",\"version\":0}";
        assertEquals(200, RunningServer.put("/api/sets/" + set, edit).status());
        assertEquals(
                409,
                RunningServer.put("/api/sets/" + set, edit.replace("First", "Second"))
                        .status());
        assertEquals(
                "First",
                RunningServer.get("/api/sets/" + set).json().get("title").asString());
    }

    /** Sets of earlier versions came with a class that nobody was asked for. */
    @Test
    void aNewTitleConfirmsNoConstructionClass_somebodyWhoLookedDoes() throws IOException {
        String id = RunningServer.newTableSet();
        RunningServer.bean(DSLContext.class)
                .update(BENCH_SET)
                .set(BENCH_SET.CONSTRUCTION_CONFIRMED, false)
                .where(BENCH_SET.ID.eq(id))
                .execute();
        assertFalse(relabelled(id, "Another title", "", "")
                .get("constructionConfirmed")
                .asBoolean());
        assertFalse(relabelled(id, "A third", ",\"constructionSeen\":false", "")
                .get("constructionConfirmed")
                .asBoolean());
        assertTrue(relabelled(id, "A third", ",\"constructionSeen\":true", "")
                .get("constructionConfirmed")
                .asBoolean());
        assertTrue(
                relabelled(id, "A fourth", "", "").get("constructionConfirmed").asBoolean());
        assertFalse(relabelled(id, "A fourth", ",\"constructionSeen\":true", "UNKNOWN")
                .get("constructionConfirmed")
                .asBoolean());
    }

    private static JsonNode relabelled(String id, String title, String seen, String construction) {
        JsonNode set = RunningServer.get("/api/sets/" + id).json();
        String body =
                "{\"title\":\"" + title + "\",\"ticket\":\"\",\"place\":\"\",\"waitsFor\":\"\",\"construction\":\""
                        + (construction.isEmpty() ? set.get("construction").asString() : construction) + "\"" + seen
                        + ",\"version\":" + set.get("version").asInt() + "}";
        return RunningServer.put("/api/sets/" + id, body).json();
    }

    /** A word makes a stage another, and the word it was makes it again what it was; currents follow. */
    @Test
    void aStageIsSwappedByItsWord_andBack() throws IOException {
        String path = RunningServer.newSet("Swapped");
        RunningServer.post(path + "/drafts", "{\"lineUp\":\"ECC83 2xEL84 EZ81\",\"lineVolts\":\"\"}");
        String before = RunningServer.get(path + "/walk").text();
        assertTrue(RunningServer.get(path + "/walk/siblings").text().contains("fixed bias"));
        JsonNode swapped = RunningServer.post(path + "/walk/swaps", "{\"word\":\"Fixed-bias\"}")
                .json();
        assertEquals("cathode bias", swapped.get("was").asString(), swapped.toString());
        assertTrue(swapped.toString().contains("bias rectifier"), swapped.toString());
        JsonNode flows = RunningServer.get(path + "/flows").json();
        assertTrue(
                flows.size() > 10
                        && flows.toString()
                                .matches(
                                        ".*\"XV2\",\"amperes\":\"[^\"]+\",\"watts\":\"1?[0-9.]+ W\",\"rated\":\"12.0 W\".*"),
                flows.toString());
        assertEquals(
                422,
                RunningServer.post(path + "/walk/swaps", "{\"word\":\"tubeless\"}")
                        .status());
        RunningServer.post(path + "/walk/swaps", "{\"word\":\"cathode bias\"}");
        assertEquals(before.length(), RunningServer.get(path + "/walk").text().length());
        assertEquals(
                "", RunningServer.get(path + "/drawing").json().get("doubt").asString());
    }
}
