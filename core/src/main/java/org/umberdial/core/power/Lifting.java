package org.umberdial.core.power;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Suspects are lifted singly: what a run without one part proves, against an earlier one with it in which that part was
 * named.
 */
public final class Lifting {
    /** What no part is named for. */
    private static final Set<Alarm.Kind> UNNAMED =
            EnumSet.of(Alarm.Kind.CHASSIS, Alarm.Kind.LOST, Alarm.Kind.NO_CURRENT);

    private Lifting() {}

    /**
     * What became of a run.
     *
     * @param steps when each step began [s], in order
     * @param until when its power went [s]
     */
    public record Outcome(AsItIs asItIs, List<Double> steps, double until, List<Alarm> alarms) {
        public Outcome {
            steps = List.copyOf(steps);
            alarms = List.copyOf(alarms);
        }

        private int step(double seconds) {
            int step = 0;
            while (step + 1 < steps.size() && steps.get(step + 1) <= seconds) {
                step++;
            }
            return step;
        }

        /** How long it stood in a step [s]; 0 when it never came there. */
        private double stood(int step) {
            return step >= steps.size() ? 0 : (step + 1 < steps.size() ? steps.get(step + 1) : until) - steps.get(step);
        }
    }

    /**
     * What the run says of the one part it was without; empty when it says nothing.
     *
     * @param earlier runs of the same set, the latest first
     */
    public static Optional<String> says(Outcome run, List<Outcome> earlier) {
        if (run.asItIs.lifted().size() != 1 || !run.asItIs.otherwise().isEmpty()) {
            return Optional.empty();
        }
        String part = run.asItIs.lifted().get(0);
        for (Outcome before : earlier) {
            if (before.asItIs.equals(AsItIs.WHOLE)) {
                Optional<Alarm> named = before.alarms.stream()
                        .filter(alarm -> !UNNAMED.contains(alarm.kind()))
                        .filter(alarm ->
                                alarm.suspects().stream().anyMatch(s -> s.part().equals(part)))
                        .findFirst();
                if (named.isPresent()) {
                    return Optional.of(against(run, before, named.get(), part));
                }
            }
        }
        return Optional.empty();
    }

    private static String against(Outcome run, Outcome before, Alarm named, String part) {
        int step = before.step(named.seconds());
        double since = named.seconds() - before.steps.get(step);
        String what = "“" + named.kind().label() + "”";
        boolean again = run.alarms.stream()
                .anyMatch(
                        alarm -> alarm.kind() == named.kind() && alarm.watched().equals(named.watched()));
        if (again) {
            return what + " comes without " + part + " just as with it: " + part + " is not it, or not alone.";
        }
        if (run.alarms.stream().anyMatch(alarm -> !UNNAMED.contains(alarm.kind()))) {
            return "Without " + part + " it goes wrong in another way, so this says nothing of " + part + ".";
        }
        return run.stood(step) >= since
                ? what + " came with " + part + " and does not come without it: " + part + " is it, or what it feeds."
                : "This run ended before the moment of " + what + ", so it says nothing of " + part + " yet.";
    }
}
