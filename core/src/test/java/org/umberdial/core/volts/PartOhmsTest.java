package org.umberdial.core.volts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberdial.core.Sets;
import org.umberdial.core.set.Part;

class PartOhmsTest {
    private final Part dropper = Sets.demo("table-set").part("r11").orElseThrow();

    @ParameterizedTest
    @CsvSource({
        "7300,false,BAD",
        "2900,false,DOUBT",
        "1200,false,DOUBT",
        "2750,true,GOOD",
        "1200,true,BAD",
        "7300,true,BAD",
        "0,false,DOUBT"
    })
    void inCircuit_onlyAReadingAboveIsProof(double ohms, boolean lifted, Verdict verdict) {
        PartOhms.Judged judged = PartOhms.judge(dropper, ohms, lifted);
        assertEquals(verdict, judged.verdict(), judged.reason());
        assertTrue(judged.reason().endsWith("."));
    }
}
