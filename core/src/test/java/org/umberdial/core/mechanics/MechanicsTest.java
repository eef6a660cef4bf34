package org.umberdial.core.mechanics;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.umberdial.core.Files;
import org.umberdial.core.Sets;
import org.umberdial.core.area.Gate;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.arrival.Book;
import org.umberdial.core.caution.Cautions;
import org.umberdial.core.evidence.CordLaid;
import org.umberdial.core.evidence.WorkPlanned;
import org.umberdial.core.evidence.WorkStep;
import org.umberdial.core.evidence.WorkStep.Phase;
import org.umberdial.core.finish.FinishArea;
import org.umberdial.core.guide.Guide;
import org.umberdial.core.mechanics.DialCord.Pulley;
import org.umberdial.core.value.InvalidEntry;

class MechanicsTest {
    private static final String VOLUME = "volume-control-clean-and-lubricate";
    private static final String GLASS = "dial-glass-take-out-and-clean";
    private static final String POINTER = "dial-cord-fix-pointer";

    private static WorkPlanned plan(String task) {
        return new WorkPlanned(task, Task.of(task).title(), "");
    }

    private static WorkStep step(String work, Phase phase, double hours) {
        return new WorkStep(work, "Work", phase, "", hours, "");
    }

    private static Works.State state(Book book, String id) {
        return Works.of(book.journal()).of(id).orElseThrow().state();
    }

    @Test
    void whatIsWetBarsPower_untilSomebodyHasLooked() {
        Book book = new Book().add(plan(VOLUME));
        assertEquals(Works.State.PLANNED, state(book, "e1"));
        book.add(step("e1", Phase.DONE, 1));
        Works.Work wet = Works.of(book.journal()).all().get(0);
        assertTrue(wet.bars());
        assertEquals(
                Duration.ofHours(1),
                Duration.between(wet.at().orElseThrow(), wet.until().orElseThrow()));
        SetFile file = Files.of(Sets.demo("table-set"), book);
        assertTrue(Guide.of(file).stops(Gate.POWER).stream()
                .anyMatch(stop -> stop.id().equals("power:drying:e1")));
        book.add(step("e1", Phase.GOOD, 0));
        SetFile after = Files.of(Sets.demo("table-set"), book);
        assertFalse(Guide.of(after).stops(Gate.POWER).stream()
                .anyMatch(stop -> stop.id().startsWith("power:drying")));
        assertTrue(after.ledger().sound(FinishArea.works(after).claims().get(0)));
        book.add(step("e1", Phase.BAD, 0));
        SetFile bad = Files.of(Sets.demo("table-set"), book);
        assertTrue(bad.ledger().failed(FinishArea.works(bad).claims().get(0)));
        assertTrue(new FinishArea().acts(bad).stream().anyMatch(a -> a.id().equals("finish:work-e1")), "again");
    }

    @Test
    void thePointerWaitsForTheGlass_asLongAsThatIsPlannedAndNotGood() {
        Book book = new Book().add(plan(POINTER)).add(plan(GLASS));
        assertEquals(Works.State.BLOCKED, state(book, "e1"));
        assertEquals(Works.State.PLANNED, state(book, "e2"));
        assertEquals(
                List.of(Task.of(GLASS).title()),
                Works.of(book.journal()).of("e1").orElseThrow().after());
        assertEquals(Works.State.PLANNED, state(book.copy().add(step("e2", Phase.GOOD, 0)), "e1"));
        Book dropped = book.copy().add(step("e2", Phase.DROPPED, 0));
        assertEquals(Works.State.PLANNED, state(dropped, "e1"));
        assertEquals(1, Works.of(dropped.journal()).all().size());
    }

    @Test
    void theTablesHoldTogether() {
        Set<String> ids = new HashSet<>();
        Task.all().forEach(task -> assertTrue(ids.add(task.id()), task.id() + " twice"));
        for (Task task : Task.all()) {
            assertTrue(ids.containsAll(task.needs()), task.id());
            assertFalse(task.needs().contains(task.id()));
            assertTrue(task.caution().isEmpty()
                    || !Cautions.of(task.caution()).text().isEmpty());
            task.materials().forEach(m -> assertFalse(Agent.on(m).isEmpty(), task.id() + " " + m));
            assertFalse(task.check().isEmpty(), task.id());
        }
        for (Agent agent : Agent.all()) {
            assertEquals(agent.verdict() == Agent.Verdict.NEVER, agent.minutes() == 0, agent.toString());
            assertTrue(agent.caution().isEmpty()
                    || !Cautions.of(agent.caution()).text().isEmpty());
        }
    }

    /** Two alike pulleys: twice the distance and once round. */
    @Test
    void aLoopOverTwoAlikePulleys_isTwiceTheirDistanceAndOnceRound() {
        DialCord loop = DialCord.of(
                List.of(new Pulley("Drum", 0, 0, 20, true, 0), new Pulley("Pulley", 100, 0, 20, true, 0)), true);
        assertEquals(200 + Math.PI * 20, loop.length(), 1e-9);
        assertEquals(-10, loop.stretches().get(0).fromY(), 1e-9, "over the top from left to right");
        assertEquals(Math.PI, loop.rounds().get(0).angle(), 1e-9);
        DialCord withTurns = DialCord.of(
                List.of(new Pulley("Shaft", 0, 0, 20, true, 2), new Pulley("Pulley", 100, 0, 20, true, 0)), true);
        assertEquals(loop.length() + 2 * Math.PI * 20, withTurns.length(), 1e-9);
    }

    /** By hand: unlike and crossed belts, the formulas of any handbook. */
    @Test
    void unlikeAndCrossedRounds_areAsTheHandbookHasThem() {
        double c = 120;
        double big = 60;
        double small = 20;
        double open = 2 * Math.sqrt(c * c - (big - small) * (big - small) / 4)
                + Math.PI * (big + small) / 2
                + (big - small) * Math.asin((big - small) / 2 / c);
        DialCord belt = DialCord.of(
                List.of(new Pulley("Drum", 0, 0, big, true, 0), new Pulley("Pulley", 0, c, small, true, 0)), true);
        assertEquals(open, belt.length(), 1e-9);
        double crossed = 2 * Math.sqrt(c * c - (big + small) * (big + small) / 4)
                + (big + small) * (Math.PI / 2 + Math.asin((big + small) / 2 / c));
        DialCord across = DialCord.of(
                List.of(new Pulley("Drum", 0, 0, big, true, 0), new Pulley("Pulley", 0, c, small, false, 0)), true);
        assertEquals(crossed, across.length(), 1e-9);
    }

    @Test
    void anOpenCord_liesOnItsEndsOnlyByItsTurns() {
        Pulley drum = new Pulley("Drum", 0, 0, 50, true, 1);
        Pulley idle = new Pulley("Pulley", 100, 0, 10, true, 0);
        Pulley end = new Pulley("Spring", 100, 80, 4, true, 0);
        DialCord cord = DialCord.of(List.of(drum, idle, end), false);
        assertEquals(2, cord.stretches().size());
        assertEquals(2 * Math.PI, cord.rounds().get(0).angle(), 1e-9);
        assertEquals(0, cord.rounds().get(2).angle(), 1e-9);
        assertThrows(InvalidEntry.class, () -> DialCord.of(List.of(drum), true));
        assertThrows(
                InvalidEntry.class, () -> DialCord.of(List.of(drum, new Pulley("Inside", 5, 0, 10, true, 0)), true));
        assertThrows(
                InvalidEntry.class,
                () -> DialCord.of(List.of(drum, new Pulley("Nowhere", Double.NaN, 0, 10, true, 0)), true));
    }

    /** A picture twice as wide as high; drum and pulley half its width apart, which was measured as 100 mm. */
    @Test
    void aCordLaidOverAPicture_hasItsScale_andSaysWhichWayThePointerMoves() {
        CordLaid laid = cord(true, true, 100);
        LaidCord cord = LaidCord.of(laid);
        assertEquals(200, cord.mmPerWidth(), 1e-9);
        assertEquals(200 + Math.PI * 20, cord.cord().length(), 1e-9);
        assertEquals(Math.PI * 20, cord.perTurn(), 1e-9);
        assertTrue(cord.runs().contains("to the right"), cord.runs());
        assertTrue(LaidCord.of(cord(false, true, 100)).runs().contains("to the left"));
        for (CordLaid wrong : List.of(cord(true, true, 0), cord(true, true, Double.NaN))) {
            assertThrows(InvalidEntry.class, () -> LaidCord.of(wrong));
        }
    }

    private static CordLaid cord(boolean clockwise, boolean closed, double mm) {
        return new CordLaid(
                "",
                0.5,
                List.of(
                        new CordLaid.Round("Drum", 0.25, 0.5, 20, clockwise, 0),
                        new CordLaid.Round("Pulley", 0.75, 0.5, 20, clockwise, 0)),
                closed,
                0,
                1,
                mm,
                0,
                0,
                "");
    }
}
