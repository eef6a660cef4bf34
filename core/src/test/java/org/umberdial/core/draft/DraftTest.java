package org.umberdial.core.draft;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.circuit.deck.DeckWriter;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.work.AtWork;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubeModels;
import org.umberdial.core.tube.TubePoint;
import org.umberdial.core.value.InvalidEntry;

class DraftTest {
    private static final Drafter DRAFTER = new Drafter(TubeModels.shipped());

    private static Draft draft(String line) {
        return DRAFTER.draft(LineUp.read(line, TubeData.shipped()), Answers.NONE);
    }

    private static OperatingPoint solved(Deck deck, String mode) {
        Network network = Network.of(deck, TubeModels.shipped(), mode);
        return new AtWork(network).solve(Values.nominal(network)).settled().orElseThrow();
    }

    private static List<String> modes(Deck deck) {
        return deck.modes().isEmpty() ? List.of("") : deck.modes();
    }

    /** Read back from its text, it solves in each mode, and no tube is beyond its ratings. */
    @ParameterizedTest(name = "{0}")
    @CsvFileSource(resources = "/line-ups.csv", numLinesToSkip = 1)
    void aDraft_solves_andWorksNoTubeBeyondItsRatings(String line, Feed feed, int stages, String output) {
        Draft draft = draft(line);
        assertEquals(feed, draft.feed());
        Deck deck = DeckReader.read(DeckWriter.write(draft.deck()));
        assertEquals(
                stages,
                deck.cards().stream()
                        .flatMap(card -> card.key("stage").stream())
                        .distinct()
                        .count());
        for (String mode : modes(deck)) {
            OperatingPoint point = solved(deck, mode);
            assertTrue(point.floating().isEmpty(), () -> line + " floats at " + point.floating());
            for (Card card : deck.cards()) {
                within(line, card, point);
            }
        }
        List<String> plates = deck.cards().stream()
                .filter(card -> card.key("stage").filter("output"::equals).isPresent()
                        && card.kind().equals("tube"))
                .map(Card::model)
                .toList();
        assertEquals(output, String.join(" ", plates));
    }

    private static void within(String line, Card card, OperatingPoint point) {
        Optional<Section> section = card.kind().equals("tube")
                ? TubeData.shipped().section(card.model(), card.nodes().size())
                : Optional.empty();
        if (section.filter(Section::amplifies).isEmpty()) {
            return;
        }
        double across = point.volts(card.nodes().get(0)).orElse(0)
                - point.volts(card.nodes().get(card.nodes().size() - 1)).orElse(0);
        List<TubePoint> points = TubeData.shipped().points(card.model(), section.get());
        double volts = first(points.stream().map(TubePoint::mostPlateVolts).toList());
        double watts = first(points.stream().map(TubePoint::mostPlateWatts).toList());
        assertTrue(across <= volts * 1.001, () -> line + ": " + card.reference() + " stands " + across + " V");
        double dissipated = across * point.plateAmperes(card.reference()).orElse(0);
        assertTrue(dissipated <= watts, () -> line + ": " + card.reference() + " takes " + dissipated + " W");
    }

    private static double first(List<OptionalDouble> values) {
        return values.stream()
                .flatMapToDouble(OptionalDouble::stream)
                .findFirst()
                .orElse(Double.POSITIVE_INFINITY);
    }

    @ParameterizedTest(name = "{0}")
    @CsvFileSource(resources = "/line-ups.csv", numLinesToSkip = 1)
    void anyOrder_andOneUnknownType_giveTheSameCircuit_butForTheSockets(String line) {
        String plain = shape(draft(line).deck());
        List<String> words = new ArrayList<>(Arrays.asList(line.split(" ")));
        Collections.shuffle(words, new Random(line.hashCode()));
        words.add(words.size() / 2, "99ZZ9");
        Draft shuffled = draft(String.join(" ", words));
        assertEquals(plain, shape(shuffled.deck()));
        assertTrue(shuffled.says().stream().anyMatch(s -> s.contains("99ZZ9 is not in the tube data")));
    }

    /** What does not depend on the sockets: kinds, values, types and what is joined to what. */
    private static String shape(Deck deck) {
        TreeSet<String> cards = new TreeSet<>();
        for (Card card : deck.cards()) {
            cards.add(card.kind() + " " + card.value().map(Object::toString).orElse(card.model()) + " "
                    + card.nodes().size() + " " + card.key("desc").orElse("") + " " + card.parameters());
        }
        return cards + " " + deck.cards().size() + " parts at " + deck.nodes().size() + " nodes";
    }

    /** Worked by hand for the supply and load of each. */
    @Test
    void stages_areWhatOneReckonsByHand() {
        Deck deck = draft("12BE6 12BA6 12AV6 50C5 35W4").deck();
        OperatingPoint point = solved(deck, "");
        // 50C5: -7.5 V at 49 + 4 mA on 110 V makes 142 ohms, 150 from the drawer.
        assertEquals(150, value(deck, "X", "cathode bias", "v4_cathode"), 15);
        assertEquals(6.4, point.volts("v4_cathode").orElseThrow(), 1.3);
        // A half-wave rectifier on 117 V under 75 mA: some 5 % under the line.
        assertEquals(112, point.volts("reservoir").orElseThrow(), 11);
        // Contact bias: 0.8 V on the grid leaves a 470 k plate at 45 V of 100.
        assertEquals(44, point.volts("v3_plate").orElseThrow(), 9);
        Deck high = draft("ECC83 ECC83 EL84 EL84 EZ81").deck();
        OperatingPoint pair = solved(high, "");
        // Two EL84 at 250 V: 130 to 160 ohms each alone, half that for a common resistor.
        assertEquals(75, value(high, "R", "cathode bias", "v3_cathode"), 15);
        assertEquals(0.045, pair.plateAmperes("XV3").orElseThrow(), 0.009);
    }

    private static double value(Deck deck, String letter, String description, String node) {
        return deck.cards().stream()
                .filter(card -> card.key("desc").filter(description::equals).isPresent()
                        && card.nodes().contains(node))
                .flatMap(card -> card.value().stream())
                .findFirst()
                .orElseThrow();
    }

    @Test
    void nodes_areNamedForWhatTheyAre() {
        Deck deck = draft("ECC83 EL84 EL84 EZ80").deck();
        assertTrue(deck.nodes().containsAll(List.of("v1a_plate", "v1b_cathode", "v2_plate", "bplus")));
        Deck.SocketPins pins = deck.sockets().get(0);
        assertEquals("V1", pins.socket());
        assertEquals("v1b_plate", pins.pins().get("1"));
        assertEquals("v1a_plate", pins.pins().get("6"));
    }

    @Test
    void whatDoesNotGoTogether_isDraftedAsFarAsItGoes_withASentence() {
        says("12BE6 12BA6 12AV6 50C5 50C5 35W4 35W4", "no tube that splits the phase");
        says("12BE6 12BA6 12AV6 50C5 50C5 35W4 35W4", "add up to");
        says("12BE6 12BA6 6AV6 50C5 35W4", "takes 0.3 A in a string of 0.15 A");
        says("6BE6 6BA6 6AV6 6L6GC 6X4", "draw about");
        says("6V6 6F6 6SN7 5Y3", "output tubes of different kinds");
        says("99Z9[6.3V 0.3A] 6BE6 6BA6 6AV6 6V6 5Y3", "its heater is drafted");
    }

    private static void says(String line, String words) {
        Draft draft = draft(line);
        assertTrue(
                draft.says().stream().anyMatch(sentence -> sentence.contains(words)), () -> line + ": " + draft.says());
        assertFalse(draft.deck().cards().isEmpty());
    }

    /**
     * Each bias gives the output tube its published grid volts within a fifth, each splitter both grids their drive.
     */
    @Test
    void biasesAndSplitters_workAsTheyAreSaid() {
        LineUp single = LineUp.read("6A8 6K7 6Q7 6F6 80", TubeData.shipped());
        for (Answers.Bias bias : Answers.Bias.values()) {
            OperatingPoint point = solved(
                    DRAFTER.draft(single, Answers.NONE.bias(Optional.of(bias))).deck(), "");
            double grid = point.volts("v4_grid").orElseThrow()
                    - point.volts("v4_cathode").orElse(0);
            assertEquals(-16.5, grid, 3.6, bias + " bias");
        }
        LineUp pair = LineUp.read("12AX7 12AX7 2x6V6 5Y3", TubeData.shipped());
        for (Answers.Splitter splitter : Answers.Splitter.values()) {
            Deck deck = DRAFTER.draft(pair, Answers.NONE.splitter(Optional.of(splitter)))
                    .deck();
            solved(deck, "");
            for (String tube : new String[] {"XV3", "XV4"}) {
                String grid = deck.cards().stream()
                        .filter(card -> card.reference().equals(tube))
                        .findFirst()
                        .orElseThrow()
                        .nodes()
                        .get(2);
                assertTrue(
                        deck.cards().stream()
                                .anyMatch(card -> !card.reference().equals(tube)
                                        && "CX".indexOf(card.letter()) >= 0
                                        && card.nodes().contains(grid)),
                        splitter + " drives " + tube + " at " + grid);
            }
        }
    }

    @Test
    void answers_chooseWhatTheTubesLeaveOpen() {
        LineUp lineUp = LineUp.read("6A8 6K7 6Q7 6F6 80", TubeData.shipped());
        Draft minus = DRAFTER.draft(
                lineUp, Answers.NONE.lineVolts(OptionalDouble.of(220)).filter(Optional.of(Answers.Filter.FIELD_MINUS)));
        assertEquals(220, minus.lineVolts());
        OperatingPoint point = solved(minus.deck(), "");
        assertTrue(point.volts("hv_minus").orElseThrow() < -40
                && point.volts("bias").orElseThrow() < -8);
        assertEquals(0, point.volts("v4_cathode").orElse(0));
        Draft stereo = DRAFTER.draft(
                LineUp.read("ECC83 2xEL84 EZ81", TubeData.shipped()),
                Answers.NONE.output(Optional.of(Answers.Ends.STEREO)));
        assertTrue(stereo.deck().nodes().contains("speaker_right"));
    }

    @Test
    void aLine_isReadInAnyNotation() {
        LineUp read = LineUp.read("6sn7-gtb, EL 84 + 2x6V6GT/G 6X4; VT-107 OZ4", TubeData.shipped());
        assertEquals(
                List.of("6SN7", "EL84", "6V6GT", "6V6GT", "6X4", "6V6GT", "0Z4"),
                read.tubes().stream()
                        .map(tube -> tube.type().orElseThrow().name())
                        .toList());
        assertEquals("V7", read.tubes().get(6).socket());
        assertThrows(InvalidEntry.class, () -> LineUp.read(" , ", TubeData.shipped()));
        assertThrows(InvalidEntry.class, () -> LineUp.read("6V6 ".repeat(60), TubeData.shipped()));
    }
}
