package org.umberdial.core.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.nets.Nets;
import org.umberdial.core.drawing.Block.Kind;
import org.umberdial.core.drawing.Drawing.Anchor;
import org.umberdial.core.drawing.Drawing.Glyph;
import org.umberdial.core.drawing.Drawing.Label;
import org.umberdial.core.drawing.Drawing.Pin;
import org.umberdial.core.drawing.Drawing.Shape;

/** A transformer's windings: one over a plate with what the others feed, or one standing by itself. */
class TransformerPen extends Pen {
    private static final Block NOTHING = new Block(Kind.BOX, null, "");

    TransformerPen(Nets nets, Function<Card, String> values, boolean ownChassis, String mainRail) {
        super(nets, values, ownChassis, mainRail);
    }

    /**
     * A transformer whose winding is the plate's load, above the plate; further windings at its right.
     *
     * @return where it ends on the right
     */
    double transformer(Block block, String plate, double x) {
        Card card = block.transformer;
        int windings = card.nodes().size() / 2;
        List<Pin> pins = new ArrayList<>();
        int own = 0;
        for (int w = 0; w < windings; w++) {
            if (card.nodes().subList(2 * w, 2 * w + 2).contains(plate)) {
                own = w;
                break;
            }
        }
        double top = UPPER_TOP;
        double bottom = UPPER_TOP + LONG;
        double secondary = x + 4;
        boolean several = windings > 2;
        double first = several ? RAIL_Y + 2 : top;
        double each = (several ? PLATE_Y - 0.5 - first : LONG) / Math.max(1, windings - 1);
        int row = 0;
        double edge = secondary + 1;
        for (int w = 0; w < windings; w++) {
            String a = card.nodes().get(2 * w);
            String b = card.nodes().get(2 * w + 1);
            if (w == own) {
                boolean plateFirst = a.equals(plate);
                pins.add(new Pin(a, x, plateFirst ? bottom : top, ""));
                pins.add(new Pin(b, x, plateFirst ? top : bottom, ""));
                String feed = plateFirst ? b : a;
                sketch.wire(plate, x, bottom, x, PLATE_Y);
                if (isMainRail(feed)) {
                    sketch.wire(feed, x, top, x, RAIL_Y);
                    railEnds.add(new double[] {x, RAIL_Y});
                } else if (several) {
                    sketch.wire(feed, x, top, x - 1, top);
                    flag(feed, x - 1, top, -1, 0);
                } else {
                    end(feed, x, top, -1);
                }
            } else {
                double upper = first + row * each + (several ? 0.8 : 0);
                double lower = first + (row + 1) * each - (several ? 0.8 : 0);
                pins.add(new Pin(a, secondary, upper, ""));
                pins.add(new Pin(b, secondary, lower, ""));
                edge = Math.max(edge, secondaryEnd(block, a, secondary, upper));
                edge = Math.max(edge, secondaryEnd(block, b, secondary, lower));
                row++;
            }
        }
        List<Label> labels =
                List.of(new Label(reference(card), x + 2.6, several ? first - 0.5 : top + LONG + 1.6, Anchor.MIDDLE));
        sketch.shapes.add(new Shape(
                card.reference(),
                Glyph.TRANSFORMER,
                x,
                several ? first : top,
                4,
                several ? PLATE_Y - 0.5 - first : LONG,
                true,
                pins,
                labels));
        return edge + GAP;
    }

    double secondaryEnd(Block block, String node, double x, double y) {
        Card fed = block.fed.get(node);
        double at = x + 1.6;
        if (fed != null) {
            double room = Math.max(0, (labelWidth(fed) - LONG) / 2);
            sketch.wire(node, x, y, at + room, y);
            lying(fed, node, at + room, y, block.transformer.nodes().size() > 4);
            String far = Nets.other(fed, node);
            end(far, at + room + LONG, y, 1);
            return at + 2 * room + LONG + 1.4;
        }
        sketch.wire(node, x, y, at, y);
        if (nets.isGround(node)) {
            ground(node, at, y);
            return at + 1.2;
        }
        flag(node, at, y, 1, 0);
        return at + 1.4 + 2 * half(node);
    }

    void windings(Card card) {
        int windings = card.nodes().size() / 2;
        List<Pin> pins = new ArrayList<>();
        double pitch = LONG + 2;
        double tall = (windings - 1) * pitch - 2;
        pins.add(new Pin(card.nodes().get(0), 0, 0, ""));
        pins.add(new Pin(card.nodes().get(1), 0, LONG, ""));
        end(card.nodes().get(1), 0, LONG, 1);
        for (int w = 1; w < windings; w++) {
            double top = (w - 1) * pitch;
            pins.add(new Pin(card.nodes().get(2 * w), 4, top, ""));
            pins.add(new Pin(card.nodes().get(2 * w + 1), 4, top + LONG, ""));
            secondaryEnd(NOTHING, card.nodes().get(2 * w), 4, top);
            secondaryEnd(NOTHING, card.nodes().get(2 * w + 1), 4, top + LONG);
        }
        sketch.shapes.add(new Shape(
                card.reference(),
                Glyph.TRANSFORMER,
                0,
                0,
                4,
                Math.max(tall, LONG),
                true,
                pins,
                List.of(new Label(reference(card), 2, -0.9, Anchor.MIDDLE))));
    }
}
