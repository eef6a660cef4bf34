package org.umberdial.core.set;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;

/**
 * A usual circuit of its class to start from when a set has no sheet: the values are what such sets commonly have and
 * are to be replaced by what is found.
 */
public record StartingCircuit(String id, String title, ConstructionClass construction, String resource) {
    private static final List<StartingCircuit> ALL = List.of(
            new StartingCircuit(
                    "string-superhet",
                    "Five-tube superhet, series string",
                    ConstructionClass.SERIES_STRING,
                    "demo/table-set.cir"),
            new StartingCircuit(
                    "transformer-fm",
                    "Superhet with FM, mains transformer",
                    ConstructionClass.MAINS_TRANSFORMER,
                    "demo/fm-superhet.cir"),
            new StartingCircuit(
                    "transformer-field-coil",
                    "Superhet with field-coil speaker, mains transformer",
                    ConstructionClass.MAINS_TRANSFORMER,
                    "demo/field-coil.cir"),
            new StartingCircuit(
                    "autotransformer-superhet",
                    "Output stage and supply, autotransformer",
                    ConstructionClass.AUTOTRANSFORMER,
                    "start/autotransformer.cir"),
            new StartingCircuit(
                    "vibrator-pack",
                    "Output stage and supply, vibrator pack",
                    ConstructionClass.VIBRATOR,
                    "start/vibrator.cir"),
            new StartingCircuit(
                    "battery-four", "Four-tube battery set", ConstructionClass.BATTERY, "start/battery.cir"),
            new StartingCircuit(
                    "player",
                    "Record player, transformer and metal rectifier",
                    ConstructionClass.RECORD_PLAYER,
                    "demo/record-player.cir"),
            new StartingCircuit(
                    "player-live",
                    "Record player, series string and motor",
                    ConstructionClass.RECORD_PLAYER_LIVE,
                    "start/record-player-live.cir"));

    public static List<StartingCircuit> all() {
        return ALL;
    }

    public static Optional<StartingCircuit> of(String id) {
        return ALL.stream().filter(circuit -> circuit.id.equals(id)).findFirst();
    }

    /** The circuit itself. */
    public Deck deck() {
        try (InputStream in = StartingCircuit.class.getResourceAsStream("/org/umberdial/core/" + resource)) {
            return DeckReader.read(new String(in.readAllBytes(), StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException("the shipped circuit " + resource + " cannot be read", e);
        }
    }
}
