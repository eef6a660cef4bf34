package org.umberdial.core.power;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
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
     * @param lastRead when each thing watched was last read in each step [s since the run began], by its id
     */
    public record Outcome(AsItIs asItIs, List<Double> steps, List<Map<String, Double>> lastRead, List<Alarm> alarms) {
        public Outcome {
            steps = List.copyOf(steps);
            lastRead = List.copyOf(lastRead);
            alarms = List.copyOf(alarms);
        }

        private int step(double seconds) {
            int step = 0;
            while (step + 1 < steps.size() && steps.get(step + 1) <= seconds) {
                step++;
            }
            return step;
        }

        /** How far into a step a thing was still read [s]; below 0 when it never was. */
        private double read(String watched, int step) {
            return step >= steps.size() || step >= lastRead.size()
                    ? -1
                    : lastRead.get(step).getOrDefault(watched, Double.NEGATIVE_INFINITY) - steps.get(step);
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
        // What nobody read so late proves nothing.
        return run.read(named.watched(), step) >= since
                ? what + " came with " + part + " and does not come without it: " + part + " is it, or what it feeds."
                : "Nothing was read in this run as late as " + what + " came, so it says nothing of " + part + " yet.";
    }
}
