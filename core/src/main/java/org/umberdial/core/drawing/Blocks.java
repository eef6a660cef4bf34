package org.umberdial.core.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.nets.Nets;
import org.umberdial.core.draft.Stage;
import org.umberdial.core.drawing.Block.Kind;
import org.umberdial.core.drawing.Block.Ladder;
import org.umberdial.core.drawing.Block.Leg;
import org.umberdial.core.drawing.Block.Piece;
import org.umberdial.core.tube.Electrode;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubeData;

/** Shares the parts out to stages: which hang on which electrode, and which lead to the grid. Knows no geometry. */
final class Blocks {
    /** More parts in a row than this are no longer one stage's [parts]. */
    static final int LONGEST_LADDER = 7;

    private final List<Card> cards;
    private final Nets nets;
    private final Pool parts;
    private final List<Block> blocks = new ArrayList<>();

    /** @param cards in the order of their references, so that the order in the deck makes no difference */
    Blocks(List<Card> cards, Nets nets) {
        this.cards = cards;
        this.nets = nets;
        this.parts = new Pool(nets);
    }

    List<Block> share() {
        cards.stream().filter(card -> card.letter() == 'K').forEach(parts::place);
        List<Card> tubes = cards.stream()
                .filter(card -> nets.section(card).filter(Section::amplifies).isPresent())
                .sorted(Comparator.comparingInt(this::rank))
                .toList();
        tubes.forEach(parts::place);
        Set<Card> supply = supplyParts();
        for (Card tube : tubes) {
            blocks.add(tubeBlock(tube, supply));
        }
        boxes(card -> card.model().equals("XFMR"));
        blocks.addAll(new SupplyRows(cards, nets, parts).share());
        boxes(card -> true);
        blocks.addAll(new HeaterRows(cards, nets, parts).share());
        attach();
        rest();
        return blocks;
    }

    /** The order of tubes along the row: the stage a card says it is of, else what the network lets one tell. */
    private int rank(Card card) {
        Optional<Stage> said = Stage.of(card);
        if (said.isPresent()) {
            return place(said.get()) + (beside(card) ? 1 : 0);
        }
        Section section = nets.section(card).orElseThrow();
        String plate = card.nodes().get(0);
        if (section == Section.HEPTODE || beside(card)) {
            return place(Stage.CONVERTER) + (section == Section.HEPTODE ? 0 : 1);
        }
        if (card.key("role").filter("oscillator"::equalsIgnoreCase).isPresent()) {
            return place(Stage.CONVERTER) - 2;
        }
        boolean transformer =
                nets.at(plate).stream().anyMatch(other -> other.model().equals("XFMR"));
        if (transformer) {
            return place(Stage.OUTPUT);
        }
        boolean tuned = nets.at(plate).stream()
                .anyMatch(other -> other.letter() == 'L' && other.value().orElse(1.0) < 0.1);
        int steps = stepsToOutput(plate);
        return tuned ? place(Stage.IF) : steps > 5 ? place(Stage.RF) / 2 : place(Stage.OUTPUT) - 10 * (steps + 1);
    }

    /** Stages stand twenty apart, so that others find room between them. */
    private static int place(Stage stage) {
        return 20 * stage.ordinal();
    }

    /** Whether a converter's other system is in the same bulb. */
    private boolean beside(Card card) {
        String bulb = card.reference().replaceFirst("(?<=[0-9])[A-Z].*$", "");
        return nets.section(card).filter(s -> s == Section.TRIODE).isPresent()
                && cards.stream()
                        .anyMatch(other -> other != card
                                && other.reference().equals(bulb)
                                && nets.section(other)
                                        .filter(s -> s == Section.HEPTODE)
                                        .isPresent());
    }

    /** How many coupling capacitors lie between a plate and an output transformer. */
    private int stepsToOutput(String plate) {
        Set<String> seen = new HashSet<>(List.of(Nets.GROUND));
        List<String> level = List.of(plate);
        for (int steps = 0; steps < 6 && !level.isEmpty(); steps++) {
            List<String> next = new ArrayList<>();
            for (String node : level) {
                for (Card card : nets.at(node)) {
                    if (card.model().equals("XFMR")) {
                        return steps;
                    }
                    if (nets.isTwoEnded(card) && "CR".indexOf(card.letter()) >= 0) {
                        String other = Nets.other(card, node);
                        if (!nets.isRail(other) && seen.add(other)) {
                            next.add(other);
                            nets.at(other).stream()
                                    .filter(tube -> nets.section(tube)
                                                    .filter(Section::amplifies)
                                                    .isPresent()
                                            && !tube.nodes().get(0).equals(other))
                                    .forEach(tube -> next.add(tube.nodes().get(0)));
                        }
                    }
                }
            }
            level = next;
        }
        return 6;
    }

    /** Parts on the way from the source to the last rail: they are the supply's and hang on no stage. */
    private Set<Card> supplyParts() {
        Set<Card> parts = new HashSet<>();
        for (Card card : cards) {
            if (!nets.isTwoEnded(card)) {
                continue;
            }
            boolean railToRail =
                    nets.isRail(card.nodes().get(0)) && nets.isRail(card.nodes().get(1));
            boolean filter = card.nodes().stream().anyMatch(nets::isRail)
                    && card.nodes().stream().anyMatch(nets::isGround);
            if (railToRail || filter) {
                parts.add(card);
            }
        }
        return parts;
    }

    private Block tubeBlock(Card tube, Set<Card> supply) {
        Section section = nets.section(tube).orElseThrow();
        Block block = new Block(Kind.TUBE, tube, tube.key("stage").orElse(""));
        Map<Electrode, String> at = new HashMap<>();
        for (int i = 0; i < tube.nodes().size(); i++) {
            at.put(section.electrodes().get(i), tube.nodes().get(i));
        }
        Set<String> own = new HashSet<>(tube.nodes());
        block.at.put(Electrode.CATHODE, ladder(hang(at.get(Electrode.CATHODE), supply, own, false)));
        block.at.put(Electrode.GRID, toGrid(at.get(Electrode.GRID), supply, own));
        if (at.containsKey(Electrode.GRID3)) {
            block.at.put(Electrode.GRID3, toGrid(at.get(Electrode.GRID3), supply, own));
        }
        if (at.containsKey(Electrode.SCREEN)) {
            String screen = at.get(Electrode.SCREEN);
            block.at.put(
                    Electrode.SCREEN,
                    ladder(nets.isRail(screen) ? new Piece(screen) : hang(screen, supply, own, true)));
        }
        String plate = at.get(Electrode.PLATE);
        nets.at(plate).stream()
                .filter(card -> card.model().equals("XFMR") && !parts.isPlaced(card))
                .findFirst()
                .ifPresent(card -> {
                    parts.place(card);
                    block.transformer = card;
                    feed(block, plate);
                });
        block.at.put(Electrode.PLATE, ladder(hang(plate, supply, own, true)));
        return block;
    }

    /** The loudspeaker: a part from a winding's end to ground or to its other end. */
    private void feed(Block block, String plate) {
        for (String node : block.transformer.nodes()) {
            List<Card> there = parts.free(node);
            boolean one = !node.equals(plate)
                    && !nets.isGround(node)
                    && !nets.isRail(node)
                    && nets.at(node).size() == 2
                    && there.size() == 1;
            if (one && nets.isGround(Nets.other(there.get(0), node))) {
                parts.place(there.get(0));
                block.fed.put(node, there.get(0));
            }
        }
    }

    private static Ladder ladder(Piece piece) {
        Ladder ladder = new Ladder();
        ladder.pieces.add(piece);
        return ladder;
    }

    /**
     * What hangs on an electrode: parts to ground, to a rail, to a slow node, and chains of them. What leads on to
     * another stage stays for that stage.
     */
    private Piece hang(String node, Set<Card> supply, Set<String> own, boolean upward) {
        Piece piece = new Piece(node);
        if (nets.isGround(node) || nets.isRail(node)) {
            return piece;
        }
        for (Card card : parts.free(node)) {
            if (supply.contains(card)) {
                continue;
            }
            String other = Nets.other(card, node);
            Leg leg = new Leg(card, node);
            if (nets.isRail(other)) {
                parts.place(card);
                (upward ? piece.up : piece.down).add(leg);
            } else if (nets.isGround(other) || nets.isSlow(other) || ends(other, card)) {
                parts.place(card);
                parts.chain(leg);
                piece.down.add(leg);
            }
        }
        return piece;
    }

    /** Whether a node is no stage's: nothing else is there, or one more part that ends at ground. */
    private boolean ends(String node, Card but) {
        List<Card> others = nets.at(node).stream().filter(card -> card != but).toList();
        return !nets.isElectrode(node)
                && (others.isEmpty()
                        || others.size() == 1
                                && nets.isTwoEnded(others.get(0))
                                && nets.isGround(Nets.other(others.get(0), node)));
    }

    /** The parts that lead to a grid, from the grid outward, with what hangs on each place. */
    private Ladder toGrid(String grid, Set<Card> supply, Set<String> own) {
        Ladder ladder = new Ladder();
        String node = grid;
        Set<String> walked = new HashSet<>(own);
        while (true) {
            Piece piece = new Piece(node);
            ladder.pieces.add(piece);
            boolean foreign = !node.equals(grid) && nets.isElectrode(node);
            if (foreign || nets.isGround(node) || nets.isRail(node) || nets.isSlow(node)) {
                return ladder;
            }
            walked.add(node);
            Optional<Card> link = Optional.empty();
            for (Card card : parts.free(node)) {
                if (supply.contains(card)) {
                    continue;
                }
                String other = Nets.other(card, node);
                boolean leads = !nets.isGround(other)
                        && !nets.isRail(other)
                        && !nets.isSlow(other)
                        && !walked.contains(other)
                        && !nets.isHeaterNode(other);
                if (leads && (link.isEmpty() || better(card, link.get(), node))) {
                    link = Optional.of(card);
                }
            }
            for (Card card : parts.free(node)) {
                String other = Nets.other(card, node);
                boolean hangs = nets.isGround(other) || nets.isSlow(other) || nets.isRail(other) || own.contains(other);
                if (!supply.contains(card) && hangs && link.filter(card::equals).isEmpty()) {
                    Leg leg = new Leg(card, node);
                    parts.place(card);
                    parts.chain(leg);
                    piece.down.add(leg);
                }
            }
            if (link.isEmpty() || ladder.links.size() == LONGEST_LADDER) {
                return ladder;
            }
            parts.place(link.get());
            ladder.links.add(link.get());
            node = Nets.other(link.get(), node);
        }
    }

    /** The way from a plate comes first, then through a capacitor. */
    private boolean better(Card card, Card than, String node) {
        return weight(card, node) < weight(than, node);
    }

    private int weight(Card card, String node) {
        String other = Nets.other(card, node);
        int kind = "CLRX".indexOf(card.letter());
        return (nets.isElectrode(other) ? 0 : 10)
                + (kind < 0 ? 9 : kind)
                + (nets.at(other).size() < 2 ? 20 : 0);
    }

    /**
     * Transformers, transistors, eyes and whatever has more than two ends; what leads to their first end stands before.
     */
    private void boxes(Predicate<Card> wanted) {
        for (Card card : cards) {
            if (!wanted.test(card) || parts.isPlaced(card) || nets.isTwoEnded(card) || nets.isHeater(card)) {
                continue;
            }
            parts.place(card);
            Block block = new Block(Kind.BOX, card, card.key("stage").orElse(""));
            String first = card.nodes().get(0);
            Ladder ladder = new Ladder();
            String node = first;
            Set<String> walked = new HashSet<>(card.nodes());
            walked.remove(first);
            while (card.model().equals("XFMR")) {
                Piece piece = new Piece(node);
                ladder.pieces.add(piece);
                walked.add(node);
                String here = node;
                Optional<Card> link = nets.isGround(node) || nets.isRail(node)
                        ? Optional.empty()
                        : parts.free(node).stream()
                                .filter(c -> "RL".indexOf(c.letter()) >= 0
                                        && !nets.isGround(Nets.other(c, here))
                                        && !walked.contains(Nets.other(c, here)))
                                .findFirst();
                link.ifPresent(parts::place);
                parts.hangAll(piece);
                if (link.isEmpty()) {
                    break;
                }
                ladder.links.add(link.get());
                node = Nets.other(link.get(), node);
            }
            block.ladder = ladder;
            blocks.add(block);
        }
    }

    /** Hangs what is left on a stage that has one of its ends; the other end goes by its name. */
    private void attach() {
        for (Card card : cards) {
            if (parts.isPlaced(card) || !nets.isTwoEnded(card)) {
                continue;
            }
            Block.pieces(blocks).stream()
                    .filter(piece -> card.nodes().contains(piece.node) && !nets.isGround(piece.node))
                    .filter(piece -> !nets.isRail(piece.node))
                    .findFirst()
                    .ifPresent(piece -> {
                        parts.place(card);
                        Leg leg = new Leg(card, piece.node);
                        parts.chain(leg);
                        piece.down.add(leg);
                    });
        }
    }

    private void rest() {
        for (Card card : cards) {
            if (parts.isPlaced(card)) {
                continue;
            }
            Block block = new Block(Kind.REST, null, "");
            String node = nets.isGround(card.nodes().get(0))
                    ? card.nodes().get(1)
                    : card.nodes().get(0);
            Piece piece = new Piece(node);
            block.ladder.pieces.add(piece);
            if (nets.isTwoEnded(card)) {
                parts.hangAll(piece);
            }
            if (parts.place(card)) {
                // Both ends at one place: it still is there to be seen.
                piece.down.add(new Leg(card, node));
            }
            blocks.add(block);
        }
    }

    /** A type's plain name. */
    static String bare(Card card) {
        return TubeData.bare(card.model());
    }
}
