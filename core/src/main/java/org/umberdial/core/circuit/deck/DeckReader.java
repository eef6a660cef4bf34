package org.umberdial.core.circuit.deck;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.umberdial.core.circuit.deck.DeckLines.Numbered;

/** Reads the common subset of a SPICE deck; collects every fault with its line number before refusing. */
public final class DeckReader {
    private static final int MOST_FAULTS = 50;

    private static final Set<String> PASSED_OVER = Set.of(
            ".tran",
            ".op",
            ".print",
            ".plot",
            ".meas",
            ".measure",
            ".options",
            ".option",
            ".save",
            ".ic",
            ".nodeset",
            ".temp",
            ".ac",
            ".dc",
            ".probe",
            ".backanno",
            ".tf",
            ".global");

    private final Map<String, Map<String, Double>> models = new LinkedHashMap<>();
    private final List<Deck.SocketPins> sockets = new ArrayList<>();
    private final List<String> testPoints = new ArrayList<>();
    private final List<String> modes = new ArrayList<>();
    private final List<String> notes = new ArrayList<>();
    /** Nodes that points and pins name, and where first. */
    private final Map<String, String> named = new LinkedHashMap<>();

    private final List<DeckRefused.Fault> faults = new ArrayList<>();
    private final Set<String> passedOver = new HashSet<>();
    private final CardReader cards = new CardReader(faults);

    private final Function<String, Optional<String>> files;

    private DeckReader(Function<String, Optional<String>> files) {
        this.files = files;
    }

    /**
     * @param text the whole file
     * @throws DeckRefused with every fault found
     */
    public static Deck read(String text) {
        return read(text, name -> Optional.empty());
    }

    /**
     * @param text the whole file
     * @param files finds a file beside it by the name in {@code .include}
     * @throws DeckRefused with every fault found; one in an included file has the line of its {@code .include}
     */
    public static Deck read(String text, Function<String, Optional<String>> files) {
        return new DeckReader(files).readAll(text);
    }

    /**
     * What could be read of a deck, and what could not.
     *
     * @param faults empty when all was read
     */
    public record Partial(Deck deck, List<DeckRefused.Fault> faults) {}

    /**
     * Reads what can be read: the part lines that are right, and a fault for each that is not.
     *
     * @throws DeckRefused when the file is no deck at all, or most of its part lines are wrong
     */
    public static Partial readWhatIsThere(String text) {
        DeckReader reader = new DeckReader(name -> Optional.empty());
        Deck deck = reader.collect(text);
        if (reader.faults.size() > deck.cards().size()) {
            throw new DeckRefused(reader.faults);
        }
        return new Partial(deck, List.copyOf(reader.faults));
    }

    private Deck readAll(String text) {
        Deck deck = collect(text);
        if (!faults.isEmpty()) {
            throw new DeckRefused(faults);
        }
        return deck;
    }

    private Deck collect(String text) {
        List<Numbered> lines = new DeckLines(files).of(text);
        readParameters(lines);
        boolean skipping = false;
        for (Numbered line : lines.subList(1, lines.size())) {
            String lower = line.text().strip().toLowerCase(Locale.ROOT);
            if (lower.startsWith(".end") && !lower.startsWith(".endc") && !lower.startsWith(".ends")) {
                break;
            }
            if (lower.startsWith(".subckt")) {
                skipping = true;
            }
            if (lower.startsWith(".subckt") && passedOver.add(".subckt")) {
                notes.add("Line " + line.number() + ": " + line.text().strip().split("\\s+")[0]
                        + " was passed over; tubes and transformers get their models from their type here.");
            }
            if (lower.startsWith(".control")) {
                skipping = true;
                notes.add("Line " + line.number()
                        + ": the .control block was passed over; it says nothing about the circuit.");
            }
            if (!skipping && !lower.isEmpty() && !lower.startsWith(".ends")) {
                readLine(line);
            }
            if (lower.startsWith(".endc") || lower.startsWith(".ends")) {
                skipping = false;
            }
            if (faults.size() >= MOST_FAULTS) {
                break;
            }
        }
        noteUnknownNodes();
        String title = lines.get(0).text().replaceFirst("^\\*\\s*", "").strip();
        return new Deck(
                title,
                List.copyOf(cards.cards()),
                Map.copyOf(models),
                List.copyOf(sockets),
                List.copyOf(testPoints),
                namedModes(),
                List.copyOf(notes));
    }

    /** A point or pin at a node that no part has is a slip of the pen, or its part is missing. */
    private void noteUnknownNodes() {
        Set<String> there = new HashSet<>(Set.of("0"));
        cards.cards().forEach(card -> there.addAll(card.nodes()));
        named.forEach((node, where) -> {
            if (!there.contains(node)) {
                notes.add(where + " names “" + node + "”, and no part is at such a node; check its spelling.");
            }
        });
    }

    private void readParameters(List<Numbered> lines) {
        for (Numbered line : lines) {
            String text = line.text().strip();
            if (text.toLowerCase(Locale.ROOT).startsWith(".param")) {
                Matcher matcher = Pattern.compile("([A-Za-z_][A-Za-z_0-9]*)\\s*=\\s*(\\S+)")
                        .matcher(text.replaceAll(";.*", ""));
                while (matcher.find()) {
                    Optional<Double> value = SpiceNumber.read(matcher.group(2));
                    if (value.isPresent()) {
                        cards.parameter(matcher.group(1), value.get());
                    } else {
                        fault(
                                line,
                                "the parameter " + matcher.group(1) + " is “" + matcher.group(2) + "”; give a number.");
                    }
                }
            }
        }
    }

    private void readLine(Numbered line) {
        String text = line.text().strip();
        if (text.startsWith("*")) {
            readComment(line, text);
        } else if (text.startsWith(".")) {
            readDirective(line, text);
        } else if (!text.startsWith(";")) {
            cards.read(line, text);
        }
    }

    private void readComment(Numbered line, String text) {
        if (text.startsWith("*=")) {
            String card = text.substring(2).strip();
            cards.restore(line, card);
            return;
        }
        String[] words = text.split("\\s+");
        switch (words[0].toUpperCase(Locale.ROOT)) {
            case "*TP", "*MODES", "*PINS" -> readStructured(line, words);
            default -> {}
        }
    }

    private void readStructured(Numbered line, String[] words) {
        if (Arrays.stream(words).anyMatch(word -> word.length() > CardReader.LONGEST_NAME)) {
            fault(
                    line,
                    words[0] + " holds a name of more than " + CardReader.LONGEST_NAME + " characters; shorten it.");
            return;
        }
        switch (words[0].toUpperCase(Locale.ROOT)) {
            case "*TP" ->
                Arrays.stream(words).skip(1).map(CardReader::node).forEach(node -> {
                    testPoints.add(node);
                    named.putIfAbsent(node, "Line " + line.number() + ": *TP");
                });
            case "*MODES" -> modes.addAll(Arrays.asList(words).subList(1, words.length));
            default -> readPins(line, words);
        }
    }

    private void readPins(Numbered line, String[] words) {
        if (words.length < 3) {
            fault(line, "*PINS needs the socket, the tube type and pins, as in *PINS V4 50C5 1=v4_cathode 2=v4_grid.");
            return;
        }
        if (words[1].length() > 20) {
            fault(line, "the socket name " + words[1] + " is too long; write it like V4.");
            return;
        }
        Map<String, String> pins = new LinkedHashMap<>();
        for (String word : Arrays.asList(words).subList(3, words.length)) {
            int equals = word.indexOf('=');
            if (equals < 1 || equals > 10 || equals == word.length() - 1) {
                fault(line, "“" + word + "” is no pin; write pin=node, as in 1=v4_cathode.");
            } else {
                String node = CardReader.node(word.substring(equals + 1));
                pins.put(word.substring(0, equals).toLowerCase(Locale.ROOT), node);
                named.putIfAbsent(node, "Line " + line.number() + ": *PINS " + words[1]);
            }
        }
        sockets.add(new Deck.SocketPins(words[1].toUpperCase(Locale.ROOT), words[2].toUpperCase(Locale.ROOT), pins));
    }

    private void readDirective(Numbered line, String text) {
        String word = text.split("\\s+")[0].toLowerCase(Locale.ROOT);
        if (word.equals(".model")) {
            readModel(line, text);
        } else if (passedOver.contains(word)) {
            return;
        } else if (PASSED_OVER.contains(word)) {
            passedOver.add(word);
            notes.add("Line " + line.number() + ": " + word
                    + " was passed over; it tells a simulator what to do and says nothing about the circuit.");
        } else if (word.equals(".include") || word.equals(".inc") || word.equals(".lib")) {
            fault(
                    line,
                    word
                            + " names another file, which is not here; put it beside the deck, or its lines "
                            + "into the deck.");
        } else if (!word.equals(".param") && !word.equals(".title")) {
            fault(line, word + " is not known here; part lines, .param and .model are read.");
        }
    }

    private void readModel(Numbered line, String text) {
        String[] words = text.replaceAll(";.*", "")
                .replaceAll("[(),]", " ")
                .replaceAll("\\s*=\\s*", "=")
                .split("\\s+");
        String kind = words.length < 3 ? "" : words[2].toUpperCase(Locale.ROOT);
        if (!List.of("D", "NPN", "PNP").contains(kind)) {
            fault(
                    line,
                    "only models of diodes and transistors are read: .model NAME D(IS=... N=... RS=...), "
                            + ".model NAME PNP(IS=... BF=...).");
            return;
        }
        Map<String, Double> values = new LinkedHashMap<>();
        if (!kind.equals("D")) {
            values.put(kind, 1.0);
        }
        for (String word : Arrays.asList(words).subList(3, words.length)) {
            String[] pair = word.split("=");
            Optional<Double> value = pair.length == 2 ? SpiceNumber.read(pair[1]) : Optional.empty();
            if (value.isEmpty()) {
                fault(line, "“" + word + "” is no model parameter; write NAME=number.");
            } else {
                values.put(pair[0].toUpperCase(Locale.ROOT), value.get());
            }
        }
        models.put(words[1].toUpperCase(Locale.ROOT), values);
    }

    /** Modes as listed, else in the order in which {@code closed=} names them. */
    private List<String> namedModes() {
        if (!modes.isEmpty()) {
            return List.copyOf(modes);
        }
        return cards.cards().stream()
                .flatMap(card -> card.key("closed").stream())
                .flatMap(closed -> Arrays.stream(closed.split(",")))
                .filter(mode -> !mode.isBlank())
                .distinct()
                .toList();
    }

    private void fault(Numbered line, String text) {
        faults.add(new DeckRefused.Fault(line.number(), text));
    }
}
