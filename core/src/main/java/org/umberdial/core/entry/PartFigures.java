package org.umberdial.core.entry;

import static org.umberdial.core.value.InvalidEntry.Code.OUT_OF_RANGE;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;
import org.umberdial.core.value.ValueReader;

/** What stands behind a reference in a line of parts: the value, its ratings, and what the part is made of. */
final class PartFigures {
    private static final Pattern WATTS = Pattern.compile("(?i)([0-9./]+)\\s*w(?:atts?)?");
    private static final Pattern PERCENT = Pattern.compile("([0-9.]+)%");
    private static final Pattern VOLTS = Pattern.compile("(?i)([0-9.]+)\\s*(?:v|wv|vdc)?");
    private static final Set<String> UNIT_WORDS = Set.of(
            "mf", "mfd", "uf", "ufd", "µf", "mmf", "mmfd", "uuf", "nf", "pf", "ohm", "ohms", "meg", "k", "h", "mh",
            "uh");
    private static final Map<Character, double[]> POSSIBLE =
            Map.of('R', new double[] {1e-3, 1e9}, 'C', new double[] {0.1e-12, 0.1}, 'L', new double[] {1e-9, 1e3});

    /** What parts of each letter are made of or called. */
    private static final Map<Character, Set<String>> KINDS = Map.of(
            'R',
            Set.of(
                    "carbon",
                    "composition",
                    "wirewound",
                    "wire",
                    "wound",
                    "film",
                    "metal",
                    "oxide",
                    "cement",
                    "pot",
                    "trimmer",
                    "winding",
                    "switch",
                    "fuse",
                    "fusible",
                    "flameproof",
                    "candohm",
                    "flexible",
                    "glass"),
            'C',
            Set.of(
                    "paper",
                    "wax",
                    "waxed",
                    "mica",
                    "silver",
                    "silvered",
                    "ceramic",
                    "disc",
                    "tubular",
                    "electrolytic",
                    "film",
                    "polyester",
                    "polypropylene",
                    "styrene",
                    "oil",
                    "moulded",
                    "molded",
                    "tantalum",
                    "trimmer",
                    "padder",
                    "variable",
                    "dry",
                    "wet",
                    "safety",
                    "x1",
                    "x2",
                    "y1",
                    "y2",
                    "bathtub",
                    "metallized",
                    "foil",
                    "non-polar",
                    "bipolar"),
            'L',
            Set.of("winding", "choke", "coil", "if", "rf", "aerial", "oscillator", "field", "motor", "air", "iron"));

    private final ValueReader values;

    PartFigures(ValueReader values) {
        this.values = values;
    }

    /**
     * @param value SI
     * @param rest the words behind it
     */
    record Figure(double value, List<String> rest) {}

    /** Reads the value a line begins with, its unit in the same word or the next. */
    Figure figure(String reference, Unit unit, List<String> words) {
        boolean spelt = words.size() > 1 && UNIT_WORDS.contains(words.get(1).toLowerCase(Locale.ROOT));
        String typed = spelt ? words.get(0) + " " + words.get(1) : words.get(0);
        double value = new BigDecimal(value(reference, typed, unit))
                .round(new MathContext(6))
                .doubleValue();
        return new Figure(value, words.subList(spelt ? 2 : 1, words.size()));
    }

    /** Words that say no kind of such a part. */
    static List<String> strange(char letter, List<String> words) {
        return words.stream()
                .filter(word -> !KINDS.get(letter).contains(word.replaceAll("[^a-z0-9-]", "")))
                .toList();
    }

    /** The kind as a card keeps it. */
    static String kind(List<String> words) {
        return String.join("_", words).replaceAll("[^a-z0-9_]", "");
    }

    static Optional<Unit> unit(char letter) {
        return switch (letter) {
            case 'R' -> Optional.of(Unit.OHM);
            case 'C' -> Optional.of(Unit.FARAD);
            case 'L' -> Optional.of(Unit.HENRY);
            case 'V' -> Optional.of(Unit.VOLT);
            case 'I' -> Optional.of(Unit.AMPERE);
            default -> Optional.empty();
        };
    }

    private double value(String reference, String typed, Unit unit) {
        // A bare number on a capacitor is microfarads, as every old sheet has it, unless it can only be picofarads.
        boolean bare = unit == Unit.FARAD && typed.matches("[0-9.,]+");
        double value = bare
                ? microfarads(values.number(typed))
                : values.read(typed, unit).value();
        double[] possible = POSSIBLE.get(reference.charAt(0));
        if (!(value >= possible[0] && value <= possible[1])) {
            throw new InvalidEntry(
                    OUT_OF_RANGE,
                    reference + " of " + Engineering.print(value, unit) + " cannot be; in a set such a part is between "
                            + Engineering.print(possible[0], unit) + " and " + Engineering.print(possible[1], unit)
                            + ".");
        }
        return value;
    }

    private static double microfarads(double number) {
        return number >= 1000 ? number * 1e-12 : number * 1e-6;
    }

    /** Takes a word that is a tolerance, watts or volts; false when it is none. */
    boolean rating(char letter, String word, Map<String, String> keys) {
        Matcher watts = WATTS.matcher(word);
        Matcher percent = PERCENT.matcher(word);
        Matcher volts = VOLTS.matcher(word);
        if (percent.matches()) {
            keys.put("tol", within(percent.group(1), 0.1, 100, "A tolerance is 0.1 to 100 %"));
        } else if (watts.matches()) {
            keys.put("watt", within(watts.group(1), 0.01, 500, "A resistor's rating is 0.01 to 500 W"));
        } else if (letter == 'C' && volts.matches()) {
            keys.put("volt", within(volts.group(1), 1, 50_000, "A capacitor's rating is 1 V to 50 kV"));
        } else {
            return false;
        }
        return true;
    }

    private String within(String typed, double least, double most, String rule) {
        double value = values.number(typed);
        if (!(value >= least && value <= most)) {
            throw new InvalidEntry(OUT_OF_RANGE, rule + ", not " + typed + ".");
        }
        return BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }
}
