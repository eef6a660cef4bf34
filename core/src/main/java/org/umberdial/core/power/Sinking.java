package org.umberdial.core.power;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import org.umberdial.core.power.Suspicion.Moment;

/** Rails that have been up and go down by more than a healthy one does there, with the set's volts as they were. */
final class Sinking {
    /** A line within this share of what it was is steady. */
    private static final double STEADY_LINE = 0.02;
    /** A healthy rail that still moves by this share in the seconds two heaters may differ by is not looked at. */
    private static final double STILL_MOVING = 0.012;

    private static final double LEAST_DIFFER = 3;
    /** A step has brought everything up after so long [s]. */
    private static final double UP_SECONDS = 12;

    private static final double LEAST_EXPECTED_VOLTS = 4;
    private static final int SMOOTHED = 5;
    private static final double SINKS_SECONDS = 2;

    private final PowerPlan plan;
    private final double drift;
    private final List<List<Double>> ratios = new ArrayList<>();
    private final double[] best;
    private final double[] setThen;
    private final double[] bestAt;
    private final double[] since;
    private final Moment[] whenBest;
    private int step;
    private double stepAt;

    /** @param drift the share a healthy rail may lose while it warms */
    Sinking(PowerPlan plan, double drift) {
        this.plan = plan;
        this.drift = drift;
        int count = plan.watched().size();
        best = new double[count];
        setThen = nothing(count);
        bestAt = nothing(count);
        since = nothing(count);
        whenBest = new Moment[count];
        for (int i = 0; i < count; i++) {
            ratios.add(new ArrayList<>());
        }
    }

    private static double[] nothing(int count) {
        double[] none = new double[count];
        Arrays.fill(none, Double.NaN);
        return none;
    }

    void step(int number, double at) {
        step = number;
        stepAt = at;
        Arrays.fill(best, 0);
        Arrays.fill(since, Double.NaN);
        ratios.forEach(List::clear);
    }

    /** When a rail stood best. */
    Moment whenBest(int rail) {
        return whenBest[rail];
    }

    /**
     * Takes what a rail reads.
     *
     * @param place on the plan's time [s]
     * @param latest of everything watched, and when each was read [s]
     * @return the share it has sunk by, when it has for long enough
     */
    OptionalDouble take(int rail, double read, double place, RunSample sample, double[] latest, double[] readAt) {
        double healthy = plan.middle().at(rail, place);
        if (!isStill(rail, place, healthy, sample.seconds() - stepAt)) {
            return OptionalDouble.empty();
        }
        List<Double> window = ratios.get(rail);
        window.add(read / healthy);
        int smoothed = sample.byHand() ? 1 : SMOOTHED;
        while (window.size() > smoothed) {
            window.remove(0);
        }
        if (window.size() < smoothed) {
            return OptionalDouble.empty();
        }
        double ratio =
                window.stream().mapToDouble(Double::doubleValue).average().orElseThrow();
        int set = plan.row(Watched.Kind.SET_VOLTS);
        // A line that nobody has read since may have fallen just as well.
        boolean steady = set >= 0
                && !Double.isNaN(setThen[rail])
                && readAt[set] > bestAt[rail]
                && Math.abs(latest[set] / setThen[rail] - 1) <= STEADY_LINE;
        if (ratio >= best[rail]) {
            best[rail] = ratio;
            setThen[rail] = latest[set];
            bestAt[rail] = sample.seconds();
            whenBest[rail] = new Moment(place, latest.clone());
            since[rail] = Double.NaN;
        } else if (ratio < (1 - drift) * best[rail] && steady) {
            if (Double.isNaN(since[rail])) {
                since[rail] = sample.seconds();
            }
            if (sample.byHand() || sample.seconds() - since[rail] >= SINKS_SECONDS) {
                return OptionalDouble.of(1 - ratio / best[rail]);
            }
        } else {
            since[rail] = Double.NaN;
        }
        return OptionalDouble.empty();
    }

    /** Whether a healthy rail has come up there and hardly moves any more. */
    private boolean isStill(int rail, double place, double healthy, double sinceStep) {
        double lasts = plan.steps().get(step).seconds();
        double slack = Math.max(LEAST_DIFFER, Band.TIME_SPREAD * sinceStep);
        double moves =
                Math.abs(plan.middle().at(rail, place + slack) - plan.middle().at(rail, place - slack)) / 2;
        boolean toStep = place - slack < plan.start(step) || place + slack > plan.start(step) + lasts;
        return sinceStep >= UP_SECONDS
                && healthy >= LEAST_EXPECTED_VOLTS
                && (toStep || moves <= STILL_MOVING * healthy);
    }
}
