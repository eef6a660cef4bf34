package org.umberdial.core.parts;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Observation.Word;
import org.umberdial.core.evidence.Measured;
import org.umberdial.core.evidence.PartRead;
import org.umberdial.core.evidence.Sign;
import org.umberdial.core.parts.Judged.Found;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.policy.School;
import org.umberdial.core.policy.Schools;
import org.umberdial.core.value.Engineering;

/**
 * A tube by what testers said of it. Each tester has its own scale; only how far above its least a tube lies is
 * compared. A weak one in an easy place may stay; an oscillator, an output tube and a rectifier may not.
 *
 * <p>Source: JOB section 3, Tubes.
 */
final class TubeJudge {
    /** How strictly a place takes a tube. */
    enum Post {
        EASY(""),
        OUTPUT("an output tube"),
        RECTIFIER("a rectifier"),
        OSCILLATOR("an oscillator");

        private final String called;

        Post(String called) {
            this.called = called;
        }
    }

    private enum Strength {
        GOOD,
        BAND,
        WEAK
    }

    private static final Map<Sign, Strength> WORDS =
            Map.of(Sign.TESTED_GOOD, Strength.GOOD, Sign.TESTED_WEAK, Strength.BAND, Sign.TESTED_BAD, Strength.WEAK);

    private final Post post;
    private final List<Taken> readings;
    private final HousePolicy.Parts rules;
    private final Schools schools;
    private final List<Found> found = new ArrayList<>();

    private TubeJudge(Post post, List<Taken> readings, HousePolicy.Parts rules, Schools schools) {
        this.post = post;
        this.readings = readings;
        this.rules = rules;
        this.schools = schools;
    }

    static Judged judge(Post post, List<Taken> readings, HousePolicy.Parts rules, Schools schools) {
        return readings.isEmpty()
                ? new Judged(PartState.UNREAD, "", List.of())
                : new TubeJudge(post, readings, rules, schools).judged();
    }

    private Judged judged() {
        // A short or gas that one test showed is not gone because the next did not show it.
        Optional<Judged> gone = sign(
                        Sign.HEATER_OPEN, Aspect.HEATER_WHOLE, PartState.OPEN_HEATER, "Its heater is open.")
                .or(() -> sign(
                        Sign.SHORT,
                        Aspect.NO_SHORTS,
                        PartState.SHORTED,
                        "The tester showed a short. One that comes and goes is a short."))
                .or(() -> sign(
                        Sign.GAS, Aspect.NO_GAS, PartState.GASSY, "The tester showed gas: its grid draws current."));
        if (gone.isPresent()) {
            return gone.get();
        }
        Optional<Taken> arced = last(Sign.ARCS);
        if (arced.isPresent()) {
            boolean out = schools.follow(School.ARCING_OUT);
            return one(
                    PartState.ARCS,
                    Aspect.NO_SHORTS,
                    out ? Word.FAILED : Word.DOUBTED,
                    arced.get(),
                    "It showed an arc" + (out ? ": out, by the house rule." : ". It stays on trial, and is watched."));
        }
        return emission();
    }

    private Optional<Judged> sign(Sign sign, Aspect aspect, PartState state, String says) {
        return last(sign).map(taken -> one(state, aspect, Word.FAILED, taken, says));
    }

    private Judged one(PartState state, Aspect aspect, Word word, Taken by, String says) {
        found.add(new Found(aspect, word, by, says));
        return new Judged(state, says, List.copyOf(found));
    }

    private Optional<Taken> last(Sign sign) {
        return readings.stream().filter(t -> t.read().has(sign)).reduce((first, second) -> second);
    }

    private record Told(Strength strength, String says, Taken by) {}

    /**
     * Another in its place; a contact that was moved cures as well, so that only the fault's return proves the tube.
     */
    private Optional<Judged> swapped() {
        Optional<Taken> returns = last(Sign.SWAP_RETURNS);
        if (returns.isPresent()) {
            return Optional.of(one(
                    PartState.BAD,
                    Aspect.EMISSION,
                    Word.FAILED,
                    returns.get(),
                    "Another in its place cures the set, and the fault comes back with this one."));
        }
        return last(Sign.SWAP_CURES)
                .map(taken -> one(
                        PartState.CANNOT_TELL,
                        Aspect.EMISSION,
                        Word.DOUBTED,
                        taken,
                        "Another in its place cures the set. Clean the contacts and put this one back once: only if the fault "
                                + "comes back is it the tube (swap returns)."));
    }

    private Judged emission() {
        Optional<Judged> swapped = swapped();
        if (swapped.isPresent()) {
            return swapped.get();
        }
        List<Told> told = readings.stream().flatMap(t -> told(t).stream()).toList();
        if (told.isEmpty() && last(Sign.SWAP_SAME).isPresent()) {
            return new Judged(
                    PartState.NOT_PROVEN,
                    "Another in its place changes nothing: look elsewhere. Its own emission is not tested by that.",
                    List.of());
        }
        if (told.isEmpty()) {
            return new Judged(
                    PartState.CANNOT_TELL,
                    "The tester's figure says nothing without what its chart wants at least; type both, as in 62/40.",
                    List.of());
        }
        Told last = told.get(told.size() - 1);
        Optional<Told> against = told.stream()
                .filter(t -> (t.strength == Strength.GOOD) != (last.strength == Strength.GOOD))
                .reduce((first, second) -> second);
        if (against.isPresent()) {
            return one(
                    PartState.CONFLICT,
                    Aspect.EMISSION,
                    Word.DOUBTED,
                    last.by,
                    last.says + " Before: " + against.get().says
                            + " Settle which holds: try a good one in its place, then this one again.");
        }
        if (last.strength == Strength.GOOD) {
            found.add(new Found(Aspect.NO_SHORTS, Word.SOUND, last.by, last.says));
            return one(PartState.GOOD, Aspect.EMISSION, Word.SOUND, last.by, last.says);
        }
        return weak(last);
    }

    private Judged weak(Told last) {
        if (post == Post.EASY) {
            return one(
                    PartState.WEAK,
                    Aspect.EMISSION,
                    Word.DOUBTED,
                    last.by,
                    last.says + " In this place it may stay while the set plays well.");
        }
        boolean trial = post == Post.OUTPUT && schools.follow(School.WEAK_ON_TRIAL);
        return one(
                PartState.WEAK,
                Aspect.EMISSION,
                trial ? Word.DOUBTED : Word.FAILED,
                last.by,
                last.says
                        + (trial
                                ? " It stays on trial, by the house rule."
                                : " As " + post.called + " it does not stay."));
    }

    private Optional<Told> told(Taken taken) {
        PartRead read = taken.read();
        String sister = read.has(Sign.SISTER_SETTINGS) ? " by a sister type's settings" : "";
        Optional<Strength> word = WORDS.entrySet().stream()
                .filter(e -> read.has(e.getKey()))
                .map(Map.Entry::getValue)
                .findFirst();
        if (word.isPresent()) {
            String says = switch (word.get()) {
                case GOOD -> "The tester says good";
                case BAND -> "The tester says weak";
                case WEAK -> "The tester says bad";
            };
            return Optional.of(new Told(word.get(), says + sister + ".", taken));
        }
        OptionalDouble scale = read.figure(Measured.SCALE);
        OptionalDouble least = read.figure(Measured.SCALE_LEAST);
        if (scale.isEmpty() || least.isEmpty()) {
            return Optional.empty();
        }
        double share = scale.getAsDouble() / least.getAsDouble();
        Strength strength = share < 1 ? Strength.WEAK : share < 1 + rules.tubeBand() ? Strength.BAND : Strength.GOOD;
        String figures = "It reads " + Engineering.plain(scale.getAsDouble()) + sister + ", at least "
                + Engineering.plain(least.getAsDouble()) + " is wanted";
        String says = switch (strength) {
            case GOOD -> figures + ".";
            case BAND -> figures + ": in the doubtful band.";
            case WEAK -> figures + ": weak.";
        };
        return Optional.of(new Told(strength, says, taken));
    }
}
