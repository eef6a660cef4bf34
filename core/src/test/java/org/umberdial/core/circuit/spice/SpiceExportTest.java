package org.umberdial.core.circuit.spice;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.umberdial.core.Sets;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubeModels;

class SpiceExportTest {
    private static String export(Deck deck, String mode) {
        return SpiceExport.write(deck, Values.nominal(Network.of(deck, TubeModels.shipped(), mode)));
    }

    @ParameterizedTest
    @ValueSource(strings = {"table-set", "fm-superhet", "record-player", "field-coil"})
    void anExport_readsBackAsTheSameCircuit(String name) {
        Deck deck = DeckReader.read(Sets.resource(name + ".cir"));
        Deck back = DeckReader.read(export(deck, ""));
        assertEquals(deck.cards().size(), back.cards().size());
        for (int i = 0; i < deck.cards().size(); i++) {
            Card before = deck.cards().get(i);
            Card after = back.cards().get(i);
            assertEquals(before.reference(), after.reference());
            assertEquals(before.nodes(), after.nodes());
            assertEquals(
                    before.value().map(value -> (float) (double) value),
                    after.value().map(value -> (float) (double) value));
            assertEquals(before.keys(), after.keys());
            assertEquals(TubeData.bare(before.model()), TubeData.bare(after.model()));
        }
        assertEquals(deck.sockets(), back.sockets());
        assertEquals(deck.testPoints(), back.testPoints());
        assertEquals(deck.modes(), back.modes());
        assertEquals(deck.title(), back.title());
    }

    @Test
    void anExport_saysEverySectionOutright_andStandsAlone() {
        String text = export(DeckReader.read(Sets.resource("field-coil.cir")), "");
        assertTrue(
                text.contains("*= XV5 v5_plate bplus v5_grid 0 42_P") && text.contains(".subckt TUBE_42_P p s g k w"));
        assertTrue(text.contains("VLINE")
                && text.contains("SIN(0 165.4")
                && text.contains(".tran")
                && text.contains(".meas tran dc0 avg"));
        assertFalse(text.contains(".include") || text.contains(".nodeset"), "no other file, no solved value");
    }

    @Test
    void aFault_isInTheEquivalent_notInTheCard() {
        Deck deck = DeckReader.read("t\nV1 a 0 10\nR1 a b 1k\nC1 b 0 1u\n");
        Values faulty = Values.nominal(Network.of(deck, TubeModels.shipped(), ""))
                .with("R1", 3300)
                .leaking("C1", 1e6);
        String text = SpiceExport.write(deck, faulty);
        assertTrue(text.contains("*= R1 a b 1k\nR1 a b 3300") && text.contains("RC1_LEAK b 0 1000000"));
        assertEquals(Optional.of(1000.0), DeckReader.read(text).cards().get(1).value());
    }
}
