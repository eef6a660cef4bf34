package org.umberdial.core.circuit.work;

import static org.junit.jupiter.api.Assertions.assertEquals;
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

    private static String ladder(int sections) {
        StringBuilder deck = new StringBuilder("VLINE line 0 SIN(0 169.7 60)\nR0 line a 22\nXV1 a n0 35W4\n");
        for (int i = 0; i < sections; i++) {
            deck.append("C%d n%d 0 20u\nR%d n%d n%d 1k\n".formatted(i + 1, i, i + 1, i, i + 1));
        }
        return deck.append("RL n").append(sections).append(" 0 100k").toString();
    }

    /** By hand: without ripple the ladder's far end is the reservoir over its own resistance and the load. */
    @Test
    void manyCapacitors_areSolvedAllAtOnce_andTooManyAreRefusedBySize() {
        OperatingPoint point = Decks.solve(ladder(60));
        double reservoir = point.volts("n0").getAsDouble();
        assertEquals(reservoir * 100 / 160, point.volts("n60").getAsDouble(), 0.01);
        Network large = Decks.network(ladder(700));
        assertTrue(
                new AtWork(large).solve(Values.nominal(large)) instanceof NotSettled refused
                        && refused.reason().contains("too large"),
                "700 capacitors");
    }
}
