package org.umberdial.core.volts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.umberdial.core.Files;
import org.umberdial.core.Sets;
import org.umberdial.core.area.Bench;
import org.umberdial.core.expect.HealthySet;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.set.BenchSet;

class WhatIfTest {
    private static final Bench BENCH = new Bench(117, Optional.of(Meter.parse("10M")), 0, "");

    private static WhatIf.Step step(WhatIf.Answer answer, String node) {
        return answer.steps().stream()
                .filter(step -> step.point().node().equals(node))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aShortedScreenBypass_pullsTheScreensDown_andBurnsTheDropper() {
        WhatIf.Answer answer =
                WhatIf.ask(Sets.demo("table-set"), BENCH, List.of(new PartChange("C11", PartChange.Kind.SHORTED, 0)));
        assertTrue(answer.solved());
        assertTrue(step(answer, "screens").changed().orElseThrow() < 1
                && step(answer, "screens").healthy().orElseThrow() > 70);
        assertTrue(answer.overloads().stream()
                .anyMatch(overload -> overload.part().equals("R11") && overload.watts() > 1));
        assertTrue(
                answer.changedLineAmperes().orElseThrow() > answer.lineAmperes().orElseThrow());
    }

    @Test
    void anAlternatingPoint_isShownOnAc() {
        WhatIf.Answer answer =
                WhatIf.ask(Sets.demo("field-coil"), BENCH, List.of(new PartChange("XV5H", PartChange.Kind.OPEN, 0)));
        assertEquals(6.35, step(answer, "heaters").healthy().orElseThrow(), 0.1);
        assertTrue(step(answer, "heaters").changed().orElseThrow()
                > step(answer, "heaters").healthy().orElseThrow());
        assertTrue(
                step(answer, "bplus").changed().orElseThrow()
                        > step(answer, "bplus").healthy().orElseThrow() + 20,
                "a cold output tube draws nothing");
    }

    /** Nothing draws the supply down then, and nothing feeds it: what it had before is not what it has. */
    @Test
    void withAnOpenHeaterString_thereIsNoSupply() {
        for (String heater : List.of("XV1H", "XV5H")) {
            WhatIf.Answer answer =
                    WhatIf.ask(Sets.demo("table-set"), BENCH, List.of(new PartChange(heater, PartChange.Kind.OPEN, 0)));
            assertEquals(0, step(answer, "filter_1").changed().orElseThrow(), 0.01, heater);
        }
    }

    @Test
    void everyDemoSet_isSolved_andEveryPartCanBeChangedAsOffered() {
        for (String name : List.of("table-set", "fm-superhet", "record-player", "field-coil")) {
            BenchSet set = Sets.demo(name);
            assertEquals("", WhatIf.whyUnsolved(set, ""), name);
            for (WhatIf.Changeable part : WhatIf.changeable(set)) {
                for (PartChange.Kind kind : part.kinds()) {
                    double value = kind == PartChange.Kind.WEAK
                            ? 0.5
                            : kind == PartChange.Kind.LEAK
                                    ? 1e6
                                    : set.part(part.part())
                                            .orElseThrow()
                                            .card()
                                            .value()
                                            .orElse(1.0);
                    assertTrue(
                            WhatIf.ask(set, BENCH, List.of(new PartChange(part.part(), kind, value)))
                                    .solved(),
                            name + " " + part.part() + " " + kind);
                }
            }
        }
        assertThrows(
                IllegalArgumentException.class,
                () -> WhatIf.ask(
                        Sets.demo("table-set"), BENCH, List.of(new PartChange("R99", PartChange.Kind.OPEN, 0))));
    }

    @Test
    void aSetThatCannotBeSolved_saysWhy() {
        assertTrue(WhatIf.whyUnsolved(Sets.set("t\n", 117, "10M"), "").contains("no circuit yet"));
        assertTrue(
                WhatIf.whyUnsolved(Sets.set("t\nR1 a 0 1k\n", 117, "10M"), "").contains("no line and no battery"));
        assertTrue(WhatIf.whyUnsolved(Sets.set("t\nV1 a 0 100\nR1 a 0 1k\n", 117, "10M"), "")
                .contains("no tube"));
        assertTrue(WhatIf.whyUnsolved(Sets.set("t\nV1 a 0 100\nXV1 a g 0 NOPE_T\n", 117, "10M"), "")
                .contains("NOPE"));
        assertFalse(WhatIf.ask(Sets.set("t\nR1 a 0 1k\n", 117, "10M"), BENCH, List.of())
                .solved());
    }

    @Test
    void thePinChart_ofTheFieldCoilSet_reachesTheSupplyThroughTheField() {
        PinChart chart = PinChart.of(Sets.demo("field-coil"), "");
        assertEquals("fil_a", chart.supply().orElseThrow());
        PinChart.Pin plate = chart.sockets().stream()
                .filter(socket -> socket.socket().equals("V5"))
                .findFirst()
                .orElseThrow()
                .pins()
                .get(1);
        assertEquals(1100 + 420, plate.toSupply(), 1);
        assertEquals(12e3 + 20e3 + 420, plate.toReference(), 1);
    }

    private static final String VIBRATOR = """
            farm set on a vibrator
            VLINE va 0 SIN(0 8.9 115)
            XT1 va 0 hv 0 0 hv2 XFMR VP=6.3 RP=0.2 V1=230 R1=200 V2=230 R2=200
            XV9 hv hv2 bp 0Z4
            C1 bp 0 8u
            R1 bp p 10k
            XV2 p g k 6C4_T
            R2 g 0 470k
            R3 k 0 820
            *TP bp p k
            """;

    @Test
    void theLineAtTheBench_isNotTakenForAVibratorsSixVolts() {
        HealthySet set = HealthySet.of(Sets.set(VIBRATOR, 120, "10M"), "").orElseThrow();
        assertEquals(6.29, set.fedWith(120), 0.01);
        assertEquals(6, set.fedWith(6));
        assertEquals(set.volts("bp", 6.29).orElseThrow(), set.volts("bp", 120).orElseThrow(), 0.5);
        assertTrue(set.volts("bp", 120).orElseThrow() < 350);
    }

    /** What hangs on a grid that the circuit does not tie is a guess; no reading is judged by it. */
    @Test
    void aGuess_isNotExpectedOfAnyPoint_andAWhatIfSaysThatItIsOne() {
        HealthySet set = HealthySet.of(Sets.set(VIBRATOR.replace("R2 g 0 470k\n", ""), 120, "10M"), "")
                .orElseThrow();
        assertTrue(set.volts("k", 6.3).isEmpty() && set.volts("p", 6.3).isEmpty());
        PointVerdict cathode = Files.report(
                        Sets.set(VIBRATOR.replace("R2 g 0 470k\n", ""), 120, "10M"),
                        Sets.log(120, "10M", "k,25"),
                        BENCH)
                .points()
                .stream()
                .filter(point -> point.point().node().equals("k"))
                .findFirst()
                .orElseThrow();
        assertTrue(cathode.expected().isEmpty(), cathode::toString);
        assertTrue(cathode.arithmetic().stream().anyMatch(step -> step.contains("nothing ties its grid")));
        WhatIf.Answer open = WhatIf.ask(
                Sets.set(VIBRATOR, 120, "10M"), BENCH, List.of(new PartChange("R2", PartChange.Kind.OPEN, 0)));
        assertTrue(open.sentence().contains("nothing ties its grid"), open.sentence());
    }
}
