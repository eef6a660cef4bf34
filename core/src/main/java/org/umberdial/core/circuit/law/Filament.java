package org.umberdial.core.circuit.law;

/**
 * A heater or lamp: resistance and warmth by the power it has taken.
 *
 * <p>At rest I ~ V^0.55, so R/R0 = (P/P0)^(0.45/1.55). Warmth w is the power it would take to hold its temperature,
 * over the rated power; it follows the true power with one time constant, and R = R0 (w + wc)^0.29, where wc sets the
 * cold resistance. Source: tungsten's resistance and radiation over 300 to 2500 K, as lamp tables give them.
 *
 * @param ratedVolts [V] RMS
 * @param ratedAmperes [A] RMS
 * @param coldRatio hot over cold resistance: about 7 for a heater, 13 for a lamp
 * @param seconds time constant of warming up
 */
public record Filament(double ratedVolts, double ratedAmperes, double coldRatio, double seconds) {
    private static final double POWER = 0.45 / 1.55;
    private static final int MOST_ROUNDS = 30;
    private static final double SAME = 1e-8;
    /** Warmth at which a cathode gives half its current. */
    private static final double HALF_WARMTH = 0.5;
    /** Warmth up to which it gives none. */
    private static final double COLD_WARMTH = 0.1;

    private static final double SCALE = 1 / (share(1) - share(COLD_WARMTH));

    public static Filament lamp(double volts, double amperes) {
        return new Filament(volts, amperes, 13, 0.2);
    }

    public static Filament heater(double volts, double amperes, double seconds) {
        return new Filament(volts, amperes, 7, seconds);
    }

    public double hotOhms() {
        return ratedVolts / ratedAmperes;
    }

    public double coldOhms() {
        return hotOhms() / coldRatio;
    }

    public double ratedWatts() {
        return ratedVolts * ratedAmperes;
    }

    /** Resistance at a warmth of 0 (cold) to 1 (rated) and above [Ω]. */
    public double ohms(double warmth) {
        return hotOhms() * Math.pow(Math.max(warmth, 0) + coldWarmth(), POWER);
    }

    /** The warmth at which a filament on this RMS voltage rests. */
    public double restingWarmth(double volts) {
        double warmth = Math.pow(Math.max(volts, 1e-3) / ratedVolts, 1.55);
        for (int i = 0; i < MOST_ROUNDS; i++) {
            double next = volts * volts / ohms(warmth) / ratedWatts();
            if (Math.abs(next - warmth) < SAME * next) {
                return next;
            }
            warmth = next;
        }
        return warmth;
    }

    /** The warmth that stands for the cold resistance. */
    public double coldWarmth() {
        return Math.pow(coldRatio, -1 / POWER);
    }

    /**
     * The share of its full current a cathode gives at this warmth: all of it near the rated heat, half at half the
     * power, next to nothing at a quarter, nothing at a tenth. Space charge hides a cooler cathode until it is much too
     * cool.
     */
    public static double emission(double warmth) {
        if (warmth <= COLD_WARMTH) {
            return 0;
        }
        return SCALE * (share(warmth) - share(COLD_WARMTH));
    }

    private static double share(double warmth) {
        double cool = HALF_WARMTH / warmth;
        double square = cool * cool;
        return 1 / (1 + square * square * square);
    }

    /** {@link #emission} as a simulator's expression. */
    public static String emissionExpression(String w) {
        return Soft.text(
                "%.12g*(1/(1+pow(%.4g/max(%s,%.4g),6))-%.12g)", SCALE, HALF_WARMTH, w, COLD_WARMTH, share(COLD_WARMTH));
    }

    /** The conductance as a simulator's expression of the warmth. */
    public String siemensExpression(String w) {
        return Soft.text("1/(%.8g*pow(max(%s,0)+%.8g,%.8g))", hotOhms(), w, coldWarmth(), POWER);
    }
}
