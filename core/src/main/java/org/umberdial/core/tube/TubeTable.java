package org.umberdial.core.tube;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.umberdial.core.value.CsvLine;

/** A table that ships with the application, as rows of cells by column. */
final class TubeTable {
    private TubeTable() {}

    static List<Map<String, String>> rows(String name) {
        try (BufferedReader in = new BufferedReader(
                new InputStreamReader(TubeTable.class.getResourceAsStream(name), StandardCharsets.UTF_8))) {
            List<String> header = CsvLine.split(in.readLine());
            List<Map<String, String>> rows = new ArrayList<>();
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                List<String> cells = CsvLine.split(line);
                Map<String, String> row = new LinkedHashMap<>();
                for (int i = 0; i < header.size(); i++) {
                    row.put(header.get(i), i < cells.size() ? cells.get(i).strip() : "");
                }
                rows.add(row);
            }
            return rows;
        } catch (IOException e) {
            throw new UncheckedIOException(name + " cannot be read", e);
        }
    }
}
