package org.umberdial.core.arrival;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.umberdial.core.Files;
import org.umberdial.core.evidence.Proved;
import org.umberdial.core.evidence.WorthSaid;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.CircuitImport;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.StartingCircuit;

class WorthTest {
    private static final BenchSet SET = new BenchSet(
            ConstructionClass.SERIES_STRING,
            CircuitImport.parts(
                    StartingCircuit.of("string-superhet").orElseThrow().deck()),
            List.of(),
            List.of(),
            List.of(),
            List.of());

    @Test
    void theSumIsHoursTimesRateAndParts() {
        Worth worth = worth(new Book());
        double papers = worth.lines().stream()
                .filter(line -> line.job().equals("recap_paper"))
                .findFirst()
                .orElseThrow()
                .count();
        assertEquals(7, papers);
        assertEquals(
                0, BigDecimal.valueOf(worth.hours() * 40).add(worth.parts()).compareTo(worth.total()));
        assertEquals(Worth.Verdict.SAY_WORTH, worth.verdict());
    }

    @Test
    void stopsWhenThePlanCostsMoreThanTheSet() {
        Worth worth = worth(new Book().add(said(100, 50)));
        assertEquals(Worth.Verdict.STOP, worth.verdict());
        assertTrue(worth.reason().startsWith("Stop: the plan comes to "), worth.reason());
    }

    @Test
    void testsTheIrreplaceableFirstWhenTheyDecide() {
        double plan = worth(new Book()).total().doubleValue();
        Book book = new Book().add(said(plan + 100, 0));
        assertEquals(Worth.Verdict.TEST_FIRST, worth(book).verdict());
        assertTrue(
                worth(book).reason().contains("output transformer"), worth(book).reason());
        book.add(new Proved("XT1", true, "primary 190 Ω")).add(new Proved("coils and IF cans", true, ""));
        assertEquals(Worth.Verdict.GO, worth(book).verdict());
    }

    @Test
    void aLostTransformerIsReckonedIn() {
        double plan = worth(new Book()).total().doubleValue();
        Worth worth = worth(new Book().add(said(plan + 100, 0)).add(new Proved("XT1", false, "primary open")));
        assertEquals(Worth.Verdict.STOP, worth.verdict());
        assertEquals(plan + 4 * 40 + 90, worth.total().doubleValue(), 1e-9);
        assertTrue(worth.reason().contains("1 part that cannot be bought"), worth.reason());
    }

    /** Two of three have a price; the tube without one counts as a tube usually does, and nothing is reckoned twice. */
    @Test
    void thePlansPrices_takeThePlaceOfUsualFigures() {
        Worth usual = worth(new Book());
        assertTrue(usual.lines().stream().anyMatch(line -> line.job().equals("recap_paper")));
        Worth planned = Worth.of(
                Files.of(SET, new Book()),
                new Worth.Planned(3, 0.5, new BigDecimal("3.10"), List.of(Worth.Planned.Usual.TUBE)));
        assertTrue(planned.lines().stream().noneMatch(line -> line.job().startsWith("recap")));
        Worth.Line plan = planned.lines().stream()
                .filter(line -> line.job().equals("plan"))
                .findFirst()
                .orElseThrow();
        assertEquals(3.10 + 14, plan.price().doubleValue(), 1e-9);
        assertEquals(0.5 * 40 + 17.10, plan.cost().doubleValue(), 1e-9);
        assertTrue(plan.label().contains("1 of them at a usual price"), plan.label());
        Worth none = Worth.of(
                Files.of(SET, new Book()),
                new Worth.Planned(1, 0.2, BigDecimal.ZERO, List.of(Worth.Planned.Usual.RESISTOR)));
        assertEquals(usual.total(), none.total(), "nothing has a price yet: usual figures stand");
    }

    private static WorthSaid said(double value, double sentiment) {
        return new WorthSaid(BigDecimal.valueOf(value), BigDecimal.valueOf(sentiment), true, Map.of(), Map.of());
    }

    private static Worth worth(Book book) {
        return Worth.of(Files.of(SET, book), Worth.Planned.NOTHING);
    }
}
