package org.umberdial.core.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.nets.Nets;
import org.umberdial.core.drawing.Block.Leg;
import org.umberdial.core.drawing.Drawing.Anchor;
import org.umberdial.core.drawing.Drawing.Flag;
import org.umberdial.core.drawing.Drawing.Glyph;
import org.umberdial.core.drawing.Drawing.Label;
import org.umberdial.core.drawing.Drawing.Pin;
import org.umberdial.core.drawing.Drawing.Shape;
import org.umberdial.core.drawing.Drawing.Sign;

/**
 * What every stage is drawn with: parts that stand, lie and hang, with the room that they, their text and the flag at
 * their end take.
 */
class Pen {
    static final double RAIL_Y = -4;
    static final double PLATE_Y = 10;
    /** A part of two ends from end to end. */
    static final double LONG = 6;

    /** Room for any usual value, so that another value moves nothing. */
    static final int USUAL_LETTERS = 5;

    static final double GAP = 0.6;
    /** Lowest that a fed row's upper part stands. */
    static final double UPPER_TOP = 2;

    final Nets nets;
    final Function<Card, String> values;
    private final boolean ownChassis;
    Sketch sketch = new Sketch();
    /** Rails that parts reach up to, with where. */
    List<double[]> railEnds = new ArrayList<>();

    private final String mainRail;

    /** @param mainRail the rail that runs above the row */
    Pen(Nets nets, Function<Card, String> values, boolean ownChassis, String mainRail) {
        this.nets = nets;
        this.values = values;
        this.ownChassis = ownChassis;
        this.mainRail = mainRail;
    }

    boolean isMainRail(String node) {
        return node.equals(mainRail);
    }

    void up(Leg leg, double x, double y) {
        double bottom = UPPER_TOP + LONG;
        sketch.wire(leg.from, x, y, x, bottom);
        String end = leg.end;
        upright(leg.card, end, x, UPPER_TOP);
        if (isMainRail(end)) {
            sketch.wire(end, x, UPPER_TOP, x, RAIL_Y);
            railEnds.add(new double[] {x, RAIL_Y});
        } else {
            flag(end, x, UPPER_TOP, 0, -1);
        }
    }

    /** A part that hangs, and what follows; gives where it ends. */
    void leg(Leg leg, double x, double y) {
        sketch.wire(leg.from, x, y, x, y + 1);
        upright(leg.card, leg.from, x, y + 1);
        double bottom = y + 1 + LONG;
        if (leg.next != null) {
            if (leg.jointFlagged) {
                sketch.wire(leg.end, x, bottom + 0.5, x - 1, bottom + 0.5);
                flag(leg.end, x - 1, bottom + 0.5, -1, 0);
            }
            leg(leg.next, x, bottom);
            return;
        }
        end(leg.end, x, bottom, 1);
    }

    void end(String node, double x, double y, int dy) {
        if (nets.isGround(node)) {
            ground(node, x, y);
        } else {
            flag(node, x, y, 0, dy);
        }
    }

    void ground(String node, double x, double y) {
        sketch.flag(new Flag(node, Sign.GROUND, x, y, 0, 1, ""));
    }

    void flag(String node, double x, double y, int dx, int dy) {
        boolean chassis = node.equals("chassis") && ownChassis;
        sketch.flag(new Flag(node, chassis ? Sign.CHASSIS : Sign.NAMED, x, y, dx, dy, chassis ? "" : node));
    }

    static double half(String node) {
        return node.length() * Label.LETTER / 2 + 0.6;
    }

    /** Whether a heater of two halves is fed in its middle. */
    static boolean isTap(Leg leg) {
        return leg.card.nodes().size() == 3
                && leg.card.nodes().get(1).equals(leg.from)
                && !leg.card.nodes().get(0).equals(leg.from);
    }

    double leftNeed(Leg leg) {
        double need = isTap(leg)
                ? 4 + half(leg.card.nodes().get(0))
                : leg.card.nodes().size() == 3 ? 3.4 + 2 * half(leg.card.nodes().get(1)) : 1.6;
        for (Leg at = leg; at != null; at = at.next) {
            need = Math.max(need, at.jointFlagged ? 2.4 + 2 * half(at.end) : 0);
            need = Math.max(need, at.next == null && !nets.isGround(at.end) ? half(at.end) + GAP : 0);
        }
        return need;
    }

    double rightNeed(Leg leg) {
        double need = isTap(leg) ? 4 + half(leg.card.nodes().get(2)) : 1.6;
        for (Leg at = leg; at != null; at = at.next) {
            need = Math.max(need, bodyHalf(at.card) + 0.3 + labelWidth(at.card) + GAP);
            need = Math.max(need, at.next == null && !nets.isGround(at.end) ? half(at.end) + GAP : 0);
        }
        return need;
    }

    double labelWidth(Card card) {
        int letters = Math.max(reference(card).length(), values.apply(card).length());
        return Label.LETTER * Math.max(USUAL_LETTERS, letters);
    }

    /** As people say it: V4 and not XV4H. */
    String reference(Card card) {
        String plain = card.letter() == 'X' ? card.reference().substring(1) : card.reference();
        return nets.isHeater(card) ? plain.replaceFirst("H$", "") : plain;
    }

    /** A part of two ends that stands; its first pin is the upper one. */
    void upright(Card card, String upperNode, double x, double y) {
        List<Label> labels = new ArrayList<>();
        double beside = x + bodyHalf(card) + 0.3;
        labels.add(new Label(reference(card), beside, y + 2.7, Anchor.START));
        labels.add(new Label(values.apply(card), beside, y + 4.1, Anchor.START));
        Pin upper = new Pin(upperNode, x, y, "");
        Pin lower = new Pin(Nets.other(card, upperNode), x, y + LONG, "");
        boolean turned = !card.nodes().get(0).equals(upperNode);
        sketch.shapes.add(new Shape(
                card.reference(),
                glyph(card),
                x - 1.2,
                y + 1,
                2.4,
                LONG - 2,
                true,
                turned ? List.of(lower, upper) : List.of(upper, lower),
                labels));
    }

    /** A part of two ends that lies between two places, a given node on its left. */
    void lying(Card card, String leftNode, double x, double y) {
        lying(card, leftNode, x, y, false);
    }

    /** @param textBelow where something stands close above */
    void lying(Card card, String leftNode, double x, double y, boolean textBelow) {
        List<Label> labels = new ArrayList<>();
        labels.add(new Label(reference(card), x + LONG / 2, textBelow ? y + 2.7 : y - 1.7, Anchor.MIDDLE));
        labels.add(new Label(values.apply(card), x + LONG / 2, textBelow ? y + 4 : y + 2.9, Anchor.MIDDLE));
        Pin left = new Pin(leftNode, x, y, "");
        Pin right = new Pin(Nets.other(card, leftNode), x + LONG, y, "");
        boolean turned = !card.nodes().get(0).equals(leftNode);
        sketch.shapes.add(new Shape(
                card.reference(),
                glyph(card),
                x + 1,
                y - 1.2,
                LONG - 2,
                2.4,
                false,
                turned ? List.of(right, left) : List.of(left, right),
                labels));
    }

    /** Half of what a symbol is wide. */
    double bodyHalf(Card card) {
        return switch (glyph(card)) {
            case TUBE_DIODE, SOURCE, SPEAKER, POTENTIOMETER -> 1.7;
            default -> 1.2;
        };
    }

    Glyph glyph(Card card) {
        if (nets.isHeater(card)) {
            return Glyph.HEATER;
        }
        return switch (card.letter()) {
            case 'R' ->
                switch (card.kind()) {
                    case "pot" -> Glyph.POTENTIOMETER;
                    case "switch" -> Glyph.SWITCH;
                    case "winding" -> Glyph.SPEAKER;
                    default -> Glyph.RESISTOR;
                };
            case 'C' -> card.kind().equals("electrolytic") ? Glyph.ELECTROLYTIC : Glyph.CAPACITOR;
            case 'L' -> Glyph.COIL;
            case 'D' -> Glyph.DIODE;
            case 'V' -> card.hertz() > 0 ? Glyph.SOURCE : Glyph.BATTERY;
            case 'Q' -> Glyph.TRANSISTOR;
            case 'X' ->
                switch (card.model()) {
                    case "SELENIUM" -> Glyph.DIODE;
                    case "LAMP" -> Glyph.LAMP;
                    case "NEON" -> Glyph.NEON;
                    default ->
                        card.nodes().size() == 2 && nets.section(card).isPresent() ? Glyph.TUBE_DIODE : Glyph.OTHER;
                };
            default -> Glyph.OTHER;
        };
    }
}
