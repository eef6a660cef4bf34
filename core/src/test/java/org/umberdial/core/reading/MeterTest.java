package org.umberdial.core.reading;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Ohms;
import org.umberdial.core.value.Volts;

class MeterTest {
    @ParameterizedTest
    @CsvSource({"10M,79.6", "20k/V@250,79.2", "1k/V@250,66.5"})
    void loading_asInTheWorkedExample(String meter, double shown) {
        assertEquals(
                shown,
                Meter.parse(meter).reads(new Volts(80), new Ohms(50.77e3)).value(),
                0.05);
    }

    @ParameterizedTest
    @CsvSource({
        "20k/V,9,200e3",
        "20k/V,10.1,1e6",
        "20k/V,-240,5e6",
        "1k/V,700,1e6",
        "1k/V,5000,1e6",
        "20k/V@250,9,5e6",
        "10M,9,1e7"
    })
    void movingCoilMeter_takesTheSmallestRangeThatHolds(String meter, double volts, double ohms) {
        assertEquals(ohms, Meter.parse(meter).inputResistance(new Volts(volts)).value());
    }

    @ParameterizedTest
    @ValueSource(strings = {"10M", "11M", "20k/V", "20k/V@250", "1k/V", "333/V", "2.5k/V@50", "1M"})
    void notation_readsBack(String text) {
        assertEquals(text, Meter.parse(text).notation());
        assertEquals(Meter.parse(text), Meter.parse(Meter.parse(text).notation()));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "ten", "10M@250", "5", "20k/V@0", "1/V", "20k/A"})
    void otherNotations_areRefused(String text) {
        assertThrows(InvalidEntry.class, () -> Meter.parse(text));
    }

    @ParameterizedTest
    @CsvSource({"80,50e3", "-7,1e6", "0.3,10e6"})
    void unloading_undoesLoading(double volts, double source) {
        Meter meter = Meter.parse("10M");
        assertEquals(
                volts,
                meter.unloaded(meter.reads(new Volts(volts), new Ohms(source)), new Ohms(source))
                        .value(),
                Math.abs(volts) * 1e-12);
    }
}
