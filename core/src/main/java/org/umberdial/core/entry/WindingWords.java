package org.umberdial.core.entry;

import static org.umberdial.core.value.InvalidEntry.Code.OUT_OF_RANGE;
import static org.umberdial.core.value.InvalidEntry.Code.SYNTAX;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.value.InvalidEntry;

/**
 * What a schematic says of a transformer that is there already: the volts of its windings in their order, the primary
 * first ({@code 117 2x290 5 6.3}), their ohms ({@code 12R 2x60R 0.1R 0.05R}), or of an output transformer its
 * impedances ({@code 5k:3.2}) or turns ({@code 39:1}).
 */
public final class WindingWords {
    private static final Pattern VOLTS = Pattern.compile("(?i)(?:(\\d)\\s*[x×])?(\\d*[.,]?\\d+)V?");
    private static final Pattern OHMS = Pattern.compile("(?i)(?:(\\d)\\s*[x×])?(\\d*[.,]?\\d+)(?:R|Ω|Ohms?)");
    private static final Pattern RATIO =
            Pattern.compile("(?i)(\\d*[.,]?\\d+)(k)?(?:Ω|R|ohms?)?\\s*[:/]\\s*(\\d*[.,]?\\d+)(?:Ω|R|ohms?)?");
    /** No output transformer steps down by as many turns; a larger figure is an impedance. */
    private static final double MOST_TURNS = 200;

    private static final double MOST_VOLTS = 5000;
    private static final double MOST_OHMS = 20_000;

    private WindingWords() {}

    /**
     * The transformer with what is said of it; what is not said stays.
     *
     * @throws InvalidEntry when it is not understood, or is not said of each winding
     */
    public static Card revalued(Card card, String typed) {
        String plain = typed.strip().replaceAll("\\s*([:/x×])\\s*", "$1").replaceAll("(?i)\\s+(R|Ω|V|ohms?)\\b", "$1");
        Matcher ratio = RATIO.matcher(plain);
        if (ratio.matches()) {
            return stepped(
                    card,
                    number(ratio.group(1)) * (ratio.group(2) == null ? 1 : 1000),
                    number(ratio.group(3)),
                    ratio.group(2) != null);
        }
        List<Double> volts = new ArrayList<>();
        List<Double> ohms = new ArrayList<>();
        for (String word : plain.split("(?:[\\s;]|,(?!\\d))+")) {
            Matcher resistance = OHMS.matcher(word);
            Matcher voltage = VOLTS.matcher(word);
            if (resistance.matches()) {
                add(ohms, resistance, MOST_OHMS, word);
            } else if (voltage.matches()) {
                add(volts, voltage, MOST_VOLTS, word);
            } else {
                throw new InvalidEntry(
                        SYNTAX,
                        "“" + word + "” is not understood of a transformer; write " + example(card) + ", Enter alone"
                                + " when it is as it stands, or - to take it out.");
            }
        }
        Map<String, Double> parameters = new LinkedHashMap<>(card.parameters());
        put(parameters, "V", volts, card);
        put(parameters, "R", ohms, card);
        return card.withParameters(parameters);
    }

    private static void add(List<Double> to, Matcher word, double most, String typed) {
        double value = number(word.group(2));
        if (!(value > 0 && value <= most)) {
            throw new InvalidEntry(
                    OUT_OF_RANGE, "“" + typed + "” is no winding's; it is above 0 and up to " + most + ".");
        }
        for (int i = 0; i < (word.group(1) == null ? 1 : Integer.parseInt(word.group(1))); i++) {
            to.add(value);
        }
    }

    private static void put(Map<String, Double> parameters, String letter, List<Double> values, Card card) {
        int windings = windings(card);
        if (!values.isEmpty() && values.size() != windings) {
            throw new InvalidEntry(
                    SYNTAX,
                    card.reference() + " has " + windings + " windings, halves counted each, and you said "
                            + values.size() + "; write all, primary first, as in " + said(card) + ".");
        }
        for (int i = 0; i < values.size(); i++) {
            parameters.put(name(letter, i), values.get(i));
        }
    }

    /** By impedances, whose ratio is the square of the turns', or by the turns themselves. */
    private static Card stepped(Card card, double primary, double secondary, boolean thousands) {
        if (!isOutput(card)) {
            throw new InvalidEntry(
                    SYNTAX, card.reference() + " is told by its windings' volts, as in " + said(card) + ".");
        }
        if (!(primary > secondary && secondary > 0)) {
            throw new InvalidEntry(
                    OUT_OF_RANGE, "An output transformer steps down: primary first, as in 5k:3.2 or 39:1.");
        }
        boolean turns = !thousands && primary < MOST_TURNS;
        int last = windings(card) - 1;
        double all = 0;
        for (int i = 0; i < last; i++) {
            all += card.parameters().getOrDefault(name("V", i), 0.0);
        }
        double ratio = turns ? primary / secondary : Math.sqrt(primary / secondary);
        Map<String, Double> parameters = new LinkedHashMap<>(card.parameters());
        parameters.put(name("V", last), rounded(all / ratio));
        return card.withParameters(parameters);
    }

    private static boolean isOutput(Card card) {
        return card.key("desc").orElse("").contains("output");
    }

    /** How many windings it has, each half counted. */
    private static int windings(Card card) {
        return card.nodes().size() / 2;
    }

    private static String name(String letter, int winding) {
        return winding == 0 ? letter + "P" : letter + winding;
    }

    /** What it is said to be now: {@code 117 2x290 5}, of an output transformer its turns, {@code 39:1}. */
    public static String said(Card card) {
        if (windings(card) < 2 || !card.parameters().containsKey("VP")) {
            return "";
        }
        List<Double> volts = new ArrayList<>();
        for (int i = 0; i < windings(card); i++) {
            volts.add(card.parameters().getOrDefault(name("V", i), 0.0));
        }
        if (isOutput(card)) {
            double last = volts.remove(volts.size() - 1);
            return plain(volts.stream().mapToDouble(v -> v).sum() / last) + ":1";
        }
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < volts.size(); i++) {
            int alike = 1;
            while (i + alike < volts.size() && plain(volts.get(i + alike)).equals(plain(volts.get(i)))) {
                alike++;
            }
            text.append(text.isEmpty() ? "" : " ")
                    .append(alike > 1 ? alike + "x" : "")
                    .append(plain(volts.get(i)));
            i += alike - 1;
        }
        return text.toString();
    }

    /** What to read off a schematic. */
    public static String asks(Card card) {
        return isOutput(card) ? "impedances as 5k:3.2, or turns" : "volts of its windings, primary first";
    }

    private static String example(Card card) {
        return isOutput(card) ? "5k:3.2 or 39:1" : "its windings' volts, as in " + said(card);
    }

    private static double rounded(double value) {
        return new java.math.BigDecimal(value)
                .round(new java.math.MathContext(4))
                .doubleValue();
    }

    private static String plain(double value) {
        return new java.math.BigDecimal(value)
                .round(new java.math.MathContext(3))
                .stripTrailingZeros()
                .toPlainString();
    }

    private static double number(String text) {
        return Double.parseDouble(text.replace(',', '.'));
    }
}
