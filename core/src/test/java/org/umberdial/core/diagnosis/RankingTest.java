package org.umberdial.core.diagnosis;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.umberdial.core.Sets;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.claim.Observation;
import org.umberdial.core.claim.Strength;
import org.umberdial.core.expect.HealthySet;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.set.BenchSet;

class RankingTest {
    private static final BenchSet TABLE = Sets.demo("table-set");
    private static Atlas atlas;

    @BeforeAll
    static void solveOnce() {
        atlas = Atlas.of(
                        HealthySet.of(TABLE, "").orElseThrow().network(),
                        TABLE.parts(),
                        OptionalDouble.empty(),
                        Meter.parse("10M"),
                        BenchReadings.points(TABLE))
                .orElseThrow();
    }

    private static Diagnosis ranked(Map<String, Double> readings, Ledger ledger) {
        return Ranking.of(atlas, readings, new Standing(TABLE, new Background(ledger, List.of(), List.of()), atlas));
    }

    private static Ledger known(String part, Aspect aspect, Observation.Word word, Strength strength) {
        return Ledger.of(
                List.of(new Observation(
                        new Claim(part, aspect), word, strength, false, Instant.EPOCH, "", "", "", List.of())),
                List.of());
    }

    private static Ledger nothing() {
        return Ledger.of(List.of(), List.of());
    }

    private static double of(String part, Diagnosis diagnosis) {
        return diagnosis.suspects().stream()
                .filter(s -> s.parts().contains(part))
                .mapToDouble(Diagnosis.Suspect::posterior)
                .sum();
    }

    /**
     * A tube's proof stands in the ledger under its first section; a part that was tested is not to be tested again.
     */
    @Test
    void whatWasProvenIsHardlyIt_andIsNotTestedAgain() {
        Map<String, Double> grid = Map.of("v4_grid", 2.0);
        double open = of("V4", ranked(grid, nothing()));
        assertTrue(open > 0.1, "gas lifts a grid as a leak does: " + open);
        Diagnosis proven = ranked(grid, known("XV4", Aspect.NO_GAS, Observation.Word.SOUND, Strength.ISOLATED));
        assertTrue(of("V4", proven) < open / 5, of("V4", proven) + " of " + open);
        Diagnosis failed = ranked(grid, known("C4", Aspect.NO_LEAK, Observation.Word.FAILED, Strength.LIFTED));
        assertTrue(of("C4", failed) > of("C4", ranked(grid, nothing())));
        assertTrue(
                ranked(grid, nothing()).probes().stream().anyMatch(p -> p.part().equals("C4")));
        assertFalse(failed.probes().stream().anyMatch(p -> p.part().equals("C4")));
    }

    /** What the older rules infer from these same voltages is no second witness. */
    @Test
    void whatWasInferredFromTheSameVoltagesCountsOnce() {
        Map<String, Double> grid = Map.of("v4_grid", 2.0);
        Ledger inferred = known("C4", Aspect.NO_LEAK, Observation.Word.DOUBTED, Strength.INFERRED);
        assertEquals(of("C4", ranked(grid, nothing())), of("C4", ranked(grid, inferred)), 1e-9);
    }

    /**
     * The promise of an acquittal is kept: what a healthy set shows there lies beyond it and leaves next to nothing of
     * it.
     */
    @Test
    void whatClearsASuspectClearsIt_howeverBadItMightHaveBeen() {
        Map<String, Double> read = Map.of("screens", 0.2);
        int cleared = 0;
        for (Diagnosis.Suspect suspect : ranked(read, nothing()).suspects()) {
            if (suspect.acquits().isPresent() && suspect.second().isEmpty()) {
                Diagnosis.Acquittal acquittal = suspect.acquits().get();
                Map<String, Double> more = new HashMap<>(read);
                double healthy = atlas.healthy()
                        .volts()[atlas.points().indexOf(acquittal.spot().node())];
                assertEquals(acquittal.above(), healthy > acquittal.shown(), acquittal.toString());
                more.put(acquittal.spot().node(), healthy);
                double left = of(suspect.fault().subject(), ranked(more, nothing()));
                assertTrue(left < 5e-3, suspect.says() + " still " + left + " by " + acquittal);
                cleared++;
            }
        }
        assertTrue(cleared > 0, "some suspect can be cleared");
    }

    @Test
    void aReadingThatNothingCanBeComparedWithIsNamed() {
        assertEquals(
                List.of(Spot.dc("h54"), Spot.dc("speaker")),
                ranked(Map.of("h54", 30.0, "speaker", 0.0), nothing()).passedOver());
    }

    @Test
    void aFigureThatSlippedByPowersOfTen_isExplainedByNothing_andBreaksNothing() {
        for (double slipped : new double[] {1e300, -1e300, 1e9, Double.MIN_VALUE}) {
            Diagnosis diagnosis = ranked(Map.of("v3_plate", slipped, "screens", 90.0), nothing());
            assertTrue(
                    Math.abs(slipped) < 1 || diagnosis.unknown() > 0.99,
                    slipped + " is unknown by " + diagnosis.unknown());
            assertTrue(diagnosis.healthy() >= 0 && diagnosis.healthy() <= 1, "" + diagnosis.healthy());
        }
    }
}
