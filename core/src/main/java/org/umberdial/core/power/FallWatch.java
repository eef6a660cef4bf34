package org.umberdial.core.power;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * Compares how supply points fall after switching off with how healthy sets fall. Nobody knows to the second when a
 * plug was pulled, so each point is compared with itself: from its first reading that is clearly lower on, a healthy
 * set's fall is laid through that reading.
 */
public final class FallWatch {
    /** It has begun to fall below this share of what it had. */
    private static final double FALLS = 0.9;
    /** What a hand and an eye may be late by [s]. */
    private static final double LATE_SECONDS = 1;
    /** And the curves in themselves, since no two capacitors and tubes are alike. */
    private static final double SHARE = 0.25;

    private static final double LEAST_VOLTS = 5;
    /** Only from so near to what it has at work does a fall compare with that of a warm set. */
    private static final double WARM = 0.8;

    /** How a supply point falls. */
    public enum Goes {
        /** Not yet to be told. */
        UNTOLD,
        /** Not from the volts of a warm set: nothing to compare with. */
        NOT_WARM,
        AS_HEALTHY,
        SLOWER,
        FASTER
    }

    /** @param says a sentence with its figures; empty while there is nothing to tell */
    public record Fallen(String what, Goes goes, String says) {}

    private final class Point {
        private final Watched watched;
        private final int row;
        private final int rail;
        private double volts = Double.NaN;
        private double at;
        private double fallsAt = Double.NaN;
        private double fallsFrom;
        private Goes goes = Goes.UNTOLD;
        private String figures = "";

        Point(Watched watched, int row, int rail) {
            this.watched = watched;
            this.row = row;
            this.rail = rail;
        }

        void take(double seconds, double read) {
            if (!off) {
                volts = read;
                at = seconds;
                return;
            }
            if (Double.isNaN(volts) || plan.fall() == null) {
                return;
            }
            if (!warm || volts < WARM * plan.middle().at(row, plan.seconds())) {
                goes = Goes.NOT_WARM;
                return;
            }
            if (Double.isNaN(fallsAt)) {
                if (read >= FALLS * volts) {
                    at = seconds;
                } else {
                    // It fell from there to here in no more than the time between the two readings.
                    judge(read, FALLS * volts, 0, seconds - at);
                    fallsAt = seconds;
                    fallsFrom = read;
                }
                return;
            }
            judge(read, fallsFrom, seconds - fallsAt, seconds - fallsAt);
        }

        /** Whether it may have come from one voltage to another in between so many seconds and so many. */
        private void judge(double read, double from, double least, double most) {
            double[] slow = plan.fall().high().get(rail);
            double[] fast = plan.fall().low().get(rail);
            double highest = Fall.at(slow, Fall.when(slow, from) + least * (1 - SHARE) - LATE_SECONDS) + LEAST_VOLTS;
            double lowest = Fall.at(fast, Fall.when(fast, from) + most * (1 + SHARE) + LATE_SECONDS) - LEAST_VOLTS;
            if (least > 0 && read > highest) {
                goes = Goes.SLOWER;
            } else if (read < lowest) {
                goes = Goes.FASTER;
            } else if (least > 0 && goes == Goes.UNTOLD) {
                goes = Goes.AS_HEALTHY;
            }
            figures = String.format(
                    Locale.ROOT,
                    "%s from %s to %s in %.0f s",
                    watched.what(),
                    RunWatch.shown(watched, from),
                    RunWatch.shown(watched, read),
                    Math.max(1, most));
        }
    }

    private final PowerPlan plan;
    private final List<Point> points = new ArrayList<>();
    private boolean off;
    private boolean warm;

    FallWatch(PowerPlan plan) {
        this.plan = plan;
        int rail = 0;
        for (int row = 0; row < plan.watched().size(); row++) {
            if (plan.watched().get(row).kind() == Watched.Kind.RAIL) {
                points.add(new Point(plan.watched().get(row), row, rail++));
            }
        }
    }

    /** Power is off, or about to be. @param warm whether the last step had lasted by then */
    void off(boolean warm) {
        if (!off) {
            off = true;
            this.warm = warm;
        }
    }

    void take(RunSample sample) {
        for (Point point : points) {
            double read = sample.figures()[point.row];
            if (!Double.isNaN(read)) {
                point.take(sample.seconds(), Math.abs(read));
            }
        }
    }

    /** How each supply point falls, in the plan's order; empty before power is off. */
    public List<Fallen> fallen() {
        return off ? points.stream().map(FallWatch::fallen).toList() : List.of();
    }

    private static Fallen fallen(Point point) {
        return new Fallen(
                point.watched.what(),
                point.goes,
                switch (point.goes) {
                    case UNTOLD -> "";
                    case NOT_WARM ->
                        point.watched.what() + " was not at the volts of a warm set, so how it falls is not compared.";
                    case AS_HEALTHY -> point.figures + ", as a healthy set’s does.";
                    case SLOWER ->
                        point.figures
                                + ", more slowly than a healthy set’s: less is drawn from it (a tube that does not"
                                + " conduct, an open bleeder), or its capacitor is larger than drawn. It keeps its charge longer.";
                    case FASTER ->
                        point.figures
                                + ", faster than a healthy set’s: if nobody bled it, its capacitor holds less than it"
                                + " should, or something draws beside the stages.";
                });
    }

    /** When the first supply point of a healthy set is empty, as far as that is followed. */
    static String forecast(PowerPlan plan, double safeVolts) {
        if (plan.fall() == null) {
            return "";
        }
        double soonest = Fall.when(plan.fall().low().get(0), safeVolts);
        double latest = Fall.when(plan.fall().high().get(0), safeVolts);
        String what = plan.watched().get(plan.row(Watched.Kind.RAIL)).what();
        return Double.isInfinite(latest)
                ? String.format(
                        Locale.ROOT,
                        "Even of a healthy set %s is not under %.0f V by itself in %.0f s.",
                        what,
                        safeVolts,
                        Fall.SECONDS)
                : String.format(
                        Locale.ROOT,
                        "Of a healthy, warm set %s is under %.0f V after %.0f to %.0f s; only the meter tells whether"
                                + " this one is.",
                        what,
                        safeVolts,
                        Math.floor(soonest),
                        Math.ceil(latest));
    }
}
