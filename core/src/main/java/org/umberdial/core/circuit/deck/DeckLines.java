package org.umberdial.core.circuit.deck;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The lines of a deck with their numbers: continuations joined, included files in place. */
final class DeckLines {
    /** Twice the largest deck the engine must take; beyond it a file is no set. */
    private static final int LARGEST = 20_000;

    private static final int DEEPEST = 8;

    private static final Pattern INCLUDE =
            Pattern.compile("\\.inc(?:lude)?\\s+[\"']?([^\"']+?)[\"']?", Pattern.CASE_INSENSITIVE);

    /** @param number in the file, from 1; of an included line that of its {@code .include} */
    record Numbered(int number, String text) {}

    private final Function<String, Optional<String>> files;

    DeckLines(Function<String, Optional<String>> files) {
        this.files = files;
    }

    /** @throws DeckRefused when this is no text, has no line, or more than a set can have */
    List<Numbered> of(String text) {
        if (text.chars().anyMatch(c -> c < 9 || c == 0xFFFD)) {
            throw refused("This is not a text file; give a SPICE deck saved as plain text.");
        }
        List<Numbered> lines = joinContinuations(text.split("\\R", -1));
        if (lines.isEmpty()) {
            throw refused("The deck is empty; the first line is its title, then one part a line.");
        }
        if (lines.size() > LARGEST) {
            throw refused("The deck has " + lines.size() + " lines; at most " + LARGEST + " are read.");
        }
        List<Numbered> all = withIncluded(lines, List.of());
        if (all.size() > LARGEST) {
            throw refused(
                    "With its included files the deck has " + all.size() + " lines; at most " + LARGEST + " are read.");
        }
        return all;
    }

    private static DeckRefused refused(String text) {
        return new DeckRefused(List.of(new DeckRefused.Fault(0, text)));
    }

    /**
     * Puts the lines of included files in place of their {@code .include}, files within files as well.
     *
     * @param within the files that lead here, the outermost first
     */
    private List<Numbered> withIncluded(List<Numbered> lines, List<String> within) {
        List<Numbered> all = new ArrayList<>();
        for (Numbered line : lines) {
            Matcher include = INCLUDE.matcher(line.text.strip());
            Optional<String> found = include.matches() ? included(line, include.group(1), within) : Optional.empty();
            if (found.isEmpty()) {
                all.add(line);
                continue;
            }
            all.add(new Numbered(line.number, "* " + include.group(1)));
            List<Numbered> inner = joinContinuations(("*\n" + found.get()).split("\\R", -1)).stream()
                    .map(each -> new Numbered(line.number, each.text))
                    .toList();
            List<String> deeper = new ArrayList<>(within);
            deeper.add(include.group(1));
            all.addAll(withIncluded(inner, deeper));
            if (all.size() > LARGEST) {
                break;
            }
        }
        return all;
    }

    private Optional<String> included(Numbered line, String name, List<String> within) {
        if (name.contains("..") || name.startsWith("/") || name.startsWith("\\") || name.contains(":")) {
            throw refused(
                    line.number,
                    name + " leads out of the deck's own directory; put the file beside the deck and name it alone.");
        }
        if (within.contains(name)) {
            throw refused(
                    line.number,
                    name + " includes itself: " + String.join(" → ", within) + " → " + name
                            + ". Take one of them out.");
        }
        if (within.size() >= DEEPEST) {
            throw refused(
                    line.number,
                    "files are included within each other more than " + DEEPEST + " deep; put their"
                            + " lines into one.");
        }
        return files.apply(name);
    }

    private static DeckRefused refused(int line, String text) {
        return new DeckRefused(List.of(new DeckRefused.Fault(line, text)));
    }

    private static List<Numbered> joinContinuations(String[] raw) {
        List<Numbered> lines = new ArrayList<>();
        for (int i = 0; i < raw.length; i++) {
            String text = raw[i];
            if (text.startsWith("+") && lines.size() > 1) {
                Numbered last = lines.remove(lines.size() - 1);
                lines.add(new Numbered(last.number, joined(last.text, text.substring(1))));
            } else if (i == 0 || !text.isBlank()) {
                lines.add(new Numbered(i + 1, text));
            }
        }
        if (lines.size() == 1 && lines.get(0).text.isBlank()) {
            lines.clear();
        }
        return lines;
    }

    /** Joins a continuation ahead of the keys of the line it continues. */
    private static String joined(String first, String more) {
        int keys = first.indexOf(';');
        return keys < 0
                ? first + " " + more
                : first.substring(0, keys) + " " + more
                        + (more.indexOf(';') < 0 ? " " + first.substring(keys) : " " + first.substring(keys + 1));
    }
}
