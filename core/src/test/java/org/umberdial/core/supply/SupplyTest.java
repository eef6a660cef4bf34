package org.umberdial.core.supply;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.umberdial.core.Files;
import org.umberdial.core.Sets;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.arrival.Book;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.CircuitImport;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.supply.SiliconStudy.Way;
import org.umberdial.core.value.InvalidEntry;

/** The supply with something of it changed, against a stock simulator and the published examples. */
class SupplyTest {
    private static SetFile player() {
        return Files.of(Sets.demo("record-player"), new Book());
    }

    /**
     * A stock circuit simulator on the same deck: 231.4 mA peak, 71.3 mA in the reservoir, 10.6 V and 0.565 V ripple.
     */
    @Test
    void theCycle_isThatOfAStockSimulator() {
        FilterChoices choices = FilterChoices.of(player()).orElseThrow();
        FilterChoices.Choice drawn = choices.choices().stream()
                .filter(FilterChoices.Choice::original)
                .findFirst()
                .orElseThrow();
        assertEquals(0.2314, drawn.peakAmperes(), 0.02 * 0.2314);
        assertEquals(71.3e-3, drawn.rippleAmperes(), 0.02 * 71.3e-3);
        assertEquals(10.62, drawn.ripple(), 0.02 * 10.62);
        assertEquals(0.565, drawn.behind().orElseThrow(), 0.03 * 0.565);
        List<FilterChoices.Choice> all = choices.choices();
        for (int i = 1; i < all.size(); i++) {
            assertTrue(all.get(i).ripple() < all.get(i - 1).ripple(), "more farads, less ripple");
        }
    }

    @Test
    void aRectifiersLimits_areTheTubes() {
        FilterChoices choices =
                FilterChoices.of(Files.of(Sets.demo("fm-superhet"), new Book())).orElseThrow();
        assertEquals(50e-6, choices.mostFarads().orElseThrow(), 1e-9);
        assertTrue(choices.choices().stream().anyMatch(c -> !c.allowed() && c.farads() > 50e-6));
        assertTrue(choices.pathOhms().orElseThrow() < choices.leastSeriesOhms().orElseThrow());
    }

    @Test
    void silicon_runsEverythingHigher_andEachRemedyDoesWhatItCan() {
        SiliconStudy study = SiliconStudy.of(player()).orElseThrow();
        Way drawn = study.ways().get(0);
        Way alone = study.ways().get(1);
        Way series = study.ways().get(2);
        Way turns = study.ways().get(3);
        Way delayed = study.ways().get(4);
        assertTrue(top(alone) > 1.03 * top(drawn));
        assertEquals(top(drawn), top(series), 0.02 * top(drawn));
        assertEquals(before(alone), before(series), 1, "it does nothing before the tubes draw");
        assertEquals(top(drawn), top(turns), 0.02 * top(drawn));
        assertTrue(before(turns) < before(drawn));
        assertEquals(1.1 * top(alone), before(delayed), 0.02 * top(alone), "at work on a high line");
        assertFalse(alone.enough());
        // 225 V without load, half-wave: 3.2 times its RMS.
        assertEquals(3.2 * 221, study.reverseVolts(), 10);
        assertTrue(study.pathOhms().orElseThrow() > study.leastSeriesOhms());
        assertTrue(SiliconStudy.of(Files.of(Sets.demo("table-set"), new Book())).isEmpty());
    }

    private static SetFile of(String supply) {
        Deck deck = DeckReader.read("* supplies\n" + supply + """
                XT2 b1 v2_plate 0 speaker XFMR VP=100 RP=380 V1=2.9 R1=0.4 LM=10 ; kind=transformer
                R4 speaker 0 4.5 ; kind=winding
                XV2 v2_plate b1 v2_grid v2_cathode EL84_P ; kind=tube
                R5 v2_cathode 0 180 ; kind=carbon
                R6 v2_grid 0 470k ; kind=carbon
                XV2H heaters 0 EL84_H ; kind=heater
                .end
                """);
        return Files.of(
                new BenchSet(
                        ConstructionClass.MAINS_TRANSFORMER,
                        CircuitImport.parts(deck, Map.of()),
                        deck.sockets(),
                        List.of(),
                        List.of(),
                        deck.modes()),
                new Book());
    }

    /** Two rails from one winding: no resistor serves both, and that is said; the rating is of both in series. */
    @Test
    void twoRailsOfOneWinding_haveNoOneResistor() {
        SiliconStudy study = SiliconStudy.of(of("""
                VLINE line 0 SIN(0 325.27 50) ; kind=line
                XT1 line 0 h1 0 heaters 0 XFMR VP=230 RP=30 V1=200 R1=80 V2=6.5 R2=0.1 LM=20 ; kind=transformer
                XD1 neg h1 SELENIUM N=10 RS=20
                C1 0 neg 50u ; kind=electrolytic volt=350
                XD2 h1 b1 SELENIUM N=10 RS=20
                C2 b1 0 50u ; kind=electrolytic volt=350
                """)).orElseThrow();
        assertTrue(study.ways().stream().noneMatch(way -> way.name().contains("series")));
        assertTrue(
                study.says().toString().contains("No one resistor"),
                study.says().toString());
        assertEquals(3.2 * 200, study.reverseVolts(), 10);
    }

    /** A doubler: each rectifier stands both halves; what is in the first charge's way goes through a capacitor. */
    @Test
    void aDoubler_isStudiedAsOne_andItsPathIsNotGuessed() {
        SetFile file = of("""
                VLINE line 0 SIN(0 165.5 60) ; kind=line
                XT1 line 0 heaters 0 XFMR VP=117 RP=30 V1=6.5 R1=0.1 LM=20 ; kind=transformer
                R9 line s 22 ; kind=wirewound
                C9 s mid 50u ; kind=electrolytic volt=150
                XD1 0 mid SELENIUM N=5 RS=10
                XD2 mid b1 SELENIUM N=5 RS=10
                C1 b1 0 50u ; kind=electrolytic volt=350
                """);
        SiliconStudy study = SiliconStudy.of(file).orElseThrow();
        assertEquals(3.2 * 117, study.reverseVolts(), 5);
        Way series = study.ways().get(2);
        assertEquals(top(study.ways().get(0)), top(series), 0.02 * top(series));
        assertTrue(study.pathOhms().isEmpty());
        FilterChoices filter = FilterChoices.of(file).orElseThrow();
        assertEquals("XD2", filter.rectifier());
        assertTrue(filter.pathOhms().isEmpty());
    }

    private static double top(Way way) {
        return way.points().stream()
                .mapToDouble(SiliconStudy.Stands::atWork)
                .max()
                .orElseThrow();
    }

    private static double before(Way way) {
        return way.points().stream()
                .mapToDouble(SiliconStudy.Stands::before)
                .max()
                .orElseThrow();
    }

    @Test
    void aRatingThatIsPassed_isSaid() {
        assertTrue(new SiliconStudy.Stands("C1", 240, 360, OptionalDouble.of(350)).over());
        assertFalse(new SiliconStudy.Stands("C1", 240, 340, OptionalDouble.of(350)).over());
    }

    /** FORMULAS, Supply: the meter that takes the mean reads a square wave 11 % high. */
    @Test
    void aVibratorsWave() {
        Vibrator sine = Vibrator.of(4.35, 2e-3, 5.6, 2, 1, Vibrator.Wave.SINE, 1);
        assertEquals(114.9, sine.hertz(), 0.1);
        assertEquals(11.2 / (2 * Math.sqrt(2)), sine.rms(), 1e-9);
        Vibrator square = Vibrator.of(4.35, 2e-3, 5.6, 2, 10, Vibrator.Wave.SQUARE, 1);
        assertEquals(56, square.rms(), 1e-9);
        assertEquals(1.11, square.averageMeter() / square.rms(), 0.002);
        Vibrator dwell = Vibrator.of(4.35, 2e-3, 5.6, 2, 10, Vibrator.Wave.SQUARE_WITH_DWELL, 0.81);
        assertEquals(56 * 0.9, dwell.rms(), 1e-9);
        assertThrows(InvalidEntry.class, () -> Vibrator.of(0, 2e-3, 5, 2, 1, Vibrator.Wave.SINE, 1));
        assertThrows(InvalidEntry.class, () -> Vibrator.of(4, 2e-3, 5, 2, 1, Vibrator.Wave.SQUARE_WITH_DWELL, 1.2));
    }
}
