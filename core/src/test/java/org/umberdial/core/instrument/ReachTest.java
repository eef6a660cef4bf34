package org.umberdial.core.instrument;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberdial.core.Files;
import org.umberdial.core.Sets;
import org.umberdial.core.area.Bench;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.cold.ColdScene;
import org.umberdial.core.cold.ColdTests;
import org.umberdial.core.cold.TestRow;
import org.umberdial.core.evidence.ReadingLog;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.SupplyLabel;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.volts.MeterReach;

/** How far an instrument reaches bounds what its reading can say. */
class ReachTest {
    private static final BenchSet SET = Sets.demo("table-set");

    private static Ability to(Equipment kind, double highest) {
        return Ability.of(kind).upTo(highest);
    }

    private static Ability tester(Double... volts) {
        return Ability.of(Equipment.INSULATION_TESTER).testingAt(volts);
    }

    @ParameterizedTest
    @CsvSource({"no, 20e6, BAD", "no, 100e3, NO_EXPECTATION", "yes, 20e6, BAD", "yes, 100e3, NO_EXPECTATION"})
    void partAboveTheMetersHighest_isNotOpenForReadingOver(String lifted, double highest, Verdict word) {
        ColdScene scene = new ColdScene(SET, SupplyLabel.UNKNOWN, HousePolicy.standard(), "");
        String part = SET.parts().stream()
                .filter(p -> p.card().letter() == 'R' && p.workingValue().orElse(0.0) > 400e3)
                .filter(p -> scene.ohms(p.nodes().get(0), p.nodes().get(1)).orElse(0) > 200e3)
                .map(p -> p.reference())
                .findFirst()
                .orElseThrow();
        Figures read = new Figures(Map.of("o." + part, "open", "l." + part, lifted));
        TestRow row = TestRow.of("resistors").orElseThrow();
        assertEquals(Verdict.BAD, ColdTests.judge(scene, row, read).word(), "nobody said how far it reaches");
        assertEquals(
                word,
                ColdTests.judge(scene, row, read.readUpTo(OptionalDouble.of(highest)))
                        .word());
    }

    @Test
    void pointAboveWhatTheMeterStands_isSaidBeforeItIsTouched() {
        for (double highest : new double[] {60, 1000}) {
            Bench bench = new Bench(120, Optional.of(Meter.parse("10M")), 0.01, OptionalDouble.of(highest), "");
            Optional<String> caution =
                    MeterReach.caution(SET, Files.report(SET, new ReadingLog(List.of()), bench), bench);
            assertEquals(highest < 100, caution.isPresent());
            assertTrue(
                    caution.map(c -> c.startsWith("This meter stands 60.0 V.")).orElse(true));
        }
    }

    @Test
    void kit_canWhatItsInstrumentsInUseCan() {
        Kit kit = new Kit(List.of(
                new Instrument("a", "Tester", false, List.of(tester(500.0, 250.0))),
                new Instrument("b", "Older", true, List.of(tester(1000.0))),
                new Instrument("c", "Meter", false, List.of(to(Equipment.OHMMETER, 2e6)))));
        assertTrue(kit.kinds().contains(Equipment.DISCHARGE_TOOL), "any clips and a resistor");
        assertEquals(OptionalDouble.of(500), kit.highestTestVolts(Equipment.INSULATION_TESTER));
        assertEquals(OptionalDouble.of(2e6), kit.highest("c", Equipment.OHMMETER));
        assertTrue(kit.highest("a", Equipment.OHMMETER).isEmpty());
        assertEquals(1, kit.able(Set.of(Equipment.INSULATION_TESTER)).size());
    }

    @Test
    void whatCannotBe_isRefused() {
        assertThrows(InvalidEntry.class, () -> new Instrument("a", "Nothing", false, List.of()));
        assertThrows(InvalidEntry.class, () -> tester(-500.0));
        assertEquals(
                "A meter's accuracy is 0 to 20 %, not 55 %.",
                assertThrows(InvalidEntry.class, () -> Ability.voltmeter(Meter.parse("10M"), 0.55))
                        .getMessage());
        assertThrows(InvalidEntry.class, () -> to(Equipment.OHMMETER, 0));
        assertEquals("tests at 250, 500 V", tester(500.0, 250.0).says());
    }
}
