package org.umberdial.core.entry;

import static org.umberdial.core.value.InvalidEntry.Code.DUPLICATE;
import static org.umberdial.core.value.InvalidEntry.Code.EMPTY;
import static org.umberdial.core.value.InvalidEntry.Code.SYNTAX;
import static org.umberdial.core.value.InvalidEntry.Code.UNKNOWN;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.circuit.deck.DeckRefused;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.tube.TubeType;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;
import org.umberdial.core.value.ValueReader;

/**
 * The shorthand of parts entry: reference, value, rating, kind, the two ends.
 *
 * <p>{@code C7 .01 400 paper V3.plate-V4.grid}, {@code R7 470k 1/2W 20% B1-V3.plate "plate load"}, {@code C1A 40 150
 * electrolytic can=C1 mark=square B1-0}, {@code V3 12AV6 date=4712 cathode=0}. Ends are a tube's electrode or pin, a
 * node, or {@code 0} for chassis or minus rail; the first end of an electrolytic is its plus.
 */
public final class PartShorthand {
    private static final Pattern REFERENCE = Pattern.compile("(?i)([RCLV])[0-9]+[A-Z0-9]*");
    private static final Pattern DECK_REFERENCE = Pattern.compile("(?i)[RCLKVIDQX][A-Z0-9_]+");
    private static final Pattern ENDS = Pattern.compile("([^\\s=\"-]+)-([^\\s=\"-]+)");
    private static final Pattern WORDS = Pattern.compile("([A-Za-z_]+)=\"([^\"]*)\"|\"([^\"]*)\"|(\\S+)");
    private static final Pattern QUOTED_OR_NOT = Pattern.compile("\"[^\"]*\"|[^\"]+|\"");
    private static final Pattern CAN = Pattern.compile(
            "(?i)(C[0-9]+)\\s+([0-9.]+(?:\\+[0-9.]+)+)(?:\\s*(?:uf|mfd|µf|mf))?[\\s/]+([0-9]+)v?(?:\\s+(?:electrolytic|can))*"
                    + "\\s+([^\\s,-]+(?:,[^\\s,-]+)*)-([^\\s,-]+)(?:\\s+(?:electrolytic|can))*");
    private final BenchSet set;
    private final PartFigures figures;
    private final Ends ends;

    public PartShorthand(BenchSet set, DecimalSign decimalSign) {
        this.set = set;
        this.figures = new PartFigures(new ValueReader(decimalSign));
        this.ends = new Ends(set);
    }

    /**
     * Understands one line.
     *
     * @throws InvalidEntry with a sentence for the person typing
     */
    public PartLine read(String line) {
        String tidy = tidy(line);
        Optional<List<Card>> named = new PartWords(ends).read(tidy);
        if (named.isPresent()) {
            return byWord(named.get());
        }
        Optional<PartLine> can = can(tidy);
        return can.isPresent() ? can.get() : isDeckLine(line) ? fromDeck(line) : shorthand(tidy);
    }

    /** As people write it and as it is read; a remark in quotes and a card's keys stay as they are. */
    private static String tidy(String line) {
        return line.contains(";")
                ? line
                : QUOTED_OR_NOT
                        .matcher(line.strip())
                        .replaceAll(piece -> Matcher.quoteReplacement(
                                piece.group().startsWith("\"") ? piece.group() : unquoted(piece.group())));
    }

    /** {@code 2 watt}, {@code B1 - 0}, {@code from B1 to 0}, {@code V3 pin 7}. */
    private static String unquoted(String text) {
        return text.replaceAll("(?i)\\b(V[0-9]+[A-Z]?)\\s+pin\\s+([0-9]{1,2}|cap)\\b", "$1.$2")
                .replaceAll("(?i)\\b(?:from\\s+)(\\S+)\\s+to\\s+(\\S+)", "$1-$2")
                .replaceAll("(?<=[A-Za-z0-9_+])\\s+[-–]\\s+(?=[A-Za-z0-9_])", "-")
                .replaceAll("(?i)(?<=[0-9])\\s+(w|watts?|%|volts?)(?=\\s|$)", "$1")
                .replaceAll("(?i)(?<=[0-9])watts?\\b", "W")
                .replaceAll("(?i)(?<=[0-9])volts?\\b", "V");
    }

    private PartLine byWord(List<Card> cards) {
        Card first = cards.get(0);
        String what = first.key("desc").filter(text -> !text.isEmpty()).orElse(first.kind());
        String value = first.value()
                .flatMap(v -> PartFigures.unit(first.letter()).map(u -> " " + Engineering.print(v, u)))
                .orElse(first.model().isEmpty() || first.model().equals("XFMR") ? "" : " " + first.model());
        return new PartLine(
                cards,
                Optional.empty(),
                first.reference() + ": " + what + value + " at "
                        + cards.stream()
                                .flatMap(card -> card.nodes().stream())
                                .distinct()
                                .map(set::nameOf)
                                .collect(Collectors.joining(", ")),
                known(cards));
    }

    /** A can in one line: {@code C1 16+16 450 B1,B2-0}, its plus ends in the order of its sections. */
    private Optional<PartLine> can(String line) {
        Matcher matcher = CAN.matcher(line.strip());
        if (!matcher.matches()) {
            return Optional.empty();
        }
        String reference = matcher.group(1).toUpperCase(Locale.ROOT);
        String[] sections = matcher.group(2).split("\\+");
        String[] pluses = matcher.group(4).split(",");
        if (sections.length != pluses.length) {
            throw new InvalidEntry(
                    SYNTAX,
                    reference + " has " + sections.length + " sections and " + pluses.length
                            + " plus ends; write one for each, as in C1 16+16 450 B1,B2-0.");
        }
        List<Card> cards = new ArrayList<>();
        StringBuilder understood = new StringBuilder();
        for (int i = 0; i < sections.length; i++) {
            PartLine one = shorthand(reference + (char) ('A' + i) + " " + sections[i] + " " + matcher.group(3)
                    + " electrolytic can=" + reference + " " + pluses[i] + "-" + matcher.group(5));
            cards.addAll(one.cards());
            understood.append(i == 0 ? "" : "; ").append(one.understood());
        }
        return Optional.of(new PartLine(List.copyOf(cards), Optional.empty(), understood.toString(), known(cards)));
    }

    /**
     * A SPICE card is taken as well: one with keys behind a semicolon, with nodes where shorthand has the value, or of
     * a kind shorthand does not know.
     */
    private static boolean isDeckLine(String line) {
        String[] words = line.strip().split("\\s+");
        boolean ours = REFERENCE.matcher(words[0]).matches();
        boolean nodesFirst = words.length > 3
                && !words[1].matches("[0-9.,].*")
                && !ENDS.matcher(words[words.length - 1]).matches();
        return line.contains(";")
                || DECK_REFERENCE.matcher(words[0]).matches()
                        && (!ours && words.length > 2 || ours && nodesFirst && !line.contains("="));
    }

    private PartLine fromDeck(String line) {
        List<Card> cards;
        try {
            cards = DeckReader.read("one part\n" + line.strip() + "\n").cards();
        } catch (DeckRefused refused) {
            throw new InvalidEntry(SYNTAX, refused.faults().get(0).text());
        }
        if (cards.size() != 1) {
            throw new InvalidEntry(SYNTAX, "Write one part a line, for example C7 .01 400 paper V3.plate-V4.grid.");
        }
        Card card = cards.get(0);
        String value = card.value()
                .map(v -> PartFigures.unit(card.letter())
                        .map(unit -> Engineering.print(v, unit))
                        .orElse(String.valueOf(v)))
                .orElse(card.model());
        return new PartLine(
                cards,
                Optional.empty(),
                card.reference() + ": " + (value + " " + card.kind().replace('_', ' ')).strip() + " at "
                        + card.nodes().stream().map(set::nameOf).collect(Collectors.joining(", ")),
                known(cards));
    }

    private PartLine shorthand(String line) {
        List<String> words = new ArrayList<>();
        Map<String, String> keys = new LinkedHashMap<>();
        Matcher matcher = WORDS.matcher(line);
        while (matcher.find()) {
            if (matcher.group(1) != null) {
                keys.put(matcher.group(1).toLowerCase(Locale.ROOT), clean(matcher.group(2)));
            } else if (matcher.group(3) != null) {
                keys.put("desc", clean(matcher.group(3)));
            } else {
                words.add(matcher.group(4));
            }
        }
        if (words.isEmpty()) {
            throw new InvalidEntry(EMPTY, "Write a part, for example C7 .01 400 paper V3.plate-V4.grid.");
        }
        String reference = words.get(0).toUpperCase(Locale.ROOT);
        if (!REFERENCE.matcher(reference).matches()) {
            throw new InvalidEntry(
                    SYNTAX,
                    "“" + words.get(0)
                            + "” is no reference; a line begins with one such as R7, C12, L3 or V4; anything "
                            + "else is written as a SPICE card, as in XT1 b1 v4_plate speaker 0 XFMR "
                            + "VP=100 V1=3.");
        }
        return reference.startsWith("V")
                ? tube(reference, words.subList(1, words.size()), keys)
                : part(reference, words.subList(1, words.size()), keys);
    }

    private static String clean(String text) {
        return text.strip().replace("\"", "");
    }

    private PartLine part(String reference, List<String> words, Map<String, String> keys) {
        char letter = reference.charAt(0);
        Unit unit = PartFigures.unit(letter).orElseThrow();
        if (words.isEmpty()) {
            throw new InvalidEntry(
                    EMPTY, reference + " needs a value and its two ends, as in " + example(letter) + ".");
        }
        PartFigures.Figure figure = figures.figure(reference, unit, words);
        List<String> joined = List.of();
        Map<String, String> all = new LinkedHashMap<>();
        List<String> kind = new ArrayList<>();
        for (String word : figure.rest()) {
            Matcher both = ENDS.matcher(word);
            int equals = word.indexOf('=');
            if (equals > 0) {
                all.put(word.substring(0, equals).toLowerCase(Locale.ROOT), word.substring(equals + 1));
            } else if (both.matches()) {
                joined = List.of(ends.node(both.group(1)), ends.node(both.group(2)));
            } else if (!figures.rating(letter, word, all)) {
                kind.add(word.toLowerCase(Locale.ROOT));
            }
        }
        List<String> strange = PartFigures.strange(letter, kind);
        if (!strange.isEmpty()) {
            throw new InvalidEntry(
                    SYNTAX,
                    "“" + String.join("”, “", strange) + "” of " + reference
                            + " is not understood; behind the value stand a rating, a kind such as "
                            + (letter == 'C' ? "paper" : letter == 'R' ? "carbon" : "winding")
                            + ", and the two ends. Put a remark into quotes.");
        }
        if (joined.isEmpty()) {
            throw new InvalidEntry(
                    SYNTAX, reference + " has no ends; close the line with them, as in V3.plate-V4.grid or B1-0.");
        }
        if (joined.get(0).equals(joined.get(1))) {
            throw new InvalidEntry(
                    SYNTAX,
                    "Both ends of " + reference + " are at " + joined.get(0)
                            + "; a part goes from one point to another.");
        }
        all.putAll(keys);
        if (!kind.isEmpty()) {
            all.put("kind", PartFigures.kind(kind));
        }
        Card card = new Card(reference, joined, Optional.of(figure.value()), "", 0, Map.of(), all, 0);
        return new PartLine(List.of(card), Optional.empty(), words(card, unit), known(List.of(card)));
    }

    /**
     * A part with what a schematic says of it: {@code 470k}, {@code .01 400}, {@code 220 2W}; what is not said stays.
     *
     * @throws InvalidEntry when a word is not understood, or the part has no single value
     */
    public Card revalued(Part part, String typed) {
        Card card = part.card();
        if (card.kind().equals("transformer")) {
            return WindingWords.revalued(card, typed);
        }
        Unit unit = part.unit()
                .filter(u -> "RCL".indexOf(card.letter()) >= 0)
                .orElseThrow(() -> new InvalidEntry(
                        SYNTAX,
                        part.reference() + " has no single value; Enter alone keeps it, - takes it out. Its line is"
                                + " changed under Parts."));
        PartFigures.Figure figure =
                figures.figure(part.reference(), unit, List.of(typed.strip().split("\\s+")));
        Map<String, String> keys = new LinkedHashMap<>(card.keys());
        List<String> kind = figure.rest().stream()
                .filter(word -> !figures.rating(card.letter(), word, keys))
                .map(word -> word.toLowerCase(Locale.ROOT))
                .toList();
        List<String> strange = PartFigures.strange(card.letter(), kind);
        if (!strange.isEmpty()) {
            throw new InvalidEntry(
                    SYNTAX,
                    "“" + String.join("”, “", strange)
                            + "” is not understood behind the value; what follows is a rating or a kind, as in "
                            + (card.letter() == 'C' ? ".01 400 paper" : "220 2W wirewound") + ".");
        }
        if (!kind.isEmpty()) {
            keys.put("kind", PartFigures.kind(kind));
        }
        return card.withValue(figure.value()).withKeys(keys);
    }

    /**
     * One part more, as the walk takes it: {@code + 4.7n V4.plate-0}, {@code + R 220 bplus-v4_screen}. Its reference is
     * the next that is free.
     *
     * @throws InvalidEntry when it is not understood
     */
    public PartLine added(String typed) {
        List<String> words = new ArrayList<>(List.of(typed.strip().split("\\s+")));
        String first = words.get(0).toUpperCase(Locale.ROOT);
        char letter;
        if (first.matches("[RCL]")) {
            letter = first.charAt(0);
            words.remove(0);
        } else {
            letter = letterOf(first);
        }
        int next = set.parts().stream()
                        .map(part -> part.reference().toUpperCase(Locale.ROOT))
                        .filter(reference -> reference.matches(letter + "[0-9]{1,4}"))
                        .mapToInt(reference -> Integer.parseInt(reference.substring(1)))
                        .max()
                        .orElse(0)
                + 1;
        return read(letter + String.valueOf(next) + " " + String.join(" ", words));
    }

    private static char letterOf(String value) {
        if (value.matches("[0-9.,]+(UF|NF|PF|MFD|MMF|MMFD|N|P|U|µ|µF)")) {
            return 'C';
        }
        if (value.matches("[0-9.,]*[0-9]+(R|K|M|MEG|OHM|OHMS|Ω|R[0-9]+|K[0-9]+|M[0-9]+)")) {
            return 'R';
        }
        throw new InvalidEntry(
                SYNTAX,
                "“" + value.toLowerCase(Locale.ROOT)
                        + "” may be ohms, farads or henries; say R, C or L before it, as in + C .01 V3.plate-0.");
    }

    private PartLine tube(String socket, List<String> words, Map<String, String> keys) {
        if (words.isEmpty()) {
            throw new InvalidEntry(EMPTY, socket + " needs its type, as in " + socket + " 12AV6 date=4712.");
        }
        TubeType type = TubeCards.known(set.tubes().data(), words.get(0))
                .orElseThrow(() -> new InvalidEntry(
                        UNKNOWN,
                        "“" + words.get(0)
                                + "” is no type in the tube data; check the number, or bring "
                                + "the tube in with a SPICE deck that carries its model."));
        Map<String, String> joins = new LinkedHashMap<>();
        Map<String, String> all = new LinkedHashMap<>(keys);
        for (String word : words.subList(1, words.size())) {
            int equals = word.indexOf('=');
            if (equals <= 0) {
                throw new InvalidEntry(
                        SYNTAX,
                        "“" + word
                                + "” is not understood behind a tube; what follows is date=4712 or an "
                                + "electrode with what it is tied to, as in cathode=0.");
            }
            String name = word.substring(0, equals).toLowerCase(Locale.ROOT);
            if (name.equals("date") || name.equals("desc") || name.equals("code")) {
                all.put(name.equals("code") ? "date" : name, word.substring(equals + 1));
            } else {
                joins.put(Ends.electrode(name), ends.node(word.substring(equals + 1)));
            }
        }
        TubeCards cards = new TubeCards(socket, type, joins, all);
        if (cards.cards().isEmpty()) {
            throw new InvalidEntry(
                    UNKNOWN,
                    type.name() + " is a " + type.use().label()
                            + "; nothing is known of its electrodes here. Write it as a SPICE card, as in XV8 a k 0A2.");
        }
        List<String> strange = joins.keySet().stream()
                .filter(name -> !cards.electrodeNames().contains(name))
                .toList();
        if (!strange.isEmpty()) {
            throw new InvalidEntry(
                    UNKNOWN, type.name() + " has no " + strange.get(0) + "; it has " + cards.electrodeNames() + ".");
        }
        String understood = socket + " is a " + type.name() + ": " + cards.electrodeNames()
                + (all.containsKey("date") ? ", dated " + all.get("date") : "");
        return new PartLine(cards.cards(), Optional.of(cards.pins()), understood, known(cards.cards()));
    }

    private List<String> known(List<Card> cards) {
        return cards.stream()
                .map(Card::reference)
                .filter(reference -> set.part(reference).isPresent())
                .toList();
    }

    /**
     * Refuses a reference that is there already, unless it is to be changed.
     *
     * @throws InvalidEntry when it is
     */
    public void requireNew(PartLine line) {
        if (!line.known().isEmpty()) {
            String reference = line.known().get(0);
            String now = set.part(reference)
                    .flatMap(part -> part.unit()
                            .flatMap(unit -> part.workingValue().map(value -> Engineering.print(value, unit))))
                    .map(value -> " as " + value)
                    .orElse("");
            throw new InvalidEntry(
                    DUPLICATE,
                    reference.replaceFirst("^X(?=V[0-9])", "") + " is there already" + now
                            + "; give the new part a reference of its own, or say that this line changes it.");
        }
    }

    private String words(Card card, Unit unit) {
        StringBuilder said = new StringBuilder(card.reference())
                .append(": ")
                .append(Engineering.print(card.value().orElseThrow(), unit));
        card.key("volt").ifPresent(v -> said.append(", ").append(v).append(" V"));
        card.key("watt").ifPresent(w -> said.append(", ").append(w).append(" W"));
        card.key("tol").ifPresent(t -> said.append(", ± ").append(t).append(" %"));
        said.append(", ").append(card.kind().replace('_', ' '));
        boolean polar = card.kind().equals("electrolytic");
        said.append(polar ? ", plus at " : ", ")
                .append(set.nameOf(card.nodes().get(0)))
                .append(polar ? ", minus at " : " to ")
                .append(set.nameOf(card.nodes().get(1)));
        if (polar && card.nodes().get(0).equals("0")) {
            said.append(" (a negative supply)");
        }
        card.key("can")
                .ifPresent(can -> said.append(", section of can ")
                        .append(can)
                        .append(card.key("mark").map(mark -> ", mark " + mark).orElse("")));
        card.key("date").ifPresent(date -> said.append(", dated ").append(date));
        return said.toString();
    }

    private static String example(char letter) {
        return switch (letter) {
            case 'R' -> "R7 470k 1/2W B1-V3.plate";
            case 'C' -> "C7 .01 400 paper V3.plate-V4.grid";
            default -> "L1 1m V1.plate-B1";
        };
    }
}
