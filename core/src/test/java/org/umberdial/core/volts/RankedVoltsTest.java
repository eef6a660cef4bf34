package org.umberdial.core.volts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.umberdial.core.Files;
import org.umberdial.core.Sets;
import org.umberdial.core.area.Act;
import org.umberdial.core.area.Bench;
import org.umberdial.core.area.Plug;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.arrival.Book;
import org.umberdial.core.arrival.InspectionRow;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.diagnosis.Atlas;
import org.umberdial.core.diagnosis.AtlasSource;
import org.umberdial.core.diagnosis.BenchReadings;
import org.umberdial.core.evidence.Looked;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.expect.HealthySet;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.SupplyLabel;
import org.umberdial.core.stands.Areas;
import org.umberdial.core.value.CsvLine;

/** Where every fault of the circuit was weighed, that names the suspects and no rule about a single point does. */
class RankedVoltsTest {
    private static final double LINE = 117;
    private static final BenchSet TABLE = Sets.demo("table-set");
    private static AtlasSource ready;

    @BeforeAll
    static void solveOnce() {
        HealthySet healthy = HealthySet.of(TABLE, "").orElseThrow();
        Atlas atlas = Atlas.of(
                        healthy.network(),
                        TABLE.parts(),
                        OptionalDouble.empty(),
                        Meter.parse("10M"),
                        BenchReadings.points(TABLE))
                .orElseThrow();
        ready = (set, bench) -> new AtlasSource.Ready(atlas, healthy, healthy.nominalLine());
    }

    private static SetFile file(AtlasSource atlases, List<Reading> readings) {
        return Areas.open(
                new SetFile.Contents(
                        TABLE,
                        Set.of(),
                        SupplyLabel.UNKNOWN,
                        HousePolicy.standard(),
                        new Bench(LINE, Optional.of(Meter.parse("10M")), 0, ""),
                        new Book().read(readings.toArray(Reading[]::new)).journal(),
                        1,
                        Files.kit(EnumSet.allOf(Equipment.class))),
                atlases);
    }

    private static List<Reading> demo(String... more) {
        return Sets.log(
                        121.4,
                        "10M",
                        Stream.concat(
                                        Sets.resource("table-set-readings.csv")
                                                .lines()
                                                .skip(1)
                                                .map(CsvLine::split)
                                                .map(c -> c.get(0) + "," + c.get(3)),
                                        Stream.of(more))
                                .toArray(String[]::new))
                .standing();
    }

    private static Suspect at(VoltsReport report, String node) {
        return report.findings().stream()
                .filter(f -> f.node().equals(node))
                .findFirst()
                .orElseThrow()
                .suspects()
                .get(0);
    }

    @Test
    void bothFaultsAreNamedWhereTheyShow_andMarkedInTheLedger() {
        SetFile file = file(ready, demo());
        VoltsReport report = VoltsArea.report(file);
        Suspect coupling = at(report, "v4_grid");
        assertEquals("C4 leaky", coupling.part() + " " + coupling.failure());
        assertEquals(2.7e6, coupling.severity().orElseThrow(), 0.6e6);
        Suspect dropper = at(report, "screens");
        assertEquals("R11 drifted high", dropper.part() + " " + dropper.failure());
        assertTrue(report.comesTo().contains("C4") && report.comesTo().contains("R11"), report.comesTo());
        assertTrue(
                file.ledger().of(new Claim("C4", Aspect.NO_LEAK)).orElseThrow().doubted());
        assertTrue(
                file.ledger().of(new Claim("R11", Aspect.VALUE)).orElseThrow().doubted());
        // A grid above its bias runs its tube hot whichever part lifts it: nothing is read before that.
        assertEquals(Plug.OUT, report.next().orElseThrow().plug());
        assertFalse(file.isForNow());
    }

    @Test
    void whileTheFaultsAreBeingSolved_nobodyIsSuspected_andTheDangerIsSaidAtOnce() {
        SetFile file = file((set, bench) -> new AtlasSource.Underway(), demo());
        VoltsReport report = VoltsArea.report(file);
        assertTrue(report.underway() && file.isForNow());
        assertEquals(2, report.findings().size());
        assertTrue(report.findings().stream().allMatch(f -> f.suspects().isEmpty()));
        assertTrue(report.findings().get(0).urgent());
        Act next = report.next().orElseThrow();
        assertEquals("Switch off and pull the plug.", next.title());
        assertEquals(Act.Urgency.HARM, next.urgency());
        assertTrue(file.ledger().of(new Claim("C4", Aspect.NO_LEAK)).isEmpty());
        assertFalse(new VoltsArea().stops(file).isEmpty());
    }

    /** What the inspection saw charred speaks here: its rows go by their ids. */
    @Test
    void aCharredResistorOfTheInspection_isKnownHere() {
        List<InspectionRow> rows = InspectionRow.all().stream()
                .filter(row -> VoltsArea.CHARRED.contains(row.id()))
                .toList();
        assertEquals(VoltsArea.CHARRED.size(), rows.size());
        InspectionRow row = rows.get(0);
        Book book = new Book().add(new Looked(row.area(), row.id(), row.lookFor(), "R11", "", Optional.empty()));
        SetFile file = Files.of(TABLE, book);
        assertEquals(List.of("R11"), VoltsArea.background(file, file.ledger()).charred());
    }

    @Test
    void nothingOff_nothingIsSolvedFor() {
        AtlasSource never = (set, bench) -> {
            throw new AssertionError("asked although nothing is off");
        };
        HealthySet healthy = HealthySet.of(TABLE, "").orElseThrow();
        String[] shown = BenchReadings.points(TABLE).stream()
                .map(node -> node + ","
                        + healthy.shown(node, LINE, Meter.parse("10M")).orElseThrow())
                .toArray(String[]::new);
        VoltsReport report =
                VoltsArea.report(file(never, Sets.log(LINE, "10M", shown).standing()));
        assertTrue(report.findings().isEmpty() && report.comesTo().isEmpty());
    }

    @Test
    void liftedLead_provesOrClears_inTheLedgerToo() {
        SetFile right = file(ready, demo("v4_grid,0.0,C4"));
        assertEquals(
                Suspect.Standing.PROVEN, at(VoltsArea.report(right), "v4_grid").standing());
        assertTrue(right.ledger().failed(new Claim("C4", Aspect.NO_LEAK)));
        SetFile wrong = file(ready, demo("v4_grid,5.9,C4"));
        assertTrue(wrong.ledger().sound(new Claim("C4", Aspect.NO_LEAK)));
        assertFalse(at(VoltsArea.report(wrong), "v4_grid").part().equals("C4"));
    }
}
