package org.umberdial.core.set;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.umberdial.core.Sets;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.tube.TubeData;

class PartTest {
    private final Part coupling = Sets.demo("table-set").part("C4").orElseThrow();

    private Part with(PartValue... more) {
        List<PartValue> values = new java.util.ArrayList<>(coupling.values());
        values.addAll(List.of(more));
        return new Part(coupling.card(), values);
    }

    @Test
    void decidedValue_winsOverFittedOverSheet() {
        assertEquals(10e-9, coupling.workingValue().orElseThrow(), 1e-15);
        Part fitted = with(new PartValue(ValueOrigin.FITTED, 22e-9, ""));
        assertEquals(22e-9, fitted.workingValue().orElseThrow());
        assertEquals(10e-9, fitted.sheetValue().orElseThrow(), 1e-15);
        assertEquals(
                15e-9,
                with(new PartValue(ValueOrigin.FITTED, 22e-9, ""), new PartValue(ValueOrigin.DECIDED, 15e-9, ""))
                        .workingValue()
                        .orElseThrow());
    }

    @Test
    void conflict_isSaidOnlyBeyondToleranceAndWhileUndecided() {
        assertTrue(with(new PartValue(ValueOrigin.BODY, 11e-9, "")).conflict().isEmpty());
        assertTrue(with(new PartValue(ValueOrigin.FITTED, 22e-9, ""))
                .conflict()
                .orElseThrow()
                .contains("22.0 nF"));
        assertTrue(with(new PartValue(ValueOrigin.FITTED, 22e-9, ""), new PartValue(ValueOrigin.DECIDED, 10e-9, ""))
                .conflict()
                .isEmpty());
    }

    @Test
    void importedPoints_areNamedAsPeopleNameThem() {
        Deck deck = DeckReader.read(Sets.resource("fm-superhet.cir"));
        List<String> names = CircuitImport.testPoints(deck, TubeData.shipped()).stream()
                .map(TestPoint::name)
                .toList();
        assertTrue(
                names.containsAll(List.of(
                        "B1",
                        "V5 plate",
                        "V5 grid",
                        "V2 heptode plate",
                        "V2 triode plate",
                        "V1 A plate",
                        "Heater winding")),
                names.toString());
        assertEquals(
                "pin 7",
                CircuitImport.named(deck, TubeData.shipped(), "v5_plate").hint());
    }
}
