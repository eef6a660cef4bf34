package org.umberdial.core.recap;

import java.util.Arrays;
import java.util.Random;

/**
 * Whether new parts fit an old can: the smallest circle that holds several round ones side by side.
 *
 * <p>The circles push each other and the wall away while the wall closes in, from several starts; the best is kept. For
 * two it is their diameters together, for equal ones the known optima (three 2.1547, four 2.4142, five 2.7013
 * diameters).
 */
final class CirclePacking {
    private static final int STARTS = 24;
    private static final int ROUNDS = 4000;
    private static final int NARROWINGS = 40;
    private static final double TOUCHES = 1e-4;

    private CirclePacking() {}

    /**
     * Inner diameter that holds them, in the unit of the diameters.
     *
     * @param diameters one to eight, each above 0
     * @throws IllegalArgumentException for none or a diameter that is not above 0
     */
    static double enclosing(double... diameters) {
        if (diameters.length == 0 || Arrays.stream(diameters).anyMatch(d -> !(d > 0))) {
            throw new IllegalArgumentException("each part has a diameter above 0");
        }
        double[] radii = Arrays.stream(diameters).map(d -> d / 2).toArray();
        double largest = Arrays.stream(radii).max().orElseThrow();
        if (radii.length == 1) {
            return 2 * largest;
        }
        double least = Math.max(largest, twoLargest(radii));
        double most = Arrays.stream(radii).sum();
        if (radii.length == 2) {
            return 2 * most;
        }
        Random random = new Random(20261129);
        for (int i = 0; i < NARROWINGS && most - least > TOUCHES * largest; i++) {
            double wall = (least + most) / 2;
            if (fits(radii, wall, random)) {
                most = wall;
            } else {
                least = wall;
            }
        }
        return 2 * most;
    }

    private static double twoLargest(double[] radii) {
        double[] sorted = radii.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length - 1] + sorted[sorted.length - 2];
    }

    private static boolean fits(double[] radii, double wall, Random random) {
        for (int start = 0; start < STARTS; start++) {
            double[] x = new double[radii.length];
            double[] y = new double[radii.length];
            for (int i = 0; i < radii.length; i++) {
                double angle = 2 * Math.PI * random.nextDouble();
                double out = (wall - radii[i]) * Math.sqrt(random.nextDouble());
                x[i] = out * Math.cos(angle);
                y[i] = out * Math.sin(angle);
            }
            for (int round = 0; round < ROUNDS; round++) {
                double overlap = push(radii, wall, x, y);
                if (overlap < TOUCHES * wall / 4) {
                    return true;
                }
            }
        }
        return false;
    }

    /** Pushes what overlaps apart by half each, and what sticks out in; the largest overlap there was. */
    private static double push(double[] radii, double wall, double[] x, double[] y) {
        double worst = 0;
        for (int i = 0; i < radii.length; i++) {
            for (int j = i + 1; j < radii.length; j++) {
                double dx = x[j] - x[i];
                double dy = y[j] - y[i];
                double apart = Math.hypot(dx, dy);
                double overlap = radii[i] + radii[j] - apart;
                if (overlap > 0) {
                    worst = Math.max(worst, overlap);
                    double ux = apart > 0 ? dx / apart : 1;
                    double uy = apart > 0 ? dy / apart : 0;
                    x[i] -= ux * overlap / 2;
                    y[i] -= uy * overlap / 2;
                    x[j] += ux * overlap / 2;
                    y[j] += uy * overlap / 2;
                }
            }
        }
        for (int i = 0; i < radii.length; i++) {
            double out = Math.hypot(x[i], y[i]);
            double overlap = out + radii[i] - wall;
            if (overlap > 0) {
                worst = Math.max(worst, overlap);
                x[i] *= (wall - radii[i]) / out;
                y[i] *= (wall - radii[i]) / out;
            }
        }
        return worst;
    }
}
