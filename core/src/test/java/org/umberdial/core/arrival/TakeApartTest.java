package org.umberdial.core.arrival;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.umberdial.core.evidence.Closed;
import org.umberdial.core.evidence.Control;
import org.umberdial.core.evidence.ControlFound;
import org.umberdial.core.evidence.ItemKind;
import org.umberdial.core.evidence.PutBack;
import org.umberdial.core.evidence.TakenOff;

class TakeApartTest {
    private static final TakenOff KNOB = off(ItemKind.KNOB, "Tuning knob", 1, 0, "front");
    private static final TakenOff SCREWS = off(ItemKind.SCREW, "M4 × 12 slotted", 3, 1, "back");

    @Test
    void readsBackwards() {
        Book book = new Book()
                .add(new ControlFound(Control.BAND, "", "phono", false, Optional.empty()))
                .add(KNOB)
                .add(SCREWS);
        TakeApart apart = TakeApart.of(book.journal());
        assertEquals(
                List.of(
                        "Fit 4 × M4 × 12 slotted, back; get 1 that was missing",
                        "Fit Tuning knob, front",
                        "Set the band switch back to phono"),
                apart.reassembly().stream().map(TakeApart.Item::act).toList());
        assertEquals(
                List.of(1, 2, 3),
                apart.items().stream().map(TakeApart.Item::order).toList());
    }

    @Test
    void shoutsWhatIsLeftAndWhatIsMissing() {
        Book book = new Book().add(KNOB).add(SCREWS).add(new PutBack("e2", "screws", 2));
        assertEquals(
                List.of(
                        "Left over: tuning knob (front)",
                        "Left over: 1 of 3 × M4 × 12 slotted (back)",
                        "Missing: 1 × M4 × 12 slotted, absent since arrival"),
                TakeApart.of(book.journal()).alarms());
        book.add(new PutBack("e2", "screws", 2)).add(new PutBack("e1", "knob", 1));
        assertTrue(TakeApart.of(book.journal()).alarms().isEmpty());
        book.add(new PutBack("e1", "knob", 1));
        assertTrue(TakeApart.of(book.journal()).alarms().get(0).startsWith("Too many: 1 more tuning knob"));
    }

    @Test
    void aCorrectionKeepsItsPlaceAndAWithdrawalLeavesNothing() {
        Book book = new Book().add(KNOB).add(SCREWS).instead("e1", off(ItemKind.KNOB, "Volume knob", 1, 0, "front"));
        assertEquals(
                List.of("Volume knob", "3 × M4 × 12 slotted"),
                TakeApart.of(book.journal()).items().stream()
                        .map(TakeApart.Item::title)
                        .toList());
        book.back("e3", KNOB);
        assertEquals(1, TakeApart.of(book.journal()).items().size());
        assertEquals(java.util.Set.of("e1", "e3", "e4"), book.journal().fallen());
    }

    @Test
    void aTickTakenBackIsNoTick() {
        Book book = new Book().add(KNOB).add(new PutBack("e1", "knob", 1)).back("e2", new PutBack("e1", "knob", 1));
        assertEquals(0, TakeApart.of(book.journal()).items().get(0).back());
    }

    @Test
    void closedHoldsUntilSomethingComesOffAgain() {
        Book book = new Book().add(KNOB).add(new PutBack("e1", "knob", 1)).add(new Closed("", ""));
        assertTrue(TakeApart.of(book.journal()).closed().isPresent());
        book.add(SCREWS);
        assertTrue(TakeApart.of(book.journal()).closed().isEmpty());
    }

    private static TakenOff off(ItemKind kind, String what, int count, int absent, String place) {
        return new TakenOff(kind, what, count, absent, place, "", "", Optional.empty());
    }
}
