package org.umberdial.core.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.nets.Nets;
import org.umberdial.core.draft.Stage;
import org.umberdial.core.tube.Electrode;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubeData;

/** Shares the parts out to stages: which hang on which electrode, and which lead to the grid. Knows no geometry. */
final class Blocks {
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

    enum Kind {
        TUBE,
        SUPPLY,
        BOX,
        HEATERS,
        REST
    }

    /** A stage. */
    static final class Block {
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
    }

    private static final int LONGEST_LADDER = 7;
    private final List<Card> cards;
    private final Nets nets;
    private final Set<Card> placed = new HashSet<>();
    private final List<Block> blocks = new ArrayList<>();

    /** @param cards in the order of their references, so that the order in the deck makes no difference */
    Blocks(List<Card> cards, Nets nets) {
        this.cards = cards;
        this.nets = nets;
    }

    List<Block> share() {
        cards.stream().filter(card -> card.letter() == 'K').forEach(placed::add);
        List<Card> tubes = cards.stream()
                .filter(card -> nets.section(card).filter(Section::amplifies).isPresent())
                .sorted(Comparator.comparingInt(this::rank))
                .toList();
        placed.addAll(tubes);
        Set<Card> supply = supplyParts();
        for (Card tube : tubes) {
            blocks.add(tubeBlock(tube, supply));
        }
        boxes(card -> card.model().equals("XFMR"));
        supply();
        boxes(card -> true);
        heaters();
        attach();
        rest();
        return blocks;
    }

    private int rank(Card card) {
        Optional<Stage> said = Stage.of(card);
        if (said.isPresent()) {
            return 20 * said.get().ordinal() + (beside(card) ? 1 : 0);
        }
        Section section = nets.section(card).orElseThrow();
        String plate = card.nodes().get(0);
        if (section == Section.HEPTODE || beside(card)) {
            return section == Section.HEPTODE ? 40 : 41;
        }
        if (card.key("role").filter("oscillator"::equalsIgnoreCase).isPresent()) {
            return 38;
        }
        boolean transformer =
                nets.at(plate).stream().anyMatch(other -> other.model().equals("XFMR"));
        if (transformer) {
            return 200;
        }
        boolean tuned = nets.at(plate).stream()
                .anyMatch(other -> other.letter() == 'L' && other.value().orElse(1.0) < 0.1);
        int steps = stepsToOutput(plate);
        return tuned ? 60 : steps > 5 ? 10 : 190 - 10 * steps;
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
                .filter(card -> card.model().equals("XFMR") && !placed.contains(card))
                .findFirst()
                .ifPresent(card -> {
                    placed.add(card);
                    block.transformer = card;
                    feed(block, plate);
                });
        block.at.put(Electrode.PLATE, ladder(hang(plate, supply, own, true)));
        return block;
    }

    /** The loudspeaker: a part from a winding's end to ground or to its other end. */
    private void feed(Block block, String plate) {
        for (String node : block.transformer.nodes()) {
            List<Card> there = free(node);
            boolean one = !node.equals(plate)
                    && !nets.isGround(node)
                    && !nets.isRail(node)
                    && nets.at(node).size() == 2
                    && there.size() == 1;
            if (one && nets.isGround(Nets.other(there.get(0), node))) {
                placed.add(there.get(0));
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
        for (Card card : free(node)) {
            if (supply.contains(card)) {
                continue;
            }
            String other = Nets.other(card, node);
            Leg leg = new Leg(card, node);
            if (nets.isRail(other)) {
                placed.add(card);
                (upward ? piece.up : piece.down).add(leg);
            } else if (nets.isGround(other) || nets.isSlow(other) || ends(other, card)) {
                placed.add(card);
                chain(leg);
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

    /** Follows a leg through joints that are nobody else's, and through a slow node to the capacitor that keeps it. */
    private void chain(Leg first) {
        Leg leg = first;
        for (int i = 0; i < 2; i++) {
            String joint = leg.end;
            if (nets.isGround(joint) || nets.isRail(joint) || nets.isElectrode(joint)) {
                return;
            }
            List<Card> on = free(joint).stream()
                    .filter(card -> nets.isGround(Nets.other(card, joint)))
                    .toList();
            boolean alone = nets.at(joint).size() == 2;
            Optional<Card> next = alone
                    ? on.stream().findFirst()
                    : on.stream().filter(card -> card.letter() == 'C').findFirst();
            if (next.isEmpty() || !alone && !nets.isSlow(joint)) {
                return;
            }
            Leg more = new Leg(next.get(), joint);
            placed.add(next.get());
            leg.next = more;
            leg.jointFlagged = !alone;
            leg = more;
        }
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
            for (Card card : free(node)) {
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
            for (Card card : free(node)) {
                String other = Nets.other(card, node);
                boolean hangs = nets.isGround(other) || nets.isSlow(other) || nets.isRail(other) || own.contains(other);
                if (!supply.contains(card) && hangs && link.filter(card::equals).isEmpty()) {
                    Leg leg = new Leg(card, node);
                    placed.add(card);
                    chain(leg);
                    piece.down.add(leg);
                }
            }
            if (link.isEmpty() || ladder.links.size() == LONGEST_LADDER) {
                return ladder;
            }
            placed.add(link.get());
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

    private List<Card> free(String node) {
        return nets.at(node).stream()
                .filter(card -> !placed.contains(card) && nets.isTwoEnded(card) && !nets.isHeater(card))
                .toList();
    }

    /** From the source through the rectifier along the rails. */
    private void supply() {
        cards.stream()
                .filter(card -> card.letter() == 'V' && card.hertz() > 0 && !placed.contains(card))
                .forEach(this::line);
        for (String source : nets.sources()) {
            Optional<Card> rectifier = cards.stream()
                    .filter(card -> !placed.contains(card)
                            && (nets.section(card)
                                            .filter(s -> s == Section.DIODE || s == Section.FULL_WAVE)
                                            .isPresent()
                                    || card.letter() == 'D'
                                    || card.model().equals("SELENIUM"))
                            && card.nodes().get(card.nodes().size() - 1).equals(source))
                    .findFirst();
            if (rectifier.isEmpty()
                    && nets.at(source).stream().noneMatch(c -> c.letter() == 'V' && !placed.contains(c))) {
                continue;
            }
            boolean box = rectifier.filter(card -> card.nodes().size() > 2).isPresent();
            Block block = new Block(Kind.SUPPLY, box ? rectifier.get() : null, "supply");
            rectifier.ifPresent(placed::add);
            if (rectifier.isPresent() && !box) {
                backward(block.ladder, rectifier.get());
            } else {
                block.ladder.pieces.add(new Piece(source));
            }
            forward(block.ladder);
            for (Piece piece : block.ladder.pieces) {
                hangAll(piece);
            }
            blocks.add(block);
        }
    }

    /** The line with its switch and what hangs on it. */
    private void line(Card source) {
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
                    : free(here).stream()
                            .filter(card -> card.kind().equals("switch") || card.letter() == 'L')
                            .filter(card ->
                                    !nets.isGround(Nets.other(card, here)) && !walked.contains(Nets.other(card, here)))
                            .findFirst();
            link.ifPresent(placed::add);
            free(here).stream()
                    .filter(card -> nets.isGround(Nets.other(card, here)))
                    .forEach(card -> {
                        placed.add(card);
                        piece.down.add(new Leg(card, here));
                    });
            if (link.isEmpty()) {
                break;
            }
            block.ladder.links.add(link.get());
            node = Nets.other(link.get(), here);
        }
        blocks.add(block);
    }

    private void backward(Ladder ladder, Card rectifier) {
        List<String> nodes = new ArrayList<>(
                List.of(rectifier.nodes().get(1), rectifier.nodes().get(0)));
        List<Card> links = new ArrayList<>(List.of(rectifier));
        for (int i = 0; i < LONGEST_LADDER; i++) {
            String node = nodes.get(nodes.size() - 1);
            if (nets.isGround(node)) {
                break;
            }
            Optional<Card> before = free(node).stream()
                    .filter(card -> "RL".indexOf(card.letter()) >= 0 && !nets.isGround(Nets.other(card, node)))
                    .filter(card -> !nodes.contains(Nets.other(card, node)))
                    .min(Comparator.comparingDouble(card -> card.value().orElse(0.0)));
            if (before.isEmpty()) {
                break;
            }
            placed.add(before.get());
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
        while (ladder.links.size() < 2 * LONGEST_LADDER) {
            String node = ladder.last().node;
            Optional<Card> link = free(node).stream()
                    .filter(card -> nets.isRail(Nets.other(card, node)) && !seen.contains(Nets.other(card, node)))
                    .findFirst();
            if (link.isEmpty()) {
                return;
            }
            placed.add(link.get());
            ladder.links.add(link.get());
            ladder.pieces.add(new Piece(Nets.other(link.get(), node)));
            seen.add(ladder.last().node);
        }
    }

    /** Everything of two ends that is still free at a node hangs there. */
    private void hangAll(Piece piece) {
        if (nets.isGround(piece.node)) {
            return;
        }
        for (Card card : free(piece.node)) {
            placed.add(card);
            Leg leg = new Leg(card, piece.node);
            chain(leg);
            piece.down.add(leg);
        }
    }

    /**
     * Transformers, transistors, eyes and whatever has more than two ends; what leads to their first end stands before.
     */
    private void boxes(Predicate<Card> wanted) {
        for (Card card : cards) {
            if (!wanted.test(card) || placed.contains(card) || nets.isTwoEnded(card) || nets.isHeater(card)) {
                continue;
            }
            placed.add(card);
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
                        : free(node).stream()
                                .filter(c -> "RL".indexOf(c.letter()) >= 0
                                        && !nets.isGround(Nets.other(c, here))
                                        && !walked.contains(Nets.other(c, here)))
                                .findFirst();
                link.ifPresent(placed::add);
                hangAll(piece);
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

    /** A string in the order of its current, else side by side. */
    private void heaters() {
        List<Card> heaters = new ArrayList<>(cards.stream()
                .filter(card -> !placed.contains(card)
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
                        placed.add(card);
                    }
                }
            }
            blocks.add(block);
        }
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
            placed.add(card);
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
                    placed.add(lamp);
                    piece.down.add(new Leg(lamp, piece.node));
                }
            }
        }
    }

    /** Hangs what is left on a stage that has one of its ends; the other end goes by its name. */
    private void attach() {
        for (Card card : cards) {
            if (placed.contains(card) || !nets.isTwoEnded(card)) {
                continue;
            }
            pieces(blocks).stream()
                    .filter(piece -> card.nodes().contains(piece.node) && !nets.isGround(piece.node))
                    .filter(piece -> !nets.isRail(piece.node))
                    .findFirst()
                    .ifPresent(piece -> {
                        placed.add(card);
                        Leg leg = new Leg(card, piece.node);
                        chain(leg);
                        piece.down.add(leg);
                    });
        }
    }

    private void rest() {
        for (Card card : cards) {
            if (placed.contains(card)) {
                continue;
            }
            Block block = new Block(Kind.REST, null, "");
            String node = nets.isGround(card.nodes().get(0))
                    ? card.nodes().get(1)
                    : card.nodes().get(0);
            Piece piece = new Piece(node);
            block.ladder.pieces.add(piece);
            if (nets.isTwoEnded(card)) {
                hangAll(piece);
            }
            if (placed.add(card)) {
                // Both ends at one place: it still is there to be seen.
                piece.down.add(new Leg(card, node));
            }
            blocks.add(block);
        }
    }

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

    /** A type's plain name. */
    static String bare(Card card) {
        return TubeData.bare(card.model());
    }
}
