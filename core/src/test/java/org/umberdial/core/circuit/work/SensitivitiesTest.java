package org.umberdial.core.circuit.work;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;

class SensitivitiesTest {
    @Test
    void parts_countAsMuchAsChangingThemSays() {
        for (String name : Decks.DEMO) {
            Network network = Decks.network(Decks.demo(name), "");
            Values nominal = Values.nominal(network);
            AtWork work = new AtWork(network);
            List<String> parts = Decks.demo(name).cards().stream()
                    .filter(card -> card.letter() == 'R' && !card.kind().equals("switch"))
                    .map(card -> card.reference())
                    .toList();
            String node = Decks.demo(name).testPoints().get(2);
            double[] answers = Sensitivities.of(work, nominal).orElseThrow().byPart(node, parts);
            for (int i = 0; i < answers.length; i++) {
                double ohms = Decks.demo(name).cards().stream()
                        .filter(part(parts.get(i)))
                        .findFirst()
                        .orElseThrow()
                        .value()
                        .orElseThrow();
                double up = Decks.solve(nominal.with(parts.get(i), 1.04 * ohms))
                        .volts(node)
                        .orElseThrow();
                double down = Decks.solve(nominal.with(parts.get(i), 0.96 * ohms))
                        .volts(node)
                        .orElseThrow();
                assertEquals(
                        (up - down) / 0.08,
                        answers[i],
                        0.04 * Math.abs(answers[i]) + 0.02,
                        name + ": " + node + " by " + parts.get(i));
            }
        }
    }

    private static java.util.function.Predicate<org.umberdial.core.circuit.deck.Card> part(String reference) {
        return card -> card.reference().equals(reference);
    }

    @Test
    void sourceResistance_holdsTheSupplysRegulation() {
        Network network = Decks.network(Decks.demo("table-set"), "");
        Values nominal = Values.nominal(network);
        double ohms =
                Sensitivities.of(new AtWork(network), nominal).orElseThrow().sourceOhms("filter_1");
        double before = Decks.solve(nominal).volts("filter_1").orElseThrow();
        double after =
                Decks.solve(nominal.leaking("C1", 100e3)).volts("filter_1").orElseThrow();
        assertEquals((before - after) / (after / 100e3), ohms, 0.03 * ohms);
    }

    @Test
    void aDividersSpread_isWhatItsTolerancesSay() {
        Network network = Decks.network("V1 a 0 100\nR1 a b 10k\nR2 b 0 10k\nR3 b c 1k\nR4 c 0 1meg\n");
        double[][] covariance = Sensitivities.of(new AtWork(network), Values.nominal(network))
                .orElseThrow()
                .covariance(List.of("b", "c"), Map.of("R1", 0.1, "R2", 0.1));
        assertEquals(25 * 0.1 * Math.sqrt(2), Math.sqrt(covariance[0][0]), 0.05);
        assertEquals(
                1, covariance[0][1] / Math.sqrt(covariance[0][0] * covariance[1][1]), 1e-6, "b and c stray together");
    }
}
