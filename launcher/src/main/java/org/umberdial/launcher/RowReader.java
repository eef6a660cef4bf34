package org.umberdial.launcher;

import java.io.InputStream;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.ObjectReadContext;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.json.JsonFactory;

/** Reads a table's text back, row by row. */
final class RowReader {
    /** A picture as text; no picture kept is larger. */
    private static final int LONGEST_CELL = 200_000_000;

    private static final JsonFactory JSON = JsonFactory.builder()
            .streamReadConstraints(StreamReadConstraints.builder()
                    .maxStringLength(LONGEST_CELL)
                    .maxDocumentLength(-1)
                    .maxTokenCount(-1)
                    .build())
            .build();

    private RowReader() {}

    static void read(InputStream in, Contents.Sum table, Filler filler) throws SQLException {
        boolean[] bytes = new boolean[table.columns().size()];
        for (int i = 0; i < bytes.length; i++) {
            bytes[i] = filler.holdsBytes(table.name(), table.columns().get(i));
        }
        long rows = 0;
        // Not closed with the parser: the caller reads on to compare the sum.
        JsonParser json = JSON.createParser(ObjectReadContext.empty(), in);
        while (json.nextToken() == JsonToken.START_ARRAY) {
            List<Object> cells = new ArrayList<>(bytes.length);
            for (JsonToken token = json.nextToken(); token != JsonToken.END_ARRAY; token = json.nextToken()) {
                boolean raw = cells.size() < bytes.length && bytes[cells.size()];
                if (token != JsonToken.VALUE_NULL && token != JsonToken.VALUE_STRING) {
                    throw new Refused("The text of " + table.name() + " is damaged in row " + (rows + 1) + ".");
                }
                cells.add(token == JsonToken.VALUE_NULL ? null : raw ? json.getBinaryValue() : json.getString());
            }
            filler.add(table.name(), table.columns(), cells);
            rows++;
        }
        if (json.currentToken() != null || rows != table.rows()) {
            throw new Refused("The text of " + table.name() + " has " + rows + " rows and not " + table.rows()
                    + "; the file is damaged.");
        }
    }
}
