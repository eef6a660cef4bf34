package org.umberdial.server.setfile;

import java.util.List;
import java.util.Map;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.set.Part;
import org.umberdial.core.tube.TubeModels;

/** All of a set that what is solved of its circuit depends on: as long as it is equal, nothing needs solving again. */
public record CircuitKey(
        List<Card> cards,
        List<Boolean> unconfirmed,
        Map<String, Map<String, Double>> models,
        TubeModels tubes,
        String mode) {
    public static CircuitKey of(OpenSet open) {
        return new CircuitKey(
                open.set().cards(),
                open.set().parts().stream().map(Part::unconfirmed).toList(),
                open.set().models(),
                open.set().tubes(),
                open.file().contents().bench().mode());
    }
}
