package org.umberdial.core;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Statements of the trade that were once wrong in the tables, and that no later edit may turn round again. */
class StatementsTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "role/symptoms.csv | blue glow.*gas regulators should glow",
                "role/symptoms.csv | dial lamp dark.*switch off",
                "role/symptoms.csv | turns slow all the time.*frequency.*step or bush.*diameter cancels",
                "role/symptoms.csv | turns fast.*frequency.*step or bush.*diameter cancels",
                "role/symptoms.csv | whistle only on stations.*off: clip each IF shield to its ground",
                "role/symptoms.csv | all voltages too high.*Silicon fitted",
                "arrival/inspection.csv | moulded paper type, cracked or whole.*leaks as much as waxed",
                "arrival/inspection.csv | cord with a third inner wire.*asbestos",
                "arrival/inspection.csv | back cover missing.*before hand-over",
                "caution/cautions.csv | asbestos,.*paper or cord",
                "caution/cautions.csv | scope_clip,.*ends the isolation",
                "caution/cautions.csv | silicon_swap,.*A resistor does nothing until they do",
                "cold/cold-tests.csv | discharge,.*VOLTMETER",
            })
    void tables_sayIt(String table, String statement) throws IOException {
        assertTrue(
                text(table)
                        .lines()
                        .anyMatch(Pattern.compile(statement, Pattern.CASE_INSENSITIVE)
                                .asPredicate()),
                table + " no longer says: " + statement);
    }

    /**
     * Nothing is bridged, and no shield touched, in a set that is on: what is clipped is clipped with the power off.
     */
    @ParameterizedTest
    @CsvSource({"bridge", "touch (a|the|each) shield", "hold a .*capacitor across"})
    void symptoms_sendNoHandIntoALiveSet(String act) throws IOException {
        Pattern live = Pattern.compile("\\bon: [^|\"]*\\b" + act, Pattern.CASE_INSENSITIVE);
        text("role/symptoms.csv")
                .lines()
                .forEach(line -> assertTrue(!live.matcher(line).find(), line));
    }

    private static String text(String table) throws IOException {
        try (InputStream in = StatementsTest.class.getResourceAsStream(table)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }
}
