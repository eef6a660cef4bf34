package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpRequest;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.umberdial.core.alignment.SimulatedReceiver;
import org.umberdial.core.evidence.BandSaid;
import org.umberdial.core.evidence.ReceiverSaid;
import org.umberdial.core.tuning.Band;
import org.umberdial.instruments.ReceiverStandIn;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningServer.class)
class AlignmentTest {
    /** The demo's set with FM, whose stand-in answers on the network. */
    private static final String GRAND = "/api/sets/22222222-0000-4000-8000-000000000002";

    private static String set(String construction) {
        String id = UUID.randomUUID().toString();
        RunningServer.post(
                "/api/sets",
                "{\"id\":\"" + id + "\",\"title\":\"Receiver\",\"ticket\":\"\",\"place\":\"\",\"waitsFor\":\"\","
                        + "\"construction\":\"" + construction + "\"}");
        return "/api/sets/" + id;
    }

    private static RunningServer.Answer post(String path, String fields) {
        return RunningServer.post(path, "{\"id\":\"" + UUID.randomUUID() + "\"," + fields + "}");
    }

    private static RunningServer.Answer superhet(String set) {
        post(
                set + "/dials/bands",
                "\"name\":\"MW\",\"low\":\"530\",\"high\":\"1605\",\"intermediate\":\"455\",\"oscillatorAbove\":true");
        return post(
                set + "/alignment/receiver",
                "\"kind\":\"SUPERHET\",\"cans\":2,\"fmCans\":0,\"detector\":\"NONE\",\"has\":[]");
    }

    @Test
    void aPlanIsMadeWorkedAndReadAgain() {
        String set = set("BATTERY");
        JsonNode empty = RunningServer.get(set + "/alignment").json();
        assertFalse(empty.at("/receiver/said").asBoolean());
        assertTrue(empty.at("/lacks/0").asString().contains("kind of receiver"), empty.toString());
        JsonNode plan = superhet(set).json();
        assertEquals("warm", plan.at("/next").asString());
        JsonNode done = post(
                        set + "/alignment/steps",
                        "\"step\":\"if-s-2\",\"before\":\"0.12\",\"after\":\"0.3\",\"note\":\"half a turn\"")
                .json();
        JsonNode step = null;
        for (JsonNode each : done.at("/steps")) {
            step = each.at("/id").asString().equals("if-s-2") ? each : step;
        }
        assertTrue(step.at("/done").asBoolean());
        assertEquals(0.3, step.at("/after").asDouble());
        String rows = "447 90\\n449 70\\n451 55\\n453 48\\n455 46\\n457 48\\n459 56\\n461 71\\n463 92";
        JsonNode curve = post(
                        set + "/alignment/curves",
                        "\"name\":\"IF\",\"sort\":\"LEVEL\",\"wanted\":\"455\",\"rows\":\"" + rows + "\"")
                .json();
        assertEquals(455e3, curve.at("/curves/0/centre").asDouble(), 500);
        assertTrue(curve.at("/curves/0/right").asBoolean(), curve.at("/curves").toString());
        String log = RunningServer.get(set + "/log").text();
        assertTrue(log.contains("Can 2: the circuit at the detector"), log);
    }

    @Test
    void onALiveChassis_aLeadWaitsForItsReading() {
        String set = set("SERIES_STRING");
        superhet(set);
        String step = "\"step\":\"if-s-2\",\"before\":\"\",\"after\":\"\",\"note\":\"\"";
        assertEquals(422, post(set + "/alignment/steps", step).status());
        assertEquals(
                200,
                post(set + "/alignment/steps", "\"step\":\"warm\",\"before\":\"\",\"after\":\"\",\"note\":\"\"")
                        .status());
        JsonNode opened = post(set + "/alignment/lead", "\"volts\":\"0.1\",\"turnedVolts\":\"0.15\",\"ohms\":\"1500\"")
                .json();
        assertEquals("", opened.at("/lead").asString());
        assertEquals(200, post(set + "/alignment/steps", step).status());
    }

    @Test
    void nonsenseIsRefusedInASentence() {
        String set = set("BATTERY");
        superhet(set);
        String[][] all = {
            {"/alignment/receiver", "\"kind\":\"SUPERHET\",\"cans\":9,\"fmCans\":0,\"detector\":\"NONE\",\"has\":[]"},
            {"/alignment/receiver", "\"kind\":\"TV\",\"cans\":2,\"fmCans\":0,\"detector\":\"NONE\",\"has\":[]"},
            {"/alignment/steps", "\"step\":\"if-s-2\",\"before\":\"x\",\"after\":\"\",\"note\":\"\""},
            {"/alignment/steps", "\"step\":\"if-s-2\",\"before\":\"1e400\",\"after\":\"\",\"note\":\"\""},
            {"/alignment/steps", "\"step\":\"if-s-9\",\"before\":\"\",\"after\":\"\",\"note\":\"\""},
            {"/alignment/curves", "\"name\":\"IF\",\"sort\":\"LEVEL\",\"wanted\":\"455\",\"rows\":\"455\""},
            {"/alignment/curves", "\"name\":\"IF\",\"sort\":\"LEVEL\",\"wanted\":\"455\",\"rows\":\"\""},
            {"/alignment/curves", "\"name\":\"IF\",\"sort\":\"LEVEL\",\"wanted\":\"-1\",\"rows\":\"1 1\""},
            {"/alignment/lead", "\"volts\":\"\",\"turnedVolts\":\"0\",\"ohms\":\"1500\""},
            {"/alignment/lead", "\"volts\":\"0\",\"turnedVolts\":\"0\",\"ohms\":\"10000000\""},
            {"/alignment/generator", "\"step\":\"warm\",\"microvolts\":\"5\""},
            {"/alignment/turns", "\"core\":\"IF9P\",\"turns\":1"},
            {"/alignment/turns", "\"core\":\"IF1P\",\"turns\":99"},
            {"/gains", "\"point\":\"V9\",\"microvolts\":\"5\",\"speakerVolts\":\"\""},
            {"/radio-readings", "\"what\":\"POWER\",\"volts\":\"RMS\",\"name\":\"\",\"first\":\"-3\",\"second\":\"50\""
            },
            {"/radio-readings", "\"what\":\"DEPTH\",\"volts\":\"RMS\",\"name\":\"\",\"first\":\"1\",\"second\":\"3\""},
            {"/radio-readings/keyed", "\"watts\":\"0\",\"rated\":\"25\",\"joules\":\"\""},
            {"/radio-readings/intermediate", "\"oscillator\":\"1000\",\"signal\":\"1000\""},
            {"/listening", "\"question\":\"bands\",\"answer\":\"perhaps\",\"note\":\"\""},
            {"/listening", "\"question\":\"nothing\",\"answer\":\"good\",\"note\":\"\""}
        };
        for (String[] each : all) {
            RunningServer.Answer answer = post(set + each[0], each[1]);
            assertTrue(
                    answer.status() == 422 || answer.status() == 404 || answer.status() == 400,
                    each[1] + answer.text());
            assertTrue(answer.text().contains("detail"), answer.text());
        }
    }

    @Test
    void figuresOfRadioFrequency_areReckonedAndKept() {
        String set = set("BATTERY");
        JsonNode power = post(
                        set + "/radio-readings",
                        "\"what\":\"PEAK_POWER\",\"volts\":\"RMS\",\"name\":\"80 m\",\"first\":\"200\",\"second\":\"50\"")
                .json();
        assertEquals(100, power.at("/readings/0/value").asDouble(), 1e-9);
        JsonNode gain = post(
                        set + "/radio-readings",
                        "\"what\":\"PRESELECTOR_GAIN\",\"volts\":\"RMS\",\"name\":\"\",\"first\":\"10\",\"second\":\"100\"")
                .json();
        assertEquals(20, gain.at("/readings/1/value").asDouble(), 1e-9);
        assertTrue(RunningServer.post(
                        set + "/radio-readings/keyed", "{\"watts\":\"100\",\"rated\":\"25\",\"joules\":\"3000\"}")
                .json()
                .at("/says")
                .asString()
                .contains("40 s"));
        assertTrue(RunningServer.post(
                        set + "/radio-readings/intermediate", "{\"oscillator\":\"1460\",\"signal\":\"1000\"}")
                .json()
                .at("/says/1")
                .asString()
                .contains("460 kHz"));
    }

    @Test
    void levelsTellWhichStageIsWeak() {
        JsonNode gains = RunningServer.get(GRAND + "/gains").json();
        assertEquals(460, gains.at("/intermediateKilohertz").asDouble());
        JsonNode read = post(GRAND + "/gains", "\"point\":\"V5:AUDIO\",\"microvolts\":\"900000\",\"speakerVolts\":\"\"")
                .json();
        assertEquals(
                "WEAK",
                read.at("/stages/0/verdict").asString(),
                read.at("/stages/0").toString());
        assertEquals("UNREAD", read.at("/stages/1/verdict").asString());
        JsonNode aerial = post(
                        GRAND + "/gains", "\"point\":\"AERIAL:SIGNAL\",\"microvolts\":\"45\",\"speakerVolts\":\"\"")
                .json();
        int last = aerial.at("/points").size() - 1;
        assertEquals(45, aerial.at("/points/" + last + "/readMicrovolts").asDouble(), 1e-9, "its sensitivity");
    }

    @Test
    void theNetworkedStandInIsSetReadAndTurned() {
        SimulatedReceiver receiver = new SimulatedReceiver(
                new ReceiverSaid(ReceiverSaid.Kind.SUPERHET, 2, 0, ReceiverSaid.Detector.NONE, Set.of()),
                List.of(new Band(new BandSaid("MW", 530, 1605, 455, true))),
                11);
        // The demo's own stand-in would answer beside it.
        for (JsonNode there : RunningServer.get("/api/instrument-links").json().at("/links")) {
            RunningServer.delete("/api/instrument-links/" + there.at("/id").asString());
        }
        String link = UUID.randomUUID().toString();
        try (ReceiverStandIn standIn = new ReceiverStandIn(receiver)) {
            RunningServer.post(
                    "/api/instrument-links",
                    "{\"id\":\"" + link + "\",\"name\":\"Receiver\",\"host\":\"127.0.0.1\",\"port\":" + standIn.port()
                            + ",\"profile\":\"receiver-stand-in\"}");
            String set = set("BATTERY");
            superhet(set);
            JsonNode can = RunningServer.get(set + "/alignment").json();
            assertTrue(can.at("/generatorAnswers").asBoolean()
                    && can.at("/turnsHere").asBoolean());
            double before = RunningServer.post(
                            set + "/alignment/generator", "{\"step\":\"if-s-2\",\"microvolts\":\"20\"}")
                    .json()
                    .at("/output")
                    .asDouble();
            double best = 0;
            for (int i = 0; i < 40; i++) {
                String turn = "{\"core\":\"IF2S\",\"turns\":" + (i == 0 ? -2 : 0.1) + "}";
                best = Math.max(
                        best,
                        RunningServer.post(set + "/alignment/turns", turn)
                                .json()
                                .at("/output")
                                .asDouble());
            }
            assertTrue(best > before, best + " of " + before);
            // A band whose name a line of commands would take for its own does no harm.
            post(
                    set + "/dials/bands",
                    "\"name\":\"A;OUTP ON,\\n*RST\",\"low\":\"150\",\"high\":\"300\",\"intermediate\":\"455\",\"oscillatorAbove\":true");
            RunningServer.Answer named = RunningServer.post(
                    set + "/alignment/generator", "{\"step\":\"osc-low-A;OUTP ON,\\n*RST\",\"microvolts\":\"20\"}");
            assertEquals(200, named.status(), named.text());
            standIn.close();
            RunningServer.Answer pulled =
                    RunningServer.post(set + "/alignment/generator", "{\"step\":\"if-s-2\",\"microvolts\":\"20\"}");
            assertEquals(422, pulled.status());
            assertTrue(pulled.text().contains("does not obey"), pulled.text());
            assertTrue(RunningServer.get(set + "/alignment/meters")
                    .json()
                    .at("/output")
                    .isNull());
        } finally {
            RunningServer.delete("/api/instrument-links/" + link);
        }
    }

    @Test
    void aRecordedSineTellsItsDistortion() throws IOException {
        String set = set("BATTERY");
        byte[] samples = new byte[4 * 44_100];
        for (int i = 0; i < samples.length / 2; i++) {
            double angle = 2 * Math.PI * 400 * i / 44_100;
            int value = (int) (12_000 * (Math.sin(angle) + 0.03 * Math.sin(2 * angle)));
            samples[2 * i] = (byte) value;
            samples[2 * i + 1] = (byte) (value >> 8);
        }
        ByteArrayOutputStream wav = new ByteArrayOutputStream();
        AudioSystem.write(
                new AudioInputStream(
                        new ByteArrayInputStream(samples),
                        new AudioFormat(44_100, 16, 1, true, false),
                        samples.length / 2),
                AudioFileFormat.Type.WAVE,
                wav);
        JsonNode read = sine(set, wav.toByteArray()).json();
        assertEquals(3, read.at("/thdPercent").asDouble(), 0.05);
        assertTrue(RunningServer.get(set + "/listening")
                .json()
                .at("/distortion")
                .asString()
                .contains("3.00 %"));
        RunningServer.Answer refused = sine(set, new byte[5000]);
        assertEquals(422, refused.status());
        assertTrue(refused.text().contains("WAV or FLAC"), refused.text());
    }

    private static RunningServer.Answer sine(String set, byte[] sound) {
        return RunningServer.send(
                HttpRequest.newBuilder(URI.create(RunningServer.base() + set + "/listening/sines/" + UUID.randomUUID()))
                        .header("Content-Type", "application/octet-stream")
                        .POST(HttpRequest.BodyPublishers.ofByteArray(sound))
                        .build());
    }
}
