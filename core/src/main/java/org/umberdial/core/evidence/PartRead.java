package org.umberdial.core.evidence;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import org.umberdial.core.value.Engineering;

/**
 * What was read of one part, all at one time; ohms of resistors and windings are {@link Metered}.
 *
 * @param part its reference; a tube's is that of its first section
 * @param figures SI, by what was measured; an infinite leak resistance means that none was seen
 * @param signs what has no figure
 * @param instrument id of what it was read with; may be empty
 */
public record PartRead(String part, Map<Measured, Double> figures, Set<Sign> signs, Placing placing, String instrument)
        implements Fact {
    public PartRead {
        figures = Map.copyOf(figures);
        signs = Set.copyOf(signs);
    }

    public OptionalDouble figure(Measured measured) {
        Double value = figures.get(measured);
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }

    public boolean has(Sign sign) {
        return signs.contains(sign);
    }

    /**
     * Its leak as a resistance [Ω], infinite when none was seen; empty when no leak was read. A leak in amperes needs
     * its volts.
     */
    public OptionalDouble leakOhms() {
        OptionalDouble ohms = figure(Measured.LEAK_OHMS);
        OptionalDouble amperes = figure(Measured.LEAK_AMPERES);
        OptionalDouble volts = figure(Measured.TEST_VOLTS);
        if (ohms.isPresent() || amperes.isEmpty() || volts.isEmpty()) {
            return ohms;
        }
        return OptionalDouble.of(
                amperes.getAsDouble() == 0 ? Double.POSITIVE_INFINITY : volts.getAsDouble() / amperes.getAsDouble());
    }

    @Override
    public String subject() {
        return part;
    }

    @Override
    public String sentence() {
        List<String> words = new ArrayList<>();
        Map<Measured, Double> inOrder = figures.isEmpty() ? Map.of() : new EnumMap<>(figures);
        inOrder.forEach((measured, value) -> {
            if (measured == Measured.SCALE) {
                words.add("tester " + Engineering.plain(value));
            } else if (measured == Measured.SCALE_LEAST) {
                words.add("wants " + Engineering.plain(value));
            } else if (measured == Measured.TEST_VOLTS) {
                words.add("at " + Engineering.print(value, measured.unit()));
            } else {
                words.add((measured == Measured.FARADS ? "" : measured.label() + " ")
                        + (Double.isInfinite(value) ? "none seen" : Engineering.print(value, measured.unit())));
            }
        });
        new TreeSet<>(signs).forEach(sign -> words.add(sign.label()));
        words.add(placing.label());
        return part + ": " + String.join(", ", words);
    }
}
