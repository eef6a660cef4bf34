package org.umberdial.core.power;

import java.util.List;
import java.util.Optional;
import org.umberdial.core.policy.School;

/**
 * How one set is brought up, and what a healthy one shows at each second of it.
 *
 * @param way the school it follows
 * @param line at the plug [V RMS]
 * @param watched those with a band first, in the order of its rows
 * @param low the band's lower edge, {@code middle} its middle, {@code high} its upper edge
 * @param faults how it would go with one part bad
 * @param filterOhms of the filter part whose drop is watched [Ω]; 0 when none is
 * @param runningAmperes line current of the healthy set at work [A]
 * @param fuseAmperes size of fuse that fits that [A]; 0 when none is that large
 * @param tubeRectifier whether nothing comes out of its rectifier before that is hot
 * @param asItIs what of the set is not as drawn; the whole plan is reckoned so
 * @param fall of its supply points after switching off, warm; null when it does not settle, or something is not as
 *     drawn that cannot be reckoned
 * @param usual how many values are as such sets usually have them; a band around those accuses no part
 * @param why of it, a sentence each
 */
public record PowerPlan(
        School way,
        double line,
        List<PowerStep> steps,
        List<Watched> watched,
        Course low,
        Course middle,
        Course high,
        List<Hypothesis> faults,
        double filterOhms,
        double runningAmperes,
        double fuseAmperes,
        boolean tubeRectifier,
        AsItIs asItIs,
        Fall fall,
        long usual,
        List<String> why) {
    public PowerPlan {
        // Runs that were kept before a plan knew of it were of the set as drawn.
        asItIs = asItIs == null ? AsItIs.WHOLE : asItIs;
        steps = List.copyOf(steps);
        watched = List.copyOf(watched);
        faults = List.copyOf(faults);
        why = List.copyOf(why);
    }

    /** The same with figures rounded to what a meter shows, so that it takes little room where it is kept. */
    public PowerPlan rounded() {
        return new PowerPlan(
                way,
                line,
                steps,
                watched,
                low.rounded(),
                middle.rounded(),
                high.rounded(),
                faults.stream()
                        .map(f -> new Hypothesis(
                                f.part(),
                                f.says(),
                                f.prior(),
                                f.whole(),
                                f.course().rounded()))
                        .toList(),
                filterOhms,
                runningAmperes,
                fuseAmperes,
                tubeRectifier,
                asItIs,
                fall == null ? null : fall.rounded(),
                usual,
                why);
    }

    /** Whether what is out of the band may be laid to a part. */
    boolean accuses() {
        return usual == 0 && asItIs.otherwise().isEmpty();
    }

    /** When a step begins [s]. */
    public double start(int step) {
        return steps.subList(0, step).stream().mapToDouble(PowerStep::seconds).sum();
    }

    public double seconds() {
        return start(steps.size());
    }

    /** How it goes with the first filter shorted, which a limiter is for. */
    public Optional<Hypothesis> firstShort() {
        return faults.stream()
                .filter(fault -> fault.says().endsWith("is shorted"))
                .findFirst();
    }

    /** The row of a thing that is watched; below 0 when it has none. */
    public int row(String id) {
        for (int i = 0; i < middle.rows().size(); i++) {
            if (watched.get(i).id().equals(id)) {
                return i;
            }
        }
        return -1;
    }

    /** The row of the first of a kind; below 0 when there is none. */
    int row(Watched.Kind kind) {
        for (int i = 0; i < middle.rows().size(); i++) {
            if (watched.get(i).kind() == kind) {
                return i;
            }
        }
        return -1;
    }

    /** Where the plan is, so long after a step began: a step that lasts longer than planned stays at its end. */
    public double place(int step, double sinceStep) {
        return start(step) + Math.max(0, Math.min(sinceStep, steps.get(step).seconds()));
    }
}
