package org.umberdial.core.circuit.work;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;

/** Ten thousand sets with one or two faults each. */
@Timeout(value = 5, unit = TimeUnit.MINUTES)
class RobustnessTest {
    private static final long SEED = 7;
    private static final int VARIANTS = 10_000;

    @Test
    void faultySets_settleOnKirchhoffsLaw_orSaySo() {
        int failed = 0;
        StringBuilder stories = new StringBuilder();
        for (String name : Decks.DEMO) {
            Network network = Decks.network(Decks.demo(name), "");
            AtWork work = new AtWork(network);
            assertTrue(work.solve(Values.nominal(network)).settled().isPresent(), name);
            work.keep();
            RandomFaults faults = new RandomFaults(network, SEED);
            for (int i = 0; i < VARIANTS / Decks.DEMO.size(); i++) {
                work.rewind();
                Outcome outcome = work.solve(faults.draw());
                if (outcome.settled().isEmpty()) {
                    failed++;
                    stories.append(name)
                            .append(": ")
                            .append(faults.story())
                            .append(" ")
                            .append(((NotSettled) outcome).reason())
                            .append('\n');
                    continue;
                }
                OperatingPoint point = outcome.settled().get();
                assertTrue(point.missAmperes() < 1e-6, () -> name + ", seed " + SEED + ": " + faults.story());
                for (String node : network.names()) {
                    assertTrue(
                            Double.isFinite(point.volts(node).orElse(0)),
                            () -> name + ", seed " + SEED + ": " + faults.story() + node);
                }
            }
        }
        System.out.println("not settled: " + failed + " of " + VARIANTS);
        assertTrue(failed < VARIANTS / 1000, failed + " did not settle:\n" + stories);
    }
}
