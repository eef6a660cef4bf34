package org.umberdial.server.exchange.internal;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.SpreadsheetCell;

/** A delimited text file: finds its encoding and its separator by itself, and gives its rows by column name. */
final class DelimitedText {
    private static final int MOST_ROWS = 100_000;

    /** @param line in the file, from 1 */
    record Row(long line, Map<String, String> cells) {
        String cell(String column) {
            return cells.getOrDefault(column, "");
        }
    }

    private final List<Row> rows = new ArrayList<>();
    private final List<String> notes = new ArrayList<>();

    DelimitedText(byte[] bytes, List<String> known, List<String> needed) {
        String text = decode(bytes);
        if (text.chars().anyMatch(c -> c < 9)) {
            throw new InvalidEntry(
                    InvalidEntry.Code.SYNTAX, "This is not a text file; give a CSV file with a header line.");
        }
        String firstLine = text.lines()
                .filter(line -> !line.isBlank())
                .findFirst()
                .orElseThrow(() -> new InvalidEntry(
                        InvalidEntry.Code.EMPTY,
                        "The file is empty; its first line must name the columns, at least "
                                + String.join(" and ", needed) + "."));
        char separator = separator(firstLine);
        try (CSVParser parser = CSVFormat.RFC4180
                .builder()
                .setDelimiter(separator)
                .setIgnoreEmptyLines(true)
                .setIgnoreSurroundingSpaces(true)
                .setTrim(true)
                .get()
                .parse(new java.io.StringReader(text))) {
            read(parser, known, needed);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (IllegalStateException | java.io.UncheckedIOException e) {
            throw new InvalidEntry(
                    InvalidEntry.Code.SYNTAX,
                    "The file breaks off inside a quoted cell; each opening quote needs a closing one.");
        }
    }

    private void read(CSVParser parser, List<String> known, List<String> needed) {
        List<String> header = null;
        for (CSVRecord record : parser) {
            if (header == null) {
                header = record.stream()
                        .map(name -> name.toLowerCase(Locale.ROOT).strip())
                        .toList();
                checkHeader(header, known, needed);
                continue;
            }
            if (rows.size() >= MOST_ROWS) {
                throw new InvalidEntry(
                        InvalidEntry.Code.OUT_OF_RANGE, "The file has more than " + MOST_ROWS + " rows; split it.");
            }
            Map<String, String> cells = new LinkedHashMap<>();
            for (int i = 0; i < header.size() && i < record.size(); i++) {
                cells.put(header.get(i), SpreadsheetCell.read(record.get(i)));
            }
            rows.add(new Row(parser.getCurrentLineNumber(), cells));
        }
    }

    private void checkHeader(List<String> header, List<String> known, List<String> needed) {
        for (String column : needed) {
            if (!header.contains(column)) {
                throw new InvalidEntry(
                        InvalidEntry.Code.SYNTAX,
                        "The first line must name the columns, at least " + String.join(" and ", needed) + "; “"
                                + column + "” is missing. All of them: " + String.join(",", known) + ".");
            }
        }
        List<String> unknown =
                header.stream().filter(column -> !known.contains(column)).toList();
        if (!unknown.isEmpty()) {
            notes.add("Columns passed over: " + String.join(", ", unknown) + ".");
        }
    }

    private String decode(byte[] bytes) {
        try {
            String text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(bytes))
                    .toString();
            return text.startsWith("\uFEFF") ? text.substring(1) : text;
        } catch (CharacterCodingException notUtf8) {
            notes.add("The file is not UTF-8; it was read as Windows-1252. Check names with accents and signs "
                    + "such as Ω.");
            return new String(bytes, Charset.forName("windows-1252"));
        }
    }

    private static char separator(String header) {
        char best = ',';
        for (char candidate : new char[] {';', '\t'}) {
            if (count(header, candidate) > count(header, best)) {
                best = candidate;
            }
        }
        return best;
    }

    private static long count(String text, char sign) {
        return text.chars().filter(c -> c == sign).count();
    }

    List<Row> rows() {
        return rows;
    }

    List<String> notes() {
        return notes;
    }
}
