package org.umberdial.core.power;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.umberdial.core.Sets;
import org.umberdial.core.policy.School;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.Part;
import org.umberdial.core.set.ValueOrigin;

class PlannerTest {
    private static final BenchSet TABLE = Sets.demo("table-set");
    private static Planner.Planned lamps;
    private static PowerPlan plan;

    @BeforeAll
    static void planOnce() {
        lamps = Planner.plan(TABLE, "", 117, School.LAMP_LIMITER, false, AsItIs.WHOLE);
        plan = lamps.plan().orElseThrow();
    }

    @Test
    void lampsGrow_untilNoneIsLeft_andEachStepLastsUntilItsRailHasSettled() {
        assertEquals(
                List.of("25 W lamp", "60 W lamp", "no lamp, full line"),
                plan.steps().stream().map(s -> s.name(117)).toList());
        int rail = plan.row(Watched.Kind.RAIL);
        for (int i = 0; i < plan.steps().size(); i++) {
            double end = plan.start(i) + plan.steps().get(i).seconds();
            double middle = plan.middle().at(rail, end);
            assertEquals(middle, plan.middle().at(rail, end - 5), 0.03 * middle, "step " + i);
        }
    }

    /** By hand: 0.241 A at work, times 1.5 is 0.362 A, and the next size of IEC 60127 is 0.4 A. */
    @Test
    void theFuseIsTheNextSizeAboveOneAndAHalfTimesTheRunningCurrent() {
        assertEquals(0.241, plan.runningAmperes(), 0.002);
        assertEquals(0.4, plan.fuseAmperes());
    }

    /** A lamp starves the rectifier's heater, so a shorted reservoir looks mild by its glow; B+ tells. */
    @Test
    void aShortedReservoirHidesFromTheGlow_butNotFromBPlus() {
        Planner.LampRow row =
                lamps.lamps().stream().filter(l -> l.watts() == 25).findFirst().orElseThrow();
        assertTrue(row.shortedGlow() - row.glow() < 0.15);
        assertTrue(row.railVolts() > 40 && Math.abs(row.shortedRailVolts()) < 1);
        assertTrue(plan.why().stream().anyMatch(w -> w.startsWith("The glow alone tells nothing here")));
    }

    @Test
    void theBandHoldsItsMiddle_andWhatAnotherStepBringsDoesNotReachIntoIt() {
        int rail = plan.row(Watched.Kind.RAIL);
        for (int row = 0; row < plan.middle().rows().size(); row++) {
            for (int t = 0; t <= plan.seconds(); t++) {
                assertTrue(plan.low().at(row, t) <= plan.middle().at(row, t) + 1e-9);
                assertTrue(plan.high().at(row, t) >= plan.middle().at(row, t) - 1e-9);
            }
        }
        assertTrue(
                plan.high().at(rail, plan.start(1)) < plan.middle().at(rail, plan.start(1) + 8),
                "the first step ends below what the second brings");
    }

    @Test
    void eachFaultIsNamedByItsPart_andAnOpenStringByNoTube() {
        Map<String, List<String>> says = plan.faults().stream()
                .collect(Collectors.groupingBy(
                        Hypothesis::part, Collectors.mapping(Hypothesis::says, Collectors.toList())));
        assertTrue(says.get("C1").contains("C1, first filter, is shorted"));
        assertTrue(says.get("C4").contains("C4, coupling, leaks into a grid"));
        assertTrue(says.get("").get(0).startsWith("the heater string is open"));
    }

    @Test
    void aTubeRectifierIsRampedFromWhereItStarts_metalFromTheFirstVolt() {
        PowerPlan ramp = Planner.plan(TABLE, "", 117, School.VARIABLE_TRANSFORMER, false, AsItIs.WHOLE)
                .plan()
                .orElseThrow();
        assertTrue(ramp.why().stream().anyMatch(w -> w.contains("its heater is too cool")));
        assertTrue(ramp.steps().stream().noneMatch(PowerStep::limited));
        PowerPlan metal = Planner.plan(
                        Sets.set("""
                                silicon and one load
                                VLINE line 0 SIN(0 169.7 60)
                                D1 line bplus DX ; kind=model
                                C1 bplus 0 40u ; kind=electrolytic tol=20 volt=200
                                R1 bplus screen 1k ; kind=carbon tol=10 watt=2 desc="filter"
                                C2 screen 0 40u ; kind=electrolytic tol=20 volt=200
                                XV1 v1_plate screen grid cathode 50C5_P ; kind=tube
                                R3 grid 0 470k
                                R4 cathode 0 150
                                R5 screen v1_plate 1k
                                .model DX D
                                .end
                                """, 120, "20k/V"), "", 120, School.VARIABLE_TRANSFORMER, true, AsItIs.WHOLE)
                .plan()
                .orElseThrow();
        assertEquals(
                List.of(30.0, 60.0, 90.0, 120.0),
                metal.steps().stream().map(PowerStep::lineVolts).toList());
        assertEquals(300, metal.steps().get(0).seconds(), "held while old electrolytics form");
    }

    @Test
    void withoutACircuitThereIsNoPlan_andItSaysWhy() {
        BenchSet empty =
                new BenchSet(ConstructionClass.SERIES_STRING, List.of(), List.of(), List.of(), List.of(), List.of());
        Planner.Planned none = Planner.plan(empty, "", 117, School.LAMP_LIMITER, false, AsItIs.WHOLE);
        assertTrue(none.plan().isEmpty());
        assertTrue(none.reason().contains("no circuit yet"));
    }

    @Test
    void aSetThatNoLineFeedsIsNotPutBehindALamp() {
        BenchSet car = new BenchSet(
                ConstructionClass.VIBRATOR,
                TABLE.parts(),
                TABLE.sockets(),
                TABLE.testPoints(),
                List.of(),
                TABLE.modes());
        Planner.Planned none = Planner.plan(car, "", 117, School.LAMP_LIMITER, false, AsItIs.WHOLE);
        assertTrue(none.plan().isEmpty() && none.reason().contains("bench supply"), none.reason());
    }

    /** Usual values help and accuse nobody: the band is wider, and how many there are is kept with the plan. */
    @Test
    void valuesNobodyComparedWidenTheBand() {
        List<Part> usual = TABLE.parts().stream()
                .map(p -> new Part(p.card(), List.of(), ValueOrigin.USUAL))
                .toList();
        PowerPlan drafted = Planner.plan(
                        new BenchSet(
                                TABLE.construction(),
                                usual,
                                TABLE.sockets(),
                                TABLE.testPoints(),
                                List.of(),
                                TABLE.modes()),
                        "",
                        117,
                        School.STRAIGHT_ON,
                        false,
                        AsItIs.WHOLE)
                .plan()
                .orElseThrow();
        assertEquals(usual.stream().filter(Part::unconfirmed).count(), drafted.usual());
        assertTrue(drafted.usual() > 20, drafted.usual() + " of " + usual.size());
        int drop = drafted.row(Watched.Kind.DROP);
        double wide = drafted.high().at(drop, 100) - drafted.low().at(drop, 100);
        double narrow = plan.high().at(drop, plan.seconds()) - plan.low().at(drop, plan.seconds());
        assertTrue(wide > 1.5 * narrow, wide + " against " + narrow);
    }

    /** With the second filter's lead lifted its ripple is gone and its charge too; nothing is laid to it any more. */
    @Test
    void whatHasALeadLiftedIsReckonedWithout_andWhatCannotBe_takesTheNames() {
        PowerPlan without = Planner.plan(
                        TABLE, "", 117, School.STRAIGHT_ON, false, new AsItIs(List.of("C2"), List.of("V3 is out")))
                .plan()
                .orElseThrow();
        assertTrue(without.faults().stream().noneMatch(fault -> fault.part().equals("C2")));
        assertTrue(plan.faults().stream().anyMatch(fault -> fault.part().equals("C2")));
        assertTrue(without.why().stream().anyMatch(w -> w.startsWith("Reckoned without C2")));
        assertTrue(!without.accuses() && plan.accuses(), "a tube that is out and not reckoned with");
        assertTrue(plan.fall() != null && without.fall() == null, "and how it falls is not compared");
    }

    /**
     * By hand: its filters of 90 µF at 115 V and the 70 mA it draws would be half empty in 74 ms if it went on drawing
     * so much; it draws less and less. What is left when its tubes no longer conduct is next to nothing.
     */
    @Test
    void aWarmSetIsEmptyWithinSeconds_forItsTubesDrawOnWhileTheyAreHot() {
        double[] middle = plan.fall().middle().get(0);
        assertEquals(plan.middle().at(plan.row(Watched.Kind.RAIL), plan.seconds()), middle[0], 2);
        double half = Fall.when(middle, middle[0] / 2);
        assertTrue(half > 0.074 && half < 0.5, half + " s");
        assertTrue(middle[middle.length - 1] < 1);
        assertTrue(FallWatch.forecast(plan, 30).contains("is under 30 V after 0 to 1 s"), FallWatch.forecast(plan, 30));
    }
}
