package org.umberdial.core.parts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.umberdial.core.evidence.Placing;
import org.umberdial.core.value.CsvLine;

/** Every row of the table of verdicts, through shorthand, rules, engine and ledger. */
class VerdictsTest {
    static Stream<List<String>> rows() {
        return Bench.resource("verdicts.csv").lines().skip(1).map(CsvLine::split);
    }

    @ParameterizedTest
    @MethodSource("rows")
    void readings_giveTheExpectedVerdict(List<String> cells) {
        Placing placing = switch (cells.get(3)) {
            case "lifted" -> Placing.LIFTED;
            case "out" -> Placing.OUT;
            default -> Placing.IN_PLACE;
        };
        PartRow row = Bench.row(Bench.read(cells.get(1), cells.get(2), placing), cells.get(1));
        String which =
                cells.get(0) + " (" + cells.get(1) + " " + cells.get(2) + "): " + row.state() + ", " + row.says();
        assertEquals(cells.get(4), row.state().label(), which);
        assertEquals(cells.get(5), row.word().map(Enum::name).orElse("-"), which);
        assertTrue(row.says().contains(cells.get(6)), which);
    }
}
