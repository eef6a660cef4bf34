package org.umberdial.core.circuit.work;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;

/** The engine's averages against full transients of the same models in an independent simulator. */
@Timeout(value = 20, unit = TimeUnit.MINUTES)
class SpiceAgreementTest {
    private static final long SEED = 20261125;
    private static final int FAULTY_VARIANTS = Boolean.getBoolean("umber.soak") ? 200 : 8;
    /** Above this a node has nothing but insulation; a transient of seconds does not reach its resting voltage. */
    private static final double LEFT_ALONE_OHMS = 5e7;

    @BeforeAll
    static void require() {
        Simulator.require();
    }

    private record Case(String name, Deck deck, Values values, double settleSeconds, int steps, double tolerance) {}

    @Test
    void demoSets_agreeInEveryMode() throws Exception {
        List<Case> cases = new ArrayList<>();
        for (String name : Decks.DEMO) {
            Deck deck = Decks.demo(name);
            for (String mode : deck.modes().isEmpty() ? List.of("") : deck.modes()) {
                cases.add(new Case(name + " " + mode, deck, Values.nominal(Decks.network(deck, mode)), 4, 100, 0.01));
            }
        }
        compare(cases);
    }

    @Test
    void smallDecks_agree() throws Exception {
        compare(Decks.small().stream()
                .map(name -> new Case(
                        name, Decks.small(name), Values.nominal(Decks.network(Decks.small(name), "")), 3, 100, 0.01))
                .toList());
    }

    @Test
    void faultySets_drawnAtRandom_agree() throws Exception {
        List<Case> cases = new ArrayList<>();
        Random random = new Random(SEED);
        for (int i = 0; i < FAULTY_VARIANTS; i++) {
            Deck deck = Decks.demo(Decks.DEMO.get(i % Decks.DEMO.size()));
            Network network = Decks.network(deck, "");
            RandomFaults faults = new RandomFaults(network, random.nextLong());
            Values values = faults.draw();
            while (faults.story().contains("H open")) {
                // A transient that starts hot keeps the charge it gathered before the cathode went cold.
                values = faults.draw();
            }
            cases.add(new Case("seed " + SEED + " no. " + i + " " + faults.story(), deck, values, 4, 60, 0.02));
        }
        compare(cases);
    }

    private static void compare(List<Case> cases) throws Exception {
        ExecutorService pool =
                Executors.newFixedThreadPool(Math.max(1, Runtime.getRuntime().availableProcessors()));
        try {
            List<Callable<List<String>>> tasks = cases.stream()
                    .map(each -> (Callable<List<String>>) () -> differences(each))
                    .toList();
            List<String> all = new ArrayList<>();
            for (Future<List<String>> result : pool.invokeAll(tasks)) {
                all.addAll(result.get());
            }
            assertTrue(all.isEmpty(), () -> String.join("\n", all));
        } finally {
            pool.shutdownNow();
        }
    }

    /**
     * Whoever disagrees gets finer steps, which a half-warm cathode needs, and then four times as long to settle: a
     * dried filter may take many seconds.
     */
    private static List<String> differences(Case each) {
        List<String> found = differences(each, each.settleSeconds(), each.steps());
        if (!found.isEmpty() && each.tolerance() >= 0.02) {
            found = differences(each, each.settleSeconds(), 5 * each.steps());
        }
        return found.isEmpty() || each.tolerance() < 0.02
                ? found
                : differences(each, 4 * each.settleSeconds(), each.steps());
    }

    private static List<String> differences(Case each, double settleSeconds, int steps) {
        List<String> found = new ArrayList<>();
        Simulator.Answer theirs = Simulator.run(each.deck(), each.values(), settleSeconds, steps);
        AtWork work = new AtWork(each.values().network());
        OperatingPoint ours = work.solve(each.values())
                .settled()
                .orElseThrow(() -> new AssertionError(each.name() + " did not settle"));
        Ripple ripple = Ripple.of(work, each.values()).orElse(null);
        Sensitivities sources = Sensitivities.of(work, each.values()).orElseThrow();
        for (String node : each.values()
                .network()
                .names()
                .subList(0, each.values().network().namedNodes())) {
            if (ours.volts(node).isEmpty() || sources.sourceOhms(node) > LEFT_ALONE_OHMS) {
                continue;
            }
            // A set that a fault has killed stands at a tenth of a volt, by how warm a cathode still is.
            double least = each.tolerance() < 0.02 ? 0.01 : 0.05;
            double mine = ours.volts(node).getAsDouble();
            double other = theirs.mean().get(node);
            double swing = theirs.peakToPeak().get(node);
            // A transient's mean over a node that swings by hundreds of volts is only as good as its time steps.
            if (Math.abs(mine - other) > each.tolerance() * Math.abs(other) + least + 2e-3 * swing) {
                found.add(each.name() + ": " + node + " " + mine + " V, the simulator has " + other);
            }
            double humming = ripple == null ? 0 : ripple.peakToPeak(node);
            if (each.tolerance() < 0.02 && Math.abs(humming - swing) > 0.1 * swing + 0.01) {
                found.add(
                        each.name() + ": " + node + " hums " + humming + " V peak to peak, the simulator has " + swing);
            }
        }
        double line = ours.lineAmperes().orElse(0);
        if (ours.lineAmperes().isPresent() && Math.abs(line - theirs.lineRms()) > 0.05 * theirs.lineRms() + 1e-4) {
            found.add(each.name() + ": line " + line + " A, the simulator has " + theirs.lineRms());
        }
        System.out.printf("%-60.60s simulator %.1f s%n", each.name(), theirs.seconds());
        return found;
    }
}
