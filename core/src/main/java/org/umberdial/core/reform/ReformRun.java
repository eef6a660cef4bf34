package org.umberdial.core.reform;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.policy.School;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/**
 * What the samples of a run say: whether it goes on, how long it will take, and what it comes to.
 *
 * @param leakAmperes at the last sample; empty before the first
 * @param watts the leak turns into heat in it
 * @param minutesLeft until its leak is that of a new one, if it falls on as it does; empty where nothing tells
 */
public record ReformRun(
        State state, String says, OptionalDouble leakAmperes, double watts, OptionalDouble minutesLeft) {
    /** How a run stands. */
    public enum State {
        WAITING("no sample yet"),
        GOING_ON("forming"),
        GOOD("good"),
        USABLE("usable"),
        NO_PROGRESS("does not come back"),
        TOO_HOT("too hot");

        private final String label;

        State(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /** It stands its volts from this share on. */
    private static final double THERE = 0.95;
    /** A leak that fell by less, and volts that rose by less, in the house's time are no progress. */
    private static final double FELL = 0.10;

    private static final double ROSE = 0.05;
    /** A leak that fell by less than this over the steady minutes has stopped falling. */
    private static final double STEADY = 0.05;

    private static final double STEADY_SECONDS = 600;
    /** A curve is laid through samples at about the same volts. */
    private static final double SAME_VOLTS = 0.10;

    private static final int LEAST_SAMPLES = 3;
    private static final double LEAST_SECONDS = 120;
    /** Inrush is no leak. */
    private static final double SETTLES = 60;

    private static final double LONGEST_MINUTES = 24 * 60;
    /** Nobody leaves volts on an old electrolytic longer without a look [s]. */
    private static final double LONGEST_UNSEEN = 900;

    /** How long after its last sample somebody should look again [s]; 0 when there is something to do now. */
    public double readAgainSeconds() {
        return state != State.GOING_ON
                ? 0
                : Math.min(
                        LONGEST_UNSEEN,
                        minutesLeft.stream().map(m -> 60 * m).findFirst().orElse(LONGEST_UNSEEN));
    }

    /**
     * Judges a run.
     *
     * @param samples in order
     */
    public static ReformRun of(ReformSetup setup, List<ReformSample> samples, HousePolicy policy) {
        if (samples.isEmpty()) {
            return new ReformRun(
                    State.WAITING,
                    "Begin at " + volts(setup.steps().get(0))
                            + " and read millivolts across the shunt and volts across it.",
                    OptionalDouble.empty(),
                    0,
                    OptionalDouble.empty());
        }
        return new Judge(setup, samples, policy.parts(), policy.schools().follow(School.GO_ON_WHILE_IT_FALLS)).judged();
    }

    /** @param patient whether it goes on while the leak falls at all, however slowly */
    private record Judge(ReformSetup setup, List<ReformSample> samples, HousePolicy.Parts rules, boolean patient) {
        private ReformSample last() {
            return samples.get(samples.size() - 1);
        }

        private double leak(ReformSample sample) {
            return Math.max(0, sample.shuntVolts() / setup.shuntOhms());
        }

        private double asNew() {
            return rules.leakPerCv() * setup.farads() * last().volts() + rules.leakBase();
        }

        ReformRun judged() {
            double leak = leak(last());
            double watts = leak * last().volts();
            double usable = Math.min(rules.usableTimes() * asNew(), rules.leakWatts() / Math.max(1, last().volts()));
            boolean there = last().volts() >= THERE * setup.workingVolts();
            String now = current(leak) + " at " + volts(last().volts());
            if (there && leak <= asNew() * (1 + 1e-9)) {
                return run(
                        State.GOOD,
                        "Formed: " + now + ", no more than a new one may (" + current(asNew()) + ").",
                        watts);
            }
            if (watts > rules.leakWatts() && last().seconds() > SETTLES) {
                return run(
                        State.TOO_HOT,
                        String.format(
                                Locale.ROOT,
                                "%s: %.2f W of heat, and it stands %.2f W. Lower the supply by a step, or take it off.",
                                now,
                                watts,
                                rules.leakWatts()),
                        watts);
            }
            Optional<ReformSample> before = ago(rules.reformSeconds());
            if (before.isPresent() && !moved(before.get())) {
                return there && leak <= usable
                        ? run(
                                State.USABLE,
                                now + ", and falls no further: more than a new one, and it may stay. Watch it.",
                                watts)
                        : run(
                                State.NO_PROGRESS,
                                now + ". No progress in "
                                        + Math.round(rules.reformSeconds() / 60)
                                        + " min: it does not come back, replace it.",
                                watts);
            }
            Optional<ReformSample> steady = ago(STEADY_SECONDS);
            if (there && leak <= usable && steady.isPresent() && leak > (1 - STEADY) * leak(steady.get())) {
                return run(
                        State.USABLE,
                        now + ", and hardly falls any more: more than a new one, and it may stay. Watch it.",
                        watts);
            }
            OptionalDouble left = minutesLeft();
            return new ReformRun(
                    State.GOING_ON,
                    now + (there ? "" : "; " + next())
                            + left.stream()
                                    .mapToObj(m -> ". As it falls, " + Math.round(m) + " min more to that of a new one")
                                    .findFirst()
                                    .orElse("")
                            + ".",
                    OptionalDouble.of(leak),
                    watts,
                    left);
        }

        private ReformRun run(State state, String says, double watts) {
            return new ReformRun(state, says, OptionalDouble.of(leak(last())), watts, OptionalDouble.empty());
        }

        /** What to do while it does not stand its volts yet. */
        private String next() {
            return setup.steps().stream()
                    .filter(step -> step > last().volts() * (1 + SAME_VOLTS))
                    .findFirst()
                    .map(step -> "when it falls no further, raise the supply to " + volts(step))
                    .orElse("leave it on its volts");
        }

        /** The sample that is so old at least, the latest of them. */
        private Optional<ReformSample> ago(double seconds) {
            return samples.stream()
                    .filter(s -> s.seconds() <= last().seconds() - seconds)
                    .reduce((first, second) -> second);
        }

        private boolean moved(ReformSample before) {
            return leak(last()) < (patient ? 1 : 1 - FELL) * leak(before)
                    || last().volts() > (1 + ROSE) * before.volts();
        }

        /** A straight line through the logarithm of the leak at about the present volts. */
        private OptionalDouble minutesLeft() {
            List<ReformSample> alike = samples.stream()
                    .filter(s -> Math.abs(s.volts() - last().volts()) <= SAME_VOLTS * last().volts() && leak(s) > 0)
                    .toList();
            if (alike.size() < LEAST_SAMPLES || last().seconds() - alike.get(0).seconds() < LEAST_SECONDS) {
                return OptionalDouble.empty();
            }
            double meanTime =
                    alike.stream().mapToDouble(ReformSample::seconds).average().orElseThrow();
            double meanLog =
                    alike.stream().mapToDouble(s -> Math.log(leak(s))).average().orElseThrow();
            double across = 0;
            double along = 0;
            for (ReformSample s : alike) {
                across += (s.seconds() - meanTime) * (Math.log(leak(s)) - meanLog);
                along += (s.seconds() - meanTime) * (s.seconds() - meanTime);
            }
            double slope = across / along;
            if (!(slope < 0)) {
                return OptionalDouble.empty();
            }
            double minutes = Math.log(leak(last()) / asNew()) / -slope / 60;
            return minutes > 0 && minutes < LONGEST_MINUTES ? OptionalDouble.of(minutes) : OptionalDouble.empty();
        }
    }

    private static String volts(double volts) {
        return Engineering.round(volts, Unit.VOLT);
    }

    private static String current(double amperes) {
        return Engineering.print(amperes, Unit.AMPERE);
    }
}
