package org.umberdial.core.entry;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberdial.core.Sets;
import org.umberdial.core.area.Bench;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.volts.Plausibility;

class EntryGrammarTest {
    private final BenchSet set = Sets.demo("table-set");
    private final EntryGrammar grammar = new EntryGrammar(set, DecimalSign.POINT);

    private Entry read(String typed) {
        return grammar.read(typed, set.pointAt("filter_1"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "82.4|filter_1|DC|82.4", "-7.3V|filter_1|DC|-7.3", "250 mV|filter_1|DC|0.25",
                        "V3.7 46.8|v3_plate|DC|46.8", "V3 plate 46.8|v3_plate|DC|46.8",
                        "v3 anode 46.8|v3_plate|DC|46.8",
                "V4 pin 2 6.9|v4_grid|DC|6.9", "filter 2 94.9|filter_2|DC|94.9", "screens 58|screens|DC|58",
                        "6.2 ac|filter_1|AC|6.2", "R11 7k3|R11|OHMS|7300", "R11 7.3k|R11|OHMS|7300",
                "V4 grid 470k|v4_grid|OHMS|470000", "V4.5 0.02|v4_grid|DC|0.02"
            })
    void shorthand_isUnderstood(String typed, String subject, ReadingKind kind, double value) {
        Entry entry = read(typed);
        assertEquals(subject, entry.subject());
        assertEquals(kind, entry.kind());
        assertEquals(value, entry.value(), Math.abs(value) * 1e-12);
    }

    @Test
    void liftedPartAndOtherReference_areUnderstood() {
        assertEquals("C4", read("V4 grid 0.05 C4 lifted").lifted());
        assertEquals("R11", read("R11 2.7k lifted").lifted());
        assertEquals("v4_cathode", read("V4 grid to V4 cathode -5.2").reference());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "''|meter shows",
                "V9 plate 12|No test point",
                "filter 12 v x|value",
                "V4 12|could be",
                "82 ohm ac|Ω|",
                "R11 -5|no sign",
                "V4 grid 0.1 C99 lifted|no part C99",
                "5 lifted|Which part"
            })
    void otherEntries_areRefusedInASentence(String typed, String part) {
        InvalidEntry refused = assertThrows(InvalidEntry.class, () -> read(typed.isEmpty() ? " " : typed));
        assertTrue(refused.getMessage().contains(part) || typed.startsWith("82 ohm"), refused.getMessage());
    }

    @Test
    void impossibleVolts_areAskedAbout() {
        Bench bench = new Bench(120, Optional.empty(), 0, "");
        assertTrue(Plausibility.question(set, read("6300"), bench).orElseThrow().contains("6.30 V"));
        assertTrue(Plausibility.question(set, read("820"), bench).isPresent());
        assertTrue(Plausibility.question(set, read("82.0"), bench).isEmpty());
    }
}
