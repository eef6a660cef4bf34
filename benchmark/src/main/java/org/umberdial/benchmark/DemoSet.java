package org.umberdial.benchmark;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.CircuitImport;
import org.umberdial.core.set.ConstructionClass;

/** The demo's circuits as sets. */
final class DemoSet {
    private DemoSet() {}

    /** @param name of its deck, such as {@code table-set} */
    static BenchSet of(String name) throws IOException {
        try (InputStream in =
                ConstructionClass.class.getResourceAsStream("/org/umberdial/core/demo/" + name + ".cir")) {
            Deck deck = DeckReader.read(new String(in.readAllBytes(), StandardCharsets.UTF_8));
            return new BenchSet(
                    name.equals("table-set") ? ConstructionClass.SERIES_STRING : ConstructionClass.MAINS_TRANSFORMER,
                    CircuitImport.parts(deck),
                    deck.sockets(),
                    List.of(),
                    List.of(),
                    deck.modes());
        }
    }
}
