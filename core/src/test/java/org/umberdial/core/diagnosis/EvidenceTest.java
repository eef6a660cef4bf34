package org.umberdial.core.diagnosis;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.umberdial.core.Sets;
import org.umberdial.core.area.Bench;
import org.umberdial.core.circuit.cold.ColdOhms;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.work.AtWork;
import org.umberdial.core.circuit.work.Ripple;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.evidence.ReadingLog;
import org.umberdial.core.expect.HealthySet;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.role.Symptom;
import org.umberdial.core.set.BenchSet;

/** What is no voltage counts as well: ohms without power, ripple, what is heard. */
class EvidenceTest {
    private static final BenchSet TABLE = Sets.demo("table-set");
    private static final Ledger NOTHING = Ledger.of(List.of(), List.of());
    private static HealthySet healthy;
    private static Atlas atlas;

    @BeforeAll
    static void solveOnce() {
        healthy = HealthySet.of(TABLE, "").orElseThrow();
        atlas = Atlas.of(
                        healthy.network(),
                        TABLE.parts(),
                        OptionalDouble.empty(),
                        Meter.parse("10M"),
                        BenchReadings.points(TABLE),
                        EnumSet.allOf(Spot.Kind.class),
                        () -> false)
                .orElseThrow();
    }

    private static Diagnosis ranked(Map<Spot, Double> read, Symptom... heard) {
        return Ranking.ofAll(
                atlas, read, new Standing(TABLE, new Background(NOTHING, List.of(heard), List.of()), atlas));
    }

    private static double of(String part, Diagnosis diagnosis) {
        return diagnosis.suspects().stream()
                .filter(s -> s.parts().contains(part))
                .mapToDouble(Diagnosis.Suspect::posterior)
                .sum();
    }

    private static Spot ohms(String node) {
        return new Spot(node, Spot.Kind.OHMS);
    }

    private static Spot ripple(String node) {
        return new Spot(node, Spot.Kind.RIPPLE);
    }

    /** The resistor from this cathode to chassis is 150 Ω; three times that is read with the plug out. */
    @Test
    void coldOhmsNameADriftedResistor_withoutAnyPower() {
        double drifted = new ColdOhms(Values.nominal(healthy.network()).with("R3", 450)).between("v4_cathode", "0");
        Diagnosis diagnosis = ranked(Map.of(ohms("v4_cathode"), drifted));
        assertEquals(
                "R3",
                diagnosis.suspects().get(0).fault().part(),
                diagnosis.suspects().toString());
        assertEquals(450, diagnosis.suspects().get(0).grade(), 60);
        assertTrue(ranked(Map.of(ohms("v4_cathode"), 150.0)).looksHealthy());
    }

    /** Sound old electrolytics let through some: a rail of 400 kΩ is no fault, one of 300 Ω is. */
    @Test
    void railThatIsNotQuiteOpen_accusesNobody() {
        assertTrue(ranked(Map.of(ohms("filter_1"), 400e3)).looksHealthy());
        Diagnosis low = ranked(Map.of(ohms("filter_1"), 300.0, ohms("filter_2"), 700.0));
        assertFalse(low.looksHealthy());
        assertTrue(
                low.suspects().get(0).fault().part().startsWith("C"),
                low.suspects().toString());
    }

    /** A dried filter moves volts little and ripple much; the volts alone do not tell it. */
    @Test
    void rippleNamesADriedFilter_thatTheVoltsHide() {
        AtWork work = new AtWork(healthy.network());
        double shown = Ripple.of(work, Values.nominal(healthy.network()).with("C2", 4e-6))
                .orElseThrow()
                .rms("filter_2");
        double volts = work.solve(Values.nominal(healthy.network()).with("C2", 4e-6))
                .settled()
                .orElseThrow()
                .volts("filter_2")
                .orElseThrow();
        assertTrue(ranked(Map.of(Spot.dc("filter_2"), volts)).looksHealthy());
        Diagnosis both = ranked(Map.of(Spot.dc("filter_2"), volts, ripple("filter_2"), shown));
        assertEquals(
                "C2", both.suspects().get(0).fault().part(), both.suspects().toString());
        assertEquals(FaultMode.Kind.DRIED_OUT, both.suspects().get(0).fault().kind());
        double fit = Ripple.strength(work, Values.nominal(healthy.network()))
                .orElseThrow()
                .rms("filter_2");
        assertTrue(ranked(Map.of(ripple("filter_2"), fit)).looksHealthy());
    }

    @Test
    void whatIsHeardSpeaksForItsCauses_andProvesNothing() {
        Symptom distorted = Symptom.of("distorted-from-cold").orElseThrow();
        Map<Spot, Double> mild = Map.of(Spot.dc("v4_grid"), 0.5);
        double unheard = of("C4", ranked(mild));
        double heard = of("C4", ranked(mild, distorted));
        assertTrue(heard > unheard, heard + " after " + unheard);
        // Without any reading nothing that is heard makes one part more likely than not.
        assertTrue(ranked(Map.of(), distorted).suspects().stream().allMatch(s -> s.posterior() < 0.5));
    }

    /** The screen resistor chars when what stands behind it shorts; the engine knows how many watts that is. */
    @Test
    void aCharredPartSpeaksForWhatOverloadsIt() {
        List<FaultMode> causes = atlas.overloading("R11");
        assertTrue(
                causes.stream().anyMatch(mode -> mode.part().equals("C11") && mode.kind() == FaultMode.Kind.SHORTED),
                causes.toString());
        FaultMode shorted = causes.get(0);
        double volts = 90;
        assertEquals(volts * volts / 2700, atlas.burns(shorted).get("R11"), 1.2, "about its rail across 2.7 kΩ");
        Standing charred = new Standing(TABLE, new Background(NOTHING, List.of(), List.of("R11")), atlas);
        Map<Spot, Double> nothing = Map.of();
        double before = Ranking.ofAll(
                        atlas, nothing, new Standing(TABLE, new Background(NOTHING, List.of(), List.of()), atlas))
                .probes()
                .get(0)
                .bits();
        double after = Ranking.ofAll(atlas, nothing, charred).probes().get(0).bits();
        assertTrue(after > before, "and so something is to be looked for: " + after + " after " + before);
        assertTrue(charred.applyAsDouble(shorted) > 5);
        assertEquals(
                1,
                charred.applyAsDouble(atlas.tracks().stream()
                        .map(Atlas.Track::mode)
                        .filter(mode -> mode.part().equals("R5") && mode.kind() == FaultMode.Kind.DRIFTED_UP)
                        .findFirst()
                        .orElseThrow()));
    }

    @Test
    void ohmsAndRippleFromBeforeAPartWasReplaced_areOfAnotherSet() {
        ReadingLog log = Sets.log(117, "10M", "v4_cathode,12");
        ReadingLog cold = new ReadingLog(
                List.of(log.standing().get(0), Sets.ohms("v4_cathode", 450, 1), Sets.ripple("filter_2", 2.0, 117, 2)));
        Bench bench = new Bench(117, Optional.of(Meter.parse("10M")), 0, "");
        BenchReadings all = BenchReadings.of(TABLE, cold, bench, healthy, Optional.empty());
        assertEquals(2, all.beside().size());
        Instant later = cold.standing().get(2).takenAt().plusSeconds(1);
        BenchReadings after = BenchReadings.of(TABLE, cold, bench, healthy, Optional.of(later));
        assertTrue(after.beside().isEmpty());
        assertEquals(1, after.volts().size());
    }
}
