package org.umberdial.core.walk;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.draft.Answers;
import org.umberdial.core.draft.Drafter;
import org.umberdial.core.draft.Feed;
import org.umberdial.core.draft.LineUp;
import org.umberdial.core.entry.PartShorthand;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.CircuitImport;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.Part;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubeModels;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/**
 * Ten invented sets, each of another class, from their part lists on paper: a person who only looks from the list to
 * the lit part and types what differs ends with the circuit of the paper.
 */
class PaperSchematicsTest {
    private static final int MOST_KEYS = 300;
    private static final int MOST_ANSWERS = 60;

    /** One line of a part list. */
    private record Line(char letter, String value, List<String> ends) {
        String place() {
            return letter + " " + ends.stream().sorted().collect(Collectors.joining(" "));
        }
    }

    private record Paper(String tubes, Answers answers, List<Line> lines) {
        static Paper read(String name) throws IOException {
            try (var in = PaperSchematicsTest.class.getResourceAsStream("/papers/" + name + ".txt")) {
                List<String> rows = new String(in.readAllBytes(), StandardCharsets.UTF_8)
                        .lines()
                        .toList();
                return new Paper(
                        rows.get(1).substring(9),
                        answers(rows.get(2).substring(10).strip()),
                        rows.stream()
                                .skip(3)
                                .map(row -> row.split(" "))
                                .map(cells -> new Line(
                                        cells[0].charAt(0),
                                        cells[1],
                                        Arrays.asList(cells).subList(2, cells.length)))
                                .toList());
            }
        }

        private static Answers answers(String said) {
            Answers answers = Answers.NONE;
            for (String one : said.isEmpty() ? new String[0] : said.split(" ")) {
                answers = switch (one) {
                    case "field=plus" -> answers.filter(Optional.of(Answers.Filter.FIELD_PLUS));
                    case "output=stereo" -> answers.output(Optional.of(Answers.Ends.STEREO));
                    case "class=autotransformer" -> answers.feed(Optional.of(Feed.AUTOTRANSFORMER));
                    default -> answers.lineVolts(OptionalDouble.of(Double.parseDouble(one.replace("line=", ""))));
                };
            }
            return answers;
        }
    }

    private static String place(Card card) {
        return card.letter() + " " + card.nodes().stream().sorted().collect(Collectors.joining(" "));
    }

    private static BenchSet set(Map<String, Card> cards, Deck deck) {
        Deck now = new Deck(
                "", List.copyOf(cards.values()), deck.models(), deck.sockets(), List.of(), List.of(), List.of());
        return new BenchSet(
                ConstructionClass.UNKNOWN,
                CircuitImport.parts(now),
                deck.sockets(),
                List.of(),
                List.of(),
                List.of(),
                deck.models(),
                List.of());
    }

    private static String shown(Card card) {
        Unit unit = card.letter() == 'R' ? Unit.OHM : card.letter() == 'C' ? Unit.FARAD : Unit.HENRY;
        return place(card) + " " + Engineering.print(card.value().orElseThrow(), unit);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "series",
                "transformer_field",
                "fm",
                "pushpull",
                "battery",
                "vibrator",
                "autotransformer",
                "phono",
                "stereo",
                "trf"
            })
    void theWalk_endsWithThePapersCircuit_inFewKeys(String name) throws IOException {
        Paper paper = Paper.read(name);
        Deck deck = new Drafter(TubeModels.shipped())
                .draft(LineUp.read(paper.tubes(), TubeData.shipped()), paper.answers())
                .deck();
        Map<String, Card> cards = new LinkedHashMap<>();
        deck.cards().forEach(card -> cards.put(card.reference(), card));
        Map<String, Line> open = new LinkedHashMap<>();
        paper.lines().forEach(line -> open.put(line.place(), line));
        int keys = paper.tubes().length() + 1;
        int answers = 0;
        for (Walk.Step step : Walk.of(set(cards, deck)).steps()) {
            Card card = cards.get(step.reference());
            keys++;
            if ("RCL".indexOf(card.letter()) < 0) {
                continue;
            }
            Line line = open.remove(place(card));
            if (line == null) {
                cards.remove(step.reference());
                keys++;
                answers++;
                continue;
            }
            BenchSet now = set(cards, deck);
            Part part = now.part(step.reference()).orElseThrow();
            Card said = new PartShorthand(now, DecimalSign.POINT).revalued(part, line.value());
            if (!shown(said).equals(shown(card))) {
                cards.put(step.reference(), said);
                keys += line.value().length();
                answers++;
            }
        }
        for (Line line : open.values()) {
            String typed = line.letter() + " " + line.value() + " " + String.join("-", line.ends());
            new PartShorthand(set(cards, deck), DecimalSign.POINT)
                    .added(typed)
                    .cards()
                    .forEach(card -> cards.put(card.reference(), card));
            keys += typed.length() + 2;
            answers++;
        }
        List<String> built = new ArrayList<>();
        cards.values().stream()
                .filter(card -> "RCL".indexOf(card.letter()) >= 0)
                .forEach(card -> built.add(shown(card)));
        List<String> printed = paper.lines().stream()
                .map(line -> shown(new PartShorthand(set(Map.of(), deck), DecimalSign.POINT)
                        .added(line.letter() + " " + line.value() + " " + String.join("-", line.ends()))
                        .cards()
                        .get(0)))
                .sorted()
                .toList();
        assertEquals(printed, built.stream().sorted().toList());
        System.out.printf(
                "%-18s %3d parts, %3d keys, %2d answers%n", name, paper.lines().size(), keys, answers);
        assertTrue(keys <= MOST_KEYS && answers < MOST_ANSWERS, name + ": " + keys + " keys, " + answers + " answers");
        assertTrue(answers >= 10, "the paper differs from what is usual");
    }
}
