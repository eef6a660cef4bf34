package org.umberdial.launcher;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.GZIPInputStream;

/**
 * A backup as versions before tables 7 made it: MariaDB's own dump, gzipped, between a first line that names the
 * version and a last one that closes it. Its rows are taken out of its INSERT statements; no statement in it is run.
 */
final class OldDump {
    private static final Pattern FIRST = Pattern.compile("-- Umber Dial backup, format 1, tables (\\d+)");
    private static final String LAST = "-- end of this backup";
    private static final Pattern COLUMN = Pattern.compile("(?m)^\\s*`(\\w+)` ");
    private static final Pattern TABLE = Pattern.compile("`(\\w+)`");

    private final Path file;

    private OldDump(Path file) {
        this.file = file;
    }

    /** Whether a file begins as such a backup; whether it is whole is seen when it is read. */
    static boolean is(Path file) {
        try (BufferedReader in = open(file)) {
            String first = in.readLine();
            return first != null && FIRST.matcher(first).matches();
        } catch (IOException foreign) {
            return false;
        }
    }

    static int version(Path file) throws IOException {
        try (BufferedReader in = open(file)) {
            Matcher first = FIRST.matcher(in.readLine());
            return first.matches() ? Integer.parseInt(first.group(1)) : 0;
        }
    }

    private static BufferedReader open(Path file) throws IOException {
        return new BufferedReader(
                new InputStreamReader(new GZIPInputStream(Files.newInputStream(file), 1 << 16), StandardCharsets.UTF_8),
                1 << 16);
    }

    /** Rows of each table that were put in. */
    static Map<String, Long> load(Path file, Filler filler) throws IOException, SQLException {
        try (BufferedReader in = open(file)) {
            return new OldDump(file).new Reading(in, filler).all();
        } catch (java.io.EOFException | java.util.zip.ZipException cut) {
            throw cutOff(file);
        }
    }

    private static Refused cutOff(Path file) {
        return new Refused(file + " is cut off or damaged; nothing was changed.");
    }

    /** One pass over the text. */
    private final class Reading {
        private final BufferedReader in;
        private final Filler filler;
        private final Map<String, List<String>> columns = new HashMap<>();
        private final Map<String, Long> rows = new HashMap<>();
        private boolean whole;

        Reading(BufferedReader in, Filler filler) {
            this.in = in;
            this.filler = filler;
        }

        Map<String, Long> all() throws IOException, SQLException {
            for (int c = skip(); c >= 0; c = skip()) {
                String word = word((char) c);
                if (word.equals("INSERT")) {
                    insert();
                } else {
                    String rest = rest();
                    if (word.equals("CREATE") && rest.startsWith("TABLE")) {
                        created(rest);
                    }
                }
            }
            if (!whole) {
                throw cutOff(file);
            }
            return rows;
        }

        /** The next sign that is neither blank nor comment; -1 at the end. */
        private int skip() throws IOException {
            for (int c = in.read(); c >= 0; c = in.read()) {
                if (c == '-' && peek() == '-') {
                    whole = ("-" + in.readLine()).equals(LAST);
                } else if (c == '/' && peek() == '*') {
                    comment();
                } else if (c != ';' && !Character.isWhitespace(c)) {
                    return c;
                }
            }
            return -1;
        }

        private int peek() throws IOException {
            in.mark(1);
            int c = in.read();
            in.reset();
            return c;
        }

        private void comment() throws IOException {
            for (int before = in.read(), c = in.read(); c >= 0; before = c, c = in.read()) {
                if (before == '*' && c == '/') {
                    return;
                }
            }
        }

        private String word(char first) throws IOException {
            StringBuilder word = new StringBuilder().append(first);
            for (int c = in.read(); c >= 0 && Character.isLetter(c); c = in.read()) {
                word.append((char) c);
            }
            return word.toString();
        }

        /** To the end of a statement, minding quotes. */
        private String rest() throws IOException {
            StringBuilder text = new StringBuilder();
            int quote = 0;
            for (int c = in.read(); c >= 0 && !(c == ';' && quote == 0); c = in.read()) {
                text.append((char) c);
                if (quote != 0 && c == '\\' && quote != '`') {
                    text.append((char) in.read());
                } else if (c == quote) {
                    quote = 0;
                } else if (quote == 0 && (c == '\'' || c == '"' || c == '`')) {
                    quote = c;
                }
            }
            return text.toString();
        }

        private void created(String statement) {
            Matcher name = TABLE.matcher(statement);
            if (name.find()) {
                List<String> names = new ArrayList<>();
                COLUMN.matcher(statement).results().forEach(found -> names.add(found.group(1)));
                columns.put(name.group(1), names);
            }
        }

        /** {@code INTO `table` VALUES (...),(...);} */
        private void insert() throws IOException, SQLException {
            String head = until('(');
            Matcher name = TABLE.matcher(head);
            if (!name.find() || !head.strip().endsWith("VALUES")) {
                throw new Refused(file + " holds a statement that a backup does not have; nothing was changed.");
            }
            String table = name.group(1);
            boolean kept = filler.knows(table);
            int next;
            do {
                List<Object> cells = tuple(table);
                if (kept) {
                    filler.add(table, columns.getOrDefault(table, List.of()), cells);
                    rows.merge(table, 1L, Long::sum);
                }
                next = skip(in.read());
                if (next == ',') {
                    until('(');
                }
            } while (next == ',');
            if (next != ';') {
                throw cutOff(file);
            }
        }

        private int skip(int c) throws IOException {
            int at = c;
            while (at >= 0 && Character.isWhitespace(at)) {
                at = in.read();
            }
            return at;
        }

        private String until(char stop) throws IOException {
            StringBuilder text = new StringBuilder();
            for (int c = in.read(); c != stop; c = in.read()) {
                if (c < 0) {
                    throw cutOff(file);
                }
                text.append((char) c);
            }
            return text.toString();
        }

        /** Cells up to the closing bracket. */
        private List<Object> tuple(String table) throws IOException {
            List<Object> cells = new ArrayList<>();
            int end;
            do {
                int c = skip(in.read());
                StringBuilder text = new StringBuilder();
                boolean quoted = c == '\'';
                end = quoted ? quoted(text) : bare(c, text);
                String column = columns.getOrDefault(table, List.of()).size() > cells.size()
                        ? columns.get(table).get(cells.size())
                        : "";
                cells.add(cell(text.toString(), quoted, filler.holdsBytes(table, column)));
            } while (end == ',');
            if (end != ')') {
                throw cutOff(file);
            }
            return cells;
        }

        private Object cell(String text, boolean quoted, boolean bytes) {
            if (!quoted && text.equals("NULL")) {
                return null;
            }
            if (!quoted && text.startsWith("0x")) {
                byte[] raw = HexFormat.of().parseHex(text, 2, text.length());
                return bytes ? raw : new String(raw, StandardCharsets.UTF_8);
            }
            return bytes ? text.getBytes(StandardCharsets.ISO_8859_1) : text;
        }

        private int quoted(StringBuilder text) throws IOException {
            for (int c = in.read(); ; c = in.read()) {
                if (c < 0) {
                    throw cutOff(file);
                } else if (c == '\\') {
                    text.append(escaped(in.read()));
                } else if (c == '\'' && peek() == '\'') {
                    text.append((char) in.read());
                } else if (c == '\'') {
                    return skip(in.read());
                } else {
                    text.append((char) c);
                }
            }
        }

        private char escaped(int c) {
            return switch (c) {
                case '0' -> '\0';
                case 'n' -> '\n';
                case 'r' -> '\r';
                case 't' -> '\t';
                case 'b' -> '\b';
                case 'Z' -> '\u001a';
                default -> (char) c;
            };
        }

        private int bare(int first, StringBuilder text) throws IOException {
            int c = first;
            for (; c >= 0 && c != ',' && c != ')'; c = in.read()) {
                text.append((char) c);
            }
            return c;
        }
    }
}
