package org.umberdial.core.power;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * How everything watched goes in one set over a plan: one row a thing, one figure a second.
 *
 * @param rows in the order of the plan's list, each from second 0 on
 */
public record Course(List<double[]> rows) {
    public Course {
        rows = List.copyOf(rows);
    }

    /** Between two seconds on a straight line; behind the end as at the end. */
    public double at(int row, double seconds) {
        double[] figures = rows.get(row);
        double place = Math.max(0, Math.min(seconds, figures.length - 1.0));
        int before = (int) place;
        int after = Math.min(before + 1, figures.length - 1);
        return figures[before] + (place - before) * (figures[after] - figures[before]);
    }

    public int seconds() {
        return rows.isEmpty() ? 0 : rows.get(0).length - 1;
    }

    /** With four digits to a figure, which is what a meter shows. */
    public Course rounded() {
        return new Course(rows.stream()
                .map(row -> Arrays.stream(row).map(Course::rounded).toArray())
                .toList());
    }

    private static double rounded(double figure) {
        return figure == 0 || Double.isNaN(figure)
                ? 0
                : new BigDecimal(figure).round(new MathContext(4)).doubleValue();
    }

    static Course of(int rows, int seconds) {
        List<double[]> all = new ArrayList<>();
        for (int i = 0; i < rows; i++) {
            all.add(new double[seconds + 1]);
        }
        return new Course(all);
    }
}
