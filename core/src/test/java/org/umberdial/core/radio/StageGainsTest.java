package org.umberdial.core.radio;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.umberdial.core.Sets;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.work.AtWork;
import org.umberdial.core.circuit.work.SmallSignal;
import org.umberdial.core.circuit.work.SmallSignal.Added;
import org.umberdial.core.evidence.LevelRead;
import org.umberdial.core.tube.TubeModels;

class StageGainsTest {
    private static final double HERTZ = 455e3;
    private static final double OMEGA = 2 * Math.PI * HERTZ;

    private static SmallSignal signal(String deck) {
        Network network = Network.of(DeckReader.read(deck), TubeModels.shipped(), "");
        return SmallSignal.of(new AtWork(network), Values.nominal(network)).orElseThrow();
    }

    /** A triode with a bypassed cathode: mu R / (rp + R), its slopes by the tube’s published figures. */
    @Test
    void aTriodeAmplifiesAsTheHandbookReckons() {
        SmallSignal stage = signal("""
                triode
                VB b 0 250
                R1 b p 100k
                XV1 p g k 12AX7_T
                R2 k 0 1.5k
                C1 k 0 1000u
                R3 g 0 1meg
                .end
                """);
        double volts = stage.point().volts("p").orElseThrow();
        // A 12AX7 has mu 100 and, at the 1 mA that flow here, some 70 to 85 kΩ.
        assertEquals(150, volts, 25);
        double gain = stage.gain("g", "p", 1000, List.of(), Map.of()).norm();
        assertEquals(100 * 100e3 / (100e3 + 75e3), gain, 6);
        // Above the audio range what shunts the plate takes it: 1 nF and the 43 kΩ there fall 3 dB at 3.7 kHz.
        double shunted = stage.gain(
                        "g", "p", 1 / (2 * Math.PI * 43e3 * 1e-9), List.of(Added.farads("p", "0", 1e-9)), Map.of())
                .norm();
        assertEquals(gain / Math.sqrt(2), shunted, 0.05 * gain);
    }

    /** A single circuit passes gm R; two coupled by k pass gm ωL k Q1 Q2 / (1 + k² Q1 Q2). */
    @Test
    void tunedCircuitsPassWhatTheHandbookReckons() {
        SmallSignal stage = signal("""
                IF stage
                VB b 0 100
                L1 b p 1m ; kind=winding rser=0.01
                L2 s 0 1m ; kind=winding rser=0.01
                XV1 p b g k 12BA6_P
                R2 k 0 68
                C1 k 0 10u
                R3 g 0 1meg
                .end
                """);
        double reactance = OMEGA * 1e-3;
        double farads = 1 / (OMEGA * reactance);
        double quality = 80;
        double gm = gm(stage);
        double single = stage.gain(
                        "g", "p", HERTZ, List.of(new Added("p", "0", 1 / (quality * reactance), farads)), Map.of())
                .norm();
        // The tube’s own plate resistance at 100 V, published as a quarter of a megohm, lies across the first.
        double first = 1 / (1 / (quality * reactance) + 1 / 250e3);
        assertEquals(gm * first, single, 0.1 * single);
        double between = farads / quality;
        List<Added> pair = List.of(
                new Added("p", "0", 1 / (quality * reactance), farads - between),
                new Added("s", "0", 1 / (quality * reactance), farads - between),
                Added.farads("p", "s", between));
        double coupled = stage.gain("g", "s", HERTZ, pair, Map.of()).norm();
        double both = first / reactance * quality;
        double k = 1 / quality;
        assertEquals(gm * reactance * k * both / (1 + k * k * both), coupled, 0.1 * coupled);
    }

    private static double gm(SmallSignal stage) {
        // Into next to nothing the plate's current is gm for each volt.
        return stage.gain("g", "p", 1000, List.of(Added.ohms("p", "0", 1)), Map.of())
                .norm();
    }

    /** Figures of an independent simulator for the same deck and models. */
    @Test
    void aTriodeAndATunedPentode_againstAnotherSimulator() {
        SmallSignal stages = signal("""
                triode and pentode
                VB b 0 250
                R1 b p 100k
                XV1 p g k 12AX7_T
                R2 k 0 1.5k
                C1 k 0 25u
                C9 p o 10n
                R9 o 0 470k
                RG g 0 1meg
                VB2 b2 0 100
                L1 b2 p2 1m ; kind=winding rser=12
                XV2 p2 b2 g k2 12BA6_P
                R3 k2 0 68
                C3 k2 0 0.05u
                C4 p2 0 122.4p
                L2 d s 1m ; kind=winding rser=12
                C5 s d 120p
                C6 p2 s 1.6p
                R7 d 0 250k
                C7 d 0 100p
                .end
                """);
        Object[][] all = {
            {"o", 400.0, 55.14387},
            {"o", 20.0, 27.99598},
            {"p2", 455e3, 290.7418},
            {"s", 455e3, 480.0470},
            {"p2", 450e3, 725.8048},
            {"s", 450e3, 305.5646}
        };
        for (Object[] one : all) {
            double seen = stages.gain("g", (String) one[0], (Double) one[1], List.of(), Map.of())
                    .norm();
            assertEquals((Double) one[2], seen, 0.005 * seen, one[0] + " at " + one[1] + " Hz");
        }
    }

    @Test
    void theDemoSetsStages_areInTheOrderThatBenchTablesHave() {
        Deck deck = DeckReader.read(Sets.resource("table-set.cir"));
        StageGains gains = StageGains.of(deck, TubeModels.shipped(), TunedData.usual(HERTZ), false)
                .orElseThrow();
        assertEquals(
                List.of("output", "audio", "if-2", "converter"),
                gains.stages().stream().map(GainStage::id).toList());
        double speaker = Math.sqrt(0.05 * 3.2);
        // A five-tube set wants 20 to 100 µV at the converter's grid, a millivolt at the IF grid, 10 to 30 mV of sound.
        double signal = gains.signalVolts(speaker).orElseThrow();
        assertTrue(signal > 15e-6 && signal < 100e-6, signal + " V");
        double sound = gains.expectedVolts(gains.points().get(1), speaker).orElseThrow();
        assertTrue(sound > 8e-3 && sound < 30e-3, sound + " V");
        assertTrue(gains.lacks().isEmpty(), gains.lacks().toString());
    }

    /** In the FM set the detector's coil is not drawn: what lies beyond is not reckoned, and that is said. */
    @Test
    void whatTheCircuitDoesNotHaveIsNotReckoned() {
        StageGains gains = StageGains.of(
                        DeckReader.read(Sets.resource("fm-superhet.cir")),
                        TubeModels.shipped(),
                        TunedData.usual(460e3),
                        false)
                .orElseThrow();
        assertTrue(gains.signalVolts(0.5).isEmpty());
        assertTrue(
                gains.lacks().get(0).contains("detector’s coil"), gains.lacks().toString());
    }

    @Test
    void aWeakStageIsFound_andAUsualValueAccusesNothing() {
        Deck deck = DeckReader.read(Sets.resource("table-set.cir"));
        TubeModels tubes = TubeModels.shipped();
        for (TunedData data : List.of(TunedData.usual(HERTZ), TunedData.measured(HERTZ, 75))) {
            StageGains gains = StageGains.of(deck, tubes, data, false).orElseThrow();
            Map<String, LevelRead> levels = new HashMap<>();
            for (GainPoint point : gains.points()) {
                if (point.equals(GainPoint.AERIAL)) {
                    assertTrue(gains.expectedVolts(point, 1).isEmpty(), "its coil is in no deck");
                    continue;
                }
                double volts = gains.expectedVolts(point, Math.sqrt(0.05 * 3.2)).orElseThrow();
                // The stage of V2 gives a fifth: it and all before it need five times as much.
                boolean before = point.band() != GainPoint.Band.AUDIO;
                // One level was read at another sound.
                double watts = point.id().equals("V1:SIGNAL") ? 0.2 : 0.05;
                levels.put(
                        point.id(),
                        new LevelRead(point.id(), "", volts * (before ? 5 : 1) * Math.sqrt(watts / 0.05), watts));
            }
            List<GainCheck.Stage> stages = GainCheck.of(gains, levels, 3.2).stages();
            for (GainCheck.Stage stage : stages) {
                boolean weak = stage.expected().id().equals("if-2");
                assertEquals(
                        weak ? GainCheck.Verdict.WEAK : GainCheck.Verdict.RIGHT,
                        stage.verdict(),
                        stage.expected().title() + " " + stage.says());
                assertEquals(weak && data.measured(), stage.accuses());
            }
        }
    }

    /** Of a drafted set no stage has a figure of its own. */
    @Test
    void whatSuchSetsUsuallyHaveAccusesNoStage() {
        Deck deck = DeckReader.read(Sets.resource("table-set.cir"));
        StageGains gains = StageGains.of(deck, TubeModels.shipped(), TunedData.measured(HERTZ, 75), true)
                .orElseThrow();
        assertTrue(gains.stages().stream().allMatch(GainStage::usual));
        GainPoint output = gains.points().get(0);
        LevelRead far = new LevelRead(output.id(), "", 9, 0.05);
        assertFalse(GainCheck.of(gains, Map.of(output.id(), far), 3.2)
                .stages()
                .get(0)
                .accuses());
    }

    @Test
    void theWidthOfAChainTellsTheQOfItsCircuits() {
        // One can alone: √2 f/Q wide.
        assertEquals(75, TunedData.byWidth(HERTZ, Math.sqrt(2) * HERTZ / 75, 1).quality(), 1e-9);
        // Two are 0.80 as wide.
        assertEquals(
                75,
                TunedData.byWidth(HERTZ, 0.802 * Math.sqrt(2) * HERTZ / 75, 2).quality(),
                0.2);
    }
}
