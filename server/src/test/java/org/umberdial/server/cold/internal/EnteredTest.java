package org.umberdial.server.cold.internal;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberdial.core.cold.ColdScene;
import org.umberdial.core.cold.ColdTests;
import org.umberdial.core.cold.TestRow;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.CircuitImport;
import org.umberdial.core.set.StartingCircuit;
import org.umberdial.core.set.SupplyLabel;
import org.umberdial.core.value.DecimalSign;

class EnteredTest {
    private static final StartingCircuit FM =
            StartingCircuit.of("transformer-fm").orElseThrow();
    private static final ColdScene SCENE = new ColdScene(
            new BenchSet(
                    FM.construction(),
                    CircuitImport.parts(FM.deck()),
                    FM.deck().sockets(),
                    List.of(),
                    List.of(),
                    FM.deck().modes(),
                    FM.deck().models(),
                    List.of()),
            SupplyLabel.UNKNOWN,
            HousePolicy.standard(),
            "FM");

    @ParameterizedTest
    @CsvSource({"16.4,16.4", "4k7,4700.0", "OL,open", "∞,open", "Open,open", "2 meg,2000000.0"})
    void ohms_areReadAsPeopleWriteThem(String typed, String kept) {
        assertEquals(
                kept,
                read("plug-on", Map.of("plug", typed), DecimalSign.POINT)
                        .figures()
                        .text("plug"));
    }

    @Test
    void decimalComma_isTheShopsOwn() {
        assertEquals(
                "16.4",
                read("plug-on", Map.of("plug", "16,4"), DecimalSign.COMMA)
                        .figures()
                        .text("plug"));
        Figures figures = new Figures(Map.of("plug", "16.4", "set.0", "yes"));
        Map<String, String> typed =
                Entered.typed(ColdTests.form(SCENE, row("plug-on"), figures), figures, DecimalSign.COMMA);
        assertEquals(Map.of("plug", "16,4", "set.0", "yes"), typed);
    }

    @Test
    void whatIsTyped_comesBackTheSame() {
        Map<String, String> typed = Map.of("in.0", "0.5", "in.1", "1", "o2.0", "0.0143", "bare", "yes");
        Figures figures = read("injection", typed, DecimalSign.POINT).figures();
        assertEquals(
                typed, Entered.typed(ColdTests.form(SCENE, row("injection"), figures), figures, DecimalSign.POINT));
    }

    @Test
    void cellsThatAppearLater_areReadToo() {
        Entered leads =
                read("taps", Map.of("leads", "a b c", "p.a.b", "12.1", "p.a.c", "24", "p.x.y", "3"), DecimalSign.POINT);
        assertEquals("12.1", leads.figures().text("p.a.b"));
        assertTrue(leads.figures().text("p.x.y").isEmpty(), "a cell that the form does not have is left out");
        Map<String, String> chain = new HashMap<>(Map.of("plug", "open", "s.0.3", "open", "s.0.2", "0.3"));
        for (int i = 0; i < 4; i++) {
            chain.put("set." + i, "yes");
        }
        Entered halves = read("plug-on", chain, DecimalSign.POINT);
        assertEquals("open", halves.figures().text("s.0.3"));
        assertEquals("0.3", halves.figures().text("s.0.2"));
    }

    @Test
    void whatCannotBe_isSaidByItsCell_andTheRestIsRead() {
        Entered entered =
                read("plug-on", Map.of("plug", "a lot", "set.0", "perhaps", "set.1", "yes"), DecimalSign.POINT);
        assertTrue(entered.faults().get("plug").contains("not a value"));
        assertTrue(entered.faults().get("set.0").contains("Choose one of: yes, no"));
        assertEquals(Map.of("set.1", "yes"), entered.figures().entered());
        assertTrue(read("taps", Map.of("leads", "x".repeat(301)), DecimalSign.POINT)
                .faults()
                .get("leads")
                .contains("300"));
        assertTrue(read("field-coil", Map.of("cold", "1k"), DecimalSign.POINT)
                .figures()
                .entered()
                .containsKey("cold"));
        assertEquals(
                "23.0",
                read("field-coil", Map.of("room", "23"), DecimalSign.POINT)
                        .figures()
                        .text("room"));
    }

    private static Entered read(String test, Map<String, String> typed, DecimalSign sign) {
        return Entered.of(SCENE, row(test), typed, sign);
    }

    private static TestRow row(String test) {
        return TestRow.of(test).orElseThrow();
    }
}
