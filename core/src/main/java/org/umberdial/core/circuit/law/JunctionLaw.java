package org.umberdial.core.circuit.law;

/**
 * A metal or silicon junction: I = Is (e^(V/Vn) - 1), going on as a straight line above {@value #LINEAR_ABOVE_AMPERES}
 * A.
 */
public final class JunctionLaw implements Conductor {
    private static final double LINEAR_ABOVE_AMPERES = 30;
    private static final double THERMAL_VOLTS = 0.025852;
    private static final double LEAST_EXPONENT = -60;

    private final double saturationAmperes;
    private final double slopeVolts;
    private final double cornerVolts;
    private final double criticalVolts;

    /**
     * @param saturationAmperes Is, above 0
     * @param slopeVolts Vn, above 0
     */
    public JunctionLaw(double saturationAmperes, double slopeVolts) {
        this.saturationAmperes = saturationAmperes;
        this.slopeVolts = slopeVolts;
        cornerVolts = slopeVolts * Math.log1p(LINEAR_ABOVE_AMPERES / saturationAmperes);
        criticalVolts = slopeVolts * Math.log(slopeVolts / (Math.sqrt(2) * saturationAmperes));
    }

    /** A silicon or germanium diode from its {@code .model D} parameters IS [A] and N. */
    public static JunctionLaw diode(double saturationAmperes, double emissionCoefficient) {
        return new JunctionLaw(saturationAmperes, emissionCoefficient * THERMAL_VOLTS);
    }

    /**
     * A stack of selenium plates: about 1 V a plate at full current when new, so that five plates drop 5 V. Typical of
     * stacks of the 1950s; the resistance of age stands in series.
     *
     * @param plates in series, above 0
     */
    public static JunctionLaw selenium(double plates) {
        return new JunctionLaw(1e-5, 0.09 * plates);
    }

    @Override
    public void evaluate(double volts, double emission, double[] out) {
        double exponential = Math.exp(Math.max(Math.min(volts, cornerVolts) / slopeVolts, LEAST_EXPONENT));
        out[1] = volts < LEAST_EXPONENT * slopeVolts ? 0 : saturationAmperes / slopeVolts * exponential;
        out[0] = volts > cornerVolts
                ? LINEAR_ABOVE_AMPERES + (volts - cornerVolts) * out[1]
                : saturationAmperes * (exponential - 1);
    }

    /**
     * The junction limiting of the first circuit simulators (L. Nagel, SPICE2, 1975); and on the way down, where
     * Newton's method takes one factor e a step, several at once.
     */
    @Override
    public double limited(double from, double to) {
        double fall = (from - to) / slopeVolts;
        if (fall > 0.8 && fall < 1.2 && from > 0) {
            return from - 4 * slopeVolts;
        }
        if (to <= criticalVolts || Math.abs(to - from) <= 2 * slopeVolts) {
            return to;
        }
        return from > 0
                ? from + Math.copySign(slopeVolts * Math.log1p(Math.abs(to - from) / slopeVolts), to - from)
                : Math.max(slopeVolts * Math.log(to / slopeVolts), slopeVolts);
    }

    @Override
    public double cutOffVolts() {
        return LEAST_EXPONENT * slopeVolts;
    }

    @Override
    public String expression(String v, String e) {
        double steep = saturationAmperes / slopeVolts * Math.exp(cornerVolts / slopeVolts);
        return Soft.text(
                "(%s>%.8g?%.8g+(%s-%.8g)*%.8g:%.8g*(exp(max(min(%s,%.8g)/%.8g,%.4g))-1))",
                v,
                cornerVolts,
                LINEAR_ABOVE_AMPERES,
                v,
                cornerVolts,
                steep,
                saturationAmperes,
                v,
                cornerVolts,
                slopeVolts,
                LEAST_EXPONENT);
    }
}
