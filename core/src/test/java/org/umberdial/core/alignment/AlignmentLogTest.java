package org.umberdial.core.alignment;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.umberdial.core.Files;
import org.umberdial.core.Sets;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.arrival.Book;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.evidence.Aligned;
import org.umberdial.core.evidence.BandSaid;
import org.umberdial.core.evidence.CurveRead;
import org.umberdial.core.evidence.GearSaid;
import org.umberdial.core.evidence.LeadProven;
import org.umberdial.core.evidence.ReceiverSaid;
import org.umberdial.core.evidence.ReceiverSaid.Detector;
import org.umberdial.core.evidence.ReceiverSaid.Has;
import org.umberdial.core.evidence.ReceiverSaid.Kind;
import org.umberdial.core.finish.FinishArea;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.tuning.Band;

class AlignmentLogTest {
    private static final Claim IF = new Claim(Alignment.IF, Aspect.TUNED);
    private static final List<Band> MW = List.of(new Band(new BandSaid("MW", 530, 1605, 455, true)));

    private static Book radio() {
        return new Book()
                .add(new BandSaid("MW", 530, 1605, 455, true))
                .add(new ReceiverSaid(Kind.SUPERHET, 2, 0, Detector.NONE, Set.of()));
    }

    private static SetFile file(Book book) {
        return Files.of(Sets.demo("table-set"), book);
    }

    private static Aligned step(String id, double before, double after) {
        return new Aligned(id, id, Optional.of(before), Optional.of(after), "V", "");
    }

    private static CurveRead curve(double centre) {
        List<CurveRead.Point> points = new ArrayList<>();
        for (double kilo = 445; kilo <= 465; kilo += 2) {
            double x = (kilo - centre) / 2.5;
            points.add(new CurveRead.Point(1000 * kilo, 50 * Math.hypot(1, x)));
        }
        return new CurveRead(Alignment.IF, CurveRead.Sort.LEVEL, 455e3, points);
    }

    @Test
    void aChainIsInTune_whenEveryCoreWasPeaked_andAgainOnlyByACurveReadAfterwards() {
        Book book = radio();
        assertTrue(file(book).ledger().of(IF).isEmpty());
        for (String id : List.of("if-s-2", "if-p-2", "if-s-1")) {
            book.add(step(id, 0.1, 0.2));
            assertTrue(file(book).ledger().of(IF).isEmpty(), "one core is left");
        }
        book.add(step("if-p-1", 0.2, 0.3));
        assertTrue(file(book).ledger().sound(IF));
        Book off = book.copy().add(curve(461));
        assertTrue(file(off).ledger().failed(IF));
        assertTrue(FinishArea.signsOfDetuning(file(off)).isPresent());
        // What was read before a core was turned says nothing any more.
        off.add(step("if-p-1", 0.3, 0.31));
        assertFalse(file(off).ledger().failed(IF));
        assertTrue(file(book.copy().add(curve(455.3))).ledger().sound(IF));
        // A core that made it less is a doubt.
        assertFalse(file(book.copy().add(step("if-s-1", 0.3, 0.1))).ledger().sound(IF));
    }

    @Test
    void aPlanFollowsFromSetAndInstruments() {
        AlignmentPlan ear =
                plan(new ReceiverSaid(Kind.SUPERHET, 2, 0, Detector.NONE, Set.of()), GearSaid.Generator.NONE, true);
        assertTrue(ids(ear).contains("ear-if") && !ids(ear).contains("if-s-2"), ids(ear).toString());
        AlignmentPlan live = plan(
                new ReceiverSaid(Kind.SUPERHET, 3, 0, Detector.NONE, Set.of(Has.LOOP, Has.TRAP)),
                GearSaid.Generator.AM,
                true);
        assertTrue(
                ids(live).containsAll(List.of("lead", "if-s-3", "if-p-1", "trap")),
                ids(live).toString());
        assertTrue(live.steps().stream().noneMatch(s -> s.feed() == Feed.AERIAL), "a loop is fed through the air");
        assertEquals(Optional.of("if-s-3"), live.step("if-p-1").orElseThrow().backTo());
        AlignmentPlan trf =
                plan(new ReceiverSaid(Kind.NEUTRALISED, 0, 0, Detector.NONE, Set.of()), GearSaid.Generator.AM, false);
        assertTrue(ids(trf).contains("neutral-MW") && !ids(trf).contains("if-read"), ids(trf).toString());
        AlignmentPlan regenerative = plan(
                new ReceiverSaid(Kind.REGENERATIVE, 0, 0, Detector.NONE, Set.of()), GearSaid.Generator.NONE, false);
        assertTrue(ids(regenerative).contains("feedback-MW"), ids(regenerative).toString());
        AlignmentPlan fm = plan(
                new ReceiverSaid(Kind.SUPERHET, 2, 2, Detector.DISCRIMINATOR, Set.of()), GearSaid.Generator.AM, false);
        assertTrue(fm.lacks().toString().contains("FM band"), fm.lacks().toString());
        Band below = new Band(new BandSaid("FM", 87_500, 100_000, 10_700, false));
        AlignmentPlan alone = AlignmentPlan.of(
                new ReceiverSaid(Kind.SUPERHET, 0, 3, Detector.RATIO, Set.of()),
                new GearSaid(GearSaid.Generator.AM_FM, GearSaid.Meter.EAR, false),
                List.of(below),
                false,
                Map.of());
        assertEquals(List.of(), alone.lacks(), "a set with FM alone lacks no medium wave");
        assertTrue(alone.step("fm-if-s-3").isPresent());
        for (AlignmentPlan plan : List.of(ear, alone, live, trf, regenerative, fm)) {
            assertTrue(
                    plan.steps().stream().noneMatch(s -> (s.title() + s.why() + s.expect()).contains("{")),
                    plan.steps().toString());
        }
    }

    /** Who listens has no figure, and is asked for none; volts of the AVC are below nought. */
    @Test
    void byEarAStepIsDoneWithoutAFigure_andNegativeVoltsGrowDownwards() {
        Book ear = radio().add(new GearSaid(GearSaid.Generator.AM, GearSaid.Meter.EAR, false));
        Book avc = radio().add(new GearSaid(GearSaid.Generator.AM, GearSaid.Meter.AVC, false));
        for (String id : List.of("if-s-2", "if-p-2", "if-s-1", "if-p-1")) {
            ear.add(new Aligned(id, id, Optional.empty(), Optional.empty(), "", "louder"));
            avc.add(step(id, -0.5, -0.9));
        }
        assertTrue(file(ear).ledger().sound(IF));
        assertTrue(file(avc).ledger().sound(IF));
        assertFalse(file(avc.add(step("if-p-1", -0.9, -0.2))).ledger().sound(IF));
    }

    private static AlignmentPlan plan(ReceiverSaid receiver, GearSaid.Generator generator, boolean live) {
        return AlignmentPlan.of(receiver, new GearSaid(generator, GearSaid.Meter.OUTPUT, false), MW, live, Map.of());
    }

    private static List<String> ids(AlignmentPlan plan) {
        return plan.steps().stream().map(AlignStep::id).collect(Collectors.toList());
    }

    /** The table set has no transformer. */
    @Test
    void onALiveChassis_onlyWhatWasMeasuredLetsALeadOn_andForADay() {
        Instant now = Instant.parse("2026-03-01T10:10:00Z");
        assertTrue(ChassisLead.bars(file(radio()), now).orElseThrow().contains("isolation transformer"));
        SetFile shock = file(radio().add(new LeadProven(0.1, 80, 1500)));
        assertTrue(ChassisLead.bars(shock, now).orElseThrow().contains("not isolated"));
        SetFile safe = file(radio().add(new LeadProven(0.1, 0.2, 1500)));
        assertTrue(ChassisLead.bars(safe, now).isEmpty());
        // A transformer that isolates by design and fails by the tester does not.
        BenchSet demo = Sets.demo("fm-superhet");
        BenchSet isolated = new BenchSet(
                ConstructionClass.MAINS_TRANSFORMER,
                demo.parts(),
                demo.sockets(),
                demo.testPoints(),
                demo.sheet(),
                demo.modes(),
                demo.models(),
                List.of());
        assertTrue(ChassisLead.bars(Files.of(isolated, new Book()), now).isEmpty());
        SetFile leaks = Files.of(isolated, new Book().bench("insulation", "volts=500 i.primary-core=0.1e6"));
        assertTrue(ChassisLead.bars(leaks, now).isPresent());
        assertTrue(ChassisLead.bars(safe, now.plus(Duration.ofHours(13)))
                .orElseThrow()
                .contains("twelve hours"));
    }
}
