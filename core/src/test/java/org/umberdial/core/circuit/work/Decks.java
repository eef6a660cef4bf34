package org.umberdial.core.circuit.work;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.umberdial.core.Sets;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.tube.TubeModels;

/** Circuits of the tests. */
final class Decks {
    static final List<String> DEMO = List.of("table-set", "fm-superhet", "record-player", "field-coil");

    private Decks() {}

    static Deck demo(String name) {
        return DeckReader.read(Sets.resource(name + ".cir"));
    }

    /** Names of the small decks, one per device. */
    static List<String> small() {
        try (var files = Files.list(Path.of("src/test/decks"))) {
            return files.map(file -> file.getFileName().toString())
                    .filter(name -> name.endsWith(".cir"))
                    .sorted()
                    .toList();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    static Deck small(String name) {
        try {
            return DeckReader.read(Files.readString(Path.of("src/test/decks", name)));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The demo sets and the small decks. */
    static List<Deck> all() {
        return Stream.concat(DEMO.stream().map(Decks::demo), small().stream().map(Decks::small))
                .toList();
    }

    static Network network(Deck deck, String mode) {
        return Network.of(deck, TubeModels.shipped(), mode);
    }

    /** A circuit of a few cards, without a title. */
    static Network network(String cards) {
        return network(DeckReader.read("test circuit\n" + cards), "");
    }

    static OperatingPoint solve(String cards) {
        return solve(Values.nominal(network(cards)));
    }

    static OperatingPoint solve(Values values) {
        Outcome outcome = new AtWork(values.network()).solve(values);
        return outcome.settled().orElseThrow(() -> new AssertionError(((NotSettled) outcome).reason()));
    }
}
