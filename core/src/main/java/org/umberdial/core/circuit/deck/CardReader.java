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
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.umberdial.core.circuit.deck.DeckLines.Numbered;

/** Reads the part lines of a deck, and says what is wrong with those it cannot read. */
final class CardReader {
    /** References, nodes, types and modes; also what the database holds. */
    static final int LONGEST_NAME = 40;

    private static final Pattern KEY = Pattern.compile("([A-Za-z_][A-Za-z_0-9]*)=(\"[^\"]*\"|\\S+)");
    private static final Pattern SIN = Pattern.compile("SIN\\s*\\(([^)]*)\\)", Pattern.CASE_INSENSITIVE);

    private final Map<String, Double> parameters = new HashMap<>();
    private final List<Card> cards = new ArrayList<>();
    private final Map<String, Integer> lineOf = new HashMap<>();
    /** References that a {@code *=} comment gave back; the equivalent below it is left. */
    private final Set<String> restored = new HashSet<>();

    private final List<DeckRefused.Fault> faults;

    /** @param faults where what is wrong goes */
    CardReader(List<DeckRefused.Fault> faults) {
        this.faults = faults;
    }

    List<Card> cards() {
        return cards;
    }

    /** A value that part lines may name. */
    void parameter(String name, double value) {
        parameters.put(name.toLowerCase(Locale.ROOT), value);
    }

    /** A part line out of a {@code *=} comment; an equivalent that stands for it elsewhere is passed over. */
    void restore(Numbered line, String text) {
        read(line, text);
        restored.add(text.split("\\s+")[0].toUpperCase(Locale.ROOT));
    }

    void read(Numbered line, String text) {
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
        if ("RCLKVIDQX".indexOf(letter) < 0 || reference.length() < 2) {
            fault(
                    line,
                    "“" + reference
                            + "” is no part line; a part begins with R, C, L, K, V, I, D, Q or X and a name, as in R7.");
            return;
        }
        if (Arrays.stream(body.split("\\s+")).anyMatch(word -> word.length() > LONGEST_NAME)) {
            fault(
                    line,
                    reference.substring(0, Math.min(12, reference.length())) + ": a name or value has more than "
                            + LONGEST_NAME + " characters; shorten it.");
            return;
        }
        Integer before = lineOf.putIfAbsent(reference.toUpperCase(Locale.ROOT), line.number());
        if (before != null) {
            fault(line, reference + " stands in line " + before + " already; give one of them another name.");
            return;
        }
        if (letter == 'Q') {
            readTransistor(line, body, keys);
        } else if (letter == 'X') {
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

    private void readTransistor(Numbered line, String body, Map<String, String> keys) {
        String[] words = body.split("\\s+");
        if (words.length != 5) {
            fault(line, words[0] + " needs collector, base, emitter and a type, as in Q1 c b e OC71.");
            return;
        }
        List<String> nodes = List.of(node(words[1]), node(words[2]), node(words[3]));
        add(line, words[0], nodes, Optional.empty(), words[4].toUpperCase(Locale.ROOT), 0, Map.of(), keys);
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
                .map(CardReader::node)
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
        cards.add(
                new Card(reference.toUpperCase(Locale.ROOT), nodes, value, model, hertz, values, keys, line.number()));
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

    /** A node's name as it is kept; every way to write the reference is 0. */
    static String node(String text) {
        String lower = text.toLowerCase(Locale.ROOT);
        return lower.equals("gnd") ? "0" : lower;
    }

    private void fault(Numbered line, String text) {
        faults.add(new DeckRefused.Fault(line.number(), text));
    }
}
