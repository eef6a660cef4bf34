package org.umberdial.core.circuit.law;

/**
 * A heater or lamp: resistance and warmth by the power it has taken.
 *
 * <p>At rest I ~ V^0.55, so R/R0 = (P/P0)^(0.45/1.55). Warmth w is the power it would take to hold its temperature,
 * over the rated power; it follows the true power with one time constant, and R = R0 ((w + wc)/(1 + wc))^0.29, where wc
 * sets the cold resistance. Source: tungsten's resistance and radiation over 300 to 2500 K, as lamp tables give them.
 *
 * @param ratedVolts [V] RMS
 * @param ratedAmperes [A] RMS
 * @param coldRatio hot over cold resistance: about 7 for a heater, 13 for a lamp
 * @param seconds time constant of warming up
 * @param power d ln R / d ln P when hot
 */
public record Filament(double ratedVolts, double ratedAmperes, double coldRatio, double seconds, double power)
        implements ThermalLaw {
    /** Of tungsten: I ~ V^0.55. */
    private static final double TUNGSTEN = 0.45 / 1.55;
    /** Of iron in hydrogen over its range: I ~ V^0.06. */
    private static final double IRON = 0.94 / 1.06;
    /** Warmth at which a cathode gives half its current. */
    private static final double HALF_WARMTH = 0.5;
    /** Warmth up to which it gives none. */
    private static final double COLD_WARMTH = 0.1;

    private static final double SCALE = 1 / (share(1) - share(COLD_WARMTH));

    public static Filament lamp(double volts, double amperes) {
        return new Filament(volts, amperes, 13, 0.2, TUNGSTEN);
    }

    public static Filament heater(double volts, double amperes, double seconds) {
        return new Filament(volts, amperes, 7, seconds, TUNGSTEN);
    }

    /**
     * A barretter: an iron wire in hydrogen that holds its current over a range of volts, I ~ V^0.06 (H. Busch, Annalen
     * der Physik 64, 1921). Outside of the range it is none.
     *
     * @param middleVolts of its range
     * @param amperes it holds there
     */
    public static Filament barretter(double middleVolts, double amperes) {
        return new Filament(middleVolts, amperes, 8, 3, IRON);
    }

    @Override
    public double hotOhms() {
        return ratedVolts / ratedAmperes;
    }

    @Override
    public double coldOhms() {
        return hotOhms() / coldRatio;
    }

    @Override
    public double ratedWatts() {
        return ratedVolts * ratedAmperes;
    }

    @Override
    public double ohms(double warmth) {
        return hotOhms() * Math.pow((Math.max(warmth, 0) + coldWarmth()) / (1 + coldWarmth()), power);
    }

    @Override
    public double warmthAt(double ohms) {
        return Math.max(0, Math.pow(ohms / hotOhms(), 1 / power) * (1 + coldWarmth()) - coldWarmth());
    }

    @Override
    public double steepness(double warmth) {
        return power * Math.max(warmth, 0) / (Math.max(warmth, 0) + coldWarmth());
    }

    /** The warmth that stands for the cold resistance. */
    public double coldWarmth() {
        double share = Math.pow(coldRatio, -1 / power);
        return share / (1 - share);
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

    @Override
    public String siemensExpression(String w) {
        return Soft.text(
                "1/(%.8g*pow((max(%s,0)+%.8g)/%.10g,%.8g))", hotOhms(), w, coldWarmth(), 1 + coldWarmth(), power);
    }
}
