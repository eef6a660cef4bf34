package org.umberdial.core.cold;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class WindingsTest {
    @Test
    void workedExamples() {
        assertEquals(61.8, Windings.celsius(940, 1090, 21), 0.05);
        assertEquals(1090, Windings.ohmsAt(940, 21, 61.77), 0.1);
        assertEquals(6720, Windings.load(250, 6.10, 4), 5);
        assertEquals(44.7e-3, Windings.fieldAmperes(265, 198, 1500), 0.05e-3);
        Windings.Turns turns = Windings.turns(955, 240, 197, 905);
        assertEquals(783.9, turns.wanted(), 0.05);
        assertEquals(122, turns.remove());
        assertEquals(783, turns.left());
        assertEquals(196.8, turns.volts(), 0.05);
        assertEquals(1.14, Charge.seconds(10e3, 47e-6, 340, 30), 0.005);
        assertEquals(0, Charge.seconds(10e3, 47e-6, 30, 30));
    }

    @Test
    void turnsEndLow_alsoWhenTheyComeOutEven() {
        assertEquals(800, Windings.turns(1000, 250, 200, 900).left());
        assertTrue(Windings.turns(955, 240, 197, 905).volts() <= 197);
        assertTrue(Windings.noLoadVolts(250, 0.08, 140, 16, 230) > 250 + 0.08 * 140);
    }

    @Test
    void injection_isAProportionWhateverTheOrderOrTheScale() {
        List<Proportion.Pair> pairs =
                List.of(new Proportion.Pair(0.5, 0.612), new Proportion.Pair(1, 1.221), new Proportion.Pair(2, 2.44));
        Proportion read = Proportion.of(pairs);
        assertEquals(1.2204, read.slope(), 5e-5);
        assertEquals(280.7, read.slope() * 230, 0.05);
        assertTrue(read.holds(0.03));
        Random random = new Random(5);
        for (int round = 0; round < 200; round++) {
            double scale = Math.exp(random.nextGaussian());
            List<Proportion.Pair> other = new ArrayList<>(pairs.stream()
                    .map(p -> new Proportion.Pair(p.fed() * scale, p.read() * scale))
                    .toList());
            Collections.shuffle(other, random);
            Proportion again = Proportion.of(other);
            assertEquals(read.slope(), again.slope(), 1e-12);
            assertEquals(read.residual(), again.residual(), 1e-9);
            assertEquals(read.intercept(), again.intercept(), 1e-9);
        }
    }

    @Test
    void pickUp_isNoProportion() {
        Proportion hum = Proportion.of(
                List.of(new Proportion.Pair(0.5, 0.71), new Proportion.Pair(1, 1.32), new Proportion.Pair(2, 2.54)));
        assertFalse(hum.holds(0.03));
        assertTrue(hum.intercept() > 0.1);
        assertFalse(Proportion.of(List.of(new Proportion.Pair(1, 0.5), new Proportion.Pair(2, 0.49)))
                .rising());
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 7, 8, 9, 16, 17, 33, 64})
    void anySingleOpen_isFoundInAtMostLogTwoReadings(int links) {
        int most = 32 - Integer.numberOfLeadingZeros(links - 1);
        for (int open = 0; open < links; open++) {
            List<ChainSplit.Read> reads = new ArrayList<>();
            ChainSplit split = ChainSplit.of(links, reads);
            while (split.found() < 0) {
                ChainSplit.Probe probe = split.next();
                reads.add(new ChainSplit.Read(probe.from(), probe.to(), open >= probe.from() && open < probe.to()));
                split = ChainSplit.of(links, reads);
            }
            assertEquals(open, split.found());
            assertTrue(reads.size() <= most, links + " links took " + reads.size());
            Collections.reverse(reads);
            assertEquals(split, ChainSplit.of(links, reads));
        }
    }

    @Test
    void readingsThatLeaveNoLink_contradict() {
        assertTrue(ChainSplit.of(4, List.of(new ChainSplit.Read(0, 2, false), new ChainSplit.Read(4, 2, false)))
                .contradiction());
    }
}
