package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.context.ConfigurableApplicationContext;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.instruments.Bench;
import org.umberdial.instruments.Clips;
import org.umberdial.instruments.SimulatedSet;
import tools.jackson.databind.JsonNode;

/** First power over the interface: what stands before it, runs by hand and by instruments, two processes, stop. */
@ExtendWith(RunningServer.class)
class PowerTest {
    private static String quoted(Object... pairs) {
        StringBuilder json = new StringBuilder("{\"id\":\"" + UUID.randomUUID() + "\"");
        for (int i = 0; i < pairs.length; i += 2) {
            String value = pairs[i + 1] instanceof Integer
                            || String.valueOf(pairs[i + 1]).startsWith("{")
                    ? String.valueOf(pairs[i + 1])
                    : "\"" + pairs[i + 1] + "\"";
            json.append(",\"").append(pairs[i]).append("\":").append(value);
        }
        return json + "}";
    }

    /**
     * Answers whatever stands before power of a set: what a person can answer, and the rest passed over with a reason.
     */
    private static void settle(Guest guest, String power) {
        JsonNode view = guest.get(power).json();
        for (int i = 0; i < 40 && view.at("/unsettled").asInt() > 0; i++) {
            JsonNode open = null;
            for (JsonNode one : view.at("/ready")) {
                String state = one.at("/state").asString();
                open = open == null && (state.equals("ASKED") || state.equals("WRONG")) ? one : open;
            }
            String opens = "";
            for (JsonNode choice : open.at("/choices")) {
                opens = opens.isEmpty() && choice.at("/opens").asBoolean()
                        ? choice.at("/id").asString()
                        : opens;
            }
            RunningServer.Answer answer = guest.post(
                    power + "/answers",
                    quoted(
                            "gate", open.at("/id").asString(),
                            "answer", opens.isEmpty() ? "override" : opens,
                            "reason", opens.isEmpty() ? "a test's bench" : ""));
            assertEquals(200, answer.status(), answer.text());
            view = answer.json();
        }
        assertEquals(0, view.at("/unsettled").asInt(), view.toString());
    }

    private static String begun(Guest guest, String power, String feed) {
        String id = UUID.randomUUID().toString();
        RunningServer.Answer answer = guest.post(power + "/runs", "{\"id\":\"" + id + "\",\"feed\":\"" + feed + "\"}");
        assertEquals(200, answer.status(), answer.text());
        return power + "/runs/" + id;
    }

    private static RunningServer.Answer read(Guest guest, String run, String what, String typed) {
        return guest.post(run + "/samples", "{\"figures\":{\"" + what + "\":\"" + typed + "\"}}");
    }

    @Test
    void aRunByHand_fromWhatStandsBeforeItToTheSupplyReadEmpty() throws IOException, InterruptedException {
        Guest guest = new Guest(RunningServer.base());
        String set = "/api/sets/" + guest.newTableSet();
        String power = set + "/power";
        String start = "{\"id\":\"" + UUID.randomUUID() + "\",\"feed\":\"HAND\"}";
        RunningServer.Answer early = guest.post(power + "/runs", start);
        assertEquals(422, early.status());
        assertTrue(early.text().contains("not settled before power"), early.text());
        assertEquals(
                422,
                guest.post(power + "/answers", quoted("gate", "helper", "answer", "override", "reason", " "))
                        .status(),
                "a reason is written, not blank");
        assertEquals(
                422,
                guest.post(power + "/answers", quoted("gate", "helper", "answer", "perhaps", "reason", ""))
                        .status());
        assertEquals(
                404,
                guest.post(power + "/answers", quoted("gate", "no such", "answer", "yes", "reason", ""))
                        .status());
        settle(guest, power);
        String run = beganAtOnce(guest, power);
        assertEquals(
                200,
                guest.post(power + "/runs", start.replace(start.substring(7, 43), run.substring(run.length() - 36)))
                        .status(),
                "the same id again changes nothing");
        for (String nonsense : List.of("abc", "9e99", "", "5 W", "--")) {
            assertEquals(422, read(guest, run, "rail:filter_1", nonsense).status(), nonsense);
        }
        assertEquals(422, read(guest, run, "lamp", "purple").status());
        assertEquals(422, read(guest, run, "no such", "5").status());
        assertEquals(200, read(guest, run, "lamp", "dull").status());
        RunningServer.Answer over = read(guest, run, "rail:filter_1", "165");
        assertEquals(200, over.status(), over.text());
        JsonNode whole = guest.get(run).json();
        assertEquals("OVER_RATING", whole.at("/alarms/0/kind").asString());
        assertEquals("RUNNING", whole.at("/state/state").asString(), "an alarm cuts nothing where nothing can be cut");
        assertFalse(whole.at("/state/controlled").asBoolean());
        assertEquals(
                422,
                guest.post(run + "/advances", "{\"from\":0,\"reason\":\"\"}").status());
        assertEquals(
                1,
                guest.post(run + "/advances", "{\"from\":0,\"reason\":\"the meter was on the wrong range\"}")
                        .json()
                        .at("/step")
                        .asInt());
        assertEquals(
                1,
                guest.post(run + "/advances", "{\"from\":0,\"reason\":\"pressed twice\"}")
                        .json()
                        .at("/step")
                        .asInt(),
                "a second press of the same button changes nothing");
        JsonNode stopped = guest.post(run + "/stops", "{\"why\":\"\"}").json();
        assertEquals("STOPPING", stopped.at("/state").asString());
        assertEquals(422, guest.post(power + "/runs", start).status(), "its supply is not read empty");
        assertEquals(
                "STOPPING",
                read(guest, run, "rail:filter_1", "40").json().at("/state").asString());
        assertEquals(
                "STOPPING", read(guest, run, "set", "0").json().at("/state").asString());
        assertEquals(
                "STOPPING",
                read(guest, run, "rail:filter_1", "12").json().at("/state").asString(),
                "the other point was not read yet");
        assertEquals(
                "ENDED",
                read(guest, run, "rail:filter_2", "11").json().at("/state").asString());
        assertEquals(422, read(guest, run, "rail:filter_1", "12").status(), "it has ended");
        assertTrue(guest.get(set + "/log").text().contains("Run stopped"));
        assertTrue(guest.get(power).json().at("/unsettled").asInt() > 0, "what changes with each run is asked anew");
        assertTrue(guest.get(set + "/stands").text().contains("hands:charge"), "the capacitors may be charged");
        streamGoesOnWhereItStood(RunningServer.base() + run);
        goesAlong(guest, set, run);
        aLiftedLead(guest, set, power);
    }

    /** A plan, the run by it and its words are without what is lifted; a set that is not whole has not come up. */
    private static void aLiftedLead(Guest guest, String set, String power) {
        assertEquals(
                200,
                guest.post(set + "/ledger/for-now", quoted("part", "C4", "way", "LEAD_LIFTED", "note", "to see"))
                        .status());
        assertTrue(guest.get(power + "/plan").text().contains("Reckoned without C4"));
        settle(guest, power);
        String run = begun(guest, power, "HAND");
        guest.post(run + "/stops", "{\"why\":\"\"}");
        assertEquals(
                "without C4", guest.get(power + "/runs").json().at("/0/without").asString());
        JsonNode ways = guest.get(power + "/plan/ways").json();
        assertEquals(4, ways.size());
        for (JsonNode way : ways) {
            assertTrue(
                    way.at("/seconds").asInt() >= 60
                            && way.at("/reason").asString().isEmpty(),
                    way.toString());
        }
    }

    /** Two people press the button at one moment: one run begins, and the other is told of it. */
    private static String beganAtOnce(Guest guest, String power) {
        List<String> ids =
                List.of(UUID.randomUUID().toString(), UUID.randomUUID().toString());
        List<CompletableFuture<RunningServer.Answer>> answers = ids.stream()
                .map(id -> CompletableFuture.supplyAsync(
                        () -> guest.post(power + "/runs", "{\"id\":\"" + id + "\",\"feed\":\"HAND\"}")))
                .toList();
        List<Integer> statuses =
                answers.stream().map(answer -> answer.join().status()).toList();
        assertEquals(List.of(200, 422), statuses.stream().sorted().toList());
        return power + "/runs/" + ids.get(statuses.indexOf(200));
    }

    /** A run that has ended goes along with its set, whole; one that was tampered with is left out and named. */
    private static void goesAlong(Guest guest, String set, String run) throws IOException, InterruptedException {
        byte[] bundle = guest.bytes(set + "/bundle.zip");
        Guest other = BundleTest.ofAnotherShop();
        JsonNode taken = other.upload("/api/bundles", bundle).json();
        assertTrue(taken.toString().contains("1 run of first power came with it."), taken.toString());
        String there = "/api/sets/" + taken.at("/setId").asString() + "/power/runs";
        JsonNode copy = other.get(
                        there + "/" + other.get(there).json().at("/0/id").asString())
                .json();
        JsonNode whole = guest.get(run).json();
        for (String what : List.of("/plan", "/points", "/alarms", "/events", "/state/fall", "/run/ending")) {
            assertEquals(whole.at(what), copy.at(what), what);
        }
        Map<String, byte[]> files = BundleTest.unpacked(bundle);
        String name = files.keySet().stream()
                .filter(file -> file.startsWith("runs/"))
                .findFirst()
                .orElseThrow();
        String json = new String(files.get(name), StandardCharsets.UTF_8);
        List<String> tampered = List.of(
                "[]",
                json.substring(0, 4000),
                json.replace("\"step\":1", "\"step\":77"),
                json.replace("\"kind\":\"sample\"", "\"kind\":\"simple\""),
                json.replace("h:,", "h:1,2,3,"),
                json.replaceFirst("\"middle\":\\{\"rows\":\\[\\[[^,]+,", "\"middle\":{\"rows\":[["),
                json.replaceFirst("\"body\":\"0\"", "\"body\":\"x\""));
        for (String bad : tampered) {
            assertFalse(bad.equals(json), "it was changed");
            files.put(name, bad.getBytes(StandardCharsets.UTF_8));
            Guest third = BundleTest.ofAnotherShop();
            String answer = third.upload("/api/bundles", BundleTest.zip(files)).text();
            assertTrue(answer.contains("is not whole and was left out."), answer);
        }
    }

    private static void streamGoesOnWhereItStood(String run) throws IOException, InterruptedException {
        List<String> all = numbers(run, "", 6);
        assertEquals(List.of("0", "1", "2", "3", "4", "5"), all);
        assertEquals(List.of("3", "4", "5"), numbers(run, "2", 3), "a screen that was away misses nothing");
    }

    private static List<String> numbers(String run, String last, int count) throws IOException, InterruptedException {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(run + "/live?from=0"));
        if (!last.isEmpty()) {
            request.header("Last-Event-ID", last);
        }
        HttpResponse<InputStream> answer =
                HttpClient.newHttpClient().send(request.build(), HttpResponse.BodyHandlers.ofInputStream());
        try (BufferedReader lines = new BufferedReader(new InputStreamReader(answer.body(), StandardCharsets.UTF_8))) {
            // Reading blocks until the word comes; the time-out of every test ends one that never does.
            return lines.lines()
                    .filter(line -> line.startsWith("id:"))
                    .map(line -> line.substring(3))
                    .limit(count)
                    .toList();
        }
    }

    @Test
    void anInstrumentIsOfThisNetwork_andWhatDoesNotAnswerIsSaid() throws IOException {
        Guest guest = new Guest(RunningServer.base());
        RunningServer.Answer far = guest.post(
                "/api/instrument-links",
                quoted("name", "Far", "host", "203.0.113.7", "port", 5025, "profile", "meter"));
        assertEquals(422, far.status());
        assertTrue(far.text().contains("not in this network"), far.text());
        assertEquals(
                422,
                guest.post(
                                "/api/instrument-links",
                                quoted("name", "Odd", "host", "127.0.0.1", "port", 70000, "profile", "meter"))
                        .status());
        String id = UUID.randomUUID().toString();
        int nobody;
        try (java.net.ServerSocket socket = new java.net.ServerSocket(0)) {
            nobody = socket.getLocalPort();
        }
        guest.post(
                "/api/instrument-links",
                quoted("name", "Silent", "host", "127.0.0.1", "port", nobody, "profile", "meter")
                        .replaceFirst("\"id\":\"[^\"]*\"", "\"id\":\"" + id + "\""));
        assertTrue(guest.post("/api/instrument-links/" + id + "/questions", "{}")
                .text()
                .contains("takes no connection"));
        assertEquals(200, guest.delete("/api/instrument-links/" + id).status());
    }

    /**
     * Two processes on one database, one bench: a healthy run to its end, a fault that is switched off, a meter lost.
     */
    @Test
    void twoProcessesShowOneRun_anAlarmSwitchesOff_andALostMeterIsAnAlarm() throws IOException {
        ConfigurableApplicationContext second = RunningServer.twin(
                "--umber.demo=true", "--umber.power.speed=" + RunningServer.SPEED, "--umber.power.reads=false");
        Guest one = new Guest(RunningServer.base());
        Guest two = new Guest(RunningServer.base(second));
        Deck deck = DeckReader.read(new String(RunningServer.resource("table-set.cir"), StandardCharsets.UTF_8));
        AtomicReference<List<SimulatedSet.Hidden>> hidden = new AtomicReference<>(List.of());
        try (Bench bench = new Bench(
                faults -> new SimulatedSet(deck, hidden.get(), 11),
                new Clips(List.of(
                        new Clips.Pair("filter_1", "0"),
                        new Clips.Pair("filter_2", "0"),
                        new Clips.Pair("filter_1", "filter_2"))),
                117,
                RunningServer.SPEED)) {
            one.get("/api/instrument-links")
                    .json()
                    .at("/links")
                    .forEach(link ->
                            one.delete("/api/instrument-links/" + link.at("/id").asString()));
            link(one, "Supply", bench.supplyPort(), "line-supply");
            link(one, "Lamps", bench.limiterPort(), "lamp-limiter");
            link(one, "Scanner", bench.scannerPort(), "scanner");
            String power = "/api/sets/" + one.newTableSet() + "/power";
            settle(one, power);
            String healthy = begun(one, power, "INSTRUMENTS");
            JsonNode state = two.get(healthy).json().at("/state");
            for (int step = 0; step < 3; step++) {
                while (!state.at("/mayAdvance").asBoolean()) {
                    state = two.get(healthy).json().at("/state");
                    assertEquals("RUNNING", state.at("/state").asString(), state.toString());
                }
                state = two.post(healthy + "/advances", "{\"from\":" + step + ",\"reason\":\"\"}")
                        .json();
            }
            JsonNode end = ended(two, healthy);
            assertEquals(0, end.at("/alarms").size(), end.at("/alarms").toString());
            assertTrue(
                    end.at("/run/ending").asString().contains("every figure in its band"),
                    end.at("/run").toString());

            hidden.set(List.of(new SimulatedSet.Hidden("C1", SimulatedSet.Fault.SHORTED, 0, 0, 0)));
            renew(bench);
            settle(one, power);
            JsonNode shorted = ended(two, begun(one, power, "INSTRUMENTS"));
            assertEquals(
                    "NO_SUPPLY",
                    shorted.at("/alarms/0/kind").asString(),
                    shorted.at("/alarms").toString());
            assertEquals("C1", shorted.at("/alarms/0/suspects/0/part").asString());
            assertTrue(
                    shorted.at("/run/ending").asString().startsWith("No B+"),
                    shorted.at("/run").toString());

            hidden.set(List.of());
            renew(bench);
            settle(one, power);
            String stopped = begun(one, power, "INSTRUMENTS");
            // Behind by what the other process reads meanwhile, this one stops it all the same.
            for (int entries = 0; entries < 20; ) {
                entries = one.get(stopped).json().at("/next").asInt();
            }
            RunningServer.Answer stop = two.post(stopped + "/stops", "{\"why\":\"\"}");
            assertEquals(200, stop.status(), stop.text());
            assertTrue(ended(two, stopped).at("/run/ending").asString().contains("by hand"));

            settle(one, power);
            String cut = begun(one, power, "INSTRUMENTS");
            bench.dropScanner();
            JsonNode lost = two.get(cut).json();
            while (lost.at("/state/state").asString().equals("RUNNING")) {
                lost = two.get(cut).json();
            }
            assertEquals(
                    "LOST",
                    lost.at("/alarms/0/kind").asString(),
                    lost.at("/alarms").toString());
            assertTrue(lost.at("/alarms/0/says").asString().contains("nothing watches this now"));
            assertEquals("STOPPING", lost.at("/state/state").asString(), "off, but nobody has read it empty");
            assertEquals(200, read(two, cut, "rail:filter_1", "3").status());
            assertEquals(
                    "ENDED",
                    read(two, cut, "rail:filter_2", "2").json().at("/state").asString());
        } finally {
            second.close();
        }
    }

    private static void link(Guest guest, String name, int port, String profile) {
        assertEquals(
                200,
                guest.post(
                                "/api/instrument-links",
                                quoted("name", name, "host", "127.0.0.1", "port", port, "profile", profile))
                        .status());
    }

    /** The set is put on the bench anew, with what is hidden in it by then. */
    private static void renew(Bench bench) throws IOException {
        try (java.net.Socket socket = new java.net.Socket("127.0.0.1", bench.supplyPort())) {
            socket.getOutputStream().write("SIM:FAUL:CLE;*OPC?\n".getBytes(StandardCharsets.US_ASCII));
            assertEquals('1', socket.getInputStream().read());
        }
    }

    private static JsonNode ended(Guest guest, String run) {
        JsonNode whole = guest.get(run).json();
        while (!whole.at("/state/state").asString().equals("ENDED")) {
            whole = guest.get(run).json();
        }
        return whole;
    }
}
