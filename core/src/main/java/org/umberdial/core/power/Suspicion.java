package org.umberdial.core.power;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToDoubleFunction;

/**
 * Which fault goes like this run: each fault's own course over the plan against what was read, by the likelihood of
 * independent readings whose scatter is the band's and a share of what the fault changes, since no fault is exactly as
 * grave as the one that was reckoned.
 */
final class Suspicion {
    /** The band is so many deviations wide. */
    private static final double WIDTH = 2 * Band.SIGMAS;
    /** Of what a fault changes, since it may be more or less grave. */
    private static final double GRAVITY = 0.25;
    /** One figure alone settles nothing. */
    private static final double MOST_AGAINST = 25;
    /** Readings seconds apart are nearly the same reading: together they count as so many. */
    private static final double COUNTED_AS = 2;
    /** Worse than this for every fault, and none is named. */
    private static final double NOTHING_FITS = -30;

    /** How likely a healthy set is before anything is read, against one fault. */
    private static final double HEALTHY = 20;
    /** A fault that moves no figure by so many deviations is not seen in them. */
    private static final double VISIBLE = 1.5;
    /** A fault may be so many times as grave as the one that was reckoned. */
    private static final double MOST_SHARE = 1.5;

    /** What is all or nothing has changed at least so much of what it would. */
    private static final double WHOLE_SHARE = 0.6;
    /** What a healthy set does meanwhile it does by so much sooner or later. */
    private static final double MOVES = 0.3;

    private static final double METER = 0.004;
    private static final double SCALE = 0.003;
    private static final double LEAST_ODDS = 0.05;
    private static final int MOST = 3;

    /** @param place on the plan's time [s], @param figures NaN for what was not read */
    record Moment(double place, double[] figures) {}

    private final PowerPlan plan;
    private final ToDoubleFunction<String> standing;

    /** @param standing how far a part may still be it, 0 to 1: little when it is proven */
    Suspicion(PowerPlan plan, ToDoubleFunction<String> standing) {
        this.plan = plan;
        this.standing = standing;
    }

    /**
     * Most likely first; empty when nothing that was reckoned goes like this, or a healthy set at the edge of its band
     * does as well.
     */
    List<Alarm.Suspected> rank(List<Moment> moments) {
        List<Weighed> all = new ArrayList<>();
        for (Hypothesis fault : plan.faults()) {
            if (visible(fault.course(), moments)) {
                all.add(new Weighed(fault, prior(fault) + likeness(fault.course(), moments)));
            }
        }
        double healthy = Math.log(HEALTHY) + likeness(plan.middle(), moments);
        double best = all.stream().mapToDouble(Weighed::log).max().orElse(NOTHING_FITS);
        return best <= Math.max(NOTHING_FITS, healthy) ? List.of() : named(all, best);
    }

    /**
     * The same for what has changed in mid-run: the direction of the change against each fault's, however far it has
     * gone.
     *
     * @param before when all was well, {@code now} the present figures; NaN for what was not read
     */
    List<Alarm.Suspected> rankChange(Moment before, Moment now) {
        List<Weighed> all = new ArrayList<>();
        for (Hypothesis fault : plan.faults()) {
            double along = 0;
            double square = 0;
            double changed = 0;
            for (int row = 0; row < plan.middle().rows().size(); row++) {
                double moved = plan.middle().at(row, now.place) - plan.middle().at(row, before.place);
                double noise = Math.hypot(noise(row, now.figures[row]), MOVES * moved);
                double change = (now.figures[row] - before.figures[row] - moved) / noise;
                double would =
                        (fault.course().at(row, now.place) - plan.middle().at(row, now.place)) / noise;
                if (!Double.isNaN(change)) {
                    along += change * would;
                    square += would * would;
                    changed += change * change;
                }
            }
            double share = square > 0 ? Math.max(0, Math.min(MOST_SHARE, along / square)) : 0;
            double missed = changed - 2 * share * along + share * share * square;
            if (share > (fault.whole() ? WHOLE_SHARE : 0)) {
                all.add(new Weighed(fault, prior(fault) - Math.min(MOST_AGAINST, missed / 2)));
            }
        }
        return named(all, all.stream().mapToDouble(Weighed::log).max().orElse(0));
    }

    private record Weighed(Hypothesis fault, double log) {}

    private double prior(Hypothesis fault) {
        return Math.log(fault.prior() * Math.max(1e-3, standing.applyAsDouble(fault.part())));
    }

    private static List<Alarm.Suspected> named(List<Weighed> all, double best) {
        double sum = all.stream().mapToDouble(w -> Math.exp(w.log - best)).sum();
        // One part may be bad in several ways; it is named once, with the likeliest.
        Map<String, Alarm.Suspected> parts = new LinkedHashMap<>();
        all.stream().sorted(Comparator.comparingDouble(Weighed::log).reversed()).forEach(w -> {
            double odds = Math.exp(w.log - best) / sum;
            parts.merge(
                    w.fault.part(),
                    new Alarm.Suspected(w.fault.part(), w.fault.says(), odds),
                    (first, more) -> new Alarm.Suspected(first.part(), first.says(), first.odds() + more.odds()));
        });
        return parts.values().stream()
                .sorted(Comparator.comparingDouble(Alarm.Suspected::odds).reversed())
                .filter(s -> s.odds() >= LEAST_ODDS)
                .limit(MOST)
                .toList();
    }

    /** Of a reading against another a little later, where tolerances play no part. */
    private double noise(int row, double read) {
        return METER * Math.abs(read) + SCALE * range(row);
    }

    /** Whether it changes anything that was read. */
    private boolean visible(Course course, List<Moment> moments) {
        return moments.stream().anyMatch(moment -> {
            for (int row = 0; row < plan.middle().rows().size(); row++) {
                double change = course.at(row, moment.place) - plan.middle().at(row, moment.place);
                if (!Double.isNaN(moment.figures[row]) && Math.abs(change) > VISIBLE * scatter(row, moment.place)) {
                    return true;
                }
            }
            return false;
        });
    }

    private double scatter(int row, double place) {
        return Math.max((plan.high().at(row, place) - plan.low().at(row, place)) / WIDTH, 1e-6);
    }

    private double likeness(Course course, List<Moment> moments) {
        double sum = 0;
        for (Moment moment : moments) {
            for (int row = 0; row < plan.middle().rows().size(); row++) {
                double read = moment.figures[row];
                if (!Double.isNaN(read)) {
                    double healthy = plan.middle().at(row, moment.place);
                    double faulty = course.at(row, moment.place);
                    double scatter = Math.hypot(scatter(row, moment.place), GRAVITY * Math.abs(faulty - healthy));
                    double away = Math.abs(read - faulty) / scatter;
                    if ((read - healthy) * (faulty - healthy) < 0) {
                        // However grave it is, a fault lowers nothing that it raises.
                        away = Math.max(away, Math.abs(read - healthy) / scatter(row, moment.place));
                    }
                    sum -= Math.min(MOST_AGAINST, away * away / 2) + Math.log(scatter / range(row));
                }
            }
        }
        return moments.isEmpty() ? 0 : sum / moments.size() * Math.min(COUNTED_AS, moments.size());
    }

    /** So that volts and amperes weigh alike. */
    private double range(int row) {
        double most = 1e-6;
        for (double figure : plan.high().rows().get(row)) {
            most = Math.max(most, figure);
        }
        return most;
    }
}
