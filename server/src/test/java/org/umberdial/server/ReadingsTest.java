package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.read.ListAppender;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.slf4j.LoggerFactory;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningServer.class)
class ReadingsTest {
    private static RunningServer.Answer type(String set, UUID id, String text, boolean confirmed) {
        return RunningServer.post(
                "/api/sets/" + set + "/readings",
                "{\"id\":\"" + id + "\",\"text\":\"" + text + "\",\"node\":\"filter_1\",\"confirmed\":" + confirmed
                        + ",\"takenAt\":null,\"note\":\"\"}");
    }

    private static JsonNode log(String set) {
        return RunningServer.get("/api/sets/" + set + "/log?kinds=reading")
                .json()
                .get("lines");
    }

    /**
     * Every file of cells that leaves the shop: what a spreadsheet would run is text in it, and reads back as it was.
     */
    @Test
    void cellsASpreadsheetWouldRun_areWrittenSoThatItDoesNot() throws IOException {
        String set = RunningServer.newTableSet();
        String path = "/api/sets/" + set;
        assertEquals(
                200,
                RunningServer.post(path + "/parts", "{\"line\":\"R98 @a +b 1k\",\"seen\":\"\"}")
                        .status());
        assertEquals(
                200,
                RunningServer.post(
                                path + "/parts", "{\"line\":\"R97 a b 1k ; desc=\\\"=HYPERLINK(1)\\\"\",\"seen\":\"\"}")
                        .status());
        RunningServer.post(
                path + "/readings",
                "{\"id\":\"" + java.util.UUID.randomUUID()
                        + "\",\"text\":\"-7.3\",\"node\":\"filter_1\",\"confirmed\":true,"
                        + "\"takenAt\":null,\"note\":\"@SUM(1)\"}");
        String seen =
                RunningServer.get(path + "/circuit").json().get("pointsSeen").asString();
        RunningServer.put(
                path + "/test-points",
                "{\"points\":[{\"node\":\"@a\",\"name\":\"odd\"},{\"node\":\"filter_1\",\"name\":\"F\"}],\"seen\":\""
                        + seen + "\"}");
        RunningServer.put(
                path + "/sheet-values",
                "{\"node\":\"@a\",\"reference\":\"0\",\"kind\":\"DC\",\"value\":\"-12\","
                        + "\"lineVolts\":\"117\",\"meter\":\"\",\"mode\":\"\",\"seen\":\"\"}");
        String all = RunningServer.get(path + "/parts.csv").text()
                + RunningServer.get(path + "/readings.csv").text()
                + RunningServer.get(path + "/sheet.csv").text();
        assertTrue(
                all.contains("'=HYPERLINK(1)")
                        && all.contains("'@SUM(1)")
                        && all.contains("'@a")
                        && all.contains("'+b"),
                all);
        assertFalse(
                java.util.regex.Pattern.compile("(?m)(^|,)\"?[=+@]")
                        .matcher(all)
                        .find(),
                all);
        assertTrue(all.contains(",-7.3,") && all.contains(",-12,"), "numbers stay numbers");
        String copy = RunningServer.newTableSet();
        RunningServer.upload(
                "/api/sets/" + copy + "/part-imports",
                RunningServer.get(path + "/parts.csv").text().getBytes(java.nio.charset.StandardCharsets.UTF_8));
        assertTrue(RunningServer.get("/api/sets/" + copy + "/circuit").text().contains("\"=HYPERLINK(1)\""));
    }

    @Test
    void sameIdTwice_isOneReading() throws IOException {
        String set = RunningServer.newTableSet();
        UUID id = UUID.randomUUID();
        assertEquals(200, type(set, id, "118", false).status());
        assertEquals(200, type(set, id, "118", false).status());
        assertEquals(1, log(set).size());
    }

    @Test
    void takingBack_keepsBothEntries() throws IOException {
        String set = RunningServer.newTableSet();
        UUID id = UUID.randomUUID();
        type(set, id, "118", false);
        RunningServer.post(
                "/api/sets/" + set + "/withdrawals",
                "{\"id\":\"" + UUID.randomUUID() + "\",\"readingId\":\"" + id + "\"}");
        JsonNode view = RunningServer.get("/api/sets/" + set + "/volts").json();
        assertEquals("UNREAD", view.get("points").get(0).get("verdict").asString());
        assertEquals(2, log(set).size());
        assertFalse(log(set).get(1).get("standing").asBoolean());
        assertEquals(
                404,
                RunningServer.post(
                                "/api/sets/" + set + "/withdrawals",
                                "{\"id\":\"" + UUID.randomUUID() + "\",\"readingId\":\"" + UUID.randomUUID() + "\"}")
                        .status());
    }

    @Test
    void impossibleVolts_areAskedAboutAndKeptWhenConfirmed() throws IOException {
        String set = RunningServer.newTableSet();
        RunningServer.Answer asked = type(set, UUID.randomUUID(), "6.3kV", false);
        assertEquals(422, asked.status());
        assertEquals("/problems/ask-first", asked.json().get("type").asString());
        assertEquals(200, type(set, UUID.randomUUID(), "6.3kV", true).status());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"''|meter shows", "banana|value", "V99 12|No test point", "1.2.3|decimal sign"})
    void badEntry_isASentenceAtTheField(String text, String part) throws IOException {
        RunningServer.Answer answer = type(RunningServer.newTableSet(), UUID.randomUUID(), text, false);
        assertEquals(422, answer.status());
        assertEquals("#/text", answer.json().get("errors").get(0).get("pointer").asString());
        assertTrue(answer.json().get("detail").asString().contains(part), answer.text());
        assertFalse(answer.text().contains("org."), answer.text());
    }

    @Test
    void csv_twiceAddsNothing_equalLinesAreTwo_badLinesAreListed() throws IOException {
        String set = RunningServer.newTableSet();
        byte[] file = """
                Point;Value;Line_V;Meter
                filter_1;118,5;117;20k/V
                filter_1;118,5;117;20k/V
                V4 plate;112;;10M
                nowhere;5;;
                V4 grid;abc;;
                V4.2;0;-5;
                """.getBytes(StandardCharsets.UTF_8);
        JsonNode first = RunningServer.upload("/api/sets/" + set + "/reading-imports?fileName=a.csv", file)
                .json();
        assertEquals(3, first.get("added").asInt(), first.toString());
        assertEquals(3, first.get("refused").size());
        assertEquals(5, first.get("refused").get(0).get("line").asInt());
        JsonNode again = RunningServer.upload("/api/sets/" + set + "/reading-imports?fileName=a.csv", file)
                .json();
        assertEquals(0, again.get("added").asInt());
        assertEquals(3, again.get("known").asInt());
        assertEquals(3, log(set).size());
    }

    @Test
    void exportedReadings_goBackIntoAnotherCopyOfTheSet() throws IOException {
        String set = RunningServer.newTableSet();
        RunningServer.upload("/api/sets/" + set + "/reading-imports", RunningServer.resource("table-set-readings.csv"));
        String csv = RunningServer.get("/api/sets/" + set + "/readings.csv").text();
        String copy = RunningServer.newTableSet();
        JsonNode taken = RunningServer.upload(
                        "/api/sets/" + copy + "/reading-imports", csv.getBytes(StandardCharsets.UTF_8))
                .json();
        assertEquals(11, taken.get("added").asInt(), taken.toString());
        assertEquals(
                csv, RunningServer.get("/api/sets/" + copy + "/readings.csv").text());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"''|empty", "a,b\\n1,2|point", "point,value\\n\"V4|quoted"})
    void unreadableFiles_areSentences(String file, String part) throws IOException {
        RunningServer.Answer answer = RunningServer.upload(
                "/api/sets/" + RunningServer.newTableSet() + "/reading-imports",
                file.replace("\\n", "\n").getBytes(StandardCharsets.UTF_8));
        assertEquals(422, answer.status(), answer.text());
        assertTrue(answer.text().contains(part), answer.text());
    }

    @Test
    void windowsEncoding_isReadAndSaidSo() throws IOException {
        byte[] file = "point,value,note\nfilter_1,118,f\u00fcr später\n"
                .getBytes(java.nio.charset.Charset.forName("windows-1252"));
        JsonNode taken = RunningServer.upload("/api/sets/" + RunningServer.newTableSet() + "/reading-imports", file)
                .json();
        assertEquals(1, taken.get("added").asInt());
        assertTrue(taken.get("notes").get(0).asString().contains("Windows-1252"));
    }

    @Test
    void preview_saysWhatItUnderstoodInTheShopsTerms() throws IOException {
        String set = RunningServer.newTableSet();
        JsonNode preview = RunningServer.post(
                        "/api/sets/" + set + "/reading-previews", "{\"text\":\"V4 anode 60\",\"node\":\"\"}")
                .json();
        assertEquals("v4_plate", preview.get("subject").asString());
        assertEquals("BAD", preview.get("verdict").asString());
        JsonNode part = RunningServer.post(
                        "/api/sets/" + set + "/reading-previews", "{\"text\":\"R11 4k7\",\"node\":\"\"}")
                .json();
        RunningServer.post(
                "/api/sets/" + set + "/readings",
                "{\"id\":\"" + UUID.randomUUID()
                        + "\",\"text\":\"V4 grid "
                        + "6.9\",\"node\":\"\",\"confirmed\":false,\"takenAt\":null,\"note\":\"\"}");
        assertTrue(RunningServer.post(
                        "/api/sets/" + set + "/reading-previews", "{\"text\":\"V4 grid 0.02 C4 lifted\",\"node\":\"\"}")
                .text()
                .contains("proves C4 leaky"));
        assertTrue(RunningServer.post(
                        "/api/sets/" + set + "/reading-previews", "{\"text\":\"V4 grid 6.8 C4 lifted\",\"node\":\"\"}")
                .text()
                .contains("clears C4"));
        assertTrue(part.get("part").asBoolean());
        assertEquals("BAD", part.get("verdict").asString());
        assertEquals(1, log(set).size());
    }

    /** Beside those of the session. A page that loads a set again for each thing it shows is slow on a long log. */
    @Test
    void aKeptReadingCostsFewStatements() throws IOException {
        String set = RunningServer.newTableSet();
        assertEquals(200, type(set, UUID.randomUUID(), "117.2", true).status());
        Logger statements = (Logger) LoggerFactory.getLogger("org.jooq.tools.LoggerListener");
        ListAppender<ILoggingEvent> heard = new ListAppender<>();
        heard.start();
        statements.setAdditive(false);
        statements.setLevel(Level.DEBUG);
        statements.addAppender(heard);
        try {
            assertEquals(200, type(set, UUID.randomUUID(), "116.8", true).status());
        } finally {
            statements.detachAppender(heard);
            statements.setLevel(null);
            statements.setAdditive(true);
        }
        Map<String, List<String>> byRequest = List.copyOf(heard.list).stream()
                .filter(event -> event.getFormattedMessage().startsWith("Executing"))
                .collect(Collectors.groupingBy(
                        ILoggingEvent::getThreadName,
                        Collectors.mapping(ILoggingEvent::getFormattedMessage, Collectors.toList())));
        List<String> kept = byRequest.values().stream()
                .filter(all -> all.stream().anyMatch(sql -> sql.contains("into `evidence`")))
                .findFirst()
                .orElseThrow(() -> new AssertionError(byRequest.toString()));
        assertTrue(kept.size() <= 10, String.join("\n", kept));
    }
}
