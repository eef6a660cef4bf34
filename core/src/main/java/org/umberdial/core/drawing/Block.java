package org.umberdial.core.drawing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.nets.Nets;
import org.umberdial.core.tube.Electrode;

/** A stage as it is drawn: what stands in its middle and what hangs on it. Knows no geometry. */
final class Block {
    enum Kind {
        TUBE,
        SUPPLY,
        BOX,
        HEATERS,
        REST
    }

    /** A part that hangs on a node, with what follows on it. */
    static final class Leg {
        final Card card;
        final String from;
        Leg next;
        /** Where the last of a chain ends. */
        String end;
        /** Whether the joint before the next part is called elsewhere too. */
        boolean jointFlagged;

        Leg(Card card, String from) {
            this.card = card;
            this.from = from;
            this.end = Nets.other(card, from);
        }
    }

    /** One place of a node with what hangs there. */
    static final class Piece {
        final String node;
        final List<Leg> up = new ArrayList<>();
        final List<Leg> down = new ArrayList<>();
        boolean flagged;

        Piece(String node) {
            this.node = node;
        }
    }

    /** Places in a row, joined by parts that lie between them. */
    static final class Ladder {
        final List<Piece> pieces = new ArrayList<>();
        final List<Card> links = new ArrayList<>();

        Piece last() {
            return pieces.get(pieces.size() - 1);
        }
    }

    final Kind kind;
    /** The tube, transformer or other part of more than two ends in its middle; null where there is none. */
    final Card main;

    final String stage;
    final Map<Electrode, Ladder> at = new HashMap<>();
    /** The ladder of a block without a tube. */
    Ladder ladder = new Ladder();
    /** A transformer whose winding is the plate's load. */
    Card transformer;
    /** What a further winding of it feeds, by node. */
    final Map<String, Card> fed = new HashMap<>();

    Block(Kind kind, Card main, String stage) {
        this.kind = kind;
        this.main = main;
        this.stage = stage;
    }

    /** Every place of these stages, in their order. */
    static List<Piece> pieces(List<Block> blocks) {
        List<Piece> pieces = new ArrayList<>();
        for (Block block : blocks) {
            pieces.addAll(block.ladder.pieces);
            List.of(Electrode.PLATE, Electrode.GRID, Electrode.GRID3, Electrode.SCREEN, Electrode.CATHODE)
                    .forEach(electrode -> Optional.ofNullable(block.at.get(electrode))
                            .ifPresent(ladder -> pieces.addAll(ladder.pieces)));
        }
        return pieces;
    }
}
