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
    /** Infinite for a junction that never breaks down. */
    private final double breakdownVolts;

    private final double breakdownAmperes;

    /**
     * @param saturationAmperes Is, above 0
     * @param slopeVolts Vn, above 0
     */
    public JunctionLaw(double saturationAmperes, double slopeVolts) {
        this(saturationAmperes, slopeVolts, Double.POSITIVE_INFINITY, 0);
    }

    private JunctionLaw(double saturationAmperes, double slopeVolts, double breakdownVolts, double breakdownAmperes) {
        this.breakdownVolts = breakdownVolts;
        this.breakdownAmperes = breakdownAmperes;
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
     * The same that breaks down in reverse, as a zener diode is meant to: there I = -Ibv e^(-(V + BV)/Vn).
     *
     * @param volts BV, above 0 [V]
     * @param amperes IBV at that voltage, above 0 [A]
     */
    public JunctionLaw breakingDown(double volts, double amperes) {
        return new JunctionLaw(saturationAmperes, slopeVolts, volts, amperes);
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
        if (volts < 0 && breakdownVolts < Double.POSITIVE_INFINITY) {
            breakDown(volts, out);
        }
    }

    private void breakDown(double volts, double[] out) {
        double over = -(volts + breakdownVolts);
        double corner = slopeVolts * Math.log(LINEAR_ABOVE_AMPERES / breakdownAmperes);
        double exponential = breakdownAmperes * Math.exp(Math.max(Math.min(over, corner) / slopeVolts, LEAST_EXPONENT));
        double slope = over < LEAST_EXPONENT * slopeVolts ? 0 : exponential / slopeVolts;
        out[0] -= over > corner ? exponential + (over - corner) * slope : exponential;
        out[1] += slope;
    }

    /**
     * The junction limiting of the first circuit simulators (L. Nagel, SPICE2, 1975); and on the way down, where
     * Newton's method takes one factor e a step, several at once.
     */
    @Override
    public double limited(double from, double to) {
        double middle = -breakdownVolts / 2;
        return to < middle
                ? -breakdownVolts - forward(-breakdownVolts - Math.min(from, middle), -breakdownVolts - to)
                : forward(from, to);
    }

    private double forward(double from, double to) {
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
        return breakdownVolts < Double.POSITIVE_INFINITY ? Double.NEGATIVE_INFINITY : LEAST_EXPONENT * slopeVolts;
    }

    @Override
    public String expression(String v, String e) {
        double steep = saturationAmperes / slopeVolts * Math.exp(cornerVolts / slopeVolts);
        String forward = Soft.text(
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
        return breakdownVolts < Double.POSITIVE_INFINITY
                ? Soft.text(
                        "(%s-%.8g*exp(max(min(-(%s+%.8g)/%.8g,%.4g),%.4g)))",
                        forward,
                        breakdownAmperes,
                        v,
                        breakdownVolts,
                        slopeVolts,
                        Math.log(LINEAR_ABOVE_AMPERES / breakdownAmperes),
                        LEAST_EXPONENT)
                : forward;
    }
}
