package org.umberdial.core.player;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.evidence.SpeedRead;

/**
 * A line of the variation with what turns as often.
 *
 * @param may what it may come from, the nearest first; empty when nothing that is known turns so often
 */
public record NamedLine(SpeedRead.Line line, List<Turning> may) {
    public NamedLine {
        may = List.copyOf(may);
    }

    /** The lines of a tone, each with what it may be. */
    public static List<NamedLine> of(SpeedRead.Tone tone, List<Turning> turning) {
        double resolution = 1 / Math.max(1, tone.seconds());
        return tone.lines().stream()
                .map(line -> new NamedLine(
                        line,
                        turning.stream()
                                .filter(t -> t.makes(line.hertz(), resolution))
                                .sorted(Comparator.comparingDouble(t -> Math.abs(t.hertz() - line.hertz())
                                        / Math.max(resolution, t.spread() * t.hertz())))
                                .toList()))
                .toList();
    }

    /** The part it comes from; empty when none turns so often, or several do. */
    public Optional<Turning.Part> part() {
        return may.isEmpty() || may.stream().map(Turning::part).distinct().count() > 1
                ? Optional.empty()
                : Optional.of(may.get(0).part());
    }

    /**
     * How far from its middle what lies on the platter turns, if that is all of it: peak variation times radius [mm].
     *
     * @param grooveMm radius at which the needle was [mm]
     */
    public OptionalDouble offsetMm(double grooveMm) {
        return part().filter(p -> p == Turning.Part.PLATTER).isPresent()
                        && may.get(0).times() == 1
                ? OptionalDouble.of(line.percent() / 100 * grooveMm)
                : OptionalDouble.empty();
    }
}
