package org.umberdial.core.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.nets.Nets;
import org.umberdial.core.drawing.Block.Ladder;
import org.umberdial.core.drawing.Block.Leg;
import org.umberdial.core.drawing.Block.Piece;
import org.umberdial.core.drawing.Drawing.Anchor;
import org.umberdial.core.drawing.Drawing.Glyph;
import org.umberdial.core.drawing.Drawing.Label;
import org.umberdial.core.drawing.Drawing.Pin;
import org.umberdial.core.drawing.Drawing.Shape;
import org.umberdial.core.drawing.Drawing.Spot;
import org.umberdial.core.tube.Electrode;
import org.umberdial.core.tube.Section;

/**
 * Draws one stage around its tube, or around nothing.
 *
 * <p>Columns stand clear of each other by construction: each takes the room of its part, of its text and of the flag at
 * its end. Right of a tube the lowest row comes first, so that what hangs from a higher row passes behind it; left of a
 * tube the lower grid comes first for the same reason.
 */
final class TubePen extends TransformerPen {
    static final double GRID_Y = 16;
    private static final double LOWER_GRID_Y = 18;
    private static final double UPPER_GRID_Y = 14.5;
    private static final double SCREEN_Y = 15;
    private static final double CATHODE_Y = 22.5;
    private static final double RADIUS = 4.5;
    /** Room of a spot and its distance from the bulb. */
    private static final double SPOT = 0.9 + Drawing.Spot.LETTERS * Label.LETTER;

    private final Map<String, Deck.SocketPins> sockets;

    TubePen(
            Nets nets,
            Map<String, Deck.SocketPins> sockets,
            Function<Card, String> values,
            boolean ownChassis,
            String mainRail) {
        super(nets, values, ownChassis, mainRail);
        this.sockets = sockets;
    }

    Drawn tube(Block block, boolean ledTo, boolean leadsOn) {
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
        pins.forEach(pin -> spot(section.electrodes().get(pins.indexOf(pin)), pin.node(), pin.y()));
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
            boolean bare = screen.up.isEmpty() && screen.down.isEmpty();
            double clear = bare ? right : Math.max(right, RADIUS + SPOT);
            right = screen(screen, screen.up.isEmpty() ? clear : Math.max(clear, above));
        }
        double[] exit = plate(block, right, above, leadsOn);
        double left = grid(block.at.get(Electrode.GRID), gridY, first(block.at.get(Electrode.GRID)), ledTo && !heptode);
        Optional<double[]> entry = Optional.of(new double[] {left, gridY});
        if (heptode) {
            left = grid(block.at.get(Electrode.GRID3), UPPER_GRID_Y, left - GAP, ledTo);
            entry = Optional.of(new double[] {left, UPPER_GRID_Y});
        }
        return new Drawn(
                sketch, ledTo ? entry : Optional.empty(), leadsOn ? Optional.of(exit) : Optional.empty(), railEnds);
    }

    /** Where a grid's first part may begin: beyond what is written under its lead. */
    private static double first(Ladder ladder) {
        return ladder.pieces.get(0).down.isEmpty() ? -RADIUS - SPOT : -RADIUS - 1;
    }

    /** Left of the leads above and below the bulb, and under those at its sides, nothing else is ever drawn. */
    private void spot(Electrode electrode, String node, double y) {
        if (nets.isGround(node)) {
            return;
        }
        switch (electrode) {
            case PLATE -> sketch.spots.add(new Spot(node, -0.5, PLATE_Y + 0.9, Anchor.END));
            case CATHODE -> sketch.spots.add(new Spot(node, -0.5, CATHODE_Y - 0.4, Anchor.END));
            case SCREEN -> sketch.spots.add(new Spot(node, RADIUS + 0.5, y + 1.7, Anchor.START));
            default -> sketch.spots.add(new Spot(node, -RADIUS - 0.5, y + 1.7, Anchor.END));
        }
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
        String socket = Card.tube(card.reference()).toUpperCase(Locale.ROOT);
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
}
