package org.umberdial.core.value;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SpreadsheetCellTest {
    @ParameterizedTest
    @ValueSource(
            strings = {"=1+1", "+cmd|' /C x'!A0", "-2+3", "@SUM(A1)", "\t=1", " =1", "|x", "'=1", "''+x", "-", "+"})
    void whatASpreadsheetWouldRun_isGuarded_andReadsBack(String cell) {
        String written = SpreadsheetCell.written(cell);
        assertFalse(written.strip().matches("(?s)[=+\\-@|].*"), written);
        assertEquals(cell, SpreadsheetCell.read(written));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "-7.3", "+12", "-1e-9", "-7,3", ".047", "V4 plate", "it's", "'quoted'", "4k7"})
    void everythingElse_staysAsItIs(String cell) {
        assertEquals(cell, SpreadsheetCell.written(cell));
        assertEquals(cell, SpreadsheetCell.read(cell));
    }
}
