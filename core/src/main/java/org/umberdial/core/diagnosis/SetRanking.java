package org.umberdial.core.diagnosis;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToDoubleFunction;
import org.umberdial.core.area.Bench;
import org.umberdial.core.evidence.ReadingLog;
import org.umberdial.core.set.BenchSet;

/**
 * Everything that is known of a set, weighed: what was read in the bench's mode, what its parts were proven to be, what
 * is heard and seen, and what it does in its other modes. A mode that is right clears what it shares with one that is
 * not.
 *
 * @param readings of the bench's mode
 * @param otherModes those whose readings counted
 * @param waits whether another mode's faults are still being solved; asked again, more is known
 */
public record SetRanking(Diagnosis diagnosis, BenchReadings readings, List<String> otherModes, boolean waits) {
    /** No other mode says more than this for or against a part: sections are switched, contacts are dirty. */
    private static final double MOST = 30;

    public SetRanking {
        otherModes = List.copyOf(otherModes);
    }

    /** @param ready of the bench's mode; {@code atlases} gives those of the others */
    public static SetRanking of(
            BenchSet set,
            ReadingLog log,
            Bench bench,
            Background background,
            AtlasSource.Ready ready,
            AtlasSource atlases) {
        BenchReadings readings = BenchReadings.of(
                set, log, bench, ready.healthy(), background.known().lastReplaced());
        List<ToDoubleFunction<FaultMode>> factors = new ArrayList<>();
        factors.add(new Standing(set, background, ready.atlas()));
        List<String> counted = new ArrayList<>();
        boolean waits = false;
        // What was read in another mode before a part was replaced is of another set.
        ReadingLog since = new ReadingLog(log.standing().stream()
                .filter(reading -> background
                        .known()
                        .lastReplaced()
                        .filter(at -> reading.takenAt().isBefore(at))
                        .isEmpty())
                .toList());
        for (String mode : set.modes()) {
            boolean read =
                    since.standing().stream().anyMatch(reading -> reading.mode().equals(mode));
            if (mode.equals(bench.mode()) || !read) {
                continue;
            }
            Bench there = new Bench(bench.lineVolts(), bench.meter(), bench.accuracy(), mode);
            AtlasSource.Answer answer = atlases.of(set, there);
            waits |= answer instanceof AtlasSource.Underway;
            if (answer instanceof AtlasSource.Ready other) {
                BenchReadings then = BenchReadings.of(
                        set, since, there, other.healthy(), background.known().lastReplaced());
                if (!then.volts().isEmpty()) {
                    counted.add(mode);
                    factors.add(evidence(other.atlas(), then.volts()));
                }
            }
        }
        Diagnosis diagnosis = Ranking.ofAll(
                ready.atlas(),
                readings.all(),
                mode -> factors.stream()
                        .mapToDouble(factor -> factor.applyAsDouble(mode))
                        .reduce(1, (a, b) -> a * b));
        return new SetRanking(diagnosis, readings, counted, waits);
    }

    private record Key(String part, FaultMode.Kind kind) {}

    /** How much likelier what was read is with each fault than without any. */
    private static ToDoubleFunction<FaultMode> evidence(Atlas atlas, Map<String, Double> volts) {
        Map<Key, Double> factors = new HashMap<>();
        Weighing.ratios(atlas, Ranking.figures(atlas, volts))
                .forEach((mode, ratio) ->
                        factors.put(new Key(mode.part(), mode.kind()), Math.max(1 / MOST, Math.min(MOST, ratio))));
        return mode -> factors.getOrDefault(new Key(mode.part(), mode.kind()), 1.0);
    }
}
