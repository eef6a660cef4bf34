package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.awt.image.BufferedImage;
import java.net.URI;
import java.net.http.HttpRequest;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.umberdial.core.sound.SimulatedPlayer;
import org.umberdial.core.sound.Sound;
import org.umberdial.core.sound.SpeedLine;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningServer.class)
class PlayerTest {
    private static final byte[] TONE = SimulatedPlayer.wav(SimulatedPlayer.tone(3150)
            .turning(-3, new SpeedLine(33.33 / 60 * 0.97, 0.3, 0.5))
            .play(22050, 20));

    private static String set(String construction) {
        String id = UUID.randomUUID().toString();
        RunningServer.Answer made = RunningServer.post(
                "/api/sets",
                "{\"id\":\"" + id + "\",\"title\":\"Player\",\"ticket\":\"\",\"place\":\"\",\"waitsFor\":\"\","
                        + "\"construction\":\"" + construction + "\"}");
        assertEquals(200, made.status(), made.text());
        return "/api/sets/" + id + "/player";
    }

    private static RunningServer.Answer bytes(String path, String type, byte[] body) {
        return RunningServer.send(HttpRequest.newBuilder(URI.create(RunningServer.base() + path))
                .header("Content-Type", type)
                .POST(HttpRequest.BodyPublishers.ofByteArray(body))
                .build());
    }

    private static RunningServer.Answer sound(String player, String id, String more, byte[] body) {
        return bytes(player + "/sounds/" + id + "?tone=3150&rpm=33.33" + more, "application/octet-stream", body);
    }

    private static RunningServer.Answer drive(String player, String kind, String steps, String idler) {
        return RunningServer.post(
                player + "/drives",
                "{\"id\":\"" + UUID.randomUUID() + "\",\"kind\":\"" + kind
                        + "\",\"has\":[],\"motorRpm\":\"\",\"madeForHertz\":\"\",\"steps\":{" + steps
                        + "},\"idlerMm\":\"" + idler
                        + "\",\"rimMm\":\"214\",\"beltMm\":\"\",\"beltThickMm\":\"\"}");
    }

    @Test
    void aSoundIsKeptOnce_andWhatTurnsAsOftenIsNamed() {
        String player = set("RECORD_PLAYER");
        String id = UUID.randomUUID().toString();
        JsonNode kept = sound(player, id, "&source=FILE&grooveMm=100", TONE).json();
        assertEquals(-3, kept.at("/speeds/0/offPercent").asDouble(), 0.01);
        assertEquals("", kept.at("/tone/lines/0/may").path(0).asString(""), "no drive is described yet");
        assertEquals(200, sound(player, id, "&source=FILE&grooveMm=100", TONE).status());
        JsonNode described = drive(player, "idler", "\"33.33\":\"5\"", "38").json();
        assertEquals(1, described.at("/speeds").size());
        assertEquals("PLATTER", described.at("/tone/lines/0/part").asString());
        assertEquals(0.3, described.at("/tone/lines/0/offsetMm").asDouble(), 0.01);
        assertTrue(
                described.at("/suspects/0/named").asBoolean(),
                described.at("/suspects").toString());
    }

    @Test
    void theMeterFollowsARecording_pieceByPiece_andAMissingPieceIsSaid() {
        String player = set("RECORD_PLAYER");
        String take = player + "/takes/" + UUID.randomUUID() + "/pieces?hertz=22050&tone=3150&from=";
        byte[] samples = Arrays.copyOfRange(TONE, 44, TONE.length);
        JsonNode live = null;
        for (int from = 0; from < 5 * 22050; from += 5512) {
            live = bytes(take + from, "audio/L16", Arrays.copyOfRange(samples, 2 * from, 2 * (from + 5512)))
                    .json();
        }
        assertEquals(-3, live.at("/offPercent").asDouble(), 0.3);
        assertEquals(422, bytes(take + 7, "audio/L16", new byte[100]).status());
        assertEquals(
                404,
                bytes(
                                player + "/takes/" + UUID.randomUUID() + "/pieces?hertz=22050&tone=3150&from=7",
                                "audio/L16",
                                new byte[10])
                        .status());
    }

    @Test
    void aLeadFromALiveChassis_isNotListenedTo_beforeItsIsolationIsMeasured() {
        String player = set("RECORD_PLAYER_LIVE");
        RunningServer.Answer refused = sound(player, UUID.randomUUID().toString(), "&source=LINE", TONE);
        assertEquals(422, refused.status());
        assertTrue(refused.text().contains("heart and computer at risk"), refused.text());
        for (String[] read : new String[][] {{"0.1", "60", "422"}, {"0.1", "0.2", "200"}}) {
            String lead = "{\"id\":\"" + UUID.randomUUID() + "\",\"volts\":\"" + read[0] + "\",\"turnedVolts\":\""
                    + read[1] + "\",\"ohms\":\"1500\"}";
            assertEquals(
                    200,
                    RunningServer.post(player.replace("/player", "/alignment/lead"), lead)
                            .status());
            assertEquals(
                    Integer.parseInt(read[2]),
                    sound(player, UUID.randomUUID().toString(), "&source=LINE", TONE)
                            .status(),
                    read[1]);
        }
        assertEquals(
                200,
                sound(player, UUID.randomUUID().toString(), "&source=MICROPHONE", TONE)
                        .status());
    }

    /** The arm of a live player is never asked to be touched. */
    @Test
    void nothingIsAskedThatTouchesALiveChassis() {
        String live = set("RECORD_PLAYER_LIVE");
        String isolated = set("RECORD_PLAYER");
        for (String player : List.of(live, isolated)) {
            drive(player, "idler", "", "38");
        }
        assertFalse(RunningServer.get(live).text().contains("hum_touched"));
        assertTrue(RunningServer.get(isolated).text().contains("hum_touched"));
    }

    @Test
    void nonsenseIsRefusedInASentence_andKeepsNothing() {
        String player = set("RECORD_PLAYER");
        for (String more : List.of(
                "&source=FILE&rpm=0",
                "&source=FILE&minutes=-4",
                "&source=FILE&marks=a,b",
                "&source=FILE&grooveMm=NaN",
                "&source=FILE&marks=1e9")) {
            String path = player + "/sounds/" + UUID.randomUUID() + "?tone=3150"
                    + (more.contains("rpm") ? "" : "&rpm=33.33") + more;
            RunningServer.Answer answer = bytes(path, "application/octet-stream", TONE);
            assertEquals(422, answer.status(), more + " " + answer.text());
        }
        byte[] silence = SimulatedPlayer.wav(new Sound(22050, new float[22050 * 12]));
        for (byte[] body : List.of(new byte[0], new byte[100], silence)) {
            assertEquals(
                    422,
                    sound(player, UUID.randomUUID().toString(), "&source=FILE", body)
                            .status());
        }
        assertEquals(422, drive(player, "idler", "\"33.33\":\"-5\"", "38").status());
        assertEquals(422, drive(player, "idler", "\"fast\":\"5\"", "38").status());
        assertEquals(422, drive(player, "hamster", "", "38").status());
        assertEquals(422, drive(player, "idler", "", "1e99").status());
        String speed = "{\"id\":\"" + UUID.randomUUID()
                + "\",\"how\":\"STROBE\",\"what\":\"PLATTER\",\"rpm\":\"33.33\",\"load\":\"FREE\",\"minutes\":\"\","
                + "\"taps\":[],\"bars\":\"%s\",\"drift\":\"%s\",\"lamp\":\"LINE\",\"hertz\":\"%s\"}";
        for (String[] typed :
                new String[][] {{"0", "", "50"}, {"x", "", "50"}, {"180", "99", "50"}, {"7", "", "50"}, {"180", "", "0"}
                }) {
            RunningServer.Answer answer =
                    RunningServer.post(player + "/speeds", String.format(speed, (Object[]) typed));
            assertEquals(422, answer.status(), answer.text());
        }
        JsonNode after = RunningServer.get(player).json();
        assertTrue(after.at("/speeds").isEmpty() && after.at("/drive").isNull(), after.toString());
        assertEquals(422, drive(set("BATTERY"), "idler", "", "38").status());
    }

    @Test
    void aStrobeDisc_isASvgAndAPdfOfOnePage() throws Exception {
        String disc = "lamp=LINE&hertz=50&speeds=33.33,45,78.26";
        JsonNode view = RunningServer.get("/api/strobe-discs?" + disc).json();
        assertEquals(180, view.at("/rings/0/bars").asInt());
        assertTrue(RunningServer.get("/api/strobe-discs/svg?" + disc).text().startsWith("<svg"));
        byte[] pdf = new java.net.URL(RunningServer.base() + "/api/strobe-discs/pdf?" + disc)
                .openStream()
                .readAllBytes();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            assertEquals(1, document.getNumberOfPages());
            // Ten pixels a millimetre: the ruler is 100 mm, and the outer ring has its bars.
            BufferedImage page = new PDFRenderer(document).renderImageWithDPI(0, 254);
            assertEquals(1000, longestRun(page, page.getHeight() - 550), 4);
            assertEquals(180, bars(page, 1050, page.getHeight() - 1700, 850));
        }
        assertEquals(
                422,
                RunningServer.get("/api/strobe-discs?lamp=LINE&hertz=50&speeds=")
                        .status());
        assertEquals(
                422,
                RunningServer.get("/api/strobe-discs?lamp=LINE&hertz=NaN&speeds=33")
                        .status());
    }

    @Test
    void onlyThePageThatListens_mayHear() {
        String id = UUID.randomUUID().toString();
        String listens = RunningServer.get("/sets/" + id + "/finish")
                .response()
                .headers()
                .firstValue("Permissions-Policy")
                .orElse("");
        assertTrue(listens.contains("microphone=(self)"), listens);
        for (String path : List.of("/", "/sets/" + id + "/volts", "/sets/" + id + "/finish/drive", "/api/sets")) {
            String header = RunningServer.get(path)
                    .response()
                    .headers()
                    .firstValue("Permissions-Policy")
                    .orElse("");
            assertFalse(header.contains("microphone=(self)"), path + " " + header);
        }
    }

    private static boolean dark(BufferedImage page, double x, double y) {
        return (page.getRGB((int) x, (int) y) & 0xff) < 128;
    }

    private static int longestRun(BufferedImage page, int about) {
        int longest = 0;
        for (int y = about - 5; y <= about + 5; y++) {
            int run = 0;
            for (int x = 0; x < page.getWidth(); x++) {
                run = dark(page, x, y) ? run + 1 : 0;
                longest = Math.max(longest, run);
            }
        }
        return longest;
    }

    private static int bars(BufferedImage page, int x, int y, int radius) {
        int begun = 0;
        boolean before = dark(page, x + radius * Math.cos(-0.001), y + radius * Math.sin(-0.001));
        for (double angle = 0; angle < 2 * Math.PI; angle += 0.0005) {
            boolean now = dark(page, x + radius * Math.cos(angle), y + radius * Math.sin(angle));
            begun += now && !before ? 1 : 0;
            before = now;
        }
        return begun;
    }
}
