package org.umberdial.core.procedure;

import static org.umberdial.core.value.InvalidEntry.Code.AMBIGUOUS;
import static org.umberdial.core.value.InvalidEntry.Code.EMPTY;
import static org.umberdial.core.value.InvalidEntry.Code.SYNTAX;
import static org.umberdial.core.value.InvalidEntry.Code.UNKNOWN;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.umberdial.core.policy.Vocabulary;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.BenchForm.Choice;
import org.umberdial.core.procedure.BenchForm.Kind;
import org.umberdial.core.procedure.BenchForm.Line;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;

/**
 * The entry strip's shorthand on a test's form: {@code [row] [figure …]}.
 *
 * <p>Examples: {@code 231k} for the cell that is current, {@code R7 231k}, {@code R7 231k lifted}, {@code C12 7k 0 23k
 * 30 s} for a row of several figures, {@code black red 12.1}, {@code V2 good}, {@code 2} for the second of a cell's
 * choices, {@code V2} alone to go to that row. What a figure says is not judged here.
 */
public final class FormEntry {
    private static final Pattern FIGURE = Pattern.compile("[+\\-−]?[0-9.,/]+.*");
    private static final Pattern REFERENCE = Pattern.compile("[A-Za-z]+[0-9]+[A-Za-z]?");
    private static final Pattern UNIT =
            Pattern.compile("(?i)[pnuµmkM]?(Ω|ohms?|V|volts?|A|amps?|F|H|s|sec|seconds?)|k|meg|M");

    private final List<Line> lines;
    private final String at;

    private FormEntry(BenchForm form, String at) {
        this.lines = form.blocks().stream().flatMap(b -> b.lines().stream()).toList();
        this.at = at;
    }

    /** Whether a word looks like a part's reference: {@code R7}, {@code XV1A}. */
    public static boolean isReference(String word) {
        return REFERENCE.matcher(word).matches();
    }

    /** @param key of the cell, @param text what goes into it: as typed, or the id of a choice */
    public record Placed(String key, String text) {}

    /**
     * What was understood.
     *
     * @param placed what goes where, in the order of the form's cells as typed
     * @param to key of the cell somebody only named; empty when figures were typed
     */
    public record Understood(List<Placed> placed, String to) {}

    /**
     * Understands one entry.
     *
     * @param typed as typed
     * @param at key of the cell that an entry without a name is for; may be empty
     * @throws InvalidEntry with a sentence for the person typing
     */
    public static Understood read(BenchForm form, String typed, String at) {
        String text = typed.strip().replaceAll("\\s+", " ");
        if (text.isEmpty()) {
            throw new InvalidEntry(EMPTY, "Type what the instrument shows.");
        }
        return new FormEntry(form, at).read(text);
    }

    private Understood read(String text) {
        Optional<Cell> current = cell(at);
        if (current.filter(cell -> cell.kind() == Kind.WORDS).isPresent()) {
            return new Understood(List.of(new Placed(at, text)), "");
        }
        Optional<Line> named = named(text);
        if (named.isEmpty()) {
            Line line = lines.stream()
                    .filter(l -> l.cells().stream().anyMatch(c -> c.key().equals(at)))
                    .findFirst()
                    .orElseThrow(() -> new InvalidEntry(
                            UNKNOWN, "No row is chosen. Type its name first, then the figure" + example() + "."));
            return new Understood(place(line, at, text), "");
        }
        Line line = named.get();
        String rest = text.substring(nameIn(line, text).length()).strip();
        return rest.isEmpty()
                ? new Understood(List.of(), line.cells().get(0).key())
                : new Understood(place(line, line.cells().get(0).key(), rest), "");
    }

    /** {@code , as in C1 231k}; empty where no row is about a part. */
    private String example() {
        return lines.stream()
                .filter(line -> !line.subject().isEmpty())
                .findFirst()
                .flatMap(line -> names(line).findFirst())
                .map(name -> ", as in " + name + " 231k")
                .orElse("");
    }

    private Optional<Cell> cell(String key) {
        return lines.stream()
                .flatMap(line -> line.cells().stream())
                .filter(cell -> cell.key().equals(key))
                .findFirst();
    }

    /** What a row can be called, the reference first: {@code XV2} and {@code V2} of a tube. */
    private static Stream<String> names(Line line) {
        String subject = line.subject();
        String first = line.label().replaceAll(",.*", "");
        return Stream.concat(
                        Stream.of(
                                subject.replaceFirst("(?i)^X(?=[A-Z])", ""),
                                subject,
                                line.label(),
                                first,
                                // A row of pairs: "black to", then the other lead.
                                line.label().replaceAll(" to$", "")),
                        // Both halves of a control are read as one.
                        Stream.of(first.split(" and ")).filter(FormEntry::isReference))
                .filter(name -> !name.isBlank());
    }

    /** The longest of a row's names with which the text begins; empty for none. */
    private static String nameIn(Line line, String text) {
        return names(line)
                .filter(name -> begins(text, name))
                .max(java.util.Comparator.comparingInt(String::length))
                .orElse("");
    }

    private static boolean begins(String text, String name) {
        return text.regionMatches(true, 0, name, 0, name.length())
                && (text.length() == name.length() || text.charAt(name.length()) == ' ');
    }

    /** The row a text begins with; two rows of one name are told apart by the current cell. */
    private Optional<Line> named(String text) {
        int longest =
                lines.stream().mapToInt(l -> nameIn(l, text).length()).max().orElse(0);
        if (longest == 0) {
            return Optional.empty();
        }
        List<Line> found =
                lines.stream().filter(l -> nameIn(l, text).length() == longest).toList();
        if (found.size() == 1) {
            return Optional.of(found.get(0));
        }
        return Optional.of(found.stream()
                .filter(l -> l.cells().stream().anyMatch(c -> c.key().equals(at)))
                .findFirst()
                .orElseThrow(() -> new InvalidEntry(
                        AMBIGUOUS,
                        "“" + nameIn(found.get(0), text) + "” could be "
                                + String.join(
                                        " or ", found.stream().map(Line::label).toList())
                                + "; write more of the name.")));
    }

    private List<Placed> place(Line line, String from, String text) {
        List<String> words = words(Vocabulary.plain(text));
        if (words.size() > 1 && isReference(words.get(0))) {
            throw new InvalidEntry(UNKNOWN, "No row here is called " + words.get(0) + ".");
        }
        // A bare number answers by its place only where the answers are shown and nothing else was typed.
        boolean counted = words.size() == 1 && !at.isEmpty();
        List<Cell> free = new ArrayList<>(line.cells());
        while (!free.get(0).key().equals(from)) {
            free.remove(0);
        }
        List<Placed> placed = new ArrayList<>();
        for (int i = 0; i < words.size(); i++) {
            String word = words.get(i);
            if (free.isEmpty()) {
                throw new InvalidEntry(SYNTAX, "“" + word + "” is one figure too many for this row. " + asks(line));
            }
            Optional<Cell> called = called(line, word).filter(free::contains);
            boolean more = i + 1 < words.size();
            Cell cell;
            String value;
            if (called.isPresent() && more && called(line, words.get(i + 1)).isEmpty()) {
                cell = called.get();
                value = value(cell, words.get(++i), false);
            } else if (called.isPresent() && yesNo(called.get())) {
                cell = called.get();
                value = "yes";
            } else if (word.startsWith("@")) {
                cell = free.stream()
                        .filter(c -> c.kind() == Kind.FIGURE && c.unit() == Unit.VOLT)
                        .findFirst()
                        .orElseThrow(
                                () -> new InvalidEntry(SYNTAX, "No volts are asked for in this row. " + asks(line)));
                value = word.substring(1);
            } else {
                cell = free.stream()
                        .filter(c -> takes(c, word, counted))
                        .findFirst()
                        .orElseThrow(() ->
                                new InvalidEntry(SYNTAX, "“" + word + "” has no place in this row. " + asks(line)));
                boolean said = cell.kind() == Kind.WORDS;
                value = said ? String.join(" ", words.subList(i, words.size())) : value(cell, word, counted);
                i = said ? words.size() : i;
            }
            placed.add(new Placed(cell.key(), value));
            free.remove(cell);
        }
        return List.copyOf(placed);
    }

    /** Words with a figure and its unit as one. */
    private static List<String> words(String text) {
        List<String> words = new ArrayList<>();
        for (String word : text.split(" ")) {
            int last = words.size() - 1;
            boolean unit = last >= 0
                    && UNIT.matcher(word).matches()
                    && FIGURE.matcher(words.get(last)).matches()
                    && words.get(last).matches(".*[0-9.]$");
            if (unit) {
                words.set(last, words.get(last) + " " + word);
            } else {
                words.add(word);
            }
        }
        return words;
    }

    /** The cell of a row that is called so, by the beginning of one of the words of its label. */
    private static Optional<Cell> called(Line line, String word) {
        if (word.length() < 2 || FIGURE.matcher(word).matches()) {
            return Optional.empty();
        }
        String wanted = word.toLowerCase(Locale.ROOT);
        return line.cells().stream()
                .filter(c -> Stream.of(c.label().toLowerCase(Locale.ROOT).split("[ ,]+"))
                        .anyMatch(part -> !part.isEmpty() && part.startsWith(wanted)))
                .findFirst();
    }

    private static boolean takes(Cell cell, String word, boolean counted) {
        return switch (cell.kind()) {
            case CHOICE -> choice(cell, word, counted).isPresent();
            case FIGURE, NUMBER -> FIGURE.matcher(word).matches() || cell.unit() == Unit.OHM && Figures.saysOpen(word);
            case WORDS -> !FIGURE.matcher(word).matches();
        };
    }

    private static boolean yesNo(Cell cell) {
        return cell.kind() == Kind.CHOICE && cell.choices().stream().anyMatch(c -> c.id().equals("yes"));
    }

    /** @param counted whether a digit means the answer at that place */
    private static Optional<Choice> choice(Cell cell, String word, boolean counted) {
        if (counted && word.matches("[1-9]")) {
            return cell.choices().stream().skip(word.charAt(0) - '1').findFirst();
        }
        String wanted = word.toLowerCase(Locale.ROOT);
        return cell.choices().stream()
                .filter(c -> c.id().startsWith(wanted)
                        || c.label().toLowerCase(Locale.ROOT).startsWith(wanted))
                .findFirst();
    }

    private static String value(Cell cell, String word, boolean counted) {
        return cell.kind() != Kind.CHOICE
                ? word
                : choice(cell, word, counted)
                        .map(Choice::id)
                        .orElseThrow(() -> new InvalidEntry(
                                SYNTAX, "“" + word + "” is none of its answers: " + answers(cell) + "."));
    }

    /** {@code 1 good, 2 doubtful or 3 bad}. */
    private static String answers(Cell cell) {
        List<String> answers = new ArrayList<>();
        cell.choices().forEach(c -> answers.add((answers.size() + 1) + " " + c.label()));
        int last = answers.size() - 1;
        return last < 1
                ? String.join("", answers)
                : String.join(", ", answers.subList(0, last)) + " or " + answers.get(last);
    }

    private static String asks(Line line) {
        return "It asks for "
                + String.join(
                        ", ",
                        line.cells().stream()
                                .map(c -> c.kind() == Kind.CHOICE
                                        ? (c.label() + " (" + answers(c) + ")").strip()
                                        : c.label().isEmpty() ? line.label() : c.label())
                                .toList())
                + ".";
    }
}
