package org.umberdial.core.power;

import java.util.Arrays;
import java.util.List;

/**
 * What healthy sets of one kind show over a plan: the mean of sets whose values lie within their tolerances and whose
 * tubes have emissions of their own, plus and minus {@value #SIGMAS} times their scatter and what a meter may be off;
 * widened in time, since no two heaters take the same seconds.
 */
record Band(Course low, Course middle, Course high) {
    static final int DRAWS = 20;
    static final double SIGMAS = 3.5;
    /** A meter's share of its reading. */
    private static final double METER = 0.015;
    /** And of its scale: a share of the most that is shown. */
    private static final double SCALE = 0.01;
    /**
     * Two heaters of a type differ by so much of the time since a step began, but by no less and no more than these
     * [s].
     */
    static final double TIME_SPREAD = 0.15;

    private static final double LEAST_TIME = 1;
    private static final double MOST_TIME = 6;

    /** @param draws of sets of one kind over the same steps */
    static Band of(List<Course> draws, List<PowerStep> steps) {
        Course mean = mean(draws);
        Course reach = reach(draws, mean);
        return new Band(edge(mean, reach, steps, false), mean, edge(mean, reach, steps, true));
    }

    private static Course mean(List<Course> draws) {
        return each(
                (row, second) -> draws.stream()
                        .mapToDouble(c -> c.rows().get(row)[second])
                        .average()
                        .orElse(0),
                draws.get(0).rows().size(),
                draws.get(0).seconds());
    }

    private interface Figure {
        double at(int row, int second);
    }

    private static Course each(Figure figure, int rows, int seconds) {
        Course all = Course.of(rows, seconds);
        for (int row = 0; row < rows; row++) {
            for (int second = 0; second <= seconds; second++) {
                all.rows().get(row)[second] = figure.at(row, second);
            }
        }
        return all;
    }

    /** How far from the middle a healthy set may lie. */
    private static Course reach(List<Course> draws, Course mean) {
        int seconds = mean.seconds();
        return each(
                (row, second) -> {
                    double middle = mean.rows().get(row)[second];
                    double square = draws.stream()
                            .mapToDouble(c -> c.rows().get(row)[second] - middle)
                            .map(d -> d * d)
                            .sum();
                    return SIGMAS * Math.sqrt(square / (draws.size() - 1))
                            + METER * Math.abs(middle)
                            + SCALE * most(mean.rows().get(row));
                },
                mean.rows().size(),
                seconds);
    }

    private static double most(double[] row) {
        return Arrays.stream(row).map(Math::abs).max().orElse(0);
    }

    /** An edge of the band, widened in time; what another step brings does not reach into it. */
    private static Course edge(Course mean, Course reach, List<PowerStep> steps, boolean high) {
        int seconds = mean.seconds();
        int[] first = new int[seconds + 1];
        int[] last = new int[seconds + 1];
        int start = 0;
        for (PowerStep step : steps) {
            int end = (int) Math.min(seconds, Math.round(start + step.seconds()));
            for (int t = start == 0 ? 0 : start + 1; t <= end; t++) {
                double slack = Math.max(LEAST_TIME, Math.min(MOST_TIME, TIME_SPREAD * (t - start)));
                first[t] = (int) Math.max(start == 0 ? 0 : start + 1, Math.floor(t - slack));
                last[t] = (int) Math.min(end, Math.ceil(t + slack));
            }
            start = end;
        }
        return each(
                (row, second) -> {
                    double edge = high ? Double.NEGATIVE_INFINITY : Double.POSITIVE_INFINITY;
                    for (int t = first[second]; t <= last[second]; t++) {
                        double middle = mean.rows().get(row)[t];
                        double away = reach.rows().get(row)[t];
                        edge = high ? Math.max(edge, middle + away) : Math.min(edge, middle - away);
                    }
                    // No meter tells a hundredth of the scale from nothing, on either side of it.
                    double nothing = SCALE * most(mean.rows().get(row));
                    return high || edge > nothing ? edge : -nothing;
                },
                mean.rows().size(),
                seconds);
    }
}
