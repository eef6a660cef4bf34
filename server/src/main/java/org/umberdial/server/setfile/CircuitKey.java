package org.umberdial.server.setfile;

import java.util.List;
import java.util.Map;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.tube.TubeModels;

/** All of a set that what is solved of its circuit depends on: as long as it is equal, nothing needs solving again. */
public record CircuitKey(
        List<Card> cards,
        List<Boolean> unconfirmed,
        Map<String, Map<String, Double>> models,
        TubeModels tubes,
        String mode) {
    public static CircuitKey of(BenchSet set, String mode) {
        return new CircuitKey(
                set.cards(), set.parts().stream().map(Part::unconfirmed).toList(), set.models(), set.tubes(), mode);
    }
}
