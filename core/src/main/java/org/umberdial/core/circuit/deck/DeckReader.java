package org.umberdial.core.circuit.deck;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
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

/** Reads the common subset of a SPICE deck; collects every fault with its line number before refusing. */
public final class DeckReader {
    /** Twice the largest deck the engine must take; beyond it a file is no set. */
    private static final int LARGEST = 20_000;

    private static final int MOST_FAULTS = 50;

    /** References, nodes, types and modes; also what the database holds. */
    private static final int LONGEST_NAME = 40;

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
    private static final Pattern KEY = Pattern.compile("([A-Za-z_][A-Za-z_0-9]*)=(\"[^\"]*\"|\\S+)");
    private static final Pattern INCLUDE =
            Pattern.compile("\\.inc(?:lude)?\\s+[\"']?([^\"']+?)[\"']?", Pattern.CASE_INSENSITIVE);
    private static final Pattern SIN = Pattern.compile("SIN\\s*\\(([^)]*)\\)", Pattern.CASE_INSENSITIVE);

    private final Map<String, Double> parameters = new HashMap<>();
    private final Map<String, Map<String, Double>> models = new LinkedHashMap<>();
    private final List<Card> cards = new ArrayList<>();
    private final Map<String, Integer> lineOf = new HashMap<>();
    private final List<Deck.SocketPins> sockets = new ArrayList<>();
    private final List<String> testPoints = new ArrayList<>();
    private final List<String> modes = new ArrayList<>();
    private final List<String> notes = new ArrayList<>();
    private final List<DeckRefused.Fault> faults = new ArrayList<>();
    private final Set<String> passedOver = new HashSet<>();
    /** References that a {@code *=} comment gave back; the equivalent below it is left. */
    private final Set<String> restored = new HashSet<>();

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

    private record Numbered(int number, String text) {}

    private Deck readAll(String text) {
        Deck deck = collect(text);
        if (!faults.isEmpty()) {
            throw new DeckRefused(faults);
        }
        return deck;
    }

    private Deck collect(String text) {
        if (text.chars().anyMatch(c -> c < 9 || c == 0xFFFD)) {
            throw new DeckRefused(List.of(
                    new DeckRefused.Fault(0, "This is not a text file; give a SPICE deck saved as plain text.")));
        }
        List<Numbered> lines = joinContinuations(text.split("\\R", -1));
        if (lines.isEmpty()) {
            throw new DeckRefused(List.of(
                    new DeckRefused.Fault(0, "The deck is empty; the first line is its title, then one part a line.")));
        }
        if (lines.size() > LARGEST) {
            throw new DeckRefused(List.of(new DeckRefused.Fault(
                    0, "The deck has " + lines.size() + " lines; at most " + LARGEST + " are read.")));
        }
        lines = withIncluded(lines);
        readParameters(lines);
        boolean skipping = false;
        for (Numbered line : lines.subList(1, lines.size())) {
            String lower = line.text.strip().toLowerCase(Locale.ROOT);
            if (lower.startsWith(".end") && !lower.startsWith(".endc") && !lower.startsWith(".ends")) {
                break;
            }
            if (lower.startsWith(".subckt")) {
                skipping = true;
            }
            if (lower.startsWith(".subckt") && passedOver.add(".subckt")) {
                notes.add("Line " + line.number + ": " + line.text.strip().split("\\s+")[0]
                        + " was passed over; tubes and transformers get their models from their type here.");
            }
            if (lower.startsWith(".control")) {
                skipping = true;
                notes.add("Line " + line.number
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
        String title = lines.get(0).text.replaceFirst("^\\*\\s*", "").strip();
        return new Deck(
                title,
                List.copyOf(cards),
                Map.copyOf(models),
                List.copyOf(sockets),
                List.copyOf(testPoints),
                namedModes(),
                List.copyOf(notes));
    }

    /** Puts the lines of included files in place of their {@code .include}; files within files are refused. */
    private List<Numbered> withIncluded(List<Numbered> lines) {
        List<Numbered> all = new ArrayList<>();
        for (Numbered line : lines) {
            Matcher include = INCLUDE.matcher(line.text.strip());
            Optional<String> found = include.matches() ? files.apply(include.group(1)) : Optional.empty();
            if (found.isEmpty()) {
                all.add(line);
            } else {
                all.add(new Numbered(line.number, "* " + include.group(1)));
                for (Numbered inner : joinContinuations(("*\n" + found.get()).split("\\R", -1))) {
                    all.add(new Numbered(line.number, inner.text));
                }
            }
        }
        if (all.size() > LARGEST) {
            throw new DeckRefused(List.of(new DeckRefused.Fault(
                    0,
                    "With its included files the deck has " + all.size() + " lines; at most " + LARGEST
                            + " are read.")));
        }
        return all;
    }

    private List<Numbered> joinContinuations(String[] raw) {
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

    private void readParameters(List<Numbered> lines) {
        for (Numbered line : lines) {
            String text = line.text.strip();
            if (text.toLowerCase(Locale.ROOT).startsWith(".param")) {
                Matcher matcher = Pattern.compile("([A-Za-z_][A-Za-z_0-9]*)\\s*=\\s*(\\S+)")
                        .matcher(text.replaceAll(";.*", ""));
                while (matcher.find()) {
                    Optional<Double> value = SpiceNumber.read(matcher.group(2));
                    if (value.isPresent()) {
                        parameters.put(matcher.group(1).toLowerCase(Locale.ROOT), value.get());
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
        String text = line.text.strip();
        if (text.startsWith("*")) {
            readComment(line, text);
        } else if (text.startsWith(".")) {
            readDirective(line, text);
        } else if (!text.startsWith(";")) {
            readCard(line, text);
        }
    }

    private void readComment(Numbered line, String text) {
        if (text.startsWith("*=")) {
            String card = text.substring(2).strip();
            readCard(line, card);
            restored.add(card.split("\\s+")[0].toUpperCase(Locale.ROOT));
            return;
        }
        String[] words = text.split("\\s+");
        switch (words[0].toUpperCase(Locale.ROOT)) {
            case "*TP", "*MODES", "*PINS" -> readStructured(line, words);
            default -> {}
        }
    }

    private void readStructured(Numbered line, String[] words) {
        if (Arrays.stream(words).anyMatch(word -> word.length() > LONGEST_NAME)) {
            fault(line, words[0] + " holds a name of more than " + LONGEST_NAME + " characters; shorten it.");
            return;
        }
        switch (words[0].toUpperCase(Locale.ROOT)) {
            case "*TP" -> Arrays.stream(words).skip(1).map(DeckReader::node).forEach(testPoints::add);
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
                pins.put(word.substring(0, equals).toLowerCase(Locale.ROOT), node(word.substring(equals + 1)));
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
            notes.add("Line " + line.number + ": " + word
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
        if (words.length < 3 || !words[2].equalsIgnoreCase("D")) {
            fault(line, "only diode models are read: .model NAME D(IS=... N=... RS=...).");
            return;
        }
        Map<String, Double> values = new LinkedHashMap<>();
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

    private void readCard(Numbered line, String text) {
        int semicolon = text.indexOf(';');
        Map<String, String> keys = semicolon < 0 ? Map.of() : keys(text.substring(semicolon + 1));
        String body = (semicolon < 0 ? text : text.substring(0, semicolon)).strip();
        String reference = body.split("\\s+")[0];
        if (keys.containsKey("of") || restored.contains(reference.toUpperCase(Locale.ROOT))) {
            return;
        }
        if (reference.isEmpty()) {
            fault(line, "no part stands before the “;”; a comment line begins with *.");
            return;
        }
        char letter = Character.toUpperCase(reference.charAt(0));
        if ("RCLKVIDX".indexOf(letter) < 0 || reference.length() < 2) {
            fault(
                    line,
                    "“" + reference
                            + "” is no part line; a part begins with R, C, L, K, V, I, D or X and a name, as in R7.");
            return;
        }
        if (Arrays.stream(body.split("\\s+")).anyMatch(word -> word.length() > LONGEST_NAME)) {
            fault(
                    line,
                    reference.substring(0, Math.min(12, reference.length())) + ": a name or value has more than "
                            + LONGEST_NAME + " characters; shorten it.");
            return;
        }
        Integer before = lineOf.putIfAbsent(reference.toUpperCase(Locale.ROOT), line.number);
        if (before != null) {
            fault(line, reference + " stands in line " + before + " already; give one of them another name.");
            return;
        }
        if (letter == 'X') {
            readSubcircuit(line, body, keys);
        } else {
            readTwoNodes(line, body, keys, letter);
        }
    }

    private void readTwoNodes(Numbered line, String body, Map<String, String> keys, char letter) {
        Matcher sin = SIN.matcher(body);
        boolean sine = sin.find();
        String[] words = (sine ? body.substring(0, sin.start()) : body).strip().split("\\s+");
        if (words.length < 3) {
            fault(line, words[0] + " needs two nodes" + (letter == 'D' ? " and a model." : " and a value."));
            return;
        }
        List<String> nodes = letter == 'K'
                ? List.of(words[1].toUpperCase(Locale.ROOT), words[2].toUpperCase(Locale.ROOT))
                : List.of(node(words[1]), node(words[2]));
        if (letter == 'D') {
            String model = words.length > 3 ? words[3].toUpperCase(Locale.ROOT) : "";
            if (model.isEmpty()) {
                fault(
                        line,
                        words[0] + " needs a model, as in " + words[0] + " " + words[1] + " " + words[2] + " SILICON.");
            }
            add(line, words[0], nodes, Optional.empty(), model, 0, Map.of(), keys);
            return;
        }
        if (sine) {
            readSine(line, words, nodes, sin.group(1), keys, letter);
            return;
        }
        String number = words.length > 3 && words[3].equalsIgnoreCase("DC") && words.length > 4
                ? words[4]
                : words.length > 3 ? words[3] : "";
        Optional<Double> value = number(line, words[0], number, letter);
        value.ifPresent(v -> checkRange(line, words[0], v, letter));
        value.ifPresent(v -> add(line, words[0], nodes, Optional.of(v), "", 0, Map.of(), keys));
    }

    private void readSine(
            Numbered line, String[] words, List<String> nodes, String inside, Map<String, String> keys, char letter) {
        String[] terms = inside.strip().split("[\\s,]+");
        Optional<Double> peak = terms.length > 1 ? SpiceNumber.read(terms[1]) : Optional.empty();
        Optional<Double> hertz = terms.length > 2 ? SpiceNumber.read(terms[2]) : Optional.empty();
        if (letter != 'V' || peak.isEmpty() || hertz.isEmpty() || !(hertz.get() > 0) || !(peak.get() > 0)) {
            fault(
                    line,
                    words[0] + ": write the line as V name node node SIN(0 peak hertz), for example SIN(0 169.7 60).");
            return;
        }
        add(line, words[0], nodes, Optional.of(peak.get() / Math.sqrt(2)), "", hertz.get(), Map.of(), keys);
    }

    private void readSubcircuit(Numbered line, String body, Map<String, String> keys) {
        List<String> words = new ArrayList<>();
        Map<String, Double> values = new LinkedHashMap<>();
        for (String word : body.replaceAll("\\s*=\\s*", "=").split("\\s+")) {
            if (!word.contains("=")) {
                words.add(word);
                continue;
            }
            if (words.isEmpty()) {
                fault(
                        line,
                        "“" + word
                                + "” stands where the reference belongs; a card begins with one, as in XV1 "
                                + "v1_plate v1_grid 0 12AV6_T.");
                return;
            }
            String[] pair = word.split("=", 2);
            Optional<Double> value = number(line, words.get(0), pair[1], 'X');
            value.ifPresent(v -> values.put(pair[0].toUpperCase(Locale.ROOT), v));
        }
        if (words.size() < 4) {
            fault(line, words.get(0) + " needs its nodes and a type, as in XV1 v1_plate v1_grid 0 12AV6_T.");
            return;
        }
        List<String> nodes = words.subList(1, words.size() - 1).stream()
                .map(DeckReader::node)
                .toList();
        add(
                line,
                words.get(0),
                nodes,
                Optional.empty(),
                words.get(words.size() - 1).toUpperCase(Locale.ROOT),
                0,
                values,
                keys);
    }

    private void add(
            Numbered line,
            String reference,
            List<String> nodes,
            Optional<Double> value,
            String model,
            double hertz,
            Map<String, Double> values,
            Map<String, String> keys) {
        cards.add(new Card(reference.toUpperCase(Locale.ROOT), nodes, value, model, hertz, values, keys, line.number));
    }

    private Optional<Double> number(Numbered line, String reference, String text, char letter) {
        if (text.isEmpty()) {
            fault(line, reference + " has no value.");
            return Optional.empty();
        }
        Optional<String> twice = letter == 'X' ? Optional.empty() : SpiceNumber.twoMeanings(text, letter);
        if (twice.isPresent()) {
            fault(line, reference + ": " + twice.get());
            return Optional.empty();
        }
        String name = text.replaceAll("^\\{|\\}$", "").toLowerCase(Locale.ROOT);
        Optional<Double> value =
                parameters.containsKey(name) ? Optional.of(parameters.get(name)) : SpiceNumber.read(text);
        if (value.isEmpty()) {
            fault(line, reference + ": “" + text + "” is no number; write for example 4.7k, 10meg or 100n.");
        }
        return value;
    }

    private void checkRange(Numbered line, String reference, double value, char letter) {
        if ("RCL".indexOf(letter) >= 0 && value < 0) {
            fault(line, reference + " is negative; a part's value is above 0.");
        } else if (letter == 'R' && value == 0) {
            fault(line, reference + " is 0 ohms; join its nodes instead, or write its real resistance, such as 0.01.");
        } else if ("CL".indexOf(letter) >= 0 && value == 0) {
            fault(line, reference + " has the value 0; leave the part out instead.");
        } else if (letter == 'K' && !(value > 0 && value <= 1)) {
            fault(line, reference + ": a coupling lies above 0 and at most at 1.");
        }
    }

    static Map<String, String> keys(String text) {
        Map<String, String> keys = new LinkedHashMap<>();
        Matcher matcher = KEY.matcher(text);
        while (matcher.find()) {
            String value = matcher.group(2);
            keys.put(
                    matcher.group(1).toLowerCase(Locale.ROOT),
                    value.startsWith("\"") ? value.substring(1, value.length() - 1) : value);
        }
        return keys;
    }

    /** Modes as listed, else in the order in which {@code closed=} names them. */
    private List<String> namedModes() {
        if (!modes.isEmpty()) {
            return List.copyOf(modes);
        }
        return cards.stream()
                .flatMap(card -> card.key("closed").stream())
                .flatMap(closed -> Arrays.stream(closed.split(",")))
                .filter(mode -> !mode.isBlank())
                .distinct()
                .toList();
    }

    private static String node(String text) {
        String lower = text.toLowerCase(Locale.ROOT);
        return lower.equals("gnd") ? "0" : lower;
    }

    private void fault(Numbered line, String text) {
        faults.add(new DeckRefused.Fault(line.number, text));
    }
}
