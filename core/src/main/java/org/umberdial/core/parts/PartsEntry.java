package org.umberdial.core.parts;

import static org.umberdial.core.value.InvalidEntry.Code.AMBIGUOUS;
import static org.umberdial.core.value.InvalidEntry.Code.EMPTY;
import static org.umberdial.core.value.InvalidEntry.Code.OUT_OF_RANGE;
import static org.umberdial.core.value.InvalidEntry.Code.SYNTAX;
import static org.umberdial.core.value.InvalidEntry.Code.UNKNOWN;

import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.umberdial.core.area.Bench;
import org.umberdial.core.evidence.Fact;
import org.umberdial.core.evidence.Measured;
import org.umberdial.core.evidence.Metered;
import org.umberdial.core.evidence.PartRead;
import org.umberdial.core.evidence.Placing;
import org.umberdial.core.evidence.Sign;
import org.umberdial.core.instrument.Ability;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.instrument.Instrument;
import org.umberdial.core.policy.Vocabulary;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;
import org.umberdial.core.value.ValueReader;
import org.umberdial.core.value.Volts;

/**
 * The shorthand in which parts are read: {@code [PART] [value] [esr X] [leak X] [@VOLTS] [words]}.
 *
 * <p>Examples: {@code C7 .047 leak 2.1M@400}, {@code leak 12uA @450 falling}, {@code C1 esr 4.1}, {@code R7 231k
 * lifted}, {@code V3 62/40}, {@code V4 short}, {@code C5 eye slow @300}, {@code C5 shows 0.8V @92} with a voltmeter
 * from its lifted end. Without a part it is the current one's.
 */
public final class PartsEntry {
    private static final Pattern REFERENCE = Pattern.compile("(?i)[a-z]{1,3}[0-9]+[a-z]?");
    private static final Pattern SCALE = Pattern.compile("([0-9]+(?:[.,][0-9]+)?)(?:/([0-9]+(?:[.,][0-9]+)?))?");
    private static final Pattern BARE = Pattern.compile("[0-9.,]+");
    private static final Set<String> NONE = Set.of("open", "none", "no", "inf", "infinite", "∞", "ol", "o.l.");
    private static final double MOST_TEST_VOLTS = 10_000;
    /** Above so many times its rating nobody tests a part on purpose. */
    private static final double SLIP = 1.5;
    /** A marking is believed to lie within this factor of what a bare number means. */
    private static final double NEAR = 20;
    /** No leak makes a meter show so many times the mark. */
    private static final double TOO_MANY_TIMES = 100;

    private final BenchSet set;
    private final Bench bench;
    private final ValueReader values;
    private final Optional<Instrument> instrument;
    private final Function<Part, Marking> markings;

    /**
     * For a set in which nothing was replaced.
     *
     * @param instrument it is read with; empty when nobody said
     */
    public PartsEntry(BenchSet set, Bench bench, DecimalSign decimalSign, Optional<Instrument> instrument) {
        this(set, bench, decimalSign, instrument, Marking::of);
    }

    /**
     * @param instrument it is read with; empty when nobody said
     * @param markings what stands on what is in a part's place now
     */
    PartsEntry(
            BenchSet set,
            Bench bench,
            DecimalSign decimalSign,
            Optional<Instrument> instrument,
            Function<Part, Marking> markings) {
        this.set = set;
        this.bench = bench;
        this.values = new ValueReader(decimalSign);
        this.instrument = instrument;
        this.markings = markings;
    }

    /** What was typed so far of one part. */
    private static final class Draft {
        private final Map<Measured, Double> figures = new EnumMap<>(Measured.class);
        private final Set<Sign> signs = EnumSet.noneOf(Sign.class);
        private OptionalDouble ohms = OptionalDouble.empty();
        /** Volts on a meter in series with the leak. */
        private OptionalDouble shown = OptionalDouble.empty();

        private Placing placing;

        void put(Measured measured, double value) {
            if (figures.put(measured, value) != null) {
                throw new InvalidEntry(
                        SYNTAX, "The " + measured.label() + " is there twice; one part a line, each figure once.");
            }
        }
    }

    /**
     * Understands one line.
     *
     * @param typed as typed
     * @param current reference of the part a line without one is about; may be empty
     * @param usual where parts are read unless the line says otherwise
     * @return a {@link PartRead}, or a {@link Metered} for ohms
     * @throws InvalidEntry with a sentence for the person typing
     */
    public Fact read(String typed, String current, Placing usual) {
        Deque<String> words = words(typed);
        if (words.isEmpty()) {
            throw new InvalidEntry(
                    EMPTY, "Type what was read, for example .047 leak 2.1M @400, or 231k for a resistor.");
        }
        Part part = part(words, current);
        if (words.isEmpty()) {
            throw new InvalidEntry(EMPTY, "Type what " + part.reference() + " reads, behind it.");
        }
        Draft draft = new Draft();
        draft.placing = usual;
        while (!words.isEmpty()) {
            take(part, words, draft);
        }
        if (draft.shown.isPresent()) {
            throughMeter(part, draft);
        }
        return draft.ohms.isPresent() ? metered(part, draft) : partRead(part, draft);
    }

    private static Deque<String> words(String typed) {
        String text = Vocabulary.plain(typed.strip())
                .replace("@", " @ ")
                .replaceAll("(?i)\\bin[ -]place\\b|\\bin[ -]circuit\\b", "inplace")
                .replaceAll("(?i)\\bat\\s+(?=[0-9])", "@ ")
                .replaceAll("(?i)(@ *[0-9.,]+) +v(?:olts?)?\\b", "$1")
                // What a tester shows as more than something is at least that.
                .replaceAll("(?i)(?:>|\\bover\\s+)(?=[0-9.])", "")
                .replaceAll("(?i)\\beye\\s+", "eye_")
                .replaceAll("(?i)\\blamp\\s+", "lamp_")
                .replaceAll("(?i)\\bswap\\s+", "swap_")
                .replaceAll("(?i)\\bheater\\s+open\\b", "heater_open");
        return text.isBlank()
                ? new ArrayDeque<>()
                : new ArrayDeque<>(Arrays.asList(text.strip().split("\\s+")));
    }

    private Part part(Deque<String> words, String current) {
        String first = words.peek();
        if (REFERENCE.matcher(first).matches()) {
            Optional<Part> named =
                    set.part(first).or(() -> set.part(set.tubeOf(first))).or(() -> set.part("X" + first));
            if (named.isPresent()) {
                words.pop();
                return named.get();
            }
            throw new InvalidEntry(UNKNOWN, "There is no part " + first + " in this set" + nearest(first) + ".");
        }
        return set.part(current)
                .or(() -> set.part(set.tubeOf(current)))
                .orElseThrow(() ->
                        new InvalidEntry(UNKNOWN, "No part is chosen; name one first, as in C7 .047 leak 2.1M @400."));
    }

    private String nearest(String wanted) {
        String letters = wanted.replaceAll("[0-9].*", "").toUpperCase(Locale.ROOT);
        List<String> alike = set.parts().stream()
                .map(Part::reference)
                .filter(r ->
                        r.toUpperCase(Locale.ROOT).replaceFirst("^X(?=V)", "").startsWith(letters))
                .limit(8)
                .toList();
        return alike.isEmpty() ? "" : "; there are " + String.join(", ", alike);
    }

    private void take(Part part, Deque<String> words, Draft draft) {
        String word = words.pop();
        String lower = word.toLowerCase(Locale.ROOT);
        boolean tube = PartsBench.isTube(part);
        Optional<Sign> sign = SignWords.of(word);
        if (sign.isPresent()) {
            SignWords.requireFits(part, sign.get(), word);
            draft.signs.add(sign.get());
        } else if (lower.equals("lifted")) {
            draft.placing = Placing.LIFTED;
        } else if (lower.equals("out")) {
            draft.placing = Placing.OUT;
        } else if (lower.equals("inplace")) {
            draft.placing = Placing.IN_PLACE;
        } else if (lower.equals("@")) {
            draft.put(Measured.TEST_VOLTS, testVolts(part, next(words, "@", "the volts it was tested at, as in @400")));
        } else if (lower.equals("esr")) {
            requireCapacitor(part, "ESR");
            draft.put(
                    Measured.ESR_OHMS,
                    positive(
                            values.read(next(words, "esr", "ohms, as in esr 4.1"), Unit.OHM)
                                    .value(),
                            "ESR"));
        } else if (Set.of("leak", "leaks", "l").contains(lower)) {
            requireCapacitor(part, "A leak");
            leak(draft, next(words, "leak", "ohms or amperes, as in leak 2.1M or leak 12uA"));
        } else if (lower.equals("shows")) {
            requireCapacitor(part, "A leak through a meter");
            draft.shown = OptionalDouble.of(positive(
                    values.read(next(words, "shows", "the meter's volts, as in shows 0.8V @92"), Unit.VOLT)
                            .value(),
                    "What leaks through"));
        } else if (tube) {
            scale(word, draft);
        } else if (part.card().letter() == 'C') {
            draft.put(Measured.FARADS, farads(part, unitJoined(word, words)));
        } else if (NONE.contains(lower)) {
            draft.ohms = OptionalDouble.of(Double.POSITIVE_INFINITY);
        } else {
            draft.ohms = OptionalDouble.of(
                    positive(values.read(unitJoined(word, words), Unit.OHM).value(), "A resistance"));
        }
    }

    /** A unit written apart belongs to the figure before it. */
    private static String unitJoined(String word, Deque<String> words) {
        return !words.isEmpty() && words.peek().matches("(?i)(?:[mµunp]?fd?|mfd|mmfd?|uuf|k|meg|ohms?|Ω)")
                ? word + " " + words.pop()
                : word;
    }

    private static String next(Deque<String> words, String after, String what) {
        if (words.isEmpty()) {
            throw new InvalidEntry(SYNTAX, "Behind “" + after + "” stand " + what + ".");
        }
        return words.pop();
    }

    private static void requireCapacitor(Part part, String what) {
        if (part.card().letter() != 'C') {
            throw new InvalidEntry(SYNTAX, what + " is a capacitor's; " + part.reference() + " is none.");
        }
    }

    private void leak(Draft draft, String word) {
        String lower = word.toLowerCase(Locale.ROOT);
        if (NONE.contains(lower)) {
            draft.put(Measured.LEAK_OHMS, Double.POSITIVE_INFINITY);
        } else if (lower.matches(".*[0-9](?:[munµμp]a?|a)$") && !word.endsWith("M")) {
            draft.put(
                    Measured.LEAK_AMPERES,
                    notNegative(values.read(lower.endsWith("a") ? word : word + "A", Unit.AMPERE)
                            .value()));
        } else {
            double ohms = values.read(word, Unit.OHM).value();
            if (!(ohms >= 0)) {
                notNegative(ohms);
            }
            draft.put(Measured.LEAK_OHMS, ohms);
        }
    }

    /**
     * The leak that a voltmeter shows from the lifted end to where the grid was, with the plate's volts behind it.
     *
     * <p>Source: a divider of the leak and the meter's own input, R = Rm (U - v) / v; 92 V behind it and 0.8 V on 10 MΩ
     * are 1.14 GΩ.
     */
    private void throughMeter(Part part, Draft draft) {
        Meter meter = instrument
                .flatMap(i -> i.ability(Equipment.VOLTMETER))
                .flatMap(Ability::input)
                .or(bench::meter)
                .orElseThrow(() -> new InvalidEntry(
                        SYNTAX,
                        "Say with which meter: its own resistance decides what the leak is. Choose it above the list, or "
                                + "one for the bench."));
        double shown = draft.shown.getAsDouble();
        double behind = draft.figures.getOrDefault(Measured.TEST_VOLTS, 0.0);
        if (!(behind > 0)) {
            throw new InvalidEntry(SYNTAX, "Say what stands behind " + part.reference() + ", as in shows 0.8V @92.");
        }
        if (shown >= behind) {
            throw new InvalidEntry(
                    OUT_OF_RANGE,
                    Engineering.print(shown, Unit.VOLT) + " cannot come through from "
                            + Engineering.print(behind, Unit.VOLT) + "; read both again.");
        }
        if (draft.placing == Placing.IN_PLACE) {
            throw new InvalidEntry(
                    SYNTAX,
                    "In place the grid's own resistor takes the leak: lift that end, put the meter in its way, and say "
                            + "lifted.");
        }
        double input = meter.inputResistance(new Volts(shown)).value();
        draft.put(Measured.LEAK_OHMS, shown == 0 ? Double.POSITIVE_INFINITY : input * (behind - shown) / shown);
    }

    private static double notNegative(double value) {
        if (value < 0) {
            throw new InvalidEntry(OUT_OF_RANGE, "A leak has no sign; enter its size.");
        }
        return value;
    }

    private static double positive(double value, String what) {
        if (value < 0) {
            throw new InvalidEntry(OUT_OF_RANGE, what + " is never below zero.");
        }
        return value;
    }

    private double testVolts(Part part, String word) {
        double volts = values.read(word, Unit.VOLT).value();
        if (!(volts > 0 && volts <= MOST_TEST_VOLTS)) {
            throw new InvalidEntry(
                    OUT_OF_RANGE,
                    volts == 0
                            ? "At 0 V nothing leaks; give the volts applied, as in leak 2.1M @400."
                            : "A leak is tested at 1 to 10000 V, not at " + word + ".");
        }
        double rated = markings.apply(part).ratedVolts().orElse(Double.POSITIVE_INFINITY);
        if (volts > SLIP * rated) {
            throw new InvalidEntry(
                    OUT_OF_RANGE,
                    part.reference() + " is marked " + Engineering.exact(rated) + " V; a test at "
                            + Engineering.exact(volts)
                            + " V breaks it down. Check the figure; test it at its own volts or less.");
        }
        return volts;
    }

    private void scale(String word, Draft draft) {
        Matcher scale = SCALE.matcher(word);
        if (!scale.matches()) {
            throw new InvalidEntry(
                    SYNTAX,
                    "“" + word
                            + "” is not understood; of a tube write what the tester shows and wants, as in 62/40, or good, weak, bad, short, gas.");
        }
        draft.put(Measured.SCALE, values.number(scale.group(1)));
        if (scale.group(2) != null) {
            double least = values.number(scale.group(2));
            if (!(least > 0)) {
                throw new InvalidEntry(OUT_OF_RANGE, "What the chart wants at least is above zero, as in 62/40.");
            }
            draft.put(Measured.SCALE_LEAST, least);
        }
    }

    /** A bare number is in the unit that brings it nearest to the part's mark: 4700 on a ceramic is picofarads. */
    private double farads(Part part, String typed) {
        double mark = markings.apply(part).value().orElse(0);
        if (!BARE.matcher(typed).matches()) {
            double farads = positive(values.read(typed, Unit.FARAD).value(), "A capacitance");
            if (mark > 0 && farads > TOO_MANY_TIMES * mark) {
                throw new InvalidEntry(
                        OUT_OF_RANGE,
                        Engineering.print(farads, Unit.FARAD) + " is " + Math.round(farads / mark) + " times the "
                                + Engineering.print(mark, Unit.FARAD) + " it is marked with; check the unit.");
            }
            return farads;
        }
        double number = values.number(typed);
        if (!(mark > 0)) {
            if (number < 1) {
                return number * 1e-6;
            }
            if (number >= 1000) {
                return number * 1e-12;
            }
            throw new InvalidEntry(
                    AMBIGUOUS, "“" + typed + "” may mean " + typed + " µF or " + typed + " pF; write the unit.");
        }
        double best = 0;
        double apart = Double.POSITIVE_INFINITY;
        for (double unit : new double[] {1e-6, 1e-9, 1e-12}) {
            double off = number == 0 ? 0 : Math.abs(Math.log(number * unit / mark));
            if (off < apart) {
                apart = off;
                best = number * unit;
            }
        }
        if (apart > Math.log(NEAR)) {
            throw new InvalidEntry(
                    AMBIGUOUS,
                    "“" + typed + "” is far from the " + Engineering.print(mark, Unit.FARAD)
                            + " it is marked with, in any unit; write the unit, as in " + typed + "p or " + typed
                            + "n.");
        }
        return best;
    }

    private Metered metered(Part part, Draft draft) {
        if ("RL".indexOf(part.card().letter()) < 0 && !part.card().kind().equals("lamp")) {
            throw new InvalidEntry(
                    SYNTAX,
                    "One figure of ohms says nothing of " + part.reference().replaceFirst("^X", "")
                            + "; its windings are read one by one on the cold bench.");
        }
        if (!draft.figures.isEmpty() || !draft.signs.isEmpty()) {
            throw new InvalidEntry(
                    SYNTAX, "Ohms of " + part.reference() + " stand alone, as in " + part.reference() + " 231k.");
        }
        return new Metered(
                part.reference(),
                "0",
                ReadingKind.OHMS,
                draft.ohms.getAsDouble(),
                bench.lineVolts(),
                "",
                "",
                null,
                draft.placing.alone() ? part.reference() : "");
    }

    private PartRead partRead(Part part, Draft draft) {
        SignWords.requireAgree(draft.signs, draft.figures.containsKey(Measured.SCALE));
        if (PartsBench.isTube(part)) {
            draft.placing = Placing.OUT;
        }
        if (draft.figures.containsKey(Measured.LEAK_AMPERES) && !draft.figures.containsKey(Measured.TEST_VOLTS)) {
            throw new InvalidEntry(SYNTAX, "A leak in amperes needs the volts it was read at, as in leak 12uA @400.");
        }
        if (draft.figures.keySet().equals(Set.of(Measured.TEST_VOLTS)) && draft.signs.isEmpty()
                || draft.figures.isEmpty() && draft.signs.isEmpty()) {
            throw new InvalidEntry(SYNTAX, "Type what " + part.reference() + " showed there, as in leak 2.1M @400.");
        }
        requireStands(part, draft);
        return new PartRead(
                PartsBench.isTube(part) ? set.tubeOf(part.reference()) : part.reference(),
                draft.figures,
                draft.signs,
                draft.placing,
                instrument.map(Instrument::id).orElse(""));
    }

    /** A tester that gives no less than a section's rating and more would break it down. */
    private void requireStands(Part part, Draft draft) {
        Optional<Ability> tester = instrument.flatMap(i -> i.ability(Equipment.LEAKAGE_TESTER));
        OptionalDouble lowest = tester.map(Ability::testVolts).orElse(List.of()).stream()
                .mapToDouble(Double::doubleValue)
                .min();
        boolean tested =
                draft.figures.containsKey(Measured.LEAK_OHMS) || draft.figures.containsKey(Measured.LEAK_AMPERES);
        double rated = markings.apply(part).ratedVolts().orElse(Double.POSITIVE_INFINITY);
        if (tested && lowest.isPresent() && rated < lowest.getAsDouble()) {
            throw new InvalidEntry(
                    OUT_OF_RANGE,
                    part.reference() + " is marked "
                            + Engineering.exact(rated) + " V and "
                            + instrument.get().name() + " gives no less than " + Engineering.exact(lowest.getAsDouble())
                            + " V: it is not the tester for this one.");
        }
    }
}
