package org.umberdial.core.parts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.umberdial.core.arrival.Book;
import org.umberdial.core.evidence.Placing;
import org.umberdial.core.expect.HealthySet;
import org.umberdial.core.policy.HousePolicy;

/** What leak a place allows, and that a worse one never fares better. */
class LeakLimitsTest {
    private static final List<PartState> BAD = List.of(PartState.LEAKY, PartState.SHORTED);

    private static PartRow row(String part, String line) {
        return Bench.row(Bench.read(part, line, Placing.LIFTED), part);
    }

    /** By hand: Rg (U / 0.2 V - 1), with the volts the engine finds across it and less than a megohm of source. */
    @Test
    void aCouplingsLimit_isThatOfTheFormula() {
        Place place = row("C5", "C5 22n").place();
        double volts = place.workingVolts().orElseThrow();
        assertEquals(470e3 * (volts / 0.2 - 1), place.leastOhms().orElseThrow(), 0.01 * 470e3 * volts / 0.2);
        assertTrue(place.because().startsWith("V3's grid"), place.because());
    }

    /** The engine with just that leak in it moves the grid by just the volts the house allows. */
    @Test
    void theLimit_isWhereTheEngineSaysSo() {
        double least = row("C5", "C5 22n").place().leastOhms().orElseThrow();
        HealthySet set = HealthySet.of(Bench.SET, "").orElseThrow();
        double line = set.nominalLine();
        double before = set.volts("v3_grid", line).orElseThrow();
        double after = set.changed(
                        v -> v.leaking("C5", least), line, List.of("v3_grid"), List.of(), java.util.Optional.empty())
                .orElseThrow()
                .shown()
                .get("v3_grid")
                .orElseThrow();
        assertEquals(0.2, after - before, 0.01);
    }

    /** Two capacitors in series at a node that nothing else leads to guard the grid behind them together. */
    @Test
    void aPathThroughTwoCapacitors_isFollowed() {
        String deck = Bench.resource("bench.cir")
                .replace("C5 v2_plate v3_grid 22n", "C5 v2_plate between 22n")
                .replace("R5 b3", "C15 between v3_grid 22n ; kind=paper tol=20 volt=400\nR5 b3");
        var file = Bench.file(Bench.set(deck), new Book(), HousePolicy.standard());
        double alone = row("C5", "C5 22n").place().leastOhms().orElseThrow();
        for (String one : List.of("C5", "C15")) {
            Place place = Bench.row(file, one).place();
            assertEquals(alone, place.leastOhms().orElseThrow(), 0.02 * alone, one);
        }
    }

    /** FORMULAS: 22 µF at 300 V may leak 218 µA as new, 1.00 mA by its heat where five times would be 1.09 mA. */
    @Test
    void anElectrolytic_isJudgedByItsSizeAndItsHeat() {
        assertEquals(PartState.GOOD, electrolytic("218uA"));
        assertEquals(PartState.USABLE, electrolytic("219uA"));
        assertEquals(PartState.USABLE, electrolytic("1.00mA"));
        assertEquals(PartState.LEAKY, electrolytic("1.01mA"));
    }

    private static PartState electrolytic(String leak) {
        String deck = Bench.resource("bench.cir").replace("C2 b2 0 47u", "C2 b2 0 22u");
        Book book =
                new Book().add(Bench.entry().read("C2 22u leak " + leak + " @300 falling formed", "", Placing.LIFTED));
        return Bench.row(Bench.file(Bench.set(deck), book, HousePolicy.standard()), "C2")
                .state();
    }

    @Test
    void aWorseLeak_neverFaresBetter() {
        Random random = new Random(20261129);
        for (String part : List.of("C3", "C5", "C9", "C10", "C12", "C1", "C4", "C8")) {
            boolean failed = false;
            double ohms = 1e10;
            for (int i = 0; i < 25; i++) {
                ohms /= 1 + 3 * random.nextDouble();
                String line = part + " leak " + (long) Math.max(1, ohms) + " @20 formed";
                PartRow row = row(part, line);
                boolean fails = BAD.contains(row.state());
                assertFalse(failed && !fails, line + ": " + row.state() + " " + row.says());
                failed = fails;
            }
            assertTrue(failed, part + " never fails");
        }
    }

    /** FORMULAS: 150 kΩ that should be 100 kΩ are brought back by 300 kΩ across. */
    @Test
    void aDriftedResistor_isBroughtBackByAnotherAcrossIt() {
        assertEquals(300e3, Trial.across(150e3, 100e3), 1e-6);
        assertTrue(
                row("R5", "R5 330k").trial().startsWith("Trial in place: 680 kΩ across it, "),
                row("R5", "R5 330k").trial());
        assertTrue(row("C5", "C5 0.4n").trial().contains("Never leave it"));
        assertEquals("", row("C5", "C5 leak 2M @300").trial(), "a leak is not tried out");
    }
}
