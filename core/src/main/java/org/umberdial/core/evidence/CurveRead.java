package org.umberdial.core.evidence;

import java.util.List;

/**
 * A curve read point by point over frequency; of one name and sort the later holds.
 *
 * @param name what it is of: {@code CAN 1}, {@code IF}, {@code FM DETECTOR}, {@code FM IF}
 * @param sort how it was read
 * @param wanted where its middle should be [Hz]; 0 when nobody said
 * @param points frequency [Hz] and what was read, in the order of reading
 */
public record CurveRead(String name, Sort sort, double wanted, List<Point> points) implements Fact {
    /** How a curve is read. */
    public enum Sort {
        /** Output at one level of the generator. */
        OUTPUT,
        /** The generator's level for one reading. */
        LEVEL,
        /** Volts of a detector of frequency modulation, of both signs. */
        DETECTOR
    }

    /** @param hertz [Hz], @param value in any unit, the same for all */
    public record Point(double hertz, double value) {}

    private static final int MOST_POINTS = 200;

    public CurveRead {
        points = List.copyOf(points);
        if (points.size() > MOST_POINTS
                || !points.stream().allMatch(p -> p.hertz > 0 && Double.isFinite(p.hertz) && Double.isFinite(p.value))
                || !(wanted >= 0 && Double.isFinite(wanted))) {
            throw new IllegalArgumentException("a curve is up to 200 figures over frequency");
        }
    }

    @Override
    public String subject() {
        return name;
    }

    @Override
    public String sentence() {
        return "Curve of " + name + " read at " + points.size() + " frequencies";
    }
}
