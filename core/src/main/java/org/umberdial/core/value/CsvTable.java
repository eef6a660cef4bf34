package org.umberdial.core.value;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** A shipped data table: a heading, then one row a line. */
public final class CsvTable {
    private CsvTable() {}

    /**
     * The rows, each as its cells by heading.
     *
     * @param owner class whose package holds the table
     * @throws UncheckedIOException when it cannot be read
     */
    public static List<Map<String, String>> rows(Class<?> owner, String name) {
        try (BufferedReader in =
                new BufferedReader(new InputStreamReader(owner.getResourceAsStream(name), StandardCharsets.UTF_8))) {
            List<String> heading = CsvLine.split(in.readLine());
            List<Map<String, String>> rows = new ArrayList<>();
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                List<String> cells = CsvLine.split(line);
                Map<String, String> row = new LinkedHashMap<>();
                for (int i = 0; i < heading.size(); i++) {
                    row.put(heading.get(i), i < cells.size() ? cells.get(i) : "");
                }
                rows.add(row);
            }
            return rows;
        } catch (IOException e) {
            throw new UncheckedIOException("the shipped table " + name + " cannot be read", e);
        }
    }
}
