package org.umberdial.core.diagnosis;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
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
import org.umberdial.core.evidence.Reading;
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
        // Against a whole set of good volts nothing that is heard accuses anybody.
        Map<Spot, Double> good = new HashMap<>();
        for (String node : atlas.points()) {
            healthy.shown(node, 117, Meter.parse("10M")).ifPresent(volts -> good.put(Spot.dc(node), volts));
        }
        assertTrue(good.size() > 8 && ranked(good, distorted).looksHealthy());
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

    /** Two stages on one rail, each fed in its own mode. */
    private static final String TWO_MODES = """
            two modes on one rail
            *MODES FM AM
            VB b 0 250
            R1 b b2 4.7k ; kind=carbon tol=10 watt=2
            C2 b2 0 20u ; kind=electrolytic tol=20 volt=350
            R20 b2 fm 0.05 ; kind=switch closed=FM
            R21 b2 am 0.05 ; kind=switch closed=AM
            R3 fm v1_plate 22k ; kind=carbon tol=10 watt=1
            XV1 v1_plate v1_grid v1_cathode 12AV6_T ; kind=tube
            R4 v1_cathode 0 1k ; kind=carbon tol=10 watt=0.5
            R5 v1_grid 0 470k ; kind=carbon tol=10 watt=0.5
            R6 am v2_plate 22k ; kind=carbon tol=10 watt=1
            XV2 v2_plate v2_grid v2_cathode 12AV6_T ; kind=tube
            R7 v2_cathode 0 1k ; kind=carbon tol=10 watt=0.5
            R8 v2_grid 0 470k ; kind=carbon tol=10 watt=0.5
            *TP b2 v1_plate v1_cathode v2_plate v2_cathode
            .end
            """;

    /** Good AM clears what FM shares with it; what only FM has stays suspected. */
    @Test
    void aModeThatIsRight_clearsWhatItShares() {
        BenchSet set = Sets.set(TWO_MODES, 117, "10M");
        Map<String, AtlasSource.Ready> atlases = new HashMap<>();
        for (String mode : set.modes()) {
            HealthySet whole = HealthySet.of(set, mode).orElseThrow();
            Atlas there = Atlas.of(
                            whole.network(),
                            set.parts(),
                            OptionalDouble.empty(),
                            Meter.parse("10M"),
                            BenchReadings.points(set))
                    .orElseThrow();
            atlases.put(mode, new AtlasSource.Ready(there, whole, whole.nominalLine()));
        }
        AtlasSource source = (asked, bench) -> atlases.get(bench.mode());
        Bench fm = new Bench(117, Optional.of(Meter.parse("10M")), 0, "FM");
        Reading low = Sets.in("FM", "v1_plate", 120, 117, 1);
        List<Reading> right = new ArrayList<>(List.of(low));
        for (String node : List.of("b2", "v2_plate")) {
            double shown = atlases.get("AM")
                    .healthy()
                    .shown(node, 117, Meter.parse("10M"))
                    .orElseThrow();
            right.add(Sets.in("AM", node, shown, 117, right.size() + 1));
        }
        Background nothing = new Background(NOTHING, List.of(), List.of());
        SetRanking alone = SetRanking.of(set, new ReadingLog(List.of(low)), fm, nothing, atlases.get("FM"), source);
        SetRanking both = SetRanking.of(set, new ReadingLog(right), fm, nothing, atlases.get("FM"), source);
        assertEquals(List.of("AM"), both.otherModes());
        assertTrue(
                of("C2", alone.diagnosis()) > 0.1, alone.diagnosis().suspects().toString());
        assertTrue(of("C2", both.diagnosis()) < of("C2", alone.diagnosis()) / 5, "the filter is shared, and right");
        assertTrue(of("R3", both.diagnosis()) > of("R3", alone.diagnosis()), "its plate load is FM's own");
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
