package org.umberdial.core.procedure;

import java.util.List;
import org.umberdial.core.value.Unit;

/**
 * What to do for a test on this set and what to enter.
 *
 * @param steps how, one act each
 * @param cautions ids of the cautions that belong here
 * @param blocks what to enter, in the order it is read
 */
public record BenchForm(List<String> steps, List<String> cautions, List<Block> blocks) {
    /** What a cell takes. */
    public enum Kind {
        /** A value in the cell's unit; {@code open} is taken for ohms. */
        FIGURE,
        /** A bare number: a count, or degrees. */
        NUMBER,
        /** One of the cell's choices. */
        CHOICE,
        /** A few words. */
        WORDS
    }

    /** @param id what is kept, @param label what is read */
    public record Choice(String id, String label) {}

    /**
     * One thing to enter.
     *
     * @param key under which it is kept
     * @param label what it is, when the column or the line does not say it already
     * @param unit of a figure
     * @param expected what a healthy set would show; may be empty
     * @param aside passed over when figures are entered one after another: only filled where it is needed
     */
    public record Cell(
            String key, String label, Kind kind, Unit unit, List<Choice> choices, String expected, boolean aside) {
        public Cell(String key, String label, Kind kind, Unit unit, List<Choice> choices, String expected) {
            this(key, label, kind, unit, choices, expected, false);
        }

        /** The same cell, passed over when figures are entered one after another. */
        public Cell asAside() {
            return new Cell(key, label, kind, unit, choices, expected, true);
        }

        public static Cell figure(String key, String label, Unit unit, String expected) {
            return new Cell(key, label, Kind.FIGURE, unit, List.of(), expected);
        }

        public static Cell number(String key, String label, String expected) {
            return new Cell(key, label, Kind.NUMBER, Unit.OHM, List.of(), expected);
        }

        public static Cell choice(String key, String label, Choice... choices) {
            return new Cell(key, label, Kind.CHOICE, Unit.OHM, List.of(choices), "");
        }

        public static Cell yesNo(String key, String label) {
            return choice(key, label, new Choice("yes", "yes"), new Choice("no", "no"));
        }

        public static Cell words(String key, String label) {
            return new Cell(key, label, Kind.WORDS, Unit.OHM, List.of(), "");
        }
    }

    /** @param label what it is about, @param subject a part's reference when it is about one, else empty */
    public record Line(String label, String subject, List<Cell> cells) {}

    /** @param lead a sentence above it; may be empty */
    public record Block(String title, String lead, List<Line> lines) {}
}
