package org.umberdial.core.procedure;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import org.umberdial.core.value.InvalidEntry;

/**
 * What was entered at a test, by the keys of its form. Figures are in SI units, as plain numbers; {@code open} stands
 * for a resistance without end.
 *
 * @param reach by the key of a figure, the highest that its meter shows [Ω]: {@code open} then says no more than that
 */
public record Figures(Map<String, String> entered, Map<String, Double> reach) {
    /** What an ohmmeter shows when nothing connects. */
    public static final String OPEN = "open";

    private static final Set<String> SAID_OPEN = Set.of(OPEN, "ol", "o.l", "o.l.", "inf", "infinite", "∞", "over");

    public Figures {
        entered = Map.copyOf(entered);
        reach = Map.copyOf(reach);
    }

    /** Read with meters of which nobody said how far they show. */
    public Figures(Map<String, String> entered) {
        this(entered, Map.of());
    }

    /** The same, all read with a meter that shows no more than this [Ω]. */
    public Figures readUpTo(OptionalDouble highest) {
        Map<String, Double> all = new HashMap<>();
        highest.ifPresent(h -> entered.keySet().forEach(key -> all.put(key, h)));
        return new Figures(entered, all);
    }

    /** The highest the meter shows that an open figure was read with [Ω]; empty for any other. */
    public OptionalDouble beyond(String key) {
        return text(key).equals(OPEN) && reach.containsKey(key)
                ? OptionalDouble.of(reach.get(key))
                : OptionalDouble.empty();
    }

    /** Whether somebody means by this that nothing connects. */
    public static boolean saysOpen(String typed) {
        return SAID_OPEN.contains(typed.toLowerCase(Locale.ROOT));
    }

    public String text(String key) {
        return entered.getOrDefault(key, "");
    }

    public boolean has(String key) {
        return !text(key).isEmpty();
    }

    public boolean yes(String key) {
        return text(key).equals("yes");
    }

    public boolean no(String key) {
        return text(key).equals("no");
    }

    /** @throws InvalidEntry when it is neither a number nor {@code open} */
    public OptionalDouble number(String key) {
        String text = text(key);
        if (text.isEmpty()) {
            return OptionalDouble.empty();
        }
        if (text.equals(OPEN)) {
            return OptionalDouble.of(Double.POSITIVE_INFINITY);
        }
        try {
            return OptionalDouble.of(Double.parseDouble(text));
        } catch (NumberFormatException notANumber) {
            throw new InvalidEntry(InvalidEntry.Code.NOT_A_NUMBER, "“" + text + "” is no number.").at(key);
        }
    }

    /**
     * A resistance [Ω], infinite when open.
     *
     * @throws InvalidEntry when it is negative: something still drives current through the meter
     */
    public OptionalDouble ohms(String key) {
        OptionalDouble ohms = number(key);
        if (ohms.isPresent() && ohms.getAsDouble() < 0) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "No resistance is below zero: a meter shows that when a charge drives it. Bleed "
                                    + "the capacitors, read volts until they are gone, then read ohms again.")
                    .at(key);
        }
        return ohms;
    }

    /** Whether none of these was entered. */
    public boolean lacks(List<String> keys) {
        return keys.stream().noneMatch(this::has);
    }
}
