package org.umberdial.core.drawing;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.nets.Nets;

/** Draws one stage at a time, each with a fresh pen. */
final class Draughtsman {
    private final Nets nets;
    private final Function<Card, String> values;
    private final Map<String, Deck.SocketPins> sockets = new HashMap<>();
    private final boolean ownChassis;

    /** @param ownChassis whether the metal is another node than the minus rail */
    Draughtsman(Nets nets, List<Deck.SocketPins> sockets, Function<Card, String> values, boolean ownChassis) {
        this.nets = nets;
        this.values = values;
        this.ownChassis = ownChassis;
        sockets.forEach(socket -> this.sockets.put(socket.socket().toUpperCase(Locale.ROOT), socket));
    }

    /**
     * @param rail the row's rail
     * @param ledTo whether the stage before leads a wire to the grid ladder
     * @param leadsOn whether the plate is led on to the next stage
     */
    Drawn draw(Block block, String rail, boolean ledTo, boolean leadsOn) {
        return switch (block.kind) {
            case TUBE -> new TubePen(nets, sockets, values, ownChassis, rail).tube(block, ledTo, leadsOn);
            case BOX -> new RowPen(nets, values, ownChassis, rail).box(block);
            default -> new RowPen(nets, values, ownChassis, rail).ladder(block);
        };
    }
}
