package org.umberdial.core.cold;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberdial.core.Files;
import org.umberdial.core.arrival.Book;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.evidence.Benched;
import org.umberdial.core.evidence.PartReplaced;
import org.umberdial.core.evidence.Proved;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.proof.Proof;
import org.umberdial.core.proof.ProofState;
import org.umberdial.core.value.InvalidEntry;

class ColdPlanTest {
    private static final Set<Equipment> SMALL =
            EnumSet.of(Equipment.OHMMETER, Equipment.GENERATOR, Equipment.AC_METER, Equipment.DIODE_TEST);

    @Test
    void discharge_comesBeforeAll_thenTheReadingThatCoversMost() {
        assertEquals("discharge", plan(new Book()).next().orElseThrow().row().id());
        assertEquals("plug-on", plan(bled()).next().orElseThrow().row().id());
        assertEquals(
                "plug-on",
                ColdPlan.of(
                                Scenes.STRING,
                                ColdBench.of(
                                        Scenes.STRING,
                                        made("discharge", "v.C1=1 v.C2=0", new Book())
                                                .journal()),
                                SMALL)
                        .next()
                        .orElseThrow()
                        .row()
                        .id());
    }

    @Test
    void aPassedTest_marksItsPath_andDropsWhatItMakesNeedless() {
        Book book = made("plug-on", "plug=117 set.*=yes", made("discharge", "v.C1=1 v.C2=0", new Book()));
        ColdBench bench = ColdBench.of(Scenes.STRING, book.journal());
        assertTrue(bench.proven(new Claim("XV4", Aspect.of("heater whole"))));
        assertFalse(bench.proven(new Claim("CORD", Aspect.of("insulation"))));
        ColdPlan plan = ColdPlan.of(Scenes.STRING, bench, SMALL);
        assertEquals(ColdPlan.State.ADDS_NOTHING, step(plan, "heaters").state());
        assertEquals(ColdPlan.State.PASSED, step(plan, "plug-on").state());
    }

    @Test
    void anOpenChain_isFollowedUpFirst() {
        ColdPlan plan = plan(made("plug-on", "plug=open set.*=yes", bled()));
        assertEquals("plug-on", plan.next().orElseThrow().row().id());
        assertTrue(plan.next().orElseThrow().reason().contains("Read from one plug pin to"));
    }

    @Test
    void anOpenWinding_asksForItsLeadOuts_untilTheyWereLookedAt() {
        Book open = made("output-tone", "ohms=open", made("plug-on", "plug=16 set.*=yes", bled()));
        assertEquals("lead-out", plan(open).next().orElseThrow().row().id());
        assertFalse(plan(made("lead-out", "part=XT2 break=outside mended=322", open))
                .next()
                .orElseThrow()
                .row()
                .id()
                .equals("lead-out"));
    }

    @Test
    void whatNoInstrumentProves_isSaid() {
        ColdPlan plan = plan(new Book());
        assertEquals(ColdPlan.State.NO_INSTRUMENT, step(plan, "insulation").state());
        assertTrue(plan.unproven().stream()
                .anyMatch(gap -> gap.needs().equals(Set.of(Equipment.INSULATION_TESTER))
                        && gap.claims().contains(new Claim("XT1", Aspect.of("insulation")))));
        ColdPlan full =
                ColdPlan.of(Scenes.FM, ColdBench.of(Scenes.FM, new Book().journal()), EnumSet.allOf(Equipment.class));
        assertTrue(full.unproven().isEmpty());
        assertTrue(full.minutesLeft() > plan.minutesLeft());
    }

    @Test
    void ohmsTakenWhileACharge_wasThere_areNoEvidence() {
        Book charged = made("discharge", "v.C1=200 v.C2=1 v.C11=0", new Book());
        ColdBench bench = ColdBench.of(
                Scenes.FM, made("plug-on", "plug=16 set.*=yes", charged).journal());
        assertEquals(
                Verdict.NO_EXPECTATION,
                bench.last("plug-on").orElseThrow().verdict().word());
        assertTrue(bench.ledger().standings().isEmpty());
        assertEquals(
                "discharge",
                ColdPlan.of(Scenes.FM, bench, SMALL).next().orElseThrow().row().id());
        assertTrue(ColdBench.of(
                        Scenes.FM, made("plug-on", "plug=16 set.*=yes", bled()).journal())
                .passed("plug-on"));
    }

    @Test
    void theMapFollows_continuityIsNotInsulation() {
        Book book = made("plug-on", "plug=16 set.*=yes", bled());
        Proof transformer = proof(book, "XT1");
        assertEquals(ProofState.PARTLY, transformer.state());
        assertTrue(
                transformer.reason().contains("Proven: primary continuity")
                        && transformer.reason().contains("insulation"),
                transformer.reason());
        assertEquals(ProofState.PARTLY, proof(book, "CORD").state());
        assertEquals(
                ProofState.PROVEN,
                proof(made("resistors", "o.R6=219000", book), "R6").state());
        assertEquals(
                ProofState.DOUBTFUL,
                proof(made("output-tone", "ohms=open", book), "XT2").state());
        assertTrue(proof(book, "XT2").reason().contains("lead-outs"));
        assertEquals(
                ProofState.TO_REPLACE,
                proof(made("lead-out", "part=XT2 break=inside", book), "XT2").state());
        assertEquals(
                ProofState.REPLACED,
                proof(book.add(new PartReplaced("XT2", "another")), "XT2").state());
    }

    @Test
    void rarePart_isSound_onceItsTurnsAreKnown() {
        assertEquals(
                Optional.empty(),
                ColdBench.of(
                                Scenes.FM,
                                made("plug-on", "plug=16 set.*=yes", bled()).journal())
                        .ledger()
                        .serves("XT1"));
        assertEquals(
                Optional.of(true),
                ColdBench.of(
                                Scenes.FM,
                                made("output-tone", "ohms=322 tone=clear", bled())
                                        .journal())
                        .ledger()
                        .serves("xt2"));
        assertEquals(
                Optional.empty(),
                ColdBench.of(Scenes.FM, made("output-tone", "ohms=open", bled()).journal())
                        .ledger()
                        .serves("XT2"));
        assertEquals(
                Optional.of(false),
                ColdBench.of(
                                Scenes.FM,
                                made("lead-out", "part=XT2 break=inside", bled())
                                        .journal())
                        .ledger()
                        .serves("XT2"));
    }

    @Test
    void transformer_isSizedAtTheRealVoltages() {
        TransformerSize size = TransformerSize.of(Scenes.FIELD).orElseThrow();
        assertEquals(2, size.heaters().size());
        assertEquals(
                2.0,
                size.heaters().stream()
                        .filter(TransformerSize.Heaters::rectifier)
                        .findFirst()
                        .orElseThrow()
                        .amperes());
        assertTrue(size.byEngine());
        assertEquals(size.loadVa() * 1.25, size.wantedVa(), 1e-9);
        assertEquals(
                size.loadVa(),
                size.loads().stream().mapToDouble(TransformerSize.Load::watts).sum(),
                1e-6);
        assertTrue(TransformerSize.of(Scenes.STRING).isEmpty());
        assertEquals(
                0.3,
                TransformerSize.of(Scenes.PLAYER).orElseThrow().heaters().get(0).amperes() - 0.86,
                1e-9);
    }

    @Test
    void rmsOfAWinding_liesInTheRulesRange() {
        double dc = Scenes.FM.supplyAmperes().orElseThrow();
        double half = Scenes.FM.windingAmperes(1).orElseThrow() / dc;
        assertTrue(half > 0.9 && half < 1.4, "half of a centre tap: " + half);
        double single = Scenes.PLAYER.windingAmperes(1).orElseThrow()
                / Scenes.PLAYER.supplyAmperes().orElseThrow();
        assertTrue(single > 1.6 && single < 2.8, "half-wave: " + single);
        assertEquals(3.245, Scenes.FM.windingAmperes(3).orElseThrow(), 0.15);
        assertTrue(Scenes.FM.windingAmperes(9).isEmpty()
                && Scenes.STRING.windingAmperes(0).isEmpty());
    }

    @Test
    void candidates_fitRunHotOrGiveTooMuch() {
        TransformerSize size = TransformerSize.of(Scenes.FM).orElseThrow();
        double same = size.highVolts().orElseThrow();
        assertEquals(
                Verdict.GOOD,
                size.compare(Scenes.FM, candidate(90, same, 0.12, 3.5)).word());
        TransformerSize.Compared high = size.compare(Scenes.FM, candidate(90, same * 1.13, 0.12, 3.5));
        assertTrue(
                high.sentence().contains("volts high by 12 %")
                        || high.sentence().contains("volts high by 11 %")
                        || high.sentence().contains("volts high by 13 %"),
                high.sentence());
        assertTrue(high.bplus().orElseThrow() > high.bplusNow().orElseThrow());
        assertTrue(
                size.compare(Scenes.FM, candidate(90, same, 0.12, 2)).sentence().contains("runs hot"));
        TransformerSize.Candidate grounded = new TransformerSize.Candidate(
                "old one",
                120,
                size.highVolts().orElseThrow(),
                0.15,
                TransformerSize.CentreTap.GROUNDED,
                6.3,
                4,
                5,
                2,
                true);
        TransformerSize field = TransformerSize.of(Scenes.FIELD).orElseThrow();
        assertTrue(field.compare(Scenes.FIELD, grounded).results().stream()
                .anyMatch(r -> r.note().contains("free it")));
    }

    @Test
    void fieldCoil_isReplacedByResistorOrChoke() {
        FieldReplacement r = FieldReplacement.of(1264, 0.0447, 400, 2);
        assertEquals(1200, r.resistorOhms());
        assertEquals(2 * 0.0447 * 0.0447 * 1200, r.ratedWatts(), 1e-9);
        assertEquals(820, r.besideChoke());
        assertEquals(0, FieldReplacement.of(400, 0.05, 395, 2).besideChoke());
    }

    private static TransformerSize.Candidate candidate(double va, double volts, double amperes, double heater) {
        return new TransformerSize.Candidate(
                "stock", va, volts, amperes, TransformerSize.CentreTap.FREE, 6.3, heater, 0, 0, true);
    }

    private static Book bled() {
        return made("discharge", "v.C1=1 v.C2=1 v.C11=0", new Book());
    }

    private static Book made(String test, String figures, Book book) {
        return book.add(new Benched(test, test, Scenes.figures(figures).entered(), "", "said", true));
    }

    private static ColdPlan plan(Book book) {
        return ColdPlan.of(Scenes.FM, ColdBench.of(Scenes.FM, book.journal()), SMALL);
    }

    private static ColdPlan.Step step(ColdPlan plan, String test) {
        return plan.steps().stream()
                .filter(s -> s.row().id().equals(test))
                .findFirst()
                .orElseThrow();
    }

    private static Proof proof(Book book, String subject) {
        return Files.proof(Files.of(Scenes.FM.set(), Scenes.FM.label(), book, SMALL), subject);
    }

    /** When the bench can do no more, that is not the same as everything being proven. */
    @Test
    void whatNoInstrumentHereProves_isNotSaidToBeDone() {
        Book book = new Book().bench("discharge", "v.C1=0.2 v.C2=0.1 v.C11=0.1");
        ColdTests.all(Scenes.FM).stream()
                .map(Claim::subject)
                .distinct()
                .forEach(subject -> book.add(new Proved(subject, true, "tried elsewhere")));
        String standing = new ColdArea().standing(Files.of(Scenes.FM.set(), Scenes.FM.label(), book, SMALL));
        assertTrue(standing.contains("stay unproven"), standing);
    }

    /** A line typed on the plan, and the test that takes it; a bare number never proves a capacitor empty. */
    @ParameterizedTest
    @CsvSource({
        "R9 1M, controls",
        "R6 220k lifted, resistors",
        "V5 1.2, heaters",
        "C1 0.2 V, discharge",
        "C1 0.2, rails",
        "C1 25k 5 s 60k 30 s, rails",
        "C2, discharge",
        "R77 12k, There is no part R77",
        "V5 purple, has no place",
    })
    void entryOnThePlan_goesToTheTestThatAsksForIt(String typed, String expected) {
        ColdBench bench = ColdBench.of(Scenes.FM, new Book().journal());
        ColdPlan plan = ColdPlan.of(Scenes.FM, bench, EnumSet.allOf(Equipment.class));
        String found;
        try {
            found = ColdEntry.find(Scenes.FM, bench, plan, typed).row().id();
        } catch (InvalidEntry refused) {
            found = refused.getMessage();
        }
        assertTrue(found.contains(expected), found);
    }
}
