package org.umberdial.core.circuit;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.StartingCircuit;

class StartingCircuitTest {
    @ParameterizedTest
    @MethodSource("org.umberdial.core.set.StartingCircuit#all")
    void everyOneIsWholeAndHasPointsToProbe(StartingCircuit circuit) {
        Deck deck = circuit.deck();
        assertTrue(deck.cards().size() > 15
                && deck.testPoints().size() > 5
                && deck.nodes().containsAll(deck.testPoints()));
    }

    @Test
    void everyClassHasOne() {
        assertTrue(Arrays.stream(ConstructionClass.values())
                .filter(c -> c != ConstructionClass.UNKNOWN)
                .allMatch(c -> StartingCircuit.all().stream().anyMatch(s -> s.construction() == c)));
    }
}
