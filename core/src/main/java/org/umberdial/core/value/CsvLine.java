package org.umberdial.core.value;

import java.util.ArrayList;
import java.util.List;

/**
 * Splits a line of the shipped data tables (RFC 4180, no line breaks inside cells). Files of users are read elsewhere.
 */
public final class CsvLine {
    private CsvLine() {}

    public static List<String> split(String line) {
        List<String> cells = new ArrayList<>();
        StringBuilder cell = new StringBuilder();
        boolean quoted = false;
        for (int i = 0; i < line.length(); i++) {
            char c = line.charAt(i);
            if (c == '"' && quoted && i + 1 < line.length() && line.charAt(i + 1) == '"') {
                cell.append(c);
                i++;
            } else if (c == '"') {
                quoted = !quoted;
            } else if (c == ',' && !quoted) {
                cells.add(cell.toString());
                cell.setLength(0);
            } else {
                cell.append(c);
            }
        }
        cells.add(cell.toString());
        return cells;
    }
}
