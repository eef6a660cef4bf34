package org.umberdial.core.circuit.work;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.spice.SpiceExport;
import org.umberdial.core.tube.TubeModels;

class AtWorkTest {
    private static final String STAGE =
            "V1 b 0 250\nR1 b p 100k\nXV1 p g k 12AX7_T\nR2 k 0 1.5k\nC1 k 0 25u\nR3 g 0 1meg\n";

    private static double volts(OperatingPoint point, String node) {
        return point.volts(node).orElseThrow();
    }

    @Test
    void aTriodeStage_balancesLoadLineAndTube() {
        OperatingPoint point = Decks.solve(STAGE);
        double amperes = (250 - volts(point, "p")) / 100e3;
        double[] out = new double[3];
        TubeModels.shipped()
                .model("12AX7")
                .orElseThrow()
                .triode()
                .orElseThrow()
                .plate(volts(point, "g") - volts(point, "k"), volts(point, "p") - volts(point, "k"), out);
        assertEquals(amperes, out[0], 1e-9);
        assertEquals(amperes, volts(point, "k") / 1500, 2e-6, "but for the grid's own current");
        assertEquals(amperes, point.plateAmperes("XV1").orElseThrow(), 1e-9);
    }

    @Test
    void aContactBiasedGrid_settlesNearEightTenthsBelow_andAMeterPullsItUp() {
        Network network = Decks.network("V1 b 0 100\nR1 b p 470k\nXV1 p g 0 12AV6_T\nR2 g 0 10meg\n");
        AtWork work = new AtWork(network);
        OperatingPoint point = work.solve(Values.nominal(network)).settled().orElseThrow();
        assertEquals(-0.83, volts(point, "g"), 0.08);
        MeterReadings readings = new MeterReadings(work, point);
        double electronic = readings.reads("g", v -> 10e6).orElseThrow();
        double moving = readings.reads("g", v -> 20e3 * 10).orElseThrow();
        assertTrue(electronic > volts(point, "g") && moving > electronic && moving < -0.1, electronic + " " + moving);
        assertTrue(readings.reads("p", v -> 10e6).orElseThrow() < volts(point, "p"));
    }

    @Test
    void aReading_isWhatADividerWithTheSourceResistanceSays_whereTheSetIsLinear() {
        Network network = Decks.network("V1 a 0 100\nR1 a b 1meg\nR2 b 0 1meg\n");
        AtWork work = new AtWork(network);
        MeterReadings readings = new MeterReadings(
                work, work.solve(Values.nominal(network)).settled().orElseThrow());
        assertEquals(500e3, readings.sourceOhms("b").orElseThrow(), 1);
        assertEquals(50 / 1.05, readings.reads("b", v -> 10e6).orElseThrow(), 1e-4);
    }

    @Test
    void namesAndOrder_changeNothing() {
        List<String> cards = new ArrayList<>(Decks.demo("table-set").cards().stream()
                .map(org.umberdial.core.circuit.deck.DeckWriter::line)
                .toList());
        OperatingPoint before = Decks.solve(String.join("\n", cards));
        Collections.shuffle(cards, new Random(5));
        OperatingPoint after = Decks.solve(String.join("\n", cards).replace("filter_1", "elsewhere"));
        assertEquals(volts(before, "filter_1"), volts(after, "elsewhere"), 1e-3);
        assertEquals(volts(before, "v3_plate"), volts(after, "v3_plate"), 1e-3);
        assertEquals(before.lineWatts().orElseThrow(), after.lineWatts().orElseThrow(), 1e-3);
    }

    @Test
    void powerIn_isPowerSpent() {
        OperatingPoint point = Decks.solve(
                "VLINE a 0 SIN(0 325.27 50)\nXT1 a 0 s 0 XFMR VP=230 RP=20 V1=24 R1=0.5 LM=10 RC=8k\nR1 s 0 47\n");
        double core = Math.pow(230 - 20 * point.lineAmperes().orElseThrow(), 2) / 8e3;
        assertEquals(
                point.watts("R1") + point.watts("XT1") + core,
                point.lineWatts().orElseThrow(),
                0.02 * point.lineWatts().orElseThrow());
        assertEquals(23.5, Math.sqrt(point.watts("R1") * 47), 0.5);
    }

    @Test
    void aFloatingNode_isNoError_andHasNoVoltage() {
        OperatingPoint point = Decks.solve(STAGE + "C2 p n 10n\nR9 n m 1k\n");
        assertTrue(point.volts("n").isEmpty());
        assertEquals(List.of("n", "m"), point.floating());
        assertFalse(Decks.solve(STAGE).volts("p").isEmpty());
        assertTrue(
                Decks.solve(Values.nominal(Decks.network(STAGE)).opened("R3")).isGuess("g"), "a grid without its leak");
    }

    @Test
    void gas_pullsAHighGridUp_andAWeakTubeLetsThePlateRise() {
        Values nominal = Values.nominal(Decks.network(STAGE));
        OperatingPoint healthy = Decks.solve(nominal);
        assertTrue(volts(Decks.solve(nominal.gassy("XV1", 1e-3)), "g") > volts(healthy, "g") + 0.1);
        assertTrue(volts(Decks.solve(nominal.emitting("XV1", 0.4)), "p") > volts(healthy, "p") + 10);
        assertEquals(250, volts(Decks.solve(nominal.emitting("XV1", 0)), "p"), 1e-3);
    }

    @Test
    void aLeakyCouplingCapacitor_makesTheNextGridPositive_whereTheDividerPutsIt() {
        String stage = "V1 b 0 200\nR1 b p 1k\nR2 p 0 100k\nC1 p g 20n ; leak=10meg\nR3 g 0 470k\n";
        OperatingPoint point = Decks.solve(stage);
        assertEquals(volts(point, "p") * 470e3 / 10.47e6, volts(point, "g"), 1e-3);
    }

    @Test
    void lineVoltage_movesTheWholeSet() {
        Values nominal = Values.nominal(Decks.network(Decks.demo("field-coil"), ""));
        OperatingPoint low = Decks.solve(nominal.atLine(105));
        OperatingPoint high = Decks.solve(nominal.atLine(125));
        for (String node : List.of("fil_a", "bplus", "v5_plate", "screens")) {
            assertTrue(volts(high, node) > 1.1 * volts(low, node), node);
        }
        assertTrue(volts(high, "ct") < volts(low, "ct"), "back bias follows");
        assertEquals("fil_a", high.supplyNode().orElseThrow());
    }

    @Test
    void aCircuitWithoutAnAnswer_isNotGivenAGuess() {
        // One ampere into a node that only insulation leaves: no voltage a set can have carries it away.
        Network network = Decks.network("I1 0 a 1\nC1 a 0 1u\n");
        Outcome outcome = new AtWork(network).solve(Values.nominal(network));
        assertTrue(
                outcome.settled().isEmpty()
                        || outcome.settled().get().volts("a").isEmpty(),
                "no voltage may be named for a");
    }

    @Test
    void aLongRowOfParts_isSolved() {
        StringBuilder ladder = new StringBuilder("V1 n0 0 10\n");
        for (int i = 0; i < 1000; i++) {
            ladder.append("R")
                    .append(i)
                    .append(" n")
                    .append(i)
                    .append(" n")
                    .append(i + 1)
                    .append(" 1k\n");
        }
        OperatingPoint point = Decks.solve(Values.nominal(
                Network.of(DeckReader.read("t\n" + ladder + "RX n1000 0 1meg\n"), TubeModels.shipped(), "")));
        assertEquals(5, volts(point, "n1000"), 0.01);
    }

    /** ECH81's oscillator: 250 V through 33 kΩ, 47 kΩ grid leak: 101.5 V, 4.5 mA, -9.4 V, as published. */
    @Test
    void anOscillator_drawsItsPublishedMeanPlateCurrent() {
        OperatingPoint point = Decks.solve(
                "VB b 0 250\nR1 b p 33k\nXV1 p g 0 ECH81_T ; role=oscillator\nC1 g x 50p\nR2 g 0 47k\nR3 x 0 10");
        assertEquals(4.5e-3, point.plateAmperes("XV1").getAsDouble(), 0.05 * 4.5e-3);
        assertEquals(101.5, point.volts("p").getAsDouble(), 5);
        assertEquals(-9.4, point.volts("g").getAsDouble(), 0.5);
    }

    /** The ions' current is the electrons' that the grid catches: K (w ln(1 + e^(V/w)))^1.5 by hand. */
    @Test
    void aGridThatNothingTies_driftsToWhereIonsAndElectronsBalance_andIsAGuess() {
        OperatingPoint tied = Decks.solve(OUTPUT + "R5 g 0 470k");
        OperatingPoint adrift = Decks.solve(OUTPUT);
        double ions = 5e-6
                * (adrift.plateAmperes("XV1").getAsDouble()
                        + adrift.screenAmperes("XV1").getAsDouble());
        double leaking = (adrift.volts("p").getAsDouble() - adrift.volts("g").getAsDouble()) / 10e9
                - adrift.volts("g").getAsDouble() / 10e9;
        double caught = Math.pow((ions + leaking) / 5e-3, 2.0 / 3);
        double volts = 0.15 * Math.log(Math.expm1(caught / 0.15));
        assertEquals(volts, adrift.volts("g").getAsDouble() - adrift.volts("k").getAsDouble(), 0.01);
        assertTrue(adrift.volts("k").getAsDouble() > 1.5 * tied.volts("k").getAsDouble());
        assertTrue(adrift.isGuess("k") && adrift.isGuess("g") && !adrift.isGuess("b") && !tied.isGuess("k"));
        assertTrue(adrift.notes().get(0).text().startsWith("XV1: nothing ties its grid."), adrift.notes()::toString);
        assertTrue(tied.notes().isEmpty());
        String exported = SpiceExport.write(DeckReader.read("t\n" + OUTPUT), Values.nominal(Decks.network(OUTPUT)));
        assertTrue(exported.contains("* XV1: nothing ties its grid;"), "an exported deck says it too");
    }

    private static final String OUTPUT = "VB b 0 250\nR1 b p 400\nXV1 p b g k 6V6GT_P\nR4 k 0 250\n";
}
