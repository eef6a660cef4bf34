package org.umberdial.core.recap;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.umberdial.core.Files;
import org.umberdial.core.Sets;
import org.umberdial.core.arrival.Book;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.evidence.PartDecided;
import org.umberdial.core.evidence.SchoolChosen;
import org.umberdial.core.policy.School;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.CircuitImport;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.ValueOrigin;

/** How each kind of part goes in, in its place and by the school. */
class FittingTest {
    private static BenchSet set(String deck, Map<String, ValueOrigin> origins) {
        Deck read = DeckReader.read(deck);
        return new BenchSet(
                ConstructionClass.SERIES_STRING,
                CircuitImport.parts(read, origins),
                read.sockets(),
                List.of(),
                List.of(),
                read.modes());
    }

    private static Renewal renewal(BenchSet set, Book book, String part) {
        return RecapPlan.of(Files.of(set, book)).renewals().stream()
                .filter(r -> r.row().reference().equals(part))
                .findFirst()
                .orElseThrow(() -> new AssertionError("nothing goes in for " + part));
    }

    private static String steps(BenchSet set, Book book, String part) {
        return String.join("\n", renewal(set, book, part).steps());
    }

    private static Book replacing(String... parts) {
        Book book = new Book();
        for (String part : parts) {
            book.add(new PartDecided(part, PartDecided.Choice.REPLACE, ""));
        }
        return book;
    }

    @Test
    void whereNobodyComparedTheCircuit_thePartsOwnJointsDecide() {
        Deck deck = DeckReader.read(Sets.resource("table-set.cir"));
        BenchSet drafted = set(
                Sets.resource("table-set.cir"),
                deck.cards().stream()
                        .collect(java.util.stream.Collectors.toMap(Card::reference, card -> ValueOrigin.USUAL)));
        String steps = steps(drafted, new Book(), "C1");
        assertTrue(steps.contains("own joints and marks"), steps);
        assertFalse(steps.contains("Plus to"), "a guess gives no polarity: " + steps);
        assertFalse(steps(drafted, new Book(), "C4").contains("outer foil"), "nor an orientation");
    }

    @Test
    void aCopyOfAnOldResistor_hasItsColours_andTheRealOneIsDerated() {
        Book book = replacing("R4");
        BenchSet set = Sets.demo("table-set");
        assertFalse(steps(set, book, "R4").contains("copy"), "not asked for by the house's school");
        book.add(new SchoolChosen(School.Question.FITTING, Optional.of(School.RESTUFF)));
        String steps = steps(set, book, "R4");
        assertTrue(steps.contains("yellow, violet, yellow"), steps);
        assertTrue(steps.contains("half its watts"), steps);
    }

    @Test
    void aHotResistor_standsOff_aCoolOneDoesNot() {
        Book book = replacing("R1", "R4");
        BenchSet set = Sets.demo("table-set");
        assertTrue(steps(set, book, "R1").contains("Stand it off"), steps(set, book, "R1"));
        assertFalse(steps(set, book, "R4").contains("Stand it off"));
    }

    @Test
    void aTubeAndAControl_sayWhatToMatch() {
        Book book = replacing("XV4", "R7");
        BenchSet set = Sets.demo("table-set");
        assertTrue(steps(set, book, "XV4").contains("socket’s contacts"), steps(set, book, "XV4"));
        // A sister says what is to be looked at before it goes in.
        String alike = renewal(set, book, "XV4").why().toString();
        assertTrue(alike.contains("50B5, base"), alike);
        String control = steps(set, book, "R7");
        assertTrue(control.contains("taper") && control.contains("cleaner, then lubricant"), control);
        book.add(new SchoolChosen(School.Question.CONTROLS, Optional.of(School.DRY_FIRST)));
        assertTrue(steps(set, book, "R7").contains("fluid last"));
    }

    /** A control whose track is met between its ends by a part that is none of its own. */
    @Test
    void aTappedControl_saysWhatIsLostWithoutItsTap() {
        String deck = Sets.resource("table-set.cir")
                .replaceFirst(
                        "(?m)^R8 .*$",
                        "R8 wiper tap 200k ; kind=pot desc=\"volume, middle part\"\n"
                                + "R78 tap 0 50k ; kind=pot desc=\"volume, lower part\"\n"
                                + "R79 tap taplow 15k ; kind=carbon\nC79 taplow 0 10n ; kind=paper volt=200");
        BenchSet set = set(deck, Map.of());
        String steps = steps(set, replacing("R7"), "R7");
        assertTrue(steps.contains("bass at low volume") && steps.contains("tap, R79, stays"), steps);
    }

    /** What replaces a transistor stands in its table; an unknown one is matched by its ratings. */
    @Test
    void aTransistor_hasItsSubstitutes() {
        String deck = Sets.resource("table-set.cir")
                .replace(
                        "*PINS V1",
                        "Q1 qc qb 0 OC44 ; desc=preamplifier\nQ2 filter_2 qb2 0 OC44 ; desc=preamplifier\n"
                                + "R80 qb 0 10k ; kind=carbon\nR81 qb2 0 10k ; kind=carbon\nR82 filter_2 qc 4.7k ; kind=carbon\n*PINS V1");
        BenchSet set = set(deck, Map.of());
        Renewal renewal = renewal(set, replacing("Q1"), "Q1");
        assertTrue(renewal.why().toString().contains("AF117"), renewal.why().toString());
        assertTrue(
                String.join(" ", renewal.steps()).contains("heat sink"),
                renewal.steps().toString());
        assertTrue(
                renewal.steps().toString().contains("Read Q2, of the same type"),
                renewal.steps().toString());
        assertTrue(
                renewal.steps().toString().contains("way back, R82 first"),
                renewal.steps().toString());
        assertEquals(List.of(), renewal.items(), "nothing of the catalogue is bought for it");
    }
}
