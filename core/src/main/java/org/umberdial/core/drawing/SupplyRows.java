package org.umberdial.core.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.nets.Nets;
import org.umberdial.core.drawing.Block.Kind;
import org.umberdial.core.drawing.Block.Ladder;
import org.umberdial.core.drawing.Block.Leg;
import org.umberdial.core.drawing.Block.Piece;
import org.umberdial.core.tube.Section;

/** The line, the rectifiers and the rails: rows of places joined by what lies between them. */
final class SupplyRows {
    private final List<Card> cards;
    private final Nets nets;
    private final Pool parts;

    SupplyRows(List<Card> cards, Nets nets, Pool parts) {
        this.cards = cards;
        this.nets = nets;
        this.parts = parts;
    }

    /** From the source through the rectifier along the rails. */
    List<Block> share() {
        List<Block> blocks = new ArrayList<>();
        cards.stream()
                .filter(card -> card.letter() == 'V' && card.hertz() > 0 && !parts.isPlaced(card))
                .forEach(source -> blocks.add(line(source)));
        for (String source : nets.sources()) {
            Optional<Card> rectifier = cards.stream()
                    .filter(card -> !parts.isPlaced(card)
                            && (nets.section(card)
                                            .filter(s -> s == Section.DIODE || s == Section.FULL_WAVE)
                                            .isPresent()
                                    || card.letter() == 'D'
                                    || card.model().equals("SELENIUM"))
                            && card.nodes().get(card.nodes().size() - 1).equals(source))
                    .findFirst();
            if (rectifier.isEmpty()
                    && nets.at(source).stream().noneMatch(c -> c.letter() == 'V' && !parts.isPlaced(c))) {
                continue;
            }
            boolean box = rectifier.filter(card -> card.nodes().size() > 2).isPresent();
            Block block = new Block(Kind.SUPPLY, box ? rectifier.get() : null, "supply");
            rectifier.ifPresent(parts::place);
            if (rectifier.isPresent() && !box) {
                backward(block.ladder, rectifier.get());
            } else {
                block.ladder.pieces.add(new Piece(source));
            }
            forward(block.ladder);
            for (Piece piece : block.ladder.pieces) {
                parts.hangAll(piece);
            }
            blocks.add(block);
        }
        return blocks;
    }

    /** The line with its switch and what hangs on it. */
    private Block line(Card source) {
        Block block = new Block(Kind.SUPPLY, null, "supply");
        String node = nets.isGround(source.nodes().get(0))
                ? source.nodes().get(1)
                : source.nodes().get(0);
        Set<String> walked = new HashSet<>();
        while (true) {
            String here = node;
            walked.add(here);
            Piece piece = new Piece(here);
            block.ladder.pieces.add(piece);
            Optional<Card> link = walked.size() > 3
                    ? Optional.empty()
                    : parts.free(here).stream()
                            .filter(card -> card.kind().equals("switch") || card.letter() == 'L')
                            .filter(card ->
                                    !nets.isGround(Nets.other(card, here)) && !walked.contains(Nets.other(card, here)))
                            .findFirst();
            link.ifPresent(parts::place);
            parts.free(here).stream()
                    .filter(card -> nets.isGround(Nets.other(card, here)))
                    .forEach(card -> {
                        parts.place(card);
                        piece.down.add(new Leg(card, here));
                    });
            if (link.isEmpty()) {
                break;
            }
            block.ladder.links.add(link.get());
            node = Nets.other(link.get(), here);
        }
        return block;
    }

    private void backward(Ladder ladder, Card rectifier) {
        List<String> nodes = new ArrayList<>(
                List.of(rectifier.nodes().get(1), rectifier.nodes().get(0)));
        List<Card> links = new ArrayList<>(List.of(rectifier));
        for (int i = 0; i < Blocks.LONGEST_LADDER; i++) {
            String node = nodes.get(nodes.size() - 1);
            if (nets.isGround(node)) {
                break;
            }
            Optional<Card> before = parts.free(node).stream()
                    .filter(card -> "RL".indexOf(card.letter()) >= 0 && !nets.isGround(Nets.other(card, node)))
                    .filter(card -> !nodes.contains(Nets.other(card, node)))
                    .min(Comparator.comparingDouble(card -> card.value().orElse(0.0)));
            if (before.isEmpty()) {
                break;
            }
            parts.place(before.get());
            links.add(before.get());
            nodes.add(Nets.other(before.get(), node));
        }
        for (int i = nodes.size() - 1; i >= 0; i--) {
            ladder.pieces.add(new Piece(nodes.get(i)));
            if (i > 0) {
                ladder.links.add(links.get(i - 1));
            }
        }
    }

    private void forward(Ladder ladder) {
        Set<String> seen = new LinkedHashSet<>();
        ladder.pieces.forEach(piece -> seen.add(piece.node));
        while (ladder.links.size() < 2 * Blocks.LONGEST_LADDER) {
            String node = ladder.last().node;
            Optional<Card> link = parts.free(node).stream()
                    .filter(card -> nets.isRail(Nets.other(card, node)) && !seen.contains(Nets.other(card, node)))
                    .findFirst();
            if (link.isEmpty()) {
                return;
            }
            parts.place(link.get());
            ladder.links.add(link.get());
            ladder.pieces.add(new Piece(Nets.other(link.get(), node)));
            seen.add(ladder.last().node);
        }
    }
}
