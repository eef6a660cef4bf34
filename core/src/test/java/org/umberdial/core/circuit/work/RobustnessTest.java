package org.umberdial.core.circuit.work;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;

/** Every deck there is with one or two faults: 60 draws of each in every run, 1300 (some 70,000) in soak. */
@Timeout(value = 15, unit = TimeUnit.MINUTES)
class RobustnessTest {
    private static final long SEED = 7;
    private static final int VARIANTS = Boolean.getBoolean("umber.soak") ? 1300 : 60;
    /** Of all variants; one in a short run. */
    private static final double UNSETTLED = 1e-4;

    @Test
    void faultySets_settleOnKirchhoffsLaw_orSaySo() {
        List<String> unsettled = new ArrayList<>();
        int all = 0;
        for (Deck deck : Decks.all()) {
            Network network = Decks.network(deck, "");
            AtWork work = new AtWork(network);
            assertTrue(work.solve(Values.nominal(network)).settled().isPresent(), deck.title());
            work.keep();
            RandomFaults faults = new RandomFaults(network, SEED);
            for (int i = 0; i < VARIANTS; i++) {
                work.rewind();
                Outcome outcome = work.solve(faults.draw());
                all++;
                String story = deck.title() + ": " + faults.story();
                if (outcome instanceof NotSettled failed) {
                    unsettled.add(story + failed.reason());
                    continue;
                }
                OperatingPoint point = outcome.settled().orElseThrow();
                assertTrue(point.missAmperes() < 1e-5, story);
                for (String node : network.names()) {
                    assertTrue(Double.isFinite(point.volts(node).orElse(0)), () -> story + node);
                }
            }
        }
        System.out.println("not settled: " + unsettled.size() + " of " + all + " " + unsettled);
        assertTrue(unsettled.size() <= Math.max(1, UNSETTLED * all), () -> String.join("\n", unsettled));
    }

    @Test
    void whatDidNotSettle_namesWhatWasChangedThere_andAccusesNothingElse() {
        Network network = Decks.network("VB b 0 100\nR1 b x 1k\nR2 x 0 1k\nC1 x 0 1u");
        int x = network.node("x").orElseThrow();
        String changed =
                Unsettled.at(x, Values.nominal(network).with("R2", 18e3)).reason();
        assertTrue(changed.contains("R2 (now 18.0 kΩ)") && !changed.contains("R1"), changed);
        String ordinary = Unsettled.at(x, Values.nominal(network)).reason();
        assertTrue(ordinary.contains("the method has failed"), ordinary);
    }
}
