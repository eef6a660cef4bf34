package org.umberdial.core.power;

import java.util.List;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.value.Unit;

/**
 * A check under limited power.
 *
 * @param how what to do, and what to keep away from
 * @param proves what it can settle
 */
public record FirstCheck(String id, String title, String how, List<Cell> cells, List<Claim> proves) {
    /**
     * A figure to read or a choice to make.
     *
     * @param unit of a figure
     * @param expected what a sound one shows; empty when nothing tells
     * @param choices of a choice; empty for a figure
     */
    public record Cell(String key, String label, Unit unit, String expected, List<String> choices) {
        Cell(String key, String label, Unit unit, String expected) {
            this(key, label, unit, expected, List.of());
        }

        static Cell volts(String key, String label) {
            return new Cell(key, label, Unit.VOLT, "", List.of());
        }

        static Cell choice(String key, String label, String... choices) {
            return new Cell(key, label, Unit.VOLT, "", List.of(choices));
        }
    }

    /** What its figures say. */
    public record Judged(Verdict verdict, String says) {
        static Judged open(String says) {
            return new Judged(Verdict.UNREAD, says);
        }
    }

    public FirstCheck {
        cells = List.copyOf(cells);
        proves = List.copyOf(proves);
    }
}
