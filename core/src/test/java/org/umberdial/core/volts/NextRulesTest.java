package org.umberdial.core.volts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.umberdial.core.Files;
import org.umberdial.core.Sets;
import org.umberdial.core.area.Act;
import org.umberdial.core.area.Bench;
import org.umberdial.core.area.Plug;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.evidence.ReadingLog;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.BenchSet;

class NextRulesTest {
    private final BenchSet set = Sets.demo("table-set");
    private final Bench bench = new Bench(117, Optional.of(Meter.parse("10M")), 0, "");

    private Act next(ReadingLog log) {
        return Files.report(set, log, bench).next().orElseThrow();
    }

    private String[] healthy() {
        return Files.report(set, new ReadingLog(List.of()), bench).points().stream()
                .map(p -> p.point().node() + "," + p.expected().orElseThrow())
                .toArray(String[]::new);
    }

    @Test
    void firstUnreadPoint_inProbingOrder() {
        assertEquals("filter_1", next(new ReadingLog(List.of())).subject());
        Act second = next(Sets.log(117, "10M", "filter_1,118"));
        assertEquals("filter_2", second.subject());
        assertTrue(second.plug() == Plug.IN);
    }

    @Test
    void harmlessFault_waitsForTheOtherReadings_thenIsConfirmed() {
        assertEquals(
                "volts:read-next",
                next(Sets.log(117, "10M", "filter_1,118", "filter_2,95.5", "screens,55"))
                        .id());
        String[] all = healthy();
        for (int i = 0; i < all.length; i++) {
            all[i] = all[i].startsWith("screens") ? "screens,55" : all[i];
        }
        Act confirm = next(Sets.log(117, "10M", all));
        assertEquals("volts:confirm-worst", confirm.id());
        assertTrue(confirm.title().contains("R11") && confirm.plug() != Plug.IN, confirm.toString());
    }

    @Test
    void provenPart_isReplaced() {
        List<String> rows = new ArrayList<>(List.of(healthy()));
        rows.replaceAll(row -> row.startsWith("screens") ? "screens,55" : row);
        rows.add("R11,7300");
        assertEquals(
                "volts:replace-proven",
                next(Sets.log(117, "10M", rows.toArray(String[]::new))).id());
    }

    @Test
    void everythingGood_watchesForDrift() {
        assertEquals("volts:watch-drift", next(Sets.log(117, "10M", healthy())).id());
    }

    /** What was asked for and done is not asked for again. */
    @Test
    void railReadAgainWarm_leavesNothingToWatch() {
        ReadingLog cold = Sets.log(117, "10M", healthy()).and(List.of(warm("a", 118, 2, 700)));
        assertEquals("volts:watch-drift", next(cold).id());
        ReadingLog soon = cold.and(List.of(warm("b", 118, 7, 1000)));
        assertEquals("volts:watch-drift", next(soon).id());
        ReadingLog warm = soon.and(List.of(warm("c", 118, 13, 1400)));
        assertTrue(Files.report(set, warm, bench).next().isEmpty());
    }

    @Test
    void railFallingWhileItWarms_isSaid() {
        Reading early = warm("a", 118, 2, 0);
        Reading late = warm("b", 109, 12, 600);
        PointVerdict first = Files.report(set, new ReadingLog(List.of(early, late)), bench)
                .points()
                .get(0);
        assertTrue(first.reason().contains("as it heats"), first.reason());
        PointVerdict steady = VoltsJudge.judge(
                        set, new ReadingLog(List.of(early, warm("b", 117.5, 12, 600))), HousePolicy.standard(), bench)
                .points()
                .get(0);
        assertTrue(!steady.reason().contains("as it heats"), steady.reason());
    }

    private static Reading warm(String id, double volts, double minutes, int second) {
        Reading r = Sets.reading("filter_1", volts, 117, "10M", "", second);
        return new Reading(
                id,
                r.subject(),
                "0",
                ReadingKind.DC,
                volts,
                117,
                r.meter(),
                "",
                OptionalDouble.of(minutes),
                r.takenAt(),
                "",
                Optional.empty(),
                false);
    }

    @Test
    void heaterWinding_isJudgedByAcOnAnyLine() {
        BenchSet fm = Sets.demo("fm-superhet");
        Bench here = new Bench(233, Optional.of(Meter.parse("10M")), 0, "FM");
        Reading low = new Reading(
                "x",
                "heater_winding",
                "0",
                ReadingKind.AC,
                5.0,
                233,
                Optional.empty(),
                "FM",
                OptionalDouble.empty(),
                java.time.Instant.EPOCH,
                "",
                Optional.empty(),
                false);
        PointVerdict heater = VoltsJudge.judge(fm, new ReadingLog(List.of(low)), HousePolicy.standard(), here)
                .points()
                .get(0);
        assertEquals(6.1 * 233 / 220, heater.expected().orElseThrow(), 1e-9);
        assertEquals(Verdict.BAD, heater.verdict());
        assertTrue(heater.reason().contains("wrong tap"), heater.reason());
    }
}
