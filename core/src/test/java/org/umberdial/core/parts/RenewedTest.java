package org.umberdial.core.parts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.arrival.Book;
import org.umberdial.core.evidence.ForNow;
import org.umberdial.core.evidence.ForNowEnded;
import org.umberdial.core.evidence.PartReplaced;
import org.umberdial.core.evidence.Placing;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.InvalidEntry;

/** A new part is judged by what was written of it, never by the mark of the one it went in for. */
class RenewedTest {
    private static Book in(String part, String with) {
        return new Book().add(new PartReplaced(part, with));
    }

    private static SetFile file(Book book) {
        return Bench.file(Bench.SET, book, HousePolicy.standard());
    }

    private static PartsEntry strip(Book book) {
        return PartsArea.entry(file(book), DecimalSign.POINT, "");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                // The sheet says 10 nF of paper across the line.
                "C20 | 4.7 nF 300 V AC safety Y2 | 4.7n leak none @300 | GOOD          | IN",
                "C20 | 4.7 nF 300 V AC safety Y2 |                     | REPLACED      | IN",
                "C20 | 4.7 nF 1000 V film        |                     | BY_RULE       | READ",
                "C20 | 4.7 nF                    |                     | BY_RULE       | READ",
                "C21 | 4.7 nF 630 V film         | 4.7n leak none @300 | BY_RULE       | READ",
                // The sheet says 47 µF 385 V.
                "C1  | 22 uF 450 V               | 22u                 | NOT_PROVEN    | IN",
                "C1  | 22uF/450V                 | 22u                 | NOT_PROVEN    | IN",
                "C1  | 22 uF 450 V               | 3u                  | DRIED         | REPLACE",
                // The sheet says 22 nF of paper at 400 V.
                "C5  | 100 nF 630 V film         | 100n leak none @400 | GOOD          | IN",
                "C5  | 100 nF 630 V film         | 22n leak none @400  | LOW           | READ",
                "C5  | another                   | 100n                | NOT_PROVEN    | IN",
                "C5  | 100 nF 630 V film         | 100n leak 2M @400   | LEAKY         | REPLACE",
            })
    void whatIsReadOfIt_isHeldAgainstItsOwnMark(
            String part, String with, String typed, PartState state, Decision decision) {
        Book book = in(part, with);
        if (typed != null) {
            book.add(strip(book).read(typed, part, Placing.LIFTED));
        }
        PartRow row = Bench.row(file(book), part);
        assertEquals(state, row.state(), row.says());
        assertEquals(decision, row.decision(), row.because());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "100 nF 630 V film | leak none @700 |",
                "100 nF 630 V film | leak none @950 | marked 630 V",
                "100 nF film       | leak none @700 |",
                "10 nF 100 V       | leak none @300 | marked 100 V",
            })
    void aTestsVolts_areHeldAgainstItsOwnRating(String with, String typed, String refused) {
        PartsEntry strip = strip(in("C5", with));
        if (refused == null) {
            strip.read(typed, "C5", Placing.LIFTED);
        } else {
            String says = assertThrows(InvalidEntry.class, () -> strip.read(typed, "C5", Placing.LIFTED))
                    .getMessage();
            assertTrue(says.contains(refused), says);
        }
    }

    /** While another is clipped across a part its ohms in place are not its own; once that is off they are again. */
    @Test
    void ohmsOfABridgedPart_accuseNobody() {
        Book plain = new Book().add(Bench.entry().read("R5 110k", "", Placing.LIFTED));
        assertEquals(PartState.READS_LOW, Bench.row(file(plain), "R5").state());
        Book bridged = new Book()
                .add(new ForNow(ForNow.Way.CLIPPED_ON, "R5", "220k, for a trial"))
                .add(Bench.entry().read("R5 110k", "", Placing.LIFTED));
        assertEquals(PartState.UNREAD, Bench.row(file(bridged), "R5").state());
        bridged.add(new ForNowEnded("e1", "R5", "off")).add(Bench.entry().read("R5 110k", "", Placing.LIFTED));
        assertEquals(PartState.READS_LOW, Bench.row(file(bridged), "R5").state());
    }
}
