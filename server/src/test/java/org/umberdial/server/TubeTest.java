package org.umberdial.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** The shop's own tube types, from the form and the file to the draft, and along with a set to another shop. */
@ExtendWith(RunningServer.class)
class TubeTest {
    private static final String PENTODE =
            "{\"section\":\"pentode\",\"class\":\"output\",\"Va\":\"250\",\"Vg2\":\"250\","
                    + "\"Vg1\":\"-12\",\"Ia_mA\":\"40\",\"Ig2_mA\":\"4\",\"gm_mA_V\":\"5\",\"rp_kohm\":\"50\","
                    + "\"heater_V\":\"6.3\",\"heater_A\":\"0.5\",\"Pa_max_W\":\"12\"}";

    private static String edit(String name, String seen) {
        return "{\"name\":\"" + name + "\",\"rows\":[" + PENTODE + "],\"seen\":\"" + seen + "\"}";
    }

    private final Guest here = new Guest(RunningServer.base());

    private Guest other() throws IOException {
        Guest guest = new Guest(RunningServer.base());
        String link = here.post(
                        "/api/shops",
                        "{\"shopName\":\"Tube bench\",\"ownerName\":\"tuber\",\"ownerShownName\":\"Tuber\"}")
                .json()
                .get("token")
                .asString();
        guest.redeem(link);
        return guest;
    }

    @Test
    void aTypeOfTheShops_carriesADraftAndGoesAlongWithTheSet() throws Exception {
        JsonNode kept = RunningServer.put("/api/tubes/type", edit("77Q7", "")).json();
        assertTrue(kept.at("/row/own").asBoolean() && kept.at("/row/known").asBoolean(), kept.toString());
        assertEquals(409, RunningServer.put("/api/tubes/type", edit("77Q7", "")).status(), "made from nothing, again");
        String path = RunningServer.newSet("Own output tube");
        String draft = "{\"lineUp\":\"ECC83 77Q7 EZ80\",\"lineVolts\":\"\"}";
        JsonNode seen = RunningServer.post(path + "/drafts/readings", draft).json();
        assertEquals("output tube", seen.at("/tubes/1/use").asString(), seen.toString());
        RunningServer.post(path + "/drafts", draft);
        String parts = RunningServer.get(path + "/circuit").text();
        assertTrue(parts.contains("77Q7") && parts.contains("by your own figures"), parts);
        byte[] bundle = here.bytes(path + "/bundle.zip");
        Guest other = other();
        JsonNode taken = other.upload("/api/bundles?title=", bundle).json();
        assertTrue(taken.at("/result/notes").toString().contains("77Q7 came with the set"), taken.toString());
        assertEquals(
                "LOW",
                other.get("/api/tubes/type?name=77Q7").json().get("confidence").asString(),
                "a stranger's figures accuse nobody");
        here.delete("/api/tubes/type?name=77Q7&seen=" + kept.get("seen").asString());
        assertEquals(404, RunningServer.get("/api/tubes/type?name=77Q7").status());
        assertEquals(200, RunningServer.get(path + "/drawing").status(), "a set outlives its tube's figures");
    }

    @Test
    void aFile_bringsGoodTypesAndNamesTheLineOfABadOne() throws IOException {
        String file = "type;section;va;vg1;ia_ma;mu;heater_v;heater_a;colour\n"
                + "88Q8;triode;200;-3;4,5;30;6,3;0,3;red\n88Q9;triode;200;-3;;30;6,3;0,3;red\n";
        JsonNode taken = RunningServer.upload("/api/tubes/imports", file.getBytes(StandardCharsets.UTF_8))
                .json();
        assertEquals(1, taken.get("added").asInt(), taken.toString());
        assertEquals(3, taken.at("/refused/0/line").asInt(), taken.toString());
        assertTrue(taken.get("notes").toString().contains("colour"), taken.toString());
        String out = RunningServer.get("/api/tubes/own.csv").text();
        assertTrue(out.contains("88Q8,") && out.contains("4.5"), out);
        JsonNode again = RunningServer.upload("/api/tubes/imports", out.getBytes(StandardCharsets.UTF_8))
                .json();
        assertEquals(0, again.get("added").asInt(), again.toString());
        assertFalse(
                RunningServer.get("/api/tubes?query=88q8").json().get("tubes").isEmpty());
        here.delete("/api/tubes/type?name=88Q8&seen="
                + RunningServer.get("/api/tubes/type?name=88Q8")
                        .json()
                        .get("seen")
                        .asString());
    }
}
