package org.umberdial.core.procedure;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.BenchForm.Choice;
import org.umberdial.core.procedure.BenchForm.Line;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;

class FormEntryTest {
    private static final BenchForm FORM = new BenchForm(
            List.of(),
            List.of(),
            List.of(new BenchForm.Block(
                    "All",
                    "",
                    List.of(
                            new Line(
                                    "R7, plate load",
                                    "R7",
                                    List.of(
                                            Cell.figure("o.R7", "", Unit.OHM, ""),
                                            Cell.yesNo("l.R7", "lead lifted").asAside())),
                            new Line(
                                    "C12, coupling",
                                    "C12",
                                    List.of(
                                            Cell.figure("c.C12", "", Unit.FARAD, ""),
                                            Cell.figure("k.C12", "leak", Unit.OHM, ""),
                                            Cell.figure("v.C12", "at volts", Unit.VOLT, ""))),
                            new Line(
                                    "V2 6V6",
                                    "XV2",
                                    List.of(
                                            Cell.choice(
                                                    "g.XV2",
                                                    "",
                                                    new Choice("good", "good"),
                                                    new Choice("doubt", "doubtful"),
                                                    new Choice("bad", "bad")),
                                            Cell.words("w.XV2", "figures").asAside())),
                            new Line("Tubes and lamps are out", "", List.of(Cell.yesNo("bare", ""))),
                            new Line(
                                    "F1, fuse",
                                    "F1",
                                    List.of(
                                            Cell.figure("a.F1", "stamped", Unit.AMPERE, ""),
                                            Cell.choice(
                                                    "s.F1",
                                                    "kind",
                                                    new Choice("slow", "slow"),
                                                    new Choice("fast", "fast")),
                                            Cell.figure("o.F1", "across it", Unit.OHM, ""))),
                            new Line(
                                    "black to",
                                    "",
                                    List.of(
                                            Cell.figure("p.red", "red", Unit.OHM, ""),
                                            Cell.figure("p.blue", "blue", Unit.OHM, ""))),
                            new Line("Leads", "", List.of(Cell.words("leads", "")))))));

    private static String read(String typed, String at) {
        FormEntry.Understood understood = FormEntry.read(FORM, typed, at);
        return understood.placed().isEmpty()
                ? "to " + understood.to()
                : understood.placed().stream()
                        .map(p -> p.key() + "=" + p.text())
                        .collect(Collectors.joining(" "));
    }

    @ParameterizedTest
    @CsvSource({
        "231k, o.R7, o.R7=231k",
        "231 k, o.R7, o.R7=231 k",
        "open, o.R7, o.R7=open",
        "R7 231k, g.XV2, o.R7=231k",
        "r7 231k lifted, '', o.R7=231k l.R7=yes",
        "R7 lifted, '', l.R7=yes",
        "R7 lifted no 231k, '', l.R7=no o.R7=231k",
        "C12 .047 leak 2.1M @400, '', c.C12=.047 k.C12=2.1M v.C12=400",
        "C12 .047 uF 2.1M 400 V, '', c.C12=.047 uF k.C12=2.1M v.C12=400 V",
        "XV2 good, '', g.XV2=good",
        "V2 doubt, o.R7, g.XV2=doubt",
        "2, g.XV2, g.XV2=doubt",
        "b, g.XV2, g.XV2=bad",
        "V2 3, o.R7, g.XV2=bad",
        "V2 3, '', error",
        "F1 1.25 1, '', a.F1=1.25 o.F1=1",
        "F1 1.25 slow 1, '', a.F1=1.25 s.F1=slow o.F1=1",
        "V2 bad emission 30, '', g.XV2=bad w.XV2=emission 30",
        "tubes and lamps are out y, '', bare=yes",
        "black red brown, leads, leads=black red brown",
        "R7, '', to o.R7",
        "black blue 12.1, '', p.blue=12.1",
        "black to red 23.9, '', p.red=23.9",
        "R9 12, '', error",
        "231k 12k, o.R7, error",
        "4, g.XV2, error",
        "R7 @12, '', error",
    })
    void shorthand_goesToItsCells(String typed, String at, String expected) {
        String understood;
        try {
            understood = read(typed, at);
        } catch (InvalidEntry refused) {
            assertTrue(refused.getMessage().length() > 20, refused.getMessage());
            understood = "error";
        }
        assertEquals(expected, understood);
    }

    @Test
    void refusal_saysWhatIsAsked() {
        InvalidEntry refused = assertThrows(InvalidEntry.class, () -> FormEntry.read(FORM, "7", "g.XV2"));
        assertTrue(refused.getMessage().contains("1 good, 2 doubtful or 3 bad"), refused.getMessage());
    }
}
