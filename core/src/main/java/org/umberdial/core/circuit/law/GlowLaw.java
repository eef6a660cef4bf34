package org.umberdial.core.circuit.law;

/**
 * A gas discharge once it burns: a regulator tube, a neon lamp, a gas rectifier.
 *
 * <p>Burning, I = (w/r) ln(1 + e^((V - Vb)/w)): nothing below its burning voltage, a straight line of the differential
 * resistance above. Whether it burns is decided outside: it strikes when the voltage across it reaches the striking
 * one, and goes out by itself when what feeds it falls below the burning one. Source of the form: the volt-ampere curve
 * of the normal glow in the makers' books on regulator tubes, burning volts at the middle of the current range and
 * regulation over that range.
 *
 * @param strikeVolts [V]
 * @param burnVolts at the middle of its current range [V]
 * @param leastAmperes it needs to burn steadily [A]
 * @param mostAmperes it stands [A]
 * @param ohms differential resistance [Ω], above 0
 * @param eitherWay whether both electrodes may be cathode
 */
public record GlowLaw(
        double strikeVolts, double burnVolts, double leastAmperes, double mostAmperes, double ohms, boolean eitherWay)
        implements Conductor {
    private static final double WIDTH = 0.3;
    private static final double FAR = 30;

    /** From published figures; the regulation is the change of volts over the range of current. */
    public static GlowLaw published(
            double strike, double burn, double least, double most, double regulation, boolean eitherWay) {
        return new GlowLaw(strike, burn, least, most, Math.max(regulation / (most - least), 1), eitherWay);
    }

    /** Where the straight line meets no current [V]. */
    private double footVolts() {
        return burnVolts - ohms * (leastAmperes + mostAmperes) / 2;
    }

    /** What counts towards striking of a voltage from anode to cathode [V]. */
    public double across(double volts) {
        return eitherWay ? Math.abs(volts) : volts;
    }

    @Override
    public void evaluate(double volts, double emission, double[] out) {
        forward(volts, out);
        if (eitherWay) {
            double current = out[0];
            double slope = out[1];
            forward(-volts, out);
            out[0] = current - out[0];
            out[1] += slope;
        }
        out[0] *= emission;
        out[1] *= emission;
    }

    private void forward(double volts, double[] out) {
        double y = (volts - footVolts()) / WIDTH;
        if (y < -FAR) {
            out[0] = 0;
            out[1] = 0;
            return;
        }
        out[0] = WIDTH / ohms * Soft.plus(y);
        out[1] = Soft.slope(y) / ohms;
    }

    @Override
    public double cutOffVolts() {
        return eitherWay ? Double.NEGATIVE_INFINITY : footVolts() - FAR * WIDTH;
    }

    @Override
    public String expression(String v, String e) {
        return e + "*(" + line(v) + (eitherWay ? "-" + line("(-(" + v + "))") : "") + ")";
    }

    private String line(String v) {
        return Soft.text(
                "((%s)>%.8g?((%s)-%.8g)/%.8g:%.8g*ln(1+exp(min(max(((%s)-%.8g)/%.4g,-60),40))))",
                v, footVolts() + 12, v, footVolts(), ohms, WIDTH / ohms, v, footVolts(), WIDTH);
    }
}
