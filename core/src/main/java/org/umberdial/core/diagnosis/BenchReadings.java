package org.umberdial.core.diagnosis;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.area.Bench;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.evidence.ReadingLog;
import org.umberdial.core.expect.HealthySet;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.TestPoint;

/**
 * The latest readings of a set, as the bench's meter would have shown them on the bench's line.
 *
 * @param volts by node
 * @param moved how many were taken on another line or with another meter and are moved by what the healthy set does
 */
public record BenchReadings(Map<String, Double> volts, long moved) {
    /** Nobody chose a meter: an electronic one. */
    private static final Meter USUAL = Meter.parse("10M");

    private static final double SAME_LINE = 0.004;
    private static final double LEAST_VOLTS = 0.05;

    public BenchReadings {
        volts = Map.copyOf(volts);
    }

    /** The meter at the bench, or the usual one. */
    public static Meter meter(Bench bench) {
        return bench.meter().orElse(USUAL);
    }

    /** Points of a set that are read on DC. */
    public static List<String> points(BenchSet set) {
        return set.testPoints().stream()
                .map(TestPoint::node)
                .filter(node -> set.usualKind(node) == ReadingKind.DC)
                .distinct()
                .toList();
    }

    /** Of everything that was read with nothing lifted, the latest at each point. */
    public static BenchReadings of(BenchSet set, ReadingLog log, Bench bench, HealthySet healthy) {
        Map<String, Double> volts = new LinkedHashMap<>();
        long moved = 0;
        for (String node : points(set)) {
            Optional<Reading> reading = log.last(node, ReadingKind.DC, bench.mode(), Instant.MIN, Reading::undisturbed);
            if (reading.isEmpty()) {
                continue;
            }
            double factor = factor(node, reading.get(), bench, healthy);
            moved += factor == 1 ? 0 : 1;
            volts.put(node, reading.get().value() * factor);
        }
        return new BenchReadings(volts, moved);
    }

    private static double factor(String node, Reading reading, Bench bench, HealthySet healthy) {
        boolean sameLine = Math.abs(reading.lineVolts() / bench.lineVolts() - 1) <= SAME_LINE;
        Meter then = reading.meter().orElse(meter(bench));
        if (sameLine && then.equals(meter(bench))) {
            return 1;
        }
        OptionalDouble here = healthy.shown(node, bench.lineVolts(), meter(bench));
        OptionalDouble there = healthy.shown(node, reading.lineVolts(), then);
        return here.isPresent() && there.isPresent() && Math.abs(there.getAsDouble()) > LEAST_VOLTS
                ? here.getAsDouble() / there.getAsDouble()
                : 1;
    }
}
