package org.umberdial.core.drawing;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.draft.Answers;
import org.umberdial.core.draft.Drafter;
import org.umberdial.core.draft.LineUp;
import org.umberdial.core.drawing.Drawing.Wire;
import org.umberdial.core.set.StartingCircuit;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubeModels;

class DrawingTest {
    record Drawn(String name, Deck deck) {
        @Override
        public String toString() {
            return name;
        }
    }

    /** Every shipped circuit, every deck the engine is tested on, and a draft of every line-up. */
    static Stream<Drawn> circuits() throws IOException {
        List<Drawn> all = new ArrayList<>();
        StartingCircuit.all().forEach(start -> all.add(new Drawn(start.id(), start.deck())));
        try (Stream<Path> decks = Files.list(Path.of("src/test/decks"))) {
            for (Path path : decks.sorted().toList()) {
                if (path.toString().endsWith(".cir")) {
                    all.add(new Drawn(path.getFileName().toString(), DeckReader.read(Files.readString(path))));
                }
            }
        }
        for (String line : Files.readAllLines(Path.of("src/test/resources/line-ups.csv"))) {
            if (!line.startsWith("tubes,")) {
                all.add(new Drawn(line, draft(line.split(",")[0])));
            }
        }
        return all.stream();
    }

    private static Deck draft(String line) {
        return new Drafter(TubeModels.shipped())
                .draft(LineUp.read(line, TubeData.shipped()), Answers.NONE)
                .deck();
    }

    private static Drawing draw(Deck deck) {
        return Schematic.draw(deck, TubeData.shipped());
    }

    @ParameterizedTest
    @MethodSource("circuits")
    void everyCircuit_isDrawnAsItIs_andLegibly(Drawn circuit) {
        Drawing drawing = draw(circuit.deck());
        assertEquals(List.of(), Gate.check(drawing, circuit.deck()));
        Gate.Flaws flaws = Gate.flaws(drawing);
        assertEquals(List.of(), flaws.overlaps());
        assertEquals(List.of(), flaws.through());
        assertTrue(flaws.crossings() <= 1.5 * drawing.stages().size(), flaws.crossings() + " crossings");
    }

    @Test
    void theOrderOfTheCards_andTheNamesOfTheNodes_makeNoDifference() {
        Deck deck = draft("12BE6 12BA6 12AV6 50C5 35W4");
        List<Card> shuffled = new ArrayList<>(deck.cards());
        Collections.shuffle(shuffled, new Random(7));
        assertEquals(places(draw(deck)), places(draw(with(deck, shuffled))));
    }

    /** A part drawn elsewhere because its value changed would have to be looked for again. */
    @Test
    void anotherValue_movesNothing() {
        Deck deck = draft("6A8 6K7 6Q7 6F6 80");
        List<Card> changed = deck.cards().stream()
                .map(card -> card.letter() == 'R' && card.value().orElse(0.0) > 1e5 ? card.withValue(999e3) : card)
                .toList();
        assertEquals(places(draw(deck)), places(draw(with(deck, changed))));
    }

    private static List<String> places(Drawing drawing) {
        return drawing.shapes().stream()
                .map(shape -> shape.reference() + " " + Math.round(shape.x()) + " " + Math.round(shape.y()))
                .sorted()
                .toList();
    }

    private static Deck with(Deck deck, List<Card> cards) {
        return new Deck(
                deck.title(), cards, deck.models(), deck.sockets(), deck.testPoints(), deck.modes(), deck.notes());
    }

    /** The gate is only worth something if it sees what is wrong. */
    @Test
    void aWireTaken_orOneTooMany_isSeen() {
        Deck deck = draft("12BE6 12BA6 12AV6 50C5 35W4");
        Drawing drawing = draw(deck);
        List<String> missed = new ArrayList<>();
        for (int i = 0; i < drawing.wires().size(); i++) {
            List<Wire> wires = new ArrayList<>(drawing.wires());
            Wire taken = wires.remove(i);
            // The chassis is named where nothing else has to be.
            if (!taken.node().equals("chassis")
                    && Gate.check(with(drawing, wires), deck).isEmpty()) {
                missed.add(taken.node()
                        + taken.points().stream()
                                .map(java.util.Arrays::toString)
                                .toList());
            }
        }
        assertEquals(List.of(), missed);
        List<Wire> more = new ArrayList<>(drawing.wires());
        Wire first = more.get(0);
        Wire last = more.get(more.size() - 1);
        more.add(new Wire(
                first.node(),
                List.of(first.points().get(0), last.points().get(last.points().size() - 1))));
        assertFalse(Gate.check(with(drawing, more), deck).isEmpty());
    }

    private static Drawing with(Drawing drawing, List<Wire> wires) {
        return new Drawing(
                drawing.width(),
                drawing.height(),
                drawing.shapes(),
                wires,
                drawing.flags(),
                drawing.spots(),
                drawing.stages());
    }

    /** Cycles, islands, ends that hang in the air, a part with both ends at one place. */
    @Test
    void oddNetworks_areDrawnAndNamed() {
        Deck deck = DeckReader.read("* odd\nR1 a b 1k\nR2 b c 1k\nR3 c a 1k\nR4 x y 10k\nC1 z 0 1n\nL1 q w 1m\n"
                + "XV1 p g 0 12AX7_T\nR5 p p2 1k\n.end\n");
        Drawing drawing = draw(deck);
        assertEquals(List.of(), Gate.check(drawing, deck));
        assertEquals(List.of(), Gate.flaws(drawing).overlaps());
    }

    @Test
    void theFile_namesEachPartOnce_andIsWellFormed() throws Exception {
        Deck deck = draft("ECC85 ECH81 EBF89 EABC80 EL84 EZ80");
        String svg = Svg.write(draw(deck), "A & B <set>", true);
        var document = javax.xml.parsers.DocumentBuilderFactory.newInstance()
                .newDocumentBuilder()
                .parse(new java.io.ByteArrayInputStream(svg.getBytes(java.nio.charset.StandardCharsets.UTF_8)));
        assertEquals(
                "A & B <set>", document.getElementsByTagName("title").item(0).getTextContent());
        deck.cards()
                .forEach(card -> assertEquals(
                        2, svg.split("data-part=\"" + card.reference() + "\"", -1).length, card.reference()));
    }
}
