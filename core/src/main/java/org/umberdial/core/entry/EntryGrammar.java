package org.umberdial.core.entry;

import static org.umberdial.core.value.InvalidEntry.Code.AMBIGUOUS;
import static org.umberdial.core.value.InvalidEntry.Code.EMPTY;
import static org.umberdial.core.value.InvalidEntry.Code.OUT_OF_RANGE;
import static org.umberdial.core.value.InvalidEntry.Code.SYNTAX;
import static org.umberdial.core.value.InvalidEntry.Code.UNKNOWN;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.umberdial.core.policy.Vocabulary;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.set.TestPoint;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Measure;
import org.umberdial.core.value.Unit;
import org.umberdial.core.value.ValueReader;

/**
 * The shorthand of the entry strip: {@code [point] value [unit] [ac|dc|ohms] [to point] [PART lifted]}.
 *
 * <p>Examples: {@code 82.4}, {@code V3.5 82.4}, {@code V3 plate 82.4}, {@code V2 heater 12.4 ac}, {@code R7 231k},
 * {@code V4 grid 0.1 C8 lifted}, {@code V4 screen to V4 cathode 88}.
 */
public final class EntryGrammar {
    private static final Set<String> EARTH = Set.of("earth", "gnd", "ground");

    private static final Pattern LIFTED = Pattern.compile("(?i)(?:\\s+([A-Z]+[0-9]+[A-Z0-9]*))?\\s+lifted$");
    private static final Pattern SOCKET_PIN =
            Pattern.compile("(?i)(V[0-9]+[A-Z]?)[.\\-/ ]?(?:pin\\s*)?([0-9]{1,2}|cap)");

    private final BenchSet set;
    private final ValueReader values;

    public EntryGrammar(BenchSet set, DecimalSign decimalSign) {
        this.set = set;
        this.values = new ValueReader(decimalSign);
    }

    /**
     * Understands one entry.
     *
     * @param typed as typed
     * @param current the point an entry without a name is for
     * @throws InvalidEntry with a sentence for the person typing
     */
    public Entry read(String typed, Optional<TestPoint> current) {
        String text = Vocabulary.plain(typed.strip());
        if (text.isEmpty()) {
            throw new InvalidEntry(
                    EMPTY,
                    "Type what the meter shows, for example 82.4; name another point first, as in V3 plate 82.4.");
        }
        String lifted = "";
        Matcher lift = LIFTED.matcher(text);
        if (lift.find()) {
            lifted = lift.group(1) == null ? "*" : lift.group(1).toUpperCase(Locale.ROOT);
            text = text.substring(0, lift.start()).strip();
        }
        Optional<ReadingKind> kind = trailingKind(text);
        if (kind.isPresent()) {
            text = text.substring(0, text.lastIndexOf(' ')).strip();
        }
        Split split = split(text);
        return entry(split, kind, lifted, current);
    }

    private record Split(String point, String value) {}

    private static Optional<ReadingKind> trailingKind(String text) {
        int space = text.lastIndexOf(' ');
        String last = text.substring(space + 1).toLowerCase(Locale.ROOT);
        return space > 0 && List.of("ac", "dc", "vac", "vdc").contains(last)
                ? ReadingKind.named(last)
                : Optional.empty();
    }

    /** The value is the last word, or the last two when the last is a unit. */
    private static Split split(String text) {
        String[] words = text.split("\\s+");
        int from = words.length - 1;
        if (from > 0 && !words[from].matches(".*[0-9].*") && words[from - 1].matches("[+\\-−]?[0-9.,/]+.*")) {
            from--;
        }
        String point = String.join(" ", List.of(words).subList(0, from));
        String value = String.join(" ", List.of(words).subList(from, words.length));
        if (!value.matches(".*[0-9].*")) {
            throw new InvalidEntry(
                    SYNTAX,
                    "“" + text
                            + "” ends without a value; type the point, then what the meter shows, as in V3 "
                            + "plate 82.4.");
        }
        return new Split(point, value);
    }

    private Entry entry(Split split, Optional<ReadingKind> kind, String lifted, Optional<TestPoint> current) {
        Optional<Part> part = split.point.isEmpty()
                ? Optional.empty()
                : set.part(split.point)
                        .filter(p -> p.card().letter() == 'R' || p.card().letter() == 'L');
        if (part.isPresent()) {
            Measure ohms = values.read(split.value, Unit.OHM);
            requireNotNegative(ohms);
            return new Entry(
                    part.get().reference(),
                    "0",
                    ReadingKind.OHMS,
                    ohms.value(),
                    lifted.equals("*") ? part.get().reference() : checked(lifted),
                    true);
        }
        String[] ends = split.point.split("(?i)\\s+(?:to|against)\\s+", 2);
        TestPoint point = ends[0].isEmpty()
                ? current.orElseThrow(
                        () -> new InvalidEntry(UNKNOWN, "No point is chosen; name one first, as in V3 plate 82.4."))
                : point(ends[0]);
        String reference = ends.length < 2 ? "0" : reference(ends[1]);
        if (lifted.equals("*")) {
            throw new InvalidEntry(
                    SYNTAX, "Which part is lifted? Write it before the word, as in “" + split.value + " C8 lifted”.");
        }
        ReadingKind what = kind.orElse(
                split.value.matches("(?i).*(ohms?|Ω|[0-9](k|meg))$") ? ReadingKind.OHMS : set.usualKind(point.node()));
        Measure measure = values.read(split.value, what.unit());
        if (what != ReadingKind.DC) {
            requireNotNegative(measure);
        }
        return new Entry(point.node(), reference, what, measure.value(), checked(lifted), false);
    }

    private static void requireNotNegative(Measure measure) {
        if (measure.value() < 0) {
            throw new InvalidEntry(
                    OUT_OF_RANGE,
                    measure + " cannot be: "
                            + (measure.unit() == Unit.OHM
                                    ? "ohms have no sign. A meter that shows them negative sees a charge; "
                                            + "discharge and read again."
                                    : "an AC reading has no sign."));
        }
    }

    private String checked(String lifted) {
        if (!lifted.isEmpty() && set.part(lifted).isEmpty()) {
            throw new InvalidEntry(
                    UNKNOWN,
                    "There is no part " + lifted + " in this set; write the reference of the part you lifted.");
        }
        return lifted;
    }

    private String reference(String name) {
        String plain = name.strip().toLowerCase(Locale.ROOT);
        if (set.construction().liveChassis() && EARTH.contains(plain)) {
            throw new InvalidEntry(
                    UNKNOWN,
                    "Earth is not the minus rail of a set whose chassis can be live. Write “minus rail”, or the point"
                            + " the other lead was on.");
        }
        return plain.equals("0")
                        || plain.equals("minus")
                        || plain.equals("ground")
                        || plain.equals("chassis") && set.pointAt("chassis").isEmpty()
                        || plain.equals("minus rail")
                ? "0"
                : point(name).node();
    }

    /**
     * The point somebody means by a name: socket and pin, its full name, its node, or the beginning of exactly one
     * name.
     *
     * @throws InvalidEntry when there is none, or more than one
     */
    public TestPoint point(String name) {
        String wanted = name.strip();
        Matcher pin = SOCKET_PIN.matcher(wanted);
        if (pin.matches()) {
            Optional<TestPoint> at = set.testPoints().stream()
                    .filter(p ->
                            p.socket().equalsIgnoreCase(pin.group(1)) && p.pin().equalsIgnoreCase(pin.group(2)))
                    .findFirst()
                    .or(() -> byPin(pin.group(1), pin.group(2)));
            if (at.isPresent()) {
                return at.get();
            }
        }
        List<TestPoint> exact = set.testPoints().stream()
                .filter(p -> squeeze(p.name()).equals(squeeze(wanted))
                        || p.node().equalsIgnoreCase(wanted)
                        || p.id().equals(wanted))
                .toList();
        List<TestPoint> found = exact.isEmpty()
                ? set.testPoints().stream()
                        .filter(p -> squeeze(p.name()).startsWith(squeeze(wanted)))
                        .toList()
                : exact;
        if (found.size() == 1) {
            return found.get(0);
        }
        if (found.isEmpty()) {
            throw new InvalidEntry(
                    UNKNOWN,
                    "No test point is called “" + wanted + "”; points here are " + names(set.testPoints()) + ".");
        }
        throw new InvalidEntry(AMBIGUOUS, "“" + wanted + "” could be " + names(found) + "; write more of the name.");
    }

    /** A pin whose node has a test point under another pin's name. */
    private Optional<TestPoint> byPin(String socket, String pin) {
        return set.sockets().stream()
                .filter(pins -> pins.socket().equalsIgnoreCase(socket))
                .flatMap(pins -> Optional.ofNullable(pins.pins().get(pin.toLowerCase(Locale.ROOT))).stream())
                .flatMap(node -> set.pointAt(node).stream())
                .findFirst();
    }

    private static String squeeze(String name) {
        return Vocabulary.plain(name).toLowerCase(Locale.ROOT).replaceAll("[\\s,]+|pin", "");
    }

    private static String names(List<TestPoint> points) {
        List<String> names = points.stream().limit(6).map(TestPoint::name).toList();
        return names.isEmpty()
                ? "not entered yet"
                : String.join(", ", names) + (points.size() > 6 ? " and " + (points.size() - 6) + " more" : "");
    }
}
