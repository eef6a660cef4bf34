package org.umberdial.core.parts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberdial.core.evidence.PartRead;
import org.umberdial.core.evidence.Placing;
import org.umberdial.core.instrument.Ability;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.instrument.Instrument;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Ohms;

/** The strip's shorthand of Parts. */
class PartsEntryTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "C5 .022 leak 2.1M@400          | C5: 22.0 nF, leak 2.10 MΩ, at 400 V, one lead lifted",
                "c5 leak 12uA at 300 falling    | C5: leak 12.0 µA, at 300 V, still falling, one lead lifted",
                "22 leak none @400 in place     | C5: 22.0 nF, leak none seen, at 400 V, in place",
                "C11 98                         | C11: 98.0 pF, one lead lifted",
                "C1 46 esr 0.6                  | C1: 46.0 µF, ESR 600 mΩ, one lead lifted",
                "V3 62/40                       | XV3: tester 62, wants 40, out of the set",
                "V2 weak sister                 | XV2: weak, by a sister type's settings, out of the set",
                "R4 231k lifted                 | R4 231 kΩ, R4 lifted",
                "R4 231 k in circuit            | R4 231 kΩ",
                "C5 eye slow @300 out           | C5: at 300 V, the eye opens slowly, out of the set",
                "C5 0.022 mfd                   | C5: 22.0 nF, one lead lifted",
                "C5 leak >900M @ 400 V          | C5: leak 900 MΩ, at 400 V, one lead lifted",
                "C5 leak over 900M at 400 volts | C5: leak 900 MΩ, at 400 V, one lead lifted",
            })
    void aLine_isUnderstood(String typed, String sentence) {
        assertEquals(sentence, Bench.entry().read(typed, "C5", Placing.LIFTED).sentence());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "C5 leak 2M @0                  | At 0 V nothing leaks",
                "C5 leak 12uA                   | needs the volts",
                "C5 22n 23n                     | there twice",
                "C5 leak 2M @700                | marked 400 V",
                "C55 22n                        | There is no part C55 in this set; there are C20, C21, C1",
                "C5                             | Type what C5 reads",
                "''                             | Type what was read",
                "C5 @300                        | Type what C5 showed",
                "C5 leak -2M @300               | no sign",
                "C5 470000                      | far from the 22.0 nF",
                "C5 gas                         | said of a tube",
                "V3 falling                     | said of a capacitor",
                "V3 62/0                        | above zero",
                "V3 blue                        | not understood",
                "R4 esr 3                       | is a capacitor's",
                "R4 231k warm                   | stand alone",
                "C5 leak                        | stand ohms or amperes",
                "C1 leak 1mA @300 formed unformed | cannot hold together",
                "C5 eye opens eye shut @300     | cannot hold together",
                "V3 62/40 bad                   | cannot hold together",
                "C5 22u                         | 1000 times the 22.0 nF",
                "T1 190                         | read one by one",
                "R4 2,4,1                       | ",
            })
    void whatMakesNoSense_isASentence(String typed, String says) {
        InvalidEntry refused =
                assertThrows(InvalidEntry.class, () -> Bench.entry().read(typed, "C5", Placing.LIFTED));
        assertTrue(says == null || refused.getMessage().contains(says), refused.getMessage());
    }

    /** The published example: 92 V behind it and 0.8 V on 10 MΩ are 1.14 GΩ. */
    @Test
    void aLeakThroughAMeter_countsTheMetersOwnOhms() {
        Instrument meter = new Instrument(
                "m", "Bench meter", false, List.of(Ability.voltmeter(new Meter.Electronic(new Ohms(10e6)), 0.01)));
        PartsEntry with = new PartsEntry(Bench.SET, Bench.CONDITIONS, DecimalSign.POINT, Optional.of(meter));
        PartRead read = (PartRead) with.read("C5 shows 0.8V @92", "", Placing.LIFTED);
        assertEquals(1.14e9, read.leakOhms().orElseThrow(), 1e6);
        assertEquals(
                "C5: leak none seen, at 92.0 V, one lead lifted",
                with.read("shows 0 @92", "C5", Placing.LIFTED).sentence());
        for (String line : List.of("shows 95 @92", "shows 0.8", "shows 0.8 @92 in place")) {
            assertThrows(InvalidEntry.class, () -> with.read(line, "C5", Placing.LIFTED), line);
        }
        assertTrue(assertThrows(InvalidEntry.class, () -> Bench.entry().read("shows 0.8 @92", "C5", Placing.LIFTED))
                .getMessage()
                .contains("which meter"));
    }

    @Test
    void aTesterThatGivesMoreThanASectionStands_isRefusedForIt() {
        Instrument bridge = new Instrument(
                "b",
                "Bridge",
                false,
                List.of(Ability.of(Equipment.LEAKAGE_TESTER).testingAt(150.0, 300.0)));
        PartsEntry entry = new PartsEntry(
                Bench.SET,
                new org.umberdial.core.area.Bench(230, Optional.empty(), 0, ""),
                DecimalSign.POINT,
                Optional.of(bridge));
        InvalidEntry refused =
                assertThrows(InvalidEntry.class, () -> entry.read("C4 leak 12uA @25", "", Placing.LIFTED));
        assertTrue(refused.getMessage().contains("gives no less than 150 V"), refused.getMessage());
    }
}
