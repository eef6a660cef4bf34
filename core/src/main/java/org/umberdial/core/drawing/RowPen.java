package org.umberdial.core.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.nets.Nets;
import org.umberdial.core.drawing.Block.Kind;
import org.umberdial.core.drawing.Block.Ladder;
import org.umberdial.core.drawing.Block.Leg;
import org.umberdial.core.drawing.Block.Piece;
import org.umberdial.core.drawing.Drawing.Anchor;
import org.umberdial.core.drawing.Drawing.Glyph;
import org.umberdial.core.drawing.Drawing.Label;
import org.umberdial.core.drawing.Drawing.Pin;
import org.umberdial.core.drawing.Drawing.Shape;
import org.umberdial.core.tube.Section;

/** Draws what no tube stands in the middle of: supplies, transformers, heaters, and what is left. */
final class RowPen extends TransformerPen {
    RowPen(Nets nets, Function<Card, String> values, boolean ownChassis, String mainRail) {
        super(nets, values, ownChassis, mainRail);
    }

    /** A part of more than two ends that no stage is built around, with what leads to its first end. */
    Drawn box(Block block) {
        Card card = block.main;
        boolean transformer = card.model().equals("XFMR");
        double y = 0;
        double left = 0;
        if (transformer) {
            windings(card);
        } else {
            threeEnded(card, 0, false);
        }
        if (!block.ladder.pieces.isEmpty()) {
            left = feed(block.ladder, y);
        }
        return new Drawn(sketch, Optional.of(new double[] {left, y}), Optional.empty(), List.of());
    }

    /**
     * A rectifier, transistor or anything else as a bulb or box with its ends named.
     *
     * @param goesOn whether the row goes on at its last end, which then needs no name
     */
    private void threeEnded(Card card, double y, boolean goesOn) {
        List<String> nodes = card.nodes();
        Glyph glyph = card.letter() == 'Q'
                ? Glyph.TRANSISTOR
                : nets.section(card).filter(s -> s == Section.FULL_WAVE).isPresent()
                        ? Glyph.FULL_WAVE
                        : Nets.isEye(card) ? Glyph.EYE : Glyph.OTHER;
        List<Pin> pins = new ArrayList<>();
        int leftEnds = Math.max(1, nodes.size() - 1);
        double tall = Math.max(6, 3.0 * leftEnds);
        for (int i = 0; i < nodes.size(); i++) {
            boolean right = i == nodes.size() - 1;
            double at = right ? y : y - tall / 2 + tall * (i + 0.5) / leftEnds;
            double x = right ? 8 : 0;
            pins.add(new Pin(nodes.get(i), x, at, ""));
            if (!right || glyph != Glyph.FULL_WAVE || !goesOn) {
                double out = right ? 9.5 : -1.5;
                sketch.wire(nodes.get(i), x, at, out, at);
                if (nets.isGround(nodes.get(i))) {
                    ground(nodes.get(i), out, at);
                } else {
                    flag(nodes.get(i), out, at, right ? 1 : -1, 0);
                }
            }
        }
        sketch.shapes.add(new Shape(
                card.reference(),
                glyph,
                0,
                y - tall / 2,
                8,
                tall,
                true,
                pins,
                List.of(
                        new Label(reference(card), 4, y - tall / 2 - 2, Anchor.MIDDLE),
                        new Label(Blocks.bare(card), 4, y - tall / 2 - 0.6, Anchor.MIDDLE))));
    }

    /** What leads to a box, to its left. */
    private double feed(Ladder ladder, double y) {
        double x = 0;
        double cursor = -1.2;
        for (int i = 0; i < ladder.pieces.size(); i++) {
            Piece piece = ladder.pieces.get(i);
            double start = x;
            for (Leg leg : piece.down) {
                x = Math.min(cursor - rightNeed(leg), x);
                cursor = x - leftNeed(leg);
                leg(leg, x, y);
            }
            boolean last = i == ladder.pieces.size() - 1;
            if (piece.flagged || piece.down.isEmpty() && last) {
                x = Math.min(cursor - half(piece.node) - GAP, x);
                cursor = x - half(piece.node) - GAP;
                sketch.wire(piece.node, x, y, x, y - 1);
                if (nets.isGround(piece.node)) {
                    ground(piece.node, x, y);
                } else {
                    flag(piece.node, x, y - 1, 0, -1);
                }
            }
            sketch.wire(piece.node, start, y, x, y);
            if (!last) {
                Card link = ladder.links.get(i);
                double room = Math.max(0, (labelWidth(link) - LONG) / 2) + 0.5;
                double end = Math.min(cursor, x) - room;
                sketch.wire(piece.node, x, y, end, y);
                lying(link, ladder.pieces.get(i + 1).node, end - LONG, y);
                x = end - LONG;
                cursor = x - room;
            }
        }
        return x;
    }

    /** A row of places from left to right, without a tube in the middle. */
    Drawn ladder(Block block) {
        double y = 0;
        double x = 0;
        double cursor = 0;
        if (block.main != null) {
            threeEnded(block.main, y, true);
            x = 8;
            cursor = 9;
        }
        Ladder ladder = block.ladder;
        for (int i = 0; i < ladder.pieces.size(); i++) {
            Piece piece = ladder.pieces.get(i);
            double start = x;
            if (nets.isGround(piece.node)) {
                double at = Math.max(cursor, x) + 1;
                sketch.wire(piece.node, x, y, at, y);
                ground(piece.node, at, y);
                x = at;
                cursor = at + 1.4;
            } else {
                boolean alone = piece.down.isEmpty();
                for (Leg leg : piece.down) {
                    x = Math.max(cursor + leftNeed(leg), x);
                    cursor = x + rightNeed(leg);
                    hanging(leg, x, y);
                }
                boolean end = i == 0 || i == ladder.pieces.size() - 1;
                if (piece.flagged || alone && end || block.kind == Kind.REST) {
                    x = Math.max(cursor + half(piece.node) + GAP, x);
                    cursor = x + half(piece.node) + GAP;
                    sketch.wire(piece.node, x, y, x, y - 1);
                    flag(piece.node, x, y - 1, 0, -1);
                }
                sketch.wire(piece.node, i == 0 && block.main == null ? firstX(piece, start, x) : start, y, x, y);
            }
            if (i < ladder.links.size()) {
                Card link = ladder.links.get(i);
                double room = Math.max(0, (labelWidth(link) - LONG) / 2) + 0.5;
                double begin = Math.max(cursor, x) + room;
                sketch.wire(piece.node, x, y, begin, y);
                if (link.nodes().size() == 3) {
                    tapped(link, begin, y);
                } else {
                    lying(link, piece.node, begin, y);
                }
                x = begin + LONG;
                cursor = x + room;
            }
        }
        return new Drawn(sketch, Optional.of(new double[] {0, y}), Optional.empty(), List.of());
    }

    /** The first place begins at its first part and not before it. */
    private double firstX(Piece piece, double start, double x) {
        return sketch.shapes.stream()
                .flatMap(shape -> shape.pins().stream())
                .filter(pin -> pin.node().equals(piece.node))
                .mapToDouble(Pin::x)
                .min()
                .orElse(x);
    }

    private void hanging(Leg leg, double x, double y) {
        Card card = leg.card;
        if (card.nodes().size() == 3 && isTap(leg)) {
            sketch.wire(leg.from, x, y, x, y + 4.3);
            double level = y + 5.5;
            sketch.shapes.add(new Shape(
                    card.reference(),
                    Glyph.HEATER,
                    x - 2,
                    level - 1.2,
                    4,
                    2.4,
                    false,
                    List.of(
                            new Pin(card.nodes().get(0), x - 3, level, ""),
                            new Pin(card.nodes().get(1), x, level - 1.2, ""),
                            new Pin(card.nodes().get(2), x + 3, level, "")),
                    List.of(
                            new Label(reference(card), x, level + 3.6, Anchor.MIDDLE),
                            new Label(values.apply(card), x, level + 5, Anchor.MIDDLE))));
            end(card.nodes().get(0), x - 3, level, 1);
            end(card.nodes().get(2), x + 3, level, 1);
            return;
        }
        if (card.nodes().size() == 3) {
            sketch.wire(leg.from, x, y, x, y + 1);
            List<Pin> pins = List.of(
                    new Pin(card.nodes().get(0), x, y + 1, ""),
                    new Pin(card.nodes().get(1), x - 1.2, y + 4, ""),
                    new Pin(card.nodes().get(2), x, y + 1 + LONG, ""));
            sketch.shapes.add(new Shape(
                    card.reference(),
                    Glyph.HEATER,
                    x - 1.2,
                    y + 2,
                    2.4,
                    LONG - 2,
                    true,
                    pins,
                    List.of(
                            new Label(reference(card), x + 1.5, y + 3.7, Anchor.START),
                            new Label(values.apply(card), x + 1.5, y + 5.1, Anchor.START))));
            sketch.wire(card.nodes().get(1), x - 1.2, y + 4, x - 2.2, y + 4);
            if (nets.isGround(card.nodes().get(1))) {
                ground(card.nodes().get(1), x - 2.2, y + 4);
            } else {
                flag(card.nodes().get(1), x - 2.2, y + 4, -1, 0);
            }
            end(card.nodes().get(2), x, y + 1 + LONG, 1);
            return;
        }
        leg(leg, x, y);
    }

    /** A heater with its tap, lying: the tap comes out below. */
    private void tapped(Card card, double x, double y) {
        List<Pin> pins = List.of(
                new Pin(card.nodes().get(0), x, y, ""),
                new Pin(card.nodes().get(1), x + LONG / 2, y + 1.2, ""),
                new Pin(card.nodes().get(2), x + LONG, y, ""));
        sketch.shapes.add(new Shape(
                card.reference(),
                Glyph.HEATER,
                x + 1,
                y - 1.2,
                LONG - 2,
                2.4,
                false,
                pins,
                List.of(
                        new Label(reference(card), x + LONG / 2, y - 3.1, Anchor.MIDDLE),
                        new Label(values.apply(card), x + LONG / 2, y - 1.7, Anchor.MIDDLE))));
        sketch.wire(card.nodes().get(1), x + LONG / 2, y + 1.2, x + LONG / 2, y + 2);
        end(card.nodes().get(1), x + LONG / 2, y + 2, 1);
    }
}
