package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.ObjectMapper;

/** Whatever is typed or loaded: a sentence, never a fault of ours. */
@ExtendWith(RunningServer.class)
class RoughInputTest {
    private static final String[] WORDS = {
        "V4",
        "plate",
        "12",
        "-7.3",
        "1e308",
        "1e999",
        "NaN",
        "lifted",
        "C4",
        "to",
        "R11",
        "4k7",
        "ac",
        "dc",
        "ohms",
        "@",
        "V4.2",
        "\u0000",
        "µ",
        "Ω",
        "..",
        "1/0",
        "meg",
        "x".repeat(60),
        "to to",
        "''",
        "%s",
        "\\"
    };

    @Test
    void randomEntries_neverFailOnOurSide() throws IOException {
        String set = RunningServer.newTableSet();
        long seed = 20261125;
        Random random = new Random(seed);
        for (int i = 0; i < 300; i++) {
            StringBuilder text = new StringBuilder();
            for (int words = 1 + random.nextInt(4); words > 0; words--) {
                text.append(WORDS[random.nextInt(WORDS.length)]).append(' ');
            }
            String body = new ObjectMapper()
                    .createObjectNode()
                    .put("id", UUID.randomUUID().toString())
                    .put("text", text.toString())
                    .put("node", random.nextBoolean() ? "v4_grid" : "nowhere")
                    .put("confirmed", random.nextBoolean())
                    .putNull("takenAt")
                    .put("note", "")
                    .toString();
            String verb = random.nextBoolean() ? "/readings" : "/reading-previews";
            RunningServer.Answer answer = RunningServer.post("/api/sets/" + set + verb, body);
            assertTrue(answer.status() < 500, "seed " + seed + ", " + verb + " " + text + ": " + answer.text());
        }
        assertEquals(200, RunningServer.get("/api/sets/" + set + "/volts").status());
        assertEquals(200, RunningServer.get("/api/sets").status());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "t\nVB a 0 5\nVC a 0 6\nR1 a b 1k\n*TP a b 0\n",
                "t\nR1 a a 1k\nXV1 a a a 12AV6_T\n*TP a\n",
                "t\nXV1 p g k 99ZZ9_T\nR1 p 0 1k\n*TP p g k\n",
                "t\nR1 a 0 1e30\nC1 a b 1e-30\nD1 a b NOMODEL\nK1 L1 L2 0.9\n*TP a b missing\n",
                "t\nXT1 a b c XFMR VP=-5 RP=0\nXS1 a b SELENIUM N=0\n*TP a\n*MODES ONE TWO\n",
                "t\nR1 a b 1k ; closed=\nR2 b 0 1k ; kind=switch closed=X,Y tol=nan watt=inf\n*TP a b\n",
                "\uFEFFt\r\nR1 a 0 1k\r\n*PINS V1 12AV6 1=a 1=a\r\n*TP a\r\n"
            })
    void oddDecks_areTakenOrRefusedInASentence(String deck) throws IOException {
        String set = RunningServer.newTableSet();
        RunningServer.Answer answer =
                RunningServer.upload("/api/sets/" + set + "/circuit-imports", deck.getBytes(StandardCharsets.UTF_8));
        assertTrue(answer.status() == 200 || answer.status() == 422, answer.text());
        RunningServer.post(
                "/api/sets/" + set + "/readings",
                "{\"id\":\"" + UUID.randomUUID()
                        + "\",\"text\":\"40\",\"node\":\"a\",\"confirmed\":true,\"takenAt\":null,\"note\":\"\"}");
        for (String view : new String[] {"/volts", "/circuit", "/log", "/circuit.cir", "/sheet.csv", "/readings.csv"}) {
            assertEquals(200, RunningServer.get("/api/sets/" + set + view).status(), view);
        }
    }

    @Test
    void hugeAndForeignFiles_areRefused() throws IOException {
        String path = "/api/sets/" + RunningServer.newTableSet();
        StringBuilder huge = new StringBuilder("t\n");
        for (int i = 0; i < 10_000; i++) {
            huge.append("R")
                    .append(i)
                    .append(" n")
                    .append(i)
                    .append(" n")
                    .append(i + 1)
                    .append(" 1k\n");
        }
        assertEquals(
                422,
                RunningServer.upload(path + "/circuit-imports", huge.toString().getBytes(StandardCharsets.UTF_8))
                        .status());
        byte[] junk = new byte[100_000];
        new Random(3).nextBytes(junk);
        for (String kind : new String[] {"circuit", "sheet", "reading"}) {
            assertEquals(
                    422,
                    RunningServer.upload(path + "/" + kind + "-imports", junk).status(),
                    kind);
        }
        assertEquals(
                413,
                RunningServer.upload(path + "/reading-imports", new byte[6_000_000])
                        .status());
        assertEquals(
                422,
                RunningServer.post(path + "/parts", "{\"line\":\"R1" + "x".repeat(80) + " a b 1k\"}")
                        .status());
    }
}
