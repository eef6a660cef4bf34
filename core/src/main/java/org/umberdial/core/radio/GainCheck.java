package org.umberdial.core.radio;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.evidence.LevelRead;

/**
 * What each stage amplified, from the levels that its places needed for the same sound, against what it should.
 *
 * @param stages in the order of {@link StageGains#stages}
 */
public record GainCheck(List<Stage> stages) {
    /** How a stage stands. */
    public enum Verdict {
        UNREAD,
        RIGHT,
        /** Below what a healthy one gives. */
        WEAK,
        /** Above it: it feeds back. */
        STRONG
    }

    /** @param measured what it amplified; empty when a level is missing */
    public record Stage(GainStage expected, OptionalDouble measured, Verdict verdict, String says) {
        /** Whether it accuses: it is weak, and nothing in the figure is a usual value. */
        public boolean accuses() {
            return verdict == Verdict.WEAK && !expected.usual();
        }
    }

    public GainCheck {
        stages = List.copyOf(stages);
    }

    /**
     * @param levels by id of the place
     * @param speakerOhms of the voice coil [Ω]
     */
    public static GainCheck of(StageGains gains, Map<String, LevelRead> levels, double speakerOhms) {
        List<Stage> stages = new ArrayList<>();
        for (GainStage stage : gains.stages()) {
            Optional<LevelRead> from =
                    Optional.ofNullable(levels.get(stage.from().id()));
            Optional<LevelRead> to = stage.to().flatMap(point -> Optional.ofNullable(levels.get(point.id())));
            OptionalDouble measured = OptionalDouble.empty();
            if (from.isPresent() && stage.to().isEmpty()) {
                measured = OptionalDouble.of(
                        Math.sqrt(from.get().watts() * speakerOhms) / from.get().volts());
            } else if (from.isPresent() && to.isPresent()) {
                // Both for the same sound: what was louder is taken back.
                measured = OptionalDouble.of(to.get().volts()
                        / from.get().volts()
                        * Math.sqrt(from.get().watts() / to.get().watts()));
            }
            stages.add(judged(stage, measured));
        }
        return new GainCheck(stages);
    }

    private static Stage judged(GainStage stage, OptionalDouble measured) {
        if (measured.isEmpty()) {
            return new Stage(stage, measured, Verdict.UNREAD, "Read the level at both of its ends.");
        }
        double gain = measured.getAsDouble();
        String against = String.format(
                Locale.ROOT,
                "%s times; %s to %s %s",
                figure(gain),
                figure(stage.low()),
                figure(stage.high()),
                stage.usual() ? "are usual" : "are right here");
        if (gain < stage.low()) {
            return new Stage(
                    stage,
                    measured,
                    Verdict.WEAK,
                    against
                            + (stage.usual()
                                    ? ". Weaker than usual accuses nothing: its volts first, then another tube, then the"
                                            + " Q of its can by the width of the curve."
                                    : ". Its volts first, then another tube, then its can."));
        }
        if (gain > stage.high()) {
            return new Stage(
                    stage,
                    measured,
                    Verdict.STRONG,
                    against + ". More than it can: it feeds back, or a level was misread.");
        }
        return new Stage(stage, measured, Verdict.RIGHT, against + ".");
    }

    private static String figure(double value) {
        return value >= 10 ? String.format(Locale.ROOT, "%.0f", value) : String.format(Locale.ROOT, "%.2g", value);
    }
}
