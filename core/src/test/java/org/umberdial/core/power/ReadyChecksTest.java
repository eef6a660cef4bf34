package org.umberdial.core.power;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.umberdial.core.Files;
import org.umberdial.core.Sets;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.arrival.Book;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.evidence.PartReplaced;
import org.umberdial.core.evidence.PowerChecked;
import org.umberdial.core.evidence.PowerReady;
import org.umberdial.core.evidence.PowerRun;
import org.umberdial.core.evidence.SchoolChosen;
import org.umberdial.core.guide.Guide;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.policy.School;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.SupplyLabel;

class ReadyChecksTest {
    private static final BenchSet TABLE = Sets.demo("table-set");

    private static BenchSet as(ConstructionClass construction, String demo) {
        BenchSet set = Sets.demo(demo);
        return new BenchSet(construction, set.parts(), set.sockets(), set.testPoints(), set.sheet(), set.modes());
    }

    private static ReadyCheck check(SetFile file, String id) {
        return PowerArea.checks(file).stream()
                .filter(c -> c.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new AssertionError("nothing is asked about " + id));
    }

    private static ReadyCheck.State state(Book book, String id) {
        return check(Files.of(TABLE, book), id).state();
    }

    private static PowerReady said(String gate, String answer) {
        return new PowerReady(gate, answer, gate, "");
    }

    @Test
    void aVariableTransformerIsRefusedAsIsolation() {
        ReadyCheck check = check(Files.of(TABLE, new Book().add(said("isolation", "variable"))), "isolation");
        assertEquals(ReadyCheck.State.WRONG, check.state());
        assertTrue(check.says().contains("isolates nothing"), check.says());
        assertEquals(ReadyCheck.State.OPEN, state(new Book().add(said("isolation", "isolated")), "isolation"));
        assertEquals(ReadyCheck.State.WRONG, state(new Book().add(said("isolation", "none")), "isolation"));
    }

    @Test
    void whatChangesWithEachRunIsAskedBeforeEach_whatStaysIsNot() {
        Book book = new Book().add(said("clips", "yes")).add(said("cord", "yes"));
        assertEquals(ReadyCheck.State.OPEN, state(book, "clips"));
        book.add(new PowerRun("r", PowerRun.Phase.STOPPED, ""));
        assertEquals(ReadyCheck.State.ASKED, state(book, "clips"));
        assertEquals(ReadyCheck.State.OPEN, state(book, "cord"));
    }

    @Test
    void aReasonPassesWhatIsAsked_andStaysReadable() {
        Book book =
                new Book().add(new PowerReady("helper", PowerReady.OVERRIDE, "Somebody near", "a neighbour by phone"));
        ReadyCheck check = check(Files.of(TABLE, book), "helper");
        assertEquals(ReadyCheck.State.PASSED, check.state());
        assertTrue(check.says().contains("a neighbour by phone"));
    }

    @Test
    void capacitorsAreSettledByEvidence_notByAnAnswer_butASchoolMayOpenThem() {
        assertTrue(check(Files.of(TABLE, new Book()), "grids").says().startsWith("C4: not replaced"));
        Book replaced = new Book().add(new PartReplaced("C4", "film 0.01 µF"));
        assertEquals(ReadyCheck.State.OPEN, state(replaced, "grids"));
        Book first = new Book().add(new SchoolChosen(School.Question.OLD_CAPACITORS, Optional.of(School.POWER_FIRST)));
        assertEquals(ReadyCheck.State.OPEN, state(first, "grids"));
        Book forming = new Book()
                .add(new SchoolChosen(School.Question.REFORMING, Optional.of(School.FORM_IN_THE_SET)))
                .add(new SchoolChosen(School.Question.FIRST_POWER, Optional.of(School.VARIABLE_TRANSFORMER)));
        assertEquals(ReadyCheck.State.OPEN, state(forming, "electrolytics"));
        assertEquals(ReadyCheck.State.ASKED, state(forming, "grids"), "a ramp forms no paper capacitor");
    }

    @Test
    void whatTheColdBenchHoldsAgainstPowerStandsHereToo_withAWayForAShopWithoutATester() {
        assertEquals(ReadyCheck.State.ASKED, state(new Book(), "power:CORD:continuity"));
        SetFile plain =
                Files.of(TABLE, SupplyLabel.UNKNOWN, new Book(), EnumSet.of(Equipment.VOLTMETER, Equipment.OHMMETER));
        assertTrue(
                check(plain, "power:CORD:insulation").says().contains("no insulation tester"),
                "a shop with only a multimeter has a way, marked unproven");
    }

    @Test
    void aFieldCoilsPlugIsAskedForWhereThereIsOne() {
        assertTrue(check(Files.of(as(ConstructionClass.MAINS_TRANSFORMER, "field-coil"), new Book()), "field")
                .says()
                .contains("the rail is open"));
        assertTrue(PowerArea.checks(Files.of(TABLE, new Book())).stream().noneMatch(c -> c.id().equals("field")));
    }

    @Test
    void aRunChargesTheCapacitors_andProvesThatNoneIsADeadShortWhenItCameUp() {
        Book book = new Book().bench("discharge", "v.C1=0 v.C2=0 v.C3=0 v.C14=0");
        book.add(new PowerRun("run", PowerRun.Phase.CAME_UP, "lamps"));
        SetFile file = Files.of(TABLE, book);
        assertTrue(file.powered());
        assertTrue(Guide.of(file).stops().stream().anyMatch(s -> s.id().equals("hands:charge")));
        assertTrue(file.ledger().sound(new Claim(BenchSet.WHOLE, Aspect.COMES_UP)));
        assertTrue(file.ledger().sound(new Claim("C1", Aspect.NO_DEAD_SHORT)));
    }

    private static FirstCheck.Judged judged(BenchSet set, String check, Map<String, Double> figures, String isolated) {
        SetFile file = Files.of(set, new Book());
        return FirstChecks.judge(
                file,
                new PowerChecked(check, figures, isolated.isEmpty() ? Map.of() : Map.of("isolated", isolated), ""));
    }

    /** Touch current is the volts across a resistor in a body's place over its ohms: 1.5 V over 1.5 kΩ are 1 mA. */
    @Test
    void touchCurrentIsReckonedAndJudged_behindIsolationItProvesNothing() {
        Map<String, Double> low = Map.of("ohms", 1500.0, "on", 0.3, "off", 0.1, "onTurned", 0.6, "offTurned", 0.2);
        FirstCheck.Judged good = judged(TABLE, "chassis", low, "bypassed");
        assertEquals(Verdict.GOOD, good.verdict());
        assertTrue(good.says().contains("400 µA"), good.says());
        assertEquals(
                Verdict.NO_EXPECTATION, judged(TABLE, "chassis", low, "in use").verdict());
        assertEquals(
                Verdict.UNREAD,
                judged(TABLE, "chassis", Map.of("ohms", 1500.0, "on", 0.3), "bypassed")
                        .verdict(),
                "both plug ways, on and off");
        FirstCheck.Judged bad = judged(TABLE, "chassis", Map.of("ohms", 1500.0, "on", 1.5), "bypassed");
        assertEquals(Verdict.BAD, bad.verdict());
        assertTrue(
                bad.says().contains("1.00 mA") && bad.says().contains("plug’s way")
                        || bad.says().contains("plug's way"),
                bad.says());
    }

    @Test
    void inAStringTheBadSocketReadsHigh_inParallelLow_andPlatesAreReadOnlyWhereTubesMayBePulled() {
        FirstCheck.Judged string = judged(TABLE, "heaters", Map.of("pin.V4", 60.0, "pin.V1", 10.0), "");
        assertTrue(string.says().startsWith("High in the string: V4"), string.says());
        BenchSet parallel = as(ConstructionClass.MAINS_TRANSFORMER, "field-coil");
        FirstCheck.Judged low = judged(parallel, "heaters", Map.of("pin.V5", 4.1, "pin.V4", 6.3), "");
        assertTrue(low.says().startsWith("Low on the pins: V5"), low.says());
        List<String> ofString = FirstChecks.of(Files.of(TABLE, new Book())).stream()
                .map(FirstCheck::id)
                .toList();
        assertFalse(ofString.contains("plates") || ofString.contains("idle"), "nothing may be pulled from a string");
        assertTrue(FirstChecks.of(Files.of(parallel, new Book())).stream().anyMatch(c -> c.id().equals("plates")));
    }

    @Test
    void platesAndAnIdlingTransformerAreJudgedByHand() {
        assertEquals(
                Verdict.GOOD,
                judged(TABLE, "plates", Map.of("first", 281.0, "second", 276.0), "")
                        .verdict());
        assertEquals(
                Verdict.BAD,
                judged(TABLE, "plates", Map.of("first", 281.0, "second", 230.0), "")
                        .verdict());
        assertEquals(
                Verdict.GOOD,
                judged(TABLE, "idle", Map.of("set", 116.0, "line", 118.0), "").verdict());
        assertEquals(
                Verdict.BAD,
                judged(TABLE, "idle", Map.of("set", 80.0, "line", 118.0), "").verdict());
    }
}
