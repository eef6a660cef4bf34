package org.umberdial.core.volts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.umberdial.core.Sets;
import org.umberdial.core.area.Bench;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.diagnosis.AtlasSource;
import org.umberdial.core.diagnosis.Background;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.evidence.ReadingLog;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.reading.Meter;

class StageCurrentTest {
    private static final Bench BENCH = new Bench(117, Optional.of(Meter.parse("10M")), 0, "");

    private static VoltsReport judged(ReadingLog log, Ledger known) {
        return VoltsJudge.judge(
                Sets.demo("table-set"),
                log,
                HousePolicy.standard(),
                BENCH,
                new Background(known, List.of(), List.of()),
                AtlasSource.NONE);
    }

    /** By hand: 8.9 V across 150 Ω are 59.3 mA, a tenth of it the screen's; 91.1 V make 4.9 W of the rest. */
    @Test
    void cathodeResistor_givesTheCurrent_andWhatIsAtThePlate() {
        VoltsReport report = judged(
                Sets.log(117, "10M", "v4_cathode,8.9", "v4_plate,100", "filter_2,90", "v3_plate,42"),
                Ledger.of(List.of(), List.of()));
        StageCurrent output = report.stages().stream()
                .filter(s -> s.part().equals("XV4"))
                .findFirst()
                .orElseThrow(() -> new AssertionError(report.stages().toString()));
        assertEquals(0.0593, output.amperes(), 1e-4);
        assertEquals("R3", output.through());
        assertTrue(output.withScreen());
        assertEquals(4.9, output.watts().orElseThrow(), 0.15);
        assertEquals(0.04, output.healthy().orElseThrow(), 0.005);
        assertEquals(5.5, output.limit().orElseThrow());
        assertTrue(!output.over());
        // 90 V less 42 V across 470 kΩ.
        assertTrue(report.stages().stream()
                .anyMatch(s -> s.through().equals("R5") && Math.abs(s.amperes() - 48 / 470e3) < 1e-6));
        assertTrue(judged(Sets.log(117, "10M", "v4_cathode,10.5", "v4_plate,110"), Ledger.of(List.of(), List.of()))
                .stages()
                .get(0)
                .over());
    }

    @Test
    void rightSincePartsWereChanged_oneAloneWasIt_ofTwoNobodyKnows() {
        Reading wrong = Sets.reading("screens", 55, 117, "10M", "", 0);
        Reading right = Sets.reading("screens", 75.4, 117, "10M", "", 100);
        ReadingLog log = new ReadingLog(List.of(wrong, right));
        Ledger.Replaced one =
                new Ledger.Replaced("R11", "", false, wrong.takenAt().plusSeconds(10));
        Ledger.Replaced other =
                new Ledger.Replaced("C11", "", false, wrong.takenAt().plusSeconds(20));
        Ledger.Replaced later =
                new Ledger.Replaced("C4", "", false, right.takenAt().plusSeconds(20));
        Cure alone =
                judged(log, Ledger.of(List.of(), List.of(one, later))).cures().get(0);
        assertEquals(List.of("R11"), alone.parts());
        assertTrue(alone.says("Screens").contains("was it"));
        Cure both =
                judged(log, Ledger.of(List.of(), List.of(one, other))).cures().get(0);
        assertTrue(both.says("Screens").contains("unproven"));
        assertEquals(2, both.parts().size());
        assertTrue(judged(log, Ledger.of(List.of(), List.of(later))).cures().isEmpty());
    }
}
