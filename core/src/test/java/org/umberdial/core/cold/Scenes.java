package org.umberdial.core.cold;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.umberdial.core.Sets;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.CircuitImport;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.SupplyLabel;

/** The demo sets as scenes of the cold bench, and figures from short text. */
final class Scenes {
    static final ColdScene STRING = scene("table-set", ConstructionClass.SERIES_STRING, SupplyLabel.UNKNOWN);
    static final ColdScene FM =
            scene("fm-superhet", ConstructionClass.MAINS_TRANSFORMER, label(65, 110, 125, 220, 240));
    static final ColdScene PLAYER = scene("record-player", ConstructionClass.RECORD_PLAYER, SupplyLabel.UNKNOWN);
    static final ColdScene FIELD = scene("field-coil", ConstructionClass.MAINS_TRANSFORMER, SupplyLabel.UNKNOWN);
    static final ColdScene EMPTY = new ColdScene(
            new BenchSet(ConstructionClass.MAINS_TRANSFORMER, List.of(), List.of(), List.of(), List.of(), List.of()),
            label(48, 230),
            HousePolicy.standard(),
            "");

    private Scenes() {}

    static SupplyLabel label(double watts, double... taps) {
        return new SupplyLabel(
                java.util.Arrays.stream(taps).boxed().toList(),
                OptionalDouble.of(taps[taps.length - 1]),
                List.of(50.0),
                OptionalDouble.of(watts),
                SupplyLabel.Current.AC,
                false);
    }

    static ColdScene scene(String demo, ConstructionClass construction, SupplyLabel label) {
        Deck deck = DeckReader.read(Sets.resource(demo + ".cir"));
        BenchSet set = new BenchSet(
                construction,
                CircuitImport.parts(deck),
                deck.sockets(),
                List.of(),
                List.of(),
                deck.modes(),
                deck.models(),
                List.of());
        return new ColdScene(
                set,
                label,
                HousePolicy.standard(),
                deck.modes().isEmpty() ? "" : deck.modes().get(0));
    }

    static ColdScene named(String name) {
        return Map.of("string", STRING, "fm", FM, "player", PLAYER, "field", FIELD, "empty", EMPTY)
                .get(name);
    }

    /** {@code plug=12.3 set.*=yes}: pairs with blanks between; an underscore stands for a blank. */
    static Figures figures(String text) {
        Map<String, String> entered = new HashMap<>();
        for (String pair : text.strip().split("\\s+")) {
            if (pair.startsWith("set.*=")) {
                for (int i = 0; i < 8; i++) {
                    entered.put("set." + i, "yes");
                }
            } else if (pair.contains("=")) {
                entered.put(
                        pair.substring(0, pair.indexOf('=')),
                        pair.substring(pair.indexOf('=') + 1).replace('_', ' '));
            }
        }
        return new Figures(entered);
    }

    static ColdVerdict judge(ColdScene scene, String test, String text) {
        return ColdTests.judge(scene, TestRow.of(test).orElseThrow(), figures(text));
    }
}
