package org.umberdial.core.circuit.work;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;

/** The guard refuses what is not an answer to the circuit asked about, and nothing that is. */
class GuardTest {
    private static final long SEED = 20261128;
    private static final int MUTANTS = 200;

    private record Solved(Network network, Values values, Solver solver, double[][] moments) {
        static Solved of(Deck deck) {
            Network network = Decks.network(deck, "");
            Solver solver = new Solver(network, new Work());
            Values values = Values.nominal(network);
            assertTrue(solver.solve(values), deck.title());
            return new Solved(network, values, solver, solver.moments());
        }

        Optional<String> doubt(double[][] moments) {
            return new Guard(network, solver.stamps).doubt(values, moments, solver.heaters.warmth, solver.period());
        }
    }

    @Test
    void noHealthyDeck_isRefused() {
        for (Deck deck : Decks.all()) {
            Solved solved = Solved.of(deck);
            assertEquals(Optional.empty(), solved.doubt(solved.moments), deck.title());
        }
    }

    /** What a broken solver would hand out: the answer to another circuit, or a cycle that is not one. */
    @Test
    void mutants_areCaught() {
        Random random = new Random(SEED);
        List<Deck> fleet = Decks.all();
        int made = 0;
        List<String> missed = new ArrayList<>();
        for (int tries = 0; made < MUTANTS && tries < 20 * MUTANTS; tries++) {
            Deck deck = fleet.get(random.nextInt(fleet.size()));
            Solved right = Solved.of(deck);
            Optional<Mutant> mutant = mutant(deck, right, random);
            if (mutant.isPresent() && differs(right.moments, mutant.get().moments)) {
                made++;
                if (right.doubt(mutant.get().moments).isEmpty()) {
                    missed.add(deck.title() + ": " + mutant.get().story);
                }
            }
        }
        assertEquals(MUTANTS, made);
        System.out.println("mutants missed: " + missed.size() + " of " + MUTANTS + " " + missed);
        assertTrue(missed.size() <= MUTANTS / 20, missed.size() + " missed: " + missed);
    }

    private record Mutant(String story, double[][] moments) {}

    private static Optional<Mutant> mutant(Deck deck, Solved right, Random random) {
        return switch (random.nextInt(6)) {
            case 0 ->
                ofWaves("a cycle that is not closed", right, (volts, mean, t) -> volts + 0.1 * mean * t / Cycle.STEPS);
            case 1 -> ofWaves("a cycle that was not solved", right, (volts, mean, t) -> mean);
            case 2 -> ofCard(deck, right, random, "turned round", GuardTest::turned);
            case 3 -> ofCard(deck, right, random, "left out", card -> Optional.empty());
            default ->
                ofCard(
                        deck,
                        right,
                        random,
                        "with another value",
                        card -> card.value().isEmpty()
                                ? Optional.of(card)
                                : Optional.of(card.withValue(card.value().get() * 1.3)));
        };
    }

    private interface Wave {
        double at(double volts, double mean, int moment);
    }

    private static Optional<Mutant> ofWaves(String story, Solved right, Wave wave) {
        double[][] moments = new double[right.moments.length][];
        Set<Integer> held = new HashSet<>();
        right.network.sources().forEach(source -> held.addAll(List.of(source.plus(), source.minus())));
        for (int i = 0; i < moments.length; i++) {
            moments[i] = right.moments[i].clone();
            double mean = mean(moments[i]);
            for (int t = 0; t < moments[i].length && !held.contains(i); t++) {
                moments[i][t] = wave.at(moments[i][t], mean, t);
            }
        }
        return right.network.line().map(line -> new Mutant(story, moments));
    }

    private interface Change {
        Optional<Card> of(Card card);
    }

    private static Optional<Mutant> ofCard(Deck deck, Solved right, Random random, String how, Change change) {
        List<Card> cards = new ArrayList<>(deck.cards());
        int at = random.nextInt(cards.size());
        Card before = cards.get(at);
        if (before.letter() == 'V' || before.kind().equals("heater")) {
            return Optional.empty();
        }
        Optional<Card> after = change.of(before);
        if (after.isPresent()) {
            cards.set(at, after.get());
        } else {
            cards.remove(at);
        }
        Network other;
        try {
            other = Decks.network(
                    new Deck(
                            deck.title(),
                            cards,
                            deck.models(),
                            deck.sockets(),
                            deck.testPoints(),
                            deck.modes(),
                            List.of()),
                    "");
        } catch (RuntimeException noCircuit) {
            return Optional.empty();
        }
        Solver solver = new Solver(other, new Work());
        if (!solver.solve(Values.nominal(other))) {
            return Optional.empty();
        }
        double[][] answer = solver.moments();
        double[][] moments = new double[right.moments.length][];
        for (int i = 0; i < moments.length; i++) {
            int there = other.names().indexOf(right.network.names().get(i));
            if (there < 0 || answer[there].length != right.moments[i].length) {
                return Optional.empty();
            }
            moments[i] = answer[there];
        }
        return Optional.of(new Mutant(before.reference() + " " + how, moments));
    }

    private static Optional<Card> turned(Card card) {
        List<String> nodes = new ArrayList<>(card.nodes());
        Collections.swap(nodes, nodes.size() - 2, nodes.size() - 1);
        return Optional.of(card.withNodes(nodes));
    }

    /** Whether a meter would see it: more than 2 % or 0.2 V in the mean somewhere, or a volt of hum. */
    private static boolean differs(double[][] a, double[][] b) {
        for (int i = 0; i < a.length; i++) {
            double one = mean(a[i]);
            double other = mean(b[i]);
            if (Math.abs(one - other) > 0.2 + 0.02 * Math.abs(one)) {
                return true;
            }
            for (int t = 0; t < a[i].length; t++) {
                if (Math.abs(a[i][t] - one - b[i][t] + other) > 1) {
                    return true;
                }
            }
        }
        return false;
    }

    private static double mean(double[] values) {
        double sum = 0;
        for (double value : values) {
            sum += value;
        }
        return sum / values.length;
    }
}
