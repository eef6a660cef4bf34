package org.umberdial.core.tube;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.umberdial.core.value.CsvLine;

/** A table of tube data as rows of cells by column. */
final class TubeTable {
    private TubeTable() {}

    /** A table that ships beside this class. */
    static List<Map<String, String>> rows(String name) {
        return rows(new InputStreamReader(TubeTable.class.getResourceAsStream(name), StandardCharsets.UTF_8));
    }

    /** Closes the source. A row shorter than the header has no cells at its end. */
    static List<Map<String, String>> rows(Reader source) {
        try (BufferedReader in = new BufferedReader(source)) {
            List<String> header =
                    CsvLine.split(Optional.ofNullable(in.readLine()).orElse(""));
            List<Map<String, String>> rows = new ArrayList<>();
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                if (line.isBlank()) {
                    continue;
                }
                List<String> cells = CsvLine.split(line);
                Map<String, String> row = new HashMap<>();
                for (int i = 0; i < header.size() && i < cells.size(); i++) {
                    row.put(header.get(i).strip(), cells.get(i).strip());
                }
                rows.add(row);
            }
            return rows;
        } catch (IOException e) {
            throw new UncheckedIOException("tube data cannot be read", e);
        }
    }
}
