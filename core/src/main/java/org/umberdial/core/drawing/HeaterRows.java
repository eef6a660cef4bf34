package org.umberdial.core.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.nets.Nets;
import org.umberdial.core.drawing.Block.Kind;
import org.umberdial.core.drawing.Block.Ladder;
import org.umberdial.core.drawing.Block.Leg;
import org.umberdial.core.drawing.Block.Piece;

/** Heaters and dial lamps. */
final class HeaterRows {
    private final List<Card> cards;
    private final Nets nets;
    private final Pool parts;

    HeaterRows(List<Card> cards, Nets nets, Pool parts) {
        this.cards = cards;
        this.nets = nets;
        this.parts = parts;
    }

    /** A string in the order of its current, else side by side. */
    List<Block> share() {
        List<Block> blocks = new ArrayList<>();
        List<Card> heaters = new ArrayList<>(cards.stream()
                .filter(card -> !parts.isPlaced(card)
                        && (nets.isHeater(card) || card.model().equals("LAMP")))
                .toList());
        while (!heaters.isEmpty()) {
            Block block = new Block(Kind.HEATERS, null, "heaters");
            Optional<Card> start = heaters.stream()
                    .filter(card -> nets.isHeater(card) && isStringStart(card, heaters))
                    .findFirst();
            if (start.isPresent()) {
                string(block.ladder, start.get(), heaters);
            } else {
                String node = heaters.get(0).nodes().stream()
                        .filter(n -> !nets.isGround(n))
                        .findFirst()
                        .orElse(Nets.GROUND);
                Piece bus = new Piece(node);
                block.ladder.pieces.add(bus);
                for (Card card : List.copyOf(heaters)) {
                    if (card.nodes().contains(node)) {
                        bus.down.add(new Leg(card, node));
                        heaters.remove(card);
                        parts.place(card);
                    }
                }
            }
            blocks.add(block);
        }
        return blocks;
    }

    /** The first of a string: another heater begins where it ends, and none ends where it begins. */
    private boolean isStringStart(Card card, List<Card> heaters) {
        String begin = card.nodes().get(0);
        String end = card.nodes().get(card.nodes().size() - 1);
        boolean goesOn = !nets.isGround(end)
                && heaters.stream()
                        .anyMatch(other -> other != card && other.nodes().get(0).equals(end));
        boolean comes = heaters.stream()
                .anyMatch(other -> other != card
                        && nets.isHeater(other)
                        && other.nodes().get(other.nodes().size() - 1).equals(begin));
        return goesOn && !comes;
    }

    private void string(Ladder ladder, Card start, List<Card> heaters) {
        ladder.pieces.add(new Piece(start.nodes().get(0)));
        Optional<Card> next = Optional.of(start);
        while (next.isPresent()) {
            Card card = next.get();
            heaters.remove(card);
            parts.place(card);
            ladder.links.add(card);
            String end = card.nodes().get(card.nodes().size() - 1);
            ladder.pieces.add(new Piece(end));
            next = nets.isGround(end)
                    ? Optional.empty()
                    : heaters.stream()
                            .filter(other ->
                                    nets.isHeater(other) && other.nodes().get(0).equals(end))
                            .findFirst();
        }
        for (Piece piece : ladder.pieces) {
            for (Card lamp : List.copyOf(heaters)) {
                boolean hangs = lamp.model().equals("LAMP")
                        && !nets.isHeater(lamp)
                        && lamp.nodes().get(0).equals(piece.node);
                if (hangs && !nets.isGround(piece.node)) {
                    heaters.remove(lamp);
                    parts.place(lamp);
                    piece.down.add(new Leg(lamp, piece.node));
                }
            }
        }
    }
}
