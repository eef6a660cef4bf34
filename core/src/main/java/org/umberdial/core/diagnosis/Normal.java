package org.umberdial.core.diagnosis;

/** The standard normal distribution, as far as it is needed here. */
final class Normal {
    private static final double FAR = 8;

    private Normal() {}

    /**
     * A stretch of it.
     *
     * @param log of how much of it lies there
     * @param mean of what lies there, {@code deviation} of it
     */
    record Part(double log, double mean, double deviation) {}

    /** @param from below {@code to} */
    static Part between(double from, double to) {
        if (from > 0) {
            Part mirrored = between(-to, -from);
            return new Part(mirrored.log, -mirrored.mean, mirrored.deviation);
        }
        if (to < -FAR) {
            // Far out it falls as an exponential from the near end (Mills' ratio).
            double rate = -to;
            double log = -to * to / 2
                    - Math.log(Math.sqrt(2 * Math.PI) * rate)
                    + Math.log1p(-Math.exp(Math.max(-700, -rate * (to - from))));
            return new Part(log, to - Math.min(1 / rate, (to - from) / 2), Math.min(1 / rate, (to - from) / 3.5));
        }
        double mass = Math.max(1e-300, below(to) - below(from));
        double mean = (density(from) - density(to)) / mass;
        double square = 1 + (bounded(from) * density(from) - bounded(to) * density(to)) / mass - mean * mean;
        return new Part(Math.log(mass), mean, Math.sqrt(Math.max(1e-12, square)));
    }

    private static double bounded(double at) {
        return Math.max(-40, Math.min(40, at));
    }

    static double density(double at) {
        return Math.exp(-at * at / 2) / Math.sqrt(2 * Math.PI);
    }

    /**
     * How much of it lies below (M. Abramowitz and I. Stegun, Handbook of Mathematical Functions, 26.2.17; tails by the
     * asymptotic series 26.2.12), within 1e-7 and, beyond 3.5 deviations, within 2 %.
     */
    static double below(double at) {
        if (at > 0) {
            return 1 - below(-at);
        }
        double x = -at;
        if (x > 3.5) {
            double square = x * x;
            return density(x) / x * (1 - 1 / square + 3 / (square * square));
        }
        double t = 1 / (1 + 0.2316419 * x);
        return density(x)
                * t
                * (0.319381530 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
    }
}
