package org.umberdial.core.value;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.umberdial.core.value.ResistorColours.Colour.*;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ResistorColoursTest {
    @Test
    void bodyEndDot_readsTheOldScheme() {
        ResistorColours.Marked marked = ResistorColours.bodyEndDot(RED, VIOLET, YELLOW, RED);
        assertEquals(270e3, marked.nominal().value());
        assertEquals(20, marked.tolerance().percent(), 1e-9);
    }

    @Test
    void bands_threeFourAndFive() {
        assertEquals(
                new ResistorColours.Marked(new Ohms(47e3), Tolerance.percent(20)),
                ResistorColours.bands(List.of(YELLOW, VIOLET, ORANGE)));
        assertEquals(
                new ResistorColours.Marked(new Ohms(4.7), Tolerance.percent(5)),
                ResistorColours.bands(List.of(YELLOW, VIOLET, GOLD, GOLD)));
        assertEquals(
                new ResistorColours.Marked(new Ohms(1210), Tolerance.percent(1)),
                ResistorColours.bands(List.of(BROWN, RED, BROWN, BROWN, BROWN)));
    }

    @Test
    void everyE24Value_isPaintedAndReadBack() {
        for (double step : StandardSeries.E24.decade()) {
            for (int exponent = 0; exponent <= 7; exponent++) {
                double value = Math.round(step * 10) * Math.pow(10, exponent) / 10;
                List<ResistorColours.Colour> bands = ResistorColours.bandsFor(new Ohms(value), Tolerance.percent(10));
                assertEquals(value, ResistorColours.bands(bands).nominal().value(), value * 1e-12);
            }
        }
    }

    @Test
    void impossibleColours_areRefused() {
        assertThrows(InvalidEntry.class, () -> ResistorColours.bands(List.of(GOLD, RED, RED)));
        assertThrows(InvalidEntry.class, () -> ResistorColours.bands(List.of(RED, RED)));
        assertThrows(InvalidEntry.class, () -> ResistorColours.Colour.named("pink"));
    }

    @ParameterizedTest
    @CsvSource({"E6,5.0e3,4700", "E12,5.0e3,4700", "E24,5.0e3,5100", "E96,5.0e3,4990", "E12,9.5,10", "E24,215.7e6,220e6"
    })
    void nearest_isByRatio(StandardSeries series, double value, double expected) {
        assertEquals(expected, series.nearest(value), expected * 1e-9);
    }

    /** Red violet brown with a white marker: 270 pF; as three digits white would be 9, so that both are shown. */
    @Test
    void micaDots_areReadInEveryWayTheyFit() {
        List<MicaDots.Read> both = MicaDots.read(List.of(WHITE, RED, VIOLET, BROWN, SILVER, BROWN));
        assertEquals(2, both.size());
        assertEquals(270e-12, both.get(0).farads(), 1e-15);
        assertEquals(10, both.get(0).tolerance().percent(), 1e-9);
        assertEquals(927e-11, both.get(1).farads(), 1e-14);
        List<MicaDots.Read> old = MicaDots.read(List.of(RED, GREEN, BLACK, GREEN, GOLD, BLACK));
        assertEquals(1, old.size());
        assertEquals(250e-12, old.get(0).farads(), 1e-15);
        assertEquals(500, old.get(0).volts(), 1e-9);
        assertThrows(InvalidEntry.class, () -> MicaDots.read(List.of(RED)));
        assertThrows(InvalidEntry.class, () -> MicaDots.read(List.of(GOLD, RED, RED, RED, RED, RED)));
    }
}
