package org.umberdial.core.recap;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.umberdial.core.Files;
import org.umberdial.core.Sets;
import org.umberdial.core.arrival.Book;
import org.umberdial.core.catalogue.CapacitorItem;
import org.umberdial.core.catalogue.Catalogue;
import org.umberdial.core.catalogue.OwnItem;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.evidence.ForNow;
import org.umberdial.core.evidence.ForNowEnded;
import org.umberdial.core.evidence.SchoolChosen;
import org.umberdial.core.evidence.Wired;
import org.umberdial.core.parts.CapacitorKind;
import org.umberdial.core.parts.PartRow;
import org.umberdial.core.policy.School;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.CircuitImport;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.Part;
import org.umberdial.core.set.ValueOrigin;
import org.umberdial.core.stands.Stands;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.ValueReader;
import org.umberdial.core.value.WireSize;

/** What goes in, and that nothing weaker than it may be ever does. */
class RecapPlanTest {
    @ParameterizedTest
    @ValueSource(strings = {"table-set", "fm-superhet", "field-coil", "record-player"})
    void aPlan_neverPicksALowerRating_norAWrongSize(String demo) {
        BenchSet set = Sets.demo(demo);
        RecapPlan plan = RecapPlan.of(Files.of(set, new Book()));
        assertTrue(plan.renewals().size() > 5, demo);
        for (Renewal renewal : plan.renewals()) {
            Part part = set.part(renewal.row().reference()).orElseThrow();
            String item = renewal.item();
            if (item.isEmpty() || renewal.row().kind() == PartRow.Kind.TUBE) {
                continue;
            }
            Catalogue.shipped().capacitors().stream()
                    .filter(c -> c.name().equals(item) && !c.kind().startsWith("safety"))
                    .findFirst()
                    .ifPresent(c -> {
                        assertTrue(c.volts() >= part.ratingVolts().orElse(0.0), demo + " " + renewal);
                        assertTrue(
                                c.volts()
                                        >= renewal.row().place().workingVolts().orElse(0),
                                demo + " " + renewal);
                        double share = c.farads() / part.workingValue().orElseThrow();
                        boolean electrolytic = CapacitorKind.of(part.card()) == CapacitorKind.ELECTROLYTIC;
                        assertTrue(
                                share >= (renewal.row().job().equals("reservoir") ? 0.6 : 0.85)
                                        && share <= (electrolytic ? 2.2 : 1.2),
                                demo + " " + renewal);
                    });
        }
    }

    @ParameterizedTest
    @CsvSource({"2,2", "3,2.1547", "4,2.4142", "5,2.7013"})
    void equalCircles_packAsTightAsIsKnown(int count, double optimum) {
        double[] diameters = new double[count];
        java.util.Arrays.fill(diameters, 16);
        assertEquals(16 * optimum, CirclePacking.enclosing(diameters), 0.01 * 16 * optimum);
    }

    @Test
    void unequalCircles_packBetweenTheirBounds() {
        assertEquals(26, CirclePacking.enclosing(16, 10), 1e-9);
        assertEquals(16, CirclePacking.enclosing(16), 1e-9);
        assertTrue(CirclePacking.enclosing(16, 16, 5) <= 32.4, "a small one lies beside two");
    }

    /** A shop's own part comes before what ships; what it does not buy is not planned. */
    @Test
    void aShopsCatalogue_extendsAndLeavesOut() {
        ValueReader values = new ValueReader(DecimalSign.POINT);
        CapacitorItem had = Catalogue.shipped().capacitors().stream()
                .filter(c -> c.name().equals("22 nF 400 V film polyester, axial 6.5 × 15 mm"))
                .findFirst()
                .orElseThrow();
        OwnItem gone = new OwnItem(Optional.of(had), Optional.empty(), false);
        assertEquals(gone, OwnItem.of(gone.row(), values), "what is written reads back");
        Map<String, String> row = new HashMap<>(gone.row());
        row.putAll(Map.of("value", "0.022 uF", "volts", "630 V", "offered", "yes", "diameter_mm", "8.5"));
        Catalogue own = Catalogue.shipped().with(List.of(gone, OwnItem.of(row, values)));
        assertTrue(own.capacitors().stream().noneMatch(had::equals));
        assertEquals(
                "22 nF 630 V film polyester, axial 8.5 × 15 mm",
                own.capacitors().get(0).name());
        for (Map<String, String> wrong : List.of(
                Map.of("kind", "snake oil"),
                Map.of("value", "0"),
                Map.of("volts", "4oo"),
                Map.of("lead", "none"),
                Map.of("part", "coil"),
                Map.of("ripple_mA", "-3"))) {
            Map<String, String> bad = new HashMap<>(row);
            bad.putAll(wrong);
            assertThrows(InvalidEntry.class, () -> OwnItem.of(bad, values), wrong.toString());
        }
    }

    /** What a drafted circuit supposes is planned for and not bought. */
    @Test
    void aUsualValue_isNotBought() {
        Deck deck = DeckReader.read(Sets.resource("table-set.cir"));
        BenchSet drafted = new BenchSet(
                ConstructionClass.SERIES_STRING,
                CircuitImport.parts(
                        deck,
                        deck.cards().stream().collect(Collectors.toMap(Card::reference, card -> ValueOrigin.USUAL))),
                deck.sockets(),
                List.of(),
                List.of(),
                deck.modes());
        RecapPlan plan = RecapPlan.of(Files.of(drafted, new Book()));
        assertTrue(plan.renewals().size() > 5);
        assertEquals(Map.of(), plan.needs());
    }

    /** A set may go by another school than the house, and back. */
    @Test
    void aSetsOwnSchool_comesBeforeTheHouses() {
        BenchSet set = Sets.demo("table-set");
        Book book = new Book();
        assertEquals("C4", renewal(set, book, "C4").row().reference());
        book.add(new SchoolChosen(School.Question.PAPER, Optional.of(School.PROVE_PAPER)));
        assertTrue(RecapPlan.of(Files.of(set, book)).renewals().stream()
                .noneMatch(r -> r.row().reference().equals("C4")));
        book.add(new SchoolChosen(School.Question.PAPER, Optional.empty()));
        assertEquals("C4", renewal(set, book, "C4").row().reference());
    }

    @Test
    void theSteps_sayWhatIsOfThisPlace() {
        BenchSet set = Sets.demo("table-set");
        Book book = new Book();
        assertTrue(steps(set, book, "C4").contains("outer foil to V3 plate, the quieter end"), steps(set, book, "C4"));
        assertTrue(steps(set, book, "C1").contains("Plus to Filter 1, minus to minus rail"), steps(set, book, "C1"));
        assertTrue(steps(set, book, "C14").contains("makes the metal live"), steps(set, book, "C14"));
        BenchSet cans = set(DeckReader.read(
                Sets.resource("table-set.cir").replaceAll("(?m)^(C[12] .*kind=electrolytic)", "$1 can=A mark=square")));
        assertTrue(steps(cans, book, "C1").contains("Cut the old one free at both ends"), steps(cans, book, "C1"));
        book.add(new SchoolChosen(School.Question.FITTING, Optional.of(School.RESTUFF)));
        assertTrue(steps(cans, book, "C1").contains("nothing solders to aluminium"), steps(cans, book, "C1"));
    }

    /** What was changed for now comes up until it is put right. */
    @Test
    void whatIsSoForNow_comesUpAgain() {
        BenchSet set = Sets.demo("table-set");
        Book book = new Book();
        book.add(new ForNow(ForNow.Way.OUT, "V3", "in the tray"));
        assertTrue(Stands.of(Files.of(set, book)).provisional().contains("V3 is out of the set: in the tray."));
        book.add(new ForNowEnded("e1", "V3", "back"));
        assertTrue(Stands.of(Files.of(set, book)).provisional().stream().noneMatch(s -> s.startsWith("V3")));
    }

    /** A wire joins one point, and its insulation stands what can be there. */
    @Test
    void aWire_isComparedWithTheCircuit() {
        assertEquals(0.518, WireSize.squareMillimetres("20 AWG"), 0.001);
        assertEquals(0.5, WireSize.squareMillimetres("0,5 mm²"), 1e-9);
        assertThrows(InvalidEntry.class, () -> WireSize.squareMillimetres("thick"));
        Book book = new Book();
        BenchSet set = Sets.demo("table-set");
        book.add(wire("V4.7", "Filter 1", 600));
        book.add(wire("V4.7", "V3 plate", 600));
        book.add(wire("a lug", "another", 600));
        List<Wiring.Wire> wires = Wiring.of(Files.of(set, book));
        assertTrue(wires.get(0).doubt().contains("two points"), wires.get(0).toString());
        assertTrue(wires.get(1).doubt().contains("two points"), wires.get(1).toString());
        assertTrue(wires.get(2).says().contains("not checked"), wires.get(2).toString());
        Book plate = new Book();
        plate.add(wire("V4.7", "V4 plate", 60));
        plate.add(wire("V4.7", "V4 plate", 600));
        List<Wiring.Wire> two = Wiring.of(Files.of(set, plate));
        assertTrue(
                two.get(0).doubt().contains("take one that stands more"),
                two.get(0).toString());
        assertEquals("", two.get(1).doubt());
    }

    private static Wired wire(String from, String to, double rated) {
        return new Wired(from, to, "red", 0.5, rated, Wired.Made.REPLACED, "");
    }

    private static BenchSet set(Deck deck) {
        return new BenchSet(
                ConstructionClass.SERIES_STRING,
                CircuitImport.parts(deck, Map.of()),
                deck.sockets(),
                List.of(),
                List.of(),
                deck.modes());
    }

    private static Renewal renewal(BenchSet set, Book book, String part) {
        return RecapPlan.of(Files.of(set, book)).renewals().stream()
                .filter(r -> r.row().reference().equals(part))
                .findFirst()
                .orElseThrow();
    }

    private static String steps(BenchSet set, Book book, String part) {
        return String.join(" ", renewal(set, book, part).steps());
    }
}
