package org.umberdial.core.practice;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.CircuitImport;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.tube.TubeModels;

/** A circuit of an invented set that practice sets are built to. */
enum PracticeCircuit {
    RECORD_PLAYER("Record player with two tubes", "demo/record-player.cir", ConstructionClass.RECORD_PLAYER),
    TABLE_SET("Table set with five tubes, AC/DC", "demo/table-set.cir", ConstructionClass.SERIES_STRING),
    FIELD_COIL("Older superhet with a field-coil speaker", "demo/field-coil.cir", ConstructionClass.MAINS_TRANSFORMER),
    AUTOTRANSFORMER(
            "Output stage behind an autotransformer", "start/autotransformer.cir", ConstructionClass.AUTOTRANSFORMER),
    FM_SUPERHET("Superhet with FM", "demo/fm-superhet.cir", ConstructionClass.MAINS_TRANSFORMER);

    private final String title;
    private final String file;
    private final ConstructionClass construction;

    PracticeCircuit(String title, String file, ConstructionClass construction) {
        this.title = title;
        this.file = file;
        this.construction = construction;
    }

    String title() {
        return title;
    }

    /** As drawn, every value its own. */
    BenchSet set(TubeModels tubes) {
        Deck deck = deck();
        return new BenchSet(
                construction,
                CircuitImport.parts(deck),
                deck.sockets(),
                CircuitImport.testPoints(deck, tubes.data()),
                List.of(),
                deck.modes(),
                deck.models(),
                List.of(),
                tubes);
    }

    Deck deck() {
        return DeckReader.read(text());
    }

    private String text() {
        try (InputStream in = BenchSet.class.getResourceAsStream("/org/umberdial/core/" + file)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }
}
