package org.umberdial.core.drawing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.nets.Nets;
import org.umberdial.core.drawing.Blocks.Block;
import org.umberdial.core.drawing.Blocks.Kind;
import org.umberdial.core.drawing.Blocks.Ladder;
import org.umberdial.core.drawing.Blocks.Leg;
import org.umberdial.core.drawing.Blocks.Piece;
import org.umberdial.core.drawing.Drawing.Anchor;
import org.umberdial.core.drawing.Drawing.Flag;
import org.umberdial.core.drawing.Drawing.Glyph;
import org.umberdial.core.drawing.Drawing.Label;
import org.umberdial.core.drawing.Drawing.Pin;
import org.umberdial.core.drawing.Drawing.Shape;
import org.umberdial.core.drawing.Drawing.Sign;
import org.umberdial.core.tube.Electrode;
import org.umberdial.core.tube.Section;

/**
 * Draws one stage around its tube, or around nothing.
 *
 * <p>Columns stand clear of each other by construction: each takes the room of its part, of its text and of the flag at
 * its end. Right of a tube the lowest row comes first, so that what hangs from a higher row passes behind it; left of a
 * tube the lower grid comes first for the same reason.
 */
final class Draughtsman {
    static final double RAIL_Y = -4;
    static final double PLATE_Y = 10;
    static final double GRID_Y = 16;
    private static final double LOWER_GRID_Y = 18;
    private static final double UPPER_GRID_Y = 14.5;
    private static final double SCREEN_Y = 15;
    private static final double CATHODE_Y = 22.5;
    private static final double RADIUS = 4.5;
    /** A part of two ends from end to end. */
    private static final double LONG = 6;

    /** Room for any usual value, so that another value moves nothing. */
    static final int USUAL_LETTERS = 5;

    private static final double GAP = 0.6;
    /** Lowest that a fed row's upper part stands. */
    private static final double UPPER_TOP = 2;

    private final Nets nets;
    private final Function<Card, String> values;
    private final Map<String, Deck.SocketPins> sockets = new HashMap<>();
    private final boolean ownChassis;
    private static final Block NOTHING = new Block(Kind.BOX, null, "");
    private Sketch sketch = new Sketch();
    /** Rails that parts of the block reach up to, with where. */
    private List<double[]> railEnds = new ArrayList<>();

    private String mainRail = "";

    Draughtsman(Nets nets, List<Deck.SocketPins> sockets, Function<Card, String> values, boolean ownChassis) {
        this.nets = nets;
        this.values = values;
        this.ownChassis = ownChassis;
        sockets.forEach(socket -> this.sockets.put(socket.socket().toUpperCase(Locale.ROOT), socket));
    }

    /**
     * @param entry where the outermost grid ladder begins, when it may be led to [grid units]
     * @param exit where the plate's row ends
     * @param rails where parts reach up to the row's rail
     */
    record Drawn(Sketch sketch, Optional<double[]> entry, Optional<double[]> exit, List<double[]> rails) {}

    /**
     * @param rail the row's rail
     * @param ledTo whether the stage before leads a wire to the grid ladder
     * @param leadsOn whether the plate is led on to the next stage
     */
    Drawn draw(Block block, String rail, boolean ledTo, boolean leadsOn) {
        sketch = new Sketch();
        railEnds = new ArrayList<>();
        mainRail = rail;
        return switch (block.kind) {
            case TUBE -> tube(block, ledTo, leadsOn);
            case BOX -> box(block);
            default -> ladder(block);
        };
    }

    private Drawn tube(Block block, boolean ledTo, boolean leadsOn) {
        Card card = block.main;
        Section section = nets.section(card).orElseThrow();
        boolean heptode = section == Section.HEPTODE;
        double gridY = heptode ? LOWER_GRID_Y : GRID_Y;
        List<Pin> pins = new ArrayList<>();
        List<Label> labels = new ArrayList<>();
        for (int i = 0; i < card.nodes().size(); i++) {
            Electrode electrode = section.electrodes().get(i);
            String node = card.nodes().get(i);
            double[] at = switch (electrode) {
                case PLATE -> new double[] {0, GRID_Y - RADIUS};
                case GRID -> new double[] {-RADIUS, gridY};
                case GRID3 -> new double[] {-RADIUS, UPPER_GRID_Y};
                case SCREEN -> new double[] {RADIUS, SCREEN_Y};
                default -> new double[] {0, GRID_Y + RADIUS};
            };
            String name = pinName(card, node, electrode);
            pins.add(new Pin(node, at[0], at[1], name));
            if (!name.isEmpty()) {
                labels.add(pinLabel(electrode, at, name));
            }
        }
        labels.add(new Label(reference(card), 3.7, GRID_Y + 4.6, Anchor.START));
        labels.add(new Label(Blocks.bare(card), 3.7, GRID_Y + 6, Anchor.START));
        Glyph glyph = heptode ? Glyph.HEPTODE : section == Section.PENTODE ? Glyph.PENTODE : Glyph.TRIODE;
        sketch.shapes.add(new Shape(
                card.reference(), glyph, -RADIUS, GRID_Y - RADIUS, 2 * RADIUS, 2 * RADIUS, true, pins, labels));
        double right = cathode(block.at.get(Electrode.CATHODE).pieces.get(0));
        right = Math.max(
                right, 4 + 0.7 + Label.LETTER * Math.max(Blocks.bare(card).length(), 3));
        double above = overPlate(block);
        if (block.at.containsKey(Electrode.SCREEN)) {
            Piece screen = block.at.get(Electrode.SCREEN).pieces.get(0);
            right = screen(screen, screen.up.isEmpty() ? right : Math.max(right, above));
        }
        double[] exit = plate(block, right, above, leadsOn);
        double left = grid(block.at.get(Electrode.GRID), gridY, -RADIUS - 1, ledTo && !heptode);
        Optional<double[]> entry = Optional.of(new double[] {left, gridY});
        if (heptode) {
            left = grid(block.at.get(Electrode.GRID3), UPPER_GRID_Y, left - GAP, ledTo);
            entry = Optional.of(new double[] {left, UPPER_GRID_Y});
        }
        return new Drawn(
                sketch, ledTo ? entry : Optional.empty(), leadsOn ? Optional.of(exit) : Optional.empty(), railEnds);
    }

    private static Label pinLabel(Electrode electrode, double[] at, String name) {
        return switch (electrode) {
            case PLATE -> new Label(name, at[0] + 0.4, at[1] - 0.2, Anchor.START);
            case SCREEN -> new Label(name, at[0] + 0.1, at[1] - 0.3, Anchor.START);
            case CATHODE -> new Label(name, at[0] + 0.4, at[1] + 1.4, Anchor.START);
            default -> new Label(name, at[0] - 0.1, at[1] - 0.3, Anchor.END);
        };
    }

    /** The pin by its node; where two electrodes share one, a number is given to the one that usually has it. */
    private String pinName(Card card, String node, Electrode electrode) {
        String socket =
                card.reference().toUpperCase(Locale.ROOT).replaceFirst("^X", "").replaceFirst("(?<=[0-9])[A-Z].*$", "");
        Deck.SocketPins pins = sockets.get(socket);
        if (pins == null || nets.isGround(node) && electrode != Electrode.CATHODE) {
            return "";
        }
        List<String> names = pins.pins().entrySet().stream()
                .filter(entry -> entry.getValue().equals(node))
                .map(Map.Entry::getKey)
                .toList();
        return names.size() == 1 ? names.get(0) : "";
    }

    private double cathode(Piece piece) {
        double y = GRID_Y + RADIUS;
        if (nets.isGround(piece.node)) {
            sketch.wire(piece.node, 0, y, 0, CATHODE_Y);
            ground(piece.node, 0, CATHODE_Y);
            return 1.5;
        }
        List<Leg> legs = new ArrayList<>(piece.down);
        sketch.wire(piece.node, 0, y, 0, CATHODE_Y);
        double x = 0;
        double cursor = 1.2;
        boolean first = true;
        for (Leg leg : legs) {
            x = first ? 0 : Math.max(cursor + leftNeed(leg), 0);
            cursor = x + rightNeed(leg);
            leg(leg, x, CATHODE_Y);
            first = false;
        }
        if (piece.flagged || legs.isEmpty()) {
            if (first) {
                flag(piece.node, 0, CATHODE_Y, 0, 1);
                return half(piece.node) + GAP;
            }
            x = cursor + half(piece.node) + GAP;
            sketch.wire(piece.node, x, CATHODE_Y, x, CATHODE_Y + 1);
            flag(piece.node, x, CATHODE_Y + 1, 0, 1);
            cursor = x + half(piece.node) + GAP;
        }
        sketch.wire(piece.node, 0, CATHODE_Y, x, CATHODE_Y);
        return cursor;
    }

    private double screen(Piece piece, double from) {
        double y = SCREEN_Y;
        if (piece.up.isEmpty() && piece.down.isEmpty()) {
            double x = RADIUS + 1.5;
            sketch.wire(piece.node, RADIUS, y, x, y);
            if (nets.isGround(piece.node)) {
                ground(piece.node, x, y);
                return Math.max(from, x + 1.5);
            }
            flag(piece.node, x, y, 1, 0);
            return Math.max(from, x + 1.6 + 2 * half(piece.node));
        }
        double cursor = from + GAP;
        double x = RADIUS;
        for (Leg leg : piece.down) {
            x = cursor + leftNeed(leg);
            cursor = x + rightNeed(leg);
            leg(leg, x, y);
        }
        for (Leg leg : piece.up) {
            x = cursor + leftNeed(leg);
            cursor = x + rightNeed(leg);
            up(leg, x, y);
        }
        sketch.wire(piece.node, RADIUS, y, x, y);
        if (piece.flagged) {
            sketch.wire(piece.node, x, y, cursor + 1, y);
            flag(piece.node, cursor + 1, y, 1, 0);
            cursor += 3 + 2 * half(piece.node);
        }
        return cursor;
    }

    /** What stands straight above the plate: its load; gives where it ends on the right. */
    private double overPlate(Block block) {
        Piece piece = block.at.get(Electrode.PLATE).pieces.get(0);
        sketch.wire(piece.node, 0, GRID_Y - RADIUS, 0, PLATE_Y);
        if (nets.isRail(piece.node) || nets.isGround(piece.node)) {
            end(piece.node, 0, PLATE_Y, -1);
            return half(piece.node) + GAP;
        }
        if (block.transformer != null) {
            return transformer(block, piece.node, 0);
        }
        if (piece.up.isEmpty()) {
            return 1.2;
        }
        up(piece.up.get(0), 0, PLATE_Y);
        return rightNeed(piece.up.get(0));
    }

    /** The plate's row beyond its load; gives its right end. */
    private double[] plate(Block block, double from, double above, boolean leadsOn) {
        Piece piece = block.at.get(Electrode.PLATE).pieces.get(0);
        if (nets.isRail(piece.node) || nets.isGround(piece.node)) {
            return new double[] {0, PLATE_Y};
        }
        boolean screenFed = block.at.containsKey(Electrode.SCREEN)
                && !block.at.get(Electrode.SCREEN).pieces.get(0).up.isEmpty();
        double x = 0;
        double cursor = screenFed ? Math.max(above, from) : above;
        for (Leg leg : piece.up.subList(block.transformer == null && !piece.up.isEmpty() ? 1 : 0, piece.up.size())) {
            x = cursor + leftNeed(leg);
            cursor = x + rightNeed(leg);
            up(leg, x, PLATE_Y);
        }
        cursor = Math.max(cursor, from) + (piece.down.isEmpty() ? 0 : GAP);
        for (Leg leg : piece.down) {
            x = cursor + leftNeed(leg);
            cursor = x + rightNeed(leg);
            leg(leg, x, PLATE_Y);
        }
        sketch.wire(piece.node, 0, PLATE_Y, x, PLATE_Y);
        if (piece.flagged) {
            double at = x + (block.transformer == null ? 1.5 : 4.5);
            if (leadsOn) {
                double over = Math.max(cursor, x) + half(piece.node) + GAP;
                sketch.wire(piece.node, x, PLATE_Y, over, PLATE_Y);
                sketch.wire(piece.node, over, PLATE_Y, over, PLATE_Y - 1);
                flag(piece.node, over, PLATE_Y - 1, 0, -1);
                x = over;
            } else {
                // Beside the last part nothing else stands on this row.
                sketch.wire(piece.node, x, PLATE_Y, at, PLATE_Y);
                flag(piece.node, at, PLATE_Y, 1, 0);
            }
        }
        return new double[] {x, PLATE_Y};
    }

    /** The ladder to a grid, from the tube to the left; gives where it ends. */
    private double grid(Ladder ladder, double y, double from, boolean ledTo) {
        double x = -RADIUS;
        double cursor = from;
        for (int i = 0; i < ladder.pieces.size(); i++) {
            Piece piece = ladder.pieces.get(i);
            double start = x;
            boolean last = i == ladder.pieces.size() - 1;
            for (Leg leg : piece.down) {
                x = Math.min(cursor - rightNeed(leg), x);
                cursor = x - leftNeed(leg);
                leg(leg, x, y);
            }
            boolean bare = nets.isGround(piece.node) || nets.isRail(piece.node) || nets.isSlow(piece.node);
            boolean flagged = piece.flagged || bare || last && piece.down.isEmpty() && ladder.pieces.size() > 1;
            if (last && flagged && !ledTo) {
                x = Math.min(x, cursor) - 1.2;
                sketch.wire(piece.node, start, y, x, y);
                if (nets.isGround(piece.node)) {
                    ground(piece.node, x, y);
                    return x - 1.5;
                }
                flag(piece.node, x, y, -1, 0);
                return x - 2 - 2 * half(piece.node);
            }
            if (!last && piece.flagged) {
                x = Math.min(cursor - half(piece.node) - GAP, x);
                cursor = x - half(piece.node) - GAP;
                sketch.wire(piece.node, x, y, x, y + 1);
                flag(piece.node, x, y + 1, 0, 1);
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
        return Math.min(x, ledTo ? x : cursor);
    }

    private void up(Leg leg, double x, double y) {
        double bottom = UPPER_TOP + LONG;
        sketch.wire(leg.from, x, y, x, bottom);
        String end = leg.end;
        upright(leg.card, end, x, UPPER_TOP);
        if (end.equals(mainRail)) {
            sketch.wire(end, x, UPPER_TOP, x, RAIL_Y);
            railEnds.add(new double[] {x, RAIL_Y});
        } else {
            flag(end, x, UPPER_TOP, 0, -1);
        }
    }

    /** A part that hangs, and what follows; gives where it ends. */
    private void leg(Leg leg, double x, double y) {
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

    private void end(String node, double x, double y, int dy) {
        if (nets.isGround(node)) {
            ground(node, x, y);
        } else {
            flag(node, x, y, 0, dy);
        }
    }

    private void ground(String node, double x, double y) {
        sketch.flag(new Flag(node, Sign.GROUND, x, y, 0, 1, ""));
    }

    private void flag(String node, double x, double y, int dx, int dy) {
        boolean chassis = node.equals("chassis") && ownChassis;
        sketch.flag(new Flag(node, chassis ? Sign.CHASSIS : Sign.NAMED, x, y, dx, dy, chassis ? "" : node));
    }

    private static double half(String node) {
        return node.length() * Label.LETTER / 2 + 0.6;
    }

    /** Whether a heater of two halves is fed in its middle. */
    private static boolean isTap(Leg leg) {
        return leg.card.nodes().size() == 3
                && leg.card.nodes().get(1).equals(leg.from)
                && !leg.card.nodes().get(0).equals(leg.from);
    }

    private double leftNeed(Leg leg) {
        double need = isTap(leg)
                ? 4 + half(leg.card.nodes().get(0))
                : leg.card.nodes().size() == 3 ? 3.4 + 2 * half(leg.card.nodes().get(1)) : 1.6;
        for (Leg at = leg; at != null; at = at.next) {
            need = Math.max(need, at.jointFlagged ? 2.4 + 2 * half(at.end) : 0);
            need = Math.max(need, at.next == null && !nets.isGround(at.end) ? half(at.end) + GAP : 0);
        }
        return need;
    }

    private double rightNeed(Leg leg) {
        double need = isTap(leg) ? 4 + half(leg.card.nodes().get(2)) : 1.6;
        for (Leg at = leg; at != null; at = at.next) {
            need = Math.max(need, bodyHalf(at.card) + 0.3 + labelWidth(at.card) + GAP);
            need = Math.max(need, at.next == null && !nets.isGround(at.end) ? half(at.end) + GAP : 0);
        }
        return need;
    }

    private double labelWidth(Card card) {
        int letters = Math.max(reference(card).length(), values.apply(card).length());
        return Label.LETTER * Math.max(USUAL_LETTERS, letters);
    }

    /** As people say it: V4 and not XV4H. */
    String reference(Card card) {
        String plain = card.letter() == 'X' ? card.reference().substring(1) : card.reference();
        return nets.isHeater(card) ? plain.replaceFirst("H$", "") : plain;
    }

    /** A part of two ends that stands; its first pin is the upper one. */
    private void upright(Card card, String upperNode, double x, double y) {
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
    private void lying(Card card, String leftNode, double x, double y) {
        lying(card, leftNode, x, y, false);
    }

    /** @param textBelow where something stands close above */
    private void lying(Card card, String leftNode, double x, double y, boolean textBelow) {
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
    private double bodyHalf(Card card) {
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

    /**
     * A transformer whose winding is the plate's load, above the plate; further windings at its right.
     *
     * @return where it ends on the right
     */
    private double transformer(Block block, String plate, double x) {
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
                if (feed.equals(mainRail)) {
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

    private double secondaryEnd(Block block, String node, double x, double y) {
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

    /** A part of more than two ends that no stage is built around, with what leads to its first end. */
    private Drawn box(Block block) {
        Card card = block.main;
        boolean transformer = card.model().equals("XFMR");
        double y = 0;
        double left = 0;
        if (transformer) {
            windings(card);
        } else {
            threeEnded(card, 0);
        }
        if (!block.ladder.pieces.isEmpty()) {
            left = feed(block.ladder, y);
        }
        return new Drawn(sketch, Optional.of(new double[] {left, y}), Optional.empty(), List.of());
    }

    private void windings(Card card) {
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

    /** A rectifier, transistor or anything else as a bulb or box with its ends named. */
    private void threeEnded(Card card, double y) {
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
            if (!right || glyph != Glyph.FULL_WAVE) {
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
    private Drawn ladder(Block block) {
        double y = 0;
        double x = 0;
        double cursor = 0;
        if (block.main != null) {
            threeEnded(block.main, y);
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
