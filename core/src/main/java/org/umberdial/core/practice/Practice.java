package org.umberdial.core.practice;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.umberdial.core.diagnosis.Effort;
import org.umberdial.core.diagnosis.Spot;

/**
 * Somebody at work on a practice set: what was done, in order, and what that cost.
 *
 * @param done in order
 */
public record Practice(PracticeSet set, List<Move> done) {
    /** What naming a sound part costs: it is bought, fitted, and the set is no better [min]. */
    public static final double WRONG_MINUTES = 10;

    /** Something somebody does. */
    public sealed interface Move {}

    /** Holds the meter there. */
    public record Read(Spot spot) implements Move {}

    /** Tests a part by itself. */
    public record Test(String part) implements Move {}

    /** Says that a part is bad. */
    public record Named(String part) implements Move {}

    /** Says that nothing is left that is wrong. */
    public record CalledSound() implements Move {}

    /** Wants to know. */
    public record GaveUp() implements Move {}

    public Practice {
        done = List.copyOf(done);
    }

    public Practice and(Move move) {
        List<Move> all = new ArrayList<>(done);
        all.add(move);
        return new Practice(set, all);
    }

    /** Parts that were named and are bad. */
    public Set<String> found() {
        Set<String> found = new TreeSet<>();
        for (Move move : done) {
            if (move instanceof Named named && set.isBad(named.part)) {
                found.add(named.part);
            }
        }
        return found;
    }

    /** Parts of which a test of their own, or naming them, has told. */
    public Set<String> told() {
        Set<String> told = new TreeSet<>();
        for (Move move : done) {
            if (move instanceof Test test) {
                told.add(test.part);
            } else if (move instanceof Named named) {
                told.add(named.part);
            }
        }
        return told;
    }

    /** What the last move showed, in words; empty where it showed nothing. */
    public String shown() {
        if (done.isEmpty()) {
            return "";
        }
        Move last = done.get(done.size() - 1);
        if (last instanceof Read read) {
            return read.spot.text(readings().get(read.spot));
        }
        if (last instanceof Test test) {
            return found().contains(test.part) ? "It is the new one, and sound." : set.tested(test.part);
        }
        if (last instanceof Named named) {
            return set.isBad(named.part)
                    ? "Right. It is replaced; what was read before was of the set as it was."
                    : "It was sound: bought and fitted for nothing.";
        }
        if (last instanceof CalledSound) {
            return found().size() == set.bad().size() ? "Right." : "Something is still wrong with it.";
        }
        return "";
    }

    /** How often something was said that is not so. */
    public int wrong() {
        int wrong = 0;
        Set<String> found = new TreeSet<>();
        for (Move move : done) {
            if (move instanceof Named named) {
                if (set.isBad(named.part)) {
                    found.add(named.part);
                } else {
                    wrong++;
                }
            } else if (move instanceof CalledSound && found.size() < set.bad().size()) {
                wrong++;
            }
        }
        return wrong;
    }

    /** Whether it is over: all that was wrong was named, a sound set was called sound, or somebody gave up. */
    public boolean over() {
        boolean sound = set.bad().isEmpty() && done.stream().anyMatch(CalledSound.class::isInstance);
        return sound
                || !set.bad().isEmpty() && found().size() == set.bad().size()
                || done.stream().anyMatch(GaveUp.class::isInstance);
    }

    public boolean gaveUp() {
        return done.stream().anyMatch(GaveUp.class::isInstance);
    }

    /** What a move costs [min]; what is said costs only when it is wrong. */
    public double minutes(Move move) {
        if (move instanceof Read read) {
            return Effort.minutes(read.spot);
        }
        if (move instanceof Test test) {
            return Effort.minutes(test.part);
        }
        boolean wrong = move instanceof Named named && !set.isBad(named.part)
                || move instanceof CalledSound && !set.bad().isEmpty();
        return wrong ? WRONG_MINUTES : 0;
    }

    /** All of it [min]. */
    public double minutes() {
        return done.stream().mapToDouble(this::minutes).sum();
    }

    /** How long it ran while something in it burnt [min]. */
    public double burningMinutes() {
        double minutes = 0;
        Set<String> mended = new TreeSet<>();
        for (Move move : done) {
            mend(move, mended);
            if (move instanceof Read read
                    && read.spot.kind() != Spot.Kind.OHMS
                    && !set.burning(mended).isEmpty()) {
                minutes += minutes(move);
            }
        }
        return minutes;
    }

    private void mend(Move move, Set<String> mended) {
        if (move instanceof Named named && set.isBad(named.part)) {
            mended.add(named.part);
        }
    }

    /** What was read of it as it is now, in order: since the last part was replaced. */
    public Map<Spot, Double> readings() {
        Map<Spot, Double> readings = new LinkedHashMap<>();
        Set<String> mended = new TreeSet<>();
        for (Move move : done) {
            int before = mended.size();
            mend(move, mended);
            if (mended.size() > before) {
                readings.clear();
            }
            if (move instanceof Read read) {
                readings.put(read.spot, set.read(read.spot, mended));
            }
        }
        return readings;
    }

    /**
     * How it went against the best way, 0 to 100; empty when somebody gave up. Minutes in which something burnt count
     * twice.
     *
     * @param best minutes of the best way
     */
    public Optional<Integer> score(double best) {
        double mine = minutes() + burningMinutes();
        return gaveUp() || !over()
                ? Optional.empty()
                : Optional.of((int) Math.round(100 * Math.min(1, mine <= 0 ? 1 : Math.max(best, 0.5) / mine)));
    }
}
