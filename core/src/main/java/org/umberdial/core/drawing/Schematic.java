package org.umberdial.core.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.nets.Nets;
import org.umberdial.core.drawing.Block.Kind;
import org.umberdial.core.drawing.Block.Ladder;
import org.umberdial.core.drawing.Block.Leg;
import org.umberdial.core.drawing.Block.Piece;
import org.umberdial.core.drawing.Drawing.Flag;
import org.umberdial.core.drawing.Drawing.Sign;
import org.umberdial.core.drawing.Drawing.Stage;
import org.umberdial.core.tube.Electrode;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/** Draws a deck: stages in rows, a rail over each row, the supply and the heaters below. */
public final class Schematic {
    /** Widths of a row that are tried [grid units]. */
    private static final List<Double> WIDTHS = List.of(110.0, 135.0, 160.0, 185.0, 210.0, 240.0, 280.0, 330.0);
    /** Width over height of a page that lies, and of the screen's pane. */
    private static final double PAGE_RATIO = 1.6;

    private static final double BETWEEN = 4;
    private static final double ROW_GAP = 4;

    private Schematic() {}

    /** Draws a deck with each part's own value. */
    public static Drawing draw(Deck deck, TubeData tubes) {
        return draw(deck, tubes, Schematic::value);
    }

    /** @param values what stands beside a part of two ends */
    public static Drawing draw(Deck deck, TubeData tubes, Function<Card, String> values) {
        List<Card> cards = deck.cards().stream()
                .sorted(Comparator.comparing((Card card) -> card.reference().replaceAll("[0-9]+.*", ""))
                        .thenComparingInt(Schematic::number)
                        .thenComparing(Card::reference))
                .toList();
        Nets nets = new Nets(cards, tubes);
        List<Block> blocks = new Blocks(cards, nets).share();
        boolean live = cards.stream().anyMatch(card -> card.nodes().contains("chassis"));
        Draughtsman pen = new Draughtsman(nets, deck.sockets(), values, live);
        String rail = mainRail(blocks, nets);
        return WIDTHS.stream()
                .map(widest -> assemble(rows(blocks, pen, rail, widest), pen, rail, nets))
                .min(Comparator.comparingDouble(Schematic::emptiness))
                .orElseThrow();
    }

    /** How far from filling a page that lies; the smallest is the most legible. */
    private static double emptiness(Drawing drawing) {
        return Math.max(drawing.width() / PAGE_RATIO, drawing.height());
    }

    private static int number(Card card) {
        String digits = card.reference().replaceAll("^\\D*(\\d{1,6}).*$", "$1");
        return digits.matches("\\d+") ? Integer.parseInt(digits) : 0;
    }

    /** A part's value as a schematic has it. */
    public static String value(Card card) {
        Optional<Unit> unit = switch (card.letter()) {
            case 'R' -> Optional.of(Unit.OHM);
            case 'C' -> Optional.of(Unit.FARAD);
            case 'L' -> Optional.of(Unit.HENRY);
            case 'V' -> Optional.of(Unit.VOLT);
            default -> Optional.empty();
        };
        if (card.kind().equals("switch")) {
            return card.key("closed").orElse("");
        }
        if (unit.isPresent() && card.value().isPresent()) {
            return terse(Engineering.print(card.value().get(), unit.get()));
        }
        if (card.model().equals("LAMP")) {
            return terse(Engineering.print(card.parameters().getOrDefault("V", 0.0), Unit.VOLT));
        }
        return card.letter() == 'D' ? "" : TubeData.bare(card.model());
    }

    /**
     * As one writes beside a symbol: no blanks, no zeros that say nothing, no unit that the symbol says; a coil's bare
     * 10 would be read as ohms.
     */
    private static String terse(String printed) {
        return printed.replace(" ", "")
                .replaceFirst("(\\.\\d*?)0+(?=\\D|$)", "$1")
                .replaceFirst("\\.(?=\\D|$)", "")
                .replaceFirst("[ΩF]$", "");
    }

    private static String mainRail(List<Block> blocks, Nets nets) {
        Map<String, Long> uses = Block.pieces(blocks).stream()
                .flatMap(piece -> piece.up.stream())
                .collect(Collectors.groupingBy(leg -> leg.end, Collectors.counting()));
        return uses.entrySet().stream()
                .filter(entry -> nets.isRail(entry.getKey()))
                .max(Map.Entry.<String, Long>comparingByValue().thenComparing(Map.Entry.comparingByKey()))
                .map(Map.Entry::getKey)
                .orElse("");
    }

    /** Stages with a tube first, then the supply, transformers and what is left, then the heaters. */
    private static List<List<Block>> rows(List<Block> blocks, Draughtsman pen, String rail, double widest) {
        List<List<Block>> rows = new ArrayList<>();
        for (List<Kind> kinds :
                List.of(List.of(Kind.TUBE), List.of(Kind.BOX, Kind.SUPPLY, Kind.REST), List.of(Kind.HEATERS))) {
            List<Block> row = new ArrayList<>();
            double width = 0;
            for (Block block : blocks.stream()
                    .filter(b -> kinds.contains(b.kind))
                    .sorted(Comparator.comparingInt(b -> kinds.indexOf(b.kind)))
                    .toList()) {
                Sketch sketch = pen.draw(block, rail, false, false).sketch();
                double wide = sketch.right() - sketch.left() + BETWEEN;
                if (!row.isEmpty() && width + wide > widest) {
                    rows.add(row);
                    row = new ArrayList<>();
                    width = 0;
                }
                row.add(block);
                width += wide;
            }
            if (!row.isEmpty()) {
                rows.add(row);
            }
        }
        return rows;
    }

    private static Drawing assemble(List<List<Block>> rows, Draughtsman pen, String rail, Nets nets) {
        Map<Block, Block> led = new HashMap<>();
        for (List<Block> row : rows) {
            for (int i = 1; i < row.size(); i++) {
                lead(row.get(i - 1), row.get(i), led);
            }
        }
        flags(rows, led, rail, nets);
        Sketch all = new Sketch();
        List<Stage> stages = new ArrayList<>();
        double y = 2;
        for (List<Block> row : rows) {
            y = row(row, led, pen, rail, all, stages, y) + ROW_GAP;
        }
        double left = all.left() - 2;
        Sketch moved = new Sketch();
        moved.add(all, -left, 0);
        List<Stage> at = stages.stream()
                .map(stage -> new Stage(
                        stage.name(), stage.x() - left, stage.y(), stage.width(), stage.height(), stage.parts()))
                .toList();
        return new Drawing(
                Math.max(moved.right() + 2, 20),
                Math.max(y, 10),
                List.copyOf(moved.shapes),
                List.copyOf(moved.wires),
                List.copyOf(moved.flags),
                List.copyOf(moved.spots),
                at);
    }

    /** A stage leads to the next in its row when the next one's grid ladder begins at its plate. */
    private static void lead(Block before, Block next, Map<Block, Block> led) {
        if (before.kind != Kind.TUBE || next.kind != Kind.TUBE) {
            return;
        }
        Ladder ladder = Optional.ofNullable(next.at.get(Electrode.GRID3)).orElse(next.at.get(Electrode.GRID));
        String plate = before.at.get(Electrode.PLATE).pieces.get(0).node;
        if (ladder.pieces.size() > 1
                && ladder.last().node.equals(plate)
                && ladder.last().down.isEmpty()) {
            led.put(next, before);
        }
    }

    /** A node in several places is named at each, unless a wire leads from one to the other. */
    private static void flags(List<List<Block>> rows, Map<Block, Block> led, String rail, Nets nets) {
        Map<String, Integer> places = new HashMap<>();
        List<Block> blocks = rows.stream().flatMap(List::stream).toList();
        List<Piece> pieces = Block.pieces(blocks);
        for (Piece piece : pieces) {
            places.merge(piece.node, 1, Integer::sum);
            for (List<Leg> legs : List.of(piece.up, piece.down)) {
                for (Leg leg : legs) {
                    count(leg, places);
                }
            }
        }
        for (Block block : blocks) {
            if (block.main != null && block.kind != Kind.TUBE) {
                block.main.nodes().forEach(node -> places.merge(node, 1, Integer::sum));
            }
            block.fed.keySet().forEach(node -> places.merge(node, 1, Integer::sum));
            if (block.transformer != null) {
                block.transformer.nodes().forEach(node -> places.merge(node, 1, Integer::sum));
            }
            if (block.kind == Kind.HEATERS || block.kind == Kind.SUPPLY) {
                block.ladder.links.stream()
                        .filter(card -> card.nodes().size() == 3)
                        .forEach(card -> places.merge(card.nodes().get(1), 1, Integer::sum));
                block.ladder.pieces.stream()
                        .flatMap(piece -> piece.down.stream())
                        .filter(leg -> leg.card.nodes().size() == 3)
                        .forEach(leg -> places.merge(leg.card.nodes().get(1), 1, Integer::sum));
            }
        }
        // A plate and the transformer above it are one place; so are the two ends of a led wire.
        for (Block block : blocks) {
            if (block.transformer != null) {
                places.merge(block.at.get(Electrode.PLATE).pieces.get(0).node, -1, Integer::sum);
            }
            if (block.kind == Kind.BOX && !block.ladder.pieces.isEmpty()) {
                places.merge(block.ladder.pieces.get(0).node, -1, Integer::sum);
            }
            if (block.kind == Kind.SUPPLY && block.main != null) {
                places.merge(block.ladder.pieces.get(0).node, -1, Integer::sum);
            }
        }
        led.forEach((next, before) ->
                places.merge(before.at.get(Electrode.PLATE).pieces.get(0).node, -1, Integer::sum));
        blocks.stream()
                .flatMap(block -> block.fed.keySet().stream())
                .forEach(node -> places.merge(node, -1, Integer::sum));
        for (Piece piece : pieces) {
            piece.flagged = !nets.isGround(piece.node) && places.getOrDefault(piece.node, 0) > 1;
        }
    }

    private static void count(Leg leg, Map<String, Integer> places) {
        if (leg.next == null) {
            places.merge(leg.end, 1, Integer::sum);
        } else {
            if (leg.jointFlagged) {
                places.merge(leg.end, 1, Integer::sum);
            }
            count(leg.next, places);
        }
    }

    private static double row(
            List<Block> row,
            Map<Block, Block> led,
            Draughtsman pen,
            String rail,
            Sketch all,
            List<Stage> stages,
            double top) {
        Map<Block, Drawn> drawn = new HashMap<>();
        double highest = 0;
        for (Block block : row) {
            Drawn one = pen.draw(block, rail, led.containsKey(block), led.containsValue(block));
            drawn.put(block, one);
            highest = Math.min(highest, one.sketch().top());
        }
        double dy = top - highest + 1;
        double x = 0;
        List<double[]> railed = new ArrayList<>();
        double bottom = dy;
        double[] plateEnd = null;
        Block before = null;
        for (Block block : row) {
            Drawn one = drawn.get(block);
            double dx = x - one.sketch().left();
            all.add(one.sketch(), dx, dy);
            one.rails().forEach(end -> railed.add(new double[] {end[0] + dx, end[1] + dy}));
            if (before != null
                    && led.get(block) == before
                    && plateEnd != null
                    && one.entry().isPresent()) {
                double[] entry = one.entry().get();
                double lane = x - BETWEEN / 2;
                String node = before.at.get(Electrode.PLATE).pieces.get(0).node;
                all.wire(
                        node,
                        plateEnd[0],
                        plateEnd[1],
                        lane,
                        plateEnd[1],
                        lane,
                        entry[1] + dy,
                        entry[0] + dx,
                        entry[1] + dy);
            }
            plateEnd = one.exit()
                    .map(exit -> new double[] {exit[0] + dx, exit[1] + dy})
                    .orElse(null);
            before = block;
            double right = x + one.sketch().right() - one.sketch().left();
            stages.add(new Stage(
                    block.stage,
                    x - 1,
                    top,
                    right - x + 2,
                    one.sketch().bottom() - one.sketch().top() + 4,
                    one.sketch().shapes.stream()
                            .map(Drawing.Shape::reference)
                            .distinct()
                            .toList()));
            bottom = Math.max(bottom, one.sketch().bottom() + dy);
            x = right + BETWEEN;
        }
        if (!railed.isEmpty()) {
            double left = railed.stream().mapToDouble(end -> end[0]).min().orElse(0) - 1.5;
            double right = railed.stream().mapToDouble(end -> end[0]).max().orElse(0);
            all.wire(rail, left, railed.get(0)[1], right, railed.get(0)[1]);
            all.flag(new Flag(rail, Sign.NAMED, left, railed.get(0)[1], -1, 0, rail));
        }
        return bottom;
    }
}
