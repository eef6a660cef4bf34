package org.umberdial.core.draft;

import static org.umberdial.core.value.InvalidEntry.Code.EMPTY;
import static org.umberdial.core.value.InvalidEntry.Code.OUT_OF_RANGE;
import static org.umberdial.core.value.InvalidEntry.Code.UNKNOWN;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.umberdial.core.tube.Ballast;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.value.InvalidEntry;

/**
 * The tubes of a set as one writes them in a line: {@code 12BE6 12BA6 12AV6 50C5 35W4}, {@code ECC85 ECH81 2xEL84
 * EZ80}, in any order. Types may carry any suffix; commas, plus signs and blanks part them. A type nobody knows may say
 * its heater: {@code 99Z9[6.3V 0.3A]}.
 *
 * @param tubes in the order given
 */
public record LineUp(List<Fitted> tubes) {
    /** No set of a home has more; beyond it the line is something else. */
    private static final int MOST = 40;

    private static final Pattern WORD =
            Pattern.compile("(?:(\\d)\\s*[xX×]\\s*)?([^\\s,;+\\[\\]]+)(?:\\s*\\[([^\\]]*)\\])?");
    private static final Pattern VOLTS = Pattern.compile("(?i)([0-9]*[.,]?[0-9]+)\\s*V");
    private static final Pattern AMPERES = Pattern.compile("(?i)([0-9]*[.,]?[0-9]+)\\s*(m?)A");

    /**
     * Reads a line-up.
     *
     * @throws InvalidEntry when there is no tube in it, or more than any set has
     */
    public static LineUp read(String line, TubeData tubes) {
        List<Fitted> fitted = new ArrayList<>();
        Matcher words = WORD.matcher(joined(line, tubes));
        while (words.find()) {
            // 6X4 is a rectifier and not six of something.
            boolean one = words.group(1) == null || tubes.knows(words.group().split("\\[")[0]);
            int times = one ? 1 : Integer.parseInt(words.group(1));
            String word = one ? words.group().split("\\[")[0].strip() : words.group(2);
            for (int i = 0; i < times && fitted.size() <= MOST; i++) {
                fitted.add(fitted(
                        "V" + (fitted.size() + 1),
                        word,
                        Optional.ofNullable(words.group(3)).orElse(""),
                        tubes));
            }
        }
        if (fitted.isEmpty()) {
            throw new InvalidEntry(EMPTY, "Write the set's tubes in a line, as in 12BE6 12BA6 12AV6 50C5 35W4.");
        }
        if (fitted.size() > MOST) {
            throw new InvalidEntry(OUT_OF_RANGE, "A line-up has up to " + MOST + " tubes; this one has more.");
        }
        if (fitted.stream()
                .noneMatch(tube -> tube.type().isPresent() || tube.heaterVolts().isPresent())) {
            throw new InvalidEntry(
                    UNKNOWN,
                    "None of these is a tube type known here: "
                            + fitted.stream().map(Fitted::typed).collect(Collectors.joining(", "))
                            + ". Check the numbers; a type nobody knows may say its heater, as in 99Z9[6.3V 0.3A].");
        }
        return new LineUp(List.copyOf(fitted));
    }

    /** A heater's figure within what heaters are. */
    private static OptionalDouble within(double value, double least, double most, String word, String what) {
        if (!(value >= least && value <= most)) {
            throw new InvalidEntry(OUT_OF_RANGE, word + ": a heater has " + what + ", as in 99Z9[6.3V 0.3A].");
        }
        return OptionalDouble.of(value);
    }

    /** {@code EL 84} is one type: letters are joined with the digits behind them when that is a type. */
    private static String joined(String line, TubeData tubes) {
        Matcher apart = Pattern.compile("(?i)\\b([A-Z]{2,4})\\s+([0-9]{1,4}[A-Z]{0,2})\\b")
                .matcher(line);
        StringBuilder out = new StringBuilder();
        while (apart.find()) {
            String together = apart.group(1) + apart.group(2);
            apart.appendReplacement(
                    out,
                    Matcher.quoteReplacement(
                            tubes.knows(together) && !tubes.knows(apart.group(1)) ? together : apart.group()));
        }
        return apart.appendTail(out).toString();
    }

    private static Fitted fitted(String socket, String word, String said, TubeData tubes) {
        Matcher volts = VOLTS.matcher(said);
        Matcher amperes = AMPERES.matcher(said);
        return new Fitted(
                socket,
                word.toUpperCase(Locale.ROOT),
                tubes.type(word),
                volts.find() ? within(number(volts.group(1)), 0.5, 250, word, "0.5 to 250 V") : OptionalDouble.empty(),
                amperes.find()
                        ? within(
                                number(amperes.group(1)) * (amperes.group(2).isEmpty() ? 1 : 1e-3),
                                0.005,
                                20,
                                word,
                                "5 mA to 20 A")
                        : OptionalDouble.empty());
    }

    private static double number(String text) {
        return Double.parseDouble(text.replace(',', '.'));
    }

    /** Whether a word of the line is the code of a ballast or resistance tube. */
    static Optional<Ballast> ballast(Fitted tube) {
        return Ballast.of(tube.typed());
    }
}
