package org.umberdial.core.diagnosis;

import java.time.Instant;
import java.util.HashMap;
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
 * The latest readings of a set, as the bench's meter would have shown them on the line its atlas stands at.
 *
 * @param volts direct volts by node
 * @param beside ohms of the cold set and ripple of the running one, which were taken after the last part was replaced
 * @param moved how many were taken on quite another line, or with another meter; like all others they are moved by what
 *     the healthy set does, and that is farther than one would trust without saying so
 */
public record BenchReadings(Map<String, Double> volts, Map<Spot, Double> beside, long moved) {
    /** Nobody chose a meter: an electronic one. */
    private static final Meter USUAL = Meter.parse("10M");

    /** Atlases stand this far apart, a share of the line the circuit is drawn for. */
    private static final double LINE_STEP = 0.025;
    /** Healthy and faulty sets follow the line alike over less than this. */
    private static final double SAME_LINE = 0.05;

    private static final double LEAST_VOLTS = 0.05;

    public BenchReadings {
        volts = Map.copyOf(volts);
        beside = Map.copyOf(beside);
    }

    /** Everything that was read. */
    public Map<Spot, Double> all() {
        Map<Spot, Double> all = new HashMap<>(beside);
        volts.forEach((node, shown) -> all.put(Spot.dc(node), shown));
        return all;
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

    /**
     * The line an atlas for this bench stands at [V RMS]: the step nearest to the bench's; 0 for a set on batteries.
     */
    public static double atlasLine(HealthySet healthy, Bench bench) {
        double nominal = healthy.nominalLine();
        if (!(nominal > 0)) {
            return 0;
        }
        double step = nominal * LINE_STEP;
        return nominal + step * Math.round((healthy.fedWith(bench.lineVolts()) - nominal) / step);
    }

    /**
     * Of everything that was read with nothing lifted, the latest at each point.
     *
     * @param since when the last part was replaced: ohms and ripple from before are of another set, and nobody reads
     *     them again as a matter of course
     */
    public static BenchReadings of(
            BenchSet set, ReadingLog log, Bench bench, HealthySet healthy, Optional<Instant> since) {
        double line = atlasLine(healthy, bench);
        Map<String, Double> volts = new LinkedHashMap<>();
        long moved = 0;
        for (String node : points(set)) {
            Optional<Reading> last = log.last(node, ReadingKind.DC, bench.mode(), Instant.MIN, Reading::undisturbed);
            if (last.isEmpty()) {
                continue;
            }
            Reading reading = last.get();
            Meter then = reading.meter().orElse(meter(bench));
            boolean near = line == 0 || Math.abs(healthy.fedWith(reading.lineVolts()) / line - 1) <= SAME_LINE;
            moved += near && then.equals(meter(bench)) ? 0 : 1;
            OptionalDouble here = healthy.shown(node, line, meter(bench));
            OptionalDouble there = healthy.shown(node, reading.lineVolts(), then);
            boolean comparable = here.isPresent() && there.isPresent() && Math.abs(there.getAsDouble()) > LEAST_VOLTS;
            volts.put(node, comparable ? reading.value() * here.getAsDouble() / there.getAsDouble() : reading.value());
        }
        return new BenchReadings(volts, beside(set, log, bench, healthy, since.orElse(Instant.MIN)), moved);
    }

    private static Map<Spot, Double> beside(
            BenchSet set, ReadingLog log, Bench bench, HealthySet healthy, Instant since) {
        double line = atlasLine(healthy, bench);
        Map<Spot, Double> beside = new HashMap<>();
        for (String node : points(set)) {
            log.last(node, ReadingKind.OHMS, "", since, BenchReadings::isToChassis)
                    .ifPresent(reading -> beside.put(new Spot(node, Spot.Kind.OHMS), reading.value()));
            log.last(node, ReadingKind.AC, bench.mode(), since, BenchReadings::isToChassis)
                    .filter(reading -> line > 0)
                    .ifPresent(reading -> beside.put(
                            new Spot(node, Spot.Kind.RIPPLE),
                            reading.value() * line / healthy.fedWith(reading.lineVolts())));
        }
        return beside;
    }

    private static boolean isToChassis(Reading reading) {
        return reading.undisturbed() && reading.reference().equals("0");
    }
}
