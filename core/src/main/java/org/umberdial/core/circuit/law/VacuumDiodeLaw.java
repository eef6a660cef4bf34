package org.umberdial.core.circuit.law;

/**
 * A vacuum diode or a grid that draws current: I = K (w ln(1 + e^(V/w)))^1.5 with w = 1.5 times the retarding voltage.
 *
 * @param perveance K [A/V^1.5], above 0
 */
public record VacuumDiodeLaw(double perveance) implements Conductor {
    /** Volts per factor e of the retarding-field current. */
    private static final double RETARDING_VOLTS = 0.1;

    private static final double WIDTH = 1.5 * RETARDING_VOLTS;
    /** Beyond this the smooth corner is a straight line, or nothing, to seventeen digits. */
    private static final double FAR_VOLTS = 6;

    /** The law through one point of a data sheet, from plate volts and amperes. */
    public static VacuumDiodeLaw through(double volts, double amperes) {
        return new VacuumDiodeLaw(amperes / Math.pow(volts, 1.5));
    }

    @Override
    public void evaluate(double volts, double emission, double[] out) {
        double drive;
        double slope;
        if (volts > FAR_VOLTS) {
            drive = volts;
            slope = 1;
        } else if (volts < -FAR_VOLTS) {
            out[0] = 0;
            out[1] = 0;
            return;
        } else {
            double rise = Math.exp(volts / WIDTH);
            drive = WIDTH * Math.log1p(rise);
            slope = rise / (1 + rise);
        }
        double root = Math.sqrt(drive);
        out[0] = emission * perveance * drive * root;
        out[1] = emission * perveance * 1.5 * root * slope;
    }

    @Override
    public double cutOffVolts() {
        return -FAR_VOLTS;
    }

    @Override
    public String expression(String v, String e) {
        return Soft.text(
                "%s*%.8g*pow(%s>6?%s:%.4g*ln(1+exp(min(max(%s/%.4g,-60),40))),1.5)",
                e, perveance, v, v, WIDTH, v, WIDTH);
    }
}
