package org.umberdial.core.arrival;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.umberdial.core.area.Act;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.Told;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.SupplyLabel;

class ArrivalStateTest {
    private static final SupplyLabel READ = new SupplyLabel(
            List.of(117.0),
            OptionalDouble.empty(),
            List.of(60.0),
            OptionalDouble.empty(),
            SupplyLabel.Current.AC_DC,
            false);

    @Test
    void theActsComeInTheOrderThatLosesLeast() {
        Book book = new Book();
        assertEquals("photograph", next(0, SupplyLabel.UNKNOWN, book, 0, false));
        assertEquals("supply-label", next(2, SupplyLabel.UNKNOWN, book, 0, false));
        assertEquals("ask-owner", next(2, READ, book, 0, false));
        book.add(new Told("", "it hums", true));
        assertEquals("inspect", next(2, READ, book, 0, false));
        walkOn(book);
        assertEquals("parts", next(2, READ, book, 0, false));
        assertEquals("", next(2, READ, book, 40, false));
    }

    @Test
    void aStopComesBeforeMorePower_andNothingElseDoes() {
        Book book = new Book();
        assertEquals("", next(0, READ, book, 40, true));
        assertEquals("supply-label", next(0, SupplyLabel.UNKNOWN, book, 40, true));
        book.add(InspectionTest.looked("fuse", "fuse-bridged-by-wire"));
        assertEquals("settle-stop", next(0, SupplyLabel.UNKNOWN, book, 40, true));
    }

    @Test
    void everyStopIsCounted_andTheFirstNamed() {
        Book book = new Book()
                .add(new Told("", "it hums", true))
                .add(InspectionTest.looked("fuse", "fuse-bridged-by-wire"))
                .add(InspectionTest.looked("line cord", "line-cord-rubber-stiff-cracked"));
        walkOn(book);
        Act act = state(2, READ, book.journal(), 40, false).next().orElseThrow();
        assertEquals("Replace cord", act.title());
        assertTrue(act.why().contains("1 more must be settled before power"), act.why());
    }

    private static void walkOn(Book book) {
        Inspection.of(ConstructionClass.SERIES_STRING, Set.of(), book.journal()).areas().stream()
                .filter(area -> !area.looked())
                .forEach(area -> book.add(InspectionTest.looked(area.name(), "")));
    }

    private static String next(int photos, SupplyLabel label, Book book, int parts, boolean powered) {
        return state(photos, label, book.journal(), parts, powered)
                .next()
                .map(act -> act.id().substring("arrival:".length()))
                .orElse("");
    }

    private static ArrivalState state(int photos, SupplyLabel label, EvidenceLog journal, int parts, boolean powered) {
        ConstructionClass construction = ConstructionClass.SERIES_STRING;
        return new ArrivalState(
                photos,
                label,
                List.of(),
                Inspection.of(construction, Set.of(), journal),
                Complaints.of(construction, Set.of(), journal),
                TakeApart.of(journal),
                parts,
                powered);
    }
}
