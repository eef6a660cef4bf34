package org.umberdial.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberdial.core.sound.SimulatedPlayer;
import org.umberdial.core.sound.SpeedLine;

class UmberTest {
    private static final String DECK = """
            own example: half-wave supply and one audio stage
            VLINE line 0 SIN(0 169.7 60)
            R1 line v2_plate 47 ; kind=wirewound
            XV2 v2_plate bplus 35W4 ; kind=tube
            C1 bplus 0 40u ; kind=electrolytic
            R2 bplus v1_plate 270k ; kind=carbon
            XV1 v1_plate v1_grid 0 12AV6_T ; kind=tube
            R3 v1_grid 0 10meg ; kind=carbon
            C2 v1_plate out 10n
            *TP bplus v1_plate v1_grid
            .end
            """;

    @TempDir
    private Path directory;

    private final StringWriter out = new StringWriter();
    private final StringWriter err = new StringWriter();

    private int run(String... arguments) {
        out.getBuffer().setLength(0);
        err.getBuffer().setLength(0);
        return Umber.run(new PrintWriter(out, true), new PrintWriter(err, true), arguments);
    }

    private String deck(String text) throws IOException {
        return Files.writeString(directory.resolve("set.cir"), text).toString();
    }

    private List<String> cells(String node) {
        return out.toString()
                .lines()
                .filter(line -> line.startsWith(node + ","))
                .map(line -> List.of(line.split(",", -1)))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void solve_printsEveryNode_andLeavesAFloatingOneEmpty() throws IOException {
        assertEquals(0, run("solve", deck(DECK)));
        assertTrue(out.toString().startsWith("node,volts,ac_volts,reads,source_ohms\n"));
        assertEquals(166, Double.parseDouble(cells("bplus").get(1)), 3);
        assertEquals(120, Double.parseDouble(cells("line").get(2)), 0.1);
        assertEquals(List.of("out", "", "", "", ""), cells("out"));
        assertTrue(err.toString().contains("out has no path"));
    }

    @Test
    void lineAndMeter_changeWhatIsRead() throws IOException {
        String deck = deck(DECK);
        run("solve", deck, "--meter", "10M");
        double electronic = Double.parseDouble(cells("v1_plate").get(3));
        run("solve", deck, "--meter", "1k/V@250", "--line", "120");
        assertTrue(Double.parseDouble(cells("v1_plate").get(3)) < 0.9 * electronic);
        run("solve", deck, "--line", "100");
        assertEquals(138, Double.parseDouble(cells("bplus").get(1)), 4);
    }

    @Test
    void ohms_startFromTheNodeAsked() throws IOException {
        String deck = deck(DECK);
        assertEquals(0, run("ohms", deck));
        assertEquals("inf", cells("bplus").get(1));
        assertEquals("10000000", cells("v1_grid").get(1));
        assertEquals(0, run("ohms", deck, "--from", "BPLUS"));
        assertEquals("270000", cells("v1_plate").get(1));
        assertEquals(2, run("ohms", deck, "--from", "nowhere"));
    }

    @Test
    void warmup_andRipple_areTables() throws IOException {
        String deck = deck(DECK);
        assertEquals(0, run("warmup", deck, "--lamp", "60W:1,bypass:1", "--seconds", "2"));
        assertTrue(out.toString()
                .startsWith("seconds,line_volts,set_volts,line_amps,lamp_watts,bplus,v1_plate,v1_grid\n0.00,"));
        assertEquals(10, out.toString().lines().count());
        assertEquals(0, run("ripple", deck));
        assertEquals("60", cells("bplus").get(2));
    }

    /** A line-up becomes a deck that solves and draws; a type is told by any of its names. */
    @Test
    void draft_solvesAndDraws_andTubesAreTold() throws IOException {
        assertEquals(0, run("draft", "12BE6 12BA6 12AV6 50C5 35W4", "99ZZ9"));
        assertTrue(err.toString().contains("V6 99ZZ9 is not in the tube data"));
        String drafted = deck(out.toString());
        assertEquals(0, run("solve", drafted));
        assertTrue(Double.parseDouble(cells("bplus").get(1)) > 80);
        assertTrue(Double.parseDouble(cells("v4_cathode").get(1)) > 4);
        Path picture = directory.resolve("set.svg");
        assertEquals(0, run("draw", drafted, "--out", picture.toString(), "--symbols", "iec"));
        assertTrue(Files.readString(picture).contains("data-part=\"XV4\""));
        assertEquals(0, run("draft", "6A8 6K7 6Q7 6F6 80", "--field", "minus", "--line", "220"));
        assertTrue(out.toString().contains("hv_minus") && out.toString().contains("SIN(0 311"));
        assertEquals(0, run("tubes", "vt-107"));
        assertTrue(out.toString().contains("type,6V6GT"));
        assertEquals(0, run("tubes"));
        assertTrue(out.toString().lines().count() > 800);
        assertEquals(3, run("tubes", "99ZZ9"));
        for (String[] wrong : List.of(
                new String[] {"draft", "foo bar"},
                new String[] {"draft", "6V6 5Y3", "--class", "boat"},
                new String[] {"draft", "6V6 5Y3", "--line", "5000"},
                new String[] {"draft", "6V6 5Y3", "--field", "left"},
                new String[] {"draft", "6V6 5Y3", "--rectifier", "wheel"},
                new String[] {"draw", drafted, "--symbols", "runes"})) {
            assertEquals(2, run(wrong), String.join(" ", wrong));
            assertTrue(err.toString().startsWith("umber: ") && !err.toString().contains("Exception"), err.toString());
        }
    }

    @Test
    void spice_readsBack() throws IOException {
        run("spice", deck(DECK));
        String exported = out.toString();
        run("solve", deck(exported));
        String again = out.toString();
        run("solve", deck(DECK));
        assertEquals(out.toString(), again);
    }

    @Test
    void anIncludedFile_liesBesideTheDeck_andNowhereElse() throws IOException {
        Files.writeString(directory.resolve("more.inc"), "R9 bplus 0 100k\n");
        assertEquals(0, run("solve", deck(DECK.replace("*TP", ".include more.inc\n*TP"))));
        assertEquals(2, run("solve", deck(DECK.replace("*TP", ".include ../more.inc\n*TP"))));
        assertTrue(err.toString().contains("leads out of the deck's own directory"), err.toString());
    }

    @Test
    void includedFiles_mayIncludeOthers_butNotThemselves() throws IOException {
        Files.writeString(directory.resolve("a.inc"), "R8 bplus 0 100k\n.include b.inc\n");
        Files.writeString(directory.resolve("b.inc"), "R9 bplus 0 100k\n");
        String deck = deck(DECK.replace("*TP", ".include a.inc\n*TP"));
        assertEquals(0, run("solve", deck));
        Files.writeString(directory.resolve("b.inc"), ".include a.inc\n");
        assertEquals(2, run("solve", deck));
        assertTrue(err.toString().contains("includes itself: a.inc → b.inc → a.inc"), err.toString());
    }

    @Test
    void aDeckInLatin1_isReadAndSaid_andNoiseIsPrintedAsNothing() throws IOException {
        Path deck = directory.resolve("old.cir");
        Files.write(deck, "Gerät\nV1 a 0 SIN(0 10 50)\nR1 a b 1k\nR2 b 0 1k\n".getBytes(StandardCharsets.ISO_8859_1));
        assertEquals(0, run("solve", deck.toString()));
        assertTrue(err.toString().contains("was read as Latin-1"), err.toString());
        assertEquals("0", cells("b").get(1));
    }

    @Test
    void whatIsNoError_isSaidBesideTheFigures() throws IOException {
        assertEquals(0, run("solve", deck("t\nV1 b 0 100\nR1 b r 10k\nXV1 r 0 0A2\n")));
        assertTrue(err.toString().contains("XV1 stays dark"), err.toString());
        assertEquals(0, run("solve", deck("t\nV1 b 0 250\nR1 b p 100k\nXV1 p g 0 12AX7_T\nC1 g x 10n\nR2 x 0 1meg\n")));
        assertTrue(err.toString().contains("nothing ties its grid"), err.toString());
        assertEquals(2, run("solve", deck("t\nV1 b 0 9\nQ1 b b 0 OC7111\n")));
        assertTrue(err.toString().contains(".model OC7111 PNP("), err.toString());
    }

    @Test
    void aTypeThatIsMissing_comesFromAFile() throws IOException {
        String deck = deck(DECK.replace("12AV6", "XY9"));
        assertEquals(2, run("solve", deck));
        assertTrue(err.toString().contains("Line 7: XV1: the type XY9 is not in the tube data"));
        Path tubes = Files.writeString(
                directory.resolve("tubes.csv"),
                "type,section,point,Va,Vg1,Ia_mA,gm_mA_V,rp_kohm,mu,heater_V,heater_A\nXY9,triode,1,200,"
                        + "-3,4,2.5,12,30,6.3,0.3\n");
        assertEquals(0, run("solve", deck, "--tubes", tubes.toString()));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "R1 a 0 4k7|Line 2|4.7k",
                "R1 a b 1k~R1 b c 1k|Line 3|line 2 already",
                "R1 a 0 0|Line 2|0 ohms",
                "C1 a 0 -1u|Line 2|negative",
                "V1 a 0 5~V2 a 0 6|Line 3|loop",
                "XV1 a b c NOSUCH_T|Line 2|NOSUCH",
                ".include gone.cir|Line 2|beside the deck",
            })
    void aBadDeck_isASentenceWithItsLine_andExitTwo(String cards, String line, String says) throws IOException {
        assertEquals(2, run("solve", deck("t\n" + cards.replace('~', '\n') + "\n")));
        assertTrue(err.toString().contains(line) && err.toString().contains(says), err.toString());
        assertFalse(err.toString().contains("Exception") || err.toString().contains("\tat "));
        assertEquals("", out.toString());
    }

    @Test
    void junk_nothing_andAHugeDeck_areRefused() throws IOException {
        Path junk = directory.resolve("junk.cir");
        byte[] bytes = new byte[5000];
        new java.util.Random(3).nextBytes(bytes);
        Files.write(junk, bytes);
        assertEquals(2, run("solve", junk.toString()));
        assertEquals(2, run("solve", directory.resolve("missing.cir").toString()));
        assertEquals(2, run("solve", deck("only a title\n")));
        StringBuilder huge = new StringBuilder("t\nV1 n0 0 10\n");
        for (int i = 0; i < 10_000; i++) {
            huge.append("R")
                    .append(i)
                    .append(" n")
                    .append(i)
                    .append(" n")
                    .append(i + 1)
                    .append(" 1k\n");
        }
        assertEquals(2, run("solve", deck(huge.toString())));
        assertTrue(err.toString().contains("at most 2000 are solved"));
        assertEquals(2, run("warmup", deck("t\nV1 a 0 5\nR1 a 0 1k\n")));
        assertEquals(2, run("solve", deck(DECK), "--meter", "wat"));
        assertEquals(2, run("solve", deck(DECK), "--mode", "FM"));
    }

    /** The plate load of the own example at four times its ohms; then the same deck, healthy. */
    @Test
    void diagnose_namesThePartAndWhatToReadNext() throws IOException {
        run("solve", deck(DECK.replace("270k", "1080k")));
        String read = readings("node,volts\nbplus," + cells("bplus").get(3) + "\nv1_plate,"
                + cells("v1_plate").get(3) + "\n");
        String deck = deck(DECK);
        assertEquals(0, run("diagnose", deck, read, "--top", "3"), err.toString());
        List<String> rows = out.toString().lines().toList();
        assertEquals("rank,faults,posterior", rows.get(0));
        assertTrue(rows.get(1).startsWith("1,R2 has drifted up to about 1."), out.toString());
        assertTrue(rows.stream().anyMatch(row -> row.startsWith("next,")), out.toString());
        assertTrue(err.toString().contains("no voltage at these points shows: "), err.toString());
        // Without power: a plate load of four times its ohms is read from plate to chassis.
        run("ohms", deck(DECK.replace("270k", "1080k")));
        String cold = readings("v1_plate," + cells("v1_plate").get(1) + ",ohms\n");
        assertEquals(0, run("diagnose", deck(DECK), cold, "--top", "1"), err.toString());
        run("solve", deck);
        String healthy = readings("bplus," + cells("bplus").get(3) + "\nv1_plate,"
                + cells("v1_plate").get(3) + "\n");
        assertEquals(0, run("diagnose", deck, healthy));
        assertTrue(out.toString().lines().toList().get(1).startsWith("1,healthy within tolerance,"), out.toString());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "bplus;a reading is node,volts",
                "nowhere,5;has no node",
                "bplus,lots;set.csv, line 1",
                "bplus,9e9;more than a set has",
                "bplus,5|bplus,6;is there twice",
                "bplus,5,watts;dc, ac or ohms",
                "bplus,-5,ohms;has a sign"
            })
    void diagnose_saysWhatIsWrongWithAReading(String rows, String says) throws IOException {
        assertEquals(2, run("diagnose", deck(DECK), readings(rows.replace('|', '\n'))));
        assertTrue(err.toString().contains(says), err.toString());
        assertFalse(err.toString().contains("Exception"), err.toString());
    }

    private String readings(String rows) throws IOException {
        return Files.writeString(directory.resolve("set.csv"), rows).toString();
    }

    @Test
    void wow_printsSpeedAndItsLines_andRefusesWhatIsNoTone() throws IOException {
        Path sound = directory.resolve("tone.wav");
        Files.write(
                sound,
                SimulatedPlayer.wav(SimulatedPlayer.tone(3000)
                        .turning(-2, new SpeedLine(4, 0.2, 0))
                        .play(22050, 20)));
        assertEquals(0, run("wow", sound.toString(), "--tone", "3000", "--speed", "33.33"));
        assertEquals("quantity,value,unit", out.toString().lines().findFirst().orElse(""));
        assertEquals(2940, Double.parseDouble(cells("mean_hertz").get(1)), 0.1);
        assertEquals(-2, Double.parseDouble(cells("speed_error").get(1)), 0.005);
        assertEquals(0.2, Double.parseDouble(cells("wow_flutter_weighted").get(1)), 0.004);
        assertEquals(32.66, Double.parseDouble(cells("speed").get(1)), 0.01);
        assertEquals("%", cells("drift").get(2));
        assertEquals(4, Double.parseDouble(cells("line").get(1)), 0.02);
        assertEquals(0.2, Double.parseDouble(cells("line").get(2)), 0.003);
        assertEquals(Umber.NO_ANSWER, run("wow", sound.toString(), "--tone", "1000"));
        assertTrue(err.toString().contains("above 1000 Hz"), err.toString());
        assertEquals(Umber.BAD_INPUT, run("wow", deck(DECK)));
        assertTrue(err.toString().contains("WAV or FLAC"), err.toString());
        assertEquals(Umber.BAD_INPUT, run("wow", sound.toString(), "--tone", "12"));
        assertEquals(Umber.BAD_INPUT, run("wow", directory.resolve("none.wav").toString()));
    }

    @Test
    void strobe_drawsADisc_andRefusesWhatCannotBePrinted() throws IOException {
        Path file = directory.resolve("disc.svg");
        assertEquals(0, run("strobe", "--hz", "50", "--speeds", "33.33,45,78.26", "--out", file.toString()));
        assertTrue(Files.readString(file).contains("180 bars"));
        assertEquals(0, run("strobe", "--hz", "120", "--lamp", "STATED", "--speeds", "33.33"));
        assertTrue(out.toString().contains("216 bars"), out.toString());
        assertEquals(Umber.BAD_INPUT, run("strobe", "--hz", "50", "--speeds", "0"));
        assertEquals(Umber.BAD_INPUT, run("strobe", "--hz", "-1", "--speeds", "33"));
    }

    @Test
    void align_printsThePlanOfTheSet_andRefusesWhatIsNoBand() throws IOException {
        String deck = deck(DECK);
        assertEquals(0, run("align", deck, "--kind", "SUPERHET", "--band", "MW=520-1620/460", "--has", "TRAP"));
        String plan = out.toString();
        assertTrue(plan.indexOf("INTERMEDIATE FREQUENCY") < plan.indexOf("OSCILLATOR"), plan);
        assertTrue(plan.contains("460 kHz") && plan.contains("Set the trap"), plan);
        assertTrue(plan.contains("from “Can 2"), plan);
        assertEquals(0, run("align", deck, "--kind", "SUPERHET", "--generator", "NONE"));
        assertTrue(out.toString().contains("Leave the cans alone"), out.toString());
        assertEquals(0, run("align", deck, "--kind", "SUPERHET", "--detector", "RATIO"));
        assertTrue(err.toString().contains("FM band"), err.toString());
        for (String band : List.of("MW", "MW=1620-520", "MW=520-1620/3", "MW=5..0-9")) {
            assertEquals(Umber.BAD_INPUT, run("align", deck, "--band", band), band);
        }
        assertEquals(Umber.BAD_INPUT, run("align", deck, "--fm-cans", "9", "--detector", "RATIO"));
    }
}
