package org.umberdial.core.value;

import java.util.regex.Pattern;

/**
 * A cell of a CSV file. Spreadsheets run a cell that begins like a formula, whoever wrote it; such a cell is written
 * with an apostrophe in front, which they take for "this is text", and read back without it. Numbers stay numbers.
 *
 * @see "OWASP, CSV Injection"
 */
public final class SpreadsheetCell {
    private static final Pattern RUNS = Pattern.compile("\\s*[=+\\-@|\\t\\r].*", Pattern.DOTALL);
    private static final Pattern NUMBER = Pattern.compile("[+-]?(\\d+([.,]\\d*)?|[.,]\\d+)([eE][+-]?\\d+)?");
    private static final Pattern GUARDED = Pattern.compile("'+\\s*[=+\\-@|\\t\\r].*", Pattern.DOTALL);

    private SpreadsheetCell() {}

    /** The cell as it is put into a file. */
    public static String written(String cell) {
        boolean guarded = RUNS.matcher(cell).matches() && !NUMBER.matcher(cell).matches();
        // One that has such an apostrophe of its own gets a second, so that reading takes away only what writing put
        // there.
        return guarded || GUARDED.matcher(cell).matches() ? "'" + cell : cell;
    }

    /** The cell as it was before it was written. */
    public static String read(String cell) {
        return GUARDED.matcher(cell).matches() ? cell.substring(1) : cell;
    }
}
