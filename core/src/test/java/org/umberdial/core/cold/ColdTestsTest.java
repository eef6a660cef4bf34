package org.umberdial.core.cold;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.procedure.BenchForm;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.SupplyLabel;
import org.umberdial.core.value.InvalidEntry;

class ColdTestsTest {
    /** Set, test, figures, verdict, and words of the sentence. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            fm | discharge | v.C1=2 v.C2=1 v.C11=0.3 | GOOD | at or below
            fm | discharge | v.C1=2 v.C2=212 v.C11=0.3 | BAD | C2 still holds 212 V
            fm | discharge | v.C1=2 | UNREAD | C2, C11
            empty | discharge | v.any=48 | BAD | still holds
            fm | plug-on | set.*=yes | UNREAD | Read across
            fm | plug-on | plug=16.4 set.*=yes | GOOD | in one reading
            fm | plug-on | plug=open | NO_EXPECTATION | not everything is set
            fm | plug-on | plug=open set.*=yes | DOUBT | at most 3 more readings
            fm | plug-on | plug=open set.*=yes s.0.3=0.4 s.3.4=open | BAD | transformer primary
            fm | plug-on | plug=open set.*=yes s.0.3=open s.0.2=0.3 | BAD | line switch
            fm | plug-on | plug=open set.*=yes s.0.3=0.3 s.3.5=16 | NO_EXPECTATION | makes and breaks
            fm | plug-on | plug=3 set.*=yes | DOUBT | too little
            player | plug-on | plug=117 set.*=yes | DOUBT | R31 or L1
            string | plug-on | plug=117 set.*=yes | GOOD | in one reading
            empty | plug-on | plug=40 set.*=yes | GOOD | plausible
            empty | plug-on | plug=3 set.*=yes | DOUBT | little
            fm | plug-off | off=open | GOOD | parts the chain
            fm | plug-off | off=16 | BAD | does not open
            fm | plug-off | off=0.4 | BAD | short ahead
            fm | fuse | a.FUSE=0.5 s.FUSE=slow o.FUSE=1.6 | GOOD | fits what the set draws
            fm | fuse | a.FUSE=3.15 s.FUSE=slow o.FUSE=0.1 | BAD | too large to protect
            fm | fuse | a.FUSE=0.2 s.FUSE=slow o.FUSE=3 | DOUBT | will blow
            fm | fuse | a.FUSE=0.5 s.FUSE=slow o.FUSE=open | BAD | blown
            fm | fuse | a.FUSE=0.5 s.FUSE=slow o.FUSE=40 | DOUBT | more than the 2.30 Ω
            fm | fuse | a.FUSE=0.5 s.FUSE=fast o.FUSE=1 | DOUBT | slow is usual
            fm | fuse | o.FUSE=1 | NO_EXPECTATION | follows from its stamp
            player | fuse | a.FUSE=0.5 s.FUSE=slow o.FUSE=1 | NO_EXPECTATION | cannot tell without the label
            player | fuse | a.FUSE=0.5 s.FUSE=slow p.FUSE=yes o.FUSE=1 | GOOD | plate or sheet says
            player | fuse | a.FUSE=2 s.FUSE=slow p.FUSE=no o.FUSE=0.1 | BAD | not what
            fm | fuse | c.FUSE=good | GOOD | by eye
            fm | line-chassis | chassis=open | GOOD | an ordinary ohmmeter cannot see
            fm | line-chassis | chassis=150 | BAD | nothing there
            string | line-chassis | chassis=219000 | GOOD | treat it as live
            string | line-chassis | chassis=30 | BAD | should not
            fm | taps | leads=a_b_c_d_e p.a.b=12.1 p.a.c=13.4 p.a.d=23.9 p.a.e=26.2 p.b.e=14.1 p.c.e=12.8 p.d.e=2.3 | GOOD | The common is a
            fm | taps | leads=a_b_c_d_e p.a.b=12.1 p.a.c=13.4 p.a.d=23.9 p.a.e=26.2 | NO_EXPECTATION | either side
            fm | taps | leads=a_b_c p.a.b=12.1 p.a.c=12.2 p.b.c=0.1 | NO_EXPECTATION | common is a
            fm | controls | o.R8=1.02e6 | GOOD | 2 parts pass
            fm | controls | o.R8=500e3 | DOUBT | In doubt
            fm | hv-halves | a=140 b=148 | GOOD | 6 %
            fm | hv-halves | a=110 b=148 | DOUBT | 29 %
            fm | hv-halves | a=140 b=open | BAD | open half
            fm | insulation | volts=500 i.primary-core=80e6 i.primary-HEATERS=90e6 i.primary-HIGH_VOLTAGE=90e6 i.hv-core=60e6 i.output-core=70e6 i.cord=200e6 | GOOD | holds
            fm | insulation | volts=500 i.primary-core=0.1e6 | BAD | Primary to core
            fm | insulation | volts=250 i.primary-core=80e6 | NO_EXPECTATION | can still break down
            fm | insulation | volts=9 i.primary-core=80e6 | NO_EXPECTATION | ordinary ohmmeter
            fm | heaters | o.XV5=1.2 o.XV6=0.9 o.XV1A=2.1 o.XV2=3 o.XV3=3.1 o.XV4=2 | GOOD | 6 parts pass
            string | heaters | o.XV4=open | BAD | V4 fails
            string | heaters | o.XV5=33 t.XV5=open | BAD | V5
            string | heaters | o.XV5=90 | DOUBT | V5
            fm | rails | o.C1=14k o2.C1=30000 t.C1=5 t2.C1=20 | UNREAD | Read
            fm | rails | o.C1=14000 t.C1=5 o2.C1=30000 t2.C1=20 | NO_EXPECTATION | prove nothing
            fm | rails | o.C1=30000 t.C1=20 o2.C1=14000 t2.C1=5 | NO_EXPECTATION | prove nothing
            fm | rails | o.C1=210000 t.C1=50 o2.C1=212000 t2.C1=60 o.C2=200000 o.C11=190000 | GOOD | 3 parts pass
            fm | rails | o.C1=12 | BAD | C1
            fm | surge | o.R1=1 | UNREAD | Read
            string | surge | o.R1=34 | GOOD | 1 part passes
            string | surge | o.R1=52 | BAD | R1
            fm | coils | o.L1=open | BAD | L1
            fm | contacts | o.R15=0.1 o.R18=2 | DOUBT | R18
            fm | output-tone | ohms=322 tone=clear | GOOD | clear tone
            fm | output-tone | ohms=open | BAD | primary is open
            fm | output-tone | ohms=322 tone=none | DOUBT | voice coil
            fm | output-ratio | v1=100 v2=2.8 z=4 | GOOD | fits
            fm | output-ratio | v1=250 v2=6.1 z=4 wanted=7000 | GOOD | 6.72 kΩ
            fm | output-ratio | v1=100 v2=2.8 dc=12 | DOUBT | off
            field | field-coil | cold=1090 room=21 hot=1264 v1=265 v2=198 | GOOD | copper
            field | field-coil | cold=open | BAD | open
            field | field-coil | cold=700 hot=1264 | DOUBT | shorted turns
            player | selenium | f.XD1=9.6 r.XD1=0.0004 | GOOD | 1 part passes
            player | selenium | f.XD1=22 | BAD | XD1
            fm | resistors | o.R6=150000 | DOUBT | R6
            fm | resistors | o.R6=290000 | BAD | R6
            fm | resistors | o.R6=219000 | GOOD | 1 part passes
            fm | resistors | o.R6=200000 l.R6=yes | GOOD | 1 part passes
            string | resistors | o.R6=14meg | UNREAD | Read
            fm | film-capacitance | c.C5=good | GOOD | 1 part passes
            fm | film-capacitance | c.C5=bad | BAD | C5
            fm | between | a=b1 b=b2 o=830 | GOOD | consistent
            fm | between | a=b1 b=b2 o=1400 | BAD | too high
            fm | between | a=b1 b=b2 o=500 t=5 o2=800 t2=20 | NO_EXPECTATION | climbing
            fm | between | a=b1 b=0 o=40000 | DOUBT | nothing should connect
            fm | between | a=V5.2 b=chassis o=681000 | GOOD | consistent
            fm | windings | name.0=a-b r.0=16 name.1=c-d-e r.1=290 ha.1=140 hb.1=150 name.2=f-g r.2=0.06 v.2=0.0287 fed=1 | GOOD | has a place
            fm | lead-out | part=XT2 break=inside | BAD | replacement may be sought
            fm | lead-out | part=XT2 break=outside mended=322 | GOOD | Mended
            fm | transistor | be=0.22 bc=0.24 beb=open bcb=open ce=0.0002 | GOOD | whole
            fm | transistor | be=0.22 bc=0.24 ce=0.003 | DOUBT | 10 °C
            fm | transistor | be=0.02 bc=0.24 | BAD | shorted
            """)
    void figuresAreJudged(String scene, String test, String figures, Verdict word, String says) {
        if (figures.contains("14k") || figures.contains("14meg")) {
            assertThrows(InvalidEntry.class, () -> Scenes.judge(Scenes.named(scene), test, figures));
            return;
        }
        ColdVerdict verdict = Scenes.judge(Scenes.named(scene), test, figures);
        assertEquals(word, verdict.word(), verdict.sentence());
        assertTrue(verdict.sentence().contains(says), verdict.sentence());
        assertFalse(word == Verdict.GOOD
                && !(verdict.refutes().isEmpty() && verdict.doubts().isEmpty()));
    }

    @Test
    void injection_predictsEveryWinding_andRefusesWhatCanHurt() {
        String levels = "bare=yes in.0=0.5 in.1=1 in.2=2 a.0=0.0002 a.1=0.0004 a.2=0.0008 "
                + "o0.0=0.565 o0.1=1.13 o0.2=2.26 o1.0=0.566 o1.1=1.131 o1.2=2.262 o2.0=0.0143 o2.1=0.0287 o2.2=0.0574";
        ColdVerdict good = Scenes.judge(Scenes.FM, "injection", levels);
        assertEquals(Verdict.GOOD, good.word(), good.sentence());
        assertEquals(4, good.proves().size());
        assertTrue(
                good.results().get(0).value().startsWith("271 V")
                        || good.results().get(0).value().startsWith("272 V"),
                good.results().get(0).value());
        assertTrue(
                good.results().get(0).note().contains("under its"),
                good.results().get(0).note());
        ColdVerdict shorted = Scenes.judge(
                Scenes.FM,
                "injection",
                levels.replace("a.0=0.0002 a.1=0.0004 a.2=0.0008", "a.0=0.01 a.1=0.02 a.2=0.04"));
        assertEquals(Verdict.BAD, shorted.word());
        assertTrue(shorted.refutes().contains(new Claim("XT1", Aspect.of("no shorted turns of weight"))));
        assertEquals(
                Verdict.DOUBT,
                Scenes.judge(Scenes.FM, "injection", levels.replace("o1.2=2.262", "o1.2=2.0"))
                        .word());
        assertEquals(
                Verdict.NO_EXPECTATION,
                Scenes.judge(Scenes.FM, "injection", levels.replace("bare=yes", "bare=no"))
                        .word());
        ColdVerdict blind = Scenes.judge(Scenes.FM, "injection", levels.replaceAll("a\\.[0-9]=[0-9.]+ ?", ""));
        assertFalse(blind.proves().contains(new Claim("XT1", Aspect.of("no shorted turns of weight"))));
        ColdVerdict half = Scenes.judge(
                Scenes.FM,
                "injection",
                levels.replace("o1.0=0.566 o1.1=1.131 o1.2=2.262", "o1.0=0.02 o1.1=0.04 o1.2=0.08"));
        assertTrue(half.sentence().contains("picks up"), half.sentence());
        assertTrue(half.sentence().contains("about twice its current"), half.sentence());
        assertFalse(half.refutes().contains(new Claim("XT1", Aspect.of("no shorted turns of weight"))));
        InvalidEntry refused = assertThrows(
                InvalidEntry.class, () -> Scenes.judge(Scenes.FM, "injection", levels.replace("in.2=2", "in.2=24")));
        assertTrue(refused.getMessage().contains("13.3 V at most"), refused.getMessage());
        assertEquals("in.2", refused.field());
    }

    @Test
    void belowZeroOhms_asksForTheCharge() {
        InvalidEntry refused = assertThrows(InvalidEntry.class, () -> Scenes.judge(Scenes.FM, "plug-on", "plug=-4"));
        assertTrue(refused.getMessage().contains("charge"));
    }

    @Test
    void everyTestOfTheTable_asksForSomethingOnEverySetThatHasItsParts() {
        for (String scene : new String[] {"string", "fm", "player", "field", "empty"}) {
            for (TestRow row : TestRow.all()) {
                ColdScene at = Scenes.named(scene);
                if (!ColdTests.claims(at, row).isEmpty() || row.proves().isEmpty()) {
                    BenchForm form = ColdTests.form(at, row, new Figures(Map.of()));
                    assertFalse(form.blocks().isEmpty(), row.id());
                    assertTrue(
                            form.blocks().stream()
                                    .anyMatch(block -> !block.lines().isEmpty()),
                            row.id());
                    assertTrue(
                            ColdTests.judge(at, row, new Figures(Map.of()))
                                    .proves()
                                    .isEmpty(),
                            row.id());
                }
            }
        }
    }

    @Test
    void halving_namesTheTwoPointsEachTime() {
        ColdVerdict verdict = Scenes.judge(Scenes.STRING, "plug-on", "plug=open set.*=yes");
        assertTrue(verdict.next().matches("Read from one plug pin to V[0-9] pin .*"), verdict.next());
        int readings = 0;
        String figures = "plug=open set.*=yes";
        while (verdict.word() == Verdict.DOUBT) {
            BenchForm form =
                    ColdTests.form(Scenes.STRING, TestRow.of("plug-on").orElseThrow(), Scenes.figures(figures));
            var lines = form.blocks().get(form.blocks().size() - 1).lines();
            String key = lines.get(lines.size() - 1).cells().get(0).key();
            int from = Integer.parseInt(key.split("\\.")[1]);
            int to = Integer.parseInt(key.split("\\.")[2]);
            figures += " " + key + "=" + (from <= 4 && 4 < to ? "open" : "1");
            verdict = Scenes.judge(Scenes.STRING, "plug-on", figures);
            readings++;
        }
        assertTrue(verdict.sentence().contains("heater of V4"), verdict.sentence());
        assertTrue(readings <= 4);
        assertEquals(java.util.List.of(new Claim("XV4", Aspect.of("heater whole"))), verdict.refutes());
    }

    /** A selector nobody looked at leaves the line open: a size reckoned at a guessed one would clear a danger. */
    @Test
    void fuseOfASetWhoseLineNobodyKnows_isNotSized() {
        SupplyLabel unset = new SupplyLabel(
                List.of(110.0, 240.0),
                OptionalDouble.empty(),
                List.of(50.0),
                OptionalDouble.of(65),
                SupplyLabel.Current.AC,
                false);
        ColdScene scene = Scenes.scene("fm-superhet", ConstructionClass.MAINS_TRANSFORMER, unset);
        ColdVerdict verdict = Scenes.judge(scene, "fuse", "a.FUSE=1 s.FUSE=slow o.FUSE=0.1");
        assertEquals(Verdict.NO_EXPECTATION, verdict.word());
        assertFalse(verdict.proves().contains(new Claim("FUSE", Aspect.RIGHT_RATING)));
    }
}
