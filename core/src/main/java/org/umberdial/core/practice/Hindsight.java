package org.umberdial.core.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.umberdial.core.diagnosis.Atlas;
import org.umberdial.core.diagnosis.Diagnosis;
import org.umberdial.core.diagnosis.Effort;
import org.umberdial.core.diagnosis.FaultMode;
import org.umberdial.core.diagnosis.Ranking;
import org.umberdial.core.diagnosis.Spot;

/**
 * What was to be known at every step: of the way somebody went, and of the way that asks each time for what tells most
 * for its minutes and names a part when it is sure. That way knows no more than the meter shows, and may be wrong.
 */
public final class Hindsight {
    /** From here on a part is named. */
    private static final double SURE = 0.9;
    /** From here on a set is called sound. */
    private static final double SOUND = 0.85;

    private static final int MOST_STEPS = 60;
    private static final int MOST_LEADING = 3;
    /** What a test by itself leaves of a part that passed it, and makes of one that failed. */
    private static final double PASSED = 0.005;

    private static final double FAILED = 500;

    /** @param posterior 0 to 1 */
    public record Leading(List<String> parts, String says, double posterior) {}

    /**
     * One step.
     *
     * @param move what was done
     * @param result what it showed, in words
     * @param minutes spent until then
     * @param bits what it could be expected to tell; 0 where that is not asked
     * @param better what would have told most for its minutes; empty when it was that
     * @param leading what was likeliest after it
     * @param sound how likely it was after it that nothing is wrong, 0 to 1
     */
    public record Step(
            Practice.Move move,
            String result,
            double minutes,
            double bits,
            Optional<Diagnosis.Probe> better,
            List<Leading> leading,
            double sound) {}

    private final PracticeSet set;
    private final Atlas atlas;

    public Hindsight(PracticeSet set, Atlas atlas) {
        this.set = set;
        this.atlas = atlas;
    }

    /** What is known at some time. */
    private final class Known {
        private Practice practice = new Practice(set, List.of());
        private Diagnosis diagnosis = ranked();

        private Diagnosis ranked() {
            return Ranking.ofAll(atlas, practice.readings(), this::standing);
        }

        private double standing(FaultMode mode) {
            String part = mode.subject();
            boolean bad = set.isBad(part) && !practice.found().contains(part);
            return !practice.told().contains(part) ? 1 : bad ? FAILED : PASSED;
        }

        void take(Practice.Move move) {
            Practice before = practice;
            practice = practice.and(move);
            // The same read or tested twice tells nothing.
            if (!practice.readings().equals(before.readings())
                    || !practice.told().equals(before.told())) {
                diagnosis = ranked();
            }
        }

        private boolean isRead(Spot spot) {
            return practice.readings().containsKey(spot) || !set.spots().contains(spot);
        }

        /** What tells most for its minutes; where nothing reckoned tells anything, the next point in probing order. */
        Optional<Diagnosis.Probe> best() {
            return telling()
                    .or(() -> atlas.spots().stream()
                            .filter(spot -> !isRead(spot))
                            .findFirst()
                            .map(spot -> new Diagnosis.Probe(Optional.of(spot), "", 0, Effort.minutes(spot))));
        }

        private Optional<Diagnosis.Probe> telling() {
            return diagnosis.probes().stream()
                    .filter(probe -> probe.spot()
                            .map(spot -> !isRead(spot))
                            .orElseGet(() -> !practice.told().contains(probe.part())))
                    .findFirst();
        }

        double bits(Practice.Move move) {
            return diagnosis.probes().stream()
                    .filter(probe -> is(probe, move))
                    .mapToDouble(Diagnosis.Probe::bits)
                    .findFirst()
                    .orElse(0);
        }

        List<Leading> leading() {
            return diagnosis.suspects().stream()
                    .limit(MOST_LEADING)
                    .map(suspect -> new Leading(suspect.parts(), suspect.says(), suspect.posterior()))
                    .toList();
        }

        /** A part of which it is sure enough to be replaced: believed, or failed in its own test. */
        Optional<String> sureOf() {
            Optional<String> failed = practice.told().stream()
                    .filter(part -> set.isBad(part) && !practice.found().contains(part))
                    .findFirst();
            return failed.or(() -> practice.readings().isEmpty()
                    ? Optional.empty()
                    : diagnosis.suspects().stream()
                            .flatMap(suspect -> suspect.parts().stream())
                            .distinct()
                            .filter(part -> !practice.told().contains(part) && believed(part) >= SURE)
                            .findFirst());
        }

        private double believed(String part) {
            return diagnosis.suspects().stream()
                    .filter(suspect -> suspect.parts().contains(part))
                    .mapToDouble(Diagnosis.Suspect::posterior)
                    .sum();
        }
    }

    private static boolean is(Diagnosis.Probe probe, Practice.Move move) {
        return move instanceof Practice.Read read
                ? probe.spot().filter(read.spot()::equals).isPresent()
                : move instanceof Practice.Test test && probe.part().equals(test.part());
    }

    /** What tells most for its minutes after what was done; empty when nothing tells anything. */
    public Optional<Diagnosis.Probe> next(Practice practice) {
        Known known = new Known();
        practice.done().forEach(known::take);
        return known.best();
    }

    /** The way somebody went, each step with what it was worth. */
    public List<Step> of(Practice practice) {
        Known known = new Known();
        List<Step> steps = new ArrayList<>();
        for (Practice.Move move : practice.done()) {
            boolean asks = move instanceof Practice.Read || move instanceof Practice.Test;
            Optional<Diagnosis.Probe> better = known.best().filter(probe -> asks && !is(probe, move));
            steps.add(step(known, move, better));
        }
        return steps;
    }

    private Step step(Known known, Practice.Move move, Optional<Diagnosis.Probe> better) {
        double bits = known.bits(move);
        known.take(move);
        return new Step(
                move,
                known.practice.shown(),
                known.practice.minutes(),
                bits,
                better,
                known.leading(),
                known.diagnosis.sound());
    }

    /**
     * The way that asks each time for what tells most for its minutes.
     *
     * @param level that it is known to be of: on some, something is wrong for sure
     */
    public List<Step> bestWay(Level level) {
        Known known = new Known();
        List<Step> steps = new ArrayList<>();
        boolean calledSound = false;
        while (steps.size() < MOST_STEPS && !known.practice.over()) {
            Optional<String> sure = known.sureOf();
            Optional<Diagnosis.Probe> next = known.best();
            boolean sound = level == Level.MAYBE && !calledSound && known.diagnosis.sound() >= SOUND;
            if (sure.isPresent()) {
                steps.add(step(known, new Practice.Named(sure.get()), Optional.empty()));
            } else if (sound) {
                calledSound = true;
                steps.add(step(known, new Practice.CalledSound(), Optional.empty()));
            } else if (next.isPresent()) {
                Practice.Move move = next.get()
                        .spot()
                        .<Practice.Move>map(Practice.Read::new)
                        .orElseGet(() -> new Practice.Test(next.get().part()));
                steps.add(step(known, move, Optional.empty()));
            } else {
                // Nothing would tell anything: it is called sound where it may be, else given up.
                Practice.Move last =
                        level == Level.MAYBE && !calledSound ? new Practice.CalledSound() : new Practice.GaveUp();
                calledSound = true;
                steps.add(step(known, last, Optional.empty()));
            }
        }
        return steps;
    }

    /** Minutes of a way; empty when it did not get there. */
    public Optional<Double> minutes(List<Step> way) {
        Practice whole = new Practice(set, way.stream().map(Step::move).toList());
        return whole.over() && !whole.gaveUp()
                ? Optional.of(whole.minutes() + whole.burningMinutes())
                : Optional.empty();
    }
}
