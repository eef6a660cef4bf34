package org.umberdial.core.volts;

import java.util.List;
import java.util.Optional;
import org.umberdial.core.area.Bench;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/** Whether the meter at the bench stands what is expected at the points. */
public final class MeterReach {
    private static final int NAMED = 3;

    private MeterReach() {}

    /** The points where a healthy set has more than the meter stands; empty when it stands them all, or nobody said. */
    public static Optional<String> caution(BenchSet set, VoltsReport report, Bench bench) {
        if (bench.highest().isEmpty()) {
            return Optional.empty();
        }
        double highest = bench.highest().getAsDouble();
        List<String> beyond = report.points().stream()
                .filter(p -> set.usualKind(p.point().node()) == ReadingKind.DC
                        && p.expected().isPresent()
                        && Math.abs(p.expected().getAsDouble()) > highest)
                .map(p -> set.nameOf(p.point().node()) + " ("
                        + Engineering.print(p.expected().getAsDouble(), Unit.VOLT) + ")")
                .toList();
        return beyond.isEmpty()
                ? Optional.empty()
                : Optional.of("This meter stands " + Engineering.print(highest, Unit.VOLT) + ". More is expected at "
                        + String.join(", ", beyond.subList(0, Math.min(NAMED, beyond.size())))
                        + (beyond.size() > NAMED ? " and " + (beyond.size() - NAMED) + " more" : "")
                        + ": take a meter and leads that are rated for it.");
    }
}
