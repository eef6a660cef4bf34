package org.umberdial.core.cold;

import java.util.List;

/**
 * Whether one quantity follows another in proportion, from pairs read at several levels. The order of the pairs and the
 * scale of the levels do not matter.
 *
 * @param slope through the origin, by least squares
 * @param residual largest deviation from it, a fraction of what the slope expects at that level
 * @param intercept of a free straight line, a fraction of what the slope expects at the lowest level: what is there
 *     without being fed
 * @param rising whether each higher level gave more
 */
public record Proportion(double slope, double residual, double intercept, boolean rising) {
    /** @param fed what was fed and @param read what came, both above 0 for at least one pair */
    public record Pair(double fed, double read) {}

    /**
     * @param pairs at least two, at different levels
     * @throws IllegalArgumentException when there are fewer
     */
    public static Proportion of(List<Pair> pairs) {
        List<Pair> rising =
                pairs.stream().sorted((a, b) -> Double.compare(a.fed, b.fed)).toList();
        if (rising.size() < 2 || rising.get(rising.size() - 1).fed <= rising.get(0).fed) {
            throw new IllegalArgumentException("proportion needs two different levels");
        }
        double xx = 0;
        double xy = 0;
        double x = 0;
        double y = 0;
        for (Pair pair : rising) {
            xx += pair.fed * pair.fed;
            xy += pair.fed * pair.read;
            x += pair.fed;
            y += pair.read;
        }
        double slope = xy / xx;
        int n = rising.size();
        double free = (n * xy - x * y) / (n * xx - x * x);
        double atZero = (y - free * x) / n;
        double residual = 0;
        boolean climbs = true;
        for (int i = 0; i < n; i++) {
            Pair pair = rising.get(i);
            residual = Math.max(residual, Math.abs(pair.read - slope * pair.fed) / Math.abs(slope * pair.fed));
            climbs &= i == 0 || pair.read > rising.get(i - 1).read;
        }
        return new Proportion(
                slope,
                slope == 0 ? Double.POSITIVE_INFINITY : residual,
                slope == 0 ? 0 : atZero / (slope * rising.get(0).fed),
                climbs);
    }

    /**
     * Whether it is proportion and not something picked up from elsewhere.
     *
     * @param most largest residual that still is, a fraction
     */
    public boolean holds(double most) {
        return rising && residual <= most;
    }
}
