package org.umberdial.core.entry;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.circuit.deck.DeckWriter;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Can;
import org.umberdial.core.set.CircuitImport;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubeType;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.InvalidEntry;

class PartShorthandTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "C7 .01 400 paper V3.plate-V4.grid | C7 v3_plate v4_grid 10n ; volt=400 kind=paper",
                "c7 .01 mfd 400V paper V3.p-V4.g1 | C7 v3_plate v4_grid 10n ; volt=400 kind=paper",
                "R7 470k 1/2W 20% B1-V3.plate \"plate load\" | R7 b1 v3_plate 470k ; watt=0.5 tol=20 "
                        + "desc=\"plate load\"",
                "C1A 40 150 electrolytic can=C1 mark=square B1-0 | C1A b1 0 40u ; volt=150 can=C1 mark=square "
                        + "kind=electrolytic",
                "C9 4700 500 mica V1.grid-chassis | C9 v1_grid 0 4.7n ; volt=500 kind=mica",
                "L2 1m V2.plate-B2 | L2 v2_plate b2 1m",
                "VB bplus 0 250 | VB bplus 0 250",
                "XV1 v1_plate v1_grid 0 12AV6_T | XV1 v1_plate v1_grid 0 12AV6_T",
                "R1 bplus v1_plate 270k ; kind=carbon tol=10 | R1 bplus v1_plate 270k ; kind=carbon tol=10",
                "R1 bplus v1_plate 270k | R1 bplus v1_plate 270k",
                "R3 150 1W V4.k-gnd | R3 v4_cathode 0 150 ; watt=1"
            })
    void readsALineAsAPersonWritesIt(String line, String card) {
        assertEquals(card.strip(), DeckWriter.line(read(empty(), line).cards().get(0)));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "C7 10F paper a-b | cannot be",
                "C7 .01 400 paper | has no ends",
                "C7 .01 a-a | Both ends",
                "Z7 3 a-b | is no reference",
                "R7 a b much ; kind=carbon | much",
                "V3 | needs its type",
                "V3 99ZZ9 | no type in the tube data",
                "V3 12AV6 screen=b1 | has no screen",
                "R7 470k V3.5-b1 | Nothing is known of pin 5",
                "R7 2m2 a-b | two",
                "R7 1k 900W a-b | 0.01 to 500 W",
                "R7 1k a{-b | is no place"
            })
    void saysWhatIsWrongAndWhatWouldBeRight(String line, String part) {
        String said =
                assertThrows(InvalidEntry.class, () -> read(empty(), line)).getMessage();
        assertTrue(said.contains(part.strip()) || part.strip().equals("two") && said.contains("MΩ"), said);
    }

    @Test
    void aTubeBringsItsSectionsItsHeaterAndItsPins() {
        PartLine line = read(empty(), "V3 12AV6 date=4712 cathode=0");
        assertEquals(
                List.of(
                        "XV3 v3_plate v3_grid 0 12AV6_T ; kind=tube date=4712",
                        "XV3D v3_diode 0 12AV6_D ; kind=tube",
                        "XV3H v3_h1 v3_h2 12AV6_H ; kind=heater"),
                line.cards().stream().map(DeckWriter::line).toList());
        assertEquals("v3_plate", line.socket().orElseThrow().pins().get("7"));
        BenchSet with = with(empty(), line);
        assertEquals(
                List.of("b1", "v3_plate"),
                read(with, "R5 220k B1-V3.7").cards().get(0).nodes());
        assertEquals(
                List.of("v3_grid", "0"),
                read(with, "R6 10meg V3.grid-V3.cathode").cards().get(0).nodes());
    }

    @Test
    void everyShippedTubeCanBePutInASocketAndReadBack() {
        for (TubeType type : TubeData.shipped().types()) {
            if (!type.hasLaw()) {
                continue;
            }
            List<Card> cards = read(empty(), "V1 " + type.name()).cards();
            String deck = "one tube\n" + cards.stream().map(DeckWriter::line).collect(Collectors.joining("\n")) + "\n";
            assertEquals(cards.size(), DeckReader.read(deck).cards().size(), type.name());
        }
    }

    @Test
    void aReferenceThatIsThereIsNotTakenTwice() {
        BenchSet with = with(empty(), read(empty(), "C7 .01 400 paper V3.plate-V4.grid"));
        PartLine again = read(with, "C7 .02 400 paper V3.plate-V4.grid");
        assertEquals(List.of("C7"), again.known());
        assertTrue(assertThrows(InvalidEntry.class, () -> new PartShorthand(with, DecimalSign.POINT).requireNew(again))
                .getMessage()
                .contains("C7 is there already as 10.0 nF"));
    }

    @Test
    void theSectionsOfACanShareTheirCommon() {
        BenchSet set = empty();
        for (String line : List.of(
                "C1A 40 150 electrolytic can=C1 mark=square B1-minus_rail",
                "C1B 20 150 electrolytic can=C1 mark=triangle B2-minus_rail")) {
            set = with(set, read(set, line));
        }
        assertEquals(
                "Its common is the minus rail, not the chassis: the can is insulated and may be live.",
                Can.of(set).get(0).remark());
        set = with(set, read(set, "C1C 20 150 electrolytic can=C1 mark=square B3-0"));
        assertEquals(
                "Its sections share no end; a can has one common. Check the ends of C1A, C1B, C1C.",
                Can.of(set).get(0).remark());
    }

    private static PartLine read(BenchSet set, String line) {
        return new PartShorthand(set, DecimalSign.POINT).read(line.strip());
    }

    /** Where the chassis can be live, earth is neither it nor the minus rail. */
    @Test
    void earth_isNoRailOfALiveSet() {
        BenchSet live =
                new BenchSet(ConstructionClass.SERIES_STRING, List.of(), List.of(), List.of(), List.of(), List.of());
        for (String end : List.of("gnd", "earth", "ground")) {
            String said = assertThrows(InvalidEntry.class, () -> read(live, "R3 150 V4.k-" + end))
                    .getMessage();
            assertTrue(said.contains("Earth is not the minus rail"), said);
        }
        assertEquals("0", read(live, "R3 150 V4.k-minus").cards().get(0).nodes().get(1));
    }

    private static BenchSet empty() {
        return new BenchSet(ConstructionClass.MAINS_TRANSFORMER, List.of(), List.of(), List.of(), List.of(), List.of());
    }

    private static BenchSet with(BenchSet set, PartLine line) {
        List<Card> cards = new ArrayList<>(set.cards());
        cards.addAll(line.cards());
        List<Deck.SocketPins> sockets = new ArrayList<>(set.sockets());
        line.socket().ifPresent(sockets::add);
        Deck deck = new Deck("", cards, java.util.Map.of(), sockets, List.of(), List.of(), List.of());
        return new BenchSet(set.construction(), CircuitImport.parts(deck), sockets, List.of(), List.of(), List.of());
    }
}
